'use client';
import type { Assessment } from '@/core/assess';
import type { ChargerPlug, Charging } from '@/core/build';
import { chargersOf } from '@/core/simulate';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { YesNo } from '../shell/yes-no';

/** How each charger meets the car, and what keeps it from driving off meanwhile. */
export function PlugPanel({ assessment: { vehicle, build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { charging = {} } = build;
  return (
    <Panel title="Plugged in" about="it can’t drive off, and an empty plug is dead">
      <ChoiceField
        label="Driving and charging"
        value={charging.apart ?? null}
        empty="not entered"
        choices={[
          { value: 'one-bus', label: 'on one bus' },
          { value: 'own-contactors', label: 'contactors of their own' },
          { value: 'changeover', label: 'a run/charge switch' },
        ]}
        onChoose={(apart) =>
          dispatch({ edit: 'setCharging', input: { apart: apart as NonNullable<Charging['apart']> } })
        }
      />
      {charging.apart === 'own-contactors' ? (
        <YesNo
          label="They exclude each other by hardware"
          value={charging.excluded}
          onAnswer={(excluded) => dispatch({ edit: 'setCharging', input: { excluded } })}
        />
      ) : (
        charging.apart !== 'changeover' && (
          <YesNo
            label="The plug blocks torque by hardware"
            value={charging.torqueBlocked}
            onAnswer={(torqueBlocked) => dispatch({ edit: 'setCharging', input: { torqueBlocked } })}
          />
        )
      )}
      {chargersOf(vehicle).map(({ id, device: { name, plug = {} } }) => {
        const set = (input: ChargerPlug) => dispatch({ edit: 'setPlug', input: { deviceId: id, ...input } });
        return (
          <section key={id} aria-label={name} className="mt-2">
            <h3 className="font-semibold">{name}</h3>
            <ChoiceField
              label="It stands"
              value={plug.outside === undefined ? null : plug.outside ? 'outside' : 'on-board'}
              empty="not entered"
              choices={[
                { value: 'on-board', label: 'on board' },
                { value: 'outside', label: 'outside, DC plug' },
              ]}
              onChoose={(value) => set({ outside: value === 'outside' })}
            />
            <ChoiceField
              label="Plugged in is seen by"
              value={plug.seenBy ?? null}
              empty="not entered"
              choices={[
                { value: 'proximity', label: 'the proximity contact' },
                { value: 'own-contact', label: 'a contact of its own' },
                { value: 'nothing', label: 'nothing' },
              ]}
              onChoose={(seenBy) => set({ seenBy: seenBy as NonNullable<ChargerPlug['seenBy']> })}
            />
            {plug.outside && (
              <YesNo label="It goes in one way only" value={plug.keyed} onAnswer={(keyed) => set({ keyed })} />
            )}
          </section>
        );
      })}
    </Panel>
  );
}
