import { type Assessment, assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { type Check, marginAtMost } from '../checks';
import { type CablePart, catalogueOf } from '../parts';
import { resistanceAt } from '../physics/conductor';
import { endedBy } from '../simulate';
import { conductorsOf, isSolved, type Memory, protectingFuses, wayOf } from '../vehicle';
import { type Demand, demandsOf, judge, type SizeTry } from './size-demand';

export type { SizeTry } from './size-demand';

export interface SizeChoice {
  readonly conductorId: string;
  readonly before: CablePart | null;
  readonly chosen: SizeTry;
  /** Smallest of its make that holds with the margin wanted: false when none does and the best was taken. */
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

const totals = ({
  results: {
    cables: { rows: cables },
  },
  checks,
}: Assessment) => ({
  massKg: cables.reduce((sum, row) => sum + (row.massKg ?? 0), 0),
  lossW: cables.reduce((sum, row) => sum + (row.lossW ?? 0), 0),
  fails: checks.filter(({ verdict, work }) => verdict === 'fails' && !work).length,
});

export interface SizeOptions {
  readonly conductorIds: readonly string[];
  /** What a size decides keeps at least so much. */
  readonly comfort: number;
  readonly onProgress?: (done: number, of: number) => void;
  /** Asked between conductors: true ends it, with what was found so far. */
  readonly cancelled?: () => boolean;
  readonly memory?: Memory;
}

const MOST_ROUNDS = 8;

/**
 * For each conductor the smallest size of its make that keeps the comfort in everything that its size decides; then sizes go up where
 * the way to a consumer drops too much; then the whole model judges the lot, and what it finds wanting goes up once more.
 */
export function sizeCables(build: Build, options: SizeOptions): SizeResult {
  const { conductorIds, comfort, onProgress, cancelled, memory } = options;
  const start = assess(build, memory ? { memory } : {});
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
    after = made ? assess(applyEdit(build, made).build, { memory: start.vehicle.memory.trial }) : start;
    const worse = after.checks.filter(
      (check) =>
        !check.work && isThin(check, comfort) && !start.checks.some((old) => same(old, check) && isThin(old, comfort)),
    );
    const raised = worse.filter((check) => raise(rows, after, check, comfort)).length;
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
function raise(rows: Rows, after: Assessment, check: Check, comfort: number): boolean {
  const own = rows.get(check.subject.id);
  const device = after.vehicle.deviceOf.get(check.subject.id);
  const way = device && check.id === 'cable.drop' ? wayOf(after.vehicle, device) : null;
  const { of } = protectingFuses(after.vehicle, 'fuse');
  const burning = new Set(
    endedBy(after.vehicle, check.subject.id).flatMap(({ conductorId, withstand, worst }) =>
      withstand && worst && marginAtMost(worst.i2tA2s ?? Number.POSITIVE_INFINITY, withstand.limitA2s) < comfort
        ? [conductorId]
        : [],
    ),
  );
  const candidates = own
    ? [own]
    : [...rows.values()].filter(({ demand: { conductor } }) =>
        check.id === 'fuse.cable-short'
          ? burning.has(conductor.id)
          : check.id.startsWith('fuse')
            ? (of.get(conductor.id) ?? []).includes(check.subject.id)
            : check.id.startsWith('contactor')
              ? [conductor.conductor.a, conductor.conductor.b].some(({ deviceId }) => deviceId === check.subject.id)
              : conductorsOf(after.vehicle, way).some(({ id }) => id === conductor.id),
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
    if (!way || !solved || !isSolved(solved)) continue;
    const amps = (id: string) => Math.abs(solved.point.elementCurrentsA.get(id) ?? 0);
    const dropOf = (row: NonNullable<ReturnType<Rows['get']>>, at: number) =>
      (amps(row.demand.conductor.id) * row.tries[at]!.lossW) / Math.max(row.demand.sustainedA ** 2, 1e-9);
    const mine = conductorsOf(vehicle, way).flatMap(({ id }) => rows.get(id) ?? []);
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
