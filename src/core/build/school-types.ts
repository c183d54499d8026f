import type { LoadJob } from '../parts/low-voltage-types';
import type { LossId } from './duty-types';

/** Where practitioners disagree: what may be chosen, each with its consequences worked out by the rules. */
export const SCHOOL_CHOICES = {
  contactors: ['both-poles', 'single-pole'],
  fusePosition: ['pack-terminal', 'mid-string', 'both'],
  emergencyStop: ['electrical', 'mechanical', 'both'],
  clutch: ['kept', 'coupler'],
  brakes: ['vacuum-pump', 'electric-booster', 'unassisted'],
  steering: ['pump-always', 'pump-by-speed', 'pump-on-demand', 'column', 'original-electric', 'none'],
  heating: ['air-heater', 'coolant-heater', 'own-box', 'seats'],
  cooling: ['plate', 'chill-plate', 'liquid'],
  ancillaries: ['separate', 'belt'],
  auxiliaryBattery: ['kept', 'none'],
  bms: ['none', 'shunts', 'distributed', 'central'],
  balance: ['top', 'bottom'],
  command: ['own-controller', 'donor-network', 'replacement-unit', 'motor-controller', 'hand-switches'],
  cableRoute: ['inside', 'under-floor'],
} as const;

export type SchoolId = keyof typeof SCHOOL_CHOICES;
export type SchoolOf<K extends SchoolId> = (typeof SCHOOL_CHOICES)[K][number];
/** These three shape the first layout and are always told; the others may be absent: not told. */
export const FOUNDING_SCHOOLS = ['contactors', 'fusePosition', 'emergencyStop'] as const;
type Founding = (typeof FOUNDING_SCHOOLS)[number];

export type Schools = { readonly [K in Founding]: SchoolOf<K> } & {
  readonly [K in Exclude<SchoolId, Founding>]?: SchoolOf<K>;
};

/** The load of the 12-volt schedule that a choice asks for; what is not named asks for none. */
export const SCHOOL_JOBS: { readonly [K in SchoolId]?: { readonly [C in SchoolOf<K>]?: LoadJob } } = {
  brakes: { 'vacuum-pump': 'vacuum-pump', 'electric-booster': 'brake-booster' },
  steering: {
    'pump-always': 'steering-pump',
    'pump-by-speed': 'steering-pump',
    'pump-on-demand': 'steering-pump',
    column: 'column-assist',
    'original-electric': 'column-assist',
  },
  heating: { 'air-heater': 'blower', 'own-box': 'blower', 'coolant-heater': 'coolant-pump', seats: 'seat' },
  cooling: { 'chill-plate': 'coolant-pump', liquid: 'coolant-pump' },
  bms: { distributed: 'bms', central: 'bms' },
  command: { 'own-controller': 'control-unit', 'donor-network': 'control-unit', 'replacement-unit': 'control-unit' },
};

/** What closes a loss on the 12-volt side by itself. */
export const LOSS_JOBS: Readonly<Partial<Record<LossId, LoadJob>>> = {
  gauges: 'charge-gauge',
  tachometer: 'tachometer',
};

/** The load that the chosen school of this matter asks for; undefined: none, or nothing chosen. */
export function jobOf(schools: Schools, id: SchoolId): LoadJob | undefined {
  const choice = schools[id];
  return choice === undefined
    ? undefined
    : (SCHOOL_JOBS[id] as Readonly<Record<string, LoadJob>> | undefined)?.[choice];
}
