import { collapseChains, type Element, FaultNetwork, NetworkError, transient } from '../circuit';
import { cornersOf, stamp, stateOf, UNKNOWN_AMBIENT_C, type Vehicle } from '../vehicle';

/** A contactor as it closes: what stood across it, and what then flows through it. */
export interface Closing {
  readonly differenceV: number;
  readonly peakCurrentA: number;
  readonly i2tA2s: number;
}

/** Capacitors whose own wires settle within this share of the time that is looked at count as joined to the bus. */
const QUICK_SHARE = 1e-4;
/** Cells in the first milliseconds: half their slow resistance (generic). */
const OHMIC_SHARE = 0.5;
/** A capacitor with less than this is as good as empty, V. */
const EMPTY_V = 1;

/** Voltage that each capacitor comes to rest at when it is joined to cells, loads off, V; those that no cell reaches are not here. */
export function settledCapacitors(elements: readonly Element[], ground: string): ReadonlyMap<string, number> {
  const network = elements.filter(({ kind }) => kind !== 'power');
  const capacitors = network.filter(({ kind }) => kind === 'capacitor');
  const settled = new Map<string, number>();
  if (capacitors.length === 0) return settled;
  const rest = new FaultNetwork(network, ground);
  for (const { id, a, b } of capacitors) {
    if (!rest.sameIsland(a, b)) continue;
    const voltageV = rest.openVoltage(a) - rest.openVoltage(b);
    if (Math.abs(voltageV) > EMPTY_V) settled.set(id, voltageV);
  }
  return settled;
}

interface MainClosing {
  readonly contactorId: string;
  /** What is closed already. */
  readonly closed: ReadonlySet<string>;
  /** On a capacitor as it closes, V; `joinedV` is what it will stand at with the contactor closed. */
  readonly capacitorV: (id: string, joinedV: number) => number;
  readonly ground: string;
  /** Of the whole loop, H. */
  readonly inductanceH: number;
}

/**
 * Current through a contactor of the main loop that closes onto the link; loop inductance and the cells' ohmic share count. Null where
 * no capacitor is joined by it.
 */
export function closingInrush(vehicle: Vehicle, closing: MainClosing): Closing | { readonly failed: string } | null {
  const { contactorId, closed, capacitorV, ground, inductanceH } = closing;
  const stamped = stamp(vehicle, {
    state: stateOf('precharge'),
    closed: new Set([...closed, contactorId]),
    corner: cornersOf(vehicle.build).find((candidate) => candidate.id === 'warm-new-full')!,
    temperatureOf: (id) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
    capacitors: true,
    ohmicShare: OHMIC_SHARE,
    withoutLoads: true,
  });
  const joined = settledCapacitors(stamped, ground);
  if (joined.size === 0) return null;
  const inner = `${contactorId}:inner`;
  let capacitanceF = 0;
  const elements: Element[] = [];
  for (const element of stamped) {
    if (element.kind === 'capacitor') {
      const joinedV = joined.get(element.id);
      if (joinedV === undefined) continue;
      capacitanceF += element.capacitanceF;
      elements.push({ ...element, initialVoltageV: capacitorV(element.id, joinedV) });
    } else if (element.id === contactorId)
      elements.push(
        { ...element, b: inner },
        { id: `${contactorId}:loop`, kind: 'inductor', a: inner, b: element.b, inductanceH },
      );
    else elements.push(element);
  }
  const stopS = 2 * Math.PI * Math.sqrt(inductanceH * capacitanceF);
  const small = collapseChains(elements, new Set([ground, contactorId, `${contactorId}:loop`]), QUICK_SHARE * stopS);
  try {
    const result = transient(
      { elements: small, ground },
      { stopS, initial: 'rest', watch: [contactorId], tolerance: 3e-4 },
    );
    if (!result.converged) return { failed: result.reason };
    const record = result.elements.get(contactorId);
    return record
      ? {
          differenceV: Math.max(0, ...[...joined].map(([id, v]) => Math.abs(v) - Math.abs(capacitorV(id, v)))),
          peakCurrentA: Math.abs(record.peakCurrentA),
          i2tA2s: record.i2tA2s,
        }
      : null;
  } catch (error) {
    if (error instanceof NetworkError) return { failed: error.message };
    throw error;
  }
}
