'use client';
import type { Build } from '@/core/build';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureSetting } from './figure-setting';

/** Where it is plugged in: what every page that asks for it asks. */
export function SupplyFields({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <>
      <ChoiceField
        label="Outlet"
        value={build.supply?.outlet ?? null}
        empty="not entered"
        choices={[
          { value: 'socket', label: 'a socket' },
          { value: 'wall-unit', label: 'a wall unit' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSupply', input: { outlet: value as 'socket' } })}
      />
      <FigureSetting build={build} figure="supplyVoltage" note="between phase and neutral" />
      <ChoiceField
        label="Phases"
        value={build.supply?.phases === undefined ? null : String(build.supply.phases)}
        empty="one"
        choices={[
          { value: '1', label: 'one' },
          { value: '3', label: 'three' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setSupply', input: { phases: value === '3' ? 3 : 1 } })}
      />
      <FigureSetting build={build} figure="supplyBreaker" />
    </>
  );
}
