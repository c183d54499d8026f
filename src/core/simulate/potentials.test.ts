import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '../build/samples';
import { vehicleOf } from '../vehicle';
import { faultNetwork } from './fault-network';
import { everyContactor, joinedWhenOpen, stillFed } from './left-live';
import { potentials } from './potentials';

const samples = [firn9(), larkspur(), teasel()].map((build) => ({ build, vehicle: vehicleOf(build) }));

describe('potentials of the wiring against the nodal solution of the network', () => {
  test.each(samples.map(({ build, vehicle }) => [build.name, vehicle] as const))('%s', (_, vehicle) => {
    const switches = vehicle.devices.filter(({ device }) => ['contactor', 'disconnect', 'fuse'].includes(device.kind));
    fc.assert(
      fc.property(fc.subarray(switches.map(({ id }) => id)), (open) => {
        const network = faultNetwork(vehicle, 'highest', open)!;
        const at = potentials(vehicle, { open: new Set(open), relaysClosed: true });
        const nodes = network.nodes();
        for (const p of nodes) {
          const q = nodes[0]!;
          expect(at.islandOf(p) === at.islandOf(q)).toBe(network.sameIsland(p, q));
          if (network.sameIsland(p, q))
            expect(at.voltageOf(p) - at.voltageOf(q)).toBeCloseTo(network.openVoltage(p) - network.openVoltage(q), 3);
        }
      }),
      { seed: 20261128, numRuns: 25 },
    );
  });
});

test('nothing is fed and nothing joined with every contactor of Firn 9 open; closed, everything is at 90 · 4.2 V', () => {
  const { vehicle } = samples[0]!;
  const open = everyContactor(vehicle);
  expect(stillFed(vehicle, { open }, 0)).toEqual([]);
  expect(joinedWhenOpen(vehicle)).toEqual([]);
  const fed = stillFed(vehicle, { open: new Set() }, 60);
  expect(fed.map(({ device }) => device.id).sort()).toEqual(['charger', 'heater', 'inverter']);
  for (const { voltageV } of fed) expect(voltageV).toBeCloseTo(90 * 4.2, 9);
  expect(fed.find(({ device }) => device.id === 'heater')!.path).toContain('f-heater');
});

test('one pole of Larkspur stays joined with its contactor open, at one point of the pack only', () => {
  const { vehicle } = samples[1]!;
  const joined = joinedWhenOpen(vehicle);
  expect(new Set(joined.map(({ terminal }) => terminal))).toEqual(new Set(['minus']));
  expect(new Set(joined.map(({ voltageV }) => voltageV)).size).toBe(1);
});
