import { quantityText as q, type WorkingLine } from '../checks';
import { FUSE_FAMILIES, type FuseFamily, fuseLossW, rmsCurrent } from '../physics/fuse';
import { type Clearing, clearing, SLOW_EDGE } from '../physics/fuse-clearing';
import { CURVE_TIMES_S, meltingMultiple, preArcingTime } from '../physics/fuse-curve';
import { FUSE_JUDGEMENTS, type FuseCase, type FuseData, type Judgement } from './fuse-judgements';
import { LawRefused } from './refused';

export interface FuseInput extends Omit<FuseCase, 'fuse' | 'rmsCurrentA' | 'atMax' | 'atMin'> {
  readonly fuse?: FuseData | null;
  readonly family?: FuseFamily | null;
  readonly ratedCurrentA?: number | null;
  readonly ratedVoltageDcV?: number | null;
}

/** The fuse as given, or of a family. Throws LawRefused for a curve that is none. */
export function resolveFuse(input: Pick<FuseInput, 'fuse' | 'family' | 'ratedCurrentA' | 'ratedVoltageDcV'>): FuseData {
  if (input.fuse == null) {
    if (input.family == null)
      throw new LawRefused(
        'fuse',
        'is missing.',
        'Give fuse with its data, or family with ratedCurrentA and ratedVoltageDcV.',
      );
    const { name: _, ...data } = FUSE_FAMILIES[input.family];
    return { ...data, ratedCurrentA: input.ratedCurrentA ?? 1, ratedVoltageDcV: input.ratedVoltageDcV ?? null };
  }
  const { multiples, fusingMultiple } = input.fuse;
  for (let i = 1; i < multiples.length; i++)
    if (multiples[i]! > multiples[i - 1]!)
      throw new LawRefused(
        `fuse.multiples.${i}`,
        'is larger than the one before it: a longer time needs less current.',
        'Write the seven multiples of 1 ms, 10 ms, 0.1, 1, 10, 100 and 1000 s, falling.',
      );
  if (fusingMultiple > multiples.at(-1)!)
    throw new LawRefused(
      'fuse.fusingMultiple',
      'is above the multiple that melts it in 1000 s.',
      'The fusing multiple melts it in an hour: it lies at or below the last of the curve.',
    );
  return input.fuse;
}

const at = (fuse: FuseData, input: FuseInput, prospectiveA: number | null | undefined): Clearing | null =>
  prospectiveA == null || input.loopTimeConstantS == null
    ? null
    : clearing(fuse, {
        prospectiveA,
        timeConstantS: input.loopTimeConstantS,
        voltageV: input.systemMaxVoltageV ?? null,
      });

/** All rules of one fuse in its zone, each with demand, limit and verdict, and what it lets through. */
export function calcFuse(input: FuseInput): { result: unknown; working: readonly WorkingLine[] } {
  if (input.family != null && input.ratedCurrentA == null)
    throw new LawRefused('ratedCurrentA', 'is missing.', 'A family needs ratedCurrentA and ratedVoltageDcV.');
  const fuse = resolveFuse(input);
  const rms = input.profile && input.profile.length > 0 ? rmsCurrent(input.profile) : null;
  const atMax = at(fuse, input, input.prospectiveMaxA);
  const atMin = at(fuse, input, input.prospectiveMinA);
  const subject: FuseCase = { ...input, fuse, rmsCurrentA: rms, atMax, atMin };
  const rules: Record<string, Judgement> = {};
  for (const [id, judge] of Object.entries(FUSE_JUDGEMENTS)) rules[id] = judge(subject, rules);
  return {
    result: {
      rules,
      rmsCurrentA: rms,
      lossAtRmsW: rms === null ? null : fuseLossW(fuse, rms),
      meltTimeAtMaxS: atMax?.meltTimeS ?? null,
      letThroughA: atMax?.letThroughA ?? null,
      preArcingI2tAtMaxA2s: atMax?.preArcingI2tA2s ?? null,
      totalI2tAtMaxA2s: atMax?.totalI2tA2s ?? null,
      meltTimeAtMinS: atMin?.meltTimeS ?? null,
      totalI2tAtMinA2s: atMin?.totalI2tA2s ?? null,
      fullRange: fuse.minimumBreakingMultiple == null ? null : fuse.minimumBreakingMultiple < 2,
    },
    working: workingOf(subject),
  };
}

function workingOf({ fuse, rmsCurrentA, atMax, prospectiveMaxA, loopTimeConstantS }: FuseCase): WorkingLine[] {
  const lines: WorkingLine[] = [];
  if (rmsCurrentA !== null)
    lines.push(
      {
        formula: 'I_rms = √(Σ I²t / Σ t)',
        figures: 'over the profile',
        result: { value: rmsCurrentA, dimension: 'current' },
      },
      {
        formula: 'P = U_n · I_n · x² · (1 + 0.5x²) / 1.5, x = I / I_n',
        figures: `x = ${(rmsCurrentA / fuse.ratedCurrentA).toPrecision(3)}`,
        result: { value: fuseLossW(fuse, rmsCurrentA), dimension: 'power' },
      },
    );
  if (atMax?.meltTimeS != null)
    lines.push({
      formula: '∫ dt / t_pre(i / 1.1·I_n) = 1, i = I_p · (1 − e^(−t/τ))',
      figures: `I_p = ${q(prospectiveMaxA!, 'current')}, τ = ${q(loopTimeConstantS!, 'time')}, slow edge ${SLOW_EDGE} · ${q(fuse.ratedCurrentA, 'current')}`,
      result: { value: atMax.meltTimeS, dimension: 'time' },
    });
  if (atMax?.totalI2tA2s != null)
    lines.push({
      formula: 'I²t_total = ∫ i² dt + min((ratio − 1) · (U/U_n)^1.5 · I²t_adiabatic, i_melt² · max(3τ, 1 ms))',
      figures: `∫ i² dt = ${q(atMax.preArcingI2tA2s!, 'i2t')}, i_melt = ${q(atMax.letThroughA, 'current')}`,
      result: { value: atMax.totalI2tA2s, dimension: 'i2t' },
      note: 'Generic families: a maker’s curve lies within about 10 % in current; a data sheet wins.',
    });
  if (lines.length === 0)
    lines.push({ formula: 'multiples of I_n', figures: `${fuse.multiples.join(' ')} at 1 ms … 1000 s` });
  return lines;
}

export interface FuseCurveInput extends Pick<FuseInput, 'fuse' | 'family' | 'ratedCurrentA' | 'ratedVoltageDcV'> {
  readonly multiples: readonly number[];
}

/** Pre-arcing time at multiples of rated current, on the nominal curve; null: never. */
export function calcFuseCurve(input: FuseCurveInput): { result: unknown; working: readonly WorkingLine[] } {
  const fuse = resolveFuse(input);
  return {
    result: {
      preArcingS: input.multiples.map((multiple) => preArcingTime(fuse, multiple)),
      curve: CURVE_TIMES_S.map((timeS) => ({ timeS, multiple: meltingMultiple(fuse, timeS) })),
    },
    working: [
      {
        formula: 'log t against log I: straight between the points, constant I²t below 1 ms',
        figures: `${fuse.multiples.join(', ')} at 1 ms … 1000 s; ${fuse.fusingMultiple} in an hour; below it never`,
      },
    ],
  };
}
