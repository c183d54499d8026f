/**
 * American wire gauge, both ways. d = 0.127 mm · 92^((36 − n)/39) (ASTM B258); 1/0 is n = 0, 2/0 is −1, 3/0 −2, 4/0 −3.
 * Vehicle gauges sold as "gauge" can be up to 12 % smaller than true AWG: where it matters ask for mm².
 */
export const SMALLEST_GAUGE = 40;
export const LARGEST_GAUGE = -3;

/** Cross-section in mm² of AWG `n`. */
export function awgAreaMm2(n: number): number {
  const diameterMm = 0.127 * 92 ** ((36 - n) / 39);
  return (Math.PI / 4) * diameterMm * diameterMm;
}

/** "2/0", "00", "AWG 4", "4 ga" → n. Undefined when it is no gauge. */
export function parseGauge(text: string): number | undefined {
  const bare = text
    .trim()
    .toLowerCase()
    .replace(/^(awg|#)\s*/, '')
    .replace(/\s*(awg|gauge|ga)\.?$/, '')
    .trim();
  const aught = /^([1-4])\s*\/\s*0$/.exec(bare);
  if (aught) return 1 - Number(aught[1]);
  if (/^0{2,4}$/.test(bare)) return 1 - bare.length;
  if (/^\d{1,2}$/.test(bare)) {
    const n = Number(bare);
    return n <= SMALLEST_GAUGE ? n : undefined;
  }
  return undefined;
}

/** n → "2/0 AWG". */
export function formatGauge(n: number): string {
  return n <= 0 ? `${1 - n}/0 AWG` : `${n} AWG`;
}

export interface NearestGauge {
  readonly gauge: number;
  readonly areaMm2: number;
  /** (gauge's area − asked area) / asked area; 0.05 means the gauge is 5 % larger. */
  readonly deviation: number;
}

/** The gauge whose area is nearest by ratio to `areaMm2` (> 0). */
export function nearestGauge(areaMm2: number): NearestGauge {
  const diameterMm = Math.sqrt((4 * areaMm2) / Math.PI);
  const exact = 36 - (39 * Math.log(diameterMm / 0.127)) / Math.log(92);
  const gauge = Math.min(SMALLEST_GAUGE, Math.max(LARGEST_GAUGE, Math.round(exact)));
  const area = awgAreaMm2(gauge);
  return { gauge, areaMm2: area, deviation: area / areaMm2 - 1 };
}
