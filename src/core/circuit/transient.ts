import { Cycles } from './cycles';
import { refuseImpulseLoops, refuseOpenInductors } from './impulses';
import { islandOffsets } from './islands';
import { Meters } from './meters';
import {
  type Capacitor,
  checkNetwork,
  type Element,
  type Inductor,
  type Network,
  NetworkError,
  type NodeName,
  type PowerLoad,
  voltageScale,
} from './netlist';
import { OperatingPointSolver } from './operating-point';
import { ERROR_ORDER } from './sdirk';
import { type Solution, type State, type Step, Stepper } from './stepper';
import { refuseIdealLoops } from './topology';
import type { LoadSwitching, Probe, TransientOptions, TransientResult } from './transient-options';

export type {
  Followed,
  NotFollowed,
  Probe,
  SwitchEvent,
  Threshold,
  TransientOptions,
  TransientResult,
} from './transient-options';

/** Loads that come and go without a rhythm are given up after so many switchings. */
const MOST_LOAD_SWITCHINGS = 4000;

interface Watch {
  readonly key: string;
  /** Below zero before, at or above zero once it has happened. */
  readonly value: (stepper: Stepper, solution: Solution) => number;
  readonly happen: (t: number) => boolean;
}

/**
 * Follows a network over time: implicit, variable step with error control, switching moments and thresholds located.
 * Throws NetworkError for impossible networks (infinite current or voltage), naming the elements.
 */
export class Transient<S = never> {
  private readonly values = new Map<string, number>();
  private readonly switches = new Map<string, boolean>();
  private readonly on = new Set<string>();
  private readonly ground: NodeName;
  private readonly elements: readonly Element[];
  private readonly steppers = new Map<string, Stepper>();
  private readonly meters: Meters;
  private readonly crossings = new Map<string, number[]>();
  private readonly loadSwitchings: LoadSwitching[] = [];
  private readonly scaleV: number;
  private largestA = 0;

  constructor(
    network: Network,
    private readonly options: TransientOptions<S>,
  ) {
    checkNetwork(network);
    if (!(options.stopS > 0))
      throw new NetworkError('stopS must be above zero.', [], 'Give the time to follow, in seconds.');
    this.elements = network.elements;
    this.ground = network.ground;
    this.scaleV = Math.max(voltageScale(network.elements), 1e-3);
    for (const element of network.elements) {
      if (element.kind === 'switch') this.switches.set(element.id, element.closed);
      if (element.kind === 'power' && element.turnOnV === undefined) this.on.add(element.id);
      if (element.kind === 'capacitor') this.values.set(element.id, element.initialVoltageV ?? 0);
      if (element.kind === 'inductor') this.values.set(element.id, element.initialCurrentA ?? 0);
    }
    for (const event of options.events ?? []) {
      if (!this.switches.has(event.id))
        throw new NetworkError(
          `An event names "${event.id}", which is no switch.`,
          [event.id],
          'Events open and close elements of kind "switch".',
        );
    }
    for (const threshold of options.thresholds ?? []) this.crossings.set(threshold.id, []);
    if (options.initial === 'operating-point') this.startFromOperatingPoint(network);
    const watched = options.watch ? new Set(options.watch) : null;
    this.meters = new Meters(network.elements.filter((element) => !watched || watched.has(element.id)));
  }

  private startFromOperatingPoint(network: Network): void {
    const closedAtStart = new Map(
      (this.options.events ?? []).filter((event) => event.atS <= 0).map((event) => [event.id, event.closed]),
    );
    const elements = network.elements.map((element) =>
      element.kind === 'switch' && closedAtStart.has(element.id)
        ? { ...element, closed: closedAtStart.get(element.id)! }
        : element,
    );
    const point = new OperatingPointSolver({ ...network, elements }).solve(elements, false);
    if (!point.solvable)
      throw new NetworkError(
        point.reason ?? 'No operating point to start from.',
        [],
        'Start from rest, or lower the load.',
      );
    const offsetOf = islandOffsets(elements, point, network.ground);
    const potential = (node: NodeName) =>
      point.nodeVoltagesV.get(node)! + (offsetOf.get(point.referenceOf.get(node)!) ?? 0);
    for (const element of elements) {
      if (element.kind === 'capacitor') this.values.set(element.id, potential(element.a) - potential(element.b));
      if (element.kind === 'inductor') this.values.set(element.id, point.elementCurrentsA.get(element.id)!);
      if (element.kind === 'power') {
        if (point.loadsOn.has(element.id)) this.on.add(element.id);
        else this.on.delete(element.id);
      }
    }
  }

  private stepper(): Stepper {
    const key = [...this.switches].map(([, closed]) => (closed ? '1' : '0')).join('') + [...this.on].sort().join('\n');
    let stepper = this.steppers.get(key);
    if (!stepper) {
      const elements = this.elements.map((element) =>
        element.kind === 'switch' ? { ...element, closed: this.switches.get(element.id)! } : element,
      );
      refuseIdealLoops(
        elements,
        (element) =>
          element.kind !== 'inductor' &&
          element.kind !== 'capacitor' &&
          element.kind !== 'power' &&
          !(element.kind === 'switch' && !element.closed) &&
          (element.resistanceOhm ?? 0) === 0,
      );
      stepper = new Stepper(elements, this.ground, new Set(this.on));
      this.steppers.set(key, stepper);
    }
    refuseImpulseLoops(stepper.elements, (capacitor: Capacitor) => this.values.get(capacitor.id)!, this.scaleV);
    refuseOpenInductors(stepper.elements, (inductor: Inductor) => this.values.get(inductor.id)!);
    return stepper;
  }

  private watches(): Watch[] {
    const list: Watch[] = (this.options.thresholds ?? []).map((threshold) => ({
      key: `threshold ${threshold.id}`,
      value: (stepper, solution) =>
        (stepper.voltageOf(threshold.a, threshold.b, solution) - threshold.voltageV) *
        (threshold.direction === 'rising' ? 1 : -1),
      happen: (t) => {
        this.crossings.get(threshold.id)!.push(t);
        return false;
      },
    }));
    for (const element of this.elements) {
      if (element.kind !== 'power' || (element.turnOnV === undefined && element.turnOffV === undefined)) continue;
      list.push(this.loadWatch(element));
    }
    return list;
  }

  private loadWatch(load: PowerLoad): Watch {
    return {
      key: `load ${load.id}`,
      value: (stepper, solution) => {
        const v = Math.abs(stepper.voltageOf(load.a, load.b, solution));
        if (this.on.has(load.id)) return load.turnOffV === undefined ? -1 : load.turnOffV - v;
        return load.turnOnV === undefined ? -1 : v - load.turnOnV;
      },
      happen: (t) => {
        const on = !this.on.has(load.id);
        if (on) this.on.add(load.id);
        else this.on.delete(load.id);
        this.loadSwitchings.push({ atS: t, id: load.id, on });
        return true;
      },
    };
  }

  run(): TransientResult<S> {
    const { stopS } = this.options;
    const tolerance = this.options.tolerance ?? 1e-6;
    const events = [...(this.options.events ?? [])].filter((event) => event.atS <= stopS).sort((p, q) => p.atS - q.atS);
    const samples = [...(this.options.sampleTimesS ?? [])];
    const taken: S[] = [];
    const cycles = new Cycles();
    const watches = this.watches();
    const tiny = 1e-14 * stopS;
    let t = 0;
    let steps = 0;
    let trouble: string | undefined;
    let nextEvent = 0;
    let nextSample = 0;
    const applyEvents = () => {
      for (; nextEvent < events.length && events[nextEvent]!.atS <= t + tiny; nextEvent++)
        this.switches.set(events[nextEvent]!.id, events[nextEvent]!.closed);
    };
    applyEvents();
    let stepper = this.stepper();
    let state: State = this.stateOf(stepper);
    const begin = (): Solution | null => {
      stepper = this.stepper();
      state = this.stateOf(stepper);
      return stepper.instant(state, 1e-12 * stopS);
    };
    let now = begin();
    let h = 1e-3 * stopS;
    const sample = () => {
      for (; now && nextSample < samples.length && samples[nextSample]! <= t + tiny; nextSample++) {
        const here = now;
        if (this.options.sample) taken.push(this.options.sample(t, probeOf(stepper, here)));
      }
    };
    // Loads may stand past their threshold at the very start or after an event; a bound keeps two of them from chasing each other.
    const settle = (): void => {
      for (let round = 0; now && round < 2 * watches.length + 2; round++) {
        const here = now;
        const due = watches.filter((watch) => watch.key.startsWith('load ') && watch.value(stepper, here) > 0);
        if (due.length === 0) break;
        for (const watch of due) watch.happen(t);
        now = begin();
      }
      if (now) this.meters.restart(stepper, t, now);
    };
    settle();
    sample();
    const most = this.options.mostSteps ?? 400_000;
    const weight = (index: number, value: number): number => {
      const kind = stepper.states[index]!.element.kind;
      if (kind === 'capacitor') return tolerance * Math.max(value, 0.01 * this.scaleV);
      this.largestA = Math.max(this.largestA, value);
      return tolerance * Math.max(value, 0.01 * this.largestA, 1e-3);
    };
    while (now && t < stopS - tiny) {
      if (++steps > most || this.loadSwitchings.length > MOST_LOAD_SWITCHINGS) {
        trouble = `given up at ${t.toPrecision(4)} s after ${steps} steps and ${this.loadSwitchings.length} switchings of loads`;
        break;
      }
      const boundary = Math.min(stopS, events[nextEvent]?.atS ?? stopS, samples[nextSample] ?? stopS);
      const stride = t + h * 1.0001 >= boundary ? boundary - t : t + 2 * h > boundary ? (boundary - t) / 2 : h;
      let used = stride;
      let step = stepper.step(state, stride, weight);
      if (!step || step.error > 1) {
        h = step ? stride * Math.max(0.1, 0.9 * step.error ** (-1 / ERROR_ORDER)) : stride / 4;
        if (h < 1e-16 * stopS) {
          trouble = `the step became too small at ${t.toPrecision(4)} s`;
          break;
        }
        continue;
      }
      const grown = stride * Math.min(6, 0.9 * Math.max(step.error, 1e-6) ** (-1 / ERROR_ORDER));
      // A watch that passes zero within this step: shorten the step to the first such moment.
      const before = now;
      const valuesBefore = watches.map((watch) => watch.value(stepper, before));
      let happened: Watch[] = [];
      const passed = (solution: Solution) =>
        watches.filter((watch, k) => valuesBefore[k]! < 0 && watch.value(stepper, solution) >= 0);
      if (passed(step.stages.at(-1)!).length > 0) {
        const first = this.locate(stepper, state, stride, step, weight, passed, watches, valuesBefore);
        used = first.h;
        step = first.step;
        happened = passed(step.stages.at(-1)!);
      }
      t = used === boundary - t ? boundary : t + used;
      h =
        used < stride * 0.5 && happened.length > 0 ? Math.max(used, 1e-9 * stopS) : Math.max(grown, h > stride ? h : 0);
      state = step.state;
      stepper.states.forEach((place, i) => {
        this.values.set(place.element.id, state[i]!);
      });
      now = step.stages.at(-1)!;
      this.meters.add(stepper, t, used, step);
      let changed = false;
      for (const watch of happened) changed = watch.happen(t) || changed;
      if (nextEvent < events.length && events[nextEvent]!.atS <= t + tiny) {
        sample();
        applyEvents();
        changed = true;
        cycles.forget();
      } else if (changed && this.loadSwitchings.at(-1)?.on === true) {
        const scales = stepper.states.map(({ element }) =>
          element.kind === 'capacitor' ? this.scaleV : Math.max(this.largestA, 1e-3),
        );
        const key = [...this.on].sort().join('\n');
        const until = Math.min(stopS, events[nextEvent]?.atS ?? stopS, samples[nextSample] ?? stopS);
        t += cycles.skip(t, until, key, state, scales, this.meters, this.loadSwitchings);
      }
      if (
        this.options.endAtThreshold !== undefined &&
        happened.some((watch) => watch.key === `threshold ${this.options.endAtThreshold}`)
      )
        break;
      if (changed) {
        now = begin();
        settle();
        h = Math.min(h, 1e-3 * stopS);
      }
      sample();
    }
    if (!now) trouble = `no solution at ${t.toPrecision(4)} s`;
    if (trouble !== undefined) return { converged: false, reason: trouble, steps, reachedS: t };
    return {
      converged: true,
      steps,
      samples: taken,
      elements: this.meters.records,
      crossingsS: this.crossings,
      loadSwitchings: this.loadSwitchings,
    };
  }

  /**
   * Shortens a step to the first moment at which a watch has passed zero: secant on the watch's value inside a bracket
   * (Illinois), to 1e-7 of the step; the end returned is on the far side of the moment.
   */
  private locate(
    stepper: Stepper,
    state: State,
    stride: number,
    whole: Step,
    weight: (index: number, value: number) => number,
    passed: (solution: Solution) => Watch[],
    watches: readonly Watch[],
    valuesBefore: readonly number[],
  ): { h: number; step: Step } {
    let low = 0;
    let high = stride;
    let step = whole;
    const leader = () => passed(step.stages.at(-1)!)[0]!;
    let watch = leader();
    let fLow = valuesBefore[watches.indexOf(watch)]!;
    let fHigh = watch.value(stepper, step.stages.at(-1)!);
    const scale = Math.abs(fLow) + Math.abs(fHigh);
    for (let round = 0; round < 60 && high - low > 1e-7 * stride && fHigh > 1e-9 * scale; round++) {
      const secant = (low * fHigh - high * fLow) / (fHigh - fLow);
      const middle = secant > low && secant < high && round % 4 !== 3 ? secant : (low + high) / 2;
      const trial = stepper.step(state, middle, weight);
      const hits = trial ? passed(trial.stages.at(-1)!) : [];
      if (trial && hits.length > 0) {
        high = middle;
        step = trial;
        if (!hits.includes(watch)) {
          watch = hits[0]!;
          fLow = valuesBefore[watches.indexOf(watch)]!;
        } else fLow /= 2;
        fHigh = watch.value(stepper, trial.stages.at(-1)!);
      } else {
        low = middle;
        fHigh = fHigh > 0 ? fHigh / 2 : fHigh;
        if (trial) fLow = watch.value(stepper, trial.stages.at(-1)!);
        if (fLow === 0) fLow = -1e-300;
      }
    }
    return { h: high, step };
  }

  /** All values at t = 0, right after the first switchings, with capacitors and inductors at their initial state. */
  atStart(): Probe {
    const stepper = this.stepper();
    const solution = stepper.instant(this.stateOf(stepper), 1e-12 * this.options.stopS);
    if (!solution) throw new NetworkError('There is no solution at the start.', [], 'Start with the loads off.');
    return probeOf(stepper, solution);
  }

  private stateOf(stepper: Stepper): State {
    return Float64Array.from(stepper.states, (place) => this.values.get(place.element.id)!);
  }
}

const probeOf = (stepper: Stepper, solution: Solution): Probe => ({
  nodeVoltage: (node) => stepper.mna.nodeVoltage(node, solution.x),
  voltage: (a, b) => stepper.voltageOf(a, b, solution),
  current: (id) => stepper.currentOf(id, solution),
});

/** Runs a network from t = 0 to stopS. */
export const transient = <S = never>(network: Network, options: TransientOptions<S>): TransientResult<S> =>
  new Transient(network, options).run();

/** Values at the first instant: capacitors hold their initial voltage, inductors their current. */
export const firstInstant = (network: Network): Probe =>
  new Transient(network, { stopS: 1, initial: 'rest' }).atStart();
