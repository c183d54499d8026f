import { type OwnProperty, SIGNALS } from '../../build';
import { FAULT } from './bits';
import { allAre, PROPERTIES, type Property, type Seen, unknownSignals } from './properties';
import type { SequenceDesign } from './sequence-design';

/** Where each fault broke a property first: a state, with the event that broke it, -1: the state itself. */
export type Broken = Map<number, readonly [state: number, event: number]>;

/** A property while it is looked for. */
export interface Watch {
  readonly id: string;
  readonly name?: string;
  readonly bears: Property['bears'];
  readonly except: ReadonlySet<number>;
  readonly never: ((seen: Seen) => boolean) | null;
  readonly edge: number;
  readonly stuck: boolean;
  readonly broken: Broken;
}

/** Whether it has to hold under a fault. */
export const counts = ({ bears, except }: Watch, fault: number): boolean =>
  fault === 0 || (bears === 'every-fault' && !except.has(fault));

/** What is looked for in a design: what is proved for everyone, and what the owner wants never to be. */
export function watchesOf(design: SequenceDesign): readonly Watch[] {
  const built = PROPERTIES.filter(({ applies }) => applies(design)).map(
    ({ id, bears, except, never, edge }): Watch => ({
      id,
      bears,
      except: new Set((except ?? []).map((fault) => FAULT[fault])),
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
        bears: 'every-fault',
        except: new Set(),
        never: (seen) => allAre(when, seen),
        edge: 0,
        stuck: false,
        broken: new Map(),
      }),
    );
  return [...built, ...own];
}
