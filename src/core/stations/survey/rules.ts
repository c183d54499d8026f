import { jobOf, LOSS_JOBS, LOSSES, type LossId } from '../../build';
import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { parseTyre } from '../../physics/tyre';
import * as propose from '../../proposals';
import { begun, type Context } from '../context';
import { defineRule, type Rule } from '../define';
import { CATEGORY_RULES } from './category-rules';
import { FOUND_RULES } from './found-rules';
import { IN_HAND_RULES } from './in-hand-rules';
import { PART_RULES } from './part-rules';
import { READING_RULES } from './reading-rules';
import { doesJob, JOB_WORDS } from './school-jobs';
import { SCHOOL_WORDS, schoolRule } from './school-rules';
import { TEMPERATURE_RULES } from './temperature-rules';

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

const told = defineRule({
  id: 'survey.told',
  endangers: 'parts',
  says: {
    fails: 'The vehicle is not entered yet',
    holds: 'The vehicle is told',
    line: 'mass, tyres and speed are there',
    open: 'The vehicle',
  },
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
  remedies: 'Tell mass, tyres and speeds in Survey.',
});

const tyre = defineRule({
  id: 'survey.tyre',
  endangers: 'people',
  says: { fails: 'No such tyre', holds: 'Tyres', line: '{detail}' },
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
  remedies: 'Read it off the tyre’s wall again.',
});

const mass = defineRule({
  id: 'survey.gross-mass',
  endangers: 'people',
  says: {
    fails: 'Too heavy with a usual load',
    holds: 'Mass with a usual load',
    line: '{demand} of {limit}',
    open: 'Mass with a usual load',
  },
  sources: ['Gross limit of the registration', 'Payload of a usual trip: Survey'],
  judge: ({ vehicle }) => {
    const { massEmptyKg, grossMassKg, payloadKg } = vehicle.build.vehicle;
    if (!begun({ vehicle })) return [];
    if (massEmptyKg === null || grossMassKg === null || payloadKg === undefined)
      return [
        {
          subject: VEHICLE,
          missing: [
            ...(massEmptyKg === null ? ['the empty mass'] : []),
            ...(grossMassKg === null ? ['the gross limit'] : []),
            ...(payloadKg === undefined ? ['people and luggage of a usual trip'] : []),
          ].map((what) => ({ ref: VEHICLE, what })),
        },
      ];
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
  remedies: 'Fewer or lighter cells, less load, or what else can come out.',
});

const hasDevice = ({ vehicle }: Context, ...kinds: string[]): boolean =>
  vehicle.devices.some(({ device }) => kinds.includes(device.kind));

/** What became of a loss: replaced, done without, or what is still wanted. */
type Closing = { readonly done: string } | { readonly wants: string };
const replaced = (yes: boolean, wants: string): Closing => (yes ? { done: 'replaced' } : { wants });
/** An assist that a school has chosen and the schedule feeds: its proof is another station's. */
const assist = ({ vehicle }: Context, school: 'brakes' | 'steering'): Closing => {
  const { schools } = vehicle.build;
  const choice = schools[school];
  if (choice === undefined) return { wants: `a choice of ${SCHOOL_WORDS[school].toLowerCase()}` };
  if (choice === 'unassisted' || choice === 'none') return { done: 'done without, knowingly' };
  const job = jobOf(schools, school);
  if (job !== undefined && !doesJob(vehicle, job)) return { wants: `${JOB_WORDS[job]} in the 12-volt schedule` };
  return { wants: 'its proof, at Ancillaries' };
};
const byJob = ({ vehicle }: Context, loss: LossId): Closing => {
  const job = LOSS_JOBS[loss]!;
  return replaced(doesJob(vehicle, job), `${JOB_WORDS[job]} in the 12-volt schedule`);
};

/** A heater on the bus; or seats first, with something that clears the screen. */
const warmth = (context: Context): Closing => {
  const { vehicle } = context;
  const seats = vehicle.build.schools.heating === 'seats';
  return seats
    ? replaced(
        doesJob(vehicle, 'seat') && (hasDevice(context, 'heater') || doesJob(vehicle, 'screen-heat')),
        'heated seats, and something that clears the windscreen',
      )
    : replaced(hasDevice(context, 'heater'), 'a heater on the bus, in HV circuit');
};

const CLOSING: Readonly<Record<LossId, (context: Context) => Closing>> = {
  'brake-vacuum': (context) => assist(context, 'brakes'),
  'steering-pump': (context) => assist(context, 'steering'),
  'heater-matrix': (context) => warmth(context),
  'exhaust-heat': (context) => warmth(context),
  'air-conditioning': (context) => replaced(hasDevice(context, 'compressor'), 'a compressor on the bus, in HV circuit'),
  alternator: (context) =>
    replaced(hasDevice(context, 'converter', 'charger-converter'), 'a converter on the bus, in HV circuit'),
  gauges: (context) => byJob(context, 'gauges'),
  tachometer: (context) => byJob(context, 'tachometer'),
  'fuel-pump': ({ vehicle }) =>
    replaced(
      Object.values(vehicle.build.circuits.lv.devices).some(({ kind }) => kind === 'inertia-switch'),
      'an inertia switch in the safety loop, in HV circuit',
    ),
  'cruise-control': () => ({ wants: 'what replaces it, at Interlocks' }),
  'park-lock': () => ({ wants: 'what replaces it, at Interlocks' }),
};

const losses = defineRule({
  id: 'survey.loss',
  endangers: 'people',
  says: { fails: '{subject} is not replaced', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: ['What ran off the engine is replaced, or done without knowingly'],
  judge: (context) => {
    const { losses: answers, vehicle } = context.vehicle.build;
    // Where no engine comes out nothing has to be asked; what is told all the same counts.
    const asked = (vehicle.startingPoint ?? 'engine-out') === 'engine-out' && begun(context);
    return LOSSES.flatMap((loss): Finding<'detail'>[] => {
      const state = answers?.[loss];
      const subject: Ref = { kind: 'build', id: loss, name: LOSS_WORDS[loss] };
      if (state === undefined) return asked ? [{ subject, missing: [{ ref: subject, what: 'an answer' }] }] : [];
      if (state === 'none') return [];
      if (state === 'dropped') return [{ subject, holds: true, figures: { detail: 'done without, knowingly' } }];
      const closing = CLOSING[loss](context);
      return 'done' in closing
        ? [{ subject, holds: true, figures: { detail: closing.done } }]
        : [{ subject, missing: [{ ref: subject, what: closing.wants }] }];
    });
  },
  remedies: [propose.askedLoad],
});

export const SURVEY_RULES: readonly Rule[] = [
  told,
  tyre,
  mass,
  losses,
  schoolRule,
  ...PART_RULES,
  ...TEMPERATURE_RULES,
  ...CATEGORY_RULES,
  ...FOUND_RULES,
  ...IN_HAND_RULES,
  ...READING_RULES,
];
