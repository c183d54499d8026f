import { Mna, type Place } from './mna';
import {
  COLLAPSE_SHARE,
  checkNetwork,
  type Element,
  type Network,
  type NodeName,
  type PowerLoad,
  voltageScale,
} from './netlist';
import { type PortNetwork, type PortSolution, reduceToPorts, solvePorts } from './ports';
import { findIslands, type Islands, refuseIdealLoops } from './topology';

export interface OperatingPoint {
  /** False when the sources can't deliver the power that is asked. */
  readonly solvable: boolean;
  readonly reason?: string;
  /** Common factor on all consuming loads at which the solution vanishes; null when nothing consumes. */
  readonly maximumLoadFactor: number | null;
  readonly islands: readonly NodeName[];
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  readonly nodeVoltagesV: ReadonlyMap<NodeName, number>;
  /** Positive from a to b inside the element. */
  readonly elementCurrentsA: ReadonlyMap<string, number>;
  /** Positive absorbs. */
  readonly elementPowersW: ReadonlyMap<string, number>;
  /** Loads that are on. */
  readonly loadsOn: ReadonlySet<string>;
}

const EMPTY = new Map<string, number>();
const isShort = (element: Element): boolean =>
  element.kind === 'inductor' ||
  ((element.kind === 'source' || element.kind === 'resistor' || (element.kind === 'switch' && element.closed)) &&
    (element.resistanceOhm ?? 0) === 0);
const conductsDc = (element: Element): boolean =>
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

/** A network prepared for one set of switch positions; `solve` may be called with other values for the same structure. */
export class OperatingPointSolver {
  private readonly mna: Mna;
  private readonly islands: Islands;
  private readonly bridging: Set<string>;
  private readonly ports: Place[];
  private readonly base: Float64Array;
  private readonly rhs: Float64Array;

  constructor(private readonly network: Network) {
    checkNetwork(network);
    const { elements, ground } = network;
    refuseIdealLoops(elements, isShort);
    this.bridging = findBridgingLoads(elements, ground, conductsDc, () => true);
    this.islands = findIslands(elements, ground, (element) => conductsDc(element) || this.bridging.has(element.id));
    const collapseV = Math.max(COLLAPSE_SHARE * voltageScale(elements), 1e-9);
    const conductances = new Map(
      elements
        .filter((element) => element.kind === 'power' && this.bridging.has(element.id))
        .map((element) => [element.id, (element as PowerLoad).powerW / collapseV ** 2]),
    );
    this.mna = new Mna(elements, this.islands, conductances);
    this.ports = this.mna.places.filter(
      ({ element }) =>
        element.kind === 'power' &&
        !this.bridging.has(element.id) &&
        this.islands.referenceOf.get(element.a) === this.islands.referenceOf.get(element.b),
    );
    this.base = new Float64Array(this.mna.size);
    this.rhs = new Float64Array(this.mna.size);
  }

  /** `elements`: the prepared ones or others of the same structure. The load factor is worked out when asked, or when there is no solution. */
  solve(elements: readonly Element[] = this.network.elements, withLoadFactor = true): OperatingPoint {
    const { mna, ports } = this;
    mna.retarget(elements);
    mna.factor('dc');
    mna.solve(
      mna.rightHandSide('dc', () => 0, this.rhs),
      this.base,
    );
    const network = reduceToPorts(mna, ports);
    const collapseV = COLLAPSE_SHARE * voltageScale(elements);
    const openV = ports.map((port) => mna.voltageAcross(port, this.base));
    const on = this.switchLoads(network, openV, collapseV);
    const powers = ports.map((port, k) => (on[k] ? (port.element as PowerLoad).powerW : 0));
    const solveAt = (factor: number) =>
      upperBranch(
        network,
        openV,
        powers.map((power) => (power > 0 ? power * factor : power)),
        collapseV,
      );
    const solution = solveAt(1);
    const consumes = powers.some((power, k) => power > 0 && Math.abs(openV[k]!) >= collapseV);
    const series = this.seriesLoads(solution, network, collapseV);
    const solvable = solution !== null && series.length === 0;
    const maximumLoadFactor =
      consumes && series.length === 0 && (withLoadFactor || !solvable)
        ? largestFactor((factor) => solveAt(factor) !== null, solvable)
        : null;
    const loadsOn = new Set([...ports.filter((_, k) => on[k]).map((port) => port.element.id), ...this.bridging]);
    const common = { maximumLoadFactor, islands: this.islands.islands, referenceOf: this.islands.referenceOf, loadsOn };
    if (!solution || !solvable) {
      const reason =
        series.length > 0
          ? `Constant-power loads in series (${series.join(', ')}) have no stable operating point.`
          : `No operating point: the sources can deliver ${percent(maximumLoadFactor ?? 0)} of the power that is asked.`;
      return {
        ...common,
        solvable: false,
        reason,
        nodeVoltagesV: EMPTY,
        elementCurrentsA: EMPTY,
        elementPowersW: EMPTY,
      };
    }
    return { ...common, solvable: true, ...this.report(elements, network, solution) };
  }

  private report(elements: readonly Element[], network: PortNetwork, solution: PortSolution) {
    const x = Float64Array.from(this.base);
    solution.currents.forEach((current, k) => {
      const response = network.responses[k]!;
      for (let i = 0; i < x.length; i++) x[i]! += current * response[i]!;
    });
    const nodeVoltagesV = new Map<NodeName, number>();
    for (const node of this.mna.nodeIndex.keys()) nodeVoltagesV.set(node, this.mna.nodeVoltage(node, x));
    const elementCurrentsA = new Map<string, number>();
    const elementPowersW = new Map<string, number>();
    const portOf = new Map(this.ports.map((port, k) => [port.element.id, k]));
    for (const element of elements) {
      const port = portOf.get(element.id) ?? -1;
      const place = this.mna.place(element.id);
      const floating = element.kind === 'power' && port < 0 && !this.bridging.has(element.id);
      const current = port >= 0 ? solution.currents[port]! : place && !floating ? this.mna.current(place, x) : 0;
      elementCurrentsA.set(element.id, current);
      elementPowersW.set(
        element.id,
        current === 0 ? 0 : (nodeVoltagesV.get(element.a)! - nodeVoltagesV.get(element.b)!) * current,
      );
    }
    return { nodeVoltagesV, elementCurrentsA, elementPowersW };
  }

  /** Bridging loads that would see more than the collapse voltage: they are in series with each other. */
  private seriesLoads(solution: PortSolution | null, network: PortNetwork, collapseV: number): string[] {
    if (this.bridging.size === 0 || !solution) return [];
    const x = Float64Array.from(this.base);
    solution.currents.forEach((current, k) => {
      for (let i = 0; i < x.length; i++) x[i]! += current * network.responses[k]![i]!;
    });
    return [...this.bridging].filter((id) => Math.abs(this.mna.voltageAcross(this.mna.place(id)!, x)) > collapseV);
  }

  /** A load with turnOnV is on only if its terminal voltage without it reaches turnOnV. */
  private switchLoads(network: PortNetwork, openV: readonly number[], collapseV: number): boolean[] {
    const loads = network.ports.map((port) => port.element as PowerLoad);
    const on = loads.map((load) => load.turnOnV === undefined);
    if (on.every(Boolean)) return on;
    const voltages = (state: readonly boolean[]) =>
      upperBranch(
        network,
        openV,
        loads.map((load, k) => (state[k] ? load.powerW : 0)),
        collapseV,
      )?.voltages ?? openV;
    const idle = voltages(on);
    loads.forEach((load, k) => {
      if (load.turnOnV !== undefined) on[k] = Math.abs(idle[k]!) >= load.turnOnV;
    });
    // With several such loads each must still reach its threshold with the others on; drop the worst first.
    for (let round = 0; round < loads.length; round++) {
      let worst = -1;
      let shortfall = 0;
      loads.forEach((load, k) => {
        if (load.turnOnV === undefined || !on[k]) return;
        const without = voltages(on.map((state, j) => state && j !== k));
        const lack = load.turnOnV - Math.abs(without[k]!);
        if (lack > shortfall) {
          worst = k;
          shortfall = lack;
        }
      });
      if (worst < 0) break;
      on[worst] = false;
    }
    return on;
  }
}

/** The stable solution on the upper-voltage branch, or null when there is none. */
function upperBranch(
  network: PortNetwork,
  openV: readonly number[],
  powersW: readonly number[],
  collapseV: number,
): PortSolution | null {
  const accept = (solution: PortSolution): boolean =>
    solution.converged &&
    solution.determinant > 0 &&
    solution.voltages.every(
      (v, k) => powersW[k]! <= 0 || Math.abs(openV[k]!) < collapseV || (Math.abs(v) >= collapseV && v * openV[k]! > 0),
    );
  const direct = solvePorts(network, openV, powersW, collapseV, openV, true);
  if (accept(direct)) return direct;
  // All loads consume and pull each other down: Newton from the open voltages is monotone, so its failure is proof.
  if (
    powersW.every((power) => power >= 0) &&
    network.resistance.every((row, j) => row.every((r, k) => r * openV[j]! * openV[k]! >= 0))
  )
    return null;
  // Load stepping from no load upward: the way that Newton can follow when it fails at once.
  let start: readonly number[] = openV;
  let reached = 0;
  let stride = 0.25;
  while (reached < 1) {
    const factor = Math.min(1, reached + stride);
    const solution = solvePorts(
      network,
      openV,
      powersW.map((power) => power * factor),
      collapseV,
      start,
    );
    if (accept(solution)) {
      if (factor === 1) return solution;
      start = solution.voltages;
      reached = factor;
    } else {
      stride /= 4;
      if (stride < 1e-4) return null;
    }
  }
  return null;
}

/** Bisection for the factor at which `holds` ends; relative 1e-6. */
function largestFactor(holds: (factor: number) => boolean, atOne: boolean): number {
  let low = atOne ? 1 : 0;
  let high = 1;
  if (atOne) {
    for (high = 2; high < 1e9 && holds(high); high *= 4) low = high;
    if (high >= 1e9) return Number.POSITIVE_INFINITY;
  }
  while (high - low > 1e-6 * high) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
    if (high < 1e-9) return 0;
  }
  return low;
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/**
 * Voltages and currents with every capacitor open and every inductor a short: the stable upper-voltage solution.
 * Throws NetworkError (elements named) for what has no unique solution.
 */
export function operatingPoint(network: Network): OperatingPoint {
  return new OperatingPointSolver(network).solve();
}
