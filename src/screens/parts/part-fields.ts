import { type Field, PART_KINDS, type Part } from '@/core/parts';

/** One figure of a part as it is typed: where it stands, what it is called, in which unit. */
export interface PartField {
  readonly path: string;
  readonly label: string;
  readonly text: string;
  readonly kind: 'text' | 'number' | 'flag' | 'choice' | 'list';
  /** Emptied it is not stated; what then stands in its place. */
  readonly emptied?: 'absent' | 'null';
  readonly choices?: readonly string[];
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
  [/M$/, 'm'],
];
/** Names that say too little when they are taken apart into words. */
const NAMES: Readonly<Record<string, string>> = {
  resistanceAtV: 'Plain resistance, rated at, V',
  terminalC: 'Terminals bear, °C',
  toAltitudeM: 'Figures hold up to an altitude of, m',
  resistance20OhmPerM: 'Resistance at 20 °C, Ω/m',
  temperatureClassC: 'Temperature class, °C',
  overloads: 'Overload, s:times its carry current',
  carry: 'Carries, mm² on its studs:A',
  envelope: 'Peak torque, rev/min:Nm',
  multiples: 'Melting at 1 ms, 10 ms, 0.1, 1, 10, 100, 1,000 s: times rated current',
  shortTimeI2tA2s: 'Stands closed before a fuse acts, A²s',
  shortTimePeakA: 'Stands closed before a fuse acts, peak, A',
};

const words = (name: string): string =>
  name
    .replace(/([a-z])([A-Z0-9])/g, '$1 $2')
    .toLowerCase()
    .replace(/^./, (first) => first.toUpperCase());

/** "ratedCurrentA" → "Rated current, A". */
export function labelOfField(path: string): string {
  const name = path.split('.').at(-1)!;
  if (Object.hasOwn(NAMES, name)) return NAMES[name]!;
  for (const [ending, unit] of UNITS) if (ending.test(name)) return `${words(name.replace(ending, ''))}, ${unit}`;
  return words(name);
}

const KINDS: Readonly<Record<Exclude<Field['is'], 'group'>, PartField['kind']>> = {
  number: 'number',
  choice: 'choice',
  flag: 'flag',
  row: 'list',
  table: 'list',
};

const shown = (value: unknown): string => {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value))
    return value.map((one) => (typeof one === 'object' ? Object.values(one).join(':') : String(one))).join(' ');
  return value === null || value === undefined ? '' : String(value);
};

function fieldOf(path: string, field: Field, value: unknown): PartField {
  const emptied = field.absent ? 'absent' : field.unstated ? 'null' : null;
  return {
    path,
    label: labelOfField(path),
    text: shown(value),
    kind: KINDS[field.is as Exclude<Field['is'], 'group'>],
    ...(emptied ? { emptied } : {}),
    ...(field.is === 'choice' ? { choices: field.of } : {}),
    ...(field.is === 'table' ? { pair: Object.keys(field.columns) as [string, string] } : {}),
  };
}

/** What of a part can be typed, stated or not, in the order of its kind. */
export function fieldsOfPart(part: Part): PartField[] {
  const fields: Readonly<Record<string, Field>> = PART_KINDS.find(({ kind }) => kind === part.kind)!.fields;
  const has = part as unknown as Readonly<Record<string, unknown>>;
  return [
    { path: 'name', label: 'Name', text: part.name, kind: 'text' },
    ...Object.entries(fields).flatMap(([key, field]) =>
      field.is === 'group'
        ? Object.entries(field.of).map(([inner, one]) =>
            fieldOf(`${key}.${inner}`, one, (has[key] as Readonly<Record<string, unknown>>)[inner]),
          )
        : [fieldOf(key, field, has[key])],
    ),
    { path: 'note', label: 'Note', text: part.note ?? '', kind: 'text', emptied: 'absent' },
  ];
}

function typed({ kind, pair }: PartField, text: string): unknown {
  const bare = text.trim();
  const number = (one: string) => (/^[+-]?[\d.,]+(e[+-]?\d+)?$/i.test(one) ? Number(one.replace(',', '.')) : one);
  if (kind === 'flag') return bare === 'yes';
  if (kind === 'number') return number(bare);
  if (kind === 'list')
    return bare.split(/\s+/).map((one) => {
      if (!pair || !one.includes(':')) return number(one);
      const [first, second] = one.split(':').map(number);
      return { [pair[0]]: first, [pair[1]]: second };
    });
  return bare;
}

/** A part with what was typed; not yet checked. An emptied figure that may be unstated is not stated. */
export function partWith(part: Part, texts: ReadonlyMap<string, string>): Record<string, unknown> {
  const made: Record<string, unknown> = structuredClone(part) as unknown as Record<string, unknown>;
  for (const field of fieldsOfPart(part)) {
    const text = texts.get(field.path);
    if (text === undefined) continue;
    const [outer, inner] = field.path.split('.') as [string, string | undefined];
    const into = inner === undefined ? made : (made[outer] as Record<string, unknown>);
    const key = inner ?? outer;
    if (text.trim() !== '' || !field.emptied) into[key] = typed(field, text);
    else if (field.emptied === 'null') into[key] = null;
    else delete into[key];
  }
  return made;
}
