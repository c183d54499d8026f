/** Heat from a horizontal cylinder to air, per metre. Correlations: Churchill and Chu 1975 (still), Churchill and Bernstein 1977 (moving); Sutherland's law for the air. */
const STEFAN_BOLTZMANN = 5.670374419e-8;
const GRAVITY = 9.80665;
const CP = 1007;
const ZERO_C = 273.15;

export interface Surroundings {
  readonly ambientC: number;
  readonly airSpeedMPerS: number;
  readonly airPressurePa: number;
  readonly emissivity: number;
  /** Shares of free convection and radiation that the arrangement leaves (single 1; touching pair 0.80 and 0.818). */
  readonly convectionShare: number;
  readonly radiationShare: number;
}

/** Heat given off by a surface at `surfaceC` on a cylinder of `diameterM`, W/m. Surface at or above ambient. */
export function heatFromCylinder(diameterM: number, surfaceC: number, place: Surroundings): number {
  const rise = surfaceC - place.ambientC;
  if (rise <= 0) return 0;
  const film = (surfaceC + place.ambientC) / 2 + ZERO_C;
  const ratio = film / ZERO_C;
  const scaled = ratio * Math.sqrt(ratio);
  const viscosity = (1.716e-5 * scaled * 383.55) / (film + 110.4);
  const conductivity = (0.0241 * scaled * 467.15) / (film + 194);
  const density = place.airPressurePa / (287.05 * film);
  const kinematic = viscosity / density;
  const prandtl = (CP * viscosity) / conductivity;
  const rayleigh = (GRAVITY * rise * diameterM * diameterM * diameterM * prandtl) / (film * kinematic * kinematic);
  // Roots are quicker than powers, and this is asked some ten thousand times for a build: x^(1/6) = ∛√x.
  const root = 0.6 + (0.387 * Math.cbrt(Math.sqrt(rayleigh))) / (1 + (0.559 / prandtl) ** (9 / 16)) ** (8 / 27);
  const still = root * root;
  let nusselt = still;
  if (place.airSpeedMPerS > 0) {
    const reynolds = (place.airSpeedMPerS * diameterM) / kinematic;
    const moving =
      0.3 +
      ((0.62 * Math.sqrt(reynolds) * Math.cbrt(prandtl)) / Math.sqrt(Math.sqrt(1 + Math.cbrt((0.4 / prandtl) ** 2)))) *
        (1 + (reynolds / 282000) ** (5 / 8)) ** 0.8;
    nusselt = Math.cbrt(still * still * still + moving * moving * moving);
  }
  const convection = place.convectionShare * Math.PI * conductivity * nusselt * rise;
  const [surface2, ambient2] = [(surfaceC + ZERO_C) ** 2, (place.ambientC + ZERO_C) ** 2];
  const radiation =
    place.radiationShare *
    place.emissivity *
    Math.PI *
    diameterM *
    STEFAN_BOLTZMANN *
    (surface2 * surface2 - ambient2 * ambient2);
  return convection + radiation;
}

/** Air pressure at an altitude, Pa (ISO 2533 standard atmosphere, up to 11 km). */
export function airPressurePa(altitudeM: number): number {
  return 101325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
}
