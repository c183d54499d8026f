import type { Finding } from '../../checks';
import { chargersOf, closedOnTheWay, spanIn } from '../../simulate';
import { type Vehicle, wayOf } from '../../vehicle';
import { type Context, deviceRef, fromRules, NEEDS_CELLS, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CHARGE_REF } from './shared';

const asks = (what: string): Finding<'detail'> => ({ subject: CHARGE_REF, missing: [{ ref: CHARGE_REF, what }] });

/** How cells still reach an inverter while it charges: the contactors that join it, or that none stands between. Empty: they reach none. */
function joinedInverters({ vehicle, rules }: Context): readonly string[] {
  return vehicle.devices
    .filter(({ device }) => device.kind === 'inverter')
    .filter((inverter) => spanIn(vehicle, 'charging', inverter) > rules.classBDcV.value / 100)
    .map((inverter) => {
      const names = closedOnTheWay(vehicle, 'charging', inverter).slice(0, 3);
      return names.length > 0
        ? `${names.join(', ')} also ${names.length === 1 ? 'joins' : 'join'} ${inverter.device.name} while it charges`
        : `no contactor stands between the cells and ${inverter.device.name}`;
    });
}

const runApart = defineRule({
  id: 'charging.run-apart',
  endangers: 'people',
  says: {
    fails: 'It could drive while it charges',
    holds: 'It can’t drive while it charges',
    line: '{detail}',
    open: 'How driving and charging are kept apart',
  },
  sources: [
    'Plugged in it must not drive off by itself (UN R100, 5.2.2.2): torque blocked in hardware on a shared bus, or contactors that exclude each other in hardware; which of them the inverter really hangs on is read from the circuit',
  ],
  judge: (context): Finding<'detail'>[] => {
    const { vehicle } = context;
    if (chargersOf(vehicle).length === 0 || !vehicle.devices.some(({ device }) => device.kind === 'inverter'))
      return [];
    const { apart, torqueBlocked, excluded } = vehicle.build.charging ?? {};
    if (apart === undefined)
      return [
        asks('how driving and charging are kept apart: one bus, contactors of their own, or a changeover switch'),
      ];
    // Cells that nobody told lay no voltage across anything.
    if (vehicle.unsolved !== null) return [{ subject: CHARGE_REF, waitsFor: NEEDS_CELLS }];
    const joined = joinedInverters(context);
    if (apart !== 'one-bus' && joined.length > 0)
      return [
        {
          subject: CHARGE_REF,
          holds: false,
          figures: { detail: joined.join('; ') },
        },
      ];
    if (apart === 'changeover')
      return [{ subject: CHARGE_REF, holds: true, figures: { detail: 'one switch, in one place at a time' } }];
    const told = apart === 'one-bus' ? torqueBlocked : excluded;
    if (told === undefined)
      return [
        asks(
          apart === 'one-bus'
            ? 'whether the plug takes the inverter’s enable away, by hardware'
            : 'whether run and charge contactors exclude each other, by hardware',
        ),
      ];
    const words =
      apart === 'one-bus'
        ? ['the plug takes the inverter’s enable away', 'the inverter is live and nothing blocks its torque']
        : ['run and charge contactors exclude each other', 'run and charge contactors can both be closed'];
    return [{ subject: CHARGE_REF, holds: told, figures: { detail: words[told ? 0 : 1]! } }];
  },
  remedies:
    'On a shared bus: the plug’s contact opens the inverter’s enable, whatever the key says. With contactors of their own: the coil of each through a normally closed contact of the other, and the charger on its side of them.',
});

/** A charge contactor is not there to be told: what the circuit does with it open is read. */
const deadPlug = defineRule({
  id: 'charging.dead-plug',
  endangers: 'people',
  says: {
    fails: '{subject}: its plug is live while nothing is plugged in',
    holds: '{subject}: its plug is dead while nothing is plugged in',
    line: '{demand}, at most {limit}',
    open: '{subject}: where it stands',
  },
  comfort: 0,
  sources: [
    'A full pack across the charger’s terminals with the contactors as they are parked and driving: read from the circuit',
  ],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, rules }) =>
    chargersOf(vehicle).flatMap((charger): Finding[] => {
      const subject = deviceRef(charger);
      const { outside } = charger.device.plug ?? {};
      if (outside === undefined)
        return [{ subject, missing: [{ ref: subject, what: 'whether it is on board or stands outside' }] }];
      if (!outside || !wayOf(vehicle, charger)) return [];
      if (vehicle.unsolved !== null) return [{ subject, waitsFor: NEEDS_CELLS }];
      const demand = Math.max(
        ...(['parked', 'precharge', 'ready', 'cruise'] as const).map((id) => spanIn(vehicle, id, charger)),
      );
      const limit = rules.classBDcV.value;
      return [
        {
          subject,
          demand: volts(demand),
          limit: volts(limit),
          margin: (limit - demand) / limit,
        },
      ];
    }),
  remedies:
    'A contactor for charging in each pole of the plug, open unless it charges; or the plug where only a tool gets at it.',
});

const SEEN = {
  proximity: 'its proximity contact is seen',
  'own-contact': 'by a contact of its own',
  nothing: 'nothing tells the car that it is plugged in',
} as const;

const locked = defineRule({
  id: 'charging.drive-lock',
  endangers: 'people',
  says: {
    fails: 'Plugged into {subject}, the car does not know it',
    holds: 'Plugged into {subject}, the car knows it',
    line: '{detail}',
    open: 'What tells the car that {subject} is plugged in',
  },
  sources: [
    'Plugged in, the drive is locked whatever the key says (UN R100, 5.2.2.2; ISO 17409); a plain DC plug has no proximity contact (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    chargersOf(vehicle).map((charger): Finding<'detail'> => {
      const subject = deviceRef(charger);
      const { seenBy, outside } = charger.device.plug ?? {};
      if (seenBy === undefined)
        return { subject, missing: [{ ref: subject, what: 'what tells the car that it is plugged in' }] };
      const blind = seenBy === 'proximity' && outside === true;
      return {
        subject,
        holds: seenBy !== 'nothing' && !blind,
        figures: { detail: blind ? 'a plain DC plug has no proximity contact' : SEEN[seenBy] },
      };
    }),
  remedies:
    'The inlet’s proximity contact, or a switch at its lid or plug, into the drive lock: normally closed, so that a broken wire locks too.',
});

const keyed = defineRule({
  id: 'charging.keyed',
  endangers: 'fire',
  says: {
    fails: '{subject}: its plug goes in the wrong way round',
    holds: '{subject}: its plug goes in one way only',
    line: '{detail}',
    open: '{subject}: whether its plug goes in one way only',
  },
  sources: ['Two poles swapped put charger and pack in series through each other’s diodes (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] =>
    outsideOf(vehicle).map((charger): Finding<'detail'> => {
      const subject = deviceRef(charger);
      const { keyed: is } = charger.device.plug!;
      if (is === undefined)
        return { subject, missing: [{ ref: subject, what: 'whether its plug goes in one way only' }] };
      return { subject, holds: is, figures: { detail: is ? 'told so' : 'told that it goes in both ways' } };
    }),
  remedies: 'A plug with a key, or one whose poles differ in size; marked plus and minus on both halves.',
});

const outsideOf = (vehicle: Vehicle) => chargersOf(vehicle).filter(({ device }) => device.plug?.outside === true);

export const PLUG_RULES: readonly Rule[] = [runApart, deadPlug, locked, keyed];
