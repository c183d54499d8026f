'use client';
import type { Assessment } from '@/core/assess';
import { EXPOSURES, type Exposure, type Extent, INGRESS } from '@/core/build';
import { extentOf } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';

const EXPOSURE_WORDS: Readonly<Record<Exposure, string>> = {
  heat: 'heat',
  water: 'water',
  stones: 'stones',
  feet: 'feet',
  cargo: 'cargo',
  'side-impact': 'side impact',
};

/** Zones: the hottest air that stays there, and what gets at things. */
export function PlacesPanel({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  return (
    <Panel title="Places" about="hottest air that stays there, and what gets at things" className="mt-3">
      <div className="grid gap-x-8 gap-y-2 min-[700px]:grid-cols-2 min-[1180px]:grid-cols-3">
        {Object.values(build.zones).map((zone) => (
          <div key={zone.id}>
            <QuantityField
              label={zone.name}
              value={zone.ambientC}
              dimension="temperature"
              system={build.units}
              onCommit={(ambientC) => dispatch({ edit: 'setZone', input: { zoneId: zone.id, ambientC } })}
            />
            <TextField
              label="things there need"
              value={zone.ingress ?? ''}
              empty="nothing told"
              refuse={(text) => (INGRESS.test(text) ? null : 'Write it as IP67: IP and two digits.')}
              onCommit={(ingress) => dispatch({ edit: 'setZone', input: { zoneId: zone.id, ingress } })}
            />
            <div className="mt-1 flex flex-wrap gap-1">
              {EXPOSURES.map((one) => {
                const on = zone.exposure?.includes(one) === true;
                return (
                  <button
                    key={one}
                    type="button"
                    aria-pressed={on}
                    onClick={() =>
                      dispatch({
                        edit: 'setZone',
                        input: {
                          zoneId: zone.id,
                          exposure: on
                            ? (zone.exposure ?? []).filter((other) => other !== one)
                            : [...(zone.exposure ?? []), one],
                        },
                      })
                    }
                    className={`rounded-[3px] px-1.5 py-0.5 text-note ${on ? 'bg-strong text-strong-ink' : 'text-soft'}`}
                  >
                    {EXPOSURE_WORDS[one]}
                  </button>
                );
              })}
            </div>
            <Block assessment={assessment} zoneId={zone.id} />
          </div>
        ))}
      </div>
      <div className="mt-2 max-w-[420px]">
        <TextField
          label="One more place, called"
          value=""
          makes
          empty="type its name"
          onCommit={(name) =>
            dispatch({
              edit: 'addZone',
              input: {
                zoneId: freshId(),
                name,
                ambientC: 50,
                extent: { x0M: 0.6, x1M: 1.8, y0M: -0.15, y1M: 0.15, z0M: 0.2, z1M: 0.5 },
              },
            })
          }
        />
      </div>
    </Panel>
  );
}

const EDGES: readonly (readonly [keyof Extent, string])[] = [
  ['x0M', 'begins behind the front axle'],
  ['x1M', 'ends behind it'],
  ['y0M', 'from the middle, right'],
  ['y1M', 'to the left'],
  ['z0M', 'from the ground'],
  ['z1M', 'up to'],
];

/** The block of the vehicle that a place is. */
function Block({ assessment, zoneId }: { assessment: Assessment; zoneId: string }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const extent = extentOf(build, zoneId);
  const own = build.zones[zoneId]?.extent !== undefined;
  return (
    <Fold className="mt-1" head={own ? 'its own block' : extent ? 'where such a place usually is' : 'not on the plan'}>
      {extent &&
        EDGES.map(([edge, label]) => (
          <QuantityField
            key={edge}
            label={label}
            value={extent[edge]}
            dimension="length"
            system={build.units}
            step={0.01}
            onCommit={(value) =>
              dispatch({ edit: 'setExtent', input: { zoneId, extent: { ...extent, [edge]: value } } })
            }
          />
        ))}
      <Action look="quiet" onPress={() => dispatch({ edit: 'dropZone', input: { zoneId } })}>
        Take this place away
      </Action>
    </Fold>
  );
}
