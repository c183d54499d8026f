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

/** Maximum resistance at 20 °C in mΩ/m of road-vehicle copper cable by mm² (ISO 19642 / ISO 6722-1 sizes, as known; verify before quoting). */
export const ROAD_VEHICLE_MOHM_PER_M: Readonly<Record<string, number>> = {
  '0.22': 84.4,
  '0.35': 54.4,
  '0.5': 37.1,
  '0.75': 24.7,
  '1': 18.5,
  '1.25': 14.9,
  '1.5': 12.7,
  '2': 9.42,
  '2.5': 7.6,
  '3': 6.15,
  '4': 4.71,
  '5': 3.94,
  '6': 3.14,
  '8': 2.38,
  '10': 1.82,
  '12': 1.52,
  '16': 1.16,
  '20': 0.955,
  '25': 0.743,
  '30': 0.647,
  '35': 0.527,
  '40': 0.473,
  '50': 0.368,
  '60': 0.315,
  '70': 0.259,
  '95': 0.196,
  '120': 0.153,
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
