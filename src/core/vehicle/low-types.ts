import type { AuxiliaryBatteryData, Device, Id, LvLoad } from '../build';
import type { Resolved } from './resolve';

/** The 12-volt circuit as it feeds the car: battery, converters, loads, and what stands before each load. */
export interface LowVoltage {
  readonly lv: Resolved;
  readonly battery: { readonly device: Device; readonly data: AuxiliaryBatteryData | null } | null;
  readonly converters: readonly Converter[];
  readonly loads: readonly LowLoad[];
}

export interface Converter {
  readonly id: Id;
  /** As far as this side reads it: the rest of it may have changed since. */
  readonly device: Pick<Device, 'name' | 'converter'>;
  readonly outputV: number;
  /** What it gives in its hot place, W. */
  readonly powerW: number;
  readonly ratedPowerW: number;
  readonly efficiency: number;
}

export interface LowLoad {
  readonly id: Id;
  readonly name: string;
  readonly load: LvLoad;
}

/** How a load runs in one solution. */
export type Running = 'off' | 'on' | 'peak';

export interface LowSetting {
  readonly running: ReadonlyMap<Id, Running>;
  /** Converters are on; each holds its voltage up to its power, then its power. */
  readonly converters: boolean;
  readonly socBattery: number;
  readonly batteryC: number;
  /** Switches of the coils’ loop and main switches; closed when the car is awake. */
  readonly awake: boolean;
}
