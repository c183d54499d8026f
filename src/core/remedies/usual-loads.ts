import { type Build, jobOf, LOSS_JOBS, type LossId, type LowLoadInput, SCHOOL_CHOICES, type SchoolId } from '../build';
import { LOAD_PRESETS, lowLoadOf, USUAL_LOADS } from '../parts';
import type { Vehicle } from '../vehicle';
import { lowVoltage } from '../vehicle';

/**
 * Loads that a schedule lacks of those that nearly every car has, and of those that the schools and what went with the engine ask for; each
 * with its fuse, wire and relay. Ids begin with the seed.
 */
export function usualLoads(build: Build, vehicle: Vehicle, seed: string): readonly LowLoadInput[] {
  const there = lowVoltage(vehicle).loads;
  const asked = new Set([
    ...(Object.keys(SCHOOL_CHOICES) as SchoolId[]).flatMap((id) => jobOf(build.schools, id) ?? []),
    ...Object.entries(build.losses ?? {}).flatMap(([loss, state]) =>
      state === 'had' ? (LOSS_JOBS[loss as LossId] ?? []) : [],
    ),
  ]);
  return LOAD_PRESETS.filter(({ id, name, load }) => {
    const wanted = USUAL_LOADS.includes(id) || (load.job !== undefined && asked.has(load.job));
    const has = there.some((one) => one.name === name || (load.job !== undefined && one.load.job === load.job));
    return wanted && !has;
  }).map((preset, k) => lowLoadOf(preset, `${seed}-${k}`));
}
