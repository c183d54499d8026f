/** A joint sheds its heat into so much of its cable, m (fin length of copper cables in still air, generic). */
export const FIN_M = 0.3;
/** Bare metal around faces that are bolted to each other, cm² (two lugs and their studs, generic). */
const BARE_CM2 = 80;
/** Heat that a bare surface sheds to still air, W/(m²·K) (generic: convection and radiation at some 60 K). */
const STILL_AIR = 10;
/** Of terminals of bare copper over 40 °C, K (IEC 60947-1, table 2). */
const RISE_K = 60;

/** What faces that are bolted to each other shed to the air, W. */
export const SHED_BY_FACES_W = (STILL_AIR * RISE_K * BARE_CM2) / 1e4;

/**
 * What a cable or a bar still sheds of a joint's heat beside its own, W: (I_z² − I²) · R over the fin length. `carriesA` for good in its
 * place, `ohmPerM` of all conductors in parallel.
 */
export const shedByCableW = (carriesA: number, currentA: number, ohmPerM: number): number =>
  Math.max(0, carriesA ** 2 - currentA ** 2) * ohmPerM * FIN_M;

/** Heat of one joint, W; of a cable the resistance of both its joints together is told. */
export const jointHeatW = (currentA: number, toldOhm: number, joints: 1 | 2): number =>
  (currentA ** 2 * toldOhm) / joints;
