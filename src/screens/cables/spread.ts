import type { PlanBlock, PlanLayout, Shift } from './derive-plan';
import { MOST_UNDER, nameIn } from './plan-names';

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
/** Room kept between marks, and the step and the furthest of the search, drawing units. */
const GAP = 3;
const STEP = 10;
const FURTHEST = 120;
const DIRECTIONS = 16;

/** Spots from the nearest to the furthest, the thing’s own first. */
const SPOTS: readonly Shift[] = [
  [0, 0],
  ...Array.from({ length: (FURTHEST / STEP) * DIRECTIONS }, (_, k): Shift => {
    const far = STEP * (1 + Math.floor(k / DIRECTIONS));
    const angle = (2 * Math.PI * (k % DIRECTIONS)) / DIRECTIONS;
    return [far * Math.cos(angle), far * Math.sin(angle)];
  }),
];

const overlap = (p: Box, q: Box): boolean =>
  p.x < q.x + q.width + GAP && q.x < p.x + p.width + GAP && p.y < q.y + q.height + GAP && q.y < p.y + p.height + GAP;

/**
 * Marks that would lie over one another or over words are moved to the nearest free spot, in the order in which they come; those with room
 * stay where they are, and so does one that finds none.
 */
export function spread(
  marks: readonly (Box & { readonly id: string })[],
  words: readonly Box[],
  within: Box,
): ReadonlyMap<string, Shift> {
  const taken: Box[] = [...words];
  const shifts = new Map<string, Shift>();
  const free = (box: Box) =>
    box.x >= within.x &&
    box.y >= within.y &&
    box.x + box.width <= within.x + within.width &&
    box.y + box.height <= within.y + within.height &&
    taken.every((other) => !overlap(box, other));
  for (const mark of marks) {
    const found = SPOTS.find(([dx, dy]) => free({ ...mark, x: mark.x + dx, y: mark.y + dy })) ?? ([0, 0] as const);
    taken.push({ ...mark, x: mark.x + found[0], y: mark.y + found[1] });
    shifts.set(mark.id, found);
  }
  return shifts;
}

/** Widths of a character of the plan’s names, and the height of their lines, drawing units. */
const WIDE = 6.8;
const NARROW = 6.3;
const LINE = 14;

const aroundPoint = (x: number, y: number, width: number, height: number): Box => ({
  x: x - width / 2,
  y: y - height / 2,
  width,
  height,
});

/** Where the names of larger things and the lengths of ways stand. */
export function wordsOf({ blocks, routes, passages }: PlanLayout): readonly Box[] {
  const names = blocks
    .filter(({ small }) => !small)
    .map(({ x, y, width, height, name }): Box => {
      const middle = x + width / 2;
      const { inside, lines } = nameIn({ name, width, height });
      if (!inside) return aroundPoint(middle, y + height + 8, NARROW * Math.min(name.length, MOST_UNDER), LINE);
      const most = Math.max(...lines.map((line) => line.length));
      return aroundPoint(middle, y + height / 2, WIDE * most, LINE * (lines.length + 1));
    });
  const lengths = routes.flatMap(({ points, low }): Box[] => {
    const middle = points[Math.floor(points.length / 2)];
    const before = points[Math.floor(points.length / 2) - 1];
    return low || !middle || !before
      ? []
      : [aroundPoint((middle[0] + before[0]) / 2, (middle[1] + before[1]) / 2, 58, 20)];
  });
  return [...names, ...lengths, ...passages.map(({ x, y }) => aroundPoint(x, y, 16, 16))];
}

/** From so many on what stands at one spot has one mark together. */
const CROWD = 5;
/** As near as this it is one spot, drawing units. */
const SAME_SPOT = 4;

/** Small things that stand at one spot, like all the fuses of a box: one mark for all of them, until one of them is picked. */
export interface Crowd {
  /** In the order of their numbers; the first one’s place is the mark’s. */
  readonly ids: readonly string[];
  readonly from: number;
  readonly to: number;
}

export function crowdsOf(
  blocks: readonly PlanBlock[],
  numbers: ReadonlyMap<string, number>,
  pickedId: string | null,
): readonly Crowd[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const spots: { readonly x: number; readonly y: number; readonly ids: string[] }[] = [];
  for (const id of numbers.keys()) {
    const block = byId.get(id);
    if (!block) continue;
    const { x, y } = block;
    const spot = spots.find((one) => Math.abs(one.x - x) < SAME_SPOT && Math.abs(one.y - y) < SAME_SPOT);
    if (spot) spot.ids.push(id);
    else spots.push({ x, y, ids: [id] });
  }
  return spots
    .filter(({ ids }) => ids.length >= CROWD && !ids.some((id) => id === pickedId))
    .map(({ ids }) => {
      const told = ids.map((id) => numbers.get(id)!);
      return { ids, from: Math.min(...told), to: Math.max(...told) };
    });
}

/** Numbers of one spot that follow each other: "7–27"; else how many there are. */
export const crowdText = ({ ids, from, to }: Crowd): string =>
  to - from + 1 === ids.length ? `${from}–${to}` : `${ids.length} here`;

const CROWD_WIDTH = 46;
/** Where the mark of a crowd is drawn at first: as its first one’s, but as wide as its text. */
export const crowdBox = ({ x, y, width, height }: Box): Box => ({
  x: x + width / 2 - CROWD_WIDTH / 2,
  y,
  width: CROWD_WIDTH,
  height,
});

/** How far each small thing’s number, or the mark of a crowd under its first one’s name, is drawn from the thing. */
export function shiftsOf(
  plan: PlanLayout,
  numbers: ReadonlyMap<string, number>,
  crowds: readonly Crowd[] = [],
): ReadonlyMap<string, Shift> {
  const byId = new Map(plan.blocks.map((block) => [block.id, block]));
  const first = new Set(crowds.map(({ ids }) => ids[0]!));
  const hidden = new Set(crowds.flatMap(({ ids }) => ids.slice(1)));
  const marks = [...numbers.keys()].flatMap((id) => {
    const block = byId.get(id);
    if (!block || hidden.has(id)) return [];
    return [first.has(id) ? { id, ...crowdBox(block) } : block];
  });
  return spread(marks, wordsOf(plan), { x: 0, y: 0, width: plan.width, height: plan.height - 56 });
}
