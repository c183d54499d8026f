/**
 * The document: plain data, SI base units with the unit in the name, nothing derived. Ids are random strings made at the edge;
 * references are by id only. Complete topology, also where screens come later.
 */
export type Id = string;

/** Vehicle frame, metres: x back from the front axle, y left of the centre line, z up from the ground. */
export interface Point {
  readonly xM: number;
  readonly yM: number;
  readonly zM: number;
}

export interface Place extends Point {
  /** Put where such things usually go, by nobody’s measure; moving it takes that off. */
  readonly usual?: true;
  readonly zoneId: Id;
}
