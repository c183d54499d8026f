import type { Assessment } from '../assess';
import { marginAtLeast, marginAtMost, marginOfRise } from '../checks';
import type { CablePart } from '../parts';
import { ampacity, INSULATION_W_PER_MK, steadyTemperature } from '../physics/cable';
import { cableTransient } from '../physics/cable-transient';
import { carryCurrent } from '../physics/contactor';
import { SHORT_LIMIT_C, withstandI2t } from '../physics/withstand';
import { shorts } from '../simulate';
import {
  isPrechargeRelay,
  Memo,
  partOf,
  protectingFuses,
  type ResolvedConductor,
  room,
  type SolvedState,
  solvedStates,
  tightestTurn,
  UNKNOWN_AMBIENT_C,
  wayPoints,
} from '../vehicle';

/** One size tried for one conductor. */
export interface SizeTry {
  readonly part: CablePart;
  /** Thinnest of what this size decides. */
  readonly margin: number;
  /** The rule that bounds it. */
  readonly boundBy: string | null;
  /** The same without the bend, which no size can cure. */
  readonly straightMargin: number;
  readonly massKg: number;
  readonly lossW: number;
  /** Generic price of cable and two lugs, in copper-price units. */
  readonly price: number;
}

/** What flows through one conductor, and what stands before it: told once, whatever size is tried. */
export interface Demand {
  readonly conductor: ResolvedConductor;
  readonly sustainedA: number;
  readonly startC: number;
  readonly pulses: readonly { readonly amps: number; readonly seconds: number }[];
  /** Rating and fusing current that the cable must carry, and I²t that it must stand. */
  readonly ratedA: number | null;
  readonly fusingA: number | null;
  readonly clearA2s: number | null;
  /** Contactors on whose studs it sits. */
  readonly carries: readonly {
    readonly table: Parameters<typeof carryCurrent>[0];
    readonly ambientC: number;
    readonly amps: number;
  }[];
  readonly radiusM: number | null;
  readonly fullV: number;
  /** No fuse, one that is not chosen, or one that is not proved to break: no thinner cable may rest on it. */
  readonly unproved: boolean;
  readonly known: Memo<number>;
}

const HILL_S = 600;
const INSULATION_J_PER_M3K = 2e6;
/** Temperatures after a pulse, °C, of whatever size in whatever place. */
const pulses = room(() => new Memo<number>(20000));

export function demandsOf(assessment: Assessment, ids: ReadonlySet<string>): Demand[] {
  const {
    vehicle,
    build,
    results: { pack },
  } = assessment;
  const { of, jointly } = protectingFuses(vehicle, 'fuse');
  const limited = protectingFuses(vehicle, 'precharge-resistor').of;
  const cleared = shorts(vehicle);
  const fuseOf = (id: string) => partOf(vehicle.deviceOf.get(id), 'fuse');
  return vehicle.conductors
    .filter(({ id, cable, thermal, lengthM }) => ids.has(id) && cable && thermal && lengthM !== null)
    .map((conductor): Demand => {
      const { id } = conductor;
      const through = (point: SolvedState['point']) => Math.abs(point.elementCurrentsA.get(id) ?? 0);
      const solved = solvedStates(vehicle);
      const sustained = solved.filter(({ state }) => state.duration === 'sustained');
      const singly = [...(of.get(id) ?? [])].sort(
        (p, q) => (fuseOf(p)?.ratedCurrentA ?? 1e9) - (fuseOf(q)?.ratedCurrentA ?? 1e9),
      );
      const behindResistor = (limited.get(id) ?? []).length > 0;
      const fuses = behindResistor ? [] : singly.length > 0 ? [singly[0]!] : [...(jointly.get(id) ?? [])];
      const parts = fuses.flatMap((fuse) => fuseOf(fuse) ?? []);
      const short = cleared.get(id);
      const clearings = (short?.all ?? []).flatMap(({ i2tA2s }) => i2tA2s ?? []);
      // Behind a resistor no fuse need hold the load; a short is never behind it.
      const unproved =
        (fuses.length === 0 && !behindResistor) ||
        fuses.some((fuseId) => !fuseOf(fuseId)) ||
        (short?.all ?? []).some(({ i2tA2s }) => i2tA2s === null);
      const radius = conductor.conductor.routeId === null ? null : build.routes[conductor.conductor.routeId];
      const points = radius ? wayPoints(build, radius, conductor.conductor.a, conductor.conductor.b) : null;
      return {
        conductor,
        sustainedA: Math.max(0, ...sustained.map(({ point }) => through(point))),
        startC: Math.max(
          conductor.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
          ...sustained.map(
            ({ temperaturesC }) => temperaturesC.get(id) ?? conductor.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
          ),
        ),
        pulses: (['seconds', 'minutes'] as const).flatMap((duration) => {
          const amps = Math.max(
            0,
            ...solved
              .filter(({ state }) => state.duration === duration && state.id !== 'precharge')
              .map(({ point }) => through(point)),
          );
          return amps > 1 ? [{ amps, seconds: duration === 'minutes' ? HILL_S : build.duty.hardAccelerationS }] : [];
        }),
        ratedA: parts.length > 0 ? parts.reduce((sum, part) => sum + part.ratedCurrentA, 0) : null,
        fusingA:
          parts.length > 0 ? parts.reduce((sum, part) => sum + part.ratedCurrentA * part.fusingMultiple, 0) : null,
        clearA2s: clearings.length > 0 ? Math.max(...clearings) : null,
        carries: [conductor.conductor.a, conductor.conductor.b].flatMap(({ deviceId }) => {
          const device = vehicle.deviceOf.get(deviceId);
          const part = partOf(device, 'contactor');
          if (!device || !part || isPrechargeRelay(vehicle, deviceId) || behindResistor) return [];
          const amps = Math.max(
            0,
            ...sustained.map(({ point }) => Math.abs(point.elementCurrentsA.get(deviceId) ?? 0)),
          );
          return [{ table: part.carry, ambientC: device.ambientC, amps }];
        }),
        radiusM: radius?.facts?.tightestBendM ?? (points ? tightestTurn(points) : null),
        fullV: pack?.fullV ?? 0,
        unproved,
        known: vehicle.memory.of(pulses),
      };
    });
}

/** Margins that a size would have, by the same laws as the rules; the model has the last word when all are chosen. */
export function judge(demand: Demand, part: CablePart): Pick<SizeTry, 'margin' | 'boundBy' | 'straightMargin'> {
  const { conductor } = demand;
  const { zone, laid, thermal } = conductor;
  const margins: (readonly [string, number])[] = [['cable.voltage', marginAtMost(demand.fullV, part.ratedVoltageV)]];
  const n = conductor.conductor.parallel;
  if (zone && laid && thermal) {
    const build = {
      metal: part.metal,
      resistance20OhmPerM: part.resistance20OhmPerM,
      conductorDiameterMm: part.conductorDiameterMm,
      layers: [{ outerDiameterMm: part.outerDiameterMm, conductivityWPerMK: INSULATION_W_PER_MK[part.insulation] }],
    };
    const rise = (reached: number | null) =>
      reached === null ? -10 : marginOfRise(reached, part.temperatureClassC, zone.ambientC);
    const steady = steadyTemperature(build, thermal.place, demand.sustainedA / n).conductorTemperatureC;
    margins.push(['cable.temperature', rise(steady)]);
    const carriesA = n * ampacity(build, thermal.place, part.temperatureClassC);
    if (demand.ratedA !== null && demand.fusingA !== null)
      margins.push([
        'fuse.cable-overload',
        Math.min(marginAtMost(demand.ratedA, carriesA), marginAtMost(demand.fusingA, 1.45 * carriesA)),
      ]);
    for (const pulse of demand.pulses) {
      // Anything that it carries for ever it carries for a while.
      if (pulse.amps <= 0.8 * carriesA) continue;
      // Worked out for just what it is kept by.
      const startTemperatureC = Math.round(steady ?? part.temperatureClassC);
      const currentA = Math.round((10 * pulse.amps) / n) / 10;
      const reached = demand.known.get(
        `${JSON.stringify([build, thermal.place])}|${currentA}|${pulse.seconds}|${startTemperatureC}`,
        () =>
          cableTransient(build, thermal.place, {
            startTemperatureC,
            profile: [{ currentA, durationS: pulse.seconds }],
            repeats: 1,
            insulationJPerM3K: INSULATION_J_PER_M3K,
          }).peakTemperatureC ?? 1e4,
      );
      margins.push(['cable.peak', rise(reached)]);
    }
    if (demand.clearA2s !== null)
      margins.push([
        'fuse.cable-short',
        marginAtMost(
          demand.clearA2s,
          n ** 2 *
            withstandI2t(
              part.metal,
              part.areaMm2,
              Math.min(part.temperatureClassC, steady ?? part.temperatureClassC),
              SHORT_LIMIT_C[part.insulation],
            ),
        ),
      ]);
  }
  for (const { table, ambientC, amps } of demand.carries)
    margins.push(['contactor.carry', marginAtMost(amps, carryCurrent(table, part.areaMm2 * n, ambientC))]);
  if (demand.radiusM !== null)
    margins.push([
      'cable.bend',
      marginAtLeast(demand.radiusM, ((part.shielded ? 6 : 4) * part.outerDiameterMm) / 1000),
    ]);
  const worst = margins.reduce((p, q) => (q[1] < p[1] ? q : p));
  return {
    margin: worst[1],
    boundBy: worst[0],
    straightMargin: Math.min(...margins.filter(([id]) => id !== 'cable.bend').map(([, margin]) => margin)),
  };
}
