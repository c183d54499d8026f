import { both, type Change, device, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const KIND = 'Two wheels, three, and trailers';
const motorcycle: Change = edit({ edit: 'setBody', input: { body: 'motorcycle' } });
const TOLD = { interlock: true, joined: 'dead', flexes: true, breakAway: true } as const;
const trailed = (more: object = {}): Change =>
  both(
    edit({ edit: 'setFigure', input: { figure: 'towedMass', value: 450 } }),
    device('box-rear', { trailer: { ...TOLD, ...more } }),
  );

/** Shapes beside cars, and a pack on a trailer. */
export const WHEEL_MISTAKES: readonly Mistake[] = [
  {
    kind: KIND,
    did: 'a motorcycle that drives off with its side stand down',
    on: 'larkspur',
    plant: both(motorcycle, edit({ edit: 'setStand', input: { cut: false } })),
    speaks: 'drive.stand:stand',
    says: 'It drives off with its side stand down',
  },
  {
    kind: KIND,
    did: 'a motorcycle, and nobody told about its side stand',
    on: 'larkspur',
    plant: motorcycle,
    speaks: 'drive.stand:stand',
    says: 'Side stand',
    asks: true,
  },
  {
    kind: KIND,
    did: 'a car’s load on the one front wheel of a trike',
    on: 'larkspur',
    plant: both(
      edit({ edit: 'setBody', input: { body: 'trike' } }),
      edit({ edit: 'setTyre', input: { tyre: '145/80R13 75T' } }),
    ),
    speaks: 'drive.tyre-load:tyres',
    says: 'The tyres carry less than lies on them',
  },
  {
    kind: KIND,
    did: 'a pack on a trailer that is joined live',
    on: 'firn',
    plant: trailed({ joined: 'live' }),
    speaks: 'pack.trailer:box-rear',
    says: 'Rear box: its plug or its cable can hurt',
  },
  {
    kind: KIND,
    did: 'a pack on a trailer, and nobody told what happens as it tears off',
    on: 'firn',
    plant: trailed({ breakAway: undefined }),
    speaks: 'pack.trailer:box-rear',
    says: 'Rear box, on its trailer',
    asks: true,
  },
  {
    kind: KIND,
    did: 'a pack on a trailer whose poles leave it without a contactor',
    on: 'firn',
    plant: trailed(),
    speaks: 'pack.trailer-plug:box-rear',
    says: 'The plug of Rear box is live when it is drawn',
  },
];

export const WHEEL_HARMLESS: readonly Harmless[] = [
  {
    did: 'the estate told as a motorcycle whose side stand cuts the torque',
    searched: true,
    on: 'larkspur',
    change: both(
      motorcycle,
      edit({ edit: 'setStand', input: { cut: true } }),
      edit({ edit: 'setTyre', input: { tyre: '5.60-13 96S' } }),
    ),
  },
];
