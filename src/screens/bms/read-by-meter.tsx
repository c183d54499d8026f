'use client';
import { useState } from 'react';
import type { DriveRecord } from '@/core/build';
import type { UnitSystem } from '@/core/quantities';
import { Action } from '@/ui/action';
import { QuantityField } from '@/ui/quantity-field';
import { typedDrive } from './drive-record';

const BOX = 'w-full rounded-[3px] border border-rule bg-paper p-2';

/** A few cells read with a meter: at rest, and while a known current flows. */
export function ReadByMeter({
  system,
  about,
  onTyped,
}: {
  system: UnitSystem;
  about: () => Pick<DriveRecord, 'id' | 'date' | 'name'>;
  onTyped: (drive: DriveRecord) => boolean;
}) {
  const [rest, setRest] = useState('');
  const [load, setLoad] = useState('');
  const [ampere, setAmpere] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = () => {
    const typed = typedDrive(rest, load, ampere, about());
    setTrouble(typed.ok ? null : typed.trouble);
    if (typed.ok && onTyped(typed.drive)) {
      setRest('');
      setLoad('');
    }
  };
  return (
    <div>
      <div className="grid gap-2 min-[500px]:grid-cols-2">
        <textarea
          aria-label="Cells at rest"
          placeholder={'at rest\n3.301\n3.302 …'}
          rows={3}
          value={rest}
          onChange={(event) => setRest(event.currentTarget.value)}
          className={BOX}
        />
        <textarea
          aria-label="The same cells under load"
          placeholder={'under load\n3.214\n3.209 …'}
          rows={3}
          value={load}
          onChange={(event) => setLoad(event.currentTarget.value)}
          className={BOX}
        />
      </div>
      <QuantityField
        label="Current under load"
        dimension="current"
        system={system}
        value={ampere}
        empty="not entered"
        onCommit={setAmpere}
      />
      <div className="mt-1">
        <Action onPress={take}>Judge these cells</Action>
      </div>
      {trouble && (
        <p role="alert" className="mt-1 text-small text-fails">
          {trouble}
        </p>
      )}
    </div>
  );
}
