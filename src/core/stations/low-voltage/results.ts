import { SCENARIOS, type ScenarioId } from '../../build';
import { averageCurrentA, coincidentPeakA, loadCurrentA } from '../../physics/auxiliary';
import { coilsA, SCHEDULE_V, scheduled } from '../../simulate';
import { lowVoltage, type Vehicle } from '../../vehicle';

/** One scenario of the schedule. */
export interface ScenarioRow {
  readonly id: ScenarioId;
  readonly averageA: number;
  readonly peakA: number;
}

export interface LoadRow {
  readonly id: string;
  readonly name: string;
  readonly onA: number;
  readonly peakA: number;
  readonly averageA: Readonly<Record<ScenarioId, number>>;
  readonly essential: boolean;
}

export interface LowResults {
  readonly loads: readonly LoadRow[];
  readonly scenarios: readonly ScenarioRow[];
  /** Voltage that the schedule is made at. */
  readonly atV: number;
}

/** The load schedule: what each load draws, and each scenario on average and at its worst. */
export function lowResults(vehicle: Vehicle): LowResults {
  const low = lowVoltage(vehicle);
  const atV = low.converters[0]?.outputV ?? SCHEDULE_V;
  const loads = low.loads.map((entry): LoadRow => {
    const one = scheduled(entry, 'day');
    return {
      id: entry.id,
      name: entry.name,
      onA: loadCurrentA(one, one.rating, atV),
      peakA: Math.max(loadCurrentA(one, one.peakRating ?? 0, atV), loadCurrentA(one, one.rating, atV)),
      averageA: Object.fromEntries(SCENARIOS.map((id) => [id, averageCurrentA([scheduled(entry, id)], atV)])) as Record<
        ScenarioId,
        number
      >,
      essential: entry.load.essential,
    };
  });
  const scenarios = SCENARIOS.map((id): ScenarioRow => {
    const list = low.loads.map((entry) => scheduled(entry, id));
    const coils = id === 'parked' ? 0 : coilsA(vehicle, atV);
    return { id, averageA: averageCurrentA(list, atV) + coils, peakA: coincidentPeakA(list, atV) + coils };
  });
  return { loads, scenarios, atV };
}

/** The scenario, of those asked, that asks most of a converter on average. */
export const hardest = ({ scenarios }: LowResults, among: readonly ScenarioId[] = SCENARIOS): ScenarioRow =>
  scenarios.filter(({ id }) => among.includes(id)).reduce((most, one) => (one.averageA > most.averageA ? one : most));
