import {
  type ChainLink,
  type ChargeElsewhere,
  type ChargePoint,
  chargeChain,
  chargesElsewhere,
  drawnFrom,
  type VehicleCharge,
} from '../../simulate';
import type { Context } from '../context';
import { chargeFor, isCharge } from './shared';

export interface ChargingResults {
  readonly chain: readonly ChainLink[];
  /** The link that holds the charge where it is; null while that can't be told. */
  readonly binds: ChainLink | null;
  readonly acW: number | null;
  readonly charge: VehicleCharge | null;
  /** What is missing for a forecast, in words. */
  readonly missing: readonly string[];
  readonly to80: ChargePoint | null;
  /** The same charge at supplies that one meets. */
  readonly elsewhere: readonly ChargeElsewhere[];
  /** Price of one charge; null: no price, or no end. */
  readonly cost: number | null;
}

export function chargingResults({ vehicle }: Context): ChargingResults {
  const chain = chargeChain(vehicle);
  const drawn = drawnFrom(chain);
  const charge = chargeFor(vehicle);
  const price = vehicle.build.duty.energyPricePerKWh;
  const whole = isCharge(charge) ? charge : null;
  return {
    chain,
    binds: drawn?.binds ?? null,
    acW: drawn?.acW ?? null,
    charge: whole,
    missing: isCharge(charge) ? [] : charge.missing,
    to80: whole?.run.at(0.8) ?? null,
    elsewhere: whole ? chargesElsewhere(vehicle) : [],
    cost: whole && price !== undefined && whole.run.end === 'cut-off' ? (whole.run.last.acJ / 3.6e6) * price : null,
  };
}
