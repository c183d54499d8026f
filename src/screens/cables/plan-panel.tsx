'use client';
import type { Assessment } from '@/core/assess';
import { findConductor, findDevice, INGRESS } from '@/core/build';
import { findWay, findWayBetween, outletOf, sizeOf, usualPlaces, withoutPlace, zoneAt } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { TextField } from '@/ui/text-field';
import { canStand, looseLooms, unrouted } from './derive-plan';
import { NewPassage, PassagePlace } from './passage-panel';
import type { Picked } from './plan-drawing';
import { RoutePlace } from './route-panel';

/** What is picked on the plan, in figures. */
export function PlanPanel({
  assessment,
  picked,
  onPick,
}: {
  assessment: Assessment;
  picked: Picked;
  onPick: (picked: Picked) => void;
}) {
  if (picked?.kind === 'device' && findDevice(assessment.build, picked.id))
    return <DevicePlace assessment={assessment} id={picked.id} onClose={() => onPick(null)} />;
  if (picked?.kind === 'route' && assessment.build.routes[picked.id])
    return <RoutePlace assessment={assessment} id={picked.id} onGone={() => onPick(null)} />;
  if (picked?.kind === 'passage' && assessment.build.passages?.[picked.id])
    return <PassagePlace build={assessment.build} id={picked.id} onGone={() => onPick(null)} />;
  return <Nothing assessment={assessment} onPick={onPick} />;
}

function Nothing({ assessment, onPick }: { assessment: Assessment; onPick: (picked: Picked) => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const lay = unrouted(vehicle, build);
  const unplaced = [...Object.values(build.circuits.hv.devices), ...Object.values(build.circuits.lv.devices)].filter(
    (device) => device.place === null && canStand(device),
  );
  const loose = looseLooms(vehicle, build);
  const homeless = withoutPlace(build).length;
  return (
    <Panel title="On the plan" about="drag things, or choose one and use the arrow keys; Shift moves ten times as far">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Lay a cable"
          value={null}
          empty={lay.length === 0 ? 'none has two placed ends' : 'choose one to give it a route'}
          choices={lay.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => {
            const conductor = findConductor(build, id);
            if (!conductor) return;
            const ends = [conductor.a, conductor.b].map(({ deviceId }) => {
              const device = findDevice(build, deviceId);
              return device ? outletOf(device) : null;
            });
            const [from, to] = ends;
            if (!from || !to) return;
            const middle = { xM: (from.xM + to.xM) / 2, yM: (from.yM + to.yM) / 2, zM: Math.min(from.zM, to.zM) };
            const found = findWay(build, from, to);
            const routeId = freshId();
            const zoneId = zoneAt(build, middle) ?? Object.keys(build.zones)[0]!;
            const done = dispatch({
              edit: 'layRoute',
              input: {
                routeId,
                name: `Route of ${conductor.name}`,
                conductorIds: [id],
                // Through passages where there are any; else one point to bend it by.
                waypoints: found && found.points.length > 0 ? found.points : [middle],
                laid: conductor.laid ?? { zoneId, arrangement: 'single', loadedCircuits: 1, conduit: false },
                slackM: 0.1,
              },
            });
            if (done) onPick({ kind: 'route', id: routeId });
          }}
        />
        <ChoiceField
          label="Place a device"
          value={null}
          empty={unplaced.length === 0 ? 'all have a place' : 'choose one'}
          choices={unplaced.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => {
            const at = { xM: 0.3, yM: 0, zM: 0.7 };
            const zoneId = zoneAt(build, at) ?? Object.keys(build.zones)[0]!;
            if (dispatch({ edit: 'placeDevice', input: { deviceId: id, ...at, zoneId } }))
              onPick({ kind: 'device', id });
          }}
        />
        {loose.length > 0 && (
          <ChoiceField
            label="Give a loom its route"
            value={null}
            empty="choose one"
            choices={loose.map(({ id, name }) => ({ value: id, label: name }))}
            onChoose={(id) => {
              const { ends } = loose.find((one) => one.id === id)!;
              const found = findWayBetween(build, ...ends);
              if (dispatch({ edit: 'setWay', input: { routeId: id, waypoints: found?.points ?? [] } }))
                onPick({ kind: 'route', id });
            }}
          />
        )}
        {homeless > 0 && (
          <div className="py-1">
            <Action onPress={() => dispatch({ edit: 'placeDevices', input: { places: usualPlaces(build) } })}>
              Auto-place {homeless} parts
            </Action>
            <p className="mt-1 text-note text-soft">
              A beginning: drag each to its true place. Axle loads name what nobody has moved as assumed.
            </p>
          </div>
        )}
        <NewPassage build={build} onMade={(id) => onPick({ kind: 'passage', id })} />
      </div>
    </Panel>
  );
}

function DevicePlace({ assessment, id, onClose }: { assessment: Assessment; id: string; onClose: () => void }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const device = findDevice(build, id)!;
  const { place } = device;
  const system = build.units;
  const size = sizeOf(device);
  const put = (part: { xM?: number; yM?: number; zM?: number; zoneId?: string }) => {
    const at = { xM: place?.xM ?? 0.3, yM: place?.yM ?? 0, zM: place?.zM ?? 0.6, ...part };
    const zoneId = part.zoneId ?? zoneAt(build, at) ?? place?.zoneId ?? Object.keys(build.zones)[0]!;
    dispatch({ edit: 'placeDevice', input: { deviceId: id, xM: at.xM, yM: at.yM, zM: at.zM, zoneId } });
  };
  const measure = (part: Partial<typeof size>) =>
    dispatch({ edit: 'setSize', input: { deviceId: id, sizeM: { ...size, ...part } } });
  const boxes = Object.values(build.circuits.hv.devices).filter((one) => one.kind === 'box' && one.id !== id);
  return (
    <Panel
      title={device.name}
      about={device.sizeM ? 'measures as told' : 'measures assumed for its kind'}
      onClose={onClose}
    >
      <div className="grid gap-x-8 min-[560px]:grid-cols-2 min-[1080px]:grid-cols-3">
        <div>
          <QuantityField
            label="Behind the front axle"
            value={place?.xM ?? null}
            dimension="length"
            system={system}
            step={0.01}
            onCommit={(xM) => put({ xM })}
          />
          <QuantityField
            label="Left of the middle"
            value={place?.yM ?? null}
            dimension="length"
            system={system}
            step={0.01}
            onCommit={(yM) => put({ yM })}
          />
          <QuantityField
            label="Above the ground"
            value={place?.zM ?? null}
            dimension="length"
            system={system}
            step={0.01}
            onCommit={(zM) => put({ zM })}
          />
        </div>
        <div>
          <QuantityField
            label="Long"
            value={size.lengthM}
            dimension="length"
            system={system}
            onCommit={(lengthM) => measure({ lengthM })}
          />
          <QuantityField
            label="Wide"
            value={size.widthM}
            dimension="length"
            system={system}
            onCommit={(widthM) => measure({ widthM })}
          />
          <QuantityField
            label="High"
            value={size.heightM}
            dimension="length"
            system={system}
            onCommit={(heightM) => measure({ heightM })}
          />
        </div>
        <div>
          <ChoiceField
            label="Zone"
            value={place?.zoneId ?? null}
            choices={Object.values(build.zones).map((zone) => ({ value: zone.id, label: zone.name }))}
            onChoose={(zoneId) => put({ zoneId })}
          />
          <TextField
            label="Protection class"
            value={device.ingress ?? ''}
            empty={
              build.zones[place?.zoneId ?? '']?.ingress
                ? `${build.zones[place!.zoneId]!.ingress} is needed`
                : 'as on its plate: IP67'
            }
            refuse={(text) => (INGRESS.test(text) ? null : 'Write it as IP67, or IP66/IP67 where both were tested.')}
            onCommit={(ingress) => dispatch({ edit: 'setIngress', input: { deviceId: id, ingress } })}
          />
          {boxes.length > 0 && device.kind !== 'box' && (
            <ChoiceField
              label="Sits in"
              value={device.insideId ?? ''}
              choices={[{ value: '', label: 'nothing' }, ...boxes.map((box) => ({ value: box.id, label: box.name }))]}
              onChoose={(boxId) => dispatch({ edit: 'putInside', input: { deviceId: id, boxId: boxId || null } })}
            />
          )}
        </div>
      </div>
    </Panel>
  );
}
