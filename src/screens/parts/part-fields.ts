import type { Part } from '@/core/parts';

/** One figure of a part as it is typed: where it stands, what it is called, in which unit. */
export interface PartField {
  readonly path: string;
  readonly label: string;
  readonly text: string;
  readonly kind: 'text' | 'number' | 'flag' | 'list';
  /** list: the two fields that each "12:34" gives. */
  readonly pair?: readonly [string, string];
}

const UNITS: readonly (readonly [RegExp, string])[] = [
  [/OhmPerM$/, 'Ω/m'],
  [/KgPerM$/, 'kg/m'],
  [/Ohm$/, 'Ω'],
  [/Mm2$/, 'mm²'],
  [/Mm$/, 'mm'],
  [/Ah$/, 'Ah'],
  [/Kg$/, 'kg'],
  [/V$/, 'V'],
  [/A$/, 'A'],
  [/W$/, 'W'],
  [/J$/, 'J'],
  [/F$/, 'F'],
  [/C$/, '°C'],
  [/S$/, 's'],
];
/** Fields that are chosen by kind and not typed. */
const FIXED = new Set(['kind', 'id', 'provenance']);

const words = (name: string): string =>
  name
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .toLowerCase()
    .replace(/^./, (first) => first.toUpperCase());

/** "ratedCurrentA" → "Rated current, A". */
export function labelOfField(path: string): string {
  const name = path.split('.').at(-1)!;
  for (const [ending, unit] of UNITS) if (ending.test(name)) return `${words(name.replace(ending, ''))}, ${unit}`;
  return words(name);
}

function fieldOf(path: string, value: unknown): PartField {
  const label = labelOfField(path);
  if (typeof value === 'boolean') return { path, label, text: value ? 'yes' : 'no', kind: 'flag' };
  if (Array.isArray(value))
    return {
      path,
      label,
      text: value.map((one) => (typeof one === 'object' ? Object.values(one).join(':') : String(one))).join(' '),
      kind: 'list',
      ...(typeof value[0] === 'object' ? { pair: Object.keys(value[0]) as [string, string] } : {}),
    };
  if (typeof value === 'number' || value === null)
    return { path, label, text: value === null ? '' : String(value), kind: 'number' };
  return { path, label, text: String(value ?? ''), kind: 'text' };
}

/** What of a part can be typed, in its own order. */
export function fieldsOfPart(part: Part): PartField[] {
  return Object.entries(part)
    .filter(([key]) => !FIXED.has(key))
    .flatMap(([key, value]) =>
      typeof value === 'object' && value !== null && !Array.isArray(value)
        ? Object.entries(value).map(([inner, one]) => fieldOf(`${key}.${inner}`, one))
        : [fieldOf(key, value)],
    );
}

function typed({ kind, pair }: PartField, text: string): unknown {
  const bare = text.trim();
  const number = (one: string) => (/^[+-]?[\d.,]+(e[+-]?\d+)?$/i.test(one) ? Number(one.replace(',', '.')) : one);
  if (kind === 'flag') return bare === 'yes';
  if (kind === 'number') return bare === '' ? null : number(bare);
  if (kind === 'list')
    return bare.split(/\s+/).map((one) => {
      if (!pair || !one.includes(':')) return number(one);
      const [first, second] = one.split(':').map(number);
      return { [pair[0]]: first, [pair[1]]: second };
    });
  return bare;
}

/** A part with what was typed; not yet checked. */
export function partWith(part: Part, texts: ReadonlyMap<string, string>): Record<string, unknown> {
  const made: Record<string, unknown> = structuredClone(part) as unknown as Record<string, unknown>;
  for (const field of fieldsOfPart(part)) {
    const text = texts.get(field.path);
    if (text === undefined) continue;
    const [outer, inner] = field.path.split('.') as [string, string | undefined];
    if (inner === undefined) made[outer] = typed(field, text);
    else (made[outer] as Record<string, unknown>)[inner] = typed(field, text);
  }
  return made;
}
