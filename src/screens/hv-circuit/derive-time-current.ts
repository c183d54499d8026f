import { SLOW_EDGE } from '@/core/physics/fuse-clearing';
import { curvePoints, preArcingTime } from '@/core/physics/fuse-curve';
import { fuseZones } from '@/core/simulate';

import { carriesA, currentIn, partOf, type Vehicle } from '@/core/vehicle';

export interface TcPoint {
  readonly currentA: number;
  readonly timeS: number;
}

/** Everything that has to fit together about one fuse, in amperes and seconds. */
export interface TimeCurrent {
  readonly fuseId: string;
  readonly nominal: readonly TcPoint[];
  readonly slow: readonly TcPoint[];
  /** Weakest cable in its zone: adiabatic to 5 s, joined straight to what it carries for ever. Null: not known. */
  readonly cable: { readonly name: string; readonly points: readonly TcPoint[] } | null;
  readonly contactor: { readonly name: string; readonly points: readonly TcPoint[] } | null;
  readonly loads: readonly (TcPoint & { readonly name: string })[];
  readonly highestA: number | null;
  readonly lowestA: number | null;
}

const SHORTEST_S = 1e-4;
const FOREVER_S = 3600;
const ADIABATIC_S = 5;

/** t = I²t / I² between two times. */
const adiabatic = (i2t: number, fromS: number, toS: number): TcPoint[] =>
  [toS, fromS].map((timeS) => ({ currentA: Math.sqrt(i2t / timeS), timeS }));

/** One fuse against its cable, its contactors, its load and its faults; null while its part is not chosen. */
export function timeCurrent(vehicle: Vehicle, fuseId: string): TimeCurrent | null {
  const fuse = partOf(vehicle.deviceOf.get(fuseId), 'fuse');
  const zone = fuseZones(vehicle).find((candidate) => candidate.fuseId === fuseId);
  if (!fuse || !zone) return null;
  const curve = (scale: number): TcPoint[] => {
    const points = curvePoints(fuse).map(([timeS, multiple]) => ({
      currentA: multiple * fuse.ratedCurrentA * scale,
      timeS,
    }));
    const far = 4 * fuse.multiples[0]!;
    return [{ currentA: far * fuse.ratedCurrentA * scale, timeS: preArcingTime(fuse, far)! }, ...points];
  };
  const cables = zone.ended.flatMap(({ judgement: { conductorId, withstand } }) => {
    const conductor = vehicle.conductorOf.get(conductorId)!;
    const mostA = carriesA(vehicle, conductor);
    return withstand && mostA !== null ? [{ conductor, withstand, carriesA: mostA }] : [];
  });
  const weakest = [...cables].sort((p, q) => p.withstand.limitA2s - q.withstand.limitA2s)[0];
  const contactors = vehicle.devices.flatMap((device) => {
    const part = partOf(device, 'contactor');
    const share = Math.abs(zone.highest?.currents.get(device.id) ?? 0) / (zone.highestA || 1);
    return part?.shortTimeI2tA2s !== undefined && share > 0.1
      ? [{ name: device.device.name, i2t: part.shortTimeI2tA2s }]
      : [];
  });
  const tender = contactors.sort((p, q) => p.i2t - q.i2t)[0];
  const loads = vehicle.cases
    .filter(
      ({ corner, state, point }) =>
        corner.id === 'cold-old-empty' && state.closed.includes('main-plus') && point.solvable,
    )
    .map((solved) => ({ state: solved.state, currentA: currentIn(solved, fuseId) ?? 0 }))
    .map(({ state, currentA }) => ({
      name: state.name,
      currentA,
      timeS: state.duration === 'sustained' ? FOREVER_S : vehicle.build.duty.hardAccelerationS,
    }))
    .filter(({ currentA }) => currentA > 0.05);
  return {
    fuseId,
    nominal: curve(1),
    slow: curve(SLOW_EDGE),
    cable: weakest
      ? {
          name: `${weakest.conductor.conductor.name}, ${weakest.withstand.areaMm2} mm²`,
          points: [
            { currentA: weakest.carriesA, timeS: FOREVER_S },
            ...adiabatic(weakest.withstand.limitA2s, SHORTEST_S, ADIABATIC_S),
          ],
        }
      : null,
    contactor: tender ? { name: tender.name, points: adiabatic(tender.i2t, SHORTEST_S, 0.1) } : null,
    loads,
    highestA: zone.highest ? zone.highestA : null,
    lowestA: zone.lowest ? zone.lowestA : null,
  };
}
