'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { SheetsPage } from './sheets-page';

const later = () => <div className="h-[600px]" />;
const TracesPage = dynamic(() => import('./traces-page').then((page) => page.TracesPage), { loading: later });
const ComparePage = dynamic(() => import('./compare-page').then((page) => page.ComparePage), { loading: later });

const PAGES = [
  ['sheets', 'Test sheets'],
  ['traces', 'Traces'],
  ['compare', 'Design, built, measured'],
] as const;
type Page = (typeof PAGES)[number][0];

export function CommissionScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('sheets');
  return (
    <>
      <SheetHead station="commission" />
      <Tabs label="Commission" tabs={PAGES} chosen={page} onChoose={setPage}>
        {page === 'sheets' && <SheetsPage assessment={assessment} />}
        {page === 'traces' && <TracesPage assessment={assessment} />}
        {page === 'compare' && <ComparePage assessment={assessment} />}
      </Tabs>
    </>
  );
}
