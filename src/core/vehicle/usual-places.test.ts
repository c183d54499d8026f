import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { applyEdit, type Build, emptyBuild } from '../build';
import { firn9, SAMPLES } from '../build/samples';
import { catalogueOf, cataloguePart } from '../parts';
import { starterLayout } from '../remedies';
import { outlineOf, overlaps, sizeOf } from './geometry';
import { massesOf } from './masses';
import { usualPlaces, withoutPlace } from './usual-places';
import { vehicleOf } from './vehicle';

/** The same build with nothing standing anywhere. */
const swept = (build: Build): Build => ({
  ...build,
  circuits: Object.fromEntries(
    Object.entries(build.circuits).map(([name, { devices, conductors }]) => [
      name,
      {
        conductors,
        devices: Object.fromEntries(
          Object.entries(devices).map(([id, { insideId: _, ...device }]) => [id, { ...device, place: null }]),
        ),
      },
    ]),
  ) as unknown as Build['circuits'],
});
const placed = (build: Build): Build =>
  applyEdit(build, { edit: 'placeDevices', input: { places: usualPlaces(build) } }).build;

describe('usual places', () => {
  test('everything finds one, nothing meets another, and nothing stands outside', () => {
    for (const { make } of SAMPLES) {
      const bare = swept(make('x'));
      const build = placed(bare);
      expect(withoutPlace(bare).length).toBeGreaterThan(10);
      expect(withoutPlace(build)).toEqual([]);
      expect(overlaps(build)).toEqual([]);
      const { x0M, x1M, halfWidthM } = outlineOf(build);
      for (const device of Object.values(build.circuits.hv.devices)) {
        if (!device.place) continue;
        const { lengthM, widthM } = sizeOf(device);
        expect(device.place.xM - lengthM / 2).toBeGreaterThanOrEqual(x0M - 1e-3);
        expect(device.place.xM + lengthM / 2).toBeLessThanOrEqual(x1M + 1e-3);
        expect(Math.abs(device.place.yM) + widthM / 2).toBeLessThanOrEqual(halfWidthM + 1e-3);
      }
    }
  });

  test('a usual place is an assumption of the axle loads until the thing is moved', () => {
    const build = placed(swept(firn9()));
    const guessed = (one: Build) => massesOf(vehicleOf(one)).assumed.find((line) => line.startsWith('Usual places'));
    expect(guessed(firn9())).toBeUndefined();
    expect(guessed(build)).toContain('Rear box');
    const moved = applyEdit(build, {
      edit: 'placeDevice',
      input: { deviceId: 'box-rear', zoneId: 'zone-boot', xM: 2.7, yM: 0, zM: 0.6 },
    }).build;
    expect(guessed(moved)).not.toContain('Rear box');
  });

  test('what stands already stays, and the rest goes around it', () => {
    const firn = firn9();
    expect(usualPlaces(firn)).toEqual([]);
    const { motor } = firn.circuits.hv.devices;
    const one: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: { ...firn.circuits.hv, devices: { ...firn.circuits.hv.devices, motor: { ...motor!, place: null } } },
      },
    };
    const [place] = usualPlaces(one);
    expect(place!.deviceId).toBe('motor');
    const meets = (build: Build) => overlaps(build).filter((pair) => pair.some(({ id }) => id === 'motor'));
    expect(meets(placed(one))).toEqual([]);
  });

  test('boxes by turns in the boot and the bay; the drive in the bay', () => {
    const zones = Object.fromEntries(usualPlaces(swept(firn9())).map(({ deviceId, zoneId }) => [deviceId, zoneId]));
    expect([zones['box-rear'], zones['box-front']].sort()).toEqual(['zone-bay', 'zone-boot']);
    expect(zones.motor).toBe('zone-bay');
    expect(zones.inverter).toBe('zone-bay');
  });

  test('whatever cells a new build begins with, what has room is placed without meeting', () => {
    const start = emptyBuild('b', 'Bare');
    fc.assert(
      fc.property(
        fc.integer({ min: 12, max: 110 }),
        fc.constantFrom(1 as const, 2 as const),
        (cellsInSeries, boxes) => {
          const choice = {
            cell: cataloguePart('cell-lfp-100', 'cell'),
            cellsInSeries,
            cellsInParallel: 1,
            inverter: catalogueOf('inverter')[0]!,
            runLengthM: 2.5,
            boxes,
          };
          const { build } = applyEdit(start, { edit: 'layOut', input: starterLayout(start, choice, 'seed') });
          const full = placed(build);
          expect(withoutPlace(full)).toEqual([]);
          expect(overlaps(full)).toEqual([]);
        },
      ),
      { numRuns: 10 },
    );
  });
});
