import type { Dimension } from '../../quantities/units';

/** Plain figures of the document that one edit sets: where, of what dimension, between which bounds. */
export interface Settable {
  readonly label: string;
  readonly path: readonly [string, string];
  readonly dimension: Dimension;
  readonly min: number;
  readonly max: number;
  readonly nullable?: boolean;
}

export const SETTABLE = {
  cruisePower: { label: 'Cruise power', path: ['duty', 'cruisePowerW'], dimension: 'power', min: 0, max: 1e6 },
  hardPower: {
    label: 'Hard acceleration power',
    path: ['duty', 'hardAccelerationPowerW'],
    dimension: 'power',
    min: 0,
    max: 1e6,
  },
  hardTime: {
    label: 'Hard acceleration lasts',
    path: ['duty', 'hardAccelerationS'],
    dimension: 'time',
    min: 0.1,
    max: 600,
  },
  hillPower: { label: 'Hill power', path: ['duty', 'hillPowerW'], dimension: 'power', min: 0, max: 1e6 },
  regenerationPower: {
    label: 'Regeneration',
    path: ['duty', 'regenerationPowerW'],
    dimension: 'power',
    min: 0,
    max: 1e6,
  },
  startsPerDay: {
    label: 'Key turned on, a day',
    path: ['duty', 'startsPerDay'],
    dimension: 'count',
    min: 0,
    max: 1000,
  },
  socEmpty: { label: 'Stop driving at', path: ['packLimits', 'socEmpty'], dimension: 'ratio', min: 0, max: 1 },
  coldestCell: {
    label: 'Coldest cells',
    path: ['packLimits', 'coldestCellC'],
    dimension: 'temperature',
    min: -60,
    max: 60,
  },
  warmestCell: {
    label: 'Warmest cells',
    path: ['packLimits', 'warmestCellC'],
    dimension: 'temperature',
    min: -20,
    max: 80,
  },
  agedHealth: { label: 'Health when aged', path: ['packLimits', 'agedHealth'], dimension: 'ratio', min: 0.3, max: 1 },
  closeAt: {
    label: 'Close main contactor at',
    path: ['precharge', 'closeAtFraction'],
    dimension: 'ratio',
    min: 0.5,
    max: 0.999,
  },
  timeout: {
    label: 'Give up after',
    path: ['precharge', 'timeoutS'],
    dimension: 'time',
    min: 0.01,
    max: 60,
    nullable: true,
  },
  altitude: { label: 'Altitude', path: ['vehicle', 'altitudeM'], dimension: 'length', min: -500, max: 6000 },
} as const satisfies Record<string, Settable>;

export type SettableName = keyof typeof SETTABLE;
