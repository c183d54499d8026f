import { expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9 } from '../build/samples';
import { lowVoltage, vehicleOf } from '../vehicle';
import { usualLoads } from './usual-loads';

const firn = firn9();
/** Firn 9 with its schedule emptied. */
const empty = Object.values(firn.circuits.lv.devices)
  .filter(({ kind }) => kind === 'lv-load')
  .reduce<Build>((build, { id }) => applyEdit(build, { edit: 'dropLowLoad', input: { deviceId: id } }).build, firn);
const jobs = (build: Build) => lowVoltage(vehicleOf(build)).loads.flatMap(({ load }) => load.job ?? []);

test('an empty schedule gets what a car has and what its schools and its losses ask for, in one step', () => {
  const loads = usualLoads(empty, vehicleOf(empty), 'u');
  const { build } = applyEdit(empty, { edit: 'addLowLoads', input: { loads } });
  // Vacuum and steering pump, coolant pump, control unit and electronics by the schools; the gauge by what went with the engine.
  expect(jobs(build)).toEqual(
    expect.arrayContaining(['vacuum-pump', 'steering-pump', 'coolant-pump', 'control-unit', 'bms', 'charge-gauge']),
  );
  expect(usualLoads(build, vehicleOf(build), 'again')).toEqual([]);
  const { checks } = assess(build);
  const open = checks.filter(({ id, verdict }) => ['survey.school', 'survey.loss'].includes(id) && verdict !== 'holds');
  expect(open.map(({ subject }) => subject.id).sort()).toEqual(['brake-vacuum', 'steering-pump']);
  // What is proposed protects its own wires and bears its own peaks.
  for (const rule of ['lv.fuse-load', 'lv.fuse-peak', 'lv.wire-short', 'lv.load-fuse'])
    expect(checks.filter(({ id, verdict }) => id === rule && verdict === 'fails')).toEqual([]);
});

test('what does the job already is not added again under another name', () => {
  const pump = Object.values(firn.circuits.lv.devices).find(({ load }) => load?.job === 'vacuum-pump')!;
  const renamed = applyEdit(firn, { edit: 'renameDevice', input: { deviceId: pump.id, name: 'Suction' } }).build;
  expect(usualLoads(renamed, vehicleOf(renamed), 'u').map(({ load }) => load.job)).not.toContain('vacuum-pump');
});

test('a loop for the drive and one for the heater get a pump each, and only those that are chosen', () => {
  const pumps = (cooling: 'liquid' | 'plate', heating: 'coolant-heater' | 'seats') => {
    const build = { ...empty, schools: { ...empty.schools, cooling, heating } };
    return usualLoads(build, vehicleOf(build), 'u').filter(({ load }) => load.job === 'coolant-pump').length;
  };
  expect(pumps('liquid', 'coolant-heater')).toBe(2);
  expect(pumps('liquid', 'seats')).toBe(1);
  expect(pumps('plate', 'coolant-heater')).toBe(1);
  expect(pumps('plate', 'seats')).toBe(0);
});
