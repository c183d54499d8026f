import type { Draft } from 'immer';
import { type Build, type Id, own, PASSAGES, type Passage, type PassageKind, type Point } from '../types';
import { define } from './definition';
import { EditRefused } from './refused';

const SAME_M = 1e-3;
const FARTHEST_M = 20;

const passageToEdit = (draft: Draft<Build>, id: Id): Draft<Passage> => {
  const passage = own(draft.passages ?? {}, id);
  if (!passage) throw new EditRefused('That cable duct is no longer in the build.', 'Put a new one in.');
  return passage as Draft<Passage>;
};

const checked = (point: Point): Point => {
  for (const value of [point.xM, point.yM, point.zM])
    if (!(Math.abs(value) <= FARTHEST_M))
      throw new EditRefused('That is more than 20 m from the front axle.', 'Type metres behind the front axle.');
  const millimetre = (value: number) => Math.round(value * 1000) / 1000;
  return { xM: millimetre(point.xM), yM: millimetre(point.yM), zM: millimetre(point.zM) };
};

function refuseZones(draft: Draft<Build>, zoneIds: readonly [Id, Id]): void {
  if (zoneIds[0] === zoneIds[1])
    throw new EditRefused('A cable duct leads from one place into another.', 'Choose two places.');
  for (const id of zoneIds)
    if (!own(draft.zones, id)) throw new EditRefused('That place is not in the build.', 'Choose another place.');
}

const shortName = (name: string): string => {
  if (name.trim() === '' || name.length > 100)
    throw new EditRefused('A name has 1 to 100 characters.', 'Type a shorter name.');
  return name.trim();
};

/** Holes, grommets and tunnels through which cables go from zone to zone. */
export const PASSAGE_EDITS = {
  addPassage: define<Passage>({
    title: (_, { name }) => `a cable duct: ${name.trim()}`,
    apply: (draft, { id, name, kind, at, zoneIds }) => {
      draft.passages ??= {};
      if (Object.hasOwn(draft.passages, id))
        throw new EditRefused(`The id "${id}" is used already.`, 'Make a fresh id.');
      if (!PASSAGES.includes(kind)) throw new EditRefused('There is no such cable duct.', 'Choose one of the list.');
      refuseZones(draft, zoneIds);
      draft.passages[id] = { id, name: shortName(name), kind, at: checked(at), zoneIds: [...zoneIds] };
    },
  }),

  /** Routes that go through it go along when it is moved. */
  setPassage: define<{ passageId: Id; name?: string; kind?: PassageKind; at?: Point; zoneIds?: readonly [Id, Id] }>({
    title: (build, { passageId, at }) =>
      `${at ? 'move' : 'change'} ${own(build.passages ?? {}, passageId)?.name ?? 'a cable duct'}`,
    apply: (draft, { passageId, name, kind, at, zoneIds }) => {
      const passage = passageToEdit(draft, passageId);
      if (name !== undefined) passage.name = shortName(name);
      if (kind !== undefined) passage.kind = kind;
      if (zoneIds !== undefined) {
        refuseZones(draft, zoneIds);
        passage.zoneIds = [...zoneIds];
      }
      if (at === undefined) return;
      const next = checked(at);
      const before = { ...passage.at };
      for (const route of Object.values(draft.routes))
        route.waypoints.forEach((point, k) => {
          const away = Math.hypot(point.xM - before.xM, point.yM - before.yM, point.zM - before.zM);
          if (away < SAME_M) route.waypoints[k] = { ...next };
        });
      passage.at = next;
    },
  }),

  dropPassage: define<{ passageId: Id }>({
    title: (build, { passageId }) => `close ${own(build.passages ?? {}, passageId)?.name ?? 'a cable duct'}`,
    apply: (draft, { passageId }) => {
      passageToEdit(draft, passageId);
      delete draft.passages![passageId];
    },
  }),

  /** All points of a route between its ends at once; its ends follow the devices from then on. */
  setWay: define<{ routeId: Id; waypoints: readonly Point[] }>({
    title: (build, { routeId }) => `a way for ${own(build.routes, routeId)?.name ?? 'a route'}`,
    apply: (draft, { routeId, waypoints }) => {
      const route = own(draft.routes, routeId);
      if (!route) throw new EditRefused('That route is no longer in the build.', 'Lay a new one.');
      if (waypoints.length > 200) throw new EditRefused('A route has 200 points at most.', 'Take some out.');
      route.waypoints = waypoints.map(checked);
      route.endsFollow = true;
    },
  }),
};
