import type { HarnessWire } from '../vehicle';
import { type DecimalMark, writeCsv } from './csv';

const SCREEN_WORDS = {
  none: '',
  a: 'shield earthed at A',
  b: 'shield earthed at B',
  both: 'shield earthed at both',
  open: 'shield open',
};

/** Every wire with its fields, one line each. */
export function wiringCsv(wires: readonly HarnessWire[], mark: DecimalMark = '.'): string {
  const labelOf = new Map(wires.map(({ id, label }) => [id, label]));
  return writeCsv(
    [
      [
        'label',
        'name',
        'subHarness',
        'colour',
        'stripe',
        'areaMm2',
        'lengthM',
        'cutM',
        'parallel',
        'endA',
        'terminalA',
        'pinA',
        'crimpA',
        'stateA',
        'endB',
        'terminalB',
        'pinB',
        'crimpB',
        'stateB',
        'twistedWith',
        'screen',
      ],
      ...wires.map((wire) => [
        wire.label,
        wire.name,
        wire.loom,
        wire.colour,
        wire.stripe,
        wire.areaMm2,
        round(wire.lengthM),
        round(wire.cutM),
        wire.parallel,
        ...(['a', 'b'] as const).flatMap((side) => {
          const { hostName, at, pin, crimp, state } = wire.ends[side];
          return [hostName, at, pin, crimp, state];
        }),
        wire.twistedWith === null ? null : (labelOf.get(wire.twistedWith) ?? null),
        SCREEN_WORDS[wire.screen ?? 'none'],
      ]),
    ],
    mark,
  );
}

const round = (m: number | null): number | null => (m === null ? null : Math.round(m * 100) / 100);

/** What is written at each end of a wire: its label, and where this end belongs. */
export interface EndLabel {
  readonly id: string;
  readonly label: string;
  readonly goes: string;
  readonly colour: string;
}
export const endLabels = (wires: readonly HarnessWire[]): readonly EndLabel[] =>
  wires.flatMap(({ id, label, colour, stripe, ends }) =>
    (['a', 'b'] as const).map((side) => ({
      id: `${id} ${side}`,
      label,
      goes: `${ends[side].hostName} ${ends[side].at}${ends[side].pin === null ? '' : `, pin ${ends[side].pin}`}`,
      colour: stripe ? `${colour}/${stripe}` : colour,
    })),
  );

/** Labels as a table for a label printer, two lines a wire. */
export const labelsCsv = (wires: readonly HarnessWire[], mark: DecimalMark = '.'): string =>
  writeCsv(
    [['label', 'goesTo', 'colour'], ...endLabels(wires).map(({ label, goes, colour }) => [label, goes, colour])],
    mark,
  );
