import type { UnitSystem } from '@/core/quantities';

const KEY = 'ropeway-units';

/** The units of the build that was looked at last: what needs no build follows them. */
export function keptUnits(): UnitSystem {
  try {
    return localStorage.getItem(KEY) === 'us' ? 'us' : 'metric';
  } catch {
    // Storage may be blocked: then it is metric.
    return 'metric';
  }
}

export function keepUnits(system: UnitSystem): void {
  try {
    localStorage.setItem(KEY, system);
  } catch {
    // As above.
  }
}
