import {
  type ChainLink,
  type ChargeElsewhere,
  type ChargePoint,
  chargeChain,
  chargesElsewhere,
  type Departure,
  departure,
  drawnFrom,
  NIGHT_S,
  type VehicleCharge,
} from '../../simulate';
import type { Vehicle } from '../../vehicle';
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
  /** When to begin; null: no hour is told, or no end. `cost` where both prices are. */
  readonly departure: (Departure & { readonly cost: number | null }) | null;
  /** Winter’s range by how far it is charged; empty while the trip is not driven. */
  readonly reach: readonly { readonly soc: number; readonly rangeM: number }[];
  /** Price of one charge; null: no price, or no end. */
  readonly cost: number | null;
}

export function chargingResults({ vehicle, trip }: Context): ChargingResults {
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
    departure: whole ? departureOf(vehicle, whole) : null,
    reach: reachOf(vehicle, trip),
    elsewhere: whole ? chargesElsewhere(vehicle) : [],
    cost: whole && price !== undefined && whole.run.end === 'cut-off' ? (whole.run.last.acJ / 3.6e6) * price : null,
  };
}

const HOURS = 24;

function departureOf(vehicle: Vehicle, { run }: VehicleCharge): ChargingResults['departure'] {
  const { charging = {}, duty } = vehicle.build;
  const { readyH, cheapFromH, cheapToH, cheapPricePerKWh: cheapPrice, nightS = NIGHT_S } = charging;
  if (readyH === undefined || run.end !== 'cut-off') return null;
  const cheap =
    cheapFromH === undefined || cheapToH === undefined ? null : { fromH: cheapFromH, toH: cheapToH % HOURS };
  const plan = departure({ readyH, cheap, chargeS: run.last.timeS, atMostS: nightS });
  const price = duty.energyPricePerKWh;
  const kWh = run.last.acJ / 3.6e6;
  const cost =
    price === undefined || cheapPrice === undefined
      ? null
      : kWh * (cheapPrice * plan.cheapShare + price * (1 - plan.cheapShare));
  return { ...plan, cost };
}

/** Charged so far, for a look at what a limit for life costs in range. */
const LIMITS = [1, 0.9, 0.8, 0.7] as const;

/** Range in winter grows straight with the charge that is used, as the trip measured it from full to where driving stops. */
function reachOf(vehicle: Vehicle, trip: Context['trip']): ChargingResults['reach'] {
  const { socEmpty, socFull = 1 } = vehicle.build.packLimits;
  const winter = trip?.rangeWinterM ?? null;
  if (winter === null || socFull <= socEmpty) return [];
  return LIMITS.filter((soc) => soc > socEmpty).map((soc) => ({
    soc,
    rangeM: (winter * (soc - socEmpty)) / (socFull - socEmpty),
  }));
}
