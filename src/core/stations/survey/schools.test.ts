import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type Edit, SCHOOL_CHOICES, type SchoolId, type Schools } from '../../build';
import { firn9, larkspur, teasel } from '../../build/samples';
import { checkKey, say } from '../../checks';
import { LOAD_PRESETS } from '../../parts';
import { findRemedies } from '../../remedies';
import { JOB_WORDS } from './school-jobs';
import { SCHOOL_WORDS } from './school-rules';

const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const choose = (build: Build, schools: Partial<Schools>): Build => edited(build, { edit: 'setSchool', input: schools });
const found = (build: Build, key: string) => assess(build).checks.find((check) => checkKey(check) === key);
const loadIds = ({ circuits }: Build, job: string): string[] =>
  Object.values(circuits.lv.devices)
    .filter(({ load }) => load?.job === job)
    .map(({ id }) => id);
const without = (build: Build, job: string): Build =>
  edited(build, ...loadIds(build, job).map((deviceId): Edit => ({ edit: 'dropLowLoad', input: { deviceId } })));

describe('schools', () => {
  test('a choice asks for what feeds it, and one press puts that into the schedule with fuse and wires', () => {
    const booster = choose(firn9(), { brakes: 'electric-booster' });
    const open = found(booster, 'survey.school:school-brakes')!;
    expect(say(open).line).toBe('needs an electric brake booster in the 12-volt schedule');
    const [remedy] = findRemedies(booster, open);
    const cured = edited(booster, remedy!.edit);
    expect(found(cured, 'survey.school:school-brakes')!.verdict).toBe('holds');
    const [id] = loadIds(cured, 'brake-booster');
    // Idle 1 A at 13.8 V and 35 A for moments: what the trade says of boosters.
    expect(cured.circuits.lv.devices[id!]!.load).toMatchObject({ rating: 13.8, peakRating: 483, essential: true });
  });

  test('an assist that is chosen and fed stays open until it is proved; going without is told knowingly', () => {
    const firn = firn9();
    expect(say(found(firn, 'survey.loss:brake-vacuum')!).line).toBe('needs its proof, at Ancillaries');
    expect(say(found(without(firn, 'vacuum-pump'), 'survey.loss:brake-vacuum')!).line).toContain('a vacuum pump');
    expect(found(choose(firn, { brakes: 'unassisted' }), 'survey.loss:brake-vacuum')!.verdict).toBe('holds');
    const { brakes: _, ...untold } = firn.schools;
    expect(say(found({ ...firn, schools: untold }, 'survey.loss:brake-vacuum')!).line).toBe(
      'needs a choice of brake assist',
    );
  });

  test('a gauge in the schedule closes the gauges that went with the engine', () => {
    const open = found(firn9(), 'survey.loss:gauges')!;
    expect(open.verdict).toBe('needs-data');
    const [remedy] = findRemedies(firn9(), open);
    expect(found(edited(firn9(), remedy!.edit), 'survey.loss:gauges')!.verdict).toBe('holds');
  });

  test('where nothing came out of an engine bay nobody asks what ran off it', () => {
    const blank = { ...firn9(), losses: {} };
    const asked = (build: Build) => assess(build).checks.filter(({ id }) => id === 'survey.loss').length;
    expect(asked(blank)).toBe(11);
    expect(asked(edited(blank, { edit: 'setStartingPoint', input: { startingPoint: 'repack' } }))).toBe(0);
  });

  test.each([
    ['belt kept, electric pump too', firn9, { ancillaries: 'belt' }, 'school-ancillaries', 'electric assist too'],
    [
      'belt kept on a motor that stands when the car stands',
      firn9,
      { ancillaries: 'belt', steering: 'none', clutch: 'coupler' },
      'school-ancillaries',
      'the motor stands',
    ],
    ['no battery chosen, one fitted', larkspur, { auxiliaryBattery: 'none' }, 'school-auxiliaryBattery', 'one is in'],
    ['lithium without electronics', larkspur, { bms: 'none' }, 'school-bms', 'nobody stops a cell'],
    ['shunts at the bottom', larkspur, { bms: 'shunts', balance: 'bottom' }, 'school-balance', 'at the top'],
    [
      'inside the body, with cables below',
      firn9,
      { cableRoute: 'inside' },
      'school-cableRoute',
      'lies under the floor',
    ],
  ] as const)('%s is a contradiction', (_, make, schools, subject, words) => {
    const check = found(choose(make(), schools), `survey.school:${subject}`)!;
    expect(check.verdict).toBe('fails');
    expect(say(check).line).toContain(words);
  });

  test('seats do not clear a windscreen; flooded lead needs no electronics; a kept clutch lets the motor idle', () => {
    const seats = choose(firn9(), { heating: 'seats' });
    const fed = edited(seats, findRemedies(seats, found(seats, 'survey.school:school-heating')!)[0]!.edit);
    expect(found(fed, 'survey.school:school-heating')!.verdict).toBe('holds');
    expect(found(fed, 'survey.loss:heater-matrix')!.verdict).toBe('holds');
    const bare: Build = {
      ...fed,
      circuits: {
        ...fed.circuits,
        hv: {
          devices: Object.fromEntries(
            Object.entries(fed.circuits.hv.devices).filter(([, { kind }]) => kind !== 'heater'),
          ),
          conductors: Object.fromEntries(
            Object.entries(fed.circuits.hv.conductors).filter(
              ([, { a, b }]) => a.deviceId !== 'heater' && b.deviceId !== 'heater',
            ),
          ),
        },
      },
    };
    expect(say(found(bare, 'survey.school:school-heating')!).line).toContain('clears the windscreen');
    expect(say(found(bare, 'survey.loss:heater-matrix')!).line).toContain('clears the windscreen');
    expect(found(teasel(), 'survey.school:school-bms')!.verdict).toBe('holds');
    const idles = choose(teasel(), { ancillaries: 'belt', clutch: 'kept' });
    expect(found(idles, 'survey.school:school-ancillaries')!.verdict).toBe('holds');
  });

  test('what is not known is not called holding: cells, places of cables, kind of battery, a rear screen', () => {
    const noCells = {
      ...teasel(),
      parts: Object.fromEntries(Object.entries(teasel().parts).filter(([, part]) => part.kind !== 'cell')),
    };
    expect(found(noCells, 'survey.school:school-bms')!.verdict).toBe('needs-data');
    const firn = firn9();
    const lost: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        hv: {
          ...firn.circuits.hv,
          conductors: {
            ...firn.circuits.hv.conductors,
            'c-mid': { ...firn.circuits.hv.conductors['c-mid']!, routeId: null, laid: null },
          },
        },
      },
    };
    expect(say(found(lost, 'survey.school:school-cableRoute')!).line).toMatch(/^needs where .* lies$/);
    const { battery: _, ...bare } = firn.circuits.lv.devices['coil-battery']!;
    const plain: Build = {
      ...firn,
      circuits: {
        ...firn.circuits,
        lv: { ...firn.circuits.lv, devices: { ...firn.circuits.lv.devices, 'coil-battery': bare } },
      },
    };
    expect(found(plain, 'survey.school:school-auxiliaryBattery')!.verdict).toBe('needs-data');
    // Electric steering as it came draws as any: its load is asked for.
    expect(
      say(found(choose(firn, { steering: 'original-electric' }), 'survey.school:school-steering')!).line,
    ).toContain('an electric steering assist');
    // A heated rear screen clears no windscreen.
    expect(LOAD_PRESETS.find(({ id }) => id === 'rear-screen')!.load.job).toBeUndefined();
    expect(LOAD_PRESETS.find(({ id }) => id === 'windscreen')!.load.job).toBe('screen-heat');
  });

  test('whatever is chosen, it is judged in words, and never called holding while its load is missing', () => {
    const ids = Object.keys(SCHOOL_CHOICES) as SchoolId[];
    const any = fc.record(
      Object.fromEntries(ids.map((id) => [id, fc.constantFrom(...SCHOOL_CHOICES[id])])) as Record<
        SchoolId,
        fc.Arbitrary<string>
      >,
    );
    const stripped = Object.keys(JOB_WORDS).reduce(without, firn9());
    fc.assert(
      fc.property(any, (schools) => {
        const build = choose(stripped, schools as unknown as Partial<Schools>);
        const checks = assess(build).checks.filter(({ id }) => id === 'survey.school');
        expect(checks.length).toBeGreaterThan(8);
        for (const check of checks) expect(say(check).line).not.toBe('');
        const brakes = checks.find(({ subject }) => subject.name === SCHOOL_WORDS.brakes)!;
        expect(brakes.verdict).toBe(schools.brakes === 'unassisted' ? 'holds' : 'needs-data');
      }),
      { numRuns: 20 },
    );
  });
});

test('a loom that stays is as good as the old wiring was found, and the 12-volt side sees it', () => {
  const kept = (state: 'good' | 'mend' | null) => {
    const firn = firn9();
    const { 'old-wiring': _, ...rest } = firn.asFound!;
    return found(
      { ...firn, asFound: state === null ? rest : { ...rest, 'old-wiring': { state, note: 'green strands' } } },
      'lv.old-loom:old-light-loom',
    )!;
  };
  expect(kept('good').verdict).toBe('holds');
  expect(kept(null).verdict).toBe('needs-data');
  expect(kept('mend').verdict).toBe('fails');
  expect(say(kept('mend')).line).toContain('green strands');
  // What is stripped out is nobody's concern any more.
  expect(found(firn9(), 'lv.old-loom:old-engine-loom')).toBeUndefined();
});
