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
  const system = build.units;
  const amps = (value: number | null) =>
    value === null ? '–' : formatQuantity({ value, dimension: 'current' }, system, 3, 'A').text;
  return (
    <div className="space-y-3">
      <Looms assessment={assessment} />
      <Panel title="Wires" about="with everything on; press one to change it" className="overflow-x-auto">
        <table className="w-full min-w-[640px] text-left text-[14px]" data-wires="">
          <thead className="text-[13px] text-soft">
            <tr>
              <th className="py-1 font-normal">Wire</th>
              <th className="text-right font-normal">Size</th>
              <th className="text-right font-normal">Length</th>
              <th className="pl-3 font-normal">Lies in</th>
              <th className="text-right font-normal">Current</th>
              <th className="text-right font-normal">Carries</th>
              <th className="text-right font-normal">Hottest</th>
              <th className="text-right font-normal">Plug</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row
                key={row.id}
                row={row}
                assessment={assessment}
                amps={amps}
                open={opened === row.id}
                onOpen={() => setOpened(opened === row.id ? null : row.id)}
              />
            ))}
          </tbody>
        </table>
      </Panel>
      <Earths assessment={assessment} />
    </div>
  );
}

function Row({
  row,
  assessment,
  amps,
  open,
  onOpen,
}: {
  row: LowWireRow;
  assessment: Assessment;
  amps: (value: number | null) => string;
  open: boolean;
  onOpen: () => void;
}) {
  const { build, checks } = assessment;
  const system = build.units;
  const { wire } = row;
  const worst: Check | undefined = checks.find(
    ({ subject, station, verdict }) => subject.id === row.id && station === 'low-voltage' && verdict !== 'holds',
  );
  const text = (value: number | null, dimension: 'length' | 'temperature') =>
    value === null
      ? '–'
      : formatQuantity(
          { value, dimension },
          system,
          3,
          dimension === 'length' ? (system === 'metric' ? 'm' : 'ft') : undefined,
        ).text;
  return (
    <>
      <tr className={`border-t border-rule/70 ${open ? 'bg-well' : ''}`} data-wire={row.id}>
        <td className="py-1">
          <button
            type="button"
            aria-expanded={open}
            onClick={onOpen}
            className="flex items-center gap-2 text-left font-semibold underline-offset-4 hover:underline"
          >
            <VerdictMark shape={worst ? shapeOf(worst.verdict) : 'holds'} size={11} />
            <span className="max-w-[220px] truncate">{wire.conductor.name}</span>
          </button>
        </td>
        <td className="text-right whitespace-nowrap">{wire.cable ? formatArea(wire.cable.areaMm2, system) : '–'}</td>
        <td className="text-right whitespace-nowrap">{text(wire.lengthM, 'length')}</td>
        <td className="max-w-[150px] truncate pl-3 text-soft">{row.loom?.route.name ?? wire.zone?.name ?? '–'}</td>
        <td className="text-right whitespace-nowrap">{amps(row.currentA)}</td>
        <td className="text-right whitespace-nowrap text-soft">{amps(row.carriesA)}</td>
        <td className="text-right whitespace-nowrap font-semibold">
          {text(row.temperatureC === null ? null : Math.round(row.temperatureC), 'temperature')}
        </td>
        <td className="text-right whitespace-nowrap text-soft">
          {wire.conductor.connectorA === undefined ? '' : `${wire.conductor.connectorA} A`}
        </td>
      </tr>
      {open && (
        <tr className="bg-well">
          <td colSpan={8} className="px-3 pb-3">
            <WireMore assessment={assessment} row={row} />
            <ConductorFields conductor={wire} row={undefined} build={build} />
          </td>
        </tr>
      )}
    </>
  );
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
        label="Weakest plug carries"
        value={conductor.connectorA ?? null}
        dimension="current"
        system={build.units}
        empty="not told"
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
              {loom.wires.length} wires{heat?.loom ? `, ${heat.loom.diameterMm.toFixed(0)} mm across` : ''},{' '}
              {build.zones[loom.route.laid.zoneId]?.name ?? 'no place'}
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
          empty="type its name"
          onCommit={(name) => dispatch({ edit: 'addEarthPoint', input: { id: freshId(), wireId: freshId(), name } })}
        />
      </div>
    </Panel>
  );
}
