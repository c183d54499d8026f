import type { Edit } from '../build';
import { type Insertable, insertionEdit } from './insertion';
import type { Proposer, Setting } from './proposer';

/** Cables that end at a box: of one box, or of all. */
function cablesAtBoxes({ vehicle }: Setting, boxId?: string): readonly string[] {
  const isBox = (id: string) => (boxId === undefined ? vehicle.deviceOf.get(id)?.device.kind === 'box' : id === boxId);
  return vehicle.conductors.flatMap(({ id, conductor: { kind, a, b } }) =>
    kind === 'cable' && (isBox(a.deviceId) || isBox(b.deviceId)) ? [id] : [],
  );
}

const into = (setting: Setting, ids: readonly string[], kind: Insertable): Edit[] =>
  ids.map((id) => insertionEdit(setting, id, kind, `at-${id}`));

/** A fuse into a cable right at the cells of the box that is named. */
export const fuseAtCells: Proposer = (setting, { subject }) =>
  into(setting, cablesAtBoxes(setting, subject.id), 'fuse');

/** A fuse into the conductor that is named. */
export const fuseHere: Proposer = (setting, { subject }) =>
  setting.vehicle.conductorOf.get(subject.id)?.conductor.kind === 'cable' ? into(setting, [subject.id], 'fuse') : [];

/** A contactor into a cable at the cells: the pole that is not switched yet. */
export const contactorAtCells: Proposer = (setting) => into(setting, cablesAtBoxes(setting), 'contactor');

/** A service disconnect into a cable at the cells. */
export const disconnectAtCells: Proposer = (setting) => into(setting, cablesAtBoxes(setting), 'disconnect');
