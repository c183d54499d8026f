import type { Build } from './types';

/** One thing that two states of a build tell differently, in words. */
export interface Difference {
  readonly what: 'added' | 'removed' | 'changed';
  /** Where it is, like "Traction circuit". */
  readonly where: string;
  /** The thing, like "Main fuse". */
  readonly name: string;
  /** For what changed: each figure as it was and as it is, like "rated current (A): 250 → 300". */
  readonly figures: readonly string[];
}

type Plain = Readonly<Record<string, unknown>>;
const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Groups of things by id, with what the interface calls them. */
const GROUPS: readonly (readonly [readonly string[], string])[] = [
  [['circuits', 'hv', 'devices'], 'Traction circuit'],
  [['circuits', 'hv', 'conductors'], 'Traction cables'],
  [['circuits', 'lv', 'devices'], '12-volt circuit'],
  [['circuits', 'lv', 'conductors'], '12-volt wires'],
  [['parts'], 'Parts'],
  [['zones'], 'Places'],
  [['routes'], 'Routes'],
  [['readings'], 'Readings'],
  [['adoptions'], 'Adopted readings'],
];
/** What is no decision of anybody: kept by the program. */
const QUIET = new Set(['id', 'formatVersion', 'catalogueVersion']);
/** Units at the end of a field’s name. */
const UNITS: Readonly<Record<string, string>> = {
  W: 'W',
  V: 'V',
  A: 'A',
  M: 'm',
  C: '°C',
  J: 'J',
  S: 's',
  K: 'K',
  F: 'F',
  H: 'H',
  Pa: 'Pa',
  Kg: 'kg',
  Ah: 'Ah',
  Ohm: 'Ω',
  Mm2: 'mm²',
  Nm: 'N·m',
  MPerS: 'm/s',
};

/**
 * What differs between two states of a build, thing by thing: added, removed, or changed with its figures in SI units. Order: groups as the
 * interface has them, then the rest. Empty when they tell the same.
 */
export function compareBuilds(before: Build, after: Build): Difference[] {
  const groups = GROUPS.flatMap(([path, where]) => inGroup(at(before, path), at(after, path), where));
  const grouped = new Set(GROUPS.map(([path]) => path[0]!));
  const rest = keysOf(before, after)
    .filter((key) => !grouped.has(key) && !QUIET.has(key))
    .flatMap((key): Difference[] => {
      const figures = changes((before as unknown as Plain)[key], (after as unknown as Plain)[key], '');
      return figures.length === 0 ? [] : [{ what: 'changed', where: 'Build', name: said(key), figures }];
    });
  return [...groups, ...rest];
}

const at = (build: Build, path: readonly string[]): Plain =>
  path.reduce<Plain>(
    (here, key) => {
      const next = Object.hasOwn(here, key) ? here[key] : {};
      return isPlain(next) ? next : {};
    },
    build as unknown as Plain,
  );

const keysOf = (p: object, q: object): string[] => [...new Set([...Object.keys(p), ...Object.keys(q)])];
const own = (of: Plain, key: string): unknown => (Object.hasOwn(of, key) ? of[key] : undefined);

function inGroup(before: Plain, after: Plain, where: string): Difference[] {
  return keysOf(before, after).flatMap((id): Difference[] => {
    const [was, is] = [own(before, id), own(after, id)];
    if (was === is) return [];
    const name = nameOf(is ?? was, id);
    if (was === undefined) return [{ what: 'added', where, name, figures: [] }];
    if (is === undefined) return [{ what: 'removed', where, name, figures: [] }];
    const figures = changes(was, is, '');
    return figures.length === 0 ? [] : [{ what: 'changed', where, name, figures }];
  });
}

const nameOf = (thing: unknown, id: string): string =>
  isPlain(thing) && typeof thing.name === 'string' && thing.name !== '' ? thing.name : id;

/** Every leaf that differs, by its way in words. */
function changes(was: unknown, is: unknown, way: string): string[] {
  if (Object.is(was, is)) return [];
  if (isPlain(was) && isPlain(is))
    return keysOf(was, is).flatMap((key) =>
      changes(own(was, key), own(is, key), way === '' ? said(key) : `${way}, ${said(key)}`),
    );
  if (Array.isArray(was) && Array.isArray(is)) {
    if (JSON.stringify(was) === JSON.stringify(is)) return [];
    return was.length === is.length ? [way || 'list'] : [`${way || 'list'}: ${was.length} → ${is.length} entries`];
  }
  return [`${way || 'value'}: ${shown(was)} → ${shown(is)}`];
}

const LONGEST = 40;
function shown(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing';
  if (typeof value === 'number') return String(Number(value.toPrecision(5)));
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'string') return 'several figures';
  return value.length > LONGEST ? `${value.slice(0, LONGEST)} …` : value;
}

/** A field’s name as a person would say it: "cruisePowerW" is "cruise power (W)". */
function said(key: string): string {
  const unit = Object.keys(UNITS)
    .filter((end) => key.endsWith(end) && /[a-z0-9]$/.test(key.slice(0, -end.length)))
    .sort((p, q) => q.length - p.length)[0];
  const stem = unit ? key.slice(0, -unit.length) : key;
  const words = stem.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();
  return unit ? `${words} (${UNITS[unit]})` : words;
}
