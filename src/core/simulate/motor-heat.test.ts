import { expect, test } from 'vitest';
import { catalogueOf } from '../parts';
import { driveEfficiency } from '../physics/motor';
import { motorCooling, WINDING_LIMIT_C } from './motor-heat';

test.each(catalogueOf('motor'))(
  '$name: its continuous power held for ever ends at the winding’s limit in 40 °C',
  (motor) => {
    const { share, wattsPerK, joulesPerK } = motorCooling(motor);
    const torqueNm = (motor.continuousPowerW * 60) / (2 * Math.PI * motor.baseSpeedRpm);
    const lossW = motor.continuousPowerW * (1 / driveEfficiency(motor, torqueNm, motor.baseSpeedRpm) - 1);
    // Forward Euler of C·dT/dt = P − G·(T − T_air), ten time constants: an integration of its own.
    const tau = joulesPerK / wattsPerK;
    let temperatureC = 40;
    for (let k = 0; k < 10000; k++)
      temperatureC += ((share * lossW - wattsPerK * (temperatureC - 40)) * tau) / 1000 / joulesPerK;
    expect(temperatureC).toBeCloseTo(WINDING_LIMIT_C, 1);
    // Minutes to an hour, as motors warm.
    expect(tau).toBeGreaterThan(120);
    expect(tau).toBeLessThan(7200);
  },
);

test('without a motor a generic lump stands in', () => {
  expect(motorCooling(null)).toEqual({ share: 0.7, wattsPerK: 60, joulesPerK: 24000 });
});
