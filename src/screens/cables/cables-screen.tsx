'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { Panel } from '@/ui/panel';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { ConductorTable } from './conductor-table';
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
  const range =
    rangeLostM === null
      ? ''
      : `, ${formatQuantity({ value: rangeLostM, dimension: 'distance' }, build.units, 2).text} of range`;
  return (
    <>
      <SheetHead station="cables">
        <span className="text-soft">
          {cables.length} conductors, {formatQuantity({ value: massKg, dimension: 'mass' }, build.units).text},{' '}
          {formatQuantity({ value: lossW, dimension: 'power' }, build.units).text} lost in cruise{range}
        </span>
      </SheetHead>
      <Tabs label="Cables" tabs={TABS} chosen={look} onChoose={setLook}>
        {(look === 'top' || look === 'side') && (
          <>
            <Panel className="overflow-x-auto px-2! py-1!">
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
          <Panel className="mt-3 py-1!">
            <ConductorTable assessment={assessment} openCheck={openCheck} />
          </Panel>
        )}
        {(look === 'top' || look === 'side') && <PlacesPanel assessment={assessment} />}
      </Tabs>
    </>
  );
}
