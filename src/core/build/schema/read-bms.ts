import type { Problem } from '../problem';
import { BMS_FORMAT, BMS_VERSION, type CellCare } from '../types';
import { bms } from './charge-schema';

const MOST_ERRORS = 20;

/** What is wrong with settings of a battery management, by their place; none: they can be taken. */
function bmsProblems(settings: unknown): readonly Problem[] {
  const { error } = bms.required().validate(settings, { abortEarly: false, convert: false });
  return (error?.details ?? []).slice(0, MOST_ERRORS).map(({ path, message, type }) => ({
    path: `settings${path.map((step) => `.${String(step).slice(0, 40)}`).join('')}`,
    reason: `${message.replace(/^"[^"]*" /, '').slice(0, 200)}.`,
    remedy: type === 'object.unknown' ? 'No such setting is known: take it out.' : 'Correct it in the file.',
  }));
}

export type ReadBmsConfig =
  | { readonly ok: true; readonly cells: number; readonly settings: CellCare }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const MOST_CHARACTERS = 1_000_000;
const refused = (path: string, reason: string, remedy: string): ReadBmsConfig => ({
  ok: false,
  errors: [{ path, reason, remedy }],
});

/** Reads a configuration back; nothing of it is taken while anything is wrong. */
export function readBmsConfig(text: string): ReadBmsConfig {
  if (text.length > MOST_CHARACTERS)
    return refused('(file)', 'is longer than a million characters.', 'A configuration is a page: choose another file.');
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return refused(
      '(file)',
      `is no JSON: ${error instanceof Error ? error.message : ''}`,
      'Choose the file as it was saved.',
    );
  }
  const { format, version, cells, settings } = (typeof data === 'object' && data !== null ? data : {}) as Record<
    string,
    unknown
  >;
  if (format !== BMS_FORMAT)
    return refused('format', `is not "${BMS_FORMAT}".`, 'Choose a battery management’s configuration.');
  if (version !== BMS_VERSION) return refused('version', `is not ${BMS_VERSION}.`, 'Save it with this version.');
  if (typeof cells !== 'number' || !Number.isInteger(cells) || cells < 0 || cells > 2000)
    return refused('cells', 'is no number of cells.', 'Write a whole number from 0 to 2000.');
  const errors = bmsProblems(settings);
  return errors.length > 0 ? { ok: false, errors } : { ok: true, cells, settings: settings as CellCare };
}
