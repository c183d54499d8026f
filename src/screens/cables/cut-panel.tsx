'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { findDevice } from '@/core/build';
import { buildFileName, CAUTION, cutListCsv } from '@/core/formats';
import { formatArea, formatQuantity, parseQuantity, type UnitSystem } from '@/core/quantities';
import { ALLOWANCE_M, cutList, type Piece } from '@/core/stations/cables';
import { resolve } from '@/core/vehicle';
import { Action, decimalMark, download } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { type Column, DataTable } from '../shell/data-table';

/** Reels as they are sold, in metres or in feet. */
const REELS = { metric: '5; 10; 25; 50', us: '10; 25; 50; 100; 250' } as const;
const UNIT = { metric: 'm', us: 'ft' } as const;

/** "5; 10; 25" as metres, each in the unit of the system or with its own; null when one of them is none. */
export function reelsOf(text: string, system: UnitSystem): number[] | null {
  const found = text
    .split(/[;\n]+/)
    .filter((word) => word.trim() !== '')
    .map((word) => parseQuantity(word, 'length', UNIT[system]));
  const metres = found.flatMap((one) => (one.ok ? [one.value] : []));
  return metres.length > 0 &&
    metres.length === found.length &&
    metres.length <= 20 &&
    metres.every((m) => m > 0 && m <= 1000)
    ? metres
    : null;
}

/** A piece with the reel, counted from 1, that it comes from. */
type Cut = Piece & { readonly reel: number; readonly ofM: number };

/** Every piece in the order of cutting, from as few metres of reel as can be. */
export default function CutPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle } = assessment;
  const system = build.units;
  const [typed, setReels] = useState<string | null>(null);
  const reels = typed ?? REELS[system];
  const list = useMemo(() => {
    const low = resolve(build, 'lv', vehicle.memory);
    return cutList(
      [vehicle.conductors, low.conductors],
      (id) => findDevice(build, id)?.name ?? id,
      reelsOf(reels, system) ?? [],
    );
  }, [build, vehicle, reels, system]);
  const mm = (value: number) =>
    formatQuantity({ value: value / 1000, dimension: 'length' }, system, 3, system === 'us' ? 'in' : 'mm').text;
  const metres = (value: number) => formatQuantity({ value, dimension: 'length' }, system, 4, UNIT[system]).text;
  const columns: readonly Column<Cut>[] = [
    {
      id: 'name',
      head: 'Label',
      value: ({ name }) => name,
      cell: ({ name }) => name,
    },
    {
      id: 'length',
      head: 'Length',
      unit: 'm',
      figure: true,
      value: ({ lengthM }) => lengthM,
      cell: ({ lengthM }) => <span className="font-semibold">{metres(lengthM)}</span>,
    },
    {
      id: 'reel',
      head: 'From',
      value: ({ reel }) => reel,
      cell: ({ reel, ofM }) => (
        <span className="whitespace-nowrap text-soft">
          {reel}, reel of {metres(ofM)}
        </span>
      ),
    },
    {
      id: 'ends',
      head: 'Ends',
      spare: true,
      value: ({ fromName, toName }) => `${fromName} – ${toName}`,
      cell: ({ fromName, toName }) => (
        <span className="text-soft">
          {fromName} – {toName}
        </span>
      ),
    },
    { id: 'clamps', head: 'Clamps', figure: true, value: ({ clamps }) => clamps, cell: ({ clamps }) => clamps },
  ];
  return (
    <Panel
      title="Cut list"
      about={`longest first; each piece ${mm(1000 * ALLOWANCE_M)} longer than its route, for stripping and a mistake`}
      className="print:border-0"
    >
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        <div className="min-w-[260px] flex-1">
          <TextField
            label={`Reel lengths in stock, ${UNIT[system]}`}
            value={reels}
            refuse={(text) =>
              reelsOf(text, system)
                ? null
                : `Write lengths above 0 and up to ${system === 'us' ? '3280 ft' : '1000 m'} with semicolons: ${REELS[system]}.`
            }
            onCommit={setReels}
          />
        </div>
        <Action
          onPress={() =>
            download(cutListCsv(list, decimalMark()), buildFileName(build.name, '-cut-list.csv'), 'text/csv')
          }
        >
          Save as CSV
        </Action>
        <Action onPress={() => window.print()}>Print it</Action>
      </div>
      {list.open.length > 0 && (
        <p className="mt-2 text-thin">Not in the list, without size or length: {list.open.join(', ')}.</p>
      )}
      {list.tooLong.length > 0 && (
        <p className="mt-2 text-fails">
          Longer than every reel: {list.tooLong.map(({ name, lengthM }) => `${name} (${metres(lengthM)})`).join(', ')}.
        </p>
      )}
      {list.groups.map((group) => (
        <section
          key={`${group.part.id} ${group.orange}`}
          className="mt-3 break-inside-avoid"
          data-cut-group={group.part.id}
        >
          <h3 className="flex flex-wrap items-baseline gap-x-3 font-semibold">
            {group.orange && (
              <span className="inline-block h-2.5 w-6 self-center rounded-[2px] bg-hv" aria-hidden="true" />
            )}
            {formatArea(group.part.areaMm2, system)}
            {group.orange ? ', orange' : ''}
            <span className="font-normal text-soft">
              {group.part.name}, {metres(group.neededM)} of{' '}
              {metres(group.reels.reduce((sum, reel) => sum + reel.lengthM, 0))}, {metres(group.wasteM)} left over
            </span>
          </h3>
          <p className="text-note text-soft">
            Lugs {group.termination.stud}, barrel {mm(group.termination.barrelMm)},{' '}
            {group.termination.gland ? `gland ${group.termination.gland}` : 'too thick for a metric gland up to M40'},
            grommet hole {mm(group.termination.grommetMm)}, {mm(group.termination.lugHoleMm)} with its lug on,
            heat-shrink {mm(group.termination.shrinkMm)} 3:1
          </p>
          <DataTable<Cut>
            label={`Pieces of ${formatArea(group.part.areaMm2, system)}${group.orange ? ', orange' : ''}`}
            columns={columns}
            rows={group.reels.flatMap((reel, k) =>
              reel.pieces.map((piece) => ({ ...piece, reel: k + 1, ofM: reel.lengthM })),
            )}
            idOf={({ reel, conductorId, name }) => `${reel} ${conductorId} ${name}`}
          />
        </section>
      ))}
      <p className="mt-3 hidden text-note text-soft print:block">{CAUTION}</p>
    </Panel>
  );
}
