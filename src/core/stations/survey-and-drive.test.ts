import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { applyEdit, type Build, type Edit, EditRefused } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { type Check, checkKey, say } from '../checks';
import { airPressurePa } from '../physics/air';
import { builtInTrip, simulateTrip, tripPack, tripRuns, worstWindow } from '../simulate';
import { inverterPowerW, nominalLinkV, roadModel, steadyPowerW, vehicleOf } from '../vehicle';
import { driveResults, roadLines } from './drive';

const firn = firn9();
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const of = (build: Build, key: string): Check => assessWithRuns(build).checks.find((check) => checkKey(check) === key)!;

describe('currents that follow from the vehicle', () => {
  test('cruise power is road load over driveline and motor: by hand for the sample', () => {
    const { massEmptyKg, payloadKg, dragAreaM2, rollingCoefficient } = firn.vehicle;
    const v = firn.duty.cruiseSpeedMPerS!;
    const rho = airPressurePa(1900) / (287.05 * 288.15);
    const force = (massEmptyKg! + payloadKg!) * 9.80665 * rollingCoefficient! + 0.5 * rho * dragAreaM2! * v * v;
    const asked = steadyPowerW(firn, v, 0)!;
    expect(asked.forceN).toBeCloseTo(force, 6);
    expect(inverterPowerW(firn, 'cruise')).toBeCloseTo((force * v) / 0.92 / asked.point.efficiency, 6);
    expect(asked.point.torqueNm * asked.point.speedRpm * (Math.PI / 30)).toBeCloseTo((force * v) / 0.92, 6);
  });

  test('larger tyres, the same speed: the motor turns slower, and a fuse’s margin moves with the power', () => {
    const before = of(firn, 'fuse.continuous:f-mid');
    const slower = edited(firn, { edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 20 } });
    expect(of(slower, 'fuse.continuous:f-mid').margin!).toBeGreaterThan(before.margin!);
    const tall = edited(firn, { edit: 'setTyre', input: { tyre: '235/85R16' } });
    expect(steadyPowerW(tall, 25, 0)!.point.speedRpm).toBeLessThan(steadyPowerW(firn, 25, 0)!.point.speedRpm);
    expect(of(tall, 'fuse.continuous:f-mid').margin).not.toBe(before.margin);
  });

  test('typed powers count again as soon as the build says so, and the inverter’s limit bounds a hill', () => {
    const typed = edited(
      firn,
      { edit: 'setPowersFrom', input: { powersFrom: 'typed' } },
      { edit: 'setFigure', input: { figure: 'cruisePower', value: 12345 } },
    );
    expect(inverterPowerW(typed, 'cruise')).toBe(12345);
    const steep = edited(
      firn,
      { edit: 'setFigure', input: { figure: 'hillGrade', value: 0.2 } },
      { edit: 'setFigure', input: { figure: 'hillSpeed', value: 15 } },
    );
    expect(inverterPowerW(steep, 'hill')).toBe(58000);
    expect(of(steep, 'drive.climb:motor').verdict).toBe('fails');
  });
});

describe('the usual trip', () => {
  const vehicle = vehicleOf(firn);
  const runs = tripRuns(vehicle)!;

  test('all that the cells gave went somewhere: the parts add up, speed being nothing at both ends', () => {
    for (const make of [firn9, larkspur, teasel])
      for (const run of (({ mild, winter }) => [mild, winter])(tripRuns(vehicleOf(make()))!)) {
        const sum = Object.values(run.split).reduce((total, part) => total + part, 0);
        expect(Math.abs(sum / run.energyJ - 1)).toBeLessThan(0.005);
      }
  });

  test('charge taken is current over time, and the range is what is left at that rate', () => {
    const { mild } = runs;
    const pack = tripPack(vehicle)!;
    expect(0.9 - mild.socEnd).toBeCloseTo((mild.currents.meanA * mild.durationS) / pack.capacityC, 9);
    expect(runs.rangeFreshM).toBeCloseTo((mild.distanceM * 0.9) / (0.9 - mild.socEnd), 6);
    expect(runs.rangeWinterM!).toBeLessThan(runs.rangeFreshM!);
  });

  test('an independent fixed-step sum of the same trip agrees within 1 %', () => {
    const model = roadModel(firn)!;
    const trace = builtInTrip('hills', firn.duty.cruiseSpeedMPerS);
    const options = {
      socStart: 0.9,
      health: 1,
      ambientC: 15,
      auxiliaryW: 1100,
      braking: { share: 0, torqueShare: 1, mostW: 0, unlitMPerS2: null },
      mostW: 1e6,
    };
    const run = simulateTrip(model, tripPack(vehicle)!, trace, options);
    // Plain sums over tenths of a second: wheel energy upward only, no regeneration.
    let wheel = 0;
    for (let k = 0; k < trace.speedsMPerS.length - 1; k++)
      for (let x = 0.05; x < 1; x += 0.1) {
        const v = trace.speedsMPerS[k]! * (1 - x) + trace.speedsMPerS[k + 1]! * x;
        const angle = Math.atan(trace.grades[k]! * (1 - x) + trace.grades[k + 1]! * x);
        const a = trace.speedsMPerS[k + 1]! - trace.speedsMPerS[k]!;
        const { massKg, dragAreaM2, rollingCoefficient, airDensityKgPerM3 } = model.road;
        const force =
          massKg * (1.05 * a + (v > 0 ? 9.80665 * (Math.sin(angle) + rollingCoefficient * Math.cos(angle)) : 0)) +
          0.5 * airDensityKgPerM3 * dragAreaM2 * v * v;
        wheel += Math.max(0, force * v) * 0.1;
      }
    const made = run.energyJ - run.split.pack - run.split.other - run.split.drive;
    expect(Math.abs(made / wheel - 1)).toBeLessThan(0.01);
  });

  test('windows: the worst rms of a known pulse', () => {
    const squares = Array.from({ length: 100 }, (_, k) => (k >= 40 && k < 50 ? 100 : 1) ** 2);
    expect(worstWindow(squares, 10)).toBeCloseTo(100, 12);
    expect(worstWindow(squares, 20)).toBeCloseTo(Math.sqrt((10 * 1e4 + 10) / 20), 12);
    expect(worstWindow(squares, 1000)).toBeCloseTo(Math.sqrt((10 * 1e4 + 90) / 100), 12);
    expect(worstWindow([], 10)).toBe(0);
  });

  test('what rests on the trip is pending until it was driven with just these figures', () => {
    const before = assess(firn);
    expect(before.checks.find(({ id }) => id === 'drive.range')!.verdict).toBe('pending');
    expect(say(before.checks.find(({ id }) => id === 'drive.range')!).line).toBe('being driven …');
    const driven = assess(firn, { runs: { trip: runs } });
    expect(driven.checks.find(({ id }) => id === 'drive.range')!.verdict).not.toBe('pending');
    const heavier = edited(firn, { edit: 'setFigure', input: { figure: 'payload', value: 900 } });
    expect(assess(heavier, { runs: { trip: runs } }).checks.find(({ id }) => id === 'drive.range')!.verdict).toBe(
      'pending',
    );
    // A name or a fuse elsewhere is not read: the run still serves.
    const renamed = edited(firn, { edit: 'renameBuild', input: { name: 'Other' } });
    expect(assess(renamed, { runs: { trip: runs } }).trip).not.toBeNull();
  });

  test('a promise that is more than the sums is caught', () => {
    const promised = edited(firn, { edit: 'setFigure', input: { figure: 'claimedRange', value: 250_000 } });
    expect(of(promised, 'drive.claim:claim').verdict).toBe('fails');
  });
});

describe('envelope against the road', () => {
  test('the steepest start is where the pull equals weight on the slope and rolling', () => {
    const results = driveResults(assess(firn).vehicle, nominalLinkV(firn), 58000)!;
    const angle = Math.atan(results.startGrade);
    const { massKg, road } = results.model;
    const held = massKg * 9.80665 * (Math.sin(angle) + road.rollingCoefficient * Math.cos(angle));
    expect(held).toBeCloseTo(results.gears[0]!.pullN, 3);
    // Torque times ratio and driveline over the radius, by hand.
    expect(results.gears[0]!.pullN).toBeCloseTo((290 * 4.1 * 1.95 * 0.92) / results.model.wheelRadiusM!, 6);
  });

  test('a fast permanent-magnet motor against the inverter’s absolute maximum: volts per thousand turns', () => {
    const check = of(firn, 'drive.back-voltage:motor');
    expect(check.limit!.value).toBe(430);
    expect(check.demand!.value).toBeCloseTo((48 * Number(check.says.figures.rpm)) / 1000, 0);
  });
});

test('the road on a slope is weight along it, rolling and air; the speed held is where pull and road meet', () => {
  const mostW = inverterPowerW(firn, 'hard-acceleration');
  const results = driveResults(vehicleOf(firn), nominalLinkV(firn), mostW)!;
  const roads = roadLines(results, mostW, 0.08);
  expect(roads.map(({ grade }) => grade)).toEqual([0, 0.05, 0.08, 0.1, 0.2]);
  const rho = airPressurePa(1900) / (287.05 * 288.15);
  const byHand = (v: number, grade: number) => {
    const angle = Math.atan(grade);
    return 2600 * 9.80665 * (0.016 * Math.cos(angle) + Math.sin(angle)) + 0.5 * rho * 2 * v * v;
  };
  for (const { grade, forcesN, heldMPerS } of roads) {
    results.chart.forEach(({ speedMPerS }, k) => {
      if (speedMPerS > 0) expect(forcesN[k]).toBeCloseTo(byHand(speedMPerS, grade), 6);
    });
    // 58 kW at the battery, nine tenths at the shaft, 92 % at the wheels: bisection of F·v against it.
    let [low, high] = [0, 60];
    for (let i = 0; i < 60; i++) {
      const middle = (low + high) / 2;
      if (byHand(middle, grade) * middle > 58000 * 0.9 * 0.92) high = middle;
      else low = middle;
    }
    // Below its base speed the motor's torque bounds it, so only the flatter ones are held by power.
    if (grade <= 0.1) expect(Math.abs(heldMPerS - low)).toBeLessThanOrEqual(0.25);
  }
  expect(roads[0]!.heldMPerS).toBe(results.topSpeedMPerS);
});

describe('survey', () => {
  test('what went with the engine stays open until something replaces it', () => {
    expect(of(firn, 'survey.loss:brake-vacuum')).toMatchObject({ verdict: 'needs-data' });
    expect(of(firn, 'survey.loss:heater-matrix').verdict).toBe('holds');
    const dropped = edited(firn, { edit: 'setLoss', input: { loss: 'gauges', state: 'dropped' } });
    expect(of(dropped, 'survey.loss:gauges').verdict).toBe('holds');
    const cold = edited(firn, { edit: 'removeDevice', input: { deviceId: 'heater' } });
    expect(of(cold, 'survey.loss:heater-matrix').verdict).toBe('needs-data');
  });

  test('bad figures are refused with words: tyres, gears out of order, no mass', () => {
    const refuse = (edit: Edit, words: string) => expect(() => applyEdit(firn, edit)).toThrow(words);
    refuse({ edit: 'setTyre', input: { tyre: '999/80R14' } }, 'does not exist');
    refuse({ edit: 'setGears', input: { gearRatios: [1, 2.1] } }, 'Gear 2 (2.1) is not longer than gear 1 (1)');
    refuse({ edit: 'setGears', input: { gearRatios: [] } }, '1 to 12 gears');
    refuse({ edit: 'setFigure', input: { figure: 'massEmpty', value: 0 } }, 'outside');
    expect(() => applyEdit(firn, { edit: 'setDragArea', input: { dragAreaM2: -1 } })).toThrow(EditRefused);
  });

  test('too much load for the registration fails by mass', () => {
    const heavy = edited(firn, { edit: 'setFigure', input: { figure: 'payload', value: 1300 } });
    expect(of(heavy, 'survey.gross-mass:vehicle').margin).toBeCloseTo((3050 - 3150) / 3050, 9);
  });

  test('a build that follows its vehicle and has no mass says what is missing', () => {
    const { body, ...unshaped } = firn.vehicle;
    const bare = edited(
      { ...firn, vehicle: unshaped },
      { edit: 'setFigure', input: { figure: 'massEmpty', value: null } },
    );
    const check = of(bare, 'survey.told:vehicle');
    expect(check.verdict).toBe('needs-data');
    expect(say(check).line).toContain('the empty mass');
    expect(inverterPowerW(bare, 'cruise')).toBe(32000);
    // Its shape stands in for the scales, and still asks for them.
    const shaped = edited(bare, { edit: 'setBody', input: { body: body! } });
    expect(inverterPowerW(shaped, 'cruise')).not.toBe(32000);
    expect(roadModel(shaped)!.assumed.join()).toContain('weigh it');
    expect(of(shaped, 'survey.told:vehicle').verdict).toBe('needs-data');
  });
});

test('lead gives less at a high current: Peukert with 220 Ah over twenty hours, flooded', () => {
  const vehicle = vehicleOf(teasel());
  const { mild, rangeFreshM } = tripRuns(vehicle)!;
  const plain = (mild.distanceM * (1 - 0.35)) / (0.9 - mild.socEnd);
  expect(rangeFreshM! / plain).toBeCloseTo((220 / 20 / mild.currents.meanA) ** 0.25, 9);
});

test('a cruise speed above what the inverter lets through is said, though the circuit is judged at the limit', () => {
  expect(of(firn, 'drive.cruise:motor').verdict).toBe('holds');
  const fast = edited(firn, { edit: 'setFigure', input: { figure: 'cruiseSpeed', value: 42 } });
  expect(inverterPowerW(fast, 'cruise')).toBe(58000);
  expect(of(fast, 'drive.cruise:motor').verdict).toBe('fails');
});
