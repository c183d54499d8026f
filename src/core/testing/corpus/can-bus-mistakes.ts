import { both, edit } from './change';
import { BMS, drop, line, put, UNIT, WIRING } from './harness-changes';
import type { Mistake } from './mistake';

export const CAN_BUS_MISTAKES: readonly Mistake[] = [
  {
    kind: WIRING,
    did: 'a third node that terminates the CAN bus',
    on: 'firn',
    plant: line({ id: 'bus-inverter', terminates: true }),
    speaks: `harness.line-ends:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is not terminated at both its ends',
  },
  {
    kind: WIRING,
    did: 'one end of the CAN bus without its resistor',
    on: 'firn',
    plant: line({ id: `bus-${BMS}`, terminates: false }),
    speaks: `harness.line-ends:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is not terminated at both its ends',
  },
  {
    kind: WIRING,
    did: 'resistors in the first and the third of four nodes, the last on a long branch',
    on: 'firn',
    plant: both(line({ id: `bus-${BMS}`, terminates: false }), line({ id: 'bus-charger', terminates: true })),
    speaks: `harness.line-length:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is too long for its bit rate',
  },
  {
    kind: WIRING,
    did: 'H led to L at the charger',
    on: 'firn',
    plant: both(
      put('wires', { id: 'sg-can-high-1', b: { hostId: 'charger', pin: 'CAN L' } }),
      put('wires', { id: 'sg-can-low-1', b: { hostId: 'charger', pin: 'CAN H' } }),
    ),
    speaks: `harness.line-wires:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is not wired as a line',
  },
  {
    kind: WIRING,
    did: 'L not led on to the cell electronics',
    on: 'firn',
    plant: drop('wires', 'sg-can-low-2'),
    speaks: `harness.line-wires:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is not wired as a line',
  },
  {
    kind: WIRING,
    did: 'the CAN bus closed to a ring',
    on: 'firn',
    plant: put('wires', {
      id: 'sg-ring',
      name: 'CAN bus back',
      signal: 'can-high',
      a: { hostId: BMS, pin: 'CAN H' },
      b: { hostId: UNIT, pin: 'CAN H' },
      lengthM: 2,
    }),
    speaks: `harness.line-wires:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is not wired as a line',
  },
  {
    kind: WIRING,
    did: 'one node at another bit rate',
    on: 'firn',
    plant: line({ id: 'bus-charger', bitRateBps: 250e3 }),
    speaks: `harness.line-talk:${UNIT}`,
    says: 'CAN bus at Vehicle control unit: its nodes can’t talk to one another',
  },
  {
    kind: WIRING,
    did: 'two donors’ devices that send one identifier',
    on: 'firn',
    plant: line({ id: 'bus-charger', sends: [{ identifier: 0x3c1, bytes: 8, periodS: 0.1 }] }),
    speaks: `harness.line-talk:${UNIT}`,
    says: 'CAN bus at Vehicle control unit: its nodes can’t talk to one another',
  },
  {
    kind: WIRING,
    did: 'an inverter that waits for a message that nobody sends',
    on: 'firn',
    plant: line({ id: 'bus-inverter', hears: [0x1a0] }),
    speaks: `harness.line-talk:${UNIT}`,
    says: 'CAN bus at Vehicle control unit: its nodes can’t talk to one another',
  },
  {
    kind: WIRING,
    did: 'a node told twice in a file, with another bit rate the second time',
    on: 'firn',
    plant: line({ id: 'bus-again', hostId: 'charger', port: 'CAN', bitRateBps: 125e3, sends: [], terminates: false }),
    speaks: `harness.line-talk:${UNIT}`,
    says: 'CAN bus at Vehicle control unit: its nodes can’t talk to one another',
  },
  {
    kind: WIRING,
    did: 'a node of which nobody told what it says',
    on: 'firn',
    plant: (build) => {
      const { sends: _, ...node } = build.harness!.nodes!['bus-charger']!;
      return edit({ edit: 'putInHarness', input: { list: 'nodes', entries: [node] } })(build);
    },
    speaks: `harness.line-talk:${UNIT}`,
    says: 'CAN bus at Vehicle control unit: what its nodes say',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'a node that shouts every millisecond, four messages of it',
    on: 'firn',
    plant: line({
      id: 'bus-charger',
      sends: [0x100, 0x101, 0x102, 0x103].map((identifier) => ({ identifier, bytes: 8, periodS: 0.002 })),
    }),
    speaks: `harness.line-load:${UNIT}`,
    says: 'CAN bus at Vehicle control unit is too busy',
  },
];
