'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { type Check, marginText, say } from '@/core/checks';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import type { CableRow } from '@/core/stations/cables';
import { copperMm2, sizeText } from '@/core/vehicle';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { ConductorFields } from '../shell/conductor-fields';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { shapeOf } from '../shell/shape';
import { ConductorSheet } from './conductor-sheet';

/** A row with what is judged of it. */
interface Judged extends CableRow {
  readonly heat: Check | undefined;
  /** Another check of this conductor that fails. */
  readonly other: Check | undefined;
}

const markOf = ({ heat }: Judged) => (heat ? shapeOf(heat.verdict) : 'hollow');

/** All conductors of the traction circuit: size, length, place, heat and drop; each opens to its fields and its sheet. */
export function ConductorTable({
  assessment,
  openCheck,
}: {
  assessment: Assessment;
  openCheck: (key: string) => void;
}) {
  const [opened, setOpened] = useState<string | null>(null);
  const { checks, build, results } = assessment;
  const rows = results.cables.rows.map((row): Judged => {
    const own = checks.filter(({ subject }) => subject.id === row.id);
    return {
      ...row,
      heat: own.find(({ id }) => HEAT.has(id)),
      other: own.find(({ id, verdict }) => verdict === 'fails' && !HEAT.has(id)),
    };
  });
  return (
    <DataTable
      label="Conductors"
      rows={rows}
      columns={columnsOf(build.units, opened, setOpened)}
      idOf={({ id }) => id}
      openId={opened}
      attributes={({ id }) => ({ 'data-cable': id })}
      detail={(row) => (
        <>
          <ConductorFields conductor={row.resolved} row={row} build={build} />
          <ConductorSheet assessment={assessment} row={row} openCheck={openCheck} />
        </>
      )}
    />
  );
}

/** Whether it gets too hot: of a cable, and of a bar. */
const HEAT: ReadonlySet<string> = new Set(['cable.temperature', 'cable.bar']);

const none = (words: string) => <span className="text-soft">{words}</span>;
const LENGTH_UNITS = { metric: 'm', us: 'ft' } as const;

function columnsOf(
  system: UnitSystem,
  opened: string | null,
  onOpen: (id: string | null) => void,
): readonly Column<Judged>[] {
  return [
    {
      id: 'conductor',
      head: 'Conductor',
      value: ({ resolved }) => resolved.conductor.name,
      cell: ({ id, resolved, other }) => (
        <>
          <RowOpener open={opened === id} onOpen={() => onOpen(opened === id ? null : id)}>
            {resolved.conductor.name}
          </RowOpener>
          {other && (
            <span className="flex items-center gap-1.5 text-note text-fails">
              <VerdictMark shape="fails" size={11} />
              {say(other, system).title}
            </span>
          )}
        </>
      ),
    },
    {
      id: 'size',
      head: 'Size',
      unit: 'mm²',
      className: 'whitespace-nowrap',
      value: ({ resolved }) => copperMm2(resolved),
      cell: ({ resolved }) => sizeText(resolved, system) ?? none('no size'),
    },
    {
      id: 'length',
      head: 'Length',
      unit: 'm',
      figure: true,
      value: ({ resolved }) => resolved.lengthM,
      cell: ({ resolved: { lengthM } }) =>
        lengthM === null
          ? none('no length')
          : formatQuantity({ value: lengthM, dimension: 'length' }, system, 3, LENGTH_UNITS[system]).text,
    },
    {
      id: 'place',
      head: 'Place',
      spare: true,
      className: 'text-soft',
      value: ({ resolved }) => resolved.zone?.name ?? null,
      cell: ({ resolved: { zone, laid } }) => `${zone?.name ?? 'no place'}${laid?.conduit ? ', conduit' : ''}`,
    },
    {
      id: 'hottest',
      head: 'Hottest conductor',
      unit: '°C',
      value: ({ runsAway, temperatureC }) => (runsAway ? Number.POSITIVE_INFINITY : temperatureC),
      cell: (row) => (
        <Heat
          row={row}
          colour={MARK_COLOUR[markOf(row)]}
          text={
            row.runsAway
              ? 'no steady'
              : row.temperatureC === null
                ? row.resolved.conductor.kind === 'cable'
                  ? 'not known'
                  : '–'
                : formatQuantity({ value: Math.round(row.temperatureC), dimension: 'temperature' }, system).text
          }
        />
      ),
    },
    {
      id: 'margin',
      head: 'Margin',
      figure: true,
      className: 'font-semibold',
      value: ({ heat }) => heat?.margin ?? null,
      cell: (row) => (
        <span className={`inline-flex items-center gap-1.5 ${MARK_COLOUR[markOf(row)]}`}>
          <VerdictMark shape={markOf(row)} size={11} />
          {row.heat ? marginText(row.heat) : ''}
        </span>
      ),
    },
    {
      id: 'drop',
      head: 'Drop',
      unit: 'V',
      figure: true,
      spare: true,
      value: ({ dropV }) => dropV,
      cell: ({ dropV }) =>
        dropV === null
          ? none('not known')
          : formatQuantity({ value: dropV, dimension: 'voltage' }, system, 3, 'mV').text,
    },
  ];
}

/** From the ambient (left end) to the cable's class (tick): how much of the allowed rise is used. */
function Heat({ row, colour, text }: { row: CableRow; colour: string; text: string }) {
  const ambient = row.resolved.zone?.ambientC;
  const limit = row.resolved.cable?.temperatureClassC;
  const used = row.runsAway
    ? 1.15
    : row.temperatureC === null || ambient === undefined || limit === undefined
      ? 0
      : (row.temperatureC - ambient) / Math.max(1, limit - ambient);
  return (
    <span className="flex items-center gap-3">
      <svg
        viewBox="0 0 140 12"
        width="140"
        height="12"
        aria-hidden="true"
        className={`shrink-0 max-[1100px]:hidden ${colour}`}
      >
        <rect y="3.5" width="140" height="5" fill="var(--rule)" />
        <rect y="3.5" width={Math.max(0, Math.min(1.16, used)) * 120} height="5" fill="currentColor" />
        <path d="M120 0V12" stroke="var(--ink)" strokeWidth="2" />
      </svg>
      <span className="whitespace-nowrap">{text}</span>
    </span>
  );
}
