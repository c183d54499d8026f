/** What a law is asked the other way round: which input gives an output. */
export type Backwards =
  | { readonly ok: true; readonly value: number; readonly more: boolean }
  | {
      readonly ok: false;
      /** Lowest and highest that it gives within the range; null: it has no answer there. */
      readonly reaches: readonly [number, number] | null;
    };

/** Points that are looked at between the ends, and halvings of the stretch in which the wanted value lies. */
const POINTS = 97;
const HALVINGS = 60;
/** An answer is as wanted within this share: transients are located, not solved in closed form. */
const NEAR = 1e-3;

/**
 * The input between `from` and `to` (both above zero, looked through by equal factors) for which a law gives `wanted`: the first place
 * where the law's answer passes it, narrowed by halving (textbook). A law may be silent (null) in places. `more`: it passes it again
 * further on. To a millionth of the input, or as finely as the law's own answer goes.
 *
 * @example backwards((ohm) => ohm * 0.002 * Math.log(20), 1, 1000, 0.6) // 100.1 Ω for 0.6 s at 2 mF to 95 %
 */
export function backwards(law: (input: number) => number | null, from: number, to: number, wanted: number): Backwards {
  const at = (k: number) => from * (to / from) ** (k / (POINTS - 1));
  const apart = (x: number): number | null => {
    const y = law(x);
    return y === null || !Number.isFinite(y) ? null : y - wanted;
  };
  let before: { readonly x: number; readonly d: number } | null = null;
  const stretches: [number, number][] = [];
  let [lowest, highest] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (let k = 0; k < POINTS; k++) {
    const x = at(k);
    const d = apart(x);
    if (d !== null) {
      lowest = Math.min(lowest, d + wanted);
      highest = Math.max(highest, d + wanted);
      if (d === 0) stretches.push([x, x]);
      else if (before && before.d !== 0 && Math.sign(before.d) !== Math.sign(d)) stretches.push([before.x, x]);
    }
    before = d === null ? null : { x, d };
  }
  const near = Math.max(Math.abs(wanted), highest - lowest) * NEAR;
  const found = stretches.flatMap(([from, to]) => {
    const value = narrowed(apart, from, to);
    const d = apart(value);
    // Where it jumps past the wanted value, or is silent, it does not give it.
    return d !== null && Math.abs(d) <= near ? [value] : [];
  });
  return found[0] === undefined
    ? { ok: false, reaches: lowest <= highest ? [lowest, highest] : null }
    : { ok: true, value: found[0], more: found.length > 1 };
}

/** Halved until the place between is as narrow as it is asked. */
function narrowed(apart: (x: number) => number | null, from: number, to: number): number {
  let [low, high] = [from, to];
  const sign = Math.sign(apart(low) ?? 0);
  for (let k = 0; k < HALVINGS && high - low > 1e-7 * high; k++) {
    const middle = (low + high) / 2;
    const d = apart(middle);
    if (d === null) break;
    if (Math.sign(d) === sign) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Preferred numbers of resistors (IEC 60063, E12). */
const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2] as const;

/** The preferred values at and around a resistance, Ω: the next lower and the next higher one that are sold. */
export function nextResistors(ohm: number): readonly [lower: number, higher: number] {
  const decade = 10 ** Math.floor(Math.log10(ohm) + 1e-9);
  const row = [...E12, 10].map((step) => Number((step * decade).toPrecision(3)));
  const higher = row.find((value) => value >= ohm * (1 - 1e-9))!;
  const lower = [...row].reverse().find((value) => value <= ohm * (1 + 1e-9)) ?? row[0]!;
  return [lower, higher];
}
