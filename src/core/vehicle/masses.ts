import { aBody, type Device, deviceDefinition } from '../build';
import { type Weight, type WheelLoads, wheelLoads } from '../physics/axles';
import { told } from '../quantities';
import { BODY_FIGURES } from './body-figures';
import { Follows } from './memory';
import { partOf, type Resolved, type ResolvedDevice } from './resolve';

/** Boxes, busbars and straps beside the cells (generic 1.15–1.35). */
const PACKING = 1.25;
export interface WeighedDevice {
  readonly id: string;
  readonly name: string;
  readonly massKg: number;
  readonly from: 'weighed' | 'part' | 'generic';
  /** Null: its place is not known. */
  readonly weight: Weight | null;
}

const known = (device: Device, massKg: number, from: WeighedDevice['from']): WeighedDevice => ({
  id: device.id,
  name: device.name,
  massKg,
  from,
  weight: device.place ? { massKg, xM: device.place.xM, yM: device.place.yM } : null,
});

/** Mass of one device, kg: as weighed, else of its part, else generic; null for what weighs next to nothing. */
export function massOf(resolved: ResolvedDevice): WeighedDevice | null {
  const { device } = resolved;
  // What stands outside is not carried.
  if (device.plug?.outside || device.trailer) return null;
  if (device.massKg !== undefined) return known(device, device.massKg, 'weighed');
  const cell = partOf(resolved, 'cell');
  if (device.kind === 'box' && cell)
    return known(device, (device.cellsInSeries ?? 0) * (device.cellsInParallel ?? 1) * cell.massKg * PACKING, 'part');
  const motor = partOf(resolved, 'motor');
  if (motor) return known(device, motor.massKg, 'part');
  const generic = deviceDefinition(device.kind).massKg;
  return generic === undefined ? null : known(device, generic, 'generic');
}

export interface Masses {
  readonly devices: readonly WeighedDevice[];
  readonly cablesKg: number;
  /** Stripped vehicle and everything new, empty, kg; null while it was not weighed stripped. */
  readonly builtKg: number | null;
  /** On the wheels: empty, and with a usual load; null while something that it needs is missing. */
  readonly empty: WheelLoads | null;
  readonly loaded: WheelLoads | null;
  /** As found, kg on each axle. */
  readonly found: { readonly frontKg: number; readonly rearKg: number } | null;
  /** What is missing for the axles. */
  readonly missing: readonly string[];
  readonly assumed: readonly string[];
}

const memo = new Follows<Resolved, Masses>();

/** Masses of the whole vehicle and their place on its wheels. The 12-volt side counts by its battery. */
export const massesOf = (vehicle: Resolved): Masses => memo.get(vehicle, () => makeMasses(vehicle));

function makeMasses(vehicle: Resolved): Masses {
  const { build } = vehicle;
  const chassis = build.chassis ?? {};
  const { body, payloadKg, grossMassKg, massEmptyKg } = build.vehicle;
  const wheelbaseM = build.vehicle.wheelbaseM ?? (body ? BODY_FIGURES[body].wheelbaseM : null);
  const low = Object.values(build.circuits.lv.devices).flatMap((device) => {
    const massKg = device.massKg ?? deviceDefinition(device.kind).massKg;
    return massKg === undefined || device.kind === 'contactor'
      ? []
      : [known(device, massKg, device.massKg === undefined ? 'generic' : 'weighed')];
  });
  const devices = [...vehicle.devices.flatMap((device) => massOf(device) ?? []), ...low];
  const cablesKg = vehicle.conductors.reduce(
    (sum, { cable, lengthM, conductor }) =>
      sum + (cable && lengthM ? cable.massKgPerM * lengthM * conductor.parallel : 0),
    0,
  );
  const nowhere = low.filter(({ weight }) => weight === null);
  const newKg = devices.reduce((sum, { massKg }) => sum + massKg, 0) + cablesKg;
  const builtKg = chassis.strippedKg === undefined ? null : chassis.strippedKg + newKg;
  const missing = [
    ...(wheelbaseM === null ? ['the wheelbase'] : []),
    ...(chassis.strippedKg === undefined ? ['the mass stripped'] : []),
    ...(chassis.strippedFrontShare === undefined ? ['its share in front'] : []),
    ...devices
      .filter((one) => one.weight === null && one.massKg > 5 && !nowhere.includes(one))
      .map(({ name }) => `the place of ${name}`),
  ];
  const found =
    chassis.foundKg !== undefined && chassis.foundFrontShare !== undefined
      ? { frontKg: chassis.foundKg * chassis.foundFrontShare, rearKg: chassis.foundKg * (1 - chassis.foundFrontShare) }
      : null;
  const assumed: string[] = [];
  if (build.vehicle.wheelbaseM === null && body)
    assumed.push(`Wheelbase ${told(wheelbaseM!, 'length')}, as ${aBody(body)}.`);
  const guessed = [...vehicle.devices.map(({ device }) => device), ...Object.values(build.circuits.lv.devices)].filter(
    ({ id, place }) => place?.usual && devices.some((one) => one.id === id),
  );
  if (guessed.length > 0) assumed.push(`Usual places, not measured: ${guessed.map(({ name }) => name).join(', ')}.`);
  const generic = devices.filter(({ from }) => from === 'generic');
  if (generic.length > 0) assumed.push(`Generic masses: ${generic.map(({ name }) => name).join(', ')}.`);
  if (missing.length > 0 || wheelbaseM === null || chassis.strippedKg === undefined)
    return { devices, cablesKg, builtKg, empty: null, loaded: null, found, missing, assumed };
  const middle = wheelbaseM / 2;
  const weights: Weight[] = [
    { massKg: chassis.strippedKg, xM: wheelbaseM * (1 - (chassis.strippedFrontShare ?? 0.5)), yM: 0 },
    ...devices.map(({ weight, massKg }) => weight ?? { massKg, xM: middle, yM: 0 }),
    { massKg: cablesKg, xM: middle, yM: 0 },
  ];
  const load = payloadKg ?? Math.max(0, (grossMassKg ?? 0) - (massEmptyKg ?? grossMassKg ?? 0));
  const payloadXM = chassis.payloadXM ?? 0.65 * wheelbaseM;
  if (chassis.payloadXM === undefined) assumed.push('A load sits at 65 % of the wheelbase, in the middle.');
  if (nowhere.length > 0) assumed.push(`${nowhere.map(({ name }) => name).join(', ')} halfway along.`);
  assumed.push('Stripped vehicle and cables in the middle across; cables halfway along.');
  const track = chassis.trackM ?? null;
  return {
    devices,
    cablesKg,
    builtKg,
    empty: wheelLoads(weights, wheelbaseM, track),
    loaded: wheelLoads([...weights, { massKg: load, xM: payloadXM, yM: 0 }], wheelbaseM, track),
    found,
    missing,
    assumed,
  };
}
