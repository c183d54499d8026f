import { describe, expect, test } from 'vitest';
import { sensorCheck } from './pedal-sensor';

const taught = { pedalRestV: 0.8, pedalFullV: 4.1, pedalLowV: 0.5, pedalHighV: 4.5 };
const check = (restV: number, fullV: number) => sensorCheck(taught, { restV, fullV })!;

describe('a replaced pedal against what the control was taught', () => {
  test('the same ends serve', () => {
    expect(check(0.8, 4.1)).toEqual({ restSeen: 0, fullSeen: 1, findings: [] });
  });
  test('by the straight line between the taught ends: 1.46 V is a fifth of the way', () => {
    // (1.46 − 0.8) / (4.1 − 0.8) = 0.2
    expect(check(1.46, 4.1).restSeen).toBeCloseTo(0.2, 9);
    expect(check(1.46, 4.1).findings).toEqual(['at rest it counts as pressed: it would pull away as the gear goes in']);
  });
  test('one that does not reach the end, one that begins late', () => {
    expect(check(0.8, 3.2).findings).toEqual(['pressed down it does not give everything']);
    expect(check(0.55, 4.1).findings).toEqual(['the first part of its way does nothing']);
  });
  test('outside the window, at rest and pressed down', () => {
    expect(check(0.3, 4.1).findings[0]).toContain('outside the window');
    expect(check(0.8, 4.7).findings[0]).toContain('outside the window');
  });
  test('the wrong way round comes first', () => {
    expect(check(4.1, 0.8).findings[0]).toContain('the wrong way round');
  });
  test('without taught ends nothing is said', () => {
    expect(sensorCheck({}, { restV: 0.8, fullV: 4.1 })).toBeNull();
    expect(sensorCheck({ pedalRestV: 1, pedalFullV: 1 }, { restV: 0.8, fullV: 4.1 })).toBeNull();
  });
});
