import { describe, expect, test } from 'vitest';
import { figuresOf } from '../testing/figures-of';
import { prechargeLaw } from './index';

// Expected values: closed forms of RC and series RLC circuits (textbook).
describe('plain precharge', () => {
  const result = figuresOf(
    prechargeLaw({
      packOcvV: 400,
      prechargeResistanceOhm: 50,
      linkCapacitanceF: 1e-3,
      timeoutS: 1,
      loopResistanceOhm: 0.05,
    }),
  );
  test('levels at −RC·ln(1 − p)', () => {
    expect(result.t90S).toBeCloseTo(-0.05 * Math.log(0.1), 5);
    expect(result.t95S).toBeCloseTo(-0.05 * Math.log(0.05), 5);
    expect(result.t98S).toBeCloseTo(-0.05 * Math.log(0.02), 5);
    expect(result.t99S).toBeCloseTo(-0.05 * Math.log(0.01), 5);
    expect(result.closeAtS).toBe(result.t95S);
  });
  test('resistor: V/R, V²/R, and ½CV²(1 − (1 − p)²) until closing', () => {
    expect(result.resistorPeakCurrentA).toBeCloseTo(8, 9);
    expect(result.resistorPeakPowerW).toBeCloseTo(3200, 6);
    expect(result.resistorEnergyToCloseJ! / (80 * (1 - 0.05 ** 2))).toBeCloseTo(1, 4);
    expect(result.settledVoltageV).toBeCloseTo(400, 6);
  });
  test('closing without inductance peaks at ΔV/R and brings ΔV²·C/(2R)', () => {
    expect(result.voltageDifferenceAtClosingV).toBeCloseTo(20, 3);
    expect(result.inrushPeakCurrentA! / 400).toBeCloseTo(1, 3);
    expect(result.inrushI2tA2s! / ((20 * 20 * 1e-3) / (2 * 0.05))).toBeCloseTo(1, 2);
  });
});

test('an underdamped loop peaks far below ΔV/R and overshoots', () => {
  const [r, l, c] = [0.05, 15e-6, 1e-3];
  const result = figuresOf(
    prechargeLaw({
      packOcvV: 400,
      prechargeResistanceOhm: 50,
      linkCapacitanceF: c,
      timeoutS: 1,
      loopResistanceOhm: r,
      loopInductanceH: l,
    }),
  );
  const alpha = r / (2 * l);
  const wd = Math.sqrt(1 / (l * c) - alpha * alpha);
  const at = Math.atan(wd / alpha) / wd;
  // The closed form leaves the precharge resistor out; its 0.4 A of 130 A makes 0.2 %.
  expect(result.inrushPeakCurrentA! / ((20 / (wd * l)) * Math.exp(-alpha * at) * Math.sin(wd * at))).toBeCloseTo(1, 2);
  expect(result.linkPeakVoltageAfterClosingV!).toBeCloseTo(400 + 20 * Math.exp((-alpha * Math.PI) / wd), 1);
});

test('a load left on the bus divides: 400·450/500 = 360 V, never 95 %', () => {
  const result = figuresOf(
    prechargeLaw({
      packOcvV: 400,
      prechargeResistanceOhm: 50,
      linkCapacitanceF: 1e-3,
      busLoadResistanceOhm: 450,
      timeoutS: 3,
      loopResistanceOhm: 0.05,
    }),
  );
  expect(result.reachesCloseLevel).toBe(false);
  expect(result.settledVoltageV).toBeCloseTo(360, 4);
  expect(result.settledResistorPowerW).toBeCloseTo((40 * 40) / 50, 4);
  expect(result.inrushPeakCurrentA).toBeNull();
  expect(result.t90S).toBeNull();
});

test('a constant-power load that is always awake holds the link down at its resistance below 1 %', () => {
  // Below 4 V it acts as 4²/2000 = 8 mΩ: V = 400·0.008/(50.008).
  const result = figuresOf(
    prechargeLaw({
      packOcvV: 400,
      prechargeResistanceOhm: 50,
      linkCapacitanceF: 1e-3,
      constantPowerLoadW: 2000,
      timeoutS: 1,
    }),
  );
  expect(result.settledVoltageV! / ((400 * 0.008) / 50.008)).toBeCloseTo(1, 6);
  expect(result.hiccup).toBe(false);
});

test('a load that wakes and gives up again hiccups with the period of its hysteresis', () => {
  const result = figuresOf(
    prechargeLaw({
      packOcvV: 400,
      prechargeResistanceOhm: 100,
      linkCapacitanceF: 1e-3,
      constantPowerLoadW: 800,
      turnOnV: 200,
      turnOffV: 150,
      timeoutS: 2,
    }),
  );
  expect(result.hiccup).toBe(true);
  // Fall from 200 to 150 V: C·V·dV/dt = V(400 − V)/100 − 800, integrated by the midpoint rule; rise by the closed form.
  let fall = 0;
  const n = 20000;
  for (let k = 0; k < n; k++) {
    const v = 150 + (50 * (k + 0.5)) / n;
    fall += (50 / n) * ((1e-3 * v) / (800 - (v * (400 - v)) / 100));
  }
  expect(result.periodS! / (fall + 0.1 * Math.log(250 / 200))).toBeCloseTo(1, 3);
  expect(result.settledVoltageV).toBeNull();
});

test('a residual charge shortens it, a shorted bus never charges, two capacitors add up', () => {
  const base = { packOcvV: 400, prechargeResistanceOhm: 50, linkCapacitanceF: 1e-3, timeoutS: 2 };
  expect(figuresOf(prechargeLaw({ ...base, initialLinkVoltageV: 200 })).t95S).toBeCloseTo(0.05 * Math.log(200 / 20), 5);
  expect(figuresOf(prechargeLaw({ ...base, initialLinkVoltageV: 390 })).t95S).toBe(0);
  const short = figuresOf(prechargeLaw({ ...base, busShortResistanceOhm: 0.1 }));
  expect(short.reachesCloseLevel).toBe(false);
  expect(short.resistorEnergyToTimeoutJ / ((400 / 50.1) ** 2 * 50 * 2)).toBeCloseTo(1, 3);
  expect(figuresOf(prechargeLaw({ ...base, secondCapacitanceF: 1e-3 })).t95S).toBeCloseTo(-0.1 * Math.log(0.05), 4);
});
