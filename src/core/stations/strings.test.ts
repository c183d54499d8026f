import { expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9 } from '../build/samples/firn-9';
import { secondStringEdit } from '../remedies';
import { shorts, WINDOWS_S } from '../simulate';
import { figuresOf } from '../testing/figures-of';
import { boxSource, packStrings, protectingFuses, vehicleOf } from '../vehicle';

const firn = firn9();
const two: Build = applyEdit(firn, secondStringEdit(assess(firn), 1, 'second')!).build;

test('boxes in series are one string; a second pack beside them is another', () => {
  expect(packStrings(vehicleOf(firn)).map(({ boxIds }) => boxIds.length)).toEqual([2]);
  expect(packStrings(vehicleOf(two)).map(({ boxIds }) => boxIds.length)).toEqual([2, 1]);
});

test('strings in parallel keep the voltage and add energy, capacity and conductance', () => {
  const one = assess(firn).results.pack!;
  const both = assess(two).results.pack!;
  const [first, second] = both.strings;
  expect(both.fullV).toBeCloseTo(one.fullV, 9);
  expect(both.nominalV).toBeCloseTo(one.nominalV, 9);
  expect(both.grossEnergyJ).toBeCloseTo(
    first!.nominalV * first!.capacityAh * 3600 + second!.nominalV * second!.capacityAh * 3600,
    3,
  );
  expect(both.capacityAh).toBeCloseTo(first!.capacityAh + second!.capacityAh, 9);
  // Two resistances in parallel.
  expect(both.resistanceNewOhm).toBeCloseTo(
    (first!.resistanceNewOhm * second!.resistanceNewOhm) / (first!.resistanceNewOhm + second!.resistanceNewOhm),
    12,
  );
});

test('behind two strings the fuses of both protect together what neither takes off alone', () => {
  const vehicle = vehicleOf(two);
  const { of, jointly, unfed } = protectingFuses(vehicle, 'fuse');
  const bare = vehicle.conductors.filter(
    ({ id }) => !unfed.has(id) && !jointly.has(id) && (of.get(id) ?? []).length === 0,
  );
  expect(bare).toEqual([]);
  const together = [...jointly.values()];
  expect(together.length).toBeGreaterThan(0);
  for (const fuses of together) {
    expect(fuses).toContain('second-fuse');
    expect(fuses).toHaveLength(2);
  }
  expect(assess(two).checks.filter(({ id, verdict }) => id === 'fuse.present' && verdict === 'fails')).toEqual([]);
  // A short of the bus ends when the second of the two fuses has opened as well.
  const bus = shorts(vehicle).get('c-inv-plus')!.worst!;
  expect(bus.story.openings.map(({ deviceId }) => deviceId).sort()).toEqual(['f-mid', 'second-fuse']);
});

test('both strings share the current by their resistances when they rest alike', () => {
  const cruise = vehicleOf(two).caseOf('cruise/nominal/sustained')!;
  const vehicle = vehicleOf(two);
  const { elementCurrentsA: amps, elementPowersW: powers, nodeVoltagesV: volts } = figuresOf(cruise.point);
  // Kirchhoff's voltage law round the two strings: what each loses on its way from rest to where they meet is the same.
  const lost = packStrings(vehicle).map(({ ids, boxIds }) =>
    [...ids].reduce((sum, id) => {
      const current = Math.abs(amps.get(id) ?? 0);
      if (!boxIds.includes(id)) return sum + (current > 0 ? powers.get(id)! / current : 0);
      return sum + current * boxSource(vehicle.deviceOf.get(id)!, cruise.corner)!.resistanceOhm;
    }, 0),
  );
  expect(lost[0]!).toBeGreaterThan(0.1);
  expect(lost[1]! / lost[0]!).toBeCloseTo(1, 6);
  expect(amps.get('second-box')!).toBeLessThan(0);
  expect(volts.get('second-box.plus')! - volts.get('second-box.minus')!).toBeGreaterThan(300);
});

test('a first string without a contactor of its own is told, and the remedy puts one in', () => {
  const failing = assess(two).checks.filter(({ id, verdict }) => id === 'pack.string-contactor' && verdict === 'fails');
  expect(failing.map(({ subject }) => subject.name)).toEqual([expect.stringContaining('String of')]);
});

test('a string whose fuse is bridged is told to have none of its own', () => {
  const fuse = Object.values(two.circuits.hv.devices).find(
    ({ id, kind }) => id.startsWith('second') && kind === 'fuse',
  )!;
  const bridged = applyEdit(two, { edit: 'takeOutDevice', input: { deviceId: fuse.id } }).build;
  const before = assess(two).checks.filter(({ id, verdict }) => id === 'pack.string-fuse' && verdict === 'fails');
  const after = assess(bridged).checks.filter(({ id, verdict }) => id === 'pack.string-fuse' && verdict === 'fails');
  expect(after.length).toBe(before.length + 1);
});

test('strings of different cell counts would equalise for ever: told', () => {
  const uneven = applyEdit(two, { edit: 'setCells', input: { deviceId: 'second-box', cellsInSeries: 88 } }).build;
  const check = assess(uneven).checks.find(({ id }) => id === 'pack.string-match')!;
  expect(check.verdict).toBe('fails');
});

test('one string alone carries the whole cruise current', () => {
  const alone = assess(two).checks.filter(({ id }) => id === 'pack.string-alone');
  expect(alone).toHaveLength(2);
  const single = Math.abs(
    figuresOf(vehicleOf(firn).caseOf('cruise/cold-old-empty/sustained')!.point).elementCurrentsA.get('box-rear') ??
      Number.NaN,
  );
  // The same pack without its neighbour is the build as it was.
  expect(alone[0]!.demand!.value).toBeGreaterThanOrEqual(single * 0.999);
});

test('on the usual trip each of two strings’ fuses has its part, and the parts are the whole', () => {
  const trip = assessWithRuns(two).checks.filter(({ id }) => id === 'fuse.trip');
  const inMid = trip.find(({ subject }) => subject.id === 'f-mid');
  const inSecond = trip.find(({ subject }) => subject.id === 'second-fuse');
  // One of the two stands on the shortest way; what it carries is less than everything, and about half here.
  const one = (inMid ?? inSecond)!;
  const part = one.demand!.value;
  const seconds = (one.says.figures.time as { value: number }).value as (typeof WINDOWS_S)[number];
  const whole = assessWithRuns(two).trip!.winter.currents.windowsA[WINDOWS_S.indexOf(seconds)]!;
  expect(part / whole).toBeGreaterThan(0.4);
  expect(part / whole).toBeLessThan(0.6);
});

test('a string with a cable of no size is not called able to carry everything', () => {
  const wire = Object.values(two.circuits.hv.conductors).find(({ id }) => id === 'second-w4')!;
  const unsized: Build = {
    ...two,
    circuits: {
      ...two.circuits,
      hv: { ...two.circuits.hv, conductors: { ...two.circuits.hv.conductors, [wire.id]: { ...wire, partId: null } } },
    },
  };
  const found = assess(unsized).checks.find(
    ({ id, subject }) => id === 'pack.string-alone' && subject.id === 'second-box',
  )!;
  expect(found.verdict).toBe('needs-data');
});

test('a second pack as it was measured: its own capacity and resistance, not those of the first', () => {
  const own = applyEdit(firn, secondStringEdit(assess(firn), { ah: 100, ohm: 0.09 }, 'own')!).build;
  const strings = assess(own).results.pack!.strings;
  expect(strings.map(({ capacityAh }) => capacityAh)).toEqual([176, 100]);
  // Its sum, connections between the cells counted, is what was told.
  expect(strings[1]!.resistanceNewOhm).toBeCloseTo(0.09, 9);
  const part = own.parts[own.circuits.hv.devices['own-box']!.partId!]!;
  expect(part.origins).toMatchObject({ massKg: 'guess', fullV: 'generic' });
});
