import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { applyEdit, type Edit } from '../build';
import { patchBuild } from '../build/edits';
import { firn9, larkspur } from '../build/samples';
import { type Check, checkKey } from '../checks';
import { cataloguePart } from '../parts';
import { sameKind } from '../proposals/fuses';
import { findRemedies, searchRemedies } from './index';

const firn = firn9();
const failing = (build = firn) => assess(build).checks.filter((check) => check.verdict === 'fails');

describe('remedies are tried on the model', () => {
  test.each(failing().map((check) => [checkKey(check), check] as const))(
    '%s has one that holds and harms nothing',
    (key, check) => {
      const [best] = findRemedies(firn, check);
      expect(best).toBeDefined();
      expect(best!.worsens).toEqual([]);
      const after = assess(applyEdit(firn, best!.edit).build);
      const same = after.checks.find((candidate) => checkKey(candidate) === key)!;
      expect(['holds', 'thin']).toContain(same.verdict);
      expect(after.checks.filter((candidate) => candidate.verdict === 'fails').length).toBeLessThan(failing().length);
    },
  );

  test('the heater fuse is offered at a rating that its hot cable carries', () => {
    const check = failing().find((candidate) => candidate.id === 'fuse.cable-overload')!;
    const offer = findRemedies(firn, check)[0]!;
    expect(offer.edit.edit).toBe('fitPart');
    expect(offer.after.demand!.value).toBeLessThanOrEqual(offer.after.limit!.value);
  });

  test('a load that wakes during precharge is held off, or the resistor made to cope', () => {
    const awake = applyEdit(firn, {
      edit: 'fitPart',
      input: {
        deviceId: 'heater',
        part: {
          ...(firn.parts['heater-400-5000'] as never as object),
          id: 'awake',
          turnOnV: 200,
          turnOffV: 180,
        } as never,
      },
    } as Edit).build;
    const check = assess(awake).checks.find((candidate) => candidate.id === 'precharge.reaches')!;
    expect(check.verdict).toBe('fails');
    const offer = findRemedies(awake, check)[0]!;
    expect(offer.title).toContain('held off');
    expect(offer.after.verdict).toBe('holds');
  });

  test('a remedy is tried with the trips that it changes: less power cures the sag and is said not to give the trip', () => {
    const runs = { trip: assessWithRuns(larkspur()).trip };
    const before = assess(larkspur(), { runs });
    const sag = before.checks.find(({ id }) => id === 'pack.sag')!;
    const gives = before.checks.find(({ id }) => id === 'drive.gives')!;
    expect(gives.verdict).not.toBe('fails');
    const spoilt = findRemedies(larkspur(), sag, 6, { runs }).flatMap(({ edit, worsens }) =>
      worsens
        .filter(({ after }) => after.id === 'drive.gives' && after.verdict === 'fails')
        .map((one) => ({ edit, one })),
    );
    expect(spoilt.length).toBeGreaterThan(0);
    for (const { edit, one } of spoilt) {
      // Driven afresh with the remedy made, the trip says the same.
      const after = assessWithRuns(applyEdit(larkspur(), edit).build);
      expect(after.checks.find(({ id }) => id === 'drive.gives')!.verdict).toBe('fails');
      expect(one.before?.margin).toBe(gives.margin);
    }
  });

  test('a remedy that would make something else fail says which', () => {
    const typed = applyEdit(firn, { edit: 'setPowersFrom', input: { powersFrom: 'typed' } }).build;
    const hot = applyEdit(typed, { edit: 'setFigure', input: { figure: 'cruisePower', value: 62000 } }).build;
    const check = assess(hot).checks.find(
      (candidate) => candidate.id === 'fuse.continuous' && candidate.subject.id === 'f-mid',
    )!;
    expect(check.verdict).toBe('fails');
    const offers = findRemedies(hot, check);
    expect(offers.length).toBeGreaterThan(0);
    for (const offer of offers) expect(offer.worsens.map((worse) => worse.after.id)).toContain('fuse.cable-overload');
  });
});

describe('where no single change cures', () => {
  const bare = applyEdit(firn, { edit: 'takeOutDevice', input: { deviceId: 's-mid' } } as Edit).build;

  test('two steps that cure together are offered as one press, undone as one, and leave nothing worse', () => {
    const check = assess(bare).checks.find(({ id }) => id === 'disconnect.present')!;
    expect(check.verdict).toBe('fails');
    const [best] = findRemedies(bare, check);
    expect(best!.edit.edit).toBe('together');
    expect(best!.worsens).toEqual([]);
    expect(best!.title).toMatch(/^put Disconnect into .*, and put the auxiliary contact of Disconnect into the loop$/);
    const made = applyEdit(bare, best!.edit);
    const after = assess(made.build);
    expect(after.checks.find(({ id }) => id === 'disconnect.present')!.verdict).toBe('holds');
    // Of the design: wires that are in the car already are made anew, and say so.
    const failing = (checks: readonly Check[]) =>
      checks.filter(({ verdict, work }) => verdict === 'fails' && !work).length;
    expect(failing(after.checks)).toBeLessThan(failing(assess(bare).checks));
    expect(patchBuild(made.build, made.inverse)).toEqual(bare);
  });

  test('else it is said how near the nearest change comes, never as a cure', () => {
    const greedy = applyEdit(firn, { edit: 'setFigure', input: { figure: 'hardPower', value: 400e3 } }).build;
    const check = assess(greedy).checks.find(({ id }) => id === 'pack.delivers')!;
    const { remedies, nearest, tried } = searchRemedies(greedy, check);
    expect(remedies).toEqual([]);
    expect(tried).toBeGreaterThan(0);
    expect(nearest!.after.verdict).toBe('fails');
    expect(nearest!.after.margin!).toBeGreaterThan(check.margin!);
  });

  test('a fuse, contactor or disconnect that could not break the full voltage is never proposed', () => {
    const low = cataloguePart('fuse-traction-150-100', 'fuse');
    const wrong = applyEdit(firn, { edit: 'fitPart', input: { deviceId: 'f-mid', part: low } }).build;
    const hot = applyEdit(applyEdit(wrong, { edit: 'setPowersFrom', input: { powersFrom: 'typed' } }).build, {
      edit: 'setFigure',
      input: { figure: 'cruisePower', value: 62000 },
    }).build;
    const before = assess(hot);
    const proposed = before.checks
      .filter(({ subject, verdict }) => subject.id === 'f-mid' && verdict === 'fails')
      .flatMap((check) => findRemedies(hot, check, 6))
      .flatMap(({ edit }) => (edit.edit === 'fitPart' && edit.input.part.kind === 'fuse' ? [edit.input.part] : []));
    expect(proposed.length).toBeGreaterThan(0);
    // 54 and 36 cells in series of 4.2 V: 378 V.
    for (const part of proposed) expect(part.ratedVoltageDcV).toBeGreaterThanOrEqual(378);
  });
});

test('where no fuse of the list breaks the voltage, none is proposed, also none without a DC voltage', () => {
  const fuse = { ...cataloguePart('fuse-traction-150-100', 'fuse'), ratedVoltageDcV: null };
  const setting = (fullV: number) => ({ fullV }) as Parameters<typeof sameKind>[1];
  expect(sameKind(fuse, setting(1500))).toEqual([]);
  const found = sameKind(fuse, setting(378));
  expect(found.length).toBeGreaterThan(0);
  for (const part of found) expect(part.ratedVoltageDcV).toBeGreaterThanOrEqual(378);
});

/** Ways to break the sample, and the check that then fails and must have a cure. */
const BREAKS: readonly (readonly [string, readonly Edit[]])[] = [
  [
    'fuse.dc-rating:f-charger',
    [
      {
        edit: 'fitPart',
        input: {
          deviceId: 'f-charger',
          part: { ...cataloguePart('fuse-traction-500-32', 'fuse'), id: 'no-dc', ratedVoltageDcV: null },
        },
      },
    ],
  ],
  [
    'fuse.continuous:f-mid',
    [{ edit: 'fitPart', input: { deviceId: 'f-mid', part: cataloguePart('fuse-traction-500-160', 'fuse') } }],
  ],
  [
    'contactor.voltage:k-plus',
    [{ edit: 'fitPart', input: { deviceId: 'k-plus', part: cataloguePart('contactor-150-200', 'contactor') } }],
  ],
  [
    'contactor.carry:k-plus',
    [
      { edit: 'fitPart', input: { deviceId: 'k-plus', part: cataloguePart('contactor-450-150', 'contactor') } },
      { edit: 'setPowersFrom', input: { powersFrom: 'typed' } },
      { edit: 'setFigure', input: { figure: 'cruisePower', value: 45000 } },
    ],
  ],
  ['contactor.make:k-plus', [{ edit: 'setFigure', input: { figure: 'closeAt', value: 0.85 } }]],
  [
    'disconnect.rating:s-mid',
    [{ edit: 'fitPart', input: { deviceId: 's-mid', part: cataloguePart('disconnect-150-250', 'disconnect') } }],
  ],
  [
    'precharge.fault:r-pre',
    [{ edit: 'fitPart', input: { deviceId: 'r-pre', part: cataloguePart('resistor-100-50', 'resistor') } }],
  ],
  [
    'precharge.time:r-pre',
    [
      {
        edit: 'fitPart',
        input: {
          deviceId: 'r-pre',
          part: { ...cataloguePart('resistor-220-200', 'resistor'), id: 'slow', resistanceOhm: 800 },
        },
      },
    ],
  ],
  [
    'cable.temperature:c-mid',
    [{ edit: 'fitCable', input: { conductorIds: ['c-mid'], part: cataloguePart('cable-shielded-10', 'cable') } }],
  ],
  [
    'cable.voltage:c-shunt',
    [
      {
        edit: 'fitCable',
        input: {
          conductorIds: ['c-shunt'],
          part: { ...cataloguePart('cable-plain-70', 'cable'), id: 'weak', ratedVoltageV: 300 },
        },
      },
    ],
  ],
  [
    'cable.drop:inverter',
    [
      { edit: 'fitCable', input: { conductorIds: ['c-minus'], part: cataloguePart('cable-shielded-25', 'cable') } },
      { edit: 'setConductor', input: { conductorId: 'c-minus', lengthM: 55 } },
    ],
  ],
  ['pack.sag:box-rear', [{ edit: 'setFigure', input: { figure: 'hardPower', value: 75000 } }]],
  ['pack.delivers:pack', [{ edit: 'setFigure', input: { figure: 'hardPower', value: 200000 } }]],
  ['inverter.current:inverter', [{ edit: 'setFigure', input: { figure: 'hardPower', value: 90000 } }]],
  ['device.voltage-min:inverter', [{ edit: 'setFigure', input: { figure: 'hardPower', value: 110000 } }]],
  ['device.voltage-max:inverter', [{ edit: 'setCells', input: { deviceId: 'box-rear', cellsInSeries: 62 } }]],
];

describe('every way of failing that a single change can cure has a cure', () => {
  test.each(BREAKS)('%s', (key, edits) => {
    const broken = edits.reduce((build, edit) => applyEdit(build, edit).build, firn);
    const check = assess(broken).checks.find((candidate) => checkKey(candidate) === key)!;
    expect(check.verdict).toBe('fails');
    const [best] = findRemedies(broken, check);
    expect(best).toBeDefined();
    const cured = assess(applyEdit(broken, best!.edit).build);
    expect(['holds', 'thin']).toContain(cured.checks.find((candidate) => checkKey(candidate) === key)!.verdict);
    // What the offer says of the rest is true: a check that newly fails is named.
    const failedBefore = new Set(
      assess(broken)
        .checks.filter((candidate) => candidate.verdict === 'fails')
        .map(checkKey),
    );
    const newlyFailing = cured.checks
      .filter((candidate) => candidate.verdict === 'fails' && !failedBefore.has(checkKey(candidate)))
      .map(checkKey);
    expect(best!.worsens.map((worse) => checkKey(worse.after))).toEqual(expect.arrayContaining(newlyFailing));
  });
});
