import { BAR_LIMIT_C } from '../physics/bar';
import { SHORT_LIMIT_C, withstandFactor } from '../physics/withstand';
import { barOf, copperMm2, type ResolvedConductor, solvedStates, UNKNOWN_AMBIENT_C, type Vehicle } from '../vehicle';

export interface CableWithstand {
  readonly k: number;
  /** Loaded temperature from which it starts: the hottest sustained case. */
  readonly startC: number;
  readonly finalC: number;
  readonly areaMm2: number;
  /** k²S² of all parallel conductors together, A²s. */
  readonly limitA2s: number;
}

function hottest(vehicle: Vehicle, conductor: ResolvedConductor): number {
  const settled = solvedStates(vehicle)
    .filter(({ state }) => state.duration === 'sustained')
    .map(({ temperaturesC }) => temperaturesC.get(conductor.id) ?? conductor.cable?.temperatureClassC ?? 90);
  return Math.max(conductor.zone?.ambientC ?? UNKNOWN_AMBIENT_C, ...settled);
}

/** Bare copper in a short circuit (IEC 60865-1), °C. */
const BAR_SHORT_C = 200;

/**
 * What a cable stands in a short circuit from its loaded temperature, a bar from its highest; null while it is not chosen or measured, or is
 * neither.
 */
export function cableWithstand(vehicle: Vehicle, conductor: ResolvedConductor): CableWithstand | null {
  const { cable } = conductor;
  const bar = barOf(vehicle, conductor);
  if (bar) {
    const k = withstandFactor('copper', BAR_LIMIT_C, BAR_SHORT_C);
    const areaMm2 = copperMm2(conductor)!;
    return { k, startC: BAR_LIMIT_C, finalC: BAR_SHORT_C, areaMm2, limitA2s: (k * areaMm2) ** 2 };
  }
  if (!cable || conductor.conductor.kind !== 'cable') return null;
  const startC = hottest(vehicle, conductor);
  const finalC = SHORT_LIMIT_C[cable.insulation];
  const k = startC < finalC ? withstandFactor(cable.metal, startC, finalC) : 0;
  const areaMm2 = cable.areaMm2 * conductor.conductor.parallel;
  return { k, startC, finalC, areaMm2, limitA2s: (k * areaMm2) ** 2 };
}
