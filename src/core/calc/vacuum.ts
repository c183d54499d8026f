import { quantityText as q, type WorkingLine } from '../checks';
import { assistedStops, cyclic, evacuated, type FlowBasis, SEA_LEVEL_PA } from '../physics/vacuum';
import { LawRefused } from './refused';

export interface VacuumInput {
  readonly altitudeM: number;
  readonly volumeM3: number;
  readonly pumpFlowM3PerS: number;
  readonly pumpHighestVacuumAtSeaLevelPa: number;
  readonly flowBasis?: FlowBasis | null;
  readonly switchOnVacuumPa: number;
  readonly switchOffVacuumPa: number;
  readonly airPerApplicationM3: number;
  readonly minimumVacuumPa: number;
  readonly secondsBetweenApplicationsS?: number | null;
  readonly initialVacuumPa?: number | null;
}

/** Vacuum for the brakes from a pump with a switch: first pull-down, recovery, duty, and stops that are left with the pump dead. */
export function calcVacuum(input: VacuumInput): { result: unknown; working: readonly WorkingLine[] } {
  const { switchOnVacuumPa: onPa, switchOffVacuumPa: offPa, minimumVacuumPa: leastPa } = input;
  const initialPa = input.initialVacuumPa ?? 0;
  const basis = input.flowBasis ?? 'free-air';
  if (onPa >= offPa)
    throw new LawRefused(
      'switchOnVacuumPa',
      'is not below switchOffVacuumPa: the switch would chatter.',
      'The pump is switched on at the lower vacuum and off at the higher one.',
    );
  const e = evacuated(
    { flowM3PerS: input.pumpFlowM3PerS, highestSeaPa: input.pumpHighestVacuumAtSeaLevelPa, basis },
    input.volumeM3,
    input.altitudeM,
  );
  if (input.pumpHighestVacuumAtSeaLevelPa >= SEA_LEVEL_PA)
    throw new LawRefused(
      'pumpHighestVacuumAtSeaLevelPa',
      'is as much as the air itself presses, or more.',
      'Give its highest vacuum below ambient, Pa: 70,000 to 90,000 is usual.',
    );
  const eachPa = (e.ambientPa * input.airPerApplicationM3) / input.volumeM3;
  const reachable = offPa < e.highestPa;
  const everyS = input.secondsBetweenApplicationsS ?? null;
  const run = everyS === null ? null : cyclic({ evacuated: e, onPa, offPa, eachPa, everyS });
  const fromOff = reachable ? assistedStops(offPa, leastPa, eachPa) : null;
  const fromOn = onPa <= e.highestPa ? assistedStops(onPa, leastPa, eachPa) : null;
  const first = e.timeS(initialPa, offPa);
  return {
    result: {
      ambientPressurePa: e.ambientPa,
      highestVacuumHerePa: e.highestPa,
      cutOutReachable: reachable,
      timeToFirstCutOutS: first,
      timeToMinimumVacuumS: e.timeS(initialPa, leastPa),
      recoveryCutInToCutOutS: reachable ? e.timeS(onPa, offPa) : null,
      recoveryAfterOneApplicationS: reachable ? e.timeS(Math.max(0, offPa - eachPa), offPa) : null,
      vacuumLostPerApplicationPa: eachPa,
      pumpDuty: run ? run.duty : null,
      pumpStartsPerHour: run ? run.startsPerHour : null,
      applicationsBegunFromCutOut: fromOff?.begun ?? null,
      applicationsLeavingFromCutOut: fromOff?.leaving ?? null,
      applicationsBegunFromCutIn: fromOn?.begun ?? null,
      applicationsLeavingFromCutIn: fromOn?.leaving ?? null,
    },
    working: [
      {
        formula: 'v_max = v_max,sea · p_a / 101 325 Pa',
        figures: `p_a = ${q(e.ambientPa, 'pressure')} at ${q(input.altitudeM, 'length')}`,
        result: { value: e.highestPa, dimension: 'pressure' },
        ...(reachable ? {} : { note: 'The switch’s upper set point is out of reach: the pump never stops.' }),
      },
      {
        formula:
          basis === 'free-air'
            ? 't = V · v_max / (p_a · Q0) · ln((v_max − v1) / (v_max − v2))'
            : 't = (V / Q0) · v_max / (p_a − v_max) · ln((p_a − v2)(v_max − v1) / ((v_max − v2)(p_a − v1)))',
        figures: `from ${q(initialPa, 'pressure')} to ${q(offPa, 'pressure')}`,
        ...(first === null ? { note: 'never' } : { result: { value: first, dimension: 'time' as const } }),
      },
      {
        formula: 'Δv = p_a · V_air / V',
        figures: `${q(e.ambientPa, 'pressure')}, ${q(input.airPerApplicationM3 * 1000, 'volume')} into ${q(input.volumeM3 * 1000, 'volume')}`,
        result: { value: eachPa, dimension: 'pressure' },
      },
      {
        formula: 'n = (v − v_min) / Δv, whole ones; begun: one more',
        figures: fromOff
          ? `from cut-out ${fromOff.begun} begun, ${fromOff.leaving} leaving`
          : 'the pump does not reach its cut-out',
      },
    ],
  };
}
