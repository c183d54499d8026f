'use client';
import { useId } from 'react';

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** Choices of one group stand together under its name. */
  readonly group?: string;
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
  const groups = [...new Set(choices.map((choice) => choice.group))];
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-dotted border-rule py-1">
      <label htmlFor={id} className="shrink-0 text-soft">
        {label}
      </label>
      <select
        id={id}
        value={value ?? ''}
        onChange={(event) => onChoose(event.currentTarget.value)}
        className="max-w-[70%] min-w-0 truncate bg-transparent text-right font-semibold [&_optgroup]:bg-panel [&_option]:bg-panel [&_option]:text-ink"
      >
        {value === null && <option value="">{empty ?? 'choose'}</option>}
        {groups.map((group) => {
          const options = choices
            .filter((choice) => choice.group === group)
            .map((choice) => (
              <option key={choice.value} value={choice.value}>
                {choice.label}
              </option>
            ));
          return group === undefined ? (
            options
          ) : (
            <optgroup key={group} label={group}>
              {options}
            </optgroup>
          );
        })}
      </select>
    </div>
  );
}
