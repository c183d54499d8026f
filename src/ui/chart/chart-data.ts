import { type Dimension, formatQuantity, preferredUnit, type UnitSystem } from '@/core/quantities';
import { extent } from '../axis';

/** Where a value of the horizontal axis and of each curve stands in a row; null or absent: no value there. */
export type ChartRow = Readonly<Record<string, number | null | undefined>>;

export interface Along {
  readonly key: string;
  readonly name: string;
  readonly dimension: Dimension;
  /** Absent: from the first to the last row. */
  readonly from?: number;
  readonly to?: number;
  readonly log?: boolean;
  /** Where its ticks stand; absent: at round values. */
  readonly ticks?: readonly number[];
  /** It ends on a tick, not with the data. */
  readonly whole?: boolean;
}

export interface Curve {
  readonly key: string;
  readonly name: string;
  readonly stroke: string;
  readonly width?: number;
  readonly dash?: string;
  /** Its name stands at its end, or these words do. */
  readonly named?: boolean;
  readonly endsIn?: string;
}

export interface Limit {
  readonly on: 'x' | 'y';
  readonly at: number;
  /** Stands beside the line; absent: a line without a name. */
  readonly name?: string;
  readonly stroke: string;
  readonly dash?: string;
}

/** One picture over the common horizontal axis. */
export interface Pane {
  readonly heightPx: number;
  readonly dimension: Dimension;
  readonly curves: readonly Curve[];
  readonly limits?: readonly Limit[];
  /** Values that the axis has to hold besides the curves'. */
  readonly reaches?: readonly number[];
  readonly dots?: readonly { readonly x: number; readonly y: number }[];
  /** At most so many ticks. */
  readonly most?: number;
  readonly digits?: number;
}

/** Part of the horizontal axis. */
export type Span = readonly [number, number];

/** From the first to the last row, or as the axis says. */
export function wholeSpan(rows: readonly ChartRow[], { key, from, to }: Along): Span {
  const [low, high] = extent(rows.map((row) => row[key]));
  return [from ?? low, to ?? high];
}

/** Rows of a part, with one more at either side so that curves run out of the picture. */
export function rowsWithin(rows: readonly ChartRow[], key: string, [from, to]: Span): readonly ChartRow[] {
  const inside = (row: ChartRow) => (row[key] ?? Number.NaN) >= from && (row[key] ?? Number.NaN) <= to;
  return rows.filter(
    (row, k) => inside(row) || (k > 0 && inside(rows[k - 1]!)) || (rows[k + 1] && inside(rows[k + 1]!)),
  );
}

/** What a drag over the axis chose: the lesser first; null when it is too short to mean anything. */
export function chosenSpan(from: number, to: number, [low, high]: Span): Span | null {
  const span: Span = [Math.max(low, Math.min(from, to)), Math.min(high, Math.max(from, to))];
  return span[1] - span[0] > (high - low) / 200 ? span : null;
}

interface Column {
  readonly key: string;
  readonly name: string;
  readonly dimension: Dimension;
}
export const columnsOf = (along: Along, panes: readonly Pane[]): readonly Column[] => [
  along,
  ...panes.flatMap(({ dimension, curves }) => curves.map(({ key, name }) => ({ key, name, dimension }))),
];

/** Rows spread evenly over a part, at most so many, first and last among them. */
export function spread<T>(rows: readonly T[], most: number): readonly T[] {
  if (rows.length <= most) return rows;
  return Array.from({ length: most }, (_, k) => rows[Math.round((k * (rows.length - 1)) / (most - 1))]!);
}

/** All values for a spreadsheet, the unit in the head, numbers bare. */
export function sheetOf(
  rows: readonly ChartRow[],
  along: Along,
  panes: readonly Pane[],
  system: UnitSystem,
): readonly (readonly (string | number | null)[])[] {
  const columns = columnsOf(along, panes).map((column) => {
    const [low, high] = extent(rows.map((row) => row[column.key]));
    return { ...column, unit: preferredUnit(Math.max(Math.abs(low), Math.abs(high)), column.dimension, system) };
  });
  return [
    columns.map(({ name, unit }) => (unit.symbol ? `${name}, ${unit.symbol}` : name)),
    ...rows.map((row) =>
      columns.map(({ key, unit }) => {
        const value = row[key];
        return value == null || !Number.isFinite(value)
          ? null
          : Number(((value - (unit.offset ?? 0)) / unit.factor).toPrecision(9));
      }),
    ),
  ];
}

/** A value as a cell and the crosshair say it. */
export const valueText = (
  value: number | null | undefined,
  dimension: Dimension,
  system: UnitSystem,
  digits = 4,
): string =>
  value == null || !Number.isFinite(value) ? '–' : formatQuantity({ value, dimension }, system, digits).text;
