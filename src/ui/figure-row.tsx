import type { ReactNode } from 'react';
import { type Dimension, formatQuantity, type UnitSystem } from '@/core/quantities';

/** A computed figure with its label; the unit is quieter than the number. */
export function FigureRow({
  label,
  value,
  dimension,
  system,
  significant = 3,
  mark,
}: {
  label: string;
  value: number | null;
  dimension: Dimension;
  system: UnitSystem;
  significant?: number;
  mark?: ReactNode;
}) {
  const shown = value === null ? null : formatQuantity({ value, dimension }, system, significant);
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1">
      <span className="text-soft">
        {label}
        {mark}
      </span>
      <span className="whitespace-nowrap text-[17px]">
        {shown ? (
          <>
            <b className="font-semibold">{shown.number}</b> <span className="text-soft">{shown.unit}</span>
          </>
        ) : (
          <span className="text-soft">not known</span>
        )}
      </span>
    </div>
  );
}
