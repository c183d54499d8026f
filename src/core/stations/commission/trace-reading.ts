import type { StepTrace, TraceKind } from '../../build';
import { quantityText as q } from '../../checks';
import { fitReaches, fitTrace, isFit, type NoFit, type TraceFit } from '../../physics/trace-fit';
import type { Dimension } from '../../quantities';
import { brakeVacuum, isRun, type LinkDischarge, linkDischarges, type PrechargeRun } from '../../simulate';
import { partOf } from '../../vehicle';
import type { Context } from '../context';
import { sheetsFor } from './results';
import { type Step, stepId } from './step';
import { capacitorOf } from './traction-steps';

export const TRACE_DIMENSION: Readonly<Record<TraceKind, Dimension>> = {
  precharge: 'voltage',
  discharge: 'voltage',
  vacuum: 'pressure',
  charge: 'voltage',
  temperature: 'temperature',
};

/** What a trace of this kind can be of: precharge branches, links. */
export function traceSubjects(
  context: Context,
  kind: TraceKind,
): readonly { readonly id: string; readonly name: string }[] {
  const { vehicle, precharges } = context;
  const nameOf = (id: string) => vehicle.deviceOf.get(id)?.device.name ?? id;
  if (kind === 'precharge')
    return precharges.map(({ resistorId }) => ({ id: stepId('reach', resistorId), name: nameOf(resistorId) }));
  if (kind === 'discharge')
    return linksOf(context).map(({ devices }) => ({
      id: stepId('discharge', devices[0]!.id),
      name: devices.map(({ device }) => device.name).join(', '),
    }));
  return [];
}

const linksOf = ({ vehicle, fullV, rules }: Context): readonly LinkDischarge[] =>
  fullV === null ? [] : linkDischarges(vehicle, fullV, rules.classBDcV.value);

/** What a trace says of the car. */
export interface TraceReading {
  readonly fit: TraceFit | NoFit;
  /** What the model expects at a time of the trace; null: it has nothing to say. */
  readonly model: ((timeS: number) => number | null) | null;
  /** The step of the sheets that it answers, and the reading for it. */
  readonly step: Step | null;
  readonly read: number | null;
  readonly adopts: {
    readonly subjectId: string;
    readonly field: string;
    readonly value: number;
    readonly how: string;
  } | null;
  /** What is wrong with the course itself; empty: nothing. */
  readonly cause: string;
}

/** Fits a trace and reads it as its kind asks. */
export function readingOfTrace(context: Context, trace: StepTrace): TraceReading {
  const { kind, timesS, values } = trace;
  const bare = { model: null, step: null, read: null, adopts: null, cause: '' };
  switch (kind) {
    case 'precharge':
      return { ...bare, fit: fitTrace(timesS, values), ...ofPrecharge(context, trace) };
    case 'discharge':
      return { ...bare, fit: fitTrace(timesS, values, 0), ...ofDischarge(context, trace) };
    case 'vacuum': {
      const fit = fitTrace(timesS, values);
      const vacuum = brakeVacuum(context.vehicle);
      const step = stepOf(context, stepId('pull-down'));
      const to = vacuum ? (vacuum.toCutOutS !== null ? vacuum.fullPa : vacuum.leastPa) : null;
      return {
        ...bare,
        fit,
        step,
        read: isFit(fit) && to !== null ? fitReaches(fit, to) : null,
        model:
          vacuum && isFit(fit)
            ? (t) => (t <= fit.t0S ? 0 : Math.min(vacuum.fullPa, vacuum.air.after(0, t - fit.t0S)))
            : null,
      };
    }
    case 'charge':
      return {
        ...bare,
        fit: fitTrace(timesS, values),
        step: stepOf(context, stepId('end-voltage')),
        read: values.at(-1) ?? null,
      };
    case 'temperature':
      return { ...bare, fit: fitTrace(timesS, values) };
  }
}

const stepOf = (context: Context, id: string): Step | null =>
  sheetsFor(context)
    .sheets.flatMap(({ lines }) => lines)
    .find(({ step }) => step.id === id)?.step ?? null;

/** The run’s link at a time; null: it has ended by then. */
const at = (run: PrechargeRun, timeS: number): number | null => {
  const { curve } = run;
  const k = curve.findIndex((point) => point.timeS > timeS);
  if (k < 0) return null;
  const [p, r] = [curve[Math.max(0, k - 1)]!, curve[k]!];
  return r.timeS > p.timeS ? p.linkV + ((r.linkV - p.linkV) * (timeS - p.timeS)) / (r.timeS - p.timeS) : r.linkV;
};

function ofPrecharge(context: Context, { stepId: id, timesS, values }: StepTrace): Partial<TraceReading> {
  const run = context.precharges
    .filter(isRun)
    .find(({ resistorId }) => id === null || stepId('reach', resistorId) === id);
  const fit = fitTrace(timesS, values);
  if (!run || !isFit(fit)) return {};
  const step = stepOf(context, stepId('reach', run.resistorId));
  const capacitor = capacitorOf(context, run.linkCapacitanceF);
  const farad = capacitor ? fit.tauS / run.resistanceOhm - capacitor.restF : null;
  // Of what it will be joined to: where the jump shows the pack’s voltage, that; else what the fit tends to.
  const packV = Math.max(fit.end, ...values);
  return {
    step,
    read: fitReaches(fit, run.closeFraction * packV),
    model: (t) => {
      if (t <= fit.t0S) return 0;
      const linkV = at(run, t - fit.t0S);
      return linkV === null ? null : (linkV * packV) / run.packV;
    },
    adopts:
      capacitor && farad !== null && farad > 0
        ? {
            subjectId: capacitor.id,
            field: 'linkCapacitanceF',
            value: farad,
            how: capacitor.restF > 0 ? 'C = τ/R less what the others hold' : 'C = τ/R',
          }
        : null,
    cause:
      fit.end < run.closeFraction * packV
        ? `It tends to ${q(fit.end, 'voltage')}, below the closing level: something draws on the link, or a load is awake.`
        : '',
  };
}

function ofDischarge(context: Context, { stepId: id, timesS, values }: StepTrace): Partial<TraceReading> {
  const { fullV, rules } = context;
  const link = linksOf(context).find(({ devices }) => id === null || stepId('discharge', devices[0]!.id) === id);
  const fit = fitTrace(timesS, values, 0);
  if (!link || !isFit(fit) || fullV === null) return {};
  const free = fitTrace(timesS, values);
  const stays = isFit(free) && free.end > 0.1 * fit.begin && free.rms < 0.7 * fit.rms;
  const bleeders = link.devices.filter(
    (device) => (partOf(device, 'inverter') ?? partOf(device, 'bus-device'))?.bleedResistanceOhm !== undefined,
  );
  const [bleeder] = bleeders;
  const known = bleeder
    ? (partOf(bleeder, 'inverter') ?? partOf(bleeder, 'bus-device'))!.bleedResistanceOhm
    : undefined;
  return {
    step: stepOf(context, stepId('discharge', link.devices[0]!.id)),
    // From the full pack, whatever it began with.
    read: stays ? null : fit.tauS * Math.log(fullV / rules.classBDcV.value),
    model:
      link.resistanceOhm === null
        ? null
        : (t) =>
            t <= fit.t0S ? fit.begin : fit.begin * Math.exp(-(t - fit.t0S) / (link.resistanceOhm! * link.capacitanceF)),
    adopts:
      !stays && bleeder && bleeders.length === 1 && known === link.resistanceOhm
        ? { subjectId: bleeder.id, field: 'bleedResistanceOhm', value: fit.tauS / link.capacitanceF, how: 'R = τ/C' }
        : null,
    cause: stays
      ? `It tends to ${q(free.end, 'voltage')}, not to nothing: a contactor is welded, a motor turns, or something else feeds it. Do not touch it.`
      : '',
  };
}
