'use client';
import { useState } from 'react';
import { type Build, OLD_END_STATES, type OldEndState } from '@/core/build';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { TextField } from '@/ui/text-field';
import { OLD_WORDS } from './end-words';

const FATES = { keep: 'kept', extend: 'extended', strip: 'to come out', replace: 'replaced' } as const;

/** Branches of the old loom, and each end of them that hangs somewhere. */
export function OldLoomPanel({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const branches = Object.values(build.oldParts ?? {}).filter(({ kind }) => kind === 'loom');
  const ends = Object.values(build.harness?.oldEnds ?? {});
  const [branch, setBranch] = useState<string | null>(null);
  const chosen = branch ?? branches[0]?.id ?? '';
  const put = (id: string, branchId: string, label: string, state: OldEndState) =>
    dispatch({ edit: 'putInHarness', input: { list: 'oldEnds', entries: [{ id, branchId, label, state }] } });
  return (
    <Panel className="mt-3" title="Old loom" about="ends of what the vehicle came with">
      {branches.length === 0 && ends.length === 0 && (
        <p className="text-soft">Branches of the old loom are listed in Survey, with what becomes of them.</p>
      )}
      <ul>
        {ends.map(({ id, branchId, label, state }) => {
          const of = build.oldParts?.[branchId];
          return (
            <li key={id} data-old-end={id} className="flex flex-wrap items-center gap-x-3 border-t border-rule/70 py-1">
              <span className="min-w-[12rem] flex-1">
                <b className="font-semibold">{label}</b>{' '}
                <span className="text-soft">
                  {of?.name ?? 'branch not entered'}
                  {of?.fate && `, ${FATES[of.fate]}`}
                </span>
              </span>
              <Select
                label={`State of ${label}`}
                value={state}
                onChoose={(next) => put(id, branchId, label, next as OldEndState)}
                choices={OLD_END_STATES.map((value) => ({ value, label: OLD_WORDS[value] }))}
                className="min-h-11"
              />
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'oldEnds', id } })}
                label={`Drop ${label}`}
              >
                Drop
              </Action>
            </li>
          );
        })}
      </ul>
      {branches.length > 0 && (
        <div className="mt-2 grid items-center gap-x-6 min-[700px]:grid-cols-2">
          <div className="flex items-center justify-between gap-2 border-b border-dotted border-rule py-0.5">
            <span className="text-soft">Branch</span>
            <Select
              label="Branch of the new end"
              value={chosen}
              onChoose={setBranch}
              choices={branches.map(({ id, name, fate }) => ({
                value: id,
                label: fate ? `${name}, ${FATES[fate]}` : name,
              }))}
            />
          </div>
          <TextField
            label="Another end of it, labelled"
            value=""
            makes
            empty="coil feed, sender …"
            onCommit={(label) => put(freshId(), chosen, label, 'found')}
          />
        </div>
      )}
    </Panel>
  );
}
