'use client';
import type { Assessment } from '@/core/assess';
import { stopTests } from '@/core/simulate';
import {
  type CoilCircuit,
  closedIn,
  coilCircuit,
  LOWEST_SUPPLY_V,
  solveCoils,
  stateOf,
  type Vehicle,
} from '@/core/vehicle';
import { type LoopLayout, layOutLoop } from './derive-loop';
import { LoopDrawing } from './loop-drawing';

export interface LoopView {
  readonly circuit: CoilCircuit;
  readonly layout: LoopLayout;
  /** At the coils while driving, hot, on a weak battery, V. */
  readonly coilV: ReadonlyMap<string, number>;
}

/** The coil circuit with its drawing and its voltages; null while no coil is fed. */
export function loopView(vehicle: Vehicle): LoopView | null {
  const circuit = coilCircuit(vehicle);
  const layout = layOutLoop(vehicle);
  if (!circuit || !layout) return null;
  const commanded = closedIn(vehicle, stateOf('cruise'));
  return { circuit, layout, coilV: solveCoils(circuit, { supplyV: LOWEST_SUPPLY_V, hot: true, commanded }).coilV };
}

export const inLoop = ({ circuit, layout }: LoopView, id: string): boolean =>
  circuit.lv.conductorOf.has(id) || layout.things.some((thing) => thing.id === id);

export function LoopSheet({
  assessment,
  loop,
  selected,
  onSelect,
}: {
  assessment: Assessment;
  loop: LoopView | null;
  selected: string | null;
  onSelect: (id: string) => void;
}) {
  if (!loop) return <p className="p-4 text-soft">No coil is fed yet.</p>;
  const test = selected === null ? undefined : stopTests(assessment.vehicle).find(({ id }) => id === selected);
  // What is not commanded while driving is not held in.
  const idle = [...loop.coilV].filter(([, volts]) => volts < 1).map(([id]) => id);
  return (
    <>
      <LoopDrawing
        layout={loop.layout}
        circuit={loop.circuit}
        coilV={loop.coilV}
        opened={test ? test.id : null}
        letsGo={new Set([...(test?.letsGo ?? []), ...idle])}
        selected={selected}
        system={assessment.build.units}
        onSelect={onSelect}
      />
      {loop.layout.aside.length > 0 && (
        <p className="px-2 pb-1 text-small text-soft">
          Also in the 12-volt circuit, on no coil’s way: {loop.layout.aside.map(({ name }) => name).join(', ')}.
        </p>
      )}
    </>
  );
}
