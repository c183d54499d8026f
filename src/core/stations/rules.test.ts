import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9 } from '../build/samples';
import { type Check, checkKey, marginAtLeast, marginAtMost, marginOfRise, sortLedger, verdictOf } from '../checks';
import { cataloguePart } from '../parts';
import { figuresOf } from '../testing/figures-of';

/** Firn 9 without regeneration: full charge is then 90 · 4.2 V, by hand. */
const firn = applyEdit(firn9(), { edit: 'setFigure', input: { figure: 'regenerationPower', value: 0 } }).build;
const edited = (...edits: Edit[]): Build => edits.reduce((build, edit) => applyEdit(build, edit).build, firn);
const of = (build: Build, key: string): Check => assess(build).checks.find((check) => checkKey(check) === key)!;
const point = (build: Build, id: Parameters<ReturnType<typeof assess>['vehicle']['caseOf']>[0]) =>
  assess(build).vehicle.caseOf(id)!.point;

describe('Pack', () => {
  test('a window’s margin is the nearer edge over its width: (400 − 378)/(400 − 250)', () => {
    expect(of(firn, 'device.voltage-max:inverter').margin).toBeCloseTo(22 / 150, 6);
    const low = of(firn, 'device.voltage-min:inverter');
    const { nodeVoltagesV } = figuresOf(point(firn, 'hard-acceleration/cold-old-empty/seconds'));
    const lowest = nodeVoltagesV.get('inverter.plus')! - nodeVoltagesV.get('inverter.minus')!;
    expect(low.margin).toBeCloseTo((lowest - 250) / 150, 9);
    expect(low.case).toBe('hard-acceleration/cold-old-empty/seconds');
  });

  test('more cells than the inverter survives is said so', () => {
    const build = edited({ edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 70 } });
    const check = of(build, 'device.voltage-max:inverter');
    // 106 cells charge to 445 V; the inverter survives 430 V.
    expect(check).toMatchObject({ verdict: 'fails', says: { code: 'device.voltage-max.survives' } });
    expect(check.demand!.value).toBeCloseTo(106 * 4.2, 6);
  });

  test('a charger that gives less than full charge says how far it gets: 360 V over 90 cells is 4 V a cell', () => {
    const part = { ...cataloguePart('charger-converter-400', 'bus-device'), id: 'short-charger' };
    const short = { ...part, window: { workingMinV: 240, workingMaxV: 360, absoluteMaxV: 450 } };
    const chargerId = Object.values(firn.circuits.hv.devices).find(({ kind }) => kind === 'charger-converter')!.id;
    const check = of(
      edited({ edit: 'fitPart', input: { deviceId: chargerId, part: short } }),
      `device.voltage-max:${chargerId}`,
    );
    expect(check).toMatchObject({ verdict: 'fails', says: { code: 'device.voltage-max.charges' } });
    // The table of rest voltages: 3.98 V at 80 %, 4.08 V at 90 %.
    const { value } = check.says.figures.soc as { value: number };
    expect(value).toBeGreaterThan(0.8);
    expect(value).toBeLessThan(0.84);
  });

  test('the voltage of a cell under load is the box’s over its cells, held against the part’s limit', () => {
    const { nodeVoltagesV } = figuresOf(point(firn, 'hard-acceleration/cold-old-empty/seconds'));
    const perCell = (nodeVoltagesV.get('box-rear.plus')! - nodeVoltagesV.get('box-rear.minus')!) / 54;
    const check = of(firn, 'pack.sag:box-rear');
    expect(check.demand!.value).toBeCloseTo(perCell, 9);
    expect(check.margin).toBeCloseTo(perCell / 3 - 1, 9);
  });

  test('a device without a part needs data instead of being passed over', () => {
    const bare = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: {
          ...firn.circuits.hv,
          devices: { ...firn.circuits.hv.devices, heater: { ...firn.circuits.hv.devices.heater!, partId: null } },
        },
      },
    };
    expect(of(bare, 'device.voltage-max:heater').verdict).toBe('needs-data');
    expect(assess(bare).outcome).toBe('fails');
  });

  test('inverter current is the greatest of all cases over the part’s limit', () => {
    const current = Math.abs(
      figuresOf(point(firn, 'hard-acceleration/cold-old-empty/seconds')).elementCurrentsA.get('inverter')!,
    );
    expect(of(firn, 'inverter.current:inverter').margin).toBeCloseTo((300 - current) / 300, 9);
  });
});

describe('HV circuit', () => {
  test('a contactor on thinner cable carries less: 50 mm² gives 180 + 70·15/35 = 210 A, derated for 50 °C', () => {
    const build = edited({
      edit: 'fitCable',
      input: { conductorIds: ['c-shunt'], part: cataloguePart('cable-plain-50', 'cable') },
    });
    const check = of(build, 'contactor.carry:k-minus');
    expect(check.limit!.value).toBeCloseTo(210 * Math.sqrt((125 - 50) / 85), 6);
  });

  test('a contactor rated under full charge fails though nominal would fit', () => {
    const low = { ...cataloguePart('contactor-450-250', 'contactor'), id: 'own-contactor', ratedVoltageV: 350 };
    const check = of(edited({ edit: 'fitPart', input: { deviceId: 'k-plus', part: low } }), 'contactor.voltage:k-plus');
    expect(check.verdict).toBe('fails');
    expect(check.margin).toBeCloseTo((350 - 378) / 350, 6);
  });

  test('the peak at closing is that of a series RLC loop with ΔV = 5 % of 378 V', () => {
    const { closing } = assess(firn).results['hv-circuit']!;
    expect(closing!.differenceV).toBeCloseTo(0.05 * 378, 2);
    // With the loop's own ohms left out it can't exceed ΔV·√(C/L); with them it stays well under ΔV/R of 0.03 Ω.
    expect(closing!.peakCurrentA).toBeLessThan(18.9 * Math.sqrt(0.00133 / 5e-6));
    expect(closing!.peakCurrentA).toBeLessThan(18.9 / 0.03);
    expect(closing!.peakCurrentA).toBeGreaterThan(100);
  });

  test('closing later means a smaller step: 99 % closes on a fifth of the current of 95 %', () => {
    const at = (value: number) =>
      assess(edited({ edit: 'setFigure', input: { figure: 'closeAt', value } })).results['hv-circuit']!.closing!
        .peakCurrentA;
    expect(at(0.99) / at(0.95)).toBeCloseTo(0.2, 2);
  });

  test('a resistor that is too small for a shorted bus fails, a larger one or a shorter time-out holds', () => {
    const weak = edited({
      edit: 'fitPart',
      input: { deviceId: 'r-pre', part: cataloguePart('resistor-100-50', 'resistor') },
    });
    expect(of(weak, 'precharge.fault:r-pre').verdict).toBe('fails');
    expect(
      of(
        applyEdit(weak, { edit: 'setFigure', input: { figure: 'timeout', value: 0.45 } }).build,
        'precharge.fault:r-pre',
      ).verdict,
    ).toBe('holds');
    expect(
      of(
        edited({ edit: 'fitPart', input: { deviceId: 'r-pre', part: cataloguePart('resistor-100-200', 'resistor') } }),
        'precharge.fault:r-pre',
      ).verdict,
    ).toBe('holds');
  });

  test('a time-out shorter than the precharge never reaches the level, and the time waits', () => {
    const build = edited({ edit: 'setFigure', input: { figure: 'timeout', value: 0.2 } });
    expect(of(build, 'precharge.reaches:r-pre').verdict).toBe('fails');
    expect(of(build, 'precharge.time:r-pre').verdict).toBe('waits');
  });

  test('a disconnect is held against the whole string and its current, the nearer one binds', () => {
    expect(of(firn, 'disconnect.rating:s-mid').margin).toBeCloseTo((500 - 378) / 500, 6);
    const small = { ...cataloguePart('disconnect-500-250', 'disconnect'), id: 'own', ratedCurrentA: 130 };
    const check = of(edited({ edit: 'fitPart', input: { deviceId: 's-mid', part: small } }), 'disconnect.rating:s-mid');
    expect(check.demand!.dimension).toBe('current');
    expect(check.verdict).toBe('thin');
  });

  test('taking the mid fuse out leaves conductors that no fuse protects', () => {
    const bridged = edited(
      { edit: 'removeDevice', input: { deviceId: 'f-mid' } },
      {
        edit: 'addConductor',
        input: {
          conductor: {
            ...firn.circuits.hv.conductors['c-rear-minus']!,
            id: 'bridge',
            name: 'Bridge',
            b: { deviceId: 's-mid', terminal: 'a' },
          },
        },
      },
    );
    const bare = assess(bridged).checks.filter((check) => check.id === 'fuse.present' && check.verdict === 'fails');
    expect(bare.map((check) => check.subject.id)).toContain('bridge');
    expect(bare.map((check) => check.subject.id)).not.toContain('c-heat-plus');
  });

  test('plus and minus swapped at a device is found', () => {
    const swap = (id: string, terminal: string) => ({
      ...firn.circuits.hv.conductors[id]!,
      [id.endsWith('plus') ? 'b' : 'a']: { deviceId: 'heater', terminal },
    });
    const conductors = {
      ...firn.circuits.hv.conductors,
      'c-heat-plus': swap('c-heat-plus', 'minus'),
      'c-heat-minus': swap('c-heat-minus', 'plus'),
    };
    const check = of(
      { ...firn, circuits: { ...firn.circuits, hv: { ...firn.circuits.hv, conductors } } },
      'circuit.open:heater',
    );
    expect(check.verdict).toBe('fails');
    expect(check.says.figures.detail).toBe('plus and minus are swapped');
  });

  test('a resistor that only limits precharge is no reason to fuse its leads down', () => {
    const check = of(firn, 'fuse.cable-overload:f-mid');
    expect(check.working.lines[0]!.note).toMatch(/^Weakest cable behind it: (?!Precharge)/);
    expect(check.limit!.value).toBeGreaterThan(250);
  });
});

describe('what is not known never holds', () => {
  const without = (id: string, field: 'partId' | 'laid') => ({
    ...firn,
    circuits: {
      ...firn.circuits,
      hv: {
        ...firn.circuits.hv,
        conductors: { ...firn.circuits.hv.conductors, [id]: { ...firn.circuits.hv.conductors[id]!, [field]: null } },
      },
    },
  });

  test('a fuse with a cable of unknown size behind it is open, unless a known cable already fails', () => {
    expect(of(without('c-shunt', 'partId'), 'fuse.cable-overload:f-mid')).toMatchObject({
      verdict: 'needs-data',
      missing: [{ ref: { id: 'c-shunt' }, what: 'part' }],
    });
    expect(of(without('c-shunt', 'laid'), 'fuse.cable-overload:f-mid').verdict).toBe('needs-data');
    expect(of(without('c-heat-tap', 'partId'), 'fuse.cable-overload:f-heater').verdict).toBe('fails');
  });

  test('a contactor with an unknown cable on one stud needs data, though the other stud is known', () => {
    expect(of(without('c-shunt', 'partId'), 'contactor.carry:k-minus').verdict).toBe('needs-data');
  });

  test('an ambient that is only assumed, an overshoot that is not counted, a place that is very hot: the working says so', () => {
    const fuse = firn.circuits.hv.devices['f-mid']!;
    const placeless = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...firn.circuits.hv.devices, 'f-mid': { ...fuse, place: null } } },
      },
    };
    expect(of(placeless, 'fuse.continuous:f-mid').working.assumed.join()).toContain('its place is not known');
    expect(of(firn, 'fuse.continuous:f-mid').working.assumed.join()).not.toContain('its place is not known');
    expect(of(firn, 'fuse.dc-voltage:f-mid').working.assumed.join()).toContain('not counted yet');
    expect(of(firn, 'device.voltage-max:inverter').working.assumed.join()).toContain('not counted yet');
    expect(of(firn, 'fuse.cable-overload:f-heater').working.assumed.join()).toContain('IEC 60287');
    expect(of(firn, 'cable.temperature:c-heat-plus').working.assumed.join()).toContain('IEC 60287');
    expect(of(firn, 'cable.temperature:c-mid').working.assumed.join()).not.toContain('IEC 60287');
  });
});

describe('Cables', () => {
  test('drop adds hot conductors, fuses and contactors on the way out and back', () => {
    const solved = assess(firn).vehicle.caseOf('cruise/cold-old-empty/sustained')!;
    const check = of(firn, 'cable.drop:inverter');
    const boxes = ['box-rear', 'box-front'].reduce(
      (sum, id) =>
        sum +
        figuresOf(solved.point).nodeVoltagesV.get(`${id}.plus`)! -
        figuresOf(solved.point).nodeVoltagesV.get(`${id}.minus`)!,
      0,
    );
    const inverter =
      figuresOf(solved.point).nodeVoltagesV.get('inverter.plus')! -
      figuresOf(solved.point).nodeVoltagesV.get('inverter.minus')!;
    // What the boxes give and the inverter does not get is lost on the way.
    expect(check.demand!.value).toBeCloseTo(boxes - inverter, 9);
    expect(check.limit!.value).toBeCloseTo(0.02 * boxes, 9);
  });

  test('a thin long cable fails on drop before it fails on heat', () => {
    const build = edited(
      { edit: 'fitCable', input: { conductorIds: ['c-minus'], part: cataloguePart('cable-shielded-25', 'cable') } },
      { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: 60 } },
    );
    expect(of(build, 'cable.drop:inverter').verdict).toBe('fails');
    expect(of(build, 'cable.temperature:c-minus').verdict).toBe('holds');
  });

  test('an insulation under the full voltage fails', () => {
    const weak = { ...cataloguePart('cable-plain-70', 'cable'), id: 'own-cable', ratedVoltageV: 300 };
    expect(
      of(edited({ edit: 'fitCable', input: { conductorIds: ['c-shunt'], part: weak } }), 'cable.voltage:c-shunt')
        .verdict,
    ).toBe('fails');
  });

  test('a hotter place costs margin by the rise that is left', () => {
    const margin = (ambientC: number) =>
      of(edited({ edit: 'setZone', input: { zoneId: 'zone-underbody', ambientC } }), 'cable.temperature:c-mid').margin!;
    expect(margin(90)).toBeLessThan(margin(50));
    expect(
      of(edited({ edit: 'setZone', input: { zoneId: 'zone-underbody', ambientC: 130 } }), 'cable.temperature:c-mid')
        .verdict,
    ).toBe('fails');
  });
});

describe('margins and the ledger', () => {
  test('senses and scales', () => {
    expect(marginAtMost(63, 36)).toBeCloseTo(-0.75, 12);
    expect(marginAtLeast(3.1, 3)).toBeCloseTo(1 / 30, 12);
    expect(marginOfRise(118, 125, 50)).toBeCloseTo(7 / 75, 12);
    expect(marginAtMost(1, 0)).toBe(Number.NEGATIVE_INFINITY);
    expect(marginOfRise(50, 40, 60)).toBe(Number.NEGATIVE_INFINITY);
    expect([-0.001, 0, 0.099, 0.1].map((margin) => verdictOf(margin))).toEqual(['fails', 'thin', 'thin', 'holds']);
    expect(() => verdictOf(Number.NaN)).toThrow();
  });

  test('failing yes/no rules come first, then the thinnest, undecided before holding', () => {
    const order = sortLedger(
      assess(
        edited(
          { edit: 'fitPart', input: { deviceId: 'f-heater', part: cataloguePart('fuse-ar-500-32', 'fuse') } },
          { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: null } },
        ),
      ).checks,
    );
    const verdicts = order.map((check) => check.verdict);
    expect(verdicts.indexOf('thin')).toBeGreaterThan(verdicts.lastIndexOf('fails'));
    expect(verdicts.indexOf('needs-data')).toBeGreaterThan(verdicts.lastIndexOf('thin'));
    expect(verdicts.indexOf('holds')).toBeGreaterThan(verdicts.lastIndexOf('needs-data'));
    expect(order[0]!.margin).toBeUndefined();
  });
});
