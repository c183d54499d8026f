import { type CableInput, resolveCable } from '@/core/calc';
import type { CablePart } from '@/core/parts';
import { METALS } from '@/core/physics/conductor';
import type { SumValues } from './sum-types';

/** Insulation of that wall, V (generic): shielded HV cable 1000, thick wall 600, thin wall 60. */
const WALL_VOLTS = { shielded: 1000, thick: 600, thin: 60 } as const;

/** The cable of a sum as a part of one's own. Throws LawRefused where the sum does. */
export function cableOfSum(values: SumValues, id: string): CablePart {
  const input = values as unknown as CableInput;
  const { build, areaMm2 } = resolveCable(input);
  const wall = input.wall ?? 'thick';
  const size = Number((areaMm2 ?? 0).toPrecision(4));
  return {
    id,
    kind: 'cable',
    name: `${size} mm² ${build.metal}, ${input.maxConductorTemperatureC} °C, ${wall}, from a quick sum`,
    provenance: 'own',
    areaMm2: size,
    metal: build.metal,
    resistance20OhmPerM: build.resistance20OhmPerM,
    insulation: input.insulation ?? 'xlpo',
    conductorDiameterMm: build.conductorDiameterMm,
    outerDiameterMm: build.layers.at(-1)!.outerDiameterMm,
    temperatureClassC: input.maxConductorTemperatureC,
    ratedVoltageV: WALL_VOLTS[wall],
    shielded: wall === 'shielded',
    massKgPerM: size * 1e-6 * METALS[build.metal].densityKgPerM3,
  };
}
