import { expect, test } from 'vitest';
import { assess } from '../../assess';
import type { Build } from '../../build';
import { firn9 } from '../../build/samples';

const firn = firn9();
const heater = firn.circuits.hv.devices.heater!;
const mostW = Math.max(...Object.values(heater.powersW ?? {}));

/** Firn 9 with a heater that is rated for so many times what it is entered with. */
function rated(times: number): Build {
  const part = firn.parts[heater.partId!]!;
  const other = { ...part, id: 'other-heater', ratedPowerW: times * mostW } as typeof part;
  const { hv } = firn.circuits;
  return {
    ...firn,
    parts: { ...firn.parts, [other.id]: other },
    circuits: {
      ...firn.circuits,
      hv: { ...hv, devices: { ...hv.devices, heater: { ...heater, partId: other.id } } },
    },
  };
}
const powerOf = (build: Build) =>
  assess(build).checks.find(({ id, subject }) => id === 'device.power' && subject.id === 'heater')!;

test('a heater that is entered with far less than it is rated for holds, and what it rests on is said', () => {
  const check = powerOf(rated(2));
  expect(check.verdict).toBe('holds');
  // P ≤ P_rated: half is left.
  expect(check.margin).toBeCloseTo(0.5, 12);
  expect(check.assumed.join(' ')).toMatch(/is rated for .* and entered with .* at most: its setting holds it there/);
});

test('one that may draw nearly what it is rated for rests on no setting, and one that asks for more fails', () => {
  expect(powerOf(rated(1.2)).assumed.join(' ')).not.toContain('its setting holds it there');
  expect(powerOf(rated(0.8))).toMatchObject({ verdict: 'fails' });
});

test('a converter far under its rating is held there by its loads, and nothing is said of a setting', () => {
  const converters = assess(firn).checks.filter(({ id, subject }) => id === 'device.power' && subject.id !== 'heater');
  expect(converters.length).toBeGreaterThan(0);
  expect(converters.flatMap(({ assumed }) => assumed).join(' ')).not.toContain('its setting holds it there');
});
