'use client';
import type { Assessment } from '@/core/assess';
import { loadCircuit } from '@/core/build';
import type { Check } from '@/core/checks';
import { CAUTION } from '@/core/formats';
import { catalogueOf, type FusePart } from '@/core/parts';
import { formatArea, formatQuantity } from '@/core/quantities';
import { lowVoltage, partOf, type ResolvedConductor, type ResolvedDevice } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { VerdictMark } from '@/ui/verdict-mark';
import { type Column, DataTable } from '../shell/data-table';
import { partsToChoose } from '../shell/part-choices';
import { shapeOf } from '../shell/shape';

interface Row {
  readonly fuse: ResolvedDevice;
  readonly part: FusePart | null;
  readonly feed: ResolvedConductor | undefined;
  readonly relayA: number | null;
  readonly check: Check | undefined;
  readonly circuit: string;
}

const FAMILIES: ReadonlySet<string> = new Set(['blade', 'blade-large', 'strip']);

/** Ways of the fuse box: fuse, wire, what is on it; the card for the lid is its print. */
export function FuseBoxPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle, checks } = assessment;
  const low = lowVoltage(vehicle);
  const system = build.units;
  const fuses = low.lv.devices
    .filter(({ device }) => device.kind === 'lv-fuse')
    .sort((p, q) => (p.device.way ?? 1e3) - (q.device.way ?? 1e3) || (p.device.name < q.device.name ? -1 : 1));
  const feedOf = (fuseId: string): ResolvedConductor | undefined => {
    const wires = low.lv.conductors.filter(
      ({ conductor }) => conductor.a.deviceId === fuseId && conductor.a.terminal === 'b',
    );
    const next = wires[0];
    const through =
      next && low.lv.deviceOf.get(next.conductor.b.deviceId)?.device.kind === 'relay'
        ? next.conductor.b.deviceId
        : null;
    return through
      ? low.lv.conductors.find(({ conductor }) => conductor.a.deviceId === through && conductor.a.terminal === 'b')
      : next;
  };
  const worst = (ids: readonly (string | undefined)[]): Check | undefined =>
    checks.find(
      ({ subject, verdict, station }) => station === 'low-voltage' && ids.includes(subject.id) && verdict !== 'holds',
    );
  const rows = fuses.map((fuse): Row => {
    const feed = feedOf(fuse.id);
    const relay = low.lv.conductors.find(
      ({ conductor }) =>
        conductor.a.deviceId === fuse.id && low.lv.deviceOf.get(conductor.b.deviceId)?.device.kind === 'relay',
    );
    return {
      fuse,
      part: partOf(fuse, 'fuse'),
      feed,
      relayA: relay ? (low.lv.deviceOf.get(relay.conductor.b.deviceId)?.device.ratedA ?? null) : null,
      check: worst([fuse.id, feed?.id, feed?.conductor.b.deviceId]),
      circuit:
        low.loads
          .filter(({ id }) => loadCircuit(build, id).fuseId === fuse.id)
          .map(({ name }) => name)
          .join(' + ') || fuse.device.name.replace(/ fuse$/, ''),
    };
  });
  const columns: readonly Column<Row>[] = [
    {
      id: 'way',
      head: 'Way',
      value: ({ fuse }) => fuse.device.way ?? null,
      cell: ({ fuse }) => <span className="font-semibold">{fuse.device.way ?? ''}</span>,
      className: 'w-12',
    },
    {
      id: 'circuit',
      head: 'Circuit',
      value: ({ circuit }) => circuit,
      cell: ({ circuit, check }) => (
        <span className="flex items-center gap-2">
          <span className="print:hidden">
            <VerdictMark shape={check ? shapeOf(check.verdict) : 'holds'} size={11} />
          </span>
          {circuit}
        </span>
      ),
    },
    {
      id: 'fuse',
      head: 'Fuse',
      unit: 'A',
      value: ({ part }) => part?.ratedCurrentA ?? null,
      cell: ({ fuse, part }) => (
        <>
          <span className="hidden font-semibold print:inline">{part ? `${part.ratedCurrentA} A` : '?'}</span>
          <span className="print:hidden">
            <FuseSelect fuse={fuse} part={part} />
          </span>
        </>
      ),
    },
    {
      id: 'wire',
      head: 'Wire',
      unit: 'mm²',
      figure: true,
      value: ({ feed }) => feed?.cable?.areaMm2 ?? null,
      cell: ({ feed }) =>
        feed?.cable && (
          <>
            <span className="hidden print:inline">{formatArea(feed.cable.areaMm2, system)}</span>
            <WireSelect assessment={assessment} conductor={feed} />
          </>
        ),
    },
    {
      id: 'length',
      head: 'Length',
      unit: 'm',
      figure: true,
      spare: true,
      className: 'text-soft print:hidden',
      value: ({ feed }) => feed?.lengthM ?? null,
      cell: ({ feed }) =>
        feed?.lengthM == null
          ? ''
          : formatQuantity({ value: feed.lengthM, dimension: 'length' }, system, 3, system === 'us' ? 'ft' : 'm').text,
    },
    {
      id: 'relay',
      head: 'Relay',
      unit: 'A',
      figure: true,
      spare: true,
      className: 'text-soft print:hidden',
      value: ({ relayA }) => relayA,
      cell: ({ relayA }) =>
        relayA === null ? '' : formatQuantity({ value: relayA, dimension: 'current' }, system, 3).text,
    },
  ];
  const used = new Set(fuses.map(({ device }) => device.way).filter((way) => way !== undefined));
  const spare = Math.max(2, Math.ceil(used.size * 0.2));
  return (
    <Panel title="Fuse box" about={`${used.size} circuits used; keep ${spare} spare`} className="print:border-0">
      <div className="mb-2 print:hidden">
        <Action onPress={() => window.print()}>Print the card for the lid</Action>
      </div>
      <div data-fuse-box="">
        <DataTable<Row> label="Fuse box" columns={columns} rows={rows} idOf={({ fuse }) => fuse.id} />
      </div>
      <p className="mt-3 hidden text-note text-soft print:block">
        {build.name}. Never a larger fuse than the wire bears: find the fault. {CAUTION}
      </p>
      <div className="mt-3 max-w-[520px] print:hidden">
        <MainSwitch assessment={assessment} />
      </div>
    </Panel>
  );
}

/** Fuses of 58 V, which break more at 14 V than those of 32 V and go into the same holder; the one that is fitted stays in the list. */
function FuseSelect({ fuse, part }: Pick<Row, 'fuse' | 'part'>) {
  const dispatch = useBench((bench) => bench.dispatch);
  const catalogue = catalogueOf('fuse').filter((one) => FAMILIES.has(one.family) && one.ratedVoltageDcV === 58);
  const known = part && !catalogue.some(({ id }) => id === part.id) ? [part, ...catalogue] : catalogue;
  return (
    <Select
      label={`Fuse of ${fuse.device.name}`}
      value={part?.id ?? null}
      choices={known.map((one) => ({
        value: one.id,
        label: `${one.ratedCurrentA} A ${one.family === 'strip' ? 'strip' : one.family === 'blade' ? 'blade' : 'large blade'}`,
      }))}
      onChoose={(id) => {
        const next = known.find((one) => one.id === id);
        if (next) dispatch({ edit: 'fitPart', input: { deviceId: fuse.id, part: next } });
      }}
    />
  );
}

function WireSelect({ assessment, conductor }: { assessment: Assessment; conductor: ResolvedConductor }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const cables = partsToChoose('cable', assessment.build).flatMap(({ part }) =>
    part.kind === 'cable' &&
    !part.shielded &&
    (part.id.startsWith('cable-thin') || part.id.startsWith('cable-battery') || part.id === conductor.cable?.id)
      ? [part]
      : [],
  );
  return (
    <Select
      label={`Wire of ${conductor.conductor.name}`}
      value={conductor.cable?.id ?? null}
      choices={cables.map((part) => ({ value: part.id, label: formatArea(part.areaMm2, assessment.build.units) }))}
      onChoose={(id) => {
        const part = cables.find((one) => one.id === id);
        // Out and back are one circuit: the earth wire of the load goes along.
        const load = conductor.conductor.b.deviceId;
        const back = Object.values(assessment.build.circuits.lv.conductors).find(
          ({ a }) => a.deviceId === load && a.terminal === 'minus',
        );
        if (part)
          dispatch({ edit: 'fitCable', input: { conductorIds: [conductor.id, ...(back ? [back.id] : [])], part } });
      }}
    />
  );
}

/** A main switch for weeks of standing. */
function MainSwitch({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { battery, lv } = lowVoltage(assessment.vehicle);
  const has = lv.devices.some(({ device }) => device.opensParked);
  const cable = lv.conductors.find(({ conductor }) =>
    [conductor.a, conductor.b].some(
      ({ deviceId, terminal }) => deviceId === battery?.device.id && terminal === 'minus',
    ),
  )?.cable;
  if (has)
    return <p className="text-soft">There is a main switch at the battery: open it when the car stands for weeks.</p>;
  if (!battery || !cable) return null;
  return (
    <Action
      onPress={() =>
        dispatch({ edit: 'addMainSwitch', input: { seed: freshId(), batteryId: battery.device.id, cable } })
      }
    >
      Put a main switch at the battery
    </Action>
  );
}
