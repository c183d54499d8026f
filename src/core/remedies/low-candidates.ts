import type { Assessment } from '../assess';
import { type Edit, findConductor, jobOf, LOSS_JOBS, type LossId, type SchoolId } from '../build';
import type { Check } from '../checks';
import {
  BATTERY_PRESETS,
  type CablePart,
  CONVERTER_POWERS,
  catalogueOf,
  type FusePart,
  LOAD_PRESETS,
  lowLoadOf,
  SET_VOLTAGES,
} from '../parts';
import { loomHeat, loomsOf, lowProtecting, lowVoltage, partOf, type ResolvedConductor } from '../vehicle';

/** Edits worth trying for the 12-volt side, smallest change first. They prove nothing: the model does. */
type Proposer = (assessment: Assessment, check: Check) => Edit[];

/** Wire for the 12-volt side is rated so, V. */
const LOW_V = 60;

/** The next sizes of the same sort of wire. */
const thicker = (cable: CablePart): CablePart[] =>
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

const fit = (wires: readonly ResolvedConductor[]): Edit[] => {
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

const wiresAt = (assessment: Assessment, deviceId: string): ResolvedConductor[] =>
  lowVoltage(assessment.vehicle).lv.conductors.filter(
    ({ conductor }) =>
      conductor.kind === 'cable' && (conductor.a.deviceId === deviceId || conductor.b.deviceId === deviceId),
  );

/** Feed and earth of a load together. */
const loadWires: Proposer = (assessment, check) => fit(wiresAt(assessment, check.subject.id));

/** Everything between the converter, the fuse box and the battery, out and back. */
const converterWay: Proposer = (assessment, check) => {
  const { lv, battery } = lowVoltage(assessment.vehicle);
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

const fuses = (assessment: Assessment, check: Check): { now: FusePart; others: FusePart[] } | null => {
  const now = partOf(lowVoltage(assessment.vehicle).lv.deviceOf.get(check.subject.id), 'fuse');
  return now
    ? {
        now,
        others: catalogueOf('fuse')
          .filter(
            (part) =>
              // 58 V breaks more at 14 V than 32 V and goes into the same holder.
              ['blade', 'blade-large', 'strip'].includes(part.family) && part.ratedVoltageDcV === 58,
          )
          .sort((p, q) => p.ratedCurrentA - q.ratedCurrentA),
      }
    : null;
};

const fitFuse = (deviceId: string, part: FusePart): Edit => ({ edit: 'fitPart', input: { deviceId, part } });

const largerFuse: Proposer = (assessment, check) => {
  const found = fuses(assessment, check);
  return found
    ? found.others
        .filter(({ ratedCurrentA }) => ratedCurrentA > found.now.ratedCurrentA)
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

/** The same rating in a make that breaks more. */
const strongerFuse: Proposer = (assessment, check) => {
  const now = partOf(lowVoltage(assessment.vehicle).lv.deviceOf.get(check.subject.id), 'fuse');
  return now
    ? catalogueOf('fuse')
        .filter(
          (part) =>
            part.id !== now.id &&
            part.ratedVoltageDcV !== null &&
            part.ratedCurrentA >= now.ratedCurrentA &&
            part.ratedCurrentA <= 1.1 * now.ratedCurrentA &&
            part.breakingCapacityA * part.ratedVoltageDcV > now.breakingCapacityA * (now.ratedVoltageDcV ?? 0),
        )
        .sort((p, q) => p.breakingCapacityA * p.ratedVoltageDcV! - q.breakingCapacityA * q.ratedVoltageDcV!)
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

/** A smaller fuse first, then the thicker wire. */
const guardWire: Proposer = (assessment, check) => {
  const found = fuses(assessment, check);
  const smaller = found
    ? found.others
        .filter(({ ratedCurrentA }) => ratedCurrentA < found.now.ratedCurrentA)
        .reverse()
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
  return [...smaller, ...fit(guardedBy(assessment, check.subject.id))];
};

/** What this fuse has to save: the wires at it, and those that it alone takes off every source, out and back. */
function guardedBy({ vehicle }: Assessment, fuseId: string): ResolvedConductor[] {
  const protecting = lowProtecting(vehicle);
  return lowVoltage(vehicle).lv.conductors.filter(
    ({ id, conductor: { kind, a, b } }) =>
      kind === 'cable' && (protecting.get(id) === fuseId || a.deviceId === fuseId || b.deviceId === fuseId),
  );
}

const thisWire: Proposer = (assessment, check) => {
  const wire = lowVoltage(assessment.vehicle).lv.conductorOf.get(check.subject.id);
  return wire ? fit([wire]) : [];
};

const largerRelay: Proposer = (assessment, check) => {
  const now = lowVoltage(assessment.vehicle).lv.deviceOf.get(check.subject.id)?.device.ratedA ?? 0;
  return [30, 40, 70, 100, 200]
    .filter((ratedA) => ratedA > now)
    .map((ratedA): Edit => ({ edit: 'setContactRating', input: { deviceId: check.subject.id, ratedA } }));
};

const largerConverter: Proposer = (assessment) => {
  const [first] = lowVoltage(assessment.vehicle).converters;
  return first
    ? CONVERTER_POWERS.filter((watts) => watts > first.ratedPowerW).map(
        (ratedPowerW): Edit => ({
          edit: 'setConverter',
          input: { deviceId: first.id, converter: { ...first.device.converter!, ratedPowerW } },
        }),
      )
    : [];
};

const setVoltage: Proposer = (assessment, check) => {
  const low = lowVoltage(assessment.vehicle);
  const converter = low.converters.find(({ id }) => id === check.subject.id);
  const data = low.battery?.data;
  return converter && data
    ? [
        {
          edit: 'setConverter',
          input: {
            deviceId: converter.id,
            converter: { ...converter.device.converter!, outputV: SET_VOLTAGES[data.chemistry][1] },
          },
        },
      ]
    : [];
};

const otherBattery: Proposer = (assessment) => {
  const { battery } = lowVoltage(assessment.vehicle);
  return battery
    ? BATTERY_PRESETS.filter(
        ({ data }) => data.chemistry !== battery.data?.chemistry || data.capacityAh > battery.data.capacityAh,
      )
        .sort((p, q) => p.data.capacityAh - q.data.capacityAh)
        .map(
          ({ data }): Edit => ({ edit: 'setAuxiliaryBattery', input: { deviceId: battery.device.id, battery: data } }),
        )
    : [];
};

const mainSwitch: Proposer = (assessment) => {
  const { battery, lv } = lowVoltage(assessment.vehicle);
  const cable = lv.conductors.find(({ conductor }) =>
    [conductor.a, conductor.b].some(
      ({ deviceId, terminal }) => deviceId === battery?.device.id && terminal === 'minus',
    ),
  )?.cable;
  return battery && cable
    ? [{ edit: 'addMainSwitch', input: { seed: `main-${battery.device.id}`, batteryId: battery.device.id, cable } }]
    : [];
};

/** Common ratings of plugs, A (generic). */
const PLUGS_A = [5, 10, 16, 25, 40, 60, 80, 120, 175, 250, 320, 350, 500];
const largerPlug: Proposer = ({ build }, { subject }) => {
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
const coolerLoom: Proposer = ({ vehicle }, check) => {
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
const thickerEarth: Proposer = ({ vehicle }, check) => {
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

/** What a school or a loss asks for, put into the schedule with its fuse and wires. */
const askedLoad: Proposer = ({ build, vehicle }, { subject: { id } }) => {
  const job = id.startsWith('school-')
    ? jobOf(build.schools, id.slice('school-'.length) as SchoolId)
    : LOSS_JOBS[id as LossId];
  if (job === undefined || lowVoltage(vehicle).loads.some(({ load }) => load.job === job)) return [];
  const used = Object.keys(build.circuits.lv.devices).length;
  return LOAD_PRESETS.filter(({ load }) => load.job === job).map(
    (preset): Edit => ({ edit: 'addLowLoad', input: lowLoadOf(preset, `${job}-${used}`) }),
  );
};

export const LOW_PROPOSERS: Readonly<Record<string, readonly Proposer[]>> = {
  'survey.school': [askedLoad],
  'survey.loss': [askedLoad],
  'lv.drop': [loadWires],
  'lv.peak': [loadWires, otherBattery, largerConverter],
  'lv.converter-drop': [converterWay],
  'lv.converter-size': [largerConverter],
  'lv.converter-voltage': [setVoltage],
  'lv.fuse-load': [largerFuse],
  'lv.fuse-peak': [largerFuse],
  'lv.fuse-breaking': [strongerFuse],
  'lv.fuse-voltage': [strongerFuse],
  'lv.fuse-wire': [guardWire],
  'lv.wire-short': [guardWire],
  'lv.wire-temperature': [thisWire],
  'lv.hold-up': [otherBattery],
  'lv.parked': [mainSwitch, otherBattery],
  'lv.cold-charge': [otherBattery],
  'lv.contact': [largerRelay],
  'lv.connector': [largerPlug],
  'cable.connector': [largerPlug],
  'lv.loom': [coolerLoom],
  'lv.earth-shift': [thickerEarth],
};
