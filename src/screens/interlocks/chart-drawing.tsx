'use client';
import type { Mode, Step } from '@/core/simulate/sequence';
import { MODE_WORDS } from '@/core/stations/interlocks';
import { arrowsOf, BOX, isUsual, PLACES, SIZE } from './chart-layout';

/** The sequence as a statechart: the mode that is looked at or played stands out with the ways that lead out of it. */
export function ChartDrawing({
  steps,
  chosen,
  onChoose,
}: {
  steps: readonly Step[];
  chosen: Mode;
  onChoose?: (mode: Mode) => void;
}) {
  const arrows = arrowsOf(steps);
  const modes = [...new Set<Mode>(['off', ...steps.flatMap(({ from, to }) => [from, to])])];
  return (
    <div className="overflow-x-auto">
      <svg
        id="sequence-chart"
        xmlns="http://www.w3.org/2000/svg"
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="w-full min-w-[640px]"
        role="group"
        aria-label="Statechart of the sequence"
      >
        <defs>
          <marker
            id="tip"
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerWidth="7"
            markerHeight="7"
            orient="auto-start-reverse"
          >
            <path d="M0 0 8 4 0 8Z" fill="context-stroke" />
          </marker>
        </defs>
        {[false, true].map((out) =>
          arrows
            .filter((arrow) => (arrow.from === chosen) === out && (out || isUsual(arrow)))
            .map(({ from, to, path }) => (
              <g key={`${from}${to}`} style={{ color: out ? 'var(--ink)' : 'var(--soft)' }}>
                <path d={path} fill="none" stroke="currentColor" strokeWidth={out ? 2.2 : 1} markerEnd="url(#tip)" />
              </g>
            )),
        )}
        {modes.map((mode) => {
          const [x, y] = PLACES[mode];
          const here = mode === chosen;
          const box = (
            <>
              <rect
                x={x - BOX.width / 2}
                y={y - BOX.height / 2}
                width={BOX.width}
                height={BOX.height}
                rx={mode === 'off' || mode === 'fault' ? 23 : 4}
                style={{
                  fill: here ? 'var(--strong)' : 'var(--panel)',
                  stroke:
                    mode === 'drive' || mode === 'reverse' || mode === 'charging' || mode === 'ready'
                      ? 'var(--hv)'
                      : 'var(--ink)',
                  strokeWidth: 1.8,
                }}
              />
              <text
                x={x}
                y={y + 6}
                textAnchor="middle"
                style={{
                  fill: here ? 'var(--strong-ink)' : 'var(--ink)',
                  fontSize: 17,
                  fontFamily: 'var(--font-tight, sans-serif)',
                }}
              >
                {MODE_WORDS[mode]}
              </text>
            </>
          );
          return onChoose ? (
            <g
              key={mode}
              role="button"
              tabIndex={0}
              aria-pressed={here}
              aria-label={MODE_WORDS[mode]}
              className="cursor-pointer"
              onClick={() => onChoose(mode)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onChoose(mode);
              }}
            >
              {box}
            </g>
          ) : (
            <g key={mode}>{box}</g>
          );
        })}
      </svg>
    </div>
  );
}
