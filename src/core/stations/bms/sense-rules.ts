import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { resistance20FromArea } from '../../physics/conductor';
import type { Vehicle } from '../../vehicle';
import { volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf, electronic, groupsOf, lithiumIn } from './shared';

const applies = (vehicle: Vehicle): boolean => lithiumIn(vehicle) && electronic(vehicle);
const SENSE_REF = { ...CELLS_REF, id: 'bms-sense', name: 'Sense wires' };
const KEPT_REF = { ...CELLS_REF, id: 'bms-kept', name: 'Electronics from another vehicle' };

/** A cell that is bled may read so much lower (engineering judgement: half of what cells may stand apart at rest). */
const READS_LOW_V = 0.01;

const drop = defineRule({
  id: 'bms.sense-drop',
  endangers: 'parts',
  says: {
    fails: 'A cell that is bled reads too low',
    holds: 'A cell that is bled reads right',
    line: '{detail}',
    open: 'Reading of a cell that is bled',
  },
  sources: [
    'The shunt’s current falls along both sense wires of its cell (Ohm; copper at 20 °C): the cell reads low and is stopped too late',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!applies(vehicle)) return [];
    const { balanceA, senseM, senseMm2, pausesBleeding } = vehicle.build.bms ?? {};
    if (pausesBleeding === true)
      return [{ subject: SENSE_REF, holds: true, figures: { detail: 'told that it pauses bleeding while it reads' } }];
    if (balanceA === undefined) return [];
    if (senseM === undefined || senseMm2 === undefined)
      return [
        {
          subject: SENSE_REF,
          missing: [
            {
              ref: SENSE_REF,
              what: 'length and cross-section of the longest sense wire, or that it pauses bleeding while it reads',
            },
          ],
        },
      ];
    const ohm = 2 * senseM * resistance20FromArea(senseMm2, 'copper');
    const v = ohm * balanceA;
    return [
      {
        subject: SENSE_REF,
        margin: marginAtMost(v, READS_LOW_V),
        figures: { detail: `${q(v, 'voltage')} low, at most ${q(READS_LOW_V, 'voltage')}` },
        assumed: pausesBleeding === undefined ? ['It reads while it bleeds.'] : [],
        lines: () => [
          {
            formula: '2 · l · R′ · I_shunt',
            figures: `2 · ${q(senseM, 'length')} of ${q(senseMm2, 'area')}, ${q(balanceA, 'current')}`,
            result: volts(v),
          },
        ],
      },
    ];
  },
  remedies: 'Thicker or shorter sense wires, a smaller shunt current, or electronics that pauses bleeding to read.',
});

const keptCells = defineRule({
  id: 'bms.kept-cells',
  endangers: 'parts',
  says: {
    fails: 'Electronics from another vehicle looks for other cells',
    holds: 'Electronics from another vehicle finds its cells',
    line: '{detail}',
    open: 'Electronics from another vehicle',
  },
  sources: ['It takes an input without a cell for a broken wire and stops; a cell without an input nobody sees'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!applies(vehicle)) return [];
    const { kept, keptCells: looks } = vehicle.build.bms ?? {};
    const ask = (what: string): Finding<'detail'>[] => [{ subject: KEPT_REF, missing: [{ ref: KEPT_REF, what }] }];
    if (kept === undefined) return ask('whether the electronics comes from another vehicle');
    if (!kept)
      return [{ subject: KEPT_REF, holds: true, figures: { detail: 'told that it was made for these cells' } }];
    if (looks === undefined) return ask('how many cells in a row it looks for');
    const there = groupsOf(vehicle);
    return [
      {
        subject: KEPT_REF,
        holds: looks === there,
        figures: { detail: `it looks for ${looks}, there are ${there}` },
      },
    ];
  },
  remedies:
    'As many cells in a row as it was made for, its configuration changed, or other electronics: never resistors in place of cells.',
});

/** Capacity that is told may differ by so much from what is there (engineering judgement). */
const CAPACITY_OFF = 0.1;

const keptCapacity = defineRule({
  id: 'bms.kept-capacity',
  endangers: 'parts',
  says: {
    fails: 'Electronics from another vehicle counts with another capacity',
    holds: 'Electronics from another vehicle counts with the right capacity',
    line: '{demand}, there are {limit}',
    open: 'Capacity that it counts with',
  },
  comfort: 0,
  sources: ['State of charge is counted charge over capacity: a wrong capacity shows half full what is empty'],
  judge: ({ vehicle }): Finding[] => {
    const { kept, keptAh } = vehicle.build.bms ?? {};
    if (!applies(vehicle) || kept !== true) return [];
    const [cell] = cellsOf(vehicle);
    const box = vehicle.devices.find(({ device, part }) => device.kind === 'box' && part === cell);
    if (!cell || !box) return [];
    if (keptAh === undefined)
      return [{ subject: KEPT_REF, missing: [{ ref: KEPT_REF, what: 'the capacity it counts with' }] }];
    const there = cell.capacityAh * (box.device.cellsInParallel ?? 1);
    return [
      {
        subject: KEPT_REF,
        demand: { value: keptAh, dimension: 'charge' },
        limit: { value: there, dimension: 'charge' },
        margin: (CAPACITY_OFF - Math.abs(keptAh / there - 1)) / CAPACITY_OFF,
        lines: () => [
          {
            formula: '|C_told / C − 1| ≤ 10 %',
            figures: `${q(keptAh, 'charge')} / ${q(there, 'charge')}`,
            result: { value: Math.abs(keptAh / there - 1), dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: 'Tell it the capacity of these cells, or show the driver a gauge of your own.',
});

export const SENSE_RULES: readonly Rule[] = [drop, keptCells, keptCapacity];
