import { type DeviceKind, type Edit, makeDevice } from '../build';
import { catalogueOf, cataloguePart } from '../parts';
import { coilFeed, coilReturn } from '../simulate';
import { coilCircuit, partOf } from '../vehicle';
import type { Proposer, Setting } from './proposer';

/** A start of ids that the build does not use yet; the same build gives the same one. */
const seedFor = ({ vehicle: { build } }: Setting, what: string): string => {
  const { hv, lv } = build.circuits;
  return `${what}-${[hv, lv].reduce((sum, { devices, conductors }) => sum + Object.keys(devices).length + Object.keys(conductors).length, 1)}`;
};

/** First coil circuit: 1 mm² wire and a 10 A fuse; the lengths are told later. */
export function coilLoopEdit(seed: string): Edit {
  return {
    edit: 'layOutCoils',
    input: {
      seed,
      wire: cataloguePart('cable-thin-1', 'cable'),
      fuse: cataloguePart('fuse-blade-58-10', 'fuse'),
      loopLengthM: 1,
      coilLengthM: 2,
    },
  };
}

/** What can be put into a wire of the coil circuit, by its words. */
export const LOOP_DEVICES: readonly (readonly [DeviceKind, string])[] = [
  ['emergency-stop', 'Emergency stop'],
  ['inertia-switch', 'Inertia switch'],
  ['interlock-contact', 'Interlock contacts'],
  ['lv-switch', 'Switch'],
  ['lv-fuse', 'Fuse'],
];

export function loopInsertion(conductorId: string, kind: DeviceKind, name: string, seed: string): Edit {
  const fuse = kind === 'lv-fuse' ? cataloguePart('fuse-blade-58-10', 'fuse') : null;
  const device = makeDevice(kind, { id: `${seed}-${kind}`, name, partId: fuse?.id ?? null, place: null });
  return {
    edit: 'insertDevice',
    input: { conductorId, device, newConductorId: `${seed}-after`, ...(fuse ? { part: fuse } : {}) },
  };
}

/** Wires that every coil's current passes, out (`feed`) or back (`return`), from the battery on. */
function sharedWires(setting: Setting, side: 'feed' | 'return'): string[] {
  const circuit = coilCircuit(setting.vehicle);
  if (!circuit) return [];
  const ways = circuit.wired.map(({ id }) => (side === 'feed' ? coilFeed : coilReturn)(circuit, id) ?? []);
  return (ways[0] ?? []).filter((id) => circuit.lv.conductorOf.has(id) && ways.every((way) => way.includes(id)));
}

export const putIn =
  (kinds: readonly DeviceKind[], side: 'feed' | 'return', suffix = ''): Proposer =>
  (setting) => {
    const wire = sharedWires(setting, side).at(side === 'feed' ? -1 : 0);
    return wire === undefined
      ? []
      : LOOP_DEVICES.filter(([kind]) => kinds.includes(kind)).map(([kind, name]) =>
          loopInsertion(wire, kind, `${name}${suffix}`, seedFor(setting, kind)),
        );
  };

export const layOut: Proposer = (setting) => [coilLoopEdit(seedFor(setting, 'coil'))];

export const thickerLoop: Proposer = (setting, check) => {
  const circuit = coilCircuit(setting.vehicle);
  if (!circuit) return layOut(setting, check);
  if (circuit.unwired.some(({ id }) => id === check.subject.id))
    return [
      {
        edit: 'wireCoil',
        input: {
          deviceId: check.subject.id,
          seed: seedFor(setting, 'wired'),
          wire: cataloguePart('cable-thin-1', 'cable'),
          lengthM: 2,
        },
      },
    ];
  const ids = [...(coilFeed(circuit, check.subject.id) ?? []), ...(coilReturn(circuit, check.subject.id) ?? [])].filter(
    (id) => circuit.lv.conductorOf.get(id)?.cable,
  );
  const areas = ids.map((id) => circuit.lv.conductorOf.get(id)!.cable!.areaMm2);
  return catalogueOf('cable')
    .filter((part) => part.ratedVoltageV === 60 && part.areaMm2 > Math.min(...areas))
    .slice(0, 5)
    .map(
      (part): Edit => ({
        edit: 'fitCable',
        // What is thick enough already stays: the battery’s own way to earth carries the loads too.
        input: {
          conductorIds: ids.filter((id) => circuit.lv.conductorOf.get(id)!.cable!.areaMm2 < part.areaMm2),
          part,
        },
      }),
    );
};

export const quickRelease: Proposer = (_, check) => [
  { edit: 'setCoilSuppression', input: { deviceId: check.subject.id, suppression: 'zener' } },
];

export const proveDead: Proposer = () => [{ edit: 'setProvesDead', input: { provesDead: true } }];

/** The auxiliary contact of a disconnect into the wire that every coil's current passes. */
export const auxiliary: Proposer = (setting, check) => {
  const wire = sharedWires(setting, 'feed').at(-1);
  return wire === undefined
    ? []
    : [
        {
          edit: 'putAuxiliaryIn',
          input: {
            deviceId: check.subject.id,
            conductorId: wire,
            newConductorId: `${seedFor(setting, 'aux')}-after`,
          },
        },
      ];
};

/** A disconnect of the same voltage that may be pulled under load. */
export const breaksLoad: Proposer = (setting) =>
  setting.vehicle.devices.flatMap((device): Edit[] => {
    const part = partOf(device, 'disconnect');
    return part === null
      ? []
      : catalogueOf('disconnect')
          .filter((other) => other.breaksLoad && other.ratedVoltageV >= part.ratedVoltageV)
          .map((other): Edit => ({ edit: 'fitPart', input: { deviceId: device.id, part: other } }));
  });

export const fewerStarts: Proposer = () =>
  [4, 3, 2].map((value): Edit => ({ edit: 'setFigure', input: { figure: 'startsPerDay', value } }));
