/** The order of a build at the car. */
export const STAGES = ['gather', 'trial-fit', 'strip', 'paint', 'final-fit', 'wire', 'test', 'road'] as const;
export type Stage = (typeof STAGES)[number];

/** What somebody decided or did about a job that follows from the design, or about one of his own. */
export interface JobMark {
  /** Of the job. */
  readonly id: string;
  /** In place of the usual figure, h. */
  readonly hours?: number;
  /** Worked on it so far, h. */
  readonly spentH?: number;
  /** ISO date. */
  readonly begun?: string;
  readonly done?: string;
  readonly note?: string;
  /** Jobs that come before it, beside those that do by rule. */
  readonly after?: readonly string[];
}

export interface OwnJob {
  readonly id: string;
  readonly name: string;
  readonly stage: Stage;
  readonly zoneId: string | null;
  readonly hours: number;
  /** At traction voltage, and not alone. */
  readonly hv?: boolean;
  readonly two?: boolean;
}

/** Something that is waited for: it holds up jobs until it is there. */
export const WAIT_KINDS = ['delivery', 'machinist', 'customer', 'inspection', 'other'] as const;
export type WaitKind = (typeof WAIT_KINDS)[number];
export interface Wait {
  readonly id: string;
  readonly what: string;
  readonly kind: WaitKind;
  readonly jobs: readonly string[];
  /** ISO dates: ordered or given away; expected; there. Null: not told, not yet. */
  readonly since: string;
  readonly expected: string | null;
  readonly there: string | null;
}

/** A stand-in or a loose end: what is in the car for the time being. */
export const OPEN_KINDS = ['stand-in', 'loose-end', 'lid', 'gauge', 'fit', 'other'] as const;
export type OpenKind = (typeof OPEN_KINDS)[number];
export interface OpenPoint {
  readonly id: string;
  readonly kind: OpenKind;
  readonly what: string;
  /** The part that something else stands in for. */
  readonly deviceId?: string;
  readonly since: string;
  /** ISO date; null: still open. */
  readonly closed: string | null;
  /** It may stay so on the road, and why. */
  readonly mayStay?: string;
}

export interface PlanData {
  /** ISO date. */
  readonly starts?: string;
  readonly hoursPerWeek?: number;
  readonly jobs?: Readonly<Record<string, JobMark>>;
  readonly ownJobs?: Readonly<Record<string, OwnJob>>;
  readonly waits?: Readonly<Record<string, Wait>>;
  readonly register?: Readonly<Record<string, OpenPoint>>;
}
export const PLAN_LISTS = ['jobs', 'ownJobs', 'waits', 'register'] as const;
export type PlanList = (typeof PLAN_LISTS)[number];
export type PlanEntry<L extends PlanList> = NonNullable<PlanData[L]>[string];
export const MOST_IN_PLAN = 2000;
export const MOST_AFTER = 50;
