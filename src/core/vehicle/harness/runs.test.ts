import { describe, expect, test } from 'vitest';
import type { Build } from '../../build';
import { firn9, larkspur, SAMPLES, teasel } from '../../build/samples';
import { Memory } from '../memory';
import { runsOf } from './runs';
import { harnessOf } from './wires';

const wiresOf = (build: Build) => harnessOf({ build, memory: new Memory() }).wires;

describe('runs of wires', () => {
  test.each(SAMPLES.map(({ key, make }) => [key, make] as const))('%s: each wire is told exactly once', (key, make) => {
    const build = make(key);
    const wires = wiresOf(build);
    const { runs, within, unplaced, knots } = runsOf(build, wires);
    const told = [...runs.flatMap((run) => run.wires), ...within, ...unplaced].map(({ id }) => id);
    expect(told.sort()).toEqual(wires.map(({ id }) => id).sort());
    for (const { from, to, way, longestM, unmeasured, wires: own } of runs) {
      expect(from.id).not.toBe(to.id);
      expect(way.length).toBeGreaterThanOrEqual(2);
      expect(knots.map(({ id }) => id)).toEqual(expect.arrayContaining([from.id, to.id]));
      expect(longestM === null).toBe(unmeasured === own.length);
    }
  });

  test('a thing inside a box is where the box is: the wire between the two is within', () => {
    const build = firn9();
    const inner = Object.values(build.circuits.hv.devices).find(({ insideId }) => insideId !== undefined)!;
    const [wire] = wiresOf(build);
    const bent = {
      ...wire!,
      ends: {
        a: { ...wire!.ends.a, hostId: inner.id },
        b: { ...wire!.ends.b, hostId: inner.insideId! },
      },
    };
    expect(runsOf(build, [bent])).toMatchObject({ runs: [], within: [bent], unplaced: [] });
  });

  test('moved on the plan, its run ends where it is now; without a place it is told to have none', () => {
    const build = larkspur();
    const inverter = Object.values(build.circuits.hv.devices).find(({ kind }) => kind === 'inverter')!;
    const own = wiresOf(build).filter(
      ({ circuit, ends }) => circuit === 'signal' && [ends.a.hostId, ends.b.hostId].includes(inverter.id),
    );
    expect(own.length).toBeGreaterThan(3);
    const at = { ...inverter.place!, xM: 3.21, yM: 0.12 };
    const put = (place: typeof at | null): Build => ({
      ...build,
      circuits: {
        ...build.circuits,
        hv: { ...build.circuits.hv, devices: { ...build.circuits.hv.devices, [inverter.id]: { ...inverter, place } } },
      },
    });
    const ends = runsOf(put(at), own).runs.flatMap(({ way }) => [way[0]!, way.at(-1)!]);
    expect(ends.filter(({ xM, yM }) => xM === 3.21 && yM === 0.12).length).toBeGreaterThan(0);
    expect(runsOf(put(null), own).unplaced).toEqual(own);
  });

  test('a fitting that is somewhere in a zone is drawn in the middle of it, and said not to be exact', () => {
    const build = teasel();
    const zoneId = Object.keys(build.zones)[0]!;
    const extent = { x0M: 0, x1M: 1, y0M: -0.5, y1M: 0.5, z0M: 0.5, z1M: 1.5 };
    const placed: Build = {
      ...build,
      zones: { ...build.zones, [zoneId]: { ...build.zones[zoneId]!, extent } },
      harness: {
        ...build.harness,
        fittings: { f: { id: 'f', name: 'Strip', kind: 'strip', zoneId } },
      } as Build['harness'],
    };
    const [wire] = wiresOf(build).filter(({ ends }) => build.circuits.hv.devices[ends.b.hostId]?.place);
    const bent = { ...wire!, ends: { ...wire!.ends, a: { ...wire!.ends.a, hostId: 'f' } } };
    const { knots } = runsOf(placed, [bent]);
    expect(knots.find(({ exact }) => !exact)?.at).toEqual({ xM: 0.5, yM: 0, zM: 1 });
  });
});
