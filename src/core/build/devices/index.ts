import { auxiliaryBattery } from './auxiliary-battery';
import { box } from './box';
import { capacitor } from './capacitor';
import { charger } from './charger';
import { chargerConverter } from './charger-converter';
import { chassis } from './chassis';
import { compressor } from './compressor';
import { contactor } from './contactor';
import { converter } from './converter';
import type { DeviceDefinition, Trait } from './definition';
import { dischargeResistor } from './discharge-resistor';
import { disconnect } from './disconnect';
import { earth } from './earth';
import { emergencyStop } from './emergency-stop';
import { fuse } from './fuse';
import { heater } from './heater';
import { inertiaSwitch } from './inertia-switch';
import { interlockContact } from './interlock-contact';
import { inverter } from './inverter';
import { junction } from './junction';
import { lvFuse } from './lv-fuse';
import { lvJunction } from './lv-junction';
import { lvLoad } from './lv-load';
import { lvSwitch } from './lv-switch';
import { motor } from './motor';
import { prechargeResistor } from './precharge-resistor';
import { relay } from './relay';
import { sensor } from './sensor';

/**
 * Every kind of device, in the order in which drawings and lists show them. A new kind is its file and a line here; whatever else it needs does
 * not compile without it.
 */
export const DEVICES = {
  box,
  contactor,
  fuse,
  disconnect,
  'precharge-resistor': prechargeResistor,
  'discharge-resistor': dischargeResistor,
  capacitor,
  sensor,
  junction,
  inverter,
  motor,
  heater,
  converter,
  'charger-converter': chargerConverter,
  charger,
  compressor,
  chassis,
  'auxiliary-battery': auxiliaryBattery,
  'lv-fuse': lvFuse,
  'lv-load': lvLoad,
  'lv-switch': lvSwitch,
  relay,
  'emergency-stop': emergencyStop,
  'inertia-switch': inertiaSwitch,
  'interlock-contact': interlockContact,
  'lv-junction': lvJunction,
  earth,
} as const satisfies Record<string, DeviceDefinition>;

export type DeviceKind = keyof typeof DEVICES;

export const DEVICE_KINDS = Object.keys(DEVICES) as readonly DeviceKind[];

const definitionOf = (kind: DeviceKind): DeviceDefinition => DEVICES[kind];

/** What a kind is, as far as it is asked: its terminals, its part, how it stands in the circuit. */
export { definitionOf as deviceDefinition };

/** Whether devices of a kind are judged as such. */
export const hasTrait = (kind: DeviceKind, trait: Trait): boolean => definitionOf(kind).traits.includes(trait);

export type { CircuitName, DeviceDefinition, Trait } from './definition';
export { PHASES } from './motor';
