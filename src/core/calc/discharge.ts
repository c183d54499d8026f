import { quantityText as q, type WorkingLine } from '../checks';
import { capacitorEnergyJ, parallelOhm, timeToVoltage, voltageAfter } from '../physics/discharge';

export interface DischargeInput {
  readonly startVoltageV: number;
  readonly linkCapacitanceF: number;
  readonly bleedResistanceOhm?: number | null;
  readonly activeResistanceOhm?: number | null;
  /** 60 V when absent: the edge of voltage class A. */
  readonly targetVoltageV?: number | null;
}

const CLASS_A_V = 60;

/** A link capacitor down to a safe voltage through its bleed and active resistors. */
export function calcDischarge(input: DischargeInput): { result: unknown; working: readonly WorkingLine[] } {
  const { startVoltageV, linkCapacitanceF } = input;
  const targetV = input.targetVoltageV ?? CLASS_A_V;
  const resistanceOhm = parallelOhm(input.bleedResistanceOhm, input.activeResistanceOhm);
  const link = { startVoltageV, capacitanceF: linkCapacitanceF, resistanceOhm };
  const timeToTargetS = timeToVoltage(link, targetV);
  const stored = capacitorEnergyJ(linkCapacitanceF, startVoltageV);
  const left = capacitorEnergyJ(linkCapacitanceF, Math.min(targetV, startVoltageV));
  const bleed = input.bleedResistanceOhm ?? null;
  return {
    result: {
      timeToTargetS,
      energyRemovedJ: timeToTargetS === null ? 0 : stored - left,
      energyStoredJ: stored,
      bleedContinuousLossW: bleed === null ? 0 : startVoltageV ** 2 / bleed,
      voltageAfter5sV: voltageAfter(link, 5),
      resistanceOhm,
    },
    working: [
      {
        formula: 't = R · C · ln(V / V_target)',
        figures:
          resistanceOhm === null
            ? 'nothing is across the capacitor: it keeps its charge'
            : `${q(resistanceOhm, 'resistance')} · ${q(linkCapacitanceF, 'capacitance')} · ln(${startVoltageV} / ${targetV})`,
        ...(timeToTargetS === null ? {} : { result: { value: timeToTargetS, dimension: 'time' as const } }),
        note: 'Tolerances of C and R stretch it by up to a third. Measure before touching.',
      },
      {
        formula: 'E = ½ · C · V²',
        figures: `½ · ${q(linkCapacitanceF, 'capacitance')} · (${q(startVoltageV, 'voltage')})²`,
        result: { value: stored, dimension: 'energy' },
      },
      ...(bleed === null
        ? []
        : [
            {
              formula: 'P_bleed = V² / R',
              figures: `(${q(startVoltageV, 'voltage')})² / ${q(bleed, 'resistance')}`,
              result: { value: startVoltageV ** 2 / bleed, dimension: 'power' as const },
            },
          ]),
    ],
  };
}
