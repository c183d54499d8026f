import type { Id } from '../build';
import { type Element, NetworkError, transient } from '../circuit';
import { groundOf, type Vehicle } from '../vehicle';
import { ARC_V, type FaultCorner, faultElements, inductances } from './fault-network';

/** A bolted short, Ω (generic): the touch of two lugs. */
const BOLTED_OHM = 1e-4;
/** Inside a link capacitor: its own resistance and inductance, Ω and H (generic: film). */
export const CAPACITOR_OHM = 0.003;
export const CAPACITOR_H = 40e-9;
/** The capacitors have given what they have. */
const FIRST_MOMENT_S = 0.002;
const POINTS = 80;
/** The short closes a moment after the start: what happens at the start itself counts as already made. */
const START_S = 1e-7;

/** The network could not be followed: nothing is known of the first moment. */
export interface MomentUnknown {
  readonly unknown: string;
}

/** The first moment of a fault with the link capacitors charged: before any fuse has melted. */
export interface FirstMoment {
  readonly peakA: number;
  readonly peakAtS: number;
  /** Of the fault itself, until `untilS`. */
  readonly i2tA2s: number;
  readonly untilS: number;
  /** Through each device and conductor, signed, and its I²t until `untilS`. */
  readonly elements: ReadonlyMap<Id, { readonly peakA: number; readonly i2tA2s: number }>;
  readonly curve: readonly { readonly timeS: number; readonly currentA: number }[];
}

/**
 * The whole network followed from the instant of a short between two nodes: cells, link capacitors at the voltage that they have, every
 * conductor with its resistance and its inductance. Diodes of the inverters are not in it, so the swing below zero that they would
 * cut off counts; the first peak does not depend on them. Null when nothing drives it or there is no capacitor to speak of.
 */
export function firstMoment(
  vehicle: Vehicle,
  a: string,
  b: string,
  corner: FaultCorner,
): FirstMoment | MomentUnknown | null {
  const ground = groundOf(vehicle);
  const stamped = faultElements(vehicle, corner, [], true);
  if (ground === null || a === b || !stamped.some(({ kind }) => kind === 'capacitor')) return null;
  const nodes = new Set(stamped.flatMap((element) => [element.a, element.b]));
  if (!nodes.has(a) || !nodes.has(b)) return null;
  const henry = inductances(vehicle);
  const elements = stamped.flatMap((element): Element[] => {
    if (element.kind === 'capacitor') return behindItsOwn(element);
    const inductanceH = henry.get(element.id) ?? 0;
    if (!(inductanceH > 0) || element.kind === 'inductor') return [element];
    const between = `${element.id}~`;
    return [
      { ...element, b: between },
      { id: `${element.id}~L`, kind: 'inductor', a: between, b: element.b, inductanceH },
    ];
  });
  const short: Element = { id: 'short', kind: 'switch', a, b, closed: false, resistanceOhm: faultOhm(corner) };
  try {
    const result = transient(
      { elements: [...elements, short], ground },
      {
        stopS: START_S + FIRST_MOMENT_S,
        initial: 'operating-point',
        events: [{ atS: START_S, id: 'short', closed: true }],
        // Dense at first: the capacitors are quick.
        sampleTimesS: Array.from({ length: POINTS + 1 }, (_, k) => START_S + FIRST_MOMENT_S * (k / POINTS) ** 2),
        sample: (timeS, probe) => ({ timeS: timeS - START_S, currentA: probe.current('short') }),
        tolerance: 1e-5,
      },
    );
    if (!result.converged) return { unknown: result.reason };
    const fault = result.elements.get('short');
    if (!fault || Math.abs(fault.peakCurrentA) < 1) return null;
    const sign = Math.sign(fault.peakCurrentA);
    return {
      peakA: Math.abs(fault.peakCurrentA),
      peakAtS: fault.peakCurrentAtS - START_S,
      i2tA2s: fault.i2tA2s,
      untilS: FIRST_MOMENT_S,
      elements: new Map(
        [...result.elements].map(([id, { peakCurrentA, i2tA2s }]) => [id, { peakA: peakCurrentA, i2tA2s }]),
      ),
      curve: result.samples.map(({ timeS, currentA }) => ({ timeS, currentA: sign * currentA })),
    };
  } catch (error) {
    if (error instanceof NetworkError) return { unknown: error.message };
    throw error;
  }
}

/** A capacitor with the resistance and the inductance of its own body. */
export function behindItsOwn(element: Element): Element[] {
  const [first, second] = [`${element.id}~`, `${element.id}~~`];
  return [
    { ...element, b: first },
    { id: `${element.id}~R`, kind: 'resistor', a: first, b: second, resistanceOhm: CAPACITOR_OHM },
    { id: `${element.id}~L`, kind: 'inductor', a: second, b: element.b, inductanceH: CAPACITOR_H },
  ];
}

/** The least fault has an arc: as a resistance that takes its voltage at a thousand amperes. */
const faultOhm = (corner: FaultCorner): number => (corner === 'lowest' ? ARC_V / 1000 : BOLTED_OHM);
