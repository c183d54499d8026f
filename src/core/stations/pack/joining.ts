import { type Chemistry, ocvPoints } from '../../physics/cell';
import { type JoinResult, joinPacks } from '../../simulate';

/** Into the lower pack, as a share of its capacity per hour (practice). */
const GENTLE_PER_HOUR = 0.1;

export interface JoinQuestion {
  readonly chemistry: Chemistry;
  readonly cellsInSeries: number;
  readonly capacityAAh: number;
  readonly capacityBAh: number;
  readonly resistanceAOhm: number;
  readonly resistanceBOhm: number;
  /** Cable, fuse and contactor between them, Ω. */
  readonly jointOhm: number;
  readonly socA: number;
  readonly socB: number;
}

/** Whether two packs may be closed on each other as they are, and what it takes if not. */
export interface JoinAdvice {
  readonly direct: JoinResult;
  /** A tenth of the lower pack's capacity an hour, A. */
  readonly allowedA: number;
  readonly allowed: boolean;
  /** Between the open packs, V, and the state of charge that this means where they stand. */
  readonly allowedDifferenceV: number;
  readonly allowedSocDifference: number | null;
  /** Resistor that keeps the first current to what is allowed, Ω (next E12 value up); null: none is needed. */
  readonly resistorOhm: number | null;
  readonly through: JoinResult | null;
  /** In the resistor at first, W. */
  readonly resistorW: number;
}

const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2, 10] as const;
const nextE12 = (ohm: number): number => {
  const decade = 10 ** Math.floor(Math.log10(ohm));
  return E12.map((value) => value * decade).find((value) => value >= ohm * (1 - 1e-9))!;
};

/** Held against 0.1 C into the lower pack; the resistor is the next preferred value that keeps it, and its time follows from the network. */
export function joinAdvice(question: JoinQuestion): JoinAdvice {
  const ocvCurve = ocvPoints(question.chemistry);
  const common = { ...question, ocvCurve };
  const direct = joinPacks({ ...common, jointResistanceOhm: question.jointOhm });
  const lowerAh = direct.initialCurrentA >= 0 ? question.capacityBAh : question.capacityAAh;
  const allowedA = GENTLE_PER_HOUR * lowerAh;
  const ohm = question.resistanceAOhm + question.resistanceBOhm + question.jointOhm;
  const allowedDifferenceV = allowedA * ohm;
  const size = Math.abs(direct.initialCurrentA);
  const needed = Math.abs(direct.differenceV) / allowedA - ohm;
  const resistorOhm = size <= allowedA ? null : nextE12(needed);
  const through =
    resistorOhm === null ? null : joinPacks({ ...common, jointResistanceOhm: question.jointOhm + resistorOhm });
  const slope = slopeAt(ocvCurve, (question.socA + question.socB) / 2) * question.cellsInSeries;
  return {
    direct,
    allowedA,
    allowed: size <= allowedA,
    allowedDifferenceV,
    allowedSocDifference: slope > 0 ? allowedDifferenceV / slope : null,
    resistorOhm,
    through,
    resistorW: through && resistorOhm !== null ? through.initialCurrentA ** 2 * resistorOhm : 0,
  };
}

function slopeAt(curve: readonly (readonly [number, number])[], soc: number): number {
  for (let i = 1; i < curve.length; i++)
    if (soc <= curve[i]![0]) return (curve[i]![1] - curve[i - 1]![1]) / (curve[i]![0] - curve[i - 1]![0]);
  return 0;
}
