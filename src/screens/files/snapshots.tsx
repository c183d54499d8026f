'use client';
import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import type { Build } from '@/core/build';
import { repository, storageTrouble, useBench } from '@/store/bench';
import type { Snapshot } from '@/store/database';
import { Action } from '@/ui/action';
import { LineForm } from '@/ui/line-form';
import { Panel } from '@/ui/panel';
import { Comparison } from './comparison';

const moment = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

/** Moments of the build worth keeping. Going back is an edit like any other: one press undoes it. */
export function Snapshots({ build }: { build: Build }) {
  const buildId = build.id;
  const [compared, setCompared] = useState<number | null>(null);
  const dispatch = useBench((bench) => bench.dispatch);
  const saving = useBench((bench) => bench.saving);
  const [list, setList] = useState<readonly Snapshot[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    const following = liveQuery(() => repository().snapshots(buildId)).subscribe({
      next: setList,
      error: (error) => setTrouble(storageTrouble(error).reason),
    });
    return () => following.unsubscribe();
  }, [buildId]);

  const keep = async (name: string): Promise<string | null> => {
    try {
      await repository().keepSnapshot(buildId, name || 'Snapshot');
      return null;
    } catch (error) {
      const { reason, remedy } = storageTrouble(error);
      return `${reason} ${remedy}`;
    }
  };

  return (
    <Panel
      title="Snapshots"
      about="in this browser; the grey ones are kept by themselves, hourly and before big changes"
    >
      <LineForm
        label="Name of the snapshot"
        placeholder="before the bigger motor"
        button="Keep a snapshot"
        off={saving !== 'saved'}
        onTake={keep}
      />
      {trouble && (
        <p role="alert" className="mt-2 text-small text-fails">
          {trouble}
        </p>
      )}
      {list.length === 0 && <p className="mt-2 text-soft">None yet.</p>}
      <ul className="mt-2">
        {list.map((snapshot) => (
          <li key={snapshot.number} className="border-t border-rule py-1">
            <div className="flex flex-wrap items-baseline gap-x-2">
              <span className={`min-w-0 truncate ${snapshot.auto ? 'text-soft' : 'font-semibold'}`}>
                {snapshot.name}
              </span>
              <span className="ml-auto whitespace-nowrap text-small text-soft">{moment(snapshot.takenAt)}</span>
              <Action
                look="quiet"
                label={`Compare ${snapshot.name}`}
                onPress={() => setCompared(compared === snapshot.number ? null : snapshot.number)}
              >
                {compared === snapshot.number ? 'Close' : 'Compare'}
              </Action>
              <Action
                look="quiet"
                label={`Go back to ${snapshot.name}`}
                onPress={() =>
                  dispatch({ edit: 'restore', input: { document: snapshot.document, from: snapshot.name } })
                }
              >
                Go back
              </Action>
              <Action
                look="quiet"
                label={`Drop ${snapshot.name}`}
                onPress={() => void repository().dropSnapshot(snapshot.number)}
              >
                Drop
              </Action>
            </div>
            {compared === snapshot.number && <Comparison now={build} then={snapshot.document} />}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
