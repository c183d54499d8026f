import type { ControlFlag, SignalIs } from '../../build';
import { CHARGE, MAIN, MINUS, type Mode, PRECHARGE, WORLD, type WorldBit } from './bits';
import type { SequenceDesign } from './sequence-design';

/** What a step asks of a signal as the control senses it. */
export interface Guard {
  readonly bit: WorldBit;
  readonly is: boolean;
}
/** One step of the sequence: from a mode to another as soon as all its guards hold. The first that holds is taken. */
export interface Step {
  /** Public and stable: owners change steps by it. */
  readonly id: string;
  readonly from: Mode;
  readonly to: Mode;
  readonly when: readonly Guard[];
  /** Guards that its owner added. */
  readonly own?: readonly Guard[];
  /** Conditions of the owner that this sequence can’t ask. */
  readonly unknown?: readonly string[];
  /** The answers that make this step what it is. */
  readonly by: readonly ControlFlag[];
}

/** What a signal of the document is among the bits that the control senses. */
export const BIT_OF: Readonly<Record<string, WorldBit>> = {
  key: 'key',
  brake: 'brake',
  accelerator: 'accelerator',
  forward: 'forward',
  reverse: 'reverse',
  plugged: 'plug',
  handle: 'handle',
  crash: 'crash',
  'low-supply': 'lowSupply',
  'cells-stop': 'cellsStop',
  'moving-forward': 'movingForward',
  'moving-backward': 'movingBackward',
  'seat-empty': 'seatEmpty',
  'stand-down': 'standDown',
  'dead-man': 'deadMan',
  'link-charged': 'linkUp',
  'link-dead': 'linkDead',
};

const on = (bit: WorldBit): Guard => ({ bit, is: true });
const off = (bit: WorldBit): Guard => ({ bit, is: false });

/** Inputs that a design has; what is not fitted never moves. */
export function fittedInputs(design: SequenceDesign): ReadonlySet<WorldBit> {
  const { command, flags } = design;
  const bits = new Set<WorldBit>(['key', 'brake', 'accelerator', 'forward', 'reverse', 'lowSupply', 'movingForward']);
  bits.add('movingBackward');
  if (design.seen !== null) bits.add('plug');
  if (design.handle || design.pull) bits.add('handle');
  if (design.crash) bits.add('crash');
  if (design.remoteStop !== 'none') bits.add('remotePressed').add('remoteOut');
  if (flags.seatSwitch) bits.add('seatEmpty');
  if (design.stand) bits.add('standDown');
  if (design.deadMan) bits.add('deadMan');
  if (command === 'hand-switches') bits.add('handPrecharge').add('handMain');
  else bits.add('cellsStop');
  return bits;
}

/** The contactors that a mode asks for. */
export function commandsOf(design: SequenceDesign): Readonly<Record<Mode, number>> {
  const drive = MINUS | MAIN;
  const byHand = design.command === 'hand-switches';
  return {
    off: 0,
    awake: byHand ? MINUS : 0,
    precharge: MINUS | PRECHARGE,
    ready: drive,
    drive,
    reverse: drive,
    stopping: drive,
    tripping: drive,
    fault: 0,
    'charge-precharge': MINUS | PRECHARGE,
    charging: design.chargesApart ? MINUS | CHARGE : drive | CHARGE,
  };
}

const DRIVING: readonly Mode[] = ['ready', 'drive', 'reverse'];

/** Steps of a sequence, in the order in which they are looked at within a mode. */
export function stepsOf(design: SequenceDesign): readonly Step[] {
  const steps: Step[] = [];
  const add = (id: string, from: Mode, to: Mode, when: readonly Guard[], ...by: readonly ControlFlag[]) =>
    void steps.push({ id, from, to, when, by });
  if (design.command === 'hand-switches') byHand(design, add);
  else byControl(design, add);
  intoDriving(design, add);
  return steps.flatMap((step) => {
    const own = Object.hasOwn(design.steps, step.id) ? design.steps[step.id] : undefined;
    if (!own) return [step];
    if (own.off) return [];
    return [asksMore(step, own.and ?? [])];
  });
}

type Add = (id: string, from: Mode, to: Mode, when: readonly Guard[], ...by: readonly ControlFlag[]) => void;

function asksMore(step: Step, and: readonly SignalIs[]): Step {
  const known = and.flatMap(({ signal, is }): Guard[] =>
    Object.hasOwn(BIT_OF, signal) ? [{ bit: BIT_OF[signal]!, is }] : [],
  );
  const unknown = and.flatMap(({ signal }) => (Object.hasOwn(BIT_OF, signal) ? [] : [signal]));
  return { ...step, own: known, ...(unknown.length > 0 ? { unknown } : {}) };
}

/** What a control unit or a motor controller does by itself. */
function byControl(design: SequenceDesign, add: Add): void {
  const { flags, fitted } = design;
  const withPrecharge = (fitted & PRECHARGE) !== 0;
  const plugKnown = flags.plugBlocks === true && design.seen !== null;
  const inputs = fittedInputs(design);
  const awakeModes: readonly Mode[] = ['awake', 'precharge', ...DRIVING, 'stopping', 'tripping'];
  const chargeModes: readonly Mode[] = plugKnown ? ['charge-precharge', 'charging'] : [];
  // A stop is a fault wherever it is seen.
  if (flags.stopTold)
    for (const from of [...awakeModes, ...chargeModes])
      for (const bit of ['handle', 'crash', 'remotePressed', 'remoteOut'] as const) {
        const stops = bit !== 'remoteOut' || design.remoteStop === 'loop';
        if (inputs.has(bit) && stops) add(`${from}-${KEBAB[bit]}`, from, 'fault', [on(bit)], 'stopTold');
      }
  if (flags.sagRestarts)
    for (const from of [...awakeModes, ...chargeModes])
      add(`${from}-low-supply`, from, 'off', [on('lowSupply')], 'sagRestarts');
  add('off-awake', 'off', 'awake', [on('key'), off('lowSupply')]);
  // Key off.
  const gentle: Mode = flags.waitsCurrent ? 'stopping' : 'off';
  const trips: Mode = flags.waitsCurrent ? 'tripping' : 'fault';
  for (const from of ['awake', 'precharge'] as const) add(`${from}-off`, from, 'off', [off('key')]);
  for (const from of DRIVING) add(`${from}-off`, from, gentle, [off('key')], 'waitsCurrent');
  // What can’t be goes to fault at once where nothing flows yet, else when the current is down.
  add('awake-bad', 'awake', 'fault', [on('bad')]);
  add('precharge-bad', 'precharge', 'fault', [on('bad')]);
  add('awake-cells', 'awake', 'fault', [on('cellsStop')]);
  add('precharge-cells', 'precharge', 'fault', [on('cellsStop')]);
  for (const from of DRIVING) {
    add(`${from}-bad`, from, trips, [on('bad')], 'waitsCurrent');
    add(`${from}-cells`, from, trips, [on('cellsStop')], 'waitsCurrent');
    if (flags.measuresLink) add(`${from}-link`, from, 'fault', [off('linkUp')], 'measuresLink');
  }
  if (design.provesDead) add('awake-welded', 'awake', 'fault', [on('timer'), off('linkDead')]);
  if (plugKnown) {
    const free = design.keyDrops === 0;
    const charge: Mode = design.chargesApart || !withPrecharge ? 'charging' : 'charge-precharge';
    const dead = design.provesDead ? [on('linkDead')] : [];
    add('awake-plug', 'awake', charge, [on('plug'), ...dead], 'plugBlocks');
    if (free) add('off-plug', 'off', charge, [on('plug'), off('key'), off('lowSupply'), ...dead], 'plugBlocks');
    add('precharge-plug', 'precharge', 'off', [on('plug')], 'plugBlocks');
    for (const from of DRIVING) add(`${from}-plug`, from, gentle, [on('plug')], 'plugBlocks');
    if (charge === 'charge-precharge') {
      add('charge-begins', 'charge-precharge', 'charging', [on(flags.measuresLink ? 'linkUp' : 'timer')]);
      if (flags.timesOut) add('charge-time-out', 'charge-precharge', 'fault', [on('timer'), off('linkUp')], 'timesOut');
      add('charge-unplugged', 'charge-precharge', 'off', [off('plug')]);
      add('charge-precharge-cells', 'charge-precharge', 'fault', [on('cellsStop')]);
      if (!free) add('charge-precharge-off', 'charge-precharge', 'off', [off('key')]);
    }
    add('charging-cells', 'charging', 'fault', [on('cellsStop')]);
    add('charging-unplugged', 'charging', 'off', [off('plug')]);
    if (!free) add('charging-off', 'charging', 'off', [off('key')]);
  }
  // Up to ready.
  const begin: Guard[] = [on('key'), off('cellsStop'), ...(plugKnown ? [off('plug')] : [])];
  if (design.provesDead) begin.push(on('linkDead'));
  add('begin', 'awake', withPrecharge ? 'precharge' : 'ready', begin);
  add('close', 'precharge', 'ready', [on(flags.measuresLink ? 'linkUp' : 'timer')], 'measuresLink');
  if (flags.timesOut) add('time-out', 'precharge', 'fault', [on('timer')], 'timesOut');
  // And down.
  add('stopped', 'stopping', 'off', [off('current')]);
  add('tripped', 'tripping', 'fault', [off('current')]);
  if (flags.latchesFault) add('fault-off', 'fault', 'off', [off('key'), ...(plugKnown ? [off('plug')] : [])]);
  else {
    add('fault-off', 'fault', 'off', [off('key')]);
    const gone = (['handle', 'crash', 'remotePressed', 'cellsStop', 'bad'] as const).map(off);
    add('fault-again', 'fault', 'awake', [...gone, off('lowSupply'), on('linkDead')], 'latchesFault');
  }
}

/** Relays and hand switches: the hand is the sequence. */
function byHand(design: SequenceDesign, add: Add): void {
  const { flags } = design;
  add('off-awake', 'off', 'awake', [on('key')]);
  for (const from of ['awake', 'precharge', ...DRIVING, 'fault'] as const)
    add(`${from}-off`, from, 'off', [off('key')]);
  for (const from of DRIVING) add(`${from}-opened`, from, 'awake', [off('handMain')]);
  // A relay that holds itself lets go with its feed, and wants to be pressed anew.
  if (flags.linkRelay) {
    for (const from of DRIVING)
      for (const bit of ['handle', 'crash', 'lowSupply'] as const)
        add(`${from}-${bit === 'lowSupply' ? 'low-supply' : bit}`, from, 'fault', [on(bit)], 'linkRelay');
    add('fault-again', 'fault', 'awake', [off('handMain'), off('handPrecharge')], 'linkRelay');
  }
  const close: Guard[] = [on('handMain'), ...(flags.linkRelay ? [on('linkUp')] : [])];
  add('close', 'precharge', 'ready', close, 'linkRelay');
  add('close-cold', 'awake', 'ready', close, 'linkRelay');
  if ((design.fitted & PRECHARGE) === 0) return;
  if (flags.timesOut) {
    add('time-out', 'precharge', 'fault', [on('timer'), off('linkUp')], 'timesOut');
    if (!flags.linkRelay) add('fault-again', 'fault', 'awake', [off('handPrecharge')]);
  }
  add('let-go', 'precharge', 'awake', [off('handPrecharge')]);
  add('begin', 'awake', 'precharge', [on('handPrecharge')]);
}

/** Between ready, forward and reverse: the same for all who command. */
function intoDriving(design: SequenceDesign, add: Add): void {
  const { flags } = design;
  const inputs = fittedInputs(design);
  const sits: Guard[] = [
    ...(inputs.has('seatEmpty') ? [off('seatEmpty')] : []),
    ...(inputs.has('standDown') ? [off('standDown')] : []),
  ];
  const asked: Guard[] = [...sits];
  if (flags.brakeFirst) asked.push(on('brake'));
  if (flags.pedalAtRest) asked.push(off('accelerator'));
  if (flags.plugBlocks && design.seen !== null) asked.push(off('plug'));
  const both: Guard[] = flags.oneDirection ? [off('reverse')] : [];
  const back: Guard[] = flags.oneDirection ? [off('forward')] : [];
  const still = (bit: WorldBit): Guard[] => (flags.turnStill ? [off(bit)] : []);
  const by: ControlFlag[] = ['brakeFirst', 'pedalAtRest', 'oneDirection', 'turnStill', 'plugBlocks'];
  for (const from of ['drive', 'reverse'] as const) {
    const lever = from === 'drive' ? 'forward' : 'reverse';
    add(`${from}-neutral`, from, 'ready', [off(lever)]);
    if (flags.oneDirection) add(`${from}-both`, from, 'ready', [on('forward'), on('reverse')], 'oneDirection');
    for (const { bit } of sits) add(`${from}-${KEBAB[bit]}`, from, 'ready', [on(bit)]);
  }
  add('to-drive', 'ready', 'drive', [on('forward'), ...both, ...asked, ...still('movingBackward')], ...by);
  add('to-reverse', 'ready', 'reverse', [on('reverse'), ...back, ...asked, ...still('movingForward')], ...by);
}

const KEBAB: Readonly<Record<string, string>> = {
  handle: 'handle',
  crash: 'crash',
  remotePressed: 'remote',
  remoteOut: 'remote-out',
  seatEmpty: 'seat',
  standDown: 'stand',
};

/** Guards as one mask and the value that it has to have; null: they contradict one another. */
export function maskOf(guards: readonly Guard[]): { readonly mask: number; readonly value: number } | null {
  let [mask, value] = [0, 0];
  for (const { bit, is } of guards) {
    const one = WORLD[bit];
    if ((mask & one) !== 0 && ((value & one) !== 0) !== is) return null;
    mask |= one;
    if (is) value |= one;
  }
  return { mask, value };
}
