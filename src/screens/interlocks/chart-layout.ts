import type { Mode, Step } from '@/core/simulate/sequence';

/** Where each mode stands in the drawing: the way up to driving along the middle, charging above, what ends it below. */
export const PLACES: Readonly<Record<Mode, readonly [x: number, y: number]>> = {
  off: [90, 200],
  awake: [265, 200],
  precharge: [440, 200],
  ready: [615, 200],
  drive: [830, 120],
  reverse: [830, 280],
  stopping: [440, 330],
  tripping: [615, 330],
  fault: [265, 330],
  'charge-precharge': [440, 70],
  charging: [615, 70],
};
export const BOX = { width: 136, height: 46 } as const;
export const SIZE = { width: 920, height: 400 } as const;

export interface Arrow {
  readonly from: Mode;
  readonly to: Mode;
  readonly steps: readonly Step[];
  readonly path: string;
}

/** One arrow for all steps between two modes, bent aside where one goes back. */
export function arrowsOf(steps: readonly Step[]): readonly Arrow[] {
  const grouped = new Map<string, Step[]>();
  for (const step of steps) {
    const key = `${step.from}>${step.to}`;
    grouped.set(key, [...(grouped.get(key) ?? []), step]);
  }
  return [...grouped.values()].map((group) => {
    const { from, to } = group[0]!;
    return { from, to, steps: group, path: pathOf(from, to) };
  });
}

/** From edge to edge of two boxes along an arc: the farther apart, the wider. */
function pathOf(from: Mode, to: Mode): string {
  const [ax, ay] = PLACES[from];
  const [bx, by] = PLACES[to];
  const [dx, dy] = [bx - ax, by - ay];
  const length = Math.hypot(dx, dy);
  const bend = length < 200 ? 14 : 26 + length / 14;
  const [mx, my] = [(ax + bx) / 2 + (dy / length) * bend, (ay + by) / 2 - (dx / length) * bend];
  const start = edgeOf(ax, ay, mx, my);
  const end = edgeOf(bx, by, mx, my);
  return `M${start[0]} ${start[1]} Q${round(mx)} ${round(my)} ${end[0]} ${end[1]}`;
}

const round = (value: number): number => Math.round(value * 10) / 10;

/** Where the line from the middle of a box towards a point leaves it. */
function edgeOf(x: number, y: number, towardsX: number, towardsY: number): readonly [number, number] {
  const [dx, dy] = [towardsX - x, towardsY - y];
  const [w, h] = [BOX.width / 2 + 3, BOX.height / 2 + 3];
  const scale = Math.min(
    dx === 0 ? Number.POSITIVE_INFINITY : w / Math.abs(dx),
    dy === 0 ? Number.POSITIVE_INFINITY : h / Math.abs(dy),
  );
  return [round(x + dx * Math.min(1, scale)), round(y + dy * Math.min(1, scale))];
}

/** The usual way up, down and to charge: drawn at all times. What leads to a stop is drawn for the mode that is looked at. */
const USUAL: ReadonlySet<string> = new Set([
  'off>awake',
  'awake>precharge',
  'awake>ready',
  'precharge>ready',
  'ready>drive',
  'ready>reverse',
  'ready>stopping',
  'stopping>off',
  'tripping>fault',
  'fault>off',
  'awake>charge-precharge',
  'awake>charging',
  'charge-precharge>charging',
]);
export const isUsual = ({ from, to }: Arrow): boolean => USUAL.has(`${from}>${to}`);
