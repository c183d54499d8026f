import { celsius, choice, nonNegative, optional, positive } from '../fields';
import { definePart } from './definition';

/** Cells of one kind. */
export const cell = definePart({
  kind: 'cell',
  words: 'Cells',
  fields: {
    chemistry: choice('lfp', 'nmc', 'lto', 'lead-flooded', 'lead-agm'),
    nominalV: positive(20),
    /** Charge voltage: the highest that the bus sees. */
    fullV: positive(20),
    /** Lowest allowed under load. */
    emptyV: positive(20),
    capacityAh: positive(10000),
    /** New, 25 °C, half charged, after seconds. */
    resistanceOhm: positive(10),
    /** Busbar and lug joints per cell. */
    linkResistanceOhm: nonNegative(1),
    /** What one cell gives for hours and for ten seconds, and takes; absent: generic rates of its chemistry. */
    maxDischargeA: optional(positive(100000)),
    peakDischargeA: optional(positive(100000)),
    maxChargeA: optional(positive(100000)),
    peakChargeA: optional(positive(100000)),
    /** Coldest and hottest that it may be charged and discharged at; absent: as its chemistry. */
    chargeFromC: optional(celsius()),
    chargeToC: optional(celsius()),
    dischargeFromC: optional(celsius()),
    dischargeToC: optional(celsius()),
    massKg: positive(500),
  },
});
