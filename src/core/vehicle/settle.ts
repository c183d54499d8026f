import type { Id } from '../build';
import type { OperatingPoint } from '../circuit';
import type { Corner, State } from './cases';
import { spelled } from './memory';
import type { ResolvedConductor, ResolvedDevice } from './resolve';

/**
 * What was worked out anew and came out as it was is the object that it was: who reads it then sees that nothing has changed. Devices and
 * conductors by what was looked up for them, cases by every figure of their solution.
 */
export function settled<T extends { readonly id: string }>(
  now: readonly T[],
  before: readonly T[],
  same: (p: T, q: T) => boolean,
): readonly T[] {
  const at = new Map(before.map((one) => [one.id, one]));
  const list = now.map((one) => {
    const known = at.get(one.id);
    return known && same(known, one) ? known : one;
  });
  return list.length === before.length && list.every((one, k) => one === before[k]) ? before : list;
}

/** Of equal parts with adopted readings each build has its own copy. */
function sayTheSame(p: unknown, q: unknown): boolean {
  if (Object.is(p, q)) return true;
  const [one, other] = [spelled(p), spelled(q)];
  return one.length === other.length && one.every((value, k) => Object.is(value, other[k]));
}

export const sameDevice = (p: ResolvedDevice, q: ResolvedDevice): boolean =>
  p.device === q.device && p.ambientC === q.ambientC && sayTheSame(p.part, q.part);

export const sameConductor = (p: ResolvedConductor, q: ResolvedConductor): boolean =>
  p.conductor === q.conductor &&
  p.lengthM === q.lengthM &&
  p.lengthFrom === q.lengthFrom &&
  p.laid === q.laid &&
  p.zone === q.zone &&
  p.jointOhm === q.jointOhm &&
  p.thermal?.key === q.thermal?.key &&
  sayTheSame(p.cable, q.cable);

function sameMap<V>(p: ReadonlyMap<string, V>, q: ReadonlyMap<string, V>): boolean {
  if (p.size !== q.size) return false;
  for (const [key, value] of p) if (!Object.is(value, q.get(key)) || !q.has(key)) return false;
  return true;
}

interface Case {
  readonly state: State;
  readonly corner: Corner;
  readonly point: OperatingPoint;
  readonly temperaturesC: ReadonlyMap<Id, number | null>;
}

/** Two solutions of one topology with the same figures everywhere. */
export function sameCase({ point: p, ...one }: Case, { point: q, ...other }: Case): boolean {
  if (one.state !== other.state || !sayTheSame(one.corner, other.corner)) return false;
  if (!sameMap<number | null>(one.temperaturesC, other.temperaturesC)) return false;
  if (p.maximumLoadFactor !== q.maximumLoadFactor || !sameMap(p.referenceOf, q.referenceOf)) return false;
  if (!sayTheSame(p.islands, q.islands) || !sayTheSame(p.loadsOn, q.loadsOn)) return false;
  if (!p.solvable || !q.solvable) return !p.solvable && !q.solvable && p.reason === q.reason;
  return sameMap(p.nodeVoltagesV, q.nodeVoltagesV) && sameMap(p.elementCurrentsA, q.elementCurrentsA);
}

/** A map by id, the one before where the list is the one before. */
export const byId = <T extends { readonly id: Id }>(
  list: readonly T[],
  before: { readonly list: readonly T[]; readonly of: ReadonlyMap<Id, T> } | null,
): ReadonlyMap<Id, T> => (before?.list === list ? before.of : new Map(list.map((one) => [one.id, one])));
