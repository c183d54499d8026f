'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { FaultStory } from '@/core/simulate';
import { TimeChart } from '../shell/chart';

/** Fault current over time until it is cleared; where nothing clears it the line runs out of the picture. */
export default function FaultChart({ story, system }: { story: FaultStory; system: UnitSystem }) {
  const time = (value: number) => formatQuantity({ value, dimension: 'time' }, system, 2).text;
  const amps = (value: number) => formatQuantity({ value, dimension: 'current' }, system, 3).text;
  return (
    <TimeChart
      name="Fault current"
      system={system}
      rows={story.curve.map(({ timeS, currentA }) => ({ t: timeS, i: currentA }))}
      panes={[
        {
          heightPx: 190,
          dimension: 'current',
          reaches: [0, story.fault.prospectiveA],
          curves: [{ key: 'i', name: 'Fault', stroke: 'var(--fails)', width: 2.4 }],
          limits: [
            {
              on: 'y',
              at: story.fault.prospectiveA,
              name: `prospective ${amps(story.fault.prospectiveA)}`,
              stroke: 'var(--ink)',
              dash: '5 4',
            },
          ],
        },
      ]}
      caption={
        story.clearedAtS === null
          ? 'No fuse that is proved to break it stands in its way.'
          : `Over after ${time(story.clearedAtS)}.`
      }
    />
  );
}
