import {
  type DataLine,
  dataLines,
  type Harness,
  harnessOf,
  missingSignals,
  openEnds,
  type PlugView,
  plugsOf,
  type WantedSignal,
  type WireChange,
  wiringChanges,
} from '../../vehicle';
import type { Context } from '../context';

export interface HarnessResults {
  readonly harness: Harness;
  readonly ends: { readonly all: number; readonly open: number };
  readonly plugs: readonly PlugView[];
  readonly lines: readonly DataLine[];
  /** Null: there is no list to work from yet. */
  readonly changes: readonly WireChange[] | null;
  readonly missing: readonly { readonly wanted: WantedSignal; readonly has: number }[];
}

/** What the Harness screen shows. */
export const harnessResults = ({ vehicle }: Context): HarnessResults => {
  const harness = harnessOf(vehicle);
  return {
    harness,
    ends: openEnds(harness.wires),
    plugs: plugsOf(vehicle),
    lines: dataLines(vehicle),
    changes: wiringChanges(vehicle),
    missing: missingSignals(vehicle.build),
  };
};
