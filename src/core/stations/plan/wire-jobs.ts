import { findDevice } from '../../build';
import type { HarnessWire, Wiring } from '../../vehicle';
import { BIG, byLoom, type Draft, jobId, SMALL, shareOf, TRACTION, tenths } from './job-kit';

/** Making, laying and landing of each sub-harness. */
export function wireJobs(vehicle: Wiring, parts: readonly Draft[]): Draft[] {
  const { build } = vehicle;
  const mounts = new Set(parts.filter(({ id }) => id.startsWith('mount')).map(({ id }) => id));
  /** What has to be in place before its wires can be landed there. */
  const mountsOf = (wires: readonly HarnessWire[]): readonly string[] => [
    ...new Set(
      wires.flatMap(({ ends: { a, b } }) =>
        [a, b].flatMap(({ hostId }) => {
          const kind = findDevice(build, hostId)?.kind;
          if (kind === undefined) return [];
          const id = Object.hasOwn(BIG, kind) ? jobId('mount', hostId) : SMALL.has(kind) ? 'mount-small' : 'mount-low';
          return mounts.has(id) ? [id] : [];
        }),
      ),
    ),
  ];
  return [...byLoom(vehicle)].flatMap(([loom, wires]): Draft[] => {
    const traction = loom === TRACTION;
    // Sense wires are on cells, which never switch off.
    const live = traction || wires.some(({ signal }) => signal === 'cell-sense');
    const each = traction ? { make: 0.5, route: 0.3, land: 0.3 } : { make: 0.12, route: 0.05, land: 0.08 };
    const job = (
      kind: 'make' | 'route' | 'land',
      name: string,
      far: 'made' | 'routed' | 'landed',
      after: readonly string[],
    ): Draft => ({
      id: jobId(`loom-${kind}`, loom),
      name: `${name}: ${loom} (${wires.length} ${wires.length === 1 ? 'wire' : 'wires'})`,
      stage: 'wire',
      hours: Math.max(0.5, tenths(each[kind] * wires.length)),
      zoneId: null,
      hv: live && kind === 'land',
      two: live && kind === 'land',
      after,
      known: { share: shareOf(wires, far), by: 'ends' },
    });
    const [make, route] = [jobId('loom-make', loom), jobId('loom-route', loom)];
    return [
      job('make', 'Cut and crimp', 'made', []),
      job('route', 'Lay', 'routed', ['paint', make]),
      job('land', 'Land the ends', 'landed', [route, ...mountsOf(wires)]),
    ];
  });
}
