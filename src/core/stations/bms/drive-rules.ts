import { type Finding, marginAtLeast, quantityText as q } from '../../checks';
import { cellExtremes } from '../../physics/cell-care';
import { driveFindings, drivesThatCount, type NamedCell, unreadCells } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf, groupsOf } from './shared';

const cellsText = (cells: readonly NamedCell[], value: (one: NamedCell) => string): string => {
  const named = cells.slice(0, 3).map((one) => `cell ${one.cell} ${value(one)}`);
  return `${named.join(', ')}${cells.length > 3 ? ` and ${cells.length - 3} more` : ''}`;
};

/** Under this nothing may be pulled, even under load, V. */
const leastOf = (vehicle: Vehicle): number | null => {
  const cells = cellsOf(vehicle);
  return cells.length === 0 ? null : Math.max(...cells.map(({ chemistry }) => cellExtremes(chemistry).leastV));
};

const lowest = defineRule({
  id: 'bms.driven-low',
  endangers: 'parts',
  says: {
    fails: 'A cell was driven too low',
    holds: 'No cell was driven too low',
    line: 'cell {cell} {demand} in “{drive}”, at least {limit}',
  },
  comfort: 0.02,
  sources: [
    'Lowest voltage since the last drive that read every cell, against what a cell of its chemistry bears (generic)',
  ],
  judge: ({ vehicle }): Finding<'cell' | 'drive'>[] => {
    const cells = groupsOf(vehicle);
    const drives = drivesThatCount(vehicle, cells, 'low');
    const limit = leastOf(vehicle);
    const found = drives
      .flatMap((drive) => {
        const { weakest } = driveFindings(drive);
        return weakest ? [{ drive, weakest }] : [];
      })
      .sort((p, q) => p.weakest.value - q.weakest.value)[0];
    if (!found || limit === null) return [];
    return [
      {
        subject: CELLS_REF,
        demand: volts(found.weakest.value),
        limit: volts(limit),
        margin: marginAtLeast(found.weakest.value, limit),
        figures: { cell: String(found.weakest.cell), drive: found.drive.name },
        assumed: unreadCells(drives, cells, 'low'),
      },
    ];
  },
  remedies:
    'Charge that cell by itself and look again; if it falls first once more it is weak: stop driving earlier until it is changed.',
});

const joints = defineRule({
  id: 'bms.joint',
  endangers: 'fire',
  says: {
    fails: 'A joint or cell resists far more than the others',
    holds: 'Cells and joints resist alike',
    line: '{detail}',
  },
  sources: [
    'Resistance from steps of the current, more than half above the median and 0.2 mΩ more: a joint is 0.05 to 0.2 mΩ (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const cells = groupsOf(vehicle);
    const drives = drivesThatCount(vehicle, cells, 'resistance');
    const ohm = (value: number) => q(value, 'resistance');
    // Two cells have no middle.
    const told = drives
      .map(driveFindings)
      .filter((one) => one.drive.cells.filter(({ resistanceOhm }) => (resistanceOhm ?? 0) > 0).length >= 3);
    const worst = told.findLast(({ joints: odd }) => odd.length > 0) ?? told.at(-1);
    if (!worst || worst.medianOhm === null || worst.highestOhm === null) return [];
    const { joints: odd, medianOhm, highestOhm, drive } = worst;
    return [
      {
        subject: CELLS_REF,
        holds: odd.length === 0,
        figures: {
          detail:
            odd.length === 0
              ? `${ohm(medianOhm)} in the middle, most cell ${highestOhm.cell} with ${ohm(highestOhm.value)}`
              : `${cellsText(odd, ({ value }) => ohm(value))}; ${ohm(medianOhm)} in the middle, in “${drive.name}”`,
        },
        assumed: unreadCells(drives, cells, 'resistance'),
      },
    ];
  },
  remedies:
    'Service disconnect out: undo the links at that cell, clean, new washers, torque as its sheet says, then read again. A clean joint that still resists is an aged cell.',
});

export const DRIVE_RULES: readonly Rule[] = [lowest, joints];
