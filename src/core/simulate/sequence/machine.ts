import { Apart, type Faults, only, POLES_WELDED } from './apart';
import {
  CHARGE,
  CLOSED_ON_EMPTY,
  DROVE_PRESSED,
  DROVE_UNBRAKED,
  FAULT,
  FORWARD,
  LEFT_FAULT,
  MAIN,
  MINUS,
  MODE,
  MODES,
  NO_TORQUE,
  OPENED_LOADED,
  PASSED_WELD,
  PRECHARGE,
  RECLOSED,
  REGEN_FORWARD,
  REGEN_REVERSE,
  RESUMED,
  REVERSE,
  TURNED_MOVING,
  UNSETTLED,
  WORLD,
} from './bits';
import { sensedUnder } from './sensed';
import type { SequenceDesign } from './sequence-design';
import { commandsOf, maskOf, type Step, stepsOf } from './steps';

const W = WORLD;
const M = MODE;
/** Read once: the search asks millions of times. */
const BLOCK_WELDED = FAULT['block-welded'];
const CHARGE_WELDED = FAULT['charge-welded'];
const LINK_LOADED = FAULT['link-loaded'];
const MAIN_WELDED = FAULT['main-welded'];
const MINUS_WELDED = FAULT['minus-welded'];
const PILOT_OPEN = FAULT['pilot-open'];
const PROXIMITY_OPEN = FAULT['proximity-open'];
const RELAY_WELDED = FAULT['relay-welded'];
const RESISTOR_OPEN = FAULT['resistor-open'];
const OFF = M.off;
const DRIVE = M.drive;
const REVERSING = M.reverse;
const FAULTED = M.fault;
const READY = M.ready;
const AWAKE = M.awake;
const PRECHARGING = M.precharge;
const CHARGE_PRECHARGING = M['charge-precharge'];
const DIRECTIONS = W.forward | W.reverse;
/** Longest chain of steps that one change may bring about. */
const MOST_STEPS = 12;

/**
 * The control with what surrounds it, one state at a time. The same for the search, for play and for the test board: there the link’s bits
 * come from volts and the timer from seconds, here from steps of time.
 */
export class Machine {
  readonly steps: readonly Step[];
  private readonly masks: readonly Int32Array[];
  private readonly values: readonly Int32Array[];
  private readonly targets: readonly Int32Array[];
  /** Of each mode, all sensed bits that any of its steps asks for. */
  private readonly asks: Int32Array;
  private readonly commands: Int32Array;
  /** Of each fault, what it takes off and puts on the sensed word. */
  private readonly keep: Int32Array;
  private readonly put: Int32Array;

  word = 0;
  mode = 0;
  fault = 0;
  seen = 0;
  /** It wakes up: the way up waits. */
  held = false;
  /** Of what was done without a fault: the faults under which it may have gone otherwise. */
  apart: Faults = 0;
  private readonly differs: Apart;

  // Of the design, as plain fields: each is asked millions of times.
  private readonly fitted: number;
  private readonly wired: boolean;
  private readonly pilot: boolean;
  private readonly openIsPlugged: boolean;
  private readonly neutral: boolean;
  private readonly told: boolean;
  private readonly input: boolean;
  private readonly tests: boolean;
  private readonly pull: boolean;
  private readonly exclusive: boolean;
  private readonly plugBlocks: boolean;
  private readonly blocks: boolean;
  private readonly blockApart: boolean;
  private readonly deadMan: boolean;
  private readonly cuts: boolean;
  private readonly creeps: boolean;
  private readonly regenEnds: boolean;
  private readonly lift: boolean;
  private readonly byBrake: boolean;
  private readonly keyDrops: number;
  private readonly handleDrops: number;
  private readonly crashDrops: number;
  private readonly loopStop: boolean;
  private readonly dummyStop: boolean;
  private readonly singlePole: boolean;

  constructor(readonly design: SequenceDesign) {
    const { flags, seen, remoteStop, regen } = design;
    this.steps = stepsOf(design);
    const by = MODES.map((mode) =>
      this.steps.flatMap((step) => {
        const guards = step.from === mode && !step.unknown ? maskOf([...step.when, ...(step.own ?? [])]) : null;
        return guards ? [{ ...guards, to: MODE[step.to] }] : [];
      }),
    );
    this.masks = by.map((steps) => Int32Array.from(steps.map(({ mask }) => mask)));
    this.values = by.map((steps) => Int32Array.from(steps.map(({ value }) => value)));
    this.targets = by.map((steps) => Int32Array.from(steps.map(({ to }) => to)));
    this.asks = Int32Array.from(by, (steps) => steps.reduce((all, { mask }) => all | mask, 0));
    const commands = commandsOf(design);
    this.commands = Int32Array.from(MODES.map((mode) => commands[mode] & design.fitted));
    [this.keep, this.put] = sensedUnder(design);
    this.fitted = design.fitted;
    this.wired = seen === 'proximity' || seen === 'own-contact';
    this.pilot = flags.pilotBlocks === true;
    this.openIsPlugged = flags.openIsPlugged === true;
    this.neutral = flags.neutralContact === true;
    this.told = flags.stopTold === true || (design.command === 'hand-switches' && flags.linkRelay === true);
    this.input = remoteStop === 'input';
    this.tests = flags.testsPoles === true;
    this.pull = design.pull;
    this.exclusive = design.excluded || design.changeover;
    this.plugBlocks = flags.plugBlocks === true;
    this.blocks = design.torqueBlocked === true;
    this.blockApart = flags.blockApart === true;
    this.deadMan = design.deadMan;
    this.cuts = flags.brakeCuts === true;
    this.creeps = flags.creep === true;
    this.regenEnds = flags.regenEnds === true;
    this.lift = regen === 'lift-off';
    this.byBrake = regen === 'brake-pedal';
    this.keyDrops = design.keyDrops;
    this.handleDrops = design.handleDrops;
    this.crashDrops = design.crashDrops;
    this.loopStop = remoteStop === 'loop';
    this.dummyStop = remoteStop === 'dummy';
    this.singlePole = (design.fitted & MINUS) === 0;
    const plugSensed = (word: number, fault: number) => (this.sensed(word, OFF, fault) & W.plug) !== 0;
    this.differs = new Apart(design, [this.keep, this.put], plugSensed, this.exclusive);
  }

  /** What the control believes of the world. */
  sensed(word: number, mode: number, fault: number): number {
    let s = (word & this.keep[fault]!) | this.put[fault]!;
    const cut = fault === PROXIMITY_OPEN;
    if (word & W.plug) {
      const wire = this.wired && !cut;
      if (!wire && !(this.pilot && fault !== PILOT_OPEN) && !(cut && this.openIsPlugged)) s &= ~W.plug;
    } else if (cut && this.openIsPlugged) s |= W.plug;
    if (this.neutral && (word & DIRECTIONS) === 0) s &= ~DIRECTIONS;
    const remote = this.input && (word & REMOTE) === W.remotePressed;
    if (!this.told) s &= ~TOLD;
    // An input’s lead that is out reads as not pressed.
    if (this.input) s = remote ? s | W.remotePressed : s & ~W.remotePressed;
    if (
      this.tests &&
      (fault === MAIN_WELDED || fault === MINUS_WELDED || fault === RELAY_WELDED) &&
      (mode === AWAKE || mode === PRECHARGING)
    )
      s |= W.bad;
    return s;
  }

  /** Contactors that are really closed: what is asked for, fed, and what has welded. */
  actual(word: number, mode: number, fault: number): number {
    let closed = this.commands[mode]!;
    if (closed !== 0) {
      if (word & W.lowSupply) closed = 0;
      if (!(word & W.key)) closed &= ~this.keyDrops;
      if (word & W.handle) closed &= ~this.handleDrops;
      if (word & W.crash) closed &= ~this.crashDrops;
      if (this.loopStop && word & REMOTE) closed = 0;
      if (this.dummyStop && (word & REMOTE) === W.remotePressed) closed = 0;
    }
    if (fault >= MAIN_WELDED && fault <= CHARGE_WELDED) {
      if (fault === MAIN_WELDED) closed |= MAIN;
      else if (fault === MINUS_WELDED) closed |= MINUS;
      else if (fault === RELAY_WELDED) closed |= PRECHARGE;
      else closed |= CHARGE;
      closed &= this.fitted;
    }
    if (this.exclusive && closed & MAIN) closed &= ~CHARGE;
    return closed;
  }

  /** The sorts of contactors that a mode asks for. */
  commandOf(mode: number): number {
    return this.commands[mode]!;
  }

  /** A whole way from the cells to the link: without a contactor in a pole that pole is always joined; pulled apart by hand it is none. */
  joined(word: number, closed: number): boolean {
    if ((closed & MAIN) === 0 || (this.pull && word & W.handle)) return false;
    return this.singlePole || (closed & MINUS) !== 0;
  }

  throughResistor(word: number, closed: number, fault: number): boolean {
    if ((closed & PRECHARGE) === 0 || fault === RESISTOR_OPEN || (this.pull && word & W.handle)) return false;
    return this.singlePole || (closed & MINUS) !== 0;
  }

  /** Torque that is asked of the inverter, whether it is fed or not. */
  asked(word: number, mode: number, fault: number): number {
    if (mode !== DRIVE && mode !== REVERSING) return NO_TORQUE;
    const s = this.sensed(word, mode, fault);
    if (s & W.bad || (this.plugBlocks && s & W.plug)) return NO_TORQUE;
    if (this.blocks && fault !== BLOCK_WELDED && this.blocked(word, s, fault)) return NO_TORQUE;
    const ahead = mode === DRIVE;
    const pressed = (s & W.accelerator) !== 0;
    const braked = (s & W.brake) !== 0;
    const held = !this.deadMan || (s & W.deadMan) !== 0;
    if (held && !(this.cuts && braked) && (pressed || (this.creeps && !braked))) return ahead ? FORWARD : REVERSE;
    if (!(this.lift ? !pressed || braked : this.byBrake && braked)) return NO_TORQUE;
    if (this.regenEnds && (s & (ahead ? W.movingForward : W.movingBackward)) === 0) return NO_TORQUE;
    return ahead ? REGEN_FORWARD : REGEN_REVERSE;
  }

  /** The block by hardware: on a contact of its own, or on the wire that the control reads too. */
  private blocked(word: number, s: number, fault: number): boolean {
    if (this.blockApart || (this.wired && fault !== PROXIMITY_OPEN)) return (word & W.plug) !== 0;
    return this.wired && (s & W.plug) !== 0;
  }

  /** Torque that the inverter gives; none without a way to the cells. */
  torque(word: number, mode: number, fault: number): number {
    if (mode !== DRIVE && mode !== REVERSING) return NO_TORQUE;
    return this.joined(word, this.actual(word, mode, fault)) ? this.asked(word, mode, fault) : NO_TORQUE;
  }

  /** Faults under which a state looks otherwise than without one. */
  looksApart(word: number, mode: number, closed: number): Faults {
    const apart = this.differs.closing(closed) | this.differs.flowing(closed, this.throughResistor(word, closed, 0));
    if (mode !== DRIVE && mode !== REVERSING) return apart;
    return apart | this.sensesApart(word, mode, PEDALS) | (this.blocks ? UNREAD : 0);
  }

  private sensesApart(word: number, mode: number, asked: number): Faults {
    const blind = this.neutral && (word & DIRECTIONS) === 0 ? DIRECTIONS : 0;
    return this.differs.sensing(word, mode, asked & ~blind);
  }

  /** Takes every step that is due; `before` and `hadFault` are what was before the change, for what closes and opens by itself. */
  settle(before: number, hadFault = this.fault): void {
    const { fault } = this;
    const alone = fault === 0;
    let { word, mode } = this;
    const closedBefore = this.actual(before, mode, hadFault);
    let joinedBefore = this.joined(before, closedBefore);
    let seen = 0;
    let apart = this.differs.joining(closedBefore);
    for (let rounds = 0; ; rounds++) {
      const closed = this.actual(word, mode, fault);
      const joined = this.joined(word, closed);
      if (joined && !joinedBefore) {
        if (!(word & W.linkUp) && fault !== MAIN_WELDED && fault !== MINUS_WELDED) seen |= CLOSED_ON_EMPTY;
        apart |= POLES_WELDED;
        word = (word | W.linkUp) & ~W.linkDead;
        if (rounds === 0 && before & STOPS && !(word & STOPS)) seen |= RECLOSED;
        if (rounds === 0 && before & W.lowSupply && !(word & W.lowSupply)) seen |= RESUMED;
      } else if (joinedBefore && !joined && word & W.current && !(word & EMERGENCY) && mode !== FAULTED)
        seen |= OPENED_LOADED;
      joinedBefore = joined;
      if (alone) apart |= this.differs.joining(closed) | this.sensesApart(word, mode, this.asks[mode]!);
      const s = this.sensed(word, mode, fault);
      const masks = this.masks[mode]!;
      const values = this.values[mode]!;
      let next = mode;
      for (let k = 0; k < masks.length; k++)
        if ((s & masks[k]!) === values[k]) {
          const to = this.targets[mode]![k]!;
          if (this.held && mode === AWAKE && to !== OFF && to !== FAULTED) continue;
          next = to;
          break;
        }
      if (next === mode) break;
      if (rounds >= MOST_STEPS) {
        seen |= UNSETTLED;
        break;
      }
      seen |= this.entering(mode, next, word, fault);
      if (mode === AWAKE) apart |= POLES_WELDED;
      word &= ~W.timer;
      mode = next;
    }
    // What may drive counts as carrying current; it ends with the next step of time elsewhere.
    if (mode === DRIVE || mode === REVERSING) word |= W.current;
    this.word = word;
    this.mode = mode;
    this.seen = seen;
    this.apart = apart;
  }

  /** What is remarkable about going from one mode to another. */
  private entering(from: number, to: number, word: number, fault: number): number {
    let seen = 0;
    if (from === READY && (to === DRIVE || to === REVERSING)) {
      if (!(word & W.brake)) seen |= DROVE_UNBRAKED;
      if (word & W.accelerator && !this.deadMan) seen |= DROVE_PRESSED;
      if (word & (to === DRIVE ? W.movingBackward : W.movingForward)) seen |= TURNED_MOVING;
    }
    if (from === FAULTED && word & W.key && to !== OFF) seen |= LEFT_FAULT;
    const welded = fault === MAIN_WELDED || fault === MINUS_WELDED;
    if (from === AWAKE && (to === PRECHARGING || to === READY) && welded) seen |= PASSED_WELD;
    return seen;
  }

  /** One step of time: the link charges or falls by one level, a current ends, and where nothing moves any more a time-out is due. */
  tick(): void {
    const { fault } = this;
    const before = this.word;
    const { mode } = this;
    let word = before;
    const closed = this.actual(word, mode, fault);
    const through = this.throughResistor(word, closed, fault);
    const apart = this.differs.flowing(closed, through);
    if (this.joined(word, closed)) word = (word | W.linkUp) & ~W.linkDead;
    else if (through) {
      if (word & W.linkDead) word &= ~W.linkDead;
      else if (fault !== LINK_LOADED) word |= W.linkUp;
    } else if (word & W.linkUp) word &= ~W.linkUp;
    else word |= W.linkDead;
    const waits = mode === PRECHARGING || mode === CHARGE_PRECHARGING || mode === AWAKE;
    if (waits && word === before) word |= W.timer;
    if (mode !== DRIVE && mode !== REVERSING) word &= ~W.current;
    this.word = word;
    this.settle(before);
    this.apart |= apart;
  }
}

const STOPS = W.handle | W.crash | W.remotePressed | W.cellsStop;
const REMOTE = W.remotePressed | W.remoteOut;
const TOLD = W.handle | W.crash | REMOTE;
/** What torque is asked by. */
const PEDALS = W.bad | W.plug | W.accelerator | W.brake | W.deadMan | W.movingForward | W.movingBackward;
/** Fails without being read. */
const UNREAD = only(BLOCK_WELDED) | only(PROXIMITY_OPEN);
const EMERGENCY = W.handle | W.crash | W.remotePressed | W.remoteOut | W.lowSupply;
