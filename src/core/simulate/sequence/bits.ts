/**
 * The control and its surroundings as bits: what people and things do (inputs), what the circuit does, where the sequence stands. A state is
 * two words: the world, and the control with the one fault that is there.
 */
export const WORLD = {
  key: 1 << 0,
  brake: 1 << 1,
  accelerator: 1 << 2,
  forward: 1 << 3,
  reverse: 1 << 4,
  plug: 1 << 5,
  handle: 1 << 6,
  crash: 1 << 7,
  remotePressed: 1 << 8,
  remoteOut: 1 << 9,
  lowSupply: 1 << 10,
  cellsStop: 1 << 11,
  seatEmpty: 1 << 12,
  standDown: 1 << 13,
  deadMan: 1 << 14,
  handPrecharge: 1 << 15,
  handMain: 1 << 16,
  movingForward: 1 << 17,
  movingBackward: 1 << 18,
  linkUp: 1 << 19,
  linkDead: 1 << 20,
  timer: 1 << 21,
  current: 1 << 22,
  /** Only as it is sensed: a reading that can’t be, two that differ, a contactor that did not follow. */
  bad: 1 << 23,
} as const;
export type WorldBit = keyof typeof WORLD;

/** What can be done from outside, in the order of a dash; the lever has three places of its own. */
export const INPUTS = [
  'key',
  'brake',
  'accelerator',
  'forward',
  'reverse',
  'deadMan',
  'plug',
  'handle',
  'crash',
  'remotePressed',
  'remoteOut',
  'seatEmpty',
  'standDown',
  'handPrecharge',
  'handMain',
  'lowSupply',
  'cellsStop',
  'movingForward',
  'movingBackward',
] as const satisfies readonly WorldBit[];
export type Input = (typeof INPUTS)[number];

/** Where the sequence stands. */
export const MODES = [
  'off',
  'awake',
  'precharge',
  'ready',
  'drive',
  'reverse',
  'stopping',
  'tripping',
  'fault',
  'charge-precharge',
  'charging',
] as const;
export type Mode = (typeof MODES)[number];
export const MODE = Object.fromEntries(MODES.map((mode, k) => [mode, k])) as Readonly<Record<Mode, number>>;

/** Contactors by what the wiring makes of them. */
export const MINUS = 1;
export const PRECHARGE = 2;
export const MAIN = 4;
export const CHARGE = 8;

/** One thing that has failed; the first is none. A single switch, wire, sensor or contactor each. */
export const FAULTS = [
  'none',
  'proximity-open',
  'pilot-open',
  'block-welded',
  'brake-on',
  'brake-off',
  'pedal-high',
  'pedal-open',
  'forward-on',
  'reverse-on',
  'forward-off',
  'reverse-off',
  'dead-man-on',
  'seat-on',
  'stand-up',
  'speed-moving',
  'speed-still',
  'main-welded',
  'minus-welded',
  'relay-welded',
  'charge-welded',
  'resistor-open',
  'link-loaded',
  'link-reads-up',
  'link-reads-dead',
  'messages-lost',
] as const;
export type FaultName = (typeof FAULTS)[number];
export const FAULT = Object.fromEntries(FAULTS.map((fault, k) => [fault, k])) as Readonly<Record<FaultName, number>>;

/** Torque: none, one way, the other way, or braking by the motor while it is meant to go forward or backward. */
export const NO_TORQUE = 0;
export const FORWARD = 1;
export const REVERSE = 2;
export const REGEN_FORWARD = 3;
export const REGEN_REVERSE = 4;

/** What a settling did, beside where it ended: bits of `seen`. */
export const CLOSED_ON_EMPTY = 1;
export const OPENED_LOADED = 2;
export const DROVE_UNBRAKED = 4;
export const DROVE_PRESSED = 8;
export const TURNED_MOVING = 16;
export const LEFT_FAULT = 32;
export const RECLOSED = 64;
export const UNSETTLED = 128;
export const PASSED_WELD = 256;
export const RESUMED = 512;
