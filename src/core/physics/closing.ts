/** A capacitor joined to a source through R and L: what flows when the gap of `differenceV` closes. */
export interface Closing {
  readonly differenceV: number;
  readonly resistanceOhm: number;
  readonly inductanceH: number;
  /** Of the link; of two capacitors joined the series value. */
  readonly capacitanceF: number;
}

export interface Inrush {
  readonly peakCurrentA: number;
  readonly peakAtS: number;
  readonly i2tA2s: number;
  /** How far the capacitor swings above the source, V; 0 when it is not underdamped. */
  readonly overshootV: number;
  readonly dampingRatio: number;
}

/** ½·C·ΔV² is what R turns into heat, so ∫i² dt = C·ΔV²/(2R), whatever L is. Closed form of the series RLC circuit. */
export function inrush({ differenceV, resistanceOhm: r, inductanceH: l, capacitanceF: c }: Closing): Inrush {
  const i2tA2s = (c * differenceV * differenceV) / (2 * r);
  const gap = Math.abs(differenceV);
  if (!(l > 0))
    return { peakCurrentA: gap / r, peakAtS: 0, i2tA2s, overshootV: 0, dampingRatio: Number.POSITIVE_INFINITY };
  const alpha = r / (2 * l);
  const omega = 1 / Math.sqrt(l * c);
  const dampingRatio = alpha / omega;
  if (Math.abs(dampingRatio - 1) < 1e-6) {
    const peakAtS = 1 / alpha;
    return { peakCurrentA: (gap / l) * peakAtS * Math.exp(-1), peakAtS, i2tA2s, overshootV: 0, dampingRatio };
  }
  if (dampingRatio < 1) {
    const ring = omega * Math.sqrt(1 - dampingRatio ** 2);
    const peakAtS = Math.atan2(ring, alpha) / ring;
    const peakCurrentA = (gap / (ring * l)) * Math.exp(-alpha * peakAtS) * Math.sin(ring * peakAtS);
    return { peakCurrentA, peakAtS, i2tA2s, overshootV: gap * Math.exp((-alpha * Math.PI) / ring), dampingRatio };
  }
  const beta = omega * Math.sqrt(dampingRatio ** 2 - 1);
  const peakAtS = Math.atanh(beta / alpha) / beta;
  const peakCurrentA = (gap / (beta * l)) * Math.exp(-alpha * peakAtS) * Math.sinh(beta * peakAtS);
  return { peakCurrentA, peakAtS, i2tA2s, overshootV: 0, dampingRatio };
}

/** Time until a coil's current has fallen to its release current, s: τ·ln((I + V_c/R)/(I_r + V_c/R)), V_c the clamp's voltage. */
export function releaseTime(
  currentA: number,
  releaseCurrentA: number,
  coilOhm: number,
  coilH: number,
  clampV: number,
): number {
  if (currentA <= releaseCurrentA) return 0;
  const offset = clampV / coilOhm;
  return (coilH / coilOhm) * Math.log((currentA + offset) / (releaseCurrentA + offset));
}
