import type { FlowBasis } from '../physics/vacuum';

/** What replaces the engine’s vacuum, hydraulic pump, waste heat and radiator: figures of the systems themselves. Devices stand in the circuits. */

/** Vacuum is positive: ambient minus absolute, Pa. Volumes in litres, flows in litres a minute. */
export interface Brakes {
  /** Chamber of the booster at rest, reservoir, hoses. */
  readonly boosterL?: number;
  readonly reservoirL?: number;
  readonly hoseL?: number;
  /** Air that a full stroke of the pedal lets in, at ambient pressure. */
  readonly sweptL?: number;
  /** Pump at no vacuum, its highest vacuum at sea level, what its flow is a volume of, and for how much of the time it may run. */
  readonly pumpLPerMin?: number;
  readonly pumpMostPa?: number;
  readonly flowBasis?: FlowBasis;
  readonly pumpDuty?: number;
  readonly switchOnPa?: number;
  readonly switchOffPa?: number;
  /** Its set points go with the air around it. */
  readonly switchFollows?: boolean;
  /** Least vacuum with which the brakes are still assisted. */
  readonly leastPa?: number;
  /** A warning switch: its set point, and whether it has a port and a wire of its own. */
  readonly warnPa?: number;
  readonly warnApart?: boolean;
  readonly checkValve?: boolean;
  /** Pump on rubber, with a silencer at its outlet. */
  readonly pumpRubber?: boolean;
  readonly silenced?: boolean;
  /** Measured: from nothing to this vacuum it took so long; and in five minutes with the pump off so much was lost. */
  readonly pulledToPa?: number;
  readonly pulledS?: number;
  readonly leakPa?: number;
  /** Diaphragm of the booster. */
  readonly diaphragmM?: number;
  /** Electric booster: bore and stroke of its master cylinder, and the fluid that calipers and drums ask for. */
  readonly masterM?: number;
  readonly strokeM?: number;
  readonly fluidL?: number;
}

export interface Steering {
  /** Rack: piston area, mm², travel for a turn of the wheel, leakage, pressure that parking asks for, and what it bears. */
  readonly pistonMm2?: number;
  readonly travelM?: number;
  readonly leakLPerMin?: number;
  readonly needPa?: number;
  readonly bearsPa?: number;
  /** Pump: flow at that pressure, its relief valve, electric to hydraulic. */
  readonly pumpLPerMin?: number;
  readonly reliefPa?: number;
  readonly efficiency?: number;
  /** Draws so much while nobody steers, W; and runs so much of the driving. */
  readonly idleW?: number;
  readonly idleShare?: number;
  /** Turns of the wheel for the whole lock, degrees of the road wheels from lock to lock; rim; front tyres’ pressure. */
  readonly ratio?: number;
  readonly rimM?: number;
  readonly tyrePa?: number;
  /** Column assist: torque that it adds at the column, Nm. */
  readonly columnNm?: number;
  /** It gets the vehicle’s speed; without it, it falls back to little assist. */
  readonly speedTold?: boolean;
  readonly safeDefault?: boolean;
  /** The old electric steering gets its messages: speed, engine running. */
  readonly messages?: boolean;
  /** Belt kept: the motor turns the pump at standstill too. */
  readonly idles?: boolean;
}

export interface Cabin {
  /** Loss of the cabin, W/K, fresh air while driving, kg/s, of it so much taken from inside again. */
  readonly lossWPerK?: number;
  readonly freshKgPerS?: number;
  readonly recirculated?: number;
  readonly heatJPerK?: number;
  readonly wantedC?: number;
  /** Seats and screen, all together, W. */
  readonly seatsW?: number;
  /** Share of its rated power that an element takes when cold, where it rises. */
  readonly inrush?: number;
  readonly blowerLocked?: boolean;
  readonly cutOut?: boolean;
  readonly dcSwitch?: boolean;
  /** Air reaches the screen. */
  readonly airToScreen?: boolean;
}

export interface Cooling {
  /** Loop: flow as it runs, radiator, W/K at driving, coolant in it, and what it may have at the first part. */
  readonly flowLPerMin?: number;
  readonly radiatorWPerK?: number;
  readonly coolantL?: number;
  readonly inletC?: number;
  readonly header?: boolean;
  readonly bleeds?: boolean;
  /** The same pump serves the heating too. */
  readonly shared?: boolean;
  /** Test first: so hot it got on the road, on a day of so much, and from where one acts. */
  readonly loggedC?: number;
  readonly loggedAirC?: number;
  readonly actC?: number;
}

/** Questions with yes or no, by system. */
export const ANCILLARY_FLAGS = {
  brakes: ['switchFollows', 'warnApart', 'checkValve', 'pumpRubber', 'silenced'],
  steering: ['speedTold', 'safeDefault', 'messages', 'idles'],
  cabin: ['blowerLocked', 'cutOut', 'dcSwitch', 'airToScreen'],
  cooling: ['header', 'bleeds', 'shared'],
} as const;
export type Ancillary = keyof typeof ANCILLARY_FLAGS;
export type AncillaryFlag<A extends Ancillary = Ancillary> = (typeof ANCILLARY_FLAGS)[A][number];
