import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../assess';
import { applyEdit, type Build, type Edit } from '../build';
import { firn9 } from '../build/samples/firn-9';
import { cutListCsv } from '../formats';
import { cataloguePart } from '../parts';
import { sizeCables } from '../remedies';
import { figuresOf } from '../testing/figures-of';
import { resolve } from '../vehicle';
import { clampCount, cutFrom, cutList, type Piece, terminationOf } from './cables';

const firn = firn9();
const edited = (...edits: Edit[]): Build => edits.reduce((made, edit) => applyEdit(made, edit).build, firn);
const check = (build: Build, id: string, subject: string) =>
  assess(build).checks.find((one) => one.id === id && one.subject.id === subject)!;

describe('routes', () => {
  test('bare under the floor, over a brake line, through a panel without a grommet: each is told', () => {
    const bad = edited({
      edit: 'setRoute',
      input: { routeId: 'way-plus', laid: { conduit: false }, facts: { overBrakeLine: true, grommet: false } },
    });
    const found = check(bad, 'cable.route', 'way-plus');
    expect(found.verdict).toBe('fails');
    expect(String(found.says.figures.detail)).toMatch(/brake line.*grommet.*conduit/);
    expect(check(firn, 'cable.route', 'way-plus').verdict).toBe('holds');
  });

  test('what nobody looked at is open, not good', () => {
    const blank: Build = {
      ...firn,
      routes: { ...firn.routes, 'way-plus': { ...firn.routes['way-plus']!, facts: { cover: true } } },
    };
    expect(check(blank, 'cable.route', 'way-plus').verdict).toBe('needs-data');
    expect(check(blank, 'cable.shield', 'c-plus').verdict).toBe('needs-data');
  });

  test('a shielded cable of 19 mm wants 114 mm of radius, 190 where it moves', () => {
    const tight = edited({ edit: 'setRoute', input: { routeId: 'way-mid', facts: { tightestBendM: 0.12 } } });
    expect(check(tight, 'cable.bend', 'c-mid').verdict).toBe('thin');
    expect(check(tight, 'cable.bend', 'c-mid').limit!.value).toBeCloseTo(0.114, 9);
    const moving = edited({
      edit: 'setRoute',
      input: { routeId: 'way-mid', facts: { tightestBendM: 0.12, moves: true } },
    });
    expect(check(moving, 'cable.bend', 'c-mid').verdict).toBe('fails');
    expect(check(moving, 'cable.bend', 'c-mid').limit!.value).toBeCloseTo(0.19, 9);
  });
});

describe('heat over time', () => {
  test('a peak ends between the cruise that it starts from and what metal alone would reach', () => {
    const { checks, vehicle } = assess(firn);
    for (const { subject, demand } of checks.filter(({ id }) => id === 'cable.peak')) {
      const conductor = vehicle.conductorOf.get(subject.id)!;
      const hard = vehicle.caseOf('hard-acceleration/cold-old-empty/seconds')!;
      const amps = Math.abs(figuresOf(hard.point).elementCurrentsA.get(subject.id) ?? 0);
      expect(demand!.value).toBeGreaterThanOrEqual(conductor.zone!.ambientC);
      // Ten minutes of hill at most twice the current of ten seconds: the class bounds it in the sample.
      if (amps > 1) expect(demand!.value).toBeLessThan(conductor.cable!.temperatureClassC);
    }
  });

  test('the trip is pending until it was driven, and half the copper gets hotter on it', () => {
    expect(assess(firn).checks.find(({ id }) => id === 'cable.trip')!.verdict).toBe('pending');
    expect(assess(firn).checks.find(({ id }) => id === 'fuse.trip')!.verdict).toBe('pending');
    const thin = edited({
      edit: 'fitCable',
      input: { conductorIds: ['c-plus'], part: cataloguePart('cable-shielded-25', 'cable') },
    });
    const hot = (build: Build) =>
      assessWithRuns(build).checks.find(({ id, subject }) => id === 'cable.trip' && subject.id === 'c-plus')!.demand!
        .value;
    expect(hot(thin)).toBeGreaterThan(hot(firn) + 10);
  });
});

describe('sizing', () => {
  const all = (build: Build) => assess(build).vehicle.conductors.map(({ id }) => id);
  test('what it fits holds with the comfort, and no more fails than before', () => {
    const sized = sizeCables(firn, { conductorIds: all(firn), comfort: 0.1 });
    const after = assess(applyEdit(firn, sized.edit!).build);
    const bad = after.checks.filter(
      ({ id, margin, verdict }) =>
        ['cable.temperature', 'cable.peak', 'cable.drop', 'fuse.cable-overload', 'fuse.cable-short'].includes(id) &&
        (verdict === 'fails' || (margin !== undefined && margin < 0.0999)),
    );
    expect(bad.map(({ id, subject }) => `${id} ${subject.id}`)).toEqual([]);
    expect(sized.after.fails).toBeLessThan(sized.before.fails);
    // The heater's 63 A on 4 mm² near the heater fails in the sample: it gets thicker wire.
    expect(sized.choices.find(({ conductorId }) => conductorId === 'c-heat-plus')!.chosen.part.areaMm2).toBeGreaterThan(
      4,
    );
  });

  test('one size smaller than chosen fails what it says it is bound by', () => {
    const sized = sizeCables(firn, { conductorIds: ['c-heat-plus'], comfort: 0.1 });
    const [choice] = sized.choices;
    const at = choice!.tries.findIndex(({ part }) => part.id === choice!.chosen.part.id);
    for (const smaller of choice!.tries.slice(0, at)) expect(smaller.margin).toBeLessThan(0.1);
  });

  test('nothing gets thinner behind a fuse that is not proved to break, and nothing is sized without a solution', () => {
    // The charger's fuse can't break the full voltage: its 6 mm² stays, and is not called holding.
    const [charger] = sizeCables(firn, { conductorIds: ['c-chg-plus'], comfort: 0.1 }).choices;
    expect(charger).toMatchObject({ holds: false, chosen: { part: { areaMm2: 6 } } });
    const dark = edited({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } });
    expect(sizeCables(dark, { conductorIds: all(dark), comfort: 0.1 })).toMatchObject({
      refused: true,
      choices: [],
      edit: null,
    });
  });

  test('more comfort never gives a thinner cable', () => {
    const area = (comfort: number) =>
      sizeCables(firn, { conductorIds: ['c-heat-plus', 'c-plus'], comfort }).choices.map(
        ({ chosen }) => chosen.part.areaMm2,
      );
    const [little, much] = [area(0), area(0.4)];
    little.forEach((area, k) => {
      expect(much[k]!).toBeGreaterThanOrEqual(area);
    });
  });

  test('it ends when it is told to', () => {
    let asked = 0;
    const sized = sizeCables(firn, { conductorIds: all(firn), comfort: 0.1, cancelled: () => ++asked > 3 });
    expect(sized.choices).toHaveLength(3);
  });
});

describe('cut list', () => {
  const piece = (lengthM: number, k: number): Piece => ({
    conductorId: `c${k}`,
    name: `c${k}`,
    fromName: 'a',
    toName: 'b',
    lengthM,
    clamps: 1,
  });

  test('6 + 4 and 5 + 5 off two reels of ten, where longest first alone would begin a third', () => {
    const { reels } = cutFrom([5, 5, 6, 4].map(piece), [10]);
    expect(reels).toHaveLength(2);
    for (const { leftM } of reels) expect(leftM).toBeCloseTo(0, 9);
    // 4 4 3 3 3 3 off tens: two reels hold them, 4+3+3 each.
    expect(cutFrom([4, 4, 3, 3, 3, 3].map(piece), [10]).reels).toHaveLength(2);
  });

  test('every piece is cut once, no reel gives more than it has, and no fewer reels than metres allow', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 9, noNaN: true }), { minLength: 1, maxLength: 11 }),
        (lengths) => {
          const { reels, tooLong } = cutFrom(lengths.map(piece), [10]);
          expect(tooLong).toEqual([]);
          const cut = reels.flatMap(({ pieces }) => pieces.map(({ conductorId }) => conductorId));
          expect(cut.sort()).toEqual(lengths.map((_, k) => `c${k}`).sort());
          for (const { pieces, lengthM, leftM } of reels) {
            const used = pieces.reduce((sum, one) => sum + one.lengthM, 0);
            expect(used).toBeLessThanOrEqual(lengthM + 1e-6);
            expect(leftM).toBeCloseTo(lengthM - used, 6);
          }
          const total = lengths.reduce((sum, one) => sum + one, 0);
          expect(reels.length).toBeGreaterThanOrEqual(Math.ceil(total / 10 - 1e-9));
          // First fit decreasing never needs more than 11/9 of the best and one (Johnson 1973); any cut needs at least the metres.
          expect(reels.length).toBeLessThanOrEqual(
            (11 / 9) * Math.max(Math.ceil(total / 10), lengths.filter((one) => one > 5).length) + 2,
          );
        },
      ),
    );
  });

  test('a piece that no reel holds is named', () => {
    expect(cutFrom([piece(12, 0)], [5, 10]).tooLong).toHaveLength(1);
  });

  const list = cutList([assess(firn).vehicle.conductors, resolve(firn, 'lv').conductors], (id) => id, [5, 10, 25]);
  test('the sample’s list has each cable of each circuit, HV in orange, and travels as a table without formulas', () => {
    const pieces = list.groups.flatMap(({ reels }) => reels.flatMap((reel) => reel.pieces));
    const cables = [...assess(firn).vehicle.conductors, ...resolve(firn, 'lv').conductors].filter(
      ({ conductor }) => conductor.kind === 'cable',
    );
    expect(pieces).toHaveLength(cables.length);
    expect(list.groups.filter(({ orange }) => orange).every(({ part }) => part.ratedVoltageV > 60)).toBe(true);
    const named = cutList([assess(firn).vehicle.conductors], () => '=cmd', [25]);
    expect(cutListCsv(named)).toContain("'=cmd");
  });

  test('lugs, glands, heat-shrink and clamps for 70 mm² shielded of 19 mm', () => {
    const found = terminationOf(cataloguePart('cable-shielded-70', 'cable'));
    expect(found).toMatchObject({ stud: 'M8', gland: 'M32', grommetMm: 19 });
    // d = √(4·70/(π·0.62)) = 12 mm of strands.
    expect(found.barrelMm).toBeCloseTo(12.6, 1);
    // 100 mm from each end and none further apart than 300 mm: 2 m takes 1.8 / 0.3 + 1.
    expect(clampCount(2)).toBe(7);
    expect(clampCount(0.15)).toBe(1);
  });
});
