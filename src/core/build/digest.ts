import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { once } from '../quantities';
import { countedReading } from './measurable';
import { wholeBuild } from './reads';
import type { Build } from './types';

/** Entries of the document never change: the text of each is made once. */
const ofEntry = once((entry: object): string => spelledOut(entry));

/** The same text for the same content, however the keys were put in. */
const canonical = (value: unknown): string =>
  typeof value === 'object' && value !== null && 'id' in value ? ofEntry(value) : spelledOut(value);

function spelledOut(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const of = value as Readonly<Record<string, unknown>>;
  return `{${Object.keys(of)
    .filter((key) => of[key] !== undefined)
    .sort()
    .map((key) => `${JSON.stringify(key)}:${canonical(of[key])}`)
    .join(',')}}`;
}

/** First 16 hexadecimal digits of the SHA-256 of a value as JSON with sorted keys. */
export const digestOf = (value: unknown): string => bytesToHex(sha256(utf8ToBytes(canonical(value)))).slice(0, 16);

/** The whole build file. */
export const buildDigest = (build: Build): string => digestOf(build);

/** What is written down about the work and the finished car, and says nothing of the design. */
const RECORDS: ReadonlySet<string> = new Set([
  'id',
  'name',
  'notes',
  'units',
  'inHand',
  'costs',
  'customer',
  'oldFaults',
  'harness',
  'plan',
  'commission',
  'logbook',
  'drives',
  'health',
  'readings',
  'adoptions',
]);

/** Slices of the document never change: each is digested once. */
const ofSlice = once((slice: object): string => digestOf(slice));
const sliceDigest = (slice: unknown): string =>
  typeof slice === 'object' && slice !== null ? ofSlice(slice) : digestOf(slice ?? null);

/** The design as it is: of the harness its wires without their ticks, of readings those that count in the place of what is designed. */
export function designDigest(asked: Build): string {
  const build = wholeBuild(asked);
  const counted = Object.values(build.adoptions).flatMap((adoption) => {
    const reading = countedReading(build, adoption);
    return reading ? [[reading.subjectId, reading.field, reading.value]] : [];
  });
  const slices = Object.entries(build)
    .filter(([key, slice]) => !RECORDS.has(key) && slice !== undefined)
    .map(([key, slice]) => [key, sliceDigest(slice)]);
  return digestOf({
    ...Object.fromEntries(slices),
    counted,
    wires: sliceDigest(build.harness?.wires),
    nodes: sliceDigest(build.harness?.nodes),
  });
}
