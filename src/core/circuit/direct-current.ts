import type { Element, NodeName, PowerLoad } from './netlist';
import { findIslands } from './topology';

/** How elements count for direct current: capacitors are open, inductors are shorts. */
export const ohmOf = (element: Element): number => ('resistanceOhm' in element ? (element.resistanceOhm ?? 0) : 0);
export const isShort = (element: Element): boolean =>
  element.kind === 'inductor' ||
  ((element.kind === 'source' || element.kind === 'resistor' || (element.kind === 'switch' && element.closed)) &&
    ohmOf(element) === 0);
export const conductsDc = (element: Element): boolean =>
  element.kind === 'resistor' ||
  element.kind === 'source' ||
  element.kind === 'inductor' ||
  (element.kind === 'switch' && element.closed);

/** Loads that are the only link between two parts: no current can flow in the loop that they do not form, so each is its collapsed resistance. */
export function findBridgingLoads(
  elements: readonly Element[],
  ground: NodeName,
  conducts: (element: Element) => boolean,
  on: (load: PowerLoad) => boolean,
): Set<string> {
  const loads = elements.filter((element): element is PowerLoad => element.kind === 'power');
  if (loads.length === 0) return new Set();
  const { referenceOf } = findIslands(elements, ground, conducts);
  return new Set(
    loads
      .filter((load) => load.powerW > 0 && on(load) && referenceOf.get(load.a) !== referenceOf.get(load.b))
      .map((load) => load.id),
  );
}
