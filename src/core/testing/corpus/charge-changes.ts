import type { CellCareFlag, ChargerPlug, CurvePoint, DriveCell, LimitCurveId, SettableName } from '../../build';
import type { ChargingChoice } from '../../build/edits/charge-edits';
import { both, type Change, edit, reEnd } from './change';

export const figure = (name: SettableName, value: number | null) =>
  edit({ edit: 'setFigure', input: { figure: name, value } });
export const care = (flag: CellCareFlag, is: boolean) => edit({ edit: 'setCellCare', input: { flag, is } });
export const choose = (input: ChargingChoice) => edit({ edit: 'setCharging', input });
export const plug = (input: ChargerPlug) => edit({ edit: 'setPlug', input: { deviceId: 'charger', ...input } });
/** Only a charger with a contactor of its own, joined before the main contactor. */
export const ownWay = both(
  edit({ edit: 'removeDevice', input: { deviceId: 'charger' } }),
  reEnd('c-dc-tap', 'a', 'k-main.a'),
);
export const garage = (input: ChargerPlug) => edit({ edit: 'setPlug', input: { deviceId: 'charger-dc', ...input } });
export const taps =
  (made: (readings: readonly number[]) => readonly number[]): Change =>
  (build) =>
    edit({ edit: 'setTaps', input: { readingsV: made(build.bms!.tapsV!) } })(build);
export const curve = (curveId: LimitCurveId, points: readonly CurvePoint[]) =>
  edit({ edit: 'setLimitCurve', input: { curve: curveId, points } });
/** A drive of equal cells, but for what is told of some. */
export const driven = (odd: Readonly<Record<number, Partial<DriveCell>>>): Change =>
  edit({
    edit: 'addDrive',
    input: {
      drive: {
        id: 'drive',
        date: '2026-05-02',
        name: 'To work',
        from: 'log',
        durationS: 1800,
        outC: 1e5,
        backC: 1e4,
        peakA: 180,
        lowV: 2.6,
        hottestC: 25,
        cells: Array.from({ length: 40 }, (_, k) => ({
          lowestV: 3.05,
          restV: 3.3,
          resistanceOhm: 0.0007,
          lowS: 0,
          ...odd[k + 1],
        })),
      },
    },
  });
/** So many good cells, read by meter a month later. */
export const readSince = (cells: number): Change =>
  edit({
    edit: 'addDrive',
    input: {
      drive: {
        id: 'since',
        date: '2026-06-02',
        name: 'By meter',
        from: 'typed',
        durationS: null,
        outC: null,
        backC: null,
        peakA: 90,
        lowV: null,
        hottestC: null,
        cells: Array.from({ length: cells }, () => ({ lowestV: 3.2, restV: 3.3, resistanceOhm: 0.0007, lowS: 0 })),
      },
    },
  });
export const school = (bms: 'none' | 'shunts' | 'distributed' | 'central') =>
  edit({ edit: 'setSchool', input: { bms } });
/** A capacity test of the pack. */
export const tested = (capacityAh: number) => ({
  id: 'health',
  date: '2026-05-02',
  odometerM: 4e6,
  capacityAh,
  fastCharges: null,
  slowCharges: 100,
  note: '',
});

/** The radio’s wires feed a heated windscreen. */
export const screenHeat: Change = (build) =>
  edit({
    edit: 'setLowLoad',
    input: {
      deviceId: 'low-radio-load',
      load: { ...build.circuits.lv.devices['low-radio-load']!.load!, job: 'screen-heat' },
    },
  })(build);
