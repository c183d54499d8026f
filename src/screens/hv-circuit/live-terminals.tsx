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
  const said = ({ fedV, path, joined, safeAfterS }: LiveTerminals): string => {
    if (fedV !== null) return path.length > 0 ? `through ${path.map(name).join(', ')}` : 'straight from the cells';
    const charge =
      safeAfterS === null
        ? ['nothing that is known bleeds the capacitors there: they may stay charged']
        : safeAfterS > 0
          ? [`the capacitors there fall under ${text(safeV, 'voltage')} in ${text(safeAfterS, 'time')}`]
          : [];
    const pole = joined.length > 0 ? [`${joined.join(' and ')} still joined to the pack`] : [];
    return [...pole, ...charge].join('; ');
  };
  return (
    <ul aria-label="Terminals of consumers">
      {rows.map((row) => {
        const rests = row.fedV === null && row.joined.length === 0 && row.safeAfterS === 0;
        const shape = row.fedV !== null && row.fedV > safeV ? 'fails' : rests ? 'holds' : 'thin';
        const words = said(row);
        return (
          <li key={row.deviceId} data-fed={row.fedV !== null} className="border-b border-rule/70 py-1 text-small">
            <span className="flex items-center gap-2">
              <VerdictMark shape={shape} size={12} />
              <span className="min-w-0 flex-1 truncate">{row.name}</span>
              <b className="whitespace-nowrap font-semibold">
                {row.fedV !== null
                  ? formatQuantity({ value: row.fedV, dimension: 'voltage' }, system, 3).text
                  : row.joined.length > 0
                    ? `${row.joined.length > 1 ? 'both poles' : 'one pole'} live`
                    : 'off the cells'}
              </b>
            </span>
            {words && <span className="block pl-5 text-soft">{words}</span>}
          </li>
        );
      })}
    </ul>
  );
}
