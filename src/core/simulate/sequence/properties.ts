import type { OwnProperty, Signal, SignalIs } from '../../build';
import {
  CHARGE,
  CLOSED_ON_EMPTY,
  DROVE_PRESSED,
  DROVE_UNBRAKED,
  type FaultName,
  LEFT_FAULT,
  MAIN,
  MINUS,
  MODE,
  OPENED_LOADED,
  PASSED_WELD,
  PRECHARGE,
  RECLOSED,
  REGEN_FORWARD,
  REGEN_REVERSE,
  RESUMED,
  TURNED_MOVING,
  UNSETTLED,
  WORLD,
} from './bits';
import type { Machine } from './machine';
import type { Answer, SequenceDesign } from './sequence-design';

const W = WORLD;
const MOVING = W.movingForward | W.movingBackward;

/** One state as it is looked at: the world, where the sequence stands, what is closed and what pushes. */
export interface Seen {
  readonly word: number;
  readonly mode: number;
  readonly closed: number;
  readonly joined: boolean;
  readonly precharging: boolean;
  readonly torque: number;
  readonly asked: number;
}

export function seenOf(machine: Machine, word: number, mode: number, fault: number): Seen {
  const closed = machine.actual(word, mode, fault);
  const joined = machine.joined(word, closed);
  const asked = machine.asked(word, mode, fault);
  return {
    word,
    mode,
    closed,
    joined,
    precharging: machine.throughResistor(word, closed, fault),
    torque: joined ? asked : 0,
    asked,
  };
}

/** What the search proves or refutes. */
export interface Property {
  readonly id: string;
  /** Faults that it has to bear, beside none: all, or none. */
  readonly bears: 'every-fault' | 'no-fault';
  readonly except?: readonly FaultName[];
  readonly applies: (design: SequenceDesign) => boolean;
  /** A state that must not be. */
  readonly never?: (seen: Seen, design: SequenceDesign) => boolean;
  /** Something that must not happen on the way from one state to the next. */
  readonly edge?: number;
  /** Answers that decide it. */
  readonly flags: readonly Answer[];
}

const drives = ({ torque }: Seen): boolean => torque === 1 || torque === 2;
const byHand = ({ command }: SequenceDesign): boolean => command === 'hand-switches';

/** Every contactor asked for, and these dropped: whether cells and link stay joined, be it through the resistor. */
const staysJoined = ({ fitted }: SequenceDesign, drops: number): boolean =>
  (fitted & (MAIN | PRECHARGE) & ~drops) !== 0 && ((fitted & MINUS) === 0 || (fitted & MINUS & ~drops) !== 0);

export const PROPERTIES: readonly Property[] = [
  {
    id: 'plugged',
    bears: 'every-fault',
    applies: ({ seen }) => seen !== null,
    never: ({ word, torque }) => (word & W.plug) !== 0 && torque !== 0,
    flags: ['plugBlocks', 'openIsPlugged', 'pilotBlocks', 'torqueBlocked', 'blockApart', 'seenBy'],
  },
  {
    id: 'ready',
    bears: 'every-fault',
    applies: () => true,
    // Asked for is enough: with the link back it would push.
    never: ({ word, asked }) => (asked === 1 || asked === 2) && (word & W.linkUp) === 0,
    flags: ['measuresLink', 'stopTold', 'sagRestarts', 'linkRelay'],
  },
  {
    id: 'regen-open',
    bears: 'no-fault',
    applies: ({ regen }) => regen !== 'none',
    never: ({ word, asked, joined }) => asked >= REGEN_FORWARD && !joined && (word & MOVING) !== 0,
    flags: ['stopTold', 'sagRestarts', 'linkRelay'],
  },
  { id: 'brake-first', bears: 'no-fault', applies: () => true, edge: DROVE_UNBRAKED, flags: ['brakeFirst'] },
  {
    id: 'pedal-first',
    bears: 'no-fault',
    applies: ({ deadMan }) => !deadMan,
    edge: DROVE_PRESSED,
    flags: ['pedalAtRest'],
  },
  { id: 'turning', bears: 'no-fault', applies: () => true, edge: TURNED_MOVING, flags: ['turnStill'] },
  {
    id: 'precharged',
    bears: 'every-fault',
    applies: ({ fitted }) => (fitted & PRECHARGE) !== 0,
    edge: CLOSED_ON_EMPTY,
    flags: ['measuresLink', 'sagRestarts', 'stopTold', 'provesDead', 'linkRelay', 'latchesFault'],
  },
  {
    id: 'opens-loaded',
    bears: 'no-fault',
    applies: ({ breaksAll }) => !breaksAll,
    edge: OPENED_LOADED,
    flags: ['waitsCurrent'],
  },
  {
    id: 'stop',
    bears: 'no-fault',
    applies: ({ handle, pull }) => handle || pull,
    // By wire, not by what the control makes of it.
    never: ({ word, joined, torque }, design) =>
      (word & W.handle) !== 0 && (joined || torque !== 0 || (!design.pull && staysJoined(design, design.handleDrops))),
    flags: [],
  },
  {
    id: 'regeneration',
    bears: 'every-fault',
    applies: ({ regen }) => regen !== 'none',
    never: ({ word, torque }) =>
      (torque === REGEN_FORWARD && (word & W.movingForward) === 0) ||
      (torque === REGEN_REVERSE && (word & W.movingBackward) === 0),
    flags: ['regenEnds', 'speedOwn'],
  },
  {
    id: 'remote-fitted',
    bears: 'no-fault',
    applies: ({ remoteStop }) => remoteStop !== 'none',
    never: ({ word, joined, torque }) =>
      (word & W.remotePressed) !== 0 && (word & W.remoteOut) === 0 && (joined || torque !== 0),
    flags: ['stopTold'],
  },
  {
    id: 'remote-absent',
    bears: 'no-fault',
    applies: ({ remoteStop }) => remoteStop !== 'none',
    // Torn off it stops; a bridging plug is a knowing act, and the handle still has to work.
    never: ({ word, joined, torque }, { remoteStop, handle, pull }) =>
      (word & W.remoteOut) !== 0 &&
      (joined || torque !== 0) &&
      (remoteStop !== 'dummy' || !(handle || pull) || (word & W.handle) !== 0),
    flags: [],
  },
  {
    id: 'apart',
    bears: 'every-fault',
    applies: ({ chargesApart, fitted }) => chargesApart && (fitted & CHARGE) !== 0,
    never: ({ closed }) => (closed & CHARGE) !== 0 && (closed & MAIN) !== 0,
    flags: [],
  },
  {
    id: 'single-fault',
    bears: 'every-fault',
    applies: () => true,
    never: (seen, { flags, deadMan }) => {
      if (!drives(seen)) return false;
      const { word, torque } = seen;
      if ((word & (torque === 1 ? W.forward : W.reverse)) === 0) return true;
      if (deadMan && (word & W.deadMan) === 0) return true;
      return (word & W.accelerator) === 0 && !(flags.creep === true && (word & W.brake) === 0);
    },
    flags: [
      'pedalTwo',
      'pedalRange',
      'brakeCuts',
      'oneDirection',
      'neutralContact',
      'brakeTwo',
      'messagesEnd',
      'deadManTwo',
    ],
  },
  {
    id: 'presence',
    bears: 'no-fault',
    applies: ({ flags, stand }) => flags.seatSwitch === true || stand,
    never: (seen) => drives(seen) && (seen.word & (W.seatEmpty | W.standDown)) !== 0,
    flags: [],
  },
  {
    id: 'sag',
    bears: 'no-fault',
    applies: (design) => !byHand(design),
    edge: RESUMED,
    flags: ['sagRestarts'],
  },
  {
    id: 'precharge-ends',
    bears: 'every-fault',
    applies: ({ fitted }) => (fitted & PRECHARGE) !== 0,
    never: ({ word, mode, precharging }) =>
      precharging &&
      (mode === MODE.precharge || mode === MODE['charge-precharge']) &&
      (word & (W.timer | W.linkUp)) === W.timer,
    flags: ['timesOut'],
  },
  {
    id: 'after-fault',
    bears: 'no-fault',
    applies: () => true,
    edge: LEFT_FAULT | RECLOSED,
    flags: ['latchesFault', 'stopTold', 'linkRelay'],
  },
  {
    id: 'switches-off',
    bears: 'every-fault',
    except: ['main-welded', 'minus-welded', 'charge-welded'],
    applies: () => true,
    // With the key off and nothing moving any more it is still joined: only the search knows that nothing moves.
    never: ({ word, mode, joined }) =>
      joined &&
      (word & (W.key | W.timer)) === 0 &&
      (mode === MODE.ready || mode === MODE.drive || mode === MODE.reverse),
    flags: [],
  },
  {
    id: 'weld',
    bears: 'every-fault',
    applies: (design) => !byHand(design),
    edge: PASSED_WELD,
    flags: ['testsPoles', 'provesDead'],
  },
  { id: 'settles', bears: 'every-fault', applies: () => true, edge: UNSETTLED, flags: [] },
];

/** A signal as it is in the world, for properties of one’s own and for what is shown. */
export function signalIs(signal: Signal, seen: Seen): boolean {
  const { word, closed, torque, mode } = seen;
  switch (signal) {
    case 'key':
    case 'brake':
    case 'accelerator':
    case 'forward':
    case 'reverse':
    case 'handle':
    case 'crash':
      return (word & W[signal]) !== 0;
    case 'plugged':
      return (word & W.plug) !== 0;
    case 'low-supply':
      return (word & W.lowSupply) !== 0;
    case 'cells-stop':
      return (word & W.cellsStop) !== 0;
    case 'moving-forward':
      return (word & W.movingForward) !== 0;
    case 'moving-backward':
      return (word & W.movingBackward) !== 0;
    case 'seat-empty':
      return (word & W.seatEmpty) !== 0;
    case 'stand-down':
      return (word & W.standDown) !== 0;
    case 'dead-man':
      return (word & W.deadMan) !== 0;
    case 'link-charged':
      return (word & W.linkUp) !== 0;
    case 'link-dead':
      return (word & W.linkDead) !== 0;
    case 'main-closed':
      return (closed & MAIN) !== 0;
    case 'minus-closed':
      return (closed & MINUS) !== 0;
    case 'precharge-closed':
      return (closed & PRECHARGE) !== 0;
    case 'torque-forward':
      return torque === 1;
    case 'torque-reverse':
      return torque === 2;
    case 'regeneration':
      return torque >= REGEN_FORWARD;
    case 'ready':
      return mode === MODE.ready || mode === MODE.drive || mode === MODE.reverse;
    case 'charging':
      return mode === MODE.charging;
    case 'fault':
      return mode === MODE.fault;
  }
}

export const allAre = (atoms: readonly SignalIs[], seen: Seen): boolean =>
  atoms.every(({ signal, is }) => signalIs(signal as Signal, seen) === is);

/** Signals of a property that nobody knows. */
export const unknownSignals = (
  { form, when, brings = [] }: OwnProperty,
  known: readonly string[],
): readonly string[] => [
  ...[...when, ...brings].map(({ signal }) => signal).filter((signal) => !known.includes(signal)),
  // Without its second side it would be true of everything.
  ...(form !== 'never' && brings.length === 0 ? ['(nothing on its second side)'] : []),
];
