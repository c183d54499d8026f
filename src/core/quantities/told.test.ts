import { expect, test } from 'vitest';
import { inUnits, told } from './told';

test('a figure in a sentence is spelled in the reader’s units', () => {
  const text = `runs ${told(2.5, 'length')} at ${told(60, 'temperature')} with ${told(100, 'speed')}`;
  expect(inUnits(text)).toBe('runs 2.5\u00a0m at 60\u00a0°C with 360\u00a0km/h');
  // 2.5 m is 8.202 ft, 60 °C 140 °F, 100 m/s 223.7 mph.
  expect(inUnits(text, 'us')).toBe('runs 8.202\u00a0ft at 140\u00a0°F with 223.7\u00a0mph');
});

test('a cross-section has its nearest gauge beside it in US units', () => {
  expect(inUnits(told(35, 'area'))).toBe('35\u00a0mm²');
  expect(inUnits(told(35, 'area'), 'us')).toContain('AWG');
});

test('digits are kept as asked, what is no figure reads as such, text without figures stays', () => {
  expect(inUnits(told(12.345, 'voltage', 2))).toBe('12\u00a0V');
  expect(inUnits(told(Number.NaN, 'voltage'))).toBe('not known');
  expect(inUnits(told(Number.POSITIVE_INFINITY, 'time'))).toContain('∞');
  expect(inUnits('just words')).toBe('just words');
});

test('marks that came in with a name and name no dimension are left as they are', () => {
  const strange = '\uE0F05|constructor|3\uE0F1';
  expect(inUnits(strange, 'us')).toBe(strange);
});
