import type { Assessment } from '@/core/assess';
import type { SettableName } from '@/core/build';
import { parseTyre } from '@/core/physics/tyre';
import { type Dimension, formatQuantity } from '@/core/quantities';
import { BODY_FIGURES, massesOf, outlineOf } from '@/core/vehicle';

export type SurveyTab = 'vehicle' | 'found' | 'wheels' | 'losses' | 'schools';

/** One figure written on the drawing: where it is typed, and how far it is to be trusted. */
export interface DrawnFigure {
  readonly text: string;
  readonly from: 'told' | 'assumed' | 'missing';
  readonly tab: SurveyTab;
  /** Null: its field is no plain figure. */
  readonly figure: SettableName | null;
}

export interface AxleLoad {
  readonly loadKg: number | null;
  readonly limitKg: number | null;
  readonly text: string;
  readonly verdict: 'holds' | 'thin' | 'fails' | 'unknown';
}

export interface SurveyDrawing {
  readonly width: number;
  readonly height: number;
  readonly shape: string | undefined;
  readonly body: { readonly left: number; readonly right: number; readonly top: number; readonly ground: number };
  readonly axleX: readonly [number, number];
  readonly wheelR: number;
  readonly wheelbase: DrawnFigure;
  readonly heightFigure: DrawnFigure;
  readonly frontOverhang: DrawnFigure;
  readonly rearOverhang: DrawnFigure;
  readonly axles: readonly [AxleLoad, AxleLoad];
  /** What it is and has to do, one figure a line. */
  readonly facts: readonly (DrawnFigure & { readonly name: string })[];
  /** What a walk through the vehicle left open, one line a tab. */
  readonly open: readonly { readonly name: string; readonly text: string; readonly tab: SurveyTab }[];
}

const WIDTH = 900;
const HEIGHT = 300;
const GROUND = 232;
const TOP = 54;
const SIDE = 180;

/** The vehicle from its left side, to scale, with what is known of it; nothing here is kept. */
export function deriveDrawing({ build, vehicle, checks }: Assessment): SurveyDrawing {
  const { body, tyre: code, massEmptyKg, grossMassKg, wheelbaseM } = build.vehicle;
  const outline = outlineOf(build);
  const scale = Math.min(
    (WIDTH - 2 * SIDE) / (outline.x1M - outline.x0M),
    (GROUND - TOP) / Math.max(outline.heightM, 0.5),
  );
  const left = (WIDTH - (outline.x1M - outline.x0M) * scale) / 2;
  const atX = (xM: number) => left + (xM - outline.x0M) * scale;
  const tyre = parseTyre(code ?? (body ? BODY_FIGURES[body].tyre : '175/70R14'));
  const figure = (
    value: number | null | undefined,
    dimension: Dimension,
    name: SettableName,
    tab: SurveyTab,
    assumed: number | null = null,
  ): DrawnFigure => {
    const shown = value ?? assumed;
    return {
      text: shown === null ? 'not entered' : formatQuantity({ value: shown, dimension }, build.units, 3).text,
      from: value !== null && value !== undefined ? 'told' : shown === null ? 'missing' : 'assumed',
      tab,
      figure: name,
    };
  };
  const masses = massesOf(vehicle);
  const axle = (loadKg: number | null, limitKg: number | undefined, id: string): AxleLoad => {
    const mass = (value: number) => formatQuantity({ value, dimension: 'mass' }, build.units, 3).text;
    const check = checks.find((one) => one.id === 'pack.axle-load' && one.subject.id === id);
    return {
      loadKg,
      limitKg: limitKg ?? null,
      text:
        loadKg === null
          ? 'load not known'
          : limitKg === undefined
            ? mass(loadKg)
            : `${mass(loadKg)} of ${mass(limitKg)}`,
      verdict:
        check?.verdict === 'holds' || check?.verdict === 'thin' || check?.verdict === 'fails'
          ? check.verdict
          : 'unknown',
    };
  };
  const { chassis, duty } = build;
  const stillOpen = (id: string): number =>
    checks.filter((one) => one.id === id && one.verdict !== 'holds' && one.verdict !== 'thin').length;
  const said = (count: number, all: string): string => (count === 0 ? all : `${count} open`);
  return {
    facts: [
      {
        name: 'Empty',
        ...figure(massEmptyKg, 'mass', 'massEmpty', 'vehicle', body ? BODY_FIGURES[body].massEmptyKg : null),
      },
      { name: 'Gross limit', ...figure(grossMassKg, 'mass', 'massGross', 'vehicle') },
      {
        name: 'Tyre',
        text: code ?? (body ? BODY_FIGURES[body].tyre : 'not entered'),
        from: code !== undefined ? 'told' : body ? 'assumed' : 'missing',
        tab: 'vehicle',
        figure: null,
      },
      { name: 'Cruise', ...figure(duty.cruiseSpeedMPerS, 'speed', 'cruiseSpeed', 'vehicle') },
      { name: 'A day', ...figure(duty.dailyDistanceM, 'distance', 'dailyDistance', 'vehicle') },
    ],
    open: [
      {
        name: 'As found',
        text: said(stillOpen('survey.as-found'), build.asFound ? 'all good' : 'not looked at'),
        tab: 'found',
      },
      {
        name: 'Ran off the engine',
        text: said(stillOpen('survey.loss'), build.losses ? 'all closed' : 'not asked'),
        tab: 'losses',
      },
      { name: 'Design choices', text: said(stillOpen('survey.school'), 'nothing against them'), tab: 'schools' },
    ],
    width: WIDTH,
    height: HEIGHT,
    shape: body,
    body: { left, right: atX(outline.x1M), top: GROUND - outline.heightM * scale, ground: GROUND },
    axleX: [atX(0), atX(outline.wheelbaseM)],
    wheelR: (tyre.ok ? tyre.tyre.rollingRadiusM : 0.31) * scale,
    wheelbase: figure(wheelbaseM, 'length', 'wheelbase', 'vehicle', body ? BODY_FIGURES[body].wheelbaseM : null),
    heightFigure: figure(chassis?.heightM, 'length', 'height', 'wheels'),
    frontOverhang: figure(chassis?.frontOverhangM, 'length', 'frontOverhang', 'wheels'),
    rearOverhang: figure(chassis?.rearOverhangM, 'length', 'rearOverhang', 'wheels'),
    axles: [
      axle(masses.loaded?.frontKg ?? null, chassis?.frontLimitKg, 'axle-front'),
      axle(masses.loaded?.rearKg ?? null, chassis?.rearLimitKg, 'axle-rear'),
    ],
  };
}
