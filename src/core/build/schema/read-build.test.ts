import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { firn9 } from '../samples';
import { buildJsonSchema, readBuild, readBuildText } from './index';

const text = JSON.stringify(firn9());
const fresh = (): Record<string, never> & ReturnType<typeof firn9> => JSON.parse(text);
// biome-ignore lint/suspicious/noExplicitAny: damaging a document on purpose
const damaged = (damage: (build: any) => void): unknown => {
  const build = fresh();
  damage(build);
  return build;
};

test('a build survives being written and read: identical', () => {
  expect(readBuildText(text)).toEqual({ ok: true, build: firn9() });
});

describe('damaged and hostile files are refused with path, reason and remedy', () => {
  test.each<[string, unknown, RegExp]>([
    ['no object', [1, 2], /\(file\)/],
    [
      'another format',
      damaged((b) => {
        b.format = 'x';
      }),
      /^format/,
    ],
    [
      'a newer version',
      damaged((b) => {
        b.version = 7;
      }),
      /^version/,
    ],
    [
      'a missing field',
      damaged((b) => {
        delete b.duty.cruisePowerW;
      }),
      /^duty\.cruisePowerW/,
    ],
    [
      'text for a number',
      damaged((b) => {
        b.duty.cruisePowerW = '5 kW';
      }),
      /^duty\.cruisePowerW/,
    ],
    [
      'an unknown field',
      damaged((b) => {
        b.duty.speed = 5;
      }),
      /^duty\.speed/,
    ],
    [
      'a negative length',
      damaged((b) => {
        b.circuits.hv.conductors['c-minus'].lengthM = -2;
      }),
      /c-minus\.lengthM/,
    ],
    [
      'a dangling device',
      damaged((b) => {
        b.circuits.hv.conductors['c-minus'].a.deviceId = 'ghost';
      }),
      /c-minus\.a\.deviceId/,
    ],
    [
      'no such terminal',
      damaged((b) => {
        b.circuits.hv.conductors['c-minus'].a.terminal = 'z';
      }),
      /c-minus\.a\.terminal/,
    ],
    [
      'a part of the wrong kind',
      damaged((b) => {
        b.circuits.hv.devices['f-mid'].partId = 'shunt-500';
      }),
      /f-mid\.partId/,
    ],
    [
      'a key that differs from its id',
      damaged((b) => {
        b.zones['zone-boot'].id = 'other';
      }),
      /zones\.zone-boot/,
    ],
    [
      'an id used twice',
      damaged((b) => {
        b.circuits.hv.conductors.heater = { ...b.circuits.hv.conductors['c-minus'], id: 'heater' };
      }),
      /conductors\.heater/,
    ],
    [
      'an absurd number of cells',
      damaged((b) => {
        b.circuits.hv.devices['box-rear'].cellsInSeries = 1e12;
      }),
      /cellsInSeries/,
    ],
    [
      'both ends on one terminal',
      damaged((b) => {
        b.circuits.hv.conductors['c-minus'].b = b.circuits.hv.conductors['c-minus'].a;
      }),
      /c-minus/,
    ],
  ])('%s', (_, data, path) => {
    const read = readBuild(data);
    expect(read.ok).toBe(false);
    if (read.ok) return;
    expect(read.errors[0]!.path).toMatch(path);
    for (const { reason, remedy } of read.errors) expect(Math.min(reason.length, remedy.length)).toBeGreaterThan(8);
  });

  test('keys that reach for the prototype are refused and reach nothing', () => {
    const hostile = text.replace('"notes":', '"__proto__": {"polluted": true}, "notes":');
    const read = readBuildText(hostile);
    expect(read).toMatchObject({ ok: false, errors: [{ path: '__proto__' }] });
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });

  test('text that is no JSON and text that is too long are said to be so', () => {
    expect(readBuildText('{"format": "ropeway-build", ')).toMatchObject({ ok: false, errors: [{ path: '(file)' }] });
    expect(readBuildText(' '.repeat(20_000_001))).toMatchObject({
      ok: false,
      errors: [{ reason: 'is larger than 20 MB.' }],
    });
  });
});

test('mutated files are read whole or refused whole, and never throw', () => {
  fc.assert(
    fc.property(
      fc.nat(text.length - 1),
      fc.constantFrom('', '"', '}', '0', '-', 'null', '1e999', '[', '__proto__'),
      fc.nat(40),
      (at, put, drop) => {
        const read = readBuildText(text.slice(0, at) + put + text.slice(at + drop));
        expect(read.ok ? read.build.format : read.errors.length > 0).toBeTruthy();
      },
    ),
    { seed: 51, numRuns: 300 },
  );
});

test('the published schema names every top-level field', () => {
  const schema = buildJsonSchema() as { properties: Record<string, unknown>; required: string[] };
  // Firn 9 and what only other builds have.
  const others = [
    'restraint',
    'modules',
    'stage',
    'presetSpeed',
    'ownLimits',
    'drives',
    'health',
    'inHand',
    'costs',
    'customer',
    'oldFaults',
    'secondPack',
    'settings',
    'logbook',
  ];
  expect(Object.keys(schema.properties).sort()).toEqual([...Object.keys(firn9()), ...others].sort());
  expect(schema.required).toContain('circuits');
});

describe('more than any build has is refused before it is looked into', () => {
  const firn = firn9('b');
  const reasonOf = (data: unknown) => {
    const read = readBuild(data);
    return read.ok ? 'read' : read.errors.map(({ path, reason }) => `${path}: ${reason}`).join(' ');
  };
  test('six million numbers in a trip', () => {
    const many = new Array(3_000_000).fill(1);
    const trip = { name: 'Long', speedsMPerS: many, grades: many };
    expect(reasonOf({ ...firn, duty: { ...firn.duty, ownTrip: trip } })).toMatch(/has more than 2 million values\.$/);
  });
  test('200,000 devices', () => {
    const device = Object.values(firn.circuits.hv.devices)[0]!;
    const devices = Object.fromEntries(Array.from({ length: 200_000 }, (_, k) => [`d${k}`, device]));
    const hv = { ...firn.circuits.hv, devices };
    expect(reasonOf({ ...firn, circuits: { ...firn.circuits, hv } })).toBe(
      'circuits.hv.devices: has 200000 fields or entries.',
    );
  });
  test('6,000 devices, more than a circuit takes', () => {
    const device = Object.values(firn.circuits.hv.devices)[0]!;
    const devices = Object.fromEntries(Array.from({ length: 6000 }, (_, k) => [`d${k}`, device]));
    const hv = { ...firn.circuits.hv, devices };
    expect(reasonOf({ ...firn, circuits: { ...firn.circuits, hv } })).toMatch(/5000 entries at most/);
  });
  test('a million keys that no build knows, each as long as it likes', () => {
    const keys = Object.fromEntries(Array.from({ length: 1_000_000 }, (_, k) => [`k${k}`, 1]));
    const said = reasonOf({ ...firn, ...keys });
    expect(said).toMatch(/^\(file\): has 10000\d\d fields or entries\.$/);
    const long = reasonOf({ ...firn, ['x'.repeat(100_000)]: 1 });
    expect(long.length).toBeLessThan(500);
    expect(long).toContain('…');
  });
});
