/** A tyre's size as it is written on its side. */
export interface Tyre {
  readonly widthM: number;
  /** Height of the side wall over the width. */
  readonly aspect: number;
  readonly rimM: number;
  /** Loaded, rolling, m: 0.97 of the free radius (generic). */
  readonly rollingRadiusM: number;
}

const INCH = 0.0254;
const LOADED = 0.97;
/** Radial tyres without a stated aspect, and cross-ply ones (generic). */
const PLAIN_ASPECT = 0.82;
const CROSS_PLY_ASPECT = 0.95;

export type TyreAnswer = { readonly ok: true; readonly tyre: Tyre } | { readonly ok: false; readonly reason: string };

const made = (widthM: number, aspect: number, rimM: number): TyreAnswer => ({
  ok: true,
  tyre: { widthM, aspect, rimM, rollingRadiusM: LOADED * (rimM / 2 + widthM * aspect) },
});

/** Reads "185/80R14", "185/80 R14", "165 R 13" and "6.00-16". What can't be a tyre is refused with the part that is wrong. */
export function parseTyre(text: string): TyreAnswer {
  const code = text.trim().toUpperCase().replace(/,/g, '.');
  const metric =
    /^(\d{2,3})(?:\s*\/\s*(\d{2,3}))?\s*(?:Z?R|-|D|B)\s*(\d{1,2}(?:\.\d)?)\s*C?(?:\s+\d{2,3}(?:\/\d{2,3})?[A-Z]\d?)?$/.exec(
      code,
    );
  if (metric) {
    const [width, aspect, rim] = [
      Number(metric[1]),
      metric[2] === undefined ? null : Number(metric[2]),
      Number(metric[3]),
    ];
    if (width < 100 || width > 400)
      return { ok: false, reason: `A tyre ${width} mm wide does not exist on a car: 100 to 400.` };
    if (aspect !== null && (aspect < 25 || aspect > 100))
      return { ok: false, reason: `A side wall of ${aspect} % does not exist: 25 to 100.` };
    if (rim < 8 || rim > 24) return { ok: false, reason: `A rim of ${rim} inches does not exist on a car: 8 to 24.` };
    return made(width / 1000, (aspect ?? 100 * PLAIN_ASPECT) / 100, rim * INCH);
  }
  const inches = /^(\d{1,2}\.\d{1,2})\s*(?:-|R|X)\s*(\d{1,2}(?:\.\d)?)$/.exec(code);
  if (inches) {
    const [width, rim] = [Number(inches[1]), Number(inches[2])];
    if (width < 3 || width > 15)
      return { ok: false, reason: `A tyre ${width} inches wide does not exist on a car: 3 to 15.` };
    if (rim < 8 || rim > 40) return { ok: false, reason: `A rim of ${rim} inches does not exist: 8 to 40.` };
    return made(width * INCH, CROSS_PLY_ASPECT, rim * INCH);
  }
  return { ok: false, reason: 'That is no tyre code: write it as on the side wall, such as 185/80R14 or 6.00-16.' };
}
