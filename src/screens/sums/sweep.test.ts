import { describe, expect, test, vi } from 'vitest';
import { answerOf } from './answer';
import { figureAt } from './sum-types';
import { SUMS } from './sums';
import { drawable, isLevel, sweepable, sweepOf, tellingField } from './sweep';

const sum = (name: string) => SUMS.find((candidate) => candidate.name === name)!;

describe('a sum over one of its figures', () => {
  test('a drop is in proportion to the length (Ohm)', () => {
    const cable = sum('cable');
    const { rows, from, to } = sweepOf(cable, cable.start, 'lengthM', 'dropV')!;
    expect(from).toBeCloseTo(0.8, 12);
    expect(to).toBeCloseTo(7.2, 12);
    const perMetre = rows.map(({ x, y }) => y! / x!);
    for (const ratio of perMetre) expect(ratio).toBeCloseTo(perMetre[0]!, 9);
  });
  test('the time of precharge is in proportion to the capacitor: τ = R · C', () => {
    const precharge = sum('precharge');
    const bare = { ...precharge.start, packResistanceOhm: 0, timeoutS: 10 };
    const { rows } = sweepOf(precharge, bare, 'linkCapacitanceF', 'closeAtS')!;
    // 95 % after 3 time constants of 100 Ω · C: ln 20.
    for (const { x, y } of rows) expect(y!).toBeCloseTo(Math.log(20) * 100 * x!, 3);
  });
  test('where the sum has no figure the curve has none, and what was typed is a point of it', () => {
    const precharge = sum('precharge');
    const { rows } = sweepOf(precharge, precharge.start, 'linkCapacitanceF', 'closeAtS')!;
    // Three times 1.1 mF take 0.99 s, just inside the time-out of 1 s; with 120 Ω they don't.
    expect(rows.some(({ x }) => x === precharge.start.linkCapacitanceF)).toBe(true);
    const slow = sweepOf(
      precharge,
      { ...precharge.start, prechargeResistanceOhm: 200 },
      'linkCapacitanceF',
      'closeAtS',
    )!;
    expect(slow.rows.at(-1)!.y).toBeNull();
    expect(slow.rows[0]!.y).not.toBeNull();
  });
  test('a share ends at all of it, counts are whole, nothing is drawn over an empty field', () => {
    const cable = sum('cable');
    expect(sweepable(cable, { ...cable.start, currentA: null }).map(({ key }) => key)).not.toContain('currentA');
    const counted = sweepOf(cable, { ...cable.start, loadedCircuits: 2 }, 'loadedCircuits', 'ampacityA')!;
    expect(counted.rows.every(({ x }) => Number.isInteger(x))).toBe(true);
    const precharge = sum('precharge');
    expect(sweepOf(precharge, precharge.start, 'closeAtFraction', 'closeAtS')!.to).toBe(1);
    expect(sweepOf(cable, { ...cable.start, currentA: null }, 'currentA', 'dropV')).toBeNull();
  });
});

test('it begins over a figure that matters: the pack’s voltage does not change the time of a precharge, its resistor does', () => {
  // However slow the machine: it has a budget of time.
  vi.spyOn(performance, 'now').mockReturnValue(0);
  const precharge = sum('precharge');
  const answer = answerOf(precharge, precharge.start);
  if (!answer.ok) throw new Error(answer.reason);
  const [time] = drawable(precharge, answer.result);
  expect(tellingField(precharge, precharge.start, sweepable(precharge, precharge.start), time!)?.key).toBe(
    'prechargeResistanceOhm',
  );
  expect(isLevel(sweepOf(precharge, precharge.start, 'packOcvV', 'closeAtS')!.rows)).toBe(true);
  expect(isLevel(sweepOf(precharge, precharge.start, 'linkCapacitanceF', 'closeAtS')!.rows)).toBe(false);
});

test.each(SUMS.map((one) => [one.name, one] as const))('%s can be drawn over what its start has', (_, one) => {
  const answer = answerOf(one, one.start);
  if (!answer.ok) throw new Error(answer.reason);
  const [field, figure] = [sweepable(one, one.start)[0], drawable(one, answer.result)[0]];
  if (!field || !figure)
    return expect(
      one.figures.every(({ dimension, key }) => !dimension || typeof figureAt(answer.result, key) !== 'number'),
    ).toBe(true);
  const { rows } = sweepOf(one, one.start, field.key, figure.key)!;
  const here = rows.find(({ x }) => x === one.start[field.key])!;
  expect(here.y).toBe(figureAt(answer.result, figure.key));
});
