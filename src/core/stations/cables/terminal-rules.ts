import { type Finding, marginOfRise, quantityText as q, type Ref } from '../../checks';
import { told } from '../../quantities';
import type { CaseId, ResolvedConductor, ResolvedDevice, Vehicle } from '../../vehicle';
import {
  celsius,
  conductorRef,
  corner,
  deviceRef,
  hotPlace,
  NEEDS_CELLS,
  packMustDeliver,
  powerFrom,
  sustainedCases,
} from '../context';
import { defineRule, type Rule } from '../define';
import { phasesOf, phaseTemperatureC } from './phase-rules';

/** Bare copper rises by 60 K in air of 40 °C (IEC 60947-1, table 2); tinned or silvered it may get hotter, if its sheet says so. */
const BARE_COPPER_C = 100;

/** What a device's sheet says of its terminals, °C; undefined where its part says nothing. */
function terminalC({ part }: ResolvedDevice): number | undefined {
  return part && 'terminalC' in part ? part.terminalC : undefined;
}

interface Hottest {
  readonly conductor: ResolvedConductor;
  /** Null: it heats without end. */
  readonly reached: number | null;
  readonly note: string;
  /** The solved case; absent: a phase, which has none. */
  readonly case?: CaseId;
}

/** The hottest that each cable gets for good: a phase by the motor's current, the others by the solved states. Undefined: not known. */
function hottestOf(vehicle: Vehicle): (conductor: ResolvedConductor) => Hottest | undefined {
  const isPhase = phasesOf(vehicle);
  const sustained = sustainedCases(vehicle);
  return (conductor) => {
    if (!conductor.cable || !conductor.zone || !conductor.laid) return undefined;
    if (isPhase(conductor)) {
      const reached = phaseTemperatureC(vehicle, conductor);
      return reached === undefined
        ? undefined
        : { conductor, reached, note: 'With the motor’s continuous power at base speed' };
    }
    let worst: Hottest | undefined;
    for (const solved of sustained) {
      const reached = solved.temperaturesC.get(conductor.id) ?? null;
      if (!worst || reached === null || (worst.reached !== null && reached > worst.reached))
        worst = { conductor, reached, note: corner(solved), case: solved.id };
      if (reached === null) break;
    }
    return worst;
  };
}

/** A cable of a high class may run hotter than what it is bolted to bears. */
const terminal = defineRule({
  id: 'cable.terminal',
  endangers: 'fire',
  says: {
    fails: 'Terminals of {subject} get hotter than they bear',
    holds: 'Terminals of {subject}',
    line: '{demand} of {limit} by {cable}',
    open: 'Terminals of {subject}',
  },
  variants: {
    runaway: {
      fails: 'Terminals of {subject} get hotter than they bear',
      holds: 'Terminals of {subject}',
      line: '{cable} heats without end',
    },
  },
  sources: [
    `Terminals of bare copper: 60 K over ${told(40, 'temperature', 3)} (IEC 60947-1, table 2), unless the part states its own`,
    'The cable’s temperature away from its ends: the terminal is taken as no cooler',
  ],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    const hottest = hottestOf(vehicle);
    const cablesAt = new Map<string, ResolvedConductor[]>();
    for (const conductor of vehicle.conductors)
      if (conductor.conductor.kind === 'cable')
        for (const id of new Set([conductor.conductor.a.deviceId, conductor.conductor.b.deviceId]))
          cablesAt.set(id, [...(cablesAt.get(id) ?? []), conductor]);
    return vehicle.devices.flatMap((device): Finding<'cable', 'runaway'>[] => {
      const cables = cablesAt.get(device.id) ?? [];
      // Of what has no copper studs of its own nothing is told.
      if (!device.part || device.part.kind === 'resistor' || device.part.kind === 'cell' || cables.length === 0)
        return [];
      const subject = deviceRef(device);
      if (vehicle.cases.length === 0) return [{ subject, missing: NEEDS_CELLS }];
      if (waitsFor) return [{ subject, waitsFor }];
      const found = cables.flatMap((cable) => hottest(cable) ?? []);
      const worst = found.reduce<Hottest | null>(
        (p, r) => (p === null || (p.reached !== null && (r.reached === null || r.reached > p.reached)) ? r : p),
        null,
      );
      const stated = terminalC(device);
      const limitC = stated ?? BARE_COPPER_C;
      if (worst?.reached === null)
        return [{ subject, holds: false, variant: 'runaway', figures: { cable: worst.conductor.conductor.name } }];
      const untold = cables
        .filter((cable) => !found.some(({ conductor }) => conductor.id === cable.id))
        .map((cable) => ({ ref: conductorRef(cable) as Ref, what: 'what it takes to know its temperature' }));
      // One cable that is too hot is known to be; one that nobody knows does not hold by the others.
      if (!worst || (untold.length > 0 && worst.reached <= limitC)) return [{ subject, missing: untold }];
      const { conductor, reached, note } = worst;
      const { ambientC } = conductor.zone!;
      return [
        {
          subject,
          ...(worst.case === undefined ? {} : { case: worst.case }),
          demand: celsius(reached),
          limit: celsius(limitC),
          margin: marginOfRise(reached, limitC, ambientC),
          figures: { cable: conductor.conductor.name },
          assumed: [
            ...(stated === undefined
              ? [
                  `Terminals bear ${q(BARE_COPPER_C, 'temperature')}, as bare copper: ${device.device.name}’s part does not say.`,
                ]
              : []),
            powerFrom(vehicle),
            ...hotPlace(conductor),
          ],
          lines: () => [
            {
              formula: 'margin = (T_terminal − T) / (T_terminal − T_ambient)',
              figures: `(${q(limitC, 'temperature')} − ${q(reached, 'temperature')}) / (${q(limitC, 'temperature')} − ${q(ambientC, 'temperature')})`,
              result: celsius(reached),
              note,
            },
          ],
        },
      ];
    });
  },
  remedies: 'A thicker cable, which runs cooler, or a part whose terminals bear more.',
});

export const TERMINAL_RULES: readonly Rule[] = [terminal];
