import { quantityText as q, type WorkingLine } from '../checks';
import { type BalanceCell, type BalanceMode, balanceRun } from '../simulate/balance-law';
import { LawRefused } from './refused';

export interface BalanceInput {
  readonly mode: BalanceMode;
  readonly cells: readonly BalanceCell[];
  readonly balanceCurrentA: number;
  readonly balanceDuty?: number | null;
  readonly socTolerance?: number | null;
  readonly chargeCurrentA?: number | null;
  readonly thresholdSoc?: number | null;
  readonly cellVoltageLimitV?: number | null;
  readonly ocvAtFullV?: number | null;
  readonly ocvSlopeAboveFullVPerSoc?: number | null;
}

const given = (value: number | null | undefined): value is number => value !== null && value !== undefined;

/** Cells of one string evened out by shunts: how long, what they bleed, and whether the first full cell is overcharged meanwhile. */
export function calcBalance(input: BalanceInput): { result: unknown; working: readonly WorkingLine[] } {
  const { mode, cells } = input;
  if (mode !== 'bleed-at-rest' && !given(input.chargeCurrentA))
    throw new LawRefused(
      'chargeCurrentA',
      'is missing: at the top of charge it decides.',
      'Give the charger’s current, A.',
    );
  const over = [input.cellVoltageLimitV, input.ocvAtFullV, input.ocvSlopeAboveFullVPerSoc];
  if (mode === 'top-unthrottled' && !over.every(given))
    throw new LawRefused(
      'cellVoltageLimitV',
      'or ocvAtFullV or ocvSlopeAboveFullVPerSoc is missing: without them no cell is ever over its limit.',
      'Give all three.',
    );
  if (given(input.ocvSlopeAboveFullVPerSoc) && !(input.ocvSlopeAboveFullVPerSoc > 0))
    throw new LawRefused(
      'ocvSlopeAboveFullVPerSoc',
      'is not above zero.',
      'A full cell rises in voltage as it is charged on: give volts per unit of state of charge.',
    );
  const overLimitSoc = over.every(given)
    ? 1 + (input.cellVoltageLimitV! - input.ocvAtFullV!) / input.ocvSlopeAboveFullVPerSoc!
    : Number.POSITIVE_INFINITY;
  const duty = input.balanceDuty ?? 1;
  const run = balanceRun({
    mode,
    cells,
    balanceCurrentA: input.balanceCurrentA,
    balanceDuty: duty,
    socTolerance: input.socTolerance ?? 0.01,
    chargeCurrentA: input.chargeCurrentA ?? 0,
    thresholdSoc: input.thresholdSoc ?? 1,
    overLimitSoc,
  });
  const socs = cells.map(({ soc }) => soc);
  const shuntA = input.balanceCurrentA * duty;
  return {
    result: run,
    working: [
      {
        formula: 't = ΔQ / (I_shunt · duty)',
        figures: `spread ${((Math.max(...socs) - Math.min(...socs)) * 100).toFixed(2)} %, ${q(shuntA, 'current')} on average, cell ${run.limitingCell + 1} takes longest`,
        ...(run.timeToBalancedS === null
          ? { note: 'never' }
          : { result: { value: run.timeToBalancedS, dimension: 'time' as const } }),
      },
      ...(mode === 'bleed-at-rest'
        ? []
        : [
            {
              formula:
                mode === 'top-throttled'
                  ? 'I_charge falls to I_shunt with the first full cell'
                  : 'I_charge stays; a full cell rises with I_charge − I_shunt',
              figures: `${q(input.chargeCurrentA!, 'current')} against ${q(shuntA, 'current')}`,
              note:
                run.timeUntilFirstOverLimitS === null
                  ? 'No cell goes over its limit.'
                  : `The first cell is over its limit while the emptiest is at ${(run.lowestSocThen * 100).toFixed(1)} %.`,
            },
          ]),
    ],
  };
}
