/** How far the end of a wire is. left-long: routed, to be trimmed at the final fit; parked: labelled, insulated and tied back. */
export const END_STATES = ['planned', 'cut', 'crimped', 'routed', 'left-long', 'parked', 'landed', 'tested'] as const;
export type EndState = (typeof END_STATES)[number];
export const SIDES = ['a', 'b'] as const;
export type WireSide = (typeof SIDES)[number];

/** Colours of IEC 60757. */
export const COLOURS = ['BK', 'BN', 'RD', 'OG', 'YE', 'GN', 'BU', 'VT', 'GY', 'WH', 'PK', 'TQ'] as const;
export type Colour = (typeof COLOURS)[number];

/** What a signal wire carries. */
export const WIRE_SIGNALS = [
  'can-high',
  'can-low',
  'position',
  'temperature',
  'pedal',
  'brake',
  'selector',
  'pilot',
  'proximity',
  'cell-sense',
  'enable',
  'gauge',
  'other',
] as const;
export type WireSignal = (typeof WIRE_SIGNALS)[number];

/** Things of the harness that are no devices of a circuit. plug: an inline connector; socket: the inlet that it is charged at. */
export const FITTINGS = [
  'pedal',
  'brake-switch',
  'selector',
  'socket',
  'dash-switch',
  'gauge',
  'sensor',
  'plug',
  'splice',
  'strip',
  'earth-point',
] as const;
export type FittingKind = (typeof FITTINGS)[number];
export interface Fitting {
  readonly id: string;
  readonly name: string;
  readonly kind: FittingKind;
  /** Null: not told. */
  readonly zoneId: string | null;
  /** A hand gets to it. */
  readonly reachable?: boolean;
}

/** Where a signal wire ends: a device of the build or a fitting, and the name of the pin there. */
export interface PinAt {
  readonly hostId: string;
  readonly pin: string;
}

/** A wire that no circuit holds: signals, sensors, data. */
export interface SignalWire {
  readonly id: string;
  readonly name: string;
  readonly signal: WireSignal;
  readonly a: PinAt;
  readonly b: PinAt;
  /** It brings the current of a signal back to where that is read. */
  readonly returns?: boolean;
  readonly areaMm2?: number;
  readonly lengthM?: number;
}

/** What somebody decided for one wire, in place of what follows by rule. */
export interface WireMark {
  /** Of the wire. */
  readonly id: string;
  readonly colour?: Colour;
  readonly stripe?: Colour;
  readonly label?: string;
  /** The sub-harness that it is made in. */
  readonly loom?: string;
  /** Another wire that it is twisted with. */
  readonly twistedWith?: string;
  /** Where its screen is earthed. */
  readonly screen?: (typeof SCREENS)[number];
  /** Added to its length for loops at both ends, m. */
  readonly loopM?: number;
  /** Pin numbers of its ends. */
  readonly pinA?: number;
  readonly pinB?: number;
  /** Terminal and seal that are crimped on. */
  readonly crimpA?: string;
  readonly crimpB?: string;
}
export const SCREENS = ['none', 'a', 'b', 'both', 'open'] as const;

/** One end as it was made: at which terminal, of which cable. It stays when the design moves on, and says so then. */
export interface EndMade {
  readonly state: EndState;
  readonly hostId: string;
  readonly terminal: string;
  readonly hostName: string;
  /** Of the cable that it was cut from, mm²; null: not told. */
  readonly areaMm2: number | null;
  /** ISO date. */
  readonly date: string;
}
/** Both ends of a wire as far as they are made; absent: nothing done yet. */
export interface WireEnds {
  /** Of the wire. */
  readonly id: string;
  readonly name: string;
  readonly a?: EndMade;
  readonly b?: EndMade;
}

/** The connector of a device or fitting, as it is at hand. */
export interface Plug {
  /** Of its device or fitting. */
  readonly id: string;
  readonly ways?: number;
  /** Nothing else nearby fits into it. */
  readonly keyed?: boolean;
  readonly sealed?: boolean;
}

/** A wire as it stands in the list that is worked from. */
export interface IssuedWire {
  readonly id: string;
  readonly no: number;
  readonly name: string;
  readonly a: string;
  readonly b: string;
  readonly areaMm2: number | null;
  readonly pinA: number | null;
  readonly pinB: number | null;
}
/** The list that was printed or taken to the car. */
export interface WiringIssue {
  readonly date: string;
  readonly wires: Readonly<Record<string, IssuedWire>>;
}

/** A message of a node: so many bytes every so many seconds. */
export interface BusFrame {
  readonly identifier: number;
  readonly extended?: boolean;
  readonly bytes: number;
  readonly periodS: number;
}
/** A device on the CAN bus. What is absent is not told. */
export interface BusNode {
  /** Device or fitting, and its port where it has several. */
  readonly id: string;
  readonly hostId: string;
  readonly port: string;
  readonly terminates?: boolean;
  readonly bitRateBps?: number;
  readonly sends?: readonly BusFrame[];
  /** Identifiers that it needs from others. */
  readonly hears?: readonly number[];
}
export const MOST_FRAMES = 200;

/** Pins of one connector as a donor’s drawing or a look at the car tells them. */
export interface PinTable {
  readonly id: string;
  readonly name: string;
  readonly rows: readonly PinRow[];
}
export interface PinRow {
  readonly pin: string;
  readonly signal: string;
  readonly colour: string;
}
export const MOST_PIN_ROWS = 300;

/** A connector or splice that was opened and looked at. */
export interface PlugLook {
  readonly id: string;
  /** Wire, device or fitting. */
  readonly subjectId: string;
  readonly what: string;
  readonly water: boolean;
  readonly corrosion: boolean;
  readonly wetScreen: boolean;
  /** Of its insulation, Ω; null: not measured. */
  readonly insulationOhm: number | null;
  /** File of the photograph. */
  readonly photo: string;
  readonly date: string;
  readonly by: string;
  /** What was bad was made new. */
  readonly renewed?: boolean;
}

/** An end of the old loom that still hangs there. */
export const OLD_END_STATES = ['found', 'labelled', 'parked', 'extended', 'landed', 'removed'] as const;
export type OldEndState = (typeof OLD_END_STATES)[number];
export interface OldEnd {
  readonly id: string;
  /** Branch of the old loom, among the old parts; empty: not told. */
  readonly branchId: string;
  readonly label: string;
  readonly state: OldEndState;
}

/** What people decided, ticked and found at the wires. */
export interface HarnessData {
  readonly fittings?: Readonly<Record<string, Fitting>>;
  readonly wires?: Readonly<Record<string, SignalWire>>;
  readonly marks?: Readonly<Record<string, WireMark>>;
  readonly ends?: Readonly<Record<string, WireEnds>>;
  readonly plugs?: Readonly<Record<string, Plug>>;
  readonly nodes?: Readonly<Record<string, BusNode>>;
  readonly tables?: Readonly<Record<string, PinTable>>;
  readonly looks?: Readonly<Record<string, PlugLook>>;
  readonly oldEnds?: Readonly<Record<string, OldEnd>>;
  readonly issue?: WiringIssue;
}
export const HARNESS_LISTS = [
  'fittings',
  'wires',
  'marks',
  'ends',
  'plugs',
  'nodes',
  'tables',
  'looks',
  'oldEnds',
] as const;
export type HarnessList = (typeof HARNESS_LISTS)[number];
export type HarnessEntry<L extends HarnessList> = NonNullable<HarnessData[L]>[string];
/** Entries of each list, at most. */
export const MOST_IN_HARNESS: Readonly<Record<HarnessList, number>> = {
  fittings: 300,
  wires: 2000,
  marks: 4000,
  ends: 4000,
  plugs: 1000,
  nodes: 100,
  tables: 60,
  looks: 500,
  oldEnds: 1000,
};
