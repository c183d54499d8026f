'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { marginText, say } from '@/core/checks';
import type { Part, PartKind } from '@/core/parts';
import { type Way, waysToTake } from '@/core/remedies';
import { freshId, runsSoon, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { type CheckBrief, type RankedBrief, rankAside, type TrialBrief, tryAside } from '@/workers/remedies';
import { partsToChoose } from '../shell/part-choices';
import { shapeOf } from '../shell/shape';

/** Kinds that have a place of their own: conductors are chosen where they run. */
const TRIED: readonly PartKind[] = [
  'bus-device',
  'inverter',
  'motor',
  'cell',
  'fuse',
  'contactor',
  'disconnect',
  'resistor',
  'sensor',
];
export const canBeTried = (part: Part): boolean => TRIED.includes(part.kind);

type Search<T> =
  | { readonly state: 'idle' | 'trying' }
  | { readonly state: 'found'; readonly found: T }
  | { readonly state: 'failed'; readonly reason: string };

/** Will a part live with this build? Tried on the whole model before money is spent; nothing is changed until it is fitted. */
export function TryPanel({ assessment, part, onDone }: { assessment: Assessment; part: Part; onDone: () => void }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const [seed] = useState(freshId);
  const ways = useMemo(() => waysToTake(assessment, part, seed), [assessment, part, seed]);
  const [chosen, setChosen] = useState(0);
  const [trial, setTrial] = useState<Search<TrialBrief>>({ state: 'idle' });
  const [ranking, setRanking] = useState<Search<readonly RankedBrief[]>>({ state: 'idle' });
  const way = ways[Math.min(chosen, ways.length - 1)];

  const run = <T,>(asked: Promise<T>, set: (search: Search<T>) => void) => {
    set({ state: 'trying' });
    asked.then(
      (found) => set({ state: 'found', found }),
      (error: Error) => set({ state: 'failed', reason: error.message }),
    );
  };
  const rank = (at: Way) => {
    const candidates = partsToChoose(part.kind, build).flatMap(({ part: one }) => {
      const same = waysToTake(assessment, one, seed).find(({ deviceId }) => deviceId === at.deviceId);
      return same ? [{ part: one, edit: same.edit }] : [];
    });
    run(
      runsSoon().then((runs) => rankAside(build, candidates, runs)),
      setRanking,
    );
  };

  return (
    <Panel title="Will it live with this build?" about={part.name} onClose={onDone}>
      {!way ? (
        <p className="text-soft">Nothing in this build takes such a part yet: lay the circuit out in Pack first.</p>
      ) : (
        <>
          <ChoiceField
            label="Tried"
            value={String(ways.indexOf(way))}
            choices={ways.map(({ words }, k) => ({ value: String(k), label: words }))}
            onChoose={(value) => {
              setChosen(Number(value));
              setTrial({ state: 'idle' });
              setRanking({ state: 'idle' });
            }}
          />
          <div className="mt-2 flex flex-wrap gap-2">
            <Action
              onPress={() =>
                run(
                  runsSoon().then((runs) => tryAside(build, way.edit, runs)),
                  setTrial,
                )
              }
            >
              Try it on the model
            </Action>
            <Action look="quiet" onPress={() => rank(way)}>
              Rank all of its kind
            </Action>
          </div>
          {(trial.state === 'trying' || ranking.state === 'trying') && (
            <p className="mt-2 text-soft">Trying it on the model …</p>
          )}
          {trial.state === 'failed' && <p className="mt-2 text-fails">It could not be tried: {trial.reason}.</p>}
          {ranking.state === 'failed' && <p className="mt-2 text-fails">They could not be ranked: {ranking.reason}.</p>}
          {trial.state === 'found' && (
            <Outcome
              trial={trial.found}
              build={build}
              onFit={() => {
                if (dispatch(way.edit)) onDone();
              }}
            />
          )}
          {ranking.state === 'found' && (
            <ol className="mt-3" aria-label="Of its kind, best first">
              {ranking.found.map(({ part: one, trial: tried }) => {
                const fails = tried.worse.filter(({ verdict }) => verdict === 'fails').length;
                return (
                  <li key={one.id} className="flex items-baseline gap-2 border-t border-rule py-1">
                    <VerdictMark shape={tried.lives ? 'holds' : 'fails'} size={12} />
                    <span className={`min-w-0 flex-1 ${one.id === part.id ? 'font-semibold' : ''}`}>{one.name}</span>
                    <span className="text-right text-small text-soft">
                      {tried.refused ??
                        (fails > 0
                          ? `${fails} would fail`
                          : tried.worse.length > 0
                            ? `lives, ${tried.worse.length} with less margin`
                            : tried.asks.length > 0
                              ? `lives, asks for ${tried.asks.length}`
                              : 'lives')}
                    </span>
                  </li>
                );
              })}
            </ol>
          )}
        </>
      )}
    </Panel>
  );
}

function Outcome({ trial, build, onFit }: { trial: TrialBrief; build: Assessment['build']; onFit: () => void }) {
  if (trial.refused !== null) return <p className="mt-2 text-fails">It can’t be fitted: {trial.refused}</p>;
  const fails = trial.worse.filter(({ verdict }) => verdict === 'fails');
  const thin = trial.worse.filter(({ verdict }) => verdict === 'thin');
  const asks = [...trial.worse.filter(({ verdict }) => verdict !== 'fails' && verdict !== 'thin'), ...trial.asks];
  return (
    <div className="mt-3" aria-live="polite">
      <p className="flex items-center gap-2 text-lead font-semibold">
        <VerdictMark shape={trial.lives ? 'holds' : 'fails'} size={16} />
        {trial.lives ? 'It lives with this build.' : 'It does not live with this build.'}
      </p>
      <List heading="Would fail" checks={fails} build={build} />
      <List heading="Lose margin" checks={thin} build={build} />
      <List heading="It still needs" checks={asks} build={build} />
      <List heading="Get better" checks={trial.better} build={build} />
      {trial.worse.length + trial.asks.length + trial.better.length === 0 && (
        <p className="mt-1 text-soft">No check gets worse or better.</p>
      )}
      <div className="mt-2">
        <Action onPress={onFit}>{trial.lives ? 'Fit it' : 'Fit it all the same'}</Action>
      </div>
    </div>
  );
}

function List({
  heading,
  checks,
  build,
}: {
  heading: string;
  checks: readonly CheckBrief[];
  build: Assessment['build'];
}) {
  if (checks.length === 0) return null;
  return (
    <section className="mt-2" aria-label={heading}>
      <h3 className="text-small font-semibold text-soft">{heading}</h3>
      <ul>
        {checks.map((check) => (
          <li
            key={`${check.id}:${check.subject.id}`}
            className="flex items-baseline gap-2 border-t border-rule/70 py-1"
          >
            <VerdictMark shape={shapeOf(check.verdict)} size={12} />
            <span className="min-w-0 flex-1">
              {say(check, build.units).title}
              <span className="block text-small text-soft">{say(check, build.units).line}</span>
            </span>
            <span className="font-semibold">{marginText(check)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
