import type { TraceKind } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { LineState, Step } from '@/core/stations/commission';
import type { MarkShape } from '@/ui/verdict-mark';

export const STATE_MARK: Readonly<Record<LineState, MarkShape>> = {
  open: 'hollow',
  pass: 'holds',
  out: 'fails',
  skipped: 'thin',
  unsure: 'hollow',
};
export const STATE_WORDS: Readonly<Record<LineState, string>> = {
  open: 'open',
  pass: 'reads right',
  out: 'out',
  skipped: 'skipped',
  unsure: 'no band',
};

export const TRACE_WORDS: Readonly<Record<TraceKind, readonly [string, string]>> = {
  precharge: ['Precharge', 'link voltage as it rises'],
  discharge: ['Discharge', 'link voltage as it falls'],
  vacuum: ['Vacuum', 'at the booster, as the pump runs'],
  charge: ['Charge', 'pack voltage while it charges'],
  temperature: ['Temperature', 'of one part as it warms or cools'],
};

/** The band of a step in words; null: it has none. */
export function bandText({ dimension, low, high, expected }: Step, system: UnitSystem): string | null {
  if (dimension === null) return null;
  const say = (value: number) => formatQuantity({ value, dimension }, system, 4).text;
  if (low !== null && high !== null) return low === high ? say(low) : `${say(low)} to ${say(high)}`;
  if (low !== null) return `at least ${say(low)}`;
  if (high !== null) return `at most ${say(high)}`;
  return expected === null ? null : say(expected);
}

/** How far a sheet is, in a few words. */
export const farText = ({
  passed,
  out,
  skipped,
  lines,
}: {
  readonly passed: number;
  readonly out: number;
  readonly skipped: number;
  readonly lines: readonly unknown[];
}): string =>
  [
    `${passed} of ${lines.length} right`,
    ...(out > 0 ? [`${out} out`] : []),
    ...(skipped > 0 ? [`${skipped} skipped`] : []),
  ].join(', ');
