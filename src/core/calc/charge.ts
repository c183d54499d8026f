import { quantityText as q, type WorkingLine } from '../checks';
import { type BindingLimit, type ChargePoint, chargeMoment, chargeRun } from '../simulate/charge-run';
import { straightCurve } from './ocv-curve';

export interface ChargeInput {
  readonly cellsInSeries: number;
  readonly capacityAh: number;
  readonly packResistanceOhm: number;
  readonly socStart: number;
  readonly ocvCurve: readonly (readonly number[])[];
  readonly chargerMaxPowerW: number;
  readonly chargerMaxCurrentA: number;
  readonly chargerEfficiency: number;
  readonly powerFactor?: number | null;
  readonly acVoltageV: number;
  readonly acCurrentLimitA: number;
  readonly acPhases?: number | null;
  readonly chargeVoltagePerCellV: number;
  readonly cutoffCurrentA: number;
  readonly cutoffMeasuredAt: 'pack' | 'charger';
  readonly auxiliaryPowerW?: number | null;
  readonly packCurrentLimitA?: number | null;
}

const LIMIT_WORDS: Readonly<Record<BindingLimit, string>> = {
  power: 'power of supply or charger',
  current: 'current of the charger',
  voltage: 'charge voltage',
  bms: 'limit of battery management',
};

/** A charge from a supply to the cut-off: what binds, when the voltage limit takes over, how long, and what the wall gives. */
export function calcCharge(input: ChargeInput): { result: unknown; working: readonly WorkingLine[] } {
  const cell = straightCurve(input.ocvCurve);
  const n = input.cellsInSeries;
  const phases = input.acPhases ?? 1;
  const acW = phases * input.acVoltageV * input.acCurrentLimitA * (input.powerFactor ?? 1);
  const fromAcW = input.chargerEfficiency * acW;
  const powerW = Math.min(input.chargerMaxPowerW, fromAcW);
  const auxiliaryW = input.auxiliaryPowerW ?? 0;
  const mostA = input.packCurrentLimitA ?? Number.POSITIVE_INFINITY;
  const pack = {
    restV: (soc: number) => n * cell.at(soc),
    resistanceOhm: input.packResistanceOhm,
    capacityAh: input.capacityAh,
    bends: cell.bends,
  };
  const limits = {
    powerW,
    currentA: input.chargerMaxCurrentA,
    voltageV: n * input.chargeVoltagePerCellV,
    packA: () => mostA,
    auxiliaryW,
    efficiency: () => input.chargerEfficiency,
  };
  const first = chargeMoment(pack, limits, input.socStart);
  const run = chargeRun(pack, limits, {
    socStart: input.socStart,
    cutoffA: input.cutoffCurrentA,
    measuredAt: input.cutoffMeasuredAt,
  });
  const at80 = run.at(0.8);
  const over: ChargePoint | null = run.end === 'cut-off' ? run.last : null;
  const sum = (): WorkingLine => ({
    formula: 't = ∫ Q dSoC / I',
    figures: `from ${(input.socStart * 100).toFixed(1)} % to ${(run.last.soc * 100).toFixed(1)} %, ${q(input.capacityAh, 'charge')}`,
    ...(over ? { result: { value: over.timeS, dimension: 'time' as const } } : {}),
    note: over
      ? 'until the current is down to the cut-off'
      : run.end === 'full'
        ? 'The last point of the curve comes before the charge voltage: the cut-off is never reached.'
        : 'The cut-off is never reached: what the loads draw, or a limit below the rest voltage, keeps it away.',
  });
  return {
    result: {
      initialPackCurrentA: first.packA,
      initialLimit: first.limit,
      timeTo80PercentS: at80?.timeS ?? null,
      acEnergyTo80PercentJ: at80?.acJ ?? null,
      timeToConstantVoltageS: run.constantVoltage?.timeS ?? null,
      socAtConstantVoltage: run.constantVoltage?.soc ?? null,
      timeToCutoffS: over?.timeS ?? null,
      socAtCutoff: over?.soc ?? null,
      acEnergyToCutoffJ: over?.acJ ?? null,
      dcPowerLimitW: powerW,
      packLossToCutoffJ: over?.lossJ ?? null,
      highestSoc: run.last.soc,
    },
    working: [
      {
        formula: 'P = min(P_charger, η · phases · U_AC · I_AC · cos φ)',
        figures: `min(${q(input.chargerMaxPowerW, 'power')}, ${q(fromAcW, 'power')})`,
        result: { value: powerW, dimension: 'power' },
        note: `${phases === 1 ? 'one phase' : `${phases} phases, each`} ${q(input.acVoltageV, 'voltage')} to neutral, ${q(input.acCurrentLimitA, 'current')}`,
      },
      {
        formula: 'I = least of power, charger, management and (N·U_cell − U_rest)/R',
        figures: `rest ${q(pack.restV(input.socStart), 'voltage')}, limit ${q(limits.voltageV, 'voltage')}, loads ${q(auxiliaryW, 'power')}`,
        result: { value: first.packA, dimension: 'current' },
        note: `binds at first: ${LIMIT_WORDS[first.limit]}`,
      },
      sum(),
    ],
  };
}
