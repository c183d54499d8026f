/** What a column or a signal of a log is. Cells and temperatures are counted from 1. */
export type LogRole =
  | { readonly is: 'time' | 'current' | 'voltage' | 'skip' }
  | { readonly is: 'cell' | 'temperature'; readonly number: number };

export interface LogColumn {
  readonly name: string;
  readonly role: LogRole;
  /** Times this it is in s, A, V or °C. */
  readonly factor: number;
}

const UNITS: Readonly<Record<string, number>> = { mv: 0.001, ma: 0.001, ms: 0.001, v: 1, a: 1, s: 1 };

/** A unit in brackets, or at the end after a blank or an underscore. */
function factorOf(name: string, is: LogRole['is']): number {
  const unit = /(?:[([]\s*|[\s_/])(m?[vas])\s*[)\]]?\s*$/i.exec(name)?.[1]?.toLowerCase();
  const fits = { time: 's', current: 'a', voltage: 'v', cell: 'v' } as Readonly<Record<string, string>>;
  return unit !== undefined && fits[is] === unit.at(-1) ? (UNITS[unit] ?? 1) : 1;
}

/** What a name seems to be: a guess that the owner corrects. */
export function guessRole(name: string): LogColumn {
  const low = name.toLowerCase();
  const number = Number(/(\d{1,4})/.exec(low.replace(/\b\d+\s*(?:v|ah|mm)\b/g, ''))?.[1] ?? Number.NaN);
  const role: LogRole = (() => {
    if (/^(?:time|timestamp|date|t|zeit|seconds?|elapsed)\b|time/.test(low)) return { is: 'time' };
    if (/temp|°c|\btherm/.test(low)) return { is: 'temperature', number: Number.isNaN(number) ? 1 : number };
    if (/cell|\bcv|\bc\d|^u\d|^v\d/.test(low) && !Number.isNaN(number) && !/min|max|avg|mean|diff|delta|res/.test(low))
      return { is: 'cell', number };
    if (/curr|amp|\bi\b|\bi_/.test(low) && !/limit|max|min/.test(low)) return { is: 'current' };
    if (/volt|\bu\b|\bu_/.test(low) && !/limit|max|min|cell/.test(low)) return { is: 'voltage' };
    return { is: 'skip' };
  })();
  return { name, role, factor: factorOf(name, role.is) };
}

/** Guesses for all names; of time, current and voltage only the first one is taken, and cells that begin at 0 are counted from 1. */
export function guessRoles(names: readonly string[]): readonly LogColumn[] {
  const taken = new Set<string>();
  const guesses = names.map((name) => {
    const guess = guessRole(name);
    const { role } = guess;
    const key = role.is === 'cell' || role.is === 'temperature' ? `${role.is} ${role.number}` : role.is;
    if (role.is !== 'skip' && taken.has(key)) return { ...guess, role: { is: 'skip' as const }, factor: 1 };
    taken.add(key);
    return guess;
  });
  const fromZero = (['cell', 'temperature'] as const).filter((is) => taken.has(`${is} 0`));
  return guesses.map((guess) => {
    const { role } = guess;
    return 'number' in role && fromZero.includes(role.is)
      ? { ...guess, role: { ...role, number: role.number + 1 } }
      : guess;
  });
}
