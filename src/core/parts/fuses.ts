import { FUSE_FAMILIES, type FuseFamily } from '../physics/fuse';
import type { FusePart } from './types';

/** A fuse of a generic family. */
export function fuseOf(family: FuseFamily, ratedCurrentA: number, ratedVoltageDcV: number | null): FusePart {
  const { name, ...data } = FUSE_FAMILIES[family];
  return {
    id: `fuse-${family}-${ratedVoltageDcV ?? 'nodc'}-${String(ratedCurrentA).replace('.', '-')}`,
    kind: 'fuse',
    name: `${ratedCurrentA} A ${name} fuse, ${ratedVoltageDcV === null ? 'no DC rating' : `${ratedVoltageDcV} V DC`}`,
    provenance: 'generic',
    family,
    ratedCurrentA,
    ratedVoltageDcV,
    ratedVoltageAcV: null,
    ...data,
  };
}

/** Ratings in which the families come (generic: preferred numbers of IEC 60269, and the usual blade values). */
const RATINGS: Readonly<Record<FuseFamily, { readonly amps: readonly number[]; readonly volts: readonly number[] }>> = {
  traction: {
    amps: [
      5, 6, 8, 10, 12, 16, 20, 25, 32, 35, 40, 50, 63, 80, 100, 125, 160, 200, 225, 250, 300, 350, 400, 450, 500, 600,
    ],
    volts: [150, 250, 450, 500, 750, 1000],
  },
  ar: {
    amps: [20, 25, 32, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 350, 400, 500, 630, 800, 1000],
    volts: [500, 700, 1000],
  },
  strip: {
    amps: [30, 40, 50, 60, 80, 100, 125, 150, 175, 200, 225, 250, 300, 350, 400, 500],
    volts: [32, 58, 70],
  },
  blade: { amps: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40], volts: [32, 58] },
  'blade-large': { amps: [20, 30, 40, 50, 60, 70, 80, 100], volts: [32] },
};

export const FUSES: readonly FusePart[] = (Object.keys(RATINGS) as FuseFamily[]).flatMap((family) =>
  RATINGS[family].volts.flatMap((volts) => RATINGS[family].amps.map((amps) => fuseOf(family, amps, volts))),
);
