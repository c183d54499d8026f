import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { cataloguePart } from '../parts';
import {
  availableRmsV,
  baseSpeedRpm,
  driveEfficiency,
  linkForRmsV,
  motorCurrentA,
  peakTorqueNm,
  rpmToRadPerS,
} from './motor';
import { roadForces, sumOf } from './road-load';
import { parseTyre } from './tyre';

const radius = (text: string): number => {
  const answer = parseTyre(text);
  if (!answer.ok) throw new Error(answer.reason);
  return answer.tyre.rollingRadiusM;
};

describe('tyre codes', () => {
  test('0.97 of half the rim and the side wall: 185/80 R14 by hand', () => {
    const expected = 0.97 * ((14 * 0.0254) / 2 + 0.185 * 0.8);
    for (const text of ['185/80R14', '185/80 R14', ' 185/80 r 14 ', '185/80R14 91T'])
      expect(radius(text)).toBeCloseTo(expected, 12);
    expect(radius('165R13')).toBeCloseTo(0.97 * ((13 * 0.0254) / 2 + 0.165 * 0.82), 12);
    expect(radius('6.00-16')).toBeCloseTo(0.97 * ((16 * 0.0254) / 2 + 6 * 0.0254 * 0.95), 12);
  });

  test.each([
    ['1850/80R14', 'no tyre code'],
    ['40/80R14', 'does not exist'],
    ['500/80R14', 'does not exist'],
    ['185/10R14', 'side wall'],
    ['185/80R99', 'rim'],
    ['185/80', 'no tyre code'],
    ['<b>', 'no tyre code'],
    ['', 'no tyre code'],
  ])('%s is refused', (text, why) => {
    const answer = parseTyre(text);
    expect(answer.ok).toBe(false);
    if (!answer.ok) expect(answer.reason).toContain(why);
  });

  test('whatever is typed gives an answer', () => {
    fc.assert(fc.property(fc.string({ maxLength: 30 }), (text) => typeof parseTyre(text).ok === 'boolean'));
  });
});

describe('road load', () => {
  const vehicle = {
    massKg: 1000,
    rotatingMassFactor: 1.05,
    rollingCoefficient: 0.01,
    dragAreaM2: 0.5,
    airDensityKgPerM3: 1.2,
  };

  test('by hand: 1 t at 20 m/s up 10 % with 1 m/s²', () => {
    const angle = Math.atan(0.1);
    const expected = 1000 * 9.80665 * (0.01 * Math.cos(angle) + Math.sin(angle)) + 0.5 * 1.2 * 0.5 * 400 + 1050;
    expect(sumOf(roadForces(vehicle, 20, 0.1, 1))).toBeCloseTo(expected, 9);
  });

  test('standing still nothing rolls and nothing climbs', () => {
    expect(roadForces(vehicle, 0, 0.2, 0)).toEqual({ rollingN: 0, slopeN: 0, dragN: 0, inertiaN: 0 });
  });
});

describe('motor envelope', () => {
  const pm = cataloguePart('motor-pm-110', 'motor');
  const induction = cataloguePart('motor-induction-25', 'motor');
  const series = cataloguePart('motor-series-16', 'motor');

  test('the base speed falls in proportion with the link voltage', () => {
    expect(baseSpeedRpm(pm, 350)).toBeCloseTo(3600, 9);
    expect(baseSpeedRpm(pm, 175)).toBeCloseTo(1800, 9);
    expect(baseSpeedRpm(pm, 0)).toBe(0);
    // A machine for 160 V rms wants 238 V on the link: 160/(0.707·0.95).
    expect(availableRmsV(238)).toBeCloseTo(160, 0);
  });

  test('beyond it constant power, 1/n² past the pull-out of an induction motor, 1/n² at once for a series motor', () => {
    expect(peakTorqueNm(pm, 7200, 350)).toBeCloseTo(Math.min(290 / 2, 110000 / rpmToRadPerS(7200)), 9);
    const far = 2.5 * 2200 * 1.1;
    expect(peakTorqueNm(induction, far, 120)).toBeCloseTo(110 * 2.5 * (2200 / far) ** 2, 9);
    expect(peakTorqueNm(series, 2600, 80)).toBeCloseTo(120 / 4, 9);
    expect(peakTorqueNm(pm, 10501, 350)).toBe(0);
  });

  test('never more than the peak power, never rising with speed or falling with voltage', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(pm, induction, series),
        fc.double({ min: 0, max: 11000, noNaN: true }),
        fc.double({ min: 1, max: 450, noNaN: true }),
        (motor, rpm, volts) => {
          const torque = peakTorqueNm(motor, rpm, volts);
          expect(torque * rpmToRadPerS(rpm)).toBeLessThanOrEqual(motor.peakPowerW * (1 + 1e-9));
          expect(peakTorqueNm(motor, rpm * 1.01 + 1, volts)).toBeLessThanOrEqual(torque + 1e-9);
          expect(peakTorqueNm(motor, rpm, volts * 1.05)).toBeGreaterThanOrEqual(torque - 1e-9);
          const efficiency = driveEfficiency(motor, torque, rpm);
          expect(efficiency).toBeGreaterThan(0.3);
          expect(efficiency).toBeLessThan(0.95);
        },
      ),
    );
  });
});

test('a motor with points of its own follows them, straight between, and lower voltage squeezes the speeds', () => {
  const motor = {
    motorKind: 'permanent-magnet',
    peakTorqueNm: 300,
    peakPowerW: 1e6,
    continuousPowerW: 5e4,
    baseSpeedRpm: 3000,
    baseLinkV: 300,
    maximumSpeedRpm: 9000,
    envelope: [
      { speedRpm: 0, torqueNm: 250 },
      { speedRpm: 3000, torqueNm: 250 },
      { speedRpm: 6000, torqueNm: 100 },
    ],
  } as const;
  expect(peakTorqueNm(motor, 1500, 300)).toBe(250);
  expect(peakTorqueNm(motor, 4500, 300)).toBeCloseTo(175, 9);
  expect(peakTorqueNm(motor, 2250, 150)).toBeCloseTo(175, 9);
  expect(peakTorqueNm(motor, 7000, 300)).toBe(0);
  // Never more than the peak power: 20 kW at 4500/min are 42.4 Nm.
  expect(peakTorqueNm({ ...motor, peakPowerW: 2e4 }, 4500, 300)).toBeCloseTo(2e4 / ((4500 * Math.PI) / 30), 9);
});

test('motor amperes at peak torque: three phases and direct current by hand', () => {
  const ac = cataloguePart('motor-pm-110', 'motor');
  const acW = (290 * 3600 * 2 * Math.PI) / 60 / driveEfficiency(ac, 290, 3600);
  expect(motorCurrentA(ac)).toBeCloseTo(acW / (Math.sqrt(3) * (350 / Math.SQRT2) * 0.95 * 0.85), 3);
  const dc = cataloguePart('motor-series-16', 'motor');
  const dcW = (120 * 1300 * 2 * Math.PI) / 60 / driveEfficiency(dc, 120, 1300);
  expect(motorCurrentA(dc)).toBeCloseTo(dcW / 80, 9);
});

test('a machine wound for 160 V rms wants 238 V on the link (160 / (0.707 · 0.95), reference of the trade), and gets its 160 V there', () => {
  expect(linkForRmsV(160)).toBeCloseTo(238.2, 1);
  expect(availableRmsV(linkForRmsV(160))).toBeCloseTo(160, 12);
});
