import type { Build, Device } from '../../build';
import { BIG, type Draft, FITTED, HEAVY, HERE, jobId, listed, SMALL, tenths } from './job-kit';

/** Fetching, inspecting, mounting and making: what follows from the parts. */
export function partJobs(build: Build): Draft[] {
  const devices: Device[] = [...Object.values(build.circuits.hv.devices), ...Object.values(build.circuits.lv.devices)];
  const big = devices.filter(({ kind }) => Object.hasOwn(BIG, kind));
  const small = devices.filter(({ kind }) => SMALL.has(kind));
  const low = devices.filter(({ kind }) => kind === 'lv-load' || kind === 'relay' || kind === 'lv-fuse');
  const jobs: Draft[] = [];
  const bare = { hv: false, two: false };
  for (const { id, name, kind, place } of big) {
    const item = listed(build, id);
    const zoneId = place?.zoneId ?? null;
    jobs.push({
      ...bare,
      id: jobId('fetch', id),
      name: `Fetch ${name}`,
      stage: 'gather',
      hours: 1,
      zoneId: null,
      after: [],
      known: item ? { share: HERE.has(item.state) ? 1 : 0, by: 'parts' } : null,
    });
    if (item?.donor !== undefined || item?.found !== undefined || kind === 'box')
      jobs.push({
        ...bare,
        id: jobId('inspect', id),
        name: `Inspect ${name}`,
        stage: 'gather',
        hours: kind === 'box' ? 4 : 1.5,
        zoneId: null,
        hv: kind === 'box',
        two: kind === 'box',
        after: [jobId('fetch', id)],
        known: item?.found && Object.keys(item.found).length > 0 ? { share: 1, by: 'parts' } : null,
      });
    jobs.push({
      ...bare,
      id: jobId('mount', id),
      name: `Mount ${name}`,
      stage: 'final-fit',
      hours: BIG[kind]!,
      zoneId,
      hv: kind === 'box',
      two: HEAVY.has(kind),
      after: [
        'paint',
        jobId('fetch', id),
        ...(jobs.some((job) => job.id === jobId('inspect', id)) ? [jobId('inspect', id)] : []),
      ],
      known: item ? { share: FITTED.has(item.state) ? 1 : 0, by: 'parts' } : null,
    });
  }
  if (small.length > 0)
    jobs.push({
      ...bare,
      id: 'mount-small',
      name: `Mount contactors, fuses and switches (${small.length})`,
      stage: 'final-fit',
      hours: tenths(0.5 * small.length),
      zoneId: small[0]!.place?.zoneId ?? null,
      after: ['paint'],
      known: null,
    });
  if (low.length > 0)
    jobs.push({
      ...bare,
      id: 'mount-low',
      name: `Mount fuse box, relays and what runs on 12 V (${low.length})`,
      stage: 'final-fit',
      hours: tenths(0.4 * low.length),
      zoneId: null,
      after: ['paint'],
      known: null,
    });
  for (const item of Object.values(build.inHand ?? {})) {
    if (!item.made) continue;
    jobs.push({
      ...bare,
      id: jobId('make', item.id),
      name: `Make ${item.name}`,
      stage: 'gather',
      hours: 5,
      zoneId: null,
      after: [],
      known: {
        share: ['made', 'painted', 'fitted'].includes(item.state) ? 1 : item.state === 'trial-fit' ? 0.5 : 0,
        by: 'parts',
      },
    });
  }
  return jobs;
}

/** Looking it over, trial fit, strip and paint. */
export function stageJobs(build: Build, parts: readonly Draft[]): Draft[] {
  const bare = { zoneId: null, hv: false, two: false, known: null };
  const fetched = parts.filter(({ id }) => id.startsWith('fetch.') || id.startsWith('make.')).map(({ id }) => id);
  const out = Object.values(build.oldParts ?? {}).filter(({ fate }) => fate === 'strip');
  const found = Object.keys(build.asFound ?? {}).length;
  const takenOut = out.map(
    ({ id, name }): Draft => ({
      ...bare,
      id: jobId('out', id),
      name: `Take out ${name}`,
      stage: 'gather',
      hours: 3,
      after: ['as-found'],
    }),
  );
  return [
    {
      ...bare,
      id: 'as-found',
      name: 'Look the vehicle over as it came',
      stage: 'gather',
      hours: 3,
      after: [],
      known: found > 0 ? { share: Math.min(1, found / 9), by: 'survey' } : null,
    },
    ...takenOut,
    {
      ...bare,
      id: 'trial-fit',
      name: 'Trial fit of everything big, nothing connected',
      stage: 'trial-fit',
      hours: 12,
      two: true,
      after: [...fetched, ...takenOut.map(({ id }) => id)],
    },
    { ...bare, id: 'strip', name: 'Take it all out again', stage: 'strip', hours: 5, two: true, after: ['trial-fit'] },
    { ...bare, id: 'paint', name: 'Weld, drill and paint', stage: 'paint', hours: 16, after: ['strip'] },
  ];
}
