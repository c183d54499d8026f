'use client';
import { useState } from 'react';
import type { Build, MeterVolts, StepResult } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { ofMeter, type Step } from '@/core/stations/commission';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { QuantityField } from '@/ui/quantity-field';

type Draft = { readonly [K in keyof MeterVolts]: number | null };

const FIELDS: readonly (readonly [keyof MeterVolts, string, 'voltage' | 'resistance'])[] = [
  ['packV', 'Pack, plus to minus', 'voltage'],
  ['largerV', 'The pole that reads more, to the body', 'voltage'],
  ['r0Ohm', 'Known resistor', 'resistance'],
  ['withR0V', 'The same pole, the resistor across it', 'voltage'],
];

/** Insulation by voltmeter: two voltages and a known resistor in place of a tester. */
export function MeterFields({
  step,
  result,
  build,
  onPut,
}: {
  step: Step;
  result: StepResult | null;
  build: Build;
  onPut: (read: Pick<StepResult, 'meter'>) => void;
}) {
  const [draft, setDraft] = useState<Draft>(
    () => result?.meter ?? { packV: null, largerV: null, withR0V: null, r0Ohm: null },
  );
  const whole = Object.values(draft).every((one) => one !== null) ? (draft as MeterVolts) : null;
  const ohm = whole ? ofMeter(whole) : null;
  return (
    <Fold head={<span className="text-small text-soft">By voltmeter, without a tester</span>}>
      <div className="pb-2">
        <p className="text-small">
          Measure plus to the body and minus to the body. Take the larger one; put a resistor that you know (100 kΩ, for
          the full voltage) from that pole to the body and read it again. A fault in the middle of the string shows as
          two equal readings: it needs a tester.
        </p>
        {FIELDS.map(([key, label, dimension]) => (
          <QuantityField
            key={key}
            label={label}
            dimension={dimension}
            system={build.units}
            value={draft[key]}
            empty="not entered"
            onCommit={(value) => setDraft({ ...draft, [key]: value })}
          />
        ))}
        <p className="mt-1 flex flex-wrap items-center gap-2">
          <span className="flex-1 text-small" data-meter>
            {ohm !== null ? (
              <>
                R₀ · V_b · (1/V′ − 1/V) ={' '}
                <b className="font-semibold tabular-nums">
                  {formatQuantity({ value: ohm, dimension: 'resistance' }, build.units, 3).text}
                </b>
              </>
            ) : whole ? (
              'With the resistor across it the voltage has to fall; and no pole can read more than the pack.'
            ) : (
              'Four figures, then it is worked out.'
            )}
          </span>
          <Action
            disabled={ohm === null}
            label={`${step.name}: take it by voltmeter`}
            onPress={() => whole && onPut({ meter: whole })}
          >
            Take it
          </Action>
        </p>
      </div>
    </Fold>
  );
}
