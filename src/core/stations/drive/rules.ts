import { type Finding, marginAtLeast, marginAtMost, quantityText as q, type Ref, type Rule } from '../../checks';
import { roadForces, sumOf } from '../../physics/road-load';
import { WINDOWS_S } from '../../simulate';
import {
  type CaseId,
  drivePoint,
  followsVehicle,
  inverterPowerW,
  motorOf,
  nominalLinkV,
  partOf,
  roadModel,
  terminalVoltage,
} from '../../vehicle';
import { amps, type Context, volts, watts } from '../context';
import { CLAIM_RULES } from './claim-rules';
import { driveResults } from './results';
import { STAGE_RULES } from './stage-rules';

const TRIP: Ref = { kind: 'build', id: 'trip', name: 'Usual trip' };
const ROAD = 'F = m·g·C_rr·cosθ + m·g·sinθ + ½·ρ·C_dA·v² (textbook); generic map of motor and inverter';

const motorRef = (context: Context): Ref | null => {
  const motor = motorOf(context.vehicle.build);
  return motor ? { kind: 'device', id: motor.device.id, name: motor.device.name } : null;
};

const assumedIn = (context: Context): readonly string[] =>
  (roadModel(context.vehicle.build)?.assumed ?? []).map((words) => `Assumed: ${words}.`);

/** A steady speed on a grade, with the torque of the lowest link voltage that the circuit then has. */
function steadyFinding(
  context: Context,
  speedMPerS: number | undefined,
  grade: number,
  worst: CaseId,
): readonly Finding[] {
  const { build } = context.vehicle;
  const subject = motorRef(context);
  if (!subject || speedMPerS === undefined) return [];
  const model = roadModel(build);
  if (!model) return [{ subject, missing: [{ ref: subject, what: 'the empty mass' }] }];
  if (!model.motor || model.wheelRadiusM === null)
    return [{ subject, missing: [{ ref: subject, what: model.motor ? 'the tyres' : 'part' }] }];
  const inverter = context.vehicle.devices.find(({ device }) => device.kind === 'inverter');
  const solved = context.vehicle.caseOf(worst);
  const ends = inverter && {
    plus: { deviceId: inverter.id, terminal: 'plus' },
    minus: { deviceId: inverter.id, terminal: 'minus' },
  };
  const sagging = solved && ends ? terminalVoltage(solved, ends.plus, ends.minus) : null;
  const linkV = sagging ?? nominalLinkV(build);
  const forceN = sumOf(roadForces(model.road, speedMPerS, grade, 0));
  const point = drivePoint(model, forceN, speedMPerS, linkV);
  const limit = inverterPowerW(build, 'hard-acceleration');
  return [
    {
      subject,
      ...(solved ? { case: solved.id } : {}),
      demand: watts(point.batteryW),
      limit: watts(limit),
      ...(point.possible ? { margin: marginAtMost(point.batteryW, limit) } : { holds: false, variant: 'torque' }),
      figures: { grade: { value: grade, dimension: 'ratio' }, speed: { value: speedMPerS, dimension: 'speed' } },
      lines: () => [
        {
          formula: 'P = F · v / (η_driveline · η_motor)',
          figures: `${forceN.toFixed(0)} N · ${q(speedMPerS, 'speed')}, motor and inverter ${(point.efficiency * 100).toFixed(0)} %`,
          result: watts(point.batteryW),
          note: `Torque at ${q(linkV, 'voltage')} on the link${sagging === null ? ', nominal' : ', sagging'}.`,
        },
      ],
      assumed: assumedIn(context),
    },
  ];
}

const climb: Rule<Context> = {
  id: 'drive.climb',
  station: 'drive',
  sources: [ROAD, 'Torque at the wheels in the best gear, inverter’s battery limit counted'],
  judge: (context) => {
    const { hillGrade, hillSpeedMPerS } = context.vehicle.build.duty;
    return hillGrade === undefined
      ? []
      : steadyFinding(context, hillSpeedMPerS, hillGrade, 'hill/cold-old-empty/minutes');
  },
};

const cruise: Rule<Context> = {
  id: 'drive.cruise',
  station: 'drive',
  sources: [
    ROAD,
    'The circuit’s cruise power is bounded by the inverter’s limit: whether the speed is kept is said here',
  ],
  judge: (context) =>
    followsVehicle(context.vehicle.build)
      ? steadyFinding(context, context.vehicle.build.duty.cruiseSpeedMPerS, 0, 'cruise/cold-old-empty/sustained')
      : [],
};

const backVoltage: Rule<Context> = {
  id: 'drive.back-voltage',
  station: 'drive',
  sources: [
    'Peak between two phases at the motor’s highest speed ≤ the inverter’s absolute maximum: opening the contactors feeds the link (textbook)',
  ],
  judge: (context) => {
    const motor = motorOf(context.vehicle.build);
    const subject = motorRef(context);
    if (!motor?.part || !subject || motor.part.motorKind !== 'permanent-magnet') return [];
    const perKrpm = motor.part.backVoltagePerKrpmV;
    if (perKrpm === undefined) return [{ subject, missing: [{ ref: subject, what: 'its back-voltage' }] }];
    const inverter = context.vehicle.devices.find(({ device }) => device.kind === 'inverter');
    const absolute = partOf(inverter, 'inverter')?.window.absoluteMaxV;
    if (absolute === undefined) return [];
    const results = driveResults(
      context.vehicle,
      context.fullV ?? nominalLinkV(context.vehicle.build),
      inverterPowerW(context.vehicle.build, 'hard-acceleration'),
    );
    if (!results) return [{ subject, missing: [{ ref: subject, what: 'mass, tyres and gears' }] }];
    const radius = results.model.wheelRadiusM!;
    // In the longest gear at the top speed, with a tenth on top for a slope down.
    const ratio = Math.min(...results.model.ratios);
    const rpm = Math.min(
      ((1.1 * results.topSpeedMPerS) / radius) * ratio * (60 / (2 * Math.PI)),
      motor.part.maximumSpeedRpm,
    );
    const demand = (perKrpm * rpm) / 1000;
    const margin = marginAtMost(demand, absolute);
    return [
      {
        subject,
        demand: volts(demand),
        limit: volts(absolute),
        margin,
        figures: { rpm: rpm.toFixed(0) },
        lines: () => [
          {
            formula: 'U = k · n, n a tenth above the top speed in the longest gear',
            figures: `${perKrpm} V per 1000/min · ${rpm.toFixed(0)}/min`,
            result: volts(demand),
          },
        ],
      },
    ];
  },
};

const needsRun = (context: Context): Finding | null => {
  if (context.tripKey === null) return null;
  return context.trip ? null : { subject: TRIP, pending: true };
};

const range: Rule<Context> = {
  id: 'drive.range',
  station: 'drive',
  sources: [
    'The usual trip driven with the aged pack on the coldest day, heater on, down to where driving stops',
    ROAD,
  ],
  judge: (context) => {
    const daily = context.vehicle.build.duty.dailyDistanceM;
    if (daily === undefined || daily === 0) return [];
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const reach = context.trip?.rangeWinterM;
    if (reach == null)
      return context.trip ? [] : [{ subject: TRIP, missing: [{ ref: TRIP, what: 'mass, tyres, motor and cells' }] }];
    const margin = marginAtLeast(reach, daily);
    return [
      {
        subject: TRIP,
        demand: { value: reach, dimension: 'distance' },
        limit: { value: daily, dimension: 'distance' },
        margin,
        lines: () => [
          {
            formula: 'range = s_trip · (1 − s_stop) / s_used',
            figures: `${q(context.trip!.winter.distanceM, 'distance')} takes ${((0.9 - context.trip!.winter.socEnd) * 100).toFixed(2)} % of the charge`,
            result: { value: reach, dimension: 'distance' },
            note: `${context.trip!.winter.energyPerKmWh?.toFixed(0) ?? '–'} Wh/km`,
          },
        ],
        assumed: [
          ...assumedIn(context),
          'Cold takes capacity besides: not counted, so keep more in hand in deep frost.',
        ],
      },
    ];
  },
};

const claim: Rule<Context> = {
  id: 'drive.claim',
  station: 'drive',
  sources: ['A range that was promised against the pack new on a mild day'],
  judge: (context) => {
    const promised = context.vehicle.build.duty.claimedRangeM;
    if (promised === undefined || promised === 0) return [];
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const reach = context.trip?.rangeFreshM;
    if (reach == null) return [];
    return [
      {
        subject: { kind: 'build', id: 'claim', name: 'Promised range' },
        demand: { value: promised, dimension: 'distance' },
        limit: { value: reach, dimension: 'distance' },
        margin: marginAtMost(promised, reach),
      },
    ];
  },
};

const follows: Rule<Context> = {
  id: 'drive.cruise-covers',
  station: 'drive',
  sources: [
    'The worst half hour of the usual trip, rms, is not above the sustained current that cables, fuses and contactors are held against',
  ],
  judge: (context) => {
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const run = context.trip?.winter;
    if (!run) return [];
    const inverter = context.vehicle.devices.find(({ device }) => device.kind === 'inverter');
    if (!inverter) return [];
    const box = context.vehicle.devices.find(({ device }) => device.kind === 'box');
    const sustained = Math.max(
      0,
      ...context.vehicle.cases
        .filter(
          ({ state, point }) =>
            // What charges the pack passes other wires than what drives.
            state.duration === 'sustained' && state.id !== 'charging' && state.closed.length > 0 && point.solvable,
        )
        .map(({ point }) => Math.abs(point.elementCurrentsA.get(box?.id ?? '') ?? 0)),
    );
    if (sustained === 0) return [];
    const demand = run.currents.windowsA[WINDOWS_S.length - 1]!;
    const margin = marginAtMost(demand, sustained);
    return [
      {
        subject: TRIP,
        demand: amps(demand),
        limit: amps(sustained),
        margin,
        assumed: assumedIn(context),
      },
    ];
  },
};

/** Share of the trip in which it may be slower than the trace (engineering judgement). */
const BEHIND_SHARE = 0.05;

const gives: Rule<Context> = {
  id: 'drive.gives',
  station: 'drive',
  sources: ['Seconds of the usual trip in which motor, inverter or pack can’t give what the trace asks'],
  judge: (context) => {
    const waiting = needsRun(context);
    if (waiting) return [waiting];
    const run = context.trip?.winter;
    if (!run) return [];
    const share = run.durationS > 0 ? run.shortS / run.durationS : 0;
    return [
      {
        subject: TRIP,
        demand: { value: share, dimension: 'ratio' },
        limit: { value: BEHIND_SHARE, dimension: 'ratio' },
        margin: marginAtMost(share, BEHIND_SHARE),
        figures: {
          detail:
            run.shortS < 1
              ? 'it follows the trace all the way'
              : `${run.shortS.toFixed(0)} s of ${run.durationS} s it falls behind`,
        },
      },
    ];
  },
};

export const DRIVE_RULES: readonly Rule<Context>[] = [
  climb,
  cruise,
  backVoltage,
  range,
  claim,
  follows,
  gives,
  ...STAGE_RULES,
  ...CLAIM_RULES,
];
