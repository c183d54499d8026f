import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type ChargeInput, calcBalance, calcCharge, calcPilot, calcProximity, LawRefused } from './index';

interface Charged {
  readonly initialPackCurrentA: number;
  readonly initialLimit: string;
  readonly timeTo80PercentS: number | null;
  readonly acEnergyTo80PercentJ: number | null;
  readonly timeToConstantVoltageS: number | null;
  readonly socAtConstantVoltage: number | null;
  readonly timeToCutoffS: number | null;
  readonly socAtCutoff: number | null;
  readonly acEnergyToCutoffJ: number | null;
}
const charge = (input: ChargeInput) => calcCharge(input).result as Charged;

/** One straight rest curve: E = N·(v0 + slope·s). */
const STRAIGHT: ChargeInput = {
  cellsInSeries: 100,
  capacityAh: 50,
  packResistanceOhm: 0.2,
  socStart: 0.1,
  ocvCurve: [
    [0, 3],
    [1, 4],
  ],
  chargerMaxPowerW: 1e6,
  chargerMaxCurrentA: 20,
  chargerEfficiency: 0.9,
  acVoltageV: 230,
  acCurrentLimitA: 1e6,
  chargeVoltagePerCellV: 3.9,
  cutoffCurrentA: 2,
  cutoffMeasuredAt: 'pack',
};

describe('charge against closed forms', () => {
  test('constant current, then the exponential taper of a capacitor behind a resistance', () => {
    const found = charge(STRAIGHT);
    const perSoc = 100; // V
    const coulomb = 50 * 3600;
    // Voltage limit when 300 + 100·s + 0.2·20 = 390.
    const at = (390 - 300 - 4) / perSoc;
    expect(found.initialLimit).toBe('current');
    expect(found.initialPackCurrentA).toBeCloseTo(20, 9);
    expect(found.socAtConstantVoltage).toBeCloseTo(at, 9);
    expect(found.timeToConstantVoltageS).toBeCloseTo(((at - 0.1) * coulomb) / 20, 3);
    // I = 20·exp(−t/τ), τ = R·Q/E′; down to 2 A after τ·ln 10.
    const tau = (0.2 * coulomb) / perSoc;
    expect(found.timeToCutoffS! - found.timeToConstantVoltageS!).toBeCloseTo(tau * Math.log(10), 3);
    expect(found.socAtCutoff).toBeCloseTo((390 - 300 - 0.4) / perSoc, 9);
    expect(found.timeTo80PercentS).toBeCloseTo((0.7 * coulomb) / 20, 3);
    // ∫ (E + I·R)·I dt / η over constant current: the mean voltage.
    expect(found.acEnergyTo80PercentJ).toBeCloseTo(((300 + 45 + 4) * 0.7 * coulomb) / 0.9, -1);
  });

  test('the narrowest limit binds and is named', () => {
    expect(charge({ ...STRAIGHT, acCurrentLimitA: 8 }).initialLimit).toBe('power');
    expect(charge({ ...STRAIGHT, packCurrentLimitA: 5 })).toMatchObject({
      initialLimit: 'bms',
      initialPackCurrentA: 5,
    });
    expect(charge({ ...STRAIGHT, socStart: 0.89 }).initialLimit).toBe('voltage');
    // Power: U·I = 0.9·230·8, U = E + I·R.
    const { initialPackCurrentA: amps } = charge({ ...STRAIGHT, acCurrentLimitA: 8 });
    expect((310 + 0.2 * amps) * amps).toBeCloseTo(0.9 * 230 * 8, 6);
    // Three phases give three times as much.
    const three = charge({ ...STRAIGHT, acCurrentLimitA: 8, acPhases: 3 }).initialPackCurrentA;
    expect((310 + 0.2 * three) * three).toBeCloseTo(0.9 * 3 * 230 * 8, 6);
  });

  test('a cut-off that the charger judges by its own output never comes while loads draw more than it', () => {
    const loaded = { ...STRAIGHT, auxiliaryPowerW: 900 };
    expect(charge({ ...loaded, cutoffMeasuredAt: 'charger' }).timeToCutoffS).toBeNull();
    expect(charge({ ...loaded, cutoffMeasuredAt: 'pack' }).timeToCutoffS).toBeGreaterThan(0);
  });

  test('a voltage limit below the rest voltage of 80 % never gets there; without resistance it ends where they meet', () => {
    const low = charge({ ...STRAIGHT, chargeVoltagePerCellV: 3.7 });
    expect(low.timeTo80PercentS).toBeNull();
    expect(low.socAtCutoff).toBeCloseTo(0.7 - 0.004, 9);
    const ideal = charge({ ...STRAIGHT, packResistanceOhm: 0 });
    expect(ideal.socAtCutoff).toBeCloseTo(0.9, 6);
    expect(ideal.timeToCutoffS).toBeCloseTo((0.8 * 50 * 3600) / 20, 1);
  });

  test('a curve that ends below the charge voltage has no cut-off, and loads above the supply no charge', () => {
    expect(charge({ ...STRAIGHT, chargeVoltagePerCellV: 4.2 })).toMatchObject({
      timeToCutoffS: null,
      socAtCutoff: null,
    });
    const none = charge({ ...STRAIGHT, chargerMaxPowerW: 500, auxiliaryPowerW: 800 });
    expect(none.initialPackCurrentA).toBeLessThan(0);
    expect(none).toMatchObject({ timeTo80PercentS: null, timeToCutoffS: null });
  });
});

/** Independent: the state of charge by time, second by second, with the current by fixed-point iteration on the bus voltage. */
function stepped(input: ChargeInput, dt = 1) {
  const points = input.ocvCurve as readonly (readonly [number, number])[];
  const rest = (s: number) => {
    const k = Math.max(
      1,
      Math.min(
        points.length - 1,
        points.findIndex(([at]) => at >= s),
      ),
    );
    const [[a, u], [b, v]] = [points[k - 1]!, points[k]!];
    return input.cellsInSeries * (u + ((v - u) * (s - a)) / (b - a));
  };
  const powerW = Math.min(
    input.chargerMaxPowerW,
    input.chargerEfficiency *
      (input.acPhases ?? 1) *
      input.acVoltageV *
      input.acCurrentLimitA *
      (input.powerFactor ?? 1),
  );
  const most = input.cellsInSeries * input.chargeVoltagePerCellV;
  const out = {
    to80: null as number | null,
    ac80: null as number | null,
    toCv: null as number | null,
    toEnd: null as number | null,
    acEnd: null as number | null,
  };
  let [s, ac] = [input.socStart, 0];
  for (let t = 0; t < 400_000; t += dt) {
    const e = rest(s);
    let u = e;
    let i = 0;
    for (let k = 0; k < 60; k++) {
      const chargerA = Math.min(input.chargerMaxCurrentA, powerW / u);
      i = Math.min(chargerA - (input.auxiliaryPowerW ?? 0) / u, input.packCurrentLimitA ?? 1e9);
      u = e + i * input.packResistanceOhm;
    }
    const cv = (most - e) / input.packResistanceOhm < i;
    if (cv) [u, i] = [most, (most - e) / input.packResistanceOhm];
    const chargerA = i + (input.auxiliaryPowerW ?? 0) / u;
    if (cv) out.toCv ??= t;
    if (s >= 0.8 && out.to80 === null) [out.to80, out.ac80] = [t, ac];
    if (cv && (input.cutoffMeasuredAt === 'pack' ? i : chargerA) <= input.cutoffCurrentA) {
      [out.toEnd, out.acEnd] = [t, ac];
      break;
    }
    if (s >= 1 || i <= 0) break;
    s += (i * dt) / (3600 * input.capacityAh);
    ac += ((u * chargerA) / input.chargerEfficiency) * dt;
  }
  return out;
}

test('charges of packs and supplies of any kind agree within 1 % with a second-by-second integration', () => {
  const near = (found: number | null, wanted: number | null, what: string) => {
    if (wanted === null || found === null) expect(found, what).toBe(wanted);
    else expect(Math.abs(found - wanted), `${what}: ${found} for ${wanted}`).toBeLessThan(0.01 * wanted + 3);
  };
  fc.assert(
    fc.property(
      fc.record({
        cells: fc.integer({ min: 20, max: 120 }),
        ah: fc.integer({ min: 30, max: 250 }),
        milliohm: fc.integer({ min: 1, max: 20 }),
        start: fc.integer({ min: 5, max: 70 }),
        amps: fc.integer({ min: 6, max: 63 }),
        charger: fc.integer({ min: 1500, max: 22000 }),
        phases: fc.constantFrom(1, 3),
        aux: fc.constantFrom(0, 200, 600),
        bms: fc.constantFrom(null, 12, 40),
        end: fc.constantFrom(3.52, 3.58, 3.64),
        at: fc.constantFrom('pack' as const, 'charger' as const),
      }),
      (one) => {
        const input: ChargeInput = {
          cellsInSeries: one.cells,
          capacityAh: one.ah,
          packResistanceOhm: (one.cells * one.milliohm) / 10_000,
          socStart: one.start / 100,
          ocvCurve: [
            [0, 2.8],
            [0.1, 3.2],
            [0.9, 3.34],
            [0.97, 3.4],
            [1, 3.7],
          ],
          chargerMaxPowerW: one.charger,
          chargerMaxCurrentA: 60,
          chargerEfficiency: 0.92,
          powerFactor: 0.98,
          acVoltageV: 230,
          acCurrentLimitA: one.amps,
          acPhases: one.phases,
          chargeVoltagePerCellV: one.end,
          cutoffCurrentA: 0.05 * one.ah,
          cutoffMeasuredAt: one.at,
          auxiliaryPowerW: one.aux,
          packCurrentLimitA: one.bms,
        };
        const found = charge(input);
        const wanted = stepped(input);
        near(found.timeTo80PercentS, wanted.to80, 'to 80 %');
        near(found.timeToConstantVoltageS, wanted.toCv, 'to constant voltage');
        near(found.timeToCutoffS, wanted.toEnd, 'to the cut-off');
        if (wanted.acEnd !== null) near(found.acEnergyToCutoffJ! / 1e4, wanted.acEnd / 1e4, 'energy');
      },
    ),
    { numRuns: 40, seed: 18 },
  );
});

interface Balanced {
  readonly timeToBalancedS: number | null;
  readonly limitingCell: number;
  readonly chargeBledC: number;
  readonly timeUntilAllFullS: number | null;
  readonly timeUntilFirstOverLimitS: number | null;
  readonly lowestSocThen: number;
  readonly largestSafeChargeCurrentA: number | null;
}
const balance = (input: Parameters<typeof calcBalance>[0]) => calcBalance(input).result as Balanced;

describe('balance against closed forms', () => {
  test('2 % of 200 Ah at 0.1 A takes 40 hours, and a duty of a quarter four times as long', () => {
    const cells = [
      { capacityAh: 200, soc: 0.5 },
      { capacityAh: 200, soc: 0.52 },
    ];
    const whole = balance({ mode: 'bleed-at-rest', cells, balanceCurrentA: 0.1, socTolerance: 0 });
    expect(whole.timeToBalancedS).toBeCloseTo(40 * 3600, 3);
    expect(whole.chargeBledC).toBeCloseTo(4 * 3600, 3);
    expect(whole.limitingCell).toBe(1);
    const part = balance({ mode: 'bleed-at-rest', cells, balanceCurrentA: 0.1, balanceDuty: 0.25, socTolerance: 0 });
    expect(part.timeToBalancedS).toBeCloseTo(160 * 3600, 3);
  });

  test('one low cell in 96 means that 95 must bleed', () => {
    const cells = Array.from({ length: 96 }, (_, k) => ({ capacityAh: 60, soc: k === 40 ? 0.55 : 0.6 }));
    const run = balance({ mode: 'bleed-at-rest', cells, balanceCurrentA: 0.2, socTolerance: 0.01 });
    expect(run.timeToBalancedS).toBeCloseTo((0.04 * 60 * 3600) / 0.2, 3);
    expect(run.chargeBledC).toBeCloseTo(95 * 0.04 * 60 * 3600, 1);
    expect(run.lowestSocThen).toBeCloseTo(0.55, 12);
  });

  test('5 A against shunts of 0.5 A overcharges the first full cell long before cells 2 % short are full', () => {
    const cells = [
      { capacityAh: 100, soc: 1 },
      { capacityAh: 100, soc: 0.98 },
    ];
    // From full the first rises with 4.5 A: 0.35 V over 35 V per unit is 1 % of 100 Ah.
    const run = balance({
      mode: 'top-unthrottled',
      cells,
      balanceCurrentA: 0.5,
      chargeCurrentA: 5,
      cellVoltageLimitV: 3.8,
      ocvAtFullV: 3.45,
      ocvSlopeAboveFullVPerSoc: 35,
    });
    expect(run.timeUntilFirstOverLimitS).toBeCloseTo(3600 / 4.5, 6);
    expect(run.timeUntilAllFullS).toBeCloseTo((2 * 3600) / 5, 6);
    expect(run.lowestSocThen).toBeCloseTo(0.98 + (5 * (3600 / 4.5)) / 360000, 9);
    // Safe where 1 Ah / (I − 0.5) ≥ 2 Ah / I: I = 1 A.
    expect(run.largestSafeChargeCurrentA).toBeCloseTo(1, 9);
  });

  test('a charger that falls to the shunt current lets all cells be full: the last ones with that current', () => {
    const cells = [
      { capacityAh: 100, soc: 0.9 },
      { capacityAh: 100, soc: 0.88 },
      { capacityAh: 100, soc: 0.895 },
    ];
    const run = balance({ mode: 'top-throttled', cells, balanceCurrentA: 0.5, chargeCurrentA: 10, socTolerance: 0.01 });
    const first = (0.1 * 360000) / 10;
    expect(run.timeUntilAllFullS).toBeCloseTo(first + (0.02 * 360000) / 0.5, 3);
    expect(run.timeToBalancedS).toBeCloseTo(first + (0.01 * 360000) / 0.5, 3);
    expect(run.limitingCell).toBe(1);
    expect(run.timeUntilFirstOverLimitS).toBeNull();
  });

  test('at the largest safe current no cell goes over its limit before all are full, a little above it one does', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ ah: fc.integer({ min: 50, max: 200 }), soc: fc.integer({ min: 900, max: 1000 }) }), {
          minLength: 2,
          maxLength: 12,
        }),
        (list) => {
          const cells = list.map(({ ah, soc }) => ({ capacityAh: ah, soc: soc / 1000 }));
          const common = {
            mode: 'top-unthrottled' as const,
            cells,
            balanceCurrentA: 0.5,
            cellVoltageLimitV: 3.8,
            ocvAtFullV: 3.45,
            ocvSlopeAboveFullVPerSoc: 35,
          };
          const safe = balance({ ...common, chargeCurrentA: 5 }).largestSafeChargeCurrentA;
          const ends = (chargeCurrentA: number) => {
            const run = balance({ ...common, chargeCurrentA });
            return (run.timeUntilFirstOverLimitS ?? Number.POSITIVE_INFINITY) - run.timeUntilAllFullS!;
          };
          if (safe === null) expect(ends(1000)).toBeGreaterThanOrEqual(-1e-6);
          else {
            expect(ends(safe * 0.999)).toBeGreaterThanOrEqual(-1e-6);
            expect(ends(safe * 1.01)).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: 60, seed: 18 },
    );
  });

  test('a question without what decides it is refused, not answered with "never"', () => {
    const cells = [{ capacityAh: 100, soc: 0.9 }];
    expect(() => calcBalance({ mode: 'top-throttled', cells, balanceCurrentA: 1 })).toThrow(LawRefused);
    expect(() => calcBalance({ mode: 'top-unthrottled', cells, balanceCurrentA: 1, chargeCurrentA: 5 })).toThrow(
      LawRefused,
    );
  });
});

describe('pilot and proximity: tables of SAE J1772 and IEC 61851-1', () => {
  const pilot = (input: Parameters<typeof calcPilot>[0]) => calcPilot(input).result as Record<string, unknown>;
  test.each([
    [2.9, null],
    [3, null],
    [5, null],
    [7, null],
    [7.5, null],
    [8, 6],
    [9.9, 6],
    [10, 6],
    [16, 9.6],
    [25, 15],
    [50, 30],
    [85, 51],
    [90, 65],
    [96, 80],
    [96.5, 80],
    [97, 80],
    [97.5, null],
    [100, null],
  ])('a duty of %d %% allows %d A', (dutyPercent, currentA) => {
    const found = pilot({ dutyPercent });
    if (currentA === null) expect(found.currentA).toBeNull();
    else expect(found.currentA).toBeCloseTo(currentA, 9);
    expect(found.meaning).toBe(
      dutyPercent >= 3 && dutyPercent <= 7 ? 'digital' : currentA === null ? 'none' : 'current',
    );
  });

  test('a current and its duty are each other’s', () => {
    for (const amps of [6, 10, 16, 32, 51, 60, 80])
      expect(pilot({ dutyPercent: pilot({ currentA: amps }).dutyPercent as number }).currentA).toBeCloseTo(amps, 9);
    expect(() => calcPilot({ currentA: 5 })).toThrow(LawRefused);
  });

  test.each([
    [null, 12, 'A'],
    [2740, 0.7 + (11.3 * 2740) / 3740, 'B'],
    [882, 0.7 + (11.3 * 882) / 1882, 'C'],
    [246, 0.7 + (11.3 * 246) / 1246, 'D'],
    [0, 0.7, 'E'],
  ])('with %d Ω in the vehicle the pilot stands at %d V: state %s', (vehicleResistanceOhm, highV, state) => {
    const found = pilot({ supplyVoltageV: 12, sourceResistanceOhm: 1000, vehicleResistanceOhm, diodeDropV: 0.7 });
    expect(found.highV).toBeCloseTo(highV, 9);
    expect(found.lowV).toBe(-12);
    expect(found.state).toBe(state);
  });

  test('a missing diode lets the negative half be pulled up: a fault', () => {
    const found = pilot({ supplyVoltageV: 12, sourceResistanceOhm: 1000, vehicleResistanceOhm: 2740 });
    expect(found).toMatchObject({ diodeMissing: true, faulty: true });
    expect(found.lowV).toBeCloseTo((-12 * 2740) / 3740, 9);
  });

  test('voltages: each nominal is its state, a volt off still is, between zero and −12 there is none', () => {
    for (const [voltageV, state] of [
      [12, 'A'],
      [9, 'B'],
      [6, 'C'],
      [3, 'D'],
      [0, 'E'],
      [-12, 'F'],
    ] as const)
      for (const off of [-1, 0, 1])
        expect(pilot({ voltageV: voltageV + off })).toMatchObject({ state, withinTolerance: true });
    expect(pilot({ voltageV: -6 }).state).toBeNull();
    expect(pilot({ voltageV: 10.4 })).toMatchObject({ state: 'B', withinTolerance: false });
  });

  const proximity = (input: Parameters<typeof calcProximity>[0]) =>
    calcProximity(input).result as Record<string, unknown>;
  test('the plug’s latch by resistance and by voltage', () => {
    // 5 V through 330 Ω onto the plug beside 2.7 kΩ.
    const divider = (ohm: number) => (5 * ohm) / (330 + ohm);
    const beside = (ohm: number) => (ohm * 2700) / (ohm + 2700);
    for (const [resistanceOhm, meaning, volts] of [
      [150, 'connected', divider(beside(150))],
      [480, 'button-pressed', divider(beside(480))],
      [null, 'unplugged', divider(2700)],
    ] as const) {
      const found = proximity({ system: 'j1772', resistanceOhm });
      expect(found.meaning).toBe(meaning);
      expect(found.voltageV).toBeCloseTo(volts, 9);
      expect(proximity({ system: 'j1772', voltageV: volts }).meaning).toBe(meaning);
    }
    expect(proximity({ system: 'j1772', voltageV: 0.1 }).meaning).toBe('short-circuit');
  });

  test('the cable’s code', () => {
    for (const [resistanceOhm, currentA] of [
      [1500, 13],
      [680, 20],
      [220, 32],
      [100, 63],
    ])
      expect(proximity({ system: 'type2', resistanceOhm }).currentA).toBe(currentA);
    expect(proximity({ system: 'type2', resistanceOhm: 5000 }).currentA).toBeNull();
    expect(proximity({ system: 'type2', resistanceOhm: 10 }).currentA).toBeNull();
    expect(() => calcProximity({ system: 'type2', voltageV: 2 })).toThrow(LawRefused);
  });
});
