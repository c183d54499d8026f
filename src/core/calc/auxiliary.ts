import { quantityText as q, type WorkingLine } from '../checks';
import {
  type AuxiliaryBattery,
  type AuxiliaryLoad,
  averageCurrentA,
  coincidentPeakA,
  holdUpS,
} from '../physics/auxiliary';
import { LawRefused } from './refused';

export interface LoadInput {
  readonly name: string;
  readonly kind: AuxiliaryLoad['kind'];
  readonly rating: number;
  readonly referenceVoltageV?: number | null;
  readonly duty?: number | null;
  readonly peakRating?: number | null;
  readonly essential?: boolean | null;
}

/** Where a resistance's watts are stated when nothing else is said, V. */
const REFERENCE_V = 13.8;

const loadsOf = (loads: readonly LoadInput[]): AuxiliaryLoad[] =>
  loads.map((load) => ({
    name: load.name,
    kind: load.kind,
    rating: load.rating,
    referenceVoltageV: load.referenceVoltageV ?? REFERENCE_V,
    duty: load.duty ?? 1,
    peakRating: load.peakRating ?? null,
    essential: load.essential ?? false,
  }));

export interface DcDcInput {
  readonly loads: readonly LoadInput[];
  readonly outputVoltageV: number;
  readonly ratedPowerW: number;
  readonly efficiency: number;
  readonly tractionVoltageV: number;
  readonly rechargeCurrentA?: number | null;
}

/** A converter against what it has to feed: the average it carries alone, the peaks the battery helps with. */
export function calcDcDc(input: DcDcInput): { result: unknown; working: readonly WorkingLine[] } {
  const loads = loadsOf(input.loads);
  const recharge = input.rechargeCurrentA ?? 0;
  const fed = averageCurrentA(loads, input.outputVoltageV);
  const average = fed + recharge;
  const peak = coincidentPeakA(loads, input.outputVoltageV);
  const rated = input.ratedPowerW / input.outputVoltageV;
  const hvPowerAverageW = (average * input.outputVoltageV) / input.efficiency;
  return {
    result: {
      averageCurrentA: average,
      averagePowerW: average * input.outputVoltageV,
      coincidentPeakCurrentA: peak,
      ratedCurrentA: rated,
      averageFits: average <= rated,
      peakFits: peak <= rated,
      batteryCurrentAtPeakA: Math.max(0, peak - rated),
      hvCurrentAverageA: hvPowerAverageW / input.tractionVoltageV,
      hvPowerAverageW,
      loadsAverageCurrentA: fed,
    },
    working: [
      {
        formula: 'I = Σ duty · I_load(U) + I_recharge',
        figures: `${q(fed, 'current')} + ${q(recharge, 'current')} at ${q(input.outputVoltageV, 'voltage')}`,
        result: { value: average, dimension: 'current' },
        note: `rated ${q(rated, 'current')}`,
      },
      {
        formula: 'I_peak = Σ of everything that ever runs, at its hardest',
        figures: loads.map(({ name }) => name).join(', ') || 'no loads',
        result: { value: peak, dimension: 'current' },
        note: 'What is above the rated current comes from the auxiliary battery.',
      },
      {
        formula: 'P_HV = U · I / η',
        figures: `${q(input.outputVoltageV, 'voltage')} · ${q(average, 'current')} / ${input.efficiency}`,
        result: { value: hvPowerAverageW, dimension: 'power' },
      },
    ],
  };
}

export interface HoldUpInput {
  readonly loads?: readonly LoadInput[] | null;
  readonly steps?: readonly { readonly currentA: number; readonly durationS: number }[] | null;
  readonly batteryVoltageV?: number | null;
  readonly capacityRatedAh: number;
  readonly ratedHours: number;
  readonly peukertExponent: number;
  readonly socStart: number;
  readonly socEnd: number;
  readonly healthFactor?: number | null;
  readonly temperatureFactor?: number | null;
}

/** What is left to do when the converter has died: the essential loads on the auxiliary battery alone. */
export function calcHoldUp(input: HoldUpInput): { result: unknown; working: readonly WorkingLine[] } {
  if ((input.loads == null) === (input.steps == null))
    throw new LawRefused(
      'loads',
      'and steps: one of them is wanted, not both.',
      'Give loads, or steps of current and time.',
    );
  if (input.socEnd > input.socStart)
    throw new LawRefused(
      'socEnd',
      'is above socStart.',
      'A battery that holds loads up goes down: give the lower one as socEnd.',
    );
  const battery: AuxiliaryBattery = {
    capacityRatedAh: input.capacityRatedAh,
    ratedHours: input.ratedHours,
    peukertExponent: input.peukertExponent,
    socStart: input.socStart,
    socEnd: input.socEnd,
    healthFactor: input.healthFactor ?? 1,
    temperatureFactor: input.temperatureFactor ?? 1,
  };
  let steps: readonly { readonly currentA: number; readonly durationS: number }[];
  let peak: number;
  if (input.steps) {
    steps = input.steps;
    peak = Math.max(0, ...steps.map(({ currentA }) => currentA));
  } else {
    if (input.batteryVoltageV == null)
      throw new LawRefused('batteryVoltageV', 'is missing.', 'Give the voltage at which the loads draw their current.');
    const essential = loadsOf(input.loads!).filter((load) => load.essential);
    steps = [{ currentA: averageCurrentA(essential, input.batteryVoltageV), durationS: 3600 }];
    peak = coincidentPeakA(essential, input.batteryVoltageV);
  }
  const duration = steps.reduce((sum, { durationS }) => sum + durationS, 0);
  const average = duration > 0 ? steps.reduce((sum, step) => sum + step.currentA * step.durationS, 0) / duration : 0;
  const holdUpTimeS = holdUpS(battery, steps);
  const capacity = battery.capacityRatedAh * battery.healthFactor * battery.temperatureFactor;
  return {
    result: { averageCurrentA: average, peakCurrentA: peak, holdUpTimeS },
    working: [
      {
        formula: 't = (s_start − s_end) · H · (C / (I · H))^k, step by step',
        figures: `(${battery.socStart} − ${battery.socEnd}) · ${battery.ratedHours} h · (${capacity.toPrecision(4)} Ah / (${q(average, 'current')} · ${battery.ratedHours} h))^${battery.peukertExponent}`,
        ...(holdUpTimeS === null ? {} : { result: { value: holdUpTimeS, dimension: 'time' as const } }),
        note: 'A peak on a weak battery can pull a unit under its least voltage although the average is fine.',
      },
    ],
  };
}

export interface ParkedInput {
  readonly capacityRatedAh: number;
  readonly quiescentCurrentA: number;
  readonly selfDischargePer30Days?: number | null;
  readonly socStart: number;
  readonly socEnd: number;
}

/** How long a parked car's auxiliary battery lasts: plain ampere-hours (Peukert does not count for milliamperes) and self-discharge. */
export function calcParked(input: ParkedInput): { result: unknown; working: readonly WorkingLine[] } {
  if (input.socEnd > input.socStart)
    throw new LawRefused('socEnd', 'is above socStart.', 'Give the state at which it must still start as socEnd.');
  const ampereHours = input.capacityRatedAh * (input.socStart - input.socEnd);
  const aDay = input.quiescentCurrentA * 24;
  const lostADay = (input.capacityRatedAh * (input.selfDischargePer30Days ?? 0)) / 30;
  const days = aDay > 0 ? ampereHours / aDay : null;
  const daysWithSelfDischarge = aDay + lostADay > 0 ? ampereHours / (aDay + lostADay) : null;
  return {
    result: { days, daysWithSelfDischarge },
    working: [
      {
        formula: 'days = C · (s_start − s_end) / (24 h · I + C · d/30)',
        figures: `${input.capacityRatedAh} Ah · (${input.socStart} − ${input.socEnd}) / (24 h · ${q(input.quiescentCurrentA, 'current')} + ${lostADay.toPrecision(3)} Ah)`,
        ...(daysWithSelfDischarge === null
          ? {}
          : { result: { value: daysWithSelfDischarge * 86400, dimension: 'time' as const } }),
      },
    ],
  };
}
