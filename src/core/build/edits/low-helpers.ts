import type { Draft } from 'immer';
import type { Build, Conductor, Device, End, Id } from '../types';
import { refuseUsedId } from './helpers';

/** What the edits of the 12-volt side have in common. */
export const at = (deviceId: Id, terminal: string): End => ({ deviceId, terminal });
export const lowOf = (draft: Draft<Build>) => draft.circuits.lv;

/** The bar of the fuse box that loads hang on. */
export const BOX = 'Fuse box';
export const fuseBoxOf = (build: Build): Device | undefined =>
  Object.values(build.circuits.lv.devices).find(({ kind, name }) => kind === 'lv-junction' && name === BOX);

/** Puts a device of the 12-volt side in. */
export function put(draft: Draft<Build>, device: Omit<Device, 'partId' | 'place'> & { partId?: string | null }): void {
  refuseUsedId(draft, device.id);
  lowOf(draft).devices[device.id] = { partId: null, place: null, ...device } as Draft<Device>;
}

/** A bar of the fuse box between two terminals. */
export function putBar(draft: Draft<Build>, id: Id, name: string, a: End, b: End): void {
  refuseUsedId(draft, id);
  const bar: Conductor = {
    id,
    name: name.slice(0, 120),
    kind: 'busbar',
    a,
    b,
    partId: null,
    parallel: 1,
    routeId: null,
    lengthM: null,
    laid: null,
    jointResistanceOhm: null,
  };
  lowOf(draft).conductors[id] = bar as Draft<Conductor>;
}

/** The first way of the fuse box that is free. */
export function nextWay(draft: Draft<Build>): number {
  const taken = new Set(Object.values(lowOf(draft).devices).map(({ way }) => way));
  let way = 1;
  while (taken.has(way)) way++;
  return way;
}
