import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { aBody, applyEdit, type Build, type Edit } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { type Check, checkKey, say } from '../checks';
import { LOAD_PRESETS, lowBase, lowLoadOf } from '../parts';
import { inUnits } from '../quantities';
import { tripRuns } from '../simulate';
import { figuresOf } from '../testing/figures-of';
import { lowVoltage, massesOf, roadModel, solveLow, vehicleOf } from '../vehicle';

/** Rules one by one, each expected figure worked out here from the build's own data by the textbook relation that it names. */
const G = 9.80665;
const firn = firn9();
const on = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const find = (build: Build, key: string): Check | undefined =>
  assess(build).checks.find((check) => checkKey(check) === key);
const of = (build: Build, key: string): Check => find(build, key)!;
const figure = (name: Extract<Edit, { edit: 'setFigure' }>['input']['figure'], value: number | null): Edit => ({
  edit: 'setFigure',
  input: { figure: name, value },
});

describe('axles', () => {
  const masses = massesOf(assess(firn).vehicle);
  const { wheelbaseM, payloadKg } = firn.vehicle;
  const chassis = firn.chassis!;
  /** Moments about the front axle: stripped vehicle, every device at its place, cables halfway, load where it sits. */
  const rearKg =
    (chassis.strippedKg! * wheelbaseM! * (1 - chassis.strippedFrontShare!) +
      masses.devices.reduce((sum, { massKg, weight }) => sum + massKg * (weight?.xM ?? wheelbaseM! / 2), 0) +
      masses.cablesKg * (wheelbaseM! / 2) +
      payloadKg! * chassis.payloadXM!) /
    wheelbaseM!;

  test('pack.axle-load: the rear axle by moments about the front one, against its plate', () => {
    const check = of(firn, 'pack.axle-load:axle-rear');
    expect(check.demand!.value).toBeCloseTo(rearKg, 6);
    expect(check.margin).toBeCloseTo((chassis.rearLimitKg! - rearKg) / chassis.rearLimitKg!, 9);
    const front = of(firn, 'pack.axle-load:axle-front').demand!.value;
    expect(front + rearKg).toBeCloseTo(masses.builtKg! + payloadKg!, 6);
  });

  test('pack.ride-height: Hooke against the way to the bump stop, and a shape’s springs stand in with their name', () => {
    const foundRear = chassis.foundKg! * (1 - chassis.foundFrontShare!);
    const down = ((rearKg - foundRear) * G) / chassis.rearSpringNPerM!;
    const check = of(firn, 'pack.ride-height:axle-rear');
    expect(check.demand!.value).toBeCloseTo(down, 9);
    expect(check.margin).toBeCloseTo(1 - down / chassis.rearClearanceM!, 9);
    const unmeasured = on(firn, figure('rearSpring', null));
    const stood = of(unmeasured, 'pack.ride-height:axle-rear');
    const assumed = inUnits(stood.working.assumed.join());
    expect(assumed).toContain(`as ${aBody(firn.vehicle.body!)}: measure them`);
    // Softer springs go down in proportion.
    const rate = Number(/Springs of ([\d.]+)\sN\/mm/.exec(assumed)![1]) * 1000;
    expect(stood.demand!.value).toBeCloseTo(((rearKg - foundRear) * G) / rate, 9);
  });

  test('pack.sides: half a track of lever on each side', () => {
    const across = masses.devices.reduce((sum, { massKg, weight }) => sum + massKg * (weight?.yM ?? 0), 0);
    const expected = (2 * Math.abs(across)) / chassis.trackM!;
    expect(of(firn, 'pack.sides:sides').demand!.value).toBeCloseTo(expected, 6);
    const heavier = on(firn, { edit: 'placeDevice', input: { deviceId: 'box-rear', zoneId: 'zone-boot', yM: 0.5 } });
    expect(of(heavier, 'pack.sides:sides').verdict).toBe('fails');
  });
});

describe('salvaged modules', () => {
  const list = (...volts: readonly (readonly [number, number])[]): Build =>
    on(firn, {
      edit: 'setModules',
      input: {
        modules: volts.map(([voltageV, capacityAh], k) => ({
          id: `m${k}`,
          voltageV,
          capacityAh,
          resistanceOhm: 0.002,
        })),
      },
    });

  test('pack.modules: the spread at rest against 20 mV, or of the capacities against 5 %, whichever is worse', () => {
    const byVoltage = of(list([22.1, 60], [22.115, 60]), 'pack.modules:modules');
    expect(byVoltage.demand!.value).toBeCloseTo(0.015, 9);
    expect(byVoltage.margin).toBeCloseTo(0.25, 6);
    const byCapacity = of(list([22.1, 60], [22.1, 54]), 'pack.modules:modules');
    expect(byCapacity.says.code).toBe('pack.modules.capacity');
    expect(byCapacity.margin).toBeCloseTo((0.05 - 0.1) / 0.05, 9);
    expect(find(list([22.1, 60]), 'pack.modules:modules')).toBeUndefined();
  });
});

describe('drive', () => {
  test('drive.cruise-covers: the worst half hour of the trip against what cruise takes out of the first box', () => {
    const assessment = assessWithRuns(firn);
    const check = assessment.checks.find(({ id }) => id === 'drive.cruise-covers')!;
    expect(check.demand!.value).toBeCloseTo(assessment.trip!.winter.currents.windowsA[3]!, 9);
    const sustained = assessment.vehicle.cases
      .filter(
        ({ state, point }) =>
          state.duration === 'sustained' && state.id !== 'charging' && state.closed.length > 0 && point.solvable,
      )
      .map(({ point }) => Math.abs(figuresOf(point).elementCurrentsA.get('box-rear') ?? 0));
    expect(check.limit!.value).toBeCloseTo(Math.max(...sustained), 9);
  });

  test('drive.gives: a motor’s limit far below the trip falls behind for a share of the time that is said', () => {
    const weak = on(larkspur(), figure('hardPower', 5000));
    const runs = tripRuns(vehicleOf(weak))!;
    const check = assess(weak, { runs: { trip: runs } }).checks.find(({ id }) => id === 'drive.gives')!;
    expect(check.demand!.value).toBeCloseTo(runs.winter.shortS / runs.winter.durationS, 12);
    expect(check.verdict).toBe('fails');
    expect(say(check).line).toContain('it falls behind');
  });

  test('drive.side-load: a chain pulls 1.05 times 2·T/d, a belt twice as hard', () => {
    const tractor = teasel();
    const motor = Object.values(tractor.parts).find((part) => part.kind === 'motor')!;
    const pull = (2 * motor.peakTorqueNm) / tractor.stage!.motorPulleyM!;
    const key = checkKey(assess(tractor).checks.find(({ id }) => id === 'drive.side-load')!);
    expect(of(tractor, key).margin).toBeCloseTo(1 - (1.05 * pull) / tractor.stage!.sideLimitN!, 9);
    const belt = on(tractor, { edit: 'setStage', input: { kind: 'v-belt' } });
    expect(of(belt, key).margin).toBeCloseTo(1 - (2 * pull) / tractor.stage!.sideLimitN!, 9);
  });

  test('a stage between motor and gearbox takes its share of the power: 97 % of a chain on top of the driveline’s 92 %', () => {
    const { drivelineEfficiency: _, ...vehicle } = teasel().vehicle;
    const { stage: __, ...direct } = teasel();
    const chained = roadModel({ ...teasel(), vehicle })!.drivelineEfficiency;
    expect(chained / roadModel({ ...direct, vehicle: { ...vehicle } })!.drivelineEfficiency).toBeCloseTo(0.97, 9);
    expect(chained).toBeCloseTo(0.92 * 0.97, 9);
  });
});

describe('precharge', () => {
  test('precharge.energy and repeats: half C·V² once, and six times half a minute’s cooling', () => {
    const once = of(firn, 'precharge.energy:r-pre');
    const link = assess(firn).vehicle.devices.reduce(
      (sum, { part }) => sum + (part && 'linkCapacitanceF' in part ? part.linkCapacitanceF : 0),
      0,
    );
    // Up to the closing level the resistor takes about what ends in the capacitors.
    expect(once.demand!.value / (0.5 * link * 378 ** 2)).toBeGreaterThan(0.9);
    expect(once.demand!.value / (0.5 * link * 378 ** 2)).toBeLessThan(1.1);
    const resistor = Object.values(firn.parts).find((part) => part.kind === 'resistor')!;
    const tau = resistor.pulseEnergyJ / resistor.ratedPowerW;
    const repeats = of(firn, 'precharge.repeats:r-pre');
    const every = 30 / 6;
    const sum = Array.from({ length: 6 }, (_, k) => Math.exp((-k * every) / tau)).reduce((a, b) => a + b, 0);
    expect(repeats.demand!.value).toBeCloseTo(once.demand!.value * sum, 6);
  });
});

describe('the 12-volt side', () => {
  test('lv.battery: none is a school whose end is said in red', () => {
    const without: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        lv: {
          ...firn.circuits.lv,
          devices: Object.fromEntries(
            Object.entries(firn.circuits.lv.devices).filter(([, { kind }]) => kind !== 'auxiliary-battery'),
          ),
          conductors: Object.fromEntries(
            Object.entries(firn.circuits.lv.conductors).filter(
              ([, { a, b }]) =>
                ![a, b].some(({ deviceId }) => firn.circuits.lv.devices[deviceId]?.kind === 'auxiliary-battery'),
            ),
          ),
        },
      },
    };
    const check = assess(without).checks.find(({ id }) => id === 'lv.battery')!;
    expect(check.verdict).toBe('fails');
    expect(say(check).line).toContain('contactors, assist and lamps stop with it');
  });

  test('lv.fuse-load: the current of one load over 0.8 against its fuse', () => {
    const low = lowVoltage(assess(firn).vehicle);
    const radio = low.loads.find(({ name }) => name === 'Radio')!;
    const fuse = low.lv.devices.find(({ device }) => device.name === 'Radio fuse')!;
    const check = of(firn, `lv.fuse-load:${fuse.id}`);
    // About 27.6 W at some 13.5 V at its terminals.
    expect(check.demand!.value * 0.8).toBeCloseTo(radio.load.rating / 13.7, 0);
    expect(check.margin).toBeCloseTo(1 - check.demand!.value / check.limit!.value, 9);
  });

  test('lv.fuse-continuous: a blade of 5 A that lasts 0.75 of it, in a bay of 60 °C', () => {
    const fuse = lowVoltage(assess(firn).vehicle).lv.devices.find(({ device }) => device.name === 'Radio fuse')!;
    const check = of(firn, `lv.fuse-continuous:${fuse.id}`);
    // 5 A · 0.75 · √((240 − 60)/(240 − 25)) = 3.4312 A.
    expect(check.limit!.value).toBeCloseTo(3.4312, 4);
    expect(check.demand!.value).toBeCloseTo(0.8 * of(firn, `lv.fuse-load:${fuse.id}`).demand!.value, 9);
    const cool = on(firn, { edit: 'placeDevice', input: { deviceId: fuse.id, zoneId: 'zone-cabin' } });
    // In the cabin, 40 °C: 5 A · 0.75 · √(200/215).
    expect(of(cool, `lv.fuse-continuous:${fuse.id}`).limit!.value).toBeCloseTo(3.6168, 4);
  });

  test('lv.drop: twice the length drops about twice as much', () => {
    const key = `lv.drop:${lowVoltage(assess(firn).vehicle).loads.find(({ name }) => name === 'Dipped beam, halogen')!.id}`;
    const before = of(firn, key).demand!.value;
    const wires = Object.values(firn.circuits.lv.conductors).filter(({ name }) =>
      /^Dipped beam, halogen (feed|earth)$/.test(name),
    );
    const longer = wires.reduce(
      (build, { id, lengthM }) =>
        on(build, { edit: 'setConductor', input: { conductorId: id, lengthM: lengthM! * 3 } }),
      firn,
    );
    const own = of(longer, key).demand!.value - before;
    const again = wires.reduce(
      (build, { id, lengthM }) =>
        on(build, { edit: 'setConductor', input: { conductorId: id, lengthM: lengthM! * 5 } }),
      firn,
    );
    // What is added grows with the length: two lengths more, then four.
    expect((of(again, key).demand!.value - before) / own).toBeCloseTo(2, 1);
  });

  test('lv.solves: more than the feeds can give is said, and nothing is judged by currents that nobody knows', () => {
    const huge = on(firn, {
      edit: 'addLowLoad',
      input: {
        ...lowLoadOf(LOAD_PRESETS[0]!, 'huge', 40),
        name: 'Winch',
        load: { ...LOAD_PRESETS[0]!.load, kind: 'constant-power', rating: 19000, use: { day: 1 } },
      },
    });
    const check = of(huge, 'lv.solves:low-voltage');
    expect(check.verdict).toBe('fails');
    expect(say(check).line).toMatch(/sources can deliver [\d.]+ % of the power/);
    expect(assess(huge).checks.filter(({ id }) => id === 'lv.fuse-load')).toEqual([]);
    expect(of(firn, 'lv.solves:low-voltage').verdict).toBe('holds');
  });

  test('constant currents at the converter’s limit: it gives its power, the battery the rest (Kirchhoff at the battery)', () => {
    const battery = lowVoltage(assess(firn).vehicle).battery!.data!;
    const bare = on(
      { ...larkspur(), circuits: { ...larkspur().circuits, lv: { devices: {}, conductors: {} } } },
      { edit: 'layOutLow', input: lowBase(battery, 600, 0.8, 'x', 40) },
      {
        edit: 'addLowLoad',
        input: {
          ...lowLoadOf(LOAD_PRESETS[0]!, 'lamp', 40),
          name: 'Heater',
          load: { sort: 'other', kind: 'constant-current', rating: 60, essential: false, use: { day: 1 } },
        },
      },
    );
    const { vehicle } = assess(bare);
    const one = figuresOf(
      solveLow(vehicle, {
        converters: true,
        awake: true,
        socBattery: 0.8,
        batteryC: 25,
        running: new Map([['lamp-load', 'on']]),
      }),
    );
    const [converter] = lowVoltage(vehicle).converters;
    expect(one.point!.solvable).toBe(true);
    expect(one.limited).toEqual([converter!.id]);
    // 600 W hot at the converter's own terminals; what the load draws beyond it comes out of the battery.
    const v = one.point!.nodeVoltagesV;
    const atConverterV = v.get(`${converter!.id}.lvPlus`)! - v.get(`${converter!.id}.lvMinus`)!;
    expect(one.converterA.get(converter!.id)! * atConverterV).toBeCloseTo(converter!.powerW, 3);
    expect(one.currentA('lamp-load')).toBeCloseTo(60, 1);
    expect(one.batteryA + one.converterA.get(converter!.id)!).toBeCloseTo(one.currentA('lamp-load'), 6);
  });
});

describe('survey', () => {
  test('survey.old-part: undecided ones stay open by name', () => {
    const listed = on(firn, { edit: 'addOldPart', input: { id: 'tank', name: 'Fuel tank', kind: 'part' } });
    expect(of(listed, 'survey.old-part:tank').verdict).toBe('needs-data');
    const decided = on(listed, { edit: 'decideOldPart', input: { id: 'tank', fate: 'strip' } });
    expect(of(decided, 'survey.old-part:tank').verdict).toBe('holds');
  });

  test('survey.tyre: a code that came in with a file and is none is caught', () => {
    const bad: Build = { ...firn, vehicle: { ...firn.vehicle, tyre: '999/80R14' } };
    expect(assess(bad).checks.find(({ id }) => id === 'survey.tyre')).toMatchObject({ verdict: 'fails' });
    expect(assess(firn).checks.find(({ id }) => id === 'survey.tyre')?.verdict ?? 'holds').toBe('holds');
  });
});
