import type { PartKind } from '../../parts/types';
import type { Size } from '../vehicle-types';

export type CircuitName = 'hv' | 'lv';

/**
 * By what a kind is judged.
 * consumer: takes power from the traction circuit or gives it; its terminals lie outside the pack. windowed: lives in the voltage window of its
 * part. leaks: has insulation to the body. feeds-12-v: converts down to the 12-volt side. charges: pushes charge into the pack.
 */
export type Trait = 'consumer' | 'windowed' | 'leaks' | 'feeds-12-v' | 'charges';

/** A kind of device: everything that follows from what it is. */
export interface DeviceDefinition {
  /** In a sentence: "service disconnect". */
  readonly word: string;
  /** Its terminals, and the circuit that each belongs to. */
  readonly terminals: Readonly<Record<string, CircuitName>>;
  /** The kind of part that it takes; null: none. */
  readonly part: PartKind | null;
  readonly traits: readonly Trait[];
  /**
   * What it is in the traction network. source: cells between plus and minus. switch, series: between a and b. load: between plus and minus, with
   * the capacitance of its part. body: a point of the body. aside: nothing.
   */
  readonly stands: 'source' | 'switch' | 'series' | 'load' | 'body' | 'aside';
  /** Figures that it has and not every device. */
  readonly has?: readonly string[];
  /** What it weighs when nobody has weighed it, kg (generic); absent: next to nothing. */
  readonly massKg?: number;
  /** Outer measures, m (generic); absent: small. */
  readonly sizeM?: Size;
  /** On the 12-volt side: two terminals that it can open. */
  readonly opens?: readonly [string, string];
  /** On the 12-volt side: two terminals between which it carries current on. */
  readonly through?: readonly [string, string];
}

export const defineDevice = <const Definition extends DeviceDefinition>(definition: Definition): Definition =>
  definition;
