'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { EndsPage } from './ends-page';

const later = () => <div className="h-[600px]" />;
const WiresPage = dynamic(() => import('./wires-page').then((page) => page.WiresPage), { loading: later });
const RunsPage = dynamic(() => import('./runs-page').then((page) => page.RunsPage), { loading: later });
const PlugsPage = dynamic(() => import('./plugs-page').then((page) => page.PlugsPage), { loading: later });
const LinePage = dynamic(() => import('./line-page').then((page) => page.LinePage), { loading: later });
const PinoutsPage = dynamic(() => import('./pinouts-page').then((page) => page.PinoutsPage), { loading: later });
const LabelsPage = dynamic(() => import('./labels-page').then((page) => page.LabelsPage), { loading: later });

const PAGES = [
  ['ends', 'Ends'],
  ['wires', 'Wires'],
  ['runs', 'Runs'],
  ['plugs', 'Connectors'],
  ['line', 'CAN bus'],
  ['pinouts', 'Pin-outs'],
  ['labels', 'Labels'],
] as const;
type Page = (typeof PAGES)[number][0];

export function HarnessScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('ends');
  return (
    <>
      <SheetHead station="harness" />
      <Tabs label="Harness" tabs={PAGES} chosen={page} onChoose={setPage}>
        {page === 'ends' && <EndsPage assessment={assessment} />}
        {page === 'wires' && <WiresPage assessment={assessment} />}
        {page === 'runs' && <RunsPage assessment={assessment} />}
        {page === 'plugs' && <PlugsPage assessment={assessment} />}
        {page === 'line' && <LinePage assessment={assessment} />}
        {page === 'pinouts' && <PinoutsPage assessment={assessment} />}
        {page === 'labels' && <LabelsPage assessment={assessment} />}
      </Tabs>
    </>
  );
}
