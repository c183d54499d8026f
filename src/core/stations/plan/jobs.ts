import {
  type Build,
  type Device,
  type EndState,
  findDevice,
  type Id,
  type InHand,
  type JobMark,
  own,
  type SingleEdit,
  type Stage,
  type WireEnds,
} from '../../build';
import { fromBuild, type HarnessWire, harnessOf, type Wiring } from '../../vehicle';

/** One piece of work: from the design, or somebody’s own. */
export interface Job {
  readonly id: string;
  readonly name: string;
  readonly stage: Stage;
  /** Usual time, or as it was told, h. */
  readonly hours: number;
  readonly told: boolean;
  readonly zoneId: Id | null;
  readonly hv: boolean;
  readonly two: boolean;
  /** Jobs that come first; all of them are in the list. */
  readonly after: readonly string[];
  /** It is done: as ticked, or by what parts, ends and sheets say. */
  readonly done: boolean;
  /** Share of it that parts and ends say is done, 0–1. */
  readonly share: number;
  /** By what it is known to be done; null: it is ticked here. */
  readonly by: 'parts' | 'ends' | 'survey' | 'readings' | null;
  readonly mark: JobMark | null;
  readonly own: boolean;
}

type Draft = Omit<Job, 'done' | 'share' | 'mark' | 'own' | 'told' | 'by'> & {
  /** Null: nothing but a tick tells. */
  readonly known: { readonly share: number; readonly by: NonNullable<Job['by']> } | null;
};

/** Things big enough to be fetched, tried and mounted by themselves; hours of mounting (engineering judgement). */
const BIG: Readonly<Record<string, number>> = {
  box: 8,
  motor: 8,
  inverter: 4,
  'charger-converter': 3,
  charger: 3,
  converter: 2,
  heater: 3,
  compressor: 3,
  'auxiliary-battery': 1,
};
const SMALL: ReadonlySet<string> = new Set([
  'contactor',
  'fuse',
  'disconnect',
  'precharge-resistor',
  'discharge-resistor',
  'sensor',
  'junction',
  'capacitor',
  'emergency-stop',
  'inertia-switch',
  'interlock-contact',
]);
/** At the car, two do it: it is lifted. */
const HEAVY: ReadonlySet<string> = new Set(['box', 'motor']);

const HERE: ReadonlySet<string> = new Set(['here', 'tested', 'fitted', 'made', 'painted', 'trial-fit', 'replaced']);
const FITTED: ReadonlySet<string> = new Set(['fitted']);

/** Ids of the document are 60 letters at most. */
const jobId = (kind: string, id: string): string => `${kind}.${id}`.replace(/[^A-Za-z0-9._-]+/g, '-').slice(0, 60);

const listed = (build: Build, deviceId: Id): InHand | undefined =>
  Object.values(build.inHand ?? {}).find((one) => one.deviceId === deviceId);

/** Nobody knows it better. */
const tenths = (hours: number): number => Math.round(hours * 10) / 10;

/** Ends of wires that are at least so far. */
const AT_LEAST: Readonly<Record<'made' | 'routed' | 'landed' | 'tested', ReadonlySet<EndState>>> = {
  made: new Set(['crimped', 'routed', 'left-long', 'parked', 'landed', 'tested']),
  routed: new Set(['routed', 'left-long', 'parked', 'landed', 'tested']),
  landed: new Set(['landed', 'tested']),
  tested: new Set(['tested']),
};
const shareOf = (wires: readonly HarnessWire[], far: keyof typeof AT_LEAST): number => {
  const ends = wires.flatMap(({ ends: { a, b } }) => [a, b]);
  return ends.length === 0
    ? 1
    : ends.filter(({ state, wrong }) => wrong === null && AT_LEAST[far].has(state)).length / ends.length;
};

/** Traction cables are made and landed by themselves, last of all. */
const TRACTION = 'Traction cables';
const loomName = ({ circuit, loom }: HarnessWire): string => (circuit === 'hv' ? TRACTION : loom);

/** Wires of each loom that is made and landed by itself. */
const byLoom = fromBuild((vehicle: Wiring): ReadonlyMap<string, readonly HarnessWire[]> => {
  const looms = new Map<string, HarnessWire[]>();
  for (const wire of harnessOf(vehicle).wires) {
    const known = looms.get(loomName(wire));
    if (known) known.push(wire);
    else looms.set(loomName(wire), [wire]);
  }
  return looms;
});

function partJobs(build: Build): Draft[] {
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

function stageJobs(build: Build, parts: readonly Draft[]): Draft[] {
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

function wireJobs(vehicle: Wiring, parts: readonly Draft[]): Draft[] {
  const { build } = vehicle;
  const mounts = new Set(parts.filter(({ id }) => id.startsWith('mount')).map(({ id }) => id));
  /** What has to be in place before its wires can be landed there. */
  const mountsOf = (wires: readonly HarnessWire[]): readonly string[] => [
    ...new Set(
      wires.flatMap(({ ends: { a, b } }) =>
        [a, b].flatMap(({ hostId }) => {
          const kind = findDevice(build, hostId)?.kind;
          if (kind === undefined) return [];
          const id = Object.hasOwn(BIG, kind) ? jobId('mount', hostId) : SMALL.has(kind) ? 'mount-small' : 'mount-low';
          return mounts.has(id) ? [id] : [];
        }),
      ),
    ),
  ];
  return [...byLoom(vehicle)].flatMap(([loom, wires]): Draft[] => {
    const traction = loom === TRACTION;
    // Sense wires are on cells, which never switch off.
    const live = traction || wires.some(({ signal }) => signal === 'cell-sense');
    const each = traction ? { make: 0.5, route: 0.3, land: 0.3 } : { make: 0.12, route: 0.05, land: 0.08 };
    const job = (
      kind: 'make' | 'route' | 'land',
      name: string,
      far: 'made' | 'routed' | 'landed',
      after: readonly string[],
    ): Draft => ({
      id: jobId(`loom-${kind}`, loom),
      name: `${name}: ${loom} (${wires.length} ${wires.length === 1 ? 'wire' : 'wires'})`,
      stage: 'wire',
      hours: Math.max(0.5, tenths(each[kind] * wires.length)),
      zoneId: null,
      hv: live && kind === 'land',
      two: live && kind === 'land',
      after,
      known: { share: shareOf(wires, far), by: 'ends' },
    });
    const [make, route] = [jobId('loom-make', loom), jobId('loom-route', loom)];
    return [
      job('make', 'Cut and crimp', 'made', []),
      job('route', 'Lay', 'routed', ['paint', make]),
      job('land', 'Land the ends', 'landed', [route, ...mountsOf(wires)]),
    ];
  });
}

function testJobs(vehicle: Wiring, others: readonly Draft[]): Draft[] {
  const { build } = vehicle;
  const lands = others.filter(({ id }) => id.startsWith('loom-land.')).map(({ id }) => id);
  const low = lands.filter((id) => id !== jobId('loom-land', TRACTION));
  const wet =
    build.schools.cooling === 'liquid' ||
    build.schools.cooling === 'chill-plate' ||
    build.schools.heating === 'coolant-heater';
  const vacuum = build.schools.brakes === 'vacuum-pump';
  const bare = { zoneId: null, hv: false, two: false, known: null };
  const mounts = others.filter(({ id }) => id.startsWith('mount')).map(({ id }) => id);
  const sense = others.find(({ id }) => id.startsWith('loom-make.') && id.endsWith('Battery-and-management'));
  const list: Draft[] = [
    ...(build.bms?.channels !== undefined && sense
      ? [
          {
            ...bare,
            id: 'measure-taps',
            name: 'Read the sense plug tap by tap, before it goes in',
            stage: 'test' as const,
            hours: 1.5,
            hv: true,
            two: true,
            after: [sense.id],
            known: { share: (build.bms.tapsV ?? []).length > 0 ? 1 : 0, by: 'readings' as const },
          },
        ]
      : []),
    ...(wet
      ? [
          {
            ...bare,
            id: 'fill',
            name: 'Fill and bleed the coolant',
            stage: 'final-fit' as const,
            hours: 2,
            after: mounts,
          },
        ]
      : []),
    {
      ...bare,
      id: 'test-low',
      name: '12 V alone: wake-up, currents, pedals, stops',
      stage: 'test',
      hours: 4,
      after: low,
    },
    {
      ...bare,
      id: 'test-insulation',
      name: 'Insulation, earth bonds, torque list, before HV',
      stage: 'test',
      hours: 3,
      hv: true,
      two: true,
      after: lands,
    },
    {
      ...bare,
      id: 'test-precharge',
      name: 'First HV: limited source, precharge, discharge',
      stage: 'test',
      hours: 3,
      hv: true,
      two: true,
      after: ['test-low', 'test-insulation'],
    },
    {
      ...bare,
      id: 'test-spin',
      name: 'Spin with the wheels free',
      stage: 'test',
      hours: 2,
      hv: true,
      two: true,
      after: ['test-precharge', ...(wet ? ['fill'] : [])],
    },
    {
      ...bare,
      id: 'test-charge',
      name: 'First charge to the full, attended',
      stage: 'test',
      hours: 6,
      hv: true,
      after: ['test-precharge'],
    },
    ...(vacuum
      ? [
          {
            ...bare,
            id: 'test-brakes',
            name: 'Vacuum: pull-down, hold, stops with the pump off',
            stage: 'test' as const,
            hours: 2,
            after: ['test-low'],
          },
        ]
      : []),
  ];
  return [
    ...list,
    {
      ...bare,
      id: 'road',
      name: 'Road test on private ground',
      stage: 'road',
      hours: 4,
      two: true,
      after: list.map(({ id }) => id),
    },
  ];
}

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
  if (job.by === 'survey' || job.by === 'readings') return null;
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
