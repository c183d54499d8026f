'use client';
import { ArrowRight } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { NextFigure } from '@/core/remedies';
import { STATIONS } from '@/core/stations';
import { runsSoon } from '@/store/bench';
import { nextAside } from '@/workers/remedies';
import { focusField } from './focus-field';
import { stationHref } from './stations';

/** Edits follow each other: only once nothing came for so long is the next figure looked for, ms. */
const IDLE_MS = 1500;
/** Trying figures on a larger build takes the remedies’ worker for too long. */
const MOST_THINGS = 240;
const nameOf = (id: string): string => STATIONS.find((station) => station.id === id)?.name ?? id;

/** The one missing figure that opens most checks, with a press that goes there; nothing while none is missing. */
export function NextLine({ assessment: { build, results } }: { assessment: Assessment }) {
  const router = useRouter();
  const [next, setNext] = useState<NextFigure | null>(null);
  const { hv, lv } = build.circuits;
  const things = [hv, lv].reduce(
    (sum, one) => sum + Object.keys(one.devices).length + Object.keys(one.conductors).length,
    0,
  );
  const started = results.pack !== null && things <= MOST_THINGS;
  useEffect(() => {
    if (!started) {
      setNext(null);
      return;
    }
    let stale = false;
    const timer = setTimeout(() => {
      // Without an answer the line stays away: it is a hint, not a finding.
      runsSoon()
        .then(() => (stale ? null : nextAside(build)))
        .then(
          (found) => !stale && setNext(found),
          () => {},
        );
    }, IDLE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [build, started]);
  if (!next) return null;
  return (
    <button
      type="button"
      onClick={() => {
        router.push(stationHref(next.station, build.id));
        focusField(next.field);
      }}
      className="no-print mb-3 flex w-full items-center gap-2 border-l-[3px] border-strong bg-well px-3 py-2 text-left"
    >
      <span className="min-w-0 flex-1">
        <span className="font-semibold">Next: {next.words}</span>{' '}
        <span className="text-soft">
          opens {next.opens} {next.opens === 1 ? 'check' : 'checks'} in {next.where.slice(0, 3).map(nameOf).join(', ')}
        </span>
      </span>
      <ArrowRight size={18} aria-hidden="true" className="shrink-0" />
    </button>
  );
}
