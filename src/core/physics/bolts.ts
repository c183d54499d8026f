export const BOLTS = ['M6', 'M8', 'M10', 'M12'] as const;
export type Bolt = (typeof BOLTS)[number];

/** Tensile stress areas, mm² (ISO 898-1). */
const STRESS_AREA_MM2: Readonly<Record<Bolt, number>> = { M6: 20.1, M8: 36.6, M10: 58, M12: 84.3 };
/** Ultimate strength, MPa (ISO 898-1), and the share of it in shear through the thread (EN 1993-1-8, table 3.4). */
const CLASSES = { '8.8': { ultimateMPa: 800, shear: 0.6 }, '10.9': { ultimateMPa: 1000, shear: 0.5 } } as const;
const GAMMA_M2 = 1.25;

/** What one bolt holds in shear through its thread, N: α_v·f_ub·A_s/1.25 (EN 1993-1-8, 3.6.1). */
export const boltShearN = (bolt: Bolt, grade: keyof typeof CLASSES): number =>
  (CLASSES[grade].shear * CLASSES[grade].ultimateMPa * STRESS_AREA_MM2[bolt]) / GAMMA_M2;

/** What one bolt holds in tension, N: 0.9·f_ub·A_s/1.25 (EN 1993-1-8, 3.6.1). */
export const boltTensionN = (bolt: Bolt, grade: keyof typeof CLASSES): number =>
  (0.9 * CLASSES[grade].ultimateMPa * STRESS_AREA_MM2[bolt]) / GAMMA_M2;
