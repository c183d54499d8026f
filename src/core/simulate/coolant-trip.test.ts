import { expect, test } from 'vitest';
import { firn9 } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { coolantTrip } from './coolant-trip';
import { cellVoltages } from './recharge-lamp';
import { makeRun } from './runs';
import { tripPack } from './trip-pack';

test('the loop over the trip is what small explicit steps of its balance give', () => {
  const vehicle = vehicleOf(firn9());
  const trip = makeRun('trip', vehicle)!;
  const found = coolantTrip(vehicle, trip)!;
  const pack = tripPack(vehicle)!;
  const volts = cellVoltages(pack, trip.mild, 1);
  // Firn 9: 8 l/min, 260 W/K driving and 40 W/K standing, 6 l and 15 kJ/K of metal, 28 °C; inverter 96 %, motor 90 %.
  const stream = (8 / 60) * 1.07 * 3400;
  const heat = 6 * 1.07 * 3400 + 15000;
  let hot = 28;
  let hottest = 28;
  trip.mild.curve.forEach(({ timeS, speedMPerS, currentA }, k) => {
    const takes = (1 - Math.exp(-(speedMPerS > 3 ? 260 : 40) / stream)) * stream;
    hottest = Math.max(hottest, hot - (takes * (hot - 28)) / stream);
    const next = trip.mild.curve[k + 1];
    if (!next) return;
    const loss = Math.abs(currentA) * volts[k]!.cellV * pack.cellsInSeries * (1 - 0.96 * 0.9);
    const steps = 200;
    for (let s = 0; s < steps; s++) hot += ((loss - takes * (hot - 28)) / heat) * ((next.timeS - timeS) / steps);
  });
  expect(found.hottestC).toBeCloseTo(hottest, 1);
  expect(found.hottestC).toBeGreaterThan(30);
});

test('without a trip, or without a radiator, there is no curve', () => {
  const vehicle = vehicleOf(firn9());
  expect(coolantTrip(vehicle, null)).toBeNull();
  const { radiatorWPerK: _, ...cooling } = firn9().cooling!;
  expect(coolantTrip(vehicleOf({ ...firn9(), cooling }), makeRun('trip', vehicle)!)).toBeNull();
});
