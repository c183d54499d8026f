import type { Finding, Ref } from '../../checks';
import { tripRun } from '../../simulate';
import { motorOf, roadModel } from '../../vehicle';
import type { Context } from '../context';

/** What the rules of Drive have in common. */
export const TRIP: Ref = { kind: 'build', id: 'trip', name: 'Usual trip' };
export const ROAD = 'F = m·g·C_rr·cosθ + m·g·sinθ + ½·ρ·C_dA·v² (textbook); generic map of motor and inverter';

export const motorRef = (context: Context): Ref | null => {
  const motor = motorOf(context.vehicle.build);
  return motor ? { kind: 'device', id: motor.device.id, name: motor.device.name } : null;
};

export const assumedIn = (context: Context): readonly string[] =>
  (roadModel(context.vehicle.build)?.assumed ?? []).map((words) => `Assumed: ${words}.`);

/** Pending while the trip could be driven and is not yet. */
export const needsRun = (context: Context): Finding | null => {
  if (context.tripKey === null) return null;
  return context.trip ? null : { subject: TRIP, pending: tripRun.pendingWords };
};
