import type { Edit } from '../../build';
import type { Finding } from '../../checks';
import { type HarnessWire, harnessOf, hostOf, missingSignals } from '../../vehicle';

import { defineRule } from '../define';
import { count, grouped, hasHarness, hostRef, some, WIRING_REF, wireRef } from './shared';

const needed = defineRule({
  id: 'harness.signals',
  endangers: 'people',
  says: {
    fails: '{subject} lacks a signal',
    holds: 'Each signal that the design needs has its wires',
    line: '{detail}',
    open: 'Signals',
  },
  sources: ['From the motors, who commands, what the control heeds, the cells and the plug'],
  judge: (context): Finding<'detail'>[] => {
    if (!hasHarness(context)) return [];
    const missing = missingSignals(context.vehicle.build);
    if (missing.length > 0)
      return [
        {
          subject: WIRING_REF,
          missing: missing.map(({ wanted, has }) => ({
            ref: 'hostId' in wanted.from ? hostRef(context, wanted.from.hostId, wanted.words) : WIRING_REF,
            what: `${wanted.words.toLowerCase()}: ${has === 0 ? count(wanted.wires.length, 'wire') : `${has} of ${wanted.wires.length} wires`}`,
          })),
        },
      ];
    return [
      {
        subject: WIRING_REF,
        holds: true,
        figures: { detail: 'position, pedals, selector, cells, plug and CAN bus' },
      },
    ];
  },
  remedies: 'The usual signals are laid out in one press under Wires; a wire that leads otherwise is entered there.',
});

/** Twisted with which wires, whoever of two was told. */
const partners = (wires: readonly HarnessWire[], wire: HarnessWire): readonly HarnessWire[] =>
  wires.filter(({ id, twistedWith }) => id !== wire.id && (id === wire.twistedWith || twistedWith === wire.id));

/** Plus and minus of one winding: what is left of their names without the sign is the same. */
const SIGN = /\s*[+−-]$/;
const oneWinding = (p: HarnessWire, q: HarnessWire): boolean => {
  const [a, b] = [p.ends.a.terminal, q.ends.a.terminal];
  return !SIGN.test(a) || !SIGN.test(b) || (a !== b && a.replace(SIGN, '') === b.replace(SIGN, ''));
};

/** Signals that a disturbance turns into something else. */
const TENDER: ReadonlySet<string> = new Set(['can-high', 'can-low', 'position']);

const ends = (wire: HarnessWire): string => [wire.ends.a.hostId, wire.ends.b.hostId].sort().join(' ');

const pairs = defineRule({
  id: 'harness.pairs',
  endangers: 'people',
  says: {
    fails: '{subject} is open to disturbance',
    holds: 'Position and CAN wires are twisted in their pairs, or shielded',
    line: '{detail}',
    open: 'Pairs and shields',
  },
  sources: [
    'ISO 11898-2: CAN bus as a twisted pair',
    'Position sensors: each pair of one winding twisted, or shielded with the shield earthed at one end (engineering practice)',
  ],
  judge: (context): Finding<'detail'>[] => {
    const { wires } = harnessOf(context.vehicle);
    const tender = wires.filter(({ signal }) => signal !== null && TENDER.has(signal));
    if (tender.length === 0) return [];
    const wrong = tender.flatMap((wire): Finding<'detail'>[] => {
      const subject = wireRef(context, wire);
      const twisted = partners(wires, wire);
      const other = twisted[0];
      if (twisted.length > 1)
        return [
          {
            subject,
            holds: false,
            figures: { detail: `twisted with ${twisted.map(({ label }) => label).join(' and ')}: a pair has two` },
          },
        ];
      const line = wire.signal !== 'position';
      const screened = wire.screen === 'a' || wire.screen === 'b';
      if (other) {
        const fits =
          ends(other) === ends(wire) &&
          (line
            ? other.signal !== wire.signal && other.signal?.startsWith('can-')
            : other.signal === 'position' && oneWinding(wire, other));
        return fits
          ? []
          : [
              {
                subject,
                holds: false,
                figures: { detail: `twisted with ${other.label} ${other.name}, which is not its pair` },
              },
            ];
      }
      if (screened && !line) return [];
      if (wire.screen === 'both' && !line)
        return [
          {
            subject,
            holds: false,
            figures: { detail: 'shield earthed at both ends: the inverter’s current finds a way through it' },
          },
        ];
      return [
        {
          subject,
          holds: false,
          figures: { detail: wire.screen === 'open' ? 'shield earthed nowhere' : 'neither twisted nor shielded' },
        },
      ];
    });
    return wrong.length > 0
      ? wrong
      : [{ subject: WIRING_REF, holds: true, figures: { detail: count(tender.length, 'wire') } }];
  },
  remedies: [
    ({ vehicle }, { subject }): Edit[] => {
      const { wires, wireOf } = harnessOf(vehicle);
      const wire = wireOf.get(subject.id);
      if (!wire) return [];
      const free = wires.find(
        (other) =>
          other.id !== wire.id &&
          ends(other) === ends(wire) &&
          partners(wires, other).length === 0 &&
          (wire.signal === 'position'
            ? other.signal === 'position' && oneWinding(wire, other)
            : other.signal?.startsWith('can-') && other.signal !== wire.signal),
      );
      return free
        ? [
            {
              edit: 'putInHarness',
              input: { list: 'marks', entries: [{ ...(wire.mark ?? { id: wire.id }), twistedWith: free.id }] },
            },
          ]
        : [];
    },
  ],
});

/** Signals whose level is a voltage against their own return. */
const AGAINST: ReadonlySet<string> = new Set(['pedal', 'temperature', 'proximity']);

const returns = defineRule({
  id: 'harness.returns',
  endangers: 'people',
  says: {
    fails: '{subject} has no return of its own',
    holds: 'Signals come back on wires of their own',
    line: '{detail}',
    open: 'Returns of signals',
  },
  sources: ['A signal that comes back through the body moves with every pump that starts (engineering practice)'],
  judge: (context): Finding<'detail'>[] => {
    const { build } = context.vehicle;
    const wires = harnessOf(context.vehicle).wires.filter(({ signal }) => signal !== null && AGAINST.has(signal));
    if (wires.length === 0) return [];
    const groups = grouped(wires, (wire) => `${ends(wire)} ${wire.signal}`);
    const wrong: Finding<'detail'>[] = [];
    // At each end that is no mere joint, whichever of the two was drawn first.
    const at = new Map<string, { readonly hostId: string; readonly hostName: string; readonly list: HarnessWire[] }>();
    for (const wire of wires) {
      if (wire.returns) continue;
      for (const { hostId, hostName } of [wire.ends.a, wire.ends.b]) {
        if (hostOf(build, hostId)?.passes) continue;
        const key = `${hostId} ${wire.signal}`;
        const known = at.get(key) ?? { hostId, hostName, list: [] };
        known.list.push(wire);
        at.set(key, known);
      }
    }
    for (const { hostId: host, hostName, list } of at.values()) {
      const first = list[0]!;
      const back = wires.filter(
        ({ returns: own, signal, ends: { a, b } }) =>
          own && signal === first.signal && (a.hostId === host || b.hostId === host),
      );
      const earthed = back.filter(({ ends: { a, b } }) =>
        [a, b].some(({ hostId }) => {
          const kind = hostOf(build, hostId)?.kind;
          return kind === 'earth' || kind === 'earth-point';
        }),
      );
      const name = `${hostName}, ${first.signal}`;
      const subject = hostRef(context, host, name);
      const where = some(list.map(({ label }) => label));
      if (back.length === 0)
        wrong.push({ subject, holds: false, figures: { detail: `${where}: no wire brings its current back` } });
      else if (earthed.length > 0)
        wrong.push({
          subject,
          holds: false,
          figures: {
            detail: `${some(earthed.map(({ label }) => label))} goes to the body: shared with whatever else is earthed there`,
          },
        });
    }
    return wrong.length > 0
      ? wrong
      : [{ subject: WIRING_REF, holds: true, figures: { detail: count(groups.size, 'group') } }];
  },
  remedies: 'A return is a wire of its own from the sensor to whatever reads it; it is entered under Wires.',
});

const splices = defineRule({
  id: 'harness.splices',
  endangers: 'parts',
  says: {
    fails: '{subject} lies where no hand gets to it',
    holds: 'Splices can be got at',
    line: '{detail}',
    open: '{subject}',
  },
  sources: ['Splices only where they can be got at, staggered along the loom (engineering practice)'],
  judge: (context): Finding<'detail'>[] => {
    const used = new Set(harnessOf(context.vehicle).wires.flatMap(({ ends: { a, b } }) => [a.hostId, b.hostId]));
    return Object.values(context.vehicle.build.harness?.fittings ?? {}).flatMap((fitting): Finding<'detail'>[] => {
      if (fitting.kind !== 'splice' || !used.has(fitting.id)) return [];
      const subject = hostRef(context, fitting.id, fitting.name);
      return fitting.reachable === undefined
        ? [{ subject, missing: [{ ref: subject, what: 'whether a hand gets to it' }] }]
        : [
            {
              subject,
              holds: fitting.reachable,
              figures: {
                detail: fitting.reachable
                  ? 'it can be got at'
                  : 'it can’t be looked at, and where it is found open the loom has to be cut',
              },
            },
          ];
    });
  },
  remedies: 'Move it along the loom to where a hand gets to it.',
});

const leads = defineRule({
  id: 'harness.leads',
  endangers: 'parts',
  work: true,
  says: {
    fails: '{subject} leads to nothing',
    holds: 'Each signal wire leads from something to something',
    line: '{detail}',
    open: 'Signal wires',
  },
  sources: ['Wires against the devices and fittings of the build'],
  judge: (context): Finding<'detail'>[] => {
    const wires = harnessOf(context.vehicle).wires.filter(({ circuit }) => circuit === 'signal');
    if (wires.length === 0) return [];
    const lost = wires.filter(({ ends: { a, b } }) => !a.known || !b.known);
    return lost.length > 0
      ? lost.map((wire) => ({
          subject: wireRef(context, wire),
          holds: false,
          figures: { detail: 'what it led to is gone: the wire is kept until somebody drops it or leads it elsewhere' },
        }))
      : [{ subject: WIRING_REF, holds: true, figures: { detail: count(wires.length, 'signal wire') } }];
  },
  remedies: [
    ({ vehicle }, { subject }): Edit[] =>
      vehicle.build.harness?.wires?.[subject.id]
        ? [{ edit: 'dropFromHarness', input: { list: 'wires', id: subject.id } }]
        : [],
  ],
});

export const WIRE_RULES = [needed, pairs, returns, splices, leads] as const;
