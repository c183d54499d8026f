'use client';
import type { Assessment } from '@/core/assess';
import { buildDigest } from '@/core/build/digest';
import { formatQuantity, inUnits, type UnitSystem } from '@/core/quantities';
import { DEAD_FIRST, SHEET_WORDS, type Sheet } from '@/core/stations/commission';
import { type PaperRow, PaperTable } from '@/ui/paper-table';
import { today } from '../shell/days';
import { bandText } from './commission-words';

function testRow({ step, read, result }: Sheet['lines'][number], number: number, system: UnitSystem): PaperRow {
  return {
    id: step.id,
    cells: [
      number,
      <>
        {step.name}
        {step.two ? ' (two people)' : ''}
        {step.caution && <span className="block font-normal">{step.caution}</span>}
      </>,
      <>
        {inUnits(step.where, system)}
        {step.switches && <span className="block">{inUnits(step.switches, system)}</span>}
      </>,
      bandText(step, system) ?? (step.dimension === null ? 'yes' : ''),
      read !== null && step.dimension !== null
        ? formatQuantity({ value: read, dimension: step.dimension }, system, 4).text
        : result?.ok !== undefined
          ? result.ok
            ? 'as it should be'
            : 'not so'
          : (result?.skipped ?? ''),
      result && (
        <>
          {result.by}
          <span className="block whitespace-nowrap">{result.date}</span>
        </>
      ),
    ],
  };
}

/** On paper: every test with room for what was read. What is entered stands in it. */
export function PrintSheets({ assessment, sheets }: { assessment: Assessment; sheets: readonly Sheet[] }) {
  const { build } = assessment;
  const system = build.units;
  return (
    <div data-print className="p-2 text-[11px] leading-tight">
      <p>
        <b>{build.name}</b>, {today()}, {buildDigest(build)}. Computed, not proved. Local code and licensed practice
        decide.
      </p>
      <p className="mb-2">
        At every opening of traction voltage: {DEAD_FIRST} Cells never switch off: cover what stays live.
      </p>
      {sheets.map((sheet) => (
        <section key={sheet.id} className="mb-4">
          <h2 className="font-tight text-lead font-semibold">{SHEET_WORDS[sheet.id][0]}</h2>
          <PaperTable
            boxed="to write"
            headAt={1}
            heads={['', 'Test', 'Probes, switches', 'Reads', 'Read on the car', 'By, day']}
            classes={{ 4: 'min-w-24', 5: 'min-w-20' }}
            rows={sheet.lines.map((line, k) => testRow(line, k + 1, system))}
          />
          <p className="mt-1">Signed, name, date:</p>
        </section>
      ))}
    </div>
  );
}
