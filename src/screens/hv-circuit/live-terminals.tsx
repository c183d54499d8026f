import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { VerdictMark } from '@/ui/verdict-mark';
import type { LiveTerminals } from './derive-terminals';

/** Every consumer's terminals with these switches open: what they carry, by which way, or when they are safe. */
export function LiveTerminalList({
  rows,
  safeV,
  name,
  system,
}: {
  rows: readonly LiveTerminals[];
  safeV: number;
  name: (id: string) => string;
  system: UnitSystem;
}) {
  const text = (value: number, dimension: 'voltage' | 'time') => formatQuantity({ value, dimension }, system, 2).text;
  const said = ({ fedV, path, safeAfterS }: LiveTerminals): string | null => {
    if (fedV !== null) return path.length > 0 ? `through ${path.map(name).join(', ')}` : 'straight from the cells';
    if (safeAfterS === null) return 'nothing that is known bleeds its capacitors: it may stay charged';
    return safeAfterS > 0 ? `its capacitors fall under ${text(safeV, 'voltage')} in ${text(safeAfterS, 'time')}` : null;
  };
  return (
    <ul aria-label="Terminals of consumers">
      {rows.map((row) => {
        const shape =
          row.fedV !== null && row.fedV > safeV
            ? 'fails'
            : row.fedV !== null || row.safeAfterS === null
              ? 'thin'
              : 'holds';
        const words = said(row);
        return (
          <li key={row.deviceId} data-fed={row.fedV !== null} className="border-b border-rule/70 py-1 text-[14px]">
            <span className="flex items-center gap-2">
              <VerdictMark shape={shape} size={12} />
              <span className="min-w-0 flex-1 truncate">{row.name}</span>
              <b className="whitespace-nowrap font-semibold">
                {row.fedV === null
                  ? 'off the cells'
                  : formatQuantity({ value: row.fedV, dimension: 'voltage' }, system, 3).text}
              </b>
            </span>
            {words && <span className="block pl-5 text-soft">{words}</span>}
          </li>
        );
      })}
    </ul>
  );
}
