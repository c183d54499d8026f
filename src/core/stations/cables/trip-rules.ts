import { type Finding, marginOfRise, quantityText as q } from '../../checks';
import { cableTransient } from '../../physics/cable-transient';
import { METALS } from '../../physics/conductor';
import { temperatureAfterI2t } from '../../physics/withstand';
import * as propose from '../../proposals';
import { tripRun } from '../../simulate';
import { type ResolvedConductor, solvedStates } from '../../vehicle';
import { celsius, conductorRef, corner, hotPlace, powerFrom } from '../context';
import { defineRule, type Rule } from '../define';

const SHELLS = 'Metal node and four shells of insulation, resistance with temperature throughout (engineering model)';
/** Insulation, J/m³K (generic 1.6–2.4·10⁶). */
const INSULATION_J_PER_M3K = 2e6;

/** Conductor temperature after a pulse that starts from a temperature, °C; null past melting. */
function afterPulse(conductor: ResolvedConductor, startC: number, amps: number, seconds: number): number | null {
  const thermal = conductor.thermal!;
  // To the milliampere and millikelvin, and worked out for just these: what is kept must not hang on who asked first.
  const currentA = Math.round((1000 * amps) / conductor.conductor.parallel) / 1000;
  const startTemperatureC = Math.round(1000 * startC) / 1000;
  return thermal.known.pulseC.get(
    `${startTemperatureC}|${currentA}|${seconds}`,
    () =>
      cableTransient(thermal.build, thermal.place, {
        startTemperatureC,
        profile: [{ currentA, durationS: seconds }],
        repeats: 1,
        insulationJPerM3K: INSULATION_J_PER_M3K,
      }).peakTemperatureC,
  );
}

interface Pulse {
  readonly amps: number;
  readonly startC: number;
  readonly seconds: number;
  readonly where: string;
}

/** What the metal would reach if nothing left it, resistance by temperature in it: never less than the true one, °C (IEC 60949). */
function alone({ cable, conductor }: ResolvedConductor, { amps, startC, seconds }: Pulse): number {
  if (!cable) return startC;
  // The area that its resistance stands for, mm².
  const areaMm2 = (METALS[cable.metal].resistivity20OhmM / cable.resistance20OhmPerM) * 1e6;
  return temperatureAfterI2t(cable.metal, areaMm2, startC, (amps / conductor.parallel) ** 2 * seconds);
}

/** A long climb lasts so long (engineering judgement), s. */
const HILL_S = 600;

const peak = defineRule({
  id: 'cable.peak',
  endangers: 'fire',
  says: {
    fails: '{subject} gets too hot in a peak',
    holds: '{subject} in a peak',
    line: '{demand} of {limit} with {current}',
  },
  variants: {
    melts: {
      fails: '{subject} melts in a peak',
      holds: '{subject} in a peak',
      line: 'no end to the rise with {current}',
    },
  },
  sources: [SHELLS, 'Peaks ride on conductors that cruise has warmed'],
  judge: ({ vehicle }) =>
    vehicle.conductors.flatMap((conductor): Finding<'current', 'melts'>[] => {
      const { cable, zone, thermal, id } = conductor;
      if (!cable || !zone || !thermal) return [];
      // Which pulse of each length is hottest is told by metal alone; only that one is worked out.
      const hottest = new Map<string, Pulse>();
      for (const solved of solvedStates(vehicle)) {
        if (solved.state.duration === 'sustained' || solved.state.id === 'precharge') continue;
        const amps = Math.abs(solved.point.elementCurrentsA.get(id) ?? 0);
        if (amps < 1) continue;
        const startC = solved.temperaturesC.get(id) ?? zone.ambientC;
        const seconds = solved.state.duration === 'minutes' ? HILL_S : vehicle.build.duty.hardAccelerationS;
        const pulse = { amps, startC, seconds, where: corner(solved) };
        const known = hottest.get(solved.state.duration);
        if (!known || alone(conductor, pulse) > alone(conductor, known)) hottest.set(solved.state.duration, pulse);
      }
      let worst: (Pulse & { reached: number | null }) | null = null;
      for (const pulse of [...hottest.values()].sort((p, r) => r.seconds - p.seconds)) {
        // Metal alone bounds it from above: a short pulse that stays under the long one needs no working out.
        if (worst && worst.reached !== null && alone(conductor, pulse) <= worst.reached) continue;
        const reached = afterPulse(conductor, pulse.startC, pulse.amps, pulse.seconds);
        if (!worst || reached === null || (worst.reached !== null && reached > worst.reached))
          worst = { ...pulse, reached };
      }
      if (!worst) return [];
      const subject = conductorRef(conductor);
      const figures = { current: { value: worst.amps, dimension: 'current' as const } };
      if (worst.reached === null) return [{ subject, holds: false, variant: 'melts', figures }];
      const margin = marginOfRise(worst.reached, cable.temperatureClassC, zone.ambientC);
      return [
        {
          subject,
          demand: celsius(worst.reached),
          limit: celsius(cable.temperatureClassC),
          margin,
          figures,
          assumed: [powerFrom(vehicle), ...hotPlace(conductor)],
          lines: () => [
            {
              formula: 'T(t) of the metal, from the temperature of cruise',
              figures: `${q(worst!.amps, 'current')} for ${q(worst!.seconds, 'time')} from ${q(worst!.startC, 'temperature')}`,
              result: celsius(worst!.reached!),
              note: worst!.where,
            },
          ],
        },
      ];
    }),
  remedies: [propose.thickerCable],
});

const trip = defineRule({
  id: 'cable.trip',
  endangers: 'fire',
  says: {
    fails: '{subject} gets too hot on the usual trip',
    holds: '{subject} on the usual trip',
    line: '{demand} of {limit}',
    open: '{subject}',
  },
  variants: {
    melts: {
      fails: '{subject} melts on the usual trip',
      holds: '{subject} on the usual trip',
      line: 'no end to the rise',
    },
  },
  sources: [SHELLS, 'Battery current of the usual trip, aged and cold, driven twice in a row'],
  judge: ({ vehicle, tripKey, heat, trip: runs }) => {
    if (tripKey === null) return [];
    if (!heat || !runs)
      return [
        { subject: { kind: 'build', id: 'trip', name: 'Conductors on the usual trip' }, pending: tripRun.pendingWords },
      ];
    return vehicle.conductors.flatMap((conductor): Finding<never, 'melts'>[] => {
      const { cable, zone } = conductor;
      if (!cable || !zone || !Object.hasOwn(heat.peakC, conductor.id)) return [];
      const reached = heat.peakC[conductor.id]!;
      const subject = conductorRef(conductor);
      if (reached === null) return [{ subject, holds: false, variant: 'melts' }];
      const margin = marginOfRise(reached, cable.temperatureClassC, zone.ambientC);
      return [
        {
          subject,
          demand: celsius(reached),
          limit: celsius(cable.temperatureClassC),
          margin,
          assumed: hotPlace(conductor),
          lines: () => [
            {
              formula: 'T(t) over the trip, twice',
              figures: `rms ${q(runs.winter.currents.rmsA, 'current')}, worst ten minutes ${q(runs.winter.currents.windowsA[2] ?? 0, 'current')} at the battery`,
              result: celsius(reached),
              note: `From ${q(zone.ambientC, 'temperature')} around it.`,
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.thickerCable],
});

export const TRIP_RULES: readonly Rule[] = [peak, trip];
