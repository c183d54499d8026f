import type { Problem, SalvagedModule } from '../build';
import { parseQuantity } from '../quantities';
import type { ReadModules } from './modules-csv';

const ID = /^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/;
const MOST_ERRORS = 20;

const FIGURES = [
  { key: 'voltageV', words: 'volts at rest', dimension: 'voltage', unit: 'V', most: 1000 },
  { key: 'capacityAh', words: 'ampere-hours', dimension: 'charge', unit: 'Ah', most: 10000 },
  { key: 'resistanceOhm', words: 'milliohms', dimension: 'resistance', unit: 'mΩ', most: 10 },
] as const;

/** What stands on one line: divided by semicolons or tabs, else by wide gaps, else by single spaces. */
const divided = (line: string): string[] => {
  const by = /[;\t]/.test(line) ? /[;\t]/ : /\s{2,}/.test(line.trim()) ? /\s{2,}/ : /\s+(?=[\d.−-])/;
  return line
    .trim()
    .split(by)
    .map((word) => word.trim());
};

/**
 * Salvaged modules as people write them down: name, volts at rest, ampere-hours, milliohms, a line each. The name may be left out; a unit
 * that is written counts, else V, Ah and mΩ are meant. All or none are taken.
 */
export function readModulesTyped(text: string): ReadModules {
  const lines = text
    .split(/\r\n|\n|\r/)
    .map((line, k) => ({ line, number: k + 1 }))
    .filter(({ line }) => line.trim() !== '');
  if (lines.length === 0)
    return { ok: false, errors: [{ path: '(text)', reason: 'has no modules.', remedy: 'Write a line for each.' }] };
  const errors: Problem[] = [];
  const seen = new Set<string>();
  const modules = lines.map(({ line, number }, k): SalvagedModule => {
    const path = `line ${number}`;
    const words = divided(line);
    const [name, ...figures] = words.length === 3 ? [`M${String(k + 1).padStart(2, '0')}`, ...words] : words;
    if (figures.length !== 3)
      errors.push({
        path,
        reason: `"${line.trim().slice(0, 40)}" has ${words.length} figures.`,
        remedy: 'Write name; volts; ampere-hours; milliohms, or the three figures alone.',
      });
    else if (!ID.test(name!) || Object.hasOwn(Object.prototype, name!))
      errors.push({
        path,
        reason: `"${name!.slice(0, 40)}" is no name of a module.`,
        remedy: 'Letters, digits, dots and dashes, 60 at most.',
      });
    else if (seen.has(name!))
      errors.push({ path, reason: `names the module "${name}" again.`, remedy: 'Each module once.' });
    seen.add(name!);
    const value = (n: 0 | 1 | 2): number => {
      const { words: what, dimension, unit, most } = FIGURES[n];
      const written = figures[n];
      if (figures.length !== 3 || written === undefined) return Number.NaN;
      const answer = parseQuantity(written, dimension, unit);
      // Charge is kept in ampere-hours in this list.
      if (answer.ok && answer.value > 0 && answer.value <= most) return answer.value;
      errors.push({
        path,
        reason: answer.ok ? `"${written.slice(0, 40)}" can’t be its ${what}.` : answer.reason,
        remedy: `Write ${what}, such as ${n === 0 ? '7.52' : n === 1 ? '58.1' : '2.1'}.`,
      });
      return Number.NaN;
    };
    return { id: name!, voltageV: value(0), capacityAh: value(1), resistanceOhm: value(2) };
  });
  return errors.length > 0 ? { ok: false, errors: errors.slice(0, MOST_ERRORS) } : { ok: true, modules };
}
