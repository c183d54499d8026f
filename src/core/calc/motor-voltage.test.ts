import { expect, test } from 'vitest';
import { calculate } from './schema';

const machine = {
  motorKind: 'induction',
  peakTorqueNm: 160,
  ratedSpeedRpm: 3000,
  windingVoltageRmsV: 160,
  maximumSpeedRpm: 12000,
} as const;
const run = (input: object) =>
  calculate('motor-voltage', input) as { ok: true; result: Record<string, never> } & { errors?: { path: string }[] };

test('a machine wound for 160 V rms wants 238 V on the link with space vectors (the textbook’s own figure)', () => {
  const { result } = run({ ...machine, linkVoltageV: 238.2 });
  expect(result.requiredLinkVoltageV).toBeCloseTo(160 / (Math.SQRT1_2 * 0.95), 4);
  expect(result.reachesRatedSpeed).toBe(true);
});

test('pure sine gives 0.61 of the link: the same machine wants 262 V', () => {
  expect(run({ ...machine, modulation: 'sine', linkVoltageV: 200 }).result.requiredLinkVoltageV).toBeCloseTo(
    262.295,
    2,
  );
});

test('half the voltage halves the base speed; beyond it the power stays, beyond the pull-out it falls with 1/n', () => {
  const full = 160 / (0.95 / Math.SQRT2);
  const { result } = run({ ...machine, linkVoltageV: full / 2, speedsRpm: [1000, 1500, 3000, 3750, 7500] });
  expect(result.baseSpeedRpm).toBeCloseTo(1500, 6);
  const points = result.points as unknown as { torqueNm: number; powerW: number; fieldWeakening: boolean }[];
  expect(points[0]).toMatchObject({ torqueNm: 160, fieldWeakening: false });
  expect(points[2]!.torqueNm).toBeCloseTo(80, 6);
  expect(points[2]!.powerW).toBeCloseTo(points[1]!.powerW, 6);
  expect(points[3]!.torqueNm).toBeCloseTo(64, 6);
  // 2.5 · base is the pull-out: torque ∝ 1/n² from there, 64 Nm / 4 at twice that speed.
  expect(points[4]!.torqueNm).toBeCloseTo(16, 6);
});

test('a series motor follows the voltage under load and loses torque with 1/n²', () => {
  const { result } = run({
    motorKind: 'series-dc',
    peakTorqueNm: 100,
    ratedSpeedRpm: 2000,
    ratedLinkVoltageV: 80,
    maximumSpeedRpm: 6000,
    pack: { ocvV: 84, resistanceOhm: 0.04, currentA: 100 },
    speedsRpm: [4000],
  });
  expect(result.linkVoltageV).toBeCloseTo(80, 9);
  expect(result.baseSpeedRpm).toBeCloseTo(2000, 9);
  expect((result.points as unknown as { torqueNm: number }[])[0]!.torqueNm).toBeCloseTo(25, 9);
});

test.each([
  [{ ...machine }, 'linkVoltageV'],
  [{ ...machine, linkVoltageV: 100, pack: { ocvV: 100, resistanceOhm: 0, currentA: 0 } }, 'linkVoltageV'],
  [{ ...machine, ratedLinkVoltageV: 200, linkVoltageV: 100 }, 'windingVoltageRmsV'],
  [{ ...machine, maximumSpeedRpm: 1000, linkVoltageV: 100 }, 'maximumSpeedRpm'],
  [{ ...machine, pack: { ocvV: 100, resistanceOhm: 1, currentA: 200 } }, 'pack.currentA'],
])('%o is refused at its field', (input, path) => {
  expect(run(input)).toMatchObject({ ok: false, errors: [{ path }] });
});
