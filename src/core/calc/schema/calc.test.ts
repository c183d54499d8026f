import { describe, expect, test } from 'vitest';
import { calculate, LAWS, lawSchema } from './index';

type Ok = { ok: true; result: Record<string, never>; working: unknown[] };
type Bad = { ok: false; errors: { path: string; reason: string; remedy: string }[] };

describe.each(LAWS.map((law) => [law.name, law] as const))('%s', (name, law) => {
  test('answers its own example, with working, and publishes its schema', () => {
    const answer = calculate(name, law.example) as Ok;
    expect(answer.ok).toBe(true);
    expect(answer.working.length).toBeGreaterThan(0);
    expect(JSON.stringify(answer)).not.toMatch(/NaN|Infinity/);
    expect(lawSchema(law)).toMatchObject({ type: 'object' });
  });

  test('an array gives an array in the same order, unknown fields are refused by path', () => {
    const answers = calculate(name, [law.example, { ...(law.example as object), colour: 'red' }]) as [Ok, Bad];
    expect(answers[0].ok).toBe(true);
    expect(answers[1]).toMatchObject({ ok: false, errors: [{ path: 'colour' }] });
  });
});

test('network: a null field is not there, a voltage between islands is not given as one', () => {
  const answer = calculate('network', {
    ground: '0',
    analysis: { kind: 'operating-point' },
    elements: [
      { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: 12, resistanceOhm: null },
      { id: 'R', kind: 'resistor', a: 'p', b: '0', resistanceOhm: 6 },
      { id: 'U', kind: 'source', a: 'x', b: 'y', voltageV: 3, resistanceOhm: 1 },
    ],
  }) as unknown as {
    ok: true;
    result: { islands: string[]; elementCurrentsA: Record<string, number>; nodeVoltagesV: Record<string, number> };
  };
  expect(answer.result.islands).toEqual(['x']);
  expect(answer.result.elementCurrentsA.R).toBeCloseTo(2, 12);
  expect(answer.result.nodeVoltagesV.y).toBeCloseTo(-3, 12);
});

test('network: a transient gives samples, peaks and switchings of an RC against its closed form', () => {
  const answer = calculate('network', {
    ground: '0',
    analysis: { kind: 'transient', stopS: 0.3, samples: 4, outputs: ['q', 'R'] },
    elements: [
      { id: 'V', kind: 'source', a: 'p', b: '0', voltageV: 100 },
      { id: 'R', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: 100 },
      { id: 'C', kind: 'capacitor', a: 'q', b: '0', capacitanceF: 1e-3 },
    ],
  }) as unknown as {
    result: {
      converged: boolean;
      timesS: number[];
      nodeVoltagesV: Record<string, number[]>;
      elementCurrentsA: Record<string, number[]>;
      elements: Record<string, { peakCurrentA: number; energyJ: number }>;
    };
  };
  expect(answer.result.converged).toBe(true);
  expect(answer.result.timesS).toHaveLength(4);
  answer.result.timesS.forEach((t, k) => {
    expect(answer.result.nodeVoltagesV.q![k]).toBeCloseTo(100 * (1 - Math.exp(-t / 0.1)), 3);
    expect(answer.result.elementCurrentsA.R![k]).toBeCloseTo(Math.exp(-t / 0.1), 5);
  });
  expect(answer.result.elements.R!.peakCurrentA).toBeCloseTo(1, 9);
  expect(answer.result.elements.C!.energyJ).toBeCloseTo(0.5 * 1e-3 * (100 * (1 - Math.exp(-3))) ** 2, 3);
});

test.each([
  [
    'network',
    {
      ground: '0',
      analysis: { kind: 'operating-point' },
      elements: [{ id: 'R', kind: 'resistor', a: 'a', b: '0', resistanceOhm: Number.NaN }],
    },
  ],
  [
    'network',
    {
      ground: '0',
      analysis: { kind: 'sideways' },
      elements: [{ id: 'R', kind: 'resistor', a: 'a', b: '0', resistanceOhm: 1 }],
    },
  ],
  [
    'network',
    { ground: '0', analysis: { kind: 'operating-point' }, elements: [{ id: 'R', kind: 'teapot', a: 'a', b: '0' }] },
  ],
  [
    'network',
    {
      ground: 'nowhere',
      analysis: { kind: 'operating-point' },
      elements: [{ id: 'R', kind: 'resistor', a: 'a', b: '0', resistanceOhm: 1 }],
    },
  ],
  ['precharge', { packOcvV: -1, prechargeResistanceOhm: 1, linkCapacitanceF: 1, timeoutS: 1 }],
  ['precharge', { packOcvV: 400 }],
  ['precharge', 'text'],
  ['no-such-law', {}],
])('%s refuses what it can’t mean, in words', (name, input) => {
  const answer = calculate(name, input) as Bad;
  expect(answer.ok).toBe(false);
  for (const { path, reason, remedy } of answer.errors)
    expect(Math.min(path.length, reason.length, remedy.length)).toBeGreaterThan(2);
});
