'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { packBears } from '@/core/simulate';
import { FigureRow } from '@/ui/figure-row';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';

/** A direct-current station gives from about here on (reference of the trade), V. */
const STATION_FROM_V = 200;

/** What charging with direct current at a station would take: an outlook, nothing that is judged. */
export function FastPanel({ assessment: { vehicle, build, results } }: { assessment: Assessment }) {
  const { window, cells } = results.bms;
  if (!window) return null;
  const fullV = cells * window.fullV;
  const emptyV = cells * window.emptyV;
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, build.units, 3).text;
  return (
    <Panel title="Fast, with direct current" about="an outlook: not judged, not promised">
      <FigureRow
        label="Cells bear it for hours"
        value={packBears(vehicle, 'charge', 0, null)}
        dimension="current"
        system={build.units}
      />
      <p className="mt-1">
        {emptyV < STATION_FROM_V
          ? `The pack goes down to ${volts(emptyV)}: stations give from about ${volts(STATION_FROM_V)} up, most of them can’t charge it.`
          : `From ${volts(emptyV)} to ${volts(fullV)} it lies within what stations give.`}
      </p>
      <Fold head="What it would take">
        <ul className="list-disc pl-5">
          <li>
            Two contactors at the inlet, both poles, that open dead when nothing is plugged in; a weld test of each.
          </li>
          <li>A fuse and cable for the station’s current, not for the driving one, and sensors in the inlet’s pins.</li>
          <li>A controller that speaks with the station and asks it for voltage and current, cell by cell held.</li>
          <li>
            The station tests the insulation before it begins: the car’s own monitor has to be silent then, and the Y
            capacitors small enough.
          </li>
          <li>Cells that are cooled or warmed to where they bear it, and a lock on the plug.</li>
        </ul>
      </Fold>
    </Panel>
  );
}
