'use client';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { ChargeElsewhere } from '@/core/simulate';
import { Panel } from '@/ui/panel';
import { type Column, DataTable } from '../shell/data-table';

/** The same charge at other supplies. */
export function ElsewherePanel({ rows, system }: { rows: readonly ChargeElsewhere[]; system: UnitSystem }) {
  const text = (value: number | null, dimension: 'time' | 'power' | 'energy') =>
    value === null ? <span className="text-soft">never</span> : formatQuantity({ value, dimension }, system, 3).text;
  const columns: readonly Column<ChargeElsewhere>[] = [
    { id: 'supply', head: 'Supply', value: ({ name }) => name, cell: ({ name }) => name },
    {
      id: 'drawn',
      head: 'Drawn',
      unit: 'kW',
      figure: true,
      value: ({ acW }) => acW / 1000,
      cell: ({ acW }) => text(acW, 'power'),
    },
    {
      id: 'to80',
      head: 'To 80 %',
      unit: 'h',
      figure: true,
      value: ({ to80S }) => (to80S === null ? null : to80S / 3600),
      cell: ({ to80S }) => text(to80S, 'time'),
    },
    {
      id: 'end',
      head: 'To its end',
      unit: 'h',
      figure: true,
      value: ({ endS }) => (endS === null ? null : endS / 3600),
      cell: ({ endS }) => text(endS, 'time'),
    },
    {
      id: 'wall',
      head: 'From the wall',
      unit: 'kWh',
      figure: true,
      spare: true,
      value: ({ acJ }) => (acJ === null ? null : acJ / 3.6e6),
      cell: ({ acJ }) => text(acJ, 'energy'),
    },
    {
      id: 'binds',
      head: 'Held by',
      spare: true,
      className: 'text-soft',
      value: ({ binds }) => binds,
      cell: ({ binds }) => binds,
    },
  ];
  return (
    <Panel title="The same charge elsewhere" about="with this charger, from where it usually begins">
      <DataTable label="Supplies" rows={rows} columns={columns} idOf={({ name }) => name} />
    </Panel>
  );
}
