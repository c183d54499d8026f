'use client';
import type { Check } from '@/core/checks';
import { formatMargin, formatQuantity, type Quantity, type UnitSystem } from '@/core/quantities';

const shown = (result: Quantity, system: UnitSystem): string =>
  result.dimension === 'ratio' ? formatMargin(result.value) : formatQuantity(result, system, 4).text;

/** Formula, the figures in it, the result and the source: what a person can redo by hand. */
export function WorkingView({ check, system }: { check: Check; system: UnitSystem }) {
  const { lines, sources, assumed } = check.working;
  return (
    <div className="space-y-2 text-[14px] leading-snug">
      {lines.map((line) => (
        <div key={line.formula}>
          <p className="font-semibold">{line.formula}</p>
          <p>
            {line.figures}
            {line.result && (
              <>
                {' '}
                = <b className="whitespace-nowrap font-semibold">{shown(line.result, system)}</b>
              </>
            )}
          </p>
          {line.note && <p className="text-soft">{line.note}</p>}
        </div>
      ))}
      {lines.length === 0 && <p>A yes or no: there is no sum behind it.</p>}
      {assumed.map((text) => (
        <p key={text} className="text-thin">
          Assumed: {text}
        </p>
      ))}
      {sources.length > 0 && <p className="text-soft">Source: {sources.join(' · ')}</p>}
    </div>
  );
}
