'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { BookPage } from './book-page';

const later = () => <div className="h-[600px]" />;
const DuePage = dynamic(() => import('./due-page').then((page) => page.DuePage), { loading: later });
const TrendsPage = dynamic(() => import('./trends-page').then((page) => page.TrendsPage), { loading: later });
const ChangesPage = dynamic(() => import('./changes-page').then((page) => page.ChangesPage), { loading: later });
const ListsPage = dynamic(() => import('./lists-page').then((page) => page.ListsPage), { loading: later });

const PAGES = [
  ['book', 'Entries'],
  ['due', 'Due'],
  ['trends', 'Trends'],
  ['changes', 'Before, after, claims'],
  ['lists', 'Checklists'],
] as const;
type Page = (typeof PAGES)[number][0];

export function LogbookScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('book');
  return (
    <>
      <SheetHead station="logbook" />
      <Tabs label="Logbook" tabs={PAGES} chosen={page} onChoose={setPage}>
        {page === 'book' && <BookPage assessment={assessment} />}
        {page === 'due' && <DuePage assessment={assessment} />}
        {page === 'trends' && <TrendsPage assessment={assessment} />}
        {page === 'changes' && <ChangesPage assessment={assessment} />}
        {page === 'lists' && <ListsPage assessment={assessment} />}
      </Tabs>
    </>
  );
}
