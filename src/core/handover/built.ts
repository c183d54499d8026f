import type { Assessment } from '../assess';
import { formatQuantity } from '../quantities';
import { type BuiltLine, builtLines } from '../stations/commission';
import { type DeviceSheet, SETTING_WORDS, sameSetting, serves } from '../stations/interlocks';
import { type Chapter, table, text } from './document';

/** Settings beside what the design wants: what was entered is as built, what the device said back is as measured. */
const settingLines = (sheets: readonly DeviceSheet[]): BuiltLine[] =>
  sheets.flatMap(({ name, sheet, rows }) =>
    rows.flatMap((row): BuiltLine[] => {
      const { deviceId, setting, dimension, wanted, sense, entry } = row;
      const { entered = null, readBack = null } = entry ?? {};
      if (entered === null && readBack === null) return [];
      const set = [entered, readBack].filter((value) => value !== null);
      return [
        {
          id: `setting ${deviceId} ${setting}`,
          of: name,
          what: SETTING_WORDS[setting],
          dimension,
          designed: wanted,
          built: entered,
          measured: readBack,
          differs:
            wanted === null ||
            set.some((value) => !serves(row, value)) ||
            (entered !== null && readBack !== null && !sameSetting(entered, readBack)),
          note: [
            sense === 'equal' || wanted === null ? '' : sense === 'at-most' ? 'at most' : 'at least',
            sheet?.date ?? '',
          ]
            .filter(Boolean)
            .join(', '),
        },
      ];
    }),
  );

/** The whole car as it was designed, as it was built and set, and as it was measured; what differs first. */
export const builtOf = ({ context, results }: Pick<Assessment, 'context' | 'results'>): readonly BuiltLine[] =>
  [...builtLines(context), ...settingLines(results.interlocks.sheets)].sort(
    (p, r) => Number(r.differs) - Number(p.differs),
  );

/** The same on paper; null: nothing was ticked, read or set yet. */
export function builtChapter(assessment: Assessment): Chapter | null {
  const lines = builtOf(assessment);
  if (lines.length === 0) return null;
  const say = (value: number | string | null, { dimension }: BuiltLine) =>
    typeof value === 'number' && dimension !== null
      ? formatQuantity({ value, dimension }, assessment.build.units, 4).text
      : String(value ?? '');
  const differ = lines.filter(({ differs }) => differs).length;
  return {
    id: 'built',
    title: 'Designed, as built, measured',
    blocks: [
      text(`${differ} of ${lines.length} differ; they stand first.`),
      table(
        ['', 'Of', 'Figure', 'Designed', 'As built', 'Measured', ''],
        lines.map((line) => [
          line.differs ? 'differs' : '',
          line.of,
          line.what,
          say(line.designed, line),
          say(line.built, line),
          say(line.measured, line),
          line.note,
        ]),
        [1, 2],
      ),
    ],
  };
}
