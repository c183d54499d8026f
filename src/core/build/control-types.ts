/**
 * Who commands, and what it heeds: answers about the control's own guards. What is absent was not told: the search takes it for not there.
 */
export const CONTROL_FLAGS = [
  // Into driving
  'brakeFirst',
  'pedalAtRest',
  'turnStill',
  'oneDirection',
  'neutralContact',
  'twoSelectors',
  // Pedals
  'pedalTwo',
  'pedalRange',
  'brakeCuts',
  'brakeTwo',
  // Braking by the motor, creeping
  'regenEnds',
  'speedOwn',
  'creep',
  // While plugged in
  'plugBlocks',
  'pilotBlocks',
  'openIsPlugged',
  'blockApart',
  // Precharge and contactors
  'measuresLink',
  'timesOut',
  'testsPoles',
  'waitsCurrent',
  // Faults, stops, supply
  'stopTold',
  'latchesFault',
  'sagRestarts',
  'messages',
  'messagesEnd',
  // Whoever sits, holds
  'seatSwitch',
  'deadManTwo',
  // Hand switches
  'linkRelay',
] as const;
export type ControlFlag = (typeof CONTROL_FLAGS)[number];

/** A stop that can be unplugged. loop: its lead lies in the coils' feed, unplugged is stopped; dummy: a bridging plug goes in its place; input: the control reads it, unplugged reads as not pressed. */
export const REMOTE_STOPS = ['none', 'loop', 'dummy', 'input'] as const;
export type RemoteStop = (typeof REMOTE_STOPS)[number];

/** What a property may speak of, as it is in the world. */
export const SIGNALS = [
  'key',
  'brake',
  'accelerator',
  'forward',
  'reverse',
  'plugged',
  'handle',
  'crash',
  'low-supply',
  'cells-stop',
  'moving-forward',
  'moving-backward',
  'seat-empty',
  'stand-down',
  'dead-man',
  'link-charged',
  'link-dead',
  'main-closed',
  'minus-closed',
  'precharge-closed',
  'torque-forward',
  'torque-reverse',
  'regeneration',
  'ready',
  'charging',
  'fault',
] as const;
export type Signal = (typeof SIGNALS)[number];

/** A signal as it is or is not. */
export interface SignalIs {
  readonly signal: string;
  readonly is: boolean;
}

/** never: all of `when` at once; followed: once all of `when` hold, time alone brings `brings`; only-after: `when` not before `brings` was, since the key. */
export const PROPERTY_FORMS = ['never', 'followed', 'only-after'] as const;
export type PropertyForm = (typeof PROPERTY_FORMS)[number];
export interface OwnProperty {
  readonly id: string;
  readonly name: string;
  readonly form: PropertyForm;
  readonly when: readonly SignalIs[];
  readonly brings?: readonly SignalIs[];
}
export const MOST_PROPERTIES = 12;
export const MOST_ATOMS = 6;

/** What its owner changes in a step of the sequence: left out, or asking for more. */
export interface OwnStep {
  readonly off?: boolean;
  readonly and?: readonly SignalIs[];
}

/** One input of a recorded run: so many seconds after its begin. */
export interface TimelineEvent {
  readonly atS: number;
  /** An input or a fault of the sequence, by its name. */
  readonly input: string;
  readonly is: boolean;
}
export interface Timeline {
  readonly id: string;
  readonly name: string;
  readonly events: readonly TimelineEvent[];
  /** What came out, in a row of letters: the same inputs give the same again. */
  readonly outcome: string;
  readonly lengthS: number;
}
export const MOST_TIMELINES = 50;
export const MOST_EVENTS = 500;
/** A kept run is compared by making it again: no longer than this, s. */
export const LONGEST_RUN_S = 60;

export interface Controls extends Readonly<Partial<Record<ControlFlag, boolean>>> {
  readonly remoteStop?: RemoteStop;
  /** Contactors open on turning off once the current is below this, A. */
  readonly openBelowA?: number;
  /** From key to the first contactor, between minus and precharge, and how long a coil takes to let go, s. */
  readonly wakeS?: number;
  readonly stepS?: number;
  /** Messages that stay away for so long count as lost, s. */
  readonly messageS?: number;
  /** The motor brakes no more below this, m/s. */
  readonly regenToMPerS?: number;
  /** Pedal: its track at rest and pressed down, and between which it is believed, V. */
  readonly pedalRestV?: number;
  readonly pedalFullV?: number;
  readonly pedalLowV?: number;
  readonly pedalHighV?: number;
  /** From no torque to all of it, s; in economy mode the share of the torque that is left. */
  readonly rampS?: number;
  readonly economyShare?: number;
  /** Braking by the motor at its low level, of its peak torque; the full one is that of the regeneration. */
  readonly regenLowShare?: number;
  readonly steps?: Readonly<Record<string, OwnStep>>;
  readonly properties?: Readonly<Record<string, OwnProperty>>;
  readonly timelines?: Readonly<Record<string, Timeline>>;
}

/** What a device can be set to. */
export const SETTINGS = [
  'batteryA',
  'regenA',
  'lowestV',
  'highestV',
  'motorRpm',
  'pedalRestV',
  'pedalFullV',
  'rampS',
  'setSpeedRpm',
  'regenTorque',
  'economyShare',
  'regenLowTorque',
  'cellOverV',
  'cellUnderV',
  'cellsInRow',
  'capacityAh',
  'dischargeToC',
  'chargeFromC',
  'chargeToC',
  'chargeV',
  'chargeA',
  'cutoffA',
  'outputV',
  'closeAt',
  'timeoutS',
  'openBelowA',
] as const;
export type SettingId = (typeof SETTINGS)[number];

/** One setting as it was entered and as the device says it back; null: not yet. */
export interface SettingEntry {
  readonly id: string;
  readonly deviceId: string;
  readonly setting: SettingId;
  readonly entered: number | null;
  readonly readBack: number | null;
}

/** Of the device as a whole. */
export interface SettingSheet {
  readonly id: string;
  readonly deviceId: string;
  readonly firmware: string;
  /** ISO date of the last reading back; empty: none. */
  readonly date: string;
  readonly by: string;
}
export interface Settings {
  readonly sheets?: Readonly<Record<string, SettingSheet>>;
  readonly entries?: Readonly<Record<string, SettingEntry>>;
}
