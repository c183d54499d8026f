import { quantityText as q, type WorkingLine } from '../checks';
import { faultI2t } from '../physics/fault-current';
import { LawRefused } from './refused';

export interface ShortCircuitInput {
  readonly cellsInSeries: number;
  readonly cellsInParallel: number;
  readonly cellOcvV: number;
  readonly cellResistanceOhm: number;
  readonly linkResistanceOhm?: number | null;
  /** Cells in series less one when absent. */
  readonly numberOfLinks?: number | null;
  readonly fuseResistanceOhm?: number | null;
  readonly contactorResistanceOhm?: number | null;
  readonly cableResistanceOhm?: number | null;
  readonly faultResistanceOhm?: number | null;
  readonly loopInductanceH: number;
}

/** Prospective current of a pack into a fault: its rise and the I²t of its first milliseconds. */
export function calcShortCircuit(input: ShortCircuitInput): { result: unknown; working: readonly WorkingLine[] } {
  const cells = (input.cellsInSeries * input.cellResistanceOhm) / input.cellsInParallel;
  const links = (input.linkResistanceOhm ?? 0) * (input.numberOfLinks ?? input.cellsInSeries - 1);
  const rest =
    (input.fuseResistanceOhm ?? 0) +
    (input.contactorResistanceOhm ?? 0) +
    (input.cableResistanceOhm ?? 0) +
    (input.faultResistanceOhm ?? 0);
  const loopResistanceOhm = cells + links + rest;
  if (!(loopResistanceOhm > 0))
    throw new LawRefused(
      'cellResistanceOhm',
      'leaves a loop without any resistance: the current would be endless.',
      'Give the resistance of the cells, milliseconds after the fault about half the slow one.',
    );
  const openV = input.cellsInSeries * input.cellOcvV;
  const prospectiveCurrentA = openV / loopResistanceOhm;
  const timeConstantS = input.loopInductanceH / loopResistanceOhm;
  const within = (timeS: number) => faultI2t(prospectiveCurrentA, timeConstantS, timeS);
  return {
    result: {
      loopResistanceOhm,
      prospectiveCurrentA,
      timeConstantS,
      i2tA2s: { '5ms': within(0.005), '20ms': within(0.02), '50ms': within(0.05) },
      openCircuitVoltageV: openV,
    },
    working: [
      {
        formula: 'R = n_s · R_cell / n_p + n_links · R_link + fuse + contactors + cable + fault',
        figures: `${input.cellsInSeries} · ${q(input.cellResistanceOhm, 'resistance')} / ${input.cellsInParallel} + ${q(links, 'resistance')} + ${q(rest, 'resistance')}`,
        result: { value: loopResistanceOhm, dimension: 'resistance' },
        note: 'Milliseconds see the ohmic part of a cell’s resistance only, about half the slow one.',
      },
      {
        formula: 'I = n_s · V_cell / R',
        figures: `${input.cellsInSeries} · ${q(input.cellOcvV, 'voltage')} / ${q(loopResistanceOhm, 'resistance')}`,
        result: { value: prospectiveCurrentA, dimension: 'current' },
      },
      {
        formula: 'τ = L / R',
        figures: `${q(input.loopInductanceH, 'inductance')} / ${q(loopResistanceOhm, 'resistance')}`,
        result: { value: timeConstantS, dimension: 'time' },
      },
      {
        formula: '∫i²dt = I² · [t − 2τ(1 − e^(−t/τ)) + τ/2 · (1 − e^(−2t/τ))], t = 5 ms',
        figures: `I = ${q(prospectiveCurrentA, 'current')}, τ = ${q(timeConstantS, 'time')}`,
        result: { value: within(0.005), dimension: 'i2t' },
      },
    ],
  };
}
