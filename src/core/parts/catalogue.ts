import { CABLES } from './cables';
import { CONTACTORS } from './contactors';
import { FUSES } from './fuses';
import type {
  BusDevicePart,
  CellPart,
  DisconnectPart,
  InverterPart,
  MotorPart,
  Part,
  PartKind,
  PartOf,
  ResistorPart,
  SensorPart,
} from './types';

/** Generic parts by specification. Values are generic (G) unless said; a user's data sheet wins. */
const generic = { provenance: 'generic' } as const;

const cell = (id: string, name: string, more: Omit<CellPart, 'id' | 'name' | 'kind' | 'provenance'>): CellPart => ({
  id,
  name,
  kind: 'cell',
  ...generic,
  ...more,
});

const CELLS: readonly CellPart[] = [
  cell('cell-nmc-module-176', 'Salvaged NMC module cell, 176 Ah', {
    chemistry: 'nmc',
    nominalV: 3.65,
    fullV: 4.2,
    emptyV: 3,
    capacityAh: 176,
    resistanceOhm: 0.00052,
    linkResistanceOhm: 0.00008,
    massKg: 3.1,
  }),
  cell('cell-nmc-module-66', 'Salvaged NMC module cell, 66 Ah', {
    chemistry: 'nmc',
    nominalV: 3.7,
    fullV: 4.15,
    emptyV: 3.1,
    capacityAh: 66,
    resistanceOhm: 0.0011,
    linkResistanceOhm: 0.0001,
    massKg: 1.6,
  }),
  ...[100, 160, 180, 230, 280].map((ah) =>
    cell(`cell-lfp-${ah}`, `LFP prismatic cell, ${ah} Ah`, {
      chemistry: 'lfp',
      nominalV: 3.2,
      fullV: 3.65,
      emptyV: 2.8,
      capacityAh: ah,
      resistanceOhm: 0.1 / ah,
      linkResistanceOhm: 0.0001,
      massKg: 0.0195 * ah,
    }),
  ),
  cell('cell-lfp-180-gentle', 'LFP prismatic cell, 180 Ah, charged to 3.55 V', {
    chemistry: 'lfp',
    nominalV: 3.2,
    fullV: 3.55,
    emptyV: 2.8,
    capacityAh: 180,
    resistanceOhm: 0.1 / 180,
    linkResistanceOhm: 0.0001,
    massKg: 0.0195 * 180,
  }),
  cell('cell-lto-40', 'LTO cell, 40 Ah', {
    chemistry: 'lto',
    nominalV: 2.3,
    fullV: 2.75,
    emptyV: 1.8,
    capacityAh: 40,
    resistanceOhm: 0.0015,
    linkResistanceOhm: 0.0001,
    massKg: 1.25,
  }),
  cell('cell-lead-220', 'Flooded lead cell, 220 Ah', {
    chemistry: 'lead-flooded',
    nominalV: 2,
    fullV: 2.45,
    emptyV: 1.75,
    capacityAh: 220,
    resistanceOhm: 0.0004,
    linkResistanceOhm: 0.0001,
    massKg: 10.2,
  }),
];

/** Wire-wound resistors: pulse energy 15 J per rated watt (generic: 10–25). */
const RESISTORS: readonly ResistorPart[] = [15, 22, 33, 47, 68, 100, 150, 220].flatMap((ohm) =>
  [25, 50, 100, 200].map(
    (watt): ResistorPart => ({
      id: `resistor-${ohm}-${watt}`,
      kind: 'resistor',
      name: `${ohm} Ω ${watt} W wire-wound resistor`,
      ...generic,
      resistanceOhm: ohm,
      ratedPowerW: watt,
      pulseEnergyJ: 15 * watt,
      ratedVoltageV: watt >= 50 ? 1000 : 500,
    }),
  ),
);

const DISCONNECTS: readonly DisconnectPart[] = [
  {
    id: 'disconnect-500-250',
    kind: 'disconnect',
    name: 'Service disconnect, 250 A, 500 V DC, no load',
    ...generic,
    ratedVoltageV: 500,
    ratedCurrentA: 250,
    contactResistanceOhm: 0.0001,
    breaksLoad: false,
  },
  {
    id: 'disconnect-150-250',
    kind: 'disconnect',
    name: 'Hand switch, 250 A, 150 V DC, breaks load',
    ...generic,
    ratedVoltageV: 150,
    ratedCurrentA: 250,
    contactResistanceOhm: 0.0001,
    breaksLoad: true,
  },
];

const INVERTERS: readonly InverterPart[] = [
  {
    id: 'inverter-400-300',
    kind: 'inverter',
    name: 'Inverter, 400 V class, 300 A battery',
    ...generic,
    cooling: 'liquid',
    window: { workingMinV: 250, workingMaxV: 400, absoluteMaxV: 430 },
    linkCapacitanceF: 0.0011,
    maxBatteryCurrentA: 300,
    maxMotorCurrentA: 400,
    bleedResistanceOhm: 22000,
    activeDischargeOhm: 800,
  },
  {
    id: 'inverter-144-400',
    kind: 'inverter',
    name: 'Inverter, 144 V class, 400 A battery',
    ...generic,
    cooling: 'air',
    window: { workingMinV: 80, workingMaxV: 180, absoluteMaxV: 190 },
    linkCapacitanceF: 0.004,
    maxBatteryCurrentA: 400,
    maxMotorCurrentA: 500,
    bleedResistanceOhm: 4700,
    activeDischargeOhm: 220,
  },
  {
    id: 'inverter-96-450',
    kind: 'inverter',
    name: 'Inverter, 96 V class, 450 A battery',
    ...generic,
    cooling: 'air',
    window: { workingMinV: 48, workingMaxV: 116, absoluteMaxV: 130 },
    linkCapacitanceF: 0.006,
    maxBatteryCurrentA: 450,
    maxMotorCurrentA: 550,
    bleedResistanceOhm: 2200,
  },
  {
    id: 'chopper-96-450',
    kind: 'inverter',
    name: 'DC motor controller, 96 V class, 450 A',
    ...generic,
    cooling: 'air',
    window: { workingMinV: 48, workingMaxV: 116, absoluteMaxV: 130 },
    linkCapacitanceF: 0.008,
    maxBatteryCurrentA: 450,
    maxMotorCurrentA: 450,
    bleedResistanceOhm: 2200,
  },
];

const bus = (
  id: string,
  name: string,
  window: readonly [number, number, number],
  linkCapacitanceF: number,
  ratedPowerW: number,
  turn: readonly [number, number] | null = null,
  chargePowerW?: number,
): BusDevicePart => ({
  id,
  name,
  kind: 'bus-device',
  ...generic,
  linkCapacitanceF,
  ratedPowerW,
  window: { workingMinV: window[0], workingMaxV: window[1], absoluteMaxV: window[2] },
  turnOnV: turn?.[0] ?? null,
  turnOffV: turn?.[1] ?? null,
  // Of the class for vehicles with a coolant loop; the smaller ones have fins and a fan.
  cooling: window[2] > 400 ? 'liquid' : 'air',
  ...(chargePowerW === undefined ? {} : { chargePowerW }),
});
const BUS_DEVICES: readonly BusDevicePart[] = [
  bus(
    'charger-converter-400',
    'Combined 6.6 kW charger and 2 kW converter, 400 V class',
    [240, 430, 450],
    0.00022,
    2000,
    null,
    6600,
  ),
  bus('charger-400-6600', 'Charger, 6.6 kW, 400 V class', [240, 430, 450], 0.00015, 0, null, 6600),
  bus('converter-400-1500', 'Converter, 1.5 kW, 400 V class', [220, 430, 450], 0.0001, 1500),
  bus('converter-144-1000', 'Converter, 1 kW, 144 V class', [60, 170, 180], 0.00047, 1000),
  bus('charger-144-1500', 'On-board charger, 1.5 kW, 144 V class', [80, 165, 180], 0.0002, 0, null, 1500),
  // A diode at its output: no capacitor that its plug could meet.
  bus(
    'charger-144-3000',
    'Charger to stand outside, 3 kW, 144 V class, diode at its output',
    [80, 165, 180],
    0,
    0,
    null,
    3000,
  ),
  bus('converter-96-500', 'Converter, 500 W, 96 V class', [48, 120, 130], 0.0004, 500),
  bus('charger-96-2000', 'Charger, 2 kW, for 42 lead cells', [60, 115, 130], 0.0002, 0, null, 2000),
  bus('heater-400-5000', 'Coolant heater, 5 kW, 400 V class', [250, 400, 430], 0.00001, 5000),
  bus('heater-400-5000-awake', 'Coolant heater, 5 kW, wakes by itself', [250, 400, 430], 0.00001, 5000, [200, 180]),
  bus('heater-144-2000', 'Air heater, 2 kW, 144 V class', [60, 170, 180], 0, 2000),
  // Plain elements out of other heaters: what they give goes with the square of the voltage.
  { ...bus('element-350-3000', 'Heating element, 3 kW at 350 V', [60, 400, 430], 0, 3600), resistanceAtV: 350 },
  { ...bus('element-130-2000', 'Heating element, 2 kW at 130 V', [60, 155, 180], 0, 2900), resistanceAtV: 130 },
  bus('compressor-400-2500', 'Compressor, 2.5 kW, 400 V class', [230, 410, 430], 0.00006, 2500),
];

const SENSORS: readonly SensorPart[] = [
  {
    id: 'shunt-500',
    kind: 'sensor',
    name: 'Shunt, 500 A, 50 mV',
    ...generic,
    resistanceOhm: 0.0001,
    ratedCurrentA: 500,
  },
];

const motor = (id: string, name: string, more: Omit<MotorPart, 'id' | 'name' | 'kind' | 'provenance'>): MotorPart => ({
  id,
  name,
  kind: 'motor',
  ...generic,
  ...more,
});
/** Typical figures of salvaged, industrial and fork-truck machines (generic). */
const MOTORS: readonly MotorPart[] = [
  motor('motor-pm-80', 'Permanent-magnet motor, 80 kW, liquid-cooled', {
    cooling: 'liquid',
    motorKind: 'permanent-magnet',
    peakTorqueNm: 250,
    peakPowerW: 80000,
    continuousPowerW: 45000,
    baseSpeedRpm: 3000,
    baseLinkV: 330,
    maximumSpeedRpm: 10000,
    backVoltagePerKrpmV: 46,
    massKg: 58,
  }),
  motor('motor-pm-110', 'Permanent-magnet motor, 110 kW, liquid-cooled', {
    cooling: 'liquid',
    motorKind: 'permanent-magnet',
    peakTorqueNm: 290,
    peakPowerW: 110000,
    continuousPowerW: 60000,
    baseSpeedRpm: 3600,
    baseLinkV: 350,
    maximumSpeedRpm: 10500,
    backVoltagePerKrpmV: 48,
    massKg: 65,
  }),
  motor('motor-induction-25', 'Induction motor, 25 kW, 130 V class', {
    cooling: 'air',
    motorKind: 'induction',
    peakTorqueNm: 110,
    peakPowerW: 26000,
    continuousPowerW: 14000,
    baseSpeedRpm: 2200,
    baseLinkV: 120,
    maximumSpeedRpm: 6500,
    massKg: 52,
  }),
  motor('motor-induction-50', 'Induction motor, 50 kW, 130 V class', {
    cooling: 'air',
    motorKind: 'induction',
    peakTorqueNm: 170,
    peakPowerW: 50000,
    continuousPowerW: 24000,
    baseSpeedRpm: 2700,
    baseLinkV: 120,
    maximumSpeedRpm: 7000,
    massKg: 70,
  }),
  motor('motor-series-16', 'Series DC motor, 16 kW, 80 V class', {
    cooling: 'air',
    motorKind: 'series-dc',
    peakTorqueNm: 120,
    peakPowerW: 16000,
    continuousPowerW: 8000,
    baseSpeedRpm: 1300,
    baseLinkV: 80,
    maximumSpeedRpm: 4500,
    massKg: 66,
  }),
];

export const CATALOGUE: readonly Part[] = [
  ...CELLS,
  ...CABLES,
  ...FUSES,
  ...CONTACTORS,
  ...RESISTORS,
  ...DISCONNECTS,
  ...INVERTERS,
  ...BUS_DEVICES,
  ...SENSORS,
  ...MOTORS,
];

const byId = new Map(CATALOGUE.map((part) => [part.id, part]));

/** A catalogue part by id; throws when there is none (a programming mistake). */
export function cataloguePart<K extends PartKind>(id: string, kind: K): PartOf<K> {
  const part = byId.get(id);
  if (!part || part.kind !== kind) throw new Error(`the catalogue has no ${kind} "${id}"`);
  return part as PartOf<K>;
}

export const findCataloguePart = (id: string): Part | undefined => byId.get(id);
export const catalogueOf = <K extends PartKind>(kind: K): readonly PartOf<K>[] =>
  CATALOGUE.filter((part): part is PartOf<K> => part.kind === kind);
