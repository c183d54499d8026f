import type { CommissionData, SheetId, SheetSign, StepResult } from '../types';

/** One test of a sample: id, as the sheet calls it, its unit (null: looked at), what was read. */
export type TestRow = readonly [
  id: string,
  name: string,
  dimension: StepResult['dimension'] | null,
  value: number,
  partId?: string,
];
export interface TestedSheet {
  readonly sheet: SheetId;
  readonly date: string;
  readonly by: string;
  readonly rows: readonly TestRow[];
  readonly sign?: { readonly by: string; readonly role: string; readonly digest: string };
}

/** Results and signatures of a sample, and what stands beside them. */
export function commissionOf(sheets: readonly TestedSheet[], more: Partial<CommissionData> = {}): CommissionData {
  const results: Record<string, StepResult> = {};
  const signs: Record<string, SheetSign> = {};
  for (const { sheet, date, by, rows, sign } of sheets) {
    for (const [id, name, dimension, value, partId] of rows) {
      const bare = { id, name, sheet, date, by, ...(partId === undefined ? {} : { partId }) };
      results[id] =
        dimension === null || dimension === undefined ? { ...bare, ok: value > 0 } : { ...bare, value, dimension };
    }
    if (sign)
      signs[`sign-${sheet}`] = { id: `sign-${sheet}`, sheet, by: sign.by, role: sign.role, date, digest: sign.digest };
  }
  return { ...more, results: { ...results, ...more.results }, signs: { ...signs, ...more.signs } };
}

/** What else stands on the shuttle’s sheets: a note, a test of its builder’s own, one that was skipped. */
export const FIRN_MORE: Partial<CommissionData> = {
  results: {
    'load.low-blower-load': {
      id: 'load.low-blower-load',
      name: 'Heater blower: current',
      sheet: 'low-voltage',
      value: 13.1,
      dimension: 'current',
      date: '2026-04-25',
      by: 'J. Marsh',
      note: 'squeals on its highest step',
    },
    'pedal-two': {
      id: 'pedal-two',
      name: 'Second track of the accelerator follows the first, one pulled off: no torque',
      sheet: 'low-voltage',
      skipped: 'pedal’s plug on order; tried again before wheels turn',
      date: '2026-04-25',
      by: 'J. Marsh',
    },
  },
  ownTests: {
    'own-horn': {
      id: 'own-horn',
      sheet: 'low-voltage',
      name: 'Horn at the gate',
      where: 'ear, from fifty paces',
      switches: 'key on',
      dimension: null,
      low: null,
      high: null,
    },
  },
};
