import { peakTorqueNm } from '../physics/motor';
import { GRAVITY_M_PER_S2, roadForces, sumOf } from '../physics/road-load';
import { FORWARD, REGEN_FORWARD, REGEN_REVERSE, REVERSE } from '../simulate/sequence';
import type { RoadModel } from '../vehicle';

/** Rolling by itself, as a story has it, m/s. */
const ROLLS_M_PER_S = 3;
/** Torque that is asked with both pedals at rest, or by a pedal that only reads so, of all of it (generic). */
const CREEPS = 0.1;

/** How much of its peak torque is left to pull with, and brakes. */
export interface Shares {
  readonly pulls: number;
  readonly brakes: number;
}

/** The vehicle on its wheels: torque ramps, forces move it, a hill keeps it rolling. */
export class Rolling {
  speedMPerS = 0;
  torqueShare = 0;
  /** A hill or a hand that keeps it rolling, m/s; 0: it rolls as its forces have it. */
  private rolls = 0;

  constructor(
    readonly road: RoadModel | null,
    private readonly rampS: number | undefined,
  ) {}

  /** Something beside its forces makes it roll: forward, backward, or no longer. */
  roll(way: 1 | -1 | 0): void {
    this.rolls = way * ROLLS_M_PER_S;
    if (way !== 0) this.speedMPerS = this.rolls;
    else this.speedMPerS = 0;
  }

  /** Force at the wheels, N, at this link voltage. */
  private wheelN(linkV: number): number {
    const { road } = this;
    if (!road?.motor || road.wheelRadiusM === null) return 0;
    const ratio = road.ratios[0] ?? 1;
    const rpm = ((Math.abs(this.speedMPerS) / road.wheelRadiusM) * ratio * 30) / Math.PI;
    const most = peakTorqueNm(road.motor, rpm, Math.max(1, linkV));
    return (this.torqueShare * most * ratio * road.drivelineEfficiency) / road.wheelRadiusM;
  }

  /** What the turned magnets of a motor give between two phases at their peak, V; without magnets 0. */
  turnedV(perKrpmV: number, gearing = 1): number {
    const { road } = this;
    if (!road || road.wheelRadiusM === null) return 0;
    const rpm = (Math.abs(this.speedMPerS) / road.wheelRadiusM) * (road.ratios[0] ?? 1) * gearing * (30 / Math.PI);
    return (perKrpmV * rpm) / 1000;
  }

  /** Power at the wheels, W. */
  wheelW(linkV: number): number {
    return this.wheelN(linkV) * this.speedMPerS;
  }

  /** Torque ramps, the vehicle rolls, the motor warms. */
  step(dtS: number, torque: number, braked: boolean, linkV: number, pedal: number, of: Shares): void {
    const rampS = Math.max(0.1, this.rampS ?? 0.4);
    // Creeping asks for little; a pedal for as much as it is pressed.
    const asked = (pedal > 0 ? pedal : CREEPS) * of.pulls;
    const goal =
      torque === FORWARD
        ? asked
        : torque === REVERSE
          ? -asked
          : torque === REGEN_FORWARD
            ? -of.brakes
            : torque === REGEN_REVERSE
              ? of.brakes
              : 0;
    const change = dtS / rampS;
    this.torqueShare += Math.max(-change, Math.min(change, goal - this.torqueShare));
    if (this.rolls !== 0) {
      this.speedMPerS = this.rolls;
      return;
    }
    const { road } = this;
    const massKg = road?.massKg ?? 1000;
    const brakeN = braked ? 0.4 * massKg * GRAVITY_M_PER_S2 : 0;
    const roadN = road ? sumOf(roadForces(road.road, Math.abs(this.speedMPerS), 0, 0)) : 0;
    const against = Math.sign(this.speedMPerS) * (roadN + brakeN);
    const pushed = this.wheelN(linkV);
    if (this.speedMPerS === 0 && Math.abs(pushed) <= brakeN) return;
    const next = this.speedMPerS + ((pushed - against) / (massKg * 1.05)) * dtS;
    this.speedMPerS = pushed === 0 && next * this.speedMPerS < 0 ? 0 : Math.max(-8, Math.min(45, next));
    if (Math.abs(this.speedMPerS) < 0.02 && Math.abs(pushed) < 1) this.speedMPerS = 0;
  }
}
