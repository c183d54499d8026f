'use client';
import Link from 'next/link';
import { type MouseEvent, useState } from 'react';
import { EditRefused } from '@/core/build/edits/refused';
import type { StoredBuild } from '@/store/database';
import { freshId, repository, storageTrouble } from '@/store/tab';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { LineForm } from '@/ui/line-form';
import { DAY_OF_WORK_H, exportBuild } from '../shell/export-build';

const day = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

/** One build: open it, or rename, duplicate, export and delete it here. */
export function BuildRow({
  stored,
  onChanged,
  onDelete,
  onOpen,
}: {
  stored: StoredBuild;
  onChanged: () => void;
  onDelete: () => void;
  /** Before its link is followed. */
  onOpen: (event: MouseEvent, href: string) => void;
}) {
  const href = `${Object.keys(stored.document.circuits.hv.devices).length === 0 ? '/pack' : '/hv-circuit'}?build=${stored.id}`;
  const [naming, setNaming] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const attempt = async (work: () => Promise<unknown>): Promise<string | null> => {
    try {
      await work();
      setNaming(false);
      onChanged();
      return null;
    } catch (error) {
      const { reason, remedy } =
        error instanceof EditRefused ? { reason: error.message, remedy: error.remedy } : storageTrouble(error);
      return `${reason} ${remedy}`;
    }
  };
  return (
    <li data-build={stored.id} className="border-b border-rule py-1.5">
      {!naming ? (
        <Link
          href={href}
          onClick={(event) => onOpen(event, href)}
          prefetch={false}
          className="flex items-baseline gap-3 rounded-[3px] py-1 hover:bg-panel"
        >
          <span className="min-w-0 truncate text-lead font-semibold">{stored.name}</span>
          <span className="ml-auto whitespace-nowrap text-small text-soft">
            {(stored.unexportedH ?? 0) >= DAY_OF_WORK_H && `${stored.unexportedH} hours of work not exported, `}
            changed {day(stored.changedAt)}
          </span>
        </Link>
      ) : (
        <div className="py-1">
          <LineForm
            label={`New name of ${stored.name}`}
            start={stored.name}
            focus
            button="Rename"
            onTake={(name) => attempt(() => repository().edit(stored.id, { edit: 'renameBuild', input: { name } }))}
            onLeave={() => setNaming(false)}
            beside={() => <Action onPress={() => setNaming(false)}>Cancel</Action>}
          />
        </div>
      )}
      {trouble && (
        <p role="alert" className="text-small text-fails">
          {trouble}
        </p>
      )}
      <div className="-ml-2 flex flex-wrap text-soft">
        <Action look="quiet" label={`Rename ${stored.name}`} onPress={() => setNaming(true)}>
          Rename
        </Action>
        <Action
          look="quiet"
          label={`Duplicate ${stored.name}`}
          onPress={() => void attempt(() => repository().duplicate(stored.id, freshId())).then(setTrouble)}
        >
          Duplicate
        </Action>
        <Action look="quiet" label={`Export ${stored.name}`} onPress={() => exportBuild(stored.document)}>
          Export
        </Action>
        <Action look="quiet" label={`Delete ${stored.name}`} onPress={onDelete}>
          Delete
        </Action>
      </div>
    </li>
  );
}

/** What was deleted in the last month, out of the way until it is wanted. */
export function DeletedBuilds({
  deleted,
  onBringBack,
  onPurge,
}: {
  deleted: readonly StoredBuild[];
  onBringBack: (id: string) => void;
  onPurge: (id: string) => void;
}) {
  const [sure, setSure] = useState<string | null>(null);
  if (deleted.length === 0) return null;
  return (
    <Fold className="mt-4" head={<>Deleted ({deleted.length}), kept for 30 days</>}>
      <ul>
        {deleted.map((stored) => (
          <li key={stored.id} className="flex flex-wrap items-baseline gap-x-3 border-b border-rule py-1.5">
            <span className="min-w-0 truncate">{stored.name}</span>
            <span className="ml-auto flex gap-2">
              <Action look="quiet" label={`Bring back ${stored.name}`} onPress={() => onBringBack(stored.id)}>
                Bring back
              </Action>
              {sure === stored.id ? (
                <Action look="quiet" onPress={() => onPurge(stored.id)}>
                  Yes, gone with history and snapshots
                </Action>
              ) : (
                <Action look="quiet" label={`Delete ${stored.name} for good`} onPress={() => setSure(stored.id)}>
                  Delete for good
                </Action>
              )}
            </span>
          </li>
        ))}
      </ul>
    </Fold>
  );
}
