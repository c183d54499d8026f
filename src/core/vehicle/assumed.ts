import type { Build } from '../build';
import { told } from '../quantities';

/** What is taken where nobody told it: once, and to the careful side. Whoever uses one of these says so among its assumptions. */

/** A place that is not known is as warm as a boot in summer, °C (reference of the trade: boot 45). */
export const UNKNOWN_AMBIENT_C = 45;
/** A winter's night of the temperate zone, °C (engineering judgement). */
export const UNKNOWN_COLDEST_C = -15;

export const coldestDayC = ({ duty }: Build): number => duty.coldestDayC ?? UNKNOWN_COLDEST_C;
export const coldestAssumed = ({ duty }: Build): readonly string[] =>
  duty.coldestDayC === undefined ? [`Coldest day ${told(UNKNOWN_COLDEST_C, 'temperature')}: it is not entered.`] : [];

/** Hottest day where nobody told one, °C (engineering judgement). */
const UNKNOWN_HOTTEST_C = 35;

export const hottestDayC = ({ duty }: Build): number => duty.hottestDayC ?? UNKNOWN_HOTTEST_C;
export const hottestAssumed = ({ duty }: Build): readonly string[] =>
  duty.hottestDayC === undefined
    ? [`Hottest day ${told(UNKNOWN_HOTTEST_C, 'temperature', 3)}: it is not entered.`]
    : [];
