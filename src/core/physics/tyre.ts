/** A tyre's size as it is written on its side. */
export interface Tyre {
  readonly widthM: number;
  /** Height of the side wall over the width. */
  readonly aspect: number;
  readonly rimM: number;
  /** Loaded, rolling, m: 0.97 of the free radius (generic). */
  readonly rollingRadiusM: number;
  /** What stands behind the size: "88H". Null: nothing stands there. */
  readonly service: TyreService | null;
}

export interface TyreService {
  /** One tyre, single. */
  readonly loadKg: number;
  readonly speedMPerS: number;
}

const INCH = 0.0254;
const LOADED = 0.97;
/** Radial tyres without a stated aspect, and cross-ply ones (generic). */
const PLAIN_ASPECT = 0.82;
const CROSS_PLY_ASPECT = 0.95;

export type TyreAnswer = { readonly ok: true; readonly tyre: Tyre } | { readonly ok: false; readonly reason: string };

const made = (widthM: number, aspect: number, rimM: number, service: TyreService | null): TyreAnswer => ({
  ok: true,
  tyre: { widthM, aspect, rimM, rollingRadiusM: LOADED * (rimM / 2 + widthM * aspect), service },
});

/** Load indices from 20 on, kg a tyre; those below 50 are of motorcycles (ISO 4000-1 and 4249-3, from memory: verify). */
const LOADS_FROM = 20;
const LOADS: readonly number[] = [
  80, 82.5, 85, 87.5, 90, 92.5, 95, 97.5, 100, 103, 106, 109, 112, 115, 118, 121, 125, 128, 132, 136, 140, 145, 150,
  155, 160, 165, 170, 175, 180, 185, 190, 195, 200, 206, 212, 218, 224, 230, 236, 243, 250, 257, 265, 272, 280, 290,
  300, 307, 315, 325, 335, 345, 355, 365, 375, 387, 400, 412, 425, 437, 450, 462, 475, 487, 500, 515, 530, 545, 560,
  580, 600, 615, 630, 650, 670, 690, 710, 730, 750, 775, 800, 825, 850, 875, 900, 925, 950, 975, 1000, 1030, 1060, 1090,
  1120, 1150, 1180, 1215, 1250, 1285, 1320, 1360, 1400,
];
/** Speed symbols, km/h (ISO 4000-1, from memory: verify). */
const SPEEDS: Readonly<Record<string, number>> = {
  F: 80,
  G: 90,
  J: 100,
  K: 110,
  L: 120,
  M: 130,
  N: 140,
  P: 150,
  Q: 160,
  R: 170,
  S: 180,
  T: 190,
  U: 200,
  H: 210,
  V: 240,
  W: 270,
  Y: 300,
};

/** "88H" and "106/104N"; the first index is that of single tyres. */
function serviceOf(index: string | undefined, symbol: string | undefined): TyreService | null {
  const loadKg = LOADS[Number(index) - LOADS_FROM];
  const kmh = symbol !== undefined && Object.hasOwn(SPEEDS, symbol) ? SPEEDS[symbol]! : undefined;
  return loadKg === undefined || kmh === undefined ? null : { loadKg, speedMPerS: kmh / 3.6 };
}

/** Reads "185/80R14", "185/80 R14", "165 R 13" and "6.00-16". What can't be a tyre is refused with the part that is wrong. */
export function parseTyre(text: string): TyreAnswer {
  const code = text.trim().toUpperCase().replace(/,/g, '.');
  const metric =
    /^(\d{2,3})(?:\s*\/\s*(\d{2,3}))?\s*(?:Z?R|-|D|B)\s*(\d{1,2}(?:\.\d)?)\s*C?(?:\s+(\d{2,3})(?:\/\d{2,3})?([A-Z])\d?)?$/.exec(
      code,
    );
  if (metric) {
    const [width, aspect, rim] = [
      Number(metric[1]),
      metric[2] === undefined ? null : Number(metric[2]),
      Number(metric[3]),
    ];
    if (width < 50 || width > 400)
      return { ok: false, reason: `A tyre ${width} mm wide does not exist on a road vehicle: 50 to 400.` };
    if (aspect !== null && (aspect < 25 || aspect > 100))
      return { ok: false, reason: `A side wall of ${aspect} % does not exist: 25 to 100.` };
    if (rim < 8 || rim > 24) return { ok: false, reason: `A rim of ${rim} inches does not exist on a car: 8 to 24.` };
    return made(width / 1000, (aspect ?? 100 * PLAIN_ASPECT) / 100, rim * INCH, serviceOf(metric[4], metric[5]));
  }
  const inches = /^(\d{1,2}\.\d{1,2})\s*(?:-|R|X)\s*(\d{1,2}(?:\.\d)?)(?:\s+(\d{2,3})([A-Z]))?$/.exec(code);
  if (inches) {
    const [width, rim] = [Number(inches[1]), Number(inches[2])];
    if (width < 3 || width > 15)
      return { ok: false, reason: `A tyre ${width} inches wide does not exist on a car: 3 to 15.` };
    if (rim < 8 || rim > 40) return { ok: false, reason: `A rim of ${rim} inches does not exist: 8 to 40.` };
    return made(width * INCH, CROSS_PLY_ASPECT, rim * INCH, serviceOf(inches[3], inches[4]));
  }
  return { ok: false, reason: 'That is no tyre code: write it as on the side wall, such as 185/80R14 or 6.00-16.' };
}
