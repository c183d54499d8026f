'use client';
import type { Build, Charging } from '@/core/build';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';

/** What goes on in the car while it charges by itself. */
export function MeanwhilePanel({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <Panel title="Meanwhile" about="what shows, and what keeps the auxiliary battery">
      <ChoiceField
        label="Charging is shown by"
        value={build.charging?.seenEnd ?? null}
        empty="not entered"
        choices={[
          { value: 'lamp', label: 'one lamp' },
          { value: 'two-lamps', label: 'two lamps' },
          { value: 'gauge', label: 'a gauge or display' },
          { value: 'nothing', label: 'nothing' },
        ]}
        onChoose={(seenEnd) =>
          dispatch({ edit: 'setCharging', input: { seenEnd: seenEnd as NonNullable<Charging['seenEnd']> } })
        }
      />
      <FigureSetting build={build} figure="trickle" note="where no converter works meanwhile" />
    </Panel>
  );
}
