/**
 * Sparse LU of a small unsymmetric matrix whose pattern stays while its values change. The first factorisation chooses
 * pivots (Markowitz count among entries within a tenth of their column's largest) and records what it did as a program on
 * flat arrays; later ones run the program, and choose anew when a pivot has become too small against its row.
 */
export class SingularMatrixError extends Error {
  override readonly name = 'SingularMatrixError';
  constructor(readonly row: number) {
    super(`singular at row ${row}`);
  }
}

const PIVOT_THRESHOLD = 0.1;
/** A pivot below this share of its row's largest entry counts as zero. */
const SINGULAR = 1e-14;
/** On refactorisation a pivot below this share of its row's entries makes us choose pivots anew. */
const STALE = 1e-8;

interface Program {
  readonly pivotRow: Int32Array;
  readonly pivotColumn: Int32Array;
  /** Where each input entry goes in the working array. */
  readonly scatter: Int32Array;
  readonly pivotSlot: Int32Array;
  /** Upper rows without the pivot: start offsets, columns, slots. */
  readonly upperStart: Int32Array;
  readonly upperColumn: Int32Array;
  readonly upperSlot: Int32Array;
  /** Eliminations: for pivot k, lowerStart[k]..; each has its row, its slot and its targets (one for each upper entry of k). */
  readonly lowerStart: Int32Array;
  readonly lowerRow: Int32Array;
  readonly lowerSlot: Int32Array;
  readonly targets: Int32Array;
}

export class SparseLu {
  private program: Program | undefined;
  private work = new Float64Array(0);
  private readonly scratch: Float64Array;

  /** Entries are (rows[i], columns[i]); repeated places add up. */
  constructor(
    readonly n: number,
    private readonly rows: readonly number[],
    private readonly columns: readonly number[],
  ) {
    this.scratch = new Float64Array(n);
  }

  /** Factorises; throws SingularMatrixError with the row at which no usable pivot was left. */
  factor(values: ArrayLike<number>): void {
    if (this.program && this.run(this.program, values)) return;
    this.program = this.choose(values);
    if (!this.run(this.program, values, true)) throw new Error('a fresh pivot order failed');
  }

  private run(program: Program, values: ArrayLike<number>, fresh = false): boolean {
    const work = this.work;
    work.fill(0);
    const { scatter, pivotSlot, upperStart, upperSlot, lowerStart, lowerSlot, targets } = program;
    for (let i = 0; i < scatter.length; i++) work[scatter[i]!]! += values[i]!;
    let target = 0;
    for (let k = 0; k < this.n; k++) {
      const pivot = work[pivotSlot[k]!]!;
      const from = upperStart[k]!;
      const to = upperStart[k + 1]!;
      if (!fresh) {
        let largest = Math.abs(pivot);
        for (let u = from; u < to; u++) largest = Math.max(largest, Math.abs(work[upperSlot[u]!]!));
        if (!(Math.abs(pivot) > STALE * largest)) return false;
      }
      for (let l = lowerStart[k]!; l < lowerStart[k + 1]!; l++) {
        const factor = work[lowerSlot[l]!]! / pivot;
        work[lowerSlot[l]!] = factor;
        for (let u = from; u < to; u++) work[targets[target++]!]! -= factor * work[upperSlot[u]!]!;
      }
    }
    return true;
  }

  private choose(values: ArrayLike<number>): Program {
    const n = this.n;
    // Where the entries of each row stand in `at`; slots stay when an entry has been eliminated.
    const active: Map<number, number>[] = Array.from({ length: n }, () => new Map());
    const holders: Set<number>[] = Array.from({ length: n }, () => new Set());
    const at: number[] = [];
    const slotOf = (row: number, column: number): number => {
      const known = active[row]!.get(column);
      if (known !== undefined) return known;
      active[row]!.set(column, at.length);
      holders[column]!.add(row);
      return at.push(0) - 1;
    };
    const scatter = Int32Array.from(this.rows, (row, i) => {
      const slot = slotOf(row, this.columns[i]!);
      at[slot]! += values[i]!;
      return slot;
    });
    const rowScale = active.map((row) => {
      let largest = 0;
      for (const slot of row.values()) largest = Math.max(largest, Math.abs(at[slot]!));
      return largest;
    });

    const done = new Uint8Array(n);
    const pivotRow: number[] = [];
    const pivotColumn: number[] = [];
    const pivotSlot: number[] = [];
    const upperStart = [0];
    const upperColumn: number[] = [];
    const upperSlot: number[] = [];
    const lowerStart = [0];
    const lowerRow: number[] = [];
    const lowerSlot: number[] = [];
    const targets: number[] = [];

    for (let k = 0; k < n; k++) {
      const { row, column } = this.bestPivot(active, holders, at, done, rowScale);
      done[row] = 1;
      const pivotEntries = active[row]!;
      const own = pivotEntries.get(column)!;
      const pivot = at[own]!;
      pivotRow.push(row);
      pivotColumn.push(column);
      pivotSlot.push(own);
      const from = upperColumn.length;
      for (const [j, slot] of pivotEntries) {
        holders[j]!.delete(row);
        if (j === column) continue;
        upperColumn.push(j);
        upperSlot.push(slot);
      }
      for (const i of holders[column]!) {
        const slot = active[i]!.get(column)!;
        active[i]!.delete(column);
        const factor = at[slot]! / pivot;
        lowerRow.push(i);
        lowerSlot.push(slot);
        for (let u = from; u < upperColumn.length; u++) {
          const target = slotOf(i, upperColumn[u]!);
          at[target]! -= factor * at[upperSlot[u]!]!;
          targets.push(target);
        }
      }
      holders[column]!.clear();
      upperStart.push(upperColumn.length);
      lowerStart.push(lowerRow.length);
    }
    this.work = new Float64Array(at.length);
    const ints = (list: readonly number[]) => Int32Array.from(list);
    return {
      pivotRow: ints(pivotRow),
      pivotColumn: ints(pivotColumn),
      scatter,
      pivotSlot: ints(pivotSlot),
      upperStart: ints(upperStart),
      upperColumn: ints(upperColumn),
      upperSlot: ints(upperSlot),
      lowerStart: ints(lowerStart),
      lowerRow: ints(lowerRow),
      lowerSlot: ints(lowerSlot),
      targets: ints(targets),
    };
  }

  private bestPivot(
    active: readonly Map<number, number>[],
    holders: readonly Set<number>[],
    at: readonly number[],
    done: Uint8Array,
    rowScale: readonly number[],
  ) {
    let best: { row: number; column: number; cost: number } | undefined;
    let emptiest = -1;
    const order: number[] = [];
    let fewest = Number.POSITIVE_INFINITY;
    for (let row = 0; row < this.n; row++) {
      if (done[row]) continue;
      const count = active[row]!.size;
      if (emptiest < 0 || count < active[emptiest]!.size) emptiest = row;
      if (count < fewest) {
        fewest = count;
        order.unshift(row);
        if (order.length > 4) order.pop();
      } else if (count === fewest && order.length < 4) order.push(row);
    }
    const consider = (row: number) => {
      for (const [column, slot] of active[row]!) {
        const magnitude = Math.abs(at[slot]!);
        if (!(magnitude > SINGULAR * rowScale[row]!)) continue;
        const cost = (active[row]!.size - 1) * (holders[column]!.size - 1);
        if (best && cost >= best.cost) continue;
        let largest = 0;
        for (const other of holders[column]!) largest = Math.max(largest, Math.abs(at[active[other]!.get(column)!]!));
        if (magnitude >= PIVOT_THRESHOLD * largest) best = { row, column, cost };
      }
    };
    order.forEach(consider);
    if (!best) for (let row = 0; row < this.n && !best; row++) if (!done[row]) consider(row);
    if (!best) throw new SingularMatrixError(emptiest);
    return best;
  }

  /** Solves with the last factors; `out` may be `rhs`. */
  solve(rhs: Float64Array, out: Float64Array): void {
    const program = this.program;
    if (!program) throw new Error('solve before factor');
    const { pivotRow, pivotColumn, pivotSlot, upperStart, upperColumn, upperSlot, lowerStart, lowerRow, lowerSlot } =
      program;
    const work = this.work;
    const y = this.scratch;
    y.set(rhs);
    for (let k = 0; k < this.n; k++) {
      const value = y[pivotRow[k]!]!;
      if (value === 0) continue;
      for (let l = lowerStart[k]!; l < lowerStart[k + 1]!; l++) y[lowerRow[l]!]! -= work[lowerSlot[l]!]! * value;
    }
    for (let k = this.n - 1; k >= 0; k--) {
      let value = y[pivotRow[k]!]!;
      for (let u = upperStart[k]!; u < upperStart[k + 1]!; u++) value -= work[upperSlot[u]!]! * out[upperColumn[u]!]!;
      out[pivotColumn[k]!] = value / work[pivotSlot[k]!]!;
    }
  }
}
