import { hasTrait, type Id } from '../build';
import { type Element, type OperatingPoint, OperatingPointSolver } from '../circuit';
import { peakTorqueNm } from '../physics/motor';
import { GRAVITY_M_PER_S2, roadForces, sumOf } from '../physics/road-load';
import { isRun, prechargeRuns } from '../simulate';
import {
  contactorSorts,
  FAULT,
  FORWARD,
  fittedInputs,
  INPUTS,
  type Input,
  Machine,
  MODE,
  MODES,
  type Mode,
  REVERSE,
  type SequenceDesign,
  WORLD,
  withInput,
} from '../simulate/sequence';
import {
  auxiliaryRestV,
  type CoilCircuit,
  type CoilPoint,
  capacitorId,
  coilCircuit,
  coilLimits,
  cornersOf,
  groundOf,
  lowVoltage,
  partOf,
  type ResolvedDevice,
  type RoadModel,
  roadModel,
  solveCoils,
  stamp,
  stateOf,
  terminalNode,
  UNKNOWN_AMBIENT_C,
  type Vehicle,
} from '../vehicle';
import type { BoardFault } from './board-faults';
import { BrakeAssist } from './brake-assist';

/** What stands in the pack’s place. */
export type BoardSource =
  | { readonly kind: 'pack' }
  /** A bench supply: so much voltage, and no more than so much current; it takes none back. */
  | { readonly kind: 'limited'; readonly voltageV: number; readonly limitA: number };

/** A contact moves so long after its coil got or lost its voltage, s (generic). */
const CONTACT_S = 0.02;
/** One step, s: small against a precharge. */
export const STEP_S = 0.005;
/** The control’s own electronics drop out below this, V (generic). */
const CONTROL_V = 7;
/** A weak battery that starts a pump sags to this, V. */
export const SAG_V = 4;
const CONVERTER_V = 13.8;
/** The link counts as dead below this share of the pack’s voltage. */
const DEAD_SHARE = 0.1;
/** Largest difference at which the main closes, V (reference of the trade). */
const CLOSE_WITHIN_V = 20;
const CURRENT_FROM_A = 5;
/** Rolling by itself, as a story has it, m/s. */
const ROLLS_M_PER_S = 3;

/** A figure that the dash shows. */
export interface BoardView {
  readonly timeS: number;
  readonly mode: Mode;
  readonly linkV: number;
  readonly packV: number;
  readonly currentA: number;
  readonly supplyV: number;
  readonly speedMPerS: number;
  readonly closed: ReadonlySet<Id>;
  readonly torque: number;
  readonly resistorJ: number;
  readonly soc: number;
  readonly motorK: number;
  /** Null: no vacuum on this build. */
  readonly vacuumPa: number | null;
}

/**
 * The simulated vehicle: circuit, coils, sequence and road stepped together. The same build, inputs and faults give the same, step by step;
 * nothing in it knows the time of day or chance.
 */
export class Board {
  readonly machine: Machine;
  private readonly coils: CoilCircuit;
  private readonly sorts: ReadonlyMap<Id, number>;
  private readonly contactors: readonly ResolvedDevice[];
  private readonly inverter: ResolvedDevice | null;
  private readonly road: RoadModel | null;
  private readonly ground: string;
  private readonly packRestV: number;
  private readonly fitted: ReadonlySet<string>;
  private readonly timeoutS: number;
  private readonly solvers = new Map<string, OperatingPointSolver>();
  private readonly capacitorV = new Map<string, number>();
  /** When each contactor’s coil began to ask for the other place, s. */
  private readonly moving = new Map<Id, number>();
  private sourceOhm = 0;

  timeS = 0;
  word: number = WORLD.linkDead;
  mode = 0;
  closed: Set<Id> = new Set();
  speedMPerS = 0;
  supplyV = 12.6;
  soc = 0.5;
  pedal = 0;
  resistorJ = 0;
  motorK = 0;
  private modeSinceS = 0;
  private torqueShare = 0;
  /** A hill or a hand that keeps it rolling, m/s; 0: it rolls as its forces have it. */
  private rolls = 0;
  /** The link as it was looked at last, and whether it had fallen since the look before. */
  private lookedV = 0;
  private lookedS = 0;
  private falls = false;
  private point: OperatingPoint | null = null;
  coilPoint: CoilPoint | null = null;
  readonly assist: BrakeAssist | null;

  constructor(
    readonly vehicle: Vehicle,
    readonly design: SequenceDesign,
    public fault: BoardFault | null = null,
    public source: BoardSource = { kind: 'pack' },
  ) {
    this.machine = new Machine(design);
    const coils = coilCircuit(vehicle);
    const ground = groundOf(vehicle);
    if (!coils || ground === null) throw new Error('a board needs cells and a coil circuit');
    this.coils = coils;
    this.ground = ground;
    this.sorts = contactorSorts(vehicle);
    this.contactors = vehicle.devices.filter(({ device }) => device.kind === 'contactor');
    this.inverter = vehicle.devices.find(({ device }) => device.kind === 'inverter') ?? null;
    this.road = roadModel(vehicle.build);
    this.assist = BrakeAssist.of(vehicle.build);
    this.fitted = fittedInputs(design);
    const run = prechargeRuns(vehicle).find(isRun);
    this.timeoutS = run?.timeoutS ?? vehicle.build.precharge.timeoutS ?? 2;
    this.solve(STEP_S);
    this.packRestV = this.packVoltage();
    this.machine.fault = this.sequenceFault;
  }

  private get sequenceFault(): number {
    return FAULT[this.fault?.sequence ?? 'none'];
  }

  has(input: Input): boolean {
    return this.fitted.has(input);
  }
  is(input: Input): boolean {
    return (this.word & WORLD[input]) !== 0;
  }

  /** Somebody does something, or something happens. */
  set(input: Input, is: boolean): void {
    if (!this.has(input)) return;
    const before = this.word;
    this.word = withInput(this.word, input, is);
    if (input === 'accelerator') this.pedal = is ? 1 : 0;
    if (input === 'brake' && is && before !== this.word) this.assist?.press();
    if (input === 'movingForward') this.rolls = is ? ROLLS_M_PER_S : 0;
    if (input === 'movingBackward') this.rolls = is ? -ROLLS_M_PER_S : 0;
    if (this.rolls !== 0) this.speedMPerS = this.rolls;
    if (input === 'lowSupply') this.power();
    this.react(before);
  }

  /** Something fails from now on, or is mended. */
  fail(fault: BoardFault | null): void {
    this.fault = fault;
    this.machine.fault = this.sequenceFault;
    this.solvers.clear();
    this.react(this.word);
  }

  step(dtS: number = STEP_S): void {
    this.timeS += dtS;
    const before = this.word;
    this.power();
    this.moveContacts();
    this.solve(dtS);
    this.drive(dtS);
    this.account(dtS);
    this.assist?.step(dtS, this.is('key') && this.supplyV > 9);
    this.feel();
    this.react(before);
  }

  /** The coils and all that feeds them, by the network of the 12-volt side. */
  private power(): void {
    const { coils, vehicle } = this;
    const converterOn =
      this.point?.solvable === true && this.linkV() > 0.7 * this.packRestV && !this.fault?.noConverter;
    const battery = lowVoltage(vehicle).battery?.data;
    const restV = battery ? auxiliaryRestV(battery, 0.8) : 12.6;
    const converted = converterOn && lowVoltage(vehicle).converters.length > 0;
    this.supplyV = this.is('lowSupply') ? SAG_V : (this.fault?.supplyV ?? (converted ? CONVERTER_V : restV));
    const open = new Set<Id>(this.fault?.openLv ?? []);
    for (const { id, device } of coils.stops) {
      if (device.kind === 'emergency-stop' && this.is('handle')) open.add(id);
      if (device.kind === 'inertia-switch' && this.is('crash')) open.add(id);
      if (device.kind === 'disconnect' && this.design.pull && this.is('handle')) open.add(id);
      if (device.kind === 'lv-switch' && !coils.driverOf.has(id) && !this.is('key')) open.add(id);
    }
    this.coilPoint = solveCoils(coils, {
      supplyV: Math.round(this.supplyV * 10) / 10,
      commanded: this.commanded(),
      open,
    });
  }

  /** Contactors that the sequence asks to be closed now. */
  private commanded(): ReadonlySet<Id> {
    const loop = this.design.remoteStop;
    if (loop === 'loop' && (this.is('remotePressed') || this.is('remoteOut'))) return new Set();
    if (loop === 'dummy' && this.is('remotePressed') && !this.is('remoteOut')) return new Set();
    if (this.supplyV < CONTROL_V) return new Set();
    // What stops by wire is left to the wires.
    const byMode = this.machine.commandOf(this.mode);
    return new Set([...this.sorts].flatMap(([id, sort]) => ((byMode & sort) !== 0 ? [id] : [])));
  }

  private moveContacts(): void {
    for (const device of this.contactors) {
      const { id } = device;
      const volts = this.coilPoint?.coilV.get(id) ?? 0;
      const { pickUpV, holdV } = coilLimits(device);
      const is = this.closed.has(id);
      const wants = is ? volts >= holdV : volts >= pickUpV;
      if (wants === is) {
        this.moving.delete(id);
        continue;
      }
      const since = this.moving.get(id) ?? this.timeS;
      this.moving.set(id, since);
      if (this.timeS - since < CONTACT_S) continue;
      this.moving.delete(id);
      if (wants) this.closed.add(id);
      else this.closed.delete(id);
    }
  }

  /** What conducts: closed, or welded. */
  conducting(): ReadonlySet<Id> {
    const closed = new Set(this.closed);
    for (const id of this.fault?.welded ?? []) closed.add(id);
    const sort = this.fault?.weldSort;
    if (sort !== undefined) for (const [id, one] of this.sorts) if (one === sort) closed.add(id);
    return closed;
  }

  /** The traction circuit as elements at this moment, capacitors as sources behind dt/C (implicit Euler). */
  elements(dtS: number): Element[] {
    const { vehicle, fault } = this;
    const pulled = this.design.pull && this.is('handle');
    const corner = cornersOf(vehicle.build).find(({ id }) => id === 'nominal')!;
    const stamped = stamp(vehicle, {
      state: { ...stateOf('ready'), ...(pulled ? { disconnected: true as const } : {}) },
      corner: { ...corner, soc: this.soc },
      temperatureOf: (id) => vehicle.conductorOf.get(id)?.zone?.ambientC ?? UNKNOWN_AMBIENT_C,
      closed: this.conducting(),
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
      } else if (element.kind === 'source' && this.source.kind === 'limited')
        elements.push(this.limited(element.id, element.a, element.b));
      else if (fault?.addOhm?.id === element.id && 'resistanceOhm' in element)
        elements.push({ ...element, resistanceOhm: (element.resistanceOhm ?? 0) + fault.addOhm.ohm } as Element);
      else elements.push(element);
    }
    if (link) {
      const [a, b] = [terminalNode(link, 'plus'), terminalNode(link, 'minus')];
      // Bleed and measuring inside every inverter (generic).
      elements.push({ id: 'board:bleed', kind: 'resistor', a, b, resistanceOhm: this.bleedOhm() });
      if (fault?.linkLoadOhm !== undefined)
        elements.push({ id: 'board:load', kind: 'resistor', a, b, resistanceOhm: fault.linkLoadOhm });
      elements.push(...this.charging());
      const powerW = this.inverterW();
      if (powerW !== 0) elements.push({ id: 'board:inverter', kind: 'power', a, b, powerW });
    }
    return elements;
  }

  private bleedOhm(): number {
    const part = partOf(this.inverter ?? undefined, 'inverter');
    const passive = part?.bleedResistanceOhm ?? 50_000;
    const rests = this.mode === MODE.off || this.mode === MODE.fault || this.mode === MODE.awake;
    return rests && part?.activeDischargeOhm ? Math.min(passive, part.activeDischargeOhm) : passive;
  }

  /** A charger that is plugged in feeds the bus once the sequence lets it. */
  private charging(): Element[] {
    if (this.mode !== MODE.charging || !this.is('plug') || this.source.kind === 'limited' || this.soc >= 0.99)
      return [];
    return this.vehicle.devices.flatMap((device): Element[] => {
      const powerW = device.device.powersW?.charging;
      if (!hasTrait(device.device.kind, 'charges') || powerW === undefined || powerW <= 0) return [];
      const [a, b] = [terminalNode(device, 'plus'), terminalNode(device, 'minus')];
      return [{ id: `board:${device.id}`, kind: 'power', a, b, powerW: -powerW }];
    });
  }

  /** The bench supply in the pack’s place: the first box gives, the others are bridged. */
  private limited(id: Id, a: string, b: string): Element {
    const first = this.vehicle.devices.find(({ device }) => device.kind === 'box')?.id === id;
    if (this.source.kind !== 'limited' || !first) return { id, kind: 'resistor', a, b, resistanceOhm: 0.001 };
    return { id, kind: 'source', a, b, voltageV: this.source.voltageV, resistanceOhm: Math.max(0.01, this.sourceOhm) };
  }

  private solve(dtS: number): void {
    for (let round = 0; round < (this.source.kind === 'limited' ? 4 : 1); round++) {
      const elements = this.elements(dtS);
      this.point = this.pointOf(elements);
      if (!this.holdToLimit()) break;
    }
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
  private holdToLimit(): boolean {
    if (this.source.kind !== 'limited' || !this.point?.solvable) return false;
    const box = this.vehicle.devices.find(({ device }) => device.kind === 'box');
    const amps = -(this.point.elementCurrentsA.get(box?.id ?? '') ?? 0);
    const { voltageV, limitA } = this.source;
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

  /** Sorts of contactors that conduct, as bits. */
  contactorBits(): number {
    const conducting = this.conducting();
    return [...this.sorts].reduce((bits, [id, sort]) => (conducting.has(id) ? bits | sort : bits), 0);
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
  packVoltage(): number {
    if (this.source.kind === 'limited') return this.source.voltageV;
    let volts = 0;
    for (const device of this.vehicle.devices)
      if (device.device.kind === 'box')
        volts += Math.abs(this.across(terminalNode(device, 'plus'), terminalNode(device, 'minus')) ?? 0);
    return volts;
  }

  private inverterW(): number {
    const torque = this.machine.torque(this.word, this.mode, this.machine.fault);
    if (torque === 0 || this.linkV() < 0.5 * this.packRestV) return 0;
    return this.wheelW() >= 0 ? this.wheelW() / 0.85 : this.wheelW() * 0.85;
  }

  private wheelN(): number {
    const { road } = this;
    if (!road?.motor || road.wheelRadiusM === null) return 0;
    const ratio = road.ratios[0] ?? 1;
    const rpm = ((Math.abs(this.speedMPerS) / road.wheelRadiusM) * ratio * 30) / Math.PI;
    const most = peakTorqueNm(road.motor, rpm, Math.max(1, this.linkV()));
    return (this.torqueShare * most * ratio * road.drivelineEfficiency) / road.wheelRadiusM;
  }

  private wheelW(): number {
    return this.wheelN() * this.speedMPerS;
  }

  /** Torque ramps, the vehicle rolls, the motor warms. */
  private drive(dtS: number): void {
    const torque = this.machine.torque(this.word, this.mode, this.machine.fault);
    const rampS = Math.max(0.1, this.vehicle.build.controls?.rampS ?? 0.4);
    const goal = torque === FORWARD ? 1 : torque === REVERSE ? -1 : torque === 3 ? -0.3 : torque === 4 ? 0.3 : 0;
    const change = dtS / rampS;
    this.torqueShare += Math.max(-change, Math.min(change, goal - this.torqueShare));
    if (this.rolls !== 0) {
      this.speedMPerS = this.rolls;
      return;
    }
    const { road } = this;
    const massKg = road?.massKg ?? 1000;
    const brakeN = this.is('brake') ? 0.4 * massKg * GRAVITY_M_PER_S2 : 0;
    const roadN = road ? sumOf(roadForces(road.road, Math.abs(this.speedMPerS), 0, 0)) : 0;
    const against = Math.sign(this.speedMPerS) * (roadN + brakeN);
    const pushed = this.wheelN();
    if (this.speedMPerS === 0 && Math.abs(pushed) <= brakeN) return;
    const next = this.speedMPerS + ((pushed - against) / (massKg * 1.05)) * dtS;
    this.speedMPerS = pushed === 0 && next * this.speedMPerS < 0 ? 0 : Math.max(-8, Math.min(45, next));
    if (Math.abs(this.speedMPerS) < 0.02 && Math.abs(pushed) < 1) this.speedMPerS = 0;
  }

  /** Heat of the motor, charge of the pack. */
  private account(dtS: number): void {
    const { road } = this;
    // A tenth of the power stays in the motor; some 400 J/K·kg, without coolant (generic).
    const kg = road?.motor?.massKg ?? 40;
    this.motorK += (Math.abs(this.wheelW()) * 0.1 * dtS) / (kg * 400);
    const box = this.vehicle.devices.find(({ device }) => device.kind === 'box');
    const cell = partOf(box, 'cell');
    if (cell && box && this.source.kind === 'pack')
      this.soc = Math.max(
        0.02,
        Math.min(
          1,
          this.soc + (this.ampere(box.id) * dtS) / (3600 * cell.capacityAh * (box.device.cellsInParallel ?? 1)),
        ),
      );
  }

  /** What the sensors say of volts, amperes, speed and time. */
  private feel(): void {
    let { word } = this;
    const put = (bit: number, is: boolean) => {
      word = is ? word | bit : word & ~bit;
    };
    const packV = this.packRestV;
    const linkV = this.linkV();
    const { closeAtFraction } = this.vehicle.build.precharge;
    put(
      WORLD.linkUp,
      packV > 0 &&
        linkV >= closeAtFraction * packV * 0.97 &&
        (linkV >= closeAtFraction * packV || this.mode !== MODE.precharge) &&
        packV - linkV <= Math.max(CLOSE_WITHIN_V, 0.1 * packV),
    );
    put(WORLD.linkDead, linkV < Math.max(1, DEAD_SHARE * packV));
    const held = this.timeS - this.modeSinceS;
    const waits = this.mode === MODE.precharge || this.mode === MODE['charge-precharge'];
    // A link that still falls is waited for: only what stands is a contactor that has welded.
    if (this.timeS - this.lookedS >= 1 || this.timeS < this.lookedS) {
      this.falls = this.lookedV - linkV > 0.01 * packV;
      this.lookedV = linkV;
      this.lookedS = this.timeS;
    }
    const stands = this.mode === MODE.awake && !this.falls && held >= 3 + (this.vehicle.build.controls?.wakeS ?? 0);
    put(WORLD.timer, waits ? held >= this.timeoutS : stands);
    const box = this.vehicle.devices.find(({ device }) => device.kind === 'box');
    put(WORLD.current, box !== undefined && Math.abs(this.ampere(box.id)) > CURRENT_FROM_A);
    if (this.mode === MODE.drive || this.mode === MODE.reverse || this.speedMPerS !== 0 || this.torqueShare !== 0) {
      put(WORLD.movingForward, this.speedMPerS > 0.5);
      put(WORLD.movingBackward, this.speedMPerS < -0.5);
    }
    this.word = word;
  }

  private react(before: number): void {
    const { machine } = this;
    machine.word = this.word;
    machine.mode = this.mode;
    machine.fault = this.sequenceFault;
    machine.held =
      this.mode === MODE.off ||
      (this.mode === MODE.awake && this.timeS - this.modeSinceS < (this.vehicle.build.controls?.wakeS ?? 0));
    machine.settle(before);
    // Volts come from the circuit, not from the step that was taken.
    const circuit = WORLD.linkUp | WORLD.linkDead | WORLD.current;
    this.word = (machine.word & ~circuit) | (this.word & circuit);
    if (machine.mode !== this.mode) {
      this.mode = machine.mode;
      this.modeSinceS = this.timeS;
    }
  }

  view(): BoardView {
    const box = this.vehicle.devices.find(({ device }) => device.kind === 'box');
    return {
      timeS: this.timeS,
      mode: MODES[this.mode]!,
      linkV: this.linkV(),
      packV: this.packVoltage(),
      currentA: box ? -this.ampere(box.id) : 0,
      supplyV: this.supplyV,
      speedMPerS: this.speedMPerS,
      closed: this.conducting(),
      torque: this.machine.torque(this.word, this.mode, this.machine.fault),
      resistorJ: this.resistorJ,
      soc: this.soc,
      motorK: this.motorK,
      vacuumPa: this.assist?.vacuumPa ?? null,
    };
  }

  /** The inputs that this build has, in the order of a dash. */
  inputs(): readonly Input[] {
    return INPUTS.filter((input) => this.has(input));
  }
}
