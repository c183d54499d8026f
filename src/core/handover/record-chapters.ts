import type { Assessment } from '../assess';
import { findDevice } from '../build';
import { marginText, say as sayCheck, spell, VERDICT_WORDS } from '../checks';
import { type Dimension, formatQuantity, inUnits } from '../quantities';
import { DEAD_FIRST, SHEET_WORDS, type SheetLine } from '../stations/commission';
import { gating } from '../stations/plan';
import { type Block, type Chapter, table, text } from './document';

const speaker =
  ({ build: { units } }: Assessment) =>
  (value: number | null | undefined, dimension: Dimension, digits = 4): string =>
    value === null || value === undefined ? '' : formatQuantity({ value, dimension }, units, digits).text;

const band = (say: ReturnType<typeof speaker>, { dimension, low, high }: SheetLine['step']): string => {
  if (dimension === null) return 'yes';
  if (low !== null && high !== null)
    return low === high ? say(low, dimension) : `${say(low, dimension)} to ${say(high, dimension)}`;
  if (low !== null) return `at least ${say(low, dimension)}`;
  return high !== null ? `at most ${say(high, dimension)}` : '';
};

/** Test sheets as they stand, with room where nothing was read. */
export function testsChapter(assessment: Assessment): Chapter {
  const { build, results } = assessment;
  const say = speaker(assessment);
  return {
    id: 'tests',
    title: 'Test sheets',
    across: true,
    blocks: [
      {
        is: 'caution',
        text: `At every opening of traction voltage: ${DEAD_FIRST} Cells never switch off: cover what stays live.`,
      },
      ...results.commission.sheets.flatMap((sheet): Block[] => [
        text(SHEET_WORDS[sheet.id][0], true),
        table(
          ['', 'Test', 'Probes and switches', 'Reads', 'Read', 'By, day'],
          sheet.lines.map(({ step, read, result }, k) => [
            String(k + 1),
            `${step.name}${step.two ? ' (two people)' : ''}`,
            inUnits([step.where, step.switches].filter(Boolean).join('; '), build.units),
            band(say, step),
            read !== null && step.dimension !== null
              ? say(read, step.dimension)
              : result?.ok !== undefined
                ? result.ok
                  ? 'as it should be'
                  : 'not so'
                : result?.skipped
                  ? `skipped: ${result.skipped}`
                  : '',
            result ? `${result.by ?? ''} ${result.date}`.trim() : '',
          ]),
          [1, 2],
        ),
        text(
          sheet.sign
            ? `Signed by ${sheet.sign.by}${sheet.sign.role ? `, ${sheet.sign.role}` : ''}, ${sheet.sign.date}, for ${sheet.sign.digest}${sheet.signed === 'older' ? ': an older design than this one' : ''}.`
            : 'Signed, name, date:',
        ),
      ]),
    ],
  };
}

/** What is open: findings, what is not judged, the register of the car. */
export function openChapter(assessment: Assessment): Chapter {
  const { build, checks, reservations, results } = assessment;
  const findings = checks.filter(({ verdict }) => verdict !== 'holds' && verdict !== 'thin');
  const gates = gating(results.plan.register);
  return {
    id: 'open',
    title: 'Open points',
    blocks: [
      text(findings.length === 0 ? 'Nothing fails, nothing is undecided.' : `${findings.length} findings`, true),
      table(
        ['Verdict', 'Finding', 'Says'],
        findings.map((check) => {
          const { title, line } = sayCheck(check, build.units);
          return [VERDICT_WORDS[check.verdict], title, line];
        }),
        [1, 2],
      ),
      text('In the car for the time being', true),
      ...(gates.length === 0
        ? [text('Nothing that keeps it off the road.')]
        : [
            { is: 'list', items: gates.map(({ what, since }) => `${what}${since ? `, since ${since}` : ''}`) } as const,
          ]),
      text('Not judged', true),
      { is: 'list', items: reservations.notJudged.map((words) => inUnits(words, build.units)) },
    ],
  };
}

/** Every check with its working, worst first. */
export function checksChapter(assessment: Assessment): Chapter {
  const { build, checks } = assessment;
  const system = build.units;
  return {
    id: 'checks',
    title: 'Checks with their working',
    blocks: [
      table(
        ['Margin', 'Check', 'Working'],
        checks.map((check) => {
          const { title, line } = sayCheck(check, system);
          const { lines } = spell(check.working, system);
          const steps = lines.map(
            ({ formula, figures, result }) =>
              `${formula}: ${figures}${result ? ` = ${formatQuantity(result, system, 4).text}` : ''}`,
          );
          return [
            check.margin === undefined ? VERDICT_WORDS[check.verdict] : marginText(check),
            `${title}. ${line}`,
            steps.join('\n'),
          ];
        }),
        [1, 2],
      ),
    ],
  };
}

/** Parts with prices against the budget. */
export function partsChapter(assessment: Assessment): Chapter {
  const { build } = assessment;
  const list = Object.values(build.inHand ?? {});
  const money = (value: number | undefined) => (value === undefined ? '' : value.toLocaleString('en-GB'));
  const sum = list.reduce((all, { price = 0, count }) => all + price * count, 0);
  const unpriced = list.filter(({ price }) => price === undefined).length;
  const used = Object.values(build.parts).map(({ name, kind }) => {
    const devices = assessment.vehicle.devices.filter(
      ({ device }) => device.partId !== null && build.parts[device.partId]?.name === name,
    );
    return [name, kind.replaceAll('-', ' '), devices.map(({ device }) => device.name).join(', ')];
  });
  const budget = build.costs?.budget;
  return {
    id: 'parts',
    title: 'Parts list',
    blocks: [
      text('In hand, on their way, wanted', true),
      table(
        ['Part', 'For', 'State', 'Count', 'Price', 'Together'],
        list.map(({ name, deviceId, state, count, price }) => [
          name,
          deviceId === undefined ? '' : (findDevice(build, deviceId)?.name ?? 'gone'),
          state.replaceAll('-', ' '),
          String(count),
          money(price),
          money(price === undefined ? undefined : price * count),
        ]),
        [0, 1],
      ),
      text(
        `Together ${money(sum)}${unpriced > 0 ? `, ${unpriced} without a price` : ''}${
          budget === undefined
            ? '; no budget is entered.'
            : `; budget ${money(budget)}: ${budget >= sum ? `${money(budget - sum)} left` : `${money(sum - budget)} over`}.`
        }`,
      ),
      text('Parts of the design', true),
      table(['Part', 'Kind', 'Fitted as'], used, [0, 2]),
    ],
  };
}
