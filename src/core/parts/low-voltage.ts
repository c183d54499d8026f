import { continuousCurrent } from '../physics/fuse';
import { meltingMultiple } from '../physics/fuse-curve';
import { cataloguePart } from './catalogue';
import type { LoadPreset } from './low-presets';
import type { AuxiliaryBatteryData, ConverterData } from './low-voltage-types';
import type { CablePart, FusePart } from './types';

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
const STRIPS = [50, 60, 80, 100, 125, 150, 175, 200, 250, 300] as const;
/** Thin wall up to here, battery cable above. */
const THIN_TO_MM2 = 16;
const SIZES = [1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120] as const;

/** Fuses of this side from small to large: blades, then bolted strips; of 58 V, which break more at 14 V than those of 32 V. */
const LOW_FUSES: readonly string[] = [
  ...BLADES.map((amps) => `fuse-blade-58-${String(amps).replace('.', '-')}`),
  ...STRIPS.map((amps) => `fuse-strip-58-${amps}`),
];

/** A fuse that is pulsed ten thousand times bears this share of what melts it once (practice). */
export const PULSE_LIFE = 0.7;
/** How long a load is at its hardest where nobody said, s. */
export const PEAK_S = 2;

/** What a fuse has to bear: current with a fifth of its rating in hand, A; what it lasts in its place, A; a peak for its time. */
interface FuseDuty {
  readonly amps: number;
  readonly lastsA: number;
  readonly ambientC: number;
  readonly peakA?: number;
  readonly peakS?: number;
}

/** The smallest fuse that bears all of it. */
export function lowFuse({ amps, lastsA, ambientC, peakA = 0, peakS = PEAK_S }: FuseDuty): FusePart {
  const fuses = LOW_FUSES.map((id) => cataloguePart(id, 'fuse'));
  return (
    fuses.find(
      (fuse) =>
        fuse.ratedCurrentA >= amps / 0.8 &&
        continuousCurrent(fuse, ambientC) >= lastsA &&
        PULSE_LIFE * meltingMultiple(fuse, peakS) * fuse.ratedCurrentA >= peakA,
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

/** What the feed of a 12-volt side begins with, its fuses in surroundings of `ambientC`; ids from the seed. */
export function lowBase(
  battery: AuxiliaryBatteryData,
  converterW: number,
  converterLengthM: number,
  seed: string,
  ambientC: number,
) {
  const converter = usualConverter(converterW, battery.chemistry);
  const amps = converterW / converter.outputV;
  const fuse = lowFuse({ amps, lastsA: amps, ambientC });
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

/** A load of the list with its first fuse, in surroundings of `ambientC`, and its wire; ids from the seed. */
export function lowLoadOf({ name, load, lengthM, relay }: LoadPreset, seed: string, ambientC: number) {
  const amps = load.kind === 'constant-current' ? load.rating : load.rating / 13.8;
  const peakA = load.kind === 'constant-current' ? (load.peakRating ?? 0) : (load.peakRating ?? 0) / 13.8;
  // Constant power draws more from a sagging battery, most at its peak: so much is in hand; and a tenth of what the fuse lasts.
  const fuse = lowFuse({
    amps: Math.max(3.2, 1.12 * amps),
    lastsA: (1.12 * amps) / 0.9,
    ambientC,
    peakA: 1.25 * peakA,
    peakS: load.peakS,
  });
  const share = load.sort === 'lamp' || load.sort === 'control' ? 0.017 : 0.03;
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
