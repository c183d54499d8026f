'use client';
import type { KeyboardEvent } from 'react';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { partOf, type SolvedCase, type Vehicle } from '@/core/vehicle';
import {
  BatterySymbol,
  CapacitorSymbol,
  CoilSymbol,
  ContactSymbol,
  DisconnectSymbol,
  FuseSymbol,
  ResistorSymbol,
  SensorSymbol,
} from '@/ui/symbols';
import type { CircuitLayout, Placed, Wire } from './derive-layout';

interface Props {
  readonly layout: CircuitLayout;
  readonly vehicle: Vehicle;
  readonly solved: SolvedCase | undefined;
  readonly selected: string | null;
  readonly failing: ReadonlySet<string>;
  readonly system: UnitSystem;
  readonly onSelect: (id: string) => void;
}

const amps = (value: number, system: UnitSystem) =>
  formatQuantity({ value: Math.abs(value) < 0.05 ? 0 : Math.abs(value), dimension: 'current' }, system, 3, 'A').text;
const short = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** The circuit as the working drawing: press a thing to edit it. Line weight and label tell current; a cross marks what fails. */
export function CircuitDrawing({ layout, vehicle, solved, selected, failing, system, onSelect }: Props) {
  const press = (id: string) => ({
    role: 'button' as const,
    tabIndex: 0,
    onClick: () => onSelect(id),
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onSelect(id);
    },
  });
  const current = (id: string) => solved?.point.elementCurrentsA.get(id) ?? null;
  return (
    <svg
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      className="block max-h-[45vh] w-full max-[700px]:max-h-none max-[700px]:min-w-[640px]"
      role="group"
      aria-label="Traction circuit"
    >
      {layout.wires.map((wire) => (
        <WireView
          key={wire.id}
          wire={wire}
          vehicle={vehicle}
          current={current(wire.id)}
          selected={selected === wire.id}
          failing={failing.has(wire.id)}
          system={system}
          press={press(wire.id)}
        />
      ))}
      {layout.dots.map(([x, y]) => (
        <circle key={`${x},${y}`} cx={x} cy={y} r="4" fill="var(--hv)" />
      ))}
      {layout.devices.map((placed) => (
        <g
          key={placed.id}
          {...press(placed.id)}
          aria-label={`${placed.device.name}${current(placed.id) === null ? '' : `, ${amps(current(placed.id) ?? 0, system)}`}${failing.has(placed.id) ? ', fails' : ''}`}
          aria-pressed={selected === placed.id}
          data-device={placed.id}
          className="cursor-pointer"
        >
          <DeviceView
            placed={placed}
            vehicle={vehicle}
            solved={solved}
            selected={selected === placed.id}
            failing={failing.has(placed.id)}
            system={system}
          />
        </g>
      ))}
    </svg>
  );
}

function WireView({
  wire,
  vehicle,
  current,
  selected,
  failing,
  system,
  press,
}: {
  wire: Wire;
  vehicle: Vehicle;
  current: number | null;
  selected: boolean;
  failing: boolean;
  system: UnitSystem;
  press: object;
}) {
  const path = `M${wire.points.map(([x, y]) => `${x} ${y}`).join('L')}`;
  const conductor = vehicle.conductorOf.get(wire.id)!;
  const area = conductor.cable
    ? `${conductor.conductor.parallel > 1 ? `${conductor.conductor.parallel}×` : ''}${conductor.cable.areaMm2} mm²`
    : 'no size';
  const colour = failing ? 'var(--fails)' : 'var(--hv)';
  const live = Math.abs(current ?? 0) > 0.05;
  return (
    <g
      {...press}
      role="button"
      aria-label={`${conductor.conductor.name}, ${area}${current === null ? '' : `, ${amps(current, system)}`}${failing ? ', fails' : ''}`}
      aria-pressed={selected}
      data-conductor={wire.id}
      className="cursor-pointer"
    >
      <path d={path} fill="none" stroke="transparent" strokeWidth="18" />
      {selected && (
        <path d={path} fill="none" stroke="var(--pick)" strokeOpacity="0.35" strokeWidth="12" strokeLinejoin="round" />
      )}
      <path
        d={path}
        fill="none"
        stroke={colour}
        strokeWidth={(conductor.cable?.areaMm2 ?? 0) >= 16 ? 3.2 : 2}
        strokeDasharray={conductor.cable || conductor.conductor.kind !== 'cable' ? undefined : '5 4'}
        strokeOpacity={live || failing ? 1 : 0.55}
      />
      {wire.chip && (
        <g transform={`translate(${wire.chip[0]} ${wire.chip[1]})`}>
          <rect
            x="-33"
            y="-16"
            width="66"
            height="32"
            rx="3"
            fill="var(--panel)"
            stroke={failing ? 'var(--fails)' : 'var(--rule)'}
          />
          <text y="-2" textAnchor="middle" fontSize="14" fontWeight="600" fill="currentColor">
            {current === null ? '–' : amps(current, system)}
          </text>
          <text y="12" textAnchor="middle" fontSize="12" fill="var(--soft)" fontFamily="var(--font-tight)">
            {area}
          </text>
        </g>
      )}
    </g>
  );
}

function DeviceView({
  placed,
  vehicle,
  solved,
  selected,
  failing,
  system,
}: {
  placed: Placed;
  vehicle: Vehicle;
  solved: SolvedCase | undefined;
  selected: boolean;
  failing: boolean;
  system: UnitSystem;
}) {
  const { device, x, y, turned, width, height } = placed;
  const colour = failing ? 'var(--fails)' : 'var(--ink)';
  const ring =
    width && height
      ? { x: x - width / 2 - 5, y: y - height / 2 - 5, width: width + 10, height: height + 10 }
      : turned
        ? { x: x - 15, y: y - 22, width: 30, height: 44 }
        : { x: x - 24, y: y - 16, width: 48, height: 32 };
  const halo = selected && <rect {...ring} rx="5" fill="none" stroke="var(--pick)" strokeWidth="2.2" />;
  if (device.kind === 'box')
    return (
      <g color={colour}>
        <BoxView placed={placed} vehicle={vehicle} solved={solved} />
        {halo}
      </g>
    );
  if (width && height) {
    const inverter = partOf(vehicle.deviceOf.get(device.id), 'inverter');
    const main = height > 80;
    // Without an operating point nothing is known, and nothing must read as zero.
    const known = solved?.point.solvable === true;
    const current = solved?.point.elementCurrentsA.get(device.id) ?? 0;
    const powerW = solved?.point.elementPowersW.get(device.id) ?? 0;
    return (
      <g color={colour}>
        <rect
          x={x - width / 2}
          y={y - height / 2}
          width={width}
          height={height}
          rx="2"
          fill="var(--panel)"
          stroke="currentColor"
          strokeWidth="1.8"
        />
        <text
          x={x}
          y={main ? y - 34 : y - 5}
          textAnchor="middle"
          fontSize="15"
          fontWeight="600"
          fontFamily="var(--font-tight)"
          fill="currentColor"
        >
          {short(device.name, 23)}
        </text>
        {main && (
          <text x={x} y={y - 14} textAnchor="middle" fontSize="15" fontWeight="600" fill="var(--ink)">
            {known ? formatQuantity({ value: powerW, dimension: 'power' }, system).text : '–'}
          </text>
        )}
        {main && powerW > 0 && (
          <text x={x} y={y - 52} textAnchor="middle" fontSize="12.5" fontFamily="var(--font-tight)" fill="var(--thin)">
            power assumed
          </text>
        )}
        <text x={x} y={main ? y + 5 : y + 14} textAnchor="middle" fontSize="14" fill="var(--soft)">
          {known ? amps(current, system) : 'not solved'}
        </text>
        {main && inverter && inverter.linkCapacitanceF > 0 && (
          <g transform={`translate(${x} ${y + 48})`}>
            <CapacitorSymbol />
            <text y="34" textAnchor="middle" fontSize="13" fill="var(--soft)">
              {formatQuantity({ value: inverter.linkCapacitanceF, dimension: 'capacitance' }, system).text}
            </text>
          </g>
        )}
        {failing && <FailCross x={x + width / 2 - 4} y={y - height / 2 + 4} />}
        {halo}
      </g>
    );
  }
  return (
    <g color={colour}>
      <g transform={`translate(${x} ${y})${turned ? ' rotate(90)' : ''}`}>
        <SeriesSymbol placed={placed} closed={closedIn(placed, solved)} />
      </g>
      <SeriesLabel placed={placed} vehicle={vehicle} system={system} />
      {failing && <FailCross x={turned ? x - 16 : x} y={turned ? y - 20 : y + 22} />}
      {halo}
    </g>
  );
}

const closedIn = ({ device }: Placed, solved: SolvedCase | undefined): boolean =>
  device.kind !== 'contactor' || (solved?.state.closed.includes(device.role ?? 'branch') ?? false);

function SeriesSymbol({ placed, closed }: { placed: Placed; closed: boolean }) {
  switch (placed.device.kind) {
    case 'fuse':
      return <FuseSymbol />;
    case 'contactor':
      return (
        <>
          <ContactSymbol closed={closed} />
          {placed.device.role !== 'precharge' && <CoilSymbol />}
        </>
      );
    case 'disconnect':
      return <DisconnectSymbol />;
    case 'sensor':
      return <SensorSymbol />;
    default:
      return <ResistorSymbol />;
  }
}

function SeriesLabel({ placed, vehicle, system }: { placed: Placed; vehicle: Vehicle; system: UnitSystem }) {
  const { device, x, y, turned } = placed;
  const resolved = vehicle.deviceOf.get(device.id);
  const fuse = partOf(resolved, 'fuse');
  const resistor = partOf(resolved, 'resistor');
  const figure = fuse
    ? formatQuantity({ value: fuse.ratedCurrentA, dimension: 'current' }, system).text
    : resistor
      ? formatQuantity({ value: resistor.resistanceOhm, dimension: 'resistance' }, system).text
      : '';
  const text = turned ? `${short(device.name, 26)}${figure ? ` ${figure}` : ''}` : '';
  if (turned) {
    const branch = device.kind === 'fuse' && x > 250;
    return (
      <text x={x + 16} y={y + 5} fontSize="13.5" fontWeight="500" fontFamily="var(--font-tight)" fill="currentColor">
        {branch ? figure : text}
      </text>
    );
  }
  const precharging = device.kind === 'precharge-resistor' || device.role === 'precharge';
  return (
    <text
      x={x}
      y={precharging ? y + 24 : y - (device.kind === 'contactor' ? 38 : 24)}
      textAnchor="middle"
      fontSize="13.5"
      fontWeight="600"
      fontFamily="var(--font-tight)"
      fill="currentColor"
    >
      {precharging ? figure || 'precharge' : `${short(device.name, 16)}${figure ? ` ${figure}` : ''}`}
    </text>
  );
}

function BoxView({ placed, vehicle, solved }: { placed: Placed; vehicle: Vehicle; solved: SolvedCase | undefined }) {
  const { device, x, y, width = 0, height = 0 } = placed;
  const plus = solved?.point.nodeVoltagesV.get(`${device.id}.plus`);
  const minus = solved?.point.nodeVoltagesV.get(`${device.id}.minus`);
  return (
    <g>
      <rect
        x={x - width / 2}
        y={y - height / 2}
        width={width}
        height={height}
        fill="transparent"
        stroke="var(--soft)"
        strokeDasharray="5 4"
        strokeWidth="1.4"
        rx="2"
      />
      <path d={`M${x} ${y - 33}V${y - 15}M${x} ${y + 19}V${y + 33}`} stroke="var(--hv)" strokeWidth="3.2" />
      <g transform={`translate(${x} ${y})`}>
        <BatterySymbol />
      </g>
      <text
        x={x - width / 2 + 7}
        y={y - height / 2 + 16}
        fontSize="13.5"
        fontWeight="600"
        fontFamily="var(--font-tight)"
        fill="currentColor"
      >
        {short(device.name, 13)}
      </text>
      <text x={x + width / 2 - 7} y={y - height / 2 + 16} textAnchor="end" fontSize="13" fill="var(--soft)">
        {vehicle.deviceOf.get(device.id)?.device.cellsInSeries ?? '?'}s
      </text>
      {plus !== undefined && minus !== undefined && (
        <text
          x={x + width / 2 - 7}
          y={y + height / 2 - 8}
          textAnchor="end"
          fontSize="13"
          fontWeight="600"
          fill="currentColor"
        >
          {(plus - minus).toFixed(0)} V
        </text>
      )}
    </g>
  );
}

/** A failing thing is marked by shape, not only by colour. */
function FailCross({ x, y }: { x: number; y: number }) {
  return (
    <g transform={`translate(${x} ${y})`}>
      <circle r="8" fill="var(--panel)" stroke="var(--fails)" strokeWidth="1.5" />
      <path d="M-3.4 -3.4 3.4 3.4M3.4 -3.4 -3.4 3.4" stroke="var(--fails)" strokeWidth="2.2" />
    </g>
  );
}
