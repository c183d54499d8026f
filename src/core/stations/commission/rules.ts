import { isValid, parseISO } from 'date-fns';
import { type Finding, quantityText as q, type Ref } from '../../checks';
import { defineRule } from '../define';
import { sheetsFor } from './results';
import type { Sheet, SheetLine } from './sheets';
import { SHEET_WORDS } from './sheets-words';

const sheetRef = (id: Sheet['id']): Ref => ({ kind: 'build', id: `sheet-${id}`, name: SHEET_WORDS[id][0] });
const stepRef = ({ step }: SheetLine): Ref => ({ kind: 'build', id: `test-${step.id}`, name: step.name });
const COMMISSION_REF: Ref = { kind: 'build', id: 'commission', name: 'Commission' };
const some = (names: readonly string[], most = 3): string =>
  names.length <= most ? names.join('; ') : `${names.slice(0, most).join('; ')}; and ${names.length - most} more`;

/** A sheet in a sentence: what was read against its band. */
const readText = ({ step, read, side }: SheetLine): string => {
  if (read === null || step.dimension === null) return side === 'not' ? 'not as it should be' : '';
  const limit = side === 'low' ? step.low : step.high;
  return `${q(read, step.dimension)}, ${side === 'low' ? 'at least' : 'at most'} ${q(limit!, step.dimension)}`;
};

const OUT = {
  says: {
    fails: '{subject} is not as it should be',
    holds: '{subject} reads right',
    line: '{detail}',
    open: '{subject}',
  },
  sources: ['Reading at the car against the band of its step, on the sheet'],
} as const;

/** One finding a reading that is out. */
const outOf =
  (endangers: readonly SheetLine['step']['endangers'][]) =>
  (context: Parameters<typeof sheetsFor>[0]): Finding<'detail'>[] =>
    sheetsFor(context).sheets.flatMap(({ lines }) =>
      lines.flatMap((line): Finding<'detail'>[] =>
        line.state === 'out' && endangers.includes(line.step.endangers)
          ? [{ subject: stepRef(line), holds: false, figures: { detail: `${readText(line)}. ${line.hint}` } }]
          : [],
      ),
    );

const reading = defineRule({
  id: 'commission.reading',
  endangers: 'people',
  work: true,
  ...OUT,
  judge: outOf(['people']),
  remedies: 'Find the cause, mend it, read again; or adopt what was measured, where the model was wrong.',
});
const hotReading = defineRule({
  id: 'commission.hot-reading',
  endangers: 'fire',
  work: true,
  ...OUT,
  judge: outOf(['fire']),
  remedies: 'Find the cause, mend it, read again; or adopt what was measured, where the model was wrong.',
});
const partReading = defineRule({
  id: 'commission.part-reading',
  endangers: 'parts',
  work: true,
  ...OUT,
  judge: outOf(['parts', 'comfort']),
  remedies: 'Find the cause, mend it, read again; or adopt what was measured, where the model was wrong.',
});

const sheets = defineRule({
  id: 'commission.sheet',
  endangers: 'people',
  work: true,
  says: {
    fails: '{subject}: not tested through',
    holds: '{subject}: tested through',
    line: '{detail}',
    open: 'Sheet {subject}',
  },
  sources: ['Each sheet opens the next; a test that was skipped is not a test'],
  judge: (context): Finding<'detail'>[] => {
    const { begun, sheets: all } = sheetsFor(context);
    if (!begun) return [];
    return all.map((sheet): Finding<'detail'> => {
      const subject = sheetRef(sheet.id);
      const { lines, passed } = sheet;
      const out = lines.filter(({ state }) => state === 'out');
      if (out.length > 0)
        return { subject, waitsFor: out.map((line) => ({ ref: stepRef(line), what: 'reads as it should' })) };
      const waits = lines.filter(({ state, step }) => state === 'unsure' && step.pending);
      const missing = lines.flatMap((line) => {
        const { state, step, result } = line;
        if (state === 'open') return [{ ref: subject, what: step.name }];
        if (state === 'unsure' && step.pending) return [];
        if (state === 'unsure') return [{ ref: subject, what: `${step.name}: ${step.lacks ?? 'a band'}` }];
        if (state === 'skipped') return [{ ref: subject, what: `${step.name} (skipped: ${result?.skipped ?? ''})` }];
        return [];
      });
      if (missing.length > 0) return { subject, missing: missing.slice(0, 12) };
      if (waits.length > 0) return { subject, pending: 'the usual trip is being driven' };
      return { subject, holds: true, figures: { detail: `${passed} ${passed === 1 ? 'test' : 'tests'}` } };
    });
  },
  remedies: 'Do the tests that are left, in the order of the sheet.',
});

const order = defineRule({
  id: 'commission.order',
  endangers: 'people',
  work: true,
  says: {
    fails: 'Tested before what has to come first',
    holds: 'Tests in safe order',
    line: '{detail}',
    open: 'Order of the tests',
  },
  sources: ['Each sheet gates the next; what is left out has a reason in the record'],
  judge: (context): Finding<'detail'>[] => {
    const { begun, sheets: all } = sheetsFor(context);
    if (!begun) return [];
    // A sheet that was signed once was tested: what is open on it now came later, with the design.
    const never = new Set(all.flatMap(({ id, sign }) => (sign === null ? [id] : [])));
    const early = all.flatMap((sheet) => {
      const before = sheet.waitsFor.filter((id) => never.has(id));
      const begunHere = sheet.lines.some(({ result, state }) => result !== null && state !== 'skipped');
      return before.length > 0 && begunHere
        ? [`${SHEET_WORDS[sheet.id][0]} begun, not done before it: ${some(before.map((id) => SHEET_WORDS[id][0]))}`]
        : [];
    });
    return [
      {
        subject: COMMISSION_REF,
        holds: early.length === 0,
        figures: { detail: early.length > 0 ? some(early) : 'each sheet before the next' },
      },
    ];
  },
  remedies: 'Go back and do the earlier sheet, or skip its tests for a reason that you stand by.',
});

const dates = defineRule({
  id: 'commission.dates',
  endangers: 'comfort',
  work: true,
  says: {
    fails: 'Days of the tests contradict one another',
    holds: 'Days of the tests agree',
    line: '{detail}',
    open: 'Days of the tests',
  },
  sources: ['An earlier sheet is not tested after a later one; nothing is signed before it was tested'],
  judge: (context): Finding<'detail'>[] => {
    const { begun, sheets: all } = sheetsFor(context);
    if (!begun) return [];
    const dated = all.map(({ id, lines, sign }) => {
      const days = lines.flatMap(({ result }) => (result ? [result.date] : []));
      return {
        id,
        sign,
        days,
        first: days.length > 0 ? days.reduce((p, r) => (r < p ? r : p)) : null,
        last: days.reduce((p, r) => (r > p ? r : p), ''),
      };
    });
    const wrong = [
      ...dated.flatMap(({ id, days, sign }) =>
        [...days, ...(sign ? [sign.date] : [])].flatMap((day) =>
          isValid(parseISO(day)) ? [] : [`${SHEET_WORDS[id][0]}: ${day} is in no calendar`],
        ),
      ),
      ...dated.flatMap(({ id, sign, last }) =>
        sign && sign.date < last ? [`${SHEET_WORDS[id][0]}: signed ${sign.date}, tested until ${last}`] : [],
      ),
      // A whole sheet before the whole of an earlier one: a clock that was set back.
      ...dated.flatMap((late, k) => {
        const before = dated.slice(0, k).find(({ first }) => first !== null && late.last !== '' && late.last < first);
        return before && late.first !== null
          ? [`${SHEET_WORDS[late.id][0]} of ${late.last}, before ${SHEET_WORDS[before.id][0]} of ${before.first}`]
          : [];
      }),
    ];
    return [
      {
        subject: COMMISSION_REF,
        holds: wrong.length === 0,
        figures: { detail: wrong.length > 0 ? some(wrong) : 'tests and signatures' },
      },
    ];
  },
  remedies: 'Set the clock of this device, then correct the day where it is written.',
});

const signature = defineRule({
  id: 'commission.signature',
  endangers: 'people',
  work: true,
  says: {
    fails: '{subject}: signed with tests that are open or out',
    holds: '{subject}: signed',
    line: '{detail}',
    open: 'Signature of {subject}',
  },
  sources: ['A signature is for the design and the readings of its day: its digest says which'],
  judge: (context): Finding<'detail'>[] =>
    sheetsFor(context).sheets.flatMap((sheet): Finding<'detail'>[] => {
      const { sign, signed, out, id } = sheet;
      const open = sheet.lines.filter(
        ({ state, step }) => state === 'open' || (state === 'unsure' && !step.pending),
      ).length;
      if (!sign) return [];
      const subject = sheetRef(id);
      if (signed === 'older')
        return [
          {
            subject,
            missing: [
              {
                ref: subject,
                what: `a signature for the design as it is now: ${sign.by} signed on ${sign.date} for ${sign.digest}`,
              },
            ],
          },
        ];
      const bad = out + open;
      return [
        {
          subject,
          holds: bad === 0,
          figures: { detail: bad === 0 ? `${sign.by}, ${sign.date}, ${sign.digest}` : `${out} out, ${open} open` },
        },
      ];
    }),
  remedies: 'Look through the sheet again and sign it anew, or finish it first.',
});

export const COMMISSION_RULES = [reading, hotReading, partReading, sheets, order, dates, signature] as const;
