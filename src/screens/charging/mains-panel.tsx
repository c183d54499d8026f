'use client';
import type { Build, Charging } from '@/core/build';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';

/** From the inlet to the charger: what a touch hangs on. */
export function MainsPanel({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { charging = {} } = build;
  return (
    <Panel title="Mains" about="what protects whoever touches car and plug">
      <ChoiceField
        label="Residual-current device"
        value={charging.residual ?? null}
        empty="not entered"
        choices={[
          { value: 'none', label: 'none' },
          { value: 'ac', label: 'type AC' },
          { value: 'a', label: 'type A' },
          { value: 'a-6ma', label: 'type A with 6 mA DC' },
          { value: 'b', label: 'type B' },
          { value: 'ccid', label: 'interrupter, 20 mA' },
        ]}
        onChoose={(residual) =>
          dispatch({ edit: 'setCharging', input: { residual: residual as NonNullable<Charging['residual']> } })
        }
      />
      <FigureSetting build={build} figure="earthResistance" note="with 0.2 A or more" />
      <FigureSetting build={build} figure="acBreaker" />
      <FigureSetting build={build} figure="acCable" note="each line conductor" />
      <FigureSetting build={build} figure="acEarth" />
      <FigureSetting build={build} figure="acCableClass" note="by its print" />
      <YesNo
        label="Held, grommets, drip loop, orange"
        value={charging.acHeld}
        onAnswer={(acHeld) => dispatch({ edit: 'setCharging', input: { acHeld } })}
      />
    </Panel>
  );
}
