import { quantityText as q, type Working } from '../../checks';
import { BAR_LIMIT_C } from '../../physics/bar';
import { placeFactor } from '../../physics/cable';
import { told } from '../../quantities';
import { conductorOhm, copperMm2 } from '../../vehicle';
import type { CableRow } from './results';

export type CableFigure = 'currentA' | 'ampacityA' | 'temperatureC' | 'dropV' | 'lossW';

const BALANCE = 'Heat balance: Churchill and Chu 1975 convection, Stefan–Boltzmann radiation, insulation conductivity';

/** How the figures of one conductor come about. */
export function cableWorkings(row: CableRow): Readonly<Record<CableFigure, Working>> {
  const { resolved, currentA, temperatureC } = row;
  const { cable, zone, thermal } = resolved;
  const one = (formula: string, figures: string, sources: string[], assumed: string[] = []): Working => ({
    lines: [{ formula, figures }],
    sources,
    assumed,
  });
  const power = [
    'Inverter power of the state shown in HV circuit; cruise and hill follow from the vehicle where Drive says so.',
  ];
  const described =
    cable && zone && thermal
      ? `${q(cable.areaMm2, 'area')}, Ø ${q(cable.outerDiameterMm / 1000, 'length')}, ${q(zone.ambientC, 'temperature')} around it, place factor ${placeFactor(thermal.place).toFixed(2)}`
      : 'size or place is not chosen';
  const bar = resolved.conductor.kind === 'busbar';
  const mm2 = copperMm2(resolved);
  const each = mm2 === null ? 'section not entered' : q(mm2 / resolved.conductor.parallel, 'area');
  const size = bar ? `busbar, ${each}` : cable ? q(cable.resistance20OhmPerM, 'resistancePerLength') : 'no size';
  const ohm = conductorOhm(resolved, temperatureC ?? cable?.temperatureClassC ?? 20);
  const hot = `${q(ohm, 'resistance')} (${size} at ${told(20, 'temperature')}, ${resolved.lengthM === null ? 'length not known' : q(resolved.lengthM, 'length')}, taken hot, joints ${q(resolved.jointOhm, 'resistance')})`;
  const amps = currentA === null ? 'not solved' : q(currentA, 'current');
  return {
    currentA: one('largest |I| of the sustained cases', amps, ['Nodal solution of the circuit'], power),
    ampacityA: one(
      bar ? 'I at which a round rod of its section settles' : 'I at which the conductor settles at its class',
      `${bar ? `${told(BAR_LIMIT_C, 'temperature')}; ${each}` : `${cable ? told(cable.temperatureClassC, 'temperature', 3) : 'no class'}; ${described}`}${resolved.conductor.parallel > 1 ? `; ${resolved.conductor.parallel} in parallel` : ''}`,
      [BALANCE],
    ),
    temperatureC: bar
      ? one('none is worked out of a busbar', 'only what it carries for ever is', [])
      : one('I² · R20 · (1 + α(T − 20)) = heat given to the air', `${amps}; ${described}`, [BALANCE], power),
    dropV: one(
      'ΔV = I · R(T)',
      `${amps} · ${hot}`,
      ['Resistance table of the cable’s part; joints 0.1 mΩ for both ends (generic)'],
      power,
    ),
    lossW: one(
      'P = I² · R(T)',
      `(${amps})² · ${hot}`,
      ['Resistance table of the cable’s part; joints 0.1 mΩ for both ends (generic)'],
      power,
    ),
  };
}
