import type { Element } from './netlist';
import { B } from './sdirk';
import type { ElementView, Solution, Step, Stepper } from './stepper';

export interface ElementRecord {
  /** Signed value of the largest |current|. */
  peakCurrentA: number;
  peakCurrentAtS: number;
  i2tA2s: number;
  energyJ: number;
  /** Signed value of the largest |power|. */
  peakPowerW: number;
}

interface Point {
  t: number;
  i: number;
  p: number;
}

/** Vertex of the parabola through three points, when it lies between the outer ones. */
function vertex(
  t: readonly [number, number, number],
  y: readonly [number, number, number],
): { t: number; y: number } | null {
  const [t0, t1, t2] = t;
  const d1 = (y[1] - y[0]) / (t1 - t0);
  const d2 = (y[2] - y[1]) / (t2 - t1);
  const curve = (d2 - d1) / (t2 - t0);
  if (curve === 0) return null;
  const at = (t0 + t1) / 2 - d1 / (2 * curve);
  if (!(at > t0 && at < t2)) return null;
  return { t: at, y: y[0] + d1 * (at - t0) + curve * (at - t0) * (at - t1) };
}

/** Peaks, I²t and energy of the watched elements over a transient. */
export class Meters {
  readonly records = new Map<string, ElementRecord>();
  private readonly list: readonly ElementRecord[];
  /** The last three points of each element since the last switching moment. */
  private readonly history: Point[][];
  private views: readonly ElementView[] = [];
  private viewed: Stepper | null = null;

  constructor(private readonly elements: readonly Element[]) {
    this.list = elements.map(() => ({ peakCurrentA: 0, peakCurrentAtS: 0, i2tA2s: 0, energyJ: 0, peakPowerW: 0 }));
    elements.forEach((element, k) => {
      this.records.set(element.id, this.list[k]!);
    });
    this.history = elements.map(() => []);
  }

  private look(stepper: Stepper): readonly ElementView[] {
    if (this.viewed !== stepper) {
      this.views = this.elements.map((element) => stepper.view(element));
      this.viewed = stepper;
    }
    return this.views;
  }

  /** Values right after a switching moment; peaks are not interpolated across it. */
  restart(stepper: Stepper, t: number, solution: Solution): void {
    for (const points of this.history) points.length = 0;
    this.see(stepper, t, solution);
  }

  /** Adds an accepted step that ended at `t`. Integrals use the method's own weights: they are part of the same system of equations. */
  add(stepper: Stepper, t: number, h: number, step: Step): void {
    const views = this.look(stepper);
    for (let k = 0; k < views.length; k++) {
      const view = views[k]!;
      if (!view.place) continue;
      const record = this.list[k]!;
      for (let s = 0; s < step.stages.length; s++) {
        const current = stepper.currentIn(view, step.stages[s]!);
        record.i2tA2s += h * B[s]! * current * current;
        record.energyJ += h * B[s]! * current * stepper.voltageIn(view, step.stages[s]!);
      }
    }
    this.see(stepper, t, step.stages.at(-1)!);
  }

  private see(stepper: Stepper, t: number, solution: Solution): void {
    const views = this.look(stepper);
    for (let k = 0; k < views.length; k++) {
      const i = stepper.currentIn(views[k]!, solution);
      const p = i * stepper.voltageIn(views[k]!, solution);
      const record = this.list[k]!;
      const points = this.history[k]!;
      points.push({ t, i, p });
      if (points.length > 3) points.shift();
      this.peak(record, t, i, p);
      if (points.length < 3) continue;
      const [q0, q1, q2] = points as [Point, Point, Point];
      if (Math.abs(q1.i) > Math.abs(q0.i) && Math.abs(q1.i) > Math.abs(q2.i)) {
        const top = vertex([q0.t, q1.t, q2.t], [q0.i, q1.i, q2.i]);
        if (top) this.peak(record, top.t, top.y, 0);
      }
      if (Math.abs(q1.p) > Math.abs(q0.p) && Math.abs(q1.p) > Math.abs(q2.p)) {
        const top = vertex([q0.t, q1.t, q2.t], [q0.p, q1.p, q2.p]);
        if (top) this.peak(record, top.t, 0, top.y);
      }
    }
  }

  /** Integrals so far, to tell what one cycle adds. */
  totals(): Float64Array {
    return Float64Array.from(this.list.flatMap(({ i2tA2s, energyJ }) => [i2tA2s, energyJ]));
  }

  /** As if the last cycle had been lived through `times` more: `since` are the totals at its beginning. */
  repeat(since: Float64Array, times: number): void {
    this.list.forEach((record, k) => {
      record.i2tA2s += times * (record.i2tA2s - since[2 * k]!);
      record.energyJ += times * (record.energyJ - since[2 * k + 1]!);
    });
    for (const points of this.history) points.length = 0;
  }

  private peak(record: ElementRecord, t: number, i: number, p: number): void {
    // Rounding must not move the peak of a steady value along in time.
    if (Math.abs(i) > Math.abs(record.peakCurrentA) * (1 + 1e-9)) {
      record.peakCurrentA = i;
      record.peakCurrentAtS = t;
    }
    if (Math.abs(p) > Math.abs(record.peakPowerW)) record.peakPowerW = p;
  }
}
