import { atLeast, choice, group, nonNegative, nullable, optional, positive } from '../fields';
import { definePart } from './definition';
import { WINDOW } from './window';

/** Charger, converter, heater, compressor …: what hangs on the bus beside the inverter. */
export const busDevice = definePart({
  kind: 'bus-device',
  words: 'Chargers, converters, heaters',
  fields: {
    window: group(WINDOW),
    linkCapacitanceF: nonNegative(10),
    /** What it draws at most, W; of a charger what its converter draws. */
    ratedPowerW: nonNegative(1e6),
    /** A plain resistance: it draws its powers at this voltage, and more above it, by the square. Absent: electronics hold the power. */
    resistanceAtV: optional(positive(2000)),
    /** What it gives the pack at most; chargers only. Absent: not stated. */
    chargePowerW: optional(positive(1e6)),
    /** Wakes at this bus voltage by itself; null: held off until it is commanded. */
    turnOnV: nullable(positive(2000)),
    turnOffV: nullable(positive(2000)),
    /** Across its link, inside; absent: not stated. */
    bleedResistanceOhm: optional(positive(1e8)),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
    /** What takes its heat away; absent: not stated. */
    cooling: optional(choice('air', 'liquid')),
  },
});
