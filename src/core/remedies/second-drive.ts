import type { Assessment } from '../assess';
import type { Edit } from '../build';
import { type CablePart, catalogueOf, type InverterPart, type MotorPart } from '../parts';
import { motorCurrentA } from '../physics/motor';
import { smallestFuse } from '../proposals';
import { inverterPowerW } from '../vehicle';
import { thickEnough } from './thick-enough';

/** Roughly so many amperes for a square millimetre, to begin with. */
const A_PER_MM2 = 5;
const WAY_M = 1.5;

/**
 * The edit that puts one more inverter on the bus with a motor on it: fuse and cables for the share of the power that the new motor
 * takes beside those that are there, by its torque.
 */
export function secondDriveEdit(assessment: Assessment, inverter: InverterPart, motor: MotorPart, seed: string): Edit {
  const { build, vehicle } = assessment;
  const there = vehicle.devices.flatMap(({ part }) => (part?.kind === 'motor' ? [part.peakTorqueNm] : []));
  const share = motor.peakTorqueNm / (motor.peakTorqueNm + there.reduce((sum, nm) => sum + nm, 0));
  const nominalV = assessment.results.pack?.nominalV ?? inverter.window.workingMinV;
  const mostA = Math.min(
    (Math.abs(inverterPowerW(build, 'hard-acceleration')) * share) / (0.9 * nominalV),
    inverter.maxBatteryCurrentA,
  );
  const fuse = smallestFuse(assessment.context.fullV ?? 0, Math.max(mostA, 10));
  const cables = catalogueOf('cable')
    .filter(({ shielded }) => shielded)
    .sort((p, q) => p.areaMm2 - q.areaMm2);
  const least = (currentA: number): readonly CablePart[] => {
    const enough = cables.filter(({ areaMm2 }) => areaMm2 * A_PER_MM2 >= currentA);
    return enough.length > 0 ? enough : cables.slice(-1);
  };
  const peakW = (motor.peakTorqueNm * motor.baseSpeedRpm * 2 * Math.PI) / 60;
  const motorCable = least(motorCurrentA(motor) * Math.min(1, motor.continuousPowerW / peakW))[0]!;
  const edit = (cable: CablePart): Extract<Edit, { edit: 'addMotor' }> => ({
    edit: 'addMotor',
    input: {
      seed,
      device: { kind: 'inverter', name: 'Second inverter', partId: inverter.id },
      part: inverter,
      fuse,
      cable,
      lengthM: WAY_M,
      motor,
      motorName: 'Second motor',
      motorCable,
      motorCableM: 0.8,
    },
  });
  return edit(thickEnough(build, least(fuse.ratedCurrentA), edit, vehicle.memory.trial));
}
