import { expect, test } from 'vitest';
import { assess } from '../../assess';
import type { Build } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { say } from '../../checks';
import { coilCircuit } from '../../vehicle';

const said = (build: Build) =>
  Object.fromEntries(
    assess(build)
      .checks.filter(({ id }) => id === 'contactor.commanded')
      .map((check) => [check.subject.id, check]),
  );

/** A wire from one side of a contact of the 12-volt circuit to the other. */
function bridged(build: Build, deviceId: string): Build {
  const { hv, lv } = build.circuits;
  const model = Object.values(lv.conductors).find(({ b }) => b.deviceId === deviceId)!;
  const bridge = {
    ...model,
    id: 'bridge',
    name: 'Bridge',
    a: { deviceId, terminal: 'a' },
    b: { deviceId, terminal: 'b' },
  };
  return { ...build, circuits: { hv, lv: { ...lv, conductors: { ...lv.conductors, bridge } } } };
}

/** By the sequence (reference of the trade): the main contactor of the precharged pole closes last, precharge lets go once it is in, charging closes its own. */
const OPEN_SOMEWHERE: Readonly<Record<string, readonly string[]>> = {
  'Firn 9': ['k-plus', 'k-pre'],
  Larkspur: ['k-dc', 'k-main', 'k-pre'],
  Teasel: ['k-main', 'k-pre'],
};

test('each contactor that some state with the key on leaves open is judged, and holds in the samples', () => {
  for (const build of [firn9(), larkspur(), teasel()]) {
    const checks = said(build);
    expect(Object.keys(checks).sort()).toEqual(OPEN_SOMEWHERE[build.name]);
    expect(Object.values(checks).map(({ verdict }) => verdict)).toEqual(OPEN_SOMEWHERE[build.name]!.map(() => 'holds'));
  }
});

test('a driver that is bridged holds just its own contactor in, and is told where nothing commands it', () => {
  for (const build of [firn9(), larkspur(), teasel()])
    for (const [driverId, coilId] of coilCircuit(assess(build).vehicle)!.driverOf) {
      const checks = said(bridged(build, driverId));
      for (const [id, check] of Object.entries(checks))
        expect(check.verdict, `${build.name}: ${driverId}, ${id}`).toBe(id === coilId ? 'fails' : 'holds');
    }
});

test('precharge that stays in is told for driving, a main contactor for precharging', () => {
  const pole = said(bridged(firn9(), driverOf(firn9(), 'k-plus')))['k-plus']!;
  expect(say(pole).line).toBe('nothing commands it in precharge, and its coil is fed');
  const relay = said(bridged(firn9(), driverOf(firn9(), 'k-pre')))['k-pre']!;
  expect(say(relay).line).toMatch(/^nothing commands it in ready, cruise, .*, and its coil is fed$/);
});

const driverOf = (build: Build, coilId: string): string =>
  [...coilCircuit(assess(build).vehicle)!.driverOf].find(([, coil]) => coil === coilId)![0];
