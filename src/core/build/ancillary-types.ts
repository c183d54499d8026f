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
  /** A firm stop of half the weight, measured at the pedal with assist, N; and by how much the booster multiplies. */
  readonly pedalN?: number;
  readonly boostRatio?: number;
  /** Iron of all discs and drums. */
  readonly discKg?: number;
  /** The pedal has a stop of its own; the controller is told that it is pressed. */
  readonly pedalStop?: boolean;
  readonly pedalTold?: boolean;
  /** Electric booster: its fluid reservoir stands above it, where it can be filled. */
  readonly fluidAbove?: boolean;
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
  /** It adds all of it up to this speed, and nothing from that one on. */
  readonly fullToMPerS?: number;
  readonly noneFromMPerS?: number;
  /** It gets the vehicle’s speed; without it, it falls back to little assist. */
  readonly speedTold?: boolean;
  readonly safeDefault?: boolean;
  /** A pump by speed goes on pumping without the signal. */
  readonly pumpsOn?: boolean;
  /** Bracket, plug and hoses of the pump are made for this car. */
  readonly pumpFits?: boolean;
  /** The old electric steering gets its messages: speed, engine running. */
  readonly messages?: boolean;
  /** Belt kept: the motor turns the pump at standstill too. */
  readonly idles?: boolean;
  /** … and takes so much of the motor all the while, W at its shaft. */
  readonly beltW?: number;
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
  /** Room that the old matrix leaves in its box: along, across and through. */
  readonly boxLengthM?: number;
  readonly boxWidthM?: number;
  readonly boxDepthM?: number;
  readonly blowerLocked?: boolean;
  readonly cutOut?: boolean;
  readonly dcSwitch?: boolean;
  /** Air reaches the screen. */
  readonly airToScreen?: boolean;
  /** Air conditioning: oil that does not conduct in a flushed system, a fan at the condenser, filled by whoever may. */
  readonly acOil?: boolean;
  readonly acFan?: boolean;
  readonly acLicensed?: boolean;
}

export interface Cooling {
  /** Loop: flow as it runs, radiator, W/K at driving, coolant in it, and what it may have at the first part. */
  readonly flowLPerMin?: number;
  readonly radiatorWPerK?: number;
  readonly coolantL?: number;
  /** Pump: pressure at no flow, flow at no pressure; loop: what it drops at a flow. Together they give the flow where none was measured. */
  readonly pumpPa?: number;
  readonly pumpFreeLPerMin?: number;
  readonly dropPa?: number;
  readonly dropAtLPerMin?: number;
  /** Radiator at standstill, its fan running. */
  readonly stillWPerK?: number;
  /** Plate in air: area that air touches, m², and how hot its base may get. */
  readonly plateM2?: number;
  readonly plateC?: number;
  /** Loss of the motor turning by itself on the bench, W. */
  readonly spinW?: number;
  readonly inletC?: number;
  readonly header?: boolean;
  readonly bleeds?: boolean;
  /** The same pump serves the heating too. */
  readonly shared?: boolean;
  /** The stream comes to the motor first, then to the inverter. */
  readonly motorFirst?: boolean;
  /** Test first: so hot it got on the road, on a day of so much, and from where one acts. */
  readonly loggedC?: number;
  readonly loggedAirC?: number;
  readonly actC?: number;
}

/** What each old gauge shows now. */
export const OLD_GAUGES = ['fuel', 'temperature', 'oil', 'ammeter', 'tachometer', 'speedometer'] as const;
export type OldGauge = (typeof OLD_GAUGES)[number];
/** emulated: its sender is played; replaced: a gauge of its own; display: the controller’s display shows it; kept: it goes on as it did; blank: it shows nothing; none: the car never had it. */
export const GAUGE_SHOWS = ['emulated', 'replaced', 'display', 'kept', 'blank', 'none'] as const;
export type GaugeShows = (typeof GAUGE_SHOWS)[number];

export interface Gauges {
  readonly shows?: Readonly<Partial<Record<OldGauge, GaugeShows>>>;
  /** Lamps for low 12 volt and for insulation; hours are counted. */
  readonly lowTwelve?: boolean;
  readonly insulationLamp?: boolean;
  readonly hours?: boolean;
  /** A recharge lamp: lights below, goes out above, V a cell, after it was below for so long. */
  readonly lampOnV?: number;
  readonly lampOffV?: number;
  readonly lampHoldS?: number;
  /** A shift lamp lights at so many turns of the motor a minute. */
  readonly shiftRpm?: number;
}

/** Questions with yes or no, by system. */
export const ANCILLARY_FLAGS = {
  brakes: [
    'switchFollows',
    'warnApart',
    'checkValve',
    'pumpRubber',
    'silenced',
    'pedalStop',
    'pedalTold',
    'fluidAbove',
  ],
  steering: ['speedTold', 'safeDefault', 'pumpsOn', 'pumpFits', 'messages', 'idles'],
  cabin: ['blowerLocked', 'cutOut', 'dcSwitch', 'airToScreen', 'acOil', 'acFan', 'acLicensed'],
  cooling: ['header', 'bleeds', 'shared', 'motorFirst'],
  gauges: ['lowTwelve', 'insulationLamp', 'hours'],
} as const;
export type Ancillary = keyof typeof ANCILLARY_FLAGS;
export type AncillaryFlag<A extends Ancillary = Ancillary> = (typeof ANCILLARY_FLAGS)[A][number];
