import type { SalvagedModule } from '../build';

export interface MatchedGroup {
  readonly ids: readonly string[];
  readonly capacityAh: number;
  /** Of the modules in parallel, Ω. */
  readonly resistanceOhm: number;
}

export interface Match {
  /** In series, each of `perGroup` modules in parallel. */
  readonly groups: readonly MatchedGroup[];
  readonly spare: readonly string[];
  /** The weakest group bounds the string, Ah: as matched, in the order of the list, and what no sharing can beat. */
  readonly weakestAh: number;
  readonly listedWeakestAh: number;
  readonly boundAh: number;
}

const groupOf = (modules: readonly SalvagedModule[]): MatchedGroup => ({
  ids: modules.map(({ id }) => id),
  capacityAh: modules.reduce((sum, { capacityAh }) => sum + capacityAh, 0),
  resistanceOhm: 1 / modules.reduce((sum, { resistanceOhm }) => sum + 1 / Math.max(resistanceOhm, 1e-9), 0),
});

const weakest = (groups: readonly MatchedGroup[]): number => Math.min(...groups.map(({ capacityAh }) => capacityAh));

const MOST_ROUNDS = 4000;

/**
 * Shares modules out into groups of equal number so that the weakest group holds as much as it can: the strongest modules are used,
 * dealt out largest first into the emptiest group with room, then swapped in pairs as long as the weaker of two groups gains. Null
 * when there are too few modules.
 */
export function matchModules(modules: readonly SalvagedModule[], series: number, perGroup: number): Match | null {
  const wanted = series * perGroup;
  if (series < 1 || perGroup < 1 || modules.length < wanted) return null;
  const ordered = [...modules].sort((p, q) => q.capacityAh - p.capacityAh || (p.id < q.id ? -1 : 1));
  const used = ordered.slice(0, wanted);
  const bins: SalvagedModule[][] = Array.from({ length: series }, () => []);
  const held = bins.map(() => 0);
  for (const module of used) {
    let best = -1;
    for (let k = 0; k < series; k++) if (bins[k]!.length < perGroup && (best < 0 || held[k]! < held[best]!)) best = k;
    bins[best]!.push(module);
    held[best]! += module.capacityAh;
  }
  improve(bins, held);
  const groups = bins.map(groupOf);
  const listed = Array.from({ length: series }, (_, k) => groupOf(modules.slice(k * perGroup, (k + 1) * perGroup)));
  return {
    groups,
    spare: ordered.slice(wanted).map(({ id }) => id),
    weakestAh: weakest(groups),
    listedWeakestAh: weakest(listed),
    boundAh: used.reduce((sum, { capacityAh }) => sum + capacityAh, 0) / series,
  };
}

/** Swaps one module of the weakest group for one of another as long as the weaker of the two gains. */
function improve(bins: SalvagedModule[][], held: number[]): void {
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const low = held.indexOf(Math.min(...held));
    let gain = 1e-9;
    let swap: { bin: number; mine: number; theirs: number } | null = null;
    for (let bin = 0; bin < bins.length; bin++) {
      if (bin === low) continue;
      for (let mine = 0; mine < bins[low]!.length; mine++)
        for (let theirs = 0; theirs < bins[bin]!.length; theirs++) {
          const moved = bins[bin]![theirs]!.capacityAh - bins[low]![mine]!.capacityAh;
          const now = Math.min(held[low]! + moved, held[bin]! - moved) - held[low]!;
          if (now > gain) {
            gain = now;
            swap = { bin, mine, theirs };
          }
        }
    }
    if (!swap) return;
    const { bin, mine, theirs } = swap;
    const moved = bins[bin]![theirs]!.capacityAh - bins[low]![mine]!.capacityAh;
    [bins[low]![mine], bins[bin]![theirs]] = [bins[bin]![theirs]!, bins[low]![mine]!];
    held[low]! += moved;
    held[bin]! -= moved;
  }
}
