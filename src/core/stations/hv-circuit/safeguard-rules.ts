import { hasTrait, SAFEGUARDS, type SafeguardId } from '../../build';
import type { Finding, Ref } from '../../checks';
import { type Context, fromRules } from '../context';
import { defineRule } from '../define';

interface Safeguard {
  /** What is looked at. */
  readonly name: string;
  /** What an inspector wants to see. */
  readonly wants: string;
  readonly clause: string;
  /** Asked only where a charger is on board. */
  readonly charging?: true;
  /** Asked only of what many hands drive on a site. */
  readonly site?: true;
}

/** Clauses from memory: verify them in the text that your country follows. */
export const SAFEGUARD_WORDS: Readonly<Record<SafeguardId, Safeguard>> = {
  barriers: {
    name: 'Covers and barriers',
    wants: 'no finger (IPXXB) and in cabin and boot no wire (IPXXD) gets at anything live; covers want a tool',
    clause: 'UN R100, 5.1.1.1; ISO 6469-3',
  },
  labels: {
    name: 'Warning labels',
    wants: 'on every box and cover with high voltage behind it',
    clause: 'UN R100, 5.1.1.5',
  },
  orange: {
    name: 'Orange sheath',
    wants: 'on every high-voltage cable outside the boxes',
    clause: 'UN R100, 5.1.1.5.3',
  },
  bonding: {
    name: 'Cases bonded to the body',
    wants: 'each case of a high-voltage device under 0.1 Ω to the body, measured with 0.2 A or more',
    clause: 'UN R100, 5.1.2',
  },
  interlock: {
    name: 'Plugs and lids',
    wants: 'each opens the loop before anything live can be touched, or wants a tool',
    clause: 'UN R100, 5.1.1.3; ISO 6469-3',
  },
  clearance: {
    name: 'Creepage and clearance',
    wants: 'as wide as voltage, dirt and altitude ask in everything that was made here',
    clause: 'IEC 60664-1',
  },
  'insulation-watch': {
    name: 'Watch on the insulation',
    wants: 'a monitor on board, or a test at fixed intervals that is written down',
    clause: 'UN R100, 5.1.3; ISO 6469-3',
  },
  crash: {
    name: 'After a crash',
    wants: 'under 60 V or isolated within a minute, boxes held, nothing leaks into the cabin',
    clause: 'UN R94 and R95, 5.2.8 by analogy',
  },
  'drive-lock': {
    name: 'Plugged in it can’t drive off',
    wants: 'with the charge plug in the drive is locked',
    clause: 'UN R100, 5.2.2.2; ISO 17409',
    charging: true,
  },
  'residual-current': {
    name: 'Residual-current device at the supply',
    wants: '30 mA, of a type that sees the charger’s direct current',
    clause: 'IEC 60364-7-722',
    charging: true,
  },
  'lids-locked': {
    name: 'Lids locked against the operator',
    wants: 'nobody who only drives it opens a box or a cover: locks, or screws that want a special tool',
    clause: 'practice on sites; IEC 60204-1, 6.2.2 by analogy',
    site: true,
  },
  'key-switch': {
    name: 'Key against use by anybody',
    wants: 'a key or a code starts it, and comes off only when it is off',
    clause: 'practice on sites; ISO 3691-1, 4.2.3 by analogy',
    site: true,
  },
  'set-points': {
    name: 'Set points out of reach',
    wants: 'speed, ramp and current limits are behind a lid or a code, not on the dash',
    clause: 'practice on sites',
    site: true,
  },
};

/** Those that an inspector asks of this build. */
export function safeguardsOf({
  vehicle,
  fullV,
  rules,
}: Pick<Context, 'vehicle' | 'fullV' | 'rules'>): readonly SafeguardId[] {
  const charger = vehicle.devices.some(({ device }) => hasTrait(device.kind, 'charges'));
  const live = fullV !== null && fullV > rules.classBDcV.value;
  const { body, category } = vehicle.build.vehicle;
  const site = body === 'cart' || body === 'tractor' || category === 'T';
  return SAFEGUARDS.filter((id) => {
    const { charging, site: onSite } = SAFEGUARD_WORDS[id];
    return charging ? charger : onSite ? site : live;
  });
}

export const safeguard = defineRule({
  id: 'safeguard.seen',
  endangers: 'people',
  says: { fails: '{subject}: not so', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: ['Looked at on the car. Clauses are from memory: verify them in the text that your country follows'],
  sourcesIn: fromRules('classBDcV'),
  judge: (context) =>
    safeguardsOf(context).map((id): Finding<'detail'> => {
      const { name, wants, clause } = SAFEGUARD_WORDS[id];
      const subject: Ref = { kind: 'build', id: `safeguard-${id}`, name };
      const seen = context.vehicle.build.safeguards?.[id];
      if (seen === undefined) return { subject, missing: [{ ref: subject, what: `a look at the car: ${wants}` }] };
      return { subject, holds: seen, figures: { detail: wants }, lines: () => [{ formula: clause, figures: wants }] };
    }),
  remedies: 'Mend it, look at it again, and tell it under Touch in HV circuit. A licensed person inspects it.',
});
