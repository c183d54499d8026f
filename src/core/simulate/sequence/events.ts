import { FAULTS, type FaultName, INPUTS, type Input, WORLD } from './bits';
import { askedFlags, type SequenceDesign } from './sequence-design';
import { fittedInputs } from './steps';

/** What may happen next: an input turned, the lever or the motion put somewhere, time passing, a thing failing. */
export type SearchEvent =
  | { readonly kind: 'input'; readonly input: Input; readonly is: boolean }
  | { readonly kind: 'time' }
  | { readonly kind: 'fault'; readonly fault: FaultName };

/** Faults that a design can have. */
export function possibleFaults(design: SequenceDesign): readonly FaultName[] {
  const { flags, seen, fitted } = design;
  const inputs = fittedInputs(design);
  const measured = design.command !== 'hand-switches' && (flags.measuresLink === true || design.provesDead === true);
  const has: Readonly<Record<FaultName, boolean>> = {
    none: false,
    'proximity-open': seen === 'proximity' || seen === 'own-contact',
    'pilot-open': flags.pilotBlocks === true,
    'block-welded': design.torqueBlocked === true,
    'brake-on': flags.brakeFirst === true || flags.brakeCuts === true,
    'brake-off': flags.brakeFirst === true || flags.brakeCuts === true,
    'pedal-high': true,
    'pedal-open': true,
    'forward-on': true,
    'reverse-on': true,
    'forward-off': true,
    'reverse-off': true,
    'dead-man-on': inputs.has('deadMan'),
    'seat-on': inputs.has('seatEmpty'),
    'stand-up': inputs.has('standDown'),
    'speed-moving': flags.turnStill === true || flags.regenEnds === true,
    'speed-still': flags.turnStill === true || flags.regenEnds === true,
    'main-welded': true,
    'minus-welded': (fitted & 1) !== 0,
    'relay-welded': (fitted & 2) !== 0,
    'charge-welded': (fitted & 8) !== 0,
    'resistor-open': (fitted & 2) !== 0,
    'link-loaded': (fitted & 2) !== 0,
    'link-reads-up': measured,
    'link-reads-dead': measured,
    'messages-lost': askedFlags(design).includes('messages') && flags.messages !== false,
  };
  return FAULTS.filter((fault) => has[fault]);
}

/** Everything that may happen at all in a design, in a fixed order. */
export function eventsOf(design: SequenceDesign): readonly SearchEvent[] {
  const inputs = fittedInputs(design);
  const events: SearchEvent[] = [{ kind: 'time' }];
  for (const input of INPUTS)
    if (inputs.has(input)) events.push({ kind: 'input', input, is: true }, { kind: 'input', input, is: false });
  for (const fault of possibleFaults(design)) events.push({ kind: 'fault', fault });
  return events;
}

/** The world after an input: lever and motion have one place at a time, and a contact can’t be pressed twice. */
export function withInput(word: number, input: Input, is: boolean): number {
  const bit = WORLD[input];
  if (!is) return word & ~bit;
  const pair =
    input === 'forward' || input === 'reverse'
      ? WORLD.forward | WORLD.reverse
      : input === 'movingForward' || input === 'movingBackward'
        ? WORLD.movingForward | WORLD.movingBackward
        : 0;
  return (word & ~pair) | bit;
}
