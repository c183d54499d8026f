'use client';
import { Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { ReadTrip } from '@/core/formats';
import type { UnitSystem } from '@/core/quantities';
import { axisOf, extent, rechartsAxis } from '@/ui/axis';

/** So many marks of points left out are drawn; more would be one grey field. */
const MARKS = 60;

/** A trip as it was read: speed, height as read and as driven, and where points were left out. */
export default function BroughtChart({ trip, system }: { trip: ReadTrip; system: UnitSystem }) {
  const { speedsMPerS, heights, rejectedS } = trip;
  const step = Math.max(1, Math.floor(speedsMPerS.length / 600));
  const data = speedsMPerS.flatMap((v, t) =>
    t % step === 0 ? [{ t, v, z: heights?.asReadM[t], s: heights?.asDrivenM[t] }] : [],
  );
  const along = axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false });
  const fast = axisOf(0, extent(data.map(({ v }) => v))[1], 'speed', system, { most: 3 });
  const [low, high] = extent(data.flatMap(({ z, s }) => [z, s]));
  const marks = rejectedS.slice(0, MARKS);
  const margin = { top: 6, right: 14, bottom: 0, left: 2 };
  return (
    <figure className="my-2">
      <div aria-hidden="true">
        <div className="h-[90px]">
          <ResponsiveContainer width="100%" height="100%">
            <LineChart data={data} margin={margin} accessibilityLayer={false}>
              <XAxis dataKey="t" {...rechartsAxis(along)} />
              <YAxis width={64} {...rechartsAxis(fast)} />
              {marks.map((x, k) => (
                <ReferenceLine
                  key={`${x} ${rejectedS.indexOf(x, k)}`}
                  x={x}
                  stroke="var(--thin)"
                  strokeDasharray="2 3"
                />
              ))}
              <Line dataKey="v" stroke="var(--ink)" strokeWidth={1.4} dot={false} isAnimationActive={false} />
            </LineChart>
          </ResponsiveContainer>
        </div>
        {heights && (
          <div className="h-[80px]">
            <ResponsiveContainer width="100%" height="100%">
              <LineChart data={data} margin={margin} accessibilityLayer={false}>
                <XAxis dataKey="t" {...rechartsAxis(along)} hide />
                <YAxis width={64} {...rechartsAxis(axisOf(low, high, 'length', system, { most: 3 }))} />
                <Line dataKey="z" stroke="var(--soft)" strokeWidth={1} dot={false} isAnimationActive={false} />
                <Line dataKey="s" stroke="var(--ink)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
              </LineChart>
            </ResponsiveContainer>
          </div>
        )}
      </div>
      <figcaption className="text-note text-soft">
        Speed over three seconds{heights ? '; below it the height as read, thin, and as it will be driven' : ''}
        {rejectedS.length > 0 ? `; ${rejectedS.length} dashed where points were left out` : ''}.
      </figcaption>
    </figure>
  );
}
