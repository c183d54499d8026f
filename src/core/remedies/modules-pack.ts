import type { Build, Edit, SalvagedModule } from '../build';
import type { CellPart } from '../parts';
import type { Match } from '../simulate';

export interface ModulesPack {
  readonly edit: Edit;
  readonly cellsInSeries: number;
  readonly capacityAh: number;
  /** Of the whole string, new connections not counted, Ω. */
  readonly resistanceOhm: number;
}

/**
 * The matched groups as the pack: the weakest group sets the capacity, the sum of the resistances the sag. Voltages, limits and mass of a cell
 * stay those of the cell that is fitted, and are marked as that. Null: no box holds cells to go
 * by, the groups don’t go round, or at rest they read what no such cell reads.
 */
export function modulesPack(
  build: Build,
  modules: readonly SalvagedModule[],
  match: Match,
  seed: string,
): ModulesPack | null {
  const boxes = Object.values(build.circuits.hv.devices).filter(({ kind }) => kind === 'box');
  const fitted = boxes.map(({ partId }) => (partId === null ? undefined : build.parts[partId]));
  const cell = fitted.find((part): part is CellPart => part?.kind === 'cell');
  if (!cell || match.groups.length < boxes.length) return null;
  const used = new Set(match.groups.flatMap(({ ids }) => ids));
  const meanV =
    modules.reduce((sum, { id, voltageV }) => sum + (used.has(id) ? voltageV : 0), 0) / Math.max(1, used.size);
  const perModule = Math.max(1, Math.round(meanV / cell.nominalV));
  // Modules of another chemistry are no cells of this one.
  const cellV = meanV / perModule;
  if (cellV < cell.emptyV || cellV > cell.fullV) return null;
  const cellsInSeries = match.groups.length * perModule;
  const resistanceOhm = match.groups.reduce((sum, group) => sum + group.resistanceOhm, 0);
  const { maxDischargeA: _, peakDischargeA: _p, maxChargeA: _c, peakChargeA: _q, ...like } = cell;
  const part: CellPart = {
    ...like,
    id: `own-${seed}`,
    name: `Matched modules, ${match.weakestAh.toFixed(0)} Ah`,
    provenance: 'measured',
    capacityAh: match.weakestAh,
    resistanceOhm: resistanceOhm / cellsInSeries,
    // Cells of one kind weigh by what they hold.
    massKg: (cell.massKg * match.weakestAh) / cell.capacityAh,
    origins: {
      capacityAh: 'measured',
      resistanceOhm: 'measured',
      chemistry: 'generic',
      linkResistanceOhm: 'generic',
      nominalV: 'generic',
      fullV: 'generic',
      emptyV: 'generic',
      massKg: 'guess',
    },
  };
  return {
    cellsInSeries,
    capacityAh: match.weakestAh,
    resistanceOhm,
    edit: { edit: 'takeModules', input: { part, boxes: shared(boxes, match.groups.length, perModule) } },
  };
}

/** Whole modules to each box, as they were shared before; the last one takes what is left. */
function shared(
  boxes: readonly { readonly id: string; readonly cellsInSeries?: number }[],
  groups: number,
  perModule: number,
): readonly { readonly deviceId: string; readonly cellsInSeries: number }[] {
  const before = boxes.map(({ cellsInSeries = 1 }) => cellsInSeries);
  const all = before.reduce((sum, count) => sum + count, 0);
  let left = groups;
  return boxes.map(({ id }, k) => {
    const rest = boxes.length - 1 - k;
    const take = rest === 0 ? left : Math.max(1, Math.min(left - rest, Math.round((groups * before[k]!) / all)));
    left -= take;
    return { deviceId: id, cellsInSeries: take * perModule };
  });
}
