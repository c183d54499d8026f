import type { Fields } from '../fields';

/** A kind of part: what it is called in lists, and the figures that it has. */
export interface PartDefinition<Kind extends string = string, F extends Fields = Fields> {
  readonly kind: Kind;
  /** Heading of a list of them. */
  readonly words: string;
  readonly fields: F;
}

export const definePart = <const Kind extends string, const F extends Fields>(
  definition: PartDefinition<Kind, F>,
): PartDefinition<Kind, F> => definition;
