import { conductsDc, findBridgingLoads, isShort, ohmOf } from './direct-current';
import { largestFactor } from './load-factor';
import { behindResistance, groupLoads, type LoadGroup } from './load-group';
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
import { type PortNetwork, reduceToPorts, solveSmall } from './ports';
import { Reduction } from './reduction';
import { type OperatingPoint, Solved } from './solved-point';
import { findIslands, type Islands, refuseIdealLoops } from './topology';

export type { OperatingPoint, SolvedPoint, UnsolvedPoint } from './solved-point';

const MOST_ITERATIONS = 80;
const TOLERANCE = 1e-11;

/** Voltages of the ports and what each load then draws. */
interface GroupSolution {
  readonly u: readonly number[];
  readonly groupA: readonly number[];
  readonly loadA: readonly number[];
}

/** A network prepared for one set of switch positions; `solve` may be called with other values for the same structure. */
export class OperatingPointSolver {
  private readonly islands: Islands;
  private readonly bridging: Set<string>;
  private readonly reduction: Reduction;
  private readonly groups: readonly LoadGroup[];
  private mna: Mna | undefined;
  private ports: readonly Place[] = [];
  private base = new Float64Array(0);
  private rhs = new Float64Array(0);

  constructor(private readonly network: Network) {
    checkNetwork(network);
    const { elements, ground } = network;
    refuseIdealLoops(elements, isShort);
    this.bridging = findBridgingLoads(elements, ground, conductsDc, () => true);
    this.islands = findIslands(elements, ground, (element) => conductsDc(element) || this.bridging.has(element.id));
    const { referenceOf } = this.islands;
    const isPort = (element: Element) =>
      element.kind === 'power' &&
      !this.bridging.has(element.id) &&
      referenceOf.get(element.a) === referenceOf.get(element.b);
    this.reduction = new Reduction(
      elements,
      (element) => conductsDc(element) || this.bridging.has(element.id),
      isPort,
      new Set(referenceOf.values()),
    );
    this.groups = groupLoads(this.reduction.loads);
  }

  /** `elements`: the prepared ones or others of the same structure. The load factor is worked out when asked, or when there is no solution. */
  solve(
    elements: readonly Element[] = this.network.elements,
    withLoadFactor = true,
    factorTolerance = 1e-6,
  ): OperatingPoint {
    const collapseV = COLLAPSE_SHARE * voltageScale(elements);
    const bridgeOhm = (element: Element) =>
      element.kind === 'power' ? Math.max(collapseV, 1e-9) ** 2 / element.powerW : ohmOf(element);
    const mna = this.linear(this.reduction.forward(elements, bridgeOhm));
    const network = reduceToPorts(mna, this.ports);
    const openV = this.ports.map((port) => mna.voltageAcross(port, this.base));
    const loads = this.reduction.loads.map((load) => this.reduction.loadOf(elements, load.index));
    const on = this.switchLoads(network, openV, loads, collapseV);
    const powers = loads.map((load, k) => (on[k] ? load.powerW : 0));
    const solveAt = (factor: number) =>
      this.upperBranch(
        network,
        openV,
        powers.map((power) => (power > 0 ? power * factor : power)),
        collapseV,
      );
    const solution = solveAt(1);
    const live = this.groups.flatMap((group, g) =>
      Math.abs(openV[g]!) >= collapseV ? group.members.map((member) => member.index) : [],
    );
    const consumes = live.some((k) => powers[k]! > 0);
    const loadsOn = new Set([...loads.filter((_, k) => on[k]).map((load) => load.id), ...this.bridging]);
    const common = { islands: this.islands.islands, referenceOf: this.islands.referenceOf, loadsOn };
    if (!solution) {
      const maximumLoadFactor = consumes
        ? largestFactor((factor) => solveAt(factor) !== null, false, factorTolerance)
        : null;
      return {
        ...common,
        maximumLoadFactor,
        solvable: false,
        reason: `No operating point: the sources can deliver ${percent(maximumLoadFactor ?? 0)} of the power that is asked.`,
      };
    }
    const report = this.report(elements, mna, network, solution);
    const series = [...this.bridging].filter((id) => {
      const element = elements.find((candidate) => candidate.id === id)!;
      return Math.abs(report.nodeVoltagesV.get(element.a)! - report.nodeVoltagesV.get(element.b)!) > collapseV;
    });
    if (series.length > 0)
      return {
        ...common,
        maximumLoadFactor: null,
        solvable: false,
        reason: `Constant-power loads in series (${series.join(', ')}) have no stable operating point.`,
      };
    const maximumLoadFactor =
      consumes && withLoadFactor ? largestFactor((factor) => solveAt(factor) !== null, true, factorTolerance) : null;
    return new Solved(common, maximumLoadFactor, report.nodeVoltagesV, report.elementCurrentsA, elements);
  }

  /** Factorises the reduced network and solves it without loads. */
  private linear(branches: readonly Element[]): Mna {
    if (!this.mna) {
      const ports = this.groups.map(({ a, b }, g): Element => ({ id: `port ${g}`, kind: 'power', a, b, powerW: 0 }));
      const nodes = new Set([
        ...this.islands.islands,
        this.network.ground,
        ...branches.flatMap(({ a, b }) => [a, b]),
        ...ports.flatMap(({ a, b }) => [a, b]),
      ]);
      const referenceOf = new Map([...nodes].map((node) => [node, this.islands.referenceOf.get(node)!]));
      this.mna = new Mna([...branches, ...ports], { referenceOf, islands: this.islands.islands });
      this.ports = ports.map((port) => this.mna!.place(port.id)!);
      this.base = new Float64Array(this.mna.size);
      this.rhs = new Float64Array(this.mna.size);
    } else this.mna.retarget(branches);
    this.mna.factor('dc');
    this.mna.solve(
      this.mna.rightHandSide('dc', () => 0, this.rhs),
      this.base,
    );
    return this.mna;
  }

  private report(elements: readonly Element[], mna: Mna, network: PortNetwork, solution: GroupSolution) {
    const x = Float64Array.from(this.base);
    solution.groupA.forEach((current, k) => {
      const response = network.responses[k]!;
      for (let i = 0; i < x.length; i++) x[i]! += current * response[i]!;
    });
    const nodeVoltagesV = new Map<NodeName, number>();
    for (const node of mna.nodeIndex.keys()) nodeVoltagesV.set(node, mna.nodeVoltage(node, x));
    const { currentOf } = this.reduction.backward(
      nodeVoltagesV,
      (id) => mna.current(mna.place(id)!, x),
      solution.loadA,
    );
    for (const node of this.islands.referenceOf.keys()) if (!nodeVoltagesV.has(node)) nodeVoltagesV.set(node, 0);
    const elementCurrentsA = new Map<string, number>();
    for (let index = 0; index < elements.length; index++)
      elementCurrentsA.set(elements[index]!.id, currentOf(index) + 0);
    return { nodeVoltagesV, elementCurrentsA };
  }

  /** Currents and slopes of all loads at port voltages u. */
  private draw(u: readonly number[], powersW: readonly number[], collapseV: number) {
    const loadA = new Array<number>(powersW.length).fill(0);
    const groupA: number[] = [];
    const slopes: number[] = [];
    let upper = true;
    this.groups.forEach(({ members }, g) => {
      let current = 0;
      let slope = 0;
      for (const { index, sign } of members) {
        const answer = behindResistance(powersW[index]!, this.reduction.loadSeriesOhm[index]!, sign * u[g]!, collapseV);
        loadA[index] = answer.currentA;
        current += sign * answer.currentA;
        slope += answer.slopeS;
        if (!answer.upper && powersW[index]! > 0) upper = false;
      }
      groupA.push(current);
      slopes.push(slope);
    });
    return { loadA, groupA, slopes, upper };
  }

  /** Newton on the port voltages from `start`; null when it does not arrive on the upper-voltage branch. */
  private newton(
    network: PortNetwork,
    openV: readonly number[],
    powersW: readonly number[],
    collapseV: number,
    start: readonly number[],
  ): GroupSolution | null {
    const R = network.resistance;
    const n = openV.length;
    const scale = Math.max(...openV.map(Math.abs), collapseV, 1e-12);
    const dead = openV.map((v) => Math.abs(v) < collapseV);
    let u = [...start];
    for (let iteration = 0; iteration < MOST_ITERATIONS; iteration++) {
      const { loadA, groupA, slopes } = this.draw(u, powersW, collapseV);
      const residual = u.map((uj, j) => {
        let sum = uj - openV[j]!;
        for (let k = 0; k < n; k++) sum += R[j]![k]! * groupA[k]!;
        return sum;
      });
      const jacobian = u.map((_, j) => u.map((__, k) => (j === k ? 1 : 0) + R[j]![k]! * slopes[k]!));
      const step = [...residual];
      const determinant = solveSmall(jacobian, step);
      if (!(determinant > 0) || !step.every(Number.isFinite)) return null;
      if (residual.every((r) => Math.abs(r) <= TOLERANCE * scale)) {
        const collapsed = this.groups.some(
          ({ members }, g) =>
            !dead[g] &&
            members.some(
              ({ index, sign }) =>
                powersW[index]! > 0 &&
                !behindResistance(powersW[index]!, this.reduction.loadSeriesOhm[index]!, sign * u[g]!, collapseV).upper,
            ),
        );
        return collapsed ? null : { u, groupA, loadA };
      }
      u = u.map((value, j) => value - step[j]!);
    }
    return null;
  }

  /** The stable solution on the upper-voltage branch, or null when there is none. */
  private upperBranch(
    network: PortNetwork,
    openV: readonly number[],
    powersW: readonly number[],
    collapseV: number,
  ): GroupSolution | null {
    const direct = this.newton(network, openV, powersW, collapseV, openV);
    if (direct) return direct;
    // All loads consume and pull each other down: Newton from the open voltages is monotone, so its failure is proof.
    const monotone =
      powersW.every((power) => power >= 0) &&
      network.resistance.every((row, j) => row.every((r, k) => r * openV[j]! * openV[k]! >= 0));
    if (monotone) return null;
    // Load stepping from no load upward: the way that Newton can follow when it fails at once.
    let start: readonly number[] = openV;
    let reached = 0;
    let stride = 0.25;
    while (reached < 1) {
      const factor = Math.min(1, reached + stride);
      const solution = this.newton(
        network,
        openV,
        powersW.map((power) => power * factor),
        collapseV,
        start,
      );
      if (solution && factor === 1) return solution;
      if (solution) {
        start = solution.u;
        reached = factor;
      } else {
        stride /= 4;
        if (stride < 1e-4) return null;
      }
    }
    return null;
  }

  /** A load with turnOnV is on only if its terminal voltage without it reaches turnOnV. */
  private switchLoads(
    network: PortNetwork,
    openV: readonly number[],
    loads: readonly PowerLoad[],
    collapseV: number,
  ): boolean[] {
    const on = loads.map((load) => load.turnOnV === undefined);
    if (on.every(Boolean)) return on;
    const groupOf = loads.map((_, k) =>
      this.groups.findIndex(({ members }) => members.some(({ index }) => index === k)),
    );
    // Without its own current a load's terminals see its port's voltage.
    const idleVoltages = (state: readonly boolean[]) => {
      const solution = this.upperBranch(
        network,
        openV,
        loads.map((load, k) => (state[k] ? load.powerW : 0)),
        collapseV,
      );
      return groupOf.map((g) => Math.abs(solution?.u[g] ?? openV[g]!));
    };
    const idle = idleVoltages(on);
    loads.forEach((load, k) => {
      if (load.turnOnV !== undefined) on[k] = idle[k]! >= load.turnOnV;
    });
    // With several such loads each must still reach its threshold with the others on; drop the worst first.
    for (let round = 0; round < loads.length; round++) {
      let worst = -1;
      let shortfall = 0;
      loads.forEach((load, k) => {
        if (load.turnOnV === undefined || !on[k]) return;
        const lack = load.turnOnV - idleVoltages(on.map((state, j) => state && j !== k))[k]!;
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

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

/**
 * Voltages and currents with every capacitor open and every inductor a short: the stable upper-voltage solution.
 * Throws NetworkError (elements named) for what has no unique solution.
 */
export function operatingPoint(network: Network): OperatingPoint {
  return new OperatingPointSolver(network).solve();
}
