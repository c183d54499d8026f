import { type OwnProperty, SIGNALS } from '../../build';
import { type Faults, only } from './apart';
import { FAULT } from './bits';
import { allAre, PROPERTIES, type Property, type Seen, unknownSignals } from './properties';
import type { SequenceDesign } from './sequence-design';

/** Where each fault broke a property first: a state, with the event that broke it, -1: the state itself. */
export type Broken = Map<number, readonly [state: number, event: number]>;

/** A property while it is looked for. */
export interface Watch {
  readonly id: string;
  readonly name?: string;
  /** Faults under which it has to hold and was not found broken yet. */
  open: Faults;
  readonly never: ((seen: Seen) => boolean) | null;
  readonly edge: number;
  readonly stuck: boolean;
  readonly broken: Broken;
}

/** The faults under which a property has to hold. */
const borneBy = ({ bears, except = [] }: Pick<Property, 'bears' | 'except'>, possible: Faults): Faults =>
  bears === 'no-fault' ? only(0) : except.reduce((left, fault) => left & ~only(FAULT[fault]), possible);

/** What is looked for in a design: what is proved for everyone, and what the owner wants never to be. `possible`: its faults, none among them. */
export function watchesOf(design: SequenceDesign, possible: Faults): readonly Watch[] {
  const built = PROPERTIES.filter(({ applies }) => applies(design)).map(
    ({ id, bears, except, never, edge }): Watch => ({
      id,
      open: borneBy(except ? { bears, except } : { bears }, possible),
      never: never ? (seen) => never(seen, design) : null,
      edge: edge ?? 0,
      stuck: id === 'switches-off',
      broken: new Map(),
    }),
  );
  const own = design.properties
    .filter((one) => one.form === 'never' && unknownSignals(one, SIGNALS).length === 0)
    .map(
      ({ id, name, when }: OwnProperty): Watch => ({
        id: `own:${id}`,
        name,
        open: possible,
        never: (seen) => allAre(when, seen),
        edge: 0,
        stuck: false,
        broken: new Map(),
      }),
    );
  return [...built, ...own];
}
