import { expect, test } from 'vitest';
import type { Build } from '../build';
import { reading, slotsRead, standsFor, standsIn, watchBuild } from '../build/reads';
import { firn9 } from '../build/samples';
import { Follows, fromBuild, later, Memory, Recent, remembers, settles } from './memory';

interface Car {
  readonly build: Build;
  readonly memory: Memory;
}
function watchedCar(build: Build, memory: Memory): Car {
  const slots: unknown[] = [];
  const car = { build: watchBuild(build, slots), memory };
  standsIn(car, slots);
  standsFor(slots, car);
  return car;
}
const readIn = (make: () => unknown) => slotsRead(reading(make).reads);
const firn = firn9();
const faster: Build = { ...firn, duty: { ...firn.duty, cruiseSpeedMPerS: 30 } };
const noted: Build = { ...firn, notes: 'seen' };

test('what follows from a thing is worked out once by each name, and who hears it again has read what it was made of', () => {
  const car = watchedCar(firn, new Memory());
  const kept = new Follows<Car, string>();
  let made = 0;
  const ask = (name?: string) => kept.get(car, () => `${++made} ${car.build.name}`, name);
  expect(ask()).toBe(ask());
  expect(ask('a')).toBe('2 Firn 9');
  expect(ask('a')).toBe('2 Firn 9');
  expect(readIn(() => ask('a'))).toEqual(['name']);
  expect(made).toBe(2);
});

test('nothing is remembered of what ended in an error', () => {
  const car = watchedCar(firn, new Memory());
  const kept = new Follows<Car, number>();
  const failing = () =>
    kept.get(car, () => {
      throw new Error('not now');
    });
  expect(failing).toThrow('not now');
  expect(kept.get(car, () => 7)).toBe(7);
});

test('what is worked out at the first look counts as read at each', () => {
  const car = watchedCar(firn, new Memory());
  const look = later(() => car.build.duty.cruiseSpeedMPerS);
  expect(readIn(look)).toEqual(['duty']);
  expect(readIn(look)).toEqual(['duty']);
});

test('a remembered answer serves while what it read stands, and is worked out anew where that changed', () => {
  const memory = new Memory();
  let made = 0;
  const speed = remembers<Car, number>(
    (car) => car.memory,
    (car) => {
      made++;
      return car.build.duty.cruiseSpeedMPerS ?? 0;
    },
  );
  const first = speed(watchedCar(firn, memory));
  expect(speed(watchedCar(noted, memory))).toBe(first);
  expect(made).toBe(1);
  expect(readIn(() => speed(watchedCar(noted, memory)))).toEqual(['duty']);
  expect(speed(watchedCar(faster, memory))).toBe(30);
  expect(made).toBe(2);
  // Another memory knows nothing of it.
  expect(speed(watchedCar(faster, new Memory()))).toBe(30);
  expect(made).toBe(3);
});

test('of a build that nobody watches an answer serves for that build alone', () => {
  let made = 0;
  const named = fromBuild<Build, string>(({ build }) => `${++made} ${build.name}`);
  const memory = new Memory();
  expect(named({ build: firn, memory })).toBe('1 Firn 9');
  expect(named({ build: firn, memory })).toBe('1 Firn 9');
  expect(named({ build: noted, memory })).toBe('2 Firn 9');
});

test('what settles stays the object that it was, and its readers rest on it alone', () => {
  const memory = new Memory();
  const sorted = settles(
    'test.sorted',
    (car: Car) => ({ quick: (car.build.duty.cruiseSpeedMPerS ?? 0) > 28 }),
    (p, q) => p.quick === q.quick,
  );
  let judged = 0;
  const judge = remembers<Car, string>(
    (car) => car.memory,
    (car) => {
      judged++;
      return sorted(car).quick ? 'quick' : 'slow';
    },
  );
  const before = watchedCar(firn, memory);
  expect(judge(before)).toBe('slow');
  expect(readIn(() => sorted(before))).toEqual(['test.sorted']);
  // Another speed, and the same answer: the reader is not asked again.
  const little = watchedCar({ ...firn, duty: { ...firn.duty, cruiseSpeedMPerS: 21 } }, memory);
  expect(sorted(little)).toBe(sorted(before));
  expect(judge(little)).toBe('slow');
  expect(judged).toBe(1);
  expect(judge(watchedCar(faster, memory))).toBe('quick');
  expect(judged).toBe(2);
});

test('what can’t be worked out any more is asked for anew by its readers, and the fault is theirs to tell', () => {
  const memory = new Memory();
  const needed = settles('test.needed', (car: Car) => {
    if (car.build.duty.cruiseSpeedMPerS === 30) throw new Error('too quick');
    return car.build.duty.cruiseSpeedMPerS ?? null;
  });
  const judge = remembers<Car, number | null>((car) => car.memory, needed);
  expect(judge(watchedCar(firn, memory))).toBe(firn.duty.cruiseSpeedMPerS);
  expect(() => judge(watchedCar(faster, memory))).toThrow('too quick');
  expect(judge(watchedCar(firn, memory))).toBe(firn.duty.cruiseSpeedMPerS);
});

test('the last few answers go by all that they read, by value and identity', () => {
  const recent = new Recent<number>(2);
  let made = 0;
  const ask = (...reads: unknown[]) => recent.get(reads, () => ++made);
  const part = {};
  expect([ask(part, 1), ask(part, 1), ask(part, 2), ask({}, 1)]).toEqual([1, 1, 2, 3]);
  // Two are kept: the one that was asked longest ago is gone.
  expect([ask(part, 2), ask(part, 1)]).toEqual([2, 4]);
  expect(ask(Number.NaN)).toBe(ask(Number.NaN));
});
