import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { assess } from '../assess';
import type { Build } from '../build';
import { reading, sameRead, slotsBehind, slotsRead } from '../build/reads';
import { firn9, larkspur, teasel } from '../build/samples';
import { type Heard, hearRule } from '../checks';
import { Memory, unsureFigures } from '../vehicle';
import { dataLines, harnessOf, hvTerminalsOf, plugsOf } from '../vehicle/harness';
import { stepsOf } from './commission/sheets';
import type { Context } from './context';
import type { Rule } from './define';
import { STATIONS } from './index';
import { jobsOf } from './plan/jobs';
import { registerOf } from './plan/register';

const RULES = STATIONS.flatMap(({ rules }): readonly Rule[] => rules);
const SAMPLES = { firn: firn9(), larkspur: larkspur(), teasel: teasel() };
const contextOf = (build: Build, memory = new Memory()): Context => assess(build, { memory }).context;
const heard = (rule: Rule, context: Context): Heard =>
  hearRule(rule, context, (subject) => unsureFigures(context.vehicle, subject));
/** Ten digits: what is solved with another memory may differ in the last bits. */
const digits = (_: string, value: unknown): unknown =>
  typeof value === 'number' && Number.isFinite(value) ? Number(value.toPrecision(10)) : value;
const said = ({ findings, sources, unsure }: Heard): string => JSON.stringify([findings, sources, unsure], digits);

/** Slices that stand by themselves: any of them can be another sample’s, or absent, and the rest still is a build. */
const ALONE = [
  'losses',
  'asFound',
  'safeguards',
  'oldParts',
  'inHand',
  'costs',
  'customer',
  'oldFaults',
  'supply',
  'bms',
  'charging',
  'brakes',
  'steering',
  'cabin',
  'cooling',
  'gauges',
  'controls',
  'settings',
  'harness',
  'plan',
  'commission',
  'logbook',
  'drives',
  'health',
  'chassis',
  'restraint',
  'modules',
  'stage',
  'secondPack',
  'presetSpeed',
  'regeneration',
  'ownLimits',
  'duty',
  'vehicle',
  'packLimits',
  'precharge',
  'states',
  'schools',
  'zones',
  'readings',
  'adoptions',
  'ruleSet',
  'units',
] as const satisfies readonly (keyof Build)[];

test.each(['firn', 'larkspur', 'teasel'] as const)(
  'a rule says the same of %s wherever all that it read stands as it stood, slice by slice',
  (name) => {
    const build = SAMPLES[name];
    const memory = new Memory();
    const before = contextOf(build, memory);
    const then = slotsBehind(before)!;
    const other = SAMPLES[name === 'larkspur' ? 'firn' : 'larkspur'];
    const told = RULES.map((rule) => ({ rule, ...reading(() => heard(rule, before)) }));
    let reused = 0;
    let anew = 0;
    for (const slice of ALONE) {
      const instead = build[slice] !== undefined && OPTIONAL.has(slice) ? undefined : other[slice];
      if (instead === build[slice]) continue;
      const changed = { ...build, [slice]: instead } as Build;
      const now = slotsBehind(contextOf(changed, memory))!;
      const truth = contextOf(changed);
      for (const { rule, value, reads } of told) {
        if (sameRead(reads, then, now)) {
          reused++;
          const what = `${rule.id} after another ${slice}; it read ${slotsRead(reads).join(', ')}`;
          expect(said(heard(rule, truth)), what).toBe(said(value));
        } else anew++;
      }
    }
    // Most rules read little of the build, and each slice is read by some.
    expect(reused).toBeGreaterThan(RULES.length * 10);
    expect(anew).toBeGreaterThan(ALONE.length);
  },
);

const OPTIONAL: ReadonlySet<string> = new Set(ALONE.slice(0, ALONE.indexOf('duty')));

test('what serves for a later build holds nothing of the one that it was made of', () => {
  const { vehicle, ...rest } = contextOf(SAMPLES.firn);
  const context = { vehicle, ...rest } as Context;
  const watchedThings = new Set<unknown>([vehicle, vehicle.build, vehicle.memory, vehicle.build.circuits]);
  const found: string[] = [];
  const walk = (value: unknown, path: string, seenBefore: Set<unknown>): void => {
    if (typeof value !== 'object' || value === null || seenBefore.has(value)) return;
    seenBefore.add(value);
    if (watchedThings.has(value)) found.push(path);
    if (value instanceof Map) for (const [key, one] of value) walk(one, `${path}.${String(key)}`, seenBefore);
    else for (const [key, one] of Object.entries(value)) walk(one, `${path}.${key}`, seenBefore);
  };
  for (const [name, value] of Object.entries({
    harness: harnessOf(vehicle),
    plugs: plugsOf(vehicle),
    terminals: hvTerminalsOf(vehicle),
    lines: dataLines(vehicle),
    jobs: jobsOf(vehicle),
    register: registerOf(vehicle),
    steps: stepsOf(context),
  })) {
    expect(JSON.stringify(value)?.length, name).toBeGreaterThan(2);
    walk(value, name, new Set());
  }
  expect(found).toEqual([]);
});

/** Where a table by identity may stand: what makes memory. What follows from a thing that never changes goes by `once`. */
const MAY: ReadonlySet<string> = new Set([
  'build/reads.ts',
  'build/measurable.ts',
  'quantities/once.ts',
  'vehicle/memory.ts',
]);

test('nobody keeps answers in a table of a module, where no reader’s mark would reach them', () => {
  const core = join(process.cwd(), 'src/core');
  const files = readdirSync(core, { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.ts$/.test(file) && !/\.test\.ts$|testing\//.test(file),
  );
  expect(files.length).toBeGreaterThan(500);
  const kept = files.filter((file) => {
    const text = readFileSync(join(core, file), 'utf8');
    return /new WeakMap\b/.test(text) || /^(export )?(const|let) \w+(: [^=\n]+)? = new Map(<[^\n]*>)?\(\);/m.test(text);
  });
  expect(kept.filter((file) => !MAY.has(file))).toEqual([]);
  // The list names nothing that is gone.
  expect([...MAY].filter((file) => !kept.includes(file))).toEqual([]);
});
