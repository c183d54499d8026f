'use client';
import { type ReactNode, useRef, useState } from 'react';
import { download, offer } from '../action';
import { Fold } from '../fold';
import { Menu } from '../menu';
import { pictureOf, pngOf } from './save-picture';

/** What a chart is besides its curves: files to save, the values as a table, words under it. */
export function ChartFrame({
  name,
  children,
  caption,
  head,
  cells,
  note,
  tools,
  csv,
}: {
  /** Of the chart; its files are called so. */
  name: string;
  children: ReactNode;
  caption?: ReactNode;
  /** Heads of the table, and its rows as words. */
  head: readonly string[];
  cells: readonly (readonly string[])[];
  /** Beside the table's rows: that there are more, which part. */
  note?: string;
  /** Above the table: the part that is shown. */
  tools?: ReactNode;
  /** All values, for a spreadsheet. */
  csv: () => string;
}) {
  const body = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState(false);
  const file = name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  const png = async () => {
    try {
      offer(await pngOf(pictureOf(body.current!, name)), `${file}.png`);
      setFailed(false);
    } catch {
      setFailed(true);
    }
  };
  return (
    <figure aria-label={name} className="mt-2">
      <div ref={body} aria-hidden="true">
        {children}
      </div>
      {caption && <figcaption className="text-note text-soft">{caption}</figcaption>}
      <div className="flex items-start gap-2 print:hidden">
        <Fold className="min-w-0 flex-1 text-note text-soft" head="Values">
          {tools}
          <table aria-label={name} className="mt-1 w-full text-right tabular-nums">
            <thead>
              <tr>
                {head.map((one) => (
                  <th key={one} scope="col" className="px-2 font-normal first:pl-0 last:pr-0">
                    {one}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {cells.map((row) => (
                <tr key={row.join('|')} className="border-t border-rule/70">
                  {row.map((cell, k) => (
                    <td key={head[k]} className="px-2 whitespace-nowrap first:pl-0 last:pr-0">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {note && <p className="mt-1">{note}</p>}
        </Fold>
        <Menu
          label={`Save ${name}`}
          items={[
            { name: 'Values, CSV', onPress: () => download(csv(), `${file}.csv`, 'text/csv') },
            {
              name: 'Drawing, SVG',
              onPress: () => download(pictureOf(body.current!, name).svg, `${file}.svg`, 'image/svg+xml'),
            },
            { name: 'Picture, PNG', onPress: () => void png() },
          ]}
        >
          Save
        </Menu>
      </div>
      {failed && (
        <p role="alert" className="text-note text-fails">
          This browser could not paint the picture. Save the drawing as SVG instead.
        </p>
      )}
    </figure>
  );
}
