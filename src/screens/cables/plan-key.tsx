'use client';
import type { PlanBlock } from './derive-plan';

/** Numbers of blocks too small for their names, from front to rear and from left to right. */
export function numbersOf(blocks: readonly PlanBlock[]): ReadonlyMap<string, number> {
  const small = blocks.filter((block) => block.small);
  small.sort((p, q) => p.x - q.x || p.y - q.y || (p.id < q.id ? -1 : 1));
  return new Map(small.map(({ id }, k) => [id, k + 1]));
}

/** What the numbers on the plan stand for; pressing one chooses the thing, also where things lie over one another. */
export function PlanKey({
  blocks,
  numbers,
  pickedId,
  onPick,
}: {
  blocks: readonly PlanBlock[];
  numbers: ReadonlyMap<string, number>;
  pickedId: string | null;
  onPick: (id: string) => void;
}) {
  if (numbers.size === 0) return null;
  const nameOf = new Map(blocks.map(({ id, name }) => [id, name]));
  return (
    <ol aria-label="Small things on the plan" className="sticky left-0 flex flex-wrap gap-x-4 px-2 pb-2 text-small">
      {[...numbers].map(([id, number]) => (
        <li key={id}>
          <button
            type="button"
            aria-pressed={pickedId === id}
            onClick={() => onPick(id)}
            className="min-h-8 underline-offset-4 hover:underline aria-pressed:font-semibold"
          >
            <span className="font-semibold">{number}</span> {nameOf.get(id)}
          </button>
        </li>
      ))}
    </ol>
  );
}
