import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import type { MotorPart } from '../../parts';
import { sideFactor, sideLoadN } from '../../physics/stage';
import { told } from '../../quantities';
import { driveTrainOf, motorOf, roadModel, type Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';

/** A force in workshop words. */
const newtons = (n: number): string => told(n, 'force', 3);

/** What a belt or chain stage does to the motor's shaft and mount at peak torque; null without one, or while it is not entered. */
export function stageLoads(
  vehicle: Vehicle,
): { readonly sideN: number; readonly reactionNm: number; readonly torqueNm: number } | null {
  const { stage } = vehicle.build;
  // Of several motors the strongest: each has such a stage.
  const motor = driveTrainOf(vehicle.build)
    .units.flatMap(({ part }) => part ?? [])
    .reduce<MotorPart | null>((p, r) => (p && p.peakTorqueNm >= r.peakTorqueNm ? p : r), null);
  if (!stage?.kind || stage.motorPulleyM === undefined || !motor) return null;
  return {
    sideN: sideLoadN(stage.kind, motor.peakTorqueNm, stage.motorPulleyM),
    // The motor's body turns against its shaft: its mount takes the motor's own torque.
    reactionNm: motor.peakTorqueNm,
    torqueNm: motor.peakTorqueNm,
  };
}

const sideLoad = defineRule({
  id: 'drive.side-load',
  endangers: 'parts',
  says: {
    fails: '{subject}’s shaft is pulled too hard',
    holds: '{subject}, side load',
    line: '{detail}',
    open: '{subject}, side load',
  },
  sources: [
    '(T1 + T2)/(T1 − T2) · 2·T/d at peak torque (generic tension ratios)',
    'Side load of the shaft: the motor’s sheet',
  ],
  judge: ({ vehicle }) => {
    const { stage } = vehicle.build;
    const motor = motorOf(vehicle.build);
    if (!stage?.kind || !motor) return [];
    const subject: Ref = { kind: 'device', id: motor.device.id, name: motor.device.name };
    const missing = [
      ...(stage.motorPulleyM === undefined ? ['the pulley on the motor'] : []),
      ...(stage.sideLimitN === undefined ? ['what its shaft takes sideways'] : []),
      ...(motor.part ? [] : ['part']),
    ];
    const loads = stageLoads(vehicle);
    if (missing.length > 0 || !loads || stage.sideLimitN === undefined || stage.motorPulleyM === undefined)
      return [{ subject, missing: missing.map((what) => ({ ref: subject, what })) }];
    const margin = marginAtMost(loads.sideN, stage.sideLimitN);
    return [
      {
        subject,
        margin,
        figures: { detail: `${newtons(loads.sideN)} of ${newtons(stage.sideLimitN)} at peak torque` },
        lines: () => [
          {
            formula: 'F = k · 2·T / d',
            figures: `${sideFactor(stage.kind!)} · 2 · ${q(loads.torqueNm, 'torque')} / ${q(stage.motorPulleyM!, 'length')} = ${newtons(loads.sideN)}`,
            result: { value: margin, dimension: 'ratio' },
            note: `The mount holds ${q(loads.reactionNm, 'torque')} against turning, as a pair of forces.`,
          },
        ],
      },
    ];
  },
  remedies: 'A support bearing outside the pulley, a larger pulley, or less belt tension.',
});

/** Rise within a ramp takes no more than this share of the torque that is there (practice: room for a slope). */
const deadMan = defineRule({
  id: 'drive.dead-man',
  endangers: 'people',
  says: {
    fails: 'Nothing stops the set speed',
    holds: 'Set speed has a presence switch',
    line: '{detail}',
    open: 'Set speed',
  },
  sources: [
    'A set speed instead of a pedal goes on when nobody holds it: a presence switch stops it (practice, ISO 13849 in spirit)',
  ],
  judge: ({ vehicle: { build } }) => {
    if (build.presetSpeed?.speedMPerS === undefined) return [];
    const subject: Ref = { kind: 'build', id: 'preset-speed', name: 'Set speed' };
    if (build.presetSpeed.deadMan === undefined)
      return [{ subject, missing: [{ ref: subject, what: 'whether a presence switch stops it' }] }];
    return [
      {
        subject,
        holds: build.presetSpeed.deadMan,
        figures: {
          detail: build.presetSpeed.deadMan ? 'stops when it is let go' : 'nothing stops it when it is let go',
        },
      },
    ];
  },
  remedies: 'Fit a switch that ends the set speed when the hand lets go, and tell it in Drive.',
});

const runaway = defineRule({
  id: 'drive.runaway',
  endangers: 'people',
  says: {
    fails: '{subject} can run away',
    holds: '{subject} can’t run away',
    line: '{detail}',
    open: '{subject} without load',
  },
  sources: [
    'Series DC: torque falls with 1/n², so without a load its speed rises until friction or the banding ends it',
  ],
  judge: ({ vehicle: { build } }): Finding<'detail'>[] => {
    // A clutch or a neutral takes the load off with the throttle open.
    const canUnload = build.schools.clutch === 'kept' || (roadModel(build)?.ratios.length ?? 1) > 1;
    return driveTrainOf(build).units.flatMap(({ motor, part }): Finding<'detail'>[] => {
      if (part?.motorKind !== 'series-dc') return [];
      const subject: Ref = { kind: 'device', id: motor.id, name: motor.name };
      if (build.stage?.overspeedCut === true)
        return [{ subject, holds: true, figures: { detail: 'a speed limit cuts its feed' } }];
      // A gearbox with a neutral can unload it whatever the clutch is; with one ratio the clutch decides.
      if (build.schools.clutch === undefined && (build.stage?.overspeedCut === undefined || !canUnload))
        return [{ subject, missing: [{ ref: subject, what: 'the clutch, and whether a speed limit cuts its feed' }] }];
      return [
        {
          subject,
          holds: !canUnload,
          figures: {
            detail: canUnload
              ? `clutch or neutral can unload it: without load past ${part.maximumSpeedRpm}/min it bursts; it needs a speed limit that cuts its feed`
              : 'nothing between it and the wheels can unload it',
          },
        },
      ];
    });
  },
  remedies: 'Keep a load on the shaft, or have the controller limit its speed; then tell it in Drive.',
});

export const STAGE_RULES: readonly Rule[] = [sideLoad, deadMan, runaway];
