import { expect, test } from 'vitest';
import { type StandIn, standIn } from './stand-in';

const charging: StandIn = { vehicle: 'ready', fault: 'none', dutyPercent: 53.3, plug: 'type2', plugOhm: 220 };
const played = (more: Partial<StandIn>) => standIn({ ...charging, ...more });

test('12 V through 1 kΩ, a diode of 0.7 V and 882 Ω: 0.7 + 11.3·882/1882 = 6.0 V, state C, 0.6·53.3 = 32 A', () => {
  const says = played({});
  expect(says.highV).toBeCloseTo(0.7 + (11.3 * 882) / 1882, 9);
  expect(says.state).toBe('C');
  expect(says.mostA).toBeCloseTo(31.98, 2);
});

test('the cable’s code bounds what the duty allows: 680 Ω are 20 A', () => {
  expect(played({ plugOhm: 680 }).mostA).toBe(20);
});

test('each state by its resistance: 2.74 kΩ 9 V, 246 Ω 3 V, nothing 12 V', () => {
  expect(played({ vehicle: 'connected' })).toMatchObject({ state: 'B', mostA: 0 });
  expect(played({ vehicle: 'ventilation' }).state).toBe('D');
  expect(played({ vehicle: 'unplugged', plugOhm: null })).toMatchObject({ state: 'A', mostA: 0, must: [] });
});

test('what is wrong draws nothing, and what to do is said', () => {
  const wrong: readonly [Partial<StandIn>, string][] = [
    [{ fault: 'no-diode' }, 'the wall unit sees no diode and closes nothing'],
    [{ fault: 'pilot-to-earth' }, 'draw nothing and open the charge contactor: pilot to earth, or no supply'],
    [{ fault: 'earth-lost' }, 'draw nothing: the pilot or the earth is open'],
    [{ vehicle: 'wrong-resistor' }, 'no state: a wrong resistor, the wall unit closes nothing'],
    [{ dutyPercent: 5 }, 'draw nothing until a digital link says the current'],
    [{ dutyPercent: 98 }, 'draw nothing: this duty allows no current'],
    [{ dutyPercent: 100 }, 'draw nothing: the wall unit is not ready'],
    [{ plugOhm: 10 }, 'draw nothing: the plug’s resistor is shorted'],
    [{ plug: 'j1772', plugOhm: 480 }, 'take the current down before the latch opens'],
  ];
  for (const [more, words] of wrong) {
    const { mostA, must } = played(more);
    expect(mostA, words).toBe(0);
    expect(must).toContain(words);
    expect(must[0]).toBe('keep the drive locked');
  }
});

test('J1772: 150 Ω in the plug make 1.5 V', () => {
  // 150 Ω beside 2.7 kΩ under 330 Ω from 5 V.
  const beside = (150 * 2700) / 2850;
  expect(played({ plug: 'j1772', plugOhm: 150 }).proximityV).toBeCloseTo((5 * beside) / (330 + beside), 9);
});
