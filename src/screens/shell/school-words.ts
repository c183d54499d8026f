import type { SchoolId, SchoolOf } from '@/core/build';

/** Every choice in workshop words. */
export const CHOICE_WORDS: { readonly [K in SchoolId]: Readonly<Record<SchoolOf<K>, string>> } = {
  contactors: { 'both-poles': 'both poles switched', 'single-pole': 'one main and a hand switch' },
  fusePosition: {
    'pack-terminal': 'at the pack’s terminal',
    'mid-string': 'at the middle of the string',
    both: 'both',
  },
  emergencyStop: {
    electrical: 'by wire: opens the coils’ feed',
    mechanical: 'by pull: on the main switch',
    both: 'both',
  },
  clutch: {
    kept: 'kept: shifts as before, wears, can unload the motor',
    coupler: 'coupler: lighter, shifts at matched speed only',
  },
  brakes: {
    'vacuum-pump': 'vacuum pump and reservoir',
    'electric-booster': 'electric booster',
    unassisted: 'unassisted',
  },
  steering: {
    'pump-always': 'electric pump, always on',
    'pump-by-speed': 'electric pump, less at speed',
    'pump-on-demand': 'electric pump, by a dash switch',
    column: 'electric column assist',
    'original-electric': 'electric as it came',
    none: 'unassisted',
  },
  heating: {
    'air-heater': 'air heater in the old box',
    'coolant-heater': 'coolant heater on the old matrix',
    'own-box': 'box of its own',
    seats: 'seats first',
  },
  cooling: { plate: 'plate in air', 'chill-plate': 'chill plate with coolant', liquid: 'liquid loop' },
  ancillaries: { separate: 'separate electric units', belt: 'old belt drive kept, on the motor' },
  auxiliaryBattery: { kept: 'kept beside the converter', none: 'none: the converter alone' },
  bms: {
    none: 'none: flooded lead, equalised and watered',
    shunts: 'shunt regulators on the cells',
    distributed: 'electronics on each cell',
    central: 'central electronics',
  },
  balance: { top: 'top: equal when full', bottom: 'bottom: equal when empty' },
  command: {
    'own-controller': 'a small controller, own program',
    'donor-network': 'the donor’s network, bridged',
    'replacement-unit': 'a control unit for salvaged parts',
    'motor-controller': 'the motor controller alone',
    'hand-switches': 'relays and hand switches, precharge by hand',
  },
  cableRoute: { inside: 'inside the body', 'under-floor': 'under the floor, in conduit with a cover' },
};
