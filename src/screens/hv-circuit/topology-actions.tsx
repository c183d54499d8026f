'use client';
import type { Assessment } from '@/core/assess';
import { circuitOfTerminal } from '@/core/build';
import { INSERTABLE, insertionEdit } from '@/core/proposals';
import { branchEdit, branchKindOf } from '@/core/remedies';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { PartChoice } from '../shell/part-choice';

const WORDS = { fuse: 'a fuse', contactor: 'a contactor', disconnect: 'a disconnect', sensor: 'a shunt' } as const;

/** Puts a device into the picked wire; the first part fits the voltage and the current, the model judges it. */
export function WireActions({ assessment, conductorId }: { assessment: Assessment; conductorId: string }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <div className="mt-3 flex flex-wrap items-center gap-2">
      <span className="text-soft">Put in</span>
      {INSERTABLE.map((kind) => (
        <Action key={kind} onPress={() => dispatch(insertionEdit(assessment.context, conductorId, kind, freshId()))}>
          {WORDS[kind]}
        </Action>
      ))}
    </div>
  );
}

/** Takes the picked device out of its wire, or away with its wires. */
export function DeviceActions({
  assessment,
  deviceId,
  onGone,
}: {
  assessment: Assessment;
  deviceId: string;
  onGone: () => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const kind = assessment.vehicle.deviceOf.get(deviceId)?.device.kind;
  if (!kind) return null;
  const inWire = circuitOfTerminal(kind, 'a') === 'hv' && circuitOfTerminal(kind, 'b') === 'hv';
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      {inWire && (
        <Action onPress={() => dispatch({ edit: 'takeOutDevice', input: { deviceId } }) && onGone()}>
          Delete and rejoin
        </Action>
      )}
      <Action onPress={() => dispatch({ edit: 'removeDevice', input: { deviceId } }) && onGone()}>
        Remove it with its wires
      </Action>
    </div>
  );
}

/** Hangs a consumer or a charger on the bus, with a fuse of its own at the tap. */
export function BusActions({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <PartChoice
      kind="bus-device"
      build={assessment.build}
      label="Add to the bus"
      value={null}
      empty="a heater, charger, converter …"
      groupOf={(part) => branchKindOf(part)[1]}
      onChoose={(part) => dispatch(branchEdit(assessment, part, freshId()))}
    />
  );
}
