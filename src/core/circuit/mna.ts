import { type Element, NetworkError, type NodeName } from './netlist';
import { SingularMatrixError, SparseLu } from './sparse-lu';
import type { Islands } from './topology';

/** Resistances from here up are stamped as conductances; smaller ones get a current of their own, so that milliohms beside gigohms lose nothing. */
const BRANCH_BELOW_OHM = 1;

/** How capacitors and inductors count: `dc` (open, short), or with the implicit step factor `seconds` (h·γ; 0 holds their state). */
export type Dynamics = 'dc' | { readonly seconds: number };

interface Place {
  /** Replaced by `retarget` when only values change. */
  element: Element;
  readonly a: number;
  readonly b: number;
  /** Index of its own current, −1 when it is a conductance or a port. */
  readonly branch: number;
  /** First of its entries in the value array. */
  readonly at: number;
}

/**
 * Modified nodal analysis of the conducting elements: unknowns are node voltages (references left out) and the currents of
 * sources, capacitors, inductors, ideal switches and small resistances. Constant-power loads are ports, not entries.
 * `conductanceS` of an element (a collapsed load) may be given in place of its own law.
 */
export class Mna {
  readonly size: number;
  readonly places: readonly Place[];
  readonly nodeIndex: ReadonlyMap<NodeName, number>;
  private readonly lu: SparseLu;
  /** Entries that do not touch a reference, and their values. */
  private readonly keep: Int32Array;
  private readonly kept: Float64Array;
  private readonly values: Float64Array;
  private readonly labels: string[] = [];
  private readonly placeOf = new Map<string, Place>();

  constructor(
    elements: readonly Element[],
    islands: Islands,
    private readonly conductanceS: ReadonlyMap<string, number> = new Map(),
  ) {
    const nodeIndex = new Map<NodeName, number>();
    for (const [node, reference] of islands.referenceOf) {
      if (node === reference) nodeIndex.set(node, -1);
      else {
        nodeIndex.set(node, this.labels.length);
        this.labels.push(`node ${node}`);
      }
    }
    const rows: number[] = [];
    const columns: number[] = [];
    const places: Place[] = [];
    let at = 0;
    const put = (row: number, column: number) => {
      at++;
      rows.push(row < 0 || column < 0 ? -1 : row);
      columns.push(column);
    };
    for (const element of elements) {
      const a = nodeIndex.get(element.a)!;
      const b = nodeIndex.get(element.b)!;
      const start = at;
      let branch = -1;
      if (element.kind === 'switch' && !element.closed) continue;
      if (this.isConductance(element)) {
        put(a, a);
        put(a, b);
        put(b, a);
        put(b, b);
      } else if (element.kind !== 'power') {
        branch = this.labels.length;
        this.labels.push(element.id);
        put(a, branch);
        put(b, branch);
        put(branch, a);
        put(branch, b);
        put(branch, branch);
      }
      const place = { element, a, b, branch, at: start };
      places.push(place);
      this.placeOf.set(element.id, place);
    }
    this.nodeIndex = nodeIndex;
    this.places = places;
    this.size = this.labels.length;
    this.keep = Int32Array.from(rows.keys()).filter((i) => rows[i]! >= 0 && columns[i]! >= 0);
    this.values = new Float64Array(at);
    this.kept = new Float64Array(this.keep.length);
    this.lu = new SparseLu(
      this.size,
      Array.from(this.keep, (i) => rows[i]!),
      Array.from(this.keep, (i) => columns[i]!),
    );
  }

  /** New values for the same structure: `elements` in the order in which they were given, open switches included. */
  retarget(elements: readonly Element[]): void {
    for (const element of elements) {
      const place = this.placeOf.get(element.id);
      if (place) place.element = element;
    }
  }

  private isConductance(element: Element): boolean {
    if (this.conductanceS.has(element.id)) return true;
    return (
      (element.kind === 'resistor' || element.kind === 'switch') && (element.resistanceOhm ?? 0) >= BRANCH_BELOW_OHM
    );
  }

  /** Stamps and factorises. Throws NetworkError that names what is singular. */
  factor(dynamics: Dynamics): void {
    const v = this.values;
    const seconds = dynamics === 'dc' ? 0 : dynamics.seconds;
    for (const { element, at, branch } of this.places) {
      if (branch < 0) {
        const fixed = this.conductanceS.get(element.id);
        if (fixed === undefined && element.kind === 'power') continue;
        const g = fixed ?? 1 / ((element as { resistanceOhm?: number }).resistanceOhm ?? 0);
        v[at] = g;
        v[at + 1] = -g;
        v[at + 2] = -g;
        v[at + 3] = g;
        continue;
      }
      v[at] = 1;
      v[at + 1] = -1;
      let across = 1;
      let own = 0;
      if (element.kind === 'capacitor') {
        across = dynamics === 'dc' ? 0 : 1;
        own = dynamics === 'dc' ? 1 : -seconds / element.capacitanceF;
      } else if (element.kind === 'inductor') {
        across = dynamics === 'dc' ? 1 : seconds / element.inductanceH;
        own = dynamics === 'dc' ? 0 : -1;
      } else if (element.kind !== 'power') own = -(element.resistanceOhm ?? 0);
      v[at + 2] = across;
      v[at + 3] = -across;
      v[at + 4] = own;
    }
    for (let i = 0; i < this.keep.length; i++) this.kept[i] = v[this.keep[i]!]!;
    try {
      this.lu.factor(this.kept);
    } catch (error) {
      if (!(error instanceof SingularMatrixError)) throw error;
      const label = this.labels[error.row] ?? 'the network';
      throw new NetworkError(
        `The network has no unique solution around ${label}.`,
        [label],
        'Give loops of ideal elements their real resistance, and floating parts a path.',
      );
    }
  }

  /** Right-hand side: source voltages, and for each capacitor and inductor the given history (volts, amperes). */
  rightHandSide(dynamics: Dynamics, history: (element: Element) => number, out: Float64Array): Float64Array {
    out.fill(0);
    for (const { element, branch } of this.places) {
      if (branch < 0) continue;
      if (element.kind === 'source') out[branch] = element.voltageV;
      else if (dynamics !== 'dc' && element.kind === 'capacitor') out[branch] = history(element);
      else if (dynamics !== 'dc' && element.kind === 'inductor') out[branch] = -history(element);
    }
    return out;
  }

  solve(rhs: Float64Array, out: Float64Array): void {
    this.lu.solve(rhs, out);
  }

  place(id: string): Place | undefined {
    return this.placeOf.get(id);
  }

  nodeVoltage(node: NodeName, x: Float64Array): number {
    const index = this.nodeIndex.get(node) ?? -1;
    return index < 0 ? 0 : x[index]!;
  }

  voltageAcross(place: Place, x: Float64Array): number {
    return (place.a < 0 ? 0 : x[place.a]!) - (place.b < 0 ? 0 : x[place.b]!);
  }

  /** Current of a stamped element; a port's current is not known here. */
  current(place: Place, x: Float64Array): number {
    if (place.branch >= 0) return x[place.branch]!;
    const fixed = this.conductanceS.get(place.element.id);
    if (fixed !== undefined) return fixed * this.voltageAcross(place, x);
    if (place.element.kind === 'power') throw new Error('a port has no stamped current');
    return this.voltageAcross(place, x) / ((place.element as { resistanceOhm?: number }).resistanceOhm ?? 0);
  }
}

export type { Place };
