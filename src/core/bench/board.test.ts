import { describe, expect, test } from 'vitest';
import { applyEdit } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { canDatabase, signalReader } from '../logs/can-database';
import { evacuated } from '../physics/vacuum';
import { isRun, prechargeRuns } from '../simulate';
import { isDesign, search, sequenceDesign } from '../simulate/sequence';
import { EXAMPLES } from '../testing/edit-examples';
import { packStrings, roadModel, vehicleOf } from '../vehicle';
import { Board, STEP_S } from './board';
import type { BoardFault } from './board-faults';
import { boardDatabase, boardFrames } from './frames';
import { boardPoints } from './points';
import { hiddenBy, practices } from './practices';
import { METER_OHM, type MeterRange, probe } from './probe';
import { apply, replay, storyEvents } from './timeline';
import type { BoardSource } from './traction';

const vehicle = vehicleOf(firn9());
const design = sequenceDesign(vehicle);
if (!isDesign(design)) throw new Error('the sample has a sequence');
const board = (fault: BoardFault | null = null, source?: BoardSource) => new Board(vehicle, design, fault, source);
const run = (one: Board, seconds: number) => {
  for (let k = 0; k < Math.round(seconds / STEP_S); k++) one.step();
  return one.view();
};
const points = boardPoints(vehicle);
const point = (id: string) => points.find((one) => one.id === id)!;
const read = (one: Board, red: string, black: string, range: MeterRange = 'volts') =>
  probe(one, point(red), point(black), range);
const volts = (one: Board, red: string, black: string): number => {
  const reading = read(one, red, black);
  if (!reading.ok) throw new Error(reading.says);
  return reading.value;
};
const awake = (one: Board): Board => {
  run(one, 0.5);
  one.set('key', true);
  run(one, 3);
  return one;
};

describe('levels beside the steps', () => {
  const levelled = applyEdit(firn9(), { edit: 'setFigure', input: { figure: 'economy', value: 0.5 } }).build;
  const both = vehicleOf(applyEdit(levelled, { edit: 'setFigure', input: { figure: 'regenLow', value: 0.1 } }).build);
  const plan = sequenceDesign(both);
  if (!isDesign(plan)) throw new Error('the sample has a sequence');
  const driving = () => {
    const one = awake(new Board(both, plan));
    one.set('brake', true);
    one.set('forward', true);
    run(one, 0.5);
    one.set('brake', false);
    one.set('accelerator', true);
    return one;
  };
  /** m/s² over so many seconds. */
  const gain = (one: Board, seconds: number) => {
    const before = one.speedMPerS;
    run(one, seconds);
    return (one.speedMPerS - before) / seconds;
  };

  test('economy at a half pulls with half of the force: twice the gain plus the road’s resistance once more', () => {
    const [all, saving] = [driving(), driving()];
    saving.choose('economy', true);
    // Past the ramp; at the same speed the road takes the same of both.
    run(all, 1);
    run(saving, 1);
    const [a, b] = [gain(all, 0.2), gain(saving, 0.2)];
    expect(b).toBeGreaterThan(0);
    // a = F − R, b = F/2 − R with R small and positive: 2b < a, and by no more than the resistance of a few hundred newtons.
    expect(2 * b).toBeLessThan(a);
    expect(2 * b).toBeGreaterThan(a - 0.6);
    expect(saving.view().torque).toBe(all.view().torque);
  });

  test('regeneration off rolls on, low brakes less than full; each is let go again', () => {
    const slowing = (choice: 'regen-off' | 'regen-low' | null) => {
      const one = driving();
      run(one, 4);
      if (choice) one.choose(choice, true);
      one.set('accelerator', false);
      run(one, 1);
      return { gain: gain(one, 0.3), torque: one.view().torque };
    };
    const [off, low, full] = [slowing('regen-off'), slowing('regen-low'), slowing(null)];
    expect(off.torque).toBe(0);
    expect(off.gain).toBeLessThan(0);
    expect(low.gain).toBeLessThan(off.gain);
    expect(full.gain).toBeLessThan(low.gain);
    const one = driving();
    one.choose('regen-low', true);
    one.choose('regen-low', false);
    expect(one.regen).toBe('full');
  });

  test('what the build does not have can’t be chosen; a recorded choice replays the same', () => {
    const bare = board();
    const { controls } = vehicle.build;
    if (controls?.regenLowShare !== undefined) throw new Error('the sample has a low level');
    bare.choose('regen-low', true);
    expect(bare.regen).toBe('full');
    const events = [
      { atS: 0.2, input: 'key', is: true },
      { atS: 3, input: 'forward', is: true },
      { atS: 3.5, input: 'accelerator', is: true },
      { atS: 5, input: 'economy', is: true },
    ];
    expect(replay(new Board(both, plan), events, 8)).toBe(replay(new Board(both, plan), events, 8));
  });
});

describe('a motor that is turned by its wheels', () => {
  /** Peak between two phases by the plate, at 3 m/s on these wheels, in the first gear. */
  const turnedV = () => {
    const road = roadModel(vehicle.build)!;
    const rpm = (3 / road.wheelRadiusM!) * (road.ratios[0] ?? 1) * (30 / Math.PI);
    return (road.motor!.backVoltagePerKrpmV! * rpm) / 1000;
  };

  test('its magnets put their peak on the link through the diodes, with everything off; stopped, the link falls by its bleed', () => {
    const one = board();
    run(one, 1);
    expect(one.linkV()).toBeLessThan(1);
    one.set('movingForward', true);
    run(one, 2);
    // A bridge without load stands at the peak; 0.1 Ω before tens of kΩ take a hundred-thousandth.
    expect(turnedV()).toBeGreaterThan(10);
    expect(one.linkV() / turnedV()).toBeCloseTo(1, 3);
    expect(one.closed.size).toBe(0);
    one.set('movingForward', false);
    const before = one.linkV();
    run(one, 1);
    expect(one.linkV()).toBeLessThan(before);
  });

  test('it puts nothing on a link that is higher: nothing flows back into the motor', () => {
    const one = awake(board());
    one.set('brake', true);
    run(one, 2);
    const standing = one.linkV();
    expect(standing).toBeGreaterThan(2 * turnedV());
    one.set('movingForward', true);
    run(one, 0.5);
    expect(one.linkV()).toBeCloseTo(standing, 0);
  });

  test('a motor without magnets puts nothing there', () => {
    const lark = vehicleOf(larkspur());
    const plan = sequenceDesign(lark);
    if (!isDesign(plan)) throw new Error('the sample has a sequence');
    expect(roadModel(lark.build)!.motor!.motorKind).toBe('induction');
    const one = new Board(lark, plan);
    run(one, 0.5);
    one.set('movingForward', true);
    run(one, 2);
    expect(one.speedMPerS).toBe(3);
    expect(one.linkV()).toBeLessThan(1);
  });
});

describe('precharge on the board', () => {
  test('the link rises as R and C have it: V = V₀·(1 − e^(−t/RC)), within two hundredths', () => {
    const law = prechargeRuns(vehicle).find(isRun)!;
    const tau = law.resistanceOhm * law.linkCapacitanceF;
    const one = board();
    run(one, 0.5);
    one.set('key', true);
    let begun = 0;
    while (one.linkV() < 5) {
      one.step();
      begun = one.timeS;
    }
    const from = one.linkV();
    const pack = one.packVoltage();
    for (const after of [0.05, 0.1, 0.2]) {
      const probeBoard = board();
      run(probeBoard, 0.5);
      probeBoard.set('key', true);
      while (probeBoard.timeS < begun + after - 1e-9) probeBoard.step();
      const expected = pack - (pack - from) * Math.exp(-after / tau);
      expect(Math.abs(probeBoard.linkV() - expected) / pack).toBeLessThan(0.02);
    }
  });

  test('it becomes ready, the relay lets go, and both poles are closed', () => {
    const view = awake(board()).view();
    expect(view.mode).toBe('ready');
    expect([...view.closed].sort()).toEqual(['k-minus', 'k-plus']);
    expect(view.linkV).toBeGreaterThan(0.99 * view.packV);
  });

  test('a broken resistor: the link stays dead, the time-out ends it, and the meter finds the resistor', () => {
    const one = board(practices(vehicle).find(({ fault }) => fault.id === 'resistor-open')!.fault);
    run(one, 0.5);
    one.set('key', true);
    run(one, 1.1);
    expect(one.view().mode).toBe('precharge');
    expect(one.linkV()).toBeLessThan(1);
    // All of the pack’s voltage stands across it: nothing flows through it.
    expect(Math.abs(volts(one, 'r-pre.a', 'r-pre.b'))).toBeGreaterThan(0.95 * one.packVoltage());
    run(one, 3);
    expect(one.view().mode).toBe('fault');
  });

  test('a load that stays awake: the link settles where the divider has it, and the time-out ends it', () => {
    const one = board({ id: 'x', sequence: 'link-loaded', linkLoadOhm: 300 });
    run(one, 0.5);
    one.set('key', true);
    let most = 0;
    for (let k = 0; k < 300; k++) {
      one.step();
      most = Math.max(most, one.linkV());
    }
    // 100 Ω in series with 300 Ω beside the inverter’s own bleed.
    expect(most / one.packVoltage()).toBeGreaterThan(0.7);
    expect(most / one.packVoltage()).toBeLessThan(0.76);
    run(one, 3);
    expect(one.view().mode).toBe('fault');
  });

  test('a welded main is caught at key-on: it never gets to precharge', () => {
    const one = board({ id: 'x', sequence: 'main-welded', welded: ['k-plus'] });
    awake(one);
    expect(one.view().mode).toBe('fault');
    expect(one.view().closed.has('k-plus')).toBe(true);
    // The pole that should be open is not: nothing stands across the contactor.
    expect(Math.abs(volts(one, 'k-plus.a', 'k-plus.b'))).toBeLessThan(1);
  });
});

describe('stops and sags', () => {
  test('the handle opens every contactor within a blink, and released nothing closes again', () => {
    const one = awake(board());
    one.set('handle', true);
    run(one, 0.1);
    expect(one.view().closed.size).toBe(0);
    one.set('handle', false);
    run(one, 2);
    expect(one.view().closed.size).toBe(0);
    expect(one.view().mode).toBe('fault');
  });
  test('12 V below what a coil holds lets go; back again it begins anew, through precharge', () => {
    const one = awake(board());
    one.set('lowSupply', true);
    run(one, 0.3);
    expect(one.view().closed.size).toBe(0);
    one.set('lowSupply', false);
    const modes = new Set<string>();
    for (let k = 0; k < 1200; k++) {
      one.step();
      modes.add(one.view().mode);
    }
    expect(modes).toContain('precharge');
    expect(one.view().mode).toBe('ready');
  });
  test('driving: it moves by the accelerator, stands by the brake, and does not move while plugged in', () => {
    const one = awake(board());
    one.set('brake', true);
    one.set('forward', true);
    run(one, 0.2);
    one.set('brake', false);
    one.set('accelerator', true);
    expect(run(one, 2).speedMPerS).toBeGreaterThan(1);
    one.set('accelerator', false);
    one.set('brake', true);
    expect(run(one, 4).speedMPerS).toBe(0);
    one.set('plug', true);
    one.set('brake', false);
    one.set('accelerator', true);
    expect(run(one, 1).speedMPerS).toBe(0);
  });
});

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
