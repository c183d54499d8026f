import type { Job } from '@/core/stations/plan';
import { JobMarks } from './job-marks';
import { hoursText } from './plan-words';

const COLUMNS = [
  ['waits', 'Waits for something'],
  ['can be done', 'Can be done now'],
  ['comes later', 'Comes later'],
  ['done', 'Done'],
] as const;

/** Jobs by how they stand: they move by what is done and what arrives. */
export function JobBoard({
  jobs,
  stateOf,
  onOpen,
}: {
  jobs: readonly Job[];
  stateOf: (job: Job) => string;
  onOpen: (id: string) => void;
}) {
  return (
    <div className="grid items-start gap-2 min-[600px]:grid-cols-2 min-[1080px]:grid-cols-4">
      {COLUMNS.map(([state, words]) => {
        const list = jobs.filter((job) => stateOf(job) === state);
        return (
          <section key={state} aria-label={words} className="rounded-[3px] border border-rule bg-well p-2">
            <h2 className="flex justify-between font-tight text-lead font-semibold">
              {words} <span className="text-soft tabular-nums">{list.length}</span>
            </h2>
            <ul className="mt-1 grid max-h-[70vh] gap-1 overflow-y-auto">
              {list.map((job) => (
                <li key={job.id}>
                  <button
                    type="button"
                    onClick={() => onOpen(job.id)}
                    className="min-h-11 w-full rounded-[3px] border border-rule bg-panel px-2 py-1 text-left"
                  >
                    <span className="block leading-tight">{job.name}</span>
                    <span className="flex items-center gap-2 text-note text-soft">
                      {hoursText(job.hours)} <JobMarks job={job} />
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
