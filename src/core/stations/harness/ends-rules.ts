import type { Edit } from '../../build';
import { type Finding, quantityText as q } from '../../checks';
import { endWords, type HarnessWire, harnessOf, isOpen, liveEnds, openEnds } from '../../vehicle';

import { defineRule } from '../define';
import { count, grouped, some, WIRING_REF, wireRef } from './shared';

const STATE_WORDS = {
  planned: 'not made',
  cut: 'cut',
  crimped: 'crimped',
  routed: 'routed',
  'left-long': 'left long',
  parked: 'parked',
  landed: 'landed',
  tested: 'tested',
} as const;

const area = (mm2: number | null): string => (mm2 === null ? 'no cable entered' : q(mm2, 'area'));

const liveEnd = defineRule({
  id: 'harness.live-end',
  endangers: 'people',
  work: true,
  says: {
    fails: '{subject} hangs loose while its other end is on {source}',
    holds: 'No loose end hangs on a source',
    line: '{detail}',
    open: 'Loose ends',
  },
  sources: [
    'Land the end at the source last; until then the other is capped, labelled and tied back (engineering practice)',
  ],
  judge: (context): Finding<'detail' | 'source'>[] => {
    const { vehicle } = context;
    if (!harnessOf(vehicle).begun) return [];
    const found = liveEnds(vehicle);
    if (found.length === 0)
      return [
        {
          subject: WIRING_REF,
          holds: true,
          figures: { detail: 'each end on a source has its other end landed, or capped and tied back' },
          lines: () => [
            {
              formula: 'ends that hang loose and are joined to a source with everything open',
              figures:
                'landed wires, bars, fuses and what carries current on were followed from boxes and battery; open contactors, disconnects, switches and relays end the way',
            },
          ],
        },
      ];
    return found.map(({ wire, side, source }) => ({
      subject: wireRef(context, wire),
      holds: false,
      figures: {
        source,
        detail: `${endWords(wire, side)}: ${STATE_WORDS[wire.ends[side].state]}, ${area(wire.areaMm2)}, at ${source} through ${endWords(wire, side === 'a' ? 'b' : 'a')}`,
      },
      lines: () => [
        {
          formula: 'this end loose, the other landed, nothing open between that and the source',
          figures: `${endWords(wire, side)} is ${STATE_WORDS[wire.ends[side].state]}; ${endWords(wire, side === 'a' ? 'b' : 'a')} is landed`,
          note: 'Take the landed end off first, with its source isolated, the meter proved and gloves on; or cap, label and tie back the loose one.',
        },
      ],
    }));
  },
  remedies:
    'Capped, labelled and tied back counts as parked; taken off at the source it is only crimped. Both are done at the car and ticked then.',
});

const asMade = defineRule({
  id: 'harness.as-made',
  endangers: 'fire',
  work: true,
  says: {
    fails: '{subject} is not made as the design has it now',
    holds: 'What is made is made as the design has it',
    line: '{detail}',
    open: 'Wires as made',
  },
  sources: ['What was ticked, held against the design of today'],
  judge: (context): Finding<'detail'>[] => {
    const { wires, gone, begun } = harnessOf(context.vehicle);
    if (!begun) return [];
    const wrong = wires.flatMap((wire) =>
      (['a', 'b'] as const).flatMap((side): Finding<'detail'>[] => {
        const end = wire.ends[side];
        if (end.wrong === null) return [];
        const made = end.made!;
        return [
          {
            subject: wireRef(context, wire),
            holds: false,
            figures: {
              detail:
                end.wrong === 'other-terminal'
                  ? `${STATE_WORDS[made.state]} for ${made.hostName}, belongs to ${endWords(wire, side)}`
                  : `${STATE_WORDS[made.state]} of ${area(made.areaMm2)}, the design has ${area(wire.areaMm2)}`,
            },
            lines: () => [
              {
                formula: 'as made = as designed',
                figures: `made ${made.date}: ${made.hostName}, ${area(made.areaMm2)}; designed: ${endWords(wire, side)}, ${area(wire.areaMm2)}`,
              },
            ],
          },
        ];
      }),
    );
    // Two ends of one wire are one finding.
    const first = new Map(wrong.map((finding) => [finding.subject.id, finding]));
    const left = gone.map(
      ({ id, name, ends }): Finding<'detail'> => ({
        subject: { kind: 'build', id, name },
        holds: false,
        figures: {
          detail: `the design has it no more; ${ends.map(({ made }) => `${STATE_WORDS[made.state]} at ${made.hostName}`).join(', ')}`,
        },
        lines: () => [
          { formula: 'in the car and in no design', figures: `${name}: taken out, or put into the design again` },
        ],
      }),
    );
    const all = [...first.values(), ...left];
    return all.length > 0
      ? all
      : [{ subject: WIRING_REF, holds: true, figures: { detail: 'terminals and cross-sections agree' } }];
  },
  remedies:
    'The wire is made anew, or the design is brought back to what is in the car; a wire that is gone is taken out and its ticks are dropped.',
});

const stillOpen = defineRule({
  id: 'harness.open-ends',
  endangers: 'parts',
  work: true,
  says: {
    fails: '{subject} has open ends',
    holds: 'Every end is landed',
    line: '{detail}',
    open: 'Wiring: {detail}',
  },
  sources: ['Ticks of the wiring list'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { wires, begun } = harnessOf(vehicle);
    if (!begun) return [];
    const { all, open } = openEnds(wires);
    const detail = `${open} of ${count(all, 'end')} open`;
    if (open === 0) return [{ subject: WIRING_REF, holds: true, figures: { detail: `all ${all} ends landed` } }];
    const waits = wires.filter(({ ends }) => isOpen(ends.a) || isOpen(ends.b));
    const byLoom = grouped(waits, ({ loom }) => loom);
    return [
      {
        subject: WIRING_REF,
        figures: { detail },
        missing: [
          {
            ref: WIRING_REF,
            what: `the ends of ${count(waits.length, 'wire')}: ${some(
              [...byLoom].map(([loom, list]) => `${loom} ${list.length}`),
              7,
            )}`,
          },
        ],
      },
    ];
  },
  remedies: 'Ends are landed at the car and ticked then.',
});

/** Of a wire, whichever circuit it is of. */
export const orangeOf = ({ colour, stripe }: HarnessWire): boolean => colour === 'OG' || stripe === 'OG';

const colour = defineRule({
  id: 'harness.colour',
  endangers: 'people',
  says: {
    fails: '{subject} has a colour that tells the wrong thing',
    holds: 'Orange is on traction wires and on no other',
    line: '{detail}',
    open: 'Colours',
  },
  sources: ['UN R100, 5.1.1.5.3: cables of voltage class B outside enclosures are orange', 'IEC 60757 colour codes'],
  judge: (context): Finding<'detail'>[] => {
    const { wires } = harnessOf(context.vehicle);
    if (wires.length === 0) return [];
    // Below 60 V it need not be orange, but nothing forbids it there either.
    const classB = context.fullV === null || context.fullV > context.rules.classBDcV.value;
    const wrong = wires.flatMap((wire): Finding<'detail'>[] => {
      const traction = wire.circuit === 'hv';
      if (traction && classB && wire.colour !== 'OG')
        return [
          {
            subject: wireRef(context, wire),
            holds: false,
            figures: { detail: `${wire.colour}, carries traction voltage: orange it has to be` },
          },
        ];
      if (!traction && orangeOf(wire))
        return [
          {
            subject: wireRef(context, wire),
            holds: false,
            figures: { detail: 'orange, and carries no traction voltage: whoever sees orange later trusts it less' },
          },
        ];
      return [];
    });
    return wrong.length > 0
      ? wrong
      : [{ subject: WIRING_REF, holds: true, figures: { detail: `${count(wires.length, 'wire')}` } }];
  },
  remedies: [
    ({ vehicle }, { subject }): Edit[] => {
      const mark = vehicle.build.harness?.marks?.[subject.id];
      if (!mark) return [];
      const { colour: _, stripe: __, ...others } = mark;
      return [{ edit: 'putInHarness', input: { list: 'marks', entries: [others] } }];
    },
  ],
});

export const ENDS_RULES = [liveEnd, asMade, stillOpen, colour] as const;
