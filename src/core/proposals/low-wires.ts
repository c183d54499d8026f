import { type Edit, findConductor } from '../build';
import { type CablePart, catalogueOf } from '../parts';
import { loomHeat, loomsOf, lowProtecting, lowVoltage, type ResolvedConductor } from '../vehicle';
import type { Proposer, Setting } from './proposer';

/** Wire for the 12-volt side is rated so, V. */
const LOW_V = 60;

/** The next sizes of the same sort of wire. */
export const thicker = (cable: CablePart): CablePart[] =>
  catalogueOf('cable')
    .filter(
      (part) =>
        !part.shielded &&
        // HV cable is orange: it has nothing to do on this side.
        (part.ratedVoltageV <= LOW_V || cable.ratedVoltageV > LOW_V) &&
        part.areaMm2 > cable.areaMm2 &&
        (part.conductorClass ?? 'iso19642') === (cable.conductorClass ?? 'iso19642') &&
        part.metal === cable.metal &&
        part.temperatureClassC >= cable.temperatureClassC,
    )
    .sort((p, q) => p.areaMm2 - q.areaMm2);

export const fit = (wires: readonly ResolvedConductor[]): Edit[] => {
  // From the thinnest on; nothing that is thicker already gets thinner.
  const cable = [...wires].sort((p, q) => (p.cable?.areaMm2 ?? 1e9) - (q.cable?.areaMm2 ?? 1e9))[0]?.cable;
  return cable
    ? thicker(cable)
        .slice(0, 8)
        .map(
          (part): Edit => ({
            edit: 'fitCable',
            input: {
              conductorIds: wires.filter((wire) => (wire.cable?.areaMm2 ?? 0) < part.areaMm2).map(({ id }) => id),
              part,
            },
          }),
        )
    : [];
};

export const wiresAt = (setting: Setting, deviceId: string): ResolvedConductor[] =>
  lowVoltage(setting.vehicle).lv.conductors.filter(
    ({ conductor }) =>
      conductor.kind === 'cable' && (conductor.a.deviceId === deviceId || conductor.b.deviceId === deviceId),
  );

/** Feed and earth of a load together. */
export const loadWires: Proposer = (setting, check) => fit(wiresAt(setting, check.subject.id));

/** Everything between the converter, the fuse box and the battery, out and back. */
export const converterWay: Proposer = (setting, check) => {
  const { lv, battery } = lowVoltage(setting.vehicle);
  const ends = new Set([check.subject.id, battery?.device.id]);
  const sources = lv.devices
    .filter(({ device }) => device.kind === 'lv-fuse' && device.way === undefined)
    .map(({ id }) => id);
  const near = new Set([...ends, ...sources]);
  const all = lv.conductors.filter(
    ({ conductor, cable }) =>
      cable !== null && cable.areaMm2 >= 4 && (near.has(conductor.a.deviceId) || near.has(conductor.b.deviceId)),
  );
  const own = all.filter(({ conductor }) =>
    [conductor.a, conductor.b].some(({ deviceId }) => deviceId === check.subject.id),
  );
  return [...fit(own), ...fit(all)];
};

/** What this fuse has to save: the wires at it, and those that it alone takes off every source, out and back. */
export function guardedBy({ vehicle }: Setting, fuseId: string): ResolvedConductor[] {
  const protecting = lowProtecting(vehicle);
  return lowVoltage(vehicle).lv.conductors.filter(
    ({ id, conductor: { kind, a, b } }) =>
      kind === 'cable' && (protecting.get(id) === fuseId || a.deviceId === fuseId || b.deviceId === fuseId),
  );
}

export const thisWire: Proposer = (setting, check) => {
  const wire = lowVoltage(setting.vehicle).lv.conductorOf.get(check.subject.id);
  return wire ? fit([wire]) : [];
};

export const largerRelay: Proposer = (setting, check) => {
  const now = lowVoltage(setting.vehicle).lv.deviceOf.get(check.subject.id)?.device.ratedA ?? 0;
  return [30, 40, 70, 100, 200]
    .filter((ratedA) => ratedA > now)
    .map((ratedA): Edit => ({ edit: 'setContactRating', input: { deviceId: check.subject.id, ratedA } }));
};

/** Common ratings of plugs, A (generic). */
const PLUGS_A = [5, 10, 16, 25, 40, 60, 80, 120, 175, 250, 320, 350, 500];

export const largerPlug: Proposer = ({ vehicle: { build } }, { subject }) => {
  const now = findConductor(build, subject.id)?.connectorA ?? 0;
  return PLUGS_A.filter((connectorA) => connectorA > now).map(
    (connectorA): Edit => ({ edit: 'setConnector', input: { conductorId: subject.id, connectorA } }),
  );
};

/** Each of some wires so many sizes thicker than it is. */
const eachThicker = (wires: readonly ResolvedConductor[], steps: number): Edit[] => {
  const choices = wires.flatMap(({ id, cable }) => {
    const part = cable && thicker(cable)[steps - 1];
    return part ? [{ conductorId: id, part }] : [];
  });
  return choices.length > 0 ? [{ edit: 'fitCables', input: { choices } }] : [];
};

/** The hottest wire thicker, or out of the loom; then all that carry something thicker. */
export const coolerLoom: Proposer = ({ vehicle }, check) => {
  const loom = loomsOf(vehicle).find(({ route }) => route.id === check.subject.id);
  if (!loom) return [];
  const currentsA = loomHeat(vehicle, loom)?.currentsA ?? [];
  const byHeat = loom.wires
    .map((wire, k) => ({ wire, heat: (currentsA[k] ?? 0) ** 2 * (wire.thermal?.build.resistance20OhmPerM ?? 0) }))
    .filter(({ heat }) => heat > 0)
    .sort((p, r) => r.heat - p.heat)
    .map(({ wire }) => wire);
  const out = byHeat.slice(0, 2).map(
    ({ id, lengthM }): Edit => ({
      edit: 'putInLoom',
      input: { conductorId: id, routeId: null, ...(lengthM === null ? {} : { lengthM }) },
    }),
  );
  return [...fit(byHeat.slice(0, 1)).slice(0, 3), ...out, ...[1, 2, 3].flatMap((steps) => eachThicker(byHeat, steps))];
};

/** The way from its earth point to the battery's minus, thicker. */
export const thickerEarth: Proposer = ({ vehicle }, check) => {
  const { lv, battery } = lowVoltage(vehicle);
  const own = lv.conductors.filter(
    ({ conductor }) => conductor.a.deviceId === check.subject.id && conductor.a.terminal === 'minus',
  );
  const back = lv.conductors.filter(
    ({ conductor: { a, b, kind } }) =>
      kind === 'cable' &&
      [a, b].some(({ deviceId }) => lv.deviceOf.get(deviceId)?.device.kind === 'earth') &&
      [a, b].some(({ deviceId }) => deviceId === battery?.device.id),
  );
  return [...fit(back), ...fit(own), ...fit([...back, ...own])];
};
