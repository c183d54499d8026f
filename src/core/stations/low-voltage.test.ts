import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit, EditRefused, type LvLoad } from '../build';
import { emptyBuild } from '../build/defaults';
import { firn9 } from '../build/samples/firn-9';
import { larkspur } from '../build/samples/larkspur';
import { cataloguePart, LOAD_PRESETS, lowBase, lowLoadOf } from '../parts';
import { peukertTimeS } from '../physics/auxiliary';
import { findRemedies } from '../remedies';
import { coldFactor, lowHoldUp, lowTimeline, parkedA } from '../simulate';
import { figuresOf } from '../testing/figures-of';
import { auxiliaryRestV, batteryOhm, lowVoltage, solveLow, vehicleOf } from '../vehicle';

const firn = firn9();
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((made, edit) => applyEdit(made, edit).build, build);
const check = (build: Build, id: string, subject?: string) =>
  assess(build).checks.find((one) => one.id === id && (subject === undefined || one.subject.id === subject))!;
const BATTERY = 'coil-battery';
const AWAKE = { converters: true, socBattery: 0.8, batteryC: 25, awake: true } as const;

describe('the 12-volt circuit, by hand', () => {
  // A battery, its fuse, the box, and one load of 100 W as a resistance at 13.8 V, no converter.
  const battery = { chemistry: 'lead-agm', capacityAh: 60, ratedHours: 20, resistanceOhm: 0.005 } as const;
  const load: LvLoad = {
    sort: 'lamp',
    kind: 'constant-resistance',
    rating: 100,
    referenceVoltageV: 13.8,
    essential: true,
    use: { 'night-rain-cold': 1 },
    minimumV: 9,
  };
  const wire = cataloguePart('cable-plain-2-5', 'cable');
  const fuse = cataloguePart('fuse-blade-32-15', 'fuse');
  const bare = edited(
    emptyBuild('bare', 'Bare'),
    { edit: 'layOutLow', input: lowBase(battery, 500, 1, 'low', 45) },
    { edit: 'addLowLoad', input: { seed: 'lamp', name: 'Lamp', load, fuse, wire, lengthM: 3, relay: false } },
  );
  const vehicle = vehicleOf(bare);
  const low = lowVoltage(vehicle);
  const wires = (id: string) => low.lv.conductorOf.get(id)!;
  const one = figuresOf(solveLow(vehicle, { ...AWAKE, converters: false, running: new Map([['lamp-load', 'on']]) }));

  test('Ohm’s law round the loop: rest voltage over lamp, wires, fuses and the battery itself', () => {
    const ohmOf = (id: string) => {
      const { cable, lengthM, jointOhm } = wires(id);
      // Copper at 50 °C.
      return (cable ? cable.resistance20OhmPerM * (1 + 0.00393 * 30) * (lengthM ?? 0) : 0) + jointOhm;
    };
    const fuseOhm = (id: string) => {
      const part = low.lv.deviceOf.get(id)!.part;
      return part?.kind === 'fuse' ? part.dropAtRatedV / part.ratedCurrentA / 1.5 : Number.NaN;
    };
    const loop =
      13.8 ** 2 / 100 +
      ['low-w1', 'low-w2', 'lamp-bar', 'lamp-w3', 'lamp-w4', 'low-w-earth'].reduce((sum, id) => sum + ohmOf(id), 0) +
      batteryOhm(battery, 25);
    const current = one.currentA('lamp-load');
    const withoutFuses = auxiliaryRestV(battery, 0.8) / loop;
    // Two fuses of a few milliohms in ohms: within two per cent, and less than without them.
    expect(current).toBeLessThan(withoutFuses);
    expect(current).toBeGreaterThan(0.98 * withoutFuses);
    expect(fuseOhm('lamp-fuse')).toBeGreaterThan(0);
    expect(one.batteryV).toBeCloseTo(auxiliaryRestV(battery, 0.8) - current * batteryOhm(battery, 25), 9);
  });

  test('nothing flows with the lamp off, and it is found without a converter', () => {
    const off = figuresOf(solveLow(vehicle, { ...AWAKE, running: new Map() }));
    expect(off.batteryA).toBeCloseTo(0, 9);
    expect(check(bare, 'lv.converter-size').verdict).toBe('needs-data');
  });
});

describe('converter and battery share', () => {
  const vehicle = vehicleOf(firn);
  const loads = lowVoltage(vehicle).loads;
  test('Kirchhoff: what converter and battery give, the loads and coils take', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('off', 'on', 'peak'), { minLength: loads.length, maxLength: loads.length }),
        (how) => {
          const running = new Map(loads.map(({ id }, k) => [id, how[k] as 'on']));
          const one = figuresOf(solveLow(vehicle, { ...AWAKE, running }));
          const given = one.batteryA + [...figuresOf(one).converterA.values()].reduce((sum, a) => sum + a, 0);
          const coils = vehicle.devices
            .filter(({ device }) => device.kind === 'contactor')
            .reduce((sum, { id }) => sum + Math.abs(one.currentA(id)), 0);
          const taken = loads.reduce((sum, { id }) => sum + Math.abs(one.currentA(id)), 0) + coils;
          expect(given).toBeCloseTo(taken, 6);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('above its power the converter gives its power, and the battery the rest', () => {
    const weak = edited(firn, {
      edit: 'setConverter',
      input: { deviceId: 'charger', converter: { outputV: 14.2, ratedPowerW: 300, efficiency: 0.92, hotShare: 1 } },
    });
    const one = figuresOf(solveLow(vehicleOf(weak), { ...AWAKE, running: new Map(loads.map(({ id }) => [id, 'on'])) }));
    expect(one.limited).toEqual(['charger']);
    expect(one.batteryA).toBeGreaterThan(5);
    const volts = one.point!.nodeVoltagesV;
    const atConverter = volts.get('charger.lvPlus')! - volts.get('charger.lvMinus')!;
    expect(one.converterA.get('charger')! * atConverter).toBeCloseTo(300, 3);
    expect(check(weak, 'lv.converter-size').verdict).toBe('fails');
  });
});

describe('schedule', () => {
  test('a resistance draws with the voltage, a power against it: 9.5 A · 14.2/13.8 and 5 A · 13.8/14.2', () => {
    const rows = new Map(assess(firn).results['low-voltage'].schedule.loads.map((row) => [row.name, row]));
    expect(rows.get('Dipped beam, halogen')!.onA).toBeCloseTo((9.5 * 14.2) / 13.8, 2);
    expect(rows.get('Wipers')!.onA).toBeCloseTo((5 * 13.8) / 14.2, 2);
    expect(rows.get('Brake lamps')!.averageA['night-rain-cold']).toBeCloseTo(0.2 * rows.get('Brake lamps')!.onA, 9);
  });
});

describe('when the converter dies', () => {
  const options = { socStart: 0.8, batteryC: -12, health: 0.8 };
  const run = lowHoldUp(vehicleOf(firn), options)!;
  test('the time lies near Peukert’s at the first current, which only falls a little as lamps dim', () => {
    const low = lowVoltage(vehicleOf(firn));
    const data = low.battery!.data!;
    const plain =
      0.8 *
      peukertTimeS(
        {
          capacityRatedAh: 80,
          ratedHours: 20,
          peukertExponent: 1.12,
          socStart: 1,
          socEnd: 0,
          healthFactor: 0.8,
          temperatureFactor: coldFactor(data, -12),
        },
        run.startA,
      );
    expect(run.holdUpS! / plain).toBeGreaterThan(0.85);
    expect(run.holdUpS! / plain).toBeLessThan(1.15);
    // 1 − 0.4 · 37/43 of the capacity at −12 °C.
    expect(coldFactor(data, -12)).toBeCloseTo(1 - (0.4 * 37) / 43, 9);
  });

  test('it falls all the way, and half a battery holds less than half as long', () => {
    run.curve.slice(1).forEach(({ soc }, k) => {
      expect(soc).toBeLessThanOrEqual(run.curve[k]!.soc);
    });
    const half = edited(firn, {
      edit: 'setAuxiliaryBattery',
      input: {
        deviceId: BATTERY,
        battery: { chemistry: 'lead-agm', capacityAh: 40, ratedHours: 20, resistanceOhm: 0.008 },
      },
    });
    expect(lowHoldUp(vehicleOf(half), options)!.holdUpS!).toBeLessThan(0.5 * run.holdUpS!);
  });

  test('a tiny battery fails with the load that goes first, and a larger one is offered', () => {
    const tiny = edited(firn, {
      edit: 'setAuxiliaryBattery',
      input: {
        deviceId: BATTERY,
        battery: { chemistry: 'lead-flooded', capacityAh: 12, ratedHours: 20, resistanceOhm: 0.02 },
      },
    });
    const found = check(tiny, 'lv.hold-up');
    expect(found.verdict).toBe('fails');
    const remedies = findRemedies(tiny, found);
    expect(remedies.length).toBeGreaterThan(0);
    expect(remedies[0]!.after.verdict).not.toBe('fails');
  });
});

describe('parked', () => {
  test('days to half: 0.5 · C over the drain and the self-discharge', () => {
    const drain = parkedA(vehicleOf(firn));
    // 30 mA of the alarm and 12 % of 250 mA, a little more at the battery’s lower voltage.
    expect(drain).toBeGreaterThan(0.06);
    expect(drain).toBeLessThan(0.07);
    const self = (0.03 * 80) / (30 * 24);
    expect(check(firn, 'lv.parked').demand!.value).toBeCloseTo(((0.5 * 80) / (drain! + self)) * 3600, 0);
  });

  test('three weeks flatten a small one; the main switch cures it, since nothing flows then', () => {
    const small = edited(firn, {
      edit: 'setAuxiliaryBattery',
      input: {
        deviceId: BATTERY,
        battery: { chemistry: 'lead-agm', capacityAh: 45, ratedHours: 20, resistanceOhm: 0.006 },
      },
    });
    const found = check(small, 'lv.parked');
    expect(found.verdict).toBe('fails');
    const remedy = findRemedies(small, found).find(({ edit }) => edit.edit === 'addMainSwitch');
    const cured = edited(small, remedy!.edit);
    expect(parkedA(vehicleOf(cured))).toBe(0);
    expect(check(cured, 'lv.parked').verdict).toBe('holds');
    // The car still works: the switch is closed while it drives.
    expect(check(cured, 'lv.peak')!.verdict).not.toBe('fails');
  });
});

describe('wires and fuses', () => {
  test('the thin wire that came with the kit drops too much between converter and battery, and the remedy fits', () => {
    const thin = edited(firn, {
      edit: 'fitCable',
      input: { conductorIds: ['low-w4', 'low-w5', 'low-w3'], part: cataloguePart('cable-plain-10', 'cable') },
    });
    const found = check(thin, 'lv.converter-drop');
    expect(found.verdict).toBe('fails');
    // 95 A through 1.3 m of 10 mm² and back: 95 · 2.75 · 1.82 mΩ · 1.12 and joints, fuses.
    expect(found.demand!.value).toBeGreaterThan(95 * 2.75 * 1.82e-3 * 1.118);
    const remedies = findRemedies(thin, found).filter(({ worsens }) => worsens.length === 0);
    expect(remedies.length).toBeGreaterThan(0);
  });

  test('a fuse larger than its wire bears fails; the remedy is a smaller fuse or a thicker wire', () => {
    const wrong = edited(firn, {
      edit: 'fitPart',
      input: { deviceId: 'low-radio-fuse', part: cataloguePart('fuse-blade-32-40', 'fuse') },
    });
    const found = check(wrong, 'lv.fuse-wire', 'low-radio-fuse');
    expect(found.verdict).toBe('fails');
    expect(findRemedies(wrong, found).length).toBeGreaterThan(0);
  });

  test('a load joined straight to the box has no fuse: told', () => {
    const { lv } = firn.circuits;
    const feed = lv.conductors['low-radio-w3']!;
    const bare: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        lv: {
          ...lv,
          conductors: { ...lv.conductors, 'low-radio-w3': { ...feed, a: { deviceId: 'low-box', terminal: 'n' } } },
        },
      },
    };
    // The battery's own fuse still stands before it: it guards the wire, far too large for it.
    expect(check(bare, 'lv.fuse-wire', 'low-f-battery').verdict).toBe('fails');
    const straight: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        lv: {
          ...lv,
          conductors: { ...lv.conductors, 'low-radio-w3': { ...feed, a: { deviceId: BATTERY, terminal: 'plus' } } },
        },
      },
    };
    expect(check(straight, 'lv.source-fuse', BATTERY).verdict).toBe('fails');
    expect(check(straight, 'lv.load-fuse', 'low-radio-load').verdict).toBe('fails');
  });

  test.each([
    [
      { edit: 'setLowLoad', input: { deviceId: 'low-radio-load', load: { ...LOAD_PRESETS[0]!.load, rating: -5 } } },
      /from 0 to/,
    ],
    [
      {
        edit: 'setLowLoad',
        input: { deviceId: 'low-radio-load', load: { ...LOAD_PRESETS[0]!.load, use: { day: -0.2 } } },
      },
      /share of the time/,
    ],
    [{ edit: 'addLowLoad', input: { ...lowLoadOf(LOAD_PRESETS[0]!, 'again', 45), lengthM: 0 } }, /above 0/],
    [
      {
        edit: 'setAuxiliaryBattery',
        input: {
          deviceId: 'inverter',
          battery: { chemistry: 'lfp', capacityAh: 20, ratedHours: 5, resistanceOhm: 0.01 },
        },
      },
      /no battery/,
    ],
  ] as [Edit, RegExp][])('%j is refused in words', (edit, words) => {
    expect(() => applyEdit(firn, edit)).toThrow(EditRefused);
    expect(() => applyEdit(firn, edit)).toThrow(words);
  });

  test('a relay that is too small for the blower is told, and a larger one cures it', () => {
    const small = edited(firn, { edit: 'setContactRating', input: { deviceId: 'low-blower-relay', ratedA: 10 } });
    const found = check(small, 'lv.contact', 'low-blower-relay');
    expect(found.verdict).toBe('fails');
    expect(findRemedies(small, found)[0]!.edit).toEqual({
      edit: 'setContactRating',
      input: { deviceId: 'low-blower-relay', ratedA: 30 },
    });
    expect(() =>
      applyEdit(firn, { edit: 'setContactRating', input: { deviceId: 'low-radio-load', ratedA: 10 } }),
    ).toThrow(/no contact/);
  });

  test('a wire among many carries less: twelve loaded ones together make its fuse too large', () => {
    const wire = firn.circuits.lv.conductors['low-steering-pump-w3']!;
    const bundled = edited(firn, {
      edit: 'setConductor',
      input: { conductorId: wire.id, laid: { ...wire.laid!, loadedCircuits: 12 } },
    });
    const limit = (build: Build) => check(build, 'lv.fuse-wire', 'low-steering-pump-fuse').limit!.value;
    // IEC 60364-5-52, B.52.17: 0.45 for twelve.
    expect(limit(bundled) / limit(firn)).toBeCloseTo(0.45, 6);
  });

  test('a load taken away takes its fuse, relay and wires along, and nothing else', () => {
    const before = Object.keys(firn.circuits.lv.devices).length;
    const without = edited(firn, { edit: 'dropLowLoad', input: { deviceId: 'low-blower-load' } });
    expect(Object.keys(without.circuits.lv.devices)).toHaveLength(before - 3);
    expect(Object.keys(without.circuits.lv.conductors).some((id) => id.startsWith('low-blower'))).toBe(false);
  });
});

describe('scenarios', () => {
  test('over a scenario the mean of the converter is that of the schedule, battery recharge aside', () => {
    const full = lowTimeline(vehicleOf(larkspur()), {
      scenario: 'day',
      socStart: 1,
      batteryC: 25,
      converters: true,
      stepS: 1,
    })!;
    const schedule = assess(larkspur()).results['low-voltage'].schedule.scenarios.find(({ id }) => id === 'day')!;
    expect(full.averageConverterA / schedule.averageA).toBeGreaterThan(0.9);
    expect(full.averageConverterA / schedule.averageA).toBeLessThan(1.25);
    expect(full.lowestV).toBeGreaterThan(12.5);
  });

  test('with the converter dead the battery only gives', () => {
    const run = lowTimeline(vehicleOf(firn), {
      scenario: 'night-rain-cold',
      socStart: 0.8,
      batteryC: 0,
      converters: false,
      stepS: 10,
    })!;
    expect(run.averageConverterA).toBe(0);
    expect(run.socEnd).toBeLessThan(0.8);
    for (const { batteryA } of run.curve) expect(batteryA).toBeGreaterThan(0);
  });
});

test('LFP is not charged in the cold, and AGM set to lithium’s voltage is told', () => {
  const lfp = edited(firn, {
    edit: 'setAuxiliaryBattery',
    input: {
      deviceId: BATTERY,
      battery: { chemistry: 'lfp', capacityAh: 40, ratedHours: 5, resistanceOhm: 0.01, cutOffV: 10.8 },
    },
  });
  expect(check(lfp, 'lv.cold-charge').verdict).toBe('fails');
  expect(check(lfp, 'lv.converter-voltage').verdict).not.toBe('holds');
});

test('the loads of the 12-volt side leave the coils’ loop as it was', () => {
  const stops = assess(firn).checks.filter(({ id }) => id.startsWith('emergency') || id === 'contactor.coil');
  expect(stops.length).toBeGreaterThan(0);
  expect(stops.filter(({ verdict }) => verdict === 'fails')).toEqual([]);
});
