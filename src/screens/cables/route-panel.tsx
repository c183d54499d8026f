'use client';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { RouteFacts } from '@/core/build';
import { findWayBetween, lowVoltage } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';

const YES_NO: readonly (readonly [keyof RouteFacts, string])[] = [
  ['overBrakeLine', 'It runs over a brake line'],
  ['throughPanel', 'It goes through a panel'],
  ['grommet', 'There is a grommet in the panel'],
  ['cover', 'A cover shields it under the floor'],
  ['moves', 'It moves at its tightest bend'],
];

/** One route in figures: its points, its slack, and what it meets. */
export function RoutePlace({ assessment, id, onGone }: { assessment: Assessment; id: string; onGone: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const [index, setIndex] = useState(0);
  const route = build.routes[id]!;
  const facts = route.facts ?? {};
  const system = build.units;
  const along = [...vehicle.conductors, ...lowVoltage(vehicle).lv.conductors].filter(
    ({ conductor }) => conductor.routeId === id,
  );
  const [first] = along;
  const found = first ? findWayBetween(build, first.conductor.a.deviceId, first.conductor.b.deviceId) : null;
  const at = Math.min(index, route.waypoints.length - 1);
  const point = route.waypoints[at];
  const bend = (part: Partial<NonNullable<typeof point>>) =>
    point && dispatch({ edit: 'setWaypoint', input: { routeId: id, index: at, point: { ...point, ...part } } });
  const set = (part: RouteFacts) => dispatch({ edit: 'setRoute', input: { routeId: id, facts: part } });
  return (
    <Panel title={route.name} about={along.map(({ conductor }) => conductor.name).join(', ')} onClose={onGone}>
      <div className="grid gap-x-8 min-[560px]:grid-cols-2 min-[1080px]:grid-cols-3">
        <div>
          <ChoiceField
            label="Point"
            value={point ? String(at) : null}
            empty="no points between its ends"
            choices={route.waypoints.map((_, k) => ({
              value: String(k),
              label: `${k + 1} of ${route.waypoints.length}`,
            }))}
            onChoose={(value) => setIndex(Number(value))}
          />
          {point && (
            <>
              <QuantityField
                label="Behind the front axle"
                value={point.xM}
                dimension="length"
                system={system}
                step={0.01}
                onCommit={(xM) => bend({ xM })}
              />
              <QuantityField
                label="Left of the middle"
                value={point.yM}
                dimension="length"
                system={system}
                step={0.01}
                onCommit={(yM) => bend({ yM })}
              />
              <QuantityField
                label="Above the ground"
                value={point.zM}
                dimension="length"
                system={system}
                step={0.01}
                onCommit={(zM) => bend({ zM })}
              />
            </>
          )}
          <div className="mt-2 flex flex-wrap gap-2">
            <Action
              onPress={() =>
                dispatch({
                  edit: 'setWaypoint',
                  input: {
                    routeId: id,
                    index: at + 1,
                    insert: true,
                    point: point ? { ...point, xM: point.xM + 0.1 } : { xM: 1, yM: 0, zM: 0.5 },
                  },
                }) && setIndex(at + 1)
              }
            >
              One more point
            </Action>
            {found && found.passages.length > 0 && (
              <Action onPress={() => dispatch({ edit: 'setWay', input: { routeId: id, waypoints: found.points } })}>
                Through {found.passages.map(({ name }) => name).join(', ')}
              </Action>
            )}
            {point && (
              <Action
                look="quiet"
                onPress={() => dispatch({ edit: 'setWaypoint', input: { routeId: id, index: at, point: null } })}
              >
                Take it out
              </Action>
            )}
          </div>
        </div>
        <div>
          <QuantityField
            label="Slack, rises, bends"
            value={route.slackM}
            dimension="length"
            system={system}
            onCommit={(slackM) => dispatch({ edit: 'setRoute', input: { routeId: id, slackM } })}
          />
          <QuantityField
            label="Measured along the route"
            value={route.measuredLengthM}
            dimension="length"
            system={system}
            empty="not yet"
            note={
              route.measuredLengthM === null
                ? 'the points give the length'
                : 'wins over the points; empty it to go back'
            }
            onCommit={(measuredLengthM) => dispatch({ edit: 'setRoute', input: { routeId: id, measuredLengthM } })}
            onClear={() => dispatch({ edit: 'setRoute', input: { routeId: id, measuredLengthM: null } })}
          />
          <QuantityField
            label="Tightest bend, radius"
            value={facts.tightestBendM ?? null}
            dimension="length"
            system={system}
            empty="from the points"
            onCommit={(tightestBendM) => set({ tightestBendM })}
          />
          <QuantityField
            label="Signal wires run beside, at"
            value={facts.signalDistanceM ?? null}
            dimension="length"
            system={system}
            empty="not looked at"
            onCommit={(signalDistanceM) => set({ signalDistanceM })}
          />
        </div>
        <div>
          {YES_NO.map(([key, label]) => (
            <ChoiceField
              key={key}
              label={label}
              value={facts[key] === undefined ? null : facts[key] ? 'yes' : 'no'}
              empty="not looked at"
              choices={[
                { value: 'yes', label: 'yes' },
                { value: 'no', label: 'no' },
              ]}
              onChoose={(value) => set({ [key]: value === 'yes' })}
            />
          ))}
          <ChoiceField
            label="Its shield is earthed"
            value={facts.shieldEarthed ?? null}
            empty="not looked at"
            choices={[
              { value: 'both', label: 'at both ends' },
              { value: 'one', label: 'at one end' },
              { value: 'none', label: 'nowhere' },
            ]}
            onChoose={(value) => set({ shieldEarthed: value as 'both' })}
          />
          <ChoiceField
            label="Lies"
            value={route.laid.conduit ? 'conduit' : 'bare'}
            choices={[
              { value: 'bare', label: 'in the open' },
              { value: 'conduit', label: 'in conduit' },
            ]}
            onChoose={(value) =>
              dispatch({ edit: 'setRoute', input: { routeId: id, laid: { conduit: value === 'conduit' } } })
            }
          />
          <ChoiceField
            label="Zone"
            value={route.laid.zoneId}
            choices={Object.values(build.zones).map((zone) => ({ value: zone.id, label: zone.name }))}
            onChoose={(zoneId) => dispatch({ edit: 'setRoute', input: { routeId: id, laid: { zoneId } } })}
          />
        </div>
      </div>
      <div className="mt-2">
        <Action
          look="quiet"
          onPress={() =>
            dispatch({
              edit: 'dropRoute',
              input: {
                routeId: id,
                lengths: Object.fromEntries(
                  along.flatMap((one) =>
                    one.lengthM === null ? [] : [[one.id, Math.round(one.lengthM * 1000) / 1000]],
                  ),
                ),
              },
            }) && onGone()
          }
        >
          Take this route away; its cables keep their lengths
        </Action>
      </div>
    </Panel>
  );
}
