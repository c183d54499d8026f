import { hasTrait } from '../devices';
import {
  CELL_CARE_FLAGS,
  type CellCareFlag,
  type ChargerPlug,
  type Charging,
  type ChargingFlag,
  findDevice,
} from '../types';
import { define } from './definition';
import { deviceToEdit } from './helpers';
import { EditRefused } from './refused';

const CARE_WORDS: Readonly<Record<CellCareFlag, string>> = {
  stopsCharger: 'the cells stop the charger',
  throttlesCharger: 'the cells hold the charger down',
  opensCoils: 'the cells open the contactors',
  senseFused: 'sense wires fused at the cells',
};

/** What is chosen of charging, not typed as a figure. */
export type ChargingChoice = Pick<Charging, ChargingFlag | 'cutoffAt' | 'apart' | 'residual'>;

const CHOICE_WORDS: Readonly<Record<keyof ChargingChoice, string>> = {
  cutoffAt: 'end of charge measured at',
  apart: 'run and charge kept apart by',
  residual: 'residual-current device',
  isolated: 'charger isolates mains from pack',
  torqueBlocked: 'torque blocked while plugged in',
  excluded: 'run and charge exclude each other',
  acHeld: 'AC cable held and protected',
  trialSteady: 'charger steady in its trial',
};

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
};
