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

test('from 24 to 800 V there is no voltage without an inverter, a charger and a converter that live from full down to three quarters', () => {
  const kinds = [
    catalogueOf('inverter'),
    catalogueOf('bus-device').filter(({ chargePowerW }) => chargePowerW !== undefined),
    catalogueOf('bus-device').filter(({ name }) => /converter/i.test(name)),
  ];
  for (const parts of kinds) {
    const holes: number[] = [];
    for (let fullV = 27; fullV <= 850; fullV++)
      if (!parts.some(({ window }) => window.workingMinV <= 0.75 * fullV && window.workingMaxV >= fullV))
        holes.push(fullV);
    expect(holes).toEqual([]);
  }
});

test('motors are wound for every class: some base speed is reached at each voltage from 48 to 700', () => {
  const wound = catalogueOf('motor').map(({ baseLinkV }) => baseLinkV);
  for (const volts of [48, 96, 144, 230, 330, 650])
    expect(wound.some((link) => link / volts > 0.7 && link / volts < 1.3)).toBe(true);
});
