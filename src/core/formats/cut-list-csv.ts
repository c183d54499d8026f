import { type DecimalMark, writeCsv } from './csv';

/** What the table needs of a cut list. */
export interface CutTable {
  readonly groups: readonly {
    readonly part: { readonly name: string; readonly areaMm2: number };
    readonly orange: boolean;
    readonly termination: { readonly stud: string; readonly gland: string | null; readonly shrinkMm: number };
    readonly reels: readonly {
      readonly lengthM: number;
      readonly pieces: readonly {
        readonly name: string;
        readonly fromName: string;
        readonly toName: string;
        readonly lengthM: number;
        readonly clamps: number;
      }[];
    }[];
  }[];
}

/** The cut list as a table: one line a piece, in the order of cutting, with what its label says at either end. */
export function cutListCsv(list: CutTable, mark: DecimalMark = '.'): string {
  const rows = list.groups.flatMap((group) =>
    group.reels.flatMap((reel, k) =>
      reel.pieces.map((piece, n) => [
        group.part.name,
        group.part.areaMm2,
        group.orange ? 'orange' : '',
        k + 1,
        reel.lengthM,
        n + 1,
        piece.lengthM,
        piece.name,
        piece.fromName,
        piece.toName,
        group.termination.stud,
        group.termination.gland ?? '',
        group.termination.shrinkMm,
        piece.clamps,
      ]),
    ),
  );
  return writeCsv(
    [
      [
        'cable',
        'areaMm2',
        'colour',
        'reel',
        'reelM',
        'cut',
        'lengthM',
        'label',
        'endA',
        'endB',
        'lugStud',
        'gland',
        'heatShrinkMm',
        'clamps',
      ],
      ...rows,
    ],
    mark,
  );
}
