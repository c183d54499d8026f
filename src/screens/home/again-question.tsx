'use client';
import type { Build } from '@/core/build';
import { mergeRecords, mergeWords } from '@/core/build/merge';
import type { StoredBuild } from '@/store/database';
import { Action } from '@/ui/action';
import { Ask } from '@/ui/ask';

export type Again = 'open' | 'replace' | 'merge' | 'copy';

/** A file whose build is here already: which of the two goes on, and what comes in. */
export function AgainQuestion({
  file,
  here,
  read,
  onAnswer,
  onStay,
}: {
  file: string;
  here: StoredBuild;
  read: Build;
  onAnswer: (answer: Again) => void;
  onStay: () => void;
}) {
  const merge = mergeRecords(here.document, read);
  const comes = mergeWords(merge);
  const same = JSON.stringify(here.document) === JSON.stringify(read);
  return (
    <Ask
      open
      title={`${here.name.slice(0, 60)} is here already`}
      stay="Leave it"
      go="Keep both: open as a copy"
      onGo={() => onAnswer('copy')}
      onStay={onStay}
      more={
        <>
          <Action onPress={() => onAnswer('open')}>Open the one that is here</Action>
          {!same && <Action onPress={() => onAnswer('replace')}>Replace it by the file</Action>}
          {comes !== '' && <Action onPress={() => onAnswer('merge')}>Take in what was written down</Action>}
        </>
      }
    >
      <p>
        {same
          ? `${file} holds the same as what is here.`
          : `Changed here on ${new Date(here.changedAt).toLocaleString()}. Replaced or taken in, it can be undone, and a snapshot of it is kept.`}
      </p>
      {comes !== '' && (
        <p className="mt-2">
          {`The file has written down ${comes} that ${comes.startsWith('1 ') && !/,| and /.test(comes) ? 'is' : 'are'} not here.`}
          {merge.differ > 0 && ` ${merge.differ} differ from what is here: what is here stays.`}
          {merge.left > 0 && ` ${merge.left} readings are of things that are not in it.`}
        </p>
      )}
    </Ask>
  );
}
