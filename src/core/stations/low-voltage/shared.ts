import type { Ref } from '../../checks';
import { coldestDayC, lowVoltage, type Vehicle } from '../../vehicle';

/** What the rules of the 12-volt side have in common. */
export const BATTERY: Ref = { kind: 'build', id: 'auxiliary-battery', name: 'Auxiliary battery' };
export const SCENARIO_WORDS = {
  'night-rain-cold': 'a cold night in rain',
  day: 'a day',
  parking: 'parking',
  charging: 'charging overnight',
  parked: 'parked',
} as const;
/** The same as a time: “hottest …”. */
export const SCENARIO_WHEN = {
  'night-rain-cold': 'on a cold night in rain',
  day: 'by day',
  parking: 'while parking',
  charging: 'while charging overnight',
  parked: 'while parked',
} as const;

export const loadRef = (id: string, name: string): Ref => ({ kind: 'device', id, name });

export const hasLoads = (vehicle: Vehicle): boolean => lowVoltage(vehicle).loads.length > 0;
export const batteryRef = (vehicle: Vehicle): Ref => {
  const device = lowVoltage(vehicle).battery?.device;
  return device ? { kind: 'device', id: device.id, name: device.name } : BATTERY;
};
export const coldestC = ({ build }: Vehicle): number => coldestDayC(build);
