import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { DataLine } from '@/core/vehicle';

const [WIDE, STEP, TOP] = [96, 132, 26];

/** The line as it is wired, from node to node: what terminates it stands as a resistor across the two wires. */
export function LineDrawing({ line, system }: { line: DataLine; system: UnitSystem }) {
  const nodes = line.nodes;
  const width = Math.max(1, nodes.length - 1) * STEP + WIDE + 16;
  const at = (k: number) => 8 + WIDE / 2 + k * STEP;
  const index = new Map(nodes.map(({ hostId }, k) => [hostId, k]));
  return (
    <div className="overflow-x-auto">
      <svg
        role="img"
        aria-label={`CAN bus: ${nodes.map(({ name, node }) => `${name}${node?.terminates ? ', terminates' : ''}`).join('; ')}`}
        viewBox={`0 0 ${width} 150`}
        width={width}
        height={150}
        className="text-ink"
      >
        {line.wires.map(({ id, signal, ends, lengthM }) => {
          const [p, q] = [index.get(ends.a.hostId), index.get(ends.b.hostId)];
          if (p === undefined || q === undefined) return null;
          const [from, to] = p < q ? [p, q] : [q, p];
          const y = signal === 'can-high' ? TOP + 20 : TOP + 32;
          const far = to - from > 1;
          const bow = far ? 30 : 0;
          return (
            <g key={id}>
              <path
                d={`M${at(from) + (far ? 0 : WIDE / 2)} ${y} Q${(at(from) + at(to)) / 2} ${y - bow * 2} ${at(to) - (far ? 0 : WIDE / 2)} ${y}`}
                fill="none"
                stroke="currentColor"
                strokeWidth="1.6"
                strokeDasharray={signal === 'can-high' ? undefined : '5 3'}
              />
              {signal === 'can-high' && (
                <text
                  x={(at(from) + at(to)) / 2}
                  y={y - 6 - bow}
                  textAnchor="middle"
                  fontSize="11"
                  className="fill-soft"
                >
                  {lengthM === null
                    ? 'length ?'
                    : formatQuantity({ value: lengthM, dimension: 'length' }, system, 3).text}
                </text>
              )}
            </g>
          );
        })}
        {nodes.map(({ hostId, port, name, node, passes }, k) => (
          <g key={`${hostId} ${port}`}>
            <rect
              x={at(k) - (passes ? 8 : WIDE / 2)}
              y={TOP + 8}
              width={passes ? 16 : WIDE}
              height={36}
              rx="3"
              className="fill-panel stroke-ink"
              strokeWidth="1.4"
            />
            {!passes && (
              <>
                <text x={at(k)} y={TOP + 24} textAnchor="middle" fontSize="11" className="fill-current">
                  H
                </text>
                <text x={at(k)} y={TOP + 38} textAnchor="middle" fontSize="11" className="fill-current">
                  L
                </text>
              </>
            )}
            {node?.terminates && (
              <g>
                <path d={`M${at(k)} ${TOP + 44} v8`} stroke="currentColor" strokeWidth="1.4" />
                <rect
                  x={at(k) - 6}
                  y={TOP + 52}
                  width="12"
                  height="22"
                  className="fill-panel stroke-ink"
                  strokeWidth="1.4"
                />
                <text x={at(k) + 12} y={TOP + 67} fontSize="11" className="fill-current">
                  120 Ω
                </text>
              </g>
            )}
            <foreignObject x={at(k) - STEP / 2 + 4} y={TOP + 78} width={STEP - 8} height={42}>
              <p className="text-center text-[11px] leading-tight">{name}</p>
            </foreignObject>
          </g>
        ))}
      </svg>
    </div>
  );
}
