import { type Finding, marginOfRise, quantityText as q } from '../../checks';
import { told } from '../../quantities';
import type { ResolvedConductor, ResolvedDevice, SolvedState } from '../../vehicle';
import { celsius, corner, deviceRef, hotPlace, packMustDeliver, powerFrom, sustainedCases } from '../context';
import { defineRule, type Rule } from '../define';

/** Bare copper rises by 60 K in air of 40 °C (IEC 60947-1, table 2); tinned or silvered it may get hotter, if its sheet says so. */
const BARE_COPPER_C = 100;

/** What a device's sheet says of its terminals, °C; undefined where its part says nothing. */
function terminalC({ part }: ResolvedDevice): number | undefined {
  return part && 'terminalC' in part ? part.terminalC : undefined;
}

interface Hottest {
  readonly conductor: ResolvedConductor;
  readonly solved: SolvedState;
  readonly reached: number;
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
  sources: [
    `Terminals of bare copper: 60 K over ${told(40, 'temperature', 3)} (IEC 60947-1, table 2), unless the part states its own`,
    'The cable’s temperature away from its ends: the terminal is taken as no cooler',
  ],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    if (waitsFor) return [];
    const sustained = sustainedCases(vehicle);
    return vehicle.devices.flatMap((device): Finding<'cable'>[] => {
      // Of a motor and of what is no device of copper studs nothing is told here.
      if (!device.part || device.part.kind === 'resistor' || device.part.kind === 'cell') return [];
      let worst: Hottest | null = null;
      for (const conductor of vehicle.conductors) {
        if (!conductor.cable || !conductor.zone) continue;
        if (![conductor.conductor.a, conductor.conductor.b].some(({ deviceId }) => deviceId === device.id)) continue;
        for (const solved of sustained) {
          const reached = solved.temperaturesC.get(conductor.id) ?? null;
          if (reached !== null && reached > (worst?.reached ?? Number.NEGATIVE_INFINITY))
            worst = { conductor, solved, reached };
        }
      }
      if (!worst) return [];
      const { conductor, solved, reached } = worst;
      const stated = terminalC(device);
      const limitC = stated ?? BARE_COPPER_C;
      const { ambientC } = conductor.zone!;
      return [
        {
          subject: deviceRef(device),
          case: solved.id,
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
              note: corner(solved),
            },
          ],
        },
      ];
    });
  },
  remedies: 'A thicker cable, which runs cooler, or a part whose terminals bear more.',
});

export const TERMINAL_RULES: readonly Rule[] = [terminal];
