import { Board, type BoardFault, type BoardSource, boardPoints, type MeterRange, probe, STEP_S } from '../bench';
import { firn9 } from '../build/samples';
import { isDesign, sequenceDesign } from '../simulate/sequence';
import { vehicleOf } from '../vehicle';

/** Firn 9 on the test board, and what the tests of the board do with it. */
export const vehicle = vehicleOf(firn9());
const found = sequenceDesign(vehicle);
if (!isDesign(found)) throw new Error('the sample has a sequence');
export const design = found;
export const board = (fault: BoardFault | null = null, source?: BoardSource) =>
  new Board(vehicle, design, fault, source);
export const run = (one: Board, seconds: number) => {
  for (let k = 0; k < Math.round(seconds / STEP_S); k++) one.step();
  return one.view();
};
export const points = boardPoints(vehicle);
export const point = (id: string) => points.find((one) => one.id === id)!;
export const read = (one: Board, red: string, black: string, range: MeterRange = 'volts') =>
  probe(one, point(red), point(black), range);
export const volts = (one: Board, red: string, black: string): number => {
  const reading = read(one, red, black);
  if (!reading.ok) throw new Error(reading.says);
  return reading.value;
};
export const awake = (one: Board): Board => {
  run(one, 0.5);
  one.set('key', true);
  run(one, 3);
  return one;
};
