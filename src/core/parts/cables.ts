import { type ConductorClass, outerDiameterMm, ROAD_VEHICLE_SIZES, resistance20OfClass } from '../physics/cable-sizes';
import { METALS, type Metal, strandedDiameterMm } from '../physics/conductor';
import { awgAreaMm2, formatGauge } from '../quantities/awg';
import type { CablePart } from './types';

/** Density of insulation and sheath, kg/m³ (generic). */
const SHEATH_KG_PER_M3 = 1300;
/** Braid of a shielded cable, kg/m (generic). */
const BRAID_KG_PER_M = 0.05;

interface Make {
  readonly id: string;
  readonly name: string;
  readonly areaMm2: number;
  readonly conductorClass: ConductorClass;
  readonly wall: 'thin' | 'thick' | 'shielded';
  readonly insulation: CablePart['insulation'];
  readonly temperatureClassC: number;
  readonly ratedVoltageV: number;
  readonly metal?: Metal;
}

/** Resistance from its class's table; diameters of the road-vehicle walls. */
function cable({
  id,
  name,
  areaMm2,
  conductorClass,
  wall,
  insulation,
  temperatureClassC,
  ratedVoltageV,
  metal = 'copper',
}: Make): CablePart {
  const outer = outerDiameterMm(areaMm2, wall);
  const conductorDiameterMm = strandedDiameterMm(areaMm2);
  const sheathM2 = ((Math.PI / 4) * (outer ** 2 - conductorDiameterMm ** 2)) / 1e6;
  const shielded = wall === 'shielded';
  return {
    id,
    kind: 'cable',
    name,
    provenance: 'generic',
    areaMm2,
    metal,
    ...(conductorClass === 'iso19642' ? {} : { conductorClass }),
    resistance20OhmPerM: resistance20OfClass(conductorClass, areaMm2, metal),
    insulation,
    conductorDiameterMm,
    outerDiameterMm: outer,
    temperatureClassC,
    ratedVoltageV,
    shielded,
    massKgPerM:
      areaMm2 * 1e-6 * METALS[metal].densityKgPerM3 + sheathM2 * SHEATH_KG_PER_M3 + (shielded ? BRAID_KG_PER_M : 0),
  };
}

const word = (areaMm2: number): string => String(areaMm2).replace('.', '-');
const having = (field: 'thinMm' | 'shieldedMm', least = 0): number[] =>
  ROAD_VEHICLE_SIZES.filter((size) => size[field] !== undefined && size.areaMm2 >= least).map((size) => size.areaMm2);

/** Road-vehicle HV cable (ISO 19642 sizes), with and without shield. */
const HV_CABLES = having('shieldedMm').flatMap((areaMm2) =>
  [true, false].map((shielded) =>
    cable({
      id: `cable-${shielded ? 'shielded' : 'plain'}-${word(areaMm2)}`,
      name: `${areaMm2} mm² HV cable, 125 °C${shielded ? ', shielded' : ''}`,
      areaMm2,
      conductorClass: 'iso19642',
      wall: shielded ? 'shielded' : 'thick',
      insulation: 'xlpo',
      temperatureClassC: 125,
      ratedVoltageV: shielded ? 1000 : 600,
    }),
  ),
);

/** Thin-wall wire for the 12-volt side, 60 V (ISO 19642 sizes). */
const THIN_WALL = having('thinMm', 0.35).map((areaMm2) =>
  cable({
    id: `cable-thin-${word(areaMm2)}`,
    name: `${areaMm2} mm² thin-wall wire, 105 °C, 60 V`,
    areaMm2,
    conductorClass: 'iso19642',
    wall: 'thin',
    insulation: 'pvc',
    temperatureClassC: 105,
    ratedVoltageV: 60,
  }),
);

/** Aluminium in the same sizes: lighter, thicker for the same current; its lugs are bimetal. */
const ALUMINIUM = [25, 35, 50, 70, 95, 120].map((areaMm2) =>
  cable({
    id: `cable-aluminium-${areaMm2}`,
    name: `${areaMm2} mm² aluminium HV cable, 125 °C`,
    areaMm2,
    conductorClass: 'iso19642',
    wall: 'thick',
    insulation: 'xlpo',
    temperatureClassC: 125,
    ratedVoltageV: 600,
    metal: 'aluminium',
  }),
);

/** Thick-wall cable for the battery’s and the converter’s way, 60 V (ISO 19642 sizes). */
const BATTERY = [16, 25, 35, 50, 70, 95, 120].map((areaMm2) =>
  cable({
    id: `cable-battery-${areaMm2}`,
    name: `${areaMm2} mm² battery cable, 105 °C, 60 V`,
    areaMm2,
    conductorClass: 'iso19642',
    wall: 'thick',
    insulation: 'pvc',
    temperatureClassC: 105,
    ratedVoltageV: 60,
  }),
);

/** Flexible building and machine cable of IEC 60228 class 5, cross-linked, 90 °C. */
const CLASS_5 = [2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120].map((areaMm2) =>
  cable({
    id: `cable-class5-${word(areaMm2)}`,
    name: `${areaMm2} mm² flexible class 5 cable, 90 °C`,
    areaMm2,
    conductorClass: 'iec60228-5',
    wall: 'thick',
    insulation: 'xlpe',
    temperatureClassC: 90,
    ratedVoltageV: 1000,
  }),
);

/** American gauges 18 to 4/0, true AWG areas (ASTM B258). */
const GAUGES = [18, 16, 14, 12, 10, 8, 6, 4, 2, 1, 0, -1, -2, -3].map((gauge) => {
  const text = formatGauge(gauge);
  return cable({
    id: `cable-awg-${text.replace(' AWG', '').replace('/', '-')}`,
    name: `${text} cable, 125 °C, 600 V`,
    areaMm2: Math.round(awgAreaMm2(gauge) * 1000) / 1000,
    conductorClass: 'awg',
    wall: 'thick',
    insulation: 'xlpo',
    temperatureClassC: 125,
    ratedVoltageV: 600,
  });
});

export const CABLES: readonly CablePart[] = [
  ...HV_CABLES,
  ...ALUMINIUM,
  ...CLASS_5,
  ...GAUGES,
  ...THIN_WALL,
  ...BATTERY,
];
