import { WARMTH_MISTAKES } from './ancillary-mistakes';
import { BRAKE_MISTAKES } from './brake-mistakes';
import { BYPASS_MISTAKES } from './bypass-mistakes';
import { CAN_BUS_MISTAKES } from './can-bus-mistakes';
import { CELL_LIMIT_MISTAKES } from './cell-limit-mistakes';
import { CHARGE_MISTAKES } from './charge-mistakes';
import { CLOSING_MISTAKES } from './closing-mistakes';
import { COMMISSION_MISTAKES } from './commission-mistakes';
import { FUSE_MISTAKES } from './fuse-mistakes';
import { HAND_MISTAKES } from './hand-mistakes';
import { HARMLESS } from './harmless';
import { HARNESS_MISTAKES } from './harness-mistakes';
import { INTERLOCK_MISTAKES } from './interlock-mistakes';
import { LIVE_MISTAKES } from './live-mistakes';
import { LOGBOOK_MISTAKES } from './logbook-mistakes';
import { LOOP_MISTAKES } from './loop-mistakes';
import { CELL_MISTAKES, MISSING_MISTAKES, SAFEGUARD_MISTAKES } from './missing-mistakes';
import type { Mistake } from './mistake';
import { PART_MISTAKES } from './part-mistakes';
import { PHASE_MISTAKES } from './phase-mistakes';
import { PLACE_MISTAKES } from './place-mistakes';
import { PLAN_MISTAKES } from './plan-mistakes';
import { PLUG_MISTAKES } from './plug-mistakes';
import { READING_MISTAKES } from './reading-mistakes';
import { REST_MISTAKES } from './rest-mistakes';
import { SCHOOL_MISTAKES } from './school-mistakes';
import { USUAL_MISTAKES } from './usual-mistakes';
import { WHEEL_MISTAKES } from './wheel-mistakes';

export const MISTAKES: readonly Mistake[] = [
  ...FUSE_MISTAKES,
  ...LOOP_MISTAKES,
  ...LIVE_MISTAKES,
  ...BYPASS_MISTAKES,
  ...PART_MISTAKES,
  ...PLACE_MISTAKES,
  ...PHASE_MISTAKES,
  ...CLOSING_MISTAKES,
  ...CELL_LIMIT_MISTAKES,
  ...CHARGE_MISTAKES,
  ...PLUG_MISTAKES,
  ...REST_MISTAKES,
  ...BRAKE_MISTAKES,
  ...WARMTH_MISTAKES,
  ...MISSING_MISTAKES,
  ...HAND_MISTAKES,
  ...READING_MISTAKES,
  ...WHEEL_MISTAKES,
  ...SCHOOL_MISTAKES,
  ...CELL_MISTAKES,
  ...SAFEGUARD_MISTAKES,
  ...USUAL_MISTAKES,
  ...INTERLOCK_MISTAKES,
  ...HARNESS_MISTAKES,
  ...CAN_BUS_MISTAKES,
  ...PLAN_MISTAKES,
  ...COMMISSION_MISTAKES,
  ...LOGBOOK_MISTAKES,
];

const row = (...cells: readonly string[]) => `| ${cells.map((cell) => cell.replaceAll('|', '\\|')).join(' | ')} |`;

/** The page docs/mistakes.md: kind of mistake, what was done, which rule speaks and how its sentence begins. */
export function mistakesTable(): string {
  const kinds = [...new Set(MISTAKES.map(({ kind }) => kind))];
  const sections = kinds.map((kind) => {
    const rows = MISTAKES.filter((one) => one.kind === kind).map(({ did, on, speaks, says, asks }) =>
      row(did, on, `\`${speaks.split(':')[0]}\``, `${says}${asks ? ' (asks)' : ''}`),
    );
    return [`## ${kind}`, '', row('What was done', 'Sample', 'Rule', 'It says'), '|---|---|---|---|', ...rows, ''].join(
      '\n',
    );
  });
  return [
    '# Mistakes that the ledger sees',
    '',
    'Made by `npm run docs` from `src/core/testing/corpus`; `npm test` plants every one of them in a sample build and asks for the rule and its sentence.',
    '',
    ...sections,
    '## Harmless changes',
    '',
    'On these no check may newly fail, lose its answer or ask for more.',
    '',
    row('What was done', 'Sample'),
    '|---|---|',
    ...HARMLESS.map(({ did, on }) => row(did, on)),
    '',
  ].join('\n');
}
