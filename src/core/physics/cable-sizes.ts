import { METALS, type Metal, resistance20FromArea, strandedDiameterMm } from './conductor';

/**
 * Tables of cable sizes. Resistances are the standards' maxima at 20 °C as known (verify before quoting them as the standard's);
 * outer diameters of thin and thick walls are the standard's maxima, those of shielded HV cable typical (generic).
 */
export type ConductorClass = 'iso19642' | 'iec60228-5' | 'awg';
export type Wall = 'thin' | 'thick' | 'shielded';

interface RoadVehicleSize {
  readonly areaMm2: number;
  /** Copper, mΩ/m at 20 °C. */
  readonly milliohmPerM: number;
  readonly thinMm?: number;
  readonly thickMm?: number;
  readonly shieldedMm?: number;
}

/** ISO 19642 / ISO 6722-1 sizes of road-vehicle copper cable. */
export const ROAD_VEHICLE_SIZES: readonly RoadVehicleSize[] = [
  { areaMm2: 0.22, milliohmPerM: 84.4, thinMm: 1.2 },
  { areaMm2: 0.35, milliohmPerM: 54.4, thinMm: 1.4 },
  { areaMm2: 0.5, milliohmPerM: 37.1, thinMm: 1.6, thickMm: 2.3 },
  { areaMm2: 0.75, milliohmPerM: 24.7, thinMm: 1.9, thickMm: 2.5 },
  { areaMm2: 1, milliohmPerM: 18.5, thinMm: 2.1, thickMm: 2.7 },
  { areaMm2: 1.25, milliohmPerM: 14.9, thinMm: 2.3, thickMm: 2.95 },
  { areaMm2: 1.5, milliohmPerM: 12.7, thinMm: 2.4, thickMm: 3 },
  { areaMm2: 2, milliohmPerM: 9.42, thinMm: 2.8, thickMm: 3.3 },
  { areaMm2: 2.5, milliohmPerM: 7.6, thinMm: 3, thickMm: 3.6, shieldedMm: 6.6 },
  { areaMm2: 3, milliohmPerM: 6.15, thinMm: 3.4, thickMm: 4.1 },
  { areaMm2: 4, milliohmPerM: 4.71, thinMm: 3.7, thickMm: 4.4, shieldedMm: 7.3 },
  { areaMm2: 5, milliohmPerM: 3.94, thinMm: 4.2, thickMm: 4.9 },
  { areaMm2: 6, milliohmPerM: 3.14, thinMm: 4.3, thickMm: 5, shieldedMm: 8.2 },
  { areaMm2: 8, milliohmPerM: 2.38, thinMm: 5, thickMm: 5.9 },
  { areaMm2: 10, milliohmPerM: 1.82, thinMm: 6, thickMm: 6.5, shieldedMm: 9.7 },
  { areaMm2: 12, milliohmPerM: 1.52, thinMm: 6.5, thickMm: 7.4 },
  { areaMm2: 16, milliohmPerM: 1.16, thinMm: 7.2, thickMm: 8.3, shieldedMm: 11.3 },
  { areaMm2: 20, milliohmPerM: 0.955, thinMm: 7.8, thickMm: 9.1 },
  { areaMm2: 25, milliohmPerM: 0.743, thinMm: 8.7, thickMm: 10.4, shieldedMm: 13.1 },
  { areaMm2: 30, milliohmPerM: 0.647, thinMm: 9.6, thickMm: 10.9 },
  { areaMm2: 35, milliohmPerM: 0.527, thickMm: 11.6, shieldedMm: 14.5 },
  { areaMm2: 40, milliohmPerM: 0.473, thickMm: 12.4 },
  { areaMm2: 50, milliohmPerM: 0.368, thickMm: 13.5, shieldedMm: 16.6 },
  { areaMm2: 60, milliohmPerM: 0.315, thickMm: 14.6 },
  { areaMm2: 70, milliohmPerM: 0.259, thickMm: 15.5, shieldedMm: 19 },
  { areaMm2: 95, milliohmPerM: 0.196, thickMm: 18, shieldedMm: 21.5 },
  { areaMm2: 120, milliohmPerM: 0.153, thickMm: 19.7, shieldedMm: 23.8 },
];

/** IEC 60228 class 5, flexible, plain copper: mm² and mΩ/m at 20 °C. */
export const IEC_60228_CLASS_5: readonly (readonly [number, number])[] = [
  [0.5, 39],
  [0.75, 26],
  [1, 19.5],
  [1.5, 13.3],
  [2.5, 7.98],
  [4, 4.95],
  [6, 3.3],
  [10, 1.91],
  [16, 1.21],
  [25, 0.78],
  [35, 0.554],
  [50, 0.386],
  [70, 0.272],
  [95, 0.206],
  [120, 0.161],
];

/** Straight in the logarithms between the points, along the end pieces beyond them. */
export function logLog(points: readonly (readonly [number, number])[], x: number): number {
  let i = 1;
  while (i < points.length - 1 && x > points[i]![0]) i++;
  const [x0, y0] = points[i - 1]!;
  const [x1, y1] = points[i]!;
  if (x === x0) return y0;
  if (x === x1) return y1;
  return y0 * (y1 / y0) ** (Math.log(x / x0) / Math.log(x1 / x0));
}

const RESISTANCE: Readonly<Record<Exclude<ConductorClass, 'awg'>, readonly (readonly [number, number])[]>> = {
  iso19642: ROAD_VEHICLE_SIZES.map(({ areaMm2, milliohmPerM }) => [areaMm2, milliohmPerM] as const),
  'iec60228-5': IEC_60228_CLASS_5,
};

/**
 * Resistance at 20 °C of a conductor class, Ω/m. Tabulated sizes read the table, others lie between their neighbours (log-log).
 * Aluminium: the copper table times the ratio of the resistivities. AWG: ρ/A with 2 % for stranding.
 */
export function resistance20OfClass(conductorClass: ConductorClass, areaMm2: number, metal: Metal): number {
  if (conductorClass === 'awg') return resistance20FromArea(areaMm2, metal);
  const ratio = METALS[metal].resistivity20OhmM / METALS.copper.resistivity20OhmM;
  return (logLog(RESISTANCE[conductorClass], areaMm2) / 1000) * ratio;
}

const DIAMETERS: Readonly<Record<Wall, readonly (readonly [number, number])[]>> = {
  thin: diameters('thinMm'),
  thick: diameters('thickMm'),
  shielded: diameters('shieldedMm'),
};
function diameters(field: 'thinMm' | 'thickMm' | 'shieldedMm'): readonly (readonly [number, number])[] {
  return ROAD_VEHICLE_SIZES.flatMap((size) => {
    const diameterMm = size[field];
    return diameterMm === undefined ? [] : [[size.areaMm2, diameterMm] as const];
  });
}

/** Sizes between which a wall is tabulated, mm². */
export const wallRange = (wall: Wall): readonly [number, number] => [
  DIAMETERS[wall][0]![0],
  DIAMETERS[wall].at(-1)![0],
];

/** Outer diameter of a cable, mm; between tabulated sizes log-log, and never less than 0.4 mm over the conductor. */
export function outerDiameterMm(areaMm2: number, wall: Wall): number {
  return Math.max(logLog(DIAMETERS[wall], areaMm2), strandedDiameterMm(areaMm2) + 0.4);
}
