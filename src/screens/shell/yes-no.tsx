'use client';
import { ChoiceField } from '@/ui/choice-field';

/** A question that is answered with yes or no, or not yet. */
export function YesNo({
  label,
  value,
  onAnswer,
}: {
  label: string;
  value: boolean | undefined;
  onAnswer: (is: boolean) => void;
}) {
  return (
    <ChoiceField
      label={label}
      value={value === undefined ? null : value ? 'yes' : 'no'}
      empty="not entered"
      choices={[
        { value: 'yes', label: 'yes' },
        { value: 'no', label: 'no' },
      ]}
      onChoose={(chosen) => onAnswer(chosen === 'yes')}
    />
  );
}
