import { formatMargin, formatQuantity, inUnits, type Quantity, told, type UnitSystem } from '../quantities';
import type { Check, Verdict, Wording, Working, WorkingLine } from './check';

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
  figure === undefined
    ? ''
    : typeof figure === 'string'
      ? inUnits(figure, system)
      : formatQuantity(figure, system).text;

/** What the words of a check are made of. */
export type Sayable = Pick<Check, 'subject' | 'verdict' | 'says' | 'missing'> & { readonly pending?: string };

/** The words of a check in the reader's units. */
export function say(check: Sayable, system: UnitSystem = 'metric'): Said {
  const { sentence } = check.says;
  const fill = (template: string) =>
    template.replace(/\{([a-z]+)\}/g, (_, key: string) =>
      key === 'subject' ? check.subject.name : render(check.says.figures[key], system),
    );
  const judged = check.verdict === 'holds' || check.verdict === 'thin';
  const title = fill(
    check.verdict === 'fails' ? sentence.fails : judged ? sentence.holds : (sentence.open ?? sentence.holds),
  );
  if (check.verdict === 'needs-data')
    return {
      title,
      line: `needs ${(check.missing ?? []).map(({ ref, what }) => `${MISSING_WORDS[what] ?? inUnits(what, system)}${ref.id === check.subject.id ? '' : ` of ${ref.name}`}`).join(', ')}`,
    };
  if (check.verdict === 'pending') return { title, line: check.pending ?? '' };
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

/** A figure for a sentence or a working: it is spelled out in the reader’s units when it is shown. */
export const quantityText = told;

/** A working in the reader’s units. */
export function spell({ lines, sources, assumed }: Working, system: UnitSystem = 'metric'): Working {
  const text = (told: string) => inUnits(told, system);
  return {
    lines: lines.map((line) => spellLine(line, system)),
    sources: sources.map(text),
    assumed: assumed.map(text),
  };
}

export const spellLine = (line: WorkingLine, system: UnitSystem = 'metric'): WorkingLine => ({
  ...line,
  formula: inUnits(line.formula, system),
  figures: inUnits(line.figures, system),
  ...(line.note === undefined ? {} : { note: inUnits(line.note, system) }),
});
export type { Wording };
