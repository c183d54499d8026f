import type { LogbookData, LogEntry } from '../types';

const KM = 1000;
const KWH = 3.6e6;
const day = (from: number, k: number): string => {
  // Plain calendar of a year from 4 October 2025 on, so that the sample needs no clock.
  const months = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
  let [year, month, date] = [2025, 9, 4 + from + k];
  while (date > months[month]!) {
    date -= months[month]!;
    month = (month + 1) % 12;
    if (month === 0) year++;
  }
  return `${year}-${String(month + 1).padStart(2, '0')}-${String(date).padStart(2, '0')}`;
};
/** Mean temperature outside over the year from October on, °C. */
const OUTSIDE = [11, 6, 2, 1, 2, 6, 10, 14, 18, 20, 20, 15];
const ODD = [0, 3, -2, 4, -3, 1, -4, 2];

/** Drives and charges of the estate over its first year: every nine days one of each that was written down. */
function rides(): LogEntry[] {
  const list: LogEntry[] = [];
  let odometerM = 61240 * KM;
  for (let k = 0; k < 40; k++) {
    const outsideC = OUTSIDE[Math.min(11, Math.floor((k * 9 + 4) / 30.4))]!;
    const driven = (44 + ODD[k % 8]! * 1.5) * KM;
    // Heating in the cold: up to a quarter more.
    const perKm = 130 + Math.max(0, 14 - outsideC) * 2.2 + ODD[(k + 3) % 8]! * 1.2;
    const used = (perKm * driven) / KM / 1000 / 23.2;
    odometerM += 215 * KM + driven;
    const socTo = Math.round((0.95 - used) * 100) / 100;
    list.push(
      {
        id: `drive-${k + 1}`,
        kind: 'drive',
        date: day(0, k * 9),
        what: k % 3 === 0 ? 'To the market and back' : 'Around the villages',
        odometerM,
        distanceM: driven,
        energyJ: Math.round((perKm * driven) / KM) * 3600,
        socFrom: 0.95,
        socTo,
        outsideC,
      },
      {
        id: `charge-${k + 1}`,
        kind: 'charge',
        date: day(0, k * 9),
        what: 'Charge at home',
        socFrom: socTo,
        socTo: 0.95,
        energyJ: Math.round((((0.95 - socTo) * 23.2) / 0.88) * 10) * (KWH / 10),
        durationS: Math.round((0.95 - socTo) * 61000),
      },
    );
  }
  return list;
}

const HEALTH: readonly (readonly [number, number, number, number, number])[] = [
  [8, 180.2, 0.012, 0.0271, 4.1e6],
  [98, 179.6, 0.014, 0.0274, 3.8e6],
  [190, 179.0, 0.017, 0.0279, 3.9e6],
  [281, 178.1, 0.016, 0.0283, 3.6e6],
  [360, 177.5, 0.015, 0.0288, 3.5e6],
];
/** Day, what, upkeep done with it, thinnest brake lining that was measured, m. */
const WORK: readonly (readonly [number, string, readonly string[], number?])[] = [
  [0, 'Handed over', [], 0.0096],
  [9, 'Torque list again after the first week', ['retorque']],
  [92, 'Spread read, balanced over night', ['spread']],
  [170, 'Emergency stop, disconnect and interlocks tried', ['stops']],
  [181, 'Spread read', ['spread']],
  [183, 'Air ways blown out', ['filters']],
  [270, 'Spread read', ['spread']],
  [
    340,
    'Yearly service: torque list, brakes, insulation, 12-volt battery, air ways',
    ['retorque', 'brakes', 'insulation', 'aux-battery', 'filters', 'stops'],
    0.0093,
  ],
  [352, 'Gloves back from their test', ['gloves']],
  [360, 'Capacity tested, spread read', ['capacity', 'spread']],
];

/** The estate’s first year on the road. */
export function larkspurLogbook(): LogbookData {
  const entries: LogEntry[] = [
    ...WORK.map(
      ([k, what, taskIds, liningM], n): LogEntry => ({
        id: `work-${n + 1}`,
        kind: 'work',
        date: day(0, k),
        what,
        ...(taskIds.length > 0 ? { taskIds } : {}),
        ...(liningM === undefined ? {} : { wear: [{ taskId: 'brakes', valueM: liningM }] }),
      }),
    ),
    ...HEALTH.map(
      ([k, capacityAh, spreadV, resistanceOhm, insulationOhm], n): LogEntry => ({
        id: `health-${n + 1}`,
        kind: 'health',
        date: day(0, k),
        what: 'Capacity test',
        capacityAh,
        spreadV,
        resistanceOhm,
        insulationOhm,
      }),
    ),
    {
      id: 'fault-1',
      kind: 'fault',
      date: day(0, 118),
      what: 'Charger stopped by itself in the frost',
      code: 'C-14',
      cleared: day(0, 121),
    },
    { id: 'inspection-1', kind: 'inspection', date: day(0, 344), what: 'Yearly inspection passed', by: 'inspector' },
    ...rides(),
  ];
  return {
    entries: Object.fromEntries(entries.map((entry) => [entry.id, entry])),
    upkeep: { brakes: { id: 'brakes', wearLimitM: 0.002, wearNewM: 0.01 } },
    claims: {
      'claim-range': {
        id: 'claim-range',
        kind: 'range',
        value: 130 * KM,
        by: 'the cells’ seller',
        since: '2025-10-04',
      },
    },
    checklists: {
      'list-trip': {
        id: 'list-trip',
        name: 'Before a long drive',
        items: ['Tyre pressures', 'Charge for there and back, or a place to charge', 'Charging cable aboard'],
      },
    },
  };
}
