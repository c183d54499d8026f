import type { Build, StepResult } from '../../build';
import { partIdOf, type SheetLine } from './sheets';
import type { Step } from './step';

/** Who enters it, and the day. */
export interface Entered {
  readonly by: string;
  /** ISO date. */
  readonly date: string;
}

const stamp = (build: Build, step: Step, { by, date }: Entered) => {
  const partId = partIdOf(build, step);
  return {
    id: step.id,
    name: step.name.slice(0, 120),
    sheet: step.sheet,
    date,
    ...(by === '' ? {} : { by }),
    ...(partId === null ? {} : { partId }),
    ...(step.dimension === null ? {} : { dimension: step.dimension }),
  };
};
const beside = (known: StepResult | null) => ({
  ...(known?.note === undefined ? {} : { note: known.note }),
  ...(known?.instrument === undefined ? {} : { instrument: known.instrument }),
});

/** A new reading: nothing of the old one stays, nor why it was skipped; it is of the part that is there now. */
export const entryOfReading = (
  build: Build,
  { step, result }: Pick<SheetLine, 'step' | 'result'>,
  who: Entered,
  read: Pick<StepResult, 'value' | 'meter' | 'ok' | 'note'>,
): StepResult => ({ ...beside(result), ...stamp(build, step, who), ...read });

/** Skipped for a reason. A reading stays beside it only where it is one of this part and lacks a band: skipping makes no old reading new. */
export const entryOfSkip = (
  build: Build,
  { step, result, state }: SheetLine,
  who: Entered,
  skipped: string,
): StepResult =>
  (state === 'unsure' || state === 'out') && result
    ? { ...result, skipped }
    : { ...beside(result), ...stamp(build, step, who), skipped };

/** What is written down beside a reading: day, part and reading stay what they are. */
export const entryOfNote = (
  result: StepResult,
  more: Partial<Pick<StepResult, 'note' | 'instrument' | 'date'>>,
): StepResult => ({ ...result, ...more });

/** No longer skipped; null: nothing else is left of it. */
export function entryUnskipped({ skipped: _, ...result }: StepResult): StepResult | null {
  return result.value === undefined && result.ok === undefined && result.meter === undefined ? null : result;
}
