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

/** Gauges that are in stock: every second one down to 2, then each. */
const STOCK: readonly number[] = [24, 22, 20, 18, 16, 14, 12, 10, 8, 6, 4, 2, 1, 0, -1, -2, -3];
/** A gauge stands for an area within this share of it. */
const SAME = 0.03;

/**
 * An area in gauges that can be bought: "2/0 AWG" within 3 % of one in stock, else the next thinner and the next thicker ("14–12 AWG").
 * Null beyond what is in stock.
 */
export function stockGauges(areaMm2: number): string | null {
  const same = STOCK.find((n) => Math.abs(awgAreaMm2(n) / areaMm2 - 1) <= SAME);
  if (same !== undefined) return formatGauge(same);
  const thinner = STOCK.findLast((n) => awgAreaMm2(n) < areaMm2);
  const thicker = STOCK.find((n) => awgAreaMm2(n) > areaMm2);
  if (thinner === undefined || thicker === undefined) return null;
  return `${formatGauge(thinner).replace(' AWG', '')}–${formatGauge(thicker)}`;
}
