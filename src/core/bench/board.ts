import type { Id } from '../build';
import type { Element } from '../circuit';
import { isRun, prechargeRuns } from '../simulate';
import {
  contactorSorts,
  FAULT,
  fittedInputs,
  INPUTS,
  type Input,
  Machine,
  MODE,
  MODES,
  type Mode,
  REGEN_FORWARD,
  REGEN_REVERSE,
  type SequenceDesign,
  WORLD,
  withInput,
} from '../simulate/sequence';
import {
  auxiliaryRestV,
  type CoilCircuit,
  type CoilPoint,
  coilCircuit,
  driveTrainOf,
  groundOf,
  lowVoltage,
  partOf,
  roadModel,
  solveCoils,
  type Vehicle,
} from '../vehicle';
import type { BoardFault } from './board-faults';
import { BrakeAssist } from './brake-assist';
import { Contacts } from './contacts';
import { Rolling, type Shares } from './rolling';
import { Senses } from './senses';
import { type BoardSource, type Moment, Traction } from './traction';

/** One step, s: small against a precharge. */
export const STEP_S = 0.005;
/** The control’s own electronics drop out below this, V (generic). */
const CONTROL_V = 7;
/** A weak battery that starts a pump sags to this, V. */
export const SAG_V = 4;
const CONVERTER_V = 13.8;
/** From here on the pedal counts as pressed, of its way (generic). */
const PRESSED_FROM = 0.05;

/** Braking by the motor where Drive does not say how much, of the peak torque (generic). */
const BRAKES = 0.3;

export type RegenLevel = 'off' | 'low' | 'full';
/** What a driver chooses beside the steps of the sequence: it changes how much, never whether. */
export const BOARD_CHOICES = ['economy', 'regen-off', 'regen-low'] as const;
export type BoardChoice = (typeof BOARD_CHOICES)[number];

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
  private readonly contacts: Contacts;
  private readonly senses = new Senses();
  private readonly traction: Traction;
  private readonly rolling: Rolling;
  private readonly packRestV: number;
  private readonly fitted: ReadonlySet<string>;
  private readonly timeoutS: number;
  timeS = 0;
  word: number = WORLD.linkDead;
  mode = 0;
  supplyV = 12.6;
  soc = 0.5;
  pedal = 0;
  motorK = 0;
  /** The economy switch, and the level of braking by the motor that is chosen. */
  economy = false;
  regen: RegenLevel = 'full';
  private modeSinceS = 0;
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
    this.contacts = new Contacts(
      vehicle.devices.filter(({ device }) => device.kind === 'contactor'),
      contactorSorts(vehicle),
    );
    this.assist = BrakeAssist.of(vehicle.build);
    this.fitted = fittedInputs(design);
    const run = prechargeRuns(vehicle).find(isRun);
    this.timeoutS = run?.timeoutS ?? vehicle.build.precharge.timeoutS ?? 2;
    this.traction = new Traction(vehicle, ground);
    this.rolling = new Rolling(roadModel(vehicle.build), vehicle.build.controls?.rampS);
    this.traction.solve(STEP_S, this.moment());
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
    if (input === 'movingForward') this.rolling.roll(is ? 1 : 0);
    if (input === 'movingBackward') this.rolling.roll(is ? -1 : 0);
    if (input === 'lowSupply') this.power();
    this.react(before);
  }

  /** The pedal at a place of its way, 0 to 1: from a twentieth on it counts as pressed. */
  press(pedal: number): void {
    if (pedal >= PRESSED_FROM !== this.is('accelerator')) this.set('accelerator', pedal >= PRESSED_FROM);
    this.pedal = Math.max(0, Math.min(1, pedal));
  }

  /** Something fails from now on, or is mended. */
  fail(fault: BoardFault | null): void {
    this.fault = fault;
    this.machine.fault = this.sequenceFault;
    this.react(this.word);
  }

  step(dtS: number = STEP_S): void {
    this.timeS += dtS;
    const before = this.word;
    this.power();
    this.contacts.move(this.timeS, this.coilPoint);
    this.traction.solve(dtS, this.moment());
    this.rolling.step(dtS, this.torque(), this.is('brake'), this.linkV(), this.pedal, this.shares());
    this.account(dtS);
    this.assist?.step(dtS, this.is('key') && this.supplyV > 9);
    this.feel();
    this.react(before);
  }

  /** The coils and all that feeds them, by the network of the 12-volt side. */
  private power(): void {
    const { coils, vehicle } = this;
    const converterOn =
      this.traction.point?.solvable === true && this.linkV() > 0.7 * this.packRestV && !this.fault?.noConverter;
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
    return this.contacts.ofSorts(this.machine.commandOf(this.mode));
  }

  /** Contactors that their coils hold closed, whatever has welded. */
  get closed(): ReadonlySet<Id> {
    return this.contacts.closed;
  }

  /** What conducts: closed, or welded. */
  conducting(): ReadonlySet<Id> {
    return this.contacts.conducting(this.fault);
  }

  /** Sorts of contactors that conduct, as bits. */
  contactorBits(): number {
    return this.contacts.bits(this.fault);
  }

  private torque(): number {
    const torque = this.machine.torque(this.word, this.mode, this.machine.fault);
    return this.regen === 'off' && (torque === REGEN_FORWARD || torque === REGEN_REVERSE) ? 0 : torque;
  }

  /** Levels and modes that this build has; without them it has all of its torque, and brakes as Drive has it. */
  choices(): readonly BoardChoice[] {
    const { controls } = this.vehicle.build;
    return [
      ...(controls?.economyShare === undefined ? [] : (['economy'] as const)),
      ...(this.design.regen === 'none' ? [] : (['regen-off'] as const)),
      ...(this.design.regen === 'none' || controls?.regenLowShare === undefined ? [] : (['regen-low'] as const)),
    ];
  }

  /** One of them chosen or left. */
  choose(choice: BoardChoice, is: boolean): void {
    if (!this.choices().includes(choice)) return;
    if (choice === 'economy') this.economy = is;
    else this.regen = is ? (choice === 'regen-off' ? 'off' : 'low') : 'full';
  }

  private shares(): Shares {
    const { controls, regeneration } = this.vehicle.build;
    const full = regeneration?.torqueShare ?? BRAKES;
    return {
      pulls: this.economy ? (controls?.economyShare ?? 1) : 1,
      brakes: this.regen === 'off' ? 0 : this.regen === 'low' ? Math.min(full, controls?.regenLowShare ?? full) : full,
    };
  }

  /** Losses of motor, inverter and gears together (generic: a seventh). */
  private inverterW(): number {
    if (this.torque() === 0 || this.linkV() < 0.5 * this.packRestV) return 0;
    const wheelW = this.rolling.wheelW(this.linkV());
    return wheelW >= 0 ? wheelW / 0.85 : wheelW * 0.85;
  }

  /** Of the motors that the inverter feeds; where nothing tells which, of all: a hand has to count with the worst. */
  private turnedV(): number {
    // While it drives, the inverter holds the field down.
    if (this.mode === MODE.drive || this.mode === MODE.reverse) return 0;
    const inverterId = this.traction.inverterId;
    return Math.max(
      0,
      ...driveTrainOf(this.vehicle.build).units.flatMap((unit) =>
        unit.inverterId === null || unit.inverterId === inverterId
          ? [this.rolling.turnedV(unit.part?.backVoltagePerKrpmV ?? 0, unit.gearing)]
          : [],
      ),
    );
  }

  private moment(): Moment {
    const { mode, fault, source, soc } = this;
    return {
      fault,
      source,
      soc,
      closed: this.conducting(),
      pulled: this.design.pull && this.is('handle'),
      rests: mode === MODE.off || mode === MODE.fault || mode === MODE.awake,
      charges: mode === MODE.charging && this.is('plug'),
      inverterW: this.inverterW(),
      turnedV: this.turnedV(),
    };
  }

  /** The traction circuit as elements at this moment: for a meter that hangs something on it. */
  elements(): Element[] {
    return this.traction.elements(STEP_S, this.moment());
  }
  ampere(id: Id): number {
    return this.traction.ampere(id);
  }
  linkV(): number {
    return this.traction.linkV();
  }
  packVoltage(): number {
    return this.traction.packVoltage(this.source);
  }
  get speedMPerS(): number {
    return this.rolling.speedMPerS;
  }
  get resistorJ(): number {
    return this.traction.resistorJ;
  }

  /** Heat of the motor, charge of the pack. */
  private account(dtS: number): void {
    const { road } = this.rolling;
    // A tenth of the power stays in the motor; some 400 J/K·kg, without coolant (generic).
    const kg = road?.motor?.massKg ?? 40;
    this.motorK += (Math.abs(this.rolling.wheelW(this.linkV())) * 0.1 * dtS) / (kg * 400);
    const box = this.vehicle.devices.find(({ device }) => device.kind === 'box');
    const cell = partOf(box, 'cell');
    if (cell && box && this.source.kind === 'pack')
      this.soc = Math.max(
        0.02,
        Math.min(
          1,
          this.soc +
            (this.traction.ampere(box.id) * dtS) / (3600 * cell.capacityAh * (box.device.cellsInParallel ?? 1)),
        ),
      );
  }

  /** What the sensors say of volts, amperes, speed and time. */
  private feel(): void {
    const { timeS, mode, modeSinceS, timeoutS, speedMPerS, packRestV: packV } = this;
    const { precharge, controls } = this.vehicle.build;
    this.word = this.senses.feel(this.word, {
      timeS,
      mode,
      modeSinceS,
      timeoutS,
      speedMPerS,
      packV,
      linkV: this.linkV(),
      packA: this.traction.packA(),
      torqueShare: this.rolling.torqueShare,
      closeAtFraction: precharge.closeAtFraction,
      wakeS: controls?.wakeS ?? 0,
    });
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
    return {
      timeS: this.timeS,
      mode: MODES[this.mode]!,
      linkV: this.linkV(),
      packV: this.packVoltage(),
      currentA: this.traction.packA(),
      supplyV: this.supplyV,
      speedMPerS: this.speedMPerS,
      closed: this.conducting(),
      torque: this.torque(),
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
