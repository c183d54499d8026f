// node scripts/write-sample-tests.mjs: fills the test sheets of the sample cars anew, each reading within its band, and signs them. Needed
// when a step of the sheets or a sample changes.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, fromSources, root } from './lib.mjs';

ensureInstalled();
const { SAMPLES, commissionOf, assessWithRuns, sheetDigest, partIdOf } = await fromSources(
  `export { SAMPLES } from './src/core/build/samples'; export { commissionOf } from './src/core/build/samples/tests-kit'; export { assessWithRuns } from './src/core/assess'; export { partIdOf, sheetDigest } from './src/core/stations/commission';`,
);

/** Which sheets a sample has filled, when, and by whom; `until` stops within the last one. */
const TESTED = {
  larkspur: {
    name: 'LARKSPUR_SHEETS',
    by: 'R. Ambler',
    signs: { by: 'T. Quill', role: 'electrician' },
    days: {
      'before-hv': '2025-09-13',
      'low-voltage': '2025-09-20',
      'limited-source': '2025-09-20',
      insulation: '2025-09-20',
      precharge: '2025-09-27',
      spin: '2025-09-27',
      converter: '2025-09-27',
      charge: '2025-09-28',
      ancillaries: '2025-10-01',
      road: '2025-10-04',
      'hand-over': '2025-10-11',
    },
  },
  'firn-9': {
    name: 'FIRN_SHEETS',
    by: 'J. Marsh',
    signs: { by: 'J. Marsh', role: 'builder' },
    days: { 'before-hv': '2026-04-18', 'low-voltage': '2026-04-25' },
    until: { sheet: 'low-voltage', share: 0.6 },
  },
};

/** A fraction from a name: the same each time. */
const dice = (name) => {
  let sum = 7;
  for (const letter of name) sum = (sum * 31 + letter.codePointAt(0)) % 9973;
  return sum / 9973;
};
const short = (value) => Number(value.toPrecision(3));
function readingOf(step) {
  const { low, high, expected, dimension, id } = step;
  if (dimension === null) return 1;
  if (dimension === 'count') return expected ?? low ?? high;
  const at = dice(id);
  if (low !== null && high !== null) return short(low + (0.3 + 0.4 * at) * (high - low));
  if (low !== null) return short(Math.max(expected ?? 0, low) * (1.3 + 6 * at));
  return short(high * (0.2 + 0.4 * at));
}

for (const { key, make } of SAMPLES) {
  const tested = TESTED[key];
  if (!tested) continue;
  const { commission: _, ...bare } = make(key);
  const first = assessWithRuns(bare);
  const sheets = first.results.commission.sheets.filter(({ id }) => tested.days[id]);
  const made = sheets.map(({ id, lines }) => {
    const rows = lines
      .slice(0, tested.until?.sheet === id ? Math.round(lines.length * tested.until.share) : lines.length)
      .map(({ step }) => {
        const partId = partIdOf(first.context.vehicle.build, step);
        return [step.id, step.name, step.dimension, readingOf(step), ...(partId === null ? [] : [partId])];
      });
    return { sheet: id, date: tested.days[id], by: tested.by, rows };
  });
  const withResults = { ...bare, commission: commissionOf(made) };
  const judged = assessWithRuns(withResults);
  const signed = made.map((one) => {
    const sheet = judged.results.commission.sheets.find(({ id }) => id === one.sheet);
    return sheet.done
      ? { ...one, sign: { ...tested.signs, digest: sheetDigest(judged.context.vehicle.build, sheet.lines) } }
      : one;
  });
  writeFileSync(
    join(root, 'src', 'core', 'build', 'samples', `${key}-tests.ts`),
    `import type { TestedSheet } from './tests-kit';\n\n/** Test sheets of the sample, written by scripts/write-sample-tests.mjs. */\nexport const ${tested.name}: readonly TestedSheet[] = ${JSON.stringify(signed, null, 2)};\n`,
  );
}
