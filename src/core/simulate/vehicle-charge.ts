import type { Build, Id } from '../build';
import { hasTrait } from '../build';
import { chargePoints } from '../physics/cell';
import { mainsAmpacity } from '../physics/mains-cable';
import { Memo, partOf, type ResolvedDevice, room, type Vehicle } from '../vehicle';
import { packBears } from './cell-bears';
import { type ChargeRun, chargeRun } from './charge-run';
import { tripPack } from './trip-pack';

/** Where nothing else is told (generic): charger’s efficiency, share of the capacity at which a charge ends, and a night, s. */
export const CHARGER_EFFICIENCY = 0.92;
export const CUTOFF_C_RATE = 0.05;
export const NIGHT_S = 10 * 3600;
/** A socket carries so much of its breaker for hours. */
const SOCKET_SHARE = 0.8;

/** What a supply gives for hours, W and A per phase; null while voltage or breaker are not told. */
export function supplyOf({
  supply,
  ruleSet,
}: Build): { readonly powerW: number; readonly currentA: number; readonly voltsPerA: number } | null {
  const { voltageV, phases, breakerA, outlet } = supply ?? {};
  if (voltageV === undefined || breakerA === undefined) return null;
  // North America: four fifths of the breaker for whatever draws for hours, a wall unit too (NEC 210.20, 625.41: verify).
  const whole = outlet === 'wall-unit' && ruleSet === 'iec';
  const currentA = breakerA * (whole ? 1 : SOCKET_SHARE);
  const voltsPerA = voltageV * (phases ?? 1);
  return { powerW: voltsPerA * currentA, currentA, voltsPerA };
}

export type ChainId =
  | 'circuit'
  | 'socket'
  | 'cord'
  | 'ac-breaker'
  | 'ac-cable'
  | 'own-limit'
  | 'charger'
  | 'output'
  | 'cells';

/** One link between the supply and the cells. */
export interface ChainLink {
  readonly id: ChainId;
  readonly deviceId?: Id;
  readonly name: string;
  /** What it lets through or carries, W of the supply; null: not told. */
  readonly acW: number | null;
  /** The same in its own figure, A; null: not told, or a power. */
  readonly ampere: number | null;
  /** It holds the charge down to that by itself; else it only bears it. */
  readonly limits: boolean;
}

/** A household socket under hours of load (practice: 8–12 A), A. */
export const SOCKET_MOST_A = 12;

export const chargersOf = (vehicle: Vehicle): readonly ResolvedDevice[] =>
  vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'charges'));

/** Chargers that a usual charge is made with: those on board, else those outside. */
export function usualChargers(vehicle: Vehicle): readonly ResolvedDevice[] {
  const all = chargersOf(vehicle);
  const onBoard = all.filter(({ device }) => device.plug?.outside !== true);
  return onBoard.length > 0 ? onBoard : all;
}

/** What the AC cable in the car carries for hours in the air around its charger, A; null: not told, or no charger on board. */
export function acCableA(vehicle: Vehicle, build: Build = vehicle.build): number | null {
  const charger = chargersOf(vehicle).find(({ device }) => device.plug?.outside !== true);
  const { acMm2, acClassC } = build.charging ?? {};
  if (!charger || acMm2 === undefined || acClassC === undefined) return null;
  return mainsAmpacity(acMm2, build.supply?.phases === 3 ? 3 : 2, acClassC, charger.ambientC);
}

/** What a charger gives the pack, W; null: not told. */
export function chargerOutputW(charger: ResolvedDevice): number | null {
  const set = charger.device.powersW?.charging;
  const most = partOf(charger, 'bus-device')?.chargePowerW;
  return set === undefined && most === undefined
    ? null
    : Math.min(set ?? Number.POSITIVE_INFINITY, most ?? Number.POSITIVE_INFINITY);
}

/**
 * From the supply to the cells, each link with what it lets through, all in watts of the supply. A wall unit tells its current by the pilot
 * and the cable’s by its code: they limit. A plain socket tells nothing: circuit, socket and cord only bear what is drawn.
 */
export function chargeChain(
  vehicle: Vehicle,
  build: Build = vehicle.build,
  chargers: readonly ResolvedDevice[] = usualChargers(vehicle),
): readonly ChainLink[] {
  const { charging = {}, supply = {} } = build;
  if (chargers.length === 0) return [];
  const feed = supplyOf(build);
  const volts = feed?.voltsPerA ?? null;
  const efficiency = charging.efficiency ?? CHARGER_EFFICIENCY;
  const told = supply.outlet === 'wall-unit';
  const byAmps = (id: ChainId, name: string, ampere: number | null | undefined, limits: boolean): ChainLink => ({
    id,
    name,
    ampere: ampere ?? null,
    acW: ampere === undefined || ampere === null || volts === null ? null : ampere * volts,
    limits,
  });
  const outputs = chargers.map((charger) => chargerOutputW(charger));
  const pack = tripPack(vehicle);
  // They bear it: electronics that holds the charger down does so at the end, and what they bear is judged in Pack.
  const cellsA = packBears(vehicle, 'charge', 0, null);
  const dc = (ampere: number | null | undefined) =>
    ampere === undefined || ampere === null || !pack ? null : (ampere * pack.fullV) / efficiency;
  return [
    byAmps('circuit', 'Circuit, for hours', feed?.currentA, told),
    ...(told ? [] : [byAmps('socket', 'Household socket', SOCKET_MOST_A, false)]),
    byAmps('cord', 'Charging cable', charging.cordA, told),
    ...(chargers.every(({ device }) => device.plug?.outside === true)
      ? []
      : [
          byAmps('ac-breaker', 'Breaker in the car', charging.acBreakerA, false),
          byAmps('ac-cable', 'AC cable in the car', acCableA(vehicle, build), false),
        ]),
    ...(charging.limitA === undefined ? [] : [byAmps('own-limit', 'Held down to', charging.limitA, true)]),
    ...chargers.map(
      ({ id, device: { name } }, k): ChainLink => ({
        id: 'charger',
        deviceId: id,
        name,
        ampere: null,
        acW: outputs[k] === null ? null : outputs[k]! / efficiency,
        limits: true,
      }),
    ),
    ...(charging.outputA === undefined
      ? []
      : [
          {
            id: 'output' as const,
            name: 'Charger’s output',
            ampere: charging.outputA,
            acW: dc(charging.outputA),
            limits: true,
          },
        ]),
    {
      id: 'cells',
      name: 'Cells, for hours',
      ampere: cellsA,
      acW: dc(cellsA),
      limits: false,
    },
  ];
}

/** What the chain draws from the supply, W, and the link that holds it there; null while no limiting link is told. */
export function drawnFrom(chain: readonly ChainLink[]): { readonly acW: number; readonly binds: ChainLink } | null {
  const limiting = chain.filter((link): link is ChainLink & { acW: number } => link.limits && link.acW !== null);
  // Chargers side by side add; every other link takes all of it.
  const chargers = limiting.filter(({ id }) => id === 'charger');
  if (chargers.length === 0 || chain.some(({ id, acW }) => id === 'charger' && acW === null)) return null;
  const together = { ...chargers[0]!, acW: chargers.reduce((sum, { acW }) => sum + acW, 0) };
  const all = [together, ...limiting.filter(({ id }) => id !== 'charger')];
  const binds = all.reduce((p, one) => (one.acW < p.acW ? one : p));
  return { acW: binds.acW, binds };
}

const runs = room(() => new Memo<ChargeRun>(24));

export interface VehicleCharge {
  readonly chain: readonly ChainLink[];
  readonly binds: ChainLink;
  readonly acW: number;
  readonly run: ChargeRun;
  readonly cellsInSeries: number;
  readonly capacityAh: number;
  readonly fromSoc: number;
  /** What nobody told, in words. */
  readonly assumed: readonly string[];
}

/** The usual charge of this vehicle, worked out to its end; the reason why not, in words of what is missing. */
export function vehicleCharge(
  vehicle: Vehicle,
  build: Build = vehicle.build,
  chargers: readonly ResolvedDevice[] = usualChargers(vehicle),
): VehicleCharge | { readonly missing: readonly string[] } {
  const { charging = {} } = build;
  const chain = chargeChain(vehicle, build, chargers);
  const pack = tripPack(vehicle);
  const drawn = drawnFrom(chain);
  const missing = [
    ...(chain.length === 0 ? ['a charger'] : []),
    ...(pack ? [] : ['cells']),
    ...(chain.length > 0 && !drawn ? ['the charger’s power'] : []),
    ...(charging.cellV === undefined ? ['the voltage that each cell is charged to'] : []),
  ];
  if (missing.length > 0 || !pack || !drawn || charging.cellV === undefined) return { missing };
  const efficiency = charging.efficiency ?? CHARGER_EFFICIENCY;
  const capacityAh = pack.capacityC / 3600;
  const points = chargePoints(pack.chemistry);
  const fromSoc = charging.fromSoc ?? build.packLimits.socEmpty;
  const figures = {
    resistanceOhm: pack.cellsOhm + pack.otherOhm,
    powerW: drawn.acW * efficiency,
    currentA: charging.outputA ?? Number.POSITIVE_INFINITY,
    voltageV: pack.cellsInSeries * charging.cellV,
    auxiliaryW: runsMeanwhileW(vehicle),
    socStart: fromSoc,
    cutoffA: charging.cutoffA ?? CUTOFF_C_RATE * capacityAh,
    measuredAt: charging.cutoffAt ?? ('pack' as const),
  };
  // All that a run reads, as text: an edit elsewhere leaves it as it was.
  const key = [pack.chemistry, pack.cellsInSeries, capacityAh, efficiency, ...Object.values(figures)].join('|');
  const run = vehicle.memory.of(runs).get(key, () =>
    chargeRun(
      {
        restV: (soc) => pack.cellsInSeries * straight(points, soc),
        resistanceOhm: figures.resistanceOhm,
        capacityAh,
        bends: points.map(([soc]) => soc),
      },
      { ...figures, packA: () => Number.POSITIVE_INFINITY, efficiency: () => efficiency },
      figures,
    ),
  );
  return {
    chain,
    binds: drawn.binds,
    acW: drawn.acW,
    run,
    cellsInSeries: pack.cellsInSeries,
    capacityAh,
    fromSoc,
    assumed: [
      ...(charging.efficiency === undefined
        ? [`The charger loses ${Math.round((1 - CHARGER_EFFICIENCY) * 100)} %.`]
        : []),
      ...(charging.cutoffA === undefined ? ['It ends at a twentieth of the capacity.'] : []),
      ...(charging.cutoffAt === undefined ? ['Its end is measured into the pack.'] : []),
      ...(charging.outputA === undefined
        ? ['The charger’s power alone counts: the current that it gives is not told.']
        : []),
      ...(charging.fromSoc === undefined ? ['It begins where driving stops.'] : []),
    ],
  };
}

/** What else hangs on the bus and runs while it charges, W: what each device tells for that state. */
export const runsMeanwhileW = (vehicle: Vehicle): number =>
  vehicle.devices.reduce(
    (sum, { device }) => sum + (hasTrait(device.kind, 'charges') ? 0 : Math.max(0, device.powersW?.charging ?? 0)),
    0,
  );

function straight(points: readonly (readonly [number, number])[], soc: number): number {
  if (soc <= points[0]![0]) return points[0]![1];
  const k = points.findIndex(([at]) => at >= soc);
  if (k < 0) return points.at(-1)![1];
  const [[s0, v0], [s1, v1]] = [points[k - 1]!, points[k]!];
  return v0 + ((v1 - v0) * (soc - s0)) / (s1 - s0);
}

/** Supplies that one meets, each with what its cable or pilot lets through: for a look at the same charge elsewhere. */
const MET: readonly {
  readonly name: string;
  readonly supply: NonNullable<Build['supply']>;
  readonly limitA: number;
}[] = [
  { name: '120 V socket, 12 A', supply: { voltageV: 120, phases: 1, breakerA: 15, outlet: 'socket' }, limitA: 12 },
  { name: '230 V socket, 10 A', supply: { voltageV: 230, phases: 1, breakerA: 16, outlet: 'socket' }, limitA: 10 },
  {
    name: '230 V wall unit, 16 A',
    supply: { voltageV: 230, phases: 1, breakerA: 20, outlet: 'wall-unit' },
    limitA: 16,
  },
  {
    name: '240 V wall unit, 32 A',
    supply: { voltageV: 240, phases: 1, breakerA: 40, outlet: 'wall-unit' },
    limitA: 32,
  },
  { name: 'three phases, 16 A', supply: { voltageV: 230, phases: 3, breakerA: 20, outlet: 'wall-unit' }, limitA: 16 },
];

export interface ChargeElsewhere {
  readonly name: string;
  readonly acW: number;
  /** Null: not reached. */
  readonly to80S: number | null;
  readonly endS: number | null;
  readonly acJ: number | null;
  /** What holds it there. */
  readonly binds: string;
}

/** The usual charge at the supplies that one meets, and with each charger that stands outside; empty while it can't be worked out. */
export function chargesElsewhere(vehicle: Vehicle): readonly ChargeElsewhere[] {
  const { build } = vehicle;
  const usual = usualChargers(vehicle);
  const met = MET.flatMap(({ name, supply, limitA }) => {
    const { limitA: own = limitA } = build.charging ?? {};
    const charging = { ...build.charging, cordA: limitA, limitA: Math.min(limitA, own) };
    return elsewhere(vehicle, name, { ...build, supply, charging }, usual);
  });
  // What is told of supply, cable and output is that of the usual charger: one outside gives what it gives.
  const { outputA: _, limitA: __, cordA: ___, ...charging } = build.charging ?? {};
  const { supply: ____, ...bare } = build;
  return [
    ...met,
    ...chargersOf(vehicle)
      .filter((charger) => !usual.includes(charger))
      .flatMap((charger) => elsewhere(vehicle, charger.device.name, { ...bare, charging }, [charger])),
  ];
}

function elsewhere(
  vehicle: Vehicle,
  name: string,
  build: Build,
  chargers: readonly ResolvedDevice[],
): readonly ChargeElsewhere[] {
  const charge = vehicleCharge(vehicle, build, chargers);
  if (!('run' in charge)) return [];
  const { run, acW, binds } = charge;
  const ended = run.end === 'cut-off' ? run.last : null;
  return [
    {
      name,
      acW,
      to80S: run.at(0.8)?.timeS ?? null,
      endS: ended?.timeS ?? null,
      acJ: ended?.acJ ?? null,
      binds: binds.id === 'own-limit' ? 'what a socket carries' : binds.name,
    },
  ];
}
