import type { ScenarioId, StateId } from '../build';
import { type AuxiliaryLoad, averageCurrentA } from '../physics/auxiliary';
import { closedIn, type LowLoad, lowVoltage, runningIn, solveLow, stateOf, type Vehicle } from '../vehicle';

/** Voltage that a schedule is made at where no converter tells its own. */
export const SCHEDULE_V = 13.8;

/** A load as the schedule counts it. */
export const scheduled = ({ name, load }: LowLoad, scenario: ScenarioId): AuxiliaryLoad => ({
  name,
  kind: load.kind,
  rating: load.rating,
  referenceVoltageV: load.referenceVoltageV ?? SCHEDULE_V,
  duty: load.use[scenario] ?? 0,
  peakRating: load.peakRating ?? null,
  essential: load.essential,
});

/** Coils of the contactors that a state holds in, as one load, A. */
export function coilsA(vehicle: Vehicle, voltageV: number, state: StateId = 'cruise'): number {
  const held = closedIn(vehicle, stateOf(state));
  return vehicle.devices.reduce(
    (sum, { id, part }) =>
      held.has(id) && part?.kind === 'contactor' ? sum + (part.coilPowerW * voltageV) / part.coilVoltageV ** 2 : sum,
    0,
  );
}

/** What the 12-volt side draws on average while it charges, coils that are held then included, A. */
export const chargingA = (vehicle: Vehicle): number =>
  averageCurrentA(
    lowVoltage(vehicle).loads.map((load) => scheduled(load, 'charging')),
    SCHEDULE_V,
  ) + coilsA(vehicle, SCHEDULE_V, 'charging');

/** Current of a parked car from its battery, A: from the network, with what runs a share of the time by its share. Null: it has no solution. */
export function parkedA(vehicle: Vehicle): number | null {
  const low = lowVoltage(vehicle);
  const running = runningIn(low, 'parked');
  const one = solveLow(vehicle, { running, converters: false, socBattery: 0.75, batteryC: 25, awake: false });
  if (!one.solved) return null;
  return low.loads.reduce(
    (sum, { id, load }) => sum + (one.loadV(id) > 1 ? Math.abs(one.currentA(id)) * (load.use.parked ?? 0) : 0),
    0,
  );
}
