import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { build } from 'esbuild';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';

/** What a newcomer has to touch for a check, a kind of device and a station, done on a copy of the sources: docs/newcomer.md tells it. */
const ROOT = process.cwd();
mkdirSync(join(ROOT, 'test-results'), { recursive: true });
const COPIES: string[] = [];
afterAll(() => {
  for (const copy of COPIES) rmSync(copy, { recursive: true, force: true });
});

class Copy {
  /** Files that each task touched. */
  readonly touched = { check: new Set<string>(), device: new Set<string>(), station: new Set<string>() };
  private task: keyof Copy['touched'] = 'check';
  readonly at = mkdtempSync(join(ROOT, 'test-results', 'newcomer-'));

  constructor() {
    COPIES.push(this.at);
    cpSync(join(ROOT, 'src'), join(this.at, 'src'), {
      recursive: true,
      filter: (path) => !/\.test\.tsx?$/.test(path) && !path.includes('/testing'),
    });
    for (const file of ['tsconfig.json', 'next-env.d.ts']) cpSync(join(ROOT, file), join(this.at, file));
  }

  begin(task: keyof Copy['touched']): void {
    this.task = task;
  }

  write(file: string, text: string): void {
    this.touched[this.task].add(file);
    mkdirSync(dirname(join(this.at, file)), { recursive: true });
    writeFileSync(join(this.at, file), text);
  }

  change(file: string, from: string, to: string): void {
    const text = readFileSync(join(this.at, file), 'utf8');
    expect(text).toContain(from);
    this.write(file, text.replace(from, to));
  }

  /** What the compiler says of the sources, one line each; none when it has nothing to say. */
  types(): readonly string[] {
    try {
      execFileSync(process.execPath, [join(ROOT, 'node_modules/typescript/bin/tsc'), '--noEmit', '-p', this.at], {
        encoding: 'utf8',
      });
      return [];
    } catch (error) {
      return (error as { stdout: string }).stdout.split('\n').filter((line) => line.includes('error TS'));
    }
  }

  /** What a script of these sources prints, read as JSON. */
  async run(script: string): Promise<unknown> {
    const entry = join(this.at, 'script.ts');
    const outfile = join(this.at, 'script.cjs');
    writeFileSync(entry, script);
    await build({
      entryPoints: [entry],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'cjs',
      alias: { '@': join(this.at, 'src') },
      logLevel: 'error',
    });
    return JSON.parse(execFileSync(process.execPath, [outfile], { encoding: 'utf8' }));
  }
}

/** Judges Firn 9 with its heater turned into the made-up kind of device. */
const SCRIPT = `
  import { assess } from '@/core/assess';
  import { firn9 } from '@/core/build/samples';
  import { say } from '@/core/checks';
  const firn = firn9();
  const { hv } = firn.circuits;
  const devices = { ...hv.devices, heater: { ...hv.devices.heater!, kind: 'coolant-pump' as const } };
  const { checks, results } = assess({ ...firn, circuits: { ...firn.circuits, hv: { ...hv, devices } } });
  console.log(JSON.stringify({
    tyres: results.tyres,
    checks: checks.map((check) => ({
      id: check.id, subject: check.subject.id, station: check.station, verdict: check.verdict, ...say(check),
      lines: check.working.lines.length, advice: check.advice,
    })),
  }));
`;

interface Answer {
  readonly tyres: unknown;
  readonly checks: readonly { readonly id: string; readonly subject: string }[];
}

describe('what a newcomer has to touch', () => {
  const copy = new Copy();
  let complaints: readonly string[] = [];
  let mended: readonly string[] = [];
  let answer: Answer = { tyres: undefined, checks: [] };
  const found = (id: string, subject?: string) =>
    answer.checks.filter((check) => check.id === id && (subject === undefined || check.subject === subject));

  beforeAll(async () => {
    copy.begin('check');
    copy.write(
      'src/core/stations/pack/cell-count.ts',
      `import { marginAtMost } from '../../checks';
import * as propose from '../../proposals';
import { PACK_REF } from '../context';
import { defineRule } from '../define';

/** A made-up rule: no more than sixty cells in series. */
export const cellCount = defineRule({
  id: 'pack.cell-count',
  endangers: 'parts',
  says: { fails: '{subject} has too many cells', holds: '{subject}, cells', line: '{cells}, at most 60' },
  sources: ['Made up'],
  judge: ({ vehicle }) => {
    const cells = vehicle.devices.reduce((sum, { device }) => sum + (device.cellsInSeries ?? 0), 0);
    return [
      {
        subject: PACK_REF,
        margin: marginAtMost(cells, 60),
        figures: { cells: String(cells) },
        lines: () => [{ formula: 'n = Σ n_box', figures: String(cells) }],
      },
    ];
  },
  remedies: [propose.fewerCells],
});
`,
    );
    copy.change('src/core/stations/pack/rules.ts', '  ...STRING_RULES,', '  cellCount,\n  ...STRING_RULES,');
    copy.change(
      'src/core/stations/pack/rules.ts',
      'import { STRING_RULES }',
      "import { cellCount } from './cell-count';\nimport { STRING_RULES }",
    );

    copy.begin('device');
    copy.write(
      'src/core/build/devices/coolant-pump.ts',
      `import { defineDevice } from './definition';

/** Pump of the cooling circuit on the traction voltage (made up). */
export const coolantPump = defineDevice({
  word: 'coolant pump',
  terminals: { plus: 'hv', minus: 'hv' },
  part: 'bus-device',
  traits: ['consumer', 'windowed', 'leaks'],
  stands: 'load',
  massKg: 2,
});
`,
    );
    copy.change('src/core/build/devices/index.ts', '  compressor,', "  compressor,\n  'coolant-pump': coolantPump,");
    copy.change(
      'src/core/build/devices/index.ts',
      'import { contactor }',
      "import { coolantPump } from './coolant-pump';\nimport { contactor }",
    );

    copy.begin('station');
    copy.write(
      'src/core/stations/tyres/index.ts',
      `import { defineRule, defineStation } from '../define';

const pressure = defineRule({
  id: 'tyres.told',
  endangers: 'people',
  says: { fails: 'Tyres are not told', holds: 'Tyres are told', line: '{size}' },
  sources: ['Made up'],
  judge: ({ vehicle: { build } }) => [
    { subject: { kind: 'build', id: 'tyres', name: 'Tyres' }, holds: true, figures: { size: build.vehicle.tyre ?? 'unknown' } },
  ],
  remedies: 'Read the size off the wall of a tyre.',
});

/** A made-up station. */
export const tyres = defineStation({
  id: 'tyres',
  name: 'Tyres',
  question: 'What does it stand on?',
  key: 'z',
  begin: 'tell the tyres in Survey',
  rules: [pressure],
  results: ({ vehicle }) => ({ size: vehicle.build.vehicle.tyre ?? null }),
});
`,
    );
    copy.change('src/core/stations/index.ts', '  logbook,\n] as const', '  logbook,\n  tyres,\n] as const');
    copy.change(
      'src/core/stations/index.ts',
      'import { survey }',
      "import { tyres } from './tyres';\nimport { survey }",
    );

    const wrong = 'src/core/stations/hv-circuit/live-rules.ts';
    const right = readFileSync(join(copy.at, wrong), 'utf8');
    writeFileSync(join(copy.at, wrong), right.replace('{detail}', '{detial}'));
    complaints = copy.types();
    writeFileSync(join(copy.at, wrong), right);
    copy.write(
      'src/screens/tyres/tyres-screen.tsx',
      `'use client';
import { SheetHead, useSheet } from '../shell/shell';

export function TyresScreen() {
  const { assessment } = useSheet();
  return (
    <>
      <SheetHead station="tyres" />
      <p>{assessment.results.tyres.size}</p>
    </>
  );
}
`,
    );
    copy.change(
      'src/screens/station-screen.tsx',
      '  survey: dynamic',
      "  tyres: dynamic(() => import('./tyres/tyres-screen').then(({ TyresScreen }) => TyresScreen)),\n  survey: dynamic",
    );

    mended = copy.types();
    answer = (await copy.run(SCRIPT)) as Answer;
  });

  test('the compiler names the screen that a station lacks, and the figure that no sentence names', () => {
    expect(complaints.filter((line) => !line.includes('live-rules.ts'))).toEqual([
      expect.stringMatching(/station-screen\.tsx.*tyres/),
    ]);
    expect(complaints.length).toBeGreaterThan(1);
    expect(mended).toEqual([]);
  });

  test('a check with words, working and remedy: one file and one line', () => {
    expect(copy.touched.check.size).toBe(2);
    // Firn 9 has 54 + 36 cells in series.
    expect(found('pack.cell-count')).toEqual([
      expect.objectContaining({
        station: 'pack',
        verdict: 'fails',
        title: 'Pack has too many cells',
        line: '90, at most 60',
        lines: 1,
      }),
    ]);
  });

  test('a kind of device: one file and one list; windows, insulation and liveness judge it', () => {
    expect(copy.touched.device.size).toBeLessThanOrEqual(3);
    expect(found('device.voltage-max', 'heater')).toEqual([expect.objectContaining({ verdict: 'holds' })]);
    expect(found('insulation.resistance')).toHaveLength(1);
  });

  test('a station: its rules, its screen, and two lines', () => {
    expect(copy.touched.station.size).toBeLessThanOrEqual(4);
    expect(found('tyres.told')).toEqual([
      expect.objectContaining({ station: 'tyres', verdict: 'holds', title: 'Tyres are told' }),
    ]);
    expect(answer.tyres).toEqual({ size: expect.stringMatching(/^\d+\/\d+ ?R/) });
  });
});
