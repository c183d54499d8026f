'use client';
import { Search } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type Check, checkKey } from '@/core/checks';
import type { UnitSystem } from '@/core/quantities';
import { type Reservations, STATIONS, type StationId } from '@/core/stations';
import { useBench } from '@/store/bench';
import { Toggles } from '@/ui/toggles';
import { VerdictMark } from '@/ui/verdict-mark';
import { CheckGroup, CheckItem } from './check-item';
import { entriesOf, inOrder, matching, thinnestOf } from './derive-ledger';
import { ReservationList } from './reservations';

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

/** All checks: what presses first, by what suffers first and then the thinnest. One opens in place to its working and its remedies. */
export function Ledger({ checks, reservations, station, system, whole, onWhole, opened, onOpen }: Props) {
  const [all, setAll] = useState(false);
  const [text, setText] = useState('');
  const renewing = useBench((bench) => bench.renewing);
  const listed = useMemo(
    () =>
      inOrder(
        matching(
          whole || station === null ? checks : checks.filter((check) => check.station === station),
          text,
          system,
        ),
      ),
    [checks, station, system, text, whole],
  );
  const pressing = listed.filter((check) => check.verdict !== 'holds');
  const holding = listed.filter((check) => check.verdict === 'holds');
  const sought = text.trim() !== '';
  const openHolding = holding.some((check) => checkKey(check) === opened);
  const showAll = all || sought || openHolding;
  // Where nothing presses, what is next to become thin is worth a look.
  const shown = showAll ? holding : pressing.length === 0 ? thinnestOf(holding) : [];
  const hidden = holding.length - shown.length;
  const list = { system, opened, onOpen };
  return (
    <section aria-label="Ledger" id="ledger" tabIndex={-1} className="flex min-h-0 flex-1 flex-col outline-none">
      <header className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 px-4 pt-3 pb-1 max-[900px]:pr-14">
        <h2 className="font-tight text-title font-semibold">Ledger</h2>
        {station !== null && (
          <Toggles
            label="Which checks"
            choices={[
              ['station', 'this station'],
              ['whole', 'whole vehicle'],
            ]}
            chosen={whole ? 'whole' : 'station'}
            onChoose={(choice) => onWhole(choice === 'whole')}
          />
        )}
      </header>
      {renewing && (
        <p className="mx-4 mb-2 flex items-center gap-2 text-soft">
          <VerdictMark shape="hollow" size={14} />
          Being judged again; below is how it stood before.
        </p>
      )}
      {checks.length > 0 && (
        <label className="mx-4 mb-2 flex min-h-8 items-center gap-2 rounded-[3px] border border-rule bg-paper px-2">
          <Search size={15} aria-hidden="true" className="shrink-0 text-soft" />
          <input
            type="search"
            aria-label="Find in the ledger"
            placeholder="Find: heater, fuse …"
            value={text}
            onChange={(event) => setText(event.currentTarget.value)}
            className="min-w-0 flex-1 bg-transparent outline-none"
          />
        </label>
      )}
      <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-4">
        {(whole || station === null) && !sought && checks.length > 0 && (
          <ReservationList reservations={reservations} system={system} />
        )}
        {listed.length === 0 &&
          (sought ? (
            <p className="text-soft">No check {whole || station === null ? '' : 'of this station '}has these words.</p>
          ) : (
            <p className="text-soft">
              Nothing to judge yet: {(checks.length > 0 && station && beginOf(station)) || 'start with cells in Pack'}.
            </p>
          ))}
        <Entries checks={pressing} folds={!sought} {...list} />
        {shown.length > 0 && <Entries checks={shown} folds={!sought} {...list} />}
        {(hidden > 0 || (all && holding.length > 0)) && (
          <button
            type="button"
            aria-expanded={showAll}
            onClick={() => setAll(!all)}
            className="mt-2 flex min-h-10 w-full items-center gap-2 text-left font-tight text-lead text-soft"
          >
            <VerdictMark shape="holds" />
            {hidden > 0
              ? `${hidden}${shown.length > 0 ? ' more' : ''} hold${hidden === 1 ? 's' : ''} – show`
              : `${holding.length} hold${holding.length === 1 ? 's' : ''} – hide`}
          </button>
        )}
      </div>
    </section>
  );
}

function Entries({
  checks,
  folds,
  system,
  opened,
  onOpen,
}: Pick<Props, 'system' | 'opened' | 'onOpen'> & { checks: readonly Check[]; folds: boolean }) {
  const [unfolded, setUnfolded] = useState<ReadonlySet<string>>(new Set());
  // What was looked for lies open.
  const entries = useMemo(
    () => (folds ? entriesOf(checks) : checks.map((check) => ({ key: checkKey(check), checks: [check] }))),
    [checks, folds],
  );
  return (
    <ul>
      {entries.map(({ key, checks: [first, ...more] }) =>
        more.length === 0 ? (
          <CheckItem key={key} check={first!} system={system} open={opened === checkKey(first!)} onOpen={onOpen} />
        ) : (
          <CheckGroup
            key={key}
            checks={[first!, ...more]}
            system={system}
            opened={opened}
            unfolded={unfolded.has(key)}
            onUnfold={(open) => {
              const next = new Set(unfolded);
              if (open) next.add(key);
              else {
                next.delete(key);
                if ([first!, ...more].some((check) => checkKey(check) === opened)) onOpen(null);
              }
              setUnfolded(next);
            }}
            onOpen={onOpen}
          />
        ),
      )}
    </ul>
  );
}
