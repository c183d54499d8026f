'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { BrakesPage } from './brakes-page';
import { CoolingPage } from './cooling-page';
import { GaugesPage } from './gauges-page';
import { HeatingPage } from './heating-page';
import { SteeringPage } from './steering-page';

const PAGES = [
  ['brakes', 'Brakes'],
  ['steering', 'Steering'],
  ['heating', 'Heating'],
  ['cooling', 'Cooling'],
  ['gauges', 'Gauges'],
] as const;
type Page = (typeof PAGES)[number][0];

const SHOWN: Readonly<Record<Page, (props: { assessment: Assessment }) => React.ReactNode>> = {
  brakes: BrakesPage,
  steering: SteeringPage,
  heating: HeatingPage,
  cooling: CoolingPage,
  gauges: GaugesPage,
};

export function AncillariesScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('brakes');
  const Shown = SHOWN[page];
  return (
    <>
      <SheetHead station="ancillaries" />
      <Tabs label="Ancillaries" tabs={PAGES} chosen={page} onChoose={setPage}>
        <Shown assessment={assessment} />
      </Tabs>
    </>
  );
}
