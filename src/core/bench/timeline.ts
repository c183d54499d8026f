import type { Timeline, TimelineEvent } from '../build';
import { FAULTS, type FaultName, INPUTS, type Input, type SearchEvent } from '../simulate/sequence';
import { BOARD_CHOICES, type Board, type BoardChoice, STEP_S } from './board';
import type { BoardFault } from './board-faults';

/** The outcome is looked at so often, s. */
const LOOK_S = 0.1;
const LETTERS = 'abcdefghijklmnop';

/** What a board is like at one look: where the sequence stands, and the link in fiftieths of the pack. */
const letterOf = (board: Board): string =>
  `${LETTERS[board.mode]}${Math.round((board.linkV() / Math.max(1, board.packVoltage())) * 50).toString(36)}`;

const isInput = (name: string): name is Input => (INPUTS as readonly string[]).includes(name);
const isChoice = (name: string): name is BoardChoice => (BOARD_CHOICES as readonly string[]).includes(name);
const isFault = (name: string): name is FaultName => (FAULTS as readonly string[]).includes(name);

/** Does what an event says; what nobody knows does nothing. */
export function apply(board: Board, { input, is }: Pick<TimelineEvent, 'input' | 'is'>): void {
  if (isInput(input)) board.set(input, is);
  else if (isChoice(input)) board.choose(input, is);
  else if (isFault(input)) board.fail(is ? boardFaultOf(input) : null);
}

const WELD_SORT: Readonly<Record<string, number>> = {
  'main-welded': 4,
  'minus-welded': 1,
  'relay-welded': 2,
  'charge-welded': 8,
};

/** A fault of the sequence as the board has it: its contactor really is closed, its resistor really is open. */
export function boardFaultOf(name: FaultName): BoardFault {
  return {
    id: name,
    sequence: name,
    ...(WELD_SORT[name] === undefined ? {} : { weldSort: WELD_SORT[name] }),
    ...(name === 'link-loaded' ? { linkLoadOhm: 300 } : {}),
    ...(name === 'resistor-open' ? { resistorOpen: true } : {}),
  };
}

/** Runs a board from rest through the inputs: what comes out, look by look. The same inputs always give the same. */
export function replay(board: Board, events: readonly TimelineEvent[], lengthS: number): string {
  const steps = Math.round(lengthS / STEP_S);
  const everyN = Math.round(LOOK_S / STEP_S);
  let outcome = '';
  let next = 0;
  for (let k = 0; k < steps; k++) {
    while (next < events.length && events[next]!.atS <= k * STEP_S + 1e-9) apply(board, events[next++]!);
    board.step();
    if (k % everyN === everyN - 1) outcome += letterOf(board);
  }
  return outcome;
}

/** Whether a kept run still comes out as it did. */
export const runsAsKept = (board: Board, { events, outcome, lengthS }: Timeline): boolean =>
  replay(board, events, lengthS) === outcome;

/** Between two inputs of a story, and where it waits, s. */
const STORY_S = 0.6;
const WAIT_S = 3;

/** The inputs of a story as they are played: each after a moment, a wait long enough for what has to happen. */
export function storyEvents(story: readonly SearchEvent[]): readonly TimelineEvent[] {
  const events: TimelineEvent[] = [];
  let atS = 0.2;
  story.forEach((event, k) => {
    if (event.kind === 'time') {
      if (story[k - 1]?.kind !== 'time') atS += WAIT_S;
      return;
    }
    events.push(
      event.kind === 'input' ? { atS, input: event.input, is: event.is } : { atS, input: event.fault, is: true },
    );
    atS += STORY_S;
  });
  return events;
}
