import { deviceDefinition, hasTrait, type StateId } from '../build';
import type { Element, NodeName } from '../circuit';
import { openCircuitVoltage, resistanceAgeFactor, resistanceTemperatureFactor } from '../physics/cell';
import { resistance20FromArea, resistanceAt } from '../physics/conductor';
import { fuseResistance } from '../physics/fuse';
import { type Corner, inverterPowerW, type State } from './cases';
import { driveTrainOf } from './drive-units';
import { ASSUMED_LENGTH_M, partOf, type Resolved, type ResolvedConductor, type ResolvedDevice } from './resolve';
import { closedIn } from './switching';

/** Resistance taken for a series device whose part is not chosen yet (generic). */
const UNKNOWN_SERIES_OHM = 0.0005;

/** Between two points of the body (generic). */
const BODY_OHM = 0.001;

export const terminalNode = (device: ResolvedDevice, terminal: string): NodeName =>
  device.nodes[terminal] ?? `${device.id}.${terminal}`;
export const capacitorId = (deviceId: string): string => `${deviceId}:link`;

/** Rest (or charge) voltage and resistance of a box in a corner: V and Ω; null while its cells are not chosen. */
export function boxSource(
  box: ResolvedDevice,
  corner: Pick<Corner, 'soc' | 'cellTemperatureC' | 'health' | 'atChargeVoltage'>,
  ohmicShare = 1,
): { voltageV: number; resistanceOhm: number } | null {
  const cell = partOf(box, 'cell');
  const series = box.device.cellsInSeries;
  if (!cell || series === undefined) return null;
  const parallel = box.device.cellsInParallel ?? 1;
  const perCell =
    cell.resistanceOhm *
    resistanceTemperatureFactor(corner.cellTemperatureC) *
    resistanceAgeFactor(corner.health) *
    ohmicShare;
  const rest = openCircuitVoltage(cell.chemistry, corner.soc);
  return {
    voltageV: series * (corner.atChargeVoltage ? Math.max(cell.fullV, rest) : rest),
    resistanceOhm: series * (perCell / parallel + cell.linkResistanceOhm),
  };
}

/** A metre of one of those side by side at 20 °C, Ω/m; null: a cable that is not chosen, a bar that nobody measured, or a bolted joint. */
export function perMetre20({ cable, conductor: { kind, sectionMm2 } }: ResolvedConductor): number | null {
  if (cable) return cable.resistance20OhmPerM;
  return kind === 'busbar' && sectionMm2 !== undefined ? resistance20FromArea(sectionMm2, 'copper') : null;
}

/** Resistance of a conductor at a temperature, joints included, Ω. Unknown parts count as their joints only. */
export function conductorOhm(resolved: ResolvedConductor, temperatureC: number): number {
  const metre20 = perMetre20(resolved);
  if (metre20 === null) return resolved.jointOhm;
  const perMetre = resistanceAt(metre20, temperatureC, resolved.cable?.metal ?? 'copper');
  return ((resolved.lengthM ?? ASSUMED_LENGTH_M) * perMetre) / resolved.conductor.parallel + resolved.jointOhm;
}

/** While driving hard or uphill what is on in cruise stays on, unless it is told otherwise. */
const LIKE_CRUISE: ReadonlySet<StateId> = new Set(['hill', 'hard-acceleration']);

/** Power of a bus device in a state, W. */
export function devicePowerW(resolved: Resolved, device: ResolvedDevice, state: StateId): number {
  if (device.device.kind === 'inverter')
    return inverterPowerW(resolved.build, state) * driveTrainOf(resolved.build).inverterShare(device.id);
  const { powersW } = device.device;
  // A heater that is there is on when the car drives in the cold.
  const cruiseW = powersW?.cruise ?? (device.device.kind === 'heater' ? (powersW?.heating ?? 0) : 0);
  const powerW = powersW?.[state] ?? (state === 'cruise' || LIKE_CRUISE.has(state) ? cruiseW : 0);
  return state === 'charging' && hasTrait(device.device.kind, 'charges') ? -powerW : powerW;
}

export interface StampOptions {
  readonly state: State;
  readonly corner: Corner;
  readonly temperatureOf: (conductorId: string) => number;
  /** Contactors that are closed; absent: those that the state closes. */
  readonly closed?: ReadonlySet<string>;
  /** Link capacitors, as in transients; left out of operating points. */
  readonly capacitors?: boolean;
  /** Loads that wake by themselves, as in precharge. */
  readonly wakingLoads?: boolean;
  /** No device draws or gives: a fault, a closing or a meter finds sources, wires and capacitors only. */
  readonly withoutLoads?: boolean;
  /** Share of the cells' slow resistance that counts (milliseconds: 0.5). */
  readonly ohmicShare?: number;
}

function stampDevice(
  resolved: Resolved,
  device: ResolvedDevice,
  options: StampOptions,
  closed: ReadonlySet<string>,
  out: Element[],
): void {
  const { id } = device;
  const at = (terminal: string) => terminalNode(device, terminal);
  switch (deviceDefinition(device.device.kind).stands) {
    case 'source': {
      const source = boxSource(
        device,
        options.state.atRest ? { ...options.corner, atChargeVoltage: false } : options.corner,
        options.ohmicShare,
      );
      if (source) out.push({ id, kind: 'source', a: at('plus'), b: at('minus'), ...source });
      return;
    }
    case 'switch': {
      const part = partOf(device, 'contactor') ?? partOf(device, 'disconnect');
      out.push({
        id,
        kind: 'switch',
        a: at('a'),
        b: at('b'),
        closed: device.device.kind === 'disconnect' ? options.state.disconnected !== true : closed.has(id),
        resistanceOhm: part?.contactResistanceOhm ?? UNKNOWN_SERIES_OHM,
      });
      return;
    }
    case 'series': {
      const resistanceOhm = seriesOhm(device);
      if (resistanceOhm !== null) out.push({ id, kind: 'resistor', a: at('a'), b: at('b'), resistanceOhm });
      return;
    }
    case 'load':
      stampLoad(resolved, device, options, out);
      return;
    case 'body':
    case 'aside':
      return;
  }
}

/** What stands in a wire, Ω; null: a resistor that is not chosen is no wire. */
function seriesOhm(device: ResolvedDevice): number | null {
  const fuse = partOf(device, 'fuse');
  if (fuse) return fuseResistance(fuse);
  if (deviceDefinition(device.device.kind).part === 'resistor')
    return partOf(device, 'resistor')?.resistanceOhm ?? null;
  return partOf(device, 'sensor')?.resistanceOhm ?? UNKNOWN_SERIES_OHM;
}

/** What a device draws or gives, and its link. Without loads only the link stands, whatever the load is made of. */
function stampLoad(resolved: Resolved, device: ResolvedDevice, options: StampOptions, out: Element[]): void {
  const a = terminalNode(device, 'plus');
  const b = terminalNode(device, 'minus');
  const busDevice = partOf(device, 'bus-device');
  const inverter = partOf(device, 'inverter');
  const capacitanceF = busDevice?.linkCapacitanceF ?? inverter?.linkCapacitanceF ?? 0;
  if (options.capacitors && capacitanceF > 0)
    out.push({ id: capacitorId(device.id), kind: 'capacitor', a, b, capacitanceF });
  if (options.withoutLoads) return;
  const wakes = options.wakingLoads === true && busDevice !== null && busDevice.turnOnV !== null;
  const stated = wakes ? busDevice.ratedPowerW : devicePowerW(resolved, device, options.state.id);
  // Into a full pack a charger has tapered off: it holds the charge voltage and gives next to nothing.
  const powerW = options.state.id === 'charging' && options.corner.atChargeVoltage && stated < 0 ? 0 : stated;
  if (powerW === 0) return;
  const atV = busDevice?.resistanceAtV;
  if (atV !== undefined && powerW > 0 && !wakes) {
    out.push({ id: device.id, kind: 'resistor', a, b, resistanceOhm: (atV * atV) / powerW });
    return;
  }
  out.push({
    id: device.id,
    kind: 'power',
    a,
    b,
    powerW,
    ...(wakes
      ? { turnOnV: busDevice.turnOnV ?? 0, ...(busDevice.turnOffV === null ? {} : { turnOffV: busDevice.turnOffV }) }
      : {}),
  });
}

/** Devices and conductors of the high-voltage circuit as elements of the network, element ids = ids of the document. */
export function stamp(resolved: Resolved, options: StampOptions): Element[] {
  const elements: Element[] = [];
  const closed = options.closed ?? closedIn(resolved, options.state);
  for (const device of resolved.devices) stampDevice(resolved, device, options, closed, elements);
  // The body is one piece of metal, wherever a wire meets it.
  const body = resolved.devices.filter(({ device }) => deviceDefinition(device.kind).stands === 'body');
  for (const { id } of body.slice(1))
    elements.push({ id, kind: 'resistor', a: `${body[0]!.id}.n`, b: `${id}.n`, resistanceOhm: BODY_OHM });
  for (const conductor of resolved.conductors) {
    elements.push({
      id: conductor.id,
      kind: 'resistor',
      a: conductor.nodeA,
      b: conductor.nodeB,
      resistanceOhm: conductorOhm(conductor, options.temperatureOf(conductor.id)),
    });
  }
  return elements;
}

const boxesOf = ({ devices }: Resolved): ResolvedDevice[] => devices.filter(({ device }) => device.kind === 'box');

/** Boxes whose cells, or how many, are not told. */
export const untoldBoxes = (resolved: Resolved): ResolvedDevice[] =>
  boxesOf(resolved).filter(
    (box) => !boxSource(box, { soc: 0.5, cellTemperatureC: 25, health: 1, atChargeVoltage: false }),
  );

/**
 * The node that the network is referred to: the minus of the first box. Null without cells, and while those of any box are not told: with what
 * nobody knows left out every voltage would be too low.
 */
export function groundOf(resolved: Resolved): NodeName | null {
  if (untoldBoxes(resolved).length > 0) return null;
  const box = boxesOf(resolved).sort((p, q) => (p.id < q.id ? -1 : 1))[0];
  return box ? terminalNode(box, 'minus') : null;
}
