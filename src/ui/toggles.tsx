'use client';
import { ToggleGroup } from 'radix-ui';

/** One of two or three short words, all of them in sight. */
export function Toggles<Id extends string>({
  label,
  choices,
  chosen,
  onChoose,
}: {
  label: string;
  choices: readonly (readonly [Id, string])[];
  chosen: Id;
  onChoose: (id: Id) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={chosen}
      // Pressing the chosen one again leaves it chosen.
      onValueChange={(next) => next !== '' && onChoose(next as Id)}
      className="flex gap-1"
    >
      {choices.map(([id, words]) => (
        <ToggleGroup.Item
          key={id}
          value={id}
          className="min-h-8 rounded-[3px] px-2 py-1 font-tight text-small text-soft data-[state=on]:bg-well data-[state=on]:font-semibold data-[state=on]:text-ink"
        >
          {words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
