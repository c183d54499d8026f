import type { Mna, Place } from './mna';

/**
 * Constant-power loads seen from their terminals: v = openVoltages − R·i(v) with R the network's resistances between ports.
 * The linear network is solved once without loads and once for a unit current in each port; Newton works on the ports alone.
 */
export interface PortNetwork {
  readonly ports: readonly Place[];
  /** Response of all unknowns to 1 A drawn through port k from its a to its b. */
  readonly responses: readonly Float64Array[];
  /** resistance[j][k]: fall of the voltage at port j for 1 A through port k. */
  readonly resistance: readonly (readonly number[])[];
}

export function reduceToPorts(mna: Mna, ports: readonly Place[]): PortNetwork {
  const rhs = new Float64Array(mna.size);
  const responses = ports.map((port) => {
    rhs.fill(0);
    if (port.a >= 0) rhs[port.a]! -= 1;
    if (port.b >= 0) rhs[port.b]! += 1;
    const out = new Float64Array(mna.size);
    mna.solve(rhs, out);
    return out;
  });
  const resistance = ports.map((port) => responses.map((response) => -mna.voltageAcross(port, response)));
  return { ports, responses, resistance };
}

/** Current of a constant-power load: P/v, and below `collapseV` the resistance that it had there. */
export function loadCurrent(powerW: number, v: number, collapseV: number): number {
  return Math.abs(v) >= collapseV && v !== 0 ? powerW / v : collapseV > 0 ? (powerW * v) / (collapseV * collapseV) : 0;
}

function loadSlope(powerW: number, v: number, collapseV: number): number {
  return Math.abs(v) >= collapseV && v !== 0 ? -powerW / (v * v) : collapseV > 0 ? powerW / (collapseV * collapseV) : 0;
}

/** Gauss with partial pivoting on a few unknowns; returns the determinant and overwrites b with the solution. */
export function solveSmall(matrix: number[][], b: number[]): number {
  const n = b.length;
  let determinant = 1;
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (Math.abs(matrix[i]![k]!) > Math.abs(matrix[pivot]![k]!)) pivot = i;
    if (pivot !== k) {
      [matrix[k], matrix[pivot]] = [matrix[pivot]!, matrix[k]!];
      [b[k], b[pivot]] = [b[pivot]!, b[k]!];
      determinant = -determinant;
    }
    const head = matrix[k]![k]!;
    determinant *= head;
    if (head === 0) return 0;
    for (let i = k + 1; i < n; i++) {
      const factor = matrix[i]![k]! / head;
      if (factor === 0) continue;
      for (let j = k; j < n; j++) matrix[i]![j]! -= factor * matrix[k]![j]!;
      b[i]! -= factor * b[k]!;
    }
  }
  for (let k = n - 1; k >= 0; k--) {
    let value = b[k]!;
    for (let j = k + 1; j < n; j++) value -= matrix[k]![j]! * b[j]!;
    b[k] = value / matrix[k]![k]!;
  }
  return determinant;
}

export interface PortSolution {
  readonly converged: boolean;
  readonly voltages: number[];
  readonly currents: number[];
  /** Sign tells the branch: positive on the upper-voltage branch of consuming loads. */
  readonly determinant: number;
}

const TOLERANCE = 1e-11;
const MOST_ITERATIONS = 60;

/**
 * Newton with step halving from `start`; powers in watts, zero for a load that is off. With `staysUpper` it gives up as soon
 * as the determinant is no longer positive: from the open voltages downward that means that it has passed the upper branch.
 */
export function solvePorts(
  network: PortNetwork,
  openV: readonly number[],
  powersW: readonly number[],
  collapseV: number,
  start: readonly number[],
  staysUpper = false,
): PortSolution {
  const n = openV.length;
  const R = network.resistance;
  let v = [...start];
  const scale = Math.max(...openV.map(Math.abs), collapseV, 1e-12);
  const residual = (at: readonly number[]): number[] =>
    at.map((vj, j) => {
      let sum = vj - openV[j]!;
      for (let k = 0; k < n; k++) sum += R[j]![k]! * loadCurrent(powersW[k]!, at[k]!, collapseV);
      return sum;
    });
  const size = (r: readonly number[]): number => r.reduce((largest, value) => Math.max(largest, Math.abs(value)), 0);
  let r = residual(v);
  let determinant = 1;
  let converged = false;
  for (let iteration = 0; iteration < MOST_ITERATIONS; iteration++) {
    const jacobian = v.map((_, j) =>
      v.map((vk, k) => (j === k ? 1 : 0) + R[j]![k]! * loadSlope(powersW[k]!, vk, collapseV)),
    );
    const step = [...r];
    determinant = solveSmall(jacobian, step);
    if (converged) break;
    if (determinant === 0 || (staysUpper && determinant < 0) || !step.every(Number.isFinite)) break;
    let share = 1;
    let next = v.map((value, j) => value - share * step[j]!);
    let nextResidual = residual(next);
    while (size(nextResidual) > size(r) * (1 - 1e-4 * share) && share > 1e-6 && size(r) > TOLERANCE * scale) {
      share /= 2;
      next = v.map((value, j) => value - share * step[j]!);
      nextResidual = residual(next);
    }
    v = next;
    r = nextResidual;
    // One more turn after convergence gives the determinant at the solution.
    converged = size(r) <= TOLERANCE * scale;
  }
  return {
    converged,
    voltages: v,
    currents: v.map((value, k) => loadCurrent(powersW[k]!, value, collapseV)),
    determinant,
  };
}
