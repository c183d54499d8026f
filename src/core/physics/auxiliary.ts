/** The 12-volt side: what loads draw, how long a battery holds them, and how long a parked car lasts. */
export type LoadKind = 'constant-power' | 'constant-resistance' | 'constant-current';

export interface AuxiliaryLoad {
  readonly name: string;
  readonly kind: LoadKind;
  /** W; W at `referenceVoltageV` for a resistance; A for a constant current. */
  readonly rating: number;
  readonly referenceVoltageV: number;
  /** Share of the time that it runs, 0 to 1. */
  readonly duty: number;
  /** In the same unit as the rating: when it starts or works hardest. */
  readonly peakRating: number | null;
  readonly essential: boolean;
}

/** Current of a load of `rating` at a voltage, A. */
export function loadCurrentA({ kind, referenceVoltageV }: AuxiliaryLoad, rating: number, voltageV: number): number {
  switch (kind) {
    case 'constant-power':
      return rating / voltageV;
    case 'constant-resistance':
      return (rating * voltageV) / referenceVoltageV ** 2;
    default:
      return rating;
  }
}

/** Duty-weighted current of all loads, A. */
export const averageCurrentA = (loads: readonly AuxiliaryLoad[], voltageV: number): number =>
  loads.reduce((sum, load) => sum + load.duty * loadCurrentA(load, load.rating, voltageV), 0);

/** Everything that ever runs, at its hardest and at once, A. */
export const coincidentPeakA = (loads: readonly AuxiliaryLoad[], voltageV: number): number =>
  loads.reduce(
    (sum, load) =>
      load.duty > 0
        ? sum + Math.max(loadCurrentA(load, load.peakRating ?? 0, voltageV), loadCurrentA(load, load.rating, voltageV))
        : sum,
    0,
  );

export interface AuxiliaryBattery {
  readonly capacityRatedAh: number;
  /** Discharge time at which the capacity was rated, h. */
  readonly ratedHours: number;
  readonly peukertExponent: number;
  readonly socStart: number;
  readonly socEnd: number;
  /** What age and cold leave of the capacity, as factors. */
  readonly healthFactor: number;
  readonly temperatureFactor: number;
}

/** Time from full to empty at a constant current, s: t = H·(C/(I·H))^k (Peukert, with the rated hours in it). */
export function peukertTimeS(battery: AuxiliaryBattery, currentA: number): number {
  if (currentA <= 0) return Number.POSITIVE_INFINITY;
  const capacityAh = battery.capacityRatedAh * battery.healthFactor * battery.temperatureFactor;
  const hours = battery.ratedHours * (capacityAh / (currentA * battery.ratedHours)) ** battery.peukertExponent;
  return hours * 3600;
}

/**
 * Time until the battery has fallen from its start to its end, s; null: never. Each step takes its share of Peukert's time at its own
 * current; the steps repeat until it is down.
 */
export function holdUpS(
  battery: AuxiliaryBattery,
  steps: readonly { readonly currentA: number; readonly durationS: number }[],
): number | null {
  const share = battery.socStart - battery.socEnd;
  if (share <= 0) return 0;
  const used = steps.map(({ currentA, durationS }) => durationS / peukertTimeS(battery, currentA));
  const perCycle = used.reduce((sum, part) => sum + part, 0);
  if (!(perCycle > 0)) return null;
  const duration = steps.reduce((sum, { durationS }) => sum + durationS, 0);
  const cycles = Math.floor(share / perCycle);
  let left = share - cycles * perCycle;
  let time = cycles * duration;
  for (const [k, { durationS }] of steps.entries()) {
    const part = used[k]!;
    if (part >= left) return time + (part > 0 ? durationS * (left / part) : 0);
    left -= part;
    time += durationS;
  }
  return time;
}
