import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { chargersOf, chargingA, spanIn } from '../../simulate';
import { lowVoltage, partOf, type Vehicle } from '../../vehicle';
import { amps } from '../context';
import { defineRule, type Rule } from '../define';
import { CHARGE_REF, chargeFor, isCharge } from './shared';

/** What goes on in the car while it charges by itself. */

const AUXILIARY_REF: Ref = { kind: 'build', id: 'charging-auxiliary', name: 'Auxiliary battery while it charges' };
/** So much of the auxiliary battery may be gone when the charge ends (practice: a lead battery is not emptied below half). */
const MAY_GO = 0.5;

/** Converters that something lies across while it charges: those that it is enough for, and those whose window nobody told. */
function fedThen(vehicle: Vehicle): { readonly fed: readonly string[]; readonly untold: readonly string[] } {
  const joined = lowVoltage(vehicle).converters.flatMap(({ id, device }) => {
    const converter = vehicle.deviceOf.get(id);
    const span = converter ? spanIn(vehicle, 'charging', converter) : 0;
    return span > 0 ? [{ name: device.name, span, window: partOf(converter, 'bus-device')?.window }] : [];
  });
  return {
    fed: joined.flatMap(({ name, span, window }) => (window && span >= window.workingMinV ? [name] : [])),
    untold: joined.flatMap(({ name, window }) => (window ? [] : [name])),
  };
}

const auxiliary = defineRule({
  id: 'charging.auxiliary',
  endangers: 'parts',
  says: {
    fails: 'The auxiliary battery runs flat while it charges',
    holds: 'The auxiliary battery lasts while it charges',
    line: '{detail}',
    open: 'Auxiliary battery while it charges',
  },
  sources: [
    'Loads that run while it charges and the coils that are held then, against a converter that is joined then, a charger of its own on the plug, or half the battery',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const low = lowVoltage(vehicle);
    if (chargersOf(vehicle).length === 0 || !low.battery?.data) return [];
    const draws = chargingA(vehicle);
    const { fed, untold } = fedThen(vehicle);
    if (fed.length > 0)
      return [{ subject: AUXILIARY_REF, holds: true, figures: { detail: `${fed.join(', ')} feeds it meanwhile` } }];
    if (untold.length > 0)
      return [
        {
          subject: AUXILIARY_REF,
          missing: untold.map((name) => ({
            ref: AUXILIARY_REF,
            what: `the part of ${name}, with the voltage that it works at`,
          })),
        },
      ];
    const { trickleA } = vehicle.build.charging ?? {};
    if (trickleA !== undefined)
      return [
        {
          subject: AUXILIARY_REF,
          margin: marginAtMost(draws, trickleA),
          figures: { detail: `${q(draws, 'current')} drawn, ${q(trickleA, 'current')} from its own charger` },
        },
      ];
    const charge = chargeFor(vehicle);
    if (!isCharge(charge) || charge.run.end !== 'cut-off') return [];
    const { capacityAh } = low.battery.data;
    const goesAh = (draws * charge.run.last.timeS) / 3600;
    return [
      {
        subject: AUXILIARY_REF,
        margin: marginAtMost(goesAh, MAY_GO * capacityAh),
        figures: {
          detail: `no converter is joined then: ${q(goesAh, 'charge')} of ${q(capacityAh, 'charge')} go, at most half`,
        },
        assumed: ['It begins full.'],
        lines: () => [
          {
            formula: 'I · t ≤ C / 2',
            figures: `${q(draws, 'current')} · ${q(charge.run.last.timeS, 'time')}`,
            result: { value: goesAh, dimension: 'charge' },
            note: `${q(amps(draws).value, 'current')} with the coils that are held while it charges.`,
          },
        ],
      },
    ];
  },
  remedies:
    'Join the converter while it charges, hang a small charger for the auxiliary battery on the same plug, or switch off what runs.',
});

const seen = defineRule({
  id: 'charging.seen',
  endangers: 'comfort',
  says: {
    fails: 'Nothing shows that the charge has ended or stopped',
    holds: 'The car shows what the charge does',
    line: '{detail}',
    open: 'What shows that it charges',
  },
  sources: [
    'A charge that a fault has ended looks like one that is done; whoever drives off next finds out (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (chargersOf(vehicle).length === 0) return [];
    const { seenEnd } = vehicle.build.charging ?? {};
    if (seenEnd === undefined)
      return [
        {
          subject: CHARGE_REF,
          missing: [{ ref: CHARGE_REF, what: 'what shows that it charges, and that it has ended' }],
        },
      ];
    const detail = {
      lamp: 'one lamp: lit while it charges, so a fault looks like the end',
      'two-lamps': 'two lamps: charging, and ended or stopped',
      gauge: 'a gauge or display',
      nothing: 'nothing',
    }[seenEnd];
    return [{ subject: CHARGE_REF, holds: seenEnd !== 'nothing', figures: { detail } }];
  },
  remedies: 'Two lamps by the inlet, driven by the charger’s status or the battery management: charging, and ended.',
});

export const MEANWHILE_RULES: readonly Rule[] = [auxiliary, seen];
