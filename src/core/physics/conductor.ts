/** Metals of conductors. Textbook values at 20 °C: resistivity in Ωm, temperature coefficient 1/K, J/m³K, kg/m³, melting °C. */
export type Metal = 'copper' | 'aluminium';

export interface MetalData {
  readonly resistivity20OhmM: number;
  readonly temperatureCoefficientPerK: number;
  readonly heatCapacityJPerM3K: number;
  readonly densityKgPerM3: number;
  readonly meltingC: number;
}

export const METALS: Readonly<Record<Metal, MetalData>> = {
  copper: {
    resistivity20OhmM: 1.7241e-8,
    temperatureCoefficientPerK: 0.00393,
    heatCapacityJPerM3K: 3.45e6,
    densityKgPerM3: 8890,
    meltingC: 1084,
  },
  aluminium: {
    resistivity20OhmM: 2.8264e-8,
    temperatureCoefficientPerK: 0.00403,
    heatCapacityJPerM3K: 2.5e6,
    densityKgPerM3: 2703,
    meltingC: 660,
  },
};

/** Resistance per metre at 20 °C from the metal and the area (mm²), Ω/m; stranding adds 2 %. */
export function resistance20FromArea(areaMm2: number, metal: Metal): number {
  return (1.02 * METALS[metal].resistivity20OhmM) / (areaMm2 * 1e-6);
}

/** R(T) = R20·(1 + α·(T − 20)); ohms (or Ω/m) and °C. */
export function resistanceAt(resistance20: number, temperatureC: number, metal: Metal): number {
  return resistance20 * (1 + METALS[metal].temperatureCoefficientPerK * (temperatureC - 20));
}

/** Outer diameter of the stranded conductor, mm: √(4S/(π·fill)), fill 0.70 up to 6 mm², 0.62 above (generic). */
export function strandedDiameterMm(areaMm2: number): number {
  return Math.sqrt((4 * areaMm2) / (Math.PI * (areaMm2 <= 6 ? 0.7 : 0.62)));
}
