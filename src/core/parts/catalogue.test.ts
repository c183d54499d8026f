import { expect, test } from 'vitest';
import { CATALOGUE, catalogueOf } from './index';

test('ids are unique', () => {
  expect(new Set(CATALOGUE.map((part) => part.id)).size).toBe(CATALOGUE.length);
});

test('every cable is wider than its conductor and near the resistance of its metal', () => {
  for (const cable of catalogueOf('cable')) {
    expect(cable.outerDiameterMm).toBeGreaterThan(cable.conductorDiameterMm);
    // ρ20/A of annealed copper (IEC 60028) or hard-drawn aluminium (IEC 60889) is the floor; fine stranding and tinning add up to 10 %.
    const floor = (cable.metal === 'copper' ? 1.7241e-8 : 2.8264e-8) / (cable.areaMm2 * 1e-6);
    // The conductor alone weighs its area times its density.
    const metalKg = cable.areaMm2 * 1e-6 * (cable.metal === 'copper' ? 8890 : 2703);
    expect(cable.massKgPerM).toBeGreaterThan(metalKg);
    expect(cable.massKgPerM).toBeLessThan(metalKg + 0.4);
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
