import { describe, expect, test } from 'vitest';
import { applyEdit } from '../build';
import { firn9, larkspur } from '../build/samples';
import { isRun, prechargeRuns } from '../simulate';
import { isDesign, sequenceDesign } from '../simulate/sequence';
import { awake, board, run, vehicle, volts } from '../testing/board';
import { roadModel, vehicleOf } from '../vehicle';
import { Board } from './board';
import { practices } from './practices';
import { replay } from './timeline';

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
