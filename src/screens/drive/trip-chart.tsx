'use client';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { TripResult } from '@/core/simulate';
import { axisOf, extent, rechartsAxis, TOOLTIP } from '@/ui/axis';

/** Battery current over the trip, and the speed under it. */
export default function TripChart({ run, system }: { run: TripResult; system: UnitSystem }) {
  const data = run.curve.map(({ timeS, speedMPerS, currentA, packC, motorC }) => ({
    t: timeS,
    i: currentA,
    v: speedMPerS,
    p: packC,
    m: motorC,
  }));
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const amps = (value: number) => `${value.toFixed(0)} A`;
  const speed = (value: number) => formatQuantity({ value, dimension: 'speed' }, system, 2).text;
  const warm = (value: number) => formatQuantity({ value: Math.round(value), dimension: 'temperature' }, system).text;
  const along = rechartsAxis(axisOf(0, run.durationS, 'time', system, { whole: false, most: 6 }));
  const current = rechartsAxis(axisOf(...extent(data.flatMap(({ i }) => [i, 0])), 'current', system, { most: 4 }));
  const fast = rechartsAxis(axisOf(0, extent(data.map(({ v }) => v))[1], 'speed', system, { most: 3 }));
  const heat = rechartsAxis(axisOf(...extent(data.flatMap(({ p, m }) => [p, m])), 'temperature', system, { most: 3 }));
  return (
    <figure className="mt-2">
      <div aria-hidden="true">
        <div className="h-[140px]">
          <ResponsiveContainer width="100%" height="100%">
            <LineChart
              data={data}
              syncId="trip"
              margin={{ top: 8, right: 18, bottom: 0, left: 2 }}
              accessibilityLayer={false}
            >
              <CartesianGrid stroke="var(--rule)" vertical={false} />
              <XAxis dataKey="t" {...along} hide />
              <YAxis width={56} {...current} />
              <ReferenceLine y={0} stroke="var(--soft)" />
              {run.stop && (
                <ReferenceLine
                  x={run.stop.timeS}
                  stroke="var(--fails)"
                  strokeDasharray="4 3"
                  label={{
                    value: 'driving stops',
                    position: run.stop.timeS > run.durationS / 2 ? 'insideTopRight' : 'insideTopLeft',
                    fontSize: 12,
                    fill: 'var(--fails)',
                  }}
                />
              )}
              <Tooltip
                isAnimationActive={false}
                labelFormatter={(t) => time(Number(t))}
                formatter={(value) => [amps(Number(value)), 'battery']}
                contentStyle={TOOLTIP}
              />
              <Line dataKey="i" stroke="var(--hv)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
            </LineChart>
          </ResponsiveContainer>
        </div>
        <div className="h-[80px]">
          <ResponsiveContainer width="100%" height="100%">
            <LineChart
              data={data}
              syncId="trip"
              margin={{ top: 4, right: 18, bottom: 0, left: 2 }}
              accessibilityLayer={false}
            >
              <XAxis dataKey="t" {...along} />
              <YAxis width={56} {...fast} />
              <Tooltip
                isAnimationActive={false}
                labelFormatter={(t) => time(Number(t))}
                formatter={(value) => [speed(Number(value)), 'speed']}
                contentStyle={TOOLTIP}
              />
              <Line dataKey="v" stroke="var(--ink)" strokeWidth={1.4} dot={false} isAnimationActive={false} />
            </LineChart>
          </ResponsiveContainer>
        </div>
        <div className="h-[84px]">
          <ResponsiveContainer width="100%" height="100%">
            <LineChart
              data={data}
              syncId="trip"
              margin={{ top: 6, right: 18, bottom: 0, left: 2 }}
              accessibilityLayer={false}
            >
              <XAxis dataKey="t" {...along} hide />
              <YAxis width={56} {...heat} />
              <Tooltip
                isAnimationActive={false}
                labelFormatter={(t) => time(Number(t))}
                formatter={(value, name) => [warm(Number(value)), name === 'p' ? 'pack' : 'motor']}
                contentStyle={TOOLTIP}
              />
              <Line dataKey="p" stroke="var(--hv)" strokeWidth={1.6} dot={false} isAnimationActive={false} />
              <Line
                dataKey="m"
                stroke="var(--ink)"
                strokeWidth={1.4}
                strokeDasharray="5 3"
                dot={false}
                isAnimationActive={false}
              />
            </LineChart>
          </ResponsiveContainer>
        </div>
      </div>
      <figcaption className="text-note text-soft">
        {formatQuantity({ value: run.distanceM, dimension: 'distance' }, system, 3).text} in {time(run.durationS)}, with
        the battery current above, the speed below, and the temperatures under that: pack full, motor dashed.
        {run.stop && (
          <b className="font-semibold text-fails">
            {' '}
            Driving stops after {formatQuantity({ value: run.stop.distanceM, dimension: 'distance' }, system, 3).text},{' '}
            {time(run.stop.timeS)}: it does not get home.
          </b>
        )}
      </figcaption>
    </figure>
  );
}
