import { describe, expect, test } from 'vitest';
import { firn9, larkspur } from '../build/samples';
import { readBmsConfig } from '../build/schema';
import { canDatabase, signalReader } from '../logs/can-database';
import { CanLog, canColumns } from '../logs/can-log';
import { bmsStep } from '../simulate/bms-speaker';
import { bmsConfigRows, bmsConfigText } from './bms-config';
import { type BmsMoment, bmsDatabase, bmsFrames } from './bms-messages';

describe('a configuration out and in', () => {
  test('settings come back as they went, readings stay behind', () => {
    for (const { bms } of [firn9(), larkspur()]) {
      const { tapsV, ...settings } = bms!;
      expect(tapsV!.length).toBeGreaterThan(1);
      expect(readBmsConfig(bmsConfigText(bms, 40))).toEqual({ ok: true, cells: 40, settings });
    }
  });

  test('text where volts should be, settings that nobody knows, another format, no JSON: said by their place', () => {
    const told = (data: unknown) => {
      const read = readBmsConfig(JSON.stringify(data));
      return read.ok ? [] : read.errors.map(({ path }) => path);
    };
    const base = { format: 'ropeway-bms', version: 1, cells: 4 };
    expect(told({ ...base, settings: { overV: 'high', magic: 1 } })).toEqual(['settings.overV', 'settings.magic']);
    expect(told({ ...base, format: 'other', settings: {} })).toEqual(['format']);
    expect(told({ ...base, version: 2, settings: {} })).toEqual(['version']);
    expect(told({ ...base, cells: 1.5, settings: {} })).toEqual(['cells']);
    expect(told(null)).toEqual(['format']);
    expect(readBmsConfig('{')).toMatchObject({ ok: false });
    expect(told(JSON.parse('{"format":"ropeway-bms","version":1,"cells":1,"settings":{"__proto__":{"x":1}}}'))).toEqual(
      [],
    );
  });

  test('as rows: a figure, an answer, a point of a curve', () => {
    const rows = bmsConfigRows({
      overV: 3.65,
      stopsCharger: true,
      curves: {
        chargeByC: [
          [0, 0],
          [10, 50],
        ],
      },
    });
    expect(rows).toEqual([
      ['setting', 'value'],
      ['overV', 3.65],
      ['stopsCharger', 'yes'],
      ['chargeByC 1', '0 0'],
      ['chargeByC 2', '10 50'],
    ]);
  });
});

describe('what it says on the bus', () => {
  const moment: BmsMoment = {
    timeS: 1_700_000_000,
    cellsV: [3.3, 3.31, 3.2999, 3.4, 3.25],
    currentA: -12.3,
    soc: 0.485,
    temperatureC: -7,
    dischargeLimitA: 120.5,
    chargeLimitA: 0,
    chargeStop: true,
    driveStop: false,
  };

  test('its own database reads its own frames back', () => {
    const database = canDatabase(bmsDatabase(5));
    expect(database.problems).toEqual([]);
    const log = new CanLog(database, canColumns(database), { lowV: null, restA: 1, stepA: 10 });
    log.push(new TextEncoder().encode(`${bmsFrames(moment).join('\n')}\n`));
    const { review, problems } = log.end();
    expect(problems).toEqual([]);
    review.cells.forEach(({ lowestV }, k) => {
      expect(lowestV).toBeCloseTo(moment.cellsV[k]!, 4);
    });
    expect(review.peakA).toBeCloseTo(-12.3, 6);
    expect(review.hottestC).toBe(-7);
  });

  test('limits and stops by hand: 120.5 A is 1205 tenths, 04 B5 low byte first', () => {
    const frames = bmsFrames(moment);
    expect(frames[1]).toContain('3A1#B5040000');
    const { messages } = canDatabase(bmsDatabase(5));
    const stop = messages[0]!.signals.find(({ name }) => name === 'ChargeStop')!;
    const data = Uint8Array.from(frames[0]!.split('#')[1]!.match(/../g)!, (byte) => Number.parseInt(byte, 16));
    expect(signalReader(stop)(data, data.length)).toBe(1);
  });
});

describe('a simulated battery management', () => {
  const settings = { overV: 3.65, overReleaseV: 3.45, underV: 2.6, underReleaseV: 2.9, chargeFromC: 2 };
  const warm = { temperatureC: 20, soc: 0.5 };
  const none = { chargeStop: false, driveStop: false };

  test('a stop holds until its release', () => {
    const full = bmsStep(settings, { ...warm, cellsV: [3.4, 3.65] }, none);
    expect(full).toMatchObject({ chargeStop: true, driveStop: false, chargeLimitA: 0 });
    expect(bmsStep(settings, { ...warm, cellsV: [3.4, 3.5] }, full).chargeStop).toBe(true);
    expect(bmsStep(settings, { ...warm, cellsV: [3.4, 3.5] }, none).chargeStop).toBe(false);
    expect(bmsStep(settings, { ...warm, cellsV: [3.4, 3.44] }, full).chargeStop).toBe(false);
    const empty = bmsStep(settings, { ...warm, cellsV: [2.6, 3.2] }, none);
    expect(empty).toMatchObject({ driveStop: true, dischargeLimitA: 0 });
    expect(bmsStep(settings, { ...warm, cellsV: [2.8, 3.2] }, empty).driveStop).toBe(true);
  });

  test('too cold nothing is charged, and curves bound what flows: half of 0…100 A over 0…10 °C', () => {
    expect(bmsStep(settings, { cellsV: [3.3], temperatureC: 1, soc: 0.5 }, none).chargeStop).toBe(true);
    const curved = {
      ...settings,
      curves: {
        chargeByC: [
          [0, 0],
          [10, 100],
        ] as const,
      },
    };
    expect(bmsStep(curved, { cellsV: [3.3], temperatureC: 5, soc: 0.5 }, none).chargeLimitA).toBe(50);
  });
});
