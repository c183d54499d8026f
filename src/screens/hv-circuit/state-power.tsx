'use client';
import type { Build, StateId } from '@/core/build';
import { inverterPowerW, STATES, stateOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { QuantityField } from '@/ui/quantity-field';

/** The owner's own power of the inverter in the state shown; cleared, it is derived again. */
export function StatePower({ build, state }: { build: Build; state: StateId }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const own = build.states[state]?.inverterPowerW;
  if (!POWERED.has(state)) return null;
  const set = (inverterPowerW: number | null) => dispatch({ edit: 'setStatePower', input: { state, inverterPowerW } });
  return (
    <>
      <QuantityField
        label={`Takes in ${stateOf(state).name.toLowerCase()}`}
        dimension="power"
        unit="kW"
        system={build.units}
        value={inverterPowerW(build, state)}
        note={own === undefined ? 'derived; typing a figure makes it your own' : 'your own for this state'}
        onCommit={set}
      />
      {own !== undefined && (
        <Action look="quiet" onPress={() => set(null)}>
          As derived
        </Action>
      )}
    </>
  );
}

/** States in which an inverter can take or give power: its contactors are closed. */
const POWERED: ReadonlySet<StateId> = new Set(
  STATES.filter(({ closed, id }) => closed.includes('main-plus') && id !== 'charging').map(({ id }) => id),
);
