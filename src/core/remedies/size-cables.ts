import { type Assessment, assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { type Check, marginAtLeast, marginAtMost, marginOfRise } from '../checks';
import { type CablePart, catalogueOf } from '../parts';
import { ampacity, INSULATION_W_PER_MK, steadyTemperature } from '../physics/cable';
import { cableTransient } from '../physics/cable-transient';
import { resistanceAt } from '../physics/conductor';
import { carryCurrent } from '../physics/contactor';
import { clearing } from '../physics/fuse-clearing';
import { SHORT_LIMIT_C, withstandI2t } from '../physics/withstand';
import { fuseZones, notProvedToBreak } from '../simulate';
import {
  Memo,
  partOf,
  protectingFuses,
  type ResolvedConductor,
  tightestTurn,
  type Vehicle,
  wayOf,
  wayPoints,
} from '../vehicle';

/** One size tried for one conductor. */
export interface SizeTry {
  readonly part: CablePart;
  /** Thinnest of what this size decides. */
  readonly margin: number;
  /** The rule that bounds it. */
  readonly boundBy: string | null;
  /** The same without the bend, which no size can cure. */
  readonly straightMargin: number;
  readonly massKg: number;
  readonly lossW: number;
  /** Generic price of cable and two lugs, in copper-price units. */
  readonly price: number;
}

export interface SizeChoice {
  readonly conductorId: string;
  readonly before: CablePart | null;
  readonly chosen: SizeTry;
  /** Smallest of its make that holds with the comfort asked: false when none does and the best was taken. */
  readonly holds: boolean;
  readonly tries: readonly SizeTry[];
}

export interface SizeResult {
  readonly choices: readonly SizeChoice[];
  readonly edit: Edit | null;
  /** The circuit has no solution in some state: nothing could be sized. */
  readonly refused: boolean;
  readonly before: { readonly massKg: number; readonly lossW: number; readonly fails: number };
  readonly after: { readonly massKg: number; readonly lossW: number; readonly fails: number };
}

/** Price of a metre and of two lugs (generic, relative): copper by area, insulation and lugs a fixed part. */
const price = (part: CablePart, lengthM: number): number =>
  lengthM * (0.6 + 0.11 * part.areaMm2 * (part.shielded ? 1.6 : 1)) + 2 * (0.8 + 0.03 * part.areaMm2);

const sizesOf = (cable: CablePart): CablePart[] => {
  const same = catalogueOf('cable').filter(
    (part) =>
      part.shielded === cable.shielded &&
      part.conductorClass === cable.conductorClass &&
      part.insulation === cable.insulation &&
      part.metal === cable.metal &&
      part.temperatureClassC === cable.temperatureClassC &&
      part.ratedVoltageV >= cable.ratedVoltageV,
  );
  const bySize = new Map(same.map((part) => [part.areaMm2, part]));
  if (!bySize.has(cable.areaMm2)) bySize.set(cable.areaMm2, cable);
  return [...bySize.values()].sort((p, q) => p.areaMm2 - q.areaMm2);
};

const totals = ({ cables, checks }: Assessment) => ({
  massKg: cables.reduce((sum, row) => sum + (row.massKg ?? 0), 0),
  lossW: cables.reduce((sum, row) => sum + (row.lossW ?? 0), 0),
  fails: checks.filter(({ verdict }) => verdict === 'fails').length,
});

/** What flows through one conductor, and what stands before it: told once, whatever size is tried. */
interface Demand {
  readonly conductor: ResolvedConductor;
  readonly sustainedA: number;
  readonly startC: number;
  readonly pulses: readonly { readonly amps: number; readonly seconds: number }[];
  /** Rating and fusing current that the cable must carry, and I²t that it must stand. */
  readonly ratedA: number | null;
  readonly fusingA: number | null;
  readonly clearA2s: number | null;
  /** Contactors on whose studs it sits. */
  readonly carries: readonly {
    readonly table: Parameters<typeof carryCurrent>[0];
    readonly ambientC: number;
    readonly amps: number;
  }[];
  readonly radiusM: number | null;
  readonly fullV: number;
  /** No fuse, one that is not chosen, or one that is not proved to break: no thinner cable may rest on it. */
  readonly unproved: boolean;
}

const HILL_S = 600;
const INSULATION_J_PER_M3K = 2e6;
const pulses = new Memo<number>(20000);

function demandsOf(assessment: Assessment, ids: ReadonlySet<string>): Demand[] {
  const { vehicle, build, pack } = assessment;
  const { of, jointly } = protectingFuses(vehicle, 'fuse');
  const limited = protectingFuses(vehicle, 'precharge-resistor').of;
  const zones = new Map(fuseZones(vehicle).map((zone) => [zone.fuseId, zone]));
  const fuseOf = (id: string) => partOf(vehicle.deviceOf.get(id), 'fuse');
  return vehicle.conductors
    .filter(({ id, cable, thermal, lengthM }) => ids.has(id) && cable && thermal && lengthM !== null)
    .map((conductor): Demand => {
      const { id } = conductor;
      const through = (point: Vehicle['cases'][number]['point']) => Math.abs(point.elementCurrentsA.get(id) ?? 0);
      const solved = vehicle.cases.filter(({ point }) => point.solvable);
      const sustained = solved.filter(({ state }) => state.duration === 'sustained');
      const singly = [...(of.get(id) ?? [])].sort(
        (p, q) => (fuseOf(p)?.ratedCurrentA ?? 1e9) - (fuseOf(q)?.ratedCurrentA ?? 1e9),
      );
      const behindResistor = (limited.get(id) ?? []).length > 0;
      const fuses = behindResistor ? [] : singly.length > 0 ? [singly[0]!] : [...(jointly.get(id) ?? [])];
      const parts = fuses.flatMap((fuse) => fuseOf(fuse) ?? []);
      const clearings = fuses.flatMap((fuseId) => {
        const part = fuseOf(fuseId);
        const faults = zones.get(fuseId)?.faults;
        if (!part || !faults) return [];
        const times = zones.get(fuseId)!.jointIds.has(id) ? fuses.length ** 2 : 1;
        return [[faults.highest, faults.highestA] as const, [faults.lowest, faults.lowestA] as const].flatMap(
          ([fault, amps]) =>
            fault
              ? (clearing(part, {
                  prospectiveA: amps,
                  timeConstantS: fault.timeConstantS,
                  voltageV: fault.voltageV,
                }).totalI2tA2s ?? 0) * times
              : [],
        );
      });
      const unproved =
        !behindResistor &&
        (fuses.length === 0 ||
          fuses.some((fuseId) => {
            const part = fuseOf(fuseId);
            const faults = zones.get(fuseId)?.faults;
            if (!part || !faults?.highest) return true;
            return [[faults.highest, faults.highestA] as const, [faults.lowest, faults.lowestA] as const].some(
              ([fault, amps]) =>
                fault !== null &&
                (notProvedToBreak(part, amps, fault) !== null ||
                  clearing(part, {
                    prospectiveA: amps,
                    timeConstantS: fault.timeConstantS,
                    voltageV: fault.voltageV,
                  }).totalI2tA2s === null),
            );
          }));
      const radius = conductor.conductor.routeId === null ? null : build.routes[conductor.conductor.routeId];
      const points = radius ? wayPoints(build, radius, conductor.conductor.a, conductor.conductor.b) : null;
      return {
        conductor,
        sustainedA: Math.max(0, ...sustained.map(({ point }) => through(point))),
        startC: Math.max(
          conductor.zone?.ambientC ?? 40,
          ...sustained.map(({ temperaturesC }) => temperaturesC.get(id) ?? conductor.zone?.ambientC ?? 40),
        ),
        pulses: (['seconds', 'minutes'] as const).flatMap((duration) => {
          const amps = Math.max(
            0,
            ...solved
              .filter(({ state }) => state.duration === duration && state.id !== 'precharge')
              .map(({ point }) => through(point)),
          );
          return amps > 1 ? [{ amps, seconds: duration === 'minutes' ? HILL_S : build.duty.hardAccelerationS }] : [];
        }),
        ratedA: parts.length > 0 ? parts.reduce((sum, part) => sum + part.ratedCurrentA, 0) : null,
        fusingA:
          parts.length > 0 ? parts.reduce((sum, part) => sum + part.ratedCurrentA * part.fusingMultiple, 0) : null,
        clearA2s: clearings.length > 0 ? Math.max(...clearings) : null,
        carries: [conductor.conductor.a, conductor.conductor.b].flatMap(({ deviceId }) => {
          const device = vehicle.deviceOf.get(deviceId);
          const part = partOf(device, 'contactor');
          if (!device || !part || device.device.role === 'precharge' || behindResistor) return [];
          const amps = Math.max(
            0,
            ...sustained.map(({ point }) => Math.abs(point.elementCurrentsA.get(deviceId) ?? 0)),
          );
          return [{ table: part.carry, ambientC: device.ambientC, amps }];
        }),
        radiusM: radius?.facts?.tightestBendM ?? (points ? tightestTurn(points) : null),
        fullV: pack?.fullV ?? 0,
        unproved,
      };
    });
}

/** Margins that a size would have, by the same laws as the rules; the model has the last word when all are chosen. */
function judge(demand: Demand, part: CablePart): Pick<SizeTry, 'margin' | 'boundBy' | 'straightMargin'> {
  const { conductor } = demand;
  const { zone, laid, thermal } = conductor;
  const margins: (readonly [string, number])[] = [['cable.voltage', marginAtMost(demand.fullV, part.ratedVoltageV)]];
  const n = conductor.conductor.parallel;
  if (zone && laid && thermal) {
    const build = {
      metal: part.metal,
      resistance20OhmPerM: part.resistance20OhmPerM,
      conductorDiameterMm: part.conductorDiameterMm,
      layers: [{ outerDiameterMm: part.outerDiameterMm, conductivityWPerMK: INSULATION_W_PER_MK[part.insulation] }],
    };
    const rise = (reached: number | null) =>
      reached === null ? -10 : marginOfRise(reached, part.temperatureClassC, zone.ambientC);
    const steady = steadyTemperature(build, thermal.place, demand.sustainedA / n).conductorTemperatureC;
    margins.push(['cable.temperature', rise(steady)]);
    const carriesA = n * ampacity(build, thermal.place, part.temperatureClassC);
    if (demand.ratedA !== null && demand.fusingA !== null)
      margins.push([
        'fuse.cable-overload',
        Math.min(marginAtMost(demand.ratedA, carriesA), marginAtMost(demand.fusingA, 1.45 * carriesA)),
      ]);
    for (const pulse of demand.pulses) {
      // Anything that it carries for ever it carries for a while.
      if (pulse.amps <= 0.8 * carriesA) continue;
      const start = steady ?? part.temperatureClassC;
      const reached = pulses.get(
        `${part.id}|${JSON.stringify(thermal.place)}|${(pulse.amps / n).toFixed(1)}|${pulse.seconds}|${start.toFixed(0)}`,
        () =>
          cableTransient(build, thermal.place, {
            startTemperatureC: start,
            profile: [{ currentA: pulse.amps / n, durationS: pulse.seconds }],
            repeats: 1,
            insulationJPerM3K: INSULATION_J_PER_M3K,
          }).peakTemperatureC ?? 1e4,
      );
      margins.push(['cable.peak', rise(reached)]);
    }
    if (demand.clearA2s !== null)
      margins.push([
        'fuse.cable-short',
        marginAtMost(
          demand.clearA2s,
          n ** 2 *
            withstandI2t(
              part.metal,
              part.areaMm2,
              Math.min(part.temperatureClassC, steady ?? part.temperatureClassC),
              SHORT_LIMIT_C[part.insulation],
            ),
        ),
      ]);
  }
  for (const { table, ambientC, amps } of demand.carries)
    margins.push(['contactor.carry', marginAtMost(amps, carryCurrent(table, part.areaMm2 * n, ambientC))]);
  if (demand.radiusM !== null)
    margins.push([
      'cable.bend',
      marginAtLeast(demand.radiusM, ((part.shielded ? 6 : 4) * part.outerDiameterMm) / 1000),
    ]);
  const worst = margins.reduce((p, q) => (q[1] < p[1] ? q : p));
  return {
    margin: worst[1],
    boundBy: worst[0],
    straightMargin: Math.min(...margins.filter(([id]) => id !== 'cable.bend').map(([, margin]) => margin)),
  };
}

export interface SizeOptions {
  readonly conductorIds: readonly string[];
  /** What a size decides keeps at least so much. */
  readonly comfort: number;
  readonly onProgress?: (done: number, of: number) => void;
  /** Asked between conductors: true ends it, with what was found so far. */
  readonly cancelled?: () => boolean;
}

const MOST_ROUNDS = 8;

/**
 * For each conductor the smallest size of its make that keeps the comfort in everything that its size decides; then sizes go up where
 * the way to a consumer drops too much; then the whole model judges the lot, and what it finds wanting goes up once more.
 */
export function sizeCables(build: Build, options: SizeOptions): SizeResult {
  const { conductorIds, comfort, onProgress, cancelled } = options;
  const start = assess(build);
  // Without a solution there are no currents, and every size would seem to hold.
  const dark =
    start.vehicle.unsolved !== null ||
    start.vehicle.cases.length === 0 ||
    start.vehicle.cases.some(({ point }) => !point.solvable);
  if (dark) return { choices: [], edit: null, before: totals(start), after: totals(start), refused: true };
  const demands = demandsOf(start, new Set(conductorIds));
  const rows = new Map<string, { demand: Demand; tries: SizeTry[]; at: number; bound: string | null }>();
  for (const [done, demand] of demands.entries()) {
    if (cancelled?.()) break;
    onProgress?.(done, demands.length);
    const lengthM = demand.conductor.lengthM ?? 1;
    const n = demand.conductor.conductor.parallel;
    const tries = sizesOf(demand.conductor.cable!).map((part): SizeTry => {
      const judged = judge(demand, part);
      const ohm = (resistanceAt(part.resistance20OhmPerM, demand.startC, part.metal) * lengthM) / n;
      return {
        part,
        ...judged,
        massKg: part.massKgPerM * lengthM * n,
        lossW: demand.sustainedA ** 2 * ohm,
        price: price(part, lengthM) * n,
      };
    });
    const first = tries.findIndex(({ margin }) => margin >= comfort);
    // Where a bend is too tight for every size that carries, the way is to be mended, not the size.
    const straight = tries.findIndex(({ straightMargin }) => straightMargin >= comfort);
    const best = tries.reduce((p, q, k) => (q.straightMargin > tries[p]!.straightMargin ? k : p), 0);
    const wanted = first >= 0 ? first : straight >= 0 ? straight : best;
    const now = tries.findIndex(({ part }) => part.id === demand.conductor.cable!.id);
    const at = demand.unproved ? Math.max(wanted, now) : wanted;
    const bound = demand.unproved ? 'fuse' : first > 0 ? tries[first - 1]!.boundBy : tries[at]!.boundBy;
    rows.set(demand.conductor.id, { demand, tries, at, bound });
  }
  onProgress?.(demands.length, demands.length);
  widenForDrop(start, rows, comfort);
  const edit = (): Edit | null => {
    const choices = [...rows].flatMap(([conductorId, { demand, tries, at }]) =>
      tries[at]!.part.id === demand.conductor.cable!.id ? [] : [{ conductorId, part: tries[at]!.part }],
    );
    return choices.length === 0 ? null : { edit: 'fitCables', input: { choices } };
  };
  // The model has the last word: what fails there and not before goes up.
  let after = start;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const made = edit();
    after = made ? assess(applyEdit(build, made).build) : start;
    const worse = after.checks.filter(
      (check) => isThin(check, comfort) && !start.checks.some((old) => same(old, check) && isThin(old, comfort)),
    );
    const raised = worse.filter((check) => raise(rows, after, check)).length;
    if (raised === 0) break;
  }
  return {
    refused: false,
    choices: [...rows].map(([conductorId, { demand, tries, at, bound }]) => ({
      conductorId,
      before: demand.conductor.cable,
      chosen: { ...tries[at]!, boundBy: bound },
      holds: tries[at]!.margin >= comfort && !demand.unproved,
      tries,
    })),
    edit: edit(),
    before: totals(start),
    after: totals(after),
  };
}

type Rows = Map<string, { demand: Demand; tries: SizeTry[]; at: number; bound: string | null }>;

const same = (p: Check, q: Check): boolean => p.id === q.id && p.subject.id === q.subject.id;
const isThin = ({ verdict, margin, id }: Check, comfort: number): boolean =>
  ((id.startsWith('cable.') && id !== 'cable.bend' && id !== 'cable.route' && id !== 'cable.shield') ||
    id.startsWith('fuse.cable') ||
    id.startsWith('contactor.carry') ||
    id === 'contactor.peak') &&
  (verdict === 'fails' || (margin !== undefined && margin < comfort - 1e-9));

/** Raises what a thin check points at: the conductor itself, or the weakest behind a fuse, on a contactor, on the way to a consumer. */
function raise(rows: Rows, after: Assessment, check: Check): boolean {
  const own = rows.get(check.subject.id);
  const device = after.vehicle.deviceOf.get(check.subject.id);
  const way = device && check.id === 'cable.drop' ? wayOf(after.vehicle, device) : null;
  const { of } = protectingFuses(after.vehicle, 'fuse');
  const candidates = own
    ? [own]
    : [...rows.values()].filter(({ demand: { conductor } }) =>
        check.id.startsWith('fuse')
          ? (of.get(conductor.id) ?? []).includes(check.subject.id)
          : check.id.startsWith('contactor')
            ? [conductor.conductor.a, conductor.conductor.b].some(({ deviceId }) => deviceId === check.subject.id)
            : way?.conductors.some(({ id }) => id === conductor.id),
      );
  const row = candidates
    .filter(({ at, tries }) => at + 1 < tries.length)
    .sort((p, q) =>
      check.id === 'cable.drop'
        ? q.tries[q.at]!.lossW - p.tries[p.at]!.lossW
        : p.tries[p.at]!.part.areaMm2 - q.tries[q.at]!.part.areaMm2,
    )[0];
  if (!row) return false;
  row.at += 1;
  row.bound = check.id;
  return true;
}

/** Goes up where the way to a consumer drops too much: each step at the conductor that gains most drop for its mass. */
function widenForDrop(start: Assessment, rows: Rows, comfort: number): void {
  const { vehicle } = start;
  for (const check of start.checks) {
    if (check.id !== 'cable.drop' || !check.demand || !check.limit) continue;
    const device = vehicle.deviceOf.get(check.subject.id);
    const way = device ? wayOf(vehicle, device) : null;
    const solved = check.case ? vehicle.caseOf(check.case) : undefined;
    if (!way || !solved) continue;
    const amps = (id: string) => Math.abs(solved.point.elementCurrentsA.get(id) ?? 0);
    const dropOf = (row: NonNullable<ReturnType<Rows['get']>>, at: number) =>
      (amps(row.demand.conductor.id) * row.tries[at]!.lossW) / Math.max(row.demand.sustainedA ** 2, 1e-9);
    const mine = way.conductors.flatMap(({ id }) => rows.get(id) ?? []);
    const fixedV =
      check.demand.value -
      mine.reduce((sum, { demand: { conductor } }) => {
        const power = solved.point.elementPowersW.get(conductor.id) ?? 0;
        return sum + (amps(conductor.id) > 0 ? power / amps(conductor.id) : 0);
      }, 0);
    const joints = mine.reduce((sum, { demand: { conductor } }) => sum + amps(conductor.id) * conductor.jointOhm, 0);
    const total = () => fixedV + joints + mine.reduce((sum, row) => sum + dropOf(row, row.at), 0);
    const allowed = check.limit.value * (1 - comfort);
    for (let step = 0; step < 200 && total() > allowed; step++) {
      const best = mine
        .filter(({ at, tries }) => at + 1 < tries.length)
        .map((row) => ({
          row,
          gain:
            (dropOf(row, row.at) - dropOf(row, row.at + 1)) /
            Math.max(row.tries[row.at + 1]!.massKg - row.tries[row.at]!.massKg, 1e-6),
        }))
        .sort((p, q) => q.gain - p.gain)[0];
      if (!best || best.gain <= 0) break;
      best.row.at += 1;
      best.row.bound = 'cable.drop';
    }
  }
}
