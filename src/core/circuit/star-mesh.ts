import { SingularMatrixError } from './sparse-lu';

/**
 * A network of conductances with one reference, made ready for many currents: node after node is replaced by the mesh between its
 * neighbours (star-mesh transformation), the one with the fewest neighbours first. Nothing is ever subtracted, so that a joint of 1 nΩ
 * beside an insulation of 100 MΩ keeps all digits of both.
 */
export class StarMesh {
  private readonly order: Int32Array;
  /** Sum of the conductances at the k-th node as it goes, S. */
  private readonly sum: Float64Array;
  /** Of the k-th node: neighbours that were left, with their share of that sum. */
  private readonly start: Int32Array;
  private readonly neighbour: Int32Array;
  private readonly share: Float64Array;

  /**
   * @param n nodes without the reference
   * @param toReference from each node straight to the reference, S
   * @param links between two nodes, S; several between the same two add up
   * @throws SingularMatrixError with a node that nothing joins to the reference
   */
  constructor(
    n: number,
    toReference: ArrayLike<number>,
    links: readonly { readonly a: number; readonly b: number; readonly siemens: number }[],
  ) {
    const down = Float64Array.from(toReference);
    const rows: Map<number, number>[] = Array.from({ length: n }, () => new Map());
    const add = (row: number, column: number, siemens: number) =>
      rows[row]!.set(column, (rows[row]!.get(column) ?? 0) + siemens);
    for (const { a, b, siemens } of links) {
      add(a, b, siemens);
      add(b, a, siemens);
    }
    // Nodes by their number of neighbours; one whose number has changed since stands there in vain and is passed over.
    const byDegree: number[][] = [];
    const queue = (node: number) => {
      const degree = rows[node]!.size;
      while (byDegree.length <= degree) byDegree.push([]);
      byDegree[degree]!.push(node);
    };
    for (let node = n - 1; node >= 0; node--) queue(node);
    const done = new Uint8Array(n);
    const order: number[] = [];
    const sums: number[] = [];
    const start = [0];
    const neighbour: number[] = [];
    const shares: number[] = [];
    for (let degree = 0; order.length < n; ) {
      const node = byDegree[degree]?.pop();
      if (node === undefined) {
        degree++;
        continue;
      }
      if (done[node] || rows[node]!.size !== degree) continue;
      done[node] = 1;
      const row = [...rows[node]!];
      const ground = down[node]!;
      const sum = row.reduce((total, [, siemens]) => total + siemens, ground);
      if (!(sum > 0)) throw new SingularMatrixError(node);
      order.push(node);
      sums.push(sum);
      row.forEach(([i, siemens], k) => {
        const share = siemens / sum;
        neighbour.push(i);
        shares.push(share);
        down[i]! += share * ground;
        rows[i]!.delete(node);
        for (let m = 0; m < k; m++) {
          const [j, other] = row[m]!;
          add(i, j, share * other);
          add(j, i, share * other);
        }
      });
      for (const [i] of row) queue(i);
      start.push(neighbour.length);
      degree = Math.max(0, degree - 1);
    }
    this.order = Int32Array.from(order);
    this.sum = Float64Array.from(sums);
    this.start = Int32Array.from(start);
    this.neighbour = Int32Array.from(neighbour);
    this.share = Float64Array.from(shares);
  }

  /** Turns currents into the nodes, A, into their voltages over the reference, V; in place. */
  solve(x: Float64Array): void {
    const { order, sum, start, neighbour, share } = this;
    for (let k = 0; k < order.length; k++) {
      const current = x[order[k]!]!;
      if (current === 0) continue;
      for (let l = start[k]!; l < start[k + 1]!; l++) x[neighbour[l]!]! += share[l]! * current;
    }
    for (let k = order.length - 1; k >= 0; k--) {
      const node = order[k]!;
      let voltage = x[node]! / sum[k]!;
      for (let l = start[k]!; l < start[k + 1]!; l++) voltage += share[l]! * x[neighbour[l]!]!;
      x[node] = voltage;
    }
  }
}
