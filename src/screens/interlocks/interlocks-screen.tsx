'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { AnswersPage } from './answers-page';

const later = () => <div className="h-[600px]" />;
const SequencePage = dynamic(() => import('./sequence-page').then((page) => page.SequencePage), { loading: later });
const SettingsPage = dynamic(() => import('./settings-page').then((page) => page.SettingsPage), { loading: later });

const PlayPage = dynamic(() => import('./play-page').then((page) => page.PlayPage), { loading: later });
const BoardPage = dynamic(() => import('./board-page').then((page) => page.BoardPage), { loading: later });

const PAGES = [
  ['answers', 'Guards'],
  ['sequence', 'Sequence'],
  ['play', 'Play'],
  ['board', 'Test board'],
  ['settings', 'Settings'],
] as const;
type Page = (typeof PAGES)[number][0];

export function InterlocksScreen() {
  const { assessment } = useSheet();
  const [page, setPage] = useState<Page>('answers');
  const [story, setStory] = useState<string | null>(null);
  const go = (next: Page) => {
    setStory(null);
    setPage(next);
  };
  return (
    <>
      <SheetHead station="interlocks" />
      <Tabs label="Interlocks" tabs={PAGES} chosen={page} onChoose={go}>
        {page === 'answers' && (
          <AnswersPage
            assessment={assessment}
            onPlay={(id) => {
              setStory(id);
              setPage('play');
            }}
          />
        )}
        {page === 'play' && <PlayPage assessment={assessment} storyId={story} />}
        {page === 'board' && <BoardPage assessment={assessment} />}
        {page === 'sequence' && <SequencePage assessment={assessment} />}
        {page === 'settings' && <SettingsPage assessment={assessment} />}
      </Tabs>
    </>
  );
}
