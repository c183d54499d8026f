import { describe, expect, test } from 'vitest';
import { assess } from '../assess';
import { applyEdit, type Build } from '../build';
import { firn9, larkspur } from '../build/samples';
import { readBuild } from '../build/schema';
import { cataloguePart, type InverterPart } from '../parts';
import { livesWith, rankParts, type Tried, tryEdit, waysToTake } from './index';

const tried = (build: Build, id: string, at: string | null): Tried => {
  const part = cataloguePart(id, 'bus-device');
  const way = waysToTake(assess(build), part, 'try').find(({ deviceId }) => deviceId === at)!;
  const trial = tryEdit(build, way.edit);
  if ('refused' in trial) throw new Error(trial.refused);
  return trial;
};

describe('will it live with my build?', () => {
  test('a charger for 400 V is refused on 130 V before it is bought, one for 144 V is not refused for its voltage', () => {
    const wrong = tried(larkspur(), 'charger-400-6600', null);
    expect(livesWith(wrong)).toBe(false);
    // It works from 240 V; forty cells of 3.65 V are full at 146 V.
    expect(wrong.worse.map(({ after }) => `${after.id} ${after.verdict}`)).toContain('device.voltage-min fails');
    const right = tried(larkspur(), 'charger-144-1500', null);
    expect(
      right.worse.filter(({ after }) => after.id.startsWith('device.voltage') && after.verdict === 'fails'),
    ).toEqual([]);
  });

  test('the part that is there makes nothing worse and nothing better', () => {
    const same = tried(larkspur(), 'heater-144-2000', 'heater');
    expect([same.worse, same.better, same.asks]).toEqual([[], [], []]);
  });

  test('ranked: what lives stands before what does not', () => {
    const build = larkspur();
    const candidates = ['heater-400-5000', 'heater-144-2000'].map((id) => {
      const part = cataloguePart(id, 'bus-device');
      return { part, edit: { edit: 'fitPart' as const, input: { deviceId: 'heater', part } } };
    });
    expect(rankParts(build, candidates).map(({ part }) => part.id)).toEqual(['heater-144-2000', 'heater-400-5000']);
  });

  test('a part that is refused says why', () => {
    const trial = tryEdit(larkspur(), {
      edit: 'fitPart',
      input: { deviceId: 'heater', part: cataloguePart('motor-pm-80', 'motor') },
    });
    expect(trial).toMatchObject({ refused: expect.stringContaining('heater') });
  });
});

test('a charger that is added gives what its part says', () => {
  const part = cataloguePart('charger-144-1500', 'bus-device');
  const way = waysToTake(assess(larkspur()), part, 'new').find(({ deviceId }) => deviceId === null)!;
  const { build } = applyEdit(larkspur(), way.edit);
  const fresh = Object.values(build.circuits.hv.devices).find(
    ({ id, partId }) => partId === part.id && !Object.hasOwn(larkspur().circuits.hv.devices, id),
  );
  expect(fresh!.powersW).toEqual({ charging: 1500 });
});

test('another part brings its own draws; what somebody typed stays', () => {
  const swap = (cruise: number) => {
    const typed = applyEdit(firn9(), {
      edit: 'setDevicePower',
      input: { deviceId: 'heater', state: 'cruise', powerW: cruise },
    }).build;
    const part = { ...cataloguePart('heater-400-5000', 'bus-device'), id: 'own-heater', ratedPowerW: 3000 };
    return applyEdit(typed, { edit: 'fitPart', input: { deviceId: 'heater', part } }).build.circuits.hv.devices.heater!;
  };
  expect(swap(5000).powersW!.cruise).toBe(3000);
  expect(swap(1234).powersW!.cruise).toBe(1234);
});

test('a charger whose sheet does not say what it gives leaves the figure of the old one behind: it is asked for', () => {
  const { chargePowerW: _, ...silent } = cataloguePart('charger-144-1500', 'bus-device');
  const charger = Object.values(larkspur().circuits.hv.devices).find(({ partId }) => partId === silent.id)!;
  const rated = applyEdit(larkspur(), {
    edit: 'setDevicePower',
    input: { deviceId: charger.id, state: 'charging', powerW: 1500 },
  }).build;
  const swapped = applyEdit(rated, {
    edit: 'fitPart',
    input: { deviceId: charger.id, part: { ...silent, id: 'own-charger' } },
  }).build;
  expect(swapped.circuits.hv.devices[charger.id]!.powersW!.charging).toBeUndefined();
});

describe('figures that nobody knows', () => {
  const own = (origin: 'unknown' | 'plate'): Build => {
    const part: InverterPart = {
      ...cataloguePart('inverter-144-400', 'inverter'),
      id: 'own-inverter',
      provenance: 'own',
      origins: { linkCapacitanceF: origin, maxBatteryCurrentA: 'guess' },
    };
    return applyEdit(larkspur(), { edit: 'fitPart', input: { deviceId: 'inverter', part } }).build;
  };
  const of = (build: Build) => assess(build).checks.filter(({ id }) => id === 'part.unknown');

  test('are asked for, and the build is undecided until they are told', () => {
    expect(of(own('unknown'))[0]).toMatchObject({ verdict: 'needs-data', missing: [{ what: 'link capacitance' }] });
    expect(assess(own('unknown')).outcome).not.toBe('holds');
    expect(of(own('plate'))[0]!.verdict).toBe('holds');
    expect(of(larkspur())).toEqual([]);
  });

  test('a guess stands among what the device’s checks assume', () => {
    const check = assess(own('plate')).checks.find(
      ({ id, subject }) => id === 'device.voltage-max' && subject.id === 'inverter',
    )!;
    expect(check.assumed.join()).toContain('max battery current guessed');
  });

  test('survive the file', () => {
    const build = own('unknown');
    const read = readBuild(JSON.parse(JSON.stringify(build)));
    expect(read).toMatchObject({ ok: true, build: { parts: build.parts } });
  });

  test('origins of figures that the kind does not have are refused', () => {
    const build = structuredClone(own('unknown')) as unknown as { parts: Record<string, { origins: object }> };
    build.parts['own-inverter']!.origins = { shoeSize: 'plate' };
    expect(readBuild(build)).toMatchObject({ ok: false });
  });
});
