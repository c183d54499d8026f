'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { type Check, marginText } from '@/core/checks';
import { formatArea, formatQuantity } from '@/core/quantities';
import type { LowWireRow } from '@/core/stations/low-voltage';
import { loomHeat, loomsOf, lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { ConductorFields } from '../shell/conductor-fields';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { shapeOf } from '../shell/shape';

const NO_LOOM = '';

/** Share of the allowed rise that a wire uses; far above 1 where it is not known. */
function usedRise({ wire, temperatureC }: LowWireRow): number {
  if (temperatureC === null || !wire.cable || !wire.zone) return 1e3;
  return (temperatureC - wire.zone.ambientC) / Math.max(1, wire.cable.temperatureClassC - wire.zone.ambientC);
}

/** Wires, what they lie in, what they carry; looms and earth points. */
export function WiresPanel({ assessment }: { assessment: Assessment }) {
  const [opened, setOpened] = useState<string | null>(null);
  const { build } = assessment;
  // What uses most of its allowed rise first; what is not known before all.
  const rows = [...assessment.results['low-voltage'].wires]
    .map((row) => ({ row, used: usedRise(row) }))
    .sort((p, q) => q.used - p.used)
    .map(({ row }) => row);
  const columns = wireColumns(assessment, opened, setOpened);
  return (
    <div className="space-y-3">
      <Looms assessment={assessment} />
      <Panel title="Wires" about="with everything on; press one to change it">
        <DataTable
          label="Wires"
          wide
          rows={rows}
          columns={columns}
          idOf={({ id }) => id}
          openId={opened}
          attributes={({ id }) => ({ 'data-wire': id })}
          detail={(row) => (
            <>
              <WireMore assessment={assessment} row={row} />
              <ConductorFields conductor={row.wire} row={undefined} build={build} />
            </>
          )}
        />
      </Panel>
      <Earths assessment={assessment} />
    </div>
  );
}

const LENGTH_UNITS = { metric: 'm', us: 'ft' } as const;

/** What is told of a wire; its own current against what it carries. */
function wireColumns(
  { build, checks }: Assessment,
  opened: string | null,
  onOpen: (id: string | null) => void,
): readonly Column<LowWireRow>[] {
  const system = build.units;
  const amps = (value: number | null) =>
    value === null ? '–' : formatQuantity({ value, dimension: 'current' }, system, 3, 'A').text;
  const worst = (id: string): Check | undefined =>
    checks.find(
      ({ subject, station, verdict }) => subject.id === id && station === 'low-voltage' && verdict !== 'holds',
    );
  return [
    {
      id: 'wire',
      head: 'Wire',
      value: ({ wire }) => wire.conductor.name,
      cell: ({ id, wire }) => {
        const check = worst(id);
        return (
          <RowOpener
            open={opened === id}
            onOpen={() => onOpen(opened === id ? null : id)}
            mark={<VerdictMark shape={check ? shapeOf(check.verdict) : 'holds'} size={11} />}
          >
            {wire.conductor.name}
          </RowOpener>
        );
      },
    },
    {
      id: 'size',
      head: 'Size',
      unit: 'mm²',
      figure: true,
      value: ({ wire }) => wire.cable?.areaMm2 ?? null,
      cell: ({ wire }) => (wire.cable ? formatArea(wire.cable.areaMm2, system) : '–'),
    },
    {
      id: 'length',
      head: 'Length',
      unit: 'm',
      figure: true,
      value: ({ wire }) => wire.lengthM,
      cell: ({ wire: { lengthM } }) =>
        lengthM === null
          ? '–'
          : formatQuantity({ value: lengthM, dimension: 'length' }, system, 3, LENGTH_UNITS[system]).text,
    },
    {
      id: 'place',
      head: 'Lies in',
      spare: true,
      className: 'text-soft',
      value: ({ loom, wire }) => loom?.route.name ?? wire.zone?.name ?? null,
      cell: ({ loom, wire }) => loom?.route.name ?? wire.zone?.name ?? '–',
    },
    {
      id: 'current',
      head: 'Current',
      unit: 'A',
      figure: true,
      value: ({ currentA }) => currentA,
      cell: ({ currentA }) => amps(currentA),
    },
    {
      id: 'carries',
      head: 'Ampacity here',
      unit: 'A',
      figure: true,
      className: 'text-soft',
      value: ({ carriesA }) => carriesA,
      cell: ({ carriesA }) => amps(carriesA),
    },
    {
      id: 'hottest',
      head: 'Hottest',
      unit: '°C',
      figure: true,
      className: 'font-semibold',
      value: ({ temperatureC }) => temperatureC,
      cell: ({ temperatureC }) =>
        temperatureC === null
          ? '–'
          : formatQuantity({ value: Math.round(temperatureC), dimension: 'temperature' }, system, 3).text,
    },
    {
      id: 'plug',
      head: 'Connector',
      unit: 'A',
      figure: true,
      spare: true,
      className: 'text-soft',
      value: ({ wire }) => wire.conductor.connectorA ?? null,
      cell: ({ wire }) => (wire.conductor.connectorA === undefined ? '' : amps(wire.conductor.connectorA)),
    },
  ];
}

/** Loom, plug and earth point of one wire. */
function WireMore({ assessment, row }: { assessment: Assessment; row: LowWireRow }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const { conductor, lengthM } = row.wire;
  const { lv } = lowVoltage(vehicle);
  const earths = lv.devices.filter(({ device }) => device.kind === 'earth');
  const landed = [conductor.a, conductor.b].find(({ deviceId }) => earths.some(({ id }) => id === deviceId));
  return (
    <div className="grid gap-x-8 min-[700px]:grid-cols-3">
      <ChoiceField
        label="In the loom"
        value={conductor.routeId ?? NO_LOOM}
        choices={[
          { value: NO_LOOM, label: 'none' },
          ...Object.values(build.routes)
            .filter(({ id }) => !vehicle.conductors.some((one) => one.conductor.routeId === id))
            .map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChoose={(value) =>
          dispatch({
            edit: 'putInLoom',
            input: {
              conductorId: row.id,
              routeId: value === NO_LOOM ? null : value,
              ...(lengthM === null ? {} : { lengthM: Math.round(lengthM * 1000) / 1000 }),
            },
          })
        }
      />
      <QuantityField
        label="Connector rating"
        value={conductor.connectorA ?? null}
        dimension="current"
        system={build.units}
        empty="not entered"
        onCommit={(connectorA) => dispatch({ edit: 'setConnector', input: { conductorId: row.id, connectorA } })}
        onClear={() => dispatch({ edit: 'setConnector', input: { conductorId: row.id, connectorA: null } })}
      />
      {landed && earths.length > 1 && (
        <ChoiceField
          label="Earthed at"
          value={landed.deviceId}
          choices={earths.map(({ id, device }) => ({ value: id, label: device.name }))}
          onChoose={(earthId) => dispatch({ edit: 'landEarth', input: { conductorId: row.id, earthId } })}
        />
      )}
    </div>
  );
}

/** Looms with their heat, and a new one. */
function Looms({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle, checks } = assessment;
  const system = build.units;
  const looms = loomsOf(vehicle);
  const zones = Object.values(build.zones);
  const [zoneId, setZone] = useState(zones[0]?.id ?? '');
  const free = lowVoltage(vehicle).lv.conductors.filter(
    ({ conductor, laid }) => conductor.kind === 'cable' && conductor.routeId === null && laid?.zoneId === zoneId,
  );
  return (
    <Panel title="Looms" about="wires that lie together warm each other: one heat balance">
      {looms.map((loom) => {
        const heat = loomHeat(vehicle, loom);
        const check = checks.find(({ id, subject }) => id === 'lv.loom' && subject.id === loom.route.id);
        const shape = check ? shapeOf(check.verdict) : 'hollow';
        return (
          <div key={loom.route.id} className="flex items-baseline gap-3 border-b border-rule/70 py-1" data-loom="">
            <VerdictMark shape={shape} size={11} />
            <b className="font-semibold">{loom.route.name}</b>
            <span className="text-soft">
              {loom.wires.length} wires
              {heat?.loom
                ? `, ${formatQuantity({ value: heat.loom.diameterMm / 1000, dimension: 'length' }, system, 2).text} across`
                : ''}
              , {build.zones[loom.route.laid.zoneId]?.name ?? 'no place'}
              {loom.route.laid.conduit ? ', in conduit' : ''}
            </span>
            <span className="ml-auto whitespace-nowrap font-semibold">
              {heat?.loom
                ? formatQuantity({ value: Math.round(heat.loom.coreC), dimension: 'temperature' }, system).text
                : 'not known'}
            </span>
            <span className={`w-14 text-right font-semibold whitespace-nowrap ${MARK_COLOUR[shape]}`}>
              {check ? marginText(check) : ''}
            </span>
            <Action
              look="quiet"
              label={`${loom.route.laid.conduit ? 'Take' : 'Put'} ${loom.route.name} ${loom.route.laid.conduit ? 'out of' : 'into'} conduit`}
              onPress={() =>
                dispatch({
                  edit: 'setRoute',
                  input: { routeId: loom.route.id, laid: { conduit: !loom.route.laid.conduit } },
                })
              }
            >
              {loom.route.laid.conduit ? 'take out of conduit' : 'put into conduit'}
            </Action>
          </div>
        );
      })}
      <div className="mt-2 grid items-end gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Tie the wires that lie in"
          value={zoneId}
          choices={zones.map((zone) => ({ value: zone.id, label: zone.name }))}
          onChoose={setZone}
        />
        <TextField
          label={`${free.length} ${free.length === 1 ? 'wire' : 'wires'} into a loom called`}
          value=""
          makes
          empty={free.length < 2 ? 'no two wires lie there' : 'type a name'}
          refuse={() => (free.length < 2 ? 'A loom has two wires at least: lay them there first.' : null)}
          onCommit={(name) =>
            dispatch({
              edit: 'makeLoom',
              input: { routeId: freshId(), name, zoneId, conductorIds: free.map(({ id }) => id) },
            })
          }
        />
      </div>
    </Panel>
  );
}

/** Earth points on the body, and what was measured between them. */
function Earths({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const { lv } = lowVoltage(vehicle);
  const earths = lv.devices.filter(({ device }) => device.kind === 'earth');
  const joints = lv.conductors.filter(
    ({ conductor: { kind, a, b } }) =>
      kind === 'bolted' && [a, b].every(({ deviceId }) => earths.some(({ id }) => id === deviceId)),
  );
  return (
    <Panel title="Earth points" about="power, signal and shields each have a clean one">
      {earths.map(({ id, device }) => (
        <div key={id} className="flex items-baseline justify-between border-b border-rule/70 py-1">
          <b className="font-semibold">{device.name}</b>
          <span className="text-soft">
            {lv.conductors.filter(({ conductor: { a, b } }) => a.deviceId === id || b.deviceId === id).length} wires
          </span>
        </div>
      ))}
      {joints.map((joint) => (
        <QuantityField
          key={joint.id}
          label={joint.conductor.name}
          value={joint.jointOhm}
          dimension="resistance"
          system={build.units}
          note="measure it with four wires"
          onCommit={(resistanceOhm) => dispatch({ edit: 'setJoint', input: { conductorId: joint.id, resistanceOhm } })}
        />
      ))}
      <div className="mt-2 max-w-[420px]">
        <TextField
          label="One more, called"
          value=""
          makes
          empty="type its name"
          onCommit={(name) => dispatch({ edit: 'addEarthPoint', input: { id: freshId(), wireId: freshId(), name } })}
        />
      </div>
    </Panel>
  );
}
