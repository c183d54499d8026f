import {
  type Build,
  findConductor,
  findDevice,
  type MeterVolts,
  type OwnTest,
  own,
  SHEETS,
  type SheetId,
  type SheetSign,
  type StepResult,
} from '../../build';
import { designDigest, digestOf } from '../../build/digest';
import { insulationResistance } from '../../physics/insulation';
import { remembers } from '../../vehicle';
import type { Context } from '../context';
import { ancillarySteps } from './ancillary-steps';
import { beforeSteps } from './before-steps';
import { lowSteps } from './low-steps';
import { handOverSteps, roadSteps } from './road-steps';
import { spinSteps } from './spin-steps';
import { look, measure, type Step, unknown } from './step';
import { chargeSteps, converterSteps } from './supply-steps';
import { insulationSteps, prechargeSteps, sourceSteps } from './traction-steps';

/** open: nothing entered. unsure: read, and the model has no band for it. */
export type LineState = 'open' | 'pass' | 'out' | 'skipped' | 'unsure';

export interface SheetLine {
  readonly step: Step;
  readonly result: StepResult | null;
  readonly state: LineState;
  /** What was read, in the step’s unit; null: nothing was. */
  readonly read: number | null;
  /** To which side it is out; not: seen, and not as it should be. */
  readonly side: 'low' | 'high' | 'not' | null;
  /** What to suspect; empty: nothing. */
  readonly hint: string;
}

export interface Sheet {
  readonly id: SheetId;
  readonly lines: readonly SheetLine[];
  readonly open: number;
  readonly out: number;
  readonly skipped: number;
  readonly passed: number;
  /** Every line passed, or was skipped for a reason. */
  readonly done: boolean;
  /** Sheets before it that are not done: this one waits for them. */
  readonly waitsFor: readonly SheetId[];
  /** The latest signature, and whether it is for what stands here now. */
  readonly sign: SheetSign | null;
  readonly signed: 'no' | 'now' | 'older';
}

export interface Commissioning {
  readonly begun: boolean;
  readonly sheets: readonly Sheet[];
  /** Results of steps that are no longer on any sheet. */
  readonly gone: readonly StepResult[];
}

const ownSteps = ({ vehicle }: Context): readonly Step[] =>
  Object.values(vehicle.build.commission?.ownTests ?? {}).map(ownStep);

/** In safe order; each is worked out anew where something that it read has changed. */
const PARTS = [
  beforeSteps,
  lowSteps,
  sourceSteps,
  insulationSteps,
  prechargeSteps,
  spinSteps,
  converterSteps,
  chargeSteps,
  ancillarySteps,
  roadSteps,
  handOverSteps,
  ownSteps,
].map((steps: (context: Context) => readonly Step[]) => remembers(({ vehicle }: Context) => vehicle.memory, steps));

/** Every step of the build, in safe order. */
export const stepsOf = (context: Context): readonly Step[] => {
  const seen = new Set<string>();
  return PARTS.flatMap((steps) => steps(context)).filter(({ id }) => !seen.has(id) && seen.add(id));
};

function ownStep({ id, sheet, name, where, switches, dimension, low, high, hv = false }: OwnTest): Step {
  const given = { id, sheet, name, where, switches, dead: hv, own: true };
  if (dimension === null) return look({ ...given, ifNot: 'Not as it should be: mend it and look again.' });
  if (low === null && high === null)
    return unknown({ ...given, dimension, lacks: 'a band: enter the least or the most' });
  return measure({
    ...given,
    dimension,
    expected: low !== null && high !== null ? (low + high) / 2 : (low ?? high),
    low,
    high,
    from: 'one’s own test',
    ifLow: 'Below what was entered for it.',
    ifHigh: 'Above what was entered for it.',
  });
}

/** Of three voltages at a pack: Ω of the leaking side, UN R100; null: they can’t be. */
export function ofMeter({ packV, largerV, withR0V, r0Ohm }: MeterVolts): number | null {
  if (!(packV > 0 && largerV > 0 && withR0V > 0 && r0Ohm > 0) || withR0V >= largerV || largerV > packV * 1.02)
    return null;
  return insulationResistance({ packVoltageV: packV, readingV: largerV, readingWithR0V: withR0V, r0Ohm });
}

/** What was read, in the step’s unit; null: nothing, or it was read in another one. */
export function readOf({ dimension }: Step, result: StepResult): number | null {
  if (dimension === null) return null;
  if (result.meter) return dimension === 'resistance' ? ofMeter(result.meter) : null;
  if (result.value === undefined || !Number.isFinite(result.value)) return null;
  // What was typed as another quantity is no reading of this step.
  return result.dimension === undefined || result.dimension === dimension ? result.value : null;
}

/** A result against its step. What can’t be read is as good as not read; what was read on another part (`partId` is there now) as well. */
export function judgeLine(step: Step, result: StepResult | null, partId: string | null = null): SheetLine {
  const line = (state: LineState, more: Partial<SheetLine> = {}): SheetLine => ({
    step,
    result,
    state,
    read: null,
    side: null,
    hint: '',
    ...more,
  });
  if (!result) return line('open');
  if (result.partId !== undefined && partId !== null && result.partId !== partId)
    return line('open', { hint: 'It was read on another part than the one that is there now: read it again.' });
  if (step.dimension === null) {
    if (result.ok === undefined) return result.skipped !== undefined ? line('skipped') : line('open');
    return result.ok ? line('pass') : line('out', { side: 'not', hint: step.ifNot });
  }
  const read = readOf(step, result);
  if (read === null) return result.skipped !== undefined ? line('skipped') : line('open');
  const slack = 1e-9;
  if (step.low !== null && read < step.low - slack * Math.abs(step.low))
    return line('out', { read, side: 'low', hint: step.ifLow });
  if (step.high !== null && read > step.high + slack * Math.abs(step.high))
    return line('out', { read, side: 'high', hint: step.ifHigh });
  // Nothing to hold it against: it closes the line only with a reason.
  if (step.low === null && step.high === null)
    return line(result.skipped === undefined ? 'unsure' : 'skipped', { read });
  return line('pass', { read });
}

const closed = ({ state }: SheetLine): boolean => state === 'pass' || state === 'skipped';

/** What a sheet’s signature is for: the design, and what the sheet says. `build` is the one that was judged. */
export const sheetDigest = (build: Build, lines: readonly SheetLine[]): string =>
  digestOf({ design: designDigest(build), results: lines.map(({ result, step }) => result ?? step.id) });

const latest = (signs: readonly SheetSign[]): SheetSign | null =>
  signs.reduce<SheetSign | null>((last, one) => (!last || one.date >= last.date ? one : last), null);

/** The part of a step’s thing as it is fitted now; null: it has none. */
export const partIdOf = (build: Build, { subjectId }: Pick<Step, 'subjectId'>): string | null =>
  subjectId === null ? null : ((findDevice(build, subjectId) ?? findConductor(build, subjectId))?.partId ?? null);

const subjectGone = (build: Build, { subjectId }: Step): boolean =>
  subjectId !== null && subjectId !== 'build' && !findDevice(build, subjectId) && !findConductor(build, subjectId);

/** The sheets of a build with what was entered. */
export function commissioningOf(context: Context): Commissioning {
  const { build } = context.vehicle;
  const { results = {}, signs = {} } = build.commission ?? {};
  const steps = stepsOf(context).filter((step) => !subjectGone(build, step));
  const ids = new Set(steps.map(({ id }) => id));
  const sheets: Sheet[] = [];
  for (const id of SHEETS) {
    const lines = steps
      .filter(({ sheet }) => sheet === id)
      .map((step) => judgeLine(step, own(results, step.id) ?? null, partIdOf(build, step)));
    if (lines.length === 0) continue;
    const count = (state: LineState) => lines.filter((line) => line.state === state).length;
    const sign = latest(Object.values(signs).filter(({ sheet }) => sheet === id));
    sheets.push({
      id,
      lines,
      open: count('open') + count('unsure'),
      out: count('out'),
      skipped: count('skipped'),
      passed: count('pass'),
      done: lines.every(closed),
      waitsFor: sheets.filter(({ done }) => !done).map((sheet) => sheet.id),
      sign,
      signed: sign === null ? 'no' : sign.digest === sheetDigest(build, lines) ? 'now' : 'older',
    });
  }
  return {
    begun: Object.keys(results).length > 0,
    sheets,
    gone: Object.values(results).filter(({ id }) => !ids.has(id)),
  };
}
