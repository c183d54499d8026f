import type { Part } from '../parts/types';
import type { UnitSystem } from '../quantities/units';
import type { Brakes, Cabin, Cooling, Gauges, Steering } from './ancillary-types';
import type { CellCare, Charging } from './charge-types';
import type { CommissionData } from './commission-types';
import type { Controls, Settings } from './control-types';
import type { Device, StateId } from './device-types';
import type { DriveRecord, HealthRecord } from './drive-types';
import type { Duty, LossId, LossState, VehicleData } from './duty-types';
import type { HarnessData } from './harness-types';
import type { Costs, Customer, InHand, OldFault } from './in-hand-types';
import type { LogbookData } from './logbook-types';
import type { Id, Point } from './place-types';
import type { PlanData } from './plan-types';
import type { Safeguards } from './safeguards';
import type { Schools } from './school-types';
import type {
  Chassis,
  Exposure,
  Extent,
  Inspection,
  InspectionId,
  OldPart,
  OwnLimit,
  Passage,
  PresetSpeed,
  Regeneration,
  Restraint,
  RouteFacts,
  SalvagedModule,
  SecondPack,
  StageData,
  Supply,
} from './vehicle-types';

export * from './ancillary-types';
export * from './charge-types';
export * from './commission-types';
export * from './control-types';
export * from './device-types';
export * from './drive-types';
export * from './duty-types';
export * from './harness-types';
export * from './in-hand-types';
export * from './logbook-types';
export * from './place-types';
export * from './plan-types';
export * from './school-types';
export * from './vehicle-types';

export const FORMAT = 'ropeway-build';
export const VERSION = 1;

export interface Zone {
  readonly id: Id;
  readonly name: string;
  /** Design ambient: the hottest air that stays around a conductor there. */
  readonly ambientC: number;
  /** Where it is in the vehicle; absent: not drawn on the plan. */
  readonly extent?: Extent;
  readonly exposure?: readonly Exposure[];
  /** Protection that things there need, as "IP67". */
  readonly ingress?: string;
}

/** How a conductor lies. */
export interface Laid {
  readonly zoneId: Id;
  readonly arrangement: 'single' | 'touching-pair';
  readonly loadedCircuits: number;
  readonly conduit: boolean;
}

export interface Route {
  readonly id: Id;
  readonly name: string;
  readonly waypoints: readonly Point[];
  /** Added to the way between the points: rises, bends, slack. */
  readonly slackM: number;
  /** Wins over the computed length. */
  readonly measuredLengthM: number | null;
  readonly laid: Laid;
  /** It begins and ends where the devices of its conductors are: their way counts too. */
  readonly endsFollow?: boolean;
  readonly facts?: RouteFacts;
}

export interface End {
  readonly deviceId: Id;
  readonly terminal: string;
}

export interface Conductor {
  readonly id: Id;
  readonly name: string;
  readonly kind: 'cable' | 'busbar' | 'bolted';
  readonly a: End;
  readonly b: End;
  /** A cable part; null for a busbar, for two terminals bolted together, or while it is not chosen. */
  readonly partId: Id | null;
  readonly parallel: number;
  readonly routeId: Id | null;
  /** Own length; wins over the route's. */
  readonly lengthM: number | null;
  /** Used when there is no route. */
  readonly laid: Laid | null;
  /** Both end joints together; null: the generic value. */
  readonly jointResistanceOhm: number | null;
  /** Cross-section of a bar, mm²; absent: it is none, or nobody told. */
  readonly sectionMm2?: number;
  /** What the weakest plug on it carries; absent: none, or not known. */
  readonly connectorA?: number;
}

export interface Circuit {
  readonly devices: Readonly<Record<Id, Device>>;
  readonly conductors: Readonly<Record<Id, Conductor>>;
}

export interface Reading {
  readonly id: Id;
  readonly subjectId: Id;
  /** Field of the subject's part that was measured, such as "resistanceOhm". */
  readonly field: string;
  readonly value: number;
  readonly conditions: string;
  /** ISO date. */
  readonly date: string;
  readonly by: string;
  /** What it was read with. */
  readonly instrument?: string;
  /** Far from what is designed, and read once more: it is so. */
  readonly confirmed?: true;
}

/** A reading taken for true on one instance; retired when the part is swapped. */
export interface Adoption {
  readonly id: Id;
  readonly readingId: Id;
  readonly subjectId: Id;
  readonly field: string;
  /** The part that it was adopted on; null: the thing has none, or it is a figure of the vehicle. */
  readonly partId: Id | null;
}

/** The corners between which the pack lives. */
export interface PackLimits {
  readonly socEmpty: number;
  /** It is charged so far on usual days; absent: full. */
  readonly socFull?: number;
  readonly coldestCellC: number;
  readonly warmestCellC: number;
  /** State of health of the aged pack. */
  readonly agedHealth: number;
}

export interface PrechargeSequence {
  /** Fraction of pack voltage at which the main contactor closes. */
  readonly closeAtFraction: number;
  /** Null: twice the expected time. */
  readonly timeoutS: number | null;
  /** Whether each key-on first proves the link dead with every contactor open; absent: not known. */
  readonly provesDead?: boolean;
}

/** An owner's changes to a derived state; never a copy of it. */
export interface StateOverride {
  readonly inverterPowerW?: number;
}

export interface Build {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly id: Id;
  readonly name: string;
  readonly notes: string;
  readonly units: UnitSystem;
  readonly ruleSet: 'iec' | 'north-america' | 'own';
  readonly schools: Schools;
  readonly vehicle: VehicleData;
  readonly duty: Duty;
  readonly packLimits: PackLimits;
  readonly precharge: PrechargeSequence;
  readonly states: Readonly<Partial<Record<StateId, StateOverride>>>;
  /** What ran off the engine; absent ids are not answered yet. */
  readonly losses?: Readonly<Partial<Record<LossId, LossState>>>;
  readonly asFound?: Readonly<Partial<Record<InspectionId, Inspection>>>;
  /** What an inspector asks of the finished car; absent: not looked at. */
  readonly safeguards?: Safeguards;
  readonly oldParts?: Readonly<Record<Id, OldPart>>;
  /** What is in hand, on its way and wanted; and what it may cost. */
  readonly inHand?: Readonly<Record<Id, InHand>>;
  readonly costs?: Costs;
  readonly customer?: Customer;
  readonly oldFaults?: Readonly<Record<Id, OldFault>>;
  readonly supply?: Supply;
  /** What watches the cells; absent: nothing told. */
  readonly bms?: CellCare;
  readonly charging?: Charging;
  readonly brakes?: Brakes;
  readonly steering?: Steering;
  readonly cabin?: Cabin;
  readonly cooling?: Cooling;
  readonly gauges?: Gauges;
  /** Who commands, and what it heeds; absent: nothing told. */
  readonly controls?: Controls;
  /** What each device is set to, as entered and as it says back. */
  readonly settings?: Settings;
  /** Wires of no circuit, what was decided, ticked and found at the wires. */
  readonly harness?: HarnessData;
  /** What is done, waited for and open at the car. */
  readonly plan?: PlanData;
  /** What was tested at the car, and by whom. */
  readonly commission?: CommissionData;
  /** What was done, driven, charged and measured since. */
  readonly logbook?: LogbookData;
  /** Drives that were logged or read by meter. */
  readonly drives?: Readonly<Record<Id, DriveRecord>>;
  readonly health?: Readonly<Record<Id, HealthRecord>>;
  readonly chassis?: Chassis;
  readonly restraint?: Restraint;
  readonly modules?: Readonly<Record<Id, SalvagedModule>>;
  readonly stage?: StageData;
  readonly secondPack?: SecondPack;
  readonly presetSpeed?: PresetSpeed;
  readonly regeneration?: Regeneration;
  /** Limits of the rule set `own`, by name; those that it lacks are the strictest known. */
  readonly ownLimits?: Readonly<Partial<Record<OwnLimit, number>>>;
  readonly parts: Readonly<Record<Id, Part>>;
  readonly zones: Readonly<Record<Id, Zone>>;
  readonly passages?: Readonly<Record<Id, Passage>>;
  readonly routes: Readonly<Record<Id, Route>>;
  readonly circuits: { readonly hv: Circuit; readonly lv: Circuit };
  readonly readings: Readonly<Record<Id, Reading>>;
  readonly adoptions: Readonly<Record<Id, Adoption>>;
}

/** Every device of a build; a device stands in one circuit's list and may have terminals in both. */
export const findDevice = (build: Build, id: Id): Device | undefined =>
  own(build.circuits.hv.devices, id) ?? own(build.circuits.lv.devices, id);
export const findConductor = (build: Build, id: Id): Conductor | undefined =>
  own(build.circuits.hv.conductors, id) ?? own(build.circuits.lv.conductors, id);

/** Own entry of a record: ids come from files and must never reach the prototype. */
export function own<T>(record: Readonly<Record<string, T>>, id: string | null): T | undefined {
  return id !== null && Object.hasOwn(record, id) ? record[id] : undefined;
}
