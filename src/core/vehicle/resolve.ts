import {
  type Build,
  type CircuitName,
  type Conductor,
  countedReading,
  type Device,
  type Id,
  isOfPart,
  type Laid,
  own,
  TERMINALS,
  type Zone,
} from '../build';
import type { CablePart, Part, PartKind, PartOf } from '../parts';
import { airPressurePa } from '../physics/air';
import type { CableBuild, CablePlace } from '../physics/cable';
import { INSULATION_W_PER_MK } from '../physics/cable';
import { UNKNOWN_AMBIENT_C } from './assumed';
import { lengthAlong, wayPoints } from './geometry';
import { Memo, Memory, room } from './memory';

/** Two crimped and bolted lugs at 20 °C, both ends together (generic, 0.05 mΩ each). */
const JOINTS_OHM = 0.0001;
/** A busbar or a bolted pair with its joints (generic). */
const BUSBAR_OHM = 0.00005;
/** Length taken for a conductor whose own is not known yet, only to keep the network whole. */
export const ASSUMED_LENGTH_M = 1;

/** The cable as the heat balance sees it, with what was asked of it before; `key` tells equal ones. */
export interface Thermal {
  readonly build: CableBuild;
  readonly place: CablePlace;
  readonly key: string;
  readonly known: KnownHeat;
}

/** Answers for one cable in one place: they hang on nothing else. */
interface KnownHeat {
  /** Steady, °C, by the current of one conductor in steps of 0.1 mA. */
  readonly steadyC: Memo<number | null, number>;
  /** Continuous current, A, by the temperature that it may reach, °C. */
  readonly ampacityA: Memo<number, number>;
  /** After a pulse, °C. */
  readonly pulseC: Memo<number | null>;
}
const heats = room(() => new Memo<KnownHeat>(400));

export interface ResolvedConductor {
  readonly id: Id;
  readonly conductor: Conductor;
  /** Nodes of its ends: text made once, so that looking it up stays cheap. */
  readonly nodeA: string;
  readonly nodeB: string;
  /** With adopted readings; null: not chosen, or no cable. */
  readonly cable: CablePart | null;
  readonly lengthM: number | null;
  readonly lengthFrom: 'own' | 'measured' | 'route' | 'unknown';
  readonly laid: Laid | null;
  readonly zone: Zone | null;
  readonly jointOhm: number;
  readonly thermal: Thermal | null;
  /** What is missing for its own checks. */
  readonly missing: readonly ('part' | 'length' | 'place')[];
}

export interface ResolvedDevice {
  readonly id: Id;
  readonly device: Device;
  /** Node of each terminal. */
  readonly nodes: Readonly<Record<string, string>>;
  /** With adopted readings; null while it is not chosen. */
  readonly part: Part | null;
  readonly ambientC: number;
}

/** A part with the readings that are adopted for this instance; they are retired with the part that they were adopted on. */
function withAdopted<P extends Part>(build: Build, subjectId: Id, part: P): P {
  let result = part;
  for (const adoption of Object.values(build.adoptions)) {
    if (adoption.subjectId !== subjectId || !isOfPart(build, subjectId, adoption.field)) continue;
    const reading = countedReading(build, adoption);
    if (reading && typeof (part as unknown as Record<string, unknown>)[adoption.field] === 'number')
      result = {
        ...result,
        [adoption.field]: reading.value,
        provenance: 'measured',
        ...(result.origins ? { origins: { ...result.origins, [adoption.field]: 'measured' } } : {}),
      };
  }
  return result;
}

/** As routed, whatever was typed or measured for the one conductor; null: not known. m */
export const routedLengthM = (build: Build, conductor: Conductor): number | null =>
  lengthOf(build, { ...conductor, lengthM: null }).lengthM;

function lengthOf(build: Build, conductor: Conductor): Pick<ResolvedConductor, 'lengthM' | 'lengthFrom'> {
  if (conductor.lengthM !== null) return { lengthM: conductor.lengthM, lengthFrom: 'own' };
  const route = own(build.routes, conductor.routeId);
  if (!route) return { lengthM: null, lengthFrom: 'unknown' };
  if (route.measuredLengthM !== null) return { lengthM: route.measuredLengthM, lengthFrom: 'measured' };
  const points = wayPoints(build, route, conductor.a, conductor.b);
  if (!points) return { lengthM: null, lengthFrom: 'unknown' };
  const sum = route.slackM + lengthAlong(points);
  return sum > 0 ? { lengthM: sum, lengthFrom: 'route' } : { lengthM: null, lengthFrom: 'unknown' };
}

function thermalOf(memory: Memory, cable: CablePart, laid: Laid, zone: Zone, pressurePa: number): Thermal {
  const key = `${cable.metal}|${cable.resistance20OhmPerM}|${cable.conductorDiameterMm}|${cable.outerDiameterMm}|${cable.insulation}|${laid.arrangement}|${laid.loadedCircuits}|${laid.conduit}|${zone.ambientC}|${pressurePa}`;
  return {
    build: {
      metal: cable.metal,
      resistance20OhmPerM: cable.resistance20OhmPerM,
      conductorDiameterMm: cable.conductorDiameterMm,
      layers: [{ outerDiameterMm: cable.outerDiameterMm, conductivityWPerMK: INSULATION_W_PER_MK[cable.insulation] }],
    },
    place: {
      arrangement: laid.arrangement,
      loadedCircuits: laid.loadedCircuits,
      conduit: laid.conduit,
      ambientC: zone.ambientC,
      airSpeedMPerS: 0,
      airPressurePa: pressurePa,
      emissivity: 0.9,
    },
    key,
    known: memory.of(heats).get(key, () => ({
      steadyC: new Memo(1000),
      ampacityA: new Memo(20),
      pulseC: new Memo(400),
    })),
  };
}

function resolveConductor(build: Build, conductor: Conductor, memory: Memory): ResolvedConductor {
  const route = own(build.routes, conductor.routeId);
  const laid = route?.laid ?? conductor.laid;
  const zone = laid ? (own(build.zones, laid.zoneId) ?? null) : null;
  const found = own(build.parts, conductor.partId);
  const cable = conductor.kind === 'cable' && found?.kind === 'cable' ? withAdopted(build, conductor.id, found) : null;
  const length = lengthOf(build, conductor);
  const missing: ResolvedConductor['missing'][number][] = [];
  if (conductor.kind === 'cable') {
    if (!cable) missing.push('part');
    if (length.lengthM === null) missing.push('length');
    if (!zone) missing.push('place');
  }
  const thermal =
    cable && laid && zone ? thermalOf(memory, cable, laid, zone, airPressurePa(build.vehicle.altitudeM)) : null;
  return {
    id: conductor.id,
    conductor,
    nodeA: `${conductor.a.deviceId}.${conductor.a.terminal}`,
    nodeB: `${conductor.b.deviceId}.${conductor.b.terminal}`,
    cable,
    ...length,
    laid: laid ?? null,
    zone,
    jointOhm: conductor.jointResistanceOhm ?? (conductor.kind === 'cable' ? JOINTS_OHM : BUSBAR_OHM),
    thermal,
    missing,
  };
}

function resolveDevice(build: Build, device: Device): ResolvedDevice {
  const part = own(build.parts, device.partId);
  const zone = device.place ? own(build.zones, device.place.zoneId) : undefined;
  const nodes = Object.fromEntries(
    Object.keys(TERMINALS[device.kind]).map((terminal) => [terminal, `${device.id}.${terminal}`]),
  );
  return {
    id: device.id,
    device,
    nodes,
    part: part ? withAdopted(build, device.id, part) : null,
    ambientC: zone?.ambientC ?? UNKNOWN_AMBIENT_C,
  };
}

export interface Resolved {
  readonly build: Build;
  /** Of whoever had it resolved. */
  readonly memory: Memory;
  readonly devices: readonly ResolvedDevice[];
  readonly conductors: readonly ResolvedConductor[];
  readonly deviceOf: ReadonlyMap<Id, ResolvedDevice>;
  readonly conductorOf: ReadonlyMap<Id, ResolvedConductor>;
}

/** One circuit with every length, part and place looked up; the high-voltage one when none is named. */
export function resolve(build: Build, circuit: CircuitName = 'hv', memory: Memory = new Memory()): Resolved {
  const { [circuit]: wired } = build.circuits;
  const devices = Object.values(wired.devices).map((device) => resolveDevice(build, device));
  const conductors = Object.values(wired.conductors).map((conductor) => resolveConductor(build, conductor, memory));
  return {
    build,
    memory,
    devices,
    conductors,
    deviceOf: new Map(devices.map((device) => [device.id, device])),
    conductorOf: new Map(conductors.map((conductor) => [conductor.id, conductor])),
  };
}

/** Copper of a conductor, all in parallel together, mm²; null: a cable that is not chosen, a bar that nobody measured, or a bolted joint. */
export const copperMm2 = ({ conductor, cable }: ResolvedConductor): number | null => {
  const each = cable?.areaMm2 ?? (conductor.kind === 'busbar' ? conductor.sectionMm2 : undefined);
  return each === undefined ? null : each * conductor.parallel;
};

/** The part of a device when it is of the kind asked for. */
export function partOf<K extends PartKind>(device: ResolvedDevice | undefined, kind: K): PartOf<K> | null {
  return device?.part?.kind === kind ? (device.part as PartOf<K>) : null;
}
