import { type Finding, quantityText as q } from '../../checks';
import { airM3PerH, ventAreaMm2 } from '../../physics/lead-upkeep';
import { chargersOf, tripPack } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf } from './shared';

const leadIn = (vehicle: Vehicle): boolean => cellsOf(vehicle).some(({ chemistry }) => chemistry.startsWith('lead'));
const floodedIn = (vehicle: Vehicle): boolean => cellsOf(vehicle).some(({ chemistry }) => chemistry === 'lead-flooded');

const GAS_REF = { ...CELLS_REF, id: 'bms-gas', name: 'Gas of the cells' };
const COMPENSATION_REF = { ...CELLS_REF, id: 'bms-compensation', name: 'Charge by temperature' };

const hydrogen = defineRule({
  id: 'bms.hydrogen',
  endangers: 'fire',
  says: {
    fails: 'Gas of the charge gathers in the box',
    holds: 'Gas of the charge gets out of the box',
    line: '{limit} open, at least {demand}',
    open: 'Openings of the battery’s box',
  },
  comfort: 0,
  sources: [
    'Hydrogen under 1 % by volume: Q = 0.05 · n · I_gas · C · 10⁻³ m³/h with 20 mA/Ah, openings of 28 cm² for each m³/h without a fan (EN IEC 62485-2, from memory: verify)',
  ],
  judge: ({ vehicle }) => {
    const pack = tripPack(vehicle);
    if (!floodedIn(vehicle) || !pack || chargersOf(vehicle).length === 0) return [];
    const open = vehicle.build.bms?.ventMm2;
    if (open === undefined)
      return [
        { subject: GAS_REF, missing: [{ ref: GAS_REF, what: 'the openings of its box, inlet low and outlet high' }] },
      ];
    const capacityAh = pack.capacityC / 3600;
    const needed = ventAreaMm2(pack.cellsInSeries, capacityAh);
    return [
      {
        subject: GAS_REF,
        demand: { value: needed, dimension: 'area' },
        limit: { value: open, dimension: 'area' },
        margin: (open - needed) / needed,
        lines: () => [
          {
            formula: 'A = 28 cm² · Q, Q = 0.05 · n · I_gas · C · 10⁻³',
            figures: `${pack.cellsInSeries} cells of ${q(capacityAh, 'charge')}: ${airM3PerH(pack.cellsInSeries, capacityAh).toFixed(2)} m³/h`,
            result: { value: needed, dimension: 'area' },
          },
        ],
      },
    ];
  },
  remedies:
    'Wider openings low on one side and high on the other, or a fan that runs while it charges; no switch, relay or spark in the box.',
});

/** Sensible compensation of lead, V a kelvin and cell: 3 to 5 mV, with some slack (battery reference of the trade). */
const LEAST_PER_K = 0.002;
const MOST_PER_K = 0.006;

const compensation = defineRule({
  id: 'bms.compensation',
  endangers: 'parts',
  says: {
    fails: 'Lead is charged to the same voltage hot and cold',
    holds: 'Lead is charged lower when it is hot',
    line: '{demand} a cell for each kelvin, {range}',
    open: 'Charge of lead by temperature',
  },
  sources: [
    'Lead: 3 to 5 mV for each cell and kelvin, lower when hot, or it boils in summer and sulphates in winter (practice)',
  ],
  judge: ({ vehicle }): Finding<'range'>[] => {
    if (!leadIn(vehicle) || chargersOf(vehicle).length === 0) return [];
    const perKelvin = vehicle.build.charging?.perKelvinV;
    if (perKelvin === undefined)
      return [
        {
          subject: COMPENSATION_REF,
          missing: [{ ref: COMPENSATION_REF, what: 'by how much the charger goes lower for each kelvin' }],
        },
      ];
    return [
      {
        subject: COMPENSATION_REF,
        demand: volts(perKelvin),
        holds: perKelvin >= LEAST_PER_K && perKelvin <= MOST_PER_K,
        figures: { range: `usual are ${q(0.003, 'voltage')} to ${q(0.005, 'voltage')}` },
      },
    ];
  },
  remedies: 'A charger with a temperature probe on the cells, or another voltage set by hand in summer and in winter.',
});

export const LEAD_RULES: readonly Rule[] = [hydrogen, compensation];
