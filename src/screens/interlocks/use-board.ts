'use client';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  apply,
  Board,
  type BoardChoice,
  type BoardFault,
  type BoardSource,
  type BoardView,
  boardFrames,
  STEP_S,
} from '@/core/bench';
import type { TimelineEvent } from '@/core/build';
import type { Input } from '@/core/simulate/sequence';
import { isDesign, sequenceDesign } from '@/core/simulate/sequence';
import type { Vehicle } from '@/core/vehicle';

/** At most so much of the board's time is made up in one frame, s: a page that was away does not catch up. */
const MOST_S = 0.1;
const TRACE_S = 30;
const MOST_FRAMES = 20_000;
const TRACE_EVERY_S = 0.05;

export interface TracePoint {
  readonly timeS: number;
  readonly linkV: number;
  readonly supplyV: number;
  readonly currentA: number;
}

export interface Play {
  readonly board: Board | null;
  readonly why: string | null;
  readonly view: BoardView | null;
  readonly trace: readonly TracePoint[];
  readonly events: readonly TimelineEvent[];
  /** Frames of the run so far, every tenth of a second. */
  readonly frames: readonly string[];
  readonly running: boolean;
  readonly pace: number;
  run(is: boolean): void;
  setPace(pace: number): void;
  /** Something done by hand: it is recorded. */
  touch(input: Input, is: boolean): void;
  /** A level or a mode chosen beside the steps: recorded as well. */
  choose(choice: BoardChoice, is: boolean): void;
  /** The pedal at a place of its way; not recorded. */
  press(pedal: number): void;
  fail(fault: BoardFault | null): void;
  restart(script?: readonly TimelineEvent[], source?: BoardSource): void;
  /** Steps that are made while nothing runs: for who goes by keyboard, and for tests. */
  advance(seconds: number): void;
}

/** A board that runs beside the screen: stepped as time passes, looked at once a frame. */
export function useBoard(vehicle: Vehicle): Play {
  const board = useRef<Board | null>(null);
  const script = useRef<readonly TimelineEvent[]>([]);
  const done = useRef(0);
  const events = useRef<TimelineEvent[]>([]);
  const trace = useRef<TracePoint[]>([]);
  const frames = useRef<string[]>([]);
  const [view, setView] = useState<BoardView | null>(null);
  const [running, setRunning] = useState(false);
  const [pace, setPace] = useState(1);
  const [why, setWhy] = useState<string | null>(null);
  // Notes, names and kept runs leave the board alone: it begins anew when the solved circuit or the sequence is another one.
  const found = sequenceDesign(vehicle);
  const designKey = isDesign(found) ? JSON.stringify({ ...found, properties: [] }) : found;
  const { cases } = vehicle;
  const figures = JSON.stringify([
    vehicle.build.controls?.wakeS,
    vehicle.build.controls?.rampS,
    vehicle.build.controls?.economyShare,
    vehicle.build.controls?.regenLowShare,
    vehicle.build.regeneration?.torqueShare,
    vehicle.build.precharge,
  ]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what the board reads of the vehicle, by value.
  const [stands, design] = useMemo(() => [vehicle, found] as const, [designKey, cases, figures]);

  const look = useCallback(() => setView(board.current?.view() ?? null), []);
  const restart = useCallback(
    (next: readonly TimelineEvent[] = [], source?: BoardSource) => {
      if (!isDesign(design)) {
        board.current = null;
        setWhy('There is nothing to play yet: choose who commands, lay out contactors and their coils.');
        setView(null);
        return;
      }
      try {
        board.current = new Board(stands, design, null, source);
        setWhy(null);
      } catch (error) {
        board.current = null;
        setWhy(error instanceof Error ? error.message : String(error));
      }
      script.current = next;
      done.current = 0;
      events.current = [];
      trace.current = [];
      frames.current = [];
      look();
    },
    [stands, design, look],
  );
  useEffect(() => restart(), [restart]);

  const step = useCallback((seconds: number) => {
    const one = board.current;
    if (!one) return;
    const steps = Math.round(seconds / STEP_S);
    for (let k = 0; k < steps; k++) {
      for (
        let due = script.current[done.current];
        due && due.atS <= one.timeS + 1e-9;
        due = script.current[done.current]
      ) {
        apply(one, due);
        events.current.push({ ...due, atS: one.timeS });
        done.current += 1;
      }
      one.step();
      if (frames.current.length < MOST_FRAMES && Math.round(one.timeS / STEP_S) % 20 === 0)
        frames.current.push(...boardFrames(one));
      const last = trace.current.at(-1);
      if (!last || one.timeS - last.timeS >= TRACE_EVERY_S) {
        const { timeS, linkV, supplyV, currentA } = one.view();
        trace.current.push({ timeS, linkV, supplyV, currentA });
        while (trace.current.length > 0 && trace.current[0]!.timeS < timeS - TRACE_S) trace.current.shift();
      }
    }
  }, []);

  useEffect(() => {
    if (!running) return;
    let frame = 0;
    let before = performance.now();
    let owed = 0;
    const go = (now: number) => {
      owed += Math.min(MOST_S, (now - before) / 1000) * pace;
      before = now;
      const steps = Math.floor(owed / STEP_S);
      owed -= steps * STEP_S;
      step(steps * STEP_S);
      look();
      frame = requestAnimationFrame(go);
    };
    frame = requestAnimationFrame(go);
    return () => cancelAnimationFrame(frame);
  }, [running, pace, step, look]);

  return {
    board: board.current,
    why,
    view,
    trace: trace.current,
    events: events.current,
    frames: frames.current,
    running,
    pace,
    run: setRunning,
    setPace,
    touch(input, is) {
      const one = board.current;
      if (!one) return;
      one.set(input, is);
      events.current.push({ atS: Math.round(one.timeS / STEP_S) * STEP_S, input, is });
      look();
    },
    choose(choice, is) {
      const one = board.current;
      if (!one) return;
      one.choose(choice, is);
      events.current.push({ atS: Math.round(one.timeS / STEP_S) * STEP_S, input: choice, is });
      look();
    },
    press(pedal) {
      board.current?.press(pedal);
      look();
    },
    fail(fault) {
      board.current?.fail(fault);
      look();
    },
    restart,
    advance(seconds) {
      step(seconds);
      look();
    },
  };
}
