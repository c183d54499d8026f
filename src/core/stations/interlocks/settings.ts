import type { SettingEntry, SettingId, SettingSheet } from '../../build';
import type { Dimension } from '../../quantities';
import { boxesWithCells, prechargeRun } from '../../simulate';
import {
  currentIn,
  driveTrainOf,
  inverterPowerW,
  lowVoltage,
  packStrings,
  partOf,
  type ResolvedDevice,
  type Vehicle,
} from '../../vehicle';

/** How a device may be set against what the model wants: just so, no higher, or no lower. */
export type SettingSense = 'equal' | 'at-most' | 'at-least';

/** One line of a settings sheet. */
export interface SettingRow {
  readonly deviceId: string;
  readonly setting: SettingId;
  readonly dimension: Dimension;
  readonly sense: SettingSense;
  /** Null: the model can’t say; `why` says what it lacks. */
  readonly wanted: number | null;
  readonly why: string;
  readonly entry: SettingEntry | null;
}

export interface DeviceSheet {
  readonly deviceId: string;
  readonly name: string;
  readonly rows: readonly SettingRow[];
  readonly sheet: SettingSheet | null;
}

/** By how much a setting may differ where it has to be just so: of its value, or so much. */
const EQUAL_SHARE = 0.01;

type Wanted = Omit<SettingRow, 'deviceId' | 'entry'>;
const row = (
  setting: SettingId,
  dimension: Dimension,
  sense: SettingSense,
  wanted: number | null | undefined,
  why: string,
): Wanted => ({ setting, dimension, sense, wanted: wanted ?? null, why });

/** Cells of the row, all boxes of one string. */
function cellsInRow(vehicle: Vehicle): number | null {
  const string = packStrings(vehicle)[0];
  if (!string || boxesWithCells(vehicle).length === 0) return null;
  return string.boxIds.reduce((sum, id) => sum + (vehicle.deviceOf.get(id)?.device.cellsInSeries ?? 0), 0);
}

/** Most that an inverter draws, or gives back, over all cases, A; null: not solved. */
function mostA(vehicle: Vehicle, id: string, regen: boolean): number | null {
  const cases = vehicle.cases.filter(({ state }) => (state.id === 'regeneration') === regen);
  // In a state that draws nothing it stands in no network.
  const found = cases.map((solved) => (solved.point.solvable ? (currentIn(solved, id) ?? 0) : null));
  return cases.length === 0 || found.includes(null) ? null : Math.max(0, ...(found as number[]));
}

function ofInverter(vehicle: Vehicle, device: ResolvedDevice): Wanted[] {
  const { build } = vehicle;
  const { controls, bms, regeneration, presetSpeed } = build;
  const cells = cellsInRow(vehicle);
  const unit = driveTrainOf(build).units?.find((one) => one.inverterId === device.id);
  const motor = unit?.part;
  const brakes = inverterPowerW(build, 'regeneration') < 0;
  return [
    row(
      'batteryA',
      'current',
      'at-most',
      mostA(vehicle, device.id, false),
      'what fuses, cables and contactors are judged at',
    ),
    ...(brakes
      ? [
          row('regenA', 'current', 'at-most', mostA(vehicle, device.id, true), 'what the full pack is judged at'),
          row('regenTorque', 'ratio', 'at-most', regeneration?.torqueShare, 'braking torque, in Drive'),
          ...(controls?.regenLowShare === undefined
            ? []
            : [row('regenLowTorque', 'ratio', 'equal', controls.regenLowShare, 'low level of regeneration, above')]),
          row(
            'highestV',
            'voltage',
            'at-most',
            cells && bms?.overV !== undefined ? cells * bms.overV : null,
            'cells in the row × stop of charging, in BMS',
          ),
        ]
      : []),
    row(
      'lowestV',
      'voltage',
      'at-least',
      cells && bms?.underV !== undefined ? cells * bms.underV : null,
      'cells in the row × stop of driving, in BMS',
    ),
    row('motorRpm', 'count', 'at-most', motor?.maximumSpeedRpm, 'the motor’s plate'),
    row('pedalRestV', 'voltage', 'equal', controls?.pedalRestV, 'pedal as it was read'),
    row('pedalFullV', 'voltage', 'equal', controls?.pedalFullV, 'pedal as it was read'),
    row('rampS', 'time', 'at-least', controls?.rampS ?? presetSpeed?.rampS, 'torque ramp, above'),
    ...(controls?.economyShare === undefined
      ? []
      : [row('economyShare', 'ratio', 'equal', controls.economyShare, 'economy mode, above')]),
  ];
}

function ofControl(vehicle: Vehicle, openBelow: boolean): Wanted[] {
  const { build } = vehicle;
  const timeoutS = build.precharge.timeoutS ?? prechargeRun(vehicle)?.timeoutS;
  return [
    row('closeAt', 'ratio', 'at-least', build.precharge.closeAtFraction, 'precharge, in HV circuit'),
    row(
      'timeoutS',
      'time',
      'at-most',
      timeoutS,
      'precharge, in HV circuit: twice the expected time where none is typed',
    ),
    ...(openBelow ? [row('openBelowA', 'current', 'at-most', build.controls?.openBelowA, 'above')] : []),
  ];
}

function ofBms(vehicle: Vehicle): Wanted[] {
  const { bms } = vehicle.build;
  const box = boxesWithCells(vehicle)[0];
  const cell = partOf(box, 'cell');
  const ah = cell ? cell.capacityAh * (box!.device.cellsInParallel ?? 1) : null;
  return [
    row('cellsInRow', 'count', 'equal', cellsInRow(vehicle), 'the boxes of the pack'),
    row('capacityAh', 'count', 'equal', ah, 'cell times cells side by side'),
    row('cellOverV', 'voltage', 'at-most', bms?.overV, 'stop of charging, in BMS'),
    row('cellUnderV', 'voltage', 'at-least', bms?.underV, 'stop of driving, in BMS'),
    ...(bms?.dischargeToC === undefined
      ? []
      : [row('dischargeToC', 'temperature', 'at-most', bms.dischargeToC, 'in BMS')]),
    ...(bms?.chargeFromC === undefined
      ? []
      : [row('chargeFromC', 'temperature', 'at-least', bms.chargeFromC, 'in BMS')]),
    ...(bms?.chargeToC === undefined ? [] : [row('chargeToC', 'temperature', 'at-most', bms.chargeToC, 'in BMS')]),
  ];
}

function ofCharger(vehicle: Vehicle): Wanted[] {
  const { charging } = vehicle.build;
  const cells = cellsInRow(vehicle);
  return [
    row(
      'chargeV',
      'voltage',
      'at-most',
      cells && charging?.cellV ? cells * charging.cellV : null,
      'cells × end of charge',
    ),
    row('chargeA', 'current', 'at-most', charging?.outputA, 'what the charger gives at most, in Charging'),
    ...(charging?.cutoffA === undefined
      ? []
      : [row('cutoffA', 'current', 'at-least', charging.cutoffA, 'end of charge, in Charging')]),
  ];
}

/** Of several entries of one setting, as a file may hold them, the one that does not serve. */
function worstEntry(entries: readonly SettingEntry[], row: Omit<SettingRow, 'entry'>): SettingEntry | null {
  const own = entries.filter(({ deviceId, setting }) => deviceId === row.deviceId && setting === row.setting);
  const bad = own.find((entry) =>
    [entry.entered, entry.readBack].some((value) => value !== null && !serves(row, value)),
  );
  const differs = own.find(
    ({ entered, readBack }) => entered !== null && readBack !== null && !sameSetting(entered, readBack),
  );
  return bad ?? differs ?? own[0] ?? null;
}

/** What can be set on each device of this build, with what the model wants of it and what was entered and read back. */
export function settingSheets(vehicle: Vehicle): readonly DeviceSheet[] {
  const { build } = vehicle;
  const entries = Object.values(build.settings?.entries ?? {});
  const sheets = Object.values(build.settings?.sheets ?? {});
  const waits = build.controls?.waitsCurrent === true;
  const loads = lowVoltage(vehicle).loads;
  const controlled = loads.filter(({ load }) => load.job === 'control-unit');
  const made: { deviceId: string; name: string; wanted: Wanted[] }[] = [];
  const put = (deviceId: string, name: string, wanted: Wanted[]) => {
    const known = made.find((one) => one.deviceId === deviceId);
    if (known) known.wanted.push(...wanted);
    else made.push({ deviceId, name, wanted: [...wanted] });
  };
  const byHand = build.schools.command === 'hand-switches';
  const inverters = vehicle.devices.filter(({ device }) => device.kind === 'inverter');
  for (const device of inverters) put(device.id, device.device.name, ofInverter(vehicle, device));
  if (!byHand) {
    if (controlled.length > 0) for (const { id, name } of controlled) put(id, name, ofControl(vehicle, waits));
    else if (inverters[0]) put(inverters[0].id, inverters[0].device.name, ofControl(vehicle, waits));
  }
  for (const { id, name } of loads.filter(({ load }) => load.job === 'bms')) put(id, name, ofBms(vehicle));
  for (const { id, device } of vehicle.devices)
    if (device.kind === 'charger' || device.kind === 'charger-converter') put(id, device.name, ofCharger(vehicle));
  for (const { id, device, outputV } of lowVoltage(vehicle).converters)
    put(id, device.name, [row('outputV', 'voltage', 'equal', outputV, 'the converter’s set point, in 12 V')]);
  return made.map(({ deviceId, name, wanted }) => ({
    deviceId,
    name,
    sheet: sheets.find((one) => one.deviceId === deviceId) ?? null,
    rows: wanted.map((one) => ({
      ...one,
      deviceId,
      entry: worstEntry(entries, { ...one, deviceId }),
    })),
  }));
}

/** Whether a value serves for what is wanted; true where the model can’t say. */
export function serves(
  { wanted, sense, dimension }: Pick<SettingRow, 'wanted' | 'sense' | 'dimension'>,
  value: number,
): boolean {
  if (wanted === null) return true;
  const slack = dimension === 'temperature' ? 0.5 : Math.abs(wanted) * EQUAL_SHARE;
  if (sense === 'at-most') return value <= wanted + slack * 0.1;
  if (sense === 'at-least') return value >= wanted - slack * 0.1;
  return Math.abs(value - wanted) <= slack;
}

/** Entered and read back are the same number, as far as a display rounds it. */
export const sameSetting = (entered: number, readBack: number): boolean =>
  Math.abs(entered - readBack) <= Math.max(Math.abs(entered) * 0.005, 1e-9);
