import type { Chemistry } from './cell';

/** What cells bear, where their sheet does not tell it. Generic and careful; a data sheet wins. */
export interface CellRates {
  /** For hours, for minutes and for about ten seconds, as multiples of the capacity, 1/h. */
  readonly discharge: readonly [number, number, number];
  readonly charge: readonly [number, number, number];
}

const LEAD: CellRates = { discharge: [0.5, 1, 3], charge: [0.2, 0.3, 0.5] };
export const GENERIC_RATES: Readonly<Record<Chemistry, CellRates>> = {
  lfp: { discharge: [1, 1.5, 3], charge: [0.5, 0.7, 1] },
  nmc: { discharge: [2, 3, 4], charge: [0.7, 1, 1.5] },
  lto: { discharge: [4, 6, 10], charge: [4, 6, 8] },
  'lead-flooded': LEAD,
  'lead-agm': LEAD,
};

/** Temperatures between which cells may be charged and discharged, °C (battery reference of the trade). */
export const GENERIC_TEMPERATURES: Readonly<
  Record<Chemistry, { readonly charge: readonly [number, number]; readonly discharge: readonly [number, number] }>
> = {
  lfp: { charge: [0, 45], discharge: [-20, 60] },
  nmc: { charge: [0, 45], discharge: [-20, 60] },
  lto: { charge: [-30, 55], discharge: [-30, 55] },
  'lead-flooded': { charge: [-20, 50], discharge: [-20, 50] },
  'lead-agm': { charge: [-20, 50], discharge: [-20, 50] },
};

/** What a cell’s sheet tells of the temperatures that it may be worked at, °C. */
interface Stated {
  readonly chemistry: Chemistry;
  readonly chargeFromC?: number;
  readonly chargeToC?: number;
  readonly dischargeFromC?: number;
  readonly dischargeToC?: number;
}

/** Coldest and hottest that a cell may be charged or discharged at, °C: its sheet’s, else those of its chemistry. */
export function temperaturesOf(
  cell: Stated,
  way: 'charge' | 'discharge',
): readonly [coldestC: number, hottestC: number] {
  const [coldest, hottest] = GENERIC_TEMPERATURES[cell.chemistry][way];
  return way === 'charge'
    ? [cell.chargeFromC ?? coldest, cell.chargeToC ?? hottest]
    : [cell.dischargeFromC ?? coldest, cell.dischargeToC ?? hottest];
}

/** The width over which current comes back above the coldest that is allowed, K (generic): LFP and NMC are charged slowly below 10–15 °C. */
const CHARGE_RAMP_K = 15;
const DISCHARGE_RAMP_K = 30;
/** What is left right above the coldest that is allowed (generic). */
const LEAST_SHARE = 0.2;

/** Share of the 25 °C current that is left at a temperature: 0 outside what is allowed, rising straight above the coldest. */
export function temperatureShare(
  temperatureC: number,
  [coldestC, hottestC]: readonly [number, number],
  to: 'charge' | 'discharge',
): number {
  if (temperatureC < coldestC || temperatureC > hottestC) return 0;
  const ramp = to === 'charge' ? CHARGE_RAMP_K : DISCHARGE_RAMP_K;
  return Math.min(1, LEAST_SHARE + ((1 - LEAST_SHARE) * (temperatureC - coldestC)) / ramp);
}
