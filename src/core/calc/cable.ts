import { quantityText as q, type WorkingLine } from '../checks';
import {
  ampacity,
  type CableBuild,
  type CablePlace,
  INSULATION_W_PER_MK,
  type Insulation,
  placeFactor,
  steadyTemperature,
} from '../physics/cable';
import {
  type ConductorClass,
  outerDiameterMm,
  resistance20OfClass,
  type Wall,
  wallRange,
} from '../physics/cable-sizes';
import { METALS, type Metal, resistanceAt, strandedDiameterMm } from '../physics/conductor';
import { awgAreaMm2, LARGEST_GAUGE, parseGauge } from '../quantities/awg';
import { LawRefused } from './refused';

export interface CableInput {
  readonly areaMm2?: number | null;
  readonly awg?: number | string | null;
  readonly material?: Metal | null;
  readonly conductorClass?: ConductorClass | null;
  readonly resistance20OhmPerM?: number | null;
  readonly insulation?: Insulation | null;
  readonly wall?: Wall | null;
  readonly conductorDiameterMm?: number | null;
  readonly layers?: readonly { readonly outerDiameterMm: number; readonly conductivityWPerMK: number }[] | null;
  readonly arrangement?: CablePlace['arrangement'] | null;
  readonly loadedCircuits?: number | null;
  readonly conduit?: boolean | null;
  readonly ambientC: number;
  readonly airSpeedMPerS?: number | null;
  readonly airPressurePa?: number | null;
  readonly emissivity?: number | null;
  readonly maxConductorTemperatureC: number;
  readonly currentA?: number | null;
  readonly lengthM?: number | null;
}

/** Density of insulation and sheath, kg/m³ (generic). */
const SHEATH_KG_PER_M3 = 1300;

export interface ResolvedCable {
  readonly build: CableBuild;
  readonly place: CablePlace;
  /** Null when only resistance and geometry were given. */
  readonly areaMm2: number | null;
  /** In words: where resistance and geometry come from. */
  readonly from: string;
}

function areaOf(input: CableInput): number | null {
  if (input.areaMm2 != null) return input.areaMm2;
  if (input.awg == null) return null;
  const gauge = typeof input.awg === 'number' ? input.awg : parseGauge(input.awg);
  if (gauge === undefined || !Number.isInteger(gauge) || gauge < LARGEST_GAUGE || gauge > 40)
    throw new LawRefused(
      'awg',
      'is no wire gauge.',
      'Write 40 … 1, 0 for 1/0, −1 for 2/0, −2 for 3/0, −3 for 4/0, or "2/0".',
    );
  return awgAreaMm2(gauge);
}

function geometryOf(input: CableInput, areaMm2: number | null): Pick<CableBuild, 'conductorDiameterMm' | 'layers'> {
  const conductorDiameterMm = input.conductorDiameterMm ?? (areaMm2 === null ? null : strandedDiameterMm(areaMm2));
  if (conductorDiameterMm === null)
    throw new LawRefused('areaMm2', 'is missing.', 'Give areaMm2 or awg, or conductorDiameterMm with layers.');
  if (input.layers != null) {
    let inner = conductorDiameterMm;
    for (const [i, layer] of input.layers.entries()) {
      if (layer.outerDiameterMm <= inner)
        throw new LawRefused(
          `layers.${i}.outerDiameterMm`,
          `is not larger than what it covers, ${inner.toPrecision(4)} mm.`,
          'Write the layers from the inside out, each with its outer diameter.',
        );
      inner = layer.outerDiameterMm;
    }
    return { conductorDiameterMm, layers: input.layers };
  }
  if (areaMm2 === null)
    throw new LawRefused(
      'layers',
      'is missing.',
      'Give layers from the inside out, or a size with insulation and wall.',
    );
  const wall = input.wall ?? 'thick';
  const [least, most] = wallRange(wall);
  if (areaMm2 < least / 1.3 || areaMm2 > most * 1.3)
    throw new LawRefused(
      'wall',
      `"${wall}" is tabulated from ${least} to ${most} mm² only.`,
      'Choose another wall, or give conductorDiameterMm and layers.',
    );
  return {
    conductorDiameterMm,
    layers: [
      {
        outerDiameterMm: Math.max(outerDiameterMm(areaMm2, wall), conductorDiameterMm + 0.4),
        conductivityWPerMK: INSULATION_W_PER_MK[input.insulation ?? 'xlpo'],
      },
    ],
  };
}

/** Every default filled in, every table read. Throws LawRefused where the input leaves a hole. */
export function resolveCable(input: CableInput): ResolvedCable {
  const areaMm2 = areaOf(input);
  const metal = input.material ?? 'copper';
  const conductorClass = input.conductorClass ?? (input.awg == null ? 'iso19642' : 'awg');
  if (input.resistance20OhmPerM == null && areaMm2 === null)
    throw new LawRefused('areaMm2', 'is missing.', 'Give areaMm2 or awg, or resistance20OhmPerM itself.');
  return {
    areaMm2,
    from:
      input.resistance20OhmPerM == null
        ? `${{ iso19642: 'ISO 19642 table', 'iec60228-5': 'IEC 60228 class 5 table', awg: 'ρ/A with 2 % for stranding' }[conductorClass]}, ${metal}`
        : 'resistance as given',
    build: {
      metal,
      resistance20OhmPerM: input.resistance20OhmPerM ?? resistance20OfClass(conductorClass, areaMm2!, metal),
      ...geometryOf(input, areaMm2),
    },
    place: {
      arrangement: input.arrangement ?? 'single',
      loadedCircuits: input.loadedCircuits ?? 1,
      conduit: input.conduit ?? false,
      ambientC: input.ambientC,
      airSpeedMPerS: input.airSpeedMPerS ?? 0,
      airPressurePa: input.airPressurePa ?? 101325,
      emissivity: input.emissivity ?? 0.9,
    },
  };
}

function masses({ build, areaMm2 }: ResolvedCable): {
  massKgPerM: number | null;
  massWithInsulationKgPerM: number | null;
} {
  if (areaMm2 === null) return { massKgPerM: null, massWithInsulationKgPerM: null };
  const massKgPerM = areaMm2 * 1e-6 * METALS[build.metal].densityKgPerM3;
  const outer = build.layers.at(-1)?.outerDiameterMm ?? build.conductorDiameterMm;
  const sheath = ((Math.PI / 4) * (outer ** 2 - build.conductorDiameterMm ** 2) * SHEATH_KG_PER_M3) / 1e6;
  return { massKgPerM, massWithInsulationKgPerM: massKgPerM + sheath };
}

/** Steady temperature, ampacity, drop and loss of one conductor in its place. */
export function calcCable(input: CableInput): { result: unknown; working: readonly WorkingLine[] } {
  const resolved = resolveCable(input);
  const { build, place } = resolved;
  const limitC = input.maxConductorTemperatureC;
  const carries = ampacity(build, place, limitC);
  const currentA = input.currentA ?? null;
  const settled = currentA === null ? null : steadyTemperature(build, place, Math.abs(currentA));
  const hotC = settled === null ? limitC : settled.conductorTemperatureC;
  const resistanceHotOhmPerM = hotC === null ? null : resistanceAt(build.resistance20OhmPerM, hotC, build.metal);
  const loadedOhm =
    input.lengthM == null || resistanceHotOhmPerM === null || currentA === null
      ? null
      : resistanceHotOhmPerM * input.lengthM;
  return {
    result: {
      ampacityA: carries,
      conductorTemperatureC: settled?.conductorTemperatureC ?? null,
      ...(settled === null ? {} : { steady: settled.steady }),
      surfaceTemperatureC: settled?.surfaceTemperatureC ?? null,
      heatWPerM: settled?.heatWPerM ?? null,
      resistance20OhmPerM: build.resistance20OhmPerM,
      resistanceHotOhmPerM,
      dropV: loadedOhm === null ? null : Math.abs(currentA!) * loadedOhm,
      lossW: loadedOhm === null ? null : currentA! ** 2 * loadedOhm,
      ...masses(resolved),
      areaMm2: resolved.areaMm2,
      conductorDiameterMm: build.conductorDiameterMm,
      outerDiameterMm: build.layers.at(-1)?.outerDiameterMm ?? build.conductorDiameterMm,
      placeFactor: placeFactor(place),
    },
    working: [
      {
        formula: 'I²·R20·(1 + α(T_c − 20)) = (T_c − T_s)/T_int = q_conv + q_rad',
        figures: `R20 = ${q(build.resistance20OhmPerM, 'resistancePerLength')} (${resolved.from}), ∅ ${q(build.conductorDiameterMm / 1000, 'length')} inside ${q((build.layers.at(-1)?.outerDiameterMm ?? build.conductorDiameterMm) / 1000, 'length')}, ambient ${q(place.ambientC, 'temperature')}, T_c = ${q(limitC, 'temperature')}`,
        result: { value: carries, dimension: 'current' },
        note: `${place.arrangement === 'single' ? 'Single cable' : 'Touching pair'}; factor of bundle and conduit ${placeFactor(place).toPrecision(3)}. Churchill–Chu, Churchill–Bernstein, radiation.`,
      },
      ...(settled === null
        ? []
        : [
            {
              formula: 'the same balance solved for T_c',
              figures: `I = ${q(currentA!, 'current')}`,
              ...(settled.conductorTemperatureC === null
                ? { note: 'No balance below melting: it heats without end.' }
                : { result: { value: settled.conductorTemperatureC, dimension: 'temperature' as const } }),
            },
          ]),
      ...(loadedOhm === null
        ? []
        : [
            {
              formula: 'ΔV = I · R(T_c) · l, one way',
              figures: `${q(Math.abs(currentA!), 'current')} · ${q(resistanceHotOhmPerM!, 'resistancePerLength')} · ${q(input.lengthM!, 'length')}`,
              result: { value: Math.abs(currentA!) * loadedOhm, dimension: 'voltage' as const },
            },
          ]),
    ],
  };
}
