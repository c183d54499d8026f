import type { Draft } from 'immer';
import { type Build, type Conductor, type DeviceOf, findDevice, type Id } from '../types';
import { define } from './definition';
import { deviceToEdit, leaveBox, pruneParts, refuseUsedId, retireAdoptions, whole } from './helpers';
import { EditRefused } from './refused';

const endsAt = (draft: Draft<Build>, deviceId: Id, terminal: 'plus' | 'minus') =>
  Object.values(draft.circuits.hv.conductors).flatMap((conductor) =>
    (['a', 'b'] as const).flatMap((end) =>
      conductor[end].deviceId === deviceId && conductor[end].terminal === terminal ? [{ conductor, end }] : [],
    ),
  );

const boxToEdit = (draft: Draft<Build>, deviceId: Id): Draft<DeviceOf<'box'>> => {
  const box = deviceToEdit(draft, deviceId);
  if (box.kind !== 'box') throw new EditRefused('Only a box holds cells.', 'Choose a box.');
  return box;
};

const named = (build: Build, id: Id): string => findDevice(build, id)?.name ?? 'a box';

/** Boxes of a string: one becomes two in series, or one goes. */
export const BOX_EDITS = {
  /** Moves so many of a box's cells into a new box in series before its plus, with a wire between them. */
  splitBox: define<{ deviceId: Id; id: Id; wireId: Id; name: string; cellsInSeries: number; lengthM: number }>({
    title: (build, { deviceId, cellsInSeries, name }) =>
      `${cellsInSeries} cells of ${named(build, deviceId)} into a box of their own, ${name}`,
    apply: (draft, { deviceId, id, wireId, name, cellsInSeries, lengthM }) => {
      const box = boxToEdit(draft, deviceId);
      const has = box.cellsInSeries ?? 0;
      if (has < 2) throw new EditRefused(`${box.name} has no two cells to share.`, 'Tell its cells in series first.');
      whole(cellsInSeries, 1, has - 1, 'Cells that move');
      if (!(lengthM > 0 && lengthM <= 100))
        throw new EditRefused('A wire between two boxes has a length.', 'Type it in metres, above 0 and up to 100.');
      refuseUsedId(draft, id);
      refuseUsedId(draft, wireId);
      const plus = endsAt(draft, deviceId, 'plus');
      const first = plus[0]?.conductor;
      if (!first) throw new EditRefused(`${box.name} is not connected.`, 'Lay out the traction circuit first.');
      box.cellsInSeries = has - cellsInSeries;
      const { insideId: _, hold: __, massKg: ___, sizeM: ____, outlet: _____, ...like } = box;
      draft.circuits.hv.devices[id] = { ...like, id, name: name.trim() || 'Box', cellsInSeries, place: null };
      // A weighed box is lighter now, by what nobody knows yet.
      delete box.massKg;
      for (const { conductor, end } of plus) conductor[end] = { deviceId: id, terminal: 'plus' };
      const wire: Draft<Conductor> = {
        id: wireId,
        name: `${name.trim() || 'Box'} to ${box.name}`,
        kind: 'cable',
        a: { deviceId: id, terminal: 'minus' },
        b: { deviceId, terminal: 'plus' },
        partId: first.partId,
        parallel: first.parallel,
        routeId: null,
        lengthM,
        laid: first.laid ?? null,
        jointResistanceOhm: null,
      };
      draft.circuits.hv.conductors[wireId] = wire;
    },
  }),

  /** Takes a box out of its string, with its cells, and joins the wires at its poles into one. */
  takeOutBox: define<{ deviceId: Id }>({
    title: (build, { deviceId }) => `take out ${named(build, deviceId)} with its cells`,
    apply: (draft, { deviceId }) => {
      const box = boxToEdit(draft, deviceId);
      const [plus, ...morePlus] = endsAt(draft, deviceId, 'plus');
      const [minus, ...moreMinus] = endsAt(draft, deviceId, 'minus');
      if (!plus || !minus || morePlus.length > 0 || moreMinus.length > 0)
        throw new EditRefused(
          `${box.name} has not one wire at each pole.`,
          'Take the others off in HV circuit first, or remove it with its wires.',
        );
      const far = minus.conductor[minus.end === 'a' ? 'b' : 'a'];
      const near = plus.conductor[plus.end === 'a' ? 'b' : 'a'];
      const others = Object.values(draft.circuits.hv.devices).filter(
        ({ kind, id }) => kind === 'box' && id !== deviceId,
      );
      if (others.length === 0 || (far.deviceId === near.deviceId && far.terminal === near.terminal))
        throw new EditRefused(`${box.name} is the only one: without it there is no pack.`, 'Change its cells instead.');
      plus.conductor[plus.end] = { ...far };
      const lengths = [plus.conductor.lengthM, minus.conductor.lengthM];
      if (lengths[0] != null && lengths[1] != null)
        plus.conductor.lengthM = Math.round((lengths[0] + lengths[1]) * 1000) / 1000;
      retireAdoptions(draft, minus.conductor.id);
      retireAdoptions(draft, deviceId);
      leaveBox(draft, deviceId);
      delete draft.circuits.hv.conductors[minus.conductor.id];
      delete draft.circuits.hv.devices[deviceId];
      pruneParts(draft);
    },
  }),
};
