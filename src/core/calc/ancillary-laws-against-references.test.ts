import { describe, expect, test } from 'vitest';
import { pumpMeetsLoop } from '../physics/coolant';
import { calcCabinHeat } from './cabin-heat';
import { calcCoolant } from './coolant';
import { LawRefused } from './refused';
import { calcSteering } from './steering';
import { calcVacuum, type VacuumInput } from './vacuum';

const VACUUM: VacuumInput = {
  altitudeM: 1900,
  volumeM3: 0.0055,
  pumpFlowM3PerS: 0.0003,
  pumpHighestVacuumAtSeaLevelPa: 86000,
  switchOnVacuumPa: 50000,
  switchOffVacuumPa: 65000,
  airPerApplicationM3: 0.0006,
  minimumVacuumPa: 30000,
  secondsBetweenApplicationsS: 40,
};
const vacuum = (more: Partial<VacuumInput> = {}) =>
  calcVacuum({ ...VACUUM, ...more }).result as Record<string, number | boolean | null>;

describe('vacuum', () => {
  test('by hand at 1,900 m: air, highest vacuum, first pull-down, what an application takes', () => {
    const found = vacuum();
    // ISO 2533: 101 325 · (1 − 2.25577e-5 · 1900)^5.25588 = 80 487 Pa; · 86 / 101.325 = 68 314 Pa.
    expect(found.ambientPressurePa).toBeCloseTo(80487, 0);
    expect(found.highestVacuumHerePa).toBeCloseTo(68314, 0);
    // V · v_max / (p_a · Q0) · ln(v_max / (v_max − v)) = 15.560 s · ln(68314 / 3314) = 47.09 s.
    expect(found.timeToFirstCutOutS as number).toBeCloseTo(15.56 * Math.log(68314 / 3314), 1);
    expect(found.vacuumLostPerApplicationPa).toBeCloseTo((80487.2 * 0.6) / 5.5, 0);
    // (65 − 30) / 8.78 = 3.99: three leave, four begin; (50 − 30) / 8.78 = 2.28.
    expect(found).toMatchObject({
      cutOutReachable: true,
      applicationsLeavingFromCutOut: 3,
      applicationsBegunFromCutOut: 4,
      applicationsLeavingFromCutIn: 2,
      applicationsBegunFromCutIn: 3,
    });
  });

  test('the switch of sea level is out of reach: nothing comes to its end, the pump always runs', () => {
    expect(vacuum({ switchOffVacuumPa: 70000 })).toMatchObject({
      cutOutReachable: false,
      timeToFirstCutOutS: null,
      recoveryCutInToCutOutS: null,
      recoveryAfterOneApplicationS: null,
      pumpDuty: 1,
      pumpStartsPerHour: 0,
      applicationsBegunFromCutOut: null,
    });
  });

  test('from as much as the switch asks for it takes no time; set points the wrong way round are refused', () => {
    expect(vacuum({ initialVacuumPa: 65000 }).timeToFirstCutOutS).toBe(0);
    expect(() => vacuum({ switchOnVacuumPa: 65000 })).toThrow(LawRefused);
    expect(() => vacuum({ pumpHighestVacuumAtSeaLevelPa: 120000 })).toThrow(LawRefused);
  });
});

describe('steering', () => {
  const rack = {
    pistonAreaM2: 0.0008,
    travelPerTurnM: 0.045,
    leakageM3PerS: 0,
    pumpFlowM3PerS: 3.5 / 60000,
    pressurePa: 8e6,
    turnsPerS: [1.25, 2],
    efficiency: 0.47 / 0.8,
    supplyVoltageV: 13,
  };
  test('8 cm² and 45 mm a turn ask 2.7 l/min at 1.25 turns a second; 80 bar and 3.5 l/min are 0.47 kW (reference of the trade)', () => {
    const found = calcSteering(rack).result as {
      rackFlowM3PerS: number[];
      keepsUp: boolean[];
      keepsUpToTurnsPerS: number;
      hydraulicPowerW: number;
      electricPowerW: number;
      currentA: number;
    };
    expect(found.rackFlowM3PerS[0]! * 60000).toBeCloseTo(2.7, 9);
    expect(found.keepsUp).toEqual([true, false]);
    expect(found.keepsUpToTurnsPerS).toBeCloseTo(3.5 / 2.16, 9);
    expect(found.hydraulicPowerW).toBeCloseTo(466.7, 1);
    expect(found.electricPowerW).toBeCloseTo(794.3, 1);
    expect(found.currentA).toBeCloseTo(61.1, 1);
  });

  test('the rim without assist: μ·W/3·√(W/p) by hand', () => {
    const found = calcSteering({
      ...rack,
      wheelLoadN: 3600,
      tyrePressurePa: 225000,
      steeringRatio: 16,
      steeringEfficiency: 0.75,
    }).result as { kingpinTorqueNm: number; rimTorqueNm: number };
    // 0.7 · 3600 / 3 · √0.016 = 840 · 0.126491 = 106.25; 2 · 106.25 / 12 = 17.71.
    expect(found.kingpinTorqueNm).toBeCloseTo(106.25, 2);
    expect(found.rimTorqueNm).toBeCloseTo(17.71, 2);
  });
});

describe('cabin heat', () => {
  const cabin = { lossWPerK: 60, freshAirKgPerS: 0.03, heatCapacityJPerK: 90000, outsideC: -5, targetC: 20 };
  const heat = (more: Partial<Parameters<typeof calcCabinHeat>[0]>) =>
    calcCabinHeat({ ...cabin, ...more }).result as Record<string, number | null>;

  test('UA 60 W/K and 0.03 kg/s from −5 to 20 °C: 1.5 and 0.75 kW (reference of the trade)', () => {
    expect(heat({ heaterPowerW: 3000 }).holdingPowerW! / 1000).toBeCloseTo(2.25, 1);
    expect(heat({ heaterPowerW: 3000, recirculation: 1 }).holdingPowerW).toBeCloseTo(1500, 9);
  });

  test('warm-up by small steps of the balance, as the independent opinion', () => {
    const found = heat({ heaterPowerW: 3000, afterS: 600 });
    let [t, inside] = [0, -5];
    const dt = 0.05;
    let at600 = Number.NaN;
    while (inside < 20) {
      inside += ((3000 - (60 + 0.03 * 1006) * (inside + 5)) / 90000) * dt;
      t += dt;
      if (Math.abs(t - 600) < dt / 2) at600 = inside;
    }
    expect(found.timeToTargetS! / t).toBeCloseTo(1, 3);
    expect(found.temperatureAfterC).toBeCloseTo(at600, 1);
    expect(heat({ heaterPowerW: 1000 }).timeToTargetS).toBeNull();
  });

  test('an element for 350 V on 115 V gives about a tenth (reference of the trade), up to twice that while it is cold', () => {
    const found = heat({ elementRatedPowerW: 3000, elementRatedVoltageV: 350, packVoltageV: 115 });
    expect(found.elementPowerLowW! / 3000).toBeCloseTo(0.108, 3);
    expect(found.elementPowerHighW! / 3000).toBeCloseTo(0.216, 3);
    expect(() => heat({})).toThrow(LawRefused);
  });
});

describe('coolant', () => {
  const loop = {
    parts: [
      { name: 'inverter', lossW: 900, plateKPerW: 0.012, limitC: 85 },
      { name: 'motor', lossW: 2400, plateKPerW: 0.015, limitC: 140 },
    ],
    flowM3PerS: 8 / 60000,
    radiatorWPerK: 160,
    ambientC: 35,
  };
  test('the stream and the radiator by a march along its tubes, as the independent opinion', () => {
    const found = calcCoolant(loop).result as {
      inletC: number;
      hottestCoolantC: number;
      parts: { temperatureC: number; marginK: number }[];
    };
    // 8 l/min · 1.07 kg/l · 3400 J/(kg·K) = 485.07 W/K.
    const stream = (8 / 60) * 1.07 * 3400;
    expect(found.hottestCoolantC - found.inletC).toBeCloseTo(3300 / stream, 6);
    let t = found.hottestCoolantC;
    for (let k = 0; k < 100_000; k++) t -= ((160 / 100_000) * (t - 35)) / stream;
    expect(t).toBeCloseTo(found.inletC, 3);
    // The inverter’s plate sees the mean: half of its own rise on top of the inlet, and 900 W · 0.012 K/W.
    expect(found.parts[0]!.temperatureC).toBeCloseTo(found.inletC + 450 / stream + 10.8, 6);
    expect(found.parts[0]!.marginK).toBeCloseTo(85 - found.parts[0]!.temperatureC, 9);
  });

  test('where pump and loop meet both have the same pressure', () => {
    const q = pumpMeetsLoop({ shutOffPa: 40000, freeLPerMin: 20 }, { dropPa: 20000, atLPerMin: 10 });
    // By hand: √(40 / (40 / 400 + 20 / 100)) = √133.3 = 11.55 l/min; 40·(1 − 1/3) = 26.7 kPa on both sides.
    expect(q).toBeCloseTo(11.547, 3);
    expect(40 * (1 - (q / 20) ** 2)).toBeCloseTo(20 * (q / 10) ** 2, 9);
  });

  test('after one time constant 63 % of the way is gone', () => {
    const settled = calcCoolant(loop).result as { inletC: number };
    const tau = (calcCoolant({ ...loop, heatCapacityJPerK: 45000 }).result as { timeConstantS: number }).timeConstantS;
    const after = calcCoolant({ ...loop, heatCapacityJPerK: 45000, durationS: tau }).result as { inletAfterC: number };
    expect(after.inletAfterC).toBeCloseTo(35 + (1 - Math.exp(-1)) * (settled.inletC - 35), 6);
  });
});
