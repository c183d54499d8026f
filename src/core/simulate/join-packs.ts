/** Two packs of the same cells joined through a resistance: charge flows until their rest voltages agree. */
export interface JoinInput {
  readonly cellsInSeries: number;
  readonly capacityAAh: number;
  readonly capacityBAh: number;
  /** Inside each pack, and between them, Ω. */
  readonly resistanceAOhm: number;
  readonly resistanceBOhm: number;
  readonly jointResistanceOhm: number;
  readonly socA: number;
  readonly socB: number;
  /** Rest voltage of a cell over its state of charge, joined straight; ascending. */
  readonly ocvCurve: readonly (readonly [number, number])[];
}

export interface JoinResult {
  /** From A to B, A. */
  readonly initialCurrentA: number;
  /** At the terminals of A at first, V, and of B. */
  readonly busVoltageV: number;
  readonly voltageAtBV: number;
  readonly differenceV: number;
  /** Until the current has fallen to a twentieth, s; null: it never does. */
  readonly timeTo5PercentS: number | null;
  readonly socAAt5Percent: number | null;
  readonly socBAt5Percent: number | null;
  /** In all resistances until they rest, J. */
  readonly heatJ: number;
  readonly finalSocA: number;
  readonly finalSocB: number;
  /** Charge that passed until they rest, Ah. */
  readonly movedAh: number;
}

interface Piece {
  readonly voltageV: number;
  /** V of a cell per unit of state of charge. */
  readonly slope: number;
  readonly low: number;
  readonly high: number;
}

/** The straight piece of the curve that a state of charge moving in `direction` runs along. */
function pieceAt(curve: JoinInput['ocvCurve'], soc: number, direction: number): Piece {
  const first = curve[0]!;
  const last = curve.at(-1)!;
  for (let i = 1; i < curve.length; i++) {
    const [s0, v0] = curve[i - 1]!;
    const [s1, v1] = curve[i]!;
    const inside = direction < 0 ? soc > s0 + EDGE && soc <= s1 + EDGE : soc >= s0 - EDGE && soc < s1 - EDGE;
    if (inside) {
      const slope = (v1 - v0) / (s1 - s0);
      return { voltageV: v0 + slope * (soc - s0), slope, low: s0, high: s1 };
    }
  }
  // Outside the curve the voltage stays what it was at its end.
  return soc <= first[0] + EDGE
    ? { voltageV: first[1], slope: 0, low: Number.NEGATIVE_INFINITY, high: first[0] }
    : { voltageV: last[1], slope: 0, low: last[0], high: Number.POSITIVE_INFINITY };
}

const EDGE = 1e-12;
const MOST_PIECES = 10000;
const END_SHARE = 0.05;
/** Less current than this share of the first counts as rest. */
const REST_SHARE = 1e-9;

/**
 * Exact within each pair of straight pieces: there the current falls as one exponential (or stays, where both pieces are flat).
 * Charge in ampere-hours, resistances in ohms, times in seconds.
 */
export function joinPacks(input: JoinInput): JoinResult {
  const { cellsInSeries: n, socA, socB } = input;
  const ohm = input.resistanceAOhm + input.resistanceBOhm + input.jointResistanceOhm;
  const [qa, qb] = [input.capacityAAh * 3600, input.capacityBAh * 3600];
  let [sa, sb] = [socA, socB];
  // The voltage does not depend on the direction that the charge moves in.
  const v = (soc: number) => pieceAt(input.ocvCurve, soc, 1).voltageV;
  const differenceV = n * (v(sa) - v(sb));
  const initialCurrentA = differenceV / ohm;
  const direction = Math.sign(initialCurrentA);
  let [time, heatJ, moved] = [0, 0, 0];
  let at5: { timeS: number; sa: number; sb: number } | null = null;
  for (let k = 0; direction !== 0 && k < MOST_PIECES; k++) {
    const a = pieceAt(input.ocvCurve, sa, -direction);
    const b = pieceAt(input.ocvCurve, sb, direction);
    const now = (n * (a.voltageV - b.voltageV)) / ohm;
    if (now * direction <= REST_SHARE * Math.abs(initialCurrentA)) break;
    const rate = (n / ohm) * (a.slope / qa + b.slope / qb);
    // Charge that may still pass before one of them leaves its piece, C.
    const roomA = direction > 0 ? (sa - a.low) * qa : (a.high - sa) * qa;
    const roomB = direction > 0 ? (b.high - sb) * qb : (sb - b.low) * qb;
    const room = Math.min(roomA, roomB);
    const size = Math.abs(now);
    const whole = rate > 0 ? size / rate : Number.POSITIVE_INFINITY;
    const ends = room >= whole;
    const passed = ends ? whole : room;
    const timeFor = (charge: number) =>
      // log1p: on an almost flat piece next to nothing of the current is lost, and 1 − next to nothing would round it away.
      rate > 0 ? -Math.log1p(Math.max(-(charge * rate) / size, -1 + Number.EPSILON)) / rate : charge / size;
    const goal = END_SHARE * Math.abs(initialCurrentA);
    if (!at5 && size > goal && rate > 0) {
      const charge = (size - goal) / rate;
      if (charge <= passed) {
        const share = direction * charge;
        at5 = { timeS: time + timeFor(charge), sa: sa - share / qa, sb: sb + share / qb };
      }
    }
    if (!Number.isFinite(passed)) break;
    const after = size - rate * passed;
    // ∫I² dt = ∫I dq, and the current falls straight with the charge.
    heatJ += (ohm * passed * (size + after)) / 2;
    moved += passed;
    sa -= (direction * passed) / qa;
    sb += (direction * passed) / qb;
    if (ends) break;
    time += timeFor(passed);
    if (!at5 && Math.abs(now) <= goal) at5 = { timeS: time, sa, sb };
  }
  return {
    initialCurrentA,
    busVoltageV: n * v(socA) - initialCurrentA * input.resistanceAOhm,
    voltageAtBV: n * v(socB) + initialCurrentA * input.resistanceBOhm,
    differenceV,
    timeTo5PercentS: at5?.timeS ?? (direction === 0 ? 0 : null),
    socAAt5Percent: at5?.sa ?? (direction === 0 ? socA : null),
    socBAt5Percent: at5?.sb ?? (direction === 0 ? socB : null),
    heatJ,
    finalSocA: sa,
    finalSocB: sb,
    movedAh: moved / 3600,
  };
}
