import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { leavesOf, withValue } from '../../testing/places';
import { SAMPLES } from '../samples';
import { buildJsonSchema, readBuild } from '../schema';
import { beyondLimits } from './limits';

const BUILDS = SAMPLES.map((sample) => sample.make(sample.key));
const WAYS = BUILDS.map((build) => leavesOf(build));
/** What is checked after the schema, or not by it: dates, references. */
const UNSAID = /ISO 8601|differs from its key|names "|terminal of a|on one terminal|is a .* part on|circuit/;

test('the limits that edits are held against are those of the schema: npm run docs makes them anew', () => {
  const stored = readFileSync(join(process.cwd(), 'src/core/build/limits/build-file.schema.json'), 'utf8');
  expect(JSON.parse(stored)).toEqual(JSON.parse(JSON.stringify(buildJsonSchema())));
});

describe('limits and reader', () => {
  test('find nothing in the samples', () => {
    for (const build of BUILDS) expect(beyondLimits(build)).toEqual([]);
  });

  test('agree on 1,000 builds with one value changed', () => {
    const values = fc.oneof(
      fc.constantFrom<unknown>(
        0,
        -1,
        1e-300,
        1e-12,
        1.5,
        7,
        1e6,
        1e12,
        1e308,
        '',
        'x',
        'x'.repeat(21000),
        true,
        null,
        [],
        {},
      ),
      fc.double({ noNaN: true, noDefaultInfinity: true }),
      fc.integer({ min: -100, max: 1000 }),
    );
    fc.assert(
      fc.property(fc.nat(BUILDS.length - 1), fc.nat(), values, (k, at, value) => {
        const build = BUILDS[k]!;
        const way = WAYS[k]![at % WAYS[k]!.length]!;
        const changed = withValue(build, way, value);
        const read = readBuild(JSON.parse(JSON.stringify(changed)));
        const errors = read.ok ? [] : read.errors.filter(({ reason }) => !UNSAID.test(reason));
        const beyond = beyondLimits(changed, build);
        expect({ at: way.join('.'), value, beyond: beyond.length > 0 }).toEqual({
          at: way.join('.'),
          value,
          beyond: errors.length > 0,
        });
      }),
      { seed: 17, numRuns: 1000 },
    );
  });

  test('what stood there before is left alone, what comes to it is not', () => {
    const [firn] = BUILDS;
    const odd = { ...firn!, vehicle: { ...firn!.vehicle, altitudeM: 1e9 } };
    expect(beyondLimits({ ...odd, name: 'Tern' }, odd)).toEqual([]);
    expect(beyondLimits({ ...odd, name: '' }, odd).map(({ path }) => path)).toEqual(['name']);
    expect(beyondLimits(odd).map(({ path, reason }) => [path, reason])).toEqual([
      ['vehicle.altitudeM', expect.stringMatching(/^It has to be at least .* and at most .*\.$/)],
    ]);
  });

  test('more rows than a file may have are refused: 6,000 parts', () => {
    const [firn] = BUILDS;
    const part = Object.values(firn!.parts)[0]!;
    const parts = Object.fromEntries(Array.from({ length: 6000 }, (_, k) => [`p${k}`, { ...part, id: `p${k}` }]));
    expect(beyondLimits({ ...firn!, parts }, firn!)).toMatchObject([
      { path: 'parts', reason: 'It has 5000 entries at most.' },
    ]);
  });
});
