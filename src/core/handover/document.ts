/** A document as plain data: the same becomes pages, Markdown and a screen. All text is spelled out in the reader’s units. */
export type Block =
  | { readonly is: 'text'; readonly text: string; readonly strong?: boolean }
  | { readonly is: 'caution'; readonly text: string }
  | { readonly is: 'list'; readonly items: readonly string[] }
  | {
      readonly is: 'table';
      readonly head: readonly string[];
      readonly rows: readonly (readonly string[])[];
      /** Columns that take what is left; by number. */
      readonly wide?: readonly number[];
    }
  /** A drawing that the page makes, by its name; left out where none is handed in. */
  | { readonly is: 'drawing'; readonly id: DrawingId; readonly about: string };

export const DRAWINGS = ['circuit', 'plan', 'feed', 'sequence'] as const;
export type DrawingId = (typeof DRAWINGS)[number];

export interface Chapter {
  readonly id: string;
  readonly title: string;
  readonly blocks: readonly Block[];
  /** Read from afar, or in a hurry. */
  readonly large?: boolean;
  /** Wide tables and drawings lie across. */
  readonly across?: boolean;
}

/** What stands on every page. */
export interface Imprint {
  readonly build: string;
  readonly digest: string;
  /** ISO date. */
  readonly date: string;
  readonly us: boolean;
}

export const DECIDES = 'Computed and recorded, not proved. Local code and licensed practice decide.';

export const text = (words: string, strong = false): Block => ({ is: 'text', text: words, strong });
export const table = (
  head: readonly string[],
  rows: readonly (readonly (string | null | undefined)[])[],
  wide: readonly number[] = [],
): Block => ({ is: 'table', head, rows: rows.map((row) => row.map((cell) => cell ?? '')), wide });
