import { type Build, type Device, type EndState, findDevice, own, type SingleEdit, type WireEnds } from '../../build';
import { fromBuild, type Wiring } from '../../vehicle';
import { AT_LEAST, byLoom, type Draft, type Job, jobId } from './job-kit';
import { partJobs, stageJobs } from './part-jobs';
import { testJobs } from './test-jobs';
import { wireJobs } from './wire-jobs';

export type { Job } from './job-kit';

/** Every job of the build: what follows from design, parts and harness, and one’s own, in working order. */
export const jobsOf = fromBuild((vehicle: Wiring): readonly Job[] => {
  const { build } = vehicle;
  const { jobs: marks = {}, ownJobs = {} } = build.plan ?? {};
  const parts = partJobs(build);
  const wires = wireJobs(vehicle, parts);
  const stages = stageJobs(build, parts);
  const drafts: Draft[] = [...stages, ...parts, ...wires];
  drafts.push(...testJobs(vehicle, drafts));
  const mine = Object.values(ownJobs);
  const ids = new Set([...drafts.map(({ id }) => id), ...mine.map(({ id }) => id)]);
  const finished = ({ id, ...draft }: Pick<Draft, 'id' | 'known' | 'hours'> & { known: Draft['known'] }) => {
    const mark = own(marks, id) ?? null;
    const byTick = mark?.done !== undefined;
    const share = draft.known?.share ?? (byTick ? 1 : 0);
    // What parts and ends say counts, not a tick beside it.
    return {
      mark,
      share: draft.known ? share : byTick ? 1 : 0,
      done: draft.known ? share >= 1 : byTick,
      by: draft.known?.by ?? null,
      hours: mark?.hours ?? draft.hours,
      told: mark?.hours !== undefined,
    };
  };
  const after = (id: string, list: readonly string[]): readonly string[] => [
    ...new Set([...list, ...(own(marks, id)?.after ?? [])].filter((one) => ids.has(one))),
  ];
  const made = drafts.map((draft): Job => {
    const { known: _, ...bare } = draft;
    return {
      ...bare,
      ...finished(draft),
      after: after(
        draft.id,
        draft.id === 'road'
          ? [...draft.after, ...mine.filter(({ stage }) => stage !== 'road').map(({ id }) => id)]
          : draft.after,
      ),
      own: false,
    };
  });
  const ofMine = mine.map((job): Job => {
    const { id, name, stage, zoneId, hours, hv = false, two = false } = job;
    return {
      id,
      name,
      stage,
      zoneId,
      hv,
      two,
      own: true,
      after: after(id, []),
      ...finished({ id, hours, known: null }),
    };
  });
  return [...made, ...ofMine];
});

/** Edits that make a job done where it is known: parts, ends, or the tick. `date` is today. Null: it is answered elsewhere. */
export function doneEdits(vehicle: Wiring, job: Job, date: string): readonly SingleEdit[] | null {
  const { build } = vehicle;
  // What was found or read is written down where it belongs.
  if (job.by === 'survey' || job.by === 'readings' || job.by === 'sheets') return null;
  const tick: SingleEdit = {
    edit: 'putInPlan',
    input: { list: 'jobs', entries: [{ ...(job.mark ?? { id: job.id }), id: job.id, done: date }] },
  };
  if (job.by === 'parts') {
    const item = Object.values(build.inHand ?? {}).find(
      (one) =>
        job.id === jobId('make', one.id) ||
        (one.deviceId !== undefined &&
          ['fetch', 'inspect', 'mount'].some((kind) => job.id === jobId(kind, one.deviceId!))),
    );
    if (!item) return [tick];
    const state = job.id.startsWith('fetch.') ? 'here' : job.id.startsWith('make.') ? 'made' : 'fitted';
    return [{ edit: 'setInHand', input: { id: item.id, facts: { state } } }, tick];
  }
  if (job.by === 'ends') {
    const kind = job.id.split('.')[0];
    const loom = [...byLoom(vehicle).keys()].find((one) =>
      ['loom-make', 'loom-route', 'loom-land'].some((each) => jobId(each, one) === job.id),
    );
    if (!loom) return [tick];
    const to: EndState = kind === 'loom-make' ? 'crimped' : kind === 'loom-route' ? 'routed' : 'landed';
    const far = AT_LEAST[kind === 'loom-make' ? 'made' : kind === 'loom-route' ? 'routed' : 'landed'];
    const entries = byLoom(vehicle)
      .get(loom)!
      .flatMap((wire): WireEnds[] => {
        const sides = (['a', 'b'] as const).filter(
          (side) => !far.has(wire.ends[side].state) || wire.ends[side].wrong !== null,
        );
        if (sides.length === 0) return [];
        const known = own(build.harness?.ends ?? {}, wire.id);
        return [
          {
            ...known,
            id: wire.id,
            name: wire.name,
            ...Object.fromEntries(
              sides.map((side) => {
                const { hostId, terminal, hostName } = wire.ends[side];
                return [side, { state: to, hostId, terminal, hostName, areaMm2: wire.areaMm2, date }];
              }),
            ),
          },
        ];
      });
    return entries.length > 0 ? [{ edit: 'putInHarness', input: { list: 'ends', entries } }, tick] : [tick];
  }
  return [tick];
}

/** A device that a job is about; null: none. */
export const deviceOfJob = (build: Build, { id }: Job): Device | null => {
  const [kind, ...rest] = id.split('.');
  return ['fetch', 'inspect', 'mount'].includes(kind ?? '') ? (findDevice(build, rest.join('.')) ?? null) : null;
};
