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
    expect(lawSchema(law)).toMatchObject({ input: { type: 'object' } });
    expect(law.output.validate(answer.result, { convert: false }).error).toBeUndefined();
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

describe('laws refuse what means nothing, with path and remedy', () => {
  test.each([
    ['discharge', { startVoltageV: 400, linkCapacitanceF: 0 }, 'linkCapacitanceF'],
    [
      'short-circuit',
      { cellsInSeries: 10, cellsInParallel: 1, cellOcvV: 3.3, cellResistanceOhm: 0, loopInductanceH: 0 },
      'cellResistanceOhm',
    ],
    ['cable', { ambientC: 30, maxConductorTemperatureC: 90 }, 'areaMm2'],
    ['cable', { ambientC: 30, maxConductorTemperatureC: 90, awg: 'thick' }, 'awg'],
    ['cable', { ambientC: 30, maxConductorTemperatureC: 90, areaMm2: 120, wall: 'thin' }, 'wall'],
    [
      'cable',
      {
        ambientC: 30,
        maxConductorTemperatureC: 90,
        areaMm2: 10,
        layers: [{ outerDiameterMm: 2, conductivityWPerMK: 0.2 }],
      },
      'layers.0.outerDiameterMm',
    ],
    [
      'withstand',
      { areaMm2: 10, material: 'copper', startTemperatureC: 160, finalTemperatureC: 160 },
      'finalTemperatureC',
    ],
    ['fuse', { family: 'traction' }, 'ratedCurrentA'],
    ['fuse', { systemMaxVoltageV: 400 }, 'fuse'],
    [
      'fuse-curve',
      { fuse: { ...(LAWS.find((law) => law.name === 'fuse')!.example as object) }, multiples: [2] },
      'fuse.ratedTimeConstantS',
    ],
  ])('%s %j', (name, input, path) => {
    const answer = calculate(name, input) as Bad;
    expect(answer.ok).toBe(false);
    expect(answer.errors.map((error) => error.path)).toContain(path);
    for (const { reason, remedy } of answer.errors) expect(Math.min(reason.length, remedy.length)).toBeGreaterThan(8);
  });
});

const result = (name: string, input: object) =>
  (calculate(name, input) as unknown as { result: Record<string, unknown> }).result;

describe('cable', () => {
  test('its example, by a plain bisection of the same balance in another language', () => {
    const found = result('cable', LAWS.find((law) => law.name === 'cable')!.example as object);
    expect(found.ampacityA).toBeCloseTo(302.88, 1);
    expect(found.conductorTemperatureC).toBeCloseTo(73.66, 1);
    expect(found.dropV).toBeCloseTo(0.1925, 4);
  });

  test('2/0 by gauge, silicone, three circuits in conduit: 272.3 A by the same bisection', () => {
    const common = {
      insulation: 'silicone',
      loadedCircuits: 3,
      conduit: true,
      ambientC: 30,
      maxConductorTemperatureC: 150,
    };
    for (const awg of ['2/0', -1]) expect(result('cable', { ...common, awg }).ampacityA).toBeCloseTo(272.31, 1);
  });

  test('null is not there: an area beside a null gauge is an area', () => {
    expect(result('cable', { areaMm2: 50, awg: null, ambientC: 30, maxConductorTemperatureC: 90 }).areaMm2).toBe(50);
  });

  test('far too much current is not steady', () => {
    expect(
      result('cable', { areaMm2: 4, ambientC: 60, maxConductorTemperatureC: 125, currentA: 500, lengthM: 2 }),
    ).toMatchObject({
      steady: false,
      conductorTemperatureC: null,
      dropV: null,
    });
  });
});

describe('fuse', () => {
  const example = LAWS.find((law) => law.name === 'fuse')!.example as object;
  type Rules = Record<string, { verdict: string; demand: number | null; limit: number | null }>;
  const rules = (more: object) => result('fuse', { ...example, ...more }).rules as Rules;

  test('its example, by small steps of 0.1 µs in another language', () => {
    const found = result('fuse', example);
    expect(found.meltTimeAtMaxS).toBeCloseTo(0.0006567, 6);
    expect(found.letThroughA).toBeCloseTo(7992, -1);
    expect((found.totalI2tAtMaxA2s as number) / 64130).toBeCloseTo(1, 3);
    // Rms 126.95 A and continuous 300 · 0.8 · √(85/105) by hand.
    expect(found.rmsCurrentA).toBeCloseTo(126.95, 2);
    expect(rules({})['fuse.continuous']!.limit).toBeCloseTo(215.94, 2);
  });

  test('an AC rating alone is no DC rating: what rests on it waits', () => {
    const found = rules({ ratedVoltageDcV: null, upstreamPreArcingI2tA2s: 1e6 });
    expect(found['fuse.dc-rating']!.verdict).toBe('fails');
    for (const id of ['fuse.dc-voltage', 'fuse.cable-short', 'fuse.selectivity', 'fuse.contactor-withstand'])
      expect(found[id]!.verdict).toBe('waits');
  });

  test('a long loop takes voltage away: 500 V · (5/30)^0.3 = 292 V', () => {
    const found = rules({ loopTimeConstantS: 0.03 });
    expect(found['fuse.dc-voltage']).toMatchObject({ verdict: 'fails' });
    expect(found['fuse.dc-voltage']!.limit).toBeCloseTo(292.1, 1);
    expect(found['fuse.cable-short']!.verdict).toBe('waits');
  });

  test('a partial-range fuse is no overload protection unless another one is named', () => {
    const partial = { family: 'ar', ratedVoltageDcV: 700 };
    expect(rules(partial)['fuse.cable-overload']!.verdict).toBe('fails');
    expect(rules({ ...partial, otherOverloadProtection: true })['fuse.cable-overload']!.verdict).toBe('holds');
    expect(rules({ ...partial, prospectiveMinA: 1000 })['fuse.minimum-breaking']).toMatchObject({
      verdict: 'fails',
      demand: 1200,
    });
  });

  test('a current that never melts it fails the melting time, and the rule names no figure', () => {
    expect(rules({ prospectiveMinA: 430 })['fuse.melting-time']).toMatchObject({ verdict: 'fails', demand: null });
    expect(result('fuse', { ...example, prospectiveMinA: 430 }).meltTimeAtMinS).toBeNull();
  });

  test('three strings side by side feed the faulted one twice, and a missing input is named as such', () => {
    expect(rules({ parallelStrings: 3 })['fuse.breaking-capacity']).toMatchObject({ demand: 18000, verdict: 'holds' });
    expect(rules({ parallelStrings: 4 })['fuse.breaking-capacity']!.verdict).toBe('fails');
    expect(rules({ ambientC: null })['fuse.continuous']!.verdict).toBe('needs-data');
    expect(rules({ atSourceEnd: false })['fuse.unprotected-length']!.verdict).toBe('fails');
  });
});
