'use client';
import type { Device, TrailerLink } from '@/core/build';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Caution } from '@/ui/panel';
import { YesNo } from '../shell/yes-no';

const JOINED: readonly { readonly value: NonNullable<TrailerLink['joined']>; readonly label: string }[] = [
  { value: 'dead', label: 'with both sides dead' },
  { value: 'watched', label: 'watched till both sides are equal' },
  { value: 'live', label: 'live' },
];

/** Whether a box is carried or pulled, and how the trailer’s pack is joined. */
export function TrailerFields({ box: { id, trailer } }: { box: Device }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const set = (next: TrailerLink | null) => dispatch({ edit: 'setTrailer', input: { deviceId: id, trailer: next } });
  return (
    <>
      <ChoiceField
        label="Stands"
        value={trailer ? 'trailer' : 'vehicle'}
        choices={[
          { value: 'vehicle', label: 'in the vehicle' },
          { value: 'trailer', label: 'on a trailer' },
        ]}
        onChoose={(where) => set(where === 'trailer' ? (trailer ?? {}) : null)}
      />
      {trailer && (
        <>
          <ChoiceField
            label="Joined"
            value={trailer.joined ?? null}
            empty="not entered"
            choices={[...JOINED]}
            onChoose={(joined) => set({ ...trailer, joined: joined as 'dead' })}
          />
          <YesNo
            label="Plug opens the contactors before its power contacts part"
            value={trailer.interlock}
            onAnswer={(interlock) => set({ ...trailer, interlock })}
          />
          <YesNo
            label="Cable of fine strands, hangs free"
            value={trailer.flexes}
            onAnswer={(flexes) => set({ ...trailer, flexes })}
          />
          <YesNo
            label="Torn off: no live end, and its brake is pulled"
            value={trailer.breakAway}
            onAnswer={(breakAway) => set({ ...trailer, breakAway })}
          />
          <div className="mt-2">
            <Caution>
              Never push two packs of different voltage together by hand: join them dead, or through a resistor that is
              watched. Pack, Joining says how far apart they may be.
            </Caution>
          </div>
        </>
      )}
    </>
  );
}
