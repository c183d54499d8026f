import { type Dimension, formatMargin, formatQuantity, type Quantity, type UnitSystem } from '../quantities';
import type { Check, Verdict, Wording } from './check';
import type { Sentence } from './sentence';
import { CIRCUIT_SENTENCES } from './sentences-circuit';
import { LOW_SENTENCES } from './sentences-low';
import { VEHICLE_SENTENCES } from './sentences-vehicle';

const SENTENCES: Readonly<Record<string, Sentence>> = {
  ...VEHICLE_SENTENCES,
  ...CIRCUIT_SENTENCES,
  ...LOW_SENTENCES,
};

const MISSING_WORDS: Readonly<Record<string, string>> = {
  part: 'the part',
  length: 'the length',
  place: 'the place',
  cells: 'the cells',
  leakage: 'the measured leakage',
  check: 'another check to hold',
  'coil circuit': 'the wiring of the coils',
};

export interface Said {
  readonly title: string;
  readonly line: string;
}

const render = (figure: Quantity | string | undefined, system: UnitSystem): string =>
  figure === undefined ? '' : typeof figure === 'string' ? figure : formatQuantity(figure, system).text;

/** The words of a check in the reader's units. */
export function say(check: Check, system: UnitSystem = 'metric'): Said {
  const sentence = SENTENCES[check.says.code];
  if (!sentence) throw new Error(`no wording for ${check.says.code}`);
  const fill = (template: string) =>
    template.replace(/\{([a-z]+)\}/g, (_, key: string) =>
      key === 'subject' ? check.subject.name : render(check.says.figures[key], system),
    );
  const judged = check.verdict === 'holds' || check.verdict === 'thin';
  const title = fill(
    check.verdict === 'fails' ? sentence.bad : judged ? sentence.good : (sentence.open ?? sentence.good),
  );
  if (check.verdict === 'needs-data')
    return {
      title,
      line: `needs ${(check.missing ?? []).map(({ ref, what }) => `${MISSING_WORDS[what] ?? what}${ref.id === check.subject.id ? '' : ` of ${ref.name}`}`).join(', ')}`,
    };
  if (check.verdict === 'pending') return { title, line: 'being driven …' };
  if (check.verdict === 'waits')
    return {
      title,
      line: `waits until ${(check.missing ?? []).map(({ ref, what }) => `${ref.name} ${what}`).join(', ')}`,
    };
  return { title, line: fill(sentence.line) };
}

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  holds: 'holds',
  thin: 'thin',
  fails: 'fails',
  'needs-data': 'needs data',
  waits: 'waits',
  pending: 'pending',
};

/** "−75 %", or the verdict's word where there is no margin. */
export const marginText = (check: Pick<Check, 'margin' | 'verdict'>): string =>
  check.margin === undefined || !Number.isFinite(check.margin)
    ? VERDICT_WORDS[check.verdict]
    : formatMargin(check.margin);

export const knownCodes = (): readonly string[] => Object.keys(SENTENCES);
export const quantityText = (value: number, dimension: Dimension, significant = 4): string =>
  formatQuantity({ value, dimension }, 'metric', significant).text;
export type { Wording };
