import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit } from '../../build';
import { firn9, teasel } from '../../build/samples';
import { METALS } from '../../physics/conductor';
import { cableWithstand, shorts } from '../../simulate';
import { barOf, carriesA, conductorAmpacity, conductorOhm, copperMm2, vehicleOf } from '../../vehicle';

const made = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const asBar = (conductorId: string, sectionMm2?: number): Edit[] => [
  { edit: 'setConductorKind', input: { conductorId, kind: 'busbar' } },
  ...(sectionMm2 === undefined ? [] : [{ edit: 'setBarSection', input: { conductorId, sectionMm2 } } as const]),
];
const checkOf = (build: Build, key: string) =>
  assess(build).checks.find(({ id, subject }) => `${id}:${subject.id}` === key);

describe('a bar of the traction circuit', () => {
  test('is asked for its section, and judged by the current that lasts', () => {
    const open = checkOf(made(firn9(), ...asBar('c-mid-fuse')), 'cable.bar:c-mid-fuse')!;
    expect([open.verdict, open.missing!.map(({ what }) => what)]).toEqual(['needs-data', ['its cross-section']]);
    const told = checkOf(made(firn9(), ...asBar('c-mid-fuse', 150)), 'cable.bar:c-mid-fuse')!;
    const cable = checkOf(firn9(), 'cable.temperature:c-mid-fuse')!;
    expect(told.verdict).toBe('holds');
    expect(told.case).toBe(cable.case);
    expect(told.margin).toBeCloseTo((told.limit!.value - told.demand!.value) / told.limit!.value, 12);
  });

  test('without a length it is asked for that too: it counts in drop and fault', () => {
    const build = made(firn9(), ...asBar('c-mid-fuse', 150));
    const bar = { ...build.circuits.hv.conductors['c-mid-fuse']!, lengthM: null, routeId: null };
    const hv = { ...build.circuits.hv, conductors: { ...build.circuits.hv.conductors, 'c-mid-fuse': bar } };
    const open = checkOf({ ...build, circuits: { ...build.circuits, hv } }, 'cable.bar:c-mid-fuse')!;
    expect([open.verdict, open.missing!.map(({ what }) => what)]).toEqual(['needs-data', ['length']]);
  });

  test('two side by side carry twice what one does', () => {
    const one = made(firn9(), ...asBar('c-mid-fuse', 60));
    const two = {
      ...one,
      circuits: {
        ...one.circuits,
        hv: {
          ...one.circuits.hv,
          conductors: {
            ...one.circuits.hv.conductors,
            'c-mid-fuse': { ...one.circuits.hv.conductors['c-mid-fuse']!, parallel: 2 },
          },
        },
      },
    };
    const of = (build: Build) => {
      const vehicle = vehicleOf(build);
      return barOf(vehicle, vehicle.conductorOf.get('c-mid-fuse')!)!.carriesA;
    };
    expect(of(two)).toBeCloseTo(2 * of(one), 9);
  });

  test('stands k²S² from 90 to 200 °C: 226 · √ln(434.5/324.5) of copper, by hand', () => {
    const vehicle = vehicleOf(made(firn9(), ...asBar('c-mid-fuse', 100)));
    const bar = vehicle.conductorOf.get('c-mid-fuse')!;
    expect(cableWithstand(vehicle, bar)!.limitA2s).toBeCloseTo(
      (226 * Math.sqrt(Math.log(434.5 / 324.5)) * 100) ** 2,
      0,
    );
    expect(shorts(vehicle).get('c-mid-fuse')!.verdict).toBe('stands');
    const thin = vehicleOf(made(firn9(), ...asBar('c-mid-fuse', 0.5)));
    expect(shorts(thin).get('c-mid-fuse')!.verdict).toBe('burns');
  });

  test('has the resistance of its copper, 1.02 · ρ · l / S, beside its joints: 0.15 m of 10 mm²', () => {
    const ohm = (sectionMm2?: number) =>
      conductorOhm(vehicleOf(made(firn9(), ...asBar('c-mid-fuse', sectionMm2))).conductorOf.get('c-mid-fuse')!, 20);
    expect(ohm(10) - ohm()).toBeCloseTo((1.02 * METALS.copper.resistivity20OhmM * 0.15) / 10e-6, 12);
  });

  test('without a place of its own it lies in the hotter air of what it joins', () => {
    const build = made(teasel(), ...asBar('c-bus', 60));
    const { a, b, ...bar } = build.circuits.hv.conductors['c-bus']!;
    const homeless = {
      ...build,
      circuits: {
        ...build.circuits,
        hv: {
          ...build.circuits.hv,
          conductors: { ...build.circuits.hv.conductors, 'c-bus': { ...bar, a, b, laid: null, routeId: null } },
        },
      },
    };
    const vehicle = vehicleOf(homeless);
    const assumed = checkOf(homeless, 'cable.bar:c-bus')!.assumed;
    const unplaced = [a, b].filter(({ deviceId }) => vehicle.deviceOf.get(deviceId)!.device.place === null);
    expect(assumed.filter((words) => words.includes('its place is not known'))).toHaveLength(unplaced.length);
    const ambients = [a, b].map(({ deviceId }) => vehicle.deviceOf.get(deviceId)!.ambientC);
    expect(barOf(vehicle, vehicle.conductorOf.get('c-bus')!)!.airC).toBe(Math.max(...ambients));
  });

  test('a cable is no bar: what it carries is the cable’s, and an unmeasured bar carries what nobody knows', () => {
    const vehicle = vehicleOf(made(firn9(), ...asBar('c-mid-fuse')));
    const [bar, cable] = ['c-mid-fuse', 'c-mid'].map((id) => vehicle.conductorOf.get(id)!);
    expect([barOf(vehicle, bar!), carriesA(vehicle, bar!), copperMm2(bar!)]).toEqual([null, null, null]);
    expect(barOf(vehicle, cable!)).toBeNull();
    expect(carriesA(vehicle, cable!)).toBe(conductorAmpacity(cable!));
  });

  test('made a cable again it forgets its section; bars of the 12-volt side are the fuse box’s', () => {
    const again = made(firn9(), ...asBar('c-mid-fuse', 60), {
      edit: 'setConductorKind',
      input: { conductorId: 'c-mid-fuse', kind: 'cable' },
    });
    expect(again.circuits.hv.conductors['c-mid-fuse']).not.toHaveProperty('sectionMm2');
    const low = Object.keys(firn9().circuits.lv.conductors)[0]!;
    expect(() => made(firn9(), ...asBar(low))).toThrow('12-volt side');
    expect(() => made(firn9(), { edit: 'setBarSection', input: { conductorId: 'c-mid', sectionMm2: 60 } })).toThrow(
      'no busbar',
    );
  });
});
