'use client';
import { Slider as Radix } from 'radix-ui';
import { useId } from 'react';

/** One place on a scale, by thumb, mouse or arrows. */
export function Slider({
  label,
  value,
  text,
  onChange,
}: {
  label: string;
  /** Between 0 and 1. */
  value: number;
  /** The value in words. */
  text: string;
  onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-center gap-3">
      <span id={id} className="text-soft">
        {label}
      </span>
      <Radix.Root
        min={0}
        max={1}
        step={0.01}
        value={[value]}
        onValueChange={([next]) => onChange(next!)}
        className="relative flex h-10 flex-1 touch-none items-center"
      >
        <Radix.Track className="relative h-[3px] flex-1 bg-rule">
          <Radix.Range className="absolute h-full bg-ink" />
        </Radix.Track>
        <Radix.Thumb
          aria-labelledby={id}
          aria-valuetext={text}
          className="grid size-10 place-items-center outline-offset-[-4px]"
        >
          <span className="block size-5 rounded-full border-[1.5px] border-ink bg-panel" />
        </Radix.Thumb>
      </Radix.Root>
      <span className="w-14 text-right tabular-nums">{text}</span>
    </div>
  );
}
