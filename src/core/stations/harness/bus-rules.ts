import type { Edit } from '../../build';
import { type Finding, quantityText as q, type Ref } from '../../checks';
import { type DataLine, dataLines } from '../../vehicle';
import type { Context } from '../context';
import { defineRule } from '../define';
import { hostRef, some } from './shared';

const lineRef = (context: Context, { id, nodes }: DataLine): Ref => {
  const first = nodes.find(({ hostId }) => hostId === id) ?? nodes[0]!;
  return { ...hostRef(context, first.hostId, `CAN bus at ${first.name}`) };
};
const lines = ({ vehicle }: Context) => dataLines(vehicle);
const rate = (bps: number): string => `${bps / 1000} kbit/s`;
const hex = (identifier: number): string => `0x${identifier.toString(16).toUpperCase()}`;

const ends = defineRule({
  id: 'harness.line-ends',
  endangers: 'people',
  says: {
    fails: '{subject} is not terminated at both its ends',
    holds: '{subject} is terminated at both its ends',
    line: '{detail}',
    open: '{subject}: where it is terminated',
  },
  sources: ['ISO 11898-2: 120 Ω at both ends and nowhere else; 60 Ω between H and L with everything off'],
  judge: (context): Finding<'detail'>[] =>
    lines(context).map((line): Finding<'detail'> => {
      const subject = lineRef(context, line);
      const shown = line.ohm === null ? 'open' : q(line.ohm, 'resistance');
      const work = () => [
        {
          formula: 'R = 120 Ω / n',
          figures: `n = ${line.terminators.length}: ${shown} between H and L with power off`,
          note: some(line.terminators.map(({ name }) => name)),
        },
      ];
      if (line.terminators.length > 2)
        return {
          subject,
          holds: false,
          figures: { detail: `${line.terminators.length} terminate it: ${shown}, not 60 Ω` },
          lines: work,
        };
      if (line.untold.length > 0)
        return {
          subject,
          missing: line.untold.map(({ hostId, name }) => ({
            ref: hostRef(context, hostId, name),
            what: `whether ${name} terminates the line`,
          })),
          lines: work,
        };
      return line.terminators.length === 2
        ? {
            subject,
            holds: true,
            figures: { detail: `${some(line.terminators.map(({ name }) => name))}: ${shown}` },
            lines: work,
          }
        : {
            subject,
            holds: false,
            figures: {
              detail: `${line.terminators.length === 0 ? 'nothing terminates it' : `only ${line.terminators[0]!.name} terminates it: ${shown}`}`,
            },
            lines: work,
          };
    }),
  remedies: [
    (context, { subject }): Edit[] => {
      const line = lines(context).find((one) => lineRef(context, one).id === subject.id);
      if (!line || line.terminators.length >= 2) return [];
      return line.nodes.flatMap(({ node }) =>
        node && node.terminates === false
          ? [
              {
                edit: 'putInHarness' as const,
                input: { list: 'nodes' as const, entries: [{ ...node, terminates: true }] },
              },
            ]
          : [],
      );
    },
  ],
});

const wired = defineRule({
  id: 'harness.line-wires',
  endangers: 'people',
  says: {
    fails: '{subject} is not wired as a line',
    holds: '{subject} is wired as one line',
    line: '{detail}',
    open: '{subject}',
  },
  sources: ['ISO 11898-2: one line, both wires to every node, no ring'],
  judge: (context): Finding<'detail'>[] =>
    lines(context).map((line): Finding<'detail'> => {
      const wrong = [
        ...(line.oneSided.length > 0 ? [`only one of the two wires reaches ${some(line.oneSided)}`] : []),
        ...line.crossed.map(({ label }) => `${label} has H at one end and L at the other`),
        ...(line.ring ? ['it closes a ring'] : []),
        ...(line.nodes.filter(({ passes }) => !passes).length < 2 ? ['one node alone has no partner'] : []),
      ];
      return {
        subject: lineRef(context, line),
        holds: wrong.length === 0,
        figures: {
          detail: wrong.length > 0 ? some(wrong) : `${line.nodes.filter(({ passes }) => !passes).length} nodes`,
        },
      };
    }),
  remedies: 'Lead both wires from node to node, H to H and L to L.',
});

const length = defineRule({
  id: 'harness.line-length',
  endangers: 'people',
  comfort: 0,
  says: {
    fails: '{subject} is too long for its bit rate',
    holds: '{subject} is short enough for its bit rate',
    line: '{detail}',
    open: '{subject}: its lengths',
  },
  sources: ['Rule of thumb: 40 m at 1 Mbit/s, 100 m at 500 kbit/s, 250 m at 250 kbit/s; stubs 0.3 m, 1 m, 2 m'],
  judge: (context): Finding<'detail'>[] =>
    lines(context).map((line): Finding<'detail'> => {
      const subject = lineRef(context, line);
      const branches = line.nodes.filter(({ passes }) => !passes);
      // Known lengths that are too long already need no others.
      const longest = Math.max(0, ...branches.map(({ stubM }) => stubM ?? 0));
      if (line.mostTrunkM === null || line.mostStubM === null)
        return { subject, missing: [{ ref: subject, what: 'the bit rate of each node' }] };
      const work = () => [
        {
          formula: 'l ≤ l_max(bit rate)',
          figures: `${line.trunkM === null ? 'not known' : q(line.trunkM, 'length')} of ${q(line.mostTrunkM!, 'length')} at ${rate(line.bitRateBps!)}`,
        },
        {
          formula: 'stub ≤ stub_max(bit rate)',
          figures: `longest ${q(longest, 'length')} of ${q(line.mostStubM!, 'length')}`,
        },
      ];
      if (longest > line.mostStubM)
        return {
          subject,
          holds: false,
          figures: {
            detail: `${branches.find(({ stubM }) => stubM === longest)!.name} hangs on a stub of ${q(longest, 'length')}; ${q(line.mostStubM, 'length')} at most`,
          },
          lines: work,
        };
      if (line.trunkM !== null && line.trunkM > line.mostTrunkM)
        return {
          subject,
          holds: false,
          figures: {
            detail: `${q(line.trunkM, 'length')} of ${q(line.mostTrunkM, 'length')} at ${rate(line.bitRateBps!)}`,
          },
          lines: work,
        };
      const untold = line.wires.filter(({ lengthM }) => lengthM === null);
      if (line.trunkM === null || branches.some(({ stubM }) => stubM === null))
        return {
          subject,
          missing:
            untold.length > 0
              ? untold.map(({ id, label, name }) => ({
                  ref: { kind: 'build' as const, id, name },
                  what: `length of ${label}`,
                }))
              : [{ ref: subject, what: 'both wires to every node' }],
          lines: work,
        };
      return {
        subject,
        holds: true,
        figures: {
          detail: `${q(line.trunkM, 'length')} of ${q(line.mostTrunkM, 'length')} at ${rate(line.bitRateBps!)}`,
        },
        lines: work,
      };
    }),
  remedies:
    'Terminate the two that are farthest apart, lead the line through each node, or take a slower bit rate for all.',
});

const talk = defineRule({
  id: 'harness.line-talk',
  endangers: 'people',
  says: {
    fails: '{subject}: its nodes can’t talk to one another',
    holds: '{subject}: one bit rate, no identifier twice',
    line: '{detail}',
    open: '{subject}: what its nodes say',
  },
  sources: ['ISO 11898-1: one bit rate on a line, an identifier is sent by one node'],
  judge: (context): Finding<'detail'>[] =>
    lines(context).map((line): Finding<'detail'> => {
      const subject = lineRef(context, line);
      const wrong = [
        ...(line.rates.length > 1 ? [`bit rates ${line.rates.map(rate).join(' and ')}`] : []),
        ...line.doubled.map((name) => `${name} is entered twice`),
        ...line.twice.map(({ identifier, names }) => `${hex(identifier)} is sent by ${names.join(' and ')}`),
        ...line.unsent.map(({ identifier, name }) => `${name} waits for ${hex(identifier)}, which nobody sends`),
      ];
      if (wrong.length > 0) return { subject, holds: false, figures: { detail: some(wrong) } };
      const untold = line.nodes.filter(
        ({ passes, node }) => !passes && (node?.bitRateBps === undefined || node.sends === undefined),
      );
      if (untold.length > 0)
        return {
          subject,
          missing: untold.map(({ hostId, name }) => ({
            ref: hostRef(context, hostId, name),
            what: `bit rate and messages of ${name}`,
          })),
        };
      return { subject, holds: true, figures: { detail: rate(line.bitRateBps!) } };
    }),
  remedies:
    'Where two donors use one identifier, a bridge between two lines of their own passes on what is needed, changed.',
});

/** Of a line’s time; more leaves too little for what comes late. */
const MOST_LOAD = 0.5;

const load = defineRule({
  id: 'harness.line-load',
  endangers: 'people',
  says: {
    fails: '{subject} is too busy',
    holds: '{subject} has time left',
    line: '{demand} of {limit}',
    open: '{subject}: how busy it is',
  },
  sources: [
    'Σ bits · rate / bit rate with the most stuff bits (Tindell and Burns 1994); at most half (engineering practice)',
  ],
  judge: (context): Finding[] =>
    lines(context).flatMap((line): Finding[] => {
      if (line.load === null) return [];
      return [
        {
          subject: lineRef(context, line),
          demand: { value: line.load, dimension: 'ratio' },
          limit: { value: MOST_LOAD, dimension: 'ratio' },
          margin: (MOST_LOAD - line.load) / MOST_LOAD,
          lines: () => [
            {
              formula: 'Σ (34 + 8·n + 13 + floor((34 + 8·n − 1)/4)) / T / bit rate',
              figures: `${line.nodes.flatMap(({ node }) => node?.sends ?? []).length} messages at ${rate(line.bitRateBps!)}: ${q(line.load!, 'ratio')}`,
            },
          ],
        },
      ];
    }),
  remedies: 'Send less often what does not change, or raise the bit rate of all.',
});

export const BUS_RULES = [ends, wired, length, talk, load] as const;
