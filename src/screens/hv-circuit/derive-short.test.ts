import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '@/core/build/samples';
import { shorts } from '@/core/simulate';
import { vehicleOf } from '@/core/vehicle';
import { AGAINST, likelyAgainst, shortAt } from './derive-short';

const vehicles = [
  ['Firn 9', vehicleOf(firn9())],
  ['Larkspur', vehicleOf(larkspur())],
  ['Teasel', vehicleOf(teasel())],
] as const;
const endless = (i2t: number | null) => i2t ?? Number.POSITIVE_INFINITY;

describe.each(vehicles)('shorts of %s', (_, vehicle) => {
  test('as judged: the hardest of what the ledger holds against the wire', () => {
    let seen = 0;
    for (const { id } of vehicle.conductors)
      for (const corner of ['highest', 'lowest'] as const) {
        const all =
          shorts(vehicle)
            .get(id)
            ?.all.filter((one) => one.corner === corner) ?? [];
        const short = shortAt(vehicle, id, 'judged', corner);
        expect(short === null).toBe(all.length === 0);
        if (!short) continue;
        seen += 1;
        expect(endless(short.story.i2tA2s.get(id) ?? null)).toBe(Math.max(...all.map(({ i2tA2s }) => endless(i2tA2s))));
      }
    expect(seen).toBeGreaterThan(5);
  });

  test('against each pole: what burns is what is felt beyond what it stands, no more and no less', () => {
    for (const { id } of vehicle.conductors)
      for (const [against] of AGAINST) {
        const short = shortAt(vehicle, id, against, 'highest');
        if (!short) continue;
        const beyond = short.felt.filter(
          ({ i2tA2s, limitA2s }) => i2tA2s === null || (limitA2s !== null && i2tA2s > limitA2s),
        );
        expect(short.burns).toEqual(beyond);
        for (const { currentA } of short.felt) expect(currentA).toBeGreaterThanOrEqual(0);
      }
  });

  test('the pole that it most likely finds is the one with more volts between', () => {
    for (const { id } of vehicle.conductors) {
      const volts = (against: 'bus-plus' | 'bus-minus') =>
        shortAt(vehicle, id, against, 'highest')?.story.fault.voltageV ?? 0;
      const found = likelyAgainst(vehicle, id);
      expect(['bus-plus', 'bus-minus']).toContain(found);
      const other = found === 'bus-plus' ? 'bus-minus' : 'bus-plus';
      expect(volts(found as 'bus-plus')).toBeGreaterThanOrEqual(volts(other));
    }
  });
});

test('a wire that is in no build has no short', () => {
  const [, vehicle] = vehicles[0];
  for (const id of ['nobody', '__proto__']) expect(shortAt(vehicle, id, 'judged', 'highest')).toBeNull();
});
