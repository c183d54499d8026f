import {
  type Build,
  CONTROL_FLAGS,
  type ControlFlag,
  type Controls,
  hasTrait,
  type OwnProperty,
  type OwnStep,
  type RemoteStop,
  type SchoolOf,
} from '../../build';
import { gapFactor } from '../../physics/altitude';
import {
  type CoilCircuit,
  chargesApart,
  closedIn,
  coilCircuit,
  currentIn,
  motorOf,
  partOf,
  prechargeBranches,
  settles,
  stateOf,
  stillIn,
  type Vehicle,
  wayOf,
} from '../../vehicle';
import { keyTests } from '../emergency';
import { CHARGE, MAIN, MINUS, PRECHARGE } from './bits';

/** All that the sequence rests on: the wiring, the answers, nothing else. Plain data: two equal ones behave alike. */
export interface SequenceDesign {
  readonly command: SchoolOf<'command'>;
  /** Sorts of contactors that there are. */
  readonly fitted: number;
  /** Sorts of contactors that drop out when this is opened, by the wiring. */
  readonly keyDrops: number;
  readonly handleDrops: number;
  readonly crashDrops: number;
  /** A handle in the coils’ feed, a hand switch that breaks the traction circuit. */
  readonly handle: boolean;
  readonly pull: boolean;
  readonly crash: boolean;
  /** Contactors that charging closes beside those of driving, or in their place. */
  readonly chargesApart: boolean;
  readonly excluded: boolean;
  readonly changeover: boolean;
  /** Every contactor in the way opens the hardest current. */
  readonly breaksAll: boolean;
  /** What tells the car of a plug; untold: there is a charger, and nobody said; null: there is none. */
  readonly seen: 'proximity' | 'own-contact' | 'nothing' | 'untold' | null;
  readonly torqueBlocked: boolean | undefined;
  readonly provesDead: boolean | undefined;
  readonly regen: 'none' | 'brake-pedal' | 'lift-off';
  readonly deadMan: boolean;
  readonly stand: boolean;
  readonly remoteStop: RemoteStop;
  readonly flags: Readonly<Partial<Record<ControlFlag, boolean>>>;
  readonly steps: Readonly<Record<string, OwnStep>>;
  readonly properties: readonly OwnProperty[];
}

/** Why there is no sequence yet. */
export type NoSequence = 'command' | 'contactors' | 'coils';

/** Who commands by hand tells the control nothing: its guards are those of the motor controller. */
const flagsOf = (controls: Controls | undefined): SequenceDesign['flags'] =>
  Object.fromEntries(CONTROL_FLAGS.flatMap((flag) => (controls?.[flag] === undefined ? [] : [[flag, controls[flag]]])));

/** Sorts of contactors by the wiring: what precharge closes first, its relays, what they bridge, what charging alone closes. */
function sortsOf(vehicle: Vehicle): ReadonlyMap<string, number> {
  const sorts = new Map<string, number>();
  const branches = prechargeBranches(vehicle);
  const relays = new Set(branches.flatMap(({ relayIds }) => relayIds));
  const ready = closedIn(vehicle, stateOf('ready'));
  const first = closedIn(vehicle, stateOf('precharge'));
  for (const { id, device } of vehicle.devices) {
    if (device.kind !== 'contactor') continue;
    if (relays.has(id)) sorts.set(id, PRECHARGE);
    else if (ready.has(id)) sorts.set(id, first.has(id) && branches.length > 0 ? MINUS : MAIN);
    else if (closedIn(vehicle, stateOf('charging')).has(id)) sorts.set(id, CHARGE);
  }
  return sorts;
}

export { sortsOf as contactorSorts };

/** Sorts of which none stays in with these open, every coil asked for: the precharge relay’s too. */
function dropsOf(circuit: CoilCircuit, sorts: ReadonlyMap<string, number>, openIds: readonly string[]): number {
  let drops = MINUS | PRECHARGE | MAIN | CHARGE;
  for (const one of openIds)
    for (const id of stillIn(circuit, { open: new Set([one]) })) drops &= ~(sorts.get(id) ?? 0);
  return openIds.length === 0 ? 0 : drops;
}

function breaksAll(vehicle: Vehicle, sorts: ReadonlyMap<string, number>): boolean {
  // Without a solved case nobody knows what flows.
  if (vehicle.cases.length === 0) return false;
  for (const [id, sort] of sorts) {
    if (sort === PRECHARGE) continue;
    const part = partOf(vehicle.deviceOf.get(id), 'contactor');
    if (!part) return false;
    const most = Math.max(0, ...vehicle.cases.map((solved) => currentIn(solved, id) ?? Number.POSITIVE_INFINITY));
    if (most > part.breakCurrentA / gapFactor(vehicle.build.vehicle.altitudeM, part.toAltitudeM)) return false;
  }
  return true;
}

/** Braking by the motor: asked, or taken for asked where nobody told and the motor can. */
const regenOf = (build: Build): SequenceDesign['regen'] =>
  motorOf(build)?.part?.motorKind === 'series-dc' ? 'none' : (build.regeneration?.asked ?? 'lift-off');

/** The sequence of a build, or what it lacks; worked out once for each solved vehicle. */
export const sequenceDesign = settles(
  'sequenceDesign',
  makeDesign,
  (p, q) => p === q || JSON.stringify(p) === JSON.stringify(q),
);

function makeDesign(vehicle: Vehicle): SequenceDesign | NoSequence {
  const { build } = vehicle;
  const command = build.schools.command;
  if (command === undefined) return 'command';
  const sorts = sortsOf(vehicle);
  if (![...sorts.values()].includes(MAIN)) return 'contactors';
  const circuit = coilCircuit(vehicle);
  if (!circuit || circuit.wired.length === 0) return 'coils';
  const ofKind = (kind: string) => circuit.stops.filter(({ device }) => device.kind === kind).map(({ id }) => id);
  const inverters = vehicle.devices.filter(({ device }) => device.kind === 'inverter');
  // A hand switch stops only what it lies in the way of.
  const pulls = vehicle.devices.filter(
    (device) =>
      partOf(device, 'disconnect')?.breaksLoad === true &&
      inverters.length > 0 &&
      inverters.every((inverter) => wayOf(vehicle, inverter)?.seriesIds.includes(device.id) === true),
  );
  const chargers = vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'charges'));
  const seenBy = chargers.map(({ device }) => device.plug?.seenBy ?? 'untold');
  return {
    command,
    fitted: [...sorts.values()].reduce((all, sort) => all | sort, 0),
    keyDrops: dropsOf(
      circuit,
      sorts,
      keyTests(vehicle)
        .filter(({ letsGo, staysIn }) => letsGo.length > 0 && staysIn.length === 0)
        .slice(0, 1)
        .map(({ id }) => id),
    ),
    handleDrops: dropsOf(circuit, sorts, ofKind('emergency-stop')),
    crashDrops: dropsOf(circuit, sorts, ofKind('inertia-switch')),
    handle: ofKind('emergency-stop').length > 0,
    pull: pulls.length > 0,
    crash: ofKind('inertia-switch').length > 0,
    chargesApart: chargesApart(build),
    excluded: build.charging?.excluded === true,
    changeover: build.charging?.apart === 'changeover',
    breaksAll: breaksAll(vehicle, sorts),
    // The worst of several plugs counts.
    seen:
      seenBy.length === 0
        ? null
        : seenBy.includes('nothing')
          ? 'nothing'
          : seenBy.includes('untold')
            ? 'untold'
            : seenBy.includes('proximity')
              ? 'proximity'
              : 'own-contact',
    torqueBlocked: build.charging?.torqueBlocked,
    provesDead: build.precharge.provesDead,
    regen: regenOf(build),
    deadMan: build.presetSpeed?.deadMan === true,
    stand: build.vehicle.standCut === true,
    remoteStop: build.controls?.remoteStop ?? 'none',
    flags: flagsOf(build.controls),
    steps: build.controls?.steps ?? {},
    properties: Object.values(build.controls?.properties ?? {}),
  };
}

export const isDesign = (found: SequenceDesign | NoSequence): found is SequenceDesign => typeof found !== 'string';

/** What decides a property: an answer about the control, or one that stands elsewhere. */
export type Answer = ControlFlag | 'torqueBlocked' | 'provesDead' | 'seenBy';

/** Answers that matter for this design and were not given. */
export function untoldOf(design: SequenceDesign): readonly Answer[] {
  const { flags } = design;
  const untold: Answer[] = askedFlags(design).filter((flag) => flags[flag] === undefined);
  if (design.torqueBlocked === undefined && design.seen !== null) untold.push('torqueBlocked');
  if (design.provesDead === undefined) untold.push('provesDead');
  if (design.seen === 'untold') untold.push('seenBy');
  return untold;
}

/** Which of the questions a design raises: those about what it has. */
export function askedFlags(design: SequenceDesign): readonly ControlFlag[] {
  const { command, flags, regen } = design;
  const byHand = command === 'hand-switches';
  const asked: ControlFlag[] = [
    'brakeFirst',
    'pedalAtRest',
    'turnStill',
    'oneDirection',
    'neutralContact',
    'twoSelectors',
  ];
  asked.push('pedalTwo', 'pedalRange', 'brakeCuts');
  if (flags.brakeFirst || flags.brakeCuts) asked.push('brakeTwo');
  if (regen !== 'none') asked.push('regenEnds', 'speedOwn');
  asked.push('creep', 'plugBlocks', 'openIsPlugged', 'pilotBlocks');
  if (design.torqueBlocked) asked.push('blockApart');
  if (byHand) asked.push('linkRelay', 'timesOut', 'seatSwitch');
  else asked.push('measuresLink', 'timesOut', 'testsPoles', 'waitsCurrent', 'stopTold', 'latchesFault', 'sagRestarts');
  if (!byHand) asked.push('seatSwitch');
  if (command !== 'motor-controller' && !byHand) {
    asked.push('messages');
    if (flags.messages !== false) asked.push('messagesEnd');
  }
  if (design.deadMan) asked.push('deadManTwo');
  return asked;
}

/** Questions whose “no” is the harmless answer: what is not there can’t go wrong. */
const FEATURES: ReadonlySet<string> = new Set(['creep', 'messages', 'seatSwitch', 'twoSelectors']);

/** The same with everything that was not told as it were told well. */
export function toldWell(design: SequenceDesign): SequenceDesign {
  const flags = { ...design.flags };
  for (const flag of untoldOf(design))
    if (flag !== 'torqueBlocked' && flag !== 'provesDead' && flag !== 'seenBy') flags[flag] = !FEATURES.has(flag);
  if ((design.torqueBlocked ?? true) && flags.blockApart === undefined) flags.blockApart = true;
  if (flags.brakeTwo === undefined) flags.brakeTwo = true;
  return {
    ...design,
    flags,
    seen: design.seen === 'untold' ? 'proximity' : design.seen,
    torqueBlocked: design.torqueBlocked ?? true,
    provesDead: design.provesDead ?? true,
  };
}
