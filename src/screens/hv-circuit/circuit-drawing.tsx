'use client';
import type { KeyboardEvent } from 'react';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { copperMm2, followsVehicle, partOf, type SolvedCase, type Vehicle } from '@/core/vehicle';
import { readable } from '@/ui/readable';
import { BatterySymbol, CapacitorSymbol } from '@/ui/symbols';
import type { CircuitLayout, Placed, Wire } from './derive-layout';
import { LIVE_WORDS, type Overlay, onLiveWire } from './overlay';
import { closedIn, SeriesLabel, SeriesSymbol } from './series-view';

interface Props {
  readonly layout: CircuitLayout;
  readonly vehicle: Vehicle;
  readonly solved: SolvedCase | undefined;
  readonly selected: string | null;
  readonly failing: ReadonlySet<string>;
  readonly system: UnitSystem;
  readonly onSelect: (id: string) => void;
  readonly overlay?: Overlay | null;
}

const amps = (value: number, system: UnitSystem) =>
  formatQuantity(
    { value: Math.abs(value) < 0.05 ? 0 : Math.abs(value), dimension: 'current' },
    system,
    3,
    Math.abs(value) < 10_000 ? 'A' : 'kA',
  ).text;
const short = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** The circuit as the working drawing: press a thing to edit it. Line weight and label tell current; a cross marks what fails. */
export function CircuitDrawing({
  layout,
  vehicle,
  solved,
  selected,
  failing,
  system,
  onSelect,
  overlay = null,
}: Props) {
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
  const current = (id: string): number | null => {
    if (overlay) return overlay.flow ? (overlay.flow.get(id) ?? 0) : null;
    return solved?.point.solvable ? (solved.point.elementCurrentsA.get(id) ?? null) : null;
  };
  const words = (id: string): string => {
    if (overlay?.live) return `, ${LIVE_WORDS[overlay.live.get(id) ?? 'dead']}${overlay.open.has(id) ? ', open' : ''}`;
    const amperes = current(id);
    return amperes === null ? '' : `, ${amps(amperes, system)}`;
  };
  const fits = readable(layout.width, 13);
  return (
    <svg
      viewBox={`${layout.left} 0 ${layout.width} ${layout.height}`}
      className={`block max-h-[45vh] [@media_screen_and_(max-width:900px)]:max-h-none ${fits.className}`}
      style={fits.style}
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
          failing={overlay ? false : failing.has(wire.id)}
          system={system}
          words={words(wire.id)}
          overlay={overlay}
          press={press(wire.id)}
        />
      ))}
      {layout.dots.map(([x, y]) => (
        <circle
          key={`${x},${y}`}
          cx={x}
          cy={y}
          r="4"
          fill={onLiveWire(layout.wires, overlay, x, y) ? 'var(--hv)' : 'var(--soft)'}
        />
      ))}
      {layout.devices.map((placed) => (
        <g
          key={placed.id}
          {...press(placed.id)}
          aria-label={`${placed.device.name}${words(placed.id)}${!overlay && failing.has(placed.id) ? ', fails' : ''}`}
          aria-pressed={selected === placed.id}
          data-device={placed.id}
          className="cursor-pointer"
        >
          <DeviceView
            placed={placed}
            vehicle={vehicle}
            solved={solved}
            selected={selected === placed.id}
            failing={overlay ? false : failing.has(placed.id)}
            system={system}
            overlay={overlay}
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
  words,
  overlay,
  press,
}: {
  wire: Wire;
  vehicle: Vehicle;
  current: number | null;
  selected: boolean;
  failing: boolean;
  system: UnitSystem;
  words: string;
  overlay: Overlay | null;
  press: object;
}) {
  const path = `M${wire.points.map(([x, y]) => `${x} ${y}`).join('L')}`;
  const conductor = vehicle.conductorOf.get(wire.id)!;
  const mm2 = copperMm2(conductor);
  const { parallel } = conductor.conductor;
  const area =
    mm2 === null ? 'no size' : `${parallel > 1 ? `${parallel}×` : ''}${Number((mm2 / parallel).toPrecision(6))} mm²`;
  const state = overlay?.live ? (overlay.live.get(wire.id) ?? 'dead') : null;
  const faulty = overlay?.flow != null && Math.abs(current ?? 0) > 1;
  const colour = failing || faulty ? 'var(--fails)' : state === 'dead' ? 'var(--soft)' : 'var(--hv)';
  const live = state === null ? Math.abs(current ?? 0) > 0.05 : state !== 'dead';
  const dashes =
    state === 'dead'
      ? '2 5'
      : state === 'low' || (!conductor.cable && conductor.conductor.kind === 'cable')
        ? '7 4'
        : undefined;
  return (
    <g
      {...press}
      role="button"
      aria-label={`${conductor.conductor.name}, ${area}${words}${failing ? ', fails' : ''}`}
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
        strokeWidth={mm2 !== null && mm2 / parallel >= 16 ? 3.2 : 2}
        strokeDasharray={dashes}
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
            {state !== null ? LIVE_WORDS[state] : current === null ? '–' : amps(current, system)}
          </text>
          <text y="12.5" textAnchor="middle" fontSize="13.5" fill="var(--soft)" fontFamily="var(--font-tight)">
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
  overlay,
}: {
  placed: Placed;
  vehicle: Vehicle;
  solved: SolvedCase | undefined;
  selected: boolean;
  failing: boolean;
  system: UnitSystem;
  overlay: Overlay | null;
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
        <BoxView placed={placed} vehicle={vehicle} solved={overlay ? undefined : solved} />
        {halo}
      </g>
    );
  if (width && height) {
    const inverter = partOf(vehicle.deviceOf.get(device.id), 'inverter');
    const main = height > 80;
    // Without an operating point nothing is known, and nothing must read as zero.
    const point = !overlay && solved?.point.solvable ? solved.point : null;
    const known = point !== null;
    const unknown = overlay?.live ? LIVE_WORDS[overlay.live.get(device.id) ?? 'dead'] : overlay ? 'off' : 'not solved';
    const current = point?.elementCurrentsA.get(device.id) ?? 0;
    const powerW = point?.elementPowersW.get(device.id) ?? 0;
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
            {known ? formatQuantity({ value: powerW, dimension: 'power' }, system).text : overlay ? '' : '–'}
          </text>
        )}
        {main && known && powerW > 0 && (
          <text x={x} y={y - 52} textAnchor="middle" fontSize="13.5" fontFamily="var(--font-tight)" fill="var(--thin)">
            {followsVehicle(vehicle.build) ? 'from the vehicle' : 'power typed'}
          </text>
        )}
        <text x={x} y={main ? y + 5 : y + 14} textAnchor="middle" fontSize="14" fill="var(--soft)">
          {known ? amps(current, system) : unknown}
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
        <SeriesSymbol placed={placed} closed={closedIn(placed, solved, overlay)} />
      </g>
      <SeriesLabel placed={placed} vehicle={vehicle} system={system} />
      {failing && <FailCross x={turned ? x - 16 : x} y={turned ? y - 20 : y + 22} />}
      {halo}
    </g>
  );
}

function BoxView({ placed, vehicle, solved }: { placed: Placed; vehicle: Vehicle; solved: SolvedCase | undefined }) {
  const { device, x, y, width = 0, height = 0 } = placed;
  const volts = solved?.point.solvable ? solved.point.nodeVoltagesV : undefined;
  const plus = volts?.get(`${device.id}.plus`);
  const minus = volts?.get(`${device.id}.minus`);
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
