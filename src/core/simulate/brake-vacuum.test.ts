import { describe, expect, test } from 'vitest';
import type { Brakes, Build } from '../build';
import { firn9 } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { brakeVacuum, vacuumMissing } from './brake-vacuum';

const shuttle = (more: Partial<Brakes>): Build => ({ ...firn9(), brakes: { ...firn9().brakes, ...more } });
const model = (more: Partial<Brakes> = {}) => brakeVacuum(vehicleOf(shuttle(more)))!;

describe('vacuum brakes of a build', () => {
  test('volume and losses by hand: 3 + 5 + 0.2 l, 1.2 l of air at 80.49 kPa, four tenths of it for a normal stop', () => {
    const found = model();
    expect(found.volumeL).toBeCloseTo(8.2, 9);
    expect(found.eachPa).toBeCloseTo((0.4 * 80487.2 * 1.2) / 8.2, 0);
  });

  test('between stops the pump brings back what the closed form says', () => {
    const { descent, air, offPa, onPa, eachPa } = model();
    // The descent, replayed from stop to stop with the pump’s closed form alone.
    let [v, on, lowest] = [offPa, false, offPa];
    for (let k = 0; k < descent.applications; k++) {
      v -= eachPa;
      lowest = Math.min(lowest, v);
      if (v <= onPa) on = true;
      if (!on) continue;
      const left = air.timeS(v, offPa)!;
      v = left <= 8 ? offPa : air.after(v, 8);
      if (left <= 8) on = false;
    }
    expect(descent.lowestPa / lowest).toBeCloseTo(1, 2);
  });

  test('a leak brings the pump on without any stop', () => {
    const tight = model({ leakPa: 0 });
    const leaking = model({ leakPa: 40000 });
    expect(leaking.trip.starts).toBeGreaterThan(tight.trip.starts);
    expect(leaking.trip.duty).toBeGreaterThan(tight.trip.duty);
  });

  test('a switch that goes with the air keeps its share of it', () => {
    // By hand: 80 487 / 101 325 = 0.7943.
    expect(model({ switchFollows: true }).offPa / 62000).toBeCloseTo(0.7943, 4);
  });

  test('what is missing is named, and a switch the wrong way round has no model', () => {
    const { pumpLPerMin: _, ...others } = firn9().brakes!;
    expect(vacuumMissing(vehicleOf({ ...firn9(), brakes: others }))).toEqual(['the pump’s flow']);
    expect(brakeVacuum(vehicleOf(shuttle({ switchOnPa: 62000, switchOffPa: 48000 })))).toBeNull();
  });
});
