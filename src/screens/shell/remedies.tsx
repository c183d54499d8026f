'use client';
import { useEffect, useState } from 'react';
import { type Check, checkKey, marginText, say } from '@/core/checks';
import { formatMargin } from '@/core/quantities';
import { runsSoon, useBench } from '@/store/bench';
import { findRemediesAside, type RemedyAnswer } from '@/workers/remedies';

type Search =
  | { readonly state: 'trying' }
  | ({ readonly state: 'found' } & RemedyAnswer)
  | { readonly state: 'failed'; readonly reason: string };

/** Remedies that were tried on the model; one press fits one, undo takes it back. */
export function RemedyList({ check }: { check: Check }) {
  const build = useBench((bench) => bench.build);
  const units = build?.units ?? 'metric';
  const dispatch = useBench((bench) => bench.dispatch);
  const [search, setSearch] = useState<Search>({ state: 'trying' });
  const key = checkKey(check);
  useEffect(() => {
    if (!build) return;
    let stale = false;
    setSearch({ state: 'trying' });
    runsSoon()
      .then((runs) => (stale ? null : findRemediesAside(build, key, runs)))
      .then(
        (answer) => answer && !stale && setSearch({ state: 'found', ...answer }),
        (error: Error) => !stale && setSearch({ state: 'failed', reason: error.message }),
      );
    return () => {
      stale = true;
    };
  }, [build, key]);

  // What lacks a figure is mostly cured by telling it: only a remedy that there is gets a word.
  if (check.verdict === 'needs-data' && !(search.state === 'found' && search.offers.length > 0)) return null;
  if (search.state === 'trying') return <p className="mt-3 text-small text-soft">Trying remedies on the model …</p>;
  if (search.state === 'failed')
    return (
      <p className="mt-3 text-small text-fails">
        Remedies could not be tried: {search.reason}. Close and open this check to try again.
      </p>
    );
  if (search.offers.length === 0) return <NoRemedy check={check} {...search} />;
  return (
    <ul className="mt-3 space-y-2" aria-label="Remedies">
      {search.offers.map((offer) => (
        <li key={offer.title} className="rounded-[3px] bg-offer p-2.5 text-small text-offer-ink">
          <div className="flex items-start gap-2">
            <p className="flex-1 first-letter:uppercase">
              {offer.title}: {offer.after.verdict === 'thin' ? 'thin' : 'holds'}
              {offer.after.margin !== undefined && `, margin ${marginText(offer.after)}`}
            </p>
            <button
              type="button"
              onClick={() => dispatch(offer.edit)}
              className="rounded-[3px] min-h-8 shrink-0 bg-offer-ink px-3 py-1 font-tight font-semibold text-offer"
            >
              Fit
            </button>
          </div>
          {offer.worsens.map((worse) => (
            <p key={checkKey(worse.after)} className="mt-1 text-note">
              But: {say(worse.after, units).title}, {marginText(worse.after)}
              {worse.marginBefore != null && ` (now ${formatMargin(worse.marginBefore)})`}
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** Nothing cures: how near the best change came, and what a person can do. */
function NoRemedy({ check, tried, nearest }: { check: Check } & Pick<RemedyAnswer, 'tried' | 'nearest'>) {
  return (
    <div className="mt-3 space-y-1 text-small">
      {nearest?.after.margin !== undefined && (
        <p>
          {tried} changes were tried on the model, alone and in pairs. The nearest, “{nearest.title}”, leaves the margin
          at <span className="whitespace-nowrap">{formatMargin(nearest.after.margin)}</span>.
        </p>
      )}
      {check.advice ? (
        <p>{check.advice}</p>
      ) : (
        nearest === null && <p className="text-soft">No change of part or setting was found that cures this.</p>
      )}
    </div>
  );
}
