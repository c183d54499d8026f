import { BOLTS, type Bolt } from '../physics/bolts';

export {
  type AuxiliaryBatteryData,
  type ConverterData,
  LOAD_JOBS,
  LOAD_SORTS,
  type LoadJob,
  type LoadSort,
  type LvLoad,
  SCENARIOS,
  type ScenarioId,
} from '../parts/low-voltage-types';

/** What is found and weighed on the vehicle itself: plain data of the document, kept apart from its circuits. */

/** Looked at before anything is taken apart. */
export const INSPECTIONS = [
  'gearbox-turns',
  'gearbox-shifts',
  'brakes',
  'steering',
  'suspension',
  'old-wiring',
  'rust',
  'lights',
  'leaks',
] as const;
export type InspectionId = (typeof INSPECTIONS)[number];
/** mend: a job before the road; bad: the vehicle can't be used like this. */
export type InspectionState = 'good' | 'mend' | 'bad';
export interface Inspection {
  readonly state: InspectionState;
  readonly note: string;
}

/** What becomes of an old part or of a branch of the old loom. */
export const FATES = ['keep', 'extend', 'strip', 'replace'] as const;
export type Fate = (typeof FATES)[number];
export interface OldPart {
  readonly id: string;
  readonly name: string;
  readonly kind: 'part' | 'loom';
  /** Null: not decided. */
  readonly fate: Fate | null;
  readonly note: string;
}

/** Where it is plugged in at night. */
export interface Supply {
  readonly voltageV?: number;
  readonly phases?: 1 | 3;
  readonly breakerA?: number;
  readonly outlet?: 'socket' | 'wall-unit';
  /** From the board to the outlet: one way, and of what cross-section, mm². */
  readonly runM?: number;
  readonly runMm2?: number;
}

/** Weighed and measured on its wheels. Springs are per axle: both wheels together. */
export interface Chassis {
  readonly trackM?: number;
  /** As it came, with its engine, empty. */
  readonly foundKg?: number;
  readonly foundFrontShare?: number;
  /** With everything out that goes, before anything new is in. */
  readonly strippedKg?: number;
  readonly strippedFrontShare?: number;
  /** Centre of a usual load, behind the front axle. */
  readonly payloadXM?: number;
  readonly frontLimitKg?: number;
  readonly rearLimitKg?: number;
  readonly frontSpringNPerM?: number;
  readonly rearSpringNPerM?: number;
  /** To the bump stop, empty as found. */
  readonly frontClearanceM?: number;
  readonly rearClearanceM?: number;
  /** Outline: beyond the axles, over the body, to the roof. */
  readonly widthM?: number;
  readonly heightM?: number;
  readonly frontOverhangM?: number;
  readonly rearOverhangM?: number;
  readonly luggageBeforeL?: number;
  readonly luggageNowL?: number;
}

export { BOLTS, type Bolt };

/** How a box is held, and whether a hand gets to it. */
export interface BoxHold {
  readonly fixings?: number;
  readonly bolt?: Bolt;
  readonly boltClass?: '8.8' | '10.9';
  readonly reachCells?: boolean;
  readonly reachFuse?: boolean;
  readonly reachDisconnect?: boolean;
  readonly vent?: boolean;
  readonly drain?: boolean;
}

/** Accelerations that a box's fixings must hold, in g; absent: the rule set's. */
export interface Restraint {
  readonly forwardG?: number;
  readonly sideG?: number;
  readonly upG?: number;
}

/** A module out of another vehicle, as measured. */
export interface SalvagedModule {
  readonly id: string;
  readonly voltageV: number;
  readonly capacityAh: number;
  readonly resistanceOhm: number;
}

/** Belt, chain or timing belt between motor and gearbox, beside its ratio. */
export interface StageData {
  readonly kind?: 'v-belt' | 'timing-belt' | 'chain';
  /** Pitch diameter of the pulley or sprocket on the motor. */
  readonly motorPulleyM?: number;
  /** Highest side load of the motor's shaft, from its sheet. */
  readonly sideLimitN?: number;
  /** A speed limit that cuts the motor’s feed. */
  readonly overspeedCut?: boolean;
}

/** A set speed instead of a pedal: site carts and tractors. */
export interface PresetSpeed {
  readonly speedMPerS?: number;
  readonly rampS?: number;
  /** A switch that stops it when it is let go. */
  readonly deadMan?: boolean;
}

/** How the motor brakes; absent figures are assumed and say so. */
export interface Regeneration {
  /** none: the drive gives nothing back. */
  readonly asked?: 'none' | 'brake-pedal' | 'lift-off';
  /** Its controller lights the brake lamps. */
  readonly lampLit?: boolean;
  /** Share of the braking on the usual trip that the motor takes. */
  readonly share?: number;
  /** Most braking torque, as a share of the motor’s peak torque. */
  readonly torqueShare?: number;
}

/** Limits that a rule set of one’s own may state; rules/rule-sets has the same names. */
export const OWN_LIMITS = [
  'classBDcV',
  'singlePoleMostV',
  'hvDropShare',
  'prechargeMostS',
  'passiveDischargeS',
  'activeDischargeS',
  'harmlessJ',
  'unprotectedM',
  'meltingS',
  'insulationOhmPerV',
  'restraintForwardG',
  'restraintSideG',
  'restraintUpG',
  'lampFromMPerS2',
] as const;
export type OwnLimit = (typeof OWN_LIMITS)[number];

/** What gets at things in a zone. */
export const EXPOSURES = ['heat', 'water', 'stones', 'feet', 'cargo', 'side-impact'] as const;
export type Exposure = (typeof EXPOSURES)[number];

/** A block of the vehicle's frame, metres. */
export interface Extent {
  readonly x0M: number;
  readonly x1M: number;
  readonly y0M: number;
  readonly y1M: number;
  readonly z0M: number;
  readonly z1M: number;
}

/** Where cables go from one zone into another: a hole with or without edge protection, or an open way. */
export const PASSAGES = ['grommet', 'hole', 'tunnel'] as const;
export type PassageKind = (typeof PASSAGES)[number];
export interface Passage {
  readonly id: string;
  readonly name: string;
  readonly kind: PassageKind;
  /** In the vehicle's frame, m. */
  readonly at: { readonly xM: number; readonly yM: number; readonly zM: number };
  readonly zoneIds: readonly [string, string];
}

/** What a route meets on its way, as looked at on the vehicle; absent: not looked at. */
export interface RouteFacts {
  /** To the nearest signal wire that runs along with it. */
  readonly signalDistanceM?: number;
  readonly overBrakeLine?: boolean;
  readonly throughPanel?: boolean;
  readonly grommet?: boolean;
  /** A cover below it where it runs under the floor. */
  readonly cover?: boolean;
  /** Radius of the tightest turn, and whether it moves there. */
  readonly tightestBendM?: number;
  readonly moves?: boolean;
  readonly shieldEarthed?: 'both' | 'one' | 'none';
}

/** Outer measure of a device: along, across, up. */
export interface Size {
  readonly lengthM: number;
  readonly widthM: number;
  readonly heightM: number;
}

/** How a pack on a trailer is joined to the vehicle that pulls it. What is absent is not told. */
export interface TrailerLink {
  /** A short contact in the plug opens the contactors before its power contacts part. */
  readonly interlock?: boolean;
  /** How it is joined: with both sides dead, or with its voltage watched till the two are equal; live in no way. */
  readonly joined?: (typeof TRAILER_JOINS)[number];
  /** Its cable is of fine strands, bears bending, and hangs free of the ground and of the wheels. */
  readonly flexes?: boolean;
  /** Torn off it breaks at a place that leaves no live end, and a rope pulls the trailer’s own brake. */
  readonly breakAway?: boolean;
}
export const TRAILER_JOINS = ['dead', 'watched', 'live'] as const;

/** A second pack that might be joined: what it is, and how both stand. What is absent is not told. */
export interface SecondPack {
  readonly ah?: number;
  readonly ohm?: number;
  readonly socA?: number;
  readonly socB?: number;
  /** By meter, open, V. */
  readonly readAV?: number;
  readonly readBV?: number;
}
