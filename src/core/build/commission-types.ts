import type { Dimension } from '../quantities/units';

/** Sheets of the tests at the car, in the order in which each opens the next. */
export const SHEETS = [
  'before-hv',
  'low-voltage',
  'limited-source',
  'insulation',
  'precharge',
  'spin',
  'converter',
  'charge',
  'ancillaries',
  'road',
  'hand-over',
] as const;
export type SheetId = (typeof SHEETS)[number];

/** Voltages of the voltmeter method: either pole to the body, then the larger one again with a known resistor across it. */
export interface MeterVolts {
  readonly packV: number;
  readonly largerV: number;
  readonly withR0V: number;
  readonly r0Ohm: number;
}

/** What came out of one test, kept even when its step is gone from the sheets. */
export interface StepResult {
  /** Of the step. */
  readonly id: string;
  /** As the sheet called it then. */
  readonly name: string;
  readonly sheet: SheetId;
  /** What the meter showed, in the step’s unit; or the three voltages that it is worked out of. */
  readonly value?: number;
  readonly dimension?: Dimension;
  readonly meter?: MeterVolts;
  /** The part that was there when it was read: of another one it is no reading. Absent: not told. */
  readonly partId?: string;
  /** Of a step that is looked at. */
  readonly ok?: boolean;
  /** Not tested, and why. */
  readonly skipped?: string;
  /** ISO date. */
  readonly date: string;
  readonly by?: string;
  readonly instrument?: string;
  readonly note?: string;
}

export const OWN_TEST_DIMENSIONS = [
  'voltage',
  'current',
  'resistance',
  'time',
  'temperature',
  'pressure',
  'power',
  'torque',
  'speed',
  'count',
] as const satisfies readonly Dimension[];

/** A test of one’s own; without a dimension it is looked at. */
export interface OwnTest {
  readonly id: string;
  readonly sheet: SheetId;
  readonly name: string;
  readonly where: string;
  readonly switches: string;
  readonly dimension: (typeof OWN_TEST_DIMENSIONS)[number] | null;
  readonly low: number | null;
  readonly high: number | null;
  /** At open traction voltage. */
  readonly hv?: boolean;
}

/** Who answers for a sheet, and the design that it was signed for. */
export interface SheetSign {
  readonly id: string;
  readonly sheet: SheetId;
  readonly by: string;
  readonly role?: string;
  readonly date: string;
  /** Of everything that the sheet rests on, 16 hexadecimal digits. */
  readonly digest: string;
}

export const TRACE_KINDS = ['precharge', 'discharge', 'vacuum', 'charge', 'temperature'] as const;
export type TraceKind = (typeof TRACE_KINDS)[number];
/** A course that an instrument wrote down, thinned. */
export interface StepTrace {
  readonly id: string;
  readonly kind: TraceKind;
  /** The branch, the link or the pump that it is of; null: the one that is there. */
  readonly stepId: string | null;
  readonly name: string;
  readonly date: string;
  readonly timesS: readonly number[];
  readonly values: readonly number[];
}
export const MOST_TRACE_POINTS = 400;

export interface CommissionData {
  readonly results?: Readonly<Record<string, StepResult>>;
  readonly ownTests?: Readonly<Record<string, OwnTest>>;
  readonly signs?: Readonly<Record<string, SheetSign>>;
  readonly traces?: Readonly<Record<string, StepTrace>>;
}
export const COMMISSION_LISTS = ['results', 'ownTests', 'signs', 'traces'] as const;
export type CommissionList = (typeof COMMISSION_LISTS)[number];
export type CommissionEntry<L extends CommissionList> = NonNullable<CommissionData[L]>[string];
export const MOST_IN_COMMISSION = 2000;
