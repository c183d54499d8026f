import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { type Check, checkKey, say } from '../checks';
import { cataloguePart } from '../parts';
import { overloadMultiple } from '../physics/contactor';
import { findRemedies } from '../remedies';
import { figuresOf } from '../testing/figures-of';
import { lifeAt } from './hv-circuit/contactor-wear';

const firn = firn9();
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const of = (build: Build, key: string): Check => assess(build).checks.find((check) => checkKey(check) === key)!;
/** The first remedy tried on the model, and the same check with it. */
const cured = (build: Build, key: string): Check => {
  const remedy = findRemedies(build, of(build, key))[0]!;
  expect(remedy.worsens).toEqual([]);
  return of(applyEdit(build, remedy.edit).build, key);
};
const own = { ...cataloguePart('contactor-450-250', 'contactor'), id: 'own-contactor', provenance: 'own' as const };
const fitted = (more: Partial<typeof own>): Build =>
  edited(firn, { edit: 'fitPart', input: { deviceId: 'k-plus', part: { ...own, ...more } } });

describe('contactor.peak', () => {
  test('the stated points are joined straight over the logarithm of time and reach 1 in an hour', () => {
    const points = own.overloads!;
    expect(overloadMultiple(points, 3)).toBe(2);
    expect(overloadMultiple(points, 30)).toBeCloseTo(2 - 0.5 * (Math.log(3) / Math.log(6)), 12);
    expect(overloadMultiple(points, 600)).toBeCloseTo(1.15, 12);
    expect(overloadMultiple(points, 1e6)).toBe(1);
  });

  test('ten minutes on a hill: 250 A at 50 °C is 234.8 A, 1.15 times that is the limit', () => {
    const check = of(firn, 'contactor.peak:k-minus');
    expect(check.limit!.value).toBeCloseTo(250 * Math.sqrt(75 / 85) * 1.15, 6);
    expect(check.case).toMatch(/^hill\//);
  });

  test('a part that does not state it needs data; a weak one fails', () => {
    const { overloads: _, ...silent } = own;
    const bare = edited(firn, { edit: 'fitPart', input: { deviceId: 'k-plus', part: silent } });
    expect(of(bare, 'contactor.peak:k-plus').verdict).toBe('needs-data');
    const weak = fitted({ carry: [{ areaMm2: 70, currentA: 135 }], overloads: [{ durationS: 10, multiple: 1.1 }] });
    expect(of(weak, 'contactor.peak:k-plus').verdict).toBe('fails');
    expect(cured(weak, 'contactor.peak:k-plus').verdict).toBe('holds');
  });
});

describe('contactor.polarity', () => {
  test('regeneration runs against the mark: the current of the worst state over what it breaks that way', () => {
    const check = of(firn, 'contactor.polarity:k-plus');
    const { point } = assess(firn).vehicle.caseOf(check.case!)!;
    expect(check.case).toMatch(/^regeneration\//);
    expect(check.margin).toBeCloseTo(1 - Math.abs(figuresOf(point).elementCurrentsA.get('k-plus')!) / 100, 9);
  });

  test('without regeneration and charging through it nothing reverses; not polarised it breaks either way', () => {
    expect(say(of(fitted({ polarised: false }), 'contactor.polarity:k-plus')).line).toBe('breaks either way');
    const weak = fitted({ reverseBreakCurrentA: 20 });
    expect(of(weak, 'contactor.polarity:k-plus').verdict).toBe('fails');
    expect(cured(weak, 'contactor.polarity:k-plus').verdict).not.toBe('fails');
  });
});

describe('contactor.life', () => {
  test('arcs wear with the square of the current: 1000 openings at 250 A are 100 000 at 25 A', () => {
    expect(lifeAt(25, 250, 1000, 200_000)).toBeCloseTo(100_000, 6);
    expect(lifeAt(0, 250, 1000, 200_000)).toBe(200_000);
    expect(lifeAt(1, 250, 1000, 200_000)).toBe(200_000);
  });

  test('forty key turns a day for fifteen years are 219 000: more than the mechanism', () => {
    const busy = edited(firn, { edit: 'setFigure', input: { figure: 'startsPerDay', value: 40 } });
    const check = of(busy, 'contactor.life:k-plus');
    expect(check.demand!.value).toBe(40 * 365 * 15);
    expect(check.margin).toBeCloseTo(1 - 219_000 / 200_000, 9);
    expect(cured(busy, 'contactor.life:k-plus').verdict).toBe('holds');
  });
});

describe('contactor.release', () => {
  test('a plain diode takes four times as long as stated, where twice is allowed; a zener cures it', () => {
    const slow = edited(firn, {
      edit: 'setCoilSuppression',
      input: { deviceId: 'k-plus', suppression: 'plain-diode' },
    });
    const check = of(slow, 'contactor.release:k-plus');
    expect(check.demand!.value).toBeCloseTo(0.048, 12);
    expect(check.margin).toBeCloseTo(-1, 12);
    expect(cured(slow, 'contactor.release:k-plus').margin).toBeCloseTo(0.5, 12);
  });

  test('nothing at the coil fails; not told needs data', () => {
    const bare = edited(firn, { edit: 'setCoilSuppression', input: { deviceId: 'k-plus', suppression: 'none' } });
    expect(of(bare, 'contactor.release:k-plus').says.code).toBe('contactor.release.bare');
    const { coilSuppression: _, ...silent } = own;
    const untold = edited(firn, { edit: 'fitPart', input: { deviceId: 'k-plus', part: silent } });
    expect(of(untold, 'contactor.release:k-plus').verdict).toBe('needs-data');
  });
});

describe('contactor.coil', () => {
  test('long thin wires leave too little at the coil; thicker ones cure it', () => {
    const own = Object.keys(firn.circuits.lv.conductors).filter((id) => id.startsWith('coil-'));
    const far = own.reduce(
      (build, conductorId) => edited(build, { edit: 'setConductor', input: { conductorId, lengthM: 12 } }),
      firn,
    );
    const check = of(far, 'contactor.coil:k-plus');
    expect(check.verdict).toBe('fails');
    expect(check.margin).toBeCloseTo((check.demand!.value - 9) / 9, 9);
    expect(cured(far, 'contactor.coil:k-plus').verdict).not.toBe('fails');
  });

  test('without any wires the coils need data, and no emergency stop by wire is called good', () => {
    const bare = { ...firn, circuits: { ...firn.circuits, lv: { devices: {}, conductors: {} } } };
    const { checks } = assess(bare);
    expect(checks.find(({ id }) => id === 'contactor.coil')!.verdict).toBe('needs-data');
    expect(checks.find(({ id }) => id === 'emergency.stop')!.verdict).toBe('needs-data');
    expect(checks.find(({ id }) => id === 'disconnect.interlock')!.verdict).toBe('needs-data');
  });
});

describe('the emergency stop', () => {
  test('a coil that is fed around the handle keeps its contactor: the rule names it', () => {
    const { lv } = firn.circuits;
    const feed = Object.values(lv.conductors).find(({ b }) => b.deviceId === 'coil-driver-1')!;
    const around = { ...feed, a: { deviceId: 'coil-fuse', terminal: 'b' } };
    const build: Build = {
      ...firn,
      circuits: { ...firn.circuits, lv: { ...lv, conductors: { ...lv.conductors, [feed.id]: around } } },
    };
    const check = of(build, 'emergency.stop:emergency-stop');
    expect(check.verdict).toBe('fails');
    expect(say(check).line).toContain('Emergency stop leaves K+ main closed');
    expect(say(of(build, 'emergency.loop:coils')).line).toContain('Inertia switch leaves K+ main closed');
  });

  test('one contact in the feed alone is one failure from useless; a second one in the return cures it', () => {
    const one = edited(firn, { edit: 'takeOutDevice', input: { deviceId: 'coil-stop-return' } });
    expect(of(one, 'emergency.single-failure:emergency-stop').verdict).toBe('fails');
    expect(cured(one, 'emergency.single-failure:emergency-stop').verdict).toBe('holds');
  });

  test('no handle, no inertia switch: each fails and is put in', () => {
    const none = edited(
      firn,
      { edit: 'takeOutDevice', input: { deviceId: 'coil-stop' } },
      { edit: 'takeOutDevice', input: { deviceId: 'coil-stop-return' } },
      { edit: 'takeOutDevice', input: { deviceId: 'coil-inertia' } },
    );
    expect(of(none, 'emergency.stop:emergency-stop').verdict).toBe('fails');
    const remedy = findRemedies(none, of(none, 'emergency.stop:emergency-stop'))[0]!;
    expect(remedy.title).toMatch(/put Emergency stop into/);
    expect(of(none, 'emergency.loop:coils').verdict).toBe('fails');
    expect(cured(none, 'emergency.loop:coils').verdict).toBe('holds');
  });

  test('the mechanical school asks for a disconnect that may be pulled under load', () => {
    const pulled = edited(firn, { edit: 'setSchool', input: { emergencyStop: 'mechanical' } });
    // The service disconnect of Firn 9 may not break load.
    expect(of(pulled, 'emergency.stop:emergency-stop').verdict).toBe('fails');
    const said = (build: Build) =>
      assess(build)
        .checks.filter(({ id }) => id.startsWith('emergency.'))
        .map(({ id, verdict }) => `${id} ${verdict}`)
        .sort();
    // Both have a crash switch that nobody asks for: what is fitted is relied on.
    for (const build of [larkspur(), teasel()])
      expect(said(build)).toEqual(['emergency.key holds', 'emergency.loop holds', 'emergency.stop holds']);
    const bare = Object.values(teasel().circuits.lv.devices)
      .filter(({ kind }) => kind === 'inertia-switch' || kind === 'interlock-contact')
      .reduce((build, { id }) => edited(build, { edit: 'takeOutDevice', input: { deviceId: id } }), teasel());
    expect(said(bare)).toEqual(['emergency.key holds', 'emergency.stop holds']);
  });

  test('a disconnect that may not break load opens the contactors first, through its auxiliary contact', () => {
    expect(of(firn, 'disconnect.interlock:s-mid').verdict).toBe('holds');
    const { lv } = firn.circuits;
    const before = Object.values(lv.conductors).find(({ b }) => b.terminal === 'auxA')!;
    const after = Object.values(lv.conductors).find(({ a }) => a.terminal === 'auxB')!;
    const { [after.id]: _, ...rest } = lv.conductors;
    const build: Build = {
      ...firn,
      circuits: { ...firn.circuits, lv: { ...lv, conductors: { ...rest, [before.id]: { ...before, b: after.b } } } },
    };
    expect(of(build, 'disconnect.interlock:s-mid').verdict).toBe('fails');
    expect(cured(build, 'disconnect.interlock:s-mid').verdict).toBe('holds');
  });
});

test('a sequence that does not prove the link dead fails, one that is not told needs data', () => {
  const untold = edited(firn, { edit: 'setProvesDead', input: { provesDead: null } });
  expect(of(untold, 'contactor.welded-test:sequence').verdict).toBe('needs-data');
  const not = edited(firn, { edit: 'setProvesDead', input: { provesDead: false } });
  expect(of(not, 'contactor.welded-test:sequence').verdict).toBe('fails');
  expect(cured(not, 'contactor.welded-test:sequence').verdict).toBe('holds');
});

test('active discharge: all links on the bus through the active resistor beside the bleeds, closed form', () => {
  const check = of(firn, 'discharge.active:inverter');
  const { vehicle } = assess(firn);
  const devices = vehicle.devices.flatMap(({ part }) => (part && 'linkCapacitanceF' in part ? [part] : []));
  const capacitanceF = devices.reduce((sum, part) => sum + part.linkCapacitanceF, 0);
  const siemens = devices.reduce(
    (sum, part) => sum + (part.bleedResistanceOhm ? 1 / part.bleedResistanceOhm : 0),
    1 / 800,
  );
  const fullV = of(firn, 'contactor.voltage:k-plus').demand!.value;
  expect(check.demand!.value).toBeCloseTo((capacitanceF / siemens) * Math.log(fullV / 60), 9);
  expect(check.verdict).toBe('holds');
});

test('a contactor whose coil is in no circuit leaves the emergency stop open instead of holding', () => {
  const { lv } = firn.circuits;
  const conductors = Object.fromEntries(
    Object.entries(lv.conductors).filter(([, { a, b }]) => a.deviceId !== 'k-plus' && b.deviceId !== 'k-plus'),
  );
  const build: Build = { ...firn, circuits: { ...firn.circuits, lv: { ...lv, conductors } } };
  for (const key of [
    'emergency.stop:emergency-stop',
    'emergency.loop:coils',
    'emergency.single-failure:emergency-stop',
    'disconnect.interlock:s-mid',
  ])
    expect([key, of(build, key).verdict]).toEqual([key, 'needs-data']);
});

test('without cruise power the direction is known from what drives hardest: regeneration still runs against it', () => {
  const idle = edited(
    firn,
    { edit: 'setPowersFrom', input: { powersFrom: 'typed' } },
    { edit: 'setFigure', input: { figure: 'cruisePower', value: 0 } },
    { edit: 'setDevicePower', input: { deviceId: 'heater', state: 'cruise', powerW: 0 } },
    { edit: 'setDevicePower', input: { deviceId: 'charger', state: 'cruise', powerW: 0 } },
  );
  expect(of(idle, 'contactor.polarity:k-plus').demand!.value).toBeGreaterThan(50);
});
