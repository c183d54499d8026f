'use client';
import { useMemo, useState } from 'react';
import type { UnitSystem } from '@/core/quantities';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { XYChart } from '../shell/chart';
import { figureAt, type Sum, type SumValues } from './sum-types';
import { drawable, isLevel, sweepable, sweepOf, tellingField } from './sweep';

/** How one figure of the answer changes with one of the fields, with your own point in it. */
export default function SweepPanel({
  sum,
  values,
  result,
  system,
}: {
  sum: Sum;
  values: SumValues;
  result: unknown;
  system: UnitSystem;
}) {
  const [over, setOver] = useState<string | null>(null);
  const [what, setWhat] = useState<string | null>(null);
  // Made when a figure is entered, not whenever the panel is drawn.
  const drawn = useMemo(() => {
    const fields = sweepable(sum, values);
    const figures = drawable(sum, result);
    const figure = figures.find(({ key }) => key === what) ?? figures[0];
    const field = fields.find(({ key }) => key === over) ?? (figure && tellingField(sum, values, fields, figure));
    const sweep = field && figure ? sweepOf(sum, values, field.key, figure.key) : null;
    return sweep && field && figure ? { fields, figures, field, figure, sweep } : null;
  }, [sum, values, result, what, over]);
  if (!drawn) return null;
  const { fields, figures, field, figure, sweep } = drawn;
  const here = figureAt(result, figure.key) as number;
  return (
    <Panel title="How it changes" about="the other figures stay as they are">
      <ChoiceField
        label="Shown"
        value={figure.key}
        choices={figures.map(({ key, label }) => ({ value: key, label }))}
        onChoose={setWhat}
      />
      <ChoiceField
        label="Over"
        value={field.key}
        choices={fields.map(({ key, label }) => ({ value: key, label }))}
        onChoose={setOver}
      />
      <XYChart
        key={`${figure.key} ${field.key}`}
        name={`${figure.label} over ${field.label.toLowerCase()}`}
        system={system}
        along={{ key: 'x', name: field.label, dimension: field.dimension!, from: sweep.from, to: sweep.to }}
        rows={sweep.rows}
        panes={[
          {
            heightPx: 200,
            dimension: figure.dimension!,
            reaches: isLevel(sweep.rows) ? [0] : [],
            curves: [{ key: 'y', name: figure.label, stroke: 'var(--hv)', width: 2.2 }],
            dots: [{ x: values[field.key] as number, y: here }],
          },
        ]}
        caption="The ring is your own figure. A gap: there is no answer."
      />
    </Panel>
  );
}
