/** What a figure of a part may be. Types, schema, table columns and the editor follow from it. */
export interface NumberField {
  readonly is: 'number';
  /** Not below this; with `open` above it. */
  readonly least: number;
  readonly open: boolean;
  readonly most: number;
  /** Another figure of the same part that it has to exceed. */
  readonly over?: string;
}
export interface ChoiceField<Of extends string = string> {
  readonly is: 'choice';
  readonly of: readonly Of[];
}
export interface FlagField {
  readonly is: 'flag';
}
/** So many numbers in a row. */
export interface RowField<Length extends number = number> {
  readonly is: 'row';
  readonly length: Length;
  readonly each: NumberField;
}
/** A short table: each entry has these figures. */
export interface TableField<
  Columns extends Readonly<Record<string, NumberField>> = Readonly<Record<string, NumberField>>,
> {
  readonly is: 'table';
  readonly columns: Columns;
  readonly least: number;
  readonly most: number;
}
/** Figures that belong together. */
export interface GroupField<Of extends Readonly<Record<string, NumberField>> = Readonly<Record<string, NumberField>>> {
  readonly is: 'group';
  readonly of: Of;
}
type PlainField = NumberField | ChoiceField | FlagField | RowField | TableField | GroupField;
export type Field = PlainField & { readonly absent?: true; readonly unstated?: true };
export type Fields = Readonly<Record<string, Field>>;

export const positive = (most = 1e9): NumberField => ({ is: 'number', least: 0, open: true, most });
export const nonNegative = (most = 1e9): NumberField => ({ is: 'number', least: 0, open: false, most });
export const atLeast = (least: number, most: number): NumberField => ({ is: 'number', least, open: false, most });
export const celsius = (): NumberField => atLeast(-60, 300);
export const over = (other: string, field: NumberField): NumberField => ({ ...field, over: other });
export const choice = <const Of extends string>(...of: readonly Of[]): ChoiceField<Of> => ({ is: 'choice', of });
export const flag = (): FlagField => ({ is: 'flag' });
export const row = <const Length extends number>(length: Length, each: NumberField): RowField<Length> => ({
  is: 'row',
  length,
  each,
});
export const table = <const Columns extends Readonly<Record<string, NumberField>>>(
  columns: Columns,
  least: number,
  most: number,
): TableField<Columns> => ({ is: 'table', columns, least, most });
export const group = <const Of extends Readonly<Record<string, NumberField>>>(of: Of): GroupField<Of> => ({
  is: 'group',
  of,
});
/** May be absent: not stated. */
export const optional = <F extends PlainField>(field: F): F & { readonly absent: true } => ({ ...field, absent: true });
/** Always there, null where the sheet states none. */
export const nullable = <F extends PlainField>(field: F): F & { readonly unstated: true } => ({
  ...field,
  unstated: true,
});

type Row<Length extends number, Made extends readonly number[] = []> = number extends Length
  ? readonly number[]
  : Made['length'] extends Length
    ? Readonly<Made>
    : Row<Length, [...Made, number]>;

type Value<F> = F extends NumberField
  ? number
  : F extends ChoiceField<infer Of>
    ? Of
    : F extends FlagField
      ? boolean
      : F extends RowField<infer Length>
        ? Row<Length>
        : F extends TableField<infer Columns>
          ? readonly { readonly [K in keyof Columns]: number }[]
          : F extends GroupField<infer Of>
            ? { readonly [K in keyof Of]: number }
            : never;
type Told<F> = F extends { readonly unstated: true } ? Value<F> | null : Value<F>;
type Absent<F extends Fields> = { [K in keyof F]: F[K] extends { readonly absent: true } ? K : never }[keyof F];

/** The figures of a part, as these fields say. */
export type Figures<F extends Fields> = { readonly [K in Exclude<keyof F, Absent<F>>]: Told<F[K]> } & {
  readonly [K in Absent<F>]?: Told<F[K]>;
};
