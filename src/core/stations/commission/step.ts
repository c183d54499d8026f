import type { Id, SheetId } from '../../build';
import type { Endangers } from '../../checks';
import type { Dimension } from '../../quantities';

/** What a reading is adopted as, worked out of what was read; null: it can’t be. */
export interface Adopts {
  readonly subjectId: Id;
  readonly field: string;
  readonly value: (read: number) => number | null;
}

/** One line of a test sheet: where to put the probes, what to read, within what band, and what to suspect. */
export interface Step {
  /** Stays the same while what it tests is there. */
  readonly id: string;
  readonly sheet: SheetId;
  readonly name: string;
  /** Where the probes go, or what is looked at. */
  readonly where: string;
  /** How everything is switched meanwhile. */
  readonly switches: string;
  /** Null: looked at, yes or no. */
  readonly dimension: Dimension | null;
  readonly expected: number | null;
  /** The band; null: open at that side. Both null with a dimension: the model has no figure, `lacks` says why. */
  readonly low: number | null;
  readonly high: number | null;
  /** How the band comes about. */
  readonly from: string;
  readonly lacks: string | null;
  /** What it lacks is being worked out. */
  readonly pending: boolean;
  /** What to suspect when it reads low or high, or is not as it should be. */
  readonly ifLow: string;
  readonly ifHigh: string;
  readonly ifNot: string;
  /** Beside the dangerous ones. */
  readonly caution: string | null;
  /** Opens the traction circuit, or works at its open terminals: the dead-working routine comes first. */
  readonly dead: boolean;
  readonly two: boolean;
  readonly endangers: Endangers;
  readonly subjectId: Id | null;
  readonly adopts: Adopts | null;
  /** Ohms by the voltmeter method may be typed as three voltages. */
  readonly byVoltmeter: boolean;
  readonly own: boolean;
}

type Given = Pick<Step, 'id' | 'sheet' | 'name' | 'where'> & Partial<Step>;

const step = (given: Given): Step => ({
  switches: '',
  dimension: null,
  expected: null,
  low: null,
  high: null,
  from: '',
  lacks: null,
  pending: false,
  ifLow: '',
  ifHigh: '',
  ifNot: '',
  caution: null,
  dead: false,
  two: false,
  endangers: 'people',
  subjectId: null,
  adopts: null,
  byVoltmeter: false,
  own: false,
  ...given,
});

/** Looked at: yes or no. */
export const look = (given: Given & { readonly ifNot: string }): Step => step(given);

/** Read off a meter, within a band. */
export const measure = (
  given: Given & Pick<Step, 'dimension' | 'expected' | 'low' | 'high'> & { readonly from: string },
): Step =>
  step({
    ...given,
    lacks: given.lacks ?? (given.low === null && given.high === null ? 'no figure to hold it against' : null),
  });

/** The model has no figure yet: it is read all the same, and what is missing is named. */
export const unknown = (given: Given & { readonly dimension: Dimension; readonly lacks: string }): Step => step(given);

/** A band around a figure by a share of it. */
export const within = (expected: number, share: number): Pick<Step, 'expected' | 'low' | 'high'> => ({
  expected,
  low: expected * (1 - share),
  high: expected * (1 + share),
});
export const atLeast = (low: number): Pick<Step, 'expected' | 'low' | 'high'> => ({ expected: null, low, high: null });
export const atMost = (high: number, expected: number | null = null): Pick<Step, 'expected' | 'low' | 'high'> => ({
  expected,
  low: null,
  high,
});

/** An id of the document: 60 letters at most; of longer ones the tail becomes a checksum (FNV-1a), so that no two meet. */
export function stepId(kind: string, id = ''): string {
  const whole = (id === '' ? kind : `${kind}.${id}`).replace(/[^A-Za-z0-9._-]+/g, '-');
  if (whole.length <= 60) return whole;
  let sum = 0x811c9dc5;
  for (const letter of `${kind}.${id}`) sum = Math.imul(sum ^ letter.codePointAt(0)!, 0x01000193) >>> 0;
  return `${whole.slice(0, 51)}.${sum.toString(16).padStart(8, '0')}`;
}

/** Said beside every test at open traction voltage. */
export const DEAD_FIRST =
  'Key out and kept, service disconnect out and kept, wait, prove the meter, measure plus to minus and both to the body, prove the meter again.';
export const LIVE =
  'Live: rated gloves with leather over them, CAT III 1000 V meter, nobody alone, no jewellery; one hand where it can be.';
