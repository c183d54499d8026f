import { expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9 } from '../build/samples/firn-9';
import { teasel } from '../build/samples/teasel';
import { massesOf } from '../vehicle';
import { presetFigures } from './drive';
import { cellDuties, socCurve } from './pack';
import { supplyPowerW } from './survey';

const firn = firn9();
const edited = (...edits: Edit[]): Build => edits.reduce((build, edit) => applyEdit(build, edit).build, firn);
const check = (build: Build, id: string, subject?: string) =>
  assess(build).checks.find((one) => one.id === id && (subject === undefined || one.subject.id === subject))!;

test('moving the rear box forward by half a metre shifts its mass · 0.5 / wheelbase from rear to front', () => {
  const before = massesOf(assess(firn).vehicle);
  const box = before.devices.find(({ id }) => id === 'box-rear')!;
  const moved: Build = {
    ...firn,
    circuits: {
      ...firn.circuits,
      hv: {
        ...firn.circuits.hv,
        devices: {
          ...firn.circuits.hv.devices,
          'box-rear': {
            ...firn.circuits.hv.devices['box-rear']!,
            place: { ...firn.circuits.hv.devices['box-rear']!.place!, xM: 2.25 },
          },
        },
      },
    },
  };
  const after = massesOf(assess(moved).vehicle);
  expect(before.empty!.rearKg - after.empty!.rearKg).toBeCloseTo((box.massKg * 0.5) / 2.4, 9);
  expect(after.empty!.totalKg).toBeCloseTo(before.empty!.totalKg, 9);
});

test('fewer and smaller bolts can’t hold the rear box at 20 g, and the figures are said', () => {
  const weak = edited({ edit: 'setHold', input: { deviceId: 'box-rear', fixings: 2, bolt: 'M6', boltClass: '8.8' } });
  const found = check(weak, 'pack.restraint', 'box-rear');
  expect(found.verdict).toBe('fails');
  // 54 · 3.9 kg · 1.25 · 20 g against 2 · 0.6 · 800 · 20.1 / 1.25.
  const massKg = massesOf(assess(weak).vehicle).devices.find(({ id }) => id === 'box-rear')!.massKg;
  expect(found.margin!).toBeCloseTo(1 - (massKg * 20 * 9.80665) / (2 * ((0.6 * 800 * 20.1) / 1.25)), 6);
});

test('a light bus asks half of it, by its category (UN R100, annex 9D); a category that nobody told asks the most', () => {
  const held = edited({ edit: 'setHold', input: { deviceId: 'box-rear', fixings: 4, bolt: 'M8', boltClass: '8.8' } });
  const marginAs = (category: 'M1' | 'M2' | undefined) =>
    check({ ...held, vehicle: { ...held.vehicle, category } }, 'pack.restraint', 'box-rear');
  const massKg = massesOf(assess(held).vehicle).devices.find(({ id }) => id === 'box-rear')!.massKg;
  // Stress area of M8: 36.6 mm² (ISO 898-1).
  const holdsN = 4 * ((0.6 * 800 * 36.6) / 1.25);
  expect(marginAs('M1').margin!).toBeCloseTo(1 - (massKg * 20 * 9.80665) / holdsN, 6);
  expect(marginAs('M2').margin!).toBeCloseTo(1 - (massKg * 10 * 9.80665) / holdsN, 6);
  expect(marginAs(undefined).margin).toBe(marginAs('M1').margin);
  expect(marginAs(undefined).assumed?.join(' ')).toContain('20 g forward');
  expect(marginAs('M1').assumed?.join(' ') ?? '').not.toContain('g forward');
});

test('lead in a box that does not vent is told', () => {
  const closed = applyEdit(teasel(), { edit: 'setHold', input: { deviceId: 'tray-front', vent: false } }).build;
  expect(check(closed, 'pack.access', 'tray-front').verdict).toBe('fails');
});

test('a mass that was typed and does not add up with what was built in fails', () => {
  const wrong = edited({ edit: 'setFigure', input: { figure: 'massEmpty', value: 1500 } });
  expect(check(wrong, 'survey.mass-sum').verdict).toBe('fails');
});

test('a weak socket does not put a long day back overnight', () => {
  const weak = edited(
    { edit: 'setFigure', input: { figure: 'supplyBreaker', value: 8 } },
    { edit: 'setFigure', input: { figure: 'dailyDistance', value: 90000 } },
  );
  expect(assess(weak).checks.find(({ id }) => id === 'survey.supply')!.verdict).toBe('pending');
  expect(assessWithRuns(weak).checks.find(({ id }) => id === 'survey.supply')!.verdict).toBe('fails');
});

test('what was found bad stays open in the ledger; what nobody looked at needs a look', () => {
  const bad = edited(
    { edit: 'setInspection', input: { inspection: 'brakes', state: 'bad', note: 'rear left drags' } },
    { edit: 'setInspection', input: { inspection: 'rust', state: null } },
  );
  expect(check(bad, 'survey.as-found', 'brakes').verdict).toBe('fails');
  expect(check(bad, 'survey.as-found', 'rust').verdict).toBe('needs-data');
});

test('C-rate is current over capacity and heat is I²R, by hand on the cruise of the sample', () => {
  const {
    vehicle,
    results: { pack },
  } = assess(firn);
  const cruise = cellDuties(vehicle, pack!).find(({ name }) => name === 'Cruise')!;
  expect(cruise.cRate).toBeCloseTo(cruise.currentA / 176, 9);
  expect(cruise.heatW / (cruise.currentA ** 2 * pack!.resistanceColdAgedOhm)).toBeCloseTo(1, 9);
});

test('the loaded curve lies I·R under the resting one, which ends at 90 · 4.2 V', () => {
  const {
    vehicle,
    results: { pack },
  } = assess(firn);
  const curve = socCurve(vehicle, 100, 25, 1);
  expect(curve.at(-1)!.restV).toBeCloseTo(378, 6);
  for (const { restV, loadedV } of curve) expect(restV - loadedV).toBeCloseTo(100 * pack!.resistanceNewOhm, 6);
});

test('a set speed runs as long as the usable energy over its power, and wants a presence switch', () => {
  const set = applyEdit(teasel(), { edit: 'setFigure', input: { figure: 'presetSpeed', value: 1.5 } }).build;
  const {
    vehicle,
    results: { pack },
  } = assess(set);
  const figures = presetFigures(vehicle, pack!.usableEnergyJ)!;
  expect(figures.runTimeS * figures.powerW).toBeCloseTo(pack!.usableEnergyJ, 0);
  // Rolling of 0.06 at 1380 kg dominates: m·g·C_rr.
  expect(figures.roadN).toBeGreaterThan(1380 * 9.80665 * 0.06);
  expect(figures.roadN).toBeLessThan(1.02 * 1380 * 9.80665 * 0.06);
  expect(check(set, 'drive.dead-man').verdict).toBe('needs-data');
});

test('with one ratio and nothing told of the clutch a run-away is open, not good', () => {
  const { gearRatios: _, ...vehicle } = teasel().vehicle;
  const { clutch: __, ...schools } = teasel().schools;
  const single: Build = { ...teasel(), vehicle, schools, stage: { ...teasel().stage, overspeedCut: false } };
  expect(check(single, 'drive.runaway').verdict).toBe('needs-data');
});

test('by North American rules a wall unit carries four fifths of its breaker too', () => {
  // 230 V · 32 A, and four fifths of it.
  expect(supplyPowerW(firn)).toBeCloseTo(7360, 9);
  expect(supplyPowerW({ ...firn, ruleSet: 'north-america' })).toBeCloseTo(5888, 9);
});

test('a series motor that a clutch can unload runs away without a speed limit', () => {
  const build = teasel();
  const open = applyEdit(build, { edit: 'setStage', input: { overspeedCut: false } }).build;
  expect(check(build, 'drive.runaway').verdict).toBe('holds');
  expect(check(open, 'drive.runaway').verdict).toBe('fails');
});

test('promises that can’t all be true are told: 250 km at 250 Wh/km want 62.5 kWh of 58', () => {
  const promised = edited(
    { edit: 'setFigure', input: { figure: 'claimedRange', value: 250e3 } },
    { edit: 'setFigure', input: { figure: 'claimedConsumption', value: 250 } },
    { edit: 'setFigure', input: { figure: 'claimedEnergy', value: 70 * 3.6e6 } },
  );
  // 62.5 kWh of 70 · 0.9 = 63 kWh: thin; against the cells the 70 kWh themselves are not true.
  expect(check(promised, 'drive.claims-agree').margin!).toBeCloseTo(1 - 62.5 / 63, 9);
  expect(check(promised, 'drive.claimed-energy').verdict).toBe('fails');
});
