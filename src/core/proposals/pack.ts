import type { Edit } from '../build';
import { catalogueOf } from '../parts';
import { deviceOf, type Proposer } from './proposer';

export const gentler: Proposer = (setting) =>
  [0.95, 0.9, 0.85, 0.8, 0.7, 0.6, 0.5].map(
    (share): Edit => ({
      edit: 'setFigure',
      input: {
        figure: 'hardPower',
        value: Math.round((setting.vehicle.build.duty.hardAccelerationPowerW * share) / 500) * 500,
      },
    }),
  );

export const stopEarlier: Proposer = (setting) =>
  [0.05, 0.1, 0.15].map(
    (more): Edit => ({
      edit: 'setFigure',
      input: {
        figure: 'socEmpty',
        value: Math.min(1, Math.round((setting.vehicle.build.packLimits.socEmpty + more) * 100) / 100),
      },
    }),
  );

export const widerDevice: Proposer = (setting, check) => {
  const part = deviceOf(setting, check)?.part;
  if (part?.kind === 'inverter')
    return catalogueOf('inverter')
      .filter((other) => other.id !== part.id)
      .map((other): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part: other } }));
  return [];
};

/** Fewer cells, one group at a time, in the largest box. */
export const fewerCells: Proposer = (setting) => {
  const box = [...setting.vehicle.devices]
    .filter((candidate) => candidate.device.kind === 'box')
    .sort((p, q) => (q.device.cellsInSeries ?? 0) - (p.device.cellsInSeries ?? 0))[0];
  return box
    ? [1, 2, 3, 4, 6, 8].map(
        (less): Edit => ({
          edit: 'setCells',
          input: { deviceId: box.id, cellsInSeries: Math.max(1, (box.device.cellsInSeries ?? 1) - less) },
        }),
      )
    : [];
};
