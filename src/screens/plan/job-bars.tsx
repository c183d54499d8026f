import type { Scheduled } from '@/core/stations/plan';
import { Panel } from '@/ui/panel';
import { dayText } from '../shell/days';
import { hoursText } from './plan-words';

const [ROW, LEFT, WIDE] = [22, 250, 560];
const DAY_MS = 86_400_000;
const at = (iso: string): number => Date.parse(`${iso}T00:00:00Z`);

/** First days of weeks, months or quarters, so that some six to ten of them fit. */
function ticks(from: number, to: number): readonly number[] {
  const days = (to - from) / DAY_MS;
  const out: number[] = [];
  const date = new Date(from);
  if (days <= 70) {
    const step = days <= 14 ? 1 : 7;
    for (let t = from; t <= to; t += step * DAY_MS) out.push(t);
    return out;
  }
  const months = days <= 300 ? 1 : days <= 1200 ? 3 : 12;
  date.setUTCDate(1);
  if (months === 12) date.setUTCMonth(0);
  for (let t = date.getTime(); t <= to; date.setUTCMonth(date.getUTCMonth() + months), t = date.getTime())
    if (t >= from) out.push(t);
  return out;
}

/** Jobs along the time, one person, one at a time; a gap is a wait. */
export function JobBars({ planned, assumed }: { planned: readonly Scheduled[]; assumed: boolean }) {
  if (planned.length === 0) return <p className="text-soft">Nothing is left to do.</p>;
  const from = at(planned[0]!.from);
  const to = Math.max(...planned.map((one) => at(one.to))) + DAY_MS;
  const x = (t: number) => LEFT + ((t - from) / (to - from)) * WIDE;
  const height = planned.length * ROW + 34;
  return (
    <Panel title="Time bars" about={assumed ? 'at 10 hours a week, assumed' : 'one person, one job at a time'}>
      <div className="overflow-x-auto">
        <svg
          role="img"
          aria-label={`${planned.length} jobs from ${dayText(planned[0]!.from)} to ${dayText(planned.at(-1)!.to)}`}
          viewBox={`0 0 ${LEFT + WIDE + 20} ${height}`}
          width={LEFT + WIDE + 20}
          height={height}
          className="text-ink"
        >
          {ticks(from, to).map((t) => (
            <g key={t}>
              <path d={`M${x(t)} 22 V${height - 4}`} className="stroke-rule" strokeWidth="1" />
              <text x={x(t) + 2} y="14" fontSize="11" className="fill-soft">
                {new Date(t).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })}
              </text>
            </g>
          ))}
          {planned.map(({ job, from: begin, to: end, fromH, toH }, k) => {
            const y = 26 + k * ROW;
            const left = x(at(begin));
            const width = Math.max(3, x(at(end)) - left);
            return (
              <g key={job.id}>
                <title>{`${job.name}: ${dayText(begin)} to ${dayText(end)}, ${hoursText(toH - fromH)}`}</title>
                <text x="0" y={y + 14} fontSize="12" className="fill-current">
                  {job.name.length > 38 ? `${job.name.slice(0, 37)}…` : job.name}
                </text>
                <rect
                  x={left}
                  y={y + 4}
                  width={width}
                  height="13"
                  rx="2"
                  className={job.hv ? 'fill-hv' : 'fill-ink'}
                  opacity={job.hv ? 1 : 0.75}
                />
                {job.hv && (
                  <text x={left + width + 4} y={y + 15} fontSize="11" className="fill-current">
                    HV
                  </text>
                )}
              </g>
            );
          })}
        </svg>
      </div>
    </Panel>
  );
}
