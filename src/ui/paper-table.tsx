import type { ReactNode } from 'react';

export interface PaperRow {
  readonly id: string;
  readonly cells: readonly ReactNode[];
}

/**
 * Rows on paper: nothing to press, and no row is torn by the edge of a page. `boxed`: lines around each cell, with room for what is
 * written in by hand, or just for ticks.
 * `headAt` is the cell that names a row.
 */
export function PaperTable({
  heads,
  rows,
  headAt = 0,
  boxed,
  classes = {},
}: {
  heads: readonly string[];
  rows: readonly PaperRow[];
  headAt?: number;
  boxed?: 'to write' | 'to tick';
  /** By the place of the column. */
  classes?: Readonly<Record<number, string>>;
}) {
  const cell = boxed ? `border border-black px-1 ${boxed === 'to write' ? 'py-1' : 'py-0.5'}` : 'py-0.5 pr-3';
  return (
    <table className="mb-2 w-full border-collapse text-left tabular-nums">
      <thead>
        <tr>
          {heads.map((head, k) => (
            <th key={head} scope="col" className={`${cell} font-semibold ${classes[k] ?? ''}`}>
              {head || <span className="sr-only">No.</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, cells }) => (
          <tr key={id} className={`break-inside-avoid ${boxed ? '' : 'border-b border-rule'}`}>
            {cells.map((one, k) => {
              const Cell = k === headAt ? 'th' : 'td';
              return (
                <Cell
                  key={heads[k]}
                  scope={k === headAt ? 'row' : undefined}
                  className={`${cell} align-top ${k === headAt ? 'font-semibold' : ''} ${classes[k] ?? ''}`}
                >
                  {one}
                </Cell>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
