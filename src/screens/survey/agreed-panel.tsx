'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { OldFault } from '@/core/build';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';

const tooLong = (most: number) => (text: string) =>
  text.length > most ? `That is more than ${most} characters: say it shorter.` : null;

/** Faults of the old 12-volt side, one by one: what it does, why, and whether it is mended. */
export function OldFaultsPanel({ assessment: { build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [what, setWhat] = useState('');
  const faults = Object.values(build.oldFaults ?? {});
  const set = (fault: OldFault) => dispatch({ edit: 'setOldFault', input: { fault } });
  const open = faults.filter(({ mended }) => !mended).length;
  return (
    <Panel
      title="Old 12-volt faults"
      about={faults.length === 0 ? 'each with its cause: what stays is blamed on the conversion' : `${open} still open`}
    >
      {faults.map((fault) => (
        <section key={fault.id} aria-label={fault.what} className="mb-2 border-b border-rule/70 pb-1">
          <div className="flex items-baseline gap-2">
            <b className="min-w-0 flex-1 font-semibold">{fault.what}</b>
            <Action
              look="quiet"
              label={`Drop ${fault.what}`}
              onPress={() => dispatch({ edit: 'dropOldFault', input: { id: fault.id } })}
            >
              drop
            </Action>
          </div>
          <TextField
            label="Its cause"
            value={fault.cause}
            empty="not found yet"
            refuse={tooLong(500)}
            onCommit={(cause) => set({ ...fault, cause })}
          />
          {fault.cause !== '' && (
            <YesNo label="Mended" value={fault.mended} onAnswer={(mended) => set({ ...fault, mended })} />
          )}
        </section>
      ))}
      <div className="flex items-end gap-2">
        <div className="min-w-0 flex-1">
          <TextField
            label="Another one"
            value={what}
            empty="left indicator blinks fast"
            refuse={tooLong(120)}
            clears
            onCommit={setWhat}
          />
        </div>
        <Action
          disabled={what.trim() === ''}
          onPress={() => set({ id: freshId(), what, cause: '', mended: false }) && setWhat('')}
        >
          List it
        </Action>
      </div>
    </Panel>
  );
}

/** For whom it is built: what was agreed and put off, and how the vehicle came in. */
export function CustomerPanel({ assessment: { build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { options = '', damage = '' } = build.customer ?? {};
  return (
    <Panel title="Customer" about="what was agreed, and how the vehicle came in">
      <FigureSetting build={build} figure="agreedPrice" note="held against the list of parts" />
      <TextField
        label="Put off till later"
        value={options}
        empty="nothing"
        wide
        clears
        refuse={tooLong(2000)}
        onCommit={(text) => dispatch({ edit: 'setCustomer', input: { options: text } })}
      />
      <FigureSetting build={build} figure="handOdometer" />
      <FigureSetting build={build} figure="handKeys" />
      <TextField
        label="Damage that it came with"
        value={damage}
        empty="none written down"
        wide
        clears
        refuse={tooLong(2000)}
        onCommit={(text) => dispatch({ edit: 'setCustomer', input: { damage: text } })}
      />
    </Panel>
  );
}
