import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { motorCurrentA } from '../../physics/motor';
import { roadForces, sumOf } from '../../physics/road-load';
import type { Quantity } from '../../quantities';
import {
  type CaseId,
  drivePoint,
  driveTrainOf,
  followsVehicle,
  inverterPowerW,
  nominalLinkV,
  partOf,
  roadModel,
  terminalVoltage,
} from '../../vehicle';
import { amps, type Context, deviceRef, volts, watts } from '../context';
import { defineRule, type Rule } from '../define';
import { BRAKING_RULES } from './braking-rules';
import { CLAIM_RULES } from './claim-rules';
import { driveResults } from './results';
import { several } from './several-rule';
import { assumedIn, motorRef, ROAD } from './shared';
import { STAGE_RULES } from './stage-rules';
import { TRIP_RULES } from './trip-rules';
import { TYRE_RULES } from './tyre-rules';

/** A steady speed on a grade, with the torque of the lowest link voltage that the circuit then has. */
function steadyFinding<Figure extends 'speed' | 'grade'>(
  context: Context,
  speedMPerS: number | undefined,
  grade: number,
  worst: CaseId,
  shown: readonly Figure[],
): readonly Finding<Figure, 'torque'>[] {
  const { build } = context.vehicle;
  const subject = motorRef(context);
  if (!subject || speedMPerS === undefined) return [];
  const model = roadModel(build);
  if (!model) return [{ subject, missing: [{ ref: subject, what: 'the empty mass' }] }];
  if (!model.motor || model.wheelRadiusM === null)
    return [{ subject, missing: [{ ref: subject, what: model.motor ? 'the tyres' : 'part' }] }];
  const solved = context.vehicle.caseOf(worst);
  // Of several inverters the one that has least.
  const links = context.vehicle.devices.flatMap(({ device, id }) => {
    if (device.kind !== 'inverter' || !solved) return [];
    const v = terminalVoltage(solved, { deviceId: id, terminal: 'plus' }, { deviceId: id, terminal: 'minus' });
    return v === null ? [] : [v];
  });
  const sagging = links.length > 0 ? Math.min(...links) : null;
  const linkV = sagging ?? nominalLinkV(build);
  const forceN = sumOf(roadForces(model.road, speedMPerS, grade, 0));
  const point = drivePoint(model, forceN, speedMPerS, linkV);
  const limit = inverterPowerW(build, 'hard-acceleration');
  const told: Record<'speed' | 'grade', Quantity> = {
    grade: { value: grade, dimension: 'ratio' },
    speed: { value: speedMPerS, dimension: 'speed' },
  };
  return [
    {
      subject,
      ...(solved ? { case: solved.id } : {}),
      demand: watts(point.batteryW),
      limit: watts(limit),
      ...(point.possible ? { margin: marginAtMost(point.batteryW, limit) } : { holds: false, variant: 'torque' }),
      figures: Object.fromEntries(shown.map((name) => [name, told[name]])) as Record<Figure, Quantity>,
      lines: () => [
        {
          formula: 'P = F · v / (η_driveline · η_motor)',
          figures: `${q(forceN, 'force')} · ${q(speedMPerS, 'speed')}, motor and inverter ${(point.efficiency * 100).toFixed(0)} %`,
          result: watts(point.batteryW),
          note: `Torque at ${q(linkV, 'voltage')} on the link${sagging === null ? ', nominal' : ', sagging'}.`,
        },
      ],
      assumed: assumedIn(context),
    },
  ];
}

const climb = defineRule({
  id: 'drive.climb',
  endangers: 'comfort',
  says: {
    fails: '{subject} can’t keep the speed on the climb',
    holds: '{subject} on the climb',
    line: '{demand} of {limit} at {speed} up {grade}',
    open: '{subject} on the climb',
  },
  variants: {
    torque: {
      fails: '{subject} has not the torque for the climb',
      holds: '{subject} on the climb',
      line: 'no gear pulls {speed} up {grade}',
    },
  },
  sources: [ROAD, 'Torque at the wheels in the best gear, inverter’s battery limit counted'],
  judge: (context) => {
    const { hillGrade, hillSpeedMPerS } = context.vehicle.build.duty;
    return hillGrade === undefined
      ? []
      : steadyFinding(context, hillSpeedMPerS, hillGrade, 'hill/cold-old-empty/minutes', ['grade', 'speed']);
  },
  remedies: 'A shorter gear, a stronger motor or inverter, less mass, or less speed on that hill.',
});

const cruise = defineRule({
  id: 'drive.cruise',
  endangers: 'comfort',
  says: {
    fails: '{subject} can’t keep the cruise speed',
    holds: '{subject} in cruise',
    line: '{demand} of {limit} at {speed}',
    open: '{subject} in cruise',
  },
  variants: {
    torque: {
      fails: '{subject} can’t keep the cruise speed',
      holds: '{subject} in cruise',
      line: 'no gear pulls {speed}',
    },
  },
  sources: [
    ROAD,
    'The circuit’s cruise power is bounded by the inverter’s limit: whether the speed is kept is said here',
  ],
  judge: (context) =>
    followsVehicle(context.vehicle.build)
      ? steadyFinding(context, context.vehicle.build.duty.cruiseSpeedMPerS, 0, 'cruise/cold-old-empty/sustained', [
          'speed',
        ])
      : [],
  remedies: 'A stronger motor or inverter, less drag, or less speed.',
});

const backVoltage = defineRule({
  id: 'drive.back-voltage',
  endangers: 'people',
  says: {
    fails: '{subject} would feed too much voltage back',
    holds: '{subject} turned fast',
    line: '{demand} at {rpm}/min, the inverter survives {limit}',
    open: '{subject} turned fast',
  },
  sources: [
    'Peak between two phases at the motor’s highest speed over all gears, overrun included ≤ the inverter’s absolute maximum: opening the contactors feeds the link (textbook)',
  ],
  judge: (context) => {
    const train = driveTrainOf(context.vehicle.build);
    // Only motors that the road is reckoned with can be asked how fast it turns them.
    const gearingOf = new Map(
      train.units
        .filter((_, k) => k === 0 || train.open.length === 0)
        .map(({ motor, gearing }) => [motor.id, gearing] as const),
    );
    // Which inverter feeds which motor is not told: the one that survives least counts for all of them.
    const absolutes = context.vehicle.devices.flatMap((one) => partOf(one, 'inverter')?.window.absoluteMaxV ?? []);
    if (absolutes.length === 0) return [];
    const absolute = Math.min(...absolutes);
    return context.vehicle.devices.flatMap((motor): Finding<never, 'rpm'>[] => {
      const part = partOf(motor, 'motor');
      if (part?.motorKind !== 'permanent-magnet') return [];
      const subject = deviceRef(motor);
      const perKrpm = part.backVoltagePerKrpmV;
      if (perKrpm === undefined) return [{ subject, missing: [{ ref: subject, what: 'its back-voltage' }] }];
      const gearing = gearingOf.get(motor.id);
      const model = gearing === undefined ? null : roadModel(context.vehicle.build);
      const results = model?.motor
        ? driveResults(
            context.vehicle,
            context.fullV ?? nominalLinkV(context.vehicle.build),
            inverterPowerW(context.vehicle.build, 'hard-acceleration'),
          )
        : null;
      const most = part.maximumSpeedRpm;
      // A low gear at the top speed of the longest, a slope down on top: the motor is turned as fast as it can bear. Where the road can't do
      // that to it, a tenth above the top speed; where mass, tyres or gears are not known, as fast as it can bear.
      const turned = results
        ? ((1.1 * results.topSpeedMPerS) / results.model.wheelRadiusM!) *
          Math.max(...results.model.ratios) *
          gearing! *
          (60 / (2 * Math.PI))
        : most;
      const rpm = Math.min(turned, most);
      const demand = (perKrpm * rpm) / 1000;
      return [
        {
          subject,
          demand: volts(demand),
          limit: volts(absolute),
          margin: marginAtMost(demand, absolute),
          figures: { rpm: rpm.toFixed(0) },
          lines: () => [
            {
              formula: 'U = k · n, n a tenth above the top speed in the lowest gear, at most what the motor bears',
              figures: `${perKrpm} V per 1000/min · ${rpm.toFixed(0)}/min`,
              result: volts(demand),
            },
          ],
        },
      ];
    });
  },
  remedies:
    'An inverter for a higher voltage, a motor with less back-voltage, or a shorter way to top speed: lower revolutions.',
});

const motorCurrent = defineRule({
  id: 'drive.motor-current',
  endangers: 'parts',
  says: {
    fails: '{subject} wants more amperes than the inverter gives',
    holds: '{subject} amperes at peak torque',
    line: '{demand} of {limit} on the motor side: {torque}',
    open: '{subject} amperes',
  },
  comfort: 0,
  sources: [
    'I = P / (√3 · U · cosφ) at the base speed, cosφ 0.85 (generic); a series motor: I = P / U',
    'Motor side of the inverter: its sheet. Motor amperes are not battery amperes.',
  ],
  judge: (context) => {
    const { vehicle } = context;
    return driveTrainOf(vehicle.build).units.flatMap((unit, _, units): Finding<'torque'>[] => {
      const { part: motor } = unit;
      // Of a motor whose inverter nobody told, the first inverter there is.
      const inverter =
        vehicle.deviceOf.get(unit.inverterId ?? '') ?? vehicle.devices.find(({ device }) => device.kind === 'inverter');
      const part = partOf(inverter, 'inverter');
      if (!motor || !inverter || !part) return [];
      const subject: Ref = { kind: 'device', id: unit.motor.id, name: unit.motor.name };
      const limit = part.maxMotorCurrentA;
      if (limit === undefined)
        return [{ subject, missing: [{ ref: deviceRef(inverter), what: 'current of its motor side' }] }];
      // Motors beside it on the same inverter want theirs too.
      const fellows =
        unit.inverterId === null ? [unit] : units.filter((one) => one.inverterId === unit.inverterId && one.part);
      const demand = fellows.reduce((sum, one) => sum + motorCurrentA(one.part!), 0);
      return [
        {
          subject,
          demand: amps(demand),
          limit: amps(limit),
          margin: marginAtMost(demand, limit),
          figures: {
            torque: {
              value: Math.min(motor.peakTorqueNm, (motor.peakTorqueNm * limit) / demand),
              dimension: 'torque',
            },
          },
          lines: () => [
            {
              formula: motor.motorKind === 'series-dc' ? 'I = T · ω / (η · U)' : 'I = T · ω / (η · √3 · U · cosφ)',
              figures: `${q(motor.peakTorqueNm, 'torque')} at ${motor.baseSpeedRpm}/min, link ${q(motor.baseLinkV, 'voltage')}${fellows.length > 1 ? `; ${fellows.length} motors on one inverter` : ''}`,
              result: amps(demand),
            },
          ],
        },
      ];
    });
  },
  remedies: 'An inverter with more motor current, or live with the torque that is named.',
});

export const DRIVE_RULES: readonly Rule[] = [
  climb,
  cruise,
  backVoltage,
  several,
  motorCurrent,
  ...TRIP_RULES,
  ...BRAKING_RULES,
  ...STAGE_RULES,
  ...CLAIM_RULES,
  ...TYRE_RULES,
];
