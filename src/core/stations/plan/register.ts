import { type OpenKind, type OpenPoint, own } from '../../build';
import { fromBuild, harnessOf, isOpen, type Wiring } from '../../vehicle';

/** A stand-in or loose end that has to go before the road: written down by somebody, or known from ends and parts. */
export interface RegisterLine {
  readonly id: string;
  readonly kind: OpenKind;
  readonly what: string;
  readonly since: string | null;
  /** Null: it follows from ends or parts and closes by itself. */
  readonly point: OpenPoint | null;
  readonly mayStay: string | null;
}

/** All that is open, written down or known. */
export const registerOf = fromBuild((vehicle: Wiring): readonly RegisterLine[] => {
  const { build } = vehicle;
  const lines: RegisterLine[] = Object.values(build.plan?.register ?? {})
    .filter(({ closed }) => closed === null)
    .map((point) => ({
      id: point.id,
      kind: point.kind,
      what: point.what,
      since: point.since,
      point,
      mayStay: point.mayStay?.trim() || null,
    }));
  const { wires, begun, gone } = harnessOf(vehicle);
  if (begun) {
    const open = wires.filter(({ ends: { a, b } }) => isOpen(a) || isOpen(b));
    const byLoom = new Map<string, number>();
    for (const wire of open) {
      const n = (isOpen(wire.ends.a) ? 1 : 0) + (isOpen(wire.ends.b) ? 1 : 0);
      byLoom.set(wire.loom, (byLoom.get(wire.loom) ?? 0) + n);
    }
    for (const [loom, n] of byLoom)
      lines.push({
        id: `ends ${loom}`,
        kind: 'loose-end',
        what: `${loom}: ${n} ${n === 1 ? 'end' : 'ends'} open`,
        since: null,
        point: null,
        mayStay: null,
      });
  }
  for (const { id, name } of gone)
    lines.push({
      id: `gone ${id}`,
      kind: 'loose-end',
      what: `${name}: in the car, in no design`,
      since: null,
      point: null,
      mayStay: null,
    });
  for (const { id, label, state, branchId } of Object.values(build.harness?.oldEnds ?? {}))
    if (state === 'found' || state === 'labelled' || state === 'extended')
      lines.push({
        id: `old ${id}`,
        kind: 'loose-end',
        what: `${label}, ${own(build.oldParts ?? {}, branchId)?.name ?? 'old loom'}: ${state === 'found' ? 'as found' : state}`,
        since: null,
        point: null,
        mayStay: null,
      });
  return lines;
});

/** What keeps it off the road: a line that nobody gave a reason to stay. */
export const gating = (lines: readonly RegisterLine[]): readonly RegisterLine[] =>
  lines.filter(({ mayStay }) => mayStay === null);
