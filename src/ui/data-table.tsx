'use client';
import {
  createSortedRowModel,
  type RowData,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, ClipboardCopy } from 'lucide-react';
import { Fragment, type ReactNode, useMemo, useState } from 'react';
import { copyText } from './copy-text';

/** One column: what stands in its cells, and the value that it is sorted and copied by. */
export interface Column<Row> {
  readonly id: string;
  readonly head: string;
  /** Of the value, as it is copied; the cells say their own. */
  readonly unit?: string;
  readonly cell: (row: Row) => ReactNode;
  /** A number in the unit that the head or the cell names, or text; absent: a column of controls. Null stands last. */
  readonly value?: (row: Row) => string | number | null;
  /** Figures stand at the right. */
  readonly figure?: boolean;
  /** The first to go where the screen is narrow. */
  readonly spare?: boolean;
  readonly className?: string;
}

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});

const classesOf = <Row,>({ figure, spare, className = '' }: Column<Row>): string =>
  `px-2 first:pl-0 last:pr-0 ${figure ? 'text-right tabular-nums whitespace-nowrap' : 'text-left'} ${spare ? 'max-[700px]:hidden' : ''} ${className}`;

/** A figure that grows without end is written as that: neither as a number, nor in words that could be read as good. */
const written = (value: string | number | null): string | number | null =>
  value === Number.POSITIVE_INFINITY ? '∞' : value;

/**
 * Rows of the same kind: sorted by pressing a head (again: the other way round, once more: as they came), copied as CSV, each opened in
 * its place where there is more to it. A row’s first cell is its head.
 */
export function DataTable<Row extends RowData>({
  label,
  columns,
  rows,
  idOf,
  openId = null,
  detail,
  attributes,
  foot,
  wide = false,
  write,
}: {
  label: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  idOf: (row: Row) => string;
  /** The row that is open; its detail stands under it. */
  openId?: string | null;
  detail?: (row: Row) => ReactNode;
  /** What tests and links find a row by. */
  attributes?: (row: Row) => Readonly<Record<`data-${string}`, string>>;
  /** Rows of sums. */
  foot?: ReactNode;
  /** Needs its width: it scrolls inside where there is less. */
  wide?: boolean;
  /** Rows as text for the clipboard, heads first. */
  write: (rows: readonly (readonly (string | number | null)[])[]) => string;
}) {
  const [copied, setCopied] = useState(false);
  const defs = useMemo(
    () =>
      columns.map(({ id, head, value }) => ({
        id,
        header: head,
        accessorFn: (row: Row) => value?.(row) ?? undefined,
        enableSorting: value !== undefined && head !== '',
        sortUndefined: 'last' as const,
        sortFn: rows.some((row) => typeof value?.(row) === 'number') ? ('basic' as const) : ('alphanumeric' as const),
      })),
    [columns, rows],
  );
  const table = useTable({ features, columns: defs, data: rows, getRowId: idOf });
  const columnOf = new Map(columns.map((column) => [column.id, column]));
  const copy = async () => {
    const told = columns.filter((column) => column.value);
    const lines = table
      .getRowModel()
      .rows.map(({ original }) => told.map((column) => written(column.value!(original))));
    const heads = told.map(({ head, unit }) => (unit ? `${head}, ${unit}` : head));
    if (!(await copyText(write([heads, ...lines])))) return;
    setCopied(true);
    setTimeout(() => setCopied(false), 2000);
  };
  return (
    <div className="min-w-0">
      <div className="overflow-x-auto">
        <table aria-label={label} className={`w-full text-small ${wide ? 'min-w-[640px]' : ''}`}>
          <thead className="sticky top-0 bg-panel text-note text-soft">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const column = columnOf.get(header.id)!;
                  const sorted = header.column.getIsSorted();
                  return (
                    <th
                      key={header.id}
                      scope="col"
                      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
                      className={`font-normal ${classesOf(column)}`}
                    >
                      {header.column.getCanSort() ? (
                        <button
                          type="button"
                          onClick={header.column.getToggleSortingHandler()}
                          className="inline-flex min-h-8 items-center gap-1 underline-offset-4 hover:underline"
                        >
                          {column.head}
                          {sorted === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
                          {sorted === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
                        </button>
                      ) : (
                        <span className={column.head === '' ? 'sr-only' : ''}>{column.head || 'Actions'}</span>
                      )}
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map(({ id, original }) => (
              <Fragment key={id}>
                <tr className={`border-t border-rule/70 ${openId === id ? 'bg-well' : ''}`} {...attributes?.(original)}>
                  {columns.map((column, k) => {
                    const classes = `py-1 ${classesOf(column)}`;
                    return k === 0 ? (
                      <th key={column.id} scope="row" className={`font-normal ${classes}`}>
                        {column.cell(original)}
                      </th>
                    ) : (
                      <td key={column.id} className={classes}>
                        {column.cell(original)}
                      </td>
                    );
                  })}
                </tr>
                {openId === id && detail && (
                  <tr className="bg-well">
                    <td colSpan={columns.length} className="px-3 pb-3">
                      {detail(original)}
                    </td>
                  </tr>
                )}
              </Fragment>
            ))}
          </tbody>
          {foot && <tfoot>{foot}</tfoot>}
        </table>
      </div>
      {rows.length > 1 && (
        <p className="mt-1 flex justify-end print:hidden">
          <button
            type="button"
            onClick={copy}
            className="inline-flex min-h-8 items-center gap-1.5 px-1 text-note text-soft underline-offset-4 hover:underline"
          >
            <ClipboardCopy size={13} aria-hidden="true" />
            <span aria-live="polite">{copied ? 'Copied' : 'Copy as CSV'}</span>
          </button>
        </p>
      )}
    </div>
  );
}

/** The head of a row that opens: its mark and its name. */
export function RowOpener({
  open,
  onOpen,
  mark,
  children,
}: {
  open: boolean;
  onOpen: () => void;
  mark?: ReactNode;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-expanded={open}
      onClick={onOpen}
      className="flex min-h-8 items-center gap-2 text-left font-semibold underline-offset-4 hover:underline"
    >
      {mark}
      <span className="min-w-0">{children}</span>
    </button>
  );
}
