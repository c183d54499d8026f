import { describe, expect, test } from 'vitest';
import { assess } from '@/core/assess';
import { applyEdit, type Build, type Edit, emptyBuild } from '@/core/build';
import { firn9, SAMPLES } from '@/core/build/samples';
import { deriveDrawing } from './derive-drawing';

const drawn = (build: Build) => deriveDrawing(assess(build));
const edited = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);

describe('the drawing of Survey', () => {
  test('is to scale: axles as far apart as the wheelbase, wheels as large as the tyre', () => {
    for (const { make } of SAMPLES) {
      const build = make('x');
      const { body, axleX, wheelR } = drawn(build);
      const { wheelbaseM } = build.vehicle;
      const { heightM, frontOverhangM, rearOverhangM } = build.chassis!;
      const scale = (axleX[1] - axleX[0]) / wheelbaseM!;
      expect((body.ground - body.top) / scale).toBeCloseTo(heightM!, 6);
      expect((body.right - body.left) / scale).toBeCloseTo(frontOverhangM! + wheelbaseM! + rearOverhangM!, 6);
      expect((axleX[0] - body.left) / scale).toBeCloseTo(frontOverhangM!, 6);
      expect(wheelR / scale).toBeGreaterThan(0.2);
      expect(wheelR / scale).toBeLessThan(0.7);
    }
    // 195/80R15: 0.97 · (15 · 25.4 / 2 + 195 · 0.8) mm.
    const { axleX, wheelR } = drawn(firn9());
    expect((wheelR / (axleX[1] - axleX[0])) * 2.4).toBeCloseTo(0.97 * (0.1905 + 0.156), 6);
  });

  test('everything stays on the paper, however long or high the vehicle', () => {
    for (const [wheelbase, height] of [
      [1, 6],
      [12, 0.6],
      [2.5, 1.5],
    ] as const) {
      const {
        body,
        width,
        height: paper,
        axleX,
      } = drawn(
        edited(
          firn9(),
          { edit: 'setFigure', input: { figure: 'wheelbase', value: wheelbase } },
          { edit: 'setFigure', input: { figure: 'height', value: height } },
        ),
      );
      for (const x of [body.left, body.right, ...axleX]) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(width);
      }
      expect(body.top).toBeGreaterThanOrEqual(0);
      expect(body.ground).toBeLessThan(paper);
    }
  });

  test('says of each figure whether it was told, assumed or is missing', () => {
    const bare = emptyBuild('b', 'Bare');
    const from = (build: Build) => Object.fromEntries(drawn(build).facts.map(({ name, from }) => [name, from]));
    expect(from(bare)).toEqual({
      Empty: 'missing',
      'Gross limit': 'missing',
      Tyre: 'missing',
      Cruise: 'missing',
      'A day': 'missing',
    });
    const van = edited(bare, { edit: 'setBody', input: { body: 'van' } });
    expect(from(van)).toMatchObject({ Empty: 'assumed', Tyre: 'assumed', 'Gross limit': 'missing' });
    expect(drawn(van).wheelbase).toMatchObject({ from: 'assumed', text: expect.stringMatching(/^2\.4\sm$/) });
    expect(from(firn9())).toMatchObject({ Empty: 'told', Tyre: 'told', Cruise: 'told' });
  });

  test('shows what stands on the axles with the verdict of Pack, and what the walk left open', () => {
    const { axles, open } = drawn(firn9());
    expect(axles.map(({ verdict }) => verdict)).toEqual(['holds', 'holds']);
    expect(axles[0].text).toMatch(/^1140\s*kg of 1450\s*kg$/);
    expect(open.map(({ text }) => text)).toEqual(['all good', '3 open', 'nothing against them']);
    const weak = edited(firn9(), { edit: 'setFigure', input: { figure: 'rearLimit', value: 1300 } });
    expect(drawn(weak).axles[1].verdict).toBe('fails');
    expect(drawn(emptyBuild('b', 'Bare')).axles[0]).toMatchObject({ verdict: 'unknown', loadKg: null });
    expect(drawn(emptyBuild('b', 'Bare')).open.map(({ text }) => text)[0]).toBe('not looked at');
  });
});
