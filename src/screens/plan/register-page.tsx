'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { OPEN_KINDS, type OpenKind, type OpenPoint } from '@/core/build';
import { gating } from '@/core/stations/plan';
import { hostsOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';
import { OPEN_WORDS } from './plan-words';

/** Stand-ins and loose ends: they keep it off the road until they are gone, or somebody says why they may stay. */
export function RegisterPage({ assessment }: { assessment: Assessment }) {
  const { build, results } = assessment;
  const { register } = results.plan;
  const dispatch = useBench((bench) => bench.dispatch);
  const [kind, setKind] = useState<OpenKind>('stand-in');
  const gates = gating(register);
  const put = (point: OpenPoint) => dispatch({ edit: 'putInPlan', input: { list: 'register', entries: [point] } });
  const closed = Object.values(build.plan?.register ?? {}).filter((point) => point.closed !== null);
  const devices = hostsOf(build)
    .filter(({ is }) => is === 'device')
    .map(({ id, name }) => ({ value: id, label: name }));
  return (
    <div data-print className="grid gap-3">
      <Panel>
        <p className="font-tight text-title" data-gates={gates.length}>
          {gates.length === 0 ? (
            'Nothing keeps it off the road'
          ) : (
            <>
              <b className="font-semibold tabular-nums">{gates.length}</b>{' '}
              {gates.length === 1 ? 'point keeps' : 'points keep'} it off the road
            </>
          )}
        </p>
      </Panel>
      <Panel title="Stand-ins and loose ends" about={`${register.length} open`}>
        <ul aria-label="Register">
          {register.map(({ id, kind: is, what, since, point, mayStay }) => (
            <li key={id} data-open={id} className="border-t border-rule/70 py-1">
              <div className="flex flex-wrap items-center gap-x-3">
                <VerdictMark shape={mayStay ? 'holds' : 'fails'} size={11} />
                <span className="min-w-[12rem] flex-1">
                  <b className="font-semibold">{what}</b>
                  <span className="block text-small text-soft">
                    {OPEN_WORDS[is]}
                    {since ? `, since ${dayText(since)}` : ', by the ticks of Harness'}
                    {mayStay && `; may stay: ${mayStay}`}
                  </span>
                </span>
                {point && (
                  <button
                    type="button"
                    onClick={() => put({ ...point, closed: today() })}
                    aria-label={`${what}: closed`}
                    className="min-h-12 rounded-[3px] border-[1.5px] border-ink bg-panel px-4 font-tight text-lead font-semibold"
                  >
                    Closed
                  </button>
                )}
              </div>
              {point && (
                <Fold head={<span className="text-small text-soft">More of it</span>}>
                  <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
                    <TextField label="What" value={point.what} onCommit={(next) => put({ ...point, what: next })} />
                    <ChoiceField
                      label="In place of"
                      value={point.deviceId ?? null}
                      empty="no device"
                      choices={devices}
                      onChoose={(deviceId) => put({ ...point, deviceId })}
                    />
                    <TextField
                      label="It may stay on the road, because"
                      wide
                      clears
                      value={point.mayStay ?? ''}
                      empty="it may not"
                      onCommit={(text) => {
                        const { mayStay: _, ...others } = point;
                        put(text === '' ? others : { ...others, mayStay: text });
                      }}
                    />
                    <p>
                      <Action
                        look="quiet"
                        onPress={() => dispatch({ edit: 'dropFromPlan', input: { list: 'register', id: point.id } })}
                      >
                        Drop it
                      </Action>
                    </p>
                  </div>
                </Fold>
              )}
            </li>
          ))}
        </ul>
        <div className="no-print mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
          <ChoiceField
            label="One more"
            value={kind}
            choices={OPEN_KINDS.map((value) => ({ value, label: OPEN_WORDS[value] }))}
            onChoose={(value) => setKind(value as OpenKind)}
          />
          <TextField
            label="namely"
            value=""
            makes
            empty="bench supply instead of …"
            onCommit={(what) => put({ id: freshId(), kind, what, since: today(), closed: null })}
          />
        </div>
        {closed.length > 0 && (
          <Fold className="mt-1" head={<span className="text-soft">{closed.length} closed</span>}>
            <ul>
              {closed.map((point) => (
                <li key={point.id} className="flex items-center gap-3 border-t border-dotted border-rule py-0.5">
                  <span className="flex-1">
                    {point.what}, <span className="text-soft">{dayText(point.closed!)}</span>
                  </span>
                  <Action
                    look="quiet"
                    onPress={() => put({ ...point, closed: null })}
                    label={`${point.what}: open again`}
                  >
                    Open again
                  </Action>
                </li>
              ))}
            </ul>
          </Fold>
        )}
      </Panel>
    </div>
  );
}
