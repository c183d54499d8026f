/**
 * The network as data. Element current is positive from `a` to `b` inside the element; element power is
 * (V_a − V_b)·I, positive when the element absorbs. Units as in the field names.
 */
export type NodeName = string;

interface TwoTerminal {
  readonly id: string;
  readonly a: NodeName;
  readonly b: NodeName;
}
export interface Resistor extends TwoTerminal {
  readonly kind: 'resistor';
  readonly resistanceOhm: number;
}
export interface Inductor extends TwoTerminal {
  readonly kind: 'inductor';
  readonly inductanceH: number;
  readonly initialCurrentA?: number;
}
export interface Capacitor extends TwoTerminal {
  readonly kind: 'capacitor';
  readonly capacitanceF: number;
  readonly initialVoltageV?: number;
}
/** a = plus. A resistance of 0 is an ideal source. */
export interface Source extends TwoTerminal {
  readonly kind: 'source';
  readonly voltageV: number;
  readonly resistanceOhm?: number;
}
export interface Switch extends TwoTerminal {
  readonly kind: 'switch';
  readonly closed: boolean;
  readonly resistanceOhm?: number;
}
/** Constant power; positive consumes, negative feeds. With turnOnV it starts off; hysteresis on its own terminal voltage. */
export interface PowerLoad extends TwoTerminal {
  readonly kind: 'power';
  readonly powerW: number;
  readonly turnOnV?: number;
  readonly turnOffV?: number;
}

export type Element = Resistor | Inductor | Capacitor | Source | Switch | PowerLoad;

export interface Network {
  readonly elements: readonly Element[];
  readonly ground: NodeName;
}

/** What is wrong with a network, in words that name the elements. Expected at the edges, so it carries its remedy. */
export class NetworkError extends Error {
  override readonly name = 'NetworkError';
  constructor(
    message: string,
    readonly elements: readonly string[],
    readonly remedy: string,
  ) {
    super(message);
  }
}

const named = (ids: readonly string[]): string => ids.map((id) => `"${id}"`).join(', ');

function checkFinite(element: Element): void {
  for (const [field, value] of Object.entries(element)) {
    if (typeof value === 'number' && !Number.isFinite(value))
      throw new NetworkError(`"${element.id}": ${field} is not a finite number.`, [element.id], 'Give a number.');
  }
}

/** Refuses what no solver can mean: repeated ids, negative resistances, an element on one node only, no such ground. */
export function checkNetwork(network: Network): void {
  const seen = new Set<string>();
  let groundFound = false;
  for (const element of network.elements) {
    if (seen.has(element.id))
      throw new NetworkError(`Two elements are called "${element.id}".`, [element.id], 'Give each element its own id.');
    seen.add(element.id);
    if (element.a === element.b)
      throw new NetworkError(
        `"${element.id}" has both ends on node "${element.a}".`,
        [element.id],
        'Put its ends on two different nodes, or leave it out.',
      );
    checkFinite(element);
    if (element.a === network.ground || element.b === network.ground) groundFound = true;
    const resistance = 'resistanceOhm' in element ? (element.resistanceOhm ?? 0) : 0;
    if (resistance < 0)
      throw new NetworkError(
        `"${element.id}": resistanceOhm is negative.`,
        [element.id],
        'Resistances are zero or more.',
      );
    if (element.kind === 'inductor' && !(element.inductanceH > 0))
      throw new NetworkError(
        `"${element.id}": inductanceH must be above zero.`,
        [element.id],
        'Leave the element out, or give its inductance.',
      );
    if (element.kind === 'capacitor' && !(element.capacitanceF > 0))
      throw new NetworkError(
        `"${element.id}": capacitanceF must be above zero.`,
        [element.id],
        'Leave the element out, or give its capacitance.',
      );
    if (
      element.kind === 'power' &&
      element.turnOnV !== undefined &&
      element.turnOffV !== undefined &&
      element.turnOffV > element.turnOnV
    ) {
      throw new NetworkError(
        `"${element.id}": turnOffV is above turnOnV.`,
        [element.id],
        'A load turns off at or below the voltage at which it turns on.',
      );
    }
  }
  if (network.elements.length === 0)
    throw new NetworkError('The network has no elements.', [], 'Add at least one element.');
  if (!groundFound)
    throw new NetworkError(
      `No element touches the ground node "${network.ground}".`,
      [],
      'Name a node that an element uses.',
    );
}

/** Highest source voltage (without sources, the highest initial capacitor voltage): the scale of the network. Volts. */
export function voltageScale(elements: readonly Element[]): number {
  let source = 0;
  let capacitor = 0;
  for (const element of elements) {
    if (element.kind === 'source') source = Math.max(source, Math.abs(element.voltageV));
    if (element.kind === 'capacitor') capacitor = Math.max(capacitor, Math.abs(element.initialVoltageV ?? 0));
  }
  return source > 0 ? source : capacitor;
}

/** A constant-power load below this share of the voltage scale acts as the resistance that it had there. */
export const COLLAPSE_SHARE = 0.01;

export { named };
