import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { larkspur, firn9 as tiedFirn9 } from '../../build/samples';
import { type Check, checkKey, say } from '../../checks';
import { findRemedies } from '../../remedies';
import { figuresOf } from '../../testing/figures-of';
import { loomHeat, loomsOf, lowVoltage, resolve } from '../../vehicle';

const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
/** The shuttle with its 12-volt wires lying by themselves, each as long as it was. */
const firn9 = (): Build =>
  resolve(tiedFirn9(), 'lv').conductors.reduce((build, { id, conductor, lengthM }) => {
    if (conductor.routeId === null) return build;
    const out = edited(build, {
      edit: 'putInLoom',
      input: { conductorId: id, routeId: null, ...(lengthM === null ? {} : { lengthM }) },
    });
    // Each in the bay, as the others are.
    const laid = { zoneId: 'zone-bay', arrangement: 'single', loadedCircuits: 1, conduit: false } as const;
    return edited(out, { edit: 'setConductor', input: { conductorId: id, laid } });
  }, tiedFirn9());
const of = (build: Build, key: string): Check => assess(build).checks.find((check) => checkKey(check) === key)!;
const feeds = (build: Build): string[] =>
  Object.values(build.circuits.lv.conductors)
    .filter(
      ({ name, kind, b }) =>
        kind === 'cable' && / feed$/.test(name) && build.circuits.lv.devices[b.deviceId]?.kind === 'lv-load',
    )
    .map(({ id }) => id);
const tie = (build: Build, conductorIds: readonly string[], zoneId = 'zone-bay'): Build =>
  edited(build, { edit: 'makeLoom', input: { routeId: 'loom', name: 'Dash loom', zoneId, conductorIds } });

/** Thicker wires carry 5 A/mm² by day, for good: what each bears alone. */
const loaded = (build: Build): Build =>
  feeds(build).reduce((one, id) => {
    const wire = one.circuits.lv.conductors[id]!;
    const device = one.circuits.lv.devices[wire.b.deviceId]!;
    const cable = one.parts[wire.partId!]!;
    if (cable.kind !== 'cable' || cable.areaMm2 < 2.5) return one;
    const { peakRating: _, ...load } = device.load!;
    const rating = Math.min(24, 5 * cable.areaMm2);
    return edited(one, {
      edit: 'setLowLoad',
      input: { deviceId: device.id, load: { ...load, kind: 'constant-current', rating, use: { day: 1 } } },
    });
  }, build);

describe('looms', () => {
  test('wires that are tied together keep their lengths, and the loom is judged as one', () => {
    const before = firn9();
    const build = tie(before, feeds(before));
    const lengths = (one: Build) =>
      lowVoltage(assess(one).vehicle).lv.conductors.map(({ id, lengthM }) => [id, lengthM]);
    expect(lengths(build)).toEqual(lengths(before));
    const check = of(build, 'lv.loom:loom');
    expect(check.verdict).not.toBe('needs-data');
    const [loom] = loomsOf(assess(build).vehicle);
    expect(loom!.wires).toHaveLength(feeds(before).length);
    // Each wire is warmer in the loom than the air, and none is judged twice.
    expect(check.demand!.value).toBeGreaterThan(60);
    for (const id of feeds(before))
      expect(
        assess(build).checks.some(({ id: rule, subject }) => rule === 'lv.wire-temperature' && subject.id === id),
      ).toBe(false);
  });

  test('a fuse is held against what its wire carries among the others: never more than alone, less beside loaded ones', () => {
    const before = firn9();
    const build = tie(before, feeds(before));
    const fuses = assess(before).checks.filter(({ id }) => id === 'lv.fuse-wire');
    for (const { subject, limit } of fuses)
      expect(of(build, `lv.fuse-wire:${subject.id}`).limit!.value).toBeLessThanOrEqual(limit!.value + 1e-6);
    const warm = tie(loaded(before), feeds(before), 'zone-hot');
    const hotAlone = assess(
      feeds(before).reduce(
        (one, conductorId) =>
          edited(one, {
            edit: 'setConductor',
            input: {
              conductorId,
              laid: { zoneId: 'zone-hot', arrangement: 'single', loadedCircuits: 1, conduit: false },
            },
          }),
        loaded(before),
      ),
    ).checks.filter(({ id }) => id === 'lv.fuse-wire');
    const less = hotAlone.filter(
      ({ subject, limit }) => of(warm, `lv.fuse-wire:${subject.id}`).limit!.value < limit!.value * 0.9,
    );
    expect(less.length).toBeGreaterThan(2);
  });

  test('heavy loads side by side in a hot place fail as a loom though each wire alone holds, and a remedy that was tried cures it', () => {
    const heavy = loaded(firn9());
    const apart = assess(heavy).checks.filter(({ id }) => id === 'lv.wire-temperature');
    expect(
      apart.filter(({ subject }) => feeds(heavy).includes(subject.id)).every(({ verdict }) => verdict !== 'fails'),
    ).toBe(true);
    const check = of(tie(heavy, feeds(heavy), 'zone-hot'), 'lv.loom:loom');
    expect(check.verdict).toBe('fails');
    expect(say(check).title).toMatch(/too hot|burns/);
    const [remedy] = findRemedies(tie(heavy, feeds(heavy), 'zone-hot'), check);
    expect(['holds', 'thin']).toContain(remedy!.after.verdict);
  });

  test('out of its loom a wire lies alone where the loom lay', () => {
    const build = tie(firn9(), feeds(firn9()));
    const [first] = feeds(build);
    const out = edited(build, { edit: 'putInLoom', input: { conductorId: first!, routeId: null } });
    expect(out.circuits.lv.conductors[first!]).toMatchObject({ routeId: null, laid: { zoneId: 'zone-bay' } });
    expect(loomsOf(assess(out).vehicle)[0]!.wires.some(({ id }) => id === first)).toBe(false);
  });

  test('only the scenario that runs a load warms its wire', () => {
    const build = tie(firn9(), feeds(firn9()));
    const { vehicle } = assess(build);
    const [loom] = loomsOf(vehicle);
    const heat = loomHeat(vehicle, loom!)!;
    const low = lowVoltage(vehicle);
    loom!.wires.forEach(({ conductor }, k) => {
      const load = low.loads.find(({ id }) => id === conductor.b.deviceId)!.load;
      if ((load.use[heat.scenario] ?? 0) === 0) expect(heat.currentsA[k]).toBeLessThan(1e-6);
      else expect(heat.currentsA[k]).toBeGreaterThan(0.01);
    });
  });

  test('HV cables and what is not there are refused', () => {
    const refuse = (edit: Edit, words: string) => expect(() => applyEdit(firn9(), edit)).toThrow(words);
    const hv = Object.keys(firn9().circuits.hv.conductors)[0]!;
    refuse(
      { edit: 'makeLoom', input: { routeId: 'x', name: 'X', zoneId: 'zone-bay', conductorIds: [hv] } },
      'no 12-volt wire',
    );
    refuse(
      { edit: 'makeLoom', input: { routeId: 'x', name: ' ', zoneId: 'zone-bay', conductorIds: [] } },
      'has a name',
    );
    refuse(
      { edit: 'makeLoom', input: { routeId: 'x', name: 'X', zoneId: 'nowhere', conductorIds: [] } },
      'not in the build',
    );
  });
});

describe('plugs', () => {
  test('a current over the plug’s rating fails by its margin, and the next larger plug cures it', () => {
    const build = firn9();
    const [id] = feeds(build);
    const carries = Math.abs(
      assess(edited(build, { edit: 'setConnector', input: { conductorId: id!, connectorA: 2000 } })).checks.find(
        (check) => checkKey(check) === `lv.connector:${id}`,
      )!.demand!.value,
    );
    const tight = edited(build, { edit: 'setConnector', input: { conductorId: id!, connectorA: carries / 2 } });
    const check = of(tight, `lv.connector:${id}`);
    expect(check.margin).toBeCloseTo(-1, 9);
    const [remedy] = findRemedies(tight, check);
    expect(remedy!.edit.edit).toBe('setConnector');
    expect(remedy!.after.verdict).toBe('holds');
  });

  test('a plug in an HV cable is held against its worst sustained current', () => {
    const plain = firn9();
    const temperature = of(plain, 'cable.temperature:w-rear-mid');
    const id = temperature ? 'w-rear-mid' : Object.keys(plain.circuits.hv.conductors)[0]!;
    const build = edited(plain, { edit: 'setConnector', input: { conductorId: id, connectorA: 100 } });
    const { vehicle } = assess(build);
    const worst = Math.max(
      ...vehicle.cases
        .filter(({ state, point }) => state.duration === 'sustained' && point.solvable)
        .map(({ point }) => Math.abs(figuresOf(point).elementCurrentsA.get(id) ?? 0)),
    );
    expect(of(build, `cable.connector:${id}`).margin).toBeCloseTo((100 - worst) / 100, 9);
    expect(() => applyEdit(plain, { edit: 'setConnector', input: { conductorId: id, connectorA: -1 } })).toThrow(
      'more than 0',
    );
  });
});

describe('earths', () => {
  const second = (build: Build): Build =>
    edited(build, { edit: 'addEarthPoint', input: { id: 'earth-2', wireId: 'body-2', name: 'Earth, rear' } });
  const earthWire = (build: Build, load: RegExp): string =>
    Object.values(build.circuits.lv.conductors).find(({ name }) => load.test(name) && / earth$/.test(name))!.id;

  test('the earth of a control is lifted by the current times the way to the battery: Ohm by hand', () => {
    const build = larkspur();
    const check = assess(build).checks.find(({ id }) => id === 'lv.earth-shift')!;
    expect(check.verdict).toBe('holds');
    // A poor joint between its earth and the battery lifts it by what flows there.
    const { lv, battery } = lowVoltage(assess(build).vehicle);
    const back = lv.conductors.find(
      ({ conductor: { a, b } }) =>
        [a, b].some(({ deviceId }) => lv.deviceOf.get(deviceId)?.device.kind === 'earth') &&
        [a, b].some(({ deviceId }) => deviceId === battery!.device.id),
    )!;
    const poor = edited(build, { edit: 'setJoint', input: { conductorId: back.id, resistanceOhm: 0.2 } });
    expect(of(poor, checkKey(check)).demand!.value).toBeGreaterThan(check.demand!.value);
  });

  test('a second earth point carries through the body; a big load wants a milliohm there', () => {
    const build = second(firn9());
    const heater = earthWire(build, /Dipped|Blower|Rear screen|Steering|Wipers/);
    const landed = edited(build, { edit: 'landEarth', input: { conductorId: heater, earthId: 'earth-2' } });
    expect(
      landed.circuits.lv.conductors[heater]!.b.deviceId === 'earth-2' ||
        landed.circuits.lv.conductors[heater]!.a.deviceId === 'earth-2',
    ).toBe(true);
    const poor = edited(landed, { edit: 'setJoint', input: { conductorId: 'body-2', resistanceOhm: 0.01 } });
    const carried = assess(poor).checks.find((check) => checkKey(check) === 'lv.earth-joint:body-2');
    // Judged from 20 A on: below that a joint matters little.
    if (carried) expect(carried.margin).toBeCloseTo((0.001 - 0.01) / 0.001, 6);
    expect(() => applyEdit(build, { edit: 'setJoint', input: { conductorId: 'body-2', resistanceOhm: 2 } })).toThrow(
      '0 to 1 Ω',
    );
    expect(() => applyEdit(build, { edit: 'landEarth', input: { conductorId: heater, earthId: 'inverter' } })).toThrow(
      'no earth point',
    );
  });
});

describe('cases in their places', () => {
  const needing = (build: Build, zoneId: string, ingress: string): Build =>
    edited(build, { edit: 'setZone', input: { zoneId, ingress } });

  test('what nobody told is open, too little fails, enough holds, and inside a box the box counts', () => {
    const plain = firn9();
    const zoneId = plain.circuits.hv.devices.inverter!.place!.zoneId;
    const build = needing(plain, zoneId, 'IP65');
    expect(of(build, 'plan.ingress:inverter').verdict).toBe('needs-data');
    const told = (ingress: string) =>
      of(edited(build, { edit: 'setIngress', input: { deviceId: 'inverter', ingress } }), 'plan.ingress:inverter');
    expect(told('IP54').verdict).toBe('fails');
    expect(told('IP67').verdict).toBe('fails');
    expect(told('IP65').verdict).toBe('holds');
    expect(told('IP66/IP67').verdict).toBe('holds');
    expect(() => applyEdit(build, { edit: 'setIngress', input: { deviceId: 'inverter', ingress: 'tight' } })).toThrow(
      'no protection class',
    );
    const inside = Object.values(build.circuits.hv.devices).filter(({ insideId }) => insideId !== undefined);
    for (const { id } of inside)
      expect(assess(build).checks.some((check) => checkKey(check) === `plan.ingress:${id}`)).toBe(false);
  });
});
