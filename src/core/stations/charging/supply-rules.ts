import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { type ChainLink, chargeChain, drawnFrom } from '../../simulate';
import { amps } from '../context';
import { defineRule, type Rule } from '../define';
import { CHARGE_REF, NO_REACTIVE } from './shared';

const BEARS: ReadonlySet<ChainLink['id']> = new Set(['circuit', 'socket', 'cord']);
const linkRef = ({ id, name }: ChainLink) => ({ kind: 'build' as const, id: `charge-${id}`, name });

/** Circuit, socket and cable against what the charger really draws for hours. */
const supply = defineRule({
  id: 'charging.supply',
  endangers: 'fire',
  says: {
    fails: '{subject} is loaded beyond what it carries for hours',
    holds: '{subject} carries the charge',
    line: '{demand} of {limit}',
    open: '{subject} under a charge',
  },
  // 10 of 12 A at a household socket.
  comfort: 0.15,
  sources: [
    'A socket circuit carries 80 % of its breaker for hours, a wall unit all of it; North America 80 % of either (NEC 210.20, 625.41: verify; IEC 60364-7-722 asks a circuit of its own)',
    'Household sockets under hours of load: 8–12 A (practice; local code decides)',
  ],
  judge: ({ vehicle }) => {
    const chain = chargeChain(vehicle);
    if (chain.length === 0) return [];
    const drawn = drawnFrom(chain);
    const { supply } = vehicle.build;
    return chain
      .filter(({ id }) => BEARS.has(id))
      .flatMap((link): Finding[] => {
        const subject = linkRef(link);
        if (!drawn) return [{ subject, missing: [{ ref: subject, what: 'the charger’s power' }] }];
        const missing = [
          ...(supply?.voltageV === undefined ? ['the voltage at the socket'] : []),
          ...(link.id === 'circuit' && supply?.breakerA === undefined ? ['its breaker'] : []),
          ...(link.id === 'cord' && link.ampere === null ? ['what it carries, by its code or print'] : []),
          ...(supply?.outlet === undefined ? ['a socket or a wall unit'] : []),
        ];
        if (missing.length > 0) return [{ subject, missing: missing.map((what) => ({ ref: subject, what })) }];
        const voltsPerA = supply!.voltageV! * (supply!.phases ?? 1);
        const demand = drawn.acW / voltsPerA;
        return [
          {
            subject,
            demand: amps(demand),
            limit: amps(link.ampere!),
            // What a pilot holds down to its own figure is at it, not beyond it.
            margin: link.limits
              ? Math.max(0.15, marginAtMost(demand, link.ampere!))
              : marginAtMost(demand, link.ampere!),
            assumed: [
              ...(supply?.phases === undefined ? ['One phase.'] : []),
              NO_REACTIVE,
              ...(link.limits ? ['The wall unit and the cable tell their currents, and the charger obeys.'] : []),
            ],
            lines: () => [
              {
                formula: 'I = P_AC / (phases · U)',
                figures: `${q(drawn.acW, 'power')} / ${q(voltsPerA, 'voltage')}`,
                result: amps(demand),
                note: `held there by: ${drawn.binds.name}`,
              },
            ],
          },
        ];
      });
  },
  remedies:
    'Hold the charger down (its own setting, a lower current on the cable), or a circuit of its own with a wall unit; never a stronger breaker on the same wire.',
});

/** Mains that is not isolated from the pack puts the car’s body in the way of either. */
const isolated = defineRule({
  id: 'charging.isolated',
  endangers: 'people',
  says: {
    fails: 'The charger does not isolate the pack from the mains',
    holds: 'The charger isolates the pack from the mains',
    line: '{detail}',
    open: 'Isolation of the charger',
  },
  sources: [
    'A charger without isolation needs a documented system of protection of its own (ISO 17409, IEC 61851-21-1)',
  ],
  judge: ({ vehicle }) => {
    if (chargeChain(vehicle).length === 0) return [];
    const told = vehicle.build.charging?.isolated;
    if (told === undefined)
      return [
        {
          subject: CHARGE_REF,
          missing: [{ ref: CHARGE_REF, what: 'whether the charger isolates mains from pack, by its sheet' }],
        },
      ];
    return [
      { subject: CHARGE_REF, holds: told, figures: { detail: told ? 'by its sheet' : 'mains and pack touch inside' } },
    ];
  },
  remedies: 'A charger with a transformer between mains and pack. Until then: don’t plug it in.',
});

export const SUPPLY_RULES: readonly Rule[] = [supply, isolated];
