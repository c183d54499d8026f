import type { Build } from '../build';
import { type Evacuated, evacuated } from '../physics/vacuum';

/** The vacuum of the brakes on the board: a pump by its switch, emptied a little by each press of the pedal. */
export class BrakeAssist {
  private readonly law: Evacuated;
  private readonly onPa: number;
  private readonly offPa: number;
  private readonly eachPa: number;
  vacuumPa = 0;
  pumps = false;

  private constructor(build: Build, law: Evacuated) {
    const { switchOnPa, switchOffPa, sweptL, boosterL, reservoirL, hoseL } = build.brakes ?? {};
    this.law = law;
    this.onPa = switchOnPa ?? 0.6 * law.highestPa;
    this.offPa = switchOffPa ?? 0.9 * law.highestPa;
    const volumeL = (boosterL ?? 0) + (reservoirL ?? 0) + (hoseL ?? 0);
    this.eachPa = (law.ambientPa * (sweptL ?? 0.5)) / volumeL;
  }

  /** Null: no pump with its figures. */
  static of(build: Build): BrakeAssist | null {
    const { boosterL, reservoirL, hoseL, pumpLPerMin, pumpMostPa, flowBasis } = build.brakes ?? {};
    if (build.schools.brakes !== 'vacuum-pump' || pumpLPerMin === undefined || pumpMostPa === undefined) return null;
    const volumeL = (boosterL ?? 0) + (reservoirL ?? 0) + (hoseL ?? 0);
    if (!(volumeL > 0)) return null;
    return new BrakeAssist(
      build,
      evacuated(
        { flowM3PerS: pumpLPerMin / 60_000, highestSeaPa: pumpMostPa, basis: flowBasis ?? 'free-air' },
        volumeL / 1000,
        build.vehicle.altitudeM,
      ),
    );
  }

  /** The pedal goes down once. */
  press(): void {
    this.vacuumPa = Math.max(0, this.vacuumPa - this.eachPa * (1 - this.vacuumPa / this.law.ambientPa));
  }

  step(dtS: number, fed: boolean): void {
    if (this.vacuumPa <= this.onPa) this.pumps = true;
    if (this.vacuumPa >= this.offPa) this.pumps = false;
    if (this.pumps && fed) this.vacuumPa = this.law.after(this.vacuumPa, dtS);
  }
}
