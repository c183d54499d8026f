import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Conductor } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { say } from '../../checks';
import { both, wire } from '../../testing/corpus/change';
import { chance } from '../../testing/mutate';
import { Memory } from '../../vehicle';

const seen = (build: Build) => assess(build).checks.filter(({ id }) => id === 'lv.bypassed');
const speaking = (build: Build) =>
  seen(build)
    .filter(({ verdict }) => verdict !== 'holds')
    .map(({ subject }) => subject.id);

/** A main switch in the battery's feed, opened when the car is parked. */
function mainSwitch(build: Build, opensParked: boolean): Build {
  return applyEdit(build, {
    edit: 'insertDevice',
    input: {
      conductorId: 'low-w2',
      device: { id: 'main', kind: 'lv-switch', name: 'Main switch', partId: null, place: null, opensParked },
      newConductorId: 'main-after',
    },
  }).build;
}

/** A fuse of its own from one side of the main switch to the other. */
function clockFuse(build: Build): Build {
  const { lv } = build.circuits;
  const fuse = { ...lv.devices['low-radio-fuse']!, id: 'clock-fuse', name: 'Clock fuse' };
  const model = lv.conductors['low-radio-w3']!;
  const between = (id: string, a: Conductor['a'], b: Conductor['b']): Conductor => ({ ...model, id, name: id, a, b });
  return {
    ...build,
    circuits: {
      ...build.circuits,
      lv: {
        devices: { ...lv.devices, 'clock-fuse': fuse },
        conductors: {
          ...lv.conductors,
          'clock-1': between('clock-1', { deviceId: 'main', terminal: 'a' }, { deviceId: 'clock-fuse', terminal: 'a' }),
          'clock-2': between('clock-2', { deviceId: 'clock-fuse', terminal: 'b' }, { deviceId: 'main', terminal: 'b' }),
        },
      },
    },
  };
}

/** By trying: everything that wires, fuses and the body reach from one end of a fuse or contact without itself. */
function byTrying({ circuits: { lv, hv } }: Build): string[] {
  const landed = new Set(
    Object.values(lv.conductors).flatMap(({ a, b }) => [a, b].map((end) => `${end.deviceId}.${end.terminal}`)),
  );
  const between = (at: string): [string, string] | null => {
    const { kind } = (lv.devices[at] ?? hv.devices[at])!;
    if (kind === 'disconnect') return [`${at}.auxA`, `${at}.auxB`];
    return ['lv-fuse', 'lv-switch', 'relay', 'emergency-stop', 'inertia-switch', 'interlock-contact'].includes(kind)
      ? [`${at}.a`, `${at}.b`]
      : null;
  };
  const pairs = [
    ...Object.values(lv.conductors).map(({ a, b }) => [
      '',
      `${a.deviceId}.${a.terminal}`,
      `${b.deviceId}.${b.terminal}`,
    ]),
    ...Object.values(lv.devices).flatMap(({ id, kind }) => (kind === 'lv-fuse' ? [[id, `${id}.a`, `${id}.b`]] : [])),
    ...Object.values(lv.devices).flatMap(({ id, kind }) => (kind === 'earth' ? [['', `${id}.n`, 'body']] : [])),
  ];
  return [...Object.keys(lv.devices), ...Object.keys(hv.devices)]
    .filter((at) => {
      const ends = between(at);
      if (!ends?.every((node) => landed.has(node))) return false;
      const reached = new Set([ends[0]]);
      for (let before = 0; before !== reached.size; ) {
        before = reached.size;
        for (const [id, p, q] of pairs) if (id !== at && (reached.has(p!) || reached.has(q!))) reached.add(p!).add(q!);
      }
      return reached.has(ends[1]);
    })
    .sort();
}

describe('lv.bypassed', () => {
  test('thirty circuits with wires at random: it speaks of what is found by trying, and of nothing else', () => {
    const memory = new Memory();
    const sample = teasel();
    const places = [
      ...new Set(
        Object.values(sample.circuits.lv.conductors).flatMap(({ a, b }) =>
          [a, b].map(({ deviceId, terminal }) => `${deviceId}.${terminal}`),
        ),
      ),
    ];
    let found = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const random = chance(seed);
      const place = () => Math.floor(random() * places.length);
      const stray = (id: string) => {
        const from = place();
        const other = (from + 1 + Math.floor(random() * (places.length - 1))) % places.length;
        return wire(id, id, places[from]!, places[other]!, 'low-tail-w3');
      };
      const build = both(stray('x'), stray('y'), stray('z'))(sample);
      const said = assess(build, { memory })
        .checks.filter(({ id, verdict }) => id === 'lv.bypassed' && verdict === 'fails')
        .map(({ subject }) => subject.id)
        .sort();
      expect(said, `seed ${seed}`).toEqual(byTrying(build));
      found += said.length;
    }
    expect(found).toBeGreaterThan(30);
  });

  test('nothing leads past a fuse or a contact of a sample; two sources with a fuse each are no way around either', () => {
    for (const build of [firn9(), larkspur(), teasel()]) {
      expect(seen(build).length).toBeGreaterThan(8);
      expect(speaking(build)).toEqual([]);
    }
  });

  test('of any two ways joined behind their fuses both speak, and no third', () => {
    const ways = ['low-tail', 'low-brake-lamps', 'low-radio', 'low-bms'];
    for (const [k, one] of ways.entries())
      for (const other of ways.slice(k + 1)) {
        const joined = wire('stray', 'Stray', `${one}-fuse.b`, `${other}-load.plus`, 'low-radio-w3')(larkspur());
        expect(speaking(joined).sort()).toEqual([`${one}-fuse`, `${other}-fuse`].sort());
      }
  });

  test('the shortest way around is named, wire by wire', () => {
    const [check] = seen(wire('stray', 'Stray', 'low-tail-fuse.a', 'low-tail-fuse.b', 'low-tail-w3')(teasel())).filter(
      ({ verdict }) => verdict === 'fails',
    );
    expect(say(check!).line).toBe('by Stray');
  });

  test('past a contact in the return, over the body, it is seen as well', () => {
    const key = mainSwitch(larkspur(), false);
    // Moved into the return: the switch between battery minus and the body, with a second earth at the battery.
    const { lv } = key.circuits;
    const earth = { ...lv.devices['coil-earth']!, id: 'earth-2', name: 'Second earth' };
    const model = lv.conductors['coil-w17']!;
    const at = (deviceId: string, terminal: string) => ({ deviceId, terminal });
    const inReturn = (second: boolean): Build => ({
      ...key,
      circuits: {
        ...key.circuits,
        lv: {
          devices: { ...lv.devices, 'earth-2': earth },
          conductors: {
            ...larkspur().circuits.lv.conductors,
            'coil-w17': { ...model, a: at('coil-earth', 'n'), b: at('main', 'b') },
            'minus-1': {
              ...model,
              id: 'minus-1',
              name: 'Battery minus',
              a: at('main', 'a'),
              b: at('coil-battery', 'minus'),
            },
            ...(second
              ? {
                  'minus-2': {
                    ...model,
                    id: 'minus-2',
                    name: 'Second',
                    a: at('earth-2', 'n'),
                    b: at('coil-battery', 'minus'),
                  },
                }
              : {}),
          },
        },
      },
    });
    expect(speaking(inReturn(false))).toEqual([]);
    expect(speaking(inReturn(true))).toEqual(['main']);
  });

  test('a fuse of its own may keep a clock alive past a main switch, not past a switch that is none', () => {
    expect(speaking(clockFuse(mainSwitch(larkspur(), true)))).toEqual([]);
    expect(speaking(clockFuse(mainSwitch(larkspur(), false)))).toEqual(['main']);
    const bare = both((build) => mainSwitch(build, true), wire('stray', 'Stray', 'main.a', 'main.b', 'low-w2'));
    expect(speaking(bare(larkspur()))).toEqual(['main']);
    // Around the switch and the battery’s own fuse alike: 125 A are no clock’s.
    const thick = both(
      (build) => mainSwitch(build, true),
      wire('stray', 'Stray', 'coil-battery.plus', 'low-box.n', 'low-w2'),
    );
    expect(speaking(thick(larkspur()))).toContain('main');
  });
});
