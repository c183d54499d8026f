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

  test('as judged, a wire burns in the picture just where it burns in the ledger', () => {
    for (const [id, { verdict }] of shorts(vehicle)) {
      const drawn = (['highest', 'lowest'] as const).flatMap((corner) => shortAt(vehicle, id, 'judged', corner) ?? []);
      expect(
        drawn.some(({ burns }) => burns.some((felt) => felt.id === id)),
        id,
      ).toBe(verdict === 'burns');
    }
  });

  test('against each pole it is a current that something feels', () => {
    for (const { id } of vehicle.conductors)
      for (const [against] of AGAINST) {
        const short = shortAt(vehicle, id, against, 'highest');
        for (const { currentA } of short?.felt ?? []) expect(currentA).toBeGreaterThanOrEqual(0);
        if (short) expect(short.story.fault.prospectiveA).toBeGreaterThan(0);
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
