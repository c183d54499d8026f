import type { BodyType, Build } from '../build';

/** What a vehicle of a shape is like until it is measured: generic figures of the 1960s to 1990s, engineering judgement. */
export interface BodyFigures {
  readonly dragAreaM2: number;
  readonly rolling: number;
  readonly massEmptyKg: number;
  readonly payloadKg: number;
  readonly wheelbaseM: number;
  /** Share of the empty mass in front, engine in. */
  readonly frontShare: number;
  readonly tyre: string;
  readonly finalDriveRatio: number;
  readonly gearRatios: readonly number[];
  /** Both wheels of an axle together, N/m, and the way to the bump stop, m. */
  readonly frontSpringNPerM: number;
  readonly rearSpringNPerM: number;
  readonly clearanceM: number;
  /** Wheels on an axle; absent: two and two. */
  readonly wheels?: { readonly front: 1 | 2; readonly rear: 1 | 2 };
  /** Outline while nobody measured it, m; absent: as a car’s. */
  readonly outline?: { readonly widthM: number; readonly heightM: number; readonly overhangM: number };
}

export const BODY_FIGURES: Readonly<Record<BodyType, BodyFigures>> = {
  roadster: {
    dragAreaM2: 0.62,
    rolling: 0.013,
    massEmptyKg: 850,
    payloadKg: 180,
    wheelbaseM: 2.2,
    frontShare: 0.52,
    tyre: '165/80R14',
    finalDriveRatio: 3.9,
    gearRatios: [3.4, 2.1, 1.4, 1],
    frontSpringNPerM: 36000,
    rearSpringNPerM: 34000,
    clearanceM: 0.06,
  },
  saloon: {
    dragAreaM2: 0.68,
    rolling: 0.013,
    massEmptyKg: 1050,
    payloadKg: 350,
    wheelbaseM: 2.5,
    frontShare: 0.54,
    tyre: '175/70R14',
    finalDriveRatio: 3.9,
    gearRatios: [3.5, 2.1, 1.4, 1],
    frontSpringNPerM: 40000,
    rearSpringNPerM: 40000,
    clearanceM: 0.07,
  },
  estate: {
    dragAreaM2: 0.72,
    rolling: 0.013,
    massEmptyKg: 1100,
    payloadKg: 450,
    wheelbaseM: 2.5,
    frontShare: 0.51,
    tyre: '175/80R14',
    finalDriveRatio: 4.1,
    gearRatios: [3.5, 2.1, 1.4, 1],
    frontSpringNPerM: 40000,
    rearSpringNPerM: 48000,
    clearanceM: 0.08,
  },
  van: {
    dragAreaM2: 1.4,
    rolling: 0.013,
    massEmptyKg: 1450,
    payloadKg: 900,
    wheelbaseM: 2.4,
    frontShare: 0.48,
    tyre: '185/80R14',
    finalDriveRatio: 4.6,
    gearRatios: [3.8, 2.1, 1.3, 0.9],
    frontSpringNPerM: 60000,
    rearSpringNPerM: 80000,
    clearanceM: 0.09,
  },
  'off-roader': {
    dragAreaM2: 1.15,
    rolling: 0.017,
    massEmptyKg: 1550,
    payloadKg: 600,
    wheelbaseM: 2.4,
    frontShare: 0.5,
    tyre: '205/80R16',
    finalDriveRatio: 4.3,
    gearRatios: [3.7, 2.2, 1.5, 1],
    frontSpringNPerM: 50000,
    rearSpringNPerM: 60000,
    clearanceM: 0.1,
  },
  tractor: {
    dragAreaM2: 1.5,
    rolling: 0.02,
    massEmptyKg: 1300,
    payloadKg: 100,
    wheelbaseM: 1.8,
    frontShare: 0.4,
    tyre: '11.2-24',
    finalDriveRatio: 18,
    gearRatios: [6, 3.8, 2.4, 1.4],
    frontSpringNPerM: 200000,
    rearSpringNPerM: 400000,
    clearanceM: 0.04,
  },
  motorcycle: {
    dragAreaM2: 0.45,
    rolling: 0.015,
    massEmptyKg: 180,
    payloadKg: 95,
    wheelbaseM: 1.4,
    frontShare: 0.48,
    tyre: '120/80-17',
    finalDriveRatio: 5,
    gearRatios: [1],
    frontSpringNPerM: 17000,
    rearSpringNPerM: 24000,
    clearanceM: 0.1,
    wheels: { front: 1, rear: 1 },
    outline: { widthM: 0.75, heightM: 1.1, overhangM: 0.32 },
  },
  // One wheel in front.
  trike: {
    dragAreaM2: 0.75,
    rolling: 0.015,
    massEmptyKg: 420,
    payloadKg: 200,
    wheelbaseM: 2,
    frontShare: 0.34,
    tyre: '145/80R10',
    finalDriveRatio: 5,
    gearRatios: [1],
    frontSpringNPerM: 18000,
    rearSpringNPerM: 32000,
    clearanceM: 0.07,
    wheels: { front: 1, rear: 2 },
    outline: { widthM: 1.35, heightM: 1.3, overhangM: 0.35 },
  },
  // One wheel behind.
  'three-wheeler': {
    dragAreaM2: 0.65,
    rolling: 0.014,
    massEmptyKg: 450,
    payloadKg: 200,
    wheelbaseM: 2.2,
    frontShare: 0.64,
    tyre: '145/80R13',
    finalDriveRatio: 5,
    gearRatios: [1],
    frontSpringNPerM: 30000,
    rearSpringNPerM: 22000,
    clearanceM: 0.07,
    wheels: { front: 2, rear: 1 },
    outline: { widthM: 1.45, heightM: 1.15, overhangM: 0.45 },
  },
  cart: {
    dragAreaM2: 1.1,
    rolling: 0.02,
    massEmptyKg: 550,
    payloadKg: 500,
    wheelbaseM: 1.7,
    frontShare: 0.45,
    tyre: '145/80R10',
    finalDriveRatio: 12,
    gearRatios: [1],
    frontSpringNPerM: 60000,
    rearSpringNPerM: 80000,
    clearanceM: 0.05,
    outline: { widthM: 1.2, heightM: 1.8, overhangM: 0.4 },
  },
};

/** Wheels on the axles of a build’s shape: two and two where no shape is told. */
export const wheelsOf = ({ vehicle: { body } }: Build): { readonly front: 1 | 2; readonly rear: 1 | 2 } =>
  (body ? BODY_FIGURES[body].wheels : undefined) ?? { front: 2, rear: 2 };

/** The empty mass: as told, else as its shape is like once that is told; null: nobody knows. kg */
export const massEmptyKg = ({ vehicle }: Build): number | null =>
  vehicle.massEmptyKg ?? (vehicle.body ? BODY_FIGURES[vehicle.body].massEmptyKg : null);
