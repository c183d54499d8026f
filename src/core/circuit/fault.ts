import { type Element, NetworkError, type NodeName } from './netlist';
import { StarMesh } from './star-mesh';
import { findIslands } from './topology';

/** A branch that is never quite nothing: the least resistance of a closed switch or a joint, Ω. */
const LEAST_OHM = 1e-9;

interface Branch {
  readonly id: string;
  readonly a: number;
  readonly b: number;
  readonly siemens: number;
  /** Of a source, V; 0 otherwise. */
  readonly openV: number;
}

export interface FaultPoint {
  /** Before the fault, a over b, V. */
  readonly openVoltageV: number;
  /** Seen from the two nodes, Ω; null when nothing joins them. */
  readonly theveninOhm: number | null;
}

/**
 * A circuit of sources with resistance, resistors and switches, factorised once and then asked for a short between any two nodes:
 * loads are off, capacitors open, inductors closed. Ideal sources are refused. Element currents are those after the fault has settled,
 * positive from a to b inside the element.
 */
export class FaultNetwork {
  private readonly index = new Map<NodeName, number>();
  private readonly island: number[] = [];
  private readonly branches: Branch[] = [];
  private readonly branchOf = new Map<string, Branch>();
  private readonly mesh: StarMesh;
  private readonly openV: Float64Array;
  private readonly columns = new Map<number, Float64Array>();

  constructor(elements: readonly Element[], ground: NodeName) {
    const conducting = elements.filter(conducts);
    const islands = findIslands(elements, ground, conducts);
    const islandNumber = new Map<NodeName, number>();
    for (const [node, reference] of islands.referenceOf) {
      const number = islandNumber.get(reference) ?? islandNumber.size;
      islandNumber.set(reference, number);
      // A reference is the zero of its island and takes no place in the equations.
      this.index.set(node, -1);
      if (node !== reference) {
        this.index.set(node, this.island.length);
        this.island.push(number);
      }
    }
    this.islandOfReference = new Map(
      [...islands.referenceOf].map(([node, reference]) => [node, islandNumber.get(reference)!]),
    );
    for (const element of conducting) {
      const ohm = ohmOf(element);
      const branch: Branch = {
        id: element.id,
        a: this.index.get(element.a) ?? -1,
        b: this.index.get(element.b) ?? -1,
        siemens: 1 / ohm,
        openV: element.kind === 'source' ? element.voltageV : 0,
      };
      this.branches.push(branch);
      this.branchOf.set(branch.id, branch);
    }
    const n = this.island.length;
    const toReference = new Float64Array(n);
    const links: { a: number; b: number; siemens: number }[] = [];
    this.openV = new Float64Array(n);
    for (const { a, b, siemens, openV } of this.branches) {
      if (a === b) continue;
      if (a >= 0) this.openV[a]! += siemens * openV;
      if (b >= 0) this.openV[b]! -= siemens * openV;
      if (a >= 0 && b >= 0) links.push({ a, b, siemens });
      else toReference[Math.max(a, b)]! += siemens;
    }
    this.mesh = new StarMesh(n, toReference, links);
    this.mesh.solve(this.openV);
  }

  private readonly islandOfReference: ReadonlyMap<NodeName, number>;

  /** Voltages at all nodes for one ampere drawn at a node; kept, since many faults share a node. */
  private column(node: number): Float64Array {
    const known = this.columns.get(node);
    if (known) return known;
    const out = new Float64Array(this.island.length);
    out[node] = 1;
    this.mesh.solve(out);
    this.columns.set(node, out);
    return out;
  }

  private at(node: NodeName): number {
    const i = this.index.get(node);
    if (i === undefined)
      throw new NetworkError(`There is no node "${node}" in this circuit.`, [node], 'Choose one of its nodes.');
    return i;
  }

  nodes(): readonly NodeName[] {
    return [...this.index.keys()];
  }

  has(node: NodeName): boolean {
    return this.index.has(node);
  }

  /** Voltage of a node over its island's reference with nothing drawn, V. */
  openVoltage(node: NodeName): number {
    const i = this.at(node);
    return i < 0 ? 0 : this.openV[i]!;
  }

  /** The part of the circuit that a node belongs to; equal for what is joined. */
  islandOf(node: NodeName): string {
    return String(this.islandOfReference.get(node));
  }

  sameIsland(a: NodeName, b: NodeName): boolean {
    return this.islandOfReference.get(a) === this.islandOfReference.get(b);
  }

  look(a: NodeName, b: NodeName): FaultPoint {
    const openVoltageV = this.openVoltage(a) - this.openVoltage(b);
    if (!this.sameIsland(a, b)) return { openVoltageV: 0, theveninOhm: null };
    const i = this.at(a);
    const j = this.at(b);
    const z = (p: number, q: number) => (p < 0 || q < 0 ? 0 : this.column(p)[q]!);
    return { openVoltageV, theveninOhm: Math.max(0, z(i, i) + z(j, j) - 2 * z(i, j)) };
  }

  /** Current of an element, by its place, while `currentA` is drawn from a to b outside. */
  private flow(a: NodeName, b: NodeName, currentA: number): (branch: Branch) => number {
    const i = this.at(a);
    const j = this.at(b);
    const fromA = i < 0 ? null : this.column(i);
    const fromB = j < 0 ? null : this.column(j);
    const voltage = (node: number): number =>
      node < 0 ? 0 : this.openV[node]! - currentA * ((fromA?.[node] ?? 0) - (fromB?.[node] ?? 0));
    return (branch) => (voltage(branch.a) - voltage(branch.b) - branch.openV) * branch.siemens;
  }

  /** Current of each element while `currentA` is drawn from a to b outside; A. */
  currents(a: NodeName, b: NodeName, currentA: number): ReadonlyMap<string, number> {
    const flow = this.flow(a, b, currentA);
    const currents = new Map<string, number>();
    for (const branch of this.branches) currents.set(branch.id, flow(branch));
    return currents;
  }

  /** Σ w·i² over all elements while `currentA` is drawn; `weightOf` is asked once for each element and network. */
  weightedSquares(a: NodeName, b: NodeName, currentA: number, weightOf: (id: string) => number): number {
    this.weighted ??= weigh(this.branches, this.island.length, weightOf);
    const { from, to, weights, emf } = this.weighted;
    const n = this.island.length;
    const [i, j] = [this.at(a), this.at(b)];
    // One place more than there are nodes: the references, at zero.
    const volts = new Float64Array(n + 1);
    volts.set(this.openV);
    if (i >= 0) for (let k = 0, column = this.column(i); k < n; k++) volts[k]! -= currentA * column[k]!;
    if (j >= 0) for (let k = 0, column = this.column(j); k < n; k++) volts[k]! += currentA * column[k]!;
    let sum = 0;
    for (let k = 0; k < weights.length; k++) sum += weights[k]! * (volts[from[k]!]! - volts[to[k]!]! - emf[k]!) ** 2;
    return sum;
  }

  private weighted: Weighted | null = null;

  /** Where a node stands in the equations: −1 for a reference; null: it is not in this circuit. */
  placeOf(node: NodeName): number | null {
    return this.index.get(node) ?? null;
  }

  /** Transfer resistance of two places of one island: volts at the one for an ampere into the other, Ω. */
  transferOhm(i: number, j: number): number {
    return i < 0 || j < 0 ? 0 : this.column(i)[j]!;
  }

  /**
   * Σ w·i·i' over all elements, i for an ampere into the one place and i' for an ampere into the other, sources at zero; `weightOf` as for
   * `weightedSquares`.
   */
  transferWeight(i: number, j: number, weightOf: (id: string) => number): number {
    if (i < 0 || j < 0) return 0;
    let known = this.weightColumns.get(i);
    if (!known) {
      this.weighted ??= weigh(this.branches, this.island.length, weightOf);
      const { from, to, weights } = this.weighted;
      const column = this.column(i);
      // Z·W·Z of that place: the weighted currents put in again.
      known = new Float64Array(this.island.length);
      const at = (place: number) => (place < column.length ? column[place]! : 0);
      for (let k = 0; k < weights.length; k++) {
        const weighted = weights[k]! * (at(from[k]!) - at(to[k]!));
        if (from[k]! < known.length) known[from[k]!]! += weighted;
        if (to[k]! < known.length) known[to[k]!]! -= weighted;
      }
      this.mesh.solve(known);
      this.weightColumns.set(i, known);
    }
    return known[j]!;
  }
  private readonly weightColumns = new Map<number, Float64Array>();

  /** Through an element for an ampere into one place and out of another, sources at zero, A; 0 for one that is not there. */
  unitFlow(id: string, into: number, outOf: number): number {
    const branch = this.branchOf.get(id);
    if (!branch) return 0;
    const across = (node: number) => this.transferOhm(into, node) - this.transferOhm(outOf, node);
    return (across(branch.a) - across(branch.b)) * branch.siemens;
  }

  /** The same for one element at a time; 0 for one that is not there. */
  currentsOneByOne(a: NodeName, b: NodeName, currentA: number): (id: string) => number {
    const flow = this.flow(a, b, currentA);
    return (id) => {
      const branch = this.branchOf.get(id);
      return branch ? flow(branch) : 0;
    };
  }
}

/** Branches that weigh something, as bare columns: w/R² of each, its ends and its own voltage. */
interface Weighted {
  readonly from: Int32Array;
  readonly to: Int32Array;
  readonly weights: Float64Array;
  readonly emf: Float64Array;
}

function weigh(branches: readonly Branch[], reference: number, weightOf: (id: string) => number): Weighted {
  const heavy = branches
    .map((branch) => ({ ...branch, weight: weightOf(branch.id) }))
    .filter(({ weight }) => weight !== 0);
  const place = (node: number) => (node < 0 ? reference : node);
  return {
    from: Int32Array.from(heavy, ({ a }) => place(a)),
    to: Int32Array.from(heavy, ({ b }) => place(b)),
    weights: Float64Array.from(heavy, ({ weight, siemens }) => weight * siemens ** 2),
    emf: Float64Array.from(heavy, ({ openV }) => openV),
  };
}

function conducts(element: Element): boolean {
  if (element.kind === 'switch') return element.closed;
  return element.kind === 'resistor' || element.kind === 'source' || element.kind === 'inductor';
}

function ohmOf(element: Element): number {
  if (element.kind === 'source' && !((element.resistanceOhm ?? 0) > 0))
    throw new NetworkError(
      `"${element.id}" is a source without resistance: a short across it has no end.`,
      [element.id],
      'Give the source its resistance.',
    );
  const ohm = 'resistanceOhm' in element ? (element.resistanceOhm ?? 0) : 0;
  return Math.max(ohm, LEAST_OHM);
}
