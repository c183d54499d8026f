'use client';
import type { Assessment } from '@/core/assess';
import { BATTERY_PRESETS, CHEMISTRY_WORDS, CONVERTER_POWERS, SET_VOLTAGES, WARN_BELOW_V } from '@/core/parts';
import { formatQuantity } from '@/core/quantities';
import { parkedA } from '@/core/simulate';
import { hardest, SCENARIO_WHEN } from '@/core/stations/low-voltage';
import { lowVoltage } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';

/** What feeds the car: the battery and the converter, with what is asked of them. */
export function FeedPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build, vehicle } = assessment;
  const low = lowVoltage(vehicle);
  const results = assessment.results['low-voltage'].schedule;
  const worst = hardest(results);
  const data = low.battery?.data ?? null;
  const system = build.units;
  const preset = data
    ? BATTERY_PRESETS.find(({ data: one }) => one.chemistry === data.chemistry && one.capacityAh === data.capacityAh)
    : undefined;
  return (
    <div className="grid items-start gap-3 min-[1080px]:grid-cols-2">
      <Panel
        title={low.battery?.device.name ?? 'No auxiliary battery'}
        about={
          data ? `${CHEMISTRY_WORDS[data.chemistry]}; warn the driver below ${WARN_BELOW_V[data.chemistry]} V` : ''
        }
      >
        {low.battery && (
          <>
            <ChoiceField
              label="Battery"
              value={preset?.id ?? null}
              empty={data ? `${CHEMISTRY_WORDS[data.chemistry]}, ${data.capacityAh} Ah` : 'choose one'}
              choices={BATTERY_PRESETS.map(({ id, name }) => ({ value: id, label: name }))}
              onChoose={(id) => {
                const found = BATTERY_PRESETS.find((one) => one.id === id);
                if (found && low.battery)
                  dispatch({
                    edit: 'setAuxiliaryBattery',
                    input: { deviceId: low.battery.device.id, battery: found.data },
                  });
              }}
            />
            {data && (
              <QuantityField
                label="Capacity, Ah"
                value={data.capacityAh}
                dimension="count"
                system={system}
                onCommit={(capacityAh) =>
                  low.battery &&
                  dispatch({
                    edit: 'setAuxiliaryBattery',
                    input: { deviceId: low.battery.device.id, battery: { ...data, capacityAh } },
                  })
                }
              />
            )}
            <FigureRow label="Parked, it gives" value={parkedA(vehicle)} dimension="current" system={system} />
          </>
        )}
      </Panel>
      <Panel title={low.converters[0]?.device.name ?? 'No converter'} about={`asked most ${SCENARIO_WHEN[worst.id]}`}>
        {low.converters.map((converter) => (
          <div key={converter.id}>
            <ChoiceField
              label="12-volt side"
              value={String(converter.ratedPowerW)}
              choices={[...new Set([...CONVERTER_POWERS.map(String), String(converter.ratedPowerW)])].map((watts) => ({
                value: watts,
                label: `${watts} W`,
              }))}
              onChoose={(watts) =>
                dispatch({
                  edit: 'setConverter',
                  input: {
                    deviceId: converter.id,
                    converter: { ...converter.device.converter!, ratedPowerW: Number(watts) },
                  },
                })
              }
            />
            <QuantityField
              label="Set to"
              value={converter.outputV}
              dimension="voltage"
              system={system}
              {...(data
                ? { note: `${CHEMISTRY_WORDS[data.chemistry]} wants ${SET_VOLTAGES[data.chemistry][1]} V` }
                : {})}
              onCommit={(outputV) =>
                dispatch({
                  edit: 'setConverter',
                  input: { deviceId: converter.id, converter: { ...converter.device.converter!, outputV } },
                })
              }
            />
            <QuantityField
              label="Hot derating"
              value={converter.device.converter?.hotShare ?? 1}
              dimension="ratio"
              unit="%"
              system={system}
              onCommit={(hotShare) =>
                dispatch({
                  edit: 'setConverter',
                  input: {
                    deviceId: converter.id,
                    converter: { ...converter.device.converter!, hotShare: Math.min(1, Math.max(0, hotShare)) },
                  },
                })
              }
            />
          </div>
        ))}
        <FigureRow label="Average then" value={worst.averageA} dimension="current" system={system} />
        <FigureRow
          label="Everything at once"
          value={Math.max(...results.scenarios.map(({ peakA }) => peakA))}
          dimension="current"
          system={system}
        />
        {low.converters.length > 0 && (
          <p className="mt-1 text-note text-soft">
            From the traction bus on average{' '}
            {
              formatQuantity(
                { value: (worst.averageA * results.atV) / low.converters[0]!.efficiency, dimension: 'power' },
                system,
                3,
              ).text
            }
            .
          </p>
        )}
      </Panel>
    </div>
  );
}
