'use client';
import { Toggle } from 'radix-ui';

/** A switch as it sits on a dash: large, on or off by its fill and by its word. */
export function DashSwitch({
  label,
  on,
  words = ['on', 'off'],
  onChange,
}: {
  label: string;
  on: boolean;
  /** What it says while it is on and while it is off. */
  words?: readonly [string, string];
  onChange: (on: boolean) => void;
}) {
  return (
    <Toggle.Root
      pressed={on}
      onPressedChange={onChange}
      aria-label={label}
      className="flex min-h-14 min-w-0 flex-col items-start justify-center rounded-[3px] border-[1.5px] border-rule bg-panel px-3 py-1 text-left font-tight data-[state=on]:border-ink data-[state=on]:bg-strong data-[state=on]:text-strong-ink"
    >
      <span className="w-full leading-tight">{label}</span>
      <span className="text-note opacity-80">{on ? words[0] : words[1]}</span>
    </Toggle.Root>
  );
}
