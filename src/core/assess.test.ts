import { describe, expect, test } from 'vitest';
import { assess } from './assess';
import { applyEdit, type Build, type Edit, emptyBuild } from './build';
import { firn9, larkspur, teasel } from './build/samples';
import { type Check, checkKey, say } from './checks';
import { cataloguePart } from './parts';
import { starterLayout } from './remedies';
import { figuresOf } from './testing/figures-of';

/** Firn 9 without regeneration: full charge is then 90 · 4.2 V, by hand. */
const firn = applyEdit(firn9(), { edit: 'setFigure', input: { figure: 'regenerationPower', value: 0 } }).build;
const of = (build: Build, key: string): Check => {
  const found = assess(build).checks.find((check) => checkKey(check) === key);
  if (!found) throw new Error(`no check ${key}`);
  return found;
};
const edited = (...edits: Edit[]): Build => edits.reduce((build, edit) => applyEdit(build, edit).build, firn);

describe('Firn 9 against sums by hand', () => {
  // 90 cells charge to 4.20 V each.
  test('full charge is 378 V and the 250 V charger fuse can’t break it: (250 − 378)/250', () => {
    const check = of(firn, 'fuse.dc-voltage:f-charger');
    expect(check.verdict).toBe('fails');
    expect(check.demand!.value).toBeCloseTo(378, 6);
    expect(check.margin).toBeCloseTo((250 - 378) / 250, 9);
  });

  test('the mid fuse lasts 300·0.8·√((130 − 45)/105) = 215.9 A', () => {
    expect(of(firn, 'fuse.continuous:f-mid').limit!.value).toBeCloseTo(300 * 0.8 * Math.sqrt(85 / 105), 6);
  });

  test('cruise current solves V·I − R·I² = P for the whole loop', () => {
    // Empty: 90·3.45 V. Power: 32 kW inverter, 4.5 kW heater, 1.1 kW converter. The branches' own wires lose next to nothing.
    const typed = applyEdit(firn, { edit: 'setPowersFrom', input: { powersFrom: 'typed' } }).build;
    const point = figuresOf(assess(typed).vehicle.caseOf('cruise/cold-old-empty/sustained')!.point);
    const current = Math.abs(point.elementCurrentsA.get('c-plus')!);
    const losses = [...point.elementPowersW]
      .filter(([id]) => !['inverter', 'heater', 'charger', 'box-rear', 'box-front'].includes(id))
      .reduce((sum, [, p]) => sum + p, 0);
    // Cell resistance at 5 °C: 1.5·(2.2/1.5)^½ of 0.52 mΩ, aged to 80 % health: 1 + 0.2/0.3; links 0.08 mΩ.
    const cells = 90 * (0.00052 * 1.5 * Math.sqrt(2.2 / 1.5) * (1 + 0.2 / 0.3) + 0.00008);
    const emf = 90 * 3.45;
    expect(emf * current - cells * current * current).toBeCloseTo(32000 + 4500 + 1100 + losses, 2);
  });

  test('precharge follows −R·C·ln(1 − p) with all three capacitors, within the ohms of pack and wires', () => {
    const run = assess(firn).results['hv-circuit']!;
    expect(run.linkCapacitanceF).toBeCloseTo(0.0011 + 0.00022 + 0.00001, 12);
    const plain = -100 * run.linkCapacitanceF * Math.log(0.05);
    expect(run.closeAtS! / plain).toBeGreaterThan(1);
    expect(run.closeAtS! / plain).toBeLessThan(1.003);
    expect(run.resistorEnergyJ / (0.5 * run.linkCapacitanceF * 378 ** 2 * (1 - 0.05 ** 2))).toBeCloseTo(1, 2);
    expect(run.packV).toBeCloseTo(378, 6);
  });

  test('a shorted bus puts V²/R until the time-out of twice the expected time into the resistor', () => {
    const check = of(firn, 'precharge.fault:r-pre');
    expect(check.demand!.value).toBeCloseTo((378 ** 2 / 100) * 2 * 100 * 0.00133 * Math.log(20), 3);
  });
});

describe('verdicts follow what is changed', () => {
  test('what a station says of itself is what fails, else what is thin, else its smallest margin', () => {
    const rank = { fails: 0, thin: 1 } as Readonly<Record<string, number>>;
    for (const build of [firn9(), larkspur(), teasel()]) {
      const { stations } = assess(build);
      for (const { checks, thinnest } of Object.values(stations)) {
        const graver = checks.filter(({ verdict }) => (rank[verdict] ?? 2) < (rank[thinnest?.verdict ?? ''] ?? 2));
        expect(graver.map(({ id }) => id)).toEqual([]);
        const alike = checks.filter(({ verdict, margin }) => verdict === thinnest?.verdict && margin !== undefined);
        expect(alike.filter(({ margin }) => margin! < (thinnest?.margin ?? Number.NEGATIVE_INFINITY))).toEqual([]);
      }
    }
  });

  test('an empty build needs data, and nothing is shown as holding', () => {
    const { checks, outcome } = assess(emptyBuild('b', 'Empty'));
    expect(outcome).toBe('undecided');
    expect(checks.map((check) => check.verdict)).toEqual(['needs-data']);
  });

  test('a pack that can’t give the power fails, and what rests on it waits instead of holding', () => {
    const { checks } = assess(edited({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } }));
    const delivers = checks.find((check) => check.id === 'pack.delivers')!;
    expect(delivers.verdict).toBe('fails');
    // Greatest power of a source is V²/4R at its terminals; the wires to the inverter leave a little less.
    const cells = 90 * (0.00052 * 1.5 * Math.sqrt(2.2 / 1.5) * (1 + 0.2 / 0.3) + 0.00008);
    const greatest = (90 * 3.45) ** 2 / (4 * cells);
    expect(delivers.limit!.value / greatest).toBeLessThan(1);
    expect(delivers.limit!.value / greatest).toBeGreaterThan(0.95);
    expect(checks.filter((check) => check.id === 'pack.sag').map((check) => check.verdict)).toEqual(['waits', 'waits']);
    expect(
      assess(edited({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } })).results.pack!.sagV,
    ).toBeNull();
    // Cruise is still given, so what reads sustained cases is judged; when cruise is not given either, it waits.
    const carry = (build: Build) =>
      assess(build)
        .checks.filter((check) => check.id === 'contactor.carry')
        .map((check) => check.verdict);
    expect(carry(edited({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } }))).toEqual([
      'holds',
      'holds',
    ]);
    const waiting = carry(
      edited(
        { edit: 'setPowersFrom', input: { powersFrom: 'typed' } },
        { edit: 'setFigure', input: { figure: 'cruisePower', value: 400000 } },
      ),
    );
    expect(waiting.every((verdict) => verdict === 'waits')).toBe(true);
  });

  test('a fuse without a DC rating fails, and its voltage waits', () => {
    const bare = {
      ...cataloguePart('fuse-traction-500-32', 'fuse'),
      id: 'own-fuse',
      ratedVoltageDcV: null,
      ratedVoltageAcV: 690,
    };
    const build = edited({ edit: 'fitPart', input: { deviceId: 'f-charger', part: bare } });
    expect(of(build, 'fuse.dc-rating:f-charger').verdict).toBe('fails');
    expect(of(build, 'fuse.dc-voltage:f-charger').verdict).toBe('waits');
  });

  test('a very fast partial-range fuse is no overload protection however small', () => {
    const check = of(
      edited({ edit: 'fitPart', input: { deviceId: 'f-heater', part: cataloguePart('fuse-ar-500-32', 'fuse') } }),
      'fuse.cable-overload:f-heater',
    );
    expect(check.verdict).toBe('fails');
    expect(check.margin).toBeUndefined();
    expect(say(check).title).toContain('no overload protection');
  });

  test('without a resistor the main contactor closes on an empty link and fails', () => {
    const check = of(edited({ edit: 'removeDevice', input: { deviceId: 'r-pre' } }), 'contactor.make:k-plus');
    expect(check.verdict).toBe('fails');
    expect(check.demand!.value).toBeGreaterThan(1000);
  });

  test('a cable without a length leaves its drop undecided and keeps its temperature', () => {
    const build = edited({ edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: null } });
    expect(of(build, 'cable.drop:inverter').verdict).toBe('needs-data');
    expect(of(build, 'cable.temperature:c-minus').verdict).toBe('holds');
  });

  test('twice the conductors halve the current in each: cooler, and carries twice as much', () => {
    const one = assess(firn).results.cables.rows.find((row) => row.id === 'c-mid')!;
    const two = assess(
      edited({ edit: 'setConductor', input: { conductorId: 'c-mid', parallel: 2 } }),
    ).results.cables.rows.find((row) => row.id === 'c-mid')!;
    expect(two.ampacityA! / one.ampacityA!).toBeCloseTo(2, 9);
    expect(two.temperatureC!).toBeLessThan(one.temperatureC!);
  });

  test('the single-pole school is accepted with a disconnect up to 144 V, and not at 378 V', () => {
    expect(
      of(
        edited(
          { edit: 'removeDevice', input: { deviceId: 'k-minus' } },
          { edit: 'setSchool', input: { contactors: 'single-pole' } },
        ),
        'pack.present:pack',
      ).verdict,
    ).toBe('holds');
    const start = applyEdit(emptyBuild('b', 'Small'), {
      edit: 'setSchool',
      input: { contactors: 'single-pole' },
    }).build;
    const choice = {
      cell: cataloguePart('cell-lfp-180', 'cell'),
      cellsInSeries: 38,
      cellsInParallel: 1,
      inverter: cataloguePart('inverter-144-400', 'inverter'),
      runLengthM: 2,
    };
    expect(
      of(
        applyEdit(start, { edit: 'layOut', input: starterLayout(start, choice, 's') }).build,
        'contactor.both-poles:pack',
      ).verdict,
    ).toBe('holds');
  });

  test('an adopted reading takes the place of the part’s figure, and the precharge time follows it', () => {
    const reading = {
      id: 'r1',
      subjectId: 'r-pre',
      field: 'resistanceOhm',
      value: 110,
      conditions: '',
      date: '2026-02-03',
      by: 'bench',
    };
    const measured = applyEdit(
      { ...firn, readings: { r1: reading } },
      { edit: 'adoptReading', input: { adoptionId: 'a1', readingId: 'r1' } },
    ).build;
    expect(
      assess(measured).results['hv-circuit']!.closeAtS! / assess(firn).results['hv-circuit']!.closeAtS!,
    ).toBeCloseTo(1.1, 3);
  });

  test('the same build twice gives the same answer, whatever was assessed between', () => {
    const plain = (build: Build) => JSON.stringify(assess(build).checks);
    const before = plain(firn);
    plain(
      edited(
        { edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 40 } },
        { edit: 'removeDevice', input: { deviceId: 'heater' } },
      ),
    );
    expect(plain(firn)).toBe(before);
    expect(plain(JSON.parse(JSON.stringify(firn)))).toBe(before);
  });
});

test('every check of many builds has words, and no word is missing a figure', () => {
  const builds = [
    firn,
    emptyBuild('b', 'Empty'),
    edited({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } }),
    edited({ edit: 'removeDevice', input: { deviceId: 'r-pre' } }),
    edited({ edit: 'removeDevice', input: { deviceId: 'f-mid' } }),
    edited({
      edit: 'fitPart',
      input: { deviceId: 'heater', part: cataloguePart('heater-400-5000-awake', 'bus-device') },
    }),
    edited({
      edit: 'fitCable',
      input: { conductorIds: ['c-mid'], part: cataloguePart('cable-shielded-2-5', 'cable') },
    }),
  ];
  for (const check of builds.flatMap((build) => assess(build).checks)) {
    for (const system of ['metric', 'us'] as const) {
      const { title, line } = say(check, system);
      expect(title.length).toBeGreaterThan(3);
      expect(`${title}${line}`).not.toMatch(/[{}]|undefined|NaN/);
    }
    for (const working of check.working.lines)
      expect(`${working.formula}${working.figures}${working.note ?? ''}`).not.toMatch(/undefined|NaN/);
  }
});
