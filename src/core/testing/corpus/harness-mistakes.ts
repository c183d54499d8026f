import type { EndMade, EndState, HarnessEntry, HarnessList, WireSide } from '../../build';
import { both, type Change, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const WIRING = 'Wires, plugs and CAN bus';

/** One entry of a list of the harness, or some of its fields otherwise. */
const put =
  <L extends HarnessList>(list: L, entry: Partial<HarnessEntry<L>> & { readonly id: string }): Change =>
  (build) => {
    const known = (build.harness?.[list] as Readonly<Record<string, object>> | undefined)?.[entry.id];
    return edit({ edit: 'putInHarness', input: { list, entries: [{ ...known, ...entry }] } as never })(build);
  };
const drop = (list: HarnessList, id: string): Change => edit({ edit: 'dropFromHarness', input: { list, id } });
/** An end otherwise than it was ticked. */
const end =
  (wireId: string, side: WireSide, more: Partial<EndMade>): Change =>
  (build) => {
    const known = build.harness!.ends![wireId]!;
    return put('ends', { id: wireId, [side]: { ...known[side]!, ...more } })(build);
  };
const state = (wireId: string, side: WireSide, is: EndState): Change => end(wireId, side, { state: is });
const splice = (reachable?: boolean): Change =>
  both(
    put('fittings', {
      id: 'splice-1',
      name: 'Pilot splice',
      kind: 'splice',
      zoneId: 'zone-bay',
      ...(reachable === undefined ? {} : { reachable }),
    }),
    put('wires', {
      id: 'sg-extra',
      name: 'Lamp beside the pilot',
      signal: 'gauge',
      a: { hostId: 'splice-1', pin: 'pilot' },
      b: { hostId: 'low-control-unit-load', pin: 'plug lamp' },
      areaMm2: 0.5,
    }),
  );
const look = (more: Partial<HarnessEntry<'looks'>>): Change =>
  put('looks', {
    id: 'look-1',
    subjectId: 'charger',
    what: 'HV plug',
    water: false,
    corrosion: false,
    wetScreen: false,
    insulationOhm: 2e9,
    photo: '',
    date: '2026-04-11',
    by: 'me',
    ...more,
  });
const fourWay = (...ids: readonly string[]): Change => both(...ids.map((id) => put('plugs', { id, ways: 8 })));
const [UNIT, BMS] = ['low-control-unit-load', 'low-bms-load'];
const line = (node: Partial<HarnessEntry<'nodes'>> & { readonly id: string }): Change => put('nodes', node);

export const HARNESS_MISTAKES: readonly Mistake[] = [
  {
    kind: WIRING,
    did: 'a traction cable on a box, its other end hanging loose',
    on: 'larkspur',
    plant: state('c-box-plus', 'b', 'left-long'),
    speaks: 'harness.live-end:c-box-plus',
    says: 'W001 Boot box plus to main fuse hangs loose while its other end is on Boot box',
  },
  {
    kind: WIRING,
    did: 'a loose end behind a wire that leads to the box in fact, and elsewhere by design',
    on: 'firn',
    plant: both(
      end('c-shunt', 'a', { hostId: 'box-front', terminal: 'minus', state: 'landed' }),
      end('c-shunt', 'b', { hostId: 'k-minus', terminal: 'a', state: 'landed' }),
      state('c-minus', 'a', 'landed'),
      end('c-minus', 'a', { hostId: 'k-minus', terminal: 'a', state: 'landed' }),
      state('c-minus', 'b', 'left-long'),
    ),
    speaks: 'harness.live-end:c-minus',
    says: 'W011 Shunt to bus minus hangs loose while its other end is on Front box',
  },
  {
    kind: WIRING,
    did: 'a sense wire on the cells, its plug end cut and bare',
    on: 'larkspur',
    plant: state('sg-boot-4', 'b', 'cut'),
    speaks: 'harness.live-end:sg-boot-4',
    says: 'W092 Cells in the boot, tap 4 hangs loose while its other end is on Boot box',
  },
  {
    kind: WIRING,
    did: 'a feed behind the battery’s fuse, its load not on yet',
    on: 'larkspur',
    plant: state('low-w4', 'a', 'crimped'),
    speaks: 'harness.live-end:low-w4',
    says: 'W046 Converter to battery hangs loose while its other end is on Auxiliary battery',
  },
  {
    kind: WIRING,
    did: 'a wire made for one terminal, the design moved on to another',
    on: 'larkspur',
    plant: end('low-w5', 'b', { hostId: 'low-box', terminal: 'n', hostName: 'Fuse box' }),
    speaks: 'harness.as-made:low-w5',
    says: 'W047 Converter to earth is not made as the design has it now',
  },
  {
    kind: WIRING,
    did: 'a wire cut from a thinner cable than the design has now',
    on: 'larkspur',
    plant: both(end('low-w4', 'a', { areaMm2: 16 }), end('low-w4', 'b', { areaMm2: 16 })),
    speaks: 'harness.as-made:low-w4',
    says: 'W046 Converter to battery is not made as the design has it now',
  },
  {
    kind: WIRING,
    did: 'a wire that is in the car and in no design',
    on: 'larkspur',
    plant: put('ends', {
      id: 'old-feed',
      name: 'Feed of a pump that is gone',
      a: { state: 'landed', hostId: 'low-box', terminal: 'n', hostName: 'Fuse box', areaMm2: 2.5, date: '2025-08-01' },
    }),
    speaks: 'harness.as-made:old-feed',
    says: 'Feed of a pump that is gone is not made as the design has it now',
  },
  {
    kind: WIRING,
    did: 'two wires of the finished car not ticked as landed',
    on: 'larkspur',
    plant: both(state('sg-pilot-0', 'a', 'parked'), state('sg-pilot-0', 'b', 'crimped')),
    speaks: 'harness.open-ends:wiring',
    says: 'Wiring: 2 of 266 ends open',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'a traction cable in black',
    on: 'firn',
    plant: put('marks', { id: 'c-plus', colour: 'BK' }),
    speaks: 'harness.colour:c-plus',
    says: 'W005 K+ to bus plus has a colour that tells the wrong thing',
  },
  {
    kind: WIRING,
    did: 'a pump’s feed in orange',
    on: 'firn',
    plant: put('marks', { id: 'low-w4', colour: 'OG' }),
    speaks: 'harness.colour:low-w4',
    says: 'W042 Converter to battery has a colour that tells the wrong thing',
  },
  {
    kind: WIRING,
    did: 'a stripe in orange on a 12-volt wire',
    on: 'firn',
    plant: put('marks', { id: 'low-w4', stripe: 'OG' }),
    speaks: 'harness.colour:low-w4',
    says: 'W042 Converter to battery has a colour that tells the wrong thing',
  },
  {
    kind: WIRING,
    did: 'one wire of the motor’s position sensor left out',
    on: 'firn',
    plant: drop('wires', 'sg-position-3'),
    speaks: 'harness.signals:wiring',
    says: 'Signals',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'the second track of the pedal led to the cell electronics',
    on: 'firn',
    plant: put('wires', { id: 'sg-pedal-4', b: { hostId: BMS, pin: 'pedal 2 signal' } }),
    speaks: 'harness.signals:wiring',
    says: 'Signals',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'a pair of the position sensor not twisted',
    on: 'firn',
    plant: drop('marks', 'sg-position-1'),
    speaks: 'harness.pairs:sg-position-0',
    says: 'W075 Position of the motor, excitation + is open to disturbance',
  },
  {
    kind: WIRING,
    did: 'a CAN wire twisted with the motor’s excitation',
    on: 'firn',
    plant: put('marks', { id: 'sg-can-low-0', twistedWith: 'sg-position-0' }),
    speaks: 'harness.pairs:sg-can-low-0',
    says: 'W194 CAN bus control unit to inverter, L is open to disturbance',
  },
  {
    kind: WIRING,
    did: 'sine twisted with excitation, cosine with sine',
    on: 'firn',
    plant: both(
      put('marks', { id: 'sg-position-1', twistedWith: 'sg-position-2' }),
      put('marks', { id: 'sg-position-3', twistedWith: 'sg-position-0' }),
    ),
    speaks: 'harness.pairs:sg-position-0',
    says: 'W075 Position of the motor, excitation + is open to disturbance',
  },
  {
    kind: WIRING,
    did: 'three position wires in one twist',
    on: 'firn',
    plant: put('marks', { id: 'sg-position-3', twistedWith: 'sg-position-0' }),
    speaks: 'harness.pairs:sg-position-0',
    says: 'W075 Position of the motor, excitation + is open to disturbance',
  },
  {
    kind: WIRING,
    did: 'position wires in a shield that is earthed at both ends',
    on: 'firn',
    plant: both(
      drop('marks', 'sg-position-1'),
      put('marks', { id: 'sg-position-0', screen: 'both' }),
      put('marks', { id: 'sg-position-1', screen: 'both' }),
    ),
    speaks: 'harness.pairs:sg-position-0',
    says: 'W075 Position of the motor, excitation + is open to disturbance',
  },
  {
    kind: WIRING,
    did: 'the return of the winding’s sensor led to the body',
    on: 'firn',
    plant: both(
      put('fittings', { id: 'earth-1', name: 'Earth by the motor', kind: 'earth-point', zoneId: 'zone-bay' }),
      put('wires', { id: 'sg-winding-1', b: { hostId: 'earth-1', pin: 'stud' } }),
    ),
    speaks: 'harness.returns:motor',
    says: 'Motor, temperature has no return of its own',
  },
  {
    kind: WIRING,
    did: 'a box’s sensor drawn from the electronics on, without a return, another’s return beside it',
    on: 'firn',
    plant: both(
      put('wires', {
        id: 'sg-front-warm-0',
        a: { hostId: BMS, pin: 'front temperature' },
        b: { hostId: 'box-front', pin: 'temperature' },
      }),
      put('wires', { id: 'sg-front-warm-1', returns: false }),
    ),
    speaks: 'harness.returns:box-front',
    says: 'Front box, temperature has no return of its own',
  },
  {
    kind: WIRING,
    did: 'the plug’s contact without a return',
    on: 'firn',
    plant: put('wires', { id: 'sg-proximity-1', returns: false }),
    speaks: 'harness.returns:fit-inlet',
    says: 'Charging inlet, proximity has no return of its own',
  },
  {
    kind: WIRING,
    did: 'a splice behind the dashboard',
    on: 'firn',
    plant: splice(false),
    speaks: 'harness.splices:splice-1',
    says: 'Pilot splice lies where no hand gets to it',
  },
  {
    kind: WIRING,
    did: 'a splice that nobody told a hand gets to',
    on: 'firn',
    plant: splice(),
    speaks: 'harness.splices:splice-1',
    says: 'Pilot splice',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'the selector taken out, its wires left',
    on: 'firn',
    plant: drop('fittings', 'fit-selector'),
    speaks: 'harness.leads:sg-selector-0',
    says: 'W091 Direction selector, forward leads to nothing',
  },
  {
    kind: WIRING,
    did: 'two wires in one pin',
    on: 'firn',
    plant: both(put('marks', { id: 'sg-pedal-0', pinB: 7 }), put('marks', { id: 'sg-brake-0', pinB: 7 })),
    speaks: `harness.pins:${UNIT}`,
    says: 'Vehicle control unit: its pins do not go up',
  },
  {
    kind: WIRING,
    did: 'more wires than the connector has ways',
    on: 'firn',
    plant: put('plugs', { id: UNIT, ways: 6 }),
    speaks: `harness.pins:${UNIT}`,
    says: 'Vehicle control unit: its pins do not go up',
  },
  {
    kind: WIRING,
    did: 'two connectors of eight ways side by side that fit each other',
    on: 'firn',
    plant: both(
      fourWay('fit-pedal', 'fit-selector'),
      put('plugs', { id: 'fit-pedal', keyed: false }),
      put('plugs', { id: 'fit-selector', keyed: true }),
    ),
    speaks: 'harness.alike:fit-pedal',
    says: 'Accelerator pedal fits where another belongs',
  },
  {
    kind: WIRING,
    did: 'two connectors of eight ways side by side, keyed or not was not told',
    on: 'firn',
    plant: fourWay('fit-pedal', 'fit-selector'),
    speaks: 'harness.alike:fit-selector',
    says: 'Direction selector: whether it is keyed',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'water in a salvaged HV plug',
    on: 'firn',
    plant: look({ water: true }),
    speaks: 'harness.looks:look-1',
    says: 'HV plug, Charger and converter: what was found inside has to be made new',
  },
  {
    kind: WIRING,
    did: 'an HV plug that looks dry and insulates badly',
    on: 'firn',
    plant: look({ insulationOhm: 2e6 }),
    speaks: 'harness.looks:look-1',
    says: 'HV plug, Charger and converter: what was found inside has to be made new',
  },
  {
    kind: WIRING,
    did: 'an HV plug that looks dry, its insulation not measured',
    on: 'firn',
    plant: look({ insulationOhm: null }),
    speaks: 'harness.looks:look-1',
    says: 'HV plug, Charger and converter',
    asks: true,
  },
  {
    kind: WIRING,
    did: 'an end of the old loom that hangs as it was found',
    on: 'larkspur',
    plant: put('oldEnds', { id: 'old-9', branchId: 'old-engine-loom', label: 'Choke heater', state: 'found' }),
    speaks: 'harness.old-ends:old-9',
    says: 'Choke heater of the old loom hangs as it was found',
  },
  {
    kind: WIRING,
    did: 'an end of a branch that is to come out, still landed',
    on: 'larkspur',
    plant: put('oldEnds', { id: 'old-2', state: 'landed' }),
    speaks: 'harness.old-ends:old-2',
    says: 'Ignition feed is to come out with its branch and is still in',
  },
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

export const HARNESS_HARMLESS: readonly Harmless[] = [
  {
    did: 'a traction cable on the contactor alone, its end at the box still loose',
    on: 'firn',
    change: both(state('c-rear-plus', 'a', 'left-long'), state('c-rear-plus', 'b', 'landed')),
  },
  {
    did: 'labels, loops and crimps of one’s own',
    on: 'firn',
    change: put('marks', { id: 'c-plus', label: 'HV 1', loopM: 0.6, crimpA: 'ring M8' }),
  },
  {
    did: 'position wires in a shield that is earthed at the inverter',
    on: 'firn',
    change: both(
      drop('marks', 'sg-position-1'),
      put('marks', { id: 'sg-position-0', screen: 'b' }),
      put('marks', { id: 'sg-position-1', screen: 'b' }),
    ),
  },
  { did: 'a splice that a hand gets to', on: 'firn', change: splice(true) },
  {
    did: 'a connector with more ways than wires',
    on: 'firn',
    change: put('plugs', { id: UNIT, ways: 35, keyed: true }),
  },
  {
    did: 'two connectors of eight ways side by side, both keyed',
    on: 'firn',
    change: both(
      fourWay('fit-pedal', 'fit-selector'),
      put('plugs', { id: 'fit-pedal', keyed: true }),
      put('plugs', { id: 'fit-selector', keyed: true }),
    ),
  },
  { did: 'a salvaged plug that is dry', on: 'firn', change: look({}) },
  { did: 'a wet plug that was made new', on: 'firn', change: look({ water: true, renewed: true }) },
  {
    did: 'identifiers alike, one of 11 and one of 29 bits',
    on: 'firn',
    change: line({ id: 'bus-charger', sends: [{ identifier: 0x3c1, extended: true, bytes: 8, periodS: 0.1 }] }),
  },
  {
    did: 'CAN pins with names of their maker’s own',
    on: 'firn',
    change: both(
      put('wires', { id: 'sg-can-high-2', b: { hostId: BMS, pin: 'CANH' } }),
      put('wires', { id: 'sg-can-low-2', b: { hostId: BMS, pin: 'CANL' } }),
    ),
  },
  {
    did: 'an inverter that waits for what the control unit sends',
    on: 'firn',
    change: line({ id: 'bus-inverter', hears: [0x3c0] }),
  },
  {
    did: 'the pilot led through an inline plug',
    on: 'firn',
    change: both(
      put('fittings', { id: 'plug-1', name: 'Inline plug', kind: 'plug', zoneId: 'zone-bay' }),
      put('wires', { id: 'sg-pilot-0', b: { hostId: 'plug-1', pin: 'pilot' } }),
      put('wires', {
        id: 'sg-pilot-on',
        name: 'Pilot on',
        signal: 'pilot',
        a: { hostId: 'plug-1', pin: 'pilot' },
        b: { hostId: 'charger', pin: 'pilot' },
        areaMm2: 0.5,
      }),
    ),
  },
  {
    did: 'an old end that was labelled',
    on: 'larkspur',
    change: put('oldEnds', { id: 'old-8', branchId: 'old-light-loom', label: 'Reading lamp', state: 'labelled' }),
  },
  {
    did: 'tables of pins',
    on: 'firn',
    change: put('tables', { id: 't1', name: 'Donor', rows: [{ pin: '1', signal: 'a', colour: '' }] }),
  },
];
