import { type Field, type Origin, PART_KINDS, type Part, type PartKind } from '@/core/parts';
import type { Dimension } from '@/core/quantities';

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

/** By the ending of a field’s name: its unit, and the dimension in which people type it; null: it is typed as a bare number. */
const UNITS: readonly (readonly [RegExp, string, Dimension | null])[] = [
  [/OhmPerM$/, 'Ω/m', 'resistancePerLength'],
  [/KgPerM$/, 'kg/m', 'massPerLength'],
  [/Ohm$/, 'Ω', 'resistance'],
  [/Mm2$/, 'mm²', 'area'],
  [/Mm$/, 'mm', null],
  [/Ah$/, 'Ah', 'charge'],
  [/Kg$/, 'kg', 'mass'],
  [/Nm$/, 'Nm', 'torque'],
  [/PerKrpmV$/, 'V at 1000/min', null],
  [/Rpm$/, '1/min', 'count'],
  [/V$/, 'V', 'voltage'],
  [/A$/, 'A', 'current'],
  [/W$/, 'W', 'power'],
  [/J$/, 'J', 'energy'],
  [/F$/, 'F', 'capacitance'],
  [/C$/, '°C', 'temperature'],
  [/S$/, 's', 'time'],
  [/M$/, 'm', 'length'],
];

/** The dimension in which a figure is typed with its unit; null: it is a bare number, or several. */
export function dimensionOfField(path: string): Dimension | null {
  const name = path.split('.').at(-1)!;
  if (/(A2s|I2t)/.test(name)) return null;
  return UNITS.find(([ending]) => ending.test(name))?.[2] ?? null;
}

/** What a figure is called where its unit is typed with it. */
export function nameOfField(path: string): string {
  const label = labelOfField(path);
  return dimensionOfField(path) === null
    ? label
    : label.replace(/, [^,]+$/, '').replace(/^.*, rated at$/, 'Plain resistance, rated at');
}
/** Names that say too little when they are taken apart into words. */
const NAMES: Readonly<Record<string, string>> = {
  ratedVoltageDcV: 'Rated voltage DC, V',
  ratedVoltageAcV: 'Rated voltage AC, V',
  motorKind: 'Kind of motor',
  chargePowerW: 'Gives while charging, W',
  ratedPowerW: 'Draws at most, W',
  maxBatteryCurrentA: 'Battery current at most, A',
  baseSpeedRpm: 'Peak torque up to, 1/min',
  baseLinkV: '… at a link of, V',
  turnOnV: 'Wakes at a bus of, V',
  turnOffV: 'Sleeps below, V',
  workingMinV: 'Works from, V',
  workingMaxV: 'Works up to, V',
  absoluteMaxV: 'Survives at most, V',
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

/** The figures that plate or seller mostly tell, by kind: the quick card. */
const QUICK: Readonly<Record<PartKind, readonly string[]>> = {
  motor: ['motorKind', 'peakPowerW', 'peakTorqueNm', 'maximumSpeedRpm', 'baseLinkV'],
  inverter: [
    'window.workingMinV',
    'window.workingMaxV',
    'window.absoluteMaxV',
    'maxBatteryCurrentA',
    'linkCapacitanceF',
  ],
  'bus-device': [
    'window.workingMinV',
    'window.workingMaxV',
    'window.absoluteMaxV',
    'ratedPowerW',
    'chargePowerW',
    'linkCapacitanceF',
  ],
  cell: ['chemistry', 'capacityAh', 'nominalV', 'fullV', 'emptyV', 'resistanceOhm'],
  fuse: ['family', 'ratedCurrentA', 'ratedVoltageDcV', 'breakingCapacityA'],
  contactor: ['ratedVoltageV', 'makeCurrentA', 'breakCurrentA', 'coilVoltageV', 'coilPowerW', 'polarised'],
  disconnect: ['ratedVoltageV', 'ratedCurrentA'],
  resistor: ['resistanceOhm', 'ratedPowerW', 'pulseEnergyJ'],
  sensor: ['resistanceOhm', 'ratedCurrentA'],
  cable: ['areaMm2', 'metal', 'ratedVoltageV', 'temperatureClassC', 'outerDiameterMm'],
};
/** Its place on the quick card, the name first; −1 of the name. */
export const quickOrder = (kind: PartKind, path: string): number => (path === 'name' ? -1 : QUICK[kind].indexOf(path));
export const isQuick = (kind: PartKind, path: string): boolean => path === 'name' || QUICK[kind].includes(path);

/** A part of a kind of which nothing is known yet: what may be unstated is not stated, the rest is generic and marked unknown. */
export function unknownPart(like: Part, id: string): Part {
  const fields: Readonly<Record<string, Field>> = PART_KINDS.find(({ kind }) => kind === like.kind)!.fields;
  const has = like as unknown as Readonly<Record<string, unknown>>;
  const made: Record<string, unknown> = { id, kind: like.kind, name: '', provenance: 'own' };
  const origins: Record<string, 'unknown'> = {};
  for (const [key, field] of Object.entries(fields)) {
    if (field.absent) continue;
    made[key] = field.unstated ? null : structuredClone(has[key]);
    if (field.unstated) continue;
    for (const path of field.is === 'group' ? Object.keys(field.of).map((inner) => `${key}.${inner}`) : [key])
      origins[path] = 'unknown';
  }
  return { ...made, origins } as unknown as Part;
}

/** The same figures under another id, each of them still the generic part’s. */
export function ownCopy(part: Part, id: string): Part {
  const paths = fieldsOfPart(part).filter(({ path, text }) => path !== 'name' && path !== 'note' && text !== '');
  return {
    ...part,
    id,
    name: `${part.name.slice(0, 110)}, own`,
    provenance: 'own',
    origins: Object.fromEntries(paths.map(({ path }) => [path, 'generic'])),
  } as Part;
}

/** The part with what was typed, each typed figure with the origin that it has from now on. */
export function typedPart(part: Part, texts: ReadonlyMap<string, string>, origin: Origin): Record<string, unknown> {
  const made = partWith(part, texts);
  const origins: Record<string, Origin> = { ...part.origins };
  for (const { path } of fieldsOfPart(part)) {
    const text = texts.get(path);
    if (text === undefined || path === 'name' || path === 'note') continue;
    if (text.trim() === '') delete origins[path];
    else origins[path] = origin;
  }
  // What it gives for good is about half of its peak where nobody told it (generic): no figure of a stronger motor stands there.
  if (origins.continuousPowerW === 'unknown' && texts.has('peakPowerW') && typeof made.peakPowerW === 'number')
    made.continuousPowerW = made.peakPowerW / 2;
  // Peak power is peak torque at the base speed: it follows from the two where nobody told it.
  const [powerW, torqueNm] = [made.peakPowerW, made.peakTorqueNm];
  const derivable = origins.baseSpeedRpm === 'unknown' && texts.has('peakPowerW') && texts.has('peakTorqueNm');
  if (derivable && typeof powerW === 'number' && typeof torqueNm === 'number' && torqueNm > 0) {
    made.baseSpeedRpm = (powerW / torqueNm / (2 * Math.PI)) * 60;
    origins.baseSpeedRpm = origin;
  }
  if (Object.keys(origins).length > 0) made.origins = origins;
  made.provenance = origin === 'sheet' ? 'data-sheet' : origin === 'measured' ? 'measured' : 'own';
  return made;
}
