import { expect, test } from 'vitest';
import { SAMPLES } from '../../build/samples';
import { Memory } from '../memory';
import { hvTerminalsOf } from './pins';

test.each(SAMPLES.map(({ key, make }) => [key, make] as const))(
  '%s: both ends of each traction cable are on the terminal that the circuit names, and on no other',
  (key, make) => {
    const build = make(key);
    const found = hvTerminalsOf({ build, memory: new Memory() }).flatMap(({ id, terminals }) =>
      terminals.flatMap(({ terminal, ends }) => ends.map(({ wire, side }) => `${wire.id} ${side} ${id} ${terminal}`)),
    );
    const designed = Object.values(build.circuits.hv.conductors)
      .filter(({ kind }) => kind === 'cable')
      .flatMap(({ id, a, b }) => [`${id} a ${a.deviceId} ${a.terminal}`, `${id} b ${b.deviceId} ${b.terminal}`]);
    expect(found.sort()).toEqual(designed.sort());
    expect(designed.length).toBeGreaterThan(10);
  },
);
