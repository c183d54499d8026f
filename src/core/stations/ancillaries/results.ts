import type { Build } from '../../build';
import {
  type BrakeVacuum,
  brakeVacuum,
  type CabinWarmth,
  cabinWarmth,
  type DriveLoop,
  driveLoop,
  type RackFlow,
  type Rim,
  rackFlow,
  rimOf,
  vacuumMissing,
} from '../../simulate';
import type { Context } from '../context';
import { has } from './shared';

export interface AncillariesResults {
  readonly has: {
    readonly vacuum: boolean;
    readonly booster: boolean;
    readonly hydraulic: boolean;
    readonly column: boolean;
  };
  readonly vacuum: BrakeVacuum | null;
  /** What the vacuum model still needs, in words. */
  readonly vacuumMissing: readonly string[];
  readonly rack: RackFlow | null;
  readonly rim: Rim | null;
  readonly cabin: CabinWarmth;
  /** Range that an hour of heating takes, m; null: the trip is not driven. */
  readonly heatingM: { readonly holding: number; readonly seatsFirst: number | null } | null;
  readonly loop: DriveLoop | null;
  readonly schools: Build['schools'];
}

export function ancillariesResults({ vehicle, trip }: Context): AncillariesResults {
  const cabin = cabinWarmth(vehicle);
  // Energy of a metre as the trip was driven, in winter.
  const joulesPerM = trip && trip.mild.distanceM > 0 ? trip.mild.energyJ / trip.mild.distanceM : null;
  const metres = (powerW: number) => (powerW * 3600) / joulesPerM!;
  return {
    has: {
      vacuum: has.vacuum(vehicle),
      booster: has.booster(vehicle),
      hydraulic: has.hydraulic(vehicle),
      column: has.column(vehicle),
    },
    vacuum: brakeVacuum(vehicle),
    vacuumMissing: vacuumMissing(vehicle),
    rack: rackFlow(vehicle),
    rim: rimOf(vehicle),
    cabin,
    heatingM:
      joulesPerM === null || joulesPerM <= 0
        ? null
        : {
            holding: metres(cabin.needsW),
            seatsFirst: cabin.seatsFirstW === null ? null : metres(cabin.seatsFirstW),
          },
    loop: driveLoop(vehicle),
    schools: vehicle.build.schools,
  };
}
