'use client';
import { useId } from 'react';

export interface Choice {
  readonly value: string;
  readonly label: string;
}

/** A choice among named things; the native list works with gloves, keyboard and screen readers. */
export function ChoiceField({
  label,
  value,
  choices,
  onChoose,
  empty,
}: {
  label: string;
  value: string | null;
  choices: readonly Choice[];
  onChoose: (value: string) => void;
  empty?: string;
}) {
  const id = useId();
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-dotted border-rule py-1">
      <label htmlFor={id} className="shrink-0 text-soft">
        {label}
      </label>
      <select
        id={id}
        value={value ?? ''}
        onChange={(event) => onChoose(event.currentTarget.value)}
        className="max-w-[70%] min-w-0 truncate bg-transparent text-right font-semibold [&>option]:bg-panel [&>option]:text-ink"
      >
        {value === null && <option value="">{empty ?? 'choose'}</option>}
        {choices.map((choice) => (
          <option key={choice.value} value={choice.value}>
            {choice.label}
          </option>
        ))}
      </select>
    </div>
  );
}
