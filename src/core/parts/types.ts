import type { Insulation } from '../physics/cable';
import type { ConductorClass } from '../physics/cable-sizes';
import type { Chemistry } from '../physics/cell';
import type { Metal } from '../physics/conductor';
import type { CarryPoint } from '../physics/contactor';
import type { FuseFamily } from '../physics/fuse';
import type { MotorData } from '../physics/motor';

/** Where a part's figures come from; every working says which. */
export type Provenance = 'generic' | 'data-sheet' | 'measured' | 'own';

interface PartBase {
  readonly id: string;
  readonly name: string;
  readonly provenance: Provenance;
  readonly note?: string;
}

/** Voltages between which a device on the bus works, and what it survives. */
export interface VoltageWindow {
  readonly workingMinV: number;
  readonly workingMaxV: number;
  readonly absoluteMaxV: number;
}

export interface CellPart extends PartBase {
  readonly kind: 'cell';
  readonly chemistry: Chemistry;
  readonly nominalV: number;
  /** Charge voltage: the highest that the bus sees. */
  readonly fullV: number;
  /** Lowest allowed under load. */
  readonly emptyV: number;
  readonly capacityAh: number;
  /** New, 25 °C, half charged, after seconds. */
  readonly resistanceOhm: number;
  /** Busbar and lug joints per cell. */
  readonly linkResistanceOhm: number;
  readonly massKg: number;
}

export interface CablePart extends PartBase {
  readonly kind: 'cable';
  readonly areaMm2: number;
  readonly metal: Metal;
  /** Whose table the resistance comes from; absent: road-vehicle sizes (ISO 19642). */
  readonly conductorClass?: ConductorClass;
  readonly resistance20OhmPerM: number;
  readonly insulation: Insulation;
  readonly conductorDiameterMm: number;
  readonly outerDiameterMm: number;
  readonly temperatureClassC: number;
  readonly ratedVoltageV: number;
  readonly shielded: boolean;
  readonly massKgPerM: number;
}

export interface FusePart extends PartBase {
  readonly kind: 'fuse';
  readonly family: FuseFamily;
  readonly ratedCurrentA: number;
  /** Null: no DC voltage is stated. */
  readonly ratedVoltageDcV: number | null;
  readonly ratedVoltageAcV: number | null;
  readonly breakingCapacityA: number;
  readonly minimumBreakingMultiple: number;
  readonly multiples: readonly [number, number, number, number, number, number, number];
  readonly fusingMultiple: number;
  readonly nonFusingMultiple: number;
  readonly ratedTimeConstantS: number;
  readonly totalOverPreArcing: number;
  readonly dropAtRatedV: number;
  readonly temperatureLimitC: number;
  readonly continuousFactor: number;
}

export interface ContactorPart extends PartBase {
  readonly kind: 'contactor';
  readonly ratedVoltageV: number;
  readonly contactResistanceOhm: number;
  readonly carry: readonly CarryPoint[];
  readonly makeCurrentA: number;
  readonly breakCurrentA: number;
  readonly coilVoltageV: number;
  readonly coilPowerW: number;
  readonly polarised: boolean;
  /** What it stands closed, before a fuse acts: I²t and peak. Absent: not stated. */
  readonly shortTimeI2tA2s?: number;
  readonly shortTimePeakA?: number;
  /** How much of its carry current it takes for a while; longest last. Absent: not stated. */
  readonly overloads?: readonly { readonly durationS: number; readonly multiple: number }[];
  /** A polarised one breaks so much against its marked direction; absent: not stated. */
  readonly reverseBreakCurrentA?: number;
  /** Coil voltage at which it surely closes, hot, and above which it surely stays closed. */
  readonly coilPickUpV?: number;
  readonly coilHoldV?: number;
  readonly coilSuppression?: CoilSuppression;
  /** From the coil's feed opening to the contacts open, with a suppression that lets the coil's voltage rise, s. */
  readonly releaseTimeS?: number;
  /** Openings at the break current until it is worn, and without current. */
  readonly electricalLife?: number;
  readonly mechanicalLife?: number;
}

/** What takes the coil's energy when its feed opens: a plain diode is slow, a zener or TVS is quick, none burns what switches it. */
export type CoilSuppression = 'plain-diode' | 'zener' | 'none';

export interface ResistorPart extends PartBase {
  readonly kind: 'resistor';
  readonly resistanceOhm: number;
  readonly ratedPowerW: number;
  /** Energy that one pulse of about a second may bring, cold start. */
  readonly pulseEnergyJ: number;
  readonly ratedVoltageV: number;
}

export interface DisconnectPart extends PartBase {
  readonly kind: 'disconnect';
  readonly ratedVoltageV: number;
  readonly ratedCurrentA: number;
  readonly contactResistanceOhm: number;
  readonly breaksLoad: boolean;
}

export interface InverterPart extends PartBase {
  readonly kind: 'inverter';
  readonly window: VoltageWindow;
  readonly linkCapacitanceF: number;
  readonly maxBatteryCurrentA: number;
  /** Of its motor side: rms of a phase, or of a series motor the direct current; absent: not stated. */
  readonly maxMotorCurrentA?: number;
  /** Across its link, inside; absent: not stated. */
  readonly bleedResistanceOhm?: number;
  /** Switched across its link when it is told to discharge; absent: it has none, or none is stated. */
  readonly activeDischargeOhm?: number;
}

/** Charger, converter, heater, compressor …: what hangs on the bus beside the inverter. */
export interface BusDevicePart extends PartBase {
  readonly kind: 'bus-device';
  readonly window: VoltageWindow;
  readonly linkCapacitanceF: number;
  readonly ratedPowerW: number;
  /** Wakes at this bus voltage by itself; null: held off until it is commanded. */
  readonly turnOnV: number | null;
  readonly turnOffV: number | null;
  /** Across its link, inside; absent: not stated. */
  readonly bleedResistanceOhm?: number;
}

/** A traction motor with its inverter's efficiency in the map. */
export interface MotorPart extends PartBase, MotorData {
  readonly kind: 'motor';
  readonly massKg: number;
}

export interface SensorPart extends PartBase {
  readonly kind: 'sensor';
  readonly resistanceOhm: number;
  readonly ratedCurrentA: number;
}

export type Part =
  | CellPart
  | CablePart
  | FusePart
  | ContactorPart
  | ResistorPart
  | DisconnectPart
  | InverterPart
  | BusDevicePart
  | SensorPart
  | MotorPart;
export type PartKind = Part['kind'];
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>;
