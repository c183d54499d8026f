import { quantityText as q, type WorkingLine } from '../checks';
import { steadyTemperature } from '../physics/cable';
import { cableTransient, type ProfileStep, rmsOf, tau63 } from '../physics/cable-transient';
import { type CableInput, resolveCable } from './cable';
import { LawRefused } from './refused';

export type CableTransientInput = Omit<CableInput, 'maxConductorTemperatureC' | 'currentA' | 'lengthM'> & {
  readonly maxConductorTemperatureC?: number | null;
  readonly currentA?: number | null;
  readonly lengthM?: number | null;
  readonly startTemperatureC?: number | null;
  readonly profile: readonly ProfileStep[];
  readonly repeats?: number | 'settled' | null;
  readonly insulationHeatCapacityJPerM3K?: number | null;
};

/** Volumetric heat of insulation, J/m³K (generic: 1.6–2.4 million). */
export const INSULATION_J_PER_M3K = 2.0e6;

/** Conductor temperature over a pattern of currents. */
export function calcCableTransient(input: CableTransientInput): { result: unknown; working: readonly WorkingLine[] } {
  const { build, place } = resolveCable({ ...input, maxConductorTemperatureC: input.maxConductorTemperatureC ?? 125 });
  const heat = input.insulationHeatCapacityJPerM3K ?? INSULATION_J_PER_M3K;
  const duration = input.profile.reduce((sum, step) => sum + step.durationS, 0);
  const repeats = input.repeats ?? 1;
  if (typeof repeats === 'number' && repeats * duration > 3.2e7)
    throw new LawRefused('repeats', 'makes more than a year.', 'Ask for fewer repeats, or "settled".');
  const startTemperatureC = input.startTemperatureC ?? place.ambientC;
  const run = cableTransient(build, place, {
    startTemperatureC,
    profile: input.profile,
    repeats,
    insulationJPerM3K: heat,
  });
  const rmsCurrentA = rmsOf(input.profile);
  const temperatureAtRmsC = steadyTemperature(build, place, rmsCurrentA).conductorTemperatureC;
  const tau63S = tau63(build, place, rmsCurrentA, heat);
  return {
    result: {
      peakTemperatureC: run.peakTemperatureC,
      endTemperatureC: run.endTemperatureC,
      rmsCurrentA,
      temperatureAtRmsC,
      tau63S,
      repeats: run.repeats,
      settled: run.settled,
    },
    working: [
      {
        formula: 'C_metal·dT/dt = I²·R20·(1 + α(T − 20)) − (T − T_1)/R_1, four shells a layer, film at once',
        figures: `start ${q(startTemperatureC, 'temperature')}, ${input.profile.length} steps of ${q(duration, 'time')} together, ${run.repeats} times, ambient ${q(place.ambientC, 'temperature')}`,
        ...(run.peakTemperatureC === null
          ? { note: 'It passes the melting temperature.' }
          : { result: { value: run.peakTemperatureC, dimension: 'temperature' as const } }),
      },
      {
        formula: 'I_rms = √(Σ I²·t / Σ t), and where it would settle',
        figures: q(rmsCurrentA, 'current'),
        ...(temperatureAtRmsC === null
          ? {}
          : { result: { value: temperatureAtRmsC, dimension: 'temperature' as const } }),
        note: 'Pulses that last as long as the cable’s own time constant go far above this.',
      },
    ],
  };
}
