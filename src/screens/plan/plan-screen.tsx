'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { NowPage } from './now-page';

const later = () => <div className="h-[600px]" />;
const JobsPage = dynamic(() => import('./jobs-page').then((page) => page.JobsPage), { loading: later });
const RegisterPage = dynamic(() => import('./register-page').then((page) => page.RegisterPage), { loading: later });
const WeekPage = dynamic(() => import('./week-page').then((page) => page.WeekPage), { loading: later });

const PAGES = [
  ['now', 'Now'],
  ['jobs', 'Jobs'],
  ['register', 'Register'],
  ['week', 'Week'],
] as const;
type Page = (typeof PAGES)[number][0];

export function PlanScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('now');
  return (
    <>
      <SheetHead station="plan" />
      <Tabs label="Plan" tabs={PAGES} chosen={page} onChoose={setPage}>
        {page === 'now' && <NowPage assessment={assessment} />}
        {page === 'jobs' && <JobsPage assessment={assessment} />}
        {page === 'register' && <RegisterPage assessment={assessment} />}
        {page === 'week' && <WeekPage assessment={assessment} />}
      </Tabs>
    </>
  );
}
