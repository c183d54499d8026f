import { expect, test } from 'vitest';
import { cataloguePart } from '@/core/parts';
import { comparedRows } from './compare-panel';

test('what differs stands first, what nobody knows or states says so', () => {
  const one = cataloguePart('inverter-144-400', 'inverter');
  const other = {
    ...cataloguePart('inverter-96-450', 'inverter'),
    origins: { maxMotorCurrentA: 'unknown' },
  } as const;
  const rows = comparedRows([one, other], 'metric');
  const of = (path: string) => rows.find((row) => row.path === path)!.texts.map((text) => text.replace(/\s/g, ' '));
  expect(of('maxBatteryCurrentA')).toEqual(['400 A', '450 A']);
  expect(of('maxMotorCurrentA')).toEqual(['500 A', 'unknown']);
  expect(of('activeDischargeOhm')).toEqual(['220 Ω', 'not stated']);
  expect(of('cooling')).toEqual(['air', 'air']);
  const same = rows.map(({ texts }) => new Set(texts).size === 1);
  expect(same.indexOf(true)).toBeGreaterThan(same.lastIndexOf(false));
});
