'use client';
import { useState } from 'react';
import { COMFORT } from '@/core/checks';
import { CATALOGUE, PART_KINDS, type Part, partAtVoltage } from '@/core/parts';
import { formatMargin, formatQuantity, type Quantity, type UnitSystem } from '@/core/quantities';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { groupOfPart } from '../shell/part-choices';
import { shapeOf } from '../shell/shape';

const wordsOf = (part: Part): string => {
  const words = PART_KINDS.find(({ kind }) => kind === part.kind)!.words;
  const group = groupOfPart(part);
  return group ? `${words}: ${group}` : words;
};

/** A part against nothing but a pack's voltage: before there is a build, at a counter or on a heap. */
export function PartSum({ about, system }: { about: string; system: UnitSystem }) {
  const [partId, setPart] = useState('inverter-144-400');
  const [fullV, setFull] = useState(142);
  const [sagV, setSag] = useState<number | null>(104);
  const [currentA, setCurrent] = useState<number | null>(150);
  const part = CATALOGUE.find(({ id }) => id === partId);
  const asked = part ? partAtVoltage(part, { fullV, sagV, currentA }) : [];
  const text = (quantity: Quantity) => formatQuantity(quantity, system, 4).text;
  return (
    <div className="mt-4 grid items-start gap-4 md:grid-cols-2">
      <Panel title="A part at a voltage" about={about}>
        <ChoiceField
          label="Part like"
          value={partId}
          choices={CATALOGUE.map((one) => ({ value: one.id, label: one.name, group: wordsOf(one) }))}
          onChoose={setPart}
        />
        <QuantityField
          label="Pack, charged full"
          dimension="voltage"
          system={system}
          value={fullV}
          onCommit={setFull}
        />
        <QuantityField
          label="Lowest under load"
          dimension="voltage"
          system={system}
          value={sagV}
          empty="not known"
          onCommit={setSag}
          onClear={() => setSag(null)}
        />
        <QuantityField
          label="Battery current for good"
          dimension="current"
          system={system}
          value={currentA}
          empty="not known"
          onCommit={setCurrent}
          onClear={() => setCurrent(null)}
        />
      </Panel>
      <div className="space-y-4">
        <Panel title="Answer" about="its figures are generic: the data sheet wins">
          <ul aria-label="Answer">
            {asked.map(({ what, demand, limit, margin, formula }) => {
              const shape =
                margin === null ? null : shapeOf(margin < 0 ? 'fails' : margin < COMFORT ? 'thin' : 'holds');
              return (
                <li key={what} className="border-b border-rule/70 py-1.5">
                  <p className="flex items-baseline gap-2">
                    {shape && <VerdictMark shape={shape} size={12} />}
                    <span className="min-w-0 flex-1">{what}</span>
                    {shape && margin !== null && (
                      <b className={`font-semibold ${MARK_COLOUR[shape]}`}>
                        {margin < 0 ? 'fails ' : margin < COMFORT ? 'thin ' : 'holds '}
                        {formatMargin(margin)}
                      </b>
                    )}
                  </p>
                  <p className="text-note text-soft">{`${text(demand)} of ${text(limit)}; ${formula}`}</p>
                </li>
              );
            })}
          </ul>
        </Panel>
        <Caution>
          A part that lives with the voltage may still be wrong: faults, cables, precharge and cooling are judged in a
          build, under Parts, Will it live with my build.
        </Caution>
      </div>
    </div>
  );
}
