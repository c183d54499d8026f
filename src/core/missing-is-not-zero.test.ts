import { describe, expect, test } from 'vitest';
import { type Assessment, assess } from './assess';
import type { Build } from './build';
import { firn9, larkspur, teasel } from './build/samples';
import { readBuild } from './build/schema';
import { type Check, checkKey } from './checks';
import { Memory } from './vehicle';

type Path = readonly string[];

/** Every key of a build that the schema lets be absent, by trying. */
function optionalPaths(build: Build): Path[] {
  const paths: Path[] = [];
  const walk = (node: unknown, path: Path): void => {
    if (node === null || typeof node !== 'object' || Array.isArray(node)) return;
    for (const [key, value] of Object.entries(node)) {
      paths.push([...path, key]);
      walk(value, [...path, key]);
    }
  };
  walk(build, []);
  return paths;
}

/** The build without one key, everything beside it the same objects as before; null where the schema wants it. */
function without(build: Build, path: Path): Build | null {
  const leave = (node: object, [key, ...rest]: Path): object => {
    if (rest.length > 0) return { ...node, [key!]: leave((node as Record<string, object>)[key!]!, rest) };
    const { [key!]: _, ...others } = node as Record<string, unknown>;
    return others;
  };
  const left = leave(build, path);
  return readBuild(left).ok ? (left as Build) : null;
}

/** Lists of which the schema lets the same fields of all entries be absent. */
const LIST =
  /^(circuits\.(hv|lv)\.(devices|conductors)|zones|routes|passages|oldParts|modules|harness\.issue\.wires|(harness|plan|commission|logbook)\.(?!issue)[A-Za-z]+)$/;
/** Long ones whose entries are alike, wires and loads, ends, tests and rides: of each field so many are left out, spread over the list. */
const ALIKE = /^(circuits\.lv|harness|commission\.results|logbook\.entries)\./;
const OF_ALIKE = 10;

/** How deep the list is that a path leads into; 0: into none. An id may have dots of its own. */
const listDepth = (path: Path): number =>
  [1, 2, 3].find((depth) => path.length > depth && LIST.test(path.slice(0, depth).join('.'))) ?? 0;
/** The same field of every entry of a list is of one kind. */
const kindOf = (path: Path): string => {
  const depth = listDepth(path);
  return (depth === 0 ? path : [...path.slice(0, depth), '*', ...path.slice(depth + 1)]).join('.');
};

function spread(paths: readonly Path[]): Path[] {
  const kinds = new Map<string, Path[]>();
  for (const path of paths) kinds.set(kindOf(path), [...(kinds.get(kindOf(path)) ?? []), path]);
  return [...kinds].flatMap(([kind, alike]) => {
    if (!ALIKE.test(kind) || alike.length <= OF_ALIKE) return alike;
    return Array.from({ length: OF_ALIKE }, (_, k) => alike[Math.round((k * (alike.length - 1)) / (OF_ALIKE - 1))]!);
  });
}

/** Notes for people, and what tells another design instead of leaving one untold: with it gone the thing is not there. */
const OTHER_DESIGN: readonly RegExp[] = [
  // A thing that nobody lists and that is no device is not known to anybody; devices in no line are said to lack in the sum.
  /^inHand\.[^.]+$/,
  /^(name|notes|units|readings|adoptions|modules)/,
  // An entry of a list: a device, a cable, a part, a place that is not there.
  /^circuits\.(hv|lv)\.(devices|conductors)\.[^.]+$/,
  /^(parts|zones|routes|oldParts|asFound)(\.[^.]+)?$/,
  /^routes\.[^.]+\.endsFollow$/,
  /\.(outlet|insideId|way|opensParked)$/,
  // A tick, a mark, a node, a wait or an open point that is not there.
  /^(harness|plan)\.[A-Za-z]+\.[^.]+$/,
  /^harness\.issue/,
  // One stage or none, a link with or without active discharge, a load that runs in a scenario or not.
  /^(stage|stage\.kind|vehicle\.stageRatio|vehicle\.finalDriveRatio)$/,
  /\.activeDischargeOhm$/,
  /\.use\.[a-z-]+$/,
  /^duty\.powersFrom$/,
];

const RANK: Readonly<Record<Check['verdict'], number>> = {
  holds: 0,
  thin: 1,
  pending: 2,
  waits: 2,
  'needs-data': 2,
  fails: 3,
};
const OUTCOME: Readonly<Record<Assessment['outcome'], number>> = { holds: 0, undecided: 1, fails: 2 };
const NOISE = 0.005;

interface Ledger {
  readonly outcome: Assessment['outcome'];
  readonly checks: ReadonlyMap<string, Check>;
  readonly assumed: ReadonlySet<string>;
}
const ledgerOf = ({ outcome, checks, reservations }: Assessment): Ledger => ({
  outcome,
  checks: new Map(checks.map((check) => [checkKey(check), check])),
  // What is not judged is said at the top, as what is assumed is.
  assumed: new Set([...reservations.assumed.map(({ words }) => words), ...reservations.notJudged]),
});

/** Checks that look better than before, while nothing new is asked and nothing new is said to be assumed. */
function flattered(before: Ledger, after: Ledger): string[] {
  const asked = [...after.checks].some(
    ([key, check]) => check.verdict === 'needs-data' && before.checks.get(key)?.verdict !== 'needs-data',
  );
  const told = [...after.assumed].some((words) => !before.assumed.has(words));
  if (asked || told) return [];
  return [...before.checks].flatMap(([key, was]) => {
    const now = after.checks.get(key);
    if (!now) return RANK[was.verdict] > 0 && was.verdict !== 'pending' ? [`${key} is gone`] : [];
    if (was.verdict !== 'pending' && RANK[now.verdict] < RANK[was.verdict])
      return [`${key} ${was.verdict} → ${now.verdict}`];
    const more = was.margin !== undefined && now.margin !== undefined && now.margin > was.margin + NOISE;
    return more ? [`${key} ${was.margin!.toFixed(3)} → ${now.margin!.toFixed(3)}`] : [];
  });
}

describe('what nobody told never makes a build safer', () => {
  test.each([
    ['Firn 9', firn9()],
    ['Larkspur', larkspur()],
    ['Teasel', teasel()],
  ] as const)('%s, each optional field left out', (_, build) => {
    const memory = new Memory();
    const before = ledgerOf(assess(build, { memory }));
    const worse: string[] = [];
    let tried = 0;
    const wanted = new Set<string>();
    for (const path of spread(optionalPaths(build))) {
      const name = path.join('.');
      const kind = kindOf(path);
      if (wanted.has(kind)) continue;
      const left = without(build, path);
      if (!left) {
        // A field that is wanted of one is wanted of all; an entry may be missed by another.
        if (path.length > listDepth(path) + 1 && listDepth(path) > 0) wanted.add(kind);
        continue;
      }
      tried++;
      const after = ledgerOf(assess(left, { memory: memory.trial }));
      if (OUTCOME[after.outcome] < OUTCOME[before.outcome]) worse.push(`${name}: ${before.outcome} → ${after.outcome}`);
      if (OTHER_DESIGN.some((pattern) => pattern.test(name))) continue;
      const better = flattered(before, after);
      if (better.length > 0) worse.push(`${name}: ${better.slice(0, 3).join(', ')}`);
    }
    expect(worse).toEqual([]);
    expect(tried).toBeGreaterThan(100);
  });
});
