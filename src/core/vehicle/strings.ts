import type { Build, Id } from '../build';
import { edgesOf, Loops, type Wired } from './loops';
import { Follows, Memo, room } from './memory';
import type { Resolved } from './resolve';
import { topologyKey } from './topology-key';

/** Boxes in series with each other, with everything else that carries just their current. */
export interface PackString {
  readonly boxIds: readonly Id[];
  /** Fuses, contactors, disconnects, sensors and conductors of this string alone, boxes included. */
  readonly ids: ReadonlySet<Id>;
}

/**
 * The strings of the pack: two boxes belong to one when taking either out leaves the other without a loop. Boxes that are wired to
 * nothing yet count as one string. In the order of the document.
 */
export function packStrings(resolved: Resolved): readonly PackString[] {
  return resolved.memory.of(found).get(topologyKey(resolved), () => findStrings(resolved));
}

const found = room(() => new Memo<readonly PackString[]>(12));

type Circuit = Build['circuits']['hv'];
const ofCircuit = new Follows<Circuit['devices'], Follows<Circuit['conductors'], readonly PackString[]>>();

/** The same from the document, where nothing is resolved yet. */
export const packStringsOf = ({ circuits: { hv } }: Build): readonly PackString[] => {
  const { devices, conductors } = hv;
  return ofCircuit
    .get(devices, () => new Follows())
    .get(conductors, () =>
      findStrings({
        devices: Object.values(devices).map((device) => ({ id: device.id, device })),
        conductors: Object.values(conductors).map((conductor) => ({ id: conductor.id, conductor })),
      }),
    );
};

function findStrings(wired: Wired): PackString[] {
  const edges = edgesOf(wired);
  const loops = new Loops(edges);
  const inLoop = loops.fed();
  const left = new Set(edges.flatMap((edge, i) => (edge.source ? [i] : [])));
  const strings: PackString[] = [];
  const alone = [...left].filter((i) => !inLoop[i]);
  for (const i of left) {
    if (!left.has(i) || !inLoop[i]) continue;
    const still = loops.fed([i]);
    const members = edges.flatMap((edge, k) => (k === i || (inLoop[k] && !still[k]) ? [{ id: edge.id, k }] : []));
    for (const { k } of members) left.delete(k);
    strings.push({
      boxIds: members.filter(({ k }) => edges[k]!.source).map(({ id }) => id),
      ids: new Set(members.map(({ id }) => id)),
    });
  }
  if (alone.length > 0) {
    const boxIds = alone.map((i) => edges[i]!.id);
    strings.push({ boxIds, ids: new Set(boxIds) });
  }
  return strings;
}
