'use client';
import { useState } from 'react';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { type StandIn, standIn } from '@/core/simulate';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';

const PLUGS: readonly {
  readonly value: string;
  readonly label: string;
  readonly set: Pick<StandIn, 'plug' | 'plugOhm'>;
}[] = [
  { value: 'none', label: 'no plug', set: { plug: 'type2', plugOhm: null } },
  ...[
    [1500, '13 A'],
    [680, '20 A'],
    [220, '32 A'],
    [100, '63 A'],
  ].map(([plugOhm, says]) => ({
    value: `type2 ${plugOhm}`,
    label: `type 2, ${plugOhm} Ω: ${says}`,
    set: { plug: 'type2' as const, plugOhm: Number(plugOhm) },
  })),
  { value: 'type2 0', label: 'type 2, shorted', set: { plug: 'type2', plugOhm: 0 } },
  { value: 'j1772 150', label: 'J1772, latched', set: { plug: 'j1772', plugOhm: 150 } },
  { value: 'j1772 480', label: 'J1772, button pressed', set: { plug: 'j1772', plugOhm: 480 } },
  { value: 'j1772', label: 'J1772, no plug', set: { plug: 'j1772', plugOhm: null } },
];

/** A wall unit and its plug to play with: what stands on the pilot, and what the car has to do. */
export function StandInPanel({ system }: { system: UnitSystem }) {
  const [set, setSet] = useState<StandIn>({
    vehicle: 'ready',
    fault: 'none',
    dutyPercent: 53.3,
    plug: 'type2',
    plugOhm: 220,
  });
  const [plug, setPlug] = useState('type2 220');
  const [trouble, setTrouble] = useState<string | null>(null);
  const says = standIn(set);
  const change = (more: Partial<StandIn>) => setSet({ ...set, ...more });
  return (
    <Panel title="Pilot and plug, played" about="a stand-in for the wall unit; nothing of it is kept">
      <ChoiceField
        label="Car"
        value={set.vehicle}
        choices={[
          { value: 'unplugged', label: 'not plugged in' },
          { value: 'connected', label: 'connected' },
          { value: 'ready', label: 'ready to charge' },
          { value: 'ventilation', label: 'ready, wants air' },
          { value: 'wrong-resistor', label: 'a wrong resistor' },
        ]}
        onChoose={(vehicle) => change({ vehicle: vehicle as StandIn['vehicle'] })}
      />
      <ChoiceField
        label="Fault"
        value={set.fault}
        choices={[
          { value: 'none', label: 'none' },
          { value: 'no-diode', label: 'no diode' },
          { value: 'earth-lost', label: 'earth lost' },
          { value: 'pilot-to-earth', label: 'pilot to earth' },
        ]}
        onChoose={(fault) => change({ fault: fault as StandIn['fault'] })}
      />
      <ChoiceField
        label="Plug"
        value={plug}
        choices={PLUGS.map(({ value, label }) => ({ value, label }))}
        onChoose={(value) => {
          setPlug(value);
          change(PLUGS.find((one) => one.value === value)!.set);
        }}
      />
      <QuantityField
        label="Duty of the pilot"
        dimension="ratio"
        unit="%"
        system={system}
        value={set.dutyPercent / 100}
        onCommit={(value) => {
          const fits = value >= 0 && value <= 1;
          setTrouble(fits ? null : `${(100 * value).toFixed(0)} % is no duty: it lies between 0 and 100 %.`);
          if (fits) change({ dutyPercent: 100 * value });
        }}
      />
      {trouble && (
        <p role="alert" className="mt-1 text-small text-fails">
          {trouble}
        </p>
      )}
      <div className="mt-2" aria-live="polite">
        <FigureRow label="Pilot, high half" value={says.highV} dimension="voltage" system={system} />
        <FigureRow label="… low half" value={says.lowV} dimension="voltage" system={system} />
        {says.proximityV !== null && (
          <FigureRow label="Proximity contact" value={says.proximityV} dimension="voltage" system={system} />
        )}
        <p className="flex justify-between gap-3 border-b border-rule/70 py-1">
          <span className="text-soft">State</span>
          <b className="font-semibold">{says.state ?? 'none'}</b>
        </p>
        <p className="mt-1 font-semibold">
          {says.mostA > 0
            ? `The car may draw ${formatQuantity({ value: says.mostA, dimension: 'current' }, system, 3).text}.`
            : 'The car draws nothing.'}
        </p>
        {says.must.length > 0 && (
          <ul className="mt-1 list-disc pl-5">
            {says.must.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </ul>
        )}
      </div>
    </Panel>
  );
}
