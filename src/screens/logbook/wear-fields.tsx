'use client';
import type { Build } from '@/core/build';
import type { UpkeepTask, WearLimit } from '@/core/stations/logbook';
import { freshId, useBench } from '@/store/bench';
import { QuantityField } from '@/ui/quantity-field';
import { today } from '../shell/days';

/** What is measured on something that wears: its limit, how it was new, and the figure of today, which becomes an entry of the book. */
export function WearFields({
  task,
  limit,
  build,
  mark,
}: {
  task: UpkeepTask;
  limit: WearLimit;
  build: Build;
  mark: (more: object) => boolean;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { what, way, limitM, newM } = limit;
  return (
    <>
      <QuantityField
        label={`${what}, measured today`}
        dimension="length"
        system={build.units}
        unit={build.units === 'us' ? 'in' : 'mm'}
        value={null}
        empty="not entered"
        onCommit={(valueM) =>
          dispatch({
            edit: 'putInLogbook',
            input: {
              list: 'entries',
              entries: [
                {
                  id: freshId(),
                  kind: 'inspection',
                  date: today(),
                  what: `${task.name}: measured`,
                  wear: [{ taskId: task.id, valueM }],
                },
              ],
            },
          })
        }
      />
      <QuantityField
        label={way === 'falls' ? 'At least, by the maker' : 'At most, by the maker'}
        dimension="length"
        system={build.units}
        unit={build.units === 'us' ? 'in' : 'mm'}
        value={limitM}
        empty="not entered"
        onCommit={(wearLimitM) => mark({ wearLimitM })}
        onClear={() => mark({ wearLimitM: undefined })}
      />
      <QuantityField
        label="As new"
        dimension="length"
        system={build.units}
        unit={build.units === 'us' ? 'in' : 'mm'}
        value={newM}
        empty="not entered"
        onCommit={(wearNewM) => mark({ wearNewM })}
        onClear={() => mark({ wearNewM: undefined })}
      />
    </>
  );
}
