'use client';
import { Panel } from '@/ui/panel';
import { TimeChart } from '../shell/chart';

/** A resistor-capacitor charge to 100 V in two hundred steps: enough to enlarge. */
const ROWS = Array.from({ length: 201 }, (_, k) => {
  const t = k / 100;
  return { t, v: 100 * (1 - Math.exp(-t / 0.4)), i: 5 * Math.exp(-t / 0.4) };
});

/** A chart of two panes with a limit, a dot and names at the ends. */
export default function KitChart() {
  return (
    <Panel title="A chart" about="drag over a part of it, read it by the crosshair, save it">
      <TimeChart
        name="A charge"
        system="metric"
        rows={ROWS}
        panes={[
          {
            heightPx: 180,
            dimension: 'voltage',
            reaches: [0],
            curves: [{ key: 'v', name: 'Link', stroke: 'var(--hv)', width: 2.4, named: true }],
            limits: [{ on: 'y', at: 95, name: 'closes at 95 %', stroke: 'var(--ink)', dash: '5 4' }],
            dots: [{ x: 1.2, y: 95 }],
          },
          {
            heightPx: 110,
            dimension: 'current',
            most: 3,
            reaches: [0],
            curves: [{ key: 'i', name: 'Current', stroke: 'var(--ink)', named: true }],
          },
        ]}
        caption="Link above, current below."
      />
    </Panel>
  );
}
