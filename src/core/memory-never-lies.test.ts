import { expect, test } from 'vitest';
import { assess } from './assess';
import { applyEdit, type Build, type Edit, EditRefused, SETTABLE, type SettableName } from './build';
import { reading, slotsRead } from './build/reads';
import { firn9, larkspur, teasel } from './build/samples';
import { checkKey } from './checks';
import { HARMLESS } from './testing/corpus/harmless';
import { SAMPLES as CORPUS_SAMPLES } from './testing/corpus/mistake';
import { MISTAKES } from './testing/corpus/table';
import { EXAMPLES } from './testing/edit-examples';
import { valueAt } from './testing/mutate';
import { Memory, vehicleOf } from './vehicle';

/** Ten digits: a factorisation that is used again may have taken another order, and differs in the last bits. */
const ten = (value: number): number => Number(value.toPrecision(10));
const told = (_: string, value: unknown): unknown =>
  typeof value === 'number' && Number.isFinite(value)
    ? ten(value)
    : typeof value === 'string'
      ? value.replace(/-?\d+\.\d{8,}(?:e[+-]?\d+)?/g, (figure) => String(ten(Number(figure))))
      : value;

/** What a person would see of a build: every check with its figures. */
const seen = (build: Build, memory: Memory): Map<string, string> =>
  new Map(
    assess(build, { memory }).checks.map((check) => [
      checkKey(check),
      JSON.stringify([check.verdict, check.margin, check.demand, check.limit, check.missing, check.says], told),
    ]),
  );

/** One for all: whatever was asked before, in whatever order, must change nothing. */
const memory = new Memory();

/** The build judged with all that is remembered of those before it, against a copy that nothing is remembered of. */
function sameAnew(build: Build, what: string): void {
  const quick = seen(build, memory);
  const anew = seen(structuredClone(build), new Memory());
  expect(
    [...quick].filter(([key, text]) => anew.get(key) !== text).map(([key]) => key),
    what,
  ).toEqual([]);
  expect(quick.size, what).toBe(anew.size);
}

/** The edited build judged after the one before it. */
function same(before: Build, edit: Edit, what: string): void {
  assess(before, { memory });
  sameAnew(applyEdit(before, edit).build, what);
}

/** One change of a build, in words. */
interface Step {
  readonly what: string;
  readonly change: (build: Build) => Build;
}

/** A judgement from nothing costs most: so many changes follow one another before there is one. What is stale after the first stays so. */
const CHAIN = 4;

/**
 * Changes made one after another, each judged with what is remembered of those before; after every few the ledger has to be the one of a build
 * that nothing is remembered of. What can’t follow the others begins anew. How many were made.
 */
function sameAlong(start: Build, steps: readonly Step[]): number {
  let [build, chain, made] = [start, [] as string[], 0];
  const compare = () => {
    if (chain.length > 0) sameAnew(build, chain.join(' → '));
    [build, chain] = [start, []];
    assess(start, { memory });
  };
  compare();
  for (const { what, change } of steps) {
    /** Null: refused, or it makes no sense after the others. */
    const next = (from: Build): Build | null => {
      try {
        const changed = change(from);
        assess(changed, { memory });
        return changed;
      } catch (error) {
        if (from === start && !(error instanceof EditRefused)) throw error;
        return null;
      }
    };
    let changed = next(build);
    if (changed === null && build !== start) {
      compare();
      changed = next(start);
    }
    if (changed === null) continue;
    made++;
    build = changed;
    chain.push(what);
    if (chain.length === CHAIN) compare();
  }
  compare();
  return made;
}

const SAMPLES: readonly (readonly [string, Build])[] = [
  ['firn-9', firn9()],
  ['larkspur', larkspur()],
  ['teasel', teasel()],
];

test('after every edit’s example the ledger is that of the same build without any memory', () => {
  const [, firn] = SAMPLES[0]!;
  const examples = Object.entries(EXAMPLES) as [string, { on?: Build; input: unknown }][];
  const alone = examples.filter(([, { on }]) => on !== undefined);
  for (const [name, { on, input }] of alone) same(on!, { edit: name, input } as Edit, name);
  const steps = examples
    .filter(([, { on }]) => on === undefined)
    .map(
      ([name, { input }]): Step => ({
        what: name,
        change: (build) => applyEdit(build, { edit: name, input } as Edit).build,
      }),
    );
  expect(sameAlong(firn, steps)).toBe(steps.length);
});

test.each(SAMPLES)(
  'after every settable figure of %s the ledger is that of the same build without any memory',
  (_, sample) => {
    const solved = new Set(slotsRead(reading(() => vehicleOf(sample)).reads));
    const steps = (Object.keys(SETTABLE) as SettableName[]).flatMap((figure): Step[] => {
      const { path, min, max } = SETTABLE[figure];
      const section = valueAt(sample, path.slice(0, 1));
      const now = section === undefined ? undefined : valueAt(sample, path);
      const inside = typeof now === 'number' ? now : min + 0.3 * (Math.min(max, 1000 * Math.max(min, 1)) - min);
      // What no solution reads can only be remembered by those that judge: one other value tells.
      const values = [Math.min(max, inside * 1.07 + 1e-4), Math.max(min, inside * 0.9)];
      return (solved.has(path[0]) ? values : values.slice(0, 1)).map((value) => ({
        what: `${figure} ${value}`,
        change: (build) => applyEdit(build, { edit: 'setFigure', input: { figure, value } }).build,
      }));
    });
    expect(sameAlong(sample, steps)).toBeGreaterThan(60);
  },
);

test('after mistakes of each rule and every harmless change of the corpus the ledger is that of a fresh memory', () => {
  // Of each rule’s mistakes the first and the last: a cold judgement of each of them all takes minutes.
  const first = new Map(MISTAKES.map(({ speaks }, k) => [speaks.split(':')[0]!, k] as const).reverse());
  const last = new Map(MISTAKES.map(({ speaks }, k) => [speaks.split(':')[0]!, k] as const));
  const chosen = new Set([...first.values(), ...last.values()]);
  const planted = [
    ...MISTAKES.filter((_, k) => chosen.has(k)).map(({ on, did, plant }) => ({ on, did, change: plant })),
    ...HARMLESS.map(({ on, did, change }) => ({ on, did, change })),
  ];
  const tried = Object.entries(CORPUS_SAMPLES).map(([name, sample]) =>
    sameAlong(
      sample,
      planted.filter(({ on }) => on === name).map(({ did, change }) => ({ what: `${name}: ${did}`, change })),
    ),
  );
  expect(tried.reduce((sum, made) => sum + made, 0)).toBe(planted.length);
  expect(planted.length).toBeGreaterThan(300);
});

test.each(SAMPLES)('belt or chain stage, regeneration and schools of %s count at once', (_, sample) => {
  const base: Build = {
    ...sample,
    vehicle: { ...sample.vehicle, drivelineEfficiency: undefined } as unknown as Build['vehicle'],
  };
  for (const kind of ['chain', 'v-belt', 'timing-belt'] as const)
    same(base, { edit: 'setStage', input: { kind } }, `stage ${kind}`);
  same(base, { edit: 'setRegeneration', input: { asked: 'none' } }, 'regeneration');
});

/** Every working as it is opened, beside what the check says. */
const opened = (build: Build, memory: Memory): Map<string, string> =>
  new Map(
    assess(build, { memory }).checks.map((check) => [
      checkKey(check),
      JSON.stringify([check.working.lines, check.working.sources, check.assumed], told),
    ]),
  );

test('a working of what was remembered is made of the build as it is', () => {
  const [, firn] = SAMPLES[0]!;
  const own = new Memory();
  for (const edit of [
    { edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 21 } },
    { edit: 'setFigure', input: { figure: 'coldestDay', value: -18 } },
    { edit: 'setUnits', input: { units: 'us' } },
    { edit: 'setRuleSet', input: { ruleSet: 'north-america' } },
    { edit: 'setConductor', input: { conductorId: 'c-mid', lengthM: 1.7 } },
  ] as unknown as Edit[]) {
    assess(firn, { memory: own });
    const { build } = applyEdit(firn, edit);
    const quick = opened(build, own);
    const anew = opened(structuredClone(build), new Memory());
    expect(
      [...quick].filter(([key, text]) => anew.get(key) !== text).map(([key]) => key),
      edit.edit,
    ).toEqual([]);
  }
});

test('a solution is what it was where an edit changes nothing that it read, and where it comes out alike', () => {
  const [, firn] = SAMPLES[0]!;
  const own = new Memory();
  const before = vehicleOf(firn, own);
  const after = (edit: Edit) => vehicleOf(applyEdit(firn, edit).build, own);
  const noted = after({ edit: 'setFigure', input: { figure: 'closeAt', value: 0.9 } } as Edit);
  expect(noted.build.precharge.closeAtFraction).toBe(0.9);
  expect(noted.cases).toBe(before.cases);
  expect(noted.devices).toBe(before.devices);
  // Another speed: the circuit stands as it did, and what was solved for standing still comes out alike.
  const quicker = after({ edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 23 } } as Edit);
  expect(quicker.conductors).toBe(before.conductors);
  expect(quicker.cases).not.toBe(before.cases);
  const kept = quicker.cases.filter((solved, k) => solved === before.cases[k]).map(({ state }) => state.id);
  expect(kept).toContain('parked');
  expect(kept).not.toContain('cruise');
});
