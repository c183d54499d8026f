'use client';
import type { Assessment } from '@/core/assess';
import { useBench } from '@/store/bench';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { FigureSetting } from '../shell/figure-setting';
import { YesNo } from '../shell/yes-no';

/** Cold cells: how cold they get, from when on they are charged, and which heaters warm them. */
export function WarmPanel({ assessment: { vehicle, build } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const heaters = vehicle.devices.filter(({ device }) => device.kind === 'heater');
  return (
    <Panel title="Cold cells" about="a pad on the bus that runs while it charges">
      <FigureSetting build={build} figure="coldestCell" />
      <FigureSetting build={build} figure="cellChargeFrom" />
      {heaters.length === 0 && <p className="mt-1 text-soft">No heater hangs on the bus.</p>}
      {heaters.map(({ id, device }) => (
        <section key={id} aria-label={device.name} className="mt-2">
          <h3 className="font-semibold">{device.name}</h3>
          <YesNo
            label="Warms the cells"
            value={device.warmsCells}
            onAnswer={(is) => dispatch({ edit: 'setWarmsCells', input: { deviceId: id, is } })}
          />
          {device.warmsCells && (
            <QuantityField
              label="Draws while it charges"
              dimension="power"
              system={build.units}
              value={device.powersW?.charging ?? null}
              empty="not entered"
              onCommit={(powerW) =>
                dispatch({ edit: 'setDevicePower', input: { deviceId: id, state: 'charging', powerW } })
              }
            />
          )}
        </section>
      ))}
    </Panel>
  );
}
