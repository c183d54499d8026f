import fc from 'fast-check';
import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, loadCircuit } from '../../build';
import { firn9 } from '../../build/samples';
import { checkKey, say } from '../../checks';
import { LOAD_PRESETS, lowLoadOf, PULSE_LIFE } from '../../parts';
import { meltingMultiple } from '../../physics/fuse-curve';
import { findRemedies } from '../../remedies';

const firn = firn9();
const load = (name: string) =>
  Object.values(firn.circuits.lv.devices).find((device) => device.kind === 'lv-load' && device.name === name)!;
const peakOf = (build: Build, name: string) => {
  const key = `lv.fuse-peak:${loadCircuit(build, load(name).id).fuseId}`;
  return assess(build).checks.find((check) => checkKey(check) === key)!;
};
const changed = (name: string, part: Partial<NonNullable<ReturnType<typeof load>['load']>>): Build =>
  applyEdit(firn, {
    edit: 'setLowLoad',
    input: { deviceId: load(name).id, load: { ...load(name).load!, ...part } },
  }).build;

test('full assist for three seconds on a 50 A strip: 0.7 · 3.7 · (2.05/3.7)^lg 3 · 50 A', () => {
  const check = peakOf(firn, 'Electro-hydraulic steering');
  // The curve's own points at 1 and 10 s, log-log between.
  expect(check.limit!.value).toBeCloseTo(0.7 * 3.7 * (2.05 / 3.7) ** Math.log10(3) * 50, 6);
  // 60 A at 13.8 V is 828 W: on a half-empty battery (6 · 2.05 V at rest, 4 mΩ and its wires) it takes that over some 11.5 to 12 V.
  expect(check.demand!.value).toBeGreaterThan(828 / 12.3);
  expect(check.demand!.value).toBeLessThan(828 / 11);
});

test('the longer it lasts the less the fuse bears, and a larger fuse is the remedy', () => {
  const stalled = changed('Wipers', { peakS: 300, peakRating: 13.8 * 20 });
  const check = peakOf(stalled, 'Wipers');
  expect(check.verdict).toBe('fails');
  expect(say(check).title).toContain('blows when Wipers works hardest');
  const [remedy] = findRemedies(stalled, check);
  expect(peakOf(applyEdit(stalled, remedy!.edit).build, 'Wipers').verdict).not.toBe('fails');
});

test('a time that nobody told is two seconds, and said so; none or too long is refused', () => {
  const { peakS: _, ...untold } = load('Wipers').load!;
  const build = applyEdit(firn, { edit: 'setLowLoad', input: { deviceId: load('Wipers').id, load: untold } }).build;
  expect(peakOf(build, 'Wipers').working.assumed).toEqual(['It lasts 2 seconds.']);
  expect(() => changed('Wipers', { peakS: 0 })).toThrow('lasts above 0');
  expect(() => changed('Wipers', { peakRating: -3 })).toThrow('A peak is from 0');
});

test('whatever is chosen for a load bears its rating with a fifth in hand, lasts in its place, and bears its peak for its time', () => {
  const kind = fc.constantFrom(...LOAD_PRESETS);
  const amps = fc.double({ min: 0.1, max: 60, noNaN: true });
  fc.assert(
    fc.property(
      kind,
      amps,
      fc.double({ min: 1, max: 4, noNaN: true }),
      fc.double({ min: 0.05, max: 60, noNaN: true }),
      fc.integer({ min: -20, max: 105 }),
      (preset, rating, times, peakS, ambientC) => {
        const watts = rating * 13.8;
        const { fuse } = lowLoadOf(
          {
            ...preset,
            load: { ...preset.load, kind: 'constant-power', rating: watts, peakRating: watts * times, peakS },
          },
          'x',
          ambientC,
        );
        expect(fuse.ratedCurrentA * 0.8).toBeGreaterThanOrEqual(rating);
        // I_n · k · √((θ_max − T_a)/(θ_max − 25)), written out.
        const { ratedCurrentA, continuousFactor, temperatureLimitC } = fuse;
        const lasts =
          ratedCurrentA * continuousFactor * ((temperatureLimitC - ambientC) / (temperatureLimitC - 25)) ** 0.5;
        expect(lasts).toBeGreaterThanOrEqual(rating);
        expect(PULSE_LIFE * meltingMultiple(fuse, peakS) * fuse.ratedCurrentA).toBeGreaterThanOrEqual(rating * times);
      },
    ),
  );
});
