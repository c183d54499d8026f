'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DriveLoop } from '@/core/simulate';

/** Radiator, pump, inverter and motor in the order of the flow, with the coolant’s temperature between them. */
export function LoopDrawing({ loop, system }: { loop: DriveLoop; system: UnitSystem }) {
  const c = (value: number) => formatQuantity({ value, dimension: 'temperature' }, system, 3).text;
  const w = (value: number) => formatQuantity({ value, dimension: 'power' }, system, 3).text;
  const hot = loop.inletC > loop.limitC;
  const [inverter] = loop.parts;
  return (
    <svg
      viewBox="0 0 640 190"
      role="img"
      aria-label={`Coolant ${c(loop.inletC)} into the inverter, ${c(loop.hottestC)} into the radiator`}
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
        <rect x={250} y={32} width={100} height={56} />
        <rect x={450} y={32} width={100} height={56} rx={28} />
      </g>
      <g className="fill-ink font-tight" textAnchor="middle">
        <text x={300} y={56}>
          Inverter
        </text>
        <text x={300} y={76} className="fill-soft">
          {w(loop.inverterW)}
        </text>
        <text x={500} y={56}>
          Motor
        </text>
        <text x={500} y={76} className="fill-soft">
          {w(loop.motorW)}
        </text>
        <text x={65} y={14}>
          Radiator, air {c(loop.airC)}
        </text>
        <text x={180} y={96}>
          Pump
        </text>
        <text x={222} y={36} className={hot ? 'fill-fails font-semibold' : 'font-semibold'}>
          {hot ? `✕ ${c(loop.inletC)}` : c(loop.inletC)}
        </text>
        <text x={400} y={46}>
          {inverter ? c(inverter.coolantC) : ''}
        </text>
        <text x={440} y={170}>
          {c(loop.hottestC)}
        </text>
      </g>
    </svg>
  );
}
