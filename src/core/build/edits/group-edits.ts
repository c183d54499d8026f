import type { Draft } from 'immer';
import type { FusePart } from '../../parts/types';
import type { Build, Conductor, Device, End, Id } from '../types';
import { define } from './definition';
import { addPart, deviceToEdit, pruneParts, retireAdoptions } from './helpers';
import { at, fuseBoxOf, nextWay, put, putBar } from './low-helpers';
import { EditRefused } from './refused';

/** What stands before a load: its fuse, its relay, and the wires between, from the fuse on. */
export interface LoadCircuit {
  readonly fuseId: Id | null;
  readonly relayId: Id | null;
  /** From the fuse; the same as `feed` where there is no relay. */
  readonly tap: Conductor | null;
  /** Into the load. */
  readonly feed: Conductor | null;
}

const kindOf = ({ circuits }: Build, { deviceId }: End): Device['kind'] | undefined =>
  circuits.lv.devices[deviceId]?.kind;
const into = ({ circuits }: Build, deviceId: Id, terminal: string): Conductor | null =>
  Object.values(circuits.lv.conductors).find(({ b }) => b.deviceId === deviceId && b.terminal === terminal) ?? null;

/** Follows a load's feed back to its fuse. */
export function loadCircuit(build: Build, loadId: Id): LoadCircuit {
  const feed = into(build, loadId, 'plus');
  const relayId = feed && kindOf(build, feed.a) === 'relay' ? feed.a.deviceId : null;
  const tap = relayId === null ? feed : into(build, relayId, 'a');
  const fuseId = tap && kindOf(build, tap.a) === 'lv-fuse' ? tap.a.deviceId : null;
  return { fuseId, relayId, tap, feed };
}

/** Takes away a fuse or relay that feeds nothing any more, with what led to it. */
function dropIdle(draft: Draft<Build>, deviceId: Id | null): void {
  if (deviceId === null) return;
  const { devices, conductors } = draft.circuits.lv;
  const feeds = Object.values(conductors).some(({ a }) => a.deviceId === deviceId && a.terminal === 'b');
  if (feeds) return;
  for (const [id, { b }] of Object.entries(conductors))
    if (b.deviceId === deviceId) {
      delete conductors[id];
      retireAdoptions(draft, id);
    }
  delete devices[deviceId];
}

export const GROUP_EDITS = {
  /** Hangs a load on the fuse of another one, and on its relay where that is asked; its own go when they feed nothing else. */
  groupLoad: define<{ loadId: Id; withId: Id; relay: boolean }>({
    title: (build, { loadId, withId }) =>
      `${build.circuits.lv.devices[loadId]?.name ?? 'a load'} on the fuse of ${build.circuits.lv.devices[withId]?.name ?? 'another'}`,
    apply: (draft, { loadId, withId, relay }) => {
      const device = deviceToEdit(draft, loadId);
      const own = loadCircuit(draft as Build, loadId);
      const other = loadCircuit(draft as Build, withId);
      if (device.kind !== 'lv-load' || !own.feed || !own.tap)
        throw new EditRefused(`${device.name} has no feed that could be moved.`, 'Wire it to the fuse box first.');
      if (other.fuseId === null) throw new EditRefused('The other load has no fuse.', 'Choose one that has.');
      if (relay && other.relayId === null)
        throw new EditRefused('The other load has no relay.', 'Choose one that has, or share its fuse only.');
      const start = relay ? at(other.relayId!, 'b') : at(other.fuseId, 'b');
      // With a relay of its own that stays, the wire from the fuse moves; else the feed itself.
      const moved = relay || own.relayId === null ? own.feed : own.tap;
      if (moved.a.deviceId === start.deviceId)
        throw new EditRefused('They share it already.', 'Choose another load, or give it a fuse of its own.');
      draft.circuits.lv.conductors[moved.id]!.a = start;
      if (relay) dropIdle(draft, own.relayId);
      dropIdle(draft, own.fuseId);
      pruneParts(draft);
    },
  }),

  /** Gives a load that shares a fuse one of its own in the box; a shared relay stays with the others. */
  ungroupLoad: define<{ loadId: Id; seed: string; fuse: FusePart }>({
    title: (build, { loadId }) => `a fuse of its own for ${build.circuits.lv.devices[loadId]?.name ?? 'a load'}`,
    apply: (draft, { loadId, seed, fuse }) => {
      const device = deviceToEdit(draft, loadId);
      const { feed, tap, relayId, fuseId } = loadCircuit(draft as Build, loadId);
      const box = fuseBoxOf(draft as Build);
      if (device.kind !== 'lv-load' || !feed || !tap || fuseId === null || !box)
        throw new EditRefused(`${device.name} has no fuse in the box.`, 'Wire it to the fuse box first.');
      const { conductors } = draft.circuits.lv;
      const fedBy = (id: Id) =>
        Object.values(conductors).filter(({ a }) => a.deviceId === id && a.terminal === 'b').length;
      const sharesRelay = relayId !== null && fedBy(relayId) > 1;
      if (!sharesRelay && fedBy(fuseId) < 2) throw new EditRefused('It has one already.', 'Nothing has to be done.');
      const fuseNew = `${seed}-fuse`;
      addPart(draft, fuse);
      put(draft, {
        id: fuseNew,
        kind: 'lv-fuse',
        name: `${device.name} fuse`.slice(0, 120),
        partId: fuse.id,
        way: nextWay(draft),
      });
      putBar(draft, `${seed}-bar`, `Bar to ${device.name} fuse`, at(box.id, 'n'), at(fuseNew, 'a'));
      conductors[(sharesRelay ? feed : tap).id]!.a = at(fuseNew, 'b');
    },
  }),
};
