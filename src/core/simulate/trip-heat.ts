import { cableTransient, type TransientCable } from '../physics/cable-transient';
import { conductorsOf, isSolved, packStrings, type SolvedState, type Vehicle, wayOf } from '../vehicle';
import { PROFILE_STEP_S, type TripResult } from './trip';

/** How hot each conductor on the inverter's way gets on the usual trip, driven twice in a row. */
export interface TripHeat {
  /** Of everything that was read. */
  readonly key: string;
  /** By conductor, °C; null: it passed the melting temperature. */
  readonly peakC: Readonly<Record<string, number | null>>;
  /** By conductor, for drawing: time from the start, s, and conductor temperature, °C; a few hundred points. */
  readonly curveC: Readonly<Record<string, readonly (readonly [number, number])[]>>;
}

/** Insulation, J/m³K (generic 1.6–2.4·10⁶). */
const INSULATION_J_PER_M3K = 2e6;
const TIMES = 2;

interface Share {
  readonly id: string;
  /** Of the battery current that flows through one of the parallel conductors. */
  readonly share: number;
  readonly thermal: NonNullable<Vehicle['conductors'][number]['thermal']>;
}

/** What the whole pack gives in a case, strings in parallel added up, A. */
export const packCurrentA = (vehicle: Vehicle, { point }: SolvedState): number =>
  Math.abs(
    packStrings(vehicle).reduce((sum, { boxIds }) => sum + (point.elementCurrentsA.get(boxIds[0] ?? '') ?? 0), 0),
  );

/** What the trip's current is shared by: as cruise shares it; each of several strings takes its part. */
function sharesOf(vehicle: Vehicle): Share[] {
  const ways = vehicle.devices.flatMap((one) =>
    one.device.kind === 'inverter' ? conductorsOf(vehicle, wayOf(vehicle, one)) : [],
  );
  const cruise = vehicle.caseOf('cruise/nominal/sustained');
  if (ways.length === 0 || !cruise || !isSolved(cruise)) return [];
  const total = packCurrentA(vehicle, cruise);
  if (!(total > 0)) return [];
  return [...new Set(ways)].flatMap(({ id, thermal, conductor }): Share[] => {
    const through = Math.abs(cruise.point.elementCurrentsA.get(id) ?? 0);
    return thermal ? [{ id, thermal, share: through / total / conductor.parallel }] : [];
  });
}

/** Tells one reading from another: the trip, and every conductor with its place and share. */
export const tripHeatKey = (vehicle: Vehicle, tripKey: string | null): string | null =>
  tripKey === null
    ? null
    : `${tripKey}#${sharesOf(vehicle)
        .map(({ id, thermal, share }) => `${id}:${thermal.key}:${share.toFixed(3)}`)
        .join('|')}`;

/** Heats the conductors along the winter run, which takes the most. Equal conductors are worked out once. */
export function tripHeat(vehicle: Vehicle, tripKey: string, run: TripResult): TripHeat {
  const known = new Map<string, TransientCable>();
  const peakC: Record<string, number | null> = {};
  const curveC: Record<string, readonly (readonly [number, number])[]> = {};
  for (const { id, thermal, share } of sharesOf(vehicle)) {
    const same = `${thermal.key}:${share.toFixed(3)}`;
    if (!known.has(same))
      known.set(
        same,
        cableTransient(thermal.build, thermal.place, {
          startTemperatureC: thermal.place.ambientC,
          profile: run.profileA.map((currentA) => ({ currentA: currentA * share, durationS: PROFILE_STEP_S })),
          repeats: TIMES,
          insulationJPerM3K: INSULATION_J_PER_M3K,
          curve: true,
        }),
      );
    const heated = known.get(same)!;
    peakC[id] = heated.peakTemperatureC;
    curveC[id] = thinned(heated.curve);
  }
  return { key: tripHeatKey(vehicle, tripKey)!, peakC, curveC };
}

/** Points of a drawn curve. */
const DRAWN = 300;

/** Every so many-th point of a curve, and its hottest of each stretch, so that no peak is lost. */
function thinned(curve: TransientCable['curve']): readonly (readonly [number, number])[] {
  const stretch = Math.max(1, Math.ceil(curve.length / DRAWN));
  const points: (readonly [number, number])[] = [];
  for (let from = 0; from < curve.length; from += stretch) {
    const piece = curve.slice(from, from + stretch);
    const hottest = piece.reduce((p, q) => (q.temperatureC > p.temperatureC ? q : p));
    points.push([hottest.timeS, hottest.temperatureC]);
  }
  return points;
}
