'use client';
import dynamic from 'next/dynamic';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { Vehicle } from '@/core/vehicle';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { timeCurrent } from './derive-time-current';

const TimeCurrentChart = dynamic(() => import('./time-current-chart'), {
  ssr: false,
  loading: () => <div className="h-[330px]" />,
});

/** One fuse with everything that has to fit it: its curve, cable, contactor, load and faults, in one picture. */
export function FusePanel({
  vehicle,
  selected,
  onSelect,
  system,
}: {
  vehicle: Vehicle;
  selected: string | null;
  onSelect: (id: string) => void;
  system: UnitSystem;
}) {
  const fuses = vehicle.devices.filter(({ device }) => device.kind === 'fuse');
  const fuse = fuses.find(({ id }) => id === selected) ?? fuses[0];
  const picture = fuse ? timeCurrent(vehicle, fuse.id) : null;
  const amps = (value: number | null) =>
    value === null ? 'not known' : formatQuantity({ value, dimension: 'current' }, system).text;
  return (
    <Panel title="Fuse, cable and fault" about="one fuse, current against time">
      {fuses.length === 0 && <p className="text-soft">There is no fuse yet.</p>}
      {fuse && (
        <ChoiceField
          label="Fuse"
          value={fuse.id}
          choices={fuses.map(({ id, device }) => ({ value: id, label: device.name }))}
          onChoose={onSelect}
        />
      )}
      {fuse && !picture && <p className="mt-2 text-soft">Choose its part first.</p>}
      {picture && (
        <>
          <TimeCurrentChart picture={picture} system={system} />
          <dl className="mt-1 grid grid-cols-2 gap-x-6 text-small">
            {[
              ['Highest fault', amps(picture.highestA)],
              ['Lowest fault', amps(picture.lowestA)],
              ...picture.loads.map(({ name, currentA }) => [name, amps(currentA)] as const),
            ].map(([label, value]) => (
              <div key={label} className="flex justify-between border-b border-rule/70 py-0.5">
                <dt className="text-soft">{label}</dt>
                <dd className="font-semibold">{value}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </Panel>
  );
}
