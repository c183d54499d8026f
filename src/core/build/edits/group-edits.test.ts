import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { cataloguePart } from '../../parts';
import { figuresOf } from '../../testing/figures-of';
import { lowVoltage, solveLow, vehicleOf } from '../../vehicle';
import { firn9 } from '../samples';
import { readBuild } from '../schema';
import type { Build } from '../types';
import { applyEdit, EditRefused } from './apply';
import type { Edit } from './edits';
import { loadCircuit } from './group-edits';

const firn = firn9();
const on = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const load = (name: string) =>
  Object.values(firn.circuits.lv.devices).find((device) => device.kind === 'lv-load' && device.name === name)!.id;
const loads = Object.values(firn.circuits.lv.devices).filter(({ kind }) => kind === 'lv-load');
const everything = (build: Build) => {
  const vehicle = vehicleOf(build);
  return solveLow(vehicle, {
    running: new Map(lowVoltage(vehicle).loads.map(({ id }) => [id, 'on'])),
    converters: true,
    socBattery: 0.8,
    batteryC: 25,
    awake: true,
  });
};

describe('loads that share a fuse', () => {
  test('two on one fuse: it carries both, the other fuse and its bar are gone', () => {
    const [radio, wipers] = [load('Radio'), load('Wipers')];
    const gone = loadCircuit(firn, radio).fuseId!;
    const shared = on(firn, { edit: 'groupLoad', input: { loadId: radio, withId: wipers, relay: false } });
    const fuseId = loadCircuit(shared, wipers).fuseId!;
    expect(shared.circuits.lv.devices[gone]).toBeUndefined();
    const one = figuresOf(everything(shared));
    // Kirchhoff at the fuse.
    expect(Math.abs(one.currentA(fuseId))).toBeCloseTo(
      Math.abs(one.currentA(radio)) + Math.abs(one.currentA(wipers)),
      6,
    );
    const check = assess(shared).checks.find(({ id, subject }) => id === 'lv.fuse-load' && subject.id === fuseId)!;
    expect(check.demand!.value).toBeCloseTo(Math.abs(one.currentA(fuseId)) / 0.8, 1);
  });

  test('too much on one fuse is caught by its load', () => {
    const heavy = ['Heater blower', 'Dipped beam, halogen'].reduce(
      (build, name) =>
        on(build, { edit: 'groupLoad', input: { loadId: load(name), withId: load('Wipers'), relay: false } }),
      firn,
    );
    const fuseId = loadCircuit(heavy, load('Wipers')).fuseId!;
    const check = assess(heavy).checks.find(({ id, subject }) => id === 'lv.fuse-load' && subject.id === fuseId)!;
    expect(check.verdict).toBe('fails');
  });

  test('behind a shared relay its own relay goes too, and a fuse of its own brings it back to the box', () => {
    const [blower, pump] = [load('Heater blower'), load('Vacuum pump')];
    const own = loadCircuit(firn, blower);
    const shared = on(firn, { edit: 'groupLoad', input: { loadId: blower, withId: pump, relay: true } });
    expect(shared.circuits.lv.devices[own.relayId!]).toBeUndefined();
    expect(loadCircuit(shared, blower).relayId).toBe(loadCircuit(firn, pump).relayId);
    const back = on(shared, {
      edit: 'ungroupLoad',
      input: { loadId: blower, seed: 'own', fuse: cataloguePart('fuse-blade-32-20', 'fuse') },
    });
    expect(loadCircuit(back, blower)).toMatchObject({ fuseId: 'own-fuse', relayId: null });
    expect(figuresOf(everything(back)).loadV(blower)).toBeGreaterThan(11);
  });

  test('what can’t be shared is refused with words', () => {
    const [radio, wipers] = [load('Radio'), load('Wipers')];
    const shared = on(firn, { edit: 'groupLoad', input: { loadId: radio, withId: wipers, relay: false } });
    for (const [build, edit, words] of [
      [shared, { edit: 'groupLoad', input: { loadId: radio, withId: wipers, relay: false } }, 'share it already'],
      [firn, { edit: 'groupLoad', input: { loadId: radio, withId: wipers, relay: true } }, 'has no relay'],
      [
        firn,
        { edit: 'ungroupLoad', input: { loadId: radio, seed: 'x', fuse: cataloguePart('fuse-blade-32-5', 'fuse') } },
        'has one already',
      ],
    ] as const satisfies readonly (readonly [Build, Edit, string])[])
      expect(() => applyEdit(build, edit)).toThrow(words);
    expect(() => applyEdit(firn, { edit: 'groupLoad', input: { loadId: radio, withId: radio, relay: false } })).toThrow(
      EditRefused,
    );
  });

  test('whatever is put together, every load stays fed, behind a fuse, and the file can be read', () => {
    const pair = fc.tuple(fc.constantFrom(...loads), fc.constantFrom(...loads), fc.boolean());
    fc.assert(
      fc.property(fc.array(pair, { minLength: 1, maxLength: 6 }), (pairs) => {
        let build = firn;
        for (const [one, other, relay] of pairs)
          try {
            build = on(build, { edit: 'groupLoad', input: { loadId: one.id, withId: other.id, relay } });
          } catch (error) {
            if (!(error instanceof EditRefused)) throw error;
          }
        expect(readBuild(JSON.parse(JSON.stringify(build))).ok).toBe(true);
        const solved = figuresOf(everything(build));
        for (const { id } of loads) {
          expect(loadCircuit(build, id).fuseId).not.toBeNull();
          expect(solved.loadV(id)).toBeGreaterThan(10);
        }
      }),
      { numRuns: 25 },
    );
  });
});
