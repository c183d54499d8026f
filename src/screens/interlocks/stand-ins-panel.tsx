'use client';
import { useState } from 'react';
import type { Build, OpenPoint } from '@/core/build';
import { findDevice } from '@/core/build';
import { hostsOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { dayText, today } from '../shell/days';

/** What lies on the board in place of the real thing. It is in the register of Plan, and keeps the car off the road until it is out. */
export function StandInsPanel({
  build,
  boxes,
  limited,
}: {
  build: Build;
  /** Boxes with cells, which a limited supply stands in for. */
  boxes: readonly string[];
  /** A limited supply is on the board in the pack’s place. */
  limited: boolean;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [deviceId, setDeviceId] = useState<string | null>(null);
  const open = Object.values(build.plan?.register ?? {}).filter(
    ({ kind, closed }) => kind === 'stand-in' && closed === null,
  );
  const put = (point: OpenPoint) => dispatch({ edit: 'putInPlan', input: { list: 'register', entries: [point] } });
  const enter = (what: string, id: string | null) =>
    put({
      id: freshId(),
      kind: 'stand-in',
      what,
      since: today(),
      closed: null,
      ...(id === null ? {} : { deviceId: id }),
    });
  const told = new Set(open.map((point) => point.deviceId));
  const box = boxes.find((id) => !told.has(id));
  const devices = hostsOf(build).filter(({ is, id }) => is === 'device' && !told.has(id));
  return (
    <Panel
      title="Stand-ins on the real board"
      about={open.length === 0 ? 'none entered' : `${open.length} in the register`}
    >
      <ul aria-label="Stand-ins">
        {open.map((point) => (
          <li key={point.id} className="flex flex-wrap items-center gap-2 border-t border-dotted border-rule py-1">
            <span className="min-w-0 flex-1">
              {point.what}
              <span className="text-soft">
                {point.deviceId && ` for ${findDevice(build, point.deviceId)?.name ?? 'something that is gone'}`}, since{' '}
                {dayText(point.since)}
              </span>
            </span>
            <Action label={`${point.what}: the real part is in`} onPress={() => put({ ...point, closed: today() })}>
              The real part is in
            </Action>
          </li>
        ))}
      </ul>
      {limited && box !== undefined && (
        <p className="mt-1 flex flex-wrap items-center gap-2">
          <span className="flex-1">A limited supply stands in for the pack.</span>
          <Action onPress={() => enter('Limited supply in the pack’s place', box)}>Enter it</Action>
        </p>
      )}
      <div className="grid gap-x-6 min-[560px]:grid-cols-2">
        <ChoiceField
          label="In place of"
          value={deviceId}
          empty="choose the part"
          choices={devices.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={setDeviceId}
        />
        <TextField
          label="Something stands in"
          value=""
          makes
          empty="lamp for the coil, potentiometer …"
          onCommit={(what) => {
            if (what.trim() !== '' && enter(what.trim(), deviceId)) setDeviceId(null);
          }}
        />
      </div>
      <p className="mt-1 text-note text-soft">Each keeps the car off the road, in Plan, until the real part is in.</p>
    </Panel>
  );
}
