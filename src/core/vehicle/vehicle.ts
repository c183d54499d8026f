import { asMeasured, type Build, type Id } from '../build';
import {
  type Reads,
  reading,
  type Slots,
  sameRead,
  slot,
  standsFor,
  standsIn,
  watchBuild,
  watcher,
} from '../build/reads';
import { type Element, NetworkError, type OperatingPoint, OperatingPointSolver, type SolvedPoint } from '../circuit';
import { unsureOf } from '../parts';
import { ampacity, steadyTemperature } from '../physics/cable';
import { UNKNOWN_AMBIENT_C } from './assumed';
import { type CaseId, type Corner, caseId, cornersOf, STATES, type State } from './cases';
import { Memo, Memory, room } from './memory';
import { nodeOf } from './node';
import { partOf, type Resolved, type ResolvedConductor, resolve } from './resolve';
import { byId, sameCase, sameConductor, sameDevice, settled } from './settle';
import { groundOf, stamp, untoldBoxes } from './stamp';
import { packStrings } from './strings';
import { topologyKey } from './topology-key';

export interface SolvedCase {
  readonly id: CaseId;
  readonly state: State;
  readonly corner: Corner;
  readonly point: OperatingPoint;
  /** Conductor temperatures that the resistances were taken at, °C; null: no steady temperature. */
  readonly temperaturesC: ReadonlyMap<Id, number | null>;
}

/** A case that has an operating point: only here are there figures to read. */
export interface SolvedState extends SolvedCase {
  readonly point: SolvedPoint;
}
export const isSolved = (solved: SolvedCase): solved is SolvedState => solved.point.solvable;
/** The cases that have an operating point. */
export const solvedStates = (vehicle: Vehicle): SolvedState[] => vehicle.cases.filter(isSolved);
/** |Current| of a device or conductor in a case, A; null: the case has no solution, or it is not in the network. */
export function currentIn(solved: SolvedCase, id: Id): number | null {
  const signed = solved.point.solvable ? solved.point.elementCurrentsA.get(id) : undefined;
  return signed === undefined ? null : Math.abs(signed);
}

export interface Vehicle extends Resolved {
  /** Null with a reason when the circuit can't be solved at all. */
  readonly cases: readonly SolvedCase[];
  readonly unsolved: string | null;
  /** Highest and nominal pack voltage, and rest voltage when empty: Σ over all boxes in series, V. */
  readonly caseOf: (id: CaseId) => SolvedCase | undefined;
}

const solvers = room(() => new Memo<Memo<OperatingPointSolver>>(8));
const CURRENT_STEP_A = 1e-4;

/** What decides the structure of the equations beside the topology: what is stamped, how, and which way power flows. */
function structureKey(elements: readonly Element[], ground: string): string {
  let key = `${ground}|${elements.length}|`;
  for (const element of elements) {
    // A device without a part stamps nothing: the ids tell which ones are here.
    key += element.id;
    if (element.kind === 'switch') key += element.closed ? '+' : '-';
    else if (element.kind === 'power') key += element.powerW > 0 ? '>' : '<';
    else key += 'resistanceOhm' in element && element.resistanceOhm === 0 ? '0' : '.';
  }
  return key;
}

/** Precision of the greatest power, as a share. */
const LOAD_FACTOR_TOLERANCE = 1e-4;

/** A solver for one state: corners and temperatures change values only, except for loads that are off in one of them. */
type StateSolver = (elements: readonly Element[], withLoadFactor: boolean) => OperatingPoint;

function solverFor(memory: Memory, ground: string, topology: string): StateSolver {
  // Within one state the elements differ by nothing but loads that are left out: their number tells them apart.
  const byNumber = new Map<number, OperatingPointSolver>();
  return (elements, withLoadFactor) => {
    let solver = byNumber.get(elements.length);
    if (!solver) {
      const ofTopology = memory.of(solvers).get(topology, () => new Memo<OperatingPointSolver>(32));
      solver = ofTopology.get(structureKey(elements, ground), () => new OperatingPointSolver({ elements, ground }));
      byNumber.set(elements.length, solver);
    }
    return solver.solve(elements, withLoadFactor, LOAD_FACTOR_TOLERANCE);
  };
}

/** Steady temperature of one of the parallel conductors at a current through all of them, °C; null when there is none. */
export function conductorTemperature(conductor: ResolvedConductor, currentA: number): number | null {
  const { thermal } = conductor;
  if (!thermal) return conductor.zone?.ambientC ?? UNKNOWN_AMBIENT_C;
  const each = Math.abs(currentA) / conductor.conductor.parallel;
  const steps = Math.round(each / CURRENT_STEP_A);
  // Worked out for the step itself: what is kept must not hang on who asked first.
  return thermal.known.steadyC.get(
    steps,
    () => steadyTemperature(thermal.build, thermal.place, steps * CURRENT_STEP_A).conductorTemperatureC,
  );
}

/** Continuous current of all parallel conductors together at the cable's temperature class, A; null while part or place is missing. */
export function conductorAmpacity(conductor: ResolvedConductor): number | null {
  const { thermal, cable } = conductor;
  if (!thermal || !cable) return null;
  return (
    conductor.conductor.parallel *
    thermal.known.ampacityA.get(cable.temperatureClassC, () =>
      ampacity(thermal.build, thermal.place, cable.temperatureClassC),
    )
  );
}

/** Temperature at which a conductor without a steady one is taken: its class. The check on it fails anyway. */
const hotOf = (conductor: ResolvedConductor): number => conductor.cable?.temperatureClassC ?? 125;
const ambientOf = (conductor: ResolvedConductor): number => conductor.zone?.ambientC ?? UNKNOWN_AMBIENT_C;

function solveCase(
  resolved: Resolved,
  state: State,
  corner: Corner,
  solve: StateSolver,
  startC: ReadonlyMap<Id, number | null> | null,
): SolvedCase {
  let temperaturesC: Map<Id, number | null> = new Map(
    resolved.conductors.map((conductor) => [conductor.id, startC?.get(conductor.id) ?? ambientOf(conductor)]),
  );
  const temperatureOf = (id: Id) => temperaturesC.get(id) ?? hotOf(resolved.conductorOf.get(id)!);
  const withLoadFactor = state.id === 'hard-acceleration' && corner.id === 'cold-old-empty';
  let point = solve(stamp(resolved, { state, corner, temperatureOf }), withLoadFactor);
  // Current heats the conductor, heat raises its resistance, resistance raises the current of a constant power: repeat until they agree.
  const settles = state.duration === 'sustained' && state.closed.length > 0;
  for (let round = 0; settles && point.solvable && round < 8; round++) {
    const next = new Map<Id, number | null>();
    let moved = 0;
    for (const conductor of resolved.conductors) {
      const settled = conductorTemperature(conductor, point.elementCurrentsA.get(conductor.id) ?? 0);
      moved = Math.max(moved, Math.abs((settled ?? hotOf(conductor)) - temperatureOf(conductor.id)));
      next.set(conductor.id, settled);
    }
    temperaturesC = next;
    if (moved < 0.05) break;
    const again = solve(stamp(resolved, { state, corner, temperatureOf }), false);
    if (!again.solvable) return { id: caseId(state, corner), state, corner, point: again, temperaturesC };
    point = again;
  }
  return { id: caseId(state, corner), state, corner, point, temperaturesC };
}

/** What solving makes of a build: of a vehicle all but the build itself and its owner's memory. */
type Pieces = Omit<Vehicle, 'build' | 'memory'>;

const pieceSlots = {
  build: null,
  memory: null,
  devices: slot('vehicle.devices'),
  deviceOf: slot('vehicle.deviceOf'),
  conductors: slot('vehicle.conductors'),
  conductorOf: slot('vehicle.conductorOf'),
  cases: slot('vehicle.cases'),
  unsolved: slot('vehicle.unsolved'),
  caseOf: slot('vehicle.caseOf'),
} as const satisfies Record<keyof Vehicle, number | null>;
const watchVehicle = watcher<Vehicle>(pieceSlots);

interface Solved {
  readonly document: Build;
  readonly vehicle: Vehicle;
  readonly pieces: Pieces;
  readonly topology: string;
  /** What solving read, and what stood there. */
  readonly reads: Reads;
  readonly slots: Slots;
}
const lastSolved = room((): { last: Solved | null } => ({ last: null }));

/**
 * Resolves the build and solves every case once. Nothing here judges. What was solved last serves again where all that solving read of the
 * build still stands, and of what is solved anew whatever came out the same is what it was.
 */
export function vehicleOf(designed: Build, memory: Memory = new Memory()): Vehicle {
  const document = asMeasured(designed);
  const held = memory.of(lastSolved);
  if (held.last?.document === document) return held.last.vehicle;
  const slots: unknown[] = [];
  const build = watchBuild(document, slots);
  const { last } = held;
  const solved =
    last && sameRead(last.reads, last.slots, slots)
      ? { pieces: last.pieces, topology: last.topology, reads: last.reads }
      : solvePieces(build, memory, last);
  const vehicle = watchVehicle({ build, memory, ...solved.pieces }, slots);
  standsIn(vehicle, slots);
  standsFor(slots, vehicle);
  held.last = { document, vehicle, slots, ...solved };
  return vehicle;
}

function solvePieces(build: Build, memory: Memory, last: Solved | null): Pick<Solved, 'pieces' | 'topology' | 'reads'> {
  const { value, reads } = reading(() => {
    const { cases, unsolved, ...resolved } = solveVehicle(build, memory);
    return { cases, unsolved, resolved, topology: topologyKey(resolved) };
  });
  const { resolved, unsolved, topology } = value;
  const before = last?.pieces ?? null;
  const devices = settled(resolved.devices, before?.devices ?? [], sameDevice);
  const conductors = settled(resolved.conductors, before?.conductors ?? [], sameConductor);
  const cases = last?.topology === topology ? settled(value.cases, last.pieces.cases, sameCase) : value.cases;
  const byCase = new Map(cases.map((solved) => [solved.id, solved]));
  const pieces: Pieces = {
    devices,
    conductors,
    deviceOf: byId(devices, before && { list: before.devices, of: before.deviceOf }),
    conductorOf: byId(conductors, before && { list: before.conductors, of: before.conductorOf }),
    cases,
    unsolved,
    caseOf: before?.cases === cases ? before.caseOf : (id) => byCase.get(id),
  };
  return { pieces, topology, reads };
}

function solveVehicle(build: Build, memory: Memory): Resolved & Pick<Vehicle, 'cases' | 'unsolved'> {
  const resolved = resolve(build, 'hv', memory);
  const ground = groundOf(resolved);
  const cases: SolvedCase[] = [];
  let unsolved: string | null = null;
  if (ground === null)
    unsolved = untoldBoxes(resolved).length > 0 ? 'The cells of a box are not entered.' : 'There are no cells yet.';
  else {
    try {
      const cruise = new Map<string, ReadonlyMap<Id, number | null>>();
      const order = [...STATES].sort((p, q) => (p.id === 'cruise' ? -1 : q.id === 'cruise' ? 1 : 0));
      for (const state of order) {
        const solve = solverFor(memory, ground, topologyKey(resolved));
        for (const corner of cornersOf(build)) {
          // Peaks ride on conductors that cruise has warmed.
          const solved = solveCase(
            resolved,
            state,
            corner,
            solve,
            state.closed.includes('main-plus') && state.duration !== 'sustained'
              ? (cruise.get(corner.id) ?? null)
              : null,
          );
          if (state.id === 'cruise') cruise.set(corner.id, solved.temperaturesC);
          cases.push(solved);
        }
      }
    } catch (error) {
      if (!(error instanceof NetworkError)) throw error;
      unsolved = `${error.message} ${error.remedy}`;
      cases.length = 0;
    }
  }
  return { ...resolved, cases, unsolved };
}

/** Lowest voltage of a whole string of boxes over the cases under load, V; null: no cells, or a case without an operating point. */
export function lowestStringV(vehicle: Vehicle): number | null {
  const strings = packStrings(vehicle).filter(({ boxIds }) =>
    boxIds.some((id) => partOf(vehicle.deviceOf.get(id), 'cell') !== null),
  );
  const loaded = vehicle.cases.filter((solved) => solved.state.closed.length > 0);
  if (strings.length === 0 || loaded.length === 0 || !loaded.every(isSolved)) return null;
  return Math.min(
    ...loaded.flatMap(({ point: { nodeVoltagesV: v } }) =>
      strings.map(({ boxIds }) =>
        boxIds.reduce((total, id) => total + ((v.get(`${id}.plus`) ?? 0) - (v.get(`${id}.minus`) ?? 0)), 0),
      ),
    ),
  );
}

/** Voltage between two terminals in a solved case, V; null across islands or without a solution. */
export function terminalVoltage(
  solved: SolvedCase,
  from: { deviceId: Id; terminal: string },
  to: { deviceId: Id; terminal: string },
): number | null {
  const a = nodeOf(from);
  const b = nodeOf(to);
  const { point } = solved;
  if (!point.solvable || point.referenceOf.get(a) !== point.referenceOf.get(b)) return null;
  const va = point.nodeVoltagesV.get(a);
  const vb = point.nodeVoltagesV.get(b);
  return va === undefined || vb === undefined ? null : va - vb;
}

/** What of the part of a device or conductor nobody read or measured, in words; empty for anything else. */
export function unsureFigures(
  vehicle: Vehicle,
  { kind, id }: { readonly kind: string; readonly id: Id },
): readonly string[] {
  const part =
    kind === 'device'
      ? vehicle.deviceOf.get(id)?.part
      : kind === 'conductor'
        ? vehicle.conductorOf.get(id)?.cable
        : null;
  return part ? unsureOf(part) : [];
}
