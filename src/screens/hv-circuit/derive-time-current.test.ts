import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { cableWithstand, fuseZones } from '@/core/simulate';
import { conductorAmpacity, currentIn, partOf, vehicleOf } from '@/core/vehicle';
import { timeCurrent } from './derive-time-current';

const vehicles = [
  ['Firn 9', vehicleOf(firn9())],
  ['Larkspur', vehicleOf(larkspur())],
  ['Teasel', vehicleOf(teasel())],
] as const;

describe.each(vehicles)('fuses of %s against time', (_, vehicle) => {
  const fuses = fuseZones(vehicle).flatMap(({ fuseId }) => {
    const [fuse, chart] = [partOf(vehicle.deviceOf.get(fuseId), 'fuse'), timeCurrent(vehicle, fuseId)];
    return fuse && chart ? [{ fuseId, fuse, chart }] : [];
  });

  test('the curve melts it in an hour at its fusing current, and sooner the more flows; its slow edge is a tenth to the right', () => {
    expect(fuses.length).toBeGreaterThan(0);
    for (const { fuse, chart } of fuses) {
      expect(chart.nominal.at(-1)).toEqual({ timeS: 3600, currentA: fuse.fusingMultiple * fuse.ratedCurrentA });
      for (const [k, point] of chart.nominal.entries()) {
        if (k > 0) expect(point.timeS).toBeGreaterThan(chart.nominal[k - 1]!.timeS);
        if (k > 0) expect(point.currentA).toBeLessThanOrEqual(chart.nominal[k - 1]!.currentA);
        expect(chart.slow[k]!.currentA / point.currentA).toBeCloseTo(1.1, 12);
        expect(chart.slow[k]!.timeS).toBe(point.timeS);
      }
    }
  });

  test('the cable that is drawn is the weakest that it has to save: I²t is the same at both ends of its line', () => {
    for (const { fuseId, chart } of fuses) {
      const ended = fuseZones(vehicle).find((zone) => zone.fuseId === fuseId)!.ended;
      const limits = ended.flatMap(({ judgement: { conductorId } }) => {
        const conductor = vehicle.conductorOf.get(conductorId)!;
        const limit = cableWithstand(vehicle, conductor)?.limitA2s;
        return limit !== undefined && conductorAmpacity(conductor) !== null ? [limit] : [];
      });
      if (!chart.cable) {
        expect(limits).toEqual([]);
        continue;
      }
      const [forever, slow, quick] = chart.cable.points;
      expect(forever!.timeS).toBe(3600);
      expect(slow!.currentA ** 2 * slow!.timeS).toBeCloseTo(Math.min(...limits), 3);
      expect(quick!.currentA ** 2 * quick!.timeS).toBeCloseTo(Math.min(...limits), 3);
      expect([slow!.timeS, quick!.timeS]).toEqual([5, 1e-4]);
    }
  });

  test('each load is the current of its case with the pack cold, aged and empty, for ever or for the seconds of a pull', () => {
    for (const { fuseId, chart } of fuses)
      for (const { name, currentA, timeS } of chart.loads) {
        const solved = vehicle.cases.find(
          ({ state, corner }) => state.name === name && corner.id === 'cold-old-empty',
        )!;
        expect(currentA).toBe(currentIn(solved, fuseId));
        expect(timeS).toBe(solved.state.duration === 'sustained' ? 3600 : vehicle.build.duty.hardAccelerationS);
      }
  });

  test('the least fault is no more than the highest', () => {
    for (const { chart } of fuses)
      if (chart.lowestA !== null && chart.highestA !== null) expect(chart.lowestA).toBeLessThanOrEqual(chart.highestA);
  });
});

test('what is no fuse, or is in no build, has no chart', () => {
  const [, vehicle] = vehicles[0];
  const box = vehicle.devices.find(({ device }) => device.kind === 'box')!;
  for (const id of [box.id, 'nobody', '__proto__']) expect(timeCurrent(vehicle, id)).toBeNull();
});
