'use client';
import type { Assessment } from '@/core/assess';
import { fuseBoxOf, loadCircuit } from '@/core/build';
import type { Check } from '@/core/checks';
import { formatQuantity } from '@/core/quantities';
import { lowVoltage, partOf, type ResolvedDevice } from '@/core/vehicle';
import { readable } from '@/ui/readable';
import { shapeOf } from '../shell/shape';

const WIDTH = 880;
const FITS = readable(WIDTH, 11.5);
const BAR_Y = 66;
const FUSE_Y = 96;
const LEFT = 268;

/** A name as long as there is room for. */
const cut = (name: string, most: number): string => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** A fuse of the drawing: a rectangle that the wire runs through. */
function FuseMark({ x, y, upright, bad }: { x: number; y: number; upright: boolean; bad: boolean }) {
  const [w, h] = upright ? [9, 20] : [22, 10];
  return (
    <rect
      x={x - w / 2}
      y={y - h / 2}
      width={w}
      height={h}
      fill="var(--panel)"
      stroke={bad ? 'var(--fails)' : 'var(--lv)'}
      strokeWidth="1.6"
    />
  );
}

/** What feeds the car and what hangs on it: converter and battery, each behind its fuse, the bar, and every way of the box. */
export function FeedDrawing({
  assessment,
  picked,
  onPick,
}: {
  assessment: Assessment;
  picked: string | null;
  onPick: (loadId: string | null) => void;
}) {
  const { vehicle, checks, build } = assessment;
  const low = lowVoltage(vehicle);
  const results = assessment.results['low-voltage'].schedule;
  const rows = new Map(results.loads.map((row) => [row.id, row]));
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, build.units, 2, 'A').text;
  const worst = (ids: ReadonlySet<string>): Check | undefined =>
    checks.find(
      ({ subject, station, verdict }) => station === 'low-voltage' && ids.has(subject.id) && verdict !== 'holds',
    );
  const badly = (ids: readonly (string | undefined)[]) =>
    worst(new Set(ids.filter((id) => id !== undefined)))?.verdict === 'fails';
  const fuses = low.lv.devices.filter(({ device }) => device.kind === 'lv-fuse');
  const boxId = fuseBoxOf(build)?.id;
  /** The fuse that stands between a source and the box. */
  const sourceFuse = (deviceId: string | undefined): ResolvedDevice | undefined => {
    const joined = (fuseId: string, otherId: string | undefined) =>
      otherId !== undefined &&
      low.lv.conductors.some(({ conductor }) => {
        const ends = [conductor.a.deviceId, conductor.b.deviceId];
        return ends.includes(fuseId) && ends.includes(otherId);
      });
    return fuses.find(({ id }) => joined(id, deviceId) && joined(id, boxId));
  };
  /** The loads on each fuse: mostly one, or several that share it. */
  const onFuse = new Map<string, string[]>();
  for (const { id } of low.loads) {
    const { fuseId } = loadCircuit(build, id);
    if (fuseId !== null) onFuse.set(fuseId, [...(onFuse.get(fuseId) ?? []), id]);
  }
  const ways = fuses
    .filter(({ device }) => device.way !== undefined)
    .sort((p, q) => p.device.way! - q.device.way!)
    .map((fuse) => ({ fuse, loadIds: onFuse.get(fuse.id) ?? [] }));
  const pitch = Math.min(64, (WIDTH - LEFT - 62) / Math.max(1, ways.length));
  // The bar ends where its last circuit does.
  const barWidth = Math.max(120, 10 + 30 + pitch * ways.length);
  const converter = low.converters[0];
  const battery = low.battery;
  const rating = (device: ResolvedDevice | undefined): string => {
    const part = partOf(device, 'fuse');
    return part ? `${part.ratedCurrentA}` : '?';
  };
  const converterFuse = sourceFuse(converter?.id);
  const batteryFuse = sourceFuse(battery?.device.id);
  const height = 296;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="group"
      aria-label="12-volt feed"
      className={`select-none ${FITS.className}`}
      style={FITS.style}
    >
      {ways.map(({ fuse, loadIds }, k) =>
        picked !== null && loadIds.includes(picked) ? (
          <rect
            key={fuse.id}
            x={LEFT + pitch * k}
            y={BAR_Y - 26}
            width={pitch}
            height={height - BAR_Y + 20}
            fill="var(--well)"
          />
        ) : null,
      )}
      {/* Sources, each behind its own fuse. */}
      <path d={`M170 ${BAR_Y}H${LEFT - 10}`} stroke="var(--lv)" strokeWidth="3" fill="none" />
      <path d={`M170 166H228V${BAR_Y}`} stroke="var(--lv)" strokeWidth="3" fill="none" />
      <FuseMark x={200} y={BAR_Y} upright={false} bad={badly([converterFuse?.id])} />
      <FuseMark x={200} y={166} upright={false} bad={badly([batteryFuse?.id])} />
      <g fontSize="12" fill="var(--soft)" textAnchor="middle">
        <text x="200" y={BAR_Y - 11}>
          {converter ? `${rating(converterFuse)} A` : ''}
        </text>
        <text x="200" y="155">
          {rating(batteryFuse)} A
        </text>
      </g>
      <Source
        y={BAR_Y - 32}
        name={converter?.device.name ?? 'no converter'}
        detail={converter ? `${converter.ratedPowerW} W, ${converter.outputV} V` : 'add one in HV circuit'}
        bad={!converter || badly([converter.id])}
      />
      <Source
        y={134}
        name={battery?.device.name ?? 'no battery'}
        detail={battery?.data ? `${battery.data.capacityAh} Ah` : 'not entered'}
        bad={!battery || badly([battery.device.id])}
      />
      <path d={`M96 198v14m-16 0h32m-26 5h20m-14 5h8`} stroke="var(--ink)" strokeWidth="1.5" fill="none" />
      <rect x={LEFT - 10} y={BAR_Y - 5} width={barWidth} height="10" rx="2" fill="var(--lv)" />
      {ways.map(({ fuse, loadIds }, k) => {
        const x = LEFT + pitch * (k + 0.5);
        const rowsHere = loadIds.flatMap((id) => rows.get(id) ?? []);
        const check = worst(new Set([fuse.id, ...loadIds]));
        const bad = check?.verdict === 'fails';
        const name = rowsHere.map((row) => row.name).join(' + ') || fuse.device.name;
        const draws = rowsHere.reduce((sum, row) => sum + row.onA, 0);
        const isPicked = picked !== null && loadIds.includes(picked);
        // A press opens its load; where several share the fuse the next press opens the next one, the last one closes.
        const press = () => onPick(loadIds[picked === null ? 0 : loadIds.indexOf(picked) + 1] ?? null);
        return (
          <g
            key={fuse.id}
            role="button"
            tabIndex={0}
            aria-pressed={isPicked}
            aria-label={`Circuit ${fuse.device.way}: ${name}, ${rating(fuse)} A fuse${rowsHere.length > 0 ? `, draws ${amps(draws)}` : ''}`}
            onClick={press}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return;
              event.preventDefault();
              press();
            }}
            className="cursor-pointer"
            data-way={fuse.device.way}
          >
            <rect x={x - pitch / 2} y={BAR_Y - 26} width={pitch} height={height - BAR_Y + 20} fill="transparent" />
            <path d={`M${x} ${BAR_Y + 5}V146`} stroke={bad ? 'var(--fails)' : 'var(--lv)'} strokeWidth="1.8" />
            <FuseMark x={x} y={FUSE_Y} upright bad={bad} />
            <text x={x} y={BAR_Y - 12} textAnchor="middle" fontSize="11.5" fill="var(--soft)">
              {fuse.device.way}
            </text>
            <text x={x + 8} y={FUSE_Y + 4} fontSize="11.5" fontWeight="600" fill="var(--ink)">
              {rating(fuse)}
            </text>
            <text
              transform={`translate(${x + 4} 152) rotate(62)`}
              fontSize="12.5"
              fontWeight={isPicked ? 700 : 500}
              fill={bad ? 'var(--fails)' : 'var(--ink)'}
            >
              {check ? `${shapeOf(check.verdict) === 'fails' ? '✕ ' : '△ '}` : ''}
              {cut(name, 26)}
            </text>
          </g>
        );
      })}
      {ways.length === 0 && (
        <text x={LEFT + 12} y={BAR_Y + 40} fontSize="14" fill="var(--soft)">
          The fuse box is empty: add what the car has, below.
        </text>
      )}
    </svg>
  );
}

function Source({ y, name, detail, bad }: { y: number; name: string; detail: string; bad: boolean }) {
  return (
    <g>
      <rect
        x="12"
        y={y}
        width="158"
        height="64"
        rx="3"
        fill="var(--panel)"
        stroke={bad ? 'var(--fails)' : 'var(--ink)'}
        strokeWidth="1.6"
      />
      <text x="91" y={y + 27} textAnchor="middle" fontSize="13.5" fontWeight="600" fill="var(--ink)">
        {cut(name, 22)}
      </text>
      <text x="91" y={y + 46} textAnchor="middle" fontSize="12.5" fill="var(--soft)">
        {detail}
      </text>
    </g>
  );
}
