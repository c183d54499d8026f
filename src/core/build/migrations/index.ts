import { VERSION } from '../types';

/** One small pure step from `from` to `from + 1`. Uses no clock, no chance and no helper that may change later. */
export interface Migration {
  readonly from: number;
  readonly name: string;
  readonly step: (document: Record<string, unknown>) => Record<string, unknown>;
}

/** In order, without gaps; version 1 is the first, so there are none yet. */
export const MIGRATIONS: readonly Migration[] = [];

/** Brings a document up to the newest version. Its version must not be newer than `target`. */
export function migrate(
  document: { version: number },
  migrations: readonly Migration[] = MIGRATIONS,
  target: number = VERSION,
): Record<string, unknown> {
  let current: Record<string, unknown> & { version: number } = { ...document };
  while (current.version < target) {
    const migration = migrations.find((candidate) => candidate.from === current.version);
    if (!migration) throw new Error(`no migration from version ${current.version}`);
    current = { ...migration.step(current), version: current.version + 1 };
  }
  return current;
}
