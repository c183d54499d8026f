import { atLeast, choice, flag, nonNegative, optional, positive, table } from '../fields';
import { definePart } from './definition';

/** Contactor or relay of the traction circuit. */
export const contactor = definePart({
  kind: 'contactor',
  words: 'Contactors and relays',
  fields: {
    ratedVoltageV: positive(2000),
    contactResistanceOhm: positive(1),
    carry: table({ areaMm2: positive(1000), currentA: positive(100000) }, 1, 20),
    makeCurrentA: positive(100000),
    breakCurrentA: positive(100000),
    coilVoltageV: positive(100),
    coilPowerW: positive(500),
    polarised: flag(),
    /** What it stands closed, before a fuse acts: I²t and peak. Absent: not stated. */
    shortTimeI2tA2s: optional(positive(1e12)),
    shortTimePeakA: optional(positive(100000)),
    /** How much of its carry current it takes for a while; longest last. Absent: not stated. */
    overloads: optional(table({ durationS: positive(3600), multiple: atLeast(1, 100) }, 1, 20)),
    /** A polarised one breaks so much against its marked direction; absent: not stated. */
    reverseBreakCurrentA: optional(nonNegative(100000)),
    /** Coil voltage at which it surely closes, hot, and above which it surely stays closed. */
    coilPickUpV: optional(positive(100)),
    coilHoldV: optional(positive(100)),
    /** What takes the coil’s energy when its feed opens: a plain diode is slow, a zener or TVS is quick, none burns what switches it. */
    coilSuppression: optional(choice('plain-diode', 'zener', 'none')),
    /** From the coil’s feed opening to the contacts open, with a suppression that lets the coil’s voltage rise, s. */
    releaseTimeS: optional(positive(10)),
    /** Openings at the break current until it is worn, and without current. */
    electricalLife: optional(positive(1e9)),
    mechanicalLife: optional(positive(1e9)),
    /** Its terminals bear so much, °C; absent: not stated. */
    terminalC: optional(atLeast(40, 300)),
    /** Its voltage and what it breaks hold up to this altitude, m; absent: not stated. */
    toAltitudeM: optional(nonNegative(10000)),
  },
});
