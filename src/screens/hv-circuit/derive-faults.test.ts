import { describe, expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { firn9 } from '@/core/build/samples';
import { fuseFaults } from '@/core/simulate';
import { likelyAgainst, shortAt } from './derive-short';
import { timeCurrent } from './derive-time-current';

const { vehicle } = assess(firn9());

describe('short it here', () => {
  test('a wire of the plus side finds minus, one of the minus side finds plus', () => {
    expect(likelyAgainst(vehicle, 'c-plus')).toBe('bus-minus');
    expect(likelyAgainst(vehicle, 'c-minus')).toBe('bus-plus');
  });

  test('the heater’s own fuse clears its wire, and everything in the way stands it', () => {
    const short = shortAt(vehicle, 'c-heat-plus', 'bus-minus', 'highest')!;
    expect(short.story.openings[0]!.deviceId).toBe('f-heater');
    expect(short.burns).toEqual([]);
    const wire = short.felt.find(({ id }) => id === 'c-heat-plus')!;
    // Through one loop the same I²t passes everywhere; the link capacitors empty through the wire besides.
    const cells = short.felt.find(({ id }) => id === 'k-plus')!.i2tA2s!;
    expect(wire.i2tA2s! - cells).toBeCloseTo(
      short.story.feeds.i2tOf('c-heat-plus', short.story.clearedAtS!) -
        short.story.feeds.i2tOf('k-plus', short.story.clearedAtS!),
      0,
    );
    expect(wire.limitA2s!).toBeGreaterThan(wire.i2tA2s!);
  });

  test('the inter-box wire against the pack’s minus goes on for ever: the mid fuse is on its other side', () => {
    const short = shortAt(vehicle, 'c-mid', 'pack-minus', 'highest')!;
    expect(short.story.clearedAtS).toBeNull();
    expect(short.burns.some(({ id }) => id === 'c-mid' || id === 'c-front-minus' || id === 'k-minus')).toBe(true);
  });

  test('where nothing drives it there is no fault', () => {
    expect(shortAt(vehicle, 'c-minus', 'bus-minus', 'highest')?.story.fault.voltageV ?? 0).toBeLessThan(5);
    expect(shortAt(vehicle, 'nowhere', 'bus-minus', 'highest')).toBeNull();
  });
});

describe('the time-current picture', () => {
  const picture = timeCurrent(vehicle, 'f-heater')!;

  test('holds the fuse’s own points, 63 A · 5.2 in 0.1 s, and a tenth more on the slow edge', () => {
    expect(picture.nominal.find(({ timeS }) => timeS === 0.1)!.currentA).toBeCloseTo(327.6, 6);
    expect(picture.slow.find(({ timeS }) => timeS === 0.1)!.currentA).toBeCloseTo(360.36, 6);
  });

  test('the cable carries 42.04 A for ever (bisection in another language) and k²S² in 5 s', () => {
    expect(picture.cable!.points[0]!.currentA).toBeCloseTo(42.04, 1);
    const [, fiveSeconds, shortest] = picture.cable!.points;
    expect(fiveSeconds!.currentA ** 2 * fiveSeconds!.timeS).toBeCloseTo(shortest!.currentA ** 2 * shortest!.timeS, 0);
  });

  test('faults are those of its zone, and a fuse without a part has no picture', () => {
    const faults = fuseFaults(vehicle, 'f-heater', ['c-heat-plus', 'c-heat-minus'])!;
    expect(picture.highestA).toBeCloseTo(faults.highestA, 6);
    expect(picture.loads.map(({ name }) => name)).toContain('Cruise');
    expect(timeCurrent(vehicle, 'heater')).toBeNull();
  });
});
