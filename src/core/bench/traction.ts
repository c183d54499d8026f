import { hasTrait, type Id } from '../build';
import { type Element, type OperatingPoint, OperatingPointSolver } from '../circuit';
import {
  capacitorId,
  cornersOf,
  packStrings,
  partOf,
  type ResolvedDevice,
  stamp,
  stateOf,
  terminalNode,
  UNKNOWN_AMBIENT_C,
  type Vehicle,
} from '../vehicle';
import type { BoardFault } from './board-faults';

/** What stands in the pack’s place. */
export type BoardSource =
  | { readonly kind: 'pack' }
  /** A bench supply: so much voltage, and no more than so much current; it takes none back. */
  | { readonly kind: 'limited'; readonly voltageV: number; readonly limitA: number };

/** What the traction circuit is given at one moment. */
export interface Moment {
  readonly fault: BoardFault | null;
  readonly source: BoardSource;
  /** Contactors that conduct. */
  readonly closed: ReadonlySet<Id>;
  /** Parted by hand. */
  readonly pulled: boolean;
  readonly soc: number;
  /** The inverter has nothing to do: its active discharge works. */
  readonly rests: boolean;
  readonly charges: boolean;
  /** Drawn by the inverter, or given back, W. */
  readonly inverterW: number;
  /** What turned magnets would put on the link through the inverter’s diodes, V; 0: none are turned. */
  readonly turnedV: number;
}

/** Windings and diodes together, Ω (generic). */
const TURNED_OHM = 0.1;
const TURNED = 'board:turned';

/** The traction circuit of a board, stepped: its capacitors keep their charge from one step to the next. */
export class Traction {
  private readonly solvers = new Map<string, OperatingPointSolver>();
  private readonly capacitorV = new Map<string, number>();
  private sourceOhm = 0;
  point: OperatingPoint | null = null;
  /** The turned motor holds the link up. */
  private feeds = false;
  /** What the precharge resistors have taken, J. */
  resistorJ = 0;
  private readonly inverter: ResolvedDevice | null;
  /** Boxes in series, each string. */
  private readonly strings: readonly (readonly Id[])[];

  constructor(
    private readonly vehicle: Vehicle,
    private readonly ground: string,
  ) {
    this.inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter') ?? null;
    this.strings = packStrings(vehicle).map(({ boxIds }) => boxIds);
  }

  /** The traction circuit as elements at this moment, capacitors as sources behind dt/C (implicit Euler). */
  elements(dtS: number, now: Moment): Element[] {
    const { vehicle } = this;
    const { fault, pulled } = now;
    const corner = cornersOf(vehicle.build).find(({ id }) => id === 'nominal')!;
    const stamped = stamp(vehicle, {
      state: { ...stateOf('ready'), ...(pulled ? { disconnected: true as const } : {}) },
      corner: { ...corner, soc: now.soc },
      temperatureOf: (id) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
      closed: now.closed,
      capacitors: true,
      withoutLoads: true,
    });
    const elements: Element[] = [];
    const link = this.inverter;
    for (const element of stamped) {
      if (fault?.openHv?.includes(element.id)) continue;
      if (fault?.resistorOpen && vehicle.deviceOf.get(element.id)?.device.kind === 'precharge-resistor') continue;
      if (element.kind === 'capacitor') {
        const farads = element.capacitanceF * (fault?.linkTimes ?? 1);
        elements.push({
          id: element.id,
          kind: 'source',
          a: element.a,
          b: element.b,
          voltageV: this.capacitorV.get(element.id) ?? 0,
          resistanceOhm: dtS / farads,
        });
      } else if (element.kind === 'source' && now.source.kind === 'limited')
        elements.push(this.limited(element.id, element.a, element.b, now.source.voltageV));
      else if (fault?.addOhm?.id === element.id && 'resistanceOhm' in element)
        elements.push({ ...element, resistanceOhm: (element.resistanceOhm ?? 0) + fault.addOhm.ohm } as Element);
      else elements.push(element);
    }
    if (link) {
      const [a, b] = [terminalNode(link, 'plus'), terminalNode(link, 'minus')];
      // Bleed and measuring inside every inverter (generic).
      elements.push({ id: 'board:bleed', kind: 'resistor', a, b, resistanceOhm: this.bleedOhm(now.rests) });
      if (fault?.linkLoadOhm !== undefined)
        elements.push({ id: 'board:load', kind: 'resistor', a, b, resistanceOhm: fault.linkLoadOhm });
      elements.push(...this.charging(now));
      if (this.feeds)
        elements.push({ id: TURNED, kind: 'source', a, b, voltageV: now.turnedV, resistanceOhm: TURNED_OHM });
      if (now.inverterW !== 0) elements.push({ id: 'board:inverter', kind: 'power', a, b, powerW: now.inverterW });
    }
    return elements;
  }

  private bleedOhm(rests: boolean): number {
    const part = partOf(this.inverter ?? undefined, 'inverter');
    const passive = part?.bleedResistanceOhm ?? 50_000;
    return rests && part?.activeDischargeOhm ? Math.min(passive, part.activeDischargeOhm) : passive;
  }

  /** A charger that is plugged in feeds the bus once the sequence lets it. */
  private charging({ charges, source, soc }: Moment): Element[] {
    if (!charges || source.kind === 'limited' || soc >= 0.99) return [];
    return this.vehicle.devices.flatMap((device): Element[] => {
      const powerW = device.device.powersW?.charging;
      if (!hasTrait(device.device.kind, 'charges') || powerW === undefined || powerW <= 0) return [];
      const [a, b] = [terminalNode(device, 'plus'), terminalNode(device, 'minus')];
      return [{ id: `board:${device.id}`, kind: 'power', a, b, powerW: -powerW }];
    });
  }

  /** The bench supply in the pack’s place: the first box gives, the others are bridged. */
  private limited(id: Id, a: string, b: string, voltageV: number): Element {
    const first = this.strings[0]?.[0] === id;
    // Boxes of its string are bridged, other strings are off.
    const bridged = this.strings[0]?.includes(id) === true;
    if (!first) return { id, kind: 'resistor', a, b, resistanceOhm: bridged ? 0.001 : 1e9 };
    return { id, kind: 'source', a, b, voltageV, resistanceOhm: Math.max(0.01, this.sourceOhm) };
  }

  solve(dtS: number, now: Moment): void {
    this.feeds = now.turnedV > this.linkV();
    this.settle(dtS, now);
    // Diodes let nothing back into the motor.
    if (this.feeds && this.point?.solvable && (this.point.elementCurrentsA.get(TURNED) ?? 0) > 0) {
      this.feeds = false;
      this.settle(dtS, now);
    }
    this.keep(dtS);
  }

  private settle(dtS: number, now: Moment): void {
    for (let round = 0; round < (now.source.kind === 'limited' ? 4 : 1); round++) {
      this.point = this.pointOf(this.elements(dtS, now));
      if (!this.holdToLimit(now.source)) break;
    }
  }

  /** What stays for the next step: charge of the capacitors, heat of the resistors. */
  private keep(dtS: number): void {
    const { point } = this;
    if (!point?.solvable) return;
    for (const device of this.vehicle.devices) {
      const id = capacitorId(device.id);
      const amps = point.elementCurrentsA.get(id);
      if (amps === undefined) continue;
      this.capacitorV.set(id, this.across(terminalNode(device, 'plus'), terminalNode(device, 'minus')) ?? 0);
    }
    for (const { id, device, part } of this.vehicle.devices)
      if (device.kind === 'precharge-resistor' && part?.kind === 'resistor') {
        const amps = point.elementCurrentsA.get(id) ?? 0;
        this.resistorJ += amps * amps * part.resistanceOhm * dtS;
      }
  }

  /** A bench supply gives its voltage until its current is reached, then its current. True: solve again. */
  private holdToLimit(source: BoardSource): boolean {
    if (source.kind !== 'limited' || !this.point?.solvable) return false;
    const amps = -(this.point.elementCurrentsA.get(this.strings[0]?.[0] ?? '') ?? 0);
    const { voltageV, limitA } = source;
    const ohm = Math.max(0.01, this.sourceOhm);
    if (amps < -1e-6) {
      // It takes nothing back.
      this.sourceOhm = 1e6;
      return ohm < 1e6;
    }
    if (amps > limitA * 1.01) {
      // So much in series that just the limit flows into what hangs on it now.
      this.sourceOhm = ohm + (voltageV - amps * ohm >= 0 ? voltageV * (1 / limitA - 1 / amps) : 0);
      return true;
    }
    // In hand: let go of what is no longer needed.
    if (amps < limitA * 0.9) this.sourceOhm = Math.max(0.01, Math.min(this.sourceOhm, 1e4) * 0.6);
    return false;
  }

  private pointOf(elements: readonly Element[]): OperatingPoint {
    const key = elements
      .map(
        (one) =>
          `${one.id}${one.kind === 'switch' && one.closed ? '+' : ''}${one.kind === 'power' && one.powerW < 0 ? '<' : ''}`,
      )
      .join(' ');
    const known = this.solvers.get(key) ?? new OperatingPointSolver({ elements, ground: this.ground });
    if (this.solvers.size > 40) this.solvers.clear();
    this.solvers.set(key, known);
    return known.solve(elements, false);
  }

  get inverterId(): Id | null {
    return this.inverter?.id ?? null;
  }

  /** Voltage between two nodes of the traction circuit now, V; null: nothing joins them. */
  across(a: string, b: string): number | null {
    const { point } = this;
    if (!point?.solvable || point.referenceOf.get(a) !== point.referenceOf.get(b)) return null;
    const [p, q] = [point.nodeVoltagesV.get(a), point.nodeVoltagesV.get(b)];
    return p === undefined || q === undefined ? null : p - q;
  }

  /** |Current| through a device or conductor, A. */
  ampere(id: Id): number {
    return this.point?.solvable ? (this.point.elementCurrentsA.get(id) ?? 0) : 0;
  }

  linkV(): number {
    const { inverter } = this;
    return inverter ? Math.abs(this.across(terminalNode(inverter, 'plus'), terminalNode(inverter, 'minus')) ?? 0) : 0;
  }

  /** Of the whole row of cells, or of the supply in its place, V. */
  packVoltage(source: BoardSource): number {
    if (source.kind === 'limited') return source.voltageV;
    const across = (id: Id): number => {
      const box = this.vehicle.deviceOf.get(id)!;
      return Math.abs(this.across(terminalNode(box, 'plus'), terminalNode(box, 'minus')) ?? 0);
    };
    return Math.max(0, ...this.strings.map((boxIds) => boxIds.reduce((sum, id) => sum + across(id), 0)));
  }

  /** Out of the pack, all strings together, A. */
  packA(): number {
    return this.strings.reduce((sum, [first]) => sum - (first === undefined ? 0 : this.ampere(first)), 0);
  }
}
