import { PHASES } from '../../build';
import { type Finding, marginAtMost, marginOfRise, quantityText as q } from '../../checks';
import { FIN_M, jointHeatW, SHED_BY_FACES_W, shedByCableW } from '../../physics/joint';
import { motorCurrentA } from '../../physics/motor';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import {
  barOf,
  carriesA,
  conductorTemperature,
  driveTrainOf,
  perMetre20,
  type ResolvedConductor,
  solvedStates,
  type Vehicle,
} from '../../vehicle';
import { amps, celsius, conductorRef, hotPlace, watts } from '../context';
import { defineRule, type Rule } from '../define';
import { FACES_SHED, shedLine } from '../joint-heat';

const atPhase = ({ conductor: { a, b } }: ResolvedConductor): boolean =>
  PHASES.has(a.terminal) || PHASES.has(b.terminal);

/**
 * Between inverter and motor, with any number of joints on the way: they carry alternating current that the direct-current solution knows
 * nothing of. A piece between two joints counts only where the whole run ends on phases: what also leads elsewhere is judged like any cable.
 */
export function phasesOf(vehicle: Vehicle): (conductor: ResolvedConductor) => boolean {
  const jointAt = (end: { readonly deviceId: string }) =>
    vehicle.deviceOf.get(end.deviceId)?.device.kind === 'junction' ? end.deviceId : null;
  const between = new Set<string>();
  for (const first of vehicle.conductors) {
    if (!atPhase(first)) continue;
    const run = new Set([first]);
    let ends = true;
    for (const one of run)
      for (const end of [one.conductor.a, one.conductor.b]) {
        const joint = jointAt(end);
        if (joint !== null) {
          for (const next of vehicle.conductors)
            if (next.conductor.a.deviceId === joint || next.conductor.b.deviceId === joint) run.add(next);
        } else if (!PHASES.has(end.terminal)) ends = false;
      }
    if (ends) for (const { id } of run) between.add(id);
  }
  return (conductor) => atPhase(conductor) || between.has(conductor.id);
}

/**
 * Rms of a phase at the motor's continuous power at base speed, A; of a series motor the direct current. Which of several motors a cable
 * leads to its end tells; between joints all that it may lead to. Null: no motor is told.
 */
export function continuousA({ build }: Vehicle, { conductor: { a, b } }: ResolvedConductor): number | null {
  const { units } = driveTrainOf(build);
  const at = units.filter(({ motor }) => a.deviceId === motor.id || b.deviceId === motor.id);
  const fed = units.filter(({ inverterId }) => a.deviceId === inverterId || b.deviceId === inverterId);
  const motors = at.length > 0 ? at : fed.length > 0 ? fed : units;
  if (motors.length === 0 || motors.some(({ part }) => !part)) return null;
  return motors.reduce((sum, { part }) => {
    const peakW = (part!.peakTorqueNm * part!.baseSpeedRpm * 2 * Math.PI) / 60;
    return sum + motorCurrentA(part!) * Math.min(1, part!.continuousPowerW / peakW);
  }, 0);
}

/** With the motor’s current for good, °C; null: it heats without end. Undefined: the motor, the cable or its place is not known. */
export function phaseTemperatureC(vehicle: Vehicle, conductor: ResolvedConductor): number | null | undefined {
  const currentA = continuousA(vehicle, conductor);
  return currentA === null || !conductor.cable || !conductor.zone
    ? undefined
    : conductorTemperature(conductor, currentA);
}

const phase = defineRule({
  id: 'cable.phase',
  endangers: 'fire',
  says: {
    fails: '{subject} gets too hot with the motor’s current',
    holds: '{subject} with the motor’s current',
    line: '{demand} of {limit} with {current} a phase',
    open: '{subject} with the motor’s current',
  },
  variants: {
    runaway: {
      fails: '{subject} has no steady temperature with the motor’s current',
      holds: '{subject} with the motor’s current',
      line: '{current} a phase',
    },
  },
  sources: [
    'Phase current at the motor’s continuous power and base speed: I = P / (√3 · U · cosφ · η)',
    'Heat balance of the cable in its place. Motor amperes are not battery amperes.',
  ],
  judge: ({ vehicle }) => {
    const isPhase = phasesOf(vehicle);
    return vehicle.conductors.flatMap((conductor): Finding<'current', 'runaway'>[] => {
      if (!isPhase(conductor) || conductor.conductor.kind !== 'cable') return [];
      const subject = conductorRef(conductor);
      const { cable, zone } = conductor;
      const currentA = continuousA(vehicle, conductor);
      const missing = [
        ...conductor.missing.filter((what) => what !== 'length').map((what) => ({ ref: subject, what })),
        ...(currentA === null ? [{ ref: subject, what: 'the motor that it feeds' }] : []),
      ];
      if (!cable || !zone || currentA === null || missing.length > 0) return [{ subject, missing }];
      const reached = phaseTemperatureC(vehicle, conductor);
      if (reached === undefined) return [{ subject, missing }];
      const figures = { current: amps(currentA) };
      if (reached === null) return [{ subject, holds: false, variant: 'runaway', figures }];
      return [
        {
          subject,
          demand: celsius(reached),
          limit: celsius(cable.temperatureClassC),
          margin: marginOfRise(reached, cable.temperatureClassC, zone.ambientC),
          figures,
          assumed: ['Peaks of seconds ride on the copper; skin effect is left out.', ...hotPlace(conductor)],
        },
      ];
    });
  },
  remedies: [propose.thickerCable],
});

/** What flows through a conductor for good, A: between inverter and motor the phase’s. Null: the motor is not told. */
function lastingA(vehicle: Vehicle, conductor: ResolvedConductor, isPhase: boolean): number | null {
  if (isPhase) return continuousA(vehicle, conductor);
  return Math.max(
    0,
    ...solvedStates(vehicle)
      .filter(({ state }) => state.duration === 'sustained')
      .map(({ point }) => Math.abs(point.elementCurrentsA.get(conductor.id) ?? 0)),
  );
}

const joint = defineRule({
  id: 'cable.joint',
  endangers: 'fire',
  says: {
    fails: 'A joint of {subject} heats more than its cable can shed',
    holds: 'Joints of {subject}',
    line: '{demand} a joint, {limit} at most',
    open: 'Joints of {subject}',
  },
  variants: {
    faces: {
      fails: '{subject} heats more than its bolted faces can shed',
      holds: 'Bolted faces of {subject}',
      line: '{demand} where they meet, {limit} at most',
    },
  },
  sources: [
    `P = I² · R of one joint, against what ${told(FIN_M, 'length')} of its cable still sheds at this current: (I_z² − I²) · R20 · ${told(FIN_M, 'length')} (generic)`,
    FACES_SHED,
  ],
  judge: ({ vehicle }) => {
    const phases = phasesOf(vehicle);
    return vehicle.conductors.flatMap((conductor): Finding<never, 'faces'>[] => {
      const told = conductor.conductor.jointResistanceOhm;
      const faces = conductor.conductor.kind === 'bolted';
      const bar = barOf(vehicle, conductor);
      if (told === null || !(conductor.cable || bar || faces)) return [];
      const subject = conductorRef(conductor);
      const mostA = faces ? Number.POSITIVE_INFINITY : carriesA(vehicle, conductor);
      if (mostA === null) return [{ subject, missing: conductor.missing.map((what) => ({ ref: subject, what })) }];
      const currentA = lastingA(vehicle, conductor, phases(conductor));
      if (currentA === null) return [{ subject, missing: [{ ref: subject, what: 'the motor that it feeds' }] }];
      if (currentA === 0) return [];
      const heatW = jointHeatW(currentA, told, faces ? 1 : 2);
      const ohmPerM = (perMetre20(conductor) ?? 0) / conductor.conductor.parallel;
      const shedW = faces ? SHED_BY_FACES_W : shedByCableW(mostA, currentA, ohmPerM);
      return [
        {
          subject,
          ...(faces ? { variant: 'faces' } : {}),
          demand: watts(heatW),
          limit: watts(shedW),
          margin: marginAtMost(heatW, shedW),
          lines: () => [
            {
              formula: faces ? 'P = I² · R' : 'P = I² · R_joints / 2',
              figures: `(${q(currentA, 'current')})² · ${q(told, 'resistance')}${faces ? '' : ' / 2'}`,
              result: watts(heatW),
            },
            ...(faces ? [] : [shedLine(mostA, currentA, ohmPerM)]),
          ],
        },
      ];
    });
  },
  remedies: 'Clean, tin or crimp the lugs anew, tighten by torque, and measure the drop across each joint.',
});

export const PHASE_RULES: readonly Rule[] = [phase, joint];
