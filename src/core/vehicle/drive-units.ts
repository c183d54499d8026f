import type { Build, Device, Id } from '../build';
import { own, PHASES } from '../build';
import type { MotorPart } from '../parts';
import { type DriveMotor, gangOf } from '../physics/motor';
import { Follows } from './memory';

/** A motor, the inverter that feeds it, and its part of the work. */
export interface DriveUnit {
  readonly motor: Device;
  readonly part: MotorPart | null;
  /** Null: nothing tells which one feeds it. */
  readonly inverterId: Id | null;
  /** Of the torque at the gearbox’s input; all motors together 1. Null while it can’t be told. */
  readonly share: number | null;
  /** Its turns for one turn of the gearbox’s input. */
  readonly gearing: number;
}

/** A thing of the drive that is not known, in words. */
export interface DriveGap {
  readonly deviceId: Id;
  readonly what: string;
}

/** All motors of a build. Only while nothing is open do they work together; until then the first alone stands for the drive. */
export interface DriveTrain {
  readonly units: readonly DriveUnit[];
  readonly open: readonly DriveGap[];
  /** The motor that the road is reckoned with: the only one, or all as one; null: none, or its part is not chosen. */
  readonly motor: (MotorPart & DriveMotor) | null;
  /** Of the battery’s power for the drive that an inverter takes; 1 for each while that can’t be told. */
  readonly inverterShare: (inverterId: Id) => number;
}

/** Inverters that the motor’s phases lead to, through any number of joints. */
function wiredTo({ devices, conductors }: Build['circuits']['hv'], motorId: Id): ReadonlySet<Id> {
  const found = new Set<Id>();
  const nodes = [...PHASES].map((phase) => `${motorId}.${phase}`);
  const seen = new Set(nodes);
  for (const node of nodes)
    for (const { a, b } of Object.values(conductors))
      for (const [from, to] of [
        [a, b],
        [b, a],
      ] as const) {
        if (`${from.deviceId}.${from.terminal}` !== node) continue;
        const kind = own(devices, to.deviceId)?.kind;
        if (kind === 'inverter' && PHASES.has(to.terminal)) found.add(to.deviceId);
        const next = `${to.deviceId}.${to.terminal}`;
        if (kind !== 'junction' || seen.has(next)) continue;
        seen.add(next);
        nodes.push(next);
      }
  return found;
}

/**
 * Which inverter feeds each motor: as wired. Where no motor cables are drawn, the one that is left for the one that is left; of several
 * that are left in order, where all of them are alike and as many, so that it makes no difference.
 */
function feedersOf(build: Build, motors: readonly Device[], inverters: readonly Device[]): (Id | null)[] {
  const alike = (devices: readonly Device[]) => new Set(devices.map(({ partId }) => partId)).size <= 1;
  const wired = motors.map(({ id }) => [...wiredTo(build.circuits.hv, id)]);
  const used = new Set(wired.flat());
  const bare = motors.filter((_, k) => wired[k]!.length === 0);
  const idle = inverters.filter(({ id }) => !used.has(id));
  const pairs = bare.length === idle.length && alike(bare) && alike(idle);
  return motors.map((motor, k) => {
    const found = wired[k]!;
    if (found.length > 0) return found.length === 1 ? found[0]! : null;
    return pairs ? (idle[bare.indexOf(motor)]?.id ?? null) : null;
  });
}

function train(build: Build): DriveTrain {
  const all = Object.values(build.circuits.hv.devices);
  const motors = all.filter(({ kind }) => kind === 'motor');
  const inverters = all.filter(({ kind }) => kind === 'inverter');
  const feeders = feedersOf(build, motors, inverters);
  const parts = motors.map(({ partId }): MotorPart | null => {
    const part = own(build.parts, partId);
    return part?.kind === 'motor' ? part : null;
  });
  const several = motors.length > 1 || inverters.length > 1;
  const gearings = motors.map(({ gearing }) => (motors.length > 1 ? (gearing ?? 1) : 1));
  // Told shares, in proportion; nobody told any: as strong as each is there.
  const told = motors.some(({ torqueShare }) => torqueShare !== undefined);
  const weights = motors.map(({ torqueShare }, k) =>
    told ? torqueShare : parts[k] ? parts[k]!.peakTorqueNm * gearings[k]! : undefined,
  );
  const sum = weights.reduce<number>((total, weight) => total + (weight ?? 0), 0);
  // A series motor gives nothing back while the other brakes: their shares are not the same both ways.
  const series = motors.filter((_, k) => parts[k]?.motorKind === 'series-dc');
  const mixed = series.length > 0 && series.length < motors.length;
  const open: DriveGap[] = several
    ? motors
        .flatMap(({ id }, k) => [
          ...(parts[k] ? [] : [{ deviceId: id, what: 'part' }]),
          ...(feeders[k] === null ? [{ deviceId: id, what: 'the inverter that feeds it: draw its motor cables' }] : []),
          ...(told && weights[k] === undefined ? [{ deviceId: id, what: 'its share of the torque' }] : []),
          ...(mixed && parts[k]?.motorKind === 'series-dc'
            ? [
                {
                  deviceId: id,
                  what: 'a motor that brakes like the others: series motors are reckoned with series motors',
                },
              ]
            : []),
        ])
        .concat(
          inverters
            .filter(({ id }) => !feeders.includes(id))
            .map(({ id }) => ({ deviceId: id, what: 'the motor that it feeds: draw its motor cables' })),
        )
    : [];
  const known = open.length === 0 && sum > 0;
  const units = motors.map((motor, k): DriveUnit => {
    const weight = weights[k];
    const share = motors.length === 1 ? 1 : weight === undefined || !(sum > 0) ? null : weight / sum;
    return { motor, part: parts[k] ?? null, inverterId: feeders[k] ?? null, share, gearing: gearings[k]! };
  });
  const first = parts[0] ?? null;
  return {
    units,
    open,
    motor:
      first && known && units.length > 1
        ? gangOf(
            first,
            units.map(({ part, share, gearing }) => ({ motor: part!, share: share!, gearing })),
          )
        : first,
    inverterShare: (inverterId) =>
      several && known
        ? units.reduce((total, unit) => total + (unit.inverterId === inverterId ? unit.share! : 0), 0)
        : 1,
  };
}

type Circuit = Build['circuits']['hv'];
type OfParts = Follows<Build['parts'], DriveTrain>;
const trains = new Follows<Circuit['devices'], Follows<Circuit['conductors'], OfParts>>();

/** The motors of a build with what feeds them; the same object while neither circuit nor parts change. */
export const driveTrainOf = (build: Build): DriveTrain =>
  ofBuild.get(build, () =>
    trains
      .get(build.circuits.hv.devices, () => new Follows())
      .get(build.circuits.hv.conductors, () => new Follows())
      .get(build.parts, () => train(build)),
  );
const ofBuild = new Follows<Build, DriveTrain>();
