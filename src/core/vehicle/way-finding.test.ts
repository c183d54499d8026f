import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build, type Edit, type Passage, type Point } from '../build';
import { firn9 } from '../build/samples';
import { checkKey } from '../checks';
import { lengthAlong } from './geometry';
import { findWay, panelsOf, passageNear, passagesOf } from './way-finding';

const at = (xM: number, yM: number, zM: number): Point => ({ xM, yM, zM });
/** Three rooms in a row, 1 m each, between x = 0 and 3. */
const rooms = (passages: readonly Passage[]): Build => ({
  ...firn9(),
  zones: Object.fromEntries(
    [0, 1, 2].map((k) => [
      `room-${k}`,
      {
        id: `room-${k}`,
        name: `Room ${k}`,
        ambientC: 40,
        extent: { x0M: k, x1M: k + 0.999, y0M: -1, y1M: 1, z0M: 0, z1M: 1 },
      },
    ]),
  ),
  passages: Object.fromEntries(passages.map((one) => [one.id, one])),
});
const door = (id: string, point: Point, from: number, kind: Passage['kind'] = 'grommet'): Passage => ({
  id,
  name: id,
  kind,
  at: point,
  zoneIds: [`room-${from}`, `room-${from + 1}`],
});

describe('ways through the vehicle', () => {
  const near = door('near', at(1, 0, 0.5), 0);
  const wide = door('wide', at(1, 0.9, 0.5), 0);
  const last = door('last', at(2, 0, 0.5), 1);

  test('within a zone it is straight; from zone to zone it goes through the nearer passage', () => {
    const build = rooms([near, wide, last]);
    expect(findWay(build, at(0.2, 0, 0.5), at(0.7, 0, 0.5))).toMatchObject({ points: [], passages: [] });
    const way = findWay(build, at(0.2, 0, 0.5), at(2.8, 0, 0.5))!;
    expect(way.passages.map(({ id }) => id)).toEqual(['near', 'last']);
    expect(way.lengthM).toBeCloseTo(2.6, 12);
    // With the near one closed it goes round: 0.8 along and 0.9 across, then 1 along and 0.9 back, then 0.8.
    const round = findWay(rooms([wide, last]), at(0.2, 0, 0.5), at(2.8, 0, 0.5))!;
    expect(round.lengthM).toBeCloseTo(Math.hypot(0.8, 0.9) + Math.hypot(1, 0.9) + 0.8, 12);
  });

  test('where no passage leads there is no way', () => {
    expect(findWay(rooms([near]), at(0.2, 0, 0.5), at(2.8, 0, 0.5))).toBeNull();
    expect(findWay(rooms([]), at(0.2, 0, 0.5), at(1.5, 0, 0.5))).toBeNull();
  });

  test('it is never longer than the best of all orders, tried one by one', () => {
    const ordinate = fc.double({ min: -0.9, max: 0.9, noNaN: true });
    fc.assert(
      fc.property(ordinate, ordinate, ordinate, ordinate, ordinate, (a, b, c, d, e) => {
        const first = [door('a', at(1, a, 0.2), 0), door('b', at(1, b, 0.8), 0)];
        const second = [door('c', at(2, c, 0.2), 1), door('d', at(2, d, 0.8), 1)];
        const [from, to] = [at(0.1, e, 0.5), at(2.9, -e, 0.5)];
        const found = findWay(rooms([...first, ...second]), from, to)!;
        const best = Math.min(...first.flatMap((p) => second.map((q) => lengthAlong([from, p.at, q.at, to]))));
        expect(found.lengthM).toBeCloseTo(best, 9);
        expect(lengthAlong([from, ...found.points, to])).toBeCloseTo(found.lengthM, 9);
      }),
    );
  });

  test('a dragged point falls into a passage that is near on the drawing, and into none that is far', () => {
    const build = rooms([near]);
    expect(passageNear(build, at(1.03, 0.02, 0.9), ['xM', 'yM'])?.id).toBe('near');
    expect(passageNear(build, at(1.03, 0.02, 0.9), ['xM', 'zM'])).toBeNull();
    expect(passageNear(build, at(1.2, 0, 0.5), ['xM', 'yM'])).toBeNull();
  });
});

describe('passages of the sample', () => {
  const edited = (build: Build, ...edits: Edit[]): Build =>
    edits.reduce((one, edit) => applyEdit(one, edit).build, build);
  const route = (build: Build) => assess(build).checks.find((check) => checkKey(check) === 'cable.route:way-plus')!;

  test('its HV routes go through grommets, and that is all the check asks; a bare hole fails it', () => {
    const build = firn9();
    expect(passagesOf(build, build.routes['way-plus']!).map(({ id }) => id)).toEqual(['p-bulk-right', 'p-boot-right']);
    expect(panelsOf(build, build.routes['way-plus']!)).toEqual({ through: true, bare: [] });
    expect(route(build).verdict).toBe('holds');
    const bare = edited(build, { edit: 'setPassage', input: { passageId: 'p-boot-right', kind: 'hole' } });
    expect(route(bare)).toMatchObject({ verdict: 'fails' });
    expect(route(bare).says.figures.detail).toContain('Boot floor, right has no grommet');
    // Without passages somebody has to look.
    const closed = edited(
      build,
      { edit: 'dropPassage', input: { passageId: 'p-boot-right' } },
      { edit: 'dropPassage', input: { passageId: 'p-bulk-right' } },
    );
    expect(route(closed).verdict).toBe('needs-data');
  });

  test('a passage that is moved takes its routes along, and their lengths follow', () => {
    const build = firn9();
    const length = (one: Build) => assess(one).vehicle.conductorOf.get('c-plus')!.lengthM!;
    const moved = edited(build, {
      edit: 'setPassage',
      input: { passageId: 'p-boot-right', at: { xM: 2, yM: -0.8, zM: 0.42 } },
    });
    expect(moved.routes['way-plus']!.waypoints[0]).toEqual({ xM: 2, yM: -0.8, zM: 0.42 });
    expect(length(moved)).toBeGreaterThan(length(build));
  });

  test('what is no passage is refused in words', () => {
    const refuse = (edit: Edit, words: string) => expect(() => applyEdit(firn9(), edit)).toThrow(words);
    const passage: Passage = { id: 'x', name: 'X', kind: 'hole', at: at(0, 0, 0), zoneIds: ['zone-bay', 'zone-bay'] };
    refuse({ edit: 'addPassage', input: passage }, 'from one place into another');
    refuse({ edit: 'addPassage', input: { ...passage, zoneIds: ['zone-bay', 'nowhere'] } }, 'not in the build');
    refuse(
      { edit: 'addPassage', input: { ...passage, id: 'p-boot-left', zoneIds: ['zone-bay', 'zone-boot'] } },
      'used already',
    );
    refuse(
      { edit: 'addPassage', input: { ...passage, at: at(200, 0, 0), zoneIds: ['zone-bay', 'zone-boot'] } },
      '20 m from the front axle',
    );
    refuse({ edit: 'setPassage', input: { passageId: '__proto__', name: 'Y' } }, 'no longer in the build');
  });
});
