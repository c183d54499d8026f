import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9, teasel } from '../build/samples';
import { type Check, checkKey, marginAtLeast, marginAtMost, marginOfRise, sortLedger, verdictOf } from '../checks';
import { cataloguePart } from '../parts';

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
    const { nodeVoltagesV } = point(firn, 'hard-acceleration/cold-old-empty/seconds');
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

  test('the voltage of a cell under load is the box’s over its cells, held against the part’s limit', () => {
    const { nodeVoltagesV } = point(firn, 'hard-acceleration/cold-old-empty/seconds');
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
    const current = Math.abs(point(firn, 'hard-acceleration/cold-old-empty/seconds').elementCurrentsA.get('inverter')!);
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
    const { closing } = assess(firn).precharge!;
    expect(closing!.differenceV).toBeCloseTo(0.05 * 378, 2);
    // With the loop's own ohms left out it can't exceed ΔV·√(C/L); with them it stays well under ΔV/R of 0.03 Ω.
    expect(closing!.peakCurrentA).toBeLessThan(18.9 * Math.sqrt(0.00133 / 5e-6));
    expect(closing!.peakCurrentA).toBeLessThan(18.9 / 0.03);
    expect(closing!.peakCurrentA).toBeGreaterThan(100);
  });

  test('closing later means a smaller step: 99 % closes on a fifth of the current of 95 %', () => {
    const at = (value: number) =>
      assess(edited({ edit: 'setFigure', input: { figure: 'closeAt', value } })).precharge!.closing!.peakCurrentA;
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
    expect(check.says.figures.conductor).not.toMatch(/Precharge/);
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
      (sum, id) => sum + solved.point.nodeVoltagesV.get(`${id}.plus`)! - solved.point.nodeVoltagesV.get(`${id}.minus`)!,
      0,
    );
    const inverter =
      solved.point.nodeVoltagesV.get('inverter.plus')! - solved.point.nodeVoltagesV.get('inverter.minus')!;
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

test('regeneration into the full pack lifts the bus: V = (E + √(E² + 4·P·R))/2 with the loop’s resistance', () => {
  const power = 23200;
  const build = applyEdit(firn, { edit: 'setFigure', input: { figure: 'regenerationPower', value: power } }).build;
  const { vehicle } = assess(build);
  const solved = vehicle.caseOf('regeneration/warm-new-full/seconds')!;
  const currentA = Math.abs(solved.point.elementCurrentsA.get('inverter')!);
  // What the loop takes: the inverter gives P, the cells store E·I, the rest is R·I².
  const resistanceOhm = (power / currentA - 90 * 4.2) / currentA;
  const byHand = (378 + Math.sqrt(378 ** 2 + 4 * power * resistanceOhm)) / 2;
  const check = of(build, 'device.voltage-max:inverter');
  expect(check.demand!.value).toBeCloseTo(byHand, 6);
  // 90 · (0.52 · 0.8 + 0.08) mΩ in the cells, a few milliohms around them.
  expect(resistanceOhm).toBeGreaterThan(0.0446);
  expect(resistanceOhm).toBeLessThan(0.055);
  expect(check.demand!.value).toBeGreaterThan(378);
});

describe('states', () => {
  const { vehicle } = assess(firn);
  test('in service the pack falls into its boxes; parked it is whole', () => {
    const islands = (id: 'service' | 'parked') =>
      new Set(
        ['box-rear.plus', 'box-front.minus'].map((node) =>
          vehicle.caseOf(`${id}/nominal/sustained`)!.point.referenceOf.get(node),
        ),
      ).size;
    expect(islands('parked')).toBe(1);
    expect(islands('service')).toBe(2);
  });

  test('charging feeds the pack: 4.8 kW come in through the charger’s fuse', () => {
    const { point: charging } = vehicle.caseOf('charging/nominal/sustained')!;
    expect(charging.elementPowersW.get('charger')).toBeCloseTo(-4800, 3);
    expect(Math.sign(charging.elementCurrentsA.get('box-rear')!)).toBe(1);
  });

  test('a hill takes what lies halfway between cruise and hard acceleration until it is told', () => {
    const watts = (build: Build) =>
      assess(build).vehicle.caseOf('hill/nominal/minutes')!.point.elementPowersW.get('inverter');
    expect(watts(firn)).toBeCloseTo((32000 + 58000) / 2, 3);
    expect(watts(edited({ edit: 'setFigure', input: { figure: 'hillPower', value: 40000 } }))).toBeCloseTo(40000, 3);
  });
});

describe('faults, opening, discharge', () => {
  test('a bleed of 22 kΩ takes 1.33 mF from 378 to 60 V in 53.9 s', () => {
    const check = of(firn, 'discharge.passive:link');
    expect(check.demand!.value).toBeCloseTo(22000 * 0.00133 * Math.log(378 / 60), 2);
    expect(check.verdict).toBe('holds');
  });

  test('leakages lie side by side: five devices of 10 MΩ are 2 MΩ, one of 150 kΩ fails', () => {
    expect(of(firn, 'insulation.resistance:pack').demand!.value).toBeCloseTo(2e6, 3);
    const { devices } = firn.circuits.hv;
    const wet = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...devices, heater: { ...devices.heater!, insulationOhm: 150e3 } } },
      },
    };
    const check = of(wet, 'insulation.resistance:pack');
    // 1/(1/150k + 4/10M) = 141.5 kΩ against 500 · 378 = 189 kΩ.
    expect(check.demand!.value).toBeCloseTo(141509, 0);
    expect(check.verdict).toBe('fails');
  });

  test('Y-capacitors of 3 µF at 378 V hold 0.214 J: too much', () => {
    const { devices } = firn.circuits.hv;
    const full = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...devices, inverter: { ...devices.inverter!, yCapacitanceF: 3e-6 } } },
      },
    };
    expect(of(full, 'insulation.y-capacitance:pack')).toMatchObject({ verdict: 'fails' });
    expect(of(full, 'insulation.y-capacitance:pack').demand!.value).toBeCloseTo(0.2143, 3);
  });

  test('the disconnect between 54 and 36 cells leaves 54 · 4.2 V in one part', () => {
    expect(of(firn, 'disconnect.left:s-mid').demand!.value).toBeCloseTo(226.8, 6);
  });

  test('a fuse of 2 kA can’t break 8 kA, and its clearing I²t waits; a traction fuse can', () => {
    const tractor = teasel();
    expect(of(tractor, 'fuse.breaking-capacity:f-main')).toMatchObject({ verdict: 'fails', limit: { value: 2000 } });
    expect(of(tractor, 'fuse.cable-short:f-main').verdict).toBe('waits');
    const better = applyEdit(tractor, {
      edit: 'fitPart',
      input: { deviceId: 'f-main', part: cataloguePart('fuse-traction-150-300', 'fuse') },
    }).build;
    expect(of(better, 'fuse.breaking-capacity:f-main').verdict).toBe('holds');
    expect(of(better, 'fuse.cable-short:f-main').verdict).toBe('holds');
  });

  test('a contactor without a short-time rating needs data, one that opens less than the hardest current fails', () => {
    const { 'contactor-450-250': part } = firn.parts;
    const { shortTimeI2tA2s: _i, shortTimePeakA: _p, ...bare } = part as Extract<typeof part, { kind: 'contactor' }>;
    const build = { ...firn, parts: { ...firn.parts, 'contactor-450-250': { ...bare, breakCurrentA: 100 } } } as Build;
    expect(of(build, 'fuse.contactor-withstand:k-plus').verdict).toBe('needs-data');
    const opens = of(build, 'contactor.break:k-plus');
    expect(opens.verdict).toBe('fails');
    expect(opens.demand!.value).toBeCloseTo(
      Math.abs(point(build, 'hard-acceleration/cold-old-empty/seconds').elementCurrentsA.get('k-plus')!),
      9,
    );
  });

  test('a branch fuse as slow as the main one takes it along', () => {
    const build = edited({
      edit: 'fitPart',
      input: { deviceId: 'f-heater', part: cataloguePart('fuse-strip-70-200', 'fuse') },
    });
    expect(['fails', 'waits']).toContain(of(build, 'fuse.selectivity:f-heater').verdict);
    expect(of(firn, 'fuse.selectivity:f-heater').verdict).toBe('holds');
  });
});

describe('where fuses stand', () => {
  test('between cells and the mid fuse 0.15 m lie in the open on either side; half a metre fails and names the wire', () => {
    expect(of(firn, 'fuse.unprotected-length:box-rear').demand!.value).toBeCloseTo(0.15, 9);
    const long = edited({ edit: 'setConductor', input: { conductorId: 'c-rear-minus', lengthM: 0.5 } });
    const check = of(long, 'fuse.unprotected-length:box-rear');
    expect(check).toMatchObject({ verdict: 'fails' });
    expect(check.demand!.value).toBeCloseTo(0.5, 9);
    expect(check.says.figures.cables).toBe('Rear box minus to mid fuse');
  });

  test('in a conduit the same half metre is guarded', () => {
    const long = edited({
      edit: 'setConductor',
      input: {
        conductorId: 'c-rear-minus',
        lengthM: 0.5,
        laid: { zoneId: 'zone-boot', arrangement: 'single', loadedCircuits: 1, conduit: true },
      },
    });
    expect(of(long, 'fuse.unprotected-length:box-rear').verdict).toBe('holds');
  });

  test('without the mid fuse the whole run counts: the pack’s own cables have no fuse at all', () => {
    const bare = edited({ edit: 'takeOutDevice', input: { deviceId: 'f-mid' } });
    const checks = assess(bare).checks.filter(({ id }) => id === 'fuse.unprotected-length');
    expect(checks.map(({ verdict }) => verdict)).toEqual(['fails']);
  });

  test('pulses of hard acceleration stay below 0.6 · 2.6 · I_n for ten seconds', () => {
    expect(of(firn, 'fuse.cyclic:f-mid').limit!.value).toBeCloseTo(0.6 * 2.6 * 300, 6);
  });

  test('a heater on the main fuse alone has no fuse of its own', () => {
    expect(of(firn, 'fuse.branch:heater').verdict).toBe('holds');
    const bare = edited({ edit: 'takeOutDevice', input: { deviceId: 'f-heater' } });
    expect(of(bare, 'fuse.branch:heater').verdict).toBe('fails');
  });
});
