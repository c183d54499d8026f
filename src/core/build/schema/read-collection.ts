import type { Problem } from '../problem';
import type { Build } from '../types';
import { readBuild } from './read-build';

interface Kept {
  readonly name: string;
  readonly takenAt: string;
  readonly document: Build;
  readonly auto?: true;
}
export interface ReadCollected {
  readonly document: Build;
  readonly snapshots: readonly Kept[];
}

export type ReadCollection =
  | {
      readonly ok: true;
      readonly builds: readonly ReadCollected[];
      /** What could not be read, with the build or the snapshot that it was. */
      readonly left: readonly Problem[];
    }
  | { readonly ok: false; readonly errors: readonly Problem[] };

const MOST_BUILDS = 2000;
const MOST_SNAPSHOTS = 500;
/** As the program writes moments. */
const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{3})?Z$/;
const LONG_AGO = '1970-01-01T00:00:00.000Z';
const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listed = (value: unknown, most: number): readonly unknown[] => (Array.isArray(value) ? value.slice(0, most) : []);
const nameOf = (value: unknown, fallback: string): string =>
  typeof value === 'string' && value.trim() !== '' ? value.slice(0, 120) : fallback;

/** A moment as it was kept; null where its build can't be read. */
function snapshotOf(value: unknown): Kept | null {
  if (!isObject(value)) return null;
  const read = readBuild(value.document);
  if (!read.ok) return null;
  const { takenAt } = value;
  return {
    name: nameOf(value.name, 'Snapshot'),
    takenAt: typeof takenAt === 'string' && MOMENT.test(takenAt) ? takenAt : LONG_AGO,
    document: read.build,
    ...(value.auto === true ? { auto: true as const } : {}),
  };
}

/** Several builds in one file: each is read by itself, and one that can't be read does not keep the others out. */
export function readCollection(data: unknown): ReadCollection {
  if (!isObject(data) || !Array.isArray(data.builds) || data.version !== 1)
    return {
      ok: false,
      errors: [
        {
          path: '(file)',
          reason: 'is no collection that this program reads.',
          remedy: 'Choose a file that “Export all builds” made, or update Ropeway.',
        },
      ],
    };
  const left: Problem[] = [];
  const builds: ReadCollected[] = [];
  listed(data.builds, MOST_BUILDS).forEach((one, k) => {
    const document = isObject(one) ? one.document : undefined;
    const name = nameOf(isObject(document) ? document.name : undefined, `build ${k + 1}`);
    const read = readBuild(document);
    if (!read.ok) {
      const [first] = read.errors;
      left.push({ path: `${name}: ${first!.path}`, reason: first!.reason, remedy: first!.remedy });
      return;
    }
    const kept = listed(isObject(one) ? one.snapshots : [], MOST_SNAPSHOTS).map(snapshotOf);
    const lost = kept.filter((snapshot) => snapshot === null).length;
    if (lost > 0)
      left.push({
        path: name,
        reason: `${lost} of its snapshots can’t be read.`,
        remedy: 'The build itself and the others were taken.',
      });
    builds.push({ document: read.build, snapshots: kept.flatMap((snapshot) => snapshot ?? []) });
  });
  return builds.length === 0 && left.length > 0 ? { ok: false, errors: left } : { ok: true, builds, left };
}
