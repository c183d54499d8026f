import type { Ref } from '../../checks';
import { type VehicleCharge, vehicleCharge } from '../../simulate';
import { Follows, type Vehicle } from '../../vehicle';

export const CHARGE_REF: Ref = { kind: 'build', id: 'charging', name: 'Charging' };

const known = new Follows<Vehicle, ReturnType<typeof vehicleCharge>>();

/** The usual charge, worked out once for a solved vehicle. */
export const chargeFor = (vehicle: Vehicle): ReturnType<typeof vehicleCharge> =>
  known.get(vehicle, () => vehicleCharge(vehicle));

export const isCharge = (charge: ReturnType<typeof vehicleCharge>): charge is VehicleCharge => 'run' in charge;

/** Said wherever an AC current is worked out from the charger’s power. */
export const NO_REACTIVE =
  'The charger draws no reactive current (power factor 1): an old one without correction draws up to half more.';
