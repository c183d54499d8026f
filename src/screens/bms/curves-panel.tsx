'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { CurvePoint, LimitCurveId } from '@/core/build';
import { packBears } from '@/core/simulate';
import { proposedCurve } from '@/core/stations/bms';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { CurvePicture } from './curve-picture';

const CURVES: readonly { readonly id: LimitCurveId; readonly label: string }[] = [
  { id: 'chargeByC', label: 'charging, over temperature' },
  { id: 'dischargeByC', label: 'driving, over temperature' },
  { id: 'chargeBySoc', label: 'charging, over charge' },
  { id: 'dischargeBySoc', label: 'driving, over charge' },
];
const MOST_C = 60;
const COLD_C = -30;

/** What the electronics lets through, as curves; what the cells bear behind them. */
export function CurvesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [id, setId] = useState<LimitCurveId>('chargeByC');
  const { vehicle, build, context } = assessment;
  const way = id.startsWith('charge') ? 'charge' : 'discharge';
  const byC = id.endsWith('C');
  const points = build.bms?.curves?.[id] ?? [];
  const set = (next: readonly CurvePoint[]) =>
    dispatch({ edit: 'setLimitCurve', input: { curve: id, points: next.map(([x, a]) => [x, a]) } });
  const bears: readonly CurvePoint[] = byC
    ? Array.from(
        { length: MOST_C - COLD_C + 1 },
        (_, k): CurvePoint => [COLD_C + k, packBears(vehicle, way, 2, COLD_C + k) ?? 0],
      )
    : [];
  const proposed = (): readonly CurvePoint[] | null => {
    if (byC) return proposedCurve(context, way)?.filter(([c]) => c >= COLD_C && c <= MOST_C) ?? null;
    const most = packBears(vehicle, way, 2, null);
    if (most === null) return null;
    const whole = Math.round(0.9 * most);
    return way === 'charge'
      ? [
          [0, whole],
          [0.85, whole],
          [0.95, Math.round(whole / 4)],
          [1, 0],
        ]
      : [
          [0, 0],
          [0.05, Math.round(whole / 4)],
          [0.15, whole],
          [1, whole],
        ];
  };
  const along = byC ? ('temperature' as const) : ('ratio' as const);
  return (
    <Panel title="Current that is let through" about="of the whole pack; dashed: what its cells bear for seconds">
      <ChoiceField
        label="Curve"
        value={id}
        choices={CURVES.map(({ id: value, label }) => ({ value, label }))}
        onChoose={(value) => setId(value as LimitCurveId)}
      />
      {points.length < 2 ? (
        <div className="mt-2">
          <p className="text-soft">Not entered: then nobody knows when the car gives less.</p>
          <Action
            onPress={() => {
              const next = proposed();
              if (next) set(next);
            }}
          >
            Begin with what the cells bear
          </Action>
        </div>
      ) : (
        <>
          <CurvePicture
            name={CURVES.find((one) => one.id === id)!.label}
            along={along}
            points={points}
            bears={bears}
            system={build.units}
            onChange={set}
          />
          <Fold head={`${points.length} points as figures`}>
            {points.map(([x, ampere], k) => {
              const put = (next: CurvePoint) => set(points.map((one, at) => (at === k ? next : one)));
              return (
                <div key={k} className="grid grid-cols-2 gap-x-4">
                  <QuantityField
                    label={`${k + 1} at`}
                    dimension={along}
                    system={build.units}
                    value={x}
                    {...(byC ? {} : { unit: '%' })}
                    onCommit={(value) => put([value, ampere])}
                  />
                  <QuantityField
                    label={`${k + 1} lets through`}
                    dimension="current"
                    system={build.units}
                    value={ampere}
                    onCommit={(value) => put([x, value])}
                  />
                </div>
              );
            })}
            <div className="mt-1 flex gap-2">
              <Action
                look="quiet"
                onPress={() => {
                  // Halfway in the widest gap.
                  const gaps = points.slice(1).map(([x], k) => x - points[k]![0]);
                  const at = gaps.indexOf(Math.max(...gaps));
                  const [[x0, a0], [x1, a1]] = [points[at]!, points[at + 1]!];
                  set(points.toSpliced(at + 1, 0, [(x0 + x1) / 2, Math.round((a0 + a1) / 2)]));
                }}
              >
                One point more
              </Action>
              {points.length > 2 && (
                <Action look="quiet" onPress={() => set(points.slice(0, -1))}>
                  Drop the last
                </Action>
              )}
              <Action look="quiet" onPress={() => set([])}>
                Drop the curve
              </Action>
            </div>
          </Fold>
        </>
      )}
    </Panel>
  );
}
