'use client';
import { type Build, SETTABLE, type Settable, type SettableName, WHOLE } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { QuantityField } from '@/ui/quantity-field';

/** A plain figure of the document, with its bounds from the edit. */
export function FigureSetting({ build, figure, note }: { build: Build; figure: SettableName; note?: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { label, path, dimension, kept }: Settable = SETTABLE[figure];
  const [section, field] = path;
  const value =
    (build as unknown as Record<string, Record<string, number | null> | undefined>)[section]?.[field] ?? null;
  const adopted = Object.values(build.adoptions).find((one) => one.subjectId === WHOLE && one.field === figure);
  const reading = adopted && build.readings[adopted.readingId];
  const measured =
    reading && `measured ${formatQuantity({ value: reading.value, dimension }, build.units, 4).text} counts`;
  return (
    <div data-figure={figure}>
      <QuantityField
        label={label}
        dimension={dimension}
        system={build.units}
        value={value}
        {...(dimension === 'ratio' ? { unit: '%' } : {})}
        {...((measured ?? note) ? { note: measured ?? note! } : {})}
        empty={figure === 'timeout' ? 'by itself' : 'not entered'}
        {...(kept !== 'always' && value !== null
          ? { onClear: () => dispatch({ edit: 'setFigure', input: { figure, value: null } }) }
          : {})}
        onCommit={(next) => dispatch({ edit: 'setFigure', input: { figure, value: next } })}
      />
    </div>
  );
}
