import type { CoilSuppression, Part } from '../parts/types';
import type { UnitSystem } from '../quantities/units';
import type { Brakes, Cabin, Cooling, Gauges, Steering } from './ancillary-types';
import type { CellCare, ChargerPlug, Charging } from './charge-types';
import type { CommissionData } from './commission-types';
import type { Controls, Settings } from './control-types';
import { type CircuitName, DEVICES, type DeviceKind } from './devices';
import type { DriveRecord, HealthRecord } from './drive-types';
import type { Duty, LossId, LossState, VehicleData } from './duty-types';
import type { HarnessData } from './harness-types';
import type { Costs, Customer, InHand, OldFault } from './in-hand-types';
import type { LogbookData } from './logbook-types';
import type { PlanData } from './plan-types';
import type { Safeguards } from './safeguards';
import type { Schools } from './school-types';
import type {
  AuxiliaryBatteryData,
  BoxHold,
  Chassis,
  ConverterData,
  Exposure,
  Extent,
  Inspection,
  InspectionId,
  LvLoad,
  OldPart,
  OwnLimit,
  Passage,
  PresetSpeed,
  Regeneration,
  Restraint,
  RouteFacts,
  SalvagedModule,
  SecondPack,
  Size,
  StageData,
  Supply,
  TrailerLink,
} from './vehicle-types';

export * from './ancillary-types';
export * from './charge-types';
export * from './commission-types';
export * from './control-types';
export * from './drive-types';
export * from './duty-types';
export * from './harness-types';
export * from './in-hand-types';
export * from './logbook-types';
export * from './plan-types';
export * from './school-types';
export * from './vehicle-types';

/**
 * The document: plain data, SI base units with the unit in the name, nothing derived. Ids are random strings made at the edge;
 * references are by id only. Complete topology, also where screens come later.
 */
export type Id = string;

export const FORMAT = 'ropeway-build';
export const VERSION = 1;

/** Vehicle frame, metres: x back from the front axle, y left of the centre line, z up from the ground. */
export interface Point {
  readonly xM: number;
  readonly yM: number;
  readonly zM: number;
}

export interface Place extends Point {
  /** Put where such things usually go, by nobody’s measure; moving it takes that off. */
  readonly usual?: true;
  readonly zoneId: Id;
}

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

export type { CircuitName, DeviceKind } from './devices';

/** Terminals of each kind of device, and the circuit that each belongs to. */
export const TERMINALS = Object.fromEntries(
  Object.entries(DEVICES).map(([kind, { terminals }]) => [kind, terminals]),
) as unknown as Readonly<Record<DeviceKind, Readonly<Record<string, CircuitName>>>>;

/** What a contactor is for; the states open and close contactors by it. */
export type ContactorRole = 'main-plus' | 'main-minus' | 'precharge' | 'charge' | 'branch';

export const STATE_IDS = [
  'parked',
  'service',
  'precharge',
  'ready',
  'cruise',
  'hard-acceleration',
  'hill',
  'regeneration',
  'charging',
  'heating',
] as const;
export type StateId = (typeof STATE_IDS)[number];

export interface Device {
  readonly id: Id;
  readonly kind: DeviceKind;
  readonly name: string;
  readonly partId: Id | null;
  readonly place: Place | null;
  /** box: cells of one group chain and groups side by side. */
  readonly cellsInSeries?: number;
  readonly cellsInParallel?: number;
  /** contactor */
  readonly role?: ContactorRole;
  /** Bus devices: power drawn in a state, W; of a charger in `charging` the power that it gives. Absent: nothing. */
  readonly powersW?: Readonly<Partial<Record<StateId, number>>>;
  /** Resistance and capacitance to the body, where they are known. */
  readonly insulationOhm?: number;
  readonly yCapacitanceF?: number;
  /** The box that it sits in: it moves along. */
  readonly insideId?: Id;
  readonly sizeM?: Size;
  /** Where its wires come out, from the place of its middle. */
  readonly outlet?: Point;
  /** As weighed; absent: from its part, or a generic figure of its kind. */
  readonly massKg?: number;
  /** lv-load, auxiliary-battery, converters: what they are on the 12-volt side. */
  readonly load?: LvLoad;
  readonly battery?: AuxiliaryBatteryData;
  readonly converter?: ConverterData;
  /** lv-switch and relay: what their contact carries. */
  readonly ratedA?: number;
  /** lv-switch: a main switch that is opened when it is parked for long. */
  readonly opensParked?: boolean;
  /** lv-fuse: its place in the fuse box. */
  readonly way?: number;
  /** box: how it is held. */
  readonly hold?: BoxHold;
  /** What its case keeps out, as "IP67". */
  readonly ingress?: string;
  /** contactor: fitted at its coil in place of what the part brings along. */
  readonly coilSuppression?: CoilSuppression;
  /** heater: it warms the cells, not people. */
  readonly warmsCells?: boolean;
  /** motor, of several: its share of the torque at the gearbox’s input (in proportion to the others’), and its turns for one turn there. */
  readonly torqueShare?: number;
  readonly gearing?: number;
  /** compressor: heat that it takes out of the cells while it runs, W; absent: none. */
  readonly coolsCellsW?: number;
  /** box: it stands on a trailer, joined by a plug. */
  readonly trailer?: TrailerLink;
  /** charger, charger and converter: how it is plugged in. */
  readonly plug?: ChargerPlug;
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

/** The circuit of a device's terminal; undefined when its kind has no such terminal. */
export function circuitOfTerminal(kind: DeviceKind, terminal: string): CircuitName | undefined {
  const terminals: Readonly<Record<string, CircuitName>> = TERMINALS[kind];
  return Object.hasOwn(terminals, terminal) ? terminals[terminal] : undefined;
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
