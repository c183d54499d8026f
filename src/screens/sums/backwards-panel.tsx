'use client';
import { useState } from 'react';
import { backwards, nextResistors } from '@/core/calc';
import { ROAD_VEHICLE_SIZES } from '@/core/physics/cable-sizes';
import { type Dimension, formatArea, formatQuantity, type UnitSystem } from '@/core/quantities';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { answerOf } from './answer';
import { figureAt, type Sum, type SumField, type SumFigure, type SumValues } from './sum-types';
import { drawable, sweepable } from './sweep';

/** So far around what was typed it is looked for. */
const TIMES = 1000;

const text = (value: number, dimension: Dimension, system: UnitSystem) =>
  dimension === 'area' ? formatArea(value, system) : formatQuantity({ value, dimension }, system, 4).text;

/** What can be bought next to a figure that was found; nothing where any value can be had. */
export function soldNear(value: number, dimension: Dimension): readonly number[] {
  if (dimension === 'resistance') return [...new Set(nextResistors(value))];
  if (dimension === 'area')
    return ROAD_VEHICLE_SIZES.map(({ areaMm2 }) => areaMm2)
      .filter((size) => size >= value * (1 - 1e-9))
      .slice(0, 1);
  return [];
}

/** The sum the other way round: which figure that is typed gives an answer that is wanted. */
export default function BackwardsPanel({
  sum,
  values,
  result,
  system,
  onTake,
}: {
  sum: Sum;
  values: SumValues;
  result: unknown;
  system: UnitSystem;
  onTake: (key: string, value: number) => void;
}) {
  const [chosen, setChosen] = useState<{ what?: string; by?: string; wanted: number | null }>({ wanted: null });
  const fields = sweepable(sum, values);
  const figures = drawable(sum, result);
  const figure = figures.find(({ key }) => key === chosen.what) ?? figures[0];
  const field = fields.find(({ key }) => key === chosen.by) ?? fields[0];
  if (!figure || !field) return null;
  return (
    <Panel title="The other way round" about="which figure gives what is wanted">
      <ChoiceField
        label="Wanted"
        value={figure.key}
        choices={figures.map(({ key, label }) => ({ value: key, label }))}
        onChoose={(what) => setChosen({ ...chosen, what, wanted: null })}
      />
      <QuantityField
        key={figure.key}
        label="… of"
        dimension={figure.dimension!}
        system={system}
        value={chosen.wanted}
        empty="type it"
        onCommit={(wanted) => setChosen({ ...chosen, wanted })}
        onClear={() => setChosen({ ...chosen, wanted: null })}
      />
      <ChoiceField
        label="By changing"
        value={field.key}
        choices={fields.map(({ key, label }) => ({ value: key, label }))}
        onChoose={(by) => setChosen({ ...chosen, by })}
      />
      {chosen.wanted !== null && (
        <Found
          sum={sum}
          values={values}
          figure={figure}
          field={field}
          wanted={chosen.wanted}
          system={system}
          onTake={(value) => onTake(field.key, value)}
        />
      )}
    </Panel>
  );
}

function Found({
  sum,
  values,
  figure,
  field,
  wanted,
  system,
  onTake,
}: {
  sum: Sum;
  values: SumValues;
  figure: SumFigure;
  field: SumField;
  wanted: number;
  system: UnitSystem;
  onTake: (value: number) => void;
}) {
  const at = values[field.key] as number;
  const found = backwards(
    (x) => {
      const answer = answerOf(sum, { ...values, [field.key]: x });
      const y = answer.ok ? figureAt(answer.result, figure.key) : null;
      return typeof y === 'number' ? y : null;
    },
    at / TIMES,
    field.dimension === 'ratio' ? Math.min(1, at * TIMES) : at * TIMES,
    wanted,
  );
  if (!found.ok)
    return (
      <p role="alert" className="mt-2">
        {`${field.label} alone does not give that.`}{' '}
        {found.reaches && (
          <span className="text-soft">
            {`It reaches from ${text(found.reaches[0], figure.dimension!, system)} to ${text(found.reaches[1], figure.dimension!, system)}.`}
          </span>
        )}
      </p>
    );
  const offered = [found.value, ...soldNear(found.value, field.dimension!)];
  return (
    <div className="mt-2" data-found={field.key}>
      <p className="flex items-baseline justify-between gap-3">
        <span className="text-soft">{field.label}</span>
        <b className="text-lead font-semibold">{text(found.value, field.dimension!, system)}</b>
      </p>
      {found.more && <p className="text-note text-soft">A larger one gives it once more.</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {[...new Set(offered)].map((value, k) => (
          <Action key={value} onPress={() => onTake(value)}>
            {k === 0 ? 'Take it' : `Take ${text(value, field.dimension!, system)}, as sold`}
          </Action>
        ))}
      </div>
    </div>
  );
}
