import {
  calcCableTransient,
  calcDcDc,
  calcDrive,
  calcHoldUp,
  calcJoinPacks,
  calcMotorVoltage,
  calcParked,
} from '@/core/calc';
import { type Chemistry, ocvPoints } from '@/core/physics/cell';
import { CHEMISTRIES, figure, needed, type Sum, type SumValues } from './sum-types';

const number = (values: SumValues, key: string): number => Number(values[key] ?? 0);

/** A start from rest, a stretch at speed and a stop, one point a second, m/s. */
export function startHoldStop(speedMPerS: number, secondsUp: number, secondsAt: number, secondsDown: number): number[] {
  const up = Math.max(1, Math.round(secondsUp));
  const down = Math.max(1, Math.round(secondsDown));
  return [
    ...Array.from({ length: up + 1 }, (_, k) => (speedMPerS * k) / up),
    ...Array.from({ length: Math.max(0, Math.round(secondsAt)) }, () => speedMPerS),
    ...Array.from({ length: down }, (_, k) => speedMPerS * (1 - (k + 1) / down)),
  ];
}

/** Pocket tools about time: pulses, trips, batteries side by side and the 12-volt side. */
export const TRIP_SUMS: readonly Sum[] = [
  {
    name: 'cable-transient',
    title: 'Cable, pulses',
    about: 'A pulse and a rest, again and again: how hot the conductor really gets.',
    fields: [
      figure('areaMm2', 'Size', 'area', needed),
      figure('ambientC', 'Air around it', 'temperature', needed),
      figure('pulseA', 'Pulse', 'current', needed),
      figure('pulseS', '… for', 'time', needed),
      figure('restA', 'Between', 'current'),
      figure('restS', '… for', 'time', needed),
    ],
    start: { areaMm2: 35, ambientC: 40, pulseA: 300, pulseS: 600, restA: 0, restS: 1800 },
    figures: [
      { key: 'peakTemperatureC', label: 'Conductor peaks at', dimension: 'temperature', never: 'melts' },
      {
        key: 'temperatureAtRmsC',
        label: 'The rms alone would say',
        dimension: 'temperature',
        never: 'no steady temperature',
      },
      { key: 'rmsCurrentA', label: 'Rms current', dimension: 'current' },
      { key: 'tau63S', label: '63 % of the rise after', dimension: 'time', never: '–' },
    ],
    run: (values) =>
      calcCableTransient({
        areaMm2: number(values, 'areaMm2'),
        wall: number(values, 'areaMm2') < 2 ? 'thin' : 'thick',
        ambientC: number(values, 'ambientC'),
        profile: [
          { currentA: number(values, 'pulseA'), durationS: number(values, 'pulseS') },
          { currentA: number(values, 'restA'), durationS: number(values, 'restS') },
        ],
        repeats: 'settled',
      }),
  },
  {
    name: 'join-packs',
    title: 'Joining packs',
    about: 'Two packs of the same cells side by side: what flows when they meet.',
    fields: [
      { key: 'chemistry', label: 'Cells', choices: CHEMISTRIES },
      figure('cellsInSeries', 'In series', 'count', needed),
      figure('capacityAAh', 'Pack A', 'charge', needed),
      figure('capacityBAh', 'Pack B', 'charge', needed),
      figure('resistanceAOhm', 'Pack A inside', 'resistance', needed),
      figure('resistanceBOhm', 'Pack B inside', 'resistance', needed),
      figure('jointResistanceOhm', 'Between them', 'resistance'),
      figure('socA', 'A is charged to', 'ratio', { needed: true, unit: '%' }),
      figure('socB', 'B is charged to', 'ratio', { needed: true, unit: '%' }),
    ],
    start: {
      chemistry: 'nmc',
      cellsInSeries: 90,
      capacityAAh: 176,
      capacityBAh: 66,
      resistanceAOhm: 0.054,
      resistanceBOhm: 0.11,
      jointResistanceOhm: 2,
      socA: 0.68,
      socB: 0.6,
    },
    figures: [
      { key: 'initialCurrentA', label: 'First current, A to B', dimension: 'current' },
      { key: 'differenceV', label: 'Between them, open', dimension: 'voltage' },
      { key: 'timeTo5PercentS', label: 'Down to a twentieth after', dimension: 'time', never: 'never' },
      { key: 'finalSoc', label: 'Both rest at', dimension: 'ratio' },
      { key: 'heatJ', label: 'Heat in the resistances', dimension: 'energy' },
    ],
    run: ({ chemistry, ...values }) =>
      calcJoinPacks({
        ...(values as never as Parameters<typeof calcJoinPacks>[0]),
        ocvCurve: ocvPoints(chemistry as Chemistry),
      }),
    caution:
      'Packs that differ by little in voltage can drive hundreds of amperes. Join through a resistor, measure, then close.',
  },
  {
    name: 'motor-voltage',
    title: 'Motor at a voltage',
    about: 'How fast it pulls fully on this link, and what is left above that.',
    fields: [
      {
        key: 'motorKind',
        label: 'Motor',
        choices: [
          ['induction', 'induction'],
          ['permanent-magnet', 'permanent magnet'],
        ],
      },
      figure('windingVoltageRmsV', 'Winding, phase to phase, rms', 'voltage', needed),
      figure('ratedSpeedRpm', 'Rated speed, rpm', 'count', needed),
      figure('maximumSpeedRpm', 'Highest speed, rpm', 'count', needed),
      figure('peakTorqueNm', 'Peak torque', 'torque', needed),
      figure('peakPowerW', 'Peak power', 'power'),
      figure('linkVoltageV', 'Link, under load', 'voltage', needed),
      figure('speedRpm', 'At a speed of, rpm', 'count', needed),
    ],
    start: {
      motorKind: 'induction',
      windingVoltageRmsV: 160,
      ratedSpeedRpm: 3000,
      maximumSpeedRpm: 8000,
      peakTorqueNm: 160,
      peakPowerW: 50000,
      linkVoltageV: 125,
      speedRpm: 4000,
    },
    figures: [
      { key: 'requiredLinkVoltageV', label: 'Wants, for rated speed', dimension: 'voltage' },
      { key: 'availableRmsV', label: 'The link gives, rms', dimension: 'voltage', never: '–' },
      { key: 'baseSpeedRpm', label: 'Full torque up to, rpm', dimension: 'count' },
      { key: 'points.0.torqueNm', label: 'Torque at that speed', dimension: 'torque' },
      { key: 'points.0.powerW', label: 'Power at that speed', dimension: 'power' },
    ],
    run: ({ speedRpm, ...values }) =>
      calcMotorVoltage({
        ...(values as never as Parameters<typeof calcMotorVoltage>[0]),
        speedsRpm: [Number(speedRpm ?? 0)],
      }),
  },
  {
    name: 'drive',
    title: 'Driving',
    about: 'From rest to a speed, along, and to a stop: energy and current at the battery.',
    fields: [
      figure('massKg', 'Mass', 'mass', needed),
      figure('rollingCoefficient', 'Rolling resistance', 'ratio', { needed: true, unit: '%' }),
      figure('dragAreaM2', 'Drag area C_dA', 'surface', needed),
      figure('speedMPerS', 'Speed', 'speed', needed),
      figure('upS', 'Up to it in', 'time', needed),
      figure('atS', 'Along for', 'time', needed),
      figure('downS', 'Stopping in', 'time', needed),
      figure('gradeFraction', 'Uphill', 'ratio', { unit: '%' }),
      figure('drivelineEfficiency', 'Battery to wheels', 'ratio', { needed: true, unit: '%' }),
      figure('regenFraction', 'Braking that goes back', 'ratio', { unit: '%' }),
      figure('auxiliaryPowerW', 'Everything else', 'power'),
      figure('batteryVoltageV', 'Battery', 'voltage', needed),
    ],
    start: {
      massKg: 1450,
      rollingCoefficient: 0.013,
      dragAreaM2: 0.7,
      speedMPerS: 13.9,
      upS: 12,
      atS: 40,
      downS: 8,
      gradeFraction: 0,
      drivelineEfficiency: 0.82,
      regenFraction: 0.4,
      auxiliaryPowerW: 300,
      batteryVoltageV: 330,
    },
    figures: [
      { key: 'distanceM', label: 'Distance', dimension: 'length' },
      { key: 'energyBatteryJ', label: 'From the battery', dimension: 'energy' },
      { key: 'peakCurrentA', label: 'Peak current', dimension: 'current' },
      { key: 'rmsCurrentA', label: 'Rms current', dimension: 'current' },
      { key: 'meanCurrentA', label: 'Mean current', dimension: 'current' },
      { key: 'energyRegeneratedJ', label: 'Came back', dimension: 'energy' },
    ],
    run: ({ speedMPerS, upS, atS, downS, ...values }) =>
      calcDrive({
        ...(values as never as Parameters<typeof calcDrive>[0]),
        rotatingMassFactor: 1.05,
        regenMinimumSpeedMPerS: 2,
        speedTraceMPerS: startHoldStop(Number(speedMPerS), Number(upS), Number(atS), Number(downS)),
      }),
  },
  {
    name: 'dc-dc',
    title: 'Converter',
    about: 'The 12-volt converter against what it feeds on average and at its hardest.',
    fields: [
      figure('averageA', 'Loads on average', 'current', needed),
      figure('peakA', 'All at once, at their hardest', 'current', needed),
      figure('outputVoltageV', 'Output', 'voltage', needed),
      figure('ratedPowerW', 'Converter', 'power', needed),
      figure('efficiency', 'Efficiency', 'ratio', { needed: true, unit: '%' }),
      figure('tractionVoltageV', 'Traction battery', 'voltage', needed),
      figure('rechargeCurrentA', 'Auxiliary battery takes', 'current'),
    ],
    start: {
      averageA: 42,
      peakA: 110,
      outputVoltageV: 13.8,
      ratedPowerW: 1000,
      efficiency: 0.92,
      tractionVoltageV: 330,
      rechargeCurrentA: 5,
    },
    figures: [
      { key: 'averageCurrentA', label: 'Average', dimension: 'current' },
      { key: 'ratedCurrentA', label: 'The converter gives', dimension: 'current' },
      { key: 'batteryCurrentAtPeakA', label: 'At the peak the battery adds', dimension: 'current' },
      { key: 'hvCurrentAverageA', label: 'On the high-voltage side', dimension: 'current' },
    ],
    run: ({ averageA, peakA, ...values }) =>
      calcDcDc({
        ...(values as never as Parameters<typeof calcDcDc>[0]),
        loads: [
          { name: 'loads', kind: 'constant-current', rating: Number(averageA), peakRating: Number(peakA), duty: 1 },
        ],
      }),
  },
  {
    name: 'hold-up',
    title: 'Hold-up',
    about: 'The converter has died: how long the auxiliary battery holds.',
    fields: [
      figure('currentA', 'Essential loads', 'current', needed),
      figure('capacityRatedAh', 'Battery', 'charge', needed),
      figure('ratedHours', '… rated over, h', 'count', needed),
      figure('peukertExponent', 'Peukert exponent', 'count', needed),
      figure('socStart', 'Charged to', 'ratio', { needed: true, unit: '%' }),
      figure('socEnd', 'Down to', 'ratio', { needed: true, unit: '%' }),
      figure('temperatureFactor', 'Cold leaves', 'ratio', { unit: '%' }),
    ],
    start: {
      currentA: 25,
      capacityRatedAh: 60,
      ratedHours: 20,
      peukertExponent: 1.2,
      socStart: 0.9,
      socEnd: 0.1,
      temperatureFactor: 1,
    },
    figures: [{ key: 'holdUpTimeS', label: 'Holds for', dimension: 'time', never: 'without end' }],
    run: ({ currentA, ...values }) =>
      calcHoldUp({
        ...(values as never as Parameters<typeof calcHoldUp>[0]),
        steps: [{ currentA: Number(currentA), durationS: 1 }],
      }),
    caution: 'Without the converter, brakes’ assist, steering assist and lamps die with this battery. Stop in time.',
  },
  {
    name: 'parked',
    title: 'Parked',
    about: 'Days until the parked car’s auxiliary battery is down.',
    fields: [
      figure('capacityRatedAh', 'Battery', 'charge', needed),
      figure('quiescentCurrentA', 'Drain', 'current', needed),
      figure('selfDischargePer30Days', 'Loses by itself in 30 days', 'ratio', { unit: '%' }),
      figure('socStart', 'Charged to', 'ratio', { needed: true, unit: '%' }),
      figure('socEnd', 'Down to', 'ratio', { needed: true, unit: '%' }),
    ],
    start: { capacityRatedAh: 60, quiescentCurrentA: 0.035, selfDischargePer30Days: 0.03, socStart: 1, socEnd: 0.5 },
    figures: [{ key: 'daysWithSelfDischarge', label: 'Days', dimension: 'count', never: 'without end' }],
    run: (values) => calcParked(values as never),
  },
];
