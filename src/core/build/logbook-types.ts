export const LOG_KINDS = ['work', 'drive', 'charge', 'health', 'fault', 'inspection', 'change'] as const;
export type LogKind = (typeof LOG_KINDS)[number];

/** One line of the logbook. What was not read is absent. */
export interface LogEntry {
  readonly id: string;
  readonly kind: LogKind;
  /** ISO date. */
  readonly date: string;
  readonly what: string;
  readonly odometerM?: number;
  /** Of the hour meter, s. */
  readonly ranS?: number;
  readonly by?: string;
  /** Driven; out of the pack, or out of the mains, J. */
  readonly distanceM?: number;
  readonly energyJ?: number;
  readonly socFrom?: number;
  readonly socTo?: number;
  readonly outsideC?: number;
  /** Of a charge, s. */
  readonly durationS?: number;
  /** Of the pack, and between its highest and lowest cell when full, V. */
  readonly capacityAh?: number;
  readonly spreadV?: number;
  readonly resistanceOhm?: number;
  readonly insulationOhm?: number;
  /** As the car says it. */
  readonly code?: string;
  /** ISO date on which it was cleared. */
  readonly cleared?: string;
  /** The upkeep that was done with it. */
  readonly taskIds?: readonly string[];
  /** Measured on what wears, m: a brush, a lining, a chain. */
  readonly wear?: readonly { readonly taskId: string; readonly valueM: number }[];
}

/** What somebody decided about an upkeep that follows from the design, or one of his own. */
export interface UpkeepMark {
  readonly id: string;
  /** Of one’s own. */
  readonly name?: string;
  /** In place of the usual ones; null: not by that. */
  readonly everyDays?: number | null;
  readonly everyM?: number | null;
  readonly everyRunS?: number | null;
  /** How far it may wear, and how it was new, m. */
  readonly wearLimitM?: number;
  readonly wearNewM?: number;
  /** Not done here, and why. */
  readonly off?: string;
}

export interface OwnChecklist {
  readonly id: string;
  readonly name: string;
  readonly items: readonly string[];
}
/** A list as it was gone through. */
export interface ChecklistRun {
  readonly id: string;
  readonly listId: string;
  readonly date: string;
  readonly by?: string;
  /** By place in the list; absent: not looked at. */
  readonly ticks: readonly ('yes' | 'no' | 'open')[];
}
export const MOST_ITEMS = 100;

export const CLAIM_KINDS = ['range', 'consumption', 'capacity', 'charge-time'] as const;
export type ClaimKind = (typeof CLAIM_KINDS)[number];
/** What a seller or a maker said. */
export interface Claim {
  readonly id: string;
  readonly kind: ClaimKind;
  /** m, Wh/km, Ah or s. */
  readonly value: number;
  readonly by: string;
  /** It speaks of the car from this day on. */
  readonly since: string;
}

export interface LogbookData {
  readonly entries?: Readonly<Record<string, LogEntry>>;
  readonly upkeep?: Readonly<Record<string, UpkeepMark>>;
  readonly checklists?: Readonly<Record<string, OwnChecklist>>;
  readonly runs?: Readonly<Record<string, ChecklistRun>>;
  readonly claims?: Readonly<Record<string, Claim>>;
}
export const LOGBOOK_LISTS = ['entries', 'upkeep', 'checklists', 'runs', 'claims'] as const;
export type LogbookList = (typeof LOGBOOK_LISTS)[number];
export type LogbookEntryOf<L extends LogbookList> = NonNullable<LogbookData[L]>[string];
export const MOST_IN_LOGBOOK = 10000;
