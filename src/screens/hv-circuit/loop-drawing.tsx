'use client';
import type { KeyboardEvent } from 'react';
import type { Device } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { CoilCircuit } from '@/core/vehicle';
import { readable } from '@/ui/readable';
import { BatterySymbol, ContactSymbol, FuseSymbol } from '@/ui/symbols';
import type { LoopLayout, LoopThing, LoopWire } from './derive-loop';

const short = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** A name on at most two lines. */
function linesOf(name: string, most: number): readonly string[] {
  if (name.length <= most) return [name];
  const cut = name.lastIndexOf(' ', most);
  if (cut <= 0) return [short(name, most)];
  return [name.slice(0, cut), short(name.slice(cut + 1), most)];
}

/** What moves the contact, drawn over it: a hand's knob, a mass, a plug, a key. */
function Actuator({ kind }: { kind: Device['kind'] }) {
  const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.6 } as const;
  switch (kind) {
    case 'emergency-stop':
      return <path d="M0 -4V-14M-9 -14H9A9 7 0 0 0 -9 -14" {...line} />;
    case 'inertia-switch':
      return <path d="M0 -4V-11M-6 -11H6V-21H-6Z" {...line} />;
    case 'interlock-contact':
      return <path d="M0 -4V-10M-8 -20V-13A3 3 0 0 0 -5 -10H5A3 3 0 0 0 8 -13V-20" {...line} />;
    case 'disconnect':
      return <path d="M0 -4V-14M-7 -14H7M-7 -18V-10M7 -18V-10" {...line} />;
    case 'relay':
      return <path d="M0 -4V-12M-7 -12H7V-21H-7Z" {...line} />;
    default:
      return null;
  }
}

export function LoopDrawing({
  layout,
  circuit,
  coilV,
  opened,
  letsGo,
  selected,
  system,
  onSelect,
}: {
  layout: LoopLayout;
  circuit: CoilCircuit;
  /** At each coil as it stands, V. */
  coilV: ReadonlyMap<string, number>;
  /** Drawn open. */
  opened: string | null;
  letsGo: ReadonlySet<string>;
  selected: string | null;
  system: UnitSystem;
  onSelect: (id: string) => void;
}) {
  const press = (id: string) => ({
    role: 'button' as const,
    tabIndex: 0,
    onClick: () => onSelect(id),
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key !== 'Enter' && event.key !== ' ') return;
      event.preventDefault();
      onSelect(id);
    },
    'aria-pressed': selected === id,
    className: 'cursor-pointer',
  });
  const fits = readable(layout.width, 14);
  return (
    <svg
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      className={`block max-h-[45vh] [@media_screen_and_(max-width:900px)]:max-h-none ${fits.className}`}
      style={fits.style}
      role="group"
      aria-label="Coil circuit"
    >
      {layout.wires.map((wire) => (
        <g key={wire.id} {...press(wire.id)} aria-label={wireWords(wire, circuit)} data-loop-wire={wire.id}>
          <Wire wire={wire} broken={opened === wire.id} selected={selected === wire.id} />
        </g>
      ))}
      {layout.dots.map(([x, y]) => (
        <circle key={`${x},${y}`} cx={x} cy={y} r="3.6" fill="var(--lv)" />
      ))}
      {layout.things.map((thing) => (
        <g
          key={`${thing.id}${thing.as}`}
          {...press(thing.id)}
          aria-label={thingWords(thing, coilV, letsGo, opened, system)}
          data-loop-device={thing.id}
        >
          <Thing
            thing={thing}
            volts={coilV.get(thing.id)}
            open={opened === thing.id}
            off={letsGo.has(thing.id)}
            system={system}
          />
          {selected === thing.id && (
            <rect
              x={thing.x - 26}
              y={thing.y - 26}
              width="52"
              height="52"
              rx="5"
              fill="none"
              stroke="var(--pick)"
              strokeWidth="2.2"
            />
          )}
        </g>
      ))}
    </svg>
  );
}

const wireWords = ({ id }: LoopWire, circuit: CoilCircuit): string => {
  const found = circuit.lv.conductorOf.get(id);
  return `${found?.conductor.name ?? id}, ${found?.cable ? `${found.cable.areaMm2} mm²` : 'no size'}`;
};

function thingWords(
  { id, device, as }: LoopThing,
  coilV: ReadonlyMap<string, number>,
  letsGo: ReadonlySet<string>,
  opened: string | null,
  system: UnitSystem,
): string {
  if (as !== 'coil') return `${device.name}${opened === id ? ', open' : ''}`;
  const volts = formatQuantity({ value: coilV.get(id) ?? 0, dimension: 'voltage' }, system, 3, 'V').text;
  return `Coil of ${device.name}, ${letsGo.has(id) ? ((coilV.get(id) ?? 0) < 1 ? 'not fed' : 'drops out') : volts}`;
}

function Wire({ wire, broken, selected }: { wire: LoopWire; broken: boolean; selected: boolean }) {
  const path = `M${wire.points.map(([x, y]) => `${x} ${y}`).join('L')}`;
  return (
    <>
      <path d={path} fill="none" stroke="transparent" strokeWidth="16" />
      {selected && <path d={path} fill="none" stroke="var(--pick)" strokeOpacity="0.35" strokeWidth="11" />}
      <path d={path} fill="none" stroke="var(--lv)" strokeWidth="2" strokeDasharray={broken ? '2 6' : undefined} />
    </>
  );
}

function Thing({
  thing,
  volts,
  open,
  off,
  system,
}: {
  thing: LoopThing;
  volts: number | undefined;
  open: boolean;
  off: boolean;
  system: UnitSystem;
}) {
  const { device, x, y, turned, as } = thing;
  const name = (dx: number, dy: number, most: number, anchor: 'middle' | 'start' = 'middle') => (
    <text
      x={x + dx}
      y={y + dy}
      textAnchor={anchor}
      fontSize="14"
      fontWeight="500"
      fontFamily="var(--font-tight)"
      fill="currentColor"
    >
      {linesOf(device.name, most).map((line, index) => (
        <tspan key={line} x={x + dx} dy={index === 0 ? 0 : 15}>
          {line}
        </tspan>
      ))}
    </text>
  );
  if (as === 'battery')
    return (
      <g color="var(--ink)">
        <path d={`M${x} ${y - 22}V${y - 15}M${x} ${y + 19}V${y + 26}`} stroke="currentColor" strokeWidth="1.8" />
        <g transform={`translate(${x} ${y})`}>
          <BatterySymbol />
        </g>
        {name(24, 0, 12, 'start')}
      </g>
    );
  if (as === 'earth')
    return (
      <g color="var(--ink)">
        <path
          d={`M${x} ${y}V${y + 14}M${x - 12} ${y + 14}H${x + 12}M${x - 8} ${y + 19}H${x + 8}M${x - 4} ${y + 24}H${x + 4}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.8"
        />
        {name(0, 42, 16)}
      </g>
    );
  if (as === 'coil')
    return (
      <g color={off ? 'var(--soft)' : 'var(--ink)'}>
        <rect
          x={x - 16}
          y={y - 18}
          width="32"
          height="36"
          fill="var(--panel)"
          stroke="currentColor"
          strokeWidth="1.8"
        />
        <path d={`M${x - 16} ${y + 18}L${x + 16} ${y - 18}`} stroke="currentColor" strokeWidth="1.4" />
        {name(22, -6, 12, 'start')}
        <text x={x + 22} y={y + 24} fontSize="14.5" fontWeight="600" fill={off ? 'var(--soft)' : 'var(--ink)'}>
          {off
            ? volts === undefined || volts < 1
              ? 'not fed'
              : 'drops out'
            : volts === undefined
              ? '–'
              : formatQuantity({ value: volts, dimension: 'voltage' }, system, 3, 'V').text}
        </text>
      </g>
    );
  const fuse = device.kind === 'lv-fuse';
  return (
    <g color="var(--ink)">
      <g transform={`translate(${x} ${y})${turned ? ' rotate(90)' : ''}`}>
        {fuse ? <FuseSymbol /> : <ContactSymbol closed={!open} />}
        {fuse && open && <path d="M-7 -7 7 7M7 -7 -7 7" stroke="var(--fails)" strokeWidth="2.4" />}
        {!turned && <Actuator kind={device.kind} />}
      </g>
      {turned ? name(14, -2, 13, 'start') : name(0, 26, 15)}
    </g>
  );
}
