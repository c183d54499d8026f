'use client';
import dynamic from 'next/dynamic';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { FaultCorner } from '@/core/simulate';
import type { Vehicle } from '@/core/vehicle';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { VerdictMark } from '@/ui/verdict-mark';
import { AGAINST, type Against, type Short } from './derive-short';
import { FirstMomentPanel } from './first-moment';

const FaultChart = dynamic(() => import('./fault-chart'), { ssr: false, loading: () => <div className="h-[180px]" /> });

export interface ShortChoice {
  readonly against: Against;
  readonly corner: FaultCorner;
}

/** A short on the picked wire: what flows, who clears it and when, and what does not stand it. */
export function ShortPanel({
  vehicle,
  conductorId,
  short,
  choice,
  onChoose,
  system,
}: {
  vehicle: Vehicle;
  conductorId: string | null;
  short: Short | null;
  choice: ShortChoice;
  onChoose: (choice: ShortChoice) => void;
  system: UnitSystem;
}) {
  const name = conductorId ? vehicle.conductorOf.get(conductorId)?.conductor.name : undefined;
  const text = (value: number, dimension: 'current' | 'time' | 'i2t') =>
    formatQuantity({ value, dimension }, system).text;
  if (!name)
    return (
      <Panel title="Short it here">
        <p className="text-soft">Press a wire in the drawing: it is shorted there.</p>
      </Panel>
    );
  const deviceName = (id: string) => vehicle.deviceOf.get(id)?.device.name ?? id;
  return (
    <>
      <Panel title="Short it here" about={name}>
        <ChoiceField
          label="Against"
          value={choice.against}
          choices={AGAINST.map(([value, label]) => ({ value, label }))}
          onChoose={(against) => onChoose({ ...choice, against: against as Against })}
        />
        <ChoiceField
          label="Pack"
          value={choice.corner}
          choices={[
            { value: 'highest', label: 'warm, new, full: the most current' },
            { value: 'lowest', label: 'cold, aged, empty, with an arc: the least' },
          ]}
          onChoose={(corner) => onChoose({ ...choice, corner: corner as FaultCorner })}
        />
        {short ? (
          <div className="mt-3" data-short={short.story.clearedAtS === null ? 'goes on' : 'cleared'}>
            <p className="flex items-center gap-2 text-lead font-semibold">
              <VerdictMark shape={short.story.clearedAtS === null || short.burns.length > 0 ? 'fails' : 'holds'} />
              {verdictText(short, deviceName, text)}
            </p>
            <FigureRow
              label="Prospective current"
              value={short.story.fault.prospectiveA}
              dimension="current"
              system={system}
            />
            <FigureRow label="Driven by" value={short.story.fault.voltageV} dimension="voltage" system={system} />
            <FigureRow
              label="Time constant L/R"
              value={short.story.fault.timeConstantS}
              dimension="time"
              system={system}
            />
            {short.story.openings.map(({ deviceId, atS, clearing }) => (
              <FigureRow
                key={deviceId}
                label={`${deviceName(deviceId)} opens at ${text(atS, 'time')}, lets through`}
                value={clearing.letThroughA}
                dimension="current"
                system={system}
              />
            ))}
          </div>
        ) : (
          <p className="mt-3 text-soft">No voltage drives a current between the two: choose the other pole.</p>
        )}
      </Panel>
      {short && (
        <Panel title="What feels it" about="I²t until it is over, against what it stands">
          <FaultChart story={short.story} system={system} />
          <ul className="mt-2 max-h-[260px] overflow-y-auto">
            {[...short.felt]
              .sort((p, q) => ratio(q) - ratio(p))
              .map((one) => (
                <li key={one.id} className="flex items-center gap-2 border-b border-rule/70 py-1 text-small">
                  <VerdictMark
                    shape={short.burns.includes(one) ? 'fails' : one.limitA2s === null ? 'hollow' : 'holds'}
                    size={12}
                  />
                  <span className="min-w-0 flex-1 truncate">{one.name}</span>
                  <span className="text-soft">{text(one.currentA, 'current')}</span>
                  <span className="w-[150px] text-right">
                    {one.i2tA2s === null ? 'without end' : text(one.i2tA2s, 'i2t')}
                    <span className="text-soft"> of {one.limitA2s === null ? '–' : text(one.limitA2s, 'i2t')}</span>
                  </span>
                </li>
              ))}
          </ul>
        </Panel>
      )}
      {short && (
        <FirstMomentPanel
          vehicle={vehicle}
          a={short.story.fault.a}
          b={short.story.fault.b}
          corner={choice.corner}
          prospectiveA={short.story.fault.prospectiveA}
          system={system}
        />
      )}
      <Caution>
        Shorts are worked out here, never tried. A turning motor feeds a fault as well. Cables before the first fuse:
        short, doubly insulated, guarded.
      </Caution>
    </>
  );
}

const NOT_PROVED = {
  'dc-rating': 'it has no DC rating',
  voltage: 'the voltage is above what it breaks',
  'too-much': 'the current is above its breaking capacity',
  'too-little': 'the current is below the smallest that it breaks',
} as const;

function verdictText(
  { story }: Short,
  deviceName: (id: string) => string,
  text: (value: number, dimension: 'time') => string,
): string {
  const last = story.openings.at(-1);
  if (last?.notProved)
    return `${deviceName(last.deviceId)} melts after ${text(last.atS, 'time')} but is not proved to break it: ${NOT_PROVED[last.notProved]}`;
  return last && story.clearedAtS !== null
    ? `${deviceName(last.deviceId)} clears it after ${text(story.clearedAtS, 'time')}`
    : 'Nothing clears it: it burns on';
}

const ratio = ({ i2tA2s, limitA2s }: Short['felt'][number]): number =>
  i2tA2s === null ? Number.MAX_VALUE : limitA2s === null || limitA2s === 0 ? -1 : i2tA2s / limitA2s;
