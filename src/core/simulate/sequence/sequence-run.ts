import { Follows, Recent, room, type Vehicle } from '../../vehicle';
import { type SearchResult, search } from './search';
import { isDesign, type SequenceDesign, sequenceDesign, toldWell, untoldOf } from './sequence-design';

/** The search over a build’s sequence: with what was told, and, where that breaks something and answers are missing, with them given well. */
export interface SequenceSearch {
  readonly key: string;
  readonly design: SequenceDesign;
  readonly told: SearchResult;
  /** Null: nothing that is missing could change it. */
  readonly well: SearchResult | null;
}

const keys = new Follows<SequenceDesign, string>();
const keyOf = (design: SequenceDesign): string => keys.get(design, () => JSON.stringify(design));

/** Of all that the search reads; null while there is no sequence. */
export function sequenceKey(vehicle: Vehicle): string | null {
  const design = sequenceDesign(vehicle);
  return isDesign(design) ? keyOf(design) : null;
}

export function sequenceSearch(vehicle: Vehicle, progress: (share: number) => void): SequenceSearch | null {
  const design = sequenceDesign(vehicle);
  if (!isDesign(design)) return null;
  // What is tried one after another often leaves the sequence alone, or changes it alike.
  return vehicle.memory.of(searched).get([keyOf(design)], () => searchOf(design, progress));
}

const searched = room(() => new Recent<SequenceSearch>(6));

function searchOf(design: SequenceDesign, progress: (share: number) => void): SequenceSearch {
  const told = search(design, (share) => progress(share / 2));
  const undecided = told.verdicts.some(({ proved }) => !proved) && untoldOf(design).length > 0;
  const well = undecided ? search(toldWell(design), (share) => progress(0.5 + share / 2)) : null;
  return { key: keyOf(design), design, told, well };
}
