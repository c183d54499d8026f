import { findBridgingLoads } from './direct-current';
import { Mna, type Place } from './mna';
import { COLLAPSE_SHARE, type Element, type NodeName, type PowerLoad, voltageScale } from './netlist';
import { type PortNetwork, reduceToPorts, solvePorts } from './ports';
import { A, E, GAMMA, STAGES } from './sdirk';
import { findIslands } from './topology';

const conducts = (element: Element): boolean =>
  element.kind !== 'power' && !(element.kind === 'switch' && !element.closed);

/** Voltages of capacitors and currents of inductors, in the order of the stepper's `states`. */
export type State = Float64Array;

export interface Solution {
  /** Unknowns of the nodal system. */
  readonly x: Float64Array;
  /** Currents of the constant-power ports. */
  readonly portA: readonly number[];
}

export interface Step {
  readonly state: State;
  readonly stages: readonly Solution[];
  /** Weighted error; at most 1 is acceptable. */
  readonly error: number;
}

export interface ElementView {
  /** Null: it carries no current in this topology. */
  readonly place: Place | null;
  readonly port: number;
}

/** The network between two switching moments: one topology, implicit steps of any length. */
export class Stepper {
  readonly states: readonly Place[];
  readonly mna: Mna;
  private readonly ports: readonly Place[];
  private readonly bridging: ReadonlySet<string>;
  private readonly collapseV: number;
  private portNetwork: PortNetwork | undefined;
  private factoredFor = Number.NaN;
  private readonly rhs: Float64Array;
  private readonly stateIndex = new Map<string, number>();
  private lastPortV: readonly number[] = [];
  readonly nodes: ReadonlyMap<NodeName, NodeName>;

  constructor(
    readonly elements: readonly Element[],
    ground: NodeName,
    on: ReadonlySet<string>,
  ) {
    this.bridging = findBridgingLoads(elements, ground, conducts, (load) => on.has(load.id));
    const islands = findIslands(elements, ground, (element) => conducts(element) || this.bridging.has(element.id));
    this.nodes = islands.referenceOf;
    this.collapseV = COLLAPSE_SHARE * voltageScale(elements);
    const conductances = new Map<string, number>();
    for (const element of elements)
      if (element.kind === 'power' && this.bridging.has(element.id))
        conductances.set(element.id, element.powerW / Math.max(this.collapseV, 1e-9) ** 2);
    this.mna = new Mna(elements, islands, conductances);
    this.states = this.mna.places.filter(({ element }) => element.kind === 'capacitor' || element.kind === 'inductor');
    this.states.forEach((place, i) => {
      this.stateIndex.set(place.element.id, i);
    });
    this.ports = this.mna.places.filter(
      ({ element }) =>
        element.kind === 'power' &&
        on.has(element.id) &&
        !this.bridging.has(element.id) &&
        islands.referenceOf.get(element.a) === islands.referenceOf.get(element.b),
    );
    this.rhs = new Float64Array(this.mna.size);
  }

  private prepare(seconds: number): PortNetwork {
    if (seconds !== this.factoredFor || !this.portNetwork) {
      this.mna.factor({ seconds });
      this.portNetwork = reduceToPorts(this.mna, this.ports);
      this.factoredFor = seconds;
    }
    return this.portNetwork;
  }

  /** Solves with capacitor voltages and inductor currents = history + seconds · their rate. */
  private solveWith(seconds: number, history: State): Solution | null {
    const network = this.prepare(seconds);
    const dynamics = { seconds };
    const x = new Float64Array(this.mna.size);
    this.mna.solve(
      this.mna.rightHandSide(dynamics, (element) => history[this.stateIndex.get(element.id)!]!, this.rhs),
      x,
    );
    if (this.ports.length === 0) return { x, portA: [] };
    const openV = this.ports.map((port) => this.mna.voltageAcross(port, x));
    const powers = this.ports.map((port) => (port.element as PowerLoad).powerW);
    const start = this.lastPortV.length === openV.length ? this.lastPortV : openV;
    let solved = solvePorts(network, openV, powers, this.collapseV, start);
    if (!solved.converged) solved = solvePorts(network, openV, powers, this.collapseV, openV);
    if (!solved.converged) return null;
    this.lastPortV = solved.voltages;
    solved.currents.forEach((current, k) => {
      const response = network.responses[k]!;
      for (let i = 0; i < x.length; i++) x[i]! += current * response[i]!;
    });
    return { x, portA: solved.currents };
  }

  /**
   * Rates of the states in a stage that was solved with `seconds` and `history`. An inductor's is taken from its own current: as the
   * difference of two node voltages over a small inductance it would be rounding noise.
   */
  private rates(solution: Solution, seconds: number, history: State): Float64Array {
    const rates = new Float64Array(this.states.length);
    for (let i = 0; i < rates.length; i++) {
      const place = this.states[i]!;
      rates[i] =
        place.element.kind === 'capacitor'
          ? solution.x[place.branch]! / place.element.capacitanceF
          : (solution.x[place.branch]! - history[i]!) / seconds;
    }
    return rates;
  }

  /** The states as the solution of the last stage has them: the method ends there, and what the network ties together stays tied. */
  private statesIn(solution: Solution): State {
    return Float64Array.from(this.states, (place) =>
      place.element.kind === 'capacitor' ? this.mna.voltageAcross(place, solution.x) : solution.x[place.branch]!,
    );
  }

  /** All values at this instant, states held; `smallS` stands in for zero where parallel capacitors make the instant singular. */
  instant(state: State, smallS: number): Solution | null {
    try {
      return this.solveWith(0, state);
    } catch {
      this.factoredFor = Number.NaN;
      return this.solveWith(smallS, state);
    }
  }

  /** One step of `h` seconds from `state`; null when Newton fails. `weight` gives each state's error scale. */
  step(state: State, h: number, weight: (index: number, value: number) => number): Step | null {
    const n = state.length;
    const rates: Float64Array[] = [];
    const stages: Solution[] = [];
    const history = new Float64Array(n);
    for (let s = 0; s < STAGES; s++) {
      const row = A[s]!;
      for (let i = 0; i < n; i++) {
        let sum = 0;
        for (let j = 0; j < row.length; j++) sum += row[j]! * rates[j]![i]!;
        history[i] = state[i]! + h * sum;
      }
      const solution = this.solveWith(h * GAMMA, history);
      if (!solution) return null;
      stages.push(solution);
      rates.push(this.rates(solution, h * GAMMA, history));
    }
    const next = this.statesIn(stages[STAGES - 1]!);
    let error = 0;
    for (let i = 0; i < n; i++) {
      let slip = 0;
      for (let s = 0; s < STAGES; s++) slip += E[s]! * rates[s]![i]!;
      error = Math.max(error, Math.abs(h * slip) / weight(i, Math.max(Math.abs(next[i]!), Math.abs(state[i]!))));
    }
    return { state: next, stages, error };
  }

  /** Current of any element in a solution; open switches and loads that are off carry none. */
  currentOf(id: string, solution: Solution): number {
    const element = this.elements.find((candidate) => candidate.id === id);
    return element ? this.currentIn(this.view(element), solution) : 0;
  }

  /** Voltage from a to b; between two islands it is not defined and reads 0. */
  voltageOf(a: NodeName, b: NodeName, solution: Solution): number {
    if (this.nodes.get(a) !== this.nodes.get(b)) return 0;
    return this.mna.nodeVoltage(a, solution.x) - this.mna.nodeVoltage(b, solution.x);
  }

  /** Where an element's current and voltage stand in a solution, looked up once. */
  view(element: Element): ElementView {
    const port = this.ports.findIndex((place) => place.element.id === element.id);
    const place = port >= 0 ? this.ports[port]! : (this.mna.place(element.id) ?? null);
    const carries = place !== null && (port >= 0 || element.kind !== 'power' || this.bridging.has(element.id));
    return { place: carries ? place : null, port };
  }

  /** Current and voltage of a viewed element; an open switch or a load that is off carries nothing. */
  currentIn(view: ElementView, solution: Solution): number {
    if (!view.place) return 0;
    return view.port >= 0 ? solution.portA[view.port]! : this.mna.current(view.place, solution.x);
  }

  voltageIn(view: ElementView, solution: Solution): number {
    return view.place ? this.mna.voltageAcross(view.place, solution.x) : 0;
  }
}
