'use client';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { FaultStory } from '@/core/simulate';
import { axisOf, extent, rechartsAxis } from '@/ui/axis';

/** Fault current over time until it is cleared; where nothing clears it the line runs out of the picture. */
export default function FaultChart({ story, system }: { story: FaultStory; system: UnitSystem }) {
  const data = story.curve.map(({ timeS, currentA }) => ({ t: timeS, i: currentA }));
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, system, 3).text;
  return (
    <figure>
      <div className="h-[180px]" aria-hidden="true">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={data} margin={{ top: 14, right: 20, bottom: 8, left: 6 }} accessibilityLayer={false}>
            <CartesianGrid stroke="var(--rule)" vertical={false} />
            <XAxis dataKey="t" {...rechartsAxis(axisOf(0, data.at(-1)?.t ?? 0, 'time', system, { whole: false }))} />
            <YAxis
              width={58}
              {...rechartsAxis(
                axisOf(0, extent([story.fault.prospectiveA, ...data.map(({ i }) => i)])[1], 'current', system),
              )}
            />
            <Tooltip
              isAnimationActive={false}
              formatter={(value) => [amps(Number(value)), 'fault']}
              labelFormatter={(t) => time(Number(t))}
              contentStyle={{ background: 'var(--panel)', border: '1px solid var(--rule)', color: 'var(--ink)' }}
            />
            <ReferenceLine y={story.fault.prospectiveA} stroke="var(--ink)" strokeDasharray="5 4" />
            <Line
              type="linear"
              dataKey="i"
              stroke="var(--fails)"
              strokeWidth={2.4}
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-note text-soft">
        Dashed: prospective {amps(story.fault.prospectiveA)}.{' '}
        {story.clearedAtS === null
          ? 'No fuse that is proved to break it stands in its way.'
          : `Over after ${time(story.clearedAtS)}.`}
      </figcaption>
    </figure>
  );
}
