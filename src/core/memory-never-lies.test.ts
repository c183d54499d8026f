import { expect, test } from 'vitest';
import { assess } from './assess';
import { applyEdit, type Build, type Edit, EditRefused, SETTABLE, type SettableName } from './build';
import { firn9, larkspur, teasel } from './build/samples';
import { checkKey } from './checks';
import { HARMLESS } from './testing/corpus/harmless';
import { SAMPLES as CORPUS_SAMPLES } from './testing/corpus/mistake';
import { MISTAKES } from './testing/corpus/table';
import { EXAMPLES } from './testing/edit-examples';
import { valueAt } from './testing/mutate';
import { Memory, UNREAD, vehicleOf } from './vehicle';

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

/** The edited build judged after the one before it, with all that is remembered of that, against a copy that nothing is remembered of. */
function same(before: Build, edit: Edit, what: string): void {
  assess(before, { memory });
  const { build } = applyEdit(before, edit);
  const quick = seen(build, memory);
  const anew = seen(structuredClone(build), new Memory());
  expect(
    [...quick].filter(([key, text]) => anew.get(key) !== text).map(([key]) => key),
    what,
  ).toEqual([]);
  expect(quick.size, what).toBe(anew.size);
}

const SAMPLES: readonly (readonly [string, Build])[] = [
  ['firn-9', firn9()],
  ['larkspur', larkspur()],
  ['teasel', teasel()],
];

test('after every edit’s example the ledger is that of the same build without any memory', () => {
  const [, firn] = SAMPLES[0]!;
  for (const [name, { on: before = firn, input }] of Object.entries(EXAMPLES) as [
    string,
    { on?: Build; input: unknown },
  ][])
    same(before, { edit: name, input } as Edit, name);
});

test.each(SAMPLES)(
  'after every settable figure of %s the ledger is that of the same build without any memory',
  (_, sample) => {
    let tried = 0;
    for (const figure of Object.keys(SETTABLE) as SettableName[]) {
      const { path, min, max } = SETTABLE[figure];
      const section = valueAt(sample, path.slice(0, 1));
      const now = section === undefined ? undefined : valueAt(sample, path);
      const inside = typeof now === 'number' ? now : min + 0.3 * (Math.min(max, 1000 * Math.max(min, 1)) - min);
      // What no solution reads can only be remembered by those that judge: one other value tells.
      const values = [Math.min(max, inside * 1.07 + 1e-4), Math.max(min, inside * 0.9)];
      for (const value of (UNREAD as readonly string[]).includes(path[0]) ? values.slice(0, 1) : values) {
        try {
          same(sample, { edit: 'setFigure', input: { figure, value } }, `${figure} ${value}`);
          tried++;
        } catch (error) {
          if (!(error instanceof EditRefused)) throw error;
        }
      }
    }
    expect(tried).toBeGreaterThan(60);
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
  expect(planted.length).toBeGreaterThan(300);
  for (const { on, did, change } of planted) {
    assess(CORPUS_SAMPLES[on], { memory });
    const made = change(CORPUS_SAMPLES[on]);
    const quick = seen(made, memory);
    const anew = seen(made, new Memory());
    expect(
      [...quick].filter(([key, text]) => anew.get(key) !== text).map(([key]) => key),
      `${on}: ${did}`,
    ).toEqual([]);
  }
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

test.each(SAMPLES)('what the solved vehicle of %s is said not to read, it does not read', (_, sample) => {
  const read = new Set<string>();
  const watched = new Proxy(sample, {
    get(target, key, receiver) {
      if (typeof key === 'string') read.add(key);
      return Reflect.get(target, key, receiver);
    },
  });
  const { cases } = vehicleOf(watched);
  expect(cases.length).toBeGreaterThan(20);
  expect(read.has('circuits')).toBe(true);
  expect(UNREAD.filter((slice) => read.has(slice))).toEqual([]);
});
