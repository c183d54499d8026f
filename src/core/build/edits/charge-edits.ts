import type { Draft } from 'immer';
import { hasTrait } from '../devices';
import {
  CELL_CARE_FLAGS,
  type CellCare,
  type CellCareFlag,
  type ChargerPlug,
  type Charging,
  type ChargingFlag,
  type CurvePoint,
  type DriveRecord,
  findDevice,
  type HealthRecord,
  LIMIT_CURVES,
  type LimitCurveId,
  type LimitCurves,
  MOST_CURVE_POINTS,
  MOST_DRIVES,
  MOST_HEALTH,
} from '../types';
import { define } from './definition';
import { deviceToEdit } from './helpers';
import { refuseNoDay } from './reading-edits';
import { EditRefused } from './refused';

const CARE_WORDS: Readonly<Record<CellCareFlag, string>> = {
  stopsCharger: 'the cells stop the charger',
  throttlesCharger: 'the cells hold the charger down',
  opensCoils: 'the cells open the contactors',
  senseFused: 'sense wires fused at the cells',
  pausesBleeding: 'bleeds no cell while it reads',
  kept: 'electronics from another vehicle',
};

/** What is chosen of charging, not typed as a figure. */
export type ChargingChoice = Pick<Charging, ChargingFlag | 'cutoffAt' | 'apart' | 'residual' | 'seenEnd'>;

const CHOICE_WORDS: Readonly<Record<keyof ChargingChoice, string>> = {
  cutoffAt: 'end of charge measured at',
  apart: 'run and charge kept apart by',
  residual: 'residual-current device',
  seenEnd: 'charging is shown by',
  isolated: 'charger isolates mains from pack',
  torqueBlocked: 'torque blocked while plugged in',
  excluded: 'run and charge exclude each other',
  acHeld: 'AC cable held and protected',
  trialSteady: 'charger steady in its trial',
};

const CURVE_WORDS: Readonly<Record<LimitCurveId, string>> = {
  dischargeByC: 'discharge over temperature',
  chargeByC: 'charge over temperature',
  dischargeBySoc: 'discharge over state of charge',
  chargeBySoc: 'charge over state of charge',
};

/** What is wrong with a curve, in words; null: nothing. */
function curveTrouble(curve: LimitCurveId, points: readonly CurvePoint[]): string | null {
  if (!Array.isArray(points) || points.length > MOST_CURVE_POINTS)
    return `A curve has ${MOST_CURVE_POINTS} points at most.`;
  if (points.length === 1) return 'One point is no curve.';
  const bySoc = curve.endsWith('Soc');
  for (const [k, point] of points.entries()) {
    if (!Array.isArray(point) || point.length !== 2 || !point.every(Number.isFinite))
      return `Point ${k + 1} is no pair of numbers.`;
    const [x, ampere] = point as [number, number];
    if (ampere < 0 || ampere > 1e5) return `Point ${k + 1} has a current below 0, or beyond any pack.`;
    if (bySoc ? x < 0 || x > 1 : x < -100 || x > 200) return `Point ${k + 1} lies outside what there is.`;
    if (k > 0 && x <= points[k - 1]![0]) return `The curve goes back on itself at point ${k + 1}.`;
  }
  return null;
}

/** How cells are watched and charged. */
export const CHARGE_EDITS = {
  /** Yes-or-no answers about what watches the cells. */
  setCellCare: define<{ flag: CellCareFlag; is: boolean }>({
    title: (_, { flag, is }) => `${CARE_WORDS[flag]}: ${is ? 'yes' : 'no'}`,
    apply: (draft, { flag, is }) => {
      if (!CELL_CARE_FLAGS.includes(flag)) throw new EditRefused('There is no such answer.', 'Choose one of the list.');
      draft.bms = { ...draft.bms, [flag]: is };
    },
  }),

  /** All taps of the sense plug, in order; none: the reading is taken back. */
  setTaps: define<{ readingsV: readonly number[] }>({
    title: (_, { readingsV }) => (readingsV.length === 0 ? 'no reading of the taps' : `${readingsV.length} taps read`),
    apply: (draft, { readingsV }) => {
      if (!Array.isArray(readingsV) || readingsV.length > 2000 || !readingsV.every(Number.isFinite))
        throw new EditRefused('These are no readings.', 'Type one voltage for each cell, 2000 at most.');
      const { tapsV: _, ...others } = draft.bms ?? {};
      draft.bms = readingsV.length === 0 ? others : { ...others, tapsV: [...readingsV] };
    },
  }),

  /** All settings at once, from a configuration; readings of the taps stay. */
  setBmsConfig: define<{ settings: CellCare }>({
    title: () => 'settings from a configuration',
    apply: (draft, { settings }) => {
      for (const [curve, points] of Object.entries(settings.curves ?? {})) {
        const trouble = curveTrouble(curve as LimitCurveId, points ?? []);
        if (trouble)
          throw new EditRefused(`${CURVE_WORDS[curve as LimitCurveId] ?? curve}: ${trouble}`, 'Correct the file.');
      }
      const { tapsV } = draft.bms ?? {};
      draft.bms = { ...(settings as Draft<CellCare>), ...(tapsV ? { tapsV } : {}) };
    },
  }),

  /** A curve of current that the electronics lets through; no points: it is taken back. */
  setLimitCurve: define<{ curve: LimitCurveId; points: readonly CurvePoint[] }>({
    title: (_, { curve, points }) => `${CURVE_WORDS[curve]}: ${points.length} points`,
    apply: (draft, { curve, points }) => {
      if (!LIMIT_CURVES.includes(curve)) throw new EditRefused('There is no such curve.', 'Choose one of the list.');
      const trouble = curveTrouble(curve, points);
      if (trouble) throw new EditRefused(trouble, 'Put its points in order, each with a current of 0 or more.');
      const { [curve]: _, ...others } = draft.bms?.curves ?? {};
      const curves =
        points.length === 0 ? others : { ...others, [curve]: points.map(([x, a]): [number, number] => [x, a]) };
      draft.bms = { ...draft.bms, curves: curves as Draft<LimitCurves> };
    },
  }),

  setCharging: define<ChargingChoice>({
    title: (_, input) =>
      Object.entries(input)
        .map(([choice, value]) => {
          const is = typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value).replaceAll('-', ' ');
          return `${CHOICE_WORDS[choice as keyof ChargingChoice]}: ${is}`;
        })
        .join(', '),
    apply: (draft, input) => {
      draft.charging = { ...draft.charging, ...input };
    },
  }),

  /** How a charger is plugged in. */
  setPlug: define<{ deviceId: string } & ChargerPlug>({
    title: (build, { deviceId }) => `plug of ${findDevice(build, deviceId)?.name ?? 'a charger'}`,
    apply: (draft, { deviceId, ...plug }) => {
      const charger = deviceToEdit(draft, deviceId);
      if (!hasTrait(charger.kind, 'charges'))
        throw new EditRefused('Only a charger has such a plug.', 'Choose a charger.');
      charger.plug = { ...charger.plug, ...plug };
    },
  }),

  /** Whether a heater warms cells or people. */
  setWarmsCells: define<{ deviceId: string; is: boolean }>({
    title: (build, { deviceId, is }) =>
      `${findDevice(build, deviceId)?.name ?? 'a heater'} warms ${is ? 'the cells' : 'people'}`,
    apply: (draft, { deviceId, is }) => {
      const heater = deviceToEdit(draft, deviceId);
      if (heater.kind !== 'heater') throw new EditRefused('Only a heater warms.', 'Choose a heater.');
      heater.warmsCells = is;
    },
  }),

  /** Heat that a compressor takes out of the cells; null: it cools people alone. */
  setCoolsCells: define<{ deviceId: string; powerW: number | null }>({
    title: (build, { deviceId }) => `${findDevice(build, deviceId)?.name ?? 'a compressor'} and the cells`,
    apply: (draft, { deviceId, powerW }) => {
      const compressor = deviceToEdit(draft, deviceId);
      if (compressor.kind !== 'compressor') throw new EditRefused('Only a compressor cools.', 'Choose a compressor.');
      if (powerW === null) delete compressor.coolsCellsW;
      else if (powerW > 0 && powerW <= 1e5) compressor.coolsCellsW = powerW;
      else throw new EditRefused('It takes more than 0 and at most 100 kW out.', 'Type what its chiller does.');
    },
  }),

  /** What is kept of a log or of a reading by meter. */
  addDrive: define<{ drive: DriveRecord }>({
    title: (_, { drive }) => `drive: ${drive.name}`,
    apply: (draft, { drive }) => {
      refuseNoDay(drive.date);
      draft.drives ??= {};
      if (Object.hasOwn(draft.drives, drive.id))
        throw new EditRefused(`The id "${drive.id}" is used already.`, 'Make a fresh id.');
      if (Object.keys(draft.drives).length >= MOST_DRIVES)
        throw new EditRefused(`${MOST_DRIVES} drives are kept at most.`, 'Drop an old one first.');
      draft.drives[drive.id] = drive as Draft<DriveRecord>;
    },
  }),

  dropDrive: define<{ id: string }>({
    title: (build, { id }) => `drop the drive ${build.drives?.[id]?.name ?? ''}`.trim(),
    apply: (draft, { id }) => {
      if (!draft.drives || !Object.hasOwn(draft.drives, id))
        throw new EditRefused('That drive is no longer in the list.', 'Look at the list again.');
      delete draft.drives[id];
    },
  }),

  addHealth: define<{ record: HealthRecord }>({
    title: (_, { record }) => `health of ${record.date}`,
    apply: (draft, { record }) => {
      refuseNoDay(record.date);
      draft.health ??= {};
      if (Object.hasOwn(draft.health, record.id))
        throw new EditRefused(`The id "${record.id}" is used already.`, 'Make a fresh id.');
      if (Object.keys(draft.health).length >= MOST_HEALTH)
        throw new EditRefused(`${MOST_HEALTH} records are kept at most.`, 'Drop an old one first.');
      draft.health[record.id] = record;
    },
  }),

  dropHealth: define<{ id: string }>({
    title: (build, { id }) => `drop the health of ${build.health?.[id]?.date ?? 'a day'}`,
    apply: (draft, { id }) => {
      if (!draft.health || !Object.hasOwn(draft.health, id))
        throw new EditRefused('That record is no longer in the list.', 'Look at the list again.');
      delete draft.health[id];
    },
  }),
};
