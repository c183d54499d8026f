'use client';
import { useState } from 'react';
import { type Dimension, formatQuantity, type UnitSystem } from '@/core/quantities';
import { type ShownWorking, WorkingLines } from './working-lines';

interface Props {
  readonly label: string;
  readonly value: number | null;
  readonly dimension: Dimension;
  readonly system: UnitSystem;
  readonly significant?: number;
  readonly working?: ShownWorking;
}

/** A computed figure with its label; the unit is quieter than the number. With a working, pressing it opens that. */
export function FigureRow({ label, value, dimension, system, significant = 3, working }: Props) {
  const [open, setOpen] = useState(false);
  const shown = value === null ? null : formatQuantity({ value, dimension }, system, significant);
  const figure = shown ? (
    <>
      <b className="font-semibold">{shown.number}</b> <span className="text-soft">{shown.unit}</span>
    </>
  ) : (
    <span className="text-soft">not known</span>
  );
  return (
    <div className="border-b border-rule/70 py-1">
      {working ? (
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="flex w-full items-baseline justify-between gap-3 text-left"
        >
          <span className="text-soft">{label}</span>
          <span className="whitespace-nowrap text-lead decoration-rule decoration-dotted underline-offset-[5px] hover:underline">
            {figure}
          </span>
        </button>
      ) : (
        <div className="flex items-baseline justify-between gap-3">
          <span className="text-soft">{label}</span>
          <span className="whitespace-nowrap text-lead">{figure}</span>
        </div>
      )}
      {working && open && (
        <div className="mt-1 mb-1.5 border-l-[3px] border-rule bg-well p-2.5">
          <WorkingLines working={working} system={system} />
        </div>
      )}
    </div>
  );
}
