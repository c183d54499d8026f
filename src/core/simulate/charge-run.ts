/** What fills the pack: a battery of rest voltage and resistance, taken as one cell. */
export interface ChargedPack {
  /** Rest voltage of the whole pack at a state of charge (0–1), V; must not fall. */
  readonly restV: (soc: number) => number;
  readonly resistanceOhm: number;
  readonly capacityAh: number;
  /** States of charge at which the curve may have a bend; steps never cross one. */
  readonly bends: readonly number[];
}

/** What may be given, where it is given from: all at the pack’s terminals, where loads hang on the same bus. */
export interface ChargeLimits {
  /** Charger’s output, W. */
  readonly powerW: number;
  /** Charger’s output, A. */
  readonly currentA: number;
  /** At the pack’s terminals, V. */
  readonly voltageV: number;
  /** Into the pack, A; by state of charge. */
  readonly packA: (soc: number) => number;
  /** Drawn from the bus by what runs while it charges, W. */
  readonly auxiliaryW: number;
  /** From AC to DC at an output, 0–1. */
  readonly efficiency: (outputW: number) => number;
}

export type BindingLimit = 'power' | 'current' | 'voltage' | 'bms';

export interface ChargeMoment {
  readonly soc: number;
  readonly limit: BindingLimit;
  /** Into the pack, A; negative where the loads draw more than comes. */
  readonly packA: number;
  readonly busV: number;
  readonly chargerA: number;
  readonly acW: number;
}

export interface ChargePoint extends ChargeMoment {
  readonly timeS: number;
  readonly acJ: number;
  /** Into the pack’s resistance since the start, J. */
  readonly lossJ: number;
}

/** cut-off: the current fell to it. full: the last point of the curve came before. never: the pack stops filling first. */
export type ChargeEnd = 'cut-off' | 'full' | 'never';

export interface ChargeRun {
  readonly curve: readonly ChargePoint[];
  readonly end: ChargeEnd;
  /** Where the voltage limit takes over; null: it never does. */
  readonly constantVoltage: ChargePoint | null;
  readonly last: ChargePoint;
  /** At a state of charge; null where it is not reached before the end. */
  readonly at: (soc: number) => ChargePoint | null;
}

/** What flows at a state of charge: the narrowest of all limits. Exact, from the quadratic of each. */
export function chargeMoment(pack: ChargedPack, limits: ChargeLimits, soc: number): ChargeMoment {
  const e = pack.restV(soc);
  const r = pack.resistanceOhm;
  const { auxiliaryW } = limits;
  const ways: [BindingLimit, number, number][] = [];
  // Power: U² − E·U − R·(P − P_aux) = 0.
  const netW = limits.powerW - auxiliaryW;
  const powerV = (e + Math.sqrt(Math.max(0, e * e + 4 * r * netW))) / 2;
  ways.push(['power', powerV, netW / powerV]);
  // Current: U² − (E + R·I)·U + R·P_aux = 0.
  const open = e + r * limits.currentA;
  const currentV = (open + Math.sqrt(Math.max(0, open * open - 4 * r * auxiliaryW))) / 2;
  ways.push(['current', currentV, limits.currentA - auxiliaryW / currentV]);
  const mostA = limits.packA(soc);
  if (Number.isFinite(mostA)) ways.push(['bms', e + r * mostA, mostA]);
  const taperA = r > 0 ? (limits.voltageV - e) / r : e < limits.voltageV ? Number.POSITIVE_INFINITY : 0;
  ways.push(['voltage', limits.voltageV, taperA]);
  let [limit, busV, packA] = ways.reduce((p, one) => (one[2] < p[2] ? one : p));
  // A charger takes nothing back: with none of it the pack feeds what hangs on the bus.
  const aloneV = (e + Math.sqrt(Math.max(0, e * e - 4 * r * auxiliaryW))) / 2;
  if (packA < -auxiliaryW / aloneV) [busV, packA] = [aloneV, -auxiliaryW / aloneV];
  const chargerA = Math.max(0, packA + auxiliaryW / busV);
  const outputW = chargerA * busV;
  return { soc, limit, packA, busV, chargerA, acW: outputW === 0 ? 0 : outputW / limits.efficiency(outputW) };
}

/** Gauss–Legendre of four points on [−1, 1]. */
const NODES = [-0.8611363115940526, -0.3399810435848563, 0.3399810435848563, 0.8611363115940526] as const;
const WEIGHTS = [0.34785484513745385, 0.6521451548625461, 0.6521451548625461, 0.34785484513745385] as const;
/** A piece is cut until its current changes by no more than this factor, and pieces are at least so fine. */
const STEADY = 1.4;
const PIECES = 120;
const MOST_PIECES = 20_000;
const BISECTIONS = 60;

/**
 * Constant power or current to the voltage limit, then the taper until the current is down to `cutoffA`, measured into the pack or out of the
 * charger. Quadrature over the state of charge between the bends of the curve; the moments of change by bisection. Ends at the last bend:
 * what lies above it is not known.
 */
export function chargeRun(
  pack: ChargedPack,
  limits: ChargeLimits,
  { socStart, cutoffA, measuredAt }: { socStart: number; cutoffA: number; measuredAt: 'pack' | 'charger' },
): ChargeRun {
  const look = (soc: number): ChargeMoment => chargeMoment(pack, limits, soc);
  const measured = (one: ChargeMoment): number => (measuredAt === 'pack' ? one.packA : one.chargerA);
  const isOver = (one: ChargeMoment): boolean => one.limit === 'voltage' && measured(one) <= cutoffA;
  const first = look(socStart);
  let here: ChargePoint = { ...first, timeS: 0, acJ: 0, lossJ: 0 };
  const curve: ChargePoint[] = [here];
  let constantVoltage = first.limit === 'voltage' ? here : null;
  const finish = (end: ChargeEnd): ChargeRun => ({
    curve,
    end,
    constantVoltage,
    last: here,
    at: (soc) => pointAt(soc),
  });

  /** The way from a point to a state of charge with nothing happening between. */
  const advance = (from: ChargePoint, to: ChargeMoment): ChargePoint => {
    const half = (to.soc - from.soc) / 2;
    let [timeS, acJ, lossJ] = [from.timeS, from.acJ, from.lossJ];
    NODES.forEach((node, k) => {
      const one = look(from.soc + half * (1 + node));
      const seconds = (WEIGHTS[k]! * half * 3600 * pack.capacityAh) / one.packA;
      timeS += seconds;
      acJ += seconds * one.acW;
      lossJ += seconds * one.packA ** 2 * pack.resistanceOhm;
    });
    return { ...to, timeS, acJ, lossJ };
  };
  const go = (to: ChargeMoment) => {
    here = advance(here, to);
    curve.push(here);
  };
  /** The first state of charge between two at which something is so that was not before. */
  const bisect = (low: number, high: number, is: (one: ChargeMoment) => boolean): number => {
    for (let k = 0; k < BISECTIONS && high - low > 1e-14; k++) {
      const middle = (low + high) / 2;
      if (is(look(middle))) high = middle;
      else low = middle;
    }
    return high;
  };
  const pointAt = (soc: number): ChargePoint | null => {
    if (soc <= socStart) return curve[0]!;
    if (soc > here.soc) return null;
    let k = 0;
    while (k < curve.length - 1 && curve[k + 1]!.soc < soc) k++;
    return advance(curve[k]!, look(soc));
  };

  if (isOver(first)) return finish('cut-off');
  const top = pack.bends.at(-1)!;
  const marks = [
    ...new Set([
      ...pack.bends,
      ...Array.from({ length: PIECES }, (_, k) => socStart + ((top - socStart) * (k + 1)) / PIECES),
    ]),
  ]
    .filter((soc) => soc > socStart && soc <= top)
    .sort((p, q) => p - q);
  let pieces = 0;
  for (const mark of marks) {
    while (here.soc < mark) {
      if (++pieces > MOST_PIECES || !(here.packA > 0)) return finish('never');
      let next = look(mark);
      // Nothing may happen within a piece, and its current is nearly the same at both ends. Where it would be negative it never gets.
      const within = (one: ChargeMoment) => one.packA > here.packA / STEADY || (isOver(one) && one.packA >= 0);
      for (let cut = 0; cut < 50 && !within(next); cut++) next = look(here.soc + (next.soc - here.soc) / 2);
      const changes = next.limit !== here.limit;
      if (changes) {
        const { limit } = here;
        const at = bisect(here.soc, next.soc, (one) => one.limit !== limit);
        next = look(at);
      }
      if (isOver(next)) next = look(bisect(here.soc, next.soc, isOver));
      // Closer than can be told apart: the current ends here.
      if (!(next.soc > here.soc)) return finish('never');
      go(next);
      if (next.limit === 'voltage') constantVoltage ??= here;
      if (isOver(next)) return finish('cut-off');
    }
  }
  return finish('full');
}
