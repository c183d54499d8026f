import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { BmsResults } from '@/core/stations/bms';
import { PaperTable } from '@/ui/paper-table';

/** Where a sense wire, counted from 1, comes out: "2.5" is pin 5 of the second plug. */
export const pinOf = (wire: number, pins: number): string =>
  `${Math.floor((wire - 1) / pins) + 1}.${((wire - 1) % pins) + 1}`;

/** On paper only: every pair of sense wires, where its cell is, and room for what the meter says. */
export function TapCard({
  name,
  bms,
  system,
  pins,
}: {
  name: string;
  bms: BmsResults;
  system: UnitSystem;
  /** Of one plug; null: not told. */
  pins: number | null;
}) {
  if (!bms.window) return null;
  const volts = (value: number) => formatQuantity({ value, dimension: 'voltage' }, system, 3).text;
  return (
    <div data-print="" className="print-only">
      <h2 className="font-tight text-head font-semibold">{name}: taps of the sense plug</h2>
      <p className="text-note">
        Plug open, meter between neighbouring wires, from the row’s minus. Each has to read {volts(bms.window.emptyV)}{' '}
        to {volts(bms.window.fullV)}, plus on the higher wire. Double, negative, nothing: leave the plug open. The row
        has the whole pack’s voltage behind thin wires; gloves, one hand, no ring.
      </p>
      <div className="mt-2 text-note">
        <PaperTable
          heads={['Cell', 'Wires', ...(pins === null ? [] : ['Plug, pin']), 'Where', 'Read, V']}
          classes={{ [pins === null ? 3 : 4]: 'w-1/4' }}
          rows={bms.places.map(({ cell, box, cellInBox }) => ({
            id: String(cell),
            cells: [
              cell,
              `${cell} – ${cell + 1}`,
              ...(pins === null ? [] : [`${pinOf(cell, pins)} – ${pinOf(cell + 1, pins)}`]),
              box === null ? '' : `${box}, ${cellInBox}`,
              '',
            ],
          }))}
        />
      </div>
    </div>
  );
}
