import { describe, expect, test } from 'vitest';
import { CATALOGUE, cataloguePart } from './catalogue';
import { contradictions } from './contradictions';

test('no part of the catalogue contradicts itself', () => {
  expect(CATALOGUE.flatMap((part) => contradictions(part).map((words) => `${part.id}: ${words}`))).toEqual([]);
});

const fuse = cataloguePart('fuse-traction-500-300', 'fuse');
const cell = cataloguePart('cell-lfp-180-gentle', 'cell');
const contactor = cataloguePart('contactor-450-250', 'contactor');
const cable = cataloguePart('cable-plain-4', 'cable');
const heater = cataloguePart('heater-144-2000', 'bus-device');

describe('what can not be true together is said', () => {
  test.each([
    ['a curve that rises', { ...fuse, multiples: [1, 2, 3, 4, 5, 6, 7] }, 'does not fall'],
    ['melts at its rated current', { ...fuse, fusingMultiple: 1, nonFusingMultiple: 0.9 }, 'at its rated current'],
    ['melts at what it bears', { ...fuse, nonFusingMultiple: fuse.fusingMultiple }, 'said to bear'],
    ['lets through less than melting takes', { ...fuse, totalOverPreArcing: 0.9 }, 'less than it takes'],
    ['carries more than rated', { ...fuse, continuousFactor: 1.1 }, 'for good'],
    ['emptier than nominal', { ...cell, emptyV: 3.3 }, 'not in this order'],
    ['4.2 V on iron phosphate', { ...cell, fullV: 4.2 }, 'more than this chemistry bears (3.8 V)'],
    ['emptied to 1.5 V', { ...cell, emptyV: 1.5 }, 'less than this chemistry bears (2 V)'],
    ['pick-up above rated', { ...contactor, coilPickUpV: 13 }, 'above its rated 12 V'],
    ['hold above pick-up', { ...contactor, coilPickUpV: 8, coilHoldV: 9 }, 'drops out under 9 V'],
    ['a 120 V coil that picks up at 9 V', { ...contactor, coilVoltageV: 120, coilPickUpV: 9 }, 'does not pick up'],
    ['breaks more backwards', { ...contactor, reverseBreakCurrentA: contactor.breakCurrentA + 1 }, 'backwards'],
    // 4 mm² of copper: 17.241/4 mΩ/m with 2 % of stranding is 4.4 mΩ/m (IEC 60028).
    ['a tenth of the resistance', { ...cable, resistance20OhmPerM: 0.00047 }, '0.47 mΩ/m'],
    ['a conductor thinner than its area', { ...cable, conductorDiameterMm: 2 }, '2 mm across'],
    ['a window upside down', { ...heater, window: { workingMinV: 180, workingMaxV: 170, absoluteMaxV: 190 } }, 'order'],
    ['off above on', { ...heater, turnOnV: 60, turnOffV: 70 }, 'above the 60 V'],
  ] as const)('%s', (_, part, words) => {
    const found = contradictions(part);
    expect(found).toHaveLength(1);
    expect(found[0]).toContain(words);
  });
});

test('a module of six cells is judged by its cells', () => {
  const module = { ...cataloguePart('cell-nmc-module-176', 'cell') };
  expect(contradictions(module)).toEqual([]);
  const cells = Math.round(module.nominalV / 3.65);
  expect(contradictions({ ...module, fullV: 4.5 * cells })).toHaveLength(1);
});

test('what nobody knows contradicts nothing, what is told does', () => {
  const motor = { ...cataloguePart('motor-induction-25', 'motor'), continuousPowerW: 90000 };
  expect(contradictions(motor)).toEqual(['it gives more for good than at its peak']);
  expect(contradictions({ ...motor, origins: { continuousPowerW: 'unknown' } })).toEqual([]);
  expect(contradictions({ ...motor, origins: { continuousPowerW: 'plate' } })).toHaveLength(1);
});
