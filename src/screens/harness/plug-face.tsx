import type { PlugView } from '@/core/vehicle';

const CELL = 26;

/** Face of a generic connector from the wires’ side: two rows, numbered from the left; what is empty is dashed. */
export function PlugFace({ plug }: { plug: PlugView }) {
  const most = Math.max(plug.ways ?? 0, ...plug.pins.map(({ no }) => no));
  const rows = most > 3 ? 2 : 1;
  const columns = Math.min(Math.ceil(most / rows), 12);
  const perBlock = columns * rows;
  const blocks = Math.ceil(most / perBlock);
  const filled = new Map(plug.pins.map((pin) => [pin.no, pin.wires.length]));
  const height = blocks * rows * CELL + (blocks - 1) * 8 + 16;
  return (
    <svg
      role="img"
      aria-label={`Face of ${plug.host.name} from the wires’ side: ${plug.pins.length} of ${most} filled`}
      viewBox={`0 0 ${columns * CELL + 16} ${height}`}
      width={columns * CELL + 16}
      height={height}
      className="max-w-full text-ink"
    >
      <rect
        x="1"
        y="1"
        width={columns * CELL + 14}
        height={height - 2}
        rx="6"
        className="fill-well stroke-ink"
        strokeWidth="1.5"
      />
      {Array.from({ length: most }, (_, k) => {
        const no = k + 1;
        const block = Math.floor(k / perBlock);
        const inBlock = k % perBlock;
        const x = 8 + (inBlock % columns) * CELL + CELL / 2;
        const y = 8 + (block * rows + Math.floor(inBlock / columns)) * CELL + block * 8 + CELL / 2;
        const wires = filled.get(no) ?? 0;
        return (
          <g key={no}>
            <circle
              cx={x}
              cy={y}
              r="10"
              className={
                wires > 1 ? 'fill-panel stroke-fails' : wires === 1 ? 'fill-panel stroke-ink' : 'fill-none stroke-soft'
              }
              strokeWidth={wires > 1 ? 2.5 : 1.4}
              strokeDasharray={wires === 0 ? '2 3' : undefined}
            />
            <text x={x} y={y + 4} textAnchor="middle" fontSize="11" className="fill-current">
              {no}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
