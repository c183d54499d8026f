import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { cataloguePart } from '../../parts';
import { INSERTABLE, insertionEdit } from '../../proposals';
import { branchEdit, findRemedies } from '../../remedies';
import { emptyBuild } from '../defaults';
import { checkReferences } from '../references';
import { firn9, larkspur } from '../samples';
import { readBuild } from '../schema';
import { applyEdit, EditRefused, patchBuild } from './index';

const firn = firn9();
const whole = (build: typeof firn) => expect(readBuild(JSON.parse(JSON.stringify(build)))).toMatchObject({ ok: true });

describe('taking a device out of its wire', () => {
  test('joins the two wires, adds their lengths, keeps the id of the one before it, and is undone', () => {
    const { build, inverse } = applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'shunt' } });
    expect(build.circuits.hv.devices.shunt).toBeUndefined();
    expect(build.circuits.hv.conductors['c-minus']).toBeUndefined();
    expect(build.circuits.hv.conductors['c-shunt']).toMatchObject({
      lengthM: 1.3,
      b: { deviceId: 'j-minus', terminal: 'n' },
    });
    expect(build.parts['shunt-500']).toBeUndefined();
    whole(build);
    expect(patchBuild(build, inverse)).toEqual(firn);
    expect(assess(build).checks.some(({ verdict, id }) => verdict === 'fails' && id.startsWith('circuit'))).toBe(false);
  });

  test('where several wires meet a joint takes its place, and the circuit stays whole', () => {
    const { build } = applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'k-plus' } });
    expect(build.circuits.hv.devices['k-plus']).toMatchObject({ kind: 'junction', partId: null });
    whole(build);
    expect(checkReferences(build)).toEqual([]);
    expect(assess(build).vehicle.caseOf('cruise/nominal/sustained')!.point.solvable).toBe(true);
  });

  test('what stands in no wire is refused with what to do', () => {
    expect(() => applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'heater' } })).toThrow(EditRefused);
    expect(() => applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 'ghost' } })).toThrow(EditRefused);
  });
});

describe('putting a device into a wire', () => {
  test.each(INSERTABLE)('%s: the part fits the full voltage and the current, and can be taken out again', (kind) => {
    const before = assess(firn);
    const { build } = applyEdit(firn, insertionEdit(before.context, 'c-inv-plus', kind, 'x1'));
    whole(build);
    const after = assess(build);
    expect(after.vehicle.deviceOf.get(`x1-${kind}`)!.part).not.toBeNull();
    const own = after.checks.filter(({ subject }) => subject.id === `x1-${kind}`);
    const fails = own.filter(
      ({ id, verdict }) => verdict === 'fails' && !id.includes('cable') && id !== 'fuse.selectivity',
    );
    // What it still lacks is its 12-volt side, and the first remedy brings that.
    expect(fails.map(({ id }) => id)).toEqual(
      { contactor: ['contactor.coil'], disconnect: ['disconnect.interlock'] }[kind as string] ?? [],
    );
    for (const check of fails) {
      const remedy = findRemedies(build, check)[0]!;
      expect(remedy.worsens).toEqual([]);
      whole(applyEdit(build, remedy.edit).build);
    }
    const out = applyEdit(build, { edit: 'takeOutDevice', input: { deviceId: `x1-${kind}` } }).build;
    expect(out.circuits.hv.conductors['c-inv-plus']!.lengthM).toBeCloseTo(0.6, 9);
    expect(out.circuits.hv.conductors['c-inv-plus']!.b).toEqual(firn.circuits.hv.conductors['c-inv-plus']!.b);
  });
});

describe('a branch of the bus', () => {
  test('joins the joints that are there, has its own fuse at the tap, and is fed in cruise', () => {
    const part = cataloguePart('compressor-400-2500', 'bus-device');
    const { build } = applyEdit(firn, branchEdit(assess(firn), part, 'x2'));
    whole(build);
    expect(build.circuits.hv.conductors['x2-tap']!.a.deviceId).toBe('j-plus');
    const after = assess(build);
    expect(after.vehicle.deviceOf.get('x2-device')!.device.kind).toBe('compressor');
    expect(after.checks.find(({ id, subject }) => id === 'circuit.open' && subject.id === 'x2-device')!.verdict).toBe(
      'holds',
    );
    expect(after.checks.filter(({ subject, verdict }) => subject.id.startsWith('x2') && verdict === 'fails')).toEqual(
      [],
    );
  });

  test('puts joints into the wires at the inverter where there are none', () => {
    const car = larkspur();
    const bare = ['j-plus', 'j-minus'].reduce(
      (build, id) => applyEdit(build, { edit: 'removeDevice', input: { deviceId: id } }).build,
      car,
    );
    expect(() =>
      applyEdit(bare, branchEdit(assess(car), cataloguePart('heater-144-2000', 'bus-device'), 'x3')),
    ).toThrow(EditRefused);
    const empty = emptyBuild('e', 'Empty');
    expect(() =>
      applyEdit(empty, branchEdit(assess(car), cataloguePart('heater-144-2000', 'bus-device'), 'x3')),
    ).toThrow(/no inverter/);
    // From K+ straight to the inverter: a joint on each pole, and the inverter stays fed.
    const { 'j-plus': _p, 'j-minus': _m, ...devices } = firn.circuits.hv.devices;
    const conductors = Object.fromEntries(
      Object.entries(firn.circuits.hv.conductors)
        .filter(
          ([id]) => !['c-inv-plus', 'c-inv-minus'].includes(id) && !id.startsWith('c-heat') && !id.startsWith('c-chg'),
        )
        .map(([id, conductor]) => [
          id,
          id === 'c-plus'
            ? { ...conductor, b: { deviceId: 'inverter', terminal: 'plus' } }
            : id === 'c-minus'
              ? { ...conductor, b: { deviceId: 'inverter', terminal: 'minus' } }
              : conductor,
        ]),
    );
    const { heater: _h, charger: _c, 'f-heater': _fh, 'f-charger': _fc, ...kept } = devices;
    const plain = { ...firn, circuits: { hv: { devices: kept, conductors }, lv: { devices: {}, conductors: {} } } };
    const { build } = applyEdit(plain, branchEdit(assess(plain), cataloguePart('heater-400-5000', 'bus-device'), 'x4'));
    expect(checkReferences(build)).toEqual([]);
    const after = assess(build);
    for (const id of ['inverter', 'x4-device'])
      expect(after.checks.find((check) => check.id === 'circuit.open' && check.subject.id === id)!.verdict).toBe(
        'holds',
      );
  });
});

test('a leakage is set and taken back to not known; what is none is refused', () => {
  const set = applyEdit(firn, {
    edit: 'setLeakage',
    input: { deviceId: 'heater', insulationOhm: 2e6, yCapacitanceF: 1e-7 },
  }).build;
  expect(set.circuits.hv.devices.heater).toMatchObject({ insulationOhm: 2e6, yCapacitanceF: 1e-7 });
  const back = applyEdit(set, {
    edit: 'setLeakage',
    input: { deviceId: 'heater', insulationOhm: null, yCapacitanceF: null },
  }).build;
  expect(back.circuits.hv.devices.heater!.insulationOhm).toBeUndefined();
  expect(back.circuits.hv.devices.heater!.yCapacitanceF).toBeUndefined();
  expect(() => applyEdit(firn, { edit: 'setLeakage', input: { deviceId: 'heater', insulationOhm: 0 } })).toThrow(
    EditRefused,
  );
  expect(() => applyEdit(firn, { edit: 'setLeakage', input: { deviceId: 'heater', yCapacitanceF: -1 } })).toThrow(
    EditRefused,
  );
});
