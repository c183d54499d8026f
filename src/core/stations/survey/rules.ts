import { LOSSES, type LossId } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref, type Rule } from '../../checks';
import { parseTyre } from '../../physics/tyre';
import type { Context } from '../context';
import { FOUND_RULES } from './found-rules';

const VEHICLE: Ref = { kind: 'build', id: 'vehicle', name: 'Vehicle' };

export const LOSS_WORDS: Readonly<Record<LossId, string>> = {
  'brake-vacuum': 'Vacuum for the brakes',
  'steering-pump': 'Pump of the steering',
  'heater-matrix': 'Warm water for the heater',
  'exhaust-heat': 'Heat from the exhaust',
  'air-conditioning': 'Air conditioning',
  alternator: 'Alternator',
  gauges: 'Gauges for fuel and temperature',
  tachometer: 'Tachometer',
  'fuel-pump': 'Fuel pump and its inertia cut-off',
  'cruise-control': 'Cruise control',
  'park-lock': 'Park lock of the gearbox',
};

/** Where each loss is replaced. */
export const LOSS_STATION: Readonly<Record<LossId, string>> = {
  'brake-vacuum': 'Ancillaries',
  'steering-pump': 'Ancillaries',
  'heater-matrix': 'Ancillaries',
  'exhaust-heat': 'Ancillaries',
  'air-conditioning': 'Ancillaries',
  alternator: '12 V',
  gauges: '12 V',
  tachometer: '12 V',
  'fuel-pump': 'HV circuit',
  'cruise-control': 'Interlocks',
  'park-lock': 'Interlocks',
};

const told: Rule<Context> = {
  id: 'survey.told',
  station: 'survey',
  sources: ['What the road asks follows from mass, tyres and speed'],
  judge: ({ vehicle: { build } }) => {
    if (build.duty.powersFrom !== 'vehicle') return [];
    const missing = [
      ...(build.vehicle.massEmptyKg === null ? ['the empty mass'] : []),
      ...(build.vehicle.tyre === undefined ? ['the tyre code'] : []),
      ...(build.duty.cruiseSpeedMPerS === undefined ? ['the cruise speed'] : []),
    ].map((what) => ({ ref: VEHICLE, what }));
    return [missing.length > 0 ? { subject: VEHICLE, missing } : { subject: VEHICLE, holds: true }];
  },
};

const tyre: Rule<Context> = {
  id: 'survey.tyre',
  station: 'survey',
  sources: ['Tyre code as on the side wall (ISO 4000-1 form)'],
  judge: ({ vehicle: { build } }) => {
    if (build.vehicle.tyre === undefined) return [];
    const answer = parseTyre(build.vehicle.tyre);
    return [
      {
        subject: VEHICLE,
        holds: answer.ok,
        figures: {
          detail: answer.ok
            ? `${build.vehicle.tyre} rolls on ${q(answer.tyre.rollingRadiusM, 'length')}`
            : answer.reason,
        },
      },
    ];
  },
};

const mass: Rule<Context> = {
  id: 'survey.gross-mass',
  station: 'survey',
  sources: ['Gross limit of the registration', 'Payload of a usual trip: Survey'],
  judge: ({ vehicle }) => {
    const { massEmptyKg, grossMassKg, payloadKg } = vehicle.build.vehicle;
    if (massEmptyKg === null || grossMassKg === null || payloadKg === undefined) return [];
    // The empty mass is that of the finished vehicle once it was weighed; until then the survey's figure is held.
    const demand = massEmptyKg + payloadKg;
    const margin = marginAtMost(demand, grossMassKg);
    return [
      {
        subject: VEHICLE,
        demand: { value: demand, dimension: 'mass' },
        limit: { value: grossMassKg, dimension: 'mass' },
        margin,
        lines: () => [
          {
            formula: 'margin = (m_gross − m_empty − m_payload) / m_gross',
            figures: `(${q(grossMassKg, 'mass')} − ${q(massEmptyKg, 'mass')} − ${q(payloadKg, 'mass')}) / ${q(grossMassKg, 'mass')}`,
            result: { value: margin, dimension: 'ratio' },
          },
        ],
        assumed: ['The empty mass is taken as that of the converted vehicle, ready to drive: weigh it.'],
      },
    ];
  },
};

/** Losses that a station which exists has closed: the inertia switch stands in the coil loop. */
const CLOSED_BY: Partial<Record<LossId, (context: Context) => boolean>> = {
  alternator: ({ vehicle }) =>
    vehicle.devices.some(({ device }) => device.kind === 'converter' || device.kind === 'charger-converter'),
  'heater-matrix': ({ vehicle }) => vehicle.devices.some(({ device }) => device.kind === 'heater'),
  'exhaust-heat': ({ vehicle }) => vehicle.devices.some(({ device }) => device.kind === 'heater'),
  'air-conditioning': ({ vehicle }) => vehicle.devices.some(({ device }) => device.kind === 'compressor'),
  'fuel-pump': ({ vehicle }) =>
    Object.values(vehicle.build.circuits.lv.devices).some(({ kind }) => kind === 'inertia-switch'),
};

const losses: Rule<Context> = {
  id: 'survey.loss',
  station: 'survey',
  sources: ['What ran off the engine is replaced, or done without knowingly'],
  judge: (context) => {
    const answers = context.vehicle.build.losses;
    if (!answers) return [];
    return LOSSES.flatMap((loss): Finding[] => {
      const state = answers[loss];
      const subject: Ref = { kind: 'build', id: loss, name: LOSS_WORDS[loss] };
      if (state === undefined) return [{ subject, missing: [{ ref: subject, what: 'an answer' }] }];
      if (state === 'none') return [];
      if (state === 'dropped') return [{ subject, holds: true, figures: { detail: 'done without, knowingly' } }];
      if (CLOSED_BY[loss]?.(context)) return [{ subject, holds: true, figures: { detail: 'replaced' } }];
      return [{ subject, missing: [{ ref: subject, what: `what replaces it, at ${LOSS_STATION[loss]}` }] }];
    });
  },
};

export const SURVEY_RULES: readonly Rule<Context>[] = [told, tyre, mass, losses, ...FOUND_RULES];
