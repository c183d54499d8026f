import { expect, test } from 'vitest';
import { assess } from '../../assess';
import { firn9 } from '../../build/samples';

test('a converter whose part nobody told is asked for, and not taken for one that feeds', () => {
  const build = firn9();
  const { hv } = build.circuits;
  const charger = { ...hv.devices.charger!, partId: null };
  const untold = { ...build, circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, charger } } } };
  const of = (one: typeof build) => assess(one).checks.find(({ id }) => id === 'charging.auxiliary');
  expect(of(build)!.verdict).toBe('holds');
  expect(of(untold)!.verdict).toBe('needs-data');
});
