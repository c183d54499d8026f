'use client';
import { Collapsible } from 'radix-ui';
import { formatMargin, inUnits, type UnitSystem } from '@/core/quantities';
import type { Reservations } from '@/core/stations';

/** What the verdict does not say: first what nobody judged, then what was taken for granted. */
export function ReservationList({ reservations, system }: { reservations: Reservations; system: UnitSystem }) {
  const { notJudged, assumed } = reservations;
  return (
    <Collapsible.Root className="mb-3 rounded-[3px] border border-rule">
      <Collapsible.Trigger className="group flex w-full items-baseline gap-2 px-3 py-2 text-left font-tight text-lead">
        <span className="font-semibold">Not judged here, and assumed</span>
        <span className="whitespace-nowrap text-small text-soft">
          {notJudged.length} and {assumed.length}
        </span>
        <span className="ml-auto text-small text-soft group-data-[state=open]:hidden">show</span>
        <span className="ml-auto hidden text-small text-soft group-data-[state=open]:inline">hide</span>
      </Collapsible.Trigger>
      <Collapsible.Content className="px-3 pb-3 text-small">
        <h3 className="font-semibold">Not judged</h3>
        <ul className="mb-2 list-disc pl-4">
          {notJudged.map((words) => (
            <li key={words}>{inUnits(words, system)}</li>
          ))}
        </ul>
        {assumed.length > 0 && <h3 className="font-semibold">Assumed, with the thinnest margin that rests on it</h3>}
        <ul>
          {assumed.map(({ words, thinnest }) => (
            <li key={words} className="flex gap-3 border-t border-rule py-1">
              <span className="min-w-0 flex-1">{inUnits(words, system)}</span>
              <span className="shrink-0 text-right tabular-nums text-soft">
                {thinnest === null || !Number.isFinite(thinnest) ? '' : formatMargin(thinnest)}
              </span>
            </li>
          ))}
        </ul>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}
