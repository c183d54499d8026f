'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { FigureSetting } from '../shell/figure-setting';

const WarmthChart = dynamic(() => import('./warmth-chart'), {
  ssr: false,
  loading: () => <div className="h-[210px]" />,
});

const OVER = [
  { value: 'night', label: 'a cold night, plugged in' },
  { value: 'climb', label: 'a long climb on the hottest day' },
  { value: 'charge', label: 'a charge on the hottest day' },
] as const;

/** The cells' temperature where it gets hard, with what warms or cools them and without. */
export function WarmthPanel({ assessment: { build, results, vehicle } }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [over, setOver] = useState<(typeof OVER)[number]['value']>('night');
  const found = results.bms.warmth[over];
  const compressors = vehicle.devices.filter(({ device }) => device.kind === 'compressor');
  const { units } = build;
  return (
    <Panel title="The cells’ temperature" about="all of them as one lump">
      <ChoiceField label="Over" value={over} choices={[...OVER]} onChoose={(value) => setOver(value as 'night')} />
      {found ? (
        <>
          <WarmthChart found={found} limitC={'limitC' in found ? (found.limitC as number) : null} system={units} />
          <FigureRow label="At the end, left alone" value={found.aloneC} dimension="temperature" system={units} />
          {found.helpW !== 0 && (
            <>
              <FigureRow
                label={found.helpW > 0 ? '… with the pad' : '… with the chiller'}
                value={found.helpedC}
                dimension="temperature"
                system={units}
              />
              <FigureRow
                label={found.helpW > 0 ? 'The pad takes' : 'Heat taken out'}
                value={found.helpJ}
                dimension="energy"
                system={units}
              />
            </>
          )}
          {found.heatW > 0 && (
            <FigureRow label="Heat of the cells" value={found.heatW} dimension="power" system={units} />
          )}
        </>
      ) : (
        <p className="mt-1 text-soft">That can’t be worked out yet: its current is not known.</p>
      )}
      <FigureSetting build={build} figure="coldestDay" />
      <FigureSetting build={build} figure="hottestDay" />
      {compressors.map(({ id, device }) => (
        <section key={id} aria-label={device.name} className="mt-2">
          <h3 className="font-semibold">{device.name}</h3>
          <QuantityField
            label="Takes out of the cells"
            dimension="power"
            system={units}
            value={device.coolsCellsW ?? null}
            empty="nothing"
            onCommit={(powerW) => dispatch({ edit: 'setCoolsCells', input: { deviceId: id, powerW } })}
            onClear={() => dispatch({ edit: 'setCoolsCells', input: { deviceId: id, powerW: null } })}
          />
          {(['hill', 'charging'] as const).map((state) => (
            <QuantityField
              key={state}
              label={state === 'hill' ? 'Draws on the hill' : 'Draws while it charges'}
              dimension="power"
              system={units}
              value={device.powersW?.[state] ?? null}
              empty="off"
              onCommit={(powerW) => dispatch({ edit: 'setDevicePower', input: { deviceId: id, state, powerW } })}
            />
          ))}
        </section>
      ))}
      {compressors.length === 0 && (
        <p className="mt-1 text-soft">No compressor hangs on the bus: nothing cools the cells.</p>
      )}
    </Panel>
  );
}
