import type { LvLoad } from './low-voltage-types';

/** Loads of a usual car, A at 13.8 V turned into what they are (generic figures of the trade). */
export interface LoadPreset {
  readonly id: string;
  readonly name: string;
  readonly load: LvLoad;
  /** A wire that does for a usual way, mm², and its way, m. */
  readonly lengthM: number;
  readonly relay: boolean;
}

const at138 = (amps: number): number => Math.round(amps * 13.8 * 10) / 10;
const lamp = (amps: number, use: LvLoad['use'], essential: boolean): LvLoad => ({
  sort: 'lamp',
  kind: 'constant-resistance',
  rating: at138(amps),
  referenceVoltageV: 13.8,
  essential,
  use,
  minimumV: 9,
});
const led = (amps: number, use: LvLoad['use'], essential: boolean): LvLoad => ({
  ...lamp(amps, use, essential),
  kind: 'constant-power',
});
/** Inrush of a motor is over in a few tenths of a second; what is given longer is stall or full assist. */
const INRUSH_S = 0.3;
const motor = (
  amps: number,
  peakAmps: number,
  use: LvLoad['use'],
  essential: boolean,
  minimumV = 9.5,
  peakS = INRUSH_S,
): LvLoad => ({
  sort: 'motor',
  kind: 'constant-power',
  rating: at138(amps),
  peakRating: at138(peakAmps),
  peakS,
  essential,
  use,
  minimumV,
});
const control = (amps: number, use: LvLoad['use'], essential: boolean, minimumV = 9): LvLoad => ({
  sort: 'control',
  kind: 'constant-power',
  rating: at138(amps),
  essential,
  use,
  minimumV,
});
const heat = (amps: number, use: LvLoad['use']): LvLoad => ({
  sort: 'heater',
  kind: 'constant-resistance',
  rating: at138(amps),
  referenceVoltageV: 13.8,
  essential: false,
  use,
});
const NIGHT = { 'night-rain-cold': 1 };
const DRIVING = { 'night-rain-cold': 1, day: 1, parking: 1 };

export const LOAD_PRESETS: readonly LoadPreset[] = [
  { id: 'dipped-halogen', name: 'Dipped beam, halogen', load: lamp(9.5, NIGHT, true), lengthM: 2, relay: true },
  { id: 'dipped-led', name: 'Dipped beam, LED', load: led(4, NIGHT, true), lengthM: 2, relay: true },
  { id: 'tail', name: 'Tail and plate lamps', load: lamp(2, NIGHT, true), lengthM: 4.5, relay: false },
  { id: 'tail-led', name: 'Tail and plate lamps, LED', load: led(0.5, NIGHT, true), lengthM: 4.5, relay: false },
  {
    id: 'brake-lamps',
    name: 'Brake lamps',
    load: lamp(3.5, { 'night-rain-cold': 0.2, day: 0.15, parking: 0.5 }, true),
    lengthM: 4.5,
    relay: false,
  },
  {
    id: 'brake-lamps-led',
    name: 'Brake lamps, LED',
    load: led(0.6, { 'night-rain-cold': 0.2, day: 0.15, parking: 0.5 }, true),
    lengthM: 4.5,
    relay: false,
  },
  { id: 'hazard', name: 'Hazard lamps', load: lamp(7, { 'night-rain-cold': 0.5 }, true), lengthM: 3, relay: false },
  {
    id: 'wipers',
    name: 'Wipers',
    load: motor(5, 17, { 'night-rain-cold': 1 }, true, 9.5, 3),
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'blower',
    name: 'Heater blower',
    load: { job: 'blower', ...motor(12, 24, { 'night-rain-cold': 0.8, day: 0.2 }, false) },
    lengthM: 1.5,
    relay: true,
  },
  {
    id: 'rear-screen',
    name: 'Rear screen',
    load: heat(12, { 'night-rain-cold': 0.5 }),
    lengthM: 4,
    relay: true,
  },
  {
    id: 'windscreen',
    name: 'Heated windscreen',
    load: { job: 'screen-heat', ...heat(30, { 'night-rain-cold': 0.5 }) },
    lengthM: 1.5,
    relay: true,
  },
  {
    id: 'radio',
    name: 'Radio',
    load: control(2, { 'night-rain-cold': 1, day: 1 }, false, 10),
    lengthM: 1,
    relay: false,
  },
  {
    id: 'fan',
    name: 'Radiator fan',
    load: motor(14, 30, { day: 0.3, charging: 0.3 }, false),
    lengthM: 1.5,
    relay: true,
  },
  {
    id: 'coolant-pump',
    name: 'Coolant pump',
    load: { job: 'coolant-pump', ...motor(2.5, 5, { ...DRIVING, charging: 1 }, false) },
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'heater-pump',
    name: 'Heater’s coolant pump',
    load: { job: 'coolant-pump', ...motor(2, 4, { 'night-rain-cold': 1 }, false) },
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'vacuum-pump',
    name: 'Vacuum pump',
    load: { job: 'vacuum-pump', ...motor(12, 35, { 'night-rain-cold': 0.15, day: 0.1, parking: 0.4 }, true, 9.5) },
    lengthM: 1.2,
    relay: true,
  },
  {
    id: 'brake-booster',
    name: 'Electric brake booster',
    load: { job: 'brake-booster', ...motor(1, 35, { ...DRIVING }, true, 9.5, 1) },
    lengthM: 1.2,
    relay: false,
  },
  {
    id: 'steering-pump',
    name: 'Electro-hydraulic steering',
    load: { job: 'steering-pump', ...motor(6.5, 60, { 'night-rain-cold': 1, day: 1, parking: 1 }, true, 9.5, 3) },
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'column-assist',
    name: 'Column steering assist',
    load: { job: 'column-assist', ...motor(2, 45, { ...DRIVING }, true, 9.5, 2) },
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'control-unit',
    name: 'Vehicle control unit',
    load: { job: 'control-unit', ...control(0.8, { ...DRIVING, charging: 1 }, true) },
    lengthM: 1,
    relay: false,
  },
  {
    id: 'inverter-control',
    name: 'Inverter and charger electronics',
    load: control(1.2, { ...DRIVING, charging: 1 }, true),
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'bms',
    name: 'Battery electronics',
    load: { job: 'bms', ...control(0.25, { ...DRIVING, charging: 1, parked: 0.12 }, true) },
    lengthM: 2.5,
    relay: false,
  },
  {
    id: 'seat',
    name: 'Heated seat',
    load: { job: 'seat', ...heat(4.5, { 'night-rain-cold': 0.5 }) },
    lengthM: 1.5,
    relay: false,
  },
  {
    id: 'charge-gauge',
    name: 'Charge gauge',
    load: { job: 'charge-gauge', ...control(0.15, DRIVING, false) },
    lengthM: 1.2,
    relay: false,
  },
  {
    id: 'tachometer',
    name: 'Tachometer driver',
    load: { job: 'tachometer', ...control(0.1, DRIVING, false) },
    lengthM: 1.2,
    relay: false,
  },
  {
    id: 'alarm',
    name: 'Alarm and clock',
    load: control(0.03, { ...DRIVING, charging: 1, parked: 1 }, false, 8),
    lengthM: 1,
    relay: false,
  },
  {
    id: 'telematics',
    name: 'Telematics',
    load: control(0.4, { ...DRIVING, charging: 1, parked: 0.05 }, false, 8),
    lengthM: 1,
    relay: false,
  },
];

/** What nearly every car has, by preset: a beginning of the schedule. */
export const USUAL_LOADS: readonly string[] = [
  'dipped-halogen',
  'tail',
  'brake-lamps',
  'hazard',
  'wipers',
  'blower',
  'radio',
  'control-unit',
  'inverter-control',
  'bms',
  'charge-gauge',
];
