import { describe, expect, test } from 'vitest';
import { airPressurePa, heatFromCylinder } from './air';
import { ROAD_VEHICLE_SIZES } from './cable-sizes';
import { METALS, resistance20FromArea, resistanceAt, strandedDiameterMm } from './conductor';

const still = {
  ambientC: 20,
  airSpeedMPerS: 0,
  airPressurePa: 101325,
  emissivity: 0.9,
  convectionShare: 1,
  radiationShare: 1,
};

test('standard atmosphere: 1,900 m is 80.5 kPa and 5,000 m 54.0 kPa (ISO 2533 table)', () => {
  expect(airPressurePa(0)).toBe(101325);
  expect(airPressurePa(1900) / 1000).toBeCloseTo(80.5, 1);
  expect(airPressurePa(5000) / 1000).toBeCloseTo(54.0, 1);
});

describe('heat from a horizontal cylinder', () => {
  test('radiation alone is ε·π·D·σ·(T⁴ − T⁴)', () => {
    const place = { ...still, convectionShare: 0 };
    const expected = 0.9 * Math.PI * 0.02 * 5.670374419e-8 * ((273.15 + 80) ** 4 - (273.15 + 20) ** 4);
    expect(heatFromCylinder(0.02, 80, place)).toBeCloseTo(expected, 9);
  });

  test('still air about a 20 mm pipe at 80 °C in 20 °C: textbook air at 323 K gives Ra 3.3e4, Nu 6.1, h 8.5 W/m²K', () => {
    // Air at 323 K (textbook table): k 0.0281 W/mK, ν 1.81e-5 m²/s, Pr 0.704.
    const rayleigh = (9.81 * 60 * 0.02 ** 3 * 0.704) / (323 * 1.81e-5 ** 2);
    const nusselt = (0.6 + (0.387 * rayleigh ** (1 / 6)) / (1 + (0.559 / 0.704) ** (9 / 16)) ** (8 / 27)) ** 2;
    const expected = Math.PI * 0.0281 * nusselt * 60;
    const found = heatFromCylinder(0.02, 80, { ...still, radiationShare: 0 });
    expect(found / expected).toBeGreaterThan(0.97);
    expect(found / expected).toBeLessThan(1.03);
  });

  test('wind of 3 m/s cools several times as much as still air, and neither heats when the surface is colder', () => {
    const calm = heatFromCylinder(0.015, 60, { ...still, radiationShare: 0 });
    const windy = heatFromCylinder(0.015, 60, { ...still, radiationShare: 0, airSpeedMPerS: 3 });
    expect(windy / calm).toBeGreaterThan(3);
    expect(heatFromCylinder(0.015, 10, still)).toBe(0);
  });

  test('thin mountain air carries less', () => {
    expect(heatFromCylinder(0.015, 60, { ...still, airPressurePa: airPressurePa(1900) })).toBeLessThan(
      heatFromCylinder(0.015, 60, still),
    );
  });
});

describe('conductors', () => {
  test('copper gains 39.3 % over 100 K and aluminium 40.3 %', () => {
    expect(resistanceAt(1, 120, 'copper')).toBeCloseTo(1.393, 9);
    expect(resistanceAt(1, 120, 'aluminium')).toBeCloseTo(1.403, 9);
  });

  test('resistance from the area is ρ/A with 2 % for stranding', () => {
    expect(resistance20FromArea(50, 'copper') * 1000).toBeCloseTo((1.7241e-8 / 50e-6) * 1.02 * 1000, 9);
    expect(METALS.aluminium.resistivity20OhmM / METALS.copper.resistivity20OhmM).toBeCloseTo(1.64, 2);
  });

  test('the table of sizes falls with the size, and area times resistance stays near that of copper', () => {
    const rows = ROAD_VEHICLE_SIZES.map(({ areaMm2: area, milliohmPerM: milliohm }) => ({ area, milliohm }));
    for (let i = 1; i < rows.length; i++) expect(rows[i]!.milliohm).toBeLessThan(rows[i - 1]!.milliohm);
    for (const { area, milliohm } of rows) {
      expect(area * milliohm).toBeGreaterThan(17.2);
      expect(area * milliohm).toBeLessThan(20.5);
    }
  });

  test('a stranded conductor is thicker than solid copper of its area', () => {
    expect(strandedDiameterMm(35)).toBeCloseTo(Math.sqrt((4 * 35) / (Math.PI * 0.62)), 9);
    expect(strandedDiameterMm(6)).toBeGreaterThan(Math.sqrt((4 * 6) / Math.PI));
  });
});
