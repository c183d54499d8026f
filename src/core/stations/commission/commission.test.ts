import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess, assessWithRuns } from '../../assess';
import { applyEdit, type Build, type StepResult, type StepTrace } from '../../build';
import { designDigest, digestOf } from '../../build/digest';
import { firn9, larkspur, SAMPLES, teasel } from '../../build/samples';
import { predictedReadings } from '../../physics/insulation';
import { inUnits } from '../../quantities';
import { entryOfNote, entryOfReading, entryOfSkip, entryUnskipped } from './enter';
import { judgeLine, ofMeter, type SheetLine } from './sheets';
import { type Step, stepId } from './step';
import { readingOfTrace } from './trace-reading';

const firn = assess(firn9());
const sheetsOf = (build: Build) => assess(build).results.commission.sheets;
const stepOf = (build: Build, id: string): Step =>
  sheetsOf(build)
    .flatMap(({ lines }) => lines)
    .find(({ step }) => step.id === id)!.step;
const lineOf = (build: Build, id: string): SheetLine =>
  sheetsOf(build)
    .flatMap(({ lines }) => lines)
    .find(({ step }) => step.id === id)!;
const entered = (build: Build, id: string, more: object): Build => {
  const { step } = lineOf(build, id);
  return applyEdit(build, {
    edit: 'putInCommission',
    input: {
      list: 'results',
      entries: [{ id, name: step.name, sheet: step.sheet, date: '2026-06-01', ...more }],
    },
  }).build;
};

describe('steps', () => {
  test.each(SAMPLES.map(({ key, make }) => [key, make] as const))(
    '%s: each has words, an id of the document, and is there once',
    (key, make) => {
      const steps = assessWithRuns(make(key)).results.commission.sheets.flatMap(({ lines }) =>
        lines.map(({ step }) => step),
      );
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
      for (const step of steps) {
        expect(step.id).toMatch(/^[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/);
        expect(step.where.length).toBeGreaterThan(3);
        // Whatever is read has a band or says what it lacks; whatever is looked at says what to do when it is not so.
        if (step.dimension === null) expect(step.ifNot.length).toBeGreaterThan(10);
        else if (step.low === null && step.high === null) expect(step.lacks).toBeTruthy();
        else {
          if (step.low !== null && step.expected !== null)
            expect(step.low).toBeLessThanOrEqual(step.expected * (1 + 1e-9));
          if (step.high !== null && step.expected !== null)
            expect(step.high).toBeGreaterThanOrEqual(step.expected * (1 - 1e-9));
          if (step.low !== null) expect(step.ifLow.length).toBeGreaterThan(10);
          if (step.high !== null) expect(step.ifHigh.length).toBeGreaterThan(10);
        }
        // A name goes on record and is spelled by nobody.
        expect(step.name).not.toMatch(/[\ue0f0\ue0f1]/);
        expect(inUnits(`${step.where}${step.switches}${step.from}`, 'us')).not.toMatch(/[\ue0f0\ue0f1]/);
      }
    },
  );

  test('closed forms: coil U²/P, precharge ± 30 %, discharge R·C·ln(V/60), what cells hold', () => {
    const { vehicle, precharges, fullV } = firn.context;
    const coil = vehicle.deviceOf.get('k-plus')!.part as { coilVoltageV: number; coilPowerW: number };
    expect(stepOf(firn.build, 'coil.k-plus').expected).toBeCloseTo(coil.coilVoltageV ** 2 / coil.coilPowerW, 9);
    const run = precharges[0] as { resistanceOhm: number; linkCapacitanceF: number; closeFraction: number };
    const plain = -run.resistanceOhm * run.linkCapacitanceF * Math.log(1 - run.closeFraction);
    const reach = stepOf(firn.build, 'reach.r-pre');
    expect(reach.expected! / plain).toBeCloseTo(1, 2);
    expect(reach.low! / reach.expected!).toBeCloseTo(0.7, 9);
    const bleeds = vehicle.devices.flatMap(({ part }) => {
      const { bleedResistanceOhm: ohm } = (part ?? {}) as { bleedResistanceOhm?: number };
      return ohm === undefined ? [] : [1 / ohm];
    });
    const farad = run.linkCapacitanceF;
    const byHand = (farad / bleeds.reduce((sum, one) => sum + one, 0)) * Math.log(fullV! / 60);
    const discharge = sheetsOf(firn.build)
      .flatMap(({ lines }) => lines)
      .find(({ step }) => step.id.startsWith('discharge.'))!.step;
    expect(discharge.expected! / byHand).toBeCloseTo(1, 3);
    // 54 cells of NMC: 3.0 V to 4.2 V.
    const box = stepOf(firn.build, 'box.box-rear');
    expect(box.low).toBeCloseTo(54 * 3, 6);
    expect(box.high!).toBeGreaterThan(54 * 4.2);
  });

  test('a precharge that never closes has no figure, and says why', () => {
    const never: Build = { ...firn9(), precharge: { ...firn9().precharge, timeoutS: 0.01 } };
    const step = stepOf(never, 'reach.r-pre');
    expect([step.expected, step.low, step.high]).toEqual([null, null, null]);
    expect(step.lacks).toContain('closing level');
    // Read all the same it is never right.
    expect(lineOf(entered(never, 'reach.r-pre', { value: 0.4, dimension: 'time' }), 'reach.r-pre').state).toBe(
      'unsure',
    );
  });

  test('a series motor is cautioned, others are not', () => {
    const has = (build: Build) =>
      sheetsOf(build).some(({ lines }) => lines.some(({ step }) => step.id === 'series-caution'));
    expect([has(teasel()), has(firn9())]).toEqual([true, false]);
  });

  test('ids: what is too long for the document stays apart from its neighbours', () => {
    fc.assert(
      fc.property(fc.array(fc.stringMatching(/^[a-z]{50,60}$/), { minLength: 2, maxLength: 20 }), (names) => {
        const made = [...new Set(names)].map((name) => stepId('cable-insulation', name));
        expect(new Set(made).size).toBe(made.length);
        for (const id of made) expect(id.length).toBeLessThanOrEqual(60);
      }),
    );
  });
});

describe('12 V alone', () => {
  test('what draws is read at the battery’s 12.6 V, not at the converter’s: P/U of a constant power, by hand', () => {
    const [load] = Object.values(firn.build.circuits.lv.devices).filter(
      ({ load: one }) => one?.kind === 'constant-power' && one.rating / 12.6 > 0.5,
    );
    expect(stepOf(firn.build, `load.${load!.id}`).expected).toBeCloseTo(load!.load!.rating / 12.6, 9);
  });

  test('parked it is what 12 V counts, and nothing where 12 V has no answer', () => {
    const step = stepOf(firn.build, 'parked');
    const check = firn.checks.find(({ id }) => id === 'lv.parked')!;
    expect((check.says.figures.current as { value: number }).value).toBeCloseTo(step.expected!, 12);
  });
});

describe('a reading against its band', () => {
  const step = stepOf(firn.build, 'reach.r-pre');
  const judged = (value: number) =>
    judgeLine(step, { id: step.id, name: step.name, sheet: step.sheet, date: '2026-06-01', dimension: 'time', value });

  test('inside passes, outside does not, and the side is the one it is on', () => {
    fc.assert(
      fc.property(fc.double({ min: -2, max: 4, noNaN: true }), (times) => {
        const value = step.expected! * times;
        const { state, side, hint } = judged(value);
        if (value < step.low! * (1 - 1e-6)) expect([state, side, hint]).toEqual(['out', 'low', step.ifLow]);
        else if (value > step.high! * (1 + 1e-6)) expect([state, side, hint]).toEqual(['out', 'high', step.ifHigh]);
        else if (value > step.low! && value < step.high!) expect(state).toBe('pass');
      }),
    );
  });

  test('no reading is no pass: not a number, another unit, none', () => {
    expect(judged(Number.NaN).state).toBe('open');
    expect(judgeLine(step, null).state).toBe('open');
    expect(
      judgeLine(step, { id: 'x', name: 'x', sheet: 'precharge', date: '2026-06-01', value: 0.4, dimension: 'voltage' })
        .state,
    ).toBe('open');
  });

  test('two voltages and a resistor give back the leak that made them: forward by the divider, whatever the meter', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 60, max: 800, noNaN: true }),
        fc.double({ min: 1e4, max: 1e7, noNaN: true }),
        fc.double({ min: 1.2, max: 50, noNaN: true }),
        fc.constantFrom(null, 1e6, 10e6),
        (packV, leak, times, meter) => {
          // The plus side leaks: minus to the body reads more.
          const read = predictedReadings(packV, leak, leak * times, 100e3, meter);
          const ohm = ofMeter({
            packV,
            largerV: Math.max(read.minusV, read.plusV),
            withR0V: read.withR0V,
            r0Ohm: 100e3,
          });
          expect(ohm! / leak).toBeCloseTo(1, 6);
        },
      ),
    );
  });

  test('voltages that can’t be are no ohms', () => {
    for (const odd of [
      { packV: 130, largerV: 66, withR0V: 70, r0Ohm: 1e5 },
      { packV: 130, largerV: 180, withR0V: 20, r0Ohm: 1e5 },
      { packV: 0, largerV: 0, withR0V: 0, r0Ohm: 1e5 },
    ])
      expect(ofMeter(odd)).toBeNull();
  });
});

describe('what is entered', () => {
  const who = { by: 'A', date: '2026-07-01' };
  const onOther = (): Build => {
    const build = larkspur();
    const part = build.parts[build.circuits.hv.devices.inverter!.partId!]!;
    return applyEdit(build, {
      edit: 'fitPart',
      input: { deviceId: 'inverter', part: { ...part, id: 'another', name: 'Another one' } },
    }).build;
  };
  const swapped = onOther();
  const stale = lineOf(swapped, 'insulation.inverter');
  const judged = (result: StepResult) => judgeLine(stale.step, result, 'another').state;

  test('a note, a day or a reason beside it makes no old reading one of the new part', () => {
    expect(stale.state).toBe('open');
    expect(judged(entryOfNote(stale.result!, { note: 'cleaned', date: '2026-08-01' }))).toBe('open');
    const skipped = entryOfSkip(swapped, stale, who, 'tester away');
    expect(skipped.value).toBeUndefined();
    expect(judged(skipped)).toBe('skipped');
  });

  test('a new reading is of the part that is there, of its day, and is skipped no more', () => {
    const entry = entryOfReading(swapped, { step: stale.step, result: { ...stale.result!, skipped: 'x' } }, who, {
      value: 40e6,
    });
    expect(entry).toMatchObject({ partId: 'another', date: '2026-07-01', by: 'A', value: 40e6 });
    expect(entry.skipped).toBeUndefined();
    expect(judged(entry)).toBe('pass');
    // Ohms in place of three voltages, and the other way round: one of them counts.
    const volts = entryOfReading(swapped, { step: stale.step, result: entry }, who, {
      meter: { packV: 130, largerV: 120, withR0V: 82, r0Ohm: 15e3 },
    });
    expect(volts.value).toBeUndefined();
    expect(judged(volts)).toBe('out');
  });

  test('unskipped it is as it was read; with nothing read nothing is left', () => {
    expect(entryUnskipped({ ...stale.result!, skipped: 'x' })).toEqual(stale.result);
    const { value: _, ...bare } = stale.result!;
    expect(entryUnskipped({ ...bare, skipped: 'x' })).toBeNull();
  });
});

describe('order', () => {
  test('each sheet waits for those before it; a skipped test lets it go on, a reading that is out does not', () => {
    const sheets = sheetsOf(firn9());
    expect(sheets.find(({ id }) => id === 'spin')!.waitsFor).toEqual([
      'low-voltage',
      'limited-source',
      'insulation',
      'precharge',
    ]);
    expect(sheets.find(({ id }) => id === 'low-voltage')!.waitsFor).toEqual([]);
    const larks = larkspur();
    const waits = (build: Build) => sheetsOf(build).find(({ id }) => id === 'precharge')!.waitsFor;
    expect(waits(larks)).toEqual([]);
    const { 'insulation-all': _, ...others } = larks.commission!.results!;
    const without: Build = { ...larks, commission: { ...larks.commission, results: others } };
    expect(waits(without)).toEqual(['insulation']);
    expect(waits(entered(without, 'insulation-all', { skipped: 'no tester' }))).toEqual([]);
    expect(
      waits(entered(larks, 'insulation-all', { value: 9e3, dimension: 'resistance', skipped: 'dry tomorrow' })),
    ).toEqual(['insulation']);
  });

  test('Larkspur is tested through and signed for the design that it is', () => {
    for (const { id, done, signed } of assessWithRuns(larkspur()).results.commission.sheets)
      expect([id, done, signed]).toEqual([id, true, 'now']);
  });

  test('a cable that came after the signatures is asked for; it is not held against the order of the tests', () => {
    const build = larkspur();
    const wire = Object.values(build.circuits.hv.conductors)[0]!;
    const hv = {
      ...build.circuits.hv,
      conductors: { ...build.circuits.hv.conductors, 'c-new': { ...wire, id: 'c-new', name: 'New cable' } },
    };
    const { checks } = assess({ ...build, circuits: { ...build.circuits, hv } });
    const verdictOf = (id: string, subject: string) =>
      checks.find((check) => check.id === id && check.subject.id === subject)?.verdict;
    expect(verdictOf('commission.order', 'commission')).toBe('holds');
    expect(verdictOf('commission.sheet', 'sheet-before-hv')).toBe('needs-data');
    expect(verdictOf('commission.signature', 'sheet-before-hv')).toBe('needs-data');
  });

  test('a result whose thing is gone is kept aside', () => {
    const gone = entered(firn9(), 'torque', { id: 'insulation.sold-heater', value: 1e7, dimension: 'resistance' });
    expect(assess(gone).results.commission.gone.map(({ id }) => id)).toEqual(['insulation.sold-heater']);
  });
});

describe('digest of the design', () => {
  test('the same however the keys were put in', () => {
    fc.assert(
      fc.property(fc.dictionary(fc.string(), fc.oneof(fc.integer(), fc.string(), fc.boolean())), (of) => {
        const turned = Object.fromEntries(Object.entries(of).reverse());
        expect(digestOf(turned)).toBe(digestOf(of));
      }),
    );
  });

  test('SHA-256 of a text that a standard gives: "abc" as JSON', () => {
    // sha256 of the five bytes "abc" with its quotation marks, by sha256sum.
    expect(digestOf('abc')).toBe('6cc43f858fbb7633');
  });

  test('names, notes, units and records of the work leave it; whatever the model reads moves it', () => {
    const build = firn9();
    const before = designDigest(build);
    const after = (edit: Parameters<typeof applyEdit>[1]) => designDigest(applyEdit(build, edit).build);
    for (const [edit, input] of [
      ['renameBuild', { name: 'Another' }],
      ['setNotes', { text: 'Anew.' }],
      ['setUnits', { units: 'us' }],
      ['setPlan', { hoursPerWeek: 3 }],
    ] as const)
      expect(after({ edit, input } as Parameters<typeof applyEdit>[1])).toBe(before);
    for (const [edit, input] of [
      ['setFigure', { figure: 'closeAt', value: 0.9 }],
      ['setFigure', { figure: 'altitude', value: 12 }],
      ['setSchool', { heating: 'seats' }],
      ['setCells', { deviceId: 'box-rear', cellsInSeries: 53 }],
    ] as const)
      expect(after({ edit, input } as Parameters<typeof applyEdit>[1])).not.toBe(before);
  });
});

describe('traces', () => {
  const trace = (tauS: number, packV: number, more: Partial<StepTrace> = {}): StepTrace => {
    const timesS = Array.from({ length: 200 }, (_, k) => (k * tauS * 6) / 199);
    return {
      id: 't',
      kind: 'precharge',
      stepId: null,
      name: 'scope',
      date: '2026-06-01',
      timesS,
      values: timesS.map((t) => packV * (1 - Math.exp(-t / tauS))),
      ...more,
    };
  };

  test('precharge: C = τ/R less what else is on the link, and the time of the same step', () => {
    const { adopts, read, step, cause } = readingOfTrace(firn.context, trace(0.16, 370));
    const run = firn.context.precharges[0] as { resistanceOhm: number; linkCapacitanceF: number };
    const inverter = (firn.context.vehicle.deviceOf.get('inverter')!.part as { linkCapacitanceF: number })
      .linkCapacitanceF;
    expect(adopts!.subjectId).toBe('inverter');
    expect(adopts!.value).toBeCloseTo(0.16 / run.resistanceOhm - (run.linkCapacitanceF - inverter), 6);
    expect(step!.id).toBe('reach.r-pre');
    expect(read! / (0.16 * Math.log(20))).toBeCloseTo(1, 1);
    expect(cause).toBe('');
  });

  test('discharge that stays at 90 V: nothing to read off, a feed is named', () => {
    const timesS = Array.from({ length: 200 }, (_, k) => k * 0.5);
    const stays = trace(1, 1, { kind: 'discharge', timesS, values: timesS.map((t) => 90 + 270 * Math.exp(-t / 9)) });
    const { read, cause, adopts } = readingOfTrace(firn.context, stays);
    expect(read).toBeNull();
    expect(adopts).toBeNull();
    expect(inUnits(cause)).toMatch(/tends to 90.*V.*Do not touch/);
  });

  test('discharge to nothing: τ·ln(V_full/60), from whatever it began with', () => {
    const timesS = Array.from({ length: 200 }, (_, k) => k * 0.5);
    const falls = trace(1, 1, { kind: 'discharge', timesS, values: timesS.map((t) => 200 * Math.exp(-t / 20)) });
    expect(readingOfTrace(firn.context, falls).read).toBeCloseTo(20 * Math.log(firn.context.fullV! / 60), 2);
  });
});
