import { quantityText as q, type WorkingLine } from '../checks';
import {
  cableCode,
  PILOT_LEAST_A,
  PILOT_MOST_A,
  PILOT_WITHIN_V,
  pilotCurrent,
  pilotDuty,
  pilotNominalV,
  pilotState,
  pilotVoltages,
  proximityByVoltage,
  proximityVoltage,
} from '../physics/pilot';
import { LawRefused } from './refused';

export interface PilotInput {
  readonly dutyPercent?: number | null;
  readonly currentA?: number | null;
  readonly voltageV?: number | null;
  readonly supplyVoltageV?: number | null;
  readonly sourceResistanceOhm?: number | null;
  readonly vehicleResistanceOhm?: number | null;
  readonly diodeDropV?: number | null;
}
export interface ProximityInput {
  readonly system: 'j1772' | 'type2';
  readonly resistanceOhm?: number | null;
  readonly voltageV?: number | null;
}
type Answer = { result: unknown; working: readonly WorkingLine[] };

const given = (value: number | null | undefined): value is number => value !== null && value !== undefined;
const STANDARD = 'SAE J1772, IEC 61851-1: verify in the edition that applies.';
const MEANS = {
  none: 'No charging.',
  digital: 'A digital link has to say the current; the duty allows none.',
  current: 'The vehicle may draw this at most.',
} as const;

/** What a control pilot says: a duty, a current, a voltage, or what its circuit makes of it. */
export function calcPilot(input: PilotInput): Answer {
  const asked = [input.dutyPercent, input.currentA, input.voltageV, input.supplyVoltageV].filter(given);
  if (asked.length !== 1)
    throw new LawRefused(
      'dutyPercent',
      asked.length === 0 ? 'is missing, and so is everything else.' : 'is not the only question.',
      'Give one of dutyPercent, currentA, voltageV, or supplyVoltageV with its circuit.',
    );
  if (given(input.dutyPercent)) return ofDuty(input.dutyPercent);
  if (given(input.currentA)) return ofCurrent(input.currentA);
  if (given(input.voltageV)) return ofVoltage(input.voltageV);
  return ofCircuit(input);
}

function ofDuty(dutyPercent: number): Answer {
  const { currentA, meaning } = pilotCurrent(dutyPercent);
  return {
    result: { currentA, meaning },
    working: [
      {
        formula: 'I = 0.6 · D up to 85 %, 2.5 · (D − 64) up to 96 %',
        figures: `D = ${dutyPercent} %`,
        ...(currentA === null ? {} : { result: { value: currentA, dimension: 'current' as const } }),
        note: `${MEANS[meaning]} ${STANDARD}`,
      },
    ],
  };
}

function ofCurrent(currentA: number): Answer {
  const dutyPercent = pilotDuty(currentA);
  if (dutyPercent === null)
    throw new LawRefused(
      'currentA',
      `is outside ${PILOT_LEAST_A} to ${PILOT_MOST_A} A: no duty says it.`,
      'Give a current that a pilot can say.',
    );
  return {
    result: { dutyPercent },
    working: [
      {
        formula: 'D = I / 0.6 up to 51 A, I / 2.5 + 64 above',
        figures: `${q(currentA, 'current')} → ${dutyPercent.toFixed(2)} %`,
        note: STANDARD,
      },
    ],
  };
}

function ofVoltage(voltageV: number): Answer {
  const state = pilotState(voltageV);
  const within = state !== null && Math.abs(voltageV - pilotNominalV(state)) <= PILOT_WITHIN_V;
  return {
    result: { state, withinTolerance: within },
    working: [
      {
        formula: 'A +12 V, B +9 V, C +6 V, D +3 V, E 0 V, F −12 V, each ± 1 V',
        figures: `${q(voltageV, 'voltage')}: ${state ?? 'no state'}`,
        note: within
          ? STANDARD
          : `Further than ${PILOT_WITHIN_V} V from any state: look for a wrong resistance or a bad contact.`,
      },
    ],
  };
}

function ofCircuit(input: PilotInput): Answer {
  if (!given(input.sourceResistanceOhm))
    throw new LawRefused(
      'sourceResistanceOhm',
      'is missing.',
      'Give the resistance of the generator; 1000 Ω is the standard’s.',
    );
  const vehicleOhm = input.vehicleResistanceOhm ?? null;
  const diodeV = input.diodeDropV ?? null;
  const { highV, lowV } = pilotVoltages({
    supplyV: input.supplyVoltageV!,
    sourceOhm: input.sourceResistanceOhm,
    vehicleOhm,
    diodeV,
  });
  const state = pilotState(highV);
  const diodeMissing = vehicleOhm !== null && diodeV === null;
  return {
    result: {
      highV,
      lowV,
      state,
      diodeMissing,
      faulty: diodeMissing || state === 'E' || state === 'F' || state === null,
    },
    working: [
      {
        formula: 'U = U_d + (U_s − U_d) · R / (R + R_s)',
        figures:
          vehicleOhm === null
            ? 'no vehicle: open'
            : `${q(vehicleOhm, 'resistance')} behind ${q(input.sourceResistanceOhm, 'resistance')}`,
        result: { value: highV, dimension: 'voltage' },
        note: diodeMissing
          ? 'Without its diode the vehicle pulls the negative half up too: a fault, no charging.'
          : `the negative half stays at ${q(lowV, 'voltage')}. ${STANDARD}`,
      },
    ],
  };
}

const PROXIMITY_MEANS = {
  unplugged: 'nothing is plugged in',
  connected: 'plugged in and latched',
  'button-pressed': 'the latch’s button is pressed: stop the current before the contacts part',
  'short-circuit': 'shorter than any plug: a fault',
  'cable-current': 'the cable carries this at most',
  'no-cable-known': 'no cable, or one without a code: no charging',
} as const;

/** What the proximity contact says: of the plug and its latch, or of the cable. */
export function calcProximity({ system, resistanceOhm, voltageV }: ProximityInput): Answer {
  if (system === 'type2') {
    if (!given(resistanceOhm))
      throw new LawRefused(
        'resistanceOhm',
        'is missing: a type 2 plug says its cable by a resistance.',
        'Measure it between proximity and earth in the plug.',
      );
    const { meaning, currentA } = cableCode(resistanceOhm);
    return {
      result: { meaning, currentA },
      working: [
        {
          formula: '1500 Ω 13 A, 680 Ω 20 A, 220 Ω 32 A, 100 Ω 63 A',
          figures: q(resistanceOhm, 'resistance'),
          ...(currentA === null ? {} : { result: { value: currentA, dimension: 'current' as const } }),
          note: `${PROXIMITY_MEANS[meaning]}. IEC 61851-1: verify in the edition that applies.`,
        },
      ],
    };
  }
  if (given(resistanceOhm) && given(voltageV))
    throw new LawRefused('voltageV', 'stands beside a resistance.', 'Give one of both: each says the same by itself.');
  const atV = given(voltageV) ? voltageV : proximityVoltage(resistanceOhm ?? null);
  const meaning = proximityByVoltage(atV);
  return {
    result: { meaning, voltageV: atV, currentA: null },
    working: [
      {
        formula: 'U = 5 V · R / (330 Ω + R), R the plug beside 2.7 kΩ',
        figures: given(voltageV) ? 'as measured' : given(resistanceOhm) ? q(resistanceOhm, 'resistance') : 'no plug',
        result: { value: atV, dimension: 'voltage' },
        note: `${PROXIMITY_MEANS[meaning]}. ${STANDARD}`,
      },
    ],
  };
}
