import { type Assessment, assess } from '../assess';
import { applyEdit, type Build, type Edit, EditRefused, type SettableName } from '../build';
import { type Check, checkKey } from '../checks';
import { cataloguePart } from '../parts';
import type { StationId } from '../stations';
import { motorOf } from '../vehicle';

/** What is asked next, and what its answer opens. */
export interface NextFigure {
  /** "the empty mass, the tyres". */
  readonly words: string;
  readonly station: StationId;
  /** Label of the field where it is typed first. */
  readonly field: string;
  /** Checks that can be judged once it is told. */
  readonly opens: number;
  /** Stations whose checks they are, most of them first. */
  readonly where: readonly StationId[];
}

interface Ask {
  readonly words: string;
  readonly field: string;
  readonly missing: (build: Build) => boolean;
  /** A usual answer: only whether something can be judged with it counts, never what it says. */
  readonly answer: Edit;
}
interface Question {
  readonly station: StationId;
  readonly asks: readonly Ask[];
}

const figure = (name: SettableName, value: number): Edit => ({ edit: 'setFigure', input: { figure: name, value } });
const MOTOR = cataloguePart('motor-induction-50', 'motor');

/** Only together do these say what the road asks. */
const MASS: Ask = {
  words: 'the empty mass',
  field: 'Mass, empty',
  missing: ({ vehicle }) => vehicle.massEmptyKg === null,
  answer: figure('massEmpty', 1200),
};
const TYRES: Ask = {
  words: 'the tyres',
  field: 'Tyres',
  missing: ({ vehicle }) => vehicle.tyre === undefined,
  answer: { edit: 'setTyre', input: { tyre: '185/65 R15' } },
};
const MOTOR_ASK: Ask = {
  words: 'a motor',
  field: 'Motor',
  missing: (build) => !motorOf(build)?.part,
  answer: {
    edit: 'addDevice',
    input: { device: { id: 'next-motor', kind: 'motor', name: 'Motor', partId: MOTOR.id, place: null }, part: MOTOR },
  },
};

const QUESTIONS: readonly Question[] = [
  { station: 'survey', asks: [MASS, TYRES] },
  { station: 'drive', asks: [MOTOR_ASK] },
  { station: 'survey', asks: [MASS, TYRES, MOTOR_ASK] },
  {
    station: 'survey',
    asks: [
      {
        words: 'the speed that is usual',
        field: 'Cruise speed',
        missing: ({ duty }) => duty.cruiseSpeedMPerS === undefined,
        answer: figure('cruiseSpeed', 22),
      },
    ],
  },
  {
    station: 'survey',
    asks: [
      {
        words: 'the steepest long climb',
        field: 'Steepest long climb',
        missing: ({ duty }) => duty.hillGrade === undefined,
        answer: figure('hillGrade', 0.06),
      },
      {
        words: 'the speed on it',
        field: 'Speed on it',
        missing: ({ duty }) => duty.hillSpeedMPerS === undefined,
        answer: figure('hillSpeed', 14),
      },
    ],
  },
  {
    station: 'survey',
    asks: [
      {
        words: 'the distance of a day',
        field: 'Distance a day',
        missing: ({ duty }) => duty.dailyDistanceM === undefined,
        answer: figure('dailyDistance', 40000),
      },
    ],
  },
  {
    station: 'survey',
    asks: [
      {
        words: 'the gross limit',
        field: 'Gross limit',
        missing: ({ vehicle }) => vehicle.grossMassKg === null || vehicle.grossMassKg === undefined,
        answer: figure('massGross', 1800),
      },
      {
        words: 'people and luggage',
        field: 'People and luggage',
        missing: ({ vehicle }) => vehicle.payloadKg === undefined,
        answer: figure('payload', 250),
      },
    ],
  },
  {
    station: 'drive',
    asks: [
      {
        words: 'the power of regeneration',
        field: 'Regeneration',
        missing: ({ duty }) => duty.regenerationPowerW === undefined,
        answer: figure('regenerationPower', 8000),
      },
    ],
  },
];

const judged = ({ verdict }: Check): boolean => verdict !== 'needs-data' && verdict !== 'waits';

/**
 * The untold figure, or the few that only help together, with which most checks can be judged for each figure that is typed: tried on the
 * model. Null: cells come first, or nothing of the kind is untold.
 */
export function nextFigure(before: Assessment): NextFigure | null {
  const { build } = before;
  if (!before.results.pack) return null;
  const known = new Set(before.checks.filter(judged).map(checkKey));
  const memory = before.vehicle.memory.trial;
  let best: (NextFigure & { readonly each: number }) | null = null;
  for (const { station, asks } of QUESTIONS) {
    const untold = asks.filter(({ missing }) => missing(build));
    if (untold.length === 0) continue;
    let after: Assessment;
    try {
      after = assess(
        untold.reduce((made, { answer }) => applyEdit(made, answer).build, build),
        { memory },
      );
    } catch (error) {
      if (error instanceof EditRefused) continue;
      throw error;
    }
    const opened = after.checks.filter((check) => judged(check) && !known.has(checkKey(check)));
    const each = opened.length / untold.length;
    if (opened.length === 0 || (best && each <= best.each)) continue;
    const counts = new Map<StationId, number>();
    for (const check of opened)
      counts.set(check.station as StationId, (counts.get(check.station as StationId) ?? 0) + 1);
    best = {
      words: untold.map(({ words }) => words).join(', '),
      station: untold[0] === MOTOR_ASK ? 'drive' : station,
      field: untold[0]!.field,
      opens: opened.length,
      where: [...counts].sort(([, p], [, q]) => q - p).map(([id]) => id),
      each,
    };
  }
  if (!best) return null;
  const { each: _, ...next } = best;
  return next;
}
