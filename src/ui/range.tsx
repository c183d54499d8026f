'use client';
import { Slider } from 'radix-ui';

/** A part of a scale, chosen by its two ends: by thumb, mouse or arrows. */
export function Range({
  label,
  ends,
  chosen,
  text,
  onChoose,
}: {
  label: string;
  ends: readonly [number, number];
  chosen: readonly [number, number];
  /** A value in words. */
  text: (value: number) => string;
  onChoose: (chosen: readonly [number, number]) => void;
}) {
  const step = (ends[1] - ends[0]) / 100;
  return (
    <div className="flex items-center gap-3">
      <span className="w-20 text-right text-small tabular-nums">{text(chosen[0])}</span>
      <Slider.Root
        min={ends[0]}
        max={ends[1]}
        step={step}
        minStepsBetweenThumbs={1}
        value={[chosen[0], chosen[1]]}
        onValueChange={([from, to]) => onChoose([from!, to!])}
        className="relative flex h-10 flex-1 touch-none items-center"
      >
        <Slider.Track className="relative h-[3px] flex-1 bg-rule">
          <Slider.Range className="absolute h-full bg-ink" />
        </Slider.Track>
        {['from', 'to'].map((end, k) => (
          <Slider.Thumb
            key={end}
            aria-label={`${label}, ${end}`}
            aria-valuetext={text(chosen[k]!)}
            className="grid size-10 place-items-center outline-offset-[-4px]"
          >
            <span className="block h-6 w-2.5 rounded-[2px] border border-ink bg-panel" />
          </Slider.Thumb>
        ))}
      </Slider.Root>
      <span className="w-20 text-small tabular-nums">{text(chosen[1])}</span>
    </div>
  );
}
