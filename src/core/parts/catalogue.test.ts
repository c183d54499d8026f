import { expect, test } from 'vitest';
import { CATALOGUE, catalogueOf } from './index';

test('ids are unique', () => {
  expect(new Set(CATALOGUE.map((part) => part.id)).size).toBe(CATALOGUE.length);
});

test('every cable is wider than its conductor and near the resistance of its copper', () => {
  for (const cable of catalogueOf('cable')) {
    expect(cable.outerDiameterMm).toBeGreaterThan(cable.conductorDiameterMm);
    // ρ20/A of annealed copper (IEC 60028) is the floor; fine stranding and tinning add up to 10 %.
    const floor = 1.7241e-8 / (cable.areaMm2 * 1e-6);
    expect(cable.resistance20OhmPerM / floor).toBeGreaterThan(1);
    expect(cable.resistance20OhmPerM / floor).toBeLessThan(1.16);
  }
});

test('every window is in order and every cell charges above its nominal voltage', () => {
  for (const part of CATALOGUE) {
    if ('window' in part)
      expect([part.window.workingMinV, part.window.workingMaxV, part.window.absoluteMaxV]).toEqual(
        [part.window.workingMinV, part.window.workingMaxV, part.window.absoluteMaxV].sort((p, q) => p - q),
      );
    if (part.kind === 'cell') expect(part.fullV).toBeGreaterThan(part.nominalV);
  }
});
