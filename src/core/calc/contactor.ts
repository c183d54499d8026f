import { quantityText as q, type WorkingLine } from '../checks';
import { inrush, releaseTime } from '../physics/closing';

export interface ContactorInput {
  readonly closing?: {
    readonly differenceV: number;
    readonly loopResistanceOhm: number;
    readonly loopInductanceH?: number | null;
    readonly linkCapacitanceF: number;
    readonly makeLimitA?: number | null;
  } | null;
  readonly opening?: {
    readonly currentA: number;
    readonly voltageV: number;
    readonly loopInductanceH?: number | null;
    readonly ratedVoltageV?: number | null;
    readonly breakLimitA?: number | null;
  } | null;
  readonly coil?: {
    readonly supplyV: number;
    readonly nominalV: number;
    readonly powerW: number;
    readonly wireResistanceOhm?: number | null;
    readonly temperatureC?: number | null;
    /** Share of the nominal voltage at which it pulls in, 20 °C; 0.75 when absent (generic). */
    readonly pickUpShare?: number | null;
    readonly inductanceH?: number | null;
    readonly releaseShare?: number | null;
    readonly clampV?: number | null;
  } | null;
}

const COPPER_PER_K = 0.00393;
/** A plain diode across the coil. */
const DIODE_V = 0.8;
const PICK_UP = 0.75;
const RELEASE = 0.15;

/** A contactor closing on a link, opening under current, and its coil. Each part is answered that is asked. */
export function calcContactor(input: ContactorInput): { result: unknown; working: readonly WorkingLine[] } {
  const working: WorkingLine[] = [];
  return {
    result: {
      closing: input.closing ? closingOf(input.closing, working) : null,
      opening: input.opening ? openingOf(input.opening, working) : null,
      coil: input.coil ? coilOf(input.coil, working) : null,
    },
    working,
  };
}

function closingOf(closing: NonNullable<ContactorInput['closing']>, working: WorkingLine[]) {
  const { differenceV, loopResistanceOhm, linkCapacitanceF } = closing;
  const flow = inrush({
    differenceV,
    resistanceOhm: loopResistanceOhm,
    inductanceH: closing.loopInductanceH ?? 0,
    capacitanceF: linkCapacitanceF,
  });
  working.push({
    formula: 'series R, L, C: α = R/2L, ω = 1/√(LC), peak where di/dt = 0',
    figures: `ΔV = ${q(differenceV, 'voltage')}, R = ${q(loopResistanceOhm, 'resistance')}, C = ${q(linkCapacitanceF, 'capacitance')}, damping ${Number.isFinite(flow.dampingRatio) ? flow.dampingRatio.toPrecision(3) : 'without L'}`,
    result: { value: flow.peakCurrentA, dimension: 'current' },
    note: 'ΔV/R is the peak only without inductance.',
  });
  return {
    inrushPeakCurrentA: flow.peakCurrentA,
    inrushPeakAtS: flow.peakAtS,
    inrushI2tA2s: flow.i2tA2s,
    overshootV: flow.overshootV,
    dampingRatio: Number.isFinite(flow.dampingRatio) ? flow.dampingRatio : null,
    makes: closing.makeLimitA == null ? null : flow.peakCurrentA <= closing.makeLimitA,
  };
}

function openingOf(opening: NonNullable<ContactorInput['opening']>, working: WorkingLine[]) {
  const arcEnergyJ = 0.5 * (opening.loopInductanceH ?? 0) * opening.currentA ** 2;
  working.push({
    formula: 'E = ½ · L · I²: what the arc has to take at least',
    figures: `½ · ${q(opening.loopInductanceH ?? 0, 'inductance')} · (${q(opening.currentA, 'current')})²`,
    result: { value: arcEnergyJ, dimension: 'energy' },
  });
  const volts = opening.ratedVoltageV == null ? null : opening.voltageV <= opening.ratedVoltageV;
  const amps = opening.breakLimitA == null ? null : Math.abs(opening.currentA) <= opening.breakLimitA;
  return {
    storedEnergyJ: arcEnergyJ,
    breaks: volts === false || amps === false ? false : volts === null || amps === null ? null : true,
  };
}

function coilOf(coil: NonNullable<ContactorInput['coil']>, working: WorkingLine[]) {
  const cold = coil.nominalV ** 2 / coil.powerW;
  const hot = cold * (1 + COPPER_PER_K * ((coil.temperatureC ?? 20) - 20));
  const wire = coil.wireResistanceOhm ?? 0;
  const coilVoltageV = (coil.supplyV * hot) / (hot + wire);
  // What pulls in is the current: a hot coil needs more voltage for it.
  const pickUpVoltageV = ((coil.pickUpShare ?? PICK_UP) * coil.nominalV * hot) / cold;
  working.push({
    formula: 'V_coil = V_supply · R_coil/(R_coil + R_wire), R_coil = V_n²/P · (1 + α(T − 20))',
    figures: `${q(coil.supplyV, 'voltage')} · ${q(hot, 'resistance')} / (${q(hot, 'resistance')} + ${q(wire, 'resistance')}), pulls in from ${q(pickUpVoltageV, 'voltage')}`,
    result: { value: coilVoltageV, dimension: 'voltage' },
  });
  const currentA = coilVoltageV / hot;
  const releaseA = ((coil.releaseShare ?? RELEASE) * coil.nominalV) / cold;
  const release = (clampV: number) =>
    coil.inductanceH == null ? null : releaseTime(currentA, releaseA, hot, coil.inductanceH, clampV);
  return {
    coilVoltageV,
    pickUpVoltageV,
    pullsIn: coilVoltageV >= pickUpVoltageV,
    coilCurrentA: currentA,
    releaseTimeS: release(coil.clampV ?? DIODE_V),
    releaseTimeWithDiodeS: release(DIODE_V),
  };
}
