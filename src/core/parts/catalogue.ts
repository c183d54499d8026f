import { BUS_DEVICES } from './bus-devices';
import { CABLES } from './cables';
import { CONTACTORS } from './contactors';
import { FUSES } from './fuses';
import { generic } from './generic';
import { INVERTERS } from './inverters';
import { MOTORS } from './motors';
import type { CellPart, DisconnectPart, Part, PartKind, PartOf, ResistorPart, SensorPart } from './types';

/** Generic parts by specification. Values are generic (G) unless said; a user's data sheet wins. */
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
  {
    id: 'disconnect-1000-300',
    kind: 'disconnect',
    name: 'Service disconnect, 300 A, 1,000 V DC, no load',
    ...generic,
    ratedVoltageV: 1000,
    ratedCurrentA: 300,
    contactResistanceOhm: 0.0001,
    breaksLoad: false,
  },
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
