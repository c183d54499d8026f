'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DriveLoop } from '@/core/simulate';

/** Radiator, pump, inverter and motor in the order of the flow, with the coolant’s temperature between them. */
export function LoopDrawing({ loop, system }: { loop: DriveLoop; system: UnitSystem }) {
  const c = (value: number) => formatQuantity({ value, dimension: 'temperature' }, system, 3).text;
  const w = (value: number) => formatQuantity({ value, dimension: 'power' }, system, 3).text;
  const hot = loop.inverterInC > loop.limitC;
  const between = loop.parts[0]!.coolantC;
  // In the order of the flow; the limit belongs to what comes to the inverter.
  const [first, second] = loop.motorFirst
    ? [
        { name: 'Motor', lossW: loop.motorW },
        { name: 'Inverter', lossW: loop.inverterW },
      ]
    : [
        { name: 'Inverter', lossW: loop.inverterW },
        { name: 'Motor', lossW: loop.motorW },
      ];
  const mark = (value: number, limited: boolean) => (hot && limited ? `✕ ${c(value)}` : c(value));
  const look = (limited: boolean) => (hot && limited ? 'fill-fails font-semibold' : 'font-semibold');
  return (
    <svg
      viewBox="0 0 640 190"
      role="img"
      aria-label={`Coolant ${c(loop.inverterInC)} into the inverter, ${c(loop.hottestC)} into the radiator`}
      className="w-full min-w-[560px] max-w-[720px] text-small"
    >
      <path
        d="M110 60 H250 M350 60 H450 M550 60 H590 V150 H60 V110"
        className="fill-none stroke-coolant"
        strokeWidth={3}
      />
      <path d="M288 150 l14 -8 v16 z" className="fill-coolant" />
      <g className="fill-panel stroke-ink" strokeWidth={1.8}>
        <rect x={20} y={20} width={90} height={90} />
        {[32, 44, 56, 68, 80, 92].map((x) => (
          <path key={x} d={`M${x + 3} 26 V104`} strokeWidth={1} />
        ))}
        <circle cx={180} cy={60} r={17} />
        <path d="M172 50 L194 60 L172 70 Z" className="fill-ink stroke-none" />
        <rect x={250} y={32} width={100} height={56} rx={loop.motorFirst ? 28 : 0} />
        <rect x={450} y={32} width={100} height={56} rx={loop.motorFirst ? 0 : 28} />
      </g>
      <g className="fill-ink font-tight" textAnchor="middle">
        <text x={300} y={56}>
          {first.name}
        </text>
        <text x={300} y={76} className="fill-soft">
          {w(first.lossW)}
        </text>
        <text x={500} y={56}>
          {second.name}
        </text>
        <text x={500} y={76} className="fill-soft">
          {w(second.lossW)}
        </text>
        <text x={65} y={14}>
          Radiator, air {c(loop.airC)}
        </text>
        <text x={180} y={96}>
          Pump
        </text>
        <text x={222} y={36} className={look(!loop.motorFirst)}>
          {mark(loop.inletC, !loop.motorFirst)}
        </text>
        <text x={400} y={46} className={look(loop.motorFirst)}>
          {mark(between, loop.motorFirst)}
        </text>
        <text x={440} y={170}>
          {c(loop.hottestC)}
        </text>
      </g>
    </svg>
  );
}
