import { type Field, PART_KINDS, type Part } from '../../parts';
import { type Dimension, once, told } from '../../quantities';
import type { Problem } from '../problem';
import type { Build } from '../types';
import schema from './build-file.schema.json';

/** What the schema of the build file says of a value: the part of JSON Schema that it is written in. */
export interface LimitNode {
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly properties?: Readonly<Record<string, LimitNode>>;
  readonly patternProperties?: Readonly<Record<string, LimitNode>>;
  readonly additionalProperties?: boolean;
  readonly required?: readonly string[];
  readonly items?: LimitNode;
  readonly anyOf?: readonly LimitNode[];
  readonly minimum?: number;
  readonly exclusiveMinimum?: number;
  readonly maximum?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly pattern?: string;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly maxProperties?: number;
}

/** Names of figures end in their unit; the longest ending counts. */
const DIMENSIONS: readonly (readonly [string, Dimension])[] = [
  ['OhmPerM', 'resistancePerLength'],
  ['MPerS2', 'acceleration'],
  ['MPerS', 'speed'],
  ['LPerMin', 'flow'],
  ['JPerK', 'heatCapacity'],
  ['WPerK', 'heatLoss'],
  ['KgPerS', 'massFlow'],
  ['Ohm', 'resistance'],
  ['Mm2', 'area'],
  ['Ah', 'charge'],
  ['Nm', 'torque'],
  ['Pa', 'pressure'],
  ['Kg', 'mass'],
  ['V', 'voltage'],
  ['A', 'current'],
  ['W', 'power'],
  ['J', 'energy'],
  ['F', 'capacitance'],
  ['C', 'temperature'],
  ['S', 'time'],
  ['M', 'length'],
  ['L', 'volume'],
];
function figure(value: number, name: string): string {
  const dimension = DIMENSIONS.find(([ending]) => name.endsWith(ending))?.[1];
  return dimension ? told(value, dimension, 4) : String(value);
}

function rangeOf({ minimum, exclusiveMinimum, maximum }: LimitNode, name: string): string {
  const low =
    exclusiveMinimum !== undefined
      ? `above ${figure(exclusiveMinimum, name)}`
      : minimum !== undefined
        ? `at least ${figure(minimum, name)}`
        : null;
  const high = maximum === undefined ? null : `at most ${figure(maximum, name)}`;
  return [low, high].filter((one) => one !== null).join(' and ');
}

const FINITE = 'It has to be a finite number.';

function wrongNumber(node: LimitNode, value: number, name: string): string | null {
  const { type, minimum, exclusiveMinimum, maximum } = node;
  if (!Number.isFinite(value)) return FINITE;
  // Beyond this a whole number is no longer the one that was typed.
  if (Math.abs(value) > Number.MAX_SAFE_INTEGER && maximum === undefined) return 'It is too large.';
  if ([type].flat().includes('integer') && !Number.isInteger(value)) return 'It has to be a whole number.';
  const outside =
    (minimum !== undefined && value < minimum) ||
    (exclusiveMinimum !== undefined && value <= exclusiveMinimum) ||
    (maximum !== undefined && value > maximum);
  return outside ? `It has to be ${rangeOf(node, name)}.` : null;
}

function wrongText(node: LimitNode, value: string): string | null {
  const { minLength, maxLength, pattern } = node;
  if (maxLength !== undefined && value.length > maxLength) return `It has ${maxLength} characters at most.`;
  if (minLength !== undefined && value.length < minLength) return 'It can’t be empty.';
  return pattern !== undefined && !patternOf(node).test(value)
    ? 'It takes letters, digits, dots, dashes and underscores, 60 at most.'
    : null;
}

const TYPE_OF = (value: unknown): string => {
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'array';
  return typeof value;
};

/** Compiled once: they stand at every id. */
const patternOf = once(({ pattern }: LimitNode) => new RegExp(pattern ?? ''));
/** What keys of a pattern hold. */
const innersOf = once(({ patternProperties }: LimitNode) =>
  Object.entries(patternProperties ?? {}).map(([pattern, inner]) => ({ keys: new RegExp(pattern), inner })),
);

type Told = (path: readonly string[], reason: string) => void;

/** One branch of several: the one of the same kind, else the first that takes the value. */
function branchOf(branches: readonly LimitNode[], value: unknown): LimitNode | undefined {
  const kind = (value as { kind?: unknown } | null)?.kind;
  const same = branches.find(({ properties }) => properties?.kind?.enum?.includes(kind));
  if (same) return same;
  return branches.find((node) => {
    let fits = true;
    hold(node, value, undefined, [], () => {
      fits = false;
    });
    return fits;
  });
}

function hold(node: LimitNode, value: unknown, before: unknown, path: readonly string[], tell: Told): void {
  // What stands as it stood was held when it came.
  if (value === before && typeof value === 'object' && value !== null) return;
  const type = TYPE_OF(value);
  const types = node.type === undefined ? null : [node.type].flat();
  if (node.anyOf) {
    const branch = branchOf(node.anyOf, value);
    if (branch) hold(branch, value, before, path, tell);
    else tell(path, 'It is none of what may stand here.');
  } else if (types && !types.includes(type) && !(type === 'number' && types.includes('integer')))
    tell(path, type === 'undefined' ? 'It is missing.' : 'It is of another kind than may stand here.');
  else if (node.enum && value !== null && !node.enum.includes(value))
    tell(path, `It has to be one of: ${node.enum.map(String).join(', ')}.`);
  else holdPlain(node, value, before, path, tell);
}

function holdPlain(node: LimitNode, value: unknown, before: unknown, path: readonly string[], tell: Told): void {
  if (typeof value === 'number') {
    const wrong = wrongNumber(node, value, path.findLast((key) => Number.isNaN(Number(key))) ?? '');
    if (wrong) tell(path, wrong);
  } else if (typeof value === 'string') {
    const wrong = wrongText(node, value);
    if (wrong) tell(path, wrong);
  } else if (Array.isArray(value)) holdRow(node, value, before, path, tell);
  else if (typeof value === 'object' && value !== null)
    holdObject(node, value as Readonly<Record<string, unknown>>, before, path, tell);
}

function holdRow(
  node: LimitNode,
  value: readonly unknown[],
  before: unknown,
  path: readonly string[],
  tell: Told,
): void {
  const { items, minItems = 0, maxItems = Number.POSITIVE_INFINITY } = node;
  if (value.length < minItems) tell(path, `It has ${minItems} entries at least.`);
  else if (value.length > maxItems) tell(path, `It has ${maxItems} entries at most.`);
  else if (items) {
    const old = Array.isArray(before) ? before : [];
    value.forEach((one, k) => {
      hold(items, one, old[k], [...path, String(k)], tell);
    });
  }
}

function holdObject(
  node: LimitNode,
  value: Readonly<Record<string, unknown>>,
  before: unknown,
  path: readonly string[],
  tell: Told,
): void {
  const keys = Object.keys(value).filter((key) => value[key] !== undefined);
  if (keys.length > (node.maxProperties ?? Number.POSITIVE_INFINITY)) {
    tell(path, `It has ${node.maxProperties} entries at most.`);
    return;
  }
  for (const key of node.required ?? []) if (value[key] === undefined) tell([...path, key], 'It is missing.');
  const old = typeof before === 'object' && before !== null ? (before as Readonly<Record<string, unknown>>) : {};
  const inners = innersOf(node);
  for (const key of keys) {
    const known = node.properties && Object.hasOwn(node.properties, key) ? node.properties[key] : undefined;
    const inner = known ?? inners.find(({ keys: pattern }) => pattern.test(key))?.inner;
    if (inner) hold(inner, value[key], old[key], [...path, key], tell);
    else if (node.additionalProperties === false || node.properties)
      tell([...path, key], 'It is not part of a build file.');
  }
}

/** Figures that have to be above another one of their part, which JSON Schema can't say. */
function holdOver(part: Part, path: readonly string[], tell: Told): void {
  const fields: Readonly<Record<string, Field>> = PART_KINDS.find(({ kind }) => kind === part.kind)?.fields ?? {};
  const within = (
    of: Readonly<Record<string, Field>>,
    has: Readonly<Record<string, unknown>>,
    at: readonly string[],
  ) => {
    for (const [key, field] of Object.entries(of)) {
      const value = has[key];
      if (field.is === 'group' && typeof value === 'object' && value !== null)
        within(field.of, value as Readonly<Record<string, unknown>>, [...at, key]);
      if (field.is !== 'number' || field.over === undefined || typeof value !== 'number') continue;
      const other = has[field.over];
      if (typeof other === 'number' && !(value > other))
        tell([...at, key], `It has to be above ${figure(other, key)}.`);
    }
  };
  within(fields, part as unknown as Readonly<Record<string, unknown>>, path);
}

/**
 * What of a build its own file could not hold: out of the limits of the schema. With `before`, only where the two differ. The same limits
 * as the reader's, which is tested; made without it so that every edit can be held against them at once.
 */
export function beyondLimits(build: Build, before?: Build): Problem[] {
  const problems: Problem[] = [];
  const tell: Told = (path, reason) => problems.push({ path: path.join('.'), reason, remedy: 'Type another value.' });
  hold(schema as unknown as LimitNode, build, before, [], tell);
  // What is no part of its kind was told above.
  if (problems.length === 0)
    for (const [id, part] of Object.entries(build.parts))
      if (part !== before?.parts[id]) holdOver(part, ['parts', id], tell);
  return problems;
}

/** Lists and records with more entries than a file may have, told without looking into them. */
export function oversized(build: Build): Problem[] {
  const problems: Problem[] = [];
  countIn(schema as unknown as LimitNode, build, [], (path, reason) =>
    problems.push({ path: path.join('.'), reason, remedy: 'A build has far fewer: take some out.' }),
  );
  return problems;
}

function countIn(node: LimitNode, value: unknown, path: readonly string[], tell: Told): void {
  if (typeof value !== 'object' || value === null) return;
  const most = Array.isArray(value) ? node.maxItems : node.maxProperties;
  if (most !== undefined && Object.keys(value).length > most) {
    tell(path, `It has ${most} entries at most.`);
    return;
  }
  for (const [key, inner] of Object.entries(node.properties ?? {}))
    if (Object.hasOwn(value, key))
      countIn(inner, (value as Readonly<Record<string, unknown>>)[key], [...path, key], tell);
}
