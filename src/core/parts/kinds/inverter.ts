import { atLeast, choice, group, nonNegative, optional, positive } from '../fields';
import { definePart } from './definition';
import { WINDOW } from './window';

/** Inverter or motor controller. */
export const inverter = definePart({
  kind: 'inverter',
  words: 'Inverters and controllers',
  fields: {
    window: group(WINDOW),
    linkCapacitanceF: nonNegative(10),
    maxBatteryCurrentA: positive(100000),
    /** Of its motor side: rms of a phase, or of a series motor the direct current; absent: not stated. */
    maxMotorCurrentA: optional(positive(100000)),
    /** Across its link, inside; absent: not stated. */
    bleedResistanceOhm: optional(positive(1e8)),
    /** Switched across its link when it is told to discharge; absent: it has none, or none is stated. */
    activeDischargeOhm: optional(positive(1e8)),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
    /** What takes its heat away; absent: not stated. */
    cooling: optional(choice('air', 'liquid')),
  },
});
