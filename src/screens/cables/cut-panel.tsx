'use client';
import { useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import { findDevice } from '@/core/build';
import { buildFileName, CAUTION, cutListCsv } from '@/core/formats';
import { formatArea, formatQuantity } from '@/core/quantities';
import { cutList } from '@/core/stations/cables';
import { resolve } from '@/core/vehicle';
import { Action, decimalMark, download } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';

const REELS = '5; 10; 25; 50';

/** "5; 10; 25" as metres; null when one of them is none. */
export function reelsOf(text: string): number[] | null {
  const found = text
    .split(/[;\s]+/)
    .filter((word) => word !== '')
    .map((word) => Number(word.replace(',', '.')));
  return found.length > 0 && found.length <= 20 && found.every((m) => Number.isFinite(m) && m > 0 && m <= 1000)
    ? found
    : null;
}

/** Every piece in the order of cutting, from as few metres of reel as can be. */
export default function CutPanel({ assessment }: { assessment: Assessment }) {
  const { build, vehicle } = assessment;
  const [reels, setReels] = useState(REELS);
  const list = useMemo(() => {
    const low = resolve(build, 'lv', vehicle.memory);
    return cutList(
      [vehicle.conductors, low.conductors],
      (id) => findDevice(build, id)?.name ?? id,
      reelsOf(reels) ?? [],
    );
  }, [build, vehicle, reels]);
  const system = build.units;
  const metres = (value: number) =>
    formatQuantity({ value, dimension: 'length' }, system, 4, system === 'metric' ? 'm' : 'ft').text;
  return (
    <Panel
      title="Cut list"
      about="longest first; each piece 60 mm longer than its way, for stripping and a mistake"
      className="print:border-0"
    >
      <div className="flex flex-wrap items-end gap-4 print:hidden">
        <div className="min-w-[260px] flex-1">
          <TextField
            label="Reel lengths to be had, m"
            value={reels}
            refuse={(text) =>
              reelsOf(text) ? null : 'Write metres above 0 and up to 1000 with semicolons: 5; 10; 25.'
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
              {group.part.name} · {metres(group.neededM)} of{' '}
              {metres(group.reels.reduce((sum, reel) => sum + reel.lengthM, 0))} · {metres(group.wasteM)} left over
            </span>
          </h3>
          <p className="text-[13px] text-soft">
            Lugs {group.termination.stud}, barrel {group.termination.barrelMm} mm ·{' '}
            {group.termination.gland ? `gland ${group.termination.gland}` : 'too thick for a metric gland up to M40'} ·
            grommet hole {group.termination.grommetMm} mm, {group.termination.lugHoleMm} mm with its lug on ·
            heat-shrink {group.termination.shrinkMm} mm 3:1
          </p>
          <table className="mt-1 w-full text-left text-[14px]">
            <thead className="sr-only">
              <tr>
                <th>Reel</th>
                <th>Length</th>
                <th>Label</th>
                <th>Ends</th>
                <th>Clamps</th>
              </tr>
            </thead>
            <tbody>
              {group.reels.flatMap((reel, k) =>
                reel.pieces.map((piece, n) => (
                  <tr key={`${k} ${piece.conductorId} ${piece.name}`} className="border-t border-rule/70">
                    <td className="w-28 py-0.5 whitespace-nowrap text-soft">
                      {n === 0 ? `reel of ${metres(reel.lengthM)}` : ''}
                    </td>
                    <td className="w-20 text-right font-semibold whitespace-nowrap">{metres(piece.lengthM)}</td>
                    <td className="pl-4">{piece.name}</td>
                    <td className="pl-4 text-soft max-[900px]:hidden">
                      {piece.fromName} – {piece.toName}
                    </td>
                    <td className="pl-4 text-right whitespace-nowrap text-soft">
                      {piece.clamps} {piece.clamps === 1 ? 'clamp' : 'clamps'}
                    </td>
                  </tr>
                )),
              )}
            </tbody>
          </table>
        </section>
      ))}
      <p className="mt-3 hidden text-[12px] text-soft print:block">{CAUTION}</p>
    </Panel>
  );
}
