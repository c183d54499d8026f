import { type Build, type Extent, type Id, own } from '../types';
import { define } from './definition';
import { EditRefused } from './refused';

const FARTHEST_M = 20;

function checked(extent: Extent): Extent {
  const pairs = [
    [extent.x0M, extent.x1M, 'along'],
    [extent.y0M, extent.y1M, 'across'],
    [extent.z0M, extent.z1M, 'up'],
  ] as const;
  for (const [from, to, way] of pairs) {
    if (!(Math.abs(from) <= FARTHEST_M && Math.abs(to) <= FARTHEST_M))
      throw new EditRefused('That is more than 20 m from the front axle.', 'Type metres in the vehicle’s frame.');
    if (!(to > from))
      throw new EditRefused(
        `The place has no room ${way}: its end is not behind its beginning.`,
        'Type the smaller figure first.',
      );
  }
  return { ...extent };
}

/** Names of what lies in a zone. */
function usersOf(build: Build, zoneId: Id): string[] {
  const circuits = [build.circuits.hv, build.circuits.lv];
  return [
    ...circuits.flatMap(({ devices }) =>
      Object.values(devices).flatMap(({ place, name }) => (place?.zoneId === zoneId ? [name] : [])),
    ),
    ...circuits.flatMap(({ conductors }) =>
      Object.values(conductors).flatMap(({ laid, name }) => (laid?.zoneId === zoneId ? [name] : [])),
    ),
    ...Object.values(build.routes).flatMap(({ laid, name }) => (laid.zoneId === zoneId ? [name] : [])),
    ...Object.values(build.passages ?? {}).flatMap(({ zoneIds, name }) => (zoneIds.includes(zoneId) ? [name] : [])),
  ];
}

/** Places of the vehicle beyond the usual ones: a tunnel, a chassis rail, a sill. */
export const ZONE_EDITS = {
  addZone: define<{ zoneId: Id; name: string; ambientC: number; extent: Extent }>({
    title: (_, { name }) => `a place: ${name.trim()}`,
    apply: (draft, { zoneId, name, ambientC, extent }) => {
      if (own(draft.zones, zoneId)) throw new EditRefused(`The id "${zoneId}" is used already.`, 'Make a fresh id.');
      if (name.trim() === '' || name.length > 100)
        throw new EditRefused('A name has 1 to 100 characters.', 'Type a shorter name.');
      if (!(ambientC >= -60 && ambientC <= 200))
        throw new EditRefused('An ambient is between −60 and 200 °C.', 'Type the hottest air that stays there.');
      draft.zones[zoneId] = { id: zoneId, name: name.trim(), ambientC, extent: checked(extent) };
    },
  }),

  /** Its block of the vehicle; null: the usual one of its kind, or none. */
  setExtent: define<{ zoneId: Id; extent: Extent | null }>({
    title: (build, { zoneId }) => `where ${own(build.zones, zoneId)?.name ?? 'a place'} is`,
    apply: (draft, { zoneId, extent }) => {
      const zone = own(draft.zones, zoneId);
      if (!zone) throw new EditRefused('That place is no longer in the build.', 'Choose another place.');
      if (extent === null) delete zone.extent;
      else zone.extent = checked(extent);
    },
  }),

  dropZone: define<{ zoneId: Id }>({
    title: (build, { zoneId }) => `take the place ${own(build.zones, zoneId)?.name ?? ''} away`,
    apply: (draft, { zoneId }) => {
      if (!own(draft.zones, zoneId)) throw new EditRefused('That place is no longer in the build.', 'Choose another.');
      const users = usersOf(draft as Build, zoneId);
      if (users.length > 0)
        throw new EditRefused(
          `${users.slice(0, 3).join(', ')}${users.length > 3 ? ` and ${users.length - 3} more` : ''} ${users.length === 1 ? 'lies' : 'lie'} there.`,
          'Give them another place first.',
        );
      if (Object.keys(draft.zones).length === 1)
        throw new EditRefused('A vehicle has one place at least.', 'Add another one first.');
      delete draft.zones[zoneId];
    },
  }),
};
