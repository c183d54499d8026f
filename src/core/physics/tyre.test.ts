import { describe, expect, test } from 'vitest';
import { parseTyre } from './tyre';

const service = (code: string) => {
  const answer = parseTyre(code);
  if (!answer.ok) throw new Error(answer.reason);
  return answer.tyre.service;
};

describe('what stands behind the size of a tyre', () => {
  test('load and speed of a few that everybody knows (ISO 4000-1)', () => {
    expect(service('185/65 R15 88H')).toEqual({ loadKg: 560, speedMPerS: 210 / 3.6 });
    expect(service('205/55R16 91V')).toEqual({ loadKg: 615, speedMPerS: 240 / 3.6 });
    expect(service('165 R 13 82S')).toEqual({ loadKg: 475, speedMPerS: 180 / 3.6 });
    expect(service('5.60-13 76S')).toEqual({ loadKg: 400, speedMPerS: 180 / 3.6 });
    // Single tyres first, twins behind the stroke.
    expect(service('195/80R15C 106/104N')).toEqual({ loadKg: 950, speedMPerS: 140 / 3.6 });
  });

  test('the indices are a series of preferred numbers: eighty of them are a factor of ten, from 45 kg', () => {
    for (let index = 20; index <= 120; index++) {
      const { loadKg } = service(`185/65R15 ${index}T`)!;
      expect(Math.abs(loadKg / (45 * 10 ** (index / 80)) - 1)).toBeLessThan(0.025);
    }
  });

  test('nothing, or nothing known, is no load and no speed', () => {
    expect(service('185/65R15')).toBeNull();
    expect(service('185/65R15 10H')).toBeNull();
    expect(service('185/65R15 88X')).toBeNull();
    expect(service('9.5-24')).toBeNull();
  });
});
