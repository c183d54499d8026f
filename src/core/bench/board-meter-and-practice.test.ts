import { describe, expect, test } from 'vitest';
import { applyEdit } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { canDatabase, signalReader } from '../logs/can-database';
import { evacuated } from '../physics/vacuum';
import { isDesign, search, sequenceDesign } from '../simulate/sequence';
import { awake, board, design, read, run, vehicle, volts } from '../testing/board';
import { EXAMPLES } from '../testing/edit-examples';
import { packStrings, vehicleOf } from '../vehicle';
import { Board, STEP_S } from './board';
import type { BoardFault } from './board-faults';
import { boardDatabase, boardFrames } from './frames';
import { hiddenBy, practices } from './practices';
import { METER_OHM } from './probe';
import { apply, replay, storyEvents } from './timeline';

describe('meter', () => {
  test('its own resistance counts: a pole against the body reads what the leakage leaves', () => {
    const one = board({ id: 'x', leak: { pole: 'minus', ohm: 20_000 } });
    awake(one);
    const minus = volts(one, 'inverter.minus', 'body');
    const plus = volts(one, 'inverter.plus', 'body');
    // The pole that leaks stands near the body, the other one shows the pack.
    expect(Math.abs(minus)).toBeLessThan(0.05 * one.packVoltage());
    expect(Math.abs(plus)).toBeGreaterThan(0.9 * one.packVoltage());
    expect(METER_OHM).toBe(10e6);
  });
  test('ohms on what is live are refused, and said to hurt', () => {
    const reading = read(awake(board()), 'inverter.plus', 'inverter.minus', 'ohms');
    expect(reading).toMatchObject({ ok: false, hurts: true });
  });
  test('the CAN bus: 60 Ω with two terminators of 120 Ω, 120 with one, 40 with three, next to nothing shorted', () => {
    const ohms = (fault: BoardFault | null) => {
      const reading = read(board(fault), 'can-h', 'can-l', 'ohms');
      return reading.ok ? reading.value : null;
    };
    expect(ohms(null)).toBeCloseTo(60, 6);
    expect(ohms({ id: 'x', terminators: 1 })).toBeCloseTo(120, 6);
    expect(ohms({ id: 'x', terminators: 3 })).toBeCloseTo(40, 6);
    expect(ohms({ id: 'x', canShort: true })!).toBeLessThan(1);
  });
  test('proximity: 4.46 V without a plug, 1.5 V with one (SAE J1772), 5 V with its wire open', () => {
    const one = awake(board());
    expect(volts(one, 'proximity', 'earth')).toBeCloseTo((5 * 2700) / 3030, 3);
    one.set('plug', true);
    expect(volts(one, 'proximity', 'earth')).toBeCloseTo(1.5, 1);
    expect(volts(awake(board({ id: 'x', sequence: 'proximity-open' })), 'proximity', 'earth')).toBeCloseTo(5, 6);
  });
  test('pedal: both tracks go with it, the second at half', () => {
    const one = awake(board());
    expect(volts(one, 'track-1', 'earth')).toBeCloseTo(0.8, 6);
    one.set('accelerator', true);
    expect(volts(one, 'track-1', 'earth')).toBeCloseTo(4.1, 6);
    expect(volts(one, 'track-2', 'earth')).toBeCloseTo(2.05, 6);
  });
});

describe('a limited supply in the pack’s place', () => {
  test('it never gives more than its current, and the link comes up to its voltage', () => {
    const one = board(null, { kind: 'limited', voltageV: 48, limitA: 0.2 });
    run(one, 0.5);
    one.set('key', true);
    let most = 0;
    for (let k = 0; k < 600; k++) {
      one.step();
      most = Math.max(most, Math.abs(one.ampere('box-front')), Math.abs(one.ampere('box-rear')));
    }
    expect(most).toBeLessThan(0.23);
    expect(one.linkV()).toBeGreaterThan(45);
  });
});

describe('what hangs on the board besides', () => {
  test('vacuum: the pump runs to its switch by the closed form of an emptied volume, a press takes from it', () => {
    const one = awake(board());
    const { brakes, vehicle: car } = vehicle.build;
    const law = evacuated(
      {
        flowM3PerS: brakes!.pumpLPerMin! / 60_000,
        highestSeaPa: brakes!.pumpMostPa!,
        basis: brakes!.flowBasis ?? 'free-air',
      },
      (brakes!.boosterL! + brakes!.reservoirL! + brakes!.hoseL!) / 1000,
      car.altitudeM,
    );
    // Three seconds with the key on.
    expect(one.view().vacuumPa!).toBeCloseTo(law.after(0, 3), -2);
    const before = one.view().vacuumPa!;
    one.set('brake', true);
    expect(one.view().vacuumPa!).toBeLessThan(before);
  });
  test('charging: plugged in with the key on it charges with what the charger gives, and the charge rises', () => {
    const one = board();
    one.set('key', true);
    one.set('plug', true);
    run(one, 4);
    expect(one.view().mode).toBe('charging');
    const power = vehicle.deviceOf.get('charger')!.device.powersW!.charging!;
    expect((-one.view().currentA * one.view().packV) / power).toBeGreaterThan(0.97);
    const soc = one.soc;
    run(one, 5);
    expect(one.soc).toBeGreaterThan(soc);
  });
  test('its frames read back by a database reader say what the board says', () => {
    const one = awake(board());
    const database = canDatabase(boardDatabase());
    const read = (message: string, name: string): number => {
      const found = [...database.messages.values()].find((candidate) => candidate.name === message)!;
      const signal = found.signals.find((candidate) => candidate.name === name)!;
      const line = boardFrames(one).find((text) => text.includes(`${found.id.toString(16).toUpperCase()}#`))!;
      const data = Uint8Array.from(line.split('#')[1]!.match(/../g)!, (pair) => Number.parseInt(pair, 16));
      return signalReader(signal)(data, data.length);
    };
    expect(read('Link', 'LinkVoltage')).toBeCloseTo(one.linkV(), 0);
    expect(read('Sequence', 'Supply')).toBeCloseTo(one.supplyV, 2);
    expect(read('Sequence', 'Mode')).toBe(3);
    expect(read('Sequence', 'Contactors')).toBe(5);
    one.set('key', false);
    expect(boardFrames(one)).toEqual([]);
  });
});

describe('practice', () => {
  const list = practices(vehicle);
  test('there are at least a dozen, each changes what a meter or an ear can find', () => {
    expect(list.length).toBeGreaterThanOrEqual(12);
    const picture = (fault: BoardFault | null): string => {
      const one = board(fault);
      run(one, 0.3);
      const said: string[] = [];
      const look = () => {
        const { mode, linkV, supplyV, closed } = one.view();
        said.push(`${mode} ${linkV.toFixed(0)} ${supplyV.toFixed(1)} ${[...closed].join()}`);
        for (const [a, b] of [
          ['inverter.plus', 'body'],
          ['inverter.minus', 'body'],
          ['track-1', 'earth'],
          ['brake-1', 'earth'],
          ['dir-f', 'earth'],
          ['dir-r', 'earth'],
          ['proximity', 'earth'],
          ['sensor-supply', 'earth'],
        ] as const)
          said.push(JSON.stringify(read(one, a, b)));
      };
      said.push(JSON.stringify(read(one, 'can-h', 'can-l', 'ohms')));
      one.set('key', true);
      run(one, 0.25);
      look();
      run(one, 2.5);
      look();
      one.set('brake', true);
      one.set('reverse', true);
      look();
      one.set('brake', false);
      one.set('accelerator', true);
      run(one, 1.5);
      look();
      return said.join('|');
    };
    const sound = picture(null);
    for (const { fault, hints, explained } of list) {
      expect(picture(fault), fault.id).not.toBe(sound);
      expect(hints.length).toBeGreaterThan(0);
      expect(explained).not.toBe('');
    }
  });
  test('the same number hides the same fault, and the numbers reach most of them', () => {
    expect(hiddenBy(list, 7)).toBe(hiddenBy(list, 7));
    const met = new Set(Array.from({ length: 200 }, (_, seed) => hiddenBy(list, seed)!.fault.id));
    expect(met.size).toBeGreaterThan(list.length * 0.6);
    expect(hiddenBy([], 1)).toBeNull();
  });
  test('the other samples have theirs', () => {
    for (const build of [larkspur(), teasel()]) expect(practices(vehicleOf(build)).length).toBeGreaterThanOrEqual(12);
  });
});

describe('runs', () => {
  const events = storyEvents([
    { kind: 'input', input: 'key', is: true },
    { kind: 'time' },
    { kind: 'time' },
    { kind: 'input', input: 'brake', is: true },
    { kind: 'input', input: 'forward', is: true },
    { kind: 'input', input: 'brake', is: false },
    { kind: 'input', input: 'accelerator', is: true },
  ]);
  test('a recorded run comes out the same, look by look', () => {
    const outcome = replay(board(), events, 8);
    expect(outcome.length).toBeGreaterThan(100);
    expect(replay(board(), events, 8)).toBe(outcome);
  });
  test('with a fault it comes out otherwise', () => {
    expect(replay(board({ id: 'x', sequence: 'resistor-open', resistorOpen: true }), events, 8)).not.toBe(
      replay(board(), events, 8),
    );
  });
  test('the story of a broken plug wire, played in time, ends with torque on the cable', () => {
    const bare = {
      ...design,
      flags: { ...design.flags, openIsPlugged: false, pilotBlocks: false, blockApart: false },
    };
    const { story } = search(bare).verdicts.find(({ id }) => id === 'plugged')!;
    const one = new Board(vehicle, bare);
    const events = storyEvents(story);
    let next = 0;
    let pushed = false;
    for (let k = 0; k < 12 / STEP_S; k++) {
      while (next < events.length && events[next]!.atS <= k * STEP_S + 1e-9) apply(one, events[next++]!);
      one.step();
      pushed ||= one.is('plug') && one.view().torque !== 0;
    }
    expect(pushed).toBe(true);
  });
  test('inputs that nobody knows do nothing', () => {
    expect(replay(board(), [{ atS: 0, input: '__proto__', is: true }], 1)).toBe(replay(board(), [], 1));
  });
});

test('two strings side by side are one pack: its voltage is that of one', () => {
  const build = firn9();
  const example = EXAMPLES.addString;
  const twin = vehicleOf(applyEdit(example.on ?? build, { edit: 'addString', input: example.input }).build);
  expect(packStrings(twin)).toHaveLength(2);
  const found = sequenceDesign(twin);
  if (!isDesign(found)) throw new Error(found);
  const one = new Board(twin, found);
  run(one, 0.5);
  // Ninety cells in a row at half charge, not twice ninety.
  expect(one.packVoltage()).toBeLessThan(1.15 * board().packVoltage());
  expect(one.packVoltage()).toBeGreaterThan(0.85 * board().packVoltage());
});
