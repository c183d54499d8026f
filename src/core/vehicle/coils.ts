import { deviceDefinition, type Id } from '../build';
import { type Element, operatingPoint, type SolvedPoint } from '../circuit';
import { fuseResistance } from '../physics/fuse';
import { lowReads } from './low-reads';
import { Follows, Recent, room, settles } from './memory';
import { partOf, type Resolved, type ResolvedConductor, type ResolvedDevice, resolve } from './resolve';
import { sameConductor, sameDevice } from './settle';
import { conductorOhm } from './stamp';

/** Inside the auxiliary battery, Ω (generic: 45–60 Ah lead). */
const BATTERY_OHM = 0.008;
/** A closed contact of a handle, a switch, a plug or a relay, Ω (generic). */
const CONTACT_OHM = 0.02;
/** One screwed earth point, Ω (generic). */
const EARTH_OHM = 0.001;
/** Coil of a switching relay at 20 °C, Ω (generic: 1.6 W at 12 V). */
const RELAY_OHM = 90;
/** A relay pulls in from here, V (generic). */
const RELAY_PICK_UP_V = 8;
/** Copper of a hot coil, 85 °C against 20 °C: 1 + 0.00393·65 (IEC 60028). */
const HOT_COIL = 1 + 0.00393 * 65;
/** Wires of the 12-volt circuit lie this warm, °C (generic). */
const WIRE_C = 40;

/** The contactors' coils and all that feeds them, in the 12-volt circuit's topology. */
export interface CoilCircuit {
  readonly lv: Pick<Resolved, 'devices' | 'conductors' | 'deviceOf' | 'conductorOf'>;
  /** Contactors with a coil that is wired on both sides. */
  readonly wired: readonly ResolvedDevice[];
  readonly unwired: readonly ResolvedDevice[];
  /** Everything that can open: handles, plugs, switches, auxiliary contacts, fuses. */
  readonly stops: readonly ResolvedDevice[];
  readonly batteryPlus: string;
  readonly ground: string;
  /** Relays of which nobody drew what closes them: they may be closed at any time. */
  readonly undriven: ReadonlySet<Id>;
  /** A switch through which one coil alone is fed: the sequence commands it. */
  readonly driverOf: ReadonlyMap<Id, Id>;
}

export interface CoilSetting {
  /** The plain source, V. */
  readonly supplyV: number;
  readonly hot?: boolean;
  /** Contactors that the sequence commands; all when absent. */
  readonly commanded?: ReadonlySet<Id>;
  /** Devices and conductors that are open: a handle pressed, a plug out, a fuse blown, a wire broken. */
  readonly open?: ReadonlySet<Id>;
  /** Contacts that are welded or bridged: closed whatever is asked of them. */
  readonly bridged?: ReadonlySet<Id>;
  /** Relays that nobody knows the command of are closed. */
  readonly undrivenClosed?: boolean;
  /** A node that touches the supply's plus. */
  readonly touchesPlus?: string;
}

export interface CoilPoint {
  /** At each wired coil, V; 0 where nothing feeds it. */
  readonly coilV: ReadonlyMap<Id, number>;
  readonly nodeV: (node: string) => number;
  readonly supplyA: number;
}

type Undriven = Omit<CoilCircuit, 'driverOf'>;

const kept = room(() => new Recent<Undriven | null>(8));

/** Before it is asked who drives what; another wire to a lamp leaves it the same object. */
const undriven = settles(
  'undrivenCoils',
  (vehicle: Resolved): Undriven | null => vehicle.memory.of(kept).get(lowReads(vehicle), () => findCoils(vehicle)),
  sameCoils,
);

const driven = new Follows<Undriven, CoilCircuit>();

/** The coil circuit of a build; null while the 12-volt circuit has no battery. The same object while nothing in it has changed. */
export function coilCircuit(vehicle: Resolved): CoilCircuit | null {
  const circuit = undriven(vehicle);
  return (
    circuit && driven.get(circuit, () => ({ ...circuit, driverOf: driversOf({ ...circuit, driverOf: new Map() }) }))
  );
}

function sameCoils(p: Undriven | null, q: Undriven | null): boolean {
  if (p === q || p === null || q === null) return p === q;
  const same = <One>(one: readonly One[], other: readonly One[], alike: (a: One, b: One) => boolean) =>
    one.length === other.length && one.every((each, k) => alike(each, other[k]!));
  return (
    p.batteryPlus === q.batteryPlus &&
    same(p.lv.devices, q.lv.devices, sameDevice) &&
    same(p.lv.conductors, q.lv.conductors, sameConductor) &&
    same(p.wired, q.wired, sameDevice) &&
    same(p.unwired, q.unwired, sameDevice) &&
    same(p.stops, q.stops, sameDevice) &&
    same([...p.undriven], [...q.undriven], Object.is)
  );
}

/** The 12-volt circuit without what leads to loads and converters only: they are no part of the coils' loop. */
function withoutLoads(lv: Resolved): CoilCircuit['lv'] {
  const loads = new Set(lv.devices.flatMap(({ id, device }) => (device.kind === 'lv-load' ? [id] : [])));
  if (loads.size === 0) return lv;
  let conductors = lv.conductors;
  let devices = lv.devices.filter(({ id }) => !loads.has(id));
  for (;;) {
    const touched = new Map<string, number>();
    for (const { nodeA, nodeB } of conductors)
      for (const node of [nodeA, nodeB]) touched.set(node, (touched.get(node) ?? 0) + 1);
    // A wire to a load hangs in the air once the load is left out; so does the fuse before it, and so on.
    const hangs = (node: string): boolean => {
      const at = node.lastIndexOf('.');
      const id = node.slice(0, at);
      // Two wires on one terminal of a load carry on past it.
      if (loads.has(id)) return (touched.get(node) ?? 0) < 2;
      const device = lv.deviceOf.get(id)?.device;
      if (!device) return false;
      if (device.kind === 'lv-junction' || device.kind === 'earth') return (touched.get(node) ?? 0) < 2;
      const { through } = deviceDefinition(device.kind);
      if (!through) return false;
      // A relay's contact may be a coil's feed; its own coil matters as long as the contact leads anywhere.
      if (device.kind === 'relay' && !through.includes(node.slice(at + 1)))
        return through.every((terminal) => (touched.get(`${id}.${terminal}`) ?? 0) === 0);
      const other = through[0] === node.slice(at + 1) ? through[1] : through[0];
      // Two wires on one terminal carry on past an open contact.
      return (touched.get(`${id}.${other}`) ?? 0) === 0 && (touched.get(node) ?? 0) < 2;
    };
    const kept = conductors.filter(({ nodeA, nodeB }) => !hangs(nodeA) && !hangs(nodeB));
    if (kept.length === conductors.length) break;
    conductors = kept;
  }
  const ends = new Set(conductors.flatMap(({ nodeA, nodeB }) => [nodeA, nodeB]));
  devices = devices.filter(
    ({ id, device }) =>
      (device.kind !== 'lv-fuse' || (ends.has(`${id}.a`) && ends.has(`${id}.b`))) &&
      (device.kind !== 'relay' || ends.has(`${id}.coilPlus`) || ends.has(`${id}.a`) || ends.has(`${id}.b`)),
  );
  return {
    devices,
    conductors,
    deviceOf: new Map(devices.map((device) => [device.id, device])),
    conductorOf: new Map(conductors.map((conductor) => [conductor.id, conductor])),
  };
}

function findCoils(vehicle: Resolved): Undriven | null {
  const all = resolve(vehicle.build, 'lv', vehicle.memory);
  const lv = withoutLoads(all);
  const battery = lv.devices.find(({ device }) => device.kind === 'auxiliary-battery');
  if (!battery) return null;
  const endsOf = ({ conductors }: CoilCircuit['lv']) =>
    new Set(conductors.flatMap(({ nodeA, nodeB }) => [nodeA, nodeB]));
  const ends = endsOf(lv);
  const landed = endsOf(all);
  const contactors = vehicle.devices.filter(({ device }) => device.kind === 'contactor');
  const isWired = ({ id }: ResolvedDevice) => ends.has(`${id}.coilPlus`) && ends.has(`${id}.coilMinus`);
  const joined = ({ id, device }: ResolvedDevice) =>
    (deviceDefinition(device.kind).opens ?? (device.kind === 'lv-fuse' ? ['a', 'b'] : [])).some((terminal) =>
      ends.has(`${id}.${terminal}`),
    );
  return {
    lv,
    wired: contactors.filter(isWired),
    unwired: contactors.filter((device) => !isWired(device)),
    stops: [...lv.devices, ...vehicle.devices].filter(joined),
    batteryPlus: `${battery.id}.plus`,
    ground: `${battery.id}.minus`,
    undriven: new Set(
      lv.devices
        .filter(
          ({ id, device }) =>
            device.kind === 'relay' && !(landed.has(`${id}.coilPlus`) && landed.has(`${id}.coilMinus`)),
        )
        .map(({ id }) => id),
    ),
  };
}

function driversOf(circuit: CoilCircuit): ReadonlyMap<Id, Id> {
  const driverOf = new Map<Id, Id>();
  for (const { id, device } of circuit.stops) {
    if (device.kind !== 'lv-switch' && device.kind !== 'relay') continue;
    const point = solveCoils(circuit, { supplyV: 12, open: new Set([id]), undrivenClosed: true });
    const dead = circuit.wired.filter((coil) => (point.coilV.get(coil.id) ?? 0) < 1);
    if (dead.length === 1 && circuit.wired.length > 1) driverOf.set(id, dead[0]!.id);
  }
  return driverOf;
}

/** Resistance of a coil, Ω: rated voltage and power; hot copper has a quarter more. */
export function coilOhm(device: ResolvedDevice, hot: boolean): number {
  const part = partOf(device, 'contactor');
  const cold = part ? part.coilVoltageV ** 2 / part.coilPowerW : RELAY_OHM;
  return hot ? cold * HOT_COIL : cold;
}

const wireOhm = (conductor: ResolvedConductor): number => conductorOhm(conductor, WIRE_C);

function elementsOf(circuit: CoilCircuit, setting: CoilSetting, relaysIn: ReadonlySet<Id>): Element[] {
  const { lv, wired, stops, driverOf } = circuit;
  const open = setting.open ?? new Set<Id>();
  const elements: Element[] = [];
  const resistor = (id: string, a: string, b: string, resistanceOhm: number) =>
    elements.push({ id, kind: 'resistor', a, b, resistanceOhm });
  elements.push({
    id: 'supply',
    kind: 'source',
    a: circuit.batteryPlus,
    b: circuit.ground,
    voltageV: setting.supplyV,
    resistanceOhm: BATTERY_OHM,
  });
  for (const conductor of lv.conductors)
    if (!open.has(conductor.id)) resistor(conductor.id, conductor.nodeA, conductor.nodeB, wireOhm(conductor));
  for (const device of stops) {
    const { id, device: made } = device;
    const [a, b] = deviceDefinition(made.kind).opens ?? ['a', 'b'];
    const coil = driverOf.get(id);
    const asked =
      !open.has(id) &&
      (coil === undefined || setting.commanded === undefined || setting.commanded.has(coil)) &&
      (made.kind !== 'relay' || relaysIn.has(id) || (setting.undrivenClosed === true && circuit.undriven.has(id)));
    if (!asked && !setting.bridged?.has(id)) continue;
    const fuse = partOf(device, 'fuse');
    resistor(`${id}:contact`, `${id}.${a}`, `${id}.${b}`, fuse ? fuseResistance(fuse) : CONTACT_OHM);
  }
  for (const device of wired)
    resistor(
      `${device.id}:coil`,
      `${device.id}.coilPlus`,
      `${device.id}.coilMinus`,
      coilOhm(device, setting.hot === true),
    );
  const earths = lv.devices.filter(({ device }) => device.kind === 'earth');
  for (const { id } of earths) resistor(`${id}:body`, `${id}.n`, 'body', EARTH_OHM);
  for (const { id, device } of lv.devices)
    if (device.kind === 'relay') resistor(`${id}:coil`, `${id}.coilPlus`, `${id}.coilMinus`, RELAY_OHM);
  if (setting.touchesPlus !== undefined && setting.touchesPlus !== circuit.batteryPlus)
    resistor('touch', circuit.batteryPlus, setting.touchesPlus, CONTACT_OHM);
  return elements;
}

/** Sources, coils, wires and contacts are linear: there is always a solution. */
function linearPoint(elements: readonly Element[], ground: string): SolvedPoint {
  const point = operatingPoint({ elements, ground });
  if (!point.solvable) throw new Error(`a circuit without loads of constant power has no solution: ${point.reason}`);
  return point;
}

const points = new Follows<CoilCircuit, CoilPoint>();
const listed = (ids: ReadonlySet<Id> | undefined): string => (ids ? [...ids].sort().join() : '*');

/** Voltages at the coils for one setting of handles, plugs and drivers; the same setting of the same circuit is solved once. */
export function solveCoils(circuit: CoilCircuit, setting: CoilSetting): CoilPoint {
  const { supplyV, hot, commanded, open, bridged, undrivenClosed, touchesPlus } = setting;
  const key = `${supplyV}|${hot === true}|${undrivenClosed === true}|${listed(commanded)}|${listed(open)}|${listed(bridged)}|${touchesPlus ?? ''}`;
  return points.get(circuit, () => solveSetting(circuit, setting), key);
}

/** Relays are let in one after another until nothing moves. */
function solveSetting(circuit: CoilCircuit, setting: CoilSetting): CoilPoint {
  const relays = circuit.lv.devices.filter(({ device }) => device.kind === 'relay');
  let relaysIn: ReadonlySet<Id> = new Set();
  for (let round = 0; ; round++) {
    const elements = elementsOf(circuit, setting, relaysIn);
    const point = linearPoint(elements, circuit.ground);
    const { nodeVoltagesV, referenceOf } = point;
    const nodeV = (node: string): number =>
      referenceOf.get(node) === circuit.ground ? (nodeVoltagesV.get(node) ?? 0) : 0;
    const across = (id: Id): number => nodeV(`${id}.coilPlus`) - nodeV(`${id}.coilMinus`);
    const next = new Set(relays.filter(({ id }) => across(id) >= RELAY_PICK_UP_V).map(({ id }) => id));
    if ((next.size === relaysIn.size && [...next].every((id) => relaysIn.has(id))) || round > relays.length) {
      return {
        coilV: new Map(circuit.wired.map(({ id }) => [id, Math.max(0, across(id))])),
        nodeV,
        supplyA: -(point.elementCurrentsA.get('supply') ?? 0),
      };
    }
    relaysIn = next;
  }
}

/** What a meter reads between the battery's plus terminal and a node with the supply taken off and the drivers on, Ω. */
export function meteredOhm(circuit: CoilCircuit, commanded: ReadonlySet<Id>, node: string): number {
  if (node === circuit.batteryPlus) return 0;
  const elements = elementsOf(circuit, { supplyV: 0, commanded }, new Set()).filter(({ id }) => id !== 'supply');
  const meter: Element = {
    id: 'meter',
    kind: 'source',
    a: circuit.batteryPlus,
    b: node,
    voltageV: 1,
    resistanceOhm: 1,
  };
  const point = linearPoint([...elements, meter], circuit.batteryPlus);
  const currentA = -(point.elementCurrentsA.get('meter') ?? 0);
  return currentA > 0 ? 1 / currentA - 1 : Number.POSITIVE_INFINITY;
}

/** What a coil needs to close and to stay closed, V: the part's, or three quarters and half of its rated voltage (generic). */
export function coilLimits(device: ResolvedDevice): { pickUpV: number; holdV: number; assumed: boolean } {
  const part = partOf(device, 'contactor');
  const ratedV = part?.coilVoltageV ?? 12;
  return {
    pickUpV: part?.coilPickUpV ?? 0.75 * ratedV,
    holdV: part?.coilHoldV ?? 0.5 * ratedV,
    assumed: part?.coilPickUpV === undefined,
  };
}

/** Contactors that may stay in with this opened: their coils keep more than the hold voltage at the highest supply, cold. */
export function stillIn(
  circuit: CoilCircuit,
  setting: Omit<CoilSetting, 'supplyV' | 'hot' | 'undrivenClosed'>,
  supplyV = HIGHEST_SUPPLY_V,
): Id[] {
  const point = solveCoils(circuit, { ...setting, supplyV, undrivenClosed: true });
  return circuit.wired.filter((coil) => (point.coilV.get(coil.id) ?? 0) > coilLimits(coil).holdV).map(({ id }) => id);
}

/** The auxiliary battery alone, sagging under a pump's start before the converter runs, V (generic). */
export const LOWEST_SUPPLY_V = 10.5;
/** The converter at its set point on a cold day, V (generic). */
export const HIGHEST_SUPPLY_V = 14.4;
