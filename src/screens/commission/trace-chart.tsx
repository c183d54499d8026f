'use client';
import type { Assessment } from '@/core/assess';
import type { StepTrace } from '@/core/build';
import { fittedAt, isFit } from '@/core/physics/trace-fit';
import { readingOfTrace, TRACE_DIMENSION } from '@/core/stations/commission';
import { type ChartRow, TimeChart } from '../shell/chart';
import { TRACE_WORDS } from './commission-words';

const modelAt = (model: ((timeS: number) => number | null) | null, t: number): { readonly model?: number } => {
  const value = model?.(t) ?? null;
  return value === null ? {} : { model: value };
};

/** The course as it was written down, its fit, and what the model expects from where it begins. */
export default function TraceChart({ trace, assessment }: { trace: StepTrace; assessment: Assessment }) {
  const { fit, model } = readingOfTrace(assessment.context, trace);
  const rows: (ChartRow & { readonly t: number })[] = trace.timesS.map((t, k) => ({
    t,
    read: trace.values[k]!,
    ...(isFit(fit) && t >= fit.t0S && t <= fit.untilS ? { fit: fittedAt(fit, t) } : {}),
    ...modelAt(model, t),
  }));
  const first = rows[0]?.t ?? 0;
  return (
    <TimeChart
      name={`${TRACE_WORDS[trace.kind][0]}, ${TRACE_WORDS[trace.kind][1]}`}
      system={assessment.build.units}
      rows={rows.map((row) => ({ ...row, t: row.t - Math.min(0, first) }))}
      panes={[
        {
          heightPx: 240,
          dimension: TRACE_DIMENSION[trace.kind],
          curves: [
            { key: 'read', name: 'Read', stroke: 'var(--ink)', named: true },
            ...(isFit(fit) ? [{ key: 'fit', name: 'Fit', stroke: 'var(--fails)', dash: '5 4', named: true }] : []),
            ...(model ? [{ key: 'model', name: 'Model', stroke: 'var(--soft)', dash: '2 3', named: true }] : []),
          ],
          reaches: [0],
        },
      ]}
    />
  );
}
