import { type Finding, marginAtMost, quantityText as q, type Rule } from '../../checks';
import { pulseCurrent } from '../../physics/fuse';
import { isPrechargeRelay, partOf, type ResolvedConductor, solvedStates, type Vehicle, wayOf } from '../../vehicle';
import {
  amps,
  type Context,
  conductorRef,
  corner,
  deviceRef,
  fromRules,
  packMustDeliver,
  powerFrom,
  worstCurrent,
} from '../context';

/** Joined without a fuse between: the fuse has not been passed yet. */
const JOINS: ReadonlySet<string> = new Set(['contactor', 'disconnect', 'sensor', 'junction']);

interface Zone {
  readonly cables: ResolvedConductor[];
}

/** A guarded cable counts as doubly insulated and mechanically protected: in a conduit. */
const exposed = (conductor: ResolvedConductor): boolean =>
  conductor.conductor.kind === 'cable' && conductor.laid?.conduit !== true;

/**
 * What can be shorted with no fuse in the loop: zones that only cells join, no fuse between. A fault needs two of them, so the second
 * longest stretch of unguarded cable counts.
 */
function unfusedStretches(vehicle: Vehicle): { boxes: string[]; zones: Zone[] }[] {
  const parent = new Map<string, string>();
  const find = (node: string): string => {
    const up = parent.get(node) ?? node;
    if (up === node) return node;
    const root = find(up);
    parent.set(node, root);
    return root;
  };
  const join = (a: string, b: string) => void parent.set(find(a), find(b));
  for (const { nodeA, nodeB } of vehicle.conductors) join(nodeA, nodeB);
  for (const { id, device } of vehicle.devices)
    if (JOINS.has(device.kind) && device.kind !== 'junction' && !isPrechargeRelay(vehicle, id))
      join(`${id}.a`, `${id}.b`);
  const zones = new Map<string, Zone>();
  const zoneAt = (node: string): string => {
    const root = find(node);
    if (!zones.has(root)) zones.set(root, { cables: [] });
    return root;
  };
  for (const conductor of vehicle.conductors) zones.get(zoneAt(conductor.nodeA))!.cables.push(conductor);
  const groups = new Map<string, { boxes: string[]; zones: Set<string> }>();
  const group = new Map<string, string>();
  const groupOf = (zone: string): string => {
    const up = group.get(zone) ?? zone;
    return up === zone ? zone : groupOf(up);
  };
  const boxes = vehicle.devices.filter(({ device, part }) => device.kind === 'box' && part !== null);
  for (const { id } of boxes) group.set(groupOf(zoneAt(`${id}.plus`)), groupOf(zoneAt(`${id}.minus`)));
  for (const { id } of boxes) {
    const root = groupOf(zoneAt(`${id}.plus`));
    const known = groups.get(root) ?? { boxes: [], zones: new Set<string>() };
    known.boxes.push(id);
    for (const end of ['plus', 'minus']) known.zones.add(zoneAt(`${id}.${end}`));
    groups.set(root, known);
  }
  return [...groups.values()].map(({ boxes: ids, zones: roots }) => ({
    boxes: ids,
    zones: [...roots].map((root) => zones.get(root)!),
  }));
}

const unprotectedLength: Rule<Context> = {
  id: 'fuse.unprotected-length',
  station: 'hv-circuit',
  sources: ['A fault needs two stretches with cells and no fuse between them: the second longest counts'],
  sourcesIn: fromRules('unprotectedM'),
  judge: ({ vehicle, fullV, rules }) => {
    if (fullV === null) return [];
    return unfusedStretches(vehicle).flatMap(({ boxes, zones }): Finding[] => {
      const subject = deviceRef(vehicle.deviceOf.get(boxes[0]!)!);
      const stretches = zones
        .map(({ cables }) => {
          const open = cables.filter(exposed);
          return { open, lengthM: open.reduce((sum, { lengthM }) => sum + (lengthM ?? 0), 0) };
        })
        .sort((p, r) => r.lengthM - p.lengthM);
      const unknown = stretches.flatMap(({ open }) => open).filter(({ lengthM }) => lengthM === null);
      const second = stretches[1];
      if (!second) return [];
      const margin = marginAtMost(second.lengthM, rules.unprotectedM.value);
      if (margin >= 0 && unknown.length > 0)
        return [{ subject, missing: unknown.map((conductor) => ({ ref: conductorRef(conductor), what: 'length' })) }];
      const names = second.open.map(({ conductor }) => conductor.name);
      return [
        {
          subject,
          demand: { value: second.lengthM, dimension: 'length' },
          limit: { value: rules.unprotectedM.value, dimension: 'length' },
          margin,
          figures: { cables: names.length > 0 ? names.slice(0, 2).join(', ') : 'nothing in the open' },
          lines: () => [
            {
              formula: 'Σ length of unguarded cable on each side of the cells, up to the first fuse',
              figures: stretches
                .map(
                  ({ open, lengthM }) =>
                    `${q(lengthM, 'length')} (${open.map(({ conductor }) => conductor.name).join(', ') || 'guarded'})`,
                )
                .join('; '),
              result: { value: second.lengthM, dimension: 'length' },
              note: 'The shorter side bounds it: without a second stretch there is no loop. Cables in conduit count as guarded.',
            },
          ],
        },
      ];
    });
  },
};

/** Hard accelerations in the life of the vehicle (engineering judgement: twenty a day for fourteen years). */
const PULSES = 1e5;

const cyclic: Rule<Context> = {
  id: 'fuse.cyclic',
  station: 'hv-circuit',
  sources: ['k_life · m(t) · I_n, 0.6 for up to 10⁵ pulses (generic)', 'Nominal time-current curve of the fuse’s part'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return vehicle.devices
      .filter(({ device }) => device.kind === 'fuse')
      .flatMap((device): Finding[] => {
        const fuse = partOf(device, 'fuse');
        if (!fuse) return [];
        if (waitsFor) return [{ subject: deviceRef(device), waitsFor }];
        const peaks = solvedStates(vehicle).filter(
          ({ state }) => state.duration === 'seconds' && state.id !== 'precharge',
        );
        const worst = worstCurrent(peaks, device.id);
        if (!worst || worst.currentA < 0.1) return [];
        const timeS = vehicle.build.duty.hardAccelerationS;
        const limit = pulseCurrent(fuse, timeS, PULSES);
        return [
          {
            subject: deviceRef(device),
            case: worst.solved.id,
            demand: amps(worst.currentA),
            limit: amps(limit),
            margin: marginAtMost(worst.currentA, limit),
            assumed: [powerFrom(vehicle), '100 000 such pulses in its life.'],
            lines: () => [
              {
                formula: 'I ≤ k_life · m(t) · I_n',
                figures: `0.6 · m(${q(timeS, 'time')}) · ${q(fuse.ratedCurrentA, 'current')}`,
                result: amps(limit),
                note: `${corner(worst.solved)}. The rms may be fine while the element tires.`,
              },
            ],
          },
        ];
      });
  },
};

const branch: Rule<Context> = {
  id: 'fuse.branch',
  station: 'hv-circuit',
  sources: [
    'A thin branch behind the main fuse is not protected by it: a fuse of its own at the tap (IEC 60364-4-43, 433.2)',
  ],
  judge: ({ vehicle }) => {
    const fusesOn = (id: string): Set<string> =>
      new Set(
        (wayOf(vehicle, vehicle.deviceOf.get(id)!)?.seriesIds ?? []).filter(
          (one) => vehicle.deviceOf.get(one)?.device.kind === 'fuse',
        ),
      );
    const inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter');
    if (!inverter) return [];
    const trunk = fusesOn(inverter.id);
    return vehicle.devices
      .filter(({ device, part }) => part?.kind === 'bus-device' && device.kind !== 'inverter')
      .flatMap((device): Finding[] => {
        if (!wayOf(vehicle, device)) return [];
        const own = [...fusesOn(device.id)].filter((id) => !trunk.has(id));
        const name = own.map((id) => vehicle.deviceOf.get(id)!.device.name).join(', ');
        return [
          {
            subject: deviceRef(device),
            holds: own.length > 0,
            figures: { detail: own.length > 0 ? name : 'only the main fuse stands before it' },
          },
        ];
      });
  },
};

export const PLACEMENT_RULES: readonly Rule<Context>[] = [unprotectedLength, cyclic, branch];
