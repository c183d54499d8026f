import { expect, test } from 'vitest';
import { assess } from '../assess';
import type { Build, CircuitName, Device } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { type Check, checkKey } from '../checks';
import { Memory } from '../vehicle';
import { numbersIn, valueAt, withAt } from './mutate';

/** What is typed of devices and their parts is typed for a reason: some hundredfold of it moves some verdict or margin of the design. */

const FACTORS = [0.1, 10, 0.01, 100];
/** Where something lies is another test's matter; work at the car has its own. */
const PLACES = new Set(['place', 'sizeM', 'outlet']);
const AT_THE_CAR = new Set(['commission', 'plan', 'logbook', 'harness']);

/** Figures that move nothing in the samples, and why that is right. */
const SILENT: Readonly<Record<string, string>> = {
  'lv-fuse: way': 'a number on a lid',
  'lv-fuse part: ratedTimeConstantS': 'faults of the 12-volt side are reckoned without inductance',
  'contactor part: electricalLife': 'they open on next to nothing: the mechanical life decides',
  'contactor part: releaseTimeS': 'judged as so many times itself with the suppression at its coil',
};

interface Figure {
  readonly name: string;
  readonly build: Build;
  readonly scaled: (factor: number) => Build;
}

function figuresOf(build: Build): readonly Figure[] {
  return (['hv', 'lv'] as const).flatMap((circuit) =>
    Object.values(build.circuits[circuit].devices).flatMap((device): Figure[] => {
      const part = device.partId ? build.parts[device.partId] : undefined;
      return [
        ...figures(device, `${device.kind}: `, (made) => put(build, circuit, made)).map((one) => ({ ...one, build })),
        ...(part
          ? figures(part, `${device.kind} part: `, (made) => {
              const own = { ...made, id: 'own' };
              return put({ ...build, parts: { ...build.parts, own } }, circuit, { ...device, partId: 'own' } as Device);
            }).map((one) => ({ ...one, build }))
          : []),
      ];
    }),
  );
}

const put = (build: Build, circuit: CircuitName, device: Device): Build => ({
  ...build,
  circuits: {
    ...build.circuits,
    [circuit]: {
      ...build.circuits[circuit],
      devices: { ...build.circuits[circuit].devices, [device.id]: device },
    },
  },
});

/** Each number of a thing that is not nothing; of a long row the first two. */
function figures<Thing>(thing: Thing, name: string, fitted: (made: Thing) => Build) {
  return numbersIn(thing).flatMap((path) => {
    const value = valueAt(thing, path) as number;
    if (value === 0 || PLACES.has(String(path[0])) || path.some((key) => typeof key === 'number' && key > 1)) return [];
    return [
      {
        name: `${name}${path.filter((key) => typeof key !== 'number').join('.')}`,
        scaled: (factor: number) => fitted(withAt(thing, path, value * factor)),
      },
    ];
  });
}

const memories = new Map<Build, { readonly memory: Memory; readonly ledger: ReadonlyMap<string, Check> }>();
const ledgerOf = (build: Build, memory: Memory) =>
  new Map(
    assess(build, { memory })
      .checks.filter(({ work, station }) => !work && !AT_THE_CAR.has(station))
      .map((check) => [checkKey(check), check] as const),
  );

function moves({ build, scaled }: Figure): boolean {
  if (!memories.has(build)) {
    const memory = new Memory();
    memories.set(build, { memory, ledger: ledgerOf(build, memory) });
  }
  const { memory, ledger } = memories.get(build)!;
  return FACTORS.some((factor) => {
    const after = ledgerOf(scaled(factor), memory.trial);
    return (
      after.size !== ledger.size ||
      [...after].some(([key, { verdict, margin }]) => {
        const before = ledger.get(key);
        return before?.verdict !== verdict || before.margin !== margin;
      })
    );
  });
}

test('every figure of a device or its part moves something, or there is a reason why not', () => {
  const byName = new Map<string, Figure[]>();
  for (const figure of [firn9(), larkspur(), teasel()].flatMap(figuresOf))
    byName.set(figure.name, [...(byName.get(figure.name) ?? []), figure]);
  const still = [...byName].flatMap(([name, list]) => (list.some(moves) ? [] : [name]));
  expect(still.sort()).toEqual(Object.keys(SILENT).sort());
});
