import type { CoilSuppression } from '../parts/types';
import type { ChargerPlug } from './charge-types';
import { type CircuitName, DEVICES, type DeviceKind } from './devices';
import type { Id, Place, Point } from './place-types';
import type { AuxiliaryBatteryData, BoxHold, ConverterData, LvLoad, Size, TrailerLink } from './vehicle-types';

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

/** What every device has. */
interface AnyDevice {
  readonly id: Id;
  readonly name: string;
  readonly partId: Id | null;
  readonly place: Place | null;
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
  /** What its case keeps out, as "IP67". */
  readonly ingress?: string;
}

/** What some kinds have; which, stands with each kind. */
export interface DeviceFields {
  /** Cells of one group chain and groups side by side. */
  readonly cellsInSeries?: number;
  readonly cellsInParallel?: number;
  readonly role?: ContactorRole;
  /** Power drawn in a state, W; of a charger in `charging` the power that it gives. Absent: nothing. */
  readonly powersW?: Readonly<Partial<Record<StateId, number>>>;
  /** What it is on the 12-volt side. */
  readonly load?: LvLoad;
  readonly battery?: AuxiliaryBatteryData;
  readonly converter?: ConverterData;
  /** What its contact carries, A. */
  readonly ratedA?: number;
  /** A main switch that is opened when it is parked for long. */
  readonly opensParked?: boolean;
  /** Its place in the fuse box. */
  readonly way?: number;
  /** How it is held. */
  readonly hold?: BoxHold;
  /** Fitted at its coil in place of what the part brings along. */
  readonly coilSuppression?: CoilSuppression;
  /** It warms the cells, not people. */
  readonly warmsCells?: boolean;
  /** Of several motors: its share of the torque at the gearbox’s input (in proportion to the others’), and its turns for one turn there. */
  readonly torqueShare?: number;
  readonly gearing?: number;
  /** Heat that it takes out of the cells while it runs, W; absent: none. */
  readonly coolsCellsW?: number;
  /** It stands on a trailer, joined by a plug. */
  readonly trailer?: TrailerLink;
  /** How it is plugged in. */
  readonly plug?: ChargerPlug;
}

type Own<Kind extends DeviceKind> = (typeof DEVICES)[Kind] extends { readonly has: readonly (infer Name)[] }
  ? Name
  : never;

/** A device of a kind: what every device has, what its kind has, and nothing that only others have. */
export type DeviceOf<Kind extends DeviceKind> = AnyDevice & { readonly kind: Kind } & {
  readonly [Name in keyof DeviceFields]: Name extends Own<Kind> ? DeviceFields[Name] : undefined;
};

export type Device = { [Kind in DeviceKind]: DeviceOf<Kind> }[DeviceKind];

/** A device of a kind that is known only where it runs; what it may have follows from the kind all the same. */
export const makeDevice = <Kind extends DeviceKind>(kind: Kind, of: Omit<DeviceOf<Kind>, 'kind'>): Device =>
  ({ ...of, kind }) as unknown as Device;

/** The circuit of a device's terminal; undefined when its kind has no such terminal. */
export function circuitOfTerminal(kind: DeviceKind, terminal: string): CircuitName | undefined {
  const terminals: Readonly<Record<string, CircuitName>> = TERMINALS[kind];
  return Object.hasOwn(terminals, terminal) ? terminals[terminal] : undefined;
}
