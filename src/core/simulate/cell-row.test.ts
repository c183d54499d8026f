import { expect, test } from 'vitest';
import { larkspur, teasel } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { rowOfBoxes, rowPlaces } from './cell-row';

test('Larkspur: the row’s minus is the bay box, whose plus goes to the boot by the hand switch', () => {
  const vehicle = vehicleOf(larkspur());
  // As its wires have it: box-bay.minus to the shunt, box-bay.plus to the hand switch, box.minus behind it, box.plus to the main fuse.
  expect(rowOfBoxes(vehicle)!.map(({ id }) => id)).toEqual(['box-bay', 'box']);
  const places = rowPlaces(vehicle);
  expect(places).toHaveLength(40);
  expect(places[0]).toEqual({ cell: 1, box: 'Bay box', cellInBox: 1 });
  expect(places[11]).toEqual({ cell: 12, box: 'Bay box', cellInBox: 12 });
  expect(places[12]).toEqual({ cell: 13, box: 'Boot box', cellInBox: 1 });
});

test('the order follows the wires, not the names or the document', () => {
  const vehicle = vehicleOf(teasel());
  const [minus, plus] = rowOfBoxes(vehicle)!;
  const joins = (from: string, to: string) =>
    vehicle.conductors.some(({ conductor: { a, b } }) =>
      [`${a.deviceId}.${a.terminal}`, `${b.deviceId}.${b.terminal}`].every((end) => [from, to].includes(end)),
    );
  // Nothing but what lies between the trays joins the lower one’s plus; its minus is no tray’s.
  expect(joins(`${plus!.id}.plus`, `${minus!.id}.minus`)).toBe(false);
});

test('a box that hangs on nothing leaves the order untold', () => {
  const build = larkspur();
  const { 'c-mid': _, ...conductors } = build.circuits.hv.conductors;
  const hv = { ...build.circuits.hv, conductors };
  const vehicle = vehicleOf({ ...build, circuits: { ...build.circuits, hv } });
  expect(rowOfBoxes(vehicle)).toBeNull();
  expect(rowPlaces(vehicle)[0]!.box).toBeNull();
});
