'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { tripOfSegments } from '@/core/simulate';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { QuantityField } from '@/ui/quantity-field';

interface Row {
  readonly id: string;
  readonly toMPerS: number;
  readonly durationS: number;
  readonly grade: number;
}

const START: readonly Row[] = [
  { id: 'up', toMPerS: 50 / 3.6, durationS: 12, grade: 0 },
  { id: 'along', toMPerS: 50 / 3.6, durationS: 120, grade: 0 },
  { id: 'hill', toMPerS: 40 / 3.6, durationS: 180, grade: 0.06 },
  { id: 'stop', toMPerS: 0, durationS: 15, grade: 0 },
];

/** A trip by segments: to this speed, within this time, on this slope. */
export function SegmentsPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [rows, setRows] = useState(START);
  const [times, setTimes] = useState(5);
  const system = assessment.build.units;
  const change = (id: string, part: Partial<Row>) =>
    setRows(rows.map((row) => (row.id === id ? { ...row, ...part } : row)));
  const made = tripOfSegments(rows, times);
  return (
    <Fold className="mt-2" head="Make a trip by segments">
      <ol className="mt-1">
        {rows.map((row, k) => (
          <li key={row.id} className="grid grid-cols-[1fr_1fr_1fr_auto] items-end gap-x-4 max-[600px]:grid-cols-2">
            <QuantityField
              label={`${k + 1}. to`}
              value={row.toMPerS}
              dimension="speed"
              system={system}
              onCommit={(toMPerS) => change(row.id, { toMPerS: Math.min(100, Math.max(0, toMPerS)) })}
            />
            <QuantityField
              label="within"
              value={row.durationS}
              dimension="time"
              system={system}
              onCommit={(durationS) => change(row.id, { durationS: Math.min(36000, Math.max(1, durationS)) })}
            />
            <QuantityField
              label="slope"
              value={row.grade}
              dimension="ratio"
              unit="%"
              system={system}
              onCommit={(grade) => change(row.id, { grade: Math.min(0.5, Math.max(-0.5, grade)) })}
            />
            <Action
              look="quiet"
              label={`Take segment ${k + 1} out`}
              onPress={() => setRows(rows.filter(({ id }) => id !== row.id))}
            >
              out
            </Action>
          </li>
        ))}
      </ol>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <Action
          onPress={() =>
            setRows([...rows, { id: freshId(), toMPerS: rows.at(-1)?.toMPerS ?? 0, durationS: 60, grade: 0 }])
          }
        >
          One more
        </Action>
        <div className="w-40">
          <QuantityField
            label="times"
            value={times}
            dimension="count"
            system={system}
            onCommit={(value) => setTimes(Math.min(500, Math.max(1, Math.round(value))))}
          />
        </div>
        <Action
          disabled={made === null}
          onPress={() =>
            made &&
            dispatch({ edit: 'setOwnTrip', input: { name: `Own, ${rows.length} segments × ${times}`, ...made } })
          }
        >
          Drive it
        </Action>
        {made === null && <span className="text-soft">longer than ten hours, or nothing to drive</span>}
      </div>
    </Fold>
  );
}
