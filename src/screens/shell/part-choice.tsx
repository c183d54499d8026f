'use client';
import type { Build } from '@/core/build';
import type { PartKind, PartOf } from '@/core/parts';
import { ChoiceField } from '@/ui/choice-field';
import { partsToChoose } from './part-choices';

/** One part of a kind, the build’s own first: the same wherever a part is chosen. */
export function PartChoice<K extends PartKind>({
  kind,
  build,
  label,
  value,
  empty,
  groupOf,
  onChoose,
}: {
  kind: K;
  build: Build;
  label: string;
  value: string | null;
  empty?: string;
  /** Heading of a catalogue part; absent: as everywhere. */
  groupOf?: (part: PartOf<K>) => string;
  onChoose: (part: PartOf<K>) => void;
}) {
  const parts = partsToChoose(kind, build);
  return (
    <ChoiceField
      label={label}
      value={value}
      {...(empty === undefined ? {} : { empty })}
      choices={parts.map(({ part, group }) => {
        const heading = group ?? groupOf?.(part);
        return { value: part.id, label: part.name, ...(heading ? { group: heading } : {}) };
      })}
      onChoose={(id) => {
        const found = parts.find(({ part }) => part.id === id)?.part;
        if (found) onChoose(found);
      }}
    />
  );
}
