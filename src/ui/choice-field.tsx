'use client';
import { useId } from 'react';
import { type Choice, Select } from './select';

export type { Choice } from './select';

/** A choice among named things, as a row of a form. */
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
    <div className="flex items-center justify-between gap-3 border-b border-dotted border-rule py-0.5">
      <label htmlFor={id} className="max-w-[55%] text-soft">
        {label}
      </label>
      <Select
        id={id}
        label={label}
        value={value}
        choices={choices}
        onChoose={onChoose}
        {...(empty ? { empty } : {})}
        className="flex-1 text-right"
      />
    </div>
  );
}
