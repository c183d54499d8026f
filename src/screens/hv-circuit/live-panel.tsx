'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { coverage, type Liveness, linkDischarge } from '@/core/simulate';
import type { Vehicle } from '@/core/vehicle';
import { Action } from '@/ui/action';
import { Checkbox } from '@/ui/checkbox';
import { Caution, Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { liveTerminals } from './derive-terminals';
import { LiveTerminalList } from './live-terminals';

const KINDS: ReadonlySet<string> = new Set(['contactor', 'disconnect', 'fuse']);

/** Devices that can be opened, in the order of the drawing. */
export const openable = (vehicle: Vehicle) =>
  vehicle.devices.filter(({ device }) => KINDS.has(device.kind) && device.role !== 'precharge');

/** What still bites with these switches open: parts, voltages, the way to the cells, and the capacitors. */
export function LivePanel({
  vehicle,
  open,
  onOpen,
  welded,
  onWelded,
  live,
  selected,
  fullV,
  safeV,
  system,
}: {
  vehicle: Vehicle;
  open: ReadonlySet<string>;
  onOpen: (open: ReadonlySet<string>) => void;
  /** The precharge relay has welded closed. */
  welded: boolean;
  onWelded: (welded: boolean) => void;
  live: Liveness | null;
  selected: string | null;
  fullV: number | null;
  safeV: number;
  system: UnitSystem;
}) {
  const devices = openable(vehicle);
  const all = (kind: string) => devices.filter(({ device }) => device.kind === kind).map(({ id }) => id);
  const name = (id: string) => (vehicle.deviceOf.get(id)?.device ?? vehicle.conductorOf.get(id)?.conductor)?.name ?? id;
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, system, 3).text;
  const toggle = (id: string) => {
    const next = new Set(open);
    if (!next.delete(id)) next.add(id);
    onOpen(next);
  };
  const link = fullV === null ? null : linkDischarge(vehicle, fullV, safeV);
  const wire = selected !== null && vehicle.conductorOf.has(selected) ? selected : null;
  const path = wire && live ? live.pathOf(wire) : [];
  const how = wire && live ? (live.liveOf.get(wire) ?? 'dead') : null;
  return (
    <>
      <Panel title="Still live?" about="open what you like; press a wire for its path to the cells">
        <div className="flex flex-wrap gap-2">
          <Action onPress={() => onOpen(new Set(all('contactor')))}>Emergency handle: contactors open</Action>
          <Action onPress={() => onOpen(new Set([...all('contactor'), ...all('disconnect')]))}>
            Disconnect out too
          </Action>
          <Action onPress={() => onOpen(new Set())}>All closed</Action>
        </div>
        <ul className="mt-3 grid gap-x-6 min-[520px]:grid-cols-2">
          {devices.map(({ id, device }) => (
            <li key={id}>
              <Checkbox checked={open.has(id)} onChange={() => toggle(id)}>
                {device.name} {device.kind === 'fuse' ? 'blown' : 'open'}
              </Checkbox>
            </li>
          ))}
        </ul>
        {vehicle.devices.some(({ device }) => device.role === 'precharge') && (
          <p className="mt-1 border-t border-rule/70 pt-1">
            <Checkbox checked={welded} onChange={onWelded}>
              Precharge relay welded closed: the bus follows the cells through its resistor
            </Checkbox>
          </p>
        )}
        {live && (
          <ul className="mt-2" aria-label="Live parts">
            {live.parts.map((part) => (
              <li
                key={part.boxIds.join()}
                data-live={part.live}
                className="flex items-center gap-2 border-t border-rule/70 py-1"
              >
                <VerdictMark shape={part.live === 'hazardous' ? 'fails' : 'thin'} size={12} />
                <span className="min-w-0 flex-1">
                  {part.boxIds.map(name).join(' and ')}
                  <span className="text-soft">
                    {' '}
                    and {part.memberIds.filter((id) => vehicle.conductorOf.has(id)).length} wires
                  </span>
                </span>
                <b className="font-semibold">{volts(part.spanV)}</b>
              </li>
            ))}
            {live.parts.length === 0 && <li>No cells.</li>}
          </ul>
        )}
        {wire && how && (
          <p className="mt-2" role="status">
            <b className="font-semibold">{name(wire)}</b>{' '}
            {how === 'dead'
              ? 'is off the cells. The link may still hold its charge.'
              : `is ${how === 'low' ? 'on cells under 60 V' : 'live'}${path.length > 0 ? `, through ${path.map(name).join(', ')}` : ', straight from the cells'}.`}
          </p>
        )}
      </Panel>
      {fullV !== null && (
        <Panel title="At the consumers" about="plus against minus, with these switches open">
          <LiveTerminalList
            rows={liveTerminals(vehicle, open, welded, fullV, safeV)}
            safeV={safeV}
            name={name}
            system={system}
          />
        </Panel>
      )}
      <Coverage vehicle={vehicle} safeV={safeV} name={name} />
      <Caution>
        {link
          ? link.timeS === null
            ? 'Nothing bleeds the link: it stays charged after everything is open. '
            : `The link needs ${formatQuantity({ value: link.timeS, dimension: 'time' }, system, 2).text} to fall under ${volts(safeV)}; with tolerances a third more. `
          : ''}
        Wait, prove the meter, prove dead at the place of work, prove the meter again. Cells never switch off.
      </Caution>
    </>
  );
}

/** What each stopping device does not stop. */
function Coverage({ vehicle, safeV, name }: { vehicle: Vehicle; safeV: number; name: (id: string) => string }) {
  const rows = coverage(vehicle, safeV);
  return (
    <Panel title="What each one stops" about="by itself, with everything else closed">
      <ul>
        {rows.map(({ deviceId, stillLive, takenOff }) => (
          <li
            key={deviceId}
            className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1 text-small"
          >
            <span className="min-w-0 truncate">{name(deviceId)}</span>
            <span className="whitespace-nowrap text-soft">
              <b className="font-semibold text-ink">{takenOff.length}</b> wires off,{' '}
              <b className="font-semibold text-ink">{stillLive.length}</b> stay live
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
