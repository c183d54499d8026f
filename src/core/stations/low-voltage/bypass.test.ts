import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Conductor } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { say } from '../../checks';
import { both, wire } from '../../testing/corpus/change';

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

describe('lv.bypassed', () => {
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
    expect(say(check!).line).toBe('past it: Stray');
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
  });
});
