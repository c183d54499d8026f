import type { Element, NodeName, PowerLoad } from './netlist';

/**
 * Shrinks a direct-current network before it is solved, and spreads the solution out again. Structure is found once; values
 * may change from solve to solve. Dead ends carry nothing, chains of resistances and sources become one branch, and a
 * resistance in series with a constant-power load becomes part of the load.
 */
interface Branch {
  a: NodeName;
  b: NodeName;
  /** Position of its values. */
  readonly index: number;
}

interface LoadEnd {
  a: NodeName;
  b: NodeName;
  /** Position among the loads. */
  readonly index: number;
}

type Step =
  | {
      readonly kind: 'dead';
      readonly branch: number;
      readonly node: NodeName;
      readonly other: NodeName;
      readonly sign: 1 | -1;
    }
  | {
      readonly kind: 'series';
      readonly p: number;
      readonly q: number;
      readonly out: number;
      readonly signP: 1 | -1;
      readonly signQ: 1 | -1;
      readonly node: NodeName;
      readonly a: NodeName;
    }
  | {
      readonly kind: 'absorb';
      readonly load: number;
      readonly branch: number;
      readonly node: NodeName;
      readonly outer: NodeName;
      readonly signLoad: 1 | -1;
      readonly signBranch: 1 | -1;
    };

export interface ReducedLoad {
  readonly a: NodeName;
  readonly b: NodeName;
  readonly index: number;
}

export class Reduction {
  readonly branches: readonly Branch[];
  readonly loads: readonly ReducedLoad[];
  private readonly steps: Step[] = [];
  private readonly emfV: Float64Array;
  private readonly ohm: Float64Array;
  private readonly branchA: Float64Array;
  readonly loadSeriesOhm: Float64Array;
  private readonly loadElement: number[] = [];
  private readonly sourced: readonly boolean[];

  /**
   * `branchOf` tells which elements are branches (a resistance with or without a source); `loads` are the constant-power
   * ones that are ports. `keep` names nodes that stay.
   */
  constructor(
    elements: readonly Element[],
    isBranch: (element: Element) => boolean,
    isPort: (element: Element) => boolean,
    keep: ReadonlySet<NodeName>,
  ) {
    const at = new Map<NodeName, { branches: Set<Branch>; loads: Set<LoadEnd> }>();
    const here = (node: NodeName) => {
      let entry = at.get(node);
      if (!entry) {
        entry = { branches: new Set(), loads: new Set() };
        at.set(node, entry);
      }
      return entry;
    };
    const alive = new Set<Branch>();
    let next = elements.length;
    const add = (branch: Branch) => {
      alive.add(branch);
      here(branch.a).branches.add(branch);
      here(branch.b).branches.add(branch);
    };
    const drop = (branch: Branch) => {
      alive.delete(branch);
      here(branch.a).branches.delete(branch);
      here(branch.b).branches.delete(branch);
    };
    const loads: LoadEnd[] = [];
    elements.forEach((element, index) => {
      if (isBranch(element)) add({ a: element.a, b: element.b, index });
      else if (isPort(element)) {
        const load = { a: element.a, b: element.b, index: loads.length };
        loads.push(load);
        this.loadElement.push(index);
        here(load.a).loads.add(load);
        here(load.b).loads.add(load);
      }
    });
    const sourced = elements.map((element) => element.kind === 'source');
    const queue = [...at.keys()];
    for (let node = queue.pop(); node !== undefined; node = queue.pop()) {
      if (keep.has(node)) continue;
      const { branches, loads: hung } = here(node);
      if (branches.size === 1 && hung.size === 0) {
        const [p] = branches as Set<Branch>;
        const branch = p!;
        const other = branch.a === node ? branch.b : branch.a;
        // V(node) = V(other) ± emf: no current.
        this.steps.push({ kind: 'dead', branch: branch.index, node, other, sign: branch.a === node ? 1 : -1 });
        drop(branch);
        queue.push(other);
      } else if (branches.size === 2 && hung.size === 0) {
        const [p, q] = [...branches] as [Branch, Branch];
        const a = p.a === node ? p.b : p.a;
        const b = q.a === node ? q.b : q.a;
        if (a === b) continue;
        const out: Branch = { a, b, index: next++ };
        sourced[out.index] = sourced[p.index]! || sourced[q.index]!;
        this.steps.push({
          kind: 'series',
          p: p.index,
          q: q.index,
          out: out.index,
          signP: p.a === a ? 1 : -1,
          signQ: q.b === b ? 1 : -1,
          node,
          a,
        });
        drop(p);
        drop(q);
        add(out);
        queue.push(a, b);
      } else if (branches.size === 1 && hung.size === 1) {
        const [branch] = [...branches] as [Branch];
        const [load] = [...hung] as [LoadEnd];
        const outer = branch.a === node ? branch.b : branch.a;
        const far = load.a === node ? load.b : load.a;
        if (sourced[branch.index] || outer === far) continue;
        this.steps.push({
          kind: 'absorb',
          load: load.index,
          branch: branch.index,
          node,
          outer,
          signLoad: load.a === node ? 1 : -1,
          signBranch: branch.b === node ? 1 : -1,
        });
        drop(branch);
        here(node).loads.delete(load);
        if (load.a === node) load.a = outer;
        else load.b = outer;
        here(outer).loads.add(load);
        queue.push(outer);
      }
    }
    this.branches = [...alive];
    this.loads = loads;
    this.sourced = sourced;
    this.emfV = new Float64Array(next);
    this.ohm = new Float64Array(next);
    this.branchA = new Float64Array(next);
    this.loadSeriesOhm = new Float64Array(loads.length);
  }

  /** Takes the values of this solve; `ohmOf` gives the resistance of a branch. Returns the small network's branches. */
  forward(elements: readonly Element[], ohmOf: (element: Element) => number): Element[] {
    const { emfV, ohm } = this;
    elements.forEach((element, index) => {
      emfV[index] = element.kind === 'source' ? element.voltageV : 0;
      ohm[index] = ohmOf(element);
    });
    this.loadSeriesOhm.fill(0);
    for (const step of this.steps) {
      if (step.kind === 'series') {
        emfV[step.out] = step.signP * emfV[step.p]! + step.signQ * emfV[step.q]!;
        ohm[step.out] = ohm[step.p]! + ohm[step.q]!;
      } else if (step.kind === 'absorb') this.loadSeriesOhm[step.load]! += ohm[step.branch]!;
    }
    return this.branches.map(({ a, b, index }): Element => {
      const id = `#${index}`;
      return this.sourced[index]
        ? { id, kind: 'source', a, b, voltageV: emfV[index]!, resistanceOhm: ohm[index]! }
        : { id, kind: 'resistor', a, b, resistanceOhm: ohm[index]! };
    });
  }

  /** Spreads node voltages and currents of the small network over the whole one. `voltages` is completed in place. */
  backward(
    voltages: Map<NodeName, number>,
    currentOf: (branchId: string) => number,
    loadA: readonly number[],
  ): { currentOf: (elementIndex: number) => number } {
    const { emfV, ohm, branchA } = this;
    branchA.fill(0);
    for (const { index } of this.branches) branchA[index] = currentOf(`#${index}`);
    for (let k = this.steps.length - 1; k >= 0; k--) {
      const step = this.steps[k]!;
      if (step.kind === 'dead') voltages.set(step.node, voltages.get(step.other)! + step.sign * emfV[step.branch]!);
      else if (step.kind === 'series') {
        const current = branchA[step.out]!;
        branchA[step.p] = step.signP * current;
        branchA[step.q] = step.signQ * current;
        voltages.set(step.node, voltages.get(step.a)! - step.signP * emfV[step.p]! - current * ohm[step.p]!);
      } else {
        // Load current leaves the node through the load when its a is here.
        const current = step.signLoad * loadA[step.load]!;
        branchA[step.branch] = step.signBranch * current;
        voltages.set(step.node, voltages.get(step.outer)! - current * ohm[step.branch]!);
      }
    }
    const byElement = new Map(this.loadElement.map((element, load) => [element, loadA[load]!]));
    return { currentOf: (index) => byElement.get(index) ?? branchA[index] ?? 0 };
  }

  loadOf(elements: readonly Element[], load: number): PowerLoad {
    return elements[this.loadElement[load]!] as PowerLoad;
  }
}
