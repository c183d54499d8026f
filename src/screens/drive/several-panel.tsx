'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { InverterPart, MotorPart } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { secondDriveEdit } from '@/core/remedies';
import { type DriveUnit, driveTrainOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { PartChoice } from '../shell/part-choice';

/** Several motors: what each has of the work, through which inverter; and one more of them. */
export function SeveralPanel({ assessment }: { assessment: Assessment }) {
  const { units } = driveTrainOf(assessment.build);
  if (units.length === 0) return null;
  return (
    <Panel
      title="Several motors"
      about={units.length > 1 ? `${units.length} share the work` : 'front and rear, or one a wheel'}
    >
      {units.length > 1 && units.map((unit) => <Unit key={unit.motor.id} unit={unit} assessment={assessment} />)}
      <OneMore assessment={assessment} />
    </Panel>
  );
}

function Unit({
  unit: { motor, part, share, gearing, inverterId },
  assessment,
}: {
  unit: DriveUnit;
  assessment: Assessment;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const inverter = inverterId === null ? undefined : vehicle.deviceOf.get(inverterId)?.device.name;
  const peak = part && formatQuantity({ value: part.peakTorqueNm, dimension: 'torque' }, build.units, 3).text;
  const set = (input: { torqueShare?: number | null; gearing?: number | null }) =>
    dispatch({ edit: 'setDriveShare', input: { deviceId: motor.id, ...input } });
  return (
    <section aria-label={motor.name} className="mb-3">
      <h3 className="font-semibold">{motor.name}</h3>
      <p className="text-note text-soft">
        {part ? `${part.name}, ${peak}` : 'no motor chosen'};{' '}
        {inverter ? `fed by ${inverter}` : 'no motor cables drawn'}
      </p>
      <QuantityField
        label={`Share of the torque, ${motor.name}`}
        dimension="ratio"
        unit="%"
        system={build.units}
        value={motor.torqueShare ?? null}
        empty={share === null ? 'not entered' : `${Math.round(share * 100)} %`}
        {...(motor.torqueShare === undefined ? {} : { onClear: () => set({ torqueShare: null }) })}
        note={motor.torqueShare === undefined && share !== null ? 'as strong as each is' : ''}
        onCommit={(torqueShare) => set({ torqueShare })}
      />
      <QuantityField
        label={`Ratio to the gearbox, ${motor.name}`}
        dimension="count"
        system={build.units}
        value={motor.gearing ?? null}
        empty={String(gearing)}
        {...(motor.gearing === undefined ? {} : { onClear: () => set({ gearing: null }) })}
        onCommit={(next) => set({ gearing: next })}
      />
    </section>
  );
}

function OneMore({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const [inverter, setInverter] = useState<InverterPart | null>(null);
  const [motor, setMotor] = useState<MotorPart | null>(null);
  if (!vehicle.devices.some(({ device }) => device.kind === 'inverter'))
    return <p className="text-soft">One more goes onto the bus once there is a first inverter, in Pack.</p>;
  return (
    <Fold head="One more motor with its inverter">
      <PartChoice
        kind="inverter"
        build={build}
        label="Its inverter"
        value={inverter?.id ?? null}
        empty="choose an inverter"
        onChoose={setInverter}
      />
      <PartChoice
        kind="motor"
        build={build}
        label="The motor"
        value={motor?.id ?? null}
        empty="choose a motor"
        onChoose={setMotor}
      />
      <p className="my-2 text-note text-soft">
        It comes with a fuse of its own at the tap, cables and motor cables; each is judged like the others.
      </p>
      <Action
        disabled={!inverter || !motor}
        onPress={() => inverter && motor && dispatch(secondDriveEdit(assessment, inverter, motor, freshId()))}
      >
        Put them on the bus
      </Action>
    </Fold>
  );
}
