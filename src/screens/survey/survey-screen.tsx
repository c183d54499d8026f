'use client';
import { useEffect, useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { SettableName } from '@/core/build';
import { Panel } from '@/ui/panel';
import { Tabs } from '@/ui/tabs';
import { openRest } from '../shell/focus-field';
import { SheetHead, useSheet } from '../shell/shell';
import { CustomerPanel, OldFaultsPanel } from './agreed-panel';
import { ChassisPanel, SupplyPanel } from './chassis-panel';
import type { SurveyTab } from './derive-drawing';
import { DutyPanel } from './duty-panel';
import { FoundPanel, OldPartsPanel } from './found-panel';
import { LossesPanel } from './losses-panel';
import { SchoolsPanel } from './schools-panel';
import { VehicleDrawing } from './vehicle-drawing';
import { VehiclePanel } from './vehicle-panel';

const TABS: readonly (readonly [SurveyTab, string])[] = [
  ['vehicle', 'Vehicle and duty'],
  ['found', 'As found'],
  ['wheels', 'On its wheels'],
  ['losses', 'Functions lost with the engine'],
  ['schools', 'Rules and design choices'],
];

export function SurveyScreen() {
  return <SurveySheet assessment={useSheet().assessment} />;
}

function SurveySheet({ assessment }: { assessment: Assessment }) {
  const [look, setLook] = useState<SurveyTab>('vehicle');
  const [wanted, setWanted] = useState<SettableName | null>(null);
  useEffect(() => {
    if (wanted === null) return;
    const find = () => document.querySelector<HTMLElement>(`[data-figure="${wanted}"] input`);
    const show = () => {
      const field = find();
      field?.focus();
      field?.scrollIntoView({ block: 'center' });
    };
    if (find()) show();
    else {
      openRest();
      requestAnimationFrame(show);
    }
    setWanted(null);
  }, [wanted]);
  return (
    <>
      <SheetHead station="survey" />
      <Panel className="overflow-x-auto px-2! py-1!">
        <VehicleDrawing
          assessment={assessment}
          onGo={(tab, figure) => {
            setLook(tab);
            setWanted(figure);
          }}
        />
      </Panel>
      <div className="mt-3">
        <Tabs label="Survey" tabs={TABS} chosen={look} onChoose={setLook}>
          {look === 'vehicle' && (
            <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
              <VehiclePanel assessment={assessment} />
              <div className="space-y-3">
                <DutyPanel assessment={assessment} />
                <SupplyPanel assessment={assessment} />
              </div>
            </div>
          )}
          {look === 'found' && (
            <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
              <div className="space-y-3">
                <FoundPanel assessment={assessment} />
                <CustomerPanel assessment={assessment} />
              </div>
              <div className="space-y-3">
                <OldPartsPanel assessment={assessment} />
                <OldFaultsPanel assessment={assessment} />
              </div>
            </div>
          )}
          {look === 'wheels' && <ChassisPanel assessment={assessment} />}
          {look === 'losses' && <LossesPanel assessment={assessment} />}
          {look === 'schools' && <SchoolsPanel assessment={assessment} />}
        </Tabs>
      </div>
    </>
  );
}
