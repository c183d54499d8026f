'use client';
import { useEffect, useRef, useState } from 'react';
import { type Check, checkKey, marginText, say } from '@/core/checks';
import type { UnitSystem } from '@/core/quantities';
import { type Reservations, STATIONS, type StationId } from '@/core/stations';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { WorkingLines } from '@/ui/working-lines';
import { RemedyList } from './remedies';
import { ReservationList } from './reservations';
import { shapeOf } from './shape';

/** Where a station that judges nothing yet begins, once there are cells. */
const beginOf = (station: StationId): string => STATIONS.find(({ id }) => id === station)!.begin;

interface Props {
  readonly checks: readonly Check[];
  readonly reservations: Reservations;
  /** Null on a page that is no station: the whole vehicle is listed. */
  readonly station: StationId | null;
  readonly system: UnitSystem;
  readonly whole: boolean;
  readonly onWhole: (whole: boolean) => void;
  readonly opened: string | null;
  readonly onOpen: (key: string | null) => void;
}

/** All margins, thinnest first. A check opens in place to its working, its sources and its remedies. */
export function Ledger({ checks, reservations, station, system, whole, onWhole, opened, onOpen }: Props) {
  const [showHolding, setShowHolding] = useState(false);
  const listed = whole || station === null ? checks : checks.filter((check) => check.station === station);
  const pressing = listed.filter((check) => check.verdict !== 'holds');
  const holding = listed.filter((check) => check.verdict === 'holds');
  const openHolding = holding.some((check) => checkKey(check) === opened);
  return (
    <section aria-label="Ledger" className="flex min-h-0 flex-1 flex-col">
      <header className="flex items-baseline justify-between px-4 pt-4 pb-2">
        <h2 className="font-tight text-[21px] font-semibold">Ledger</h2>
        {station !== null && (
          <fieldset className="flex gap-1 text-[14px]">
            <legend className="sr-only">Which checks</legend>
            {[false, true].map((choice) => (
              <button
                key={String(choice)}
                type="button"
                aria-pressed={whole === choice}
                onClick={() => onWhole(choice)}
                className={`rounded-[3px] px-2 py-1 font-tight ${whole === choice ? 'bg-well font-semibold' : 'text-soft'}`}
              >
                {choice ? 'whole vehicle' : 'this station'}
              </button>
            ))}
          </fieldset>
        )}
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-4">
        {(whole || station === null) && checks.length > 0 && (
          <ReservationList reservations={reservations} system={system} />
        )}
        {listed.length === 0 && (
          <p className="text-soft">
            Nothing to judge yet: {(checks.length > 0 && station && beginOf(station)) || 'start with cells in Pack'}.
          </p>
        )}
        <ul>
          {pressing.map((check) => (
            <CheckItem
              key={checkKey(check)}
              check={check}
              system={system}
              open={opened === checkKey(check)}
              onOpen={onOpen}
            />
          ))}
        </ul>
        {holding.length > 0 && (
          <button
            type="button"
            aria-expanded={showHolding || openHolding}
            onClick={() => setShowHolding(!showHolding)}
            className="mt-3 flex w-full items-center gap-2 py-1 text-left font-tight text-[16px] text-soft"
          >
            <VerdictMark shape="holds" /> {holding.length} hold{holding.length === 1 ? 's' : ''}{' '}
            {showHolding || openHolding ? '– hide' : '– show'}
          </button>
        )}
        {(showHolding || openHolding) && (
          <ul>
            {holding.map((check) => (
              <CheckItem
                key={checkKey(check)}
                check={check}
                system={system}
                open={opened === checkKey(check)}
                onOpen={onOpen}
              />
            ))}
          </ul>
        )}
      </div>
    </section>
  );
}

function CheckItem({
  check,
  system,
  open,
  onOpen,
}: {
  check: Check;
  system: UnitSystem;
  open: boolean;
  onOpen: (key: string | null) => void;
}) {
  const key = checkKey(check);
  const item = useRef<HTMLLIElement>(null);
  const { title, line } = say(check, system);
  const shape = shapeOf(check.verdict);
  useEffect(() => {
    if (open) item.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  return (
    <li ref={item} data-check={key} data-verdict={check.verdict} className="border-b border-rule">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => onOpen(open ? null : key)}
        className="grid w-full grid-cols-[18px_1fr_auto] items-baseline gap-x-1.5 py-2 text-left"
      >
        <span className="translate-y-[2px]">
          <VerdictMark shape={shape} />
        </span>
        <span className="font-semibold leading-snug">{title}</span>
        <span className={`whitespace-nowrap font-semibold ${MARK_COLOUR[shape]}`}>{marginText(check)}</span>
        <span className="col-start-2 col-end-4 text-[14px] text-soft">{line}</span>
      </button>
      {open && (
        <div
          className={`mb-3 border-l-[3px] bg-well p-3 ${check.verdict === 'fails' ? 'border-fails' : check.verdict === 'thin' ? 'border-thin' : 'border-rule'}`}
        >
          <WorkingLines working={check.working} system={system} />
          {['fails', 'thin', 'needs-data'].includes(check.verdict) && <RemedyList check={check} />}
        </div>
      )}
    </li>
  );
}
