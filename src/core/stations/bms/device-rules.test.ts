import { describe, expect, test } from 'vitest';
import { assess } from '../../assess';
import { applyEdit, type Build, type SettableName } from '../../build';
import { checkKey } from '../../checks';
import { SAMPLES } from '../../testing/corpus/mistake';

const set = (build: Build, figure: SettableName, value: number): Build =>
  applyEdit(build, { edit: 'setFigure', input: { figure, value } }).build;
const of = (build: Build, key: string) => {
  const found = assess(build).checks.find((check) => checkKey(check) === key);
  if (!found) throw new Error(`no ${key}`);
  return found;
};

describe('stops of the electronics against the other devices', () => {
  test('every cell of the row stands at its stop, whatever the pack is charged to', () => {
    // By hand: 90 cells in two boxes, 90 · 4.22 V.
    const check = of(SAMPLES.firn, 'bms.devices-bear-stop:inverter');
    expect(check.demand?.value).toBeCloseTo(379.8, 6);
  });

  test('the converter has to work at the stop of driving', () => {
    // By hand: 90 · 2.8 V.
    expect(of(SAMPLES.firn, 'bms.converter-outlasts:charger').demand?.value).toBeCloseTo(252, 6);
  });

  test('the lower of two curves is what the electronics lets through', () => {
    const { curves } = SAMPLES.larkspur.bms!;
    const done = applyEdit(SAMPLES.larkspur, {
      edit: 'setLimitCurve',
      input: {
        curve: 'dischargeBySoc',
        points: [
          [0, 0],
          [1, 111],
        ],
      },
    });
    expect(Math.max(...curves!.dischargeByC!.map(([, a]) => a))).toBeGreaterThan(111);
    expect(of(done.build, 'bms.fuse-outlasts:f-main').demand?.value).toBe(111);
  });
});

describe('sense wires while a cell is bled', () => {
  test('the shunt current falls along both wires of its cell', () => {
    // By hand, IEC 60228 copper 1.7241e-8 Ωm and 2 % for stranding: 2 · 2 m · 1.02 · 1.7241e-8 / 0.5e-6 · 0.5 A = 70.34 mV; the limit is 10 mV.
    const build = set(set(SAMPLES.larkspur, 'senseWire', 2), 'senseSize', 0.5);
    expect(of(build, 'bms.sense-drop:bms-sense').margin).toBeCloseTo(1 - 7.0343, 3);
  });

  test('a length that is not told is asked for', () => {
    const { senseM: _, ...bms } = SAMPLES.larkspur.bms!;
    expect(of({ ...SAMPLES.larkspur, bms }, 'bms.sense-drop:bms-sense').verdict).toBe('needs-data');
  });
});

describe('electronics from another vehicle', () => {
  const kept = (keptAh: number): Build => ({
    ...SAMPLES.larkspur,
    bms: { ...SAMPLES.larkspur.bms, kept: true, keptCells: 40, keptAh },
  });
  test('a tenth more or less capacity is the edge', () => {
    // 180 Ah are there; 189 is half of what it may be off.
    expect(of(kept(189), 'bms.kept-capacity:bms-kept').margin).toBeCloseTo(0.5, 9);
    expect(of(kept(199), 'bms.kept-capacity:bms-kept').verdict).toBe('fails');
    expect(of(kept(161), 'bms.kept-capacity:bms-kept').verdict).toBe('fails');
  });
  test('origin and cells that are not told are asked for', () => {
    const { kept: _, ...bms } = SAMPLES.larkspur.bms!;
    expect(of({ ...SAMPLES.larkspur, bms }, 'bms.kept-cells:bms-kept').verdict).toBe('needs-data');
    expect(of({ ...SAMPLES.larkspur, bms: { ...bms, kept: true } }, 'bms.kept-cells:bms-kept').verdict).toBe(
      'needs-data',
    );
  });
});
