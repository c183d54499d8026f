'use client';
import type { Build, PassageKind, Point } from '@/core/build';
import { passagesOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';

const KINDS: readonly { readonly value: PassageKind; readonly label: string }[] = [
  { value: 'grommet', label: 'a hole with a grommet' },
  { value: 'hole', label: 'a bare hole' },
  { value: 'tunnel', label: 'an open path, no panel' },
];

/** A new passage between two zones, to be dragged to its place. */
export function NewPassage({ build, onMade }: { build: Build; onMade: (id: string) => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [fromId, toId] = Object.keys(build.zones);
  if (!fromId || !toId) return null;
  return (
    <TextField
      label="A new cable duct, called"
      value=""
      makes
      empty="type its name"
      onCommit={(name) => {
        const id = freshId();
        const at = { xM: 0.6, yM: 0, zM: 0.6 };
        if (dispatch({ edit: 'addPassage', input: { id, name, kind: 'grommet', at, zoneIds: [fromId, toId] } }))
          onMade(id);
      }}
    />
  );
}

/** One passage in figures: what it is, where, and between which zones. */
export function PassagePlace({ build, id, onGone }: { build: Build; id: string; onGone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const passage = build.passages![id]!;
  const [one, two] = passage.zoneIds;
  const zones = Object.values(build.zones).map((zone) => ({ value: zone.id, label: zone.name }));
  const users = Object.values(build.routes).filter((route) =>
    passagesOf(build, route).some((other) => other.id === id),
  );
  const put = (part: Partial<Point>) =>
    dispatch({ edit: 'setPassage', input: { passageId: id, at: { ...passage.at, ...part } } });
  const axis = (label: string, key: keyof Point) => (
    <QuantityField
      label={label}
      value={passage.at[key]}
      dimension="length"
      system={build.units}
      step={0.01}
      onCommit={(value) => put({ [key]: value })}
    />
  );
  return (
    <Panel
      title={passage.name}
      onClose={onGone}
      about={
        users.length === 0
          ? 'no route goes through it'
          : `${users.map(({ name }) => name).join(', ')} ${users.length === 1 ? 'goes' : 'go'} through it`
      }
    >
      <div className="grid gap-x-8 min-[560px]:grid-cols-2 min-[1080px]:grid-cols-3">
        <div>
          <TextField
            label="Name"
            value={passage.name}
            onCommit={(name) => dispatch({ edit: 'setPassage', input: { passageId: id, name } })}
          />
          <ChoiceField
            label="It is"
            value={passage.kind}
            choices={[...KINDS]}
            onChoose={(kind) => dispatch({ edit: 'setPassage', input: { passageId: id, kind: kind as PassageKind } })}
          />
        </div>
        <div>
          {axis('Behind the front axle', 'xM')}
          {axis('Left of the middle', 'yM')}
          {axis('Above the ground', 'zM')}
        </div>
        <div>
          <ChoiceField
            label="From"
            value={one}
            choices={zones}
            onChoose={(zoneId) => dispatch({ edit: 'setPassage', input: { passageId: id, zoneIds: [zoneId, two] } })}
          />
          <ChoiceField
            label="Into"
            value={two}
            choices={zones}
            onChoose={(zoneId) => dispatch({ edit: 'setPassage', input: { passageId: id, zoneIds: [one, zoneId] } })}
          />
          <div className="mt-2">
            <Action
              look="quiet"
              onPress={() => dispatch({ edit: 'dropPassage', input: { passageId: id } }) && onGone()}
            >
              Close it; routes keep their points
            </Action>
          </div>
        </div>
      </div>
    </Panel>
  );
}
