import { expect, test } from 'vitest';
import { type Overlay, onLiveWire } from './overlay';

const wires = [
  {
    id: 'hot',
    points: [
      [0, 0],
      [10, 0],
      [10, 20],
    ] as const,
    chip: null,
  },
  {
    id: 'cold',
    points: [
      [10, 20],
      [40, 20],
    ] as const,
    chip: null,
  },
];
const overlay = (live: Overlay['live']): Overlay => ({ flow: null, live, open: new Set() });

test('a joint is live on a wire that cells hold up, along it and at its ends, and nowhere else', () => {
  const live = overlay(
    new Map([
      ['hot', 'hazardous' as const],
      ['cold', 'dead' as const],
    ]),
  );
  expect(onLiveWire(wires, live, 5, 0)).toBe(true);
  expect(onLiveWire(wires, live, 10, 20)).toBe(true);
  expect(onLiveWire(wires, live, 40, 20)).toBe(false);
  expect(onLiveWire(wires, live, 5, 5)).toBe(false);
});

test('where the drawing shows currents, joints keep their colour', () => {
  expect(onLiveWire(wires, overlay(null), 99, 99)).toBe(true);
  expect(onLiveWire(wires, null, 99, 99)).toBe(true);
});
