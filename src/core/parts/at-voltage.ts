import { availableRmsV, baseSpeedRpm, peakTorqueNm } from '../physics/motor';
import type { Quantity } from '../quantities';
import type { Part, VoltageWindow } from './types';

/** One thing that a pack asks of a part. */
export interface Asked {
  readonly what: string;
  readonly demand: Quantity;
  readonly limit: Quantity;
  /** Share of the limit that is left; below 0 it does not live. Null: said, not judged. */
  readonly margin: number | null;
  readonly formula: string;
}

/** What is known of a pack before there is a build. */
export interface PackVolts {
  /** Charged full, V. */
  readonly fullV: number;
  /** Lowest under load, empty and cold, V; null: not told. */
  readonly sagV: number | null;
  /** For good, at the battery, A; null: not told. */
  readonly currentA: number | null;
}

/** The link rises above the pack as the motor brakes (practice: a twentieth). */
const OVERSHOOT = 1.05;

const volts = (value: number): Quantity => ({ value, dimension: 'voltage' });
const amps = (value: number): Quantity => ({ value, dimension: 'current' });
const atMost = (what: string, formula: string, demand: Quantity, limit: Quantity): Asked => ({
  what,
  demand,
  limit,
  margin: (limit.value - demand.value) / limit.value,
  formula,
});
const said = (what: string, formula: string, demand: Quantity, limit: Quantity): Asked => ({
  what,
  demand,
  limit,
  margin: null,
  formula,
});

function ofWindow(window: VoltageWindow, { fullV, sagV }: PackVolts): Asked[] {
  return [
    atMost('Charged full', 'U_full ≤ U_works', volts(fullV), volts(window.workingMaxV)),
    atMost(
      'Full, with what braking adds',
      'U_full · 1.05 ≤ U_survives',
      volts(fullV * OVERSHOOT),
      volts(window.absoluteMaxV),
    ),
    ...(sagV === null
      ? []
      : [
          {
            what: 'Empty, cold, under load',
            demand: volts(window.workingMinV),
            limit: volts(sagV),
            margin: (sagV - window.workingMinV) / Math.max(sagV, 1e-9),
            formula: 'U_works from ≤ U_sag',
          },
        ]),
  ];
}

/**
 * A part against nothing but the voltage of a pack, and its current where it is told: what would kill it, what it can’t work with. Not judged
 * is all that the wiring decides. An answer says which rule it is, margin (limit − demand)/limit.
 *
 * @example a 150 V fuse on a pack of 168 V full, 176.4 V as it brakes: margin −17.6 %
 */
export function partAtVoltage(part: Part, pack: PackVolts): readonly Asked[] {
  const { fullV, sagV, currentA } = pack;
  const rated = (ratedV: number | null) =>
    atMost('Rated voltage', 'U_full ≤ U_rated', volts(fullV), volts(ratedV ?? 0));
  const carries = (limitA: number, formula: string): Asked[] =>
    currentA === null ? [] : [atMost('Current for good', formula, amps(currentA), amps(limitA))];
  switch (part.kind) {
    case 'inverter':
      return [...ofWindow(part.window, pack), ...carries(part.maxBatteryCurrentA, 'I ≤ I_battery, at most')];
    case 'bus-device':
      return ofWindow(part.window, pack);
    case 'contactor':
      return [
        rated(part.ratedVoltageV),
        ...carries(Math.max(...part.carry.map((point) => point.currentA)), 'I ≤ I_carry, with its largest cable'),
      ];
    case 'fuse':
      // Without a stated direct voltage no arc of it is proved to go out.
      return [
        part.ratedVoltageDcV === null
          ? { ...rated(null), margin: -1, formula: 'no DC rating: an AC rating says nothing about DC' }
          : // It may have to break while the motor brakes.
            atMost('Rated voltage', 'U_full · 1.05 ≤ U_rated', volts(fullV * OVERSHOOT), volts(part.ratedVoltageDcV)),
        ...carries(part.ratedCurrentA * part.continuousFactor, 'I ≤ I_rated · k, in free air'),
      ];
    case 'disconnect':
      return [rated(part.ratedVoltageV), ...carries(part.ratedCurrentA, 'I ≤ I_rated')];
    case 'cable':
      return [rated(part.ratedVoltageV)];
    case 'resistor':
      return [
        rated(part.ratedVoltageV),
        said(
          'Across the full voltage it takes',
          'P = U² / R; rated for good',
          { value: fullV ** 2 / part.resistanceOhm, dimension: 'power' },
          { value: part.ratedPowerW, dimension: 'power' },
        ),
      ];
    case 'sensor':
      return carries(part.ratedCurrentA, 'I ≤ I_rated');
    case 'motor': {
      const linkV = sagV ?? fullV;
      return [
        said(
          'Voltage that it gets, of what it is wound for',
          '0.707 · 0.95 · U, rms between two phases',
          volts(availableRmsV(linkV)),
          volts(availableRmsV(part.baseLinkV)),
        ),
        said(
          'Its torque up to, 1/min',
          'n_base · U / U_wound',
          { value: baseSpeedRpm(part, linkV), dimension: 'count' },
          { value: part.baseSpeedRpm, dimension: 'count' },
        ),
        said(
          'Torque at its base speed',
          'T at n_base, with this voltage',
          { value: peakTorqueNm(part, part.baseSpeedRpm, linkV), dimension: 'torque' },
          { value: part.peakTorqueNm, dimension: 'torque' },
        ),
      ];
    }
    case 'cell':
      return [
        said(
          'Cells in series to come to the full voltage',
          'U_full / U_cell',
          { value: Math.floor(fullV / part.fullV), dimension: 'count' },
          { value: fullV / part.fullV, dimension: 'count' },
        ),
      ];
  }
}
