'use client';
import dynamic from 'next/dynamic';
import { type DragEvent, useState } from 'react';
import type { TripFile } from '@/core/formats';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { useBench } from '@/store/bench';
import { Action, FileAction } from '@/ui/action';
import { Problems } from '@/ui/problems';
import { readTrip, warmReader } from '@/workers/files';

const BroughtChart = dynamic(() => import('./brought-chart'), {
  ssr: false,
  loading: () => <div className="h-[190px]" />,
});

/** Brings a trip in from a file, by choosing or by dropping it; says what was left out before it is taken. */
export function BringTrip({ system }: { system: UnitSystem }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [read, setRead] = useState<TripFile | null>(null);
  const [over, setOver] = useState(false);
  const take = (file: File) => {
    readTrip(file).then(setRead, (error: Error) =>
      setRead({
        ok: false,
        errors: [{ path: '(file)', reason: `could not be read: ${error.message}.`, remedy: 'Choose an intact copy.' }],
      }),
    );
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const file = event.dataTransfer.files[0];
    if (file) take(file);
  };
  return (
    <section
      aria-label="Bring a trip in"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
        warmReader();
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
      className={`mt-1 rounded-[3px] py-1 ${over ? 'bg-well outline-dashed outline-1 outline-soft' : ''}`}
    >
      <FileAction look="quiet" accept=".gpx,.csv,.txt" label="Trip file" onFile={take} onAsk={warmReader}>
        Bring a trip of your own: GPX or CSV, or drop it here
      </FileAction>
      {read?.ok === false && <Problems title="This trip can’t be driven" problems={read.errors} />}
      {read?.ok && (
        <div className="mt-1 border-l-[3px] border-rule bg-well p-2.5 text-small">
          <p>
            <b className="font-semibold">{read.name}</b>:{' '}
            {formatQuantity({ value: read.distanceM, dimension: 'distance' }, system, 3).text} in{' '}
            {formatQuantity({ value: read.speedsMPerS.length - 1, dimension: 'time' }, system, 3).text}
            {read.notes.length > 0 ? `; ${read.notes.join('; ')}` : ''}.
          </p>
          <BroughtChart trip={read} system={system} />
          <div className="mt-2 flex gap-2">
            <Action
              onPress={() => {
                const { name, speedsMPerS, grades } = read;
                if (dispatch({ edit: 'setOwnTrip', input: { name, speedsMPerS, grades } })) setRead(null);
              }}
            >
              Drive it
            </Action>
            <Action look="quiet" onPress={() => setRead(null)}>
              Leave it
            </Action>
          </div>
        </div>
      )}
    </section>
  );
}
