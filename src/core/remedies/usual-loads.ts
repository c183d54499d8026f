import { type Build, jobOf, LOSS_JOBS, type LossId, type LowLoadInput, SCHOOL_CHOICES, type SchoolId } from '../build';
import { LOAD_PRESETS, lowLoadOf, USUAL_LOADS } from '../parts';
import type { Vehicle } from '../vehicle';
import { fusesAtC, lowVoltage } from '../vehicle';

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
  const pumps = lackingPumps(build, vehicle);
  return LOAD_PRESETS.filter(({ id, name, load }) => {
    if (PUMPS.has(id)) return pumps.includes(id);
    const wanted = USUAL_LOADS.includes(id) || (load.job !== undefined && asked.has(load.job));
    const has = there.some((one) => one.name === name || (load.job !== undefined && one.load.job === load.job));
    return wanted && !has;
  }).map((preset, k) => lowLoadOf(preset, `${seed}-${k}`, fusesAtC(vehicle)));
}

/** Presets that move coolant: the drive’s loop has one, the heater’s another. */
const PUMPS: ReadonlySet<string> = new Set(['coolant-pump', 'heater-pump']);

/** Coolant pumps that the chosen loops ask for and the schedule lacks. */
function lackingPumps({ schools }: Build, vehicle: Vehicle): readonly string[] {
  const there = lowVoltage(vehicle).loads.filter(({ load }) => load.job === 'coolant-pump');
  const asked = [
    ...(schools.cooling === 'liquid' || schools.cooling === 'chill-plate' ? ['coolant-pump'] : []),
    ...(schools.heating === 'coolant-heater' ? ['heater-pump'] : []),
  ];
  const named = (id: string) => there.some(({ name }) => name === LOAD_PRESETS.find((one) => one.id === id)!.name);
  return asked.filter((id) => !named(id)).slice(0, Math.max(0, asked.length - there.length));
}
