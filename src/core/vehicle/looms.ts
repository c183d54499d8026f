import { type Id, own, type Route, SCENARIOS, type ScenarioId } from '../build';
import { airPressurePa } from '../physics/air';
import { type Loom, type LoomPlace, type LoomWire, loomAmpacity, loomTemperatures } from '../physics/loom';
import { solveLow } from './low-solve';
import type { LowVoltage } from './low-types';
import { lowVoltage, runningIn } from './low-voltage';
import { Follows } from './memory';
import type { Resolved, ResolvedConductor } from './resolve';
import { conductorAmpacity } from './vehicle';

/** 12-volt wires that lie in one route: a loom, which warms as one. */
export interface LoomOf {
  readonly route: Route;
  readonly wires: readonly ResolvedConductor[];
  /** Null: the place of the route is gone. */
  readonly place: LoomPlace | null;
}

/** The hottest that a loom gets, and in which scenario. */
export interface LoomHeat {
  readonly scenario: ScenarioId;
  /** Null: no steady temperature. */
  readonly loom: Loom | null;
  readonly currentsA: readonly number[];
}

/** Two wires make a loom; one alone is judged alone. */
const LEAST = 2;
const AWAKE = { converters: true, socBattery: 0.8, batteryC: 25 } as const;

const known = new Follows<LowVoltage, readonly LoomOf[]>();

/** Looms of a vehicle, by route. */
export const loomsOf = (vehicle: Resolved): readonly LoomOf[] =>
  known.get(lowVoltage(vehicle), () => findLooms(vehicle));

function findLooms(vehicle: Resolved): readonly LoomOf[] {
  const low = lowVoltage(vehicle);
  const { build } = vehicle;
  const byRoute = new Map<Id, ResolvedConductor[]>();
  for (const wire of low.lv.conductors) {
    const { routeId, kind } = wire.conductor;
    if (kind === 'cable' && routeId !== null) byRoute.set(routeId, [...(byRoute.get(routeId) ?? []), wire]);
  }
  return [...byRoute].flatMap(([routeId, wires]): LoomOf[] => {
    const route = own(build.routes, routeId);
    if (!route || wires.length < LEAST) return [];
    const zone = own(build.zones, route.laid.zoneId);
    const place: LoomPlace | null = zone
      ? {
          ambientC: zone.ambientC,
          conduit: route.laid.conduit,
          airPressurePa: airPressurePa(build.vehicle.altitudeM),
          emissivity: 0.9,
        }
      : null;
    return [{ route, wires, place }];
  });
}

/** The loom that a wire lies in. */
export const loomOfWire = (vehicle: Resolved, wireId: Id): LoomOf | undefined =>
  loomsOf(vehicle).find(({ wires }) => wires.some(({ id }) => id === wireId));

/** Wires as the heat balance takes them; those without a part count with nothing: their lack is a finding of its own. */
const warmed = (wires: readonly ResolvedConductor[], currentsA: readonly number[]): LoomWire[] =>
  wires.flatMap(({ thermal, conductor }, k): LoomWire[] =>
    thermal
      ? // Wires in parallel share; each warms the loom.
        Array.from({ length: conductor.parallel }, () => ({
          build: thermal.build,
          currentA: currentsA[k]! / conductor.parallel,
        }))
      : [],
  );

const heats = new Follows<LoomOf, LoomHeat | null>();

/** The hottest of all scenarios, everything that runs in it running for good; null while a part or the place is missing or nothing flows. */
export const loomHeat = (vehicle: Resolved, loom: LoomOf): LoomHeat | null =>
  heats.get(loom, () => hottest(vehicle, loom));

function hottest(vehicle: Resolved, { wires, place }: LoomOf): LoomHeat | null {
  if (!place || wires.some(({ thermal }) => thermal === null)) return null;
  const low = lowVoltage(vehicle);
  let worst: LoomHeat | null = null;
  for (const scenario of SCENARIOS) {
    const awake = scenario !== 'parked';
    const one = solveLow(vehicle, { ...AWAKE, converters: awake, awake, running: runningIn(low, scenario) });
    if (!one.solved && one.why === 'none') continue;
    if (!one.solved) return null;
    const currentsA = wires.map(({ id }) => Math.abs(one.currentA(id)));
    const loom = loomTemperatures(warmed(wires, currentsA), place);
    if (loom === null) return { scenario, loom, currentsA };
    if (!worst?.loom || loom.coreC > worst.loom.coreC) worst = { scenario, loom, currentsA };
  }
  return worst;
}

const ampacities = new Follows<LoomOf, number | null>();

/**
 * What one wire of a loom carries for good while the others carry what they do in the hottest scenario, A; null: unknown. Idle neighbours
 * cool a wire in this balance: that is not counted on, so it never carries more than alone.
 */
export const loomWireAmpacity = (vehicle: Resolved, loom: LoomOf, wireId: Id): number | null =>
  ampacities.get(loom, () => findAmpacity(vehicle, loom, wireId), wireId);

function findAmpacity(vehicle: Resolved, loom: LoomOf, wireId: Id): number | null {
  const heat = loomHeat(vehicle, loom);
  const at = loom.wires.findIndex(({ id }) => id === wireId);
  const wire = loom.wires[at];
  let carriesA: number | null = null;
  if (heat && loom.place && wire?.cable) {
    const before = loom.wires.slice(0, at).reduce((sum, { conductor }) => sum + conductor.parallel, 0);
    const each = loomAmpacity(warmed(loom.wires, heat.currentsA), before, loom.place, wire.cable.temperatureClassC);
    carriesA = Math.min(each * wire.conductor.parallel, conductorAmpacity(wire) ?? 0);
  }
  return carriesA;
}
