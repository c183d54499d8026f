'use client';
import type { Assessment } from '@/core/assess';
import { buildDigest } from '@/core/build/digest';
import { formatQuantity, inUnits } from '@/core/quantities';
import { DEAD_FIRST, SHEET_WORDS, type Sheet } from '@/core/stations/commission';
import { today } from '../shell/days';
import { bandText } from './commission-words';

/** On paper: every test with room for what was read. What is entered stands in it. */
export function PrintSheets({ assessment, sheets }: { assessment: Assessment; sheets: readonly Sheet[] }) {
  const { build } = assessment;
  const system = build.units;
  const cell = 'border border-black px-1 py-1 align-top';
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
          <table className="w-full border-collapse text-left">
            <thead>
              <tr>
                {['', 'Test', 'Probes, switches', 'Reads', 'Read on the car', 'By, day'].map((head) => (
                  <th key={head} scope="col" className={`${cell} font-semibold`}>
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {sheet.lines.map(({ step, read, result }, k) => (
                <tr key={step.id} className="break-inside-avoid">
                  <td className={cell}>{k + 1}</td>
                  <td className={`${cell} font-semibold`}>
                    {step.name}
                    {step.two ? ' (two people)' : ''}
                    {step.caution && <span className="block font-normal">{step.caution}</span>}
                  </td>
                  <td className={cell}>
                    {inUnits(step.where, system)}
                    {step.switches && <span className="block">{inUnits(step.switches, system)}</span>}
                  </td>
                  <td className={cell}>{bandText(step, system) ?? (step.dimension === null ? 'yes' : '')}</td>
                  <td className={`${cell} min-w-24`}>
                    {read !== null && step.dimension !== null
                      ? formatQuantity({ value: read, dimension: step.dimension }, system, 4).text
                      : result?.ok !== undefined
                        ? result.ok
                          ? 'as it should be'
                          : 'not so'
                        : (result?.skipped ?? '')}
                  </td>
                  <td className={`${cell} min-w-20`}>
                    {result?.by}
                    {result && <span className="block whitespace-nowrap">{result.date}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1">Signed, name, date:</p>
        </section>
      ))}
    </div>
  );
}
