'use client';
import type { Assessment } from '@/core/assess';
import { type Check, say } from '@/core/checks';
import { storyLines } from '@/core/stations/interlocks';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';

const count = (value: number): string => value.toLocaleString('en');

/** What the search found: proved over how many states, or the shortest story of how it breaks. */
export function StoriesPanel({ assessment, onPlay }: { assessment: Assessment; onPlay: (id: string) => void }) {
  const running = useBench((bench) => bench.running.sequence);
  const startRun = useBench((bench) => bench.startRun);
  const { search } = assessment.results.interlocks;
  const checks = assessment.stations.interlocks.checks;
  const checkOf = (id: string): Check | undefined =>
    checks.find((check) =>
      id.startsWith('own:')
        ? check.id === 'interlocks.own' && check.subject.id === id.slice(4)
        : check.id === `interlocks.${id}`,
    );
  const broken = search?.told.verdicts.filter(({ proved }) => !proved) ?? [];
  const proved = search?.told.verdicts.filter((one) => one.proved) ?? [];
  return (
    <Panel
      title="Every way it could go"
      about={
        search
          ? `${count(search.told.states)} states, each with every input and every single fault: ${proved.length} of ${search.told.verdicts.length} properties proved`
          : 'state, input and single fault'
      }
    >
      {!search && (
        <p className="text-soft" aria-live="polite">
          {running?.state === 'going'
            ? `Being searched … ${Math.round(running.share * 100)} %`
            : running?.state === 'failed'
              ? `The search failed: ${running.reason}`
              : running?.state === 'stopped'
                ? 'The search was stopped.'
                : 'Searched once there is a sequence.'}{' '}
          {(running?.state === 'failed' || running?.state === 'stopped') && (
            <Action look="quiet" onPress={() => startRun('sequence')}>
              Search again
            </Action>
          )}
        </p>
      )}
      <ul className="grid gap-3">
        {broken.map((verdict) => {
          const check = checkOf(verdict.id);
          const open = check?.verdict === 'needs-data';
          const shown = !open
            ? (search?.well?.verdicts.find((one) => one.id === verdict.id && !one.proved) ?? verdict)
            : verdict;
          const said = check ? say(check, assessment.build.units).title : verdict.id;
          return (
            <li key={verdict.id} data-story={verdict.id} className="border-t border-rule/70 pt-2">
              <h3 className="flex items-baseline gap-2 font-tight text-lead font-semibold">
                <VerdictMark shape={open ? 'hollow' : 'fails'} size={12} />
                <span>{open ? `Not answered: ${said}` : said}</span>
              </h3>
              {open && (
                <p className="text-small text-soft">
                  It could, as long as this is open: {(check?.missing ?? []).map(({ what }) => what).join('; ')}.
                </p>
              )}
              <ol className="mt-1 flex flex-wrap gap-x-4 gap-y-0.5">
                {storyLines(shown.story).map((line, k) => (
                  <li key={k} className="whitespace-nowrap">
                    <span className="mr-1 text-note text-soft">{k + 1}</span>
                    {line}
                  </li>
                ))}
              </ol>
              <p className="mt-1">
                <Action onPress={() => onPlay(verdict.id)} label={`Play: ${said}`}>
                  Play it
                </Action>
              </p>
            </li>
          );
        })}
      </ul>
      {proved.length > 0 && (
        <ul className="mt-3 grid gap-x-6 text-small min-[700px]:grid-cols-2" aria-label="Proved">
          {proved.map(({ id }) => {
            const check = checkOf(id);
            return (
              <li key={id} className="flex items-baseline gap-2 py-0.5">
                <VerdictMark shape="holds" size={11} />
                <span>{check ? say(check, assessment.build.units).title : id}</span>
              </li>
            );
          })}
        </ul>
      )}
    </Panel>
  );
}
