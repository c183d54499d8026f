import { choice, nonNegative, optional, positive, table } from '../fields';
import { definePart } from './definition';

/** A traction motor with its inverter’s efficiency in the map. */
export const motor = definePart({
  kind: 'motor',
  words: 'Motors',
  fields: {
    motorKind: choice('series-dc', 'induction', 'permanent-magnet'),
    peakTorqueNm: positive(20000),
    peakPowerW: positive(1e6),
    continuousPowerW: positive(1e6),
    /** Up to this speed the peak torque is there at `baseLinkV`. */
    baseSpeedRpm: positive(30000),
    baseLinkV: positive(2000),
    maximumSpeedRpm: positive(40000),
    /** Peak between two phases at 1000 rev/min, turned without current; permanent magnets only. */
    backVoltagePerKrpmV: optional(positive(2000)),
    /** Peak torque as measured or from a sheet, at `baseLinkV`, by rising speed. */
    envelope: optional(table({ speedRpm: nonNegative(60000), torqueNm: nonNegative(20000) }, 2, 60)),
    massKg: positive(1000),
    /** What takes its heat away; absent: not stated. */
    cooling: optional(choice('air', 'liquid')),
  },
});
