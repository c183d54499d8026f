import { quantityText as q, type Working } from '../../checks';
import type { PrechargeRun } from '../../simulate';

export type PrechargeFigure =
  | 'closeAtS'
  | 'linkCapacitanceF'
  | 'peakPowerW'
  | 'resistorEnergyJ'
  | 'differenceV'
  | 'peakCurrentA';

const TRANSIENT = 'Transient of the circuit as wired: implicit Runge–Kutta of order 4, step by error estimate';

/** How the figures of the closing sequence come about; closed forms of the plain RC stand beside them for a check by hand. */
export function prechargeWorkings(run: PrechargeRun): Readonly<Record<PrechargeFigure, Working>> {
  const r = q(run.resistanceOhm, 'resistance');
  const c = q(run.linkCapacitanceF, 'capacitance');
  const v = q(run.packV, 'voltage');
  const one = (formula: string, figures: string, sources: string[], assumed: string[] = []): Working => ({
    lines: [{ formula, figures }],
    sources,
    assumed,
  });
  const plainS = -run.resistanceOhm * run.linkCapacitanceF * Math.log(1 - run.closeFraction);
  return {
    closeAtS: one(
      'for the resistor alone: t = −R · C · ln(1 − p)',
      `−${r} · ${c} · ln(1 − ${run.closeFraction}) = ${q(plainS, 'time')}; pack, relay and wires add the rest`,
      [TRANSIENT],
    ),
    linkCapacitanceF: one('C = Σ link capacitors on the bus', c, ['Link capacitance of each device: its part']),
    peakPowerW: one(
      'P = V² / R at the first instant',
      `(${v})² / ${r} = ${q(run.packV ** 2 / run.resistanceOhm, 'power')}, less what pack and wires take`,
      [TRANSIENT],
    ),
    resistorEnergyJ: one(
      'E = ∫ I² R dt; for a plain RC ½ · C · V² · (1 − (1 − p)²)',
      `½ · ${c} · (${v})² · (1 − ${((1 - run.closeFraction) ** 2).toPrecision(3)}) = ${q(0.5 * run.linkCapacitanceF * run.packV ** 2 * (1 - (1 - run.closeFraction) ** 2), 'energy')}`,
      [TRANSIENT],
    ),
    differenceV: one('ΔV = (1 − p) · V_pack', `(1 − ${run.closeFraction}) · ${v}`, [
      'Warm, new pack at charge voltage',
    ]),
    peakCurrentA: one(
      'peak of i(t) in the closing loop with its R, L and C',
      run.closing
        ? `from ${q(run.closing.differenceV, 'voltage')} across the contactor; I²t ${q(run.closing.i2tA2s, 'i2t')}`
        : 'does not close',
      [TRANSIENT],
      ['Loop inductance 0.5 µH per metre and 5 µH in the cells; cells with half their slow resistance (generic).'],
    ),
  };
}
