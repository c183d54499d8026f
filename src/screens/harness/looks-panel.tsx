'use client';
import { useState } from 'react';
import type { Build, PlugLook } from '@/core/build';
import { hostsOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Checkbox } from '@/ui/checkbox';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { today } from './end-words';

/** Connectors and splices that were opened: water, corrosion, screen, insulation, photograph. */
export function LooksPanel({ build }: { build: Build }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const looks = Object.values(build.harness?.looks ?? {});
  const [subject, setSubject] = useState<string | null>(null);
  const put = (look: PlugLook) => dispatch({ edit: 'putInHarness', input: { list: 'looks', entries: [look] } });
  const cables = Object.values(build.circuits.hv.conductors).map(({ id, name }) => ({
    value: id,
    label: name,
    group: 'Traction cables',
  }));
  const hosts = hostsOf(build).map(({ id, name }) => ({ value: id, label: name, group: 'Devices and fittings' }));
  const nameOf = (id: string): string =>
    [...cables, ...hosts].find(({ value }) => value === id)?.label ?? 'a thing that is gone';
  return (
    <Panel title="Inspected" about="salvaged plugs, splices, cables">
      {looks.map((look) => (
        <Fold
          key={look.id}
          className="border-t border-rule/70"
          head={
            <span data-look={look.id}>
              <b className="font-semibold">{nameOf(look.subjectId)}</b>{' '}
              <span className="text-soft">
                {look.what || 'connector'}, {look.date}
              </span>
            </span>
          }
        >
          <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
            <TextField
              label="What was opened"
              value={look.what}
              empty="plug, splice, lug …"
              clears
              onCommit={(what) => put({ ...look, what })}
            />
            <div className="flex flex-wrap gap-x-4">
              <Checkbox checked={look.water} onChange={(water) => put({ ...look, water })}>
                water
              </Checkbox>
              <Checkbox checked={look.corrosion} onChange={(corrosion) => put({ ...look, corrosion })}>
                green or black strands
              </Checkbox>
              <Checkbox checked={look.wetScreen} onChange={(wetScreen) => put({ ...look, wetScreen })}>
                wet shield
              </Checkbox>
              <Checkbox checked={look.renewed === true} onChange={(renewed) => put({ ...look, renewed })}>
                made new since
              </Checkbox>
            </div>
            <QuantityField
              label="Insulation"
              value={look.insulationOhm}
              dimension="resistance"
              system={build.units}
              empty="not measured"
              onCommit={(insulationOhm) => put({ ...look, insulationOhm })}
            />
            <TextField
              label="Photograph"
              value={look.photo}
              empty="name of its file"
              clears
              onCommit={(photo) => put({ ...look, photo })}
            />
            <TextField label="By" value={look.by} empty="who" clears onCommit={(by) => put({ ...look, by })} />
            <p>
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'dropFromHarness', input: { list: 'looks', id: look.id } })}
              >
                Drop this record
              </Action>
            </p>
          </div>
        </Fold>
      ))}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <div className="min-w-[16rem] flex-1">
          <ChoiceField
            label="I inspected one at"
            value={subject}
            empty="choose"
            choices={[...cables, ...hosts]}
            onChoose={setSubject}
          />
        </div>
        <Action
          disabled={subject === null}
          onPress={() => {
            if (subject)
              put({
                id: freshId(),
                subjectId: subject,
                what: '',
                water: false,
                corrosion: false,
                wetScreen: false,
                insulationOhm: null,
                photo: '',
                date: today(),
                by: '',
              });
          }}
        >
          Write it down
        </Action>
      </div>
    </Panel>
  );
}
