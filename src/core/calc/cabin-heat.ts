import { quantityText as q, type WorkingLine } from '../checks';
import { conductance, elementBand, holdsW, insideAfter, settlesAt, warmUp } from '../physics/cabin';
import { LawRefused } from './refused';

export interface CabinHeatInput {
  readonly lossWPerK: number;
  readonly freshAirKgPerS: number;
  readonly recirculation?: number | null;
  readonly heatCapacityJPerK: number;
  readonly outsideC: number;
  readonly targetC: number;
  readonly heaterPowerW?: number | null;
  readonly elementRatedPowerW?: number | null;
  readonly elementRatedVoltageV?: number | null;
  readonly packVoltageV?: number | null;
  readonly coldInrushFactor?: number | null;
  readonly afterS?: number | null;
}

/** Cold elements draw up to so much of their rated power (reference of the trade). */
const INRUSH = 2;
const given = (value: number | null | undefined): value is number => value !== null && value !== undefined;

/** A cabin warmed from cold: power that holds it, time to get there, what an element gives at the pack’s voltage. */
export function calcCabinHeat(input: CabinHeatInput): { result: unknown; working: readonly WorkingLine[] } {
  const cabin = {
    lossWPerK: input.lossWPerK,
    freshKgPerS: input.freshAirKgPerS,
    recirculated: input.recirculation ?? 0,
    heatJPerK: input.heatCapacityJPerK,
    outsideC: input.outsideC,
  };
  const { elementRatedPowerW: ratedW, elementRatedVoltageV: ratedV, packVoltageV: packV } = input;
  const band =
    given(ratedW) && given(ratedV) && given(packV)
      ? elementBand(ratedW, ratedV, packV, input.coldInrushFactor ?? INRUSH)
      : null;
  const power = input.heaterPowerW ?? band?.[0];
  if (!given(power))
    throw new LawRefused(
      'heaterPowerW',
      'is missing, and so is the element with its voltage.',
      'Give heaterPowerW, or elementRatedPowerW, elementRatedVoltageV and packVoltageV.',
    );
  const time = warmUp(cabin, power, input.targetC);
  return {
    result: {
      conductanceWPerK: conductance(cabin),
      holdingPowerW: holdsW(cabin, input.targetC),
      heaterPowerW: power,
      elementPowerLowW: band?.[0] ?? null,
      elementPowerHighW: band?.[1] ?? null,
      settlesAtC: settlesAt(cabin, power),
      timeToTargetS: time,
      temperatureAfterC: given(input.afterS) ? insideAfter(cabin, power, input.afterS) : null,
    },
    working: [
      {
        formula: 'P = (UA + ṁ · c_p · (1 − r)) · (T_in − T_out)',
        figures: `${q(conductance(cabin), 'heatLoss')} from ${q(input.outsideC, 'temperature')} to ${q(input.targetC, 'temperature')}`,
        result: { value: holdsW(cabin, input.targetC), dimension: 'power' },
      },
      {
        formula: 't = C / G · ln((T∞ − T_out) / (T∞ − T))',
        figures: `${q(power, 'power')}, settles at ${q(settlesAt(cabin, power), 'temperature')}`,
        ...(time === null ? { note: 'never' } : { result: { value: time, dimension: 'time' as const } }),
      },
    ],
  };
}
