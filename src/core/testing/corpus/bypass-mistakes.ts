import { both, type Change, device, reEnd, wire } from './change';
import type { Harmless, Mistake } from './mistake';

const PAST = 'Ways around a fuse or a contact';

/** The blower’s return without a wire. */
const bolted: Change = (build) => {
  const { lv, hv } = build.circuits;
  const back = {
    ...lv.conductors['low-blower-w4']!,
    kind: 'bolted' as const,
    partId: null,
    lengthM: null,
    routeId: null,
  };
  return { ...build, circuits: { hv, lv: { ...lv, conductors: { ...lv.conductors, 'low-blower-w4': back } } } };
};

export const BYPASS_MISTAKES: readonly Mistake[] = [
  {
    kind: PAST,
    did: 'the wires of two loads joined behind their fuses',
    on: 'larkspur',
    plant: wire('stray', 'Stray', 'low-tail-fuse.b', 'low-radio-load.plus', 'low-radio-w3'),
    speaks: 'lv.bypassed:low-radio-fuse',
    says: 'Radio fuse is bypassed',
  },
  {
    kind: PAST,
    did: 'the relay of the dipped beam bridged at the lamps by the way of the alarm',
    on: 'firn',
    plant: wire('stray', 'Stray', 'low-alarm-fuse.b', 'low-dipped-halogen-load.plus', 'low-dipped-halogen-w2'),
    speaks: 'lv.bypassed:low-dipped-halogen-relay',
    says: 'Dipped beam, halogen relay is bypassed',
  },
  {
    kind: PAST,
    did: 'both sides of a fuse on one terminal',
    on: 'teasel',
    plant: wire('stray', 'Stray', 'low-tail-fuse.a', 'low-tail-fuse.b', 'low-tail-w3'),
    speaks: 'lv.bypassed:low-tail-fuse',
    says: 'Tail and plate lamps fuse is bypassed',
  },
  {
    kind: PAST,
    did: 'the main contactor’s coil joined with the lamps behind their relay',
    on: 'larkspur',
    plant: wire('stray', 'Stray', 'low-dipped-led-load.plus', 'k-main.coilPlus', 'low-dipped-led-w3'),
    speaks: 'contactor.commanded:k-main',
    says: 'Main contactor closes without a command',
  },
  {
    kind: PAST,
    did: 'the lamps behind their relay joined with the stop loop behind the key',
    on: 'larkspur',
    plant: wire('stray', 'Stray', 'low-dipped-led-load.plus', 'coil-key.b', 'low-dipped-led-w3'),
    speaks: 'emergency.key:key',
    says: 'The key does not switch it off',
  },
  {
    kind: PAST,
    did: 'a load screwed to the bar of the fuse box',
    on: 'larkspur',
    plant: both(reEnd('low-tail-bar', 'b', 'low-wipers-load.plus'), reEnd('low-wipers-w3', 'b', 'low-tail-fuse.a')),
    speaks: 'lv.bar:low-tail-bar',
    says: 'Bar to Tail and plate lamps fuse has to be a wire',
  },
  {
    kind: PAST,
    did: 'a bar from the fuse box to a fuse at the other end of the car',
    on: 'larkspur',
    plant: (build) => {
      const { place } = build.circuits.lv.devices['low-wipers-fuse']!;
      return device('low-wipers-fuse', { place: { ...place!, xM: place!.xM + 1.8 } })(build);
    },
    speaks: 'lv.bar:low-wipers-bar',
    says: 'Bar to Wipers fuse has to be a wire',
  },
  {
    kind: PAST,
    did: 'the return of the blower, a metre from its earth point, entered as bolted',
    on: 'larkspur',
    plant: bolted,
    speaks: 'lv.bar:low-blower-w4',
    says: 'Heater blower earth has to be a wire',
  },
];

export const BYPASS_HARMLESS: readonly Harmless[] = [
  {
    did: 'the blower earthed by the stud of its case, on an earth point beside it',
    on: 'larkspur',
    change: both(bolted, (build) => {
      const { devices } = build.circuits.lv;
      return device('low-blower-load', { place: devices['coil-earth']!.place })(build);
    }),
  },
  {
    did: 'a fuse in a second holder, a hand beside the fuse box',
    on: 'larkspur',
    change: (build) => {
      const { place } = build.circuits.lv.devices['low-wipers-fuse']!;
      return device('low-wipers-fuse', { place: { ...place!, xM: place!.xM + 0.15 } })(build);
    },
  },
  {
    did: 'two wires side by side to the dipped beam',
    on: 'larkspur',
    change: wire(
      'beside',
      'Dipped beam, second wire',
      'low-dipped-led-relay.b',
      'low-dipped-led-load.plus',
      'low-dipped-led-w3',
    ),
  },
];
