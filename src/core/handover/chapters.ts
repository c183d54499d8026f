import type { Assessment } from '../assess';
import { buildDigest } from '../build/digest';
import { marginText, say as sayCheck, VERDICT_WORDS } from '../checks';
import { builtChapter } from './built';
import {
  circuitChapter,
  lowChapter,
  planChapter,
  sequenceChapter,
  settingsChapter,
  tapChapter,
  wiresChapter,
} from './circuit-chapters';
import { type Chapter, DECIDES, type Imprint, table, text } from './document';
import { ownerChapter, rescueChapter } from './people-chapters';
import { checksChapter, openChapter, partsChapter, testsChapter } from './record-chapters';

const OUTCOME = {
  holds: 'Everything that is judged holds.',
  undecided: 'Nothing fails; something could not be judged.',
  fails: 'Something fails: see the open points.',
} as const;

export const imprintOf = ({ build }: Assessment, date: string): Imprint => ({
  build: build.name,
  digest: buildDigest(build),
  date,
  us: build.units === 'us',
});

function coverChapter(assessment: Assessment): Chapter {
  const { build, checks, outcome } = assessment;
  const thin = checks
    .filter(({ margin, work }) => margin !== undefined && !work)
    .sort((p, q) => p.margin! - q.margin!)
    .slice(0, 8);
  return {
    id: 'cover',
    title: build.name,
    blocks: [
      text(OUTCOME[outcome], true),
      { is: 'caution', text: DECIDES },
      text('Thinnest margins', true),
      table(
        ['Margin', 'Of', ''],
        thin.map((check) => {
          const { title, line } = sayCheck(check, build.units);
          return [
            check.verdict === 'fails' ? `${VERDICT_WORDS.fails}, ${marginText(check)}` : marginText(check),
            title,
            line,
          ];
        }),
        [1, 2],
      ),
      ...(build.notes.trim() === '' ? [] : [text('Notes', true), text(build.notes)]),
    ],
  };
}

/** Every chapter of the build pack, in its order. `date` is today. */
export function chaptersOf(assessment: Assessment, date: string): readonly Chapter[] {
  return [
    coverChapter(assessment),
    rescueChapter(assessment),
    ownerChapter(assessment, date),
    circuitChapter(assessment),
    planChapter(assessment),
    lowChapter(assessment),
    wiresChapter(assessment),
    tapChapter(assessment),
    sequenceChapter(assessment),
    settingsChapter(assessment),
    testsChapter(assessment),
    builtChapter(assessment),
    openChapter(assessment),
    partsChapter(assessment),
    checksChapter(assessment),
  ].filter((chapter): chapter is Chapter => chapter !== null);
}
