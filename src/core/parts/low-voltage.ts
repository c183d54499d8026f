import { meltingMultiple } from '../physics/fuse-curve';
import { cataloguePart } from './catalogue';
import type { AuxiliaryBatteryData, ConverterData, LvLoad } from './low-voltage-types';
import type { CablePart, FusePart } from './types';

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
    load: { job: 'screen-heat', ...heat(12, { 'night-rain-cold': 0.5 }) },
    lengthM: 4,
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

export const BATTERY_PRESETS: readonly {
  readonly id: string;
  readonly name: string;
  readonly data: AuxiliaryBatteryData;
}[] = [
  {
    id: 'lead-45',
    name: 'Lead, 45 Ah',
    data: { chemistry: 'lead-flooded', capacityAh: 45, ratedHours: 20, resistanceOhm: 0.008 },
  },
  {
    id: 'lead-60',
    name: 'Lead, 60 Ah',
    data: { chemistry: 'lead-flooded', capacityAh: 60, ratedHours: 20, resistanceOhm: 0.006 },
  },
  {
    id: 'agm-60',
    name: 'AGM, 60 Ah',
    data: { chemistry: 'lead-agm', capacityAh: 60, ratedHours: 20, resistanceOhm: 0.005 },
  },
  {
    id: 'agm-80',
    name: 'AGM, 80 Ah',
    data: { chemistry: 'lead-agm', capacityAh: 80, ratedHours: 20, resistanceOhm: 0.004 },
  },
  {
    id: 'lfp-20',
    name: '4S LFP, 20 Ah',
    data: { chemistry: 'lfp', capacityAh: 20, ratedHours: 5, resistanceOhm: 0.016, cutOffV: 10.8 },
  },
  {
    id: 'lfp-40',
    name: '4S LFP, 40 Ah',
    data: { chemistry: 'lfp', capacityAh: 40, ratedHours: 5, resistanceOhm: 0.01, cutOffV: 10.8 },
  },
];

/** Sizes in which converters come, W. */
export const CONVERTER_POWERS = [300, 500, 600, 1000, 1500, 2000, 3000] as const;

/** What a converter is set to for a battery, V (reference of the trade): least, usual, most. */
export const SET_VOLTAGES: Readonly<Record<AuxiliaryBatteryData['chemistry'], readonly [number, number, number]>> = {
  'lead-flooded': [13.5, 13.8, 14.4],
  'lead-agm': [13.8, 14.2, 14.7],
  lfp: [13.6, 13.9, 14.2],
};

export const CHEMISTRY_WORDS: Readonly<Record<AuxiliaryBatteryData['chemistry'], string>> = {
  'lead-flooded': 'flooded lead',
  'lead-agm': 'AGM',
  lfp: '4S LFP',
};

/** Wire for a fuse by rule of thumb, A → mm²: the heat balance then judges it. */
const WIRE_FOR: readonly (readonly [number, number])[] = [
  [7.5, 1],
  [10, 1.5],
  [15, 2.5],
  [20, 4],
  [30, 6],
  [40, 10],
  [60, 16],
  [100, 25],
  [1000, 70],
];
const BLADES = [1, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40] as const;
const LARGE = [50, 60, 70, 80, 100] as const;
const STRIPS = [80, 100, 125, 150, 175, 200, 250, 300] as const;
/** Thin wall up to here, battery cable above. */
const THIN_TO_MM2 = 16;
const SIZES = [1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120] as const;

/** Fuses of this side from small to large: blades, then large ones, then strips. */
const LOW_FUSES: readonly string[] = [
  ...BLADES.map((amps) => `fuse-blade-32-${String(amps).replace('.', '-')}`),
  ...LARGE.map((amps) => `fuse-blade-large-32-${amps}`),
  ...STRIPS.filter((amps) => amps > LARGE.at(-1)!).map((amps) => `fuse-strip-32-${amps}`),
];

/** A fuse that is pulsed ten thousand times bears this share of what melts it once (practice). */
export const PULSE_LIFE = 0.7;
/** How long a load is at its hardest where nobody said, s. */
export const PEAK_S = 2;

/** The smallest fuse that bears a current with a fifth in hand, and a peak for its time. */
export function lowFuse(amps: number, peakA = 0, peakS = PEAK_S): FusePart {
  const fuses = LOW_FUSES.map((id) => cataloguePart(id, 'fuse'));
  return (
    fuses.find(
      (fuse) =>
        fuse.ratedCurrentA >= amps / 0.8 && PULSE_LIFE * meltingMultiple(fuse, peakS) * fuse.ratedCurrentA >= peakA,
    ) ?? fuses.at(-1)!
  );
}

const lowCable = (areaMm2: number): CablePart => {
  const size = SIZES.find((one) => one >= areaMm2) ?? 120;
  return cataloguePart(`cable-${size <= THIN_TO_MM2 ? 'thin' : 'battery'}-${String(size).replace('.', '-')}`, 'cable');
};

/** A wire for a fuse that drops little enough over a way, out and back. */
export function lowWire(fuseA: number, amps: number, lengthM: number, dropV: number): CablePart {
  const forFuse = WIRE_FOR.find(([most]) => fuseA <= most)![1];
  const forDrop = (2 * lengthM * amps * 0.021) / dropV;
  return lowCable(Math.max(forDrop, forFuse));
}

/** What the feed of a 12-volt side begins with; ids from the seed. */
export function lowBase(battery: AuxiliaryBatteryData, converterW: number, converterLengthM: number, seed: string) {
  const converter = usualConverter(converterW, battery.chemistry);
  const amps = converterW / converter.outputV;
  const fuse = lowFuse(amps);
  return {
    seed,
    battery,
    batteryFuse: fuse,
    converterFuse: fuse,
    cable: lowWire(fuse.ratedCurrentA, amps, converterLengthM + 0.6, 0.17),
    boxLengthM: 0.5,
    converterLengthM,
    converter,
  };
}

/** A load of the list with its first fuse and wire; ids from the seed. */
export function lowLoadOf({ name, load, lengthM, relay }: LoadPreset, seed: string) {
  const amps = load.kind === 'constant-current' ? load.rating : load.rating / 13.8;
  const peakA = load.kind === 'constant-current' ? (load.peakRating ?? 0) : (load.peakRating ?? 0) / 13.8;
  // Constant power draws more from a sagging battery: a tenth in hand for both.
  const fuse = lowFuse(Math.max(3.2, 1.12 * amps), 1.12 * peakA, load.peakS);
  const share = load.sort === 'lamp' || load.sort === 'control' ? 0.01 : 0.03;
  return {
    seed,
    name,
    load,
    fuse,
    wire: lowWire(fuse.ratedCurrentA, Math.max(amps, 0.1), lengthM * 0.8, share * 13.8),
    lengthM,
    relay,
  };
}

/** A low voltage warning by chemistry, V. */
export const WARN_BELOW_V: Readonly<Record<AuxiliaryBatteryData['chemistry'], number>> = {
  'lead-flooded': 12.2,
  'lead-agm': 12.2,
  lfp: 12.9,
};

/** The converter that the first layout takes: the smallest that does, at the battery’s own voltage. */
export const usualConverter = (ratedPowerW: number, chemistry: AuxiliaryBatteryData['chemistry']): ConverterData => ({
  outputV: SET_VOLTAGES[chemistry][1],
  ratedPowerW,
  efficiency: 0.92,
  hotShare: 0.9,
});
