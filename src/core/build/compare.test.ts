import { expect, test } from 'vitest';
import { EXAMPLES } from '../testing/edit-examples';
import { compareBuilds } from './compare';
import { applyEdit, type Edit } from './index';
import { firn9, larkspur, teasel } from './samples';

test('two states that tell the same differ in nothing, however they came to be', () => {
  for (const make of [firn9, larkspur, teasel])
    expect(compareBuilds(make('x'), JSON.parse(JSON.stringify(make('x'))))).toEqual([]);
});

test('a figure is told as it was and as it is, with its unit', () => {
  const before = firn9('x');
  const { build } = applyEdit(before, { edit: 'setFigure', input: { figure: 'cruisePower', value: 19000 } });
  expect(compareBuilds(before, build)).toEqual([
    {
      what: 'changed',
      where: 'Build',
      name: 'duty',
      figures: [`cruise power (W): ${before.duty.cruisePowerW} → 19000`],
    },
  ]);
});

test('a device that went is named, and seen from the other side it came', () => {
  const before = firn9('x');
  const { heater, ...others } = before.circuits.hv.devices;
  const after = { ...before, circuits: { ...before.circuits, hv: { ...before.circuits.hv, devices: others } } };
  expect(compareBuilds(before, after)).toEqual([
    { what: 'removed', where: 'Traction circuit', name: heater!.name, figures: [] },
  ]);
  expect(compareBuilds(after, before)).toMatchObject([{ what: 'added', name: heater!.name }]);
});

test('every edit’s example is seen, and what was edited differs in nothing from itself', () => {
  let seen = 0;
  for (const [name, { on: build = firn9(), input }] of Object.entries(EXAMPLES)) {
    const edited = applyEdit(build, { edit: name, input } as Edit).build;
    if (JSON.stringify(edited) === JSON.stringify(build)) continue;
    expect(compareBuilds(build, edited), name).not.toEqual([]);
    expect(compareBuilds(edited, edited)).toEqual([]);
    seen++;
  }
  expect(seen).toBeGreaterThan(50);
});

test('names from files are keys of nothing: an own "constructor" is a thing like any other', () => {
  const before = firn9('x');
  const zones = JSON.parse('{"__proto__": {"id": "a", "name": "Trap"}, "constructor": {"id": "b", "name": "Cage"}}');
  expect(compareBuilds({ ...before, zones: {} }, { ...before, zones })).toMatchObject([
    { what: 'added', name: 'Trap' },
    { what: 'added', name: 'Cage' },
  ]);
});
