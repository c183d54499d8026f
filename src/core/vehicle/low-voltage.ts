import type { Id, LvLoad, ScenarioId } from '../build';
import { UNKNOWN_AMBIENT_C } from './assumed';
import { lowReads, lowWiringReads } from './low-reads';
import type { Converter, LowLoad, LowVoltage, Running } from './low-types';
import { Follows, Recent, room, settles } from './memory';
import { type Resolved, resolve } from './resolve';

const kept = room(() => new Recent<LowVoltage>(8));

/** The 12-volt side of a build; battery null when there is none. The same object while nothing that it reads has changed. */
export const lowVoltage = settles(
  'lowVoltage',
  (vehicle: Resolved): LowVoltage => vehicle.memory.of(kept).get(lowReads(vehicle), () => makeLow(vehicle)),
);

/** Stands for wires, fuses and sources of the 12-volt side: the same object while none of them changed, whatever the loads draw. */
export interface LowWiring {
  readonly lv: Resolved;
}
const wirings = room(() => new Recent<LowWiring>(4));
export const lowWiring = settles('lowWiring', (vehicle: Resolved): LowWiring => {
  const { lv } = lowVoltage(vehicle);
  return vehicle.memory.of(wirings).get(lowWiringReads(vehicle), () => ({ lv }));
});

function makeLow(vehicle: Resolved): LowVoltage {
  const lv = resolve(vehicle.build, 'lv', vehicle.memory);
  const battery = lv.devices.find(({ device }) => device.kind === 'auxiliary-battery')?.device;
  return {
    lv,
    battery: battery ? { device: battery, data: battery.battery ?? null } : null,
    converters: vehicle.devices.flatMap(({ id, device }): Converter[] => {
      if (!device.converter) return [];
      const { outputV, ratedPowerW, efficiency, hotShare } = device.converter;
      return [{ id, device, outputV, ratedPowerW, efficiency, powerW: ratedPowerW * (hotShare ?? HOT_SHARE) }];
    }),
    loads: lv.devices.flatMap(({ id, device }): LowLoad[] =>
      device.kind === 'lv-load' && device.load ? [{ id, name: device.name, load: withPeak(device.load) }] : [],
    ),
  };
}

/** How warm it is where the fuses of the 12-volt side stand, at the warmest, °C; as anywhere unknown while none has a place. */
export function fusesAtC(vehicle: Resolved): number {
  const placed = lowVoltage(vehicle).lv.devices.filter(({ device }) => device.kind === 'lv-fuse' && device.place);
  return placed.length > 0 ? Math.max(...placed.map(({ ambientC }) => ambientC)) : UNKNOWN_AMBIENT_C;
}

/** What a hot converter still gives where its sheet does not tell (generic). */
export const HOT_SHARE = 0.8;
/** A motor starts or stalls with so much of its current where nobody told it (generic). */
const MOTOR_PEAK = 3;
/** Peaks come with their load, so that one load is the same object as long as it is told the same. */
const peaks = new Follows<LvLoad, LvLoad>();
function withPeak(load: LvLoad): LvLoad {
  if (load.sort !== 'motor' || load.peakRating !== undefined) return load;
  return peaks.get(load, () => ({ ...load, peakRating: MOTOR_PEAK * load.rating }));
}

/** What runs in a scenario, each as long as it does: on where it runs at all, at its hardest where it has a peak and that is asked. */
export function runningIn(low: LowVoltage, scenario: ScenarioId, hardest = false): ReadonlyMap<Id, Running> {
  return new Map(
    low.loads.map(({ id, load }) => [
      id,
      (load.use[scenario] ?? 0) <= 0 ? 'off' : hardest && load.peakRating !== undefined ? 'peak' : 'on',
    ]),
  );
}
