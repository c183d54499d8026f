import { type Finding, marginAtLeast, quantityText as q } from '../../checks';
import { cellExtremes } from '../../physics/cell-care';
import { driveFindings, latestDrive, type NamedCell } from '../../simulate';
import type { Vehicle } from '../../vehicle';
import { volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CELLS_REF, cellsOf } from './shared';

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
    'Lowest voltage of the last drive that was logged or read, against what a cell of its chemistry bears (generic)',
  ],
  judge: ({ vehicle }): Finding<'cell' | 'drive'>[] => {
    const drive = latestDrive(vehicle);
    const limit = leastOf(vehicle);
    const weakest = drive ? driveFindings(drive).weakest : null;
    if (!drive || !weakest || limit === null) return [];
    return [
      {
        subject: CELLS_REF,
        demand: volts(weakest.value),
        limit: volts(limit),
        margin: marginAtLeast(weakest.value, limit),
        figures: { cell: String(weakest.cell), drive: drive.name },
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
    const drive = latestDrive(vehicle);
    if (!drive) return [];
    const found = driveFindings(drive);
    const { medianOhm, highestOhm } = found;
    if (medianOhm === null || highestOhm === null) return [];
    const ohm = (value: number) => q(value, 'resistance');
    return [
      {
        subject: CELLS_REF,
        holds: found.joints.length === 0,
        figures: {
          detail:
            found.joints.length === 0
              ? `${ohm(medianOhm)} in the middle, most cell ${highestOhm.cell} with ${ohm(highestOhm.value)}`
              : `${cellsText(found.joints, ({ value }) => ohm(value))}; ${ohm(medianOhm)} in the middle`,
        },
      },
    ];
  },
  remedies:
    'Service disconnect out: undo the links at that cell, clean, new washers, torque as its sheet says, then read again. A clean joint that still resists is an aged cell.',
});

export const DRIVE_RULES: readonly Rule[] = [lowest, joints];
