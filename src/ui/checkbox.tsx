'use client';
import { Check } from 'lucide-react';
import { Checkbox as Radix } from 'radix-ui';
import { type ReactNode, useId } from 'react';

/** Yes or no, said by its own words. */
export function Checkbox({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <span className="inline-flex min-h-8 items-center gap-2">
      <Radix.Root
        id={id}
        checked={checked}
        onCheckedChange={(next) => onChange(next === true)}
        className="relative flex size-[18px] shrink-0 items-center justify-center rounded-[3px] border-[1.5px] border-ink bg-panel before:absolute before:-inset-[11px] before:content-[''] data-[state=checked]:bg-ink"
      >
        <Radix.Indicator>
          <Check size={14} strokeWidth={3} aria-hidden="true" className="text-panel" />
        </Radix.Indicator>
      </Radix.Root>
      <label htmlFor={id}>{children}</label>
    </span>
  );
}
