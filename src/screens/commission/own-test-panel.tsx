'use client';
import { useState } from 'react';
import { type Build, OWN_TEST_DIMENSIONS, type OwnTest, type SheetId } from '@/core/build';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Checkbox } from '@/ui/checkbox';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';

const NEW: Omit<OwnTest, 'id' | 'sheet'> = {
  name: '',
  where: '',
  switches: '',
  dimension: null,
  low: null,
  high: null,
};
const WORDS: Readonly<Record<(typeof OWN_TEST_DIMENSIONS)[number], string>> = {
  voltage: 'a voltage',
  current: 'a current',
  resistance: 'a resistance',
  time: 'a time',
  temperature: 'a temperature',
  pressure: 'a pressure or vacuum',
  power: 'a power',
  torque: 'a torque',
  speed: 'a speed',
  count: 'a number',
};

/** A test that the design does not ask for. */
export function OwnTestPanel({ sheet, build }: { sheet: SheetId; build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [draft, setDraft] = useState(NEW);
  const change = (more: Partial<typeof NEW>) => setDraft({ ...draft, ...more });
  const keep = () => {
    if (
      dispatch({
        edit: 'putInCommission',
        input: { list: 'ownTests', entries: [{ ...draft, id: `own-${freshId()}`, sheet }] },
      })
    )
      setDraft(NEW);
  };
  return (
    <Fold className="no-print mt-2" head={<span className="text-soft">A test of your own on this sheet</span>}>
      <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
        <TextField label="Test" value={draft.name} empty="name" onCommit={(name) => change({ name })} />
        <TextField
          label="Probes"
          value={draft.where}
          empty="from where to where"
          clears
          onCommit={(where) => change({ where })}
        />
        <TextField
          label="Switches"
          value={draft.switches}
          empty="how everything is switched"
          clears
          onCommit={(switches) => change({ switches })}
        />
        <ChoiceField
          label="It reads"
          value={draft.dimension}
          empty="nothing: it is looked at"
          choices={OWN_TEST_DIMENSIONS.map((value) => ({ value, label: WORDS[value] }))}
          onChoose={(dimension) => change({ dimension: dimension as OwnTest['dimension'], low: null, high: null })}
        />
        {draft.dimension !== null &&
          (['low', 'high'] as const).map((end) => (
            <QuantityField
              key={`${draft.dimension} ${end}`}
              label={end === 'low' ? 'At least' : 'At most'}
              dimension={draft.dimension!}
              system={build.units}
              value={draft[end]}
              empty="open"
              onCommit={(value) => change({ [end]: value })}
              onClear={() => change({ [end]: null })}
            />
          ))}
        <Checkbox checked={draft.hv ?? false} onChange={(hv) => change({ hv })}>
          At open traction voltage
        </Checkbox>
        <p>
          <Action disabled={draft.name === ''} onPress={keep}>
            Put it on the sheet
          </Action>
        </p>
      </div>
    </Fold>
  );
}
