import { expect, test } from 'vitest';
import { assess } from '../assess';
import { firn9 } from '../build/samples/firn-9';
import { teasel } from '../build/samples/teasel';
import { catalogueOf } from '../parts';
import { figuresOf } from '../testing/figures-of';
import { prechargeChoice, prechargeSigns, prechargeWith } from './precharge-study';

const {
  vehicle,
  results: { 'hv-circuit': precharge },
} = assess(firn9());
const run = precharge!;
const signs = new Map(prechargeSigns(vehicle, run).map((sign) => [sign.fault, sign]));

test('a healthy bus rises as 1 − e^(−t/RC), a quarter of the way with half the capacitance it is where twice the time would take it', () => {
  const tau = run.resistanceOhm * run.linkCapacitanceF;
  const healthy = figuresOf(signs.get('none')).curve;
  const half = figuresOf(signs.get('half')).curve;
  for (const k of [4, 12, 24]) {
    const { timeS, linkV } = healthy[k]!;
    // Closed form; wires and bleed of the real circuit stay within two per cent.
    expect(linkV / (run.packV * (1 - Math.exp(-timeS / tau)))).toBeGreaterThan(0.97);
    expect(linkV / (run.packV * (1 - Math.exp(-timeS / tau)))).toBeLessThan(1.01);
    expect(half[k]!.linkV / (run.packV * (1 - Math.exp((-2 * timeS) / tau)))).toBeGreaterThan(0.97);
  }
});

test('a shorted bus stays at nothing and puts V²/R into the resistor until the time-out', () => {
  const short = signs.get('short')!;
  expect(figuresOf(short).endV).toBeLessThan(0.01 * run.packV);
  expect(figuresOf(short).resistorJ / ((run.packV ** 2 / run.resistanceOhm) * run.timeoutS)).toBeCloseTo(1, 2);
});

test('a load left on settles where resistor and load divide the voltage', () => {
  const loadOhm = run.packV ** 2 / 1500;
  const { endV } = figuresOf(signs.get('load'));
  expect(endV / ((run.packV * loadOhm) / (loadOhm + run.resistanceOhm))).toBeCloseTo(1, 1);
});

test('an open relay leaves the bus dead, a welded main contactor fills it at once', () => {
  expect(figuresOf(signs.get('open')).endV).toBeLessThan(1);
  expect(figuresOf(signs.get('welded')).curve[1]!.linkV).toBeGreaterThan(0.99 * run.packV);
});

test('twice the resistance takes twice the time and the same energy: half C V²', () => {
  const [small, large] = [47, 100].map((ohm) =>
    catalogueOf('resistor').find((part) => part.resistanceOhm === ohm && part.ratedPowerW === 100),
  );
  const choices = [small!, large!].map((part) => prechargeChoice(part, prechargeWith(vehicle, part)!));
  expect(choices[1]!.closeAtS! / choices[0]!.closeAtS!).toBeGreaterThan(0.95 * (100 / 47));
  for (const { energyJ } of choices)
    expect(energyJ / (0.5 * run.linkCapacitanceF * run.packV ** 2)).toBeGreaterThan(0.95);
});

test('without a precharge branch there is nothing to choose', () => {
  const bare = assess({
    ...teasel(),
    circuits: { hv: { devices: {}, conductors: {} }, lv: { devices: {}, conductors: {} } },
  });
  expect(bare.results['hv-circuit']).toBeNull();
});
