'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { type Check, marginText, say } from '@/core/checks';
import { formatArea, formatQuantity } from '@/core/quantities';
import type { CableRow } from '@/core/stations/cables';
import { Panel } from '@/ui/panel';
import { Tabs } from '@/ui/tabs';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { ConductorFields } from '../shell/conductor-fields';
import { shapeOf } from '../shell/shape';
import { SheetHead, useSheet } from '../shell/shell';
import { ConductorSheet } from './conductor-sheet';
import { PlacesPanel } from './places-panel';
import { type Picked, PlanDrawing } from './plan-drawing';
import { PlanPanel } from './plan-panel';

const SizePanel = dynamic(() => import('./size-panel'), { ssr: false });
const CutPanel = dynamic(() => import('./cut-panel'), { ssr: false });

const TABS = [
  ['top', 'Plan'],
  ['side', 'Side'],
  ['size', 'Size it for me'],
  ['cut', 'Cut list'],
] as const;

export function CablesScreen() {
  return <CablesSheet {...useSheet()} />;
}

function CablesSheet({ assessment, openCheck }: { assessment: Assessment; openCheck: (key: string) => void }) {
  const {
    build,
    results: {
      cables: { rows: cables, massKg, lossW, rangeLostM },
    },
  } = assessment;
  const [look, setLook] = useState<(typeof TABS)[number][0]>('top');
  const [picked, setPicked] = useState<Picked>(null);
  const [opened, setOpened] = useState<string | null>(null);
  if (cables.length === 0) {
    return (
      <>
        <SheetHead station="cables" />
        <Panel title="No conductors yet">
          <p className="text-soft">
            This station says how hot each conductor gets in its place and what it drops. It needs a circuit: begin in
            Pack, or open the sample Firn 9 from All builds.
          </p>
        </Panel>
      </>
    );
  }
  const heat = (id: string) =>
    assessment.checks.find((check) => check.subject.id === id && check.id === 'cable.temperature');
  const failing = (id: string) =>
    assessment.checks.find(
      (check) => check.subject.id === id && check.verdict === 'fails' && check.id !== 'cable.temperature',
    );
  const range =
    rangeLostM === null
      ? ''
      : `, ${formatQuantity({ value: rangeLostM, dimension: 'distance' }, build.units, 2).text} of range`;
  return (
    <>
      <SheetHead station="cables">
        <span className="text-soft">
          {cables.length} conductors · {formatQuantity({ value: massKg, dimension: 'mass' }, build.units).text} ·{' '}
          {formatQuantity({ value: lossW, dimension: 'power' }, build.units).text} lost in cruise{range}
        </span>
      </SheetHead>
      <Tabs label="Cables" tabs={TABS} chosen={look} onChoose={setLook} />
      {(look === 'top' || look === 'side') && (
        <>
          <Panel className="px-2! py-1!">
            <PlanDrawing assessment={assessment} view={look} picked={picked} onPick={setPicked} />
          </Panel>
          <div className="mt-3">
            <PlanPanel assessment={assessment} picked={picked} onPick={setPicked} />
          </div>
        </>
      )}
      {look === 'size' && <SizePanel assessment={assessment} />}
      {look === 'cut' && <CutPanel assessment={assessment} />}
      {(look === 'top' || look === 'side') && (
        <Panel className="mt-3 overflow-x-auto px-0! py-1!">
          <table className="w-full border-collapse text-left">
            <thead className="font-tight text-[15px] text-soft">
              <tr>
                {['Conductor', 'Size', 'Length', 'Place', 'Hottest conductor', 'Margin', 'Drop'].map((head, index) => (
                  <th
                    key={head}
                    scope="col"
                    className={`px-3 py-2 font-medium ${index === 2 || index > 4 ? 'text-right' : ''} ${index === 3 ? 'max-[900px]:hidden' : ''}`}
                  >
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {cables.map((row) => (
                <Row
                  key={row.id}
                  row={row}
                  check={heat(row.id)}
                  other={failing(row.id)}
                  assessment={assessment}
                  openCheck={openCheck}
                  open={opened === row.id}
                  onOpen={() => setOpened(opened === row.id ? null : row.id)}
                />
              ))}
            </tbody>
          </table>
        </Panel>
      )}
      {(look === 'top' || look === 'side') && <PlacesPanel assessment={assessment} />}
    </>
  );
}

function Row({
  row,
  check,
  other,
  assessment,
  openCheck,
  open,
  onOpen,
}: {
  row: CableRow;
  check: Check | undefined;
  /** Another check of this conductor that fails. */
  other: Check | undefined;
  assessment: Assessment;
  openCheck: (key: string) => void;
  open: boolean;
  onOpen: () => void;
}) {
  const system = assessment.build.units;
  const { resolved } = row;
  const shape = check ? shapeOf(check.verdict) : 'hollow';
  const cell = 'px-3 py-1.5';
  return (
    <>
      <tr className={`border-t border-rule ${open ? 'bg-well' : ''}`} data-cable={row.id}>
        <td className={cell}>
          <button
            type="button"
            aria-expanded={open}
            onClick={onOpen}
            className="max-w-[230px] truncate text-left font-semibold underline-offset-4 hover:underline"
            title={resolved.conductor.name}
          >
            {resolved.conductor.name}
          </button>
          {other && (
            <span className="flex items-center gap-1.5 text-[13px] text-fails">
              <VerdictMark shape="fails" size={11} />
              {say(other, system).title}
            </span>
          )}
        </td>
        <td className={`${cell} whitespace-nowrap`}>
          {resolved.cable ? (
            `${resolved.conductor.parallel > 1 ? `${resolved.conductor.parallel} × ` : ''}${formatArea(resolved.cable.areaMm2, system)}`
          ) : (
            <span className="text-soft">no size</span>
          )}
        </td>
        <td className={`${cell} whitespace-nowrap text-right`}>
          {resolved.lengthM === null ? (
            <span className="text-soft">no length</span>
          ) : (
            formatQuantity(
              { value: resolved.lengthM, dimension: 'length' },
              system,
              3,
              system === 'metric' ? 'm' : 'ft',
            ).text
          )}
        </td>
        <td className={`${cell} max-w-[170px] truncate text-soft max-[900px]:hidden`}>
          {resolved.zone?.name ?? 'no place'}
          {resolved.laid?.conduit ? ', conduit' : ''}
        </td>
        <td className={cell}>
          <Heat
            row={row}
            colour={MARK_COLOUR[shape]}
            text={
              row.runsAway
                ? 'no steady'
                : row.temperatureC === null
                  ? 'not known'
                  : formatQuantity({ value: Math.round(row.temperatureC), dimension: 'temperature' }, system).text
            }
          />
        </td>
        <td className={`${cell} whitespace-nowrap text-right font-semibold ${MARK_COLOUR[shape]}`}>
          <span className="inline-flex items-center gap-1.5">
            <VerdictMark shape={shape} size={11} />
            {check ? marginText(check) : ''}
          </span>
        </td>
        <td className={`${cell} whitespace-nowrap text-right`}>
          {row.dropV === null ? (
            <span className="text-soft">not known</span>
          ) : (
            formatQuantity({ value: row.dropV, dimension: 'voltage' }, system, 3, 'mV').text
          )}
        </td>
      </tr>
      {open && (
        <tr className="bg-well">
          <td colSpan={7} className="px-4 pt-1 pb-4">
            <ConductorFields conductor={resolved} row={row} build={assessment.build} />
            <ConductorSheet assessment={assessment} row={row} openCheck={openCheck} />
          </td>
        </tr>
      )}
    </>
  );
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
