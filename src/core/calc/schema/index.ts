import type Joi from 'joi';
import type { Problem } from '../../build';
import type { WorkingLine } from '../../checks';
import { NetworkError } from '../../circuit';
import { calcNetwork } from '../network';
import { calcPrecharge } from '../precharge';
import { networkInput, prechargeInput } from './inputs';

export type CalcAnswer =
  | { readonly ok: true; readonly result: unknown; readonly working: readonly WorkingLine[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

interface Law {
  readonly name: string;
  readonly about: string;
  readonly input: Joi.Schema;
  readonly run: (input: never) => { result: unknown; working: readonly WorkingLine[] };
  readonly example: unknown;
}

/** Names are a contract: they don't change without a version note. */
export const LAWS: readonly Law[] = [
  {
    name: 'network',
    about: 'operating point or transient of a general network',
    input: networkInput,
    run: calcNetwork,
    example: {
      elements: [
        { id: 'pack', kind: 'source', a: 'p', b: '0', voltageV: 330, resistanceOhm: 0.09 },
        { id: 'cable', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: 0.004 },
        { id: 'inverter', kind: 'power', a: 'q', b: '0', powerW: 40000 },
      ],
      ground: '0',
      analysis: { kind: 'operating-point' },
    },
  },
  {
    name: 'precharge',
    about: 'link voltage through a resistor, then the main contactor closing',
    input: prechargeInput,
    run: calcPrecharge,
    example: {
      packOcvV: 378,
      packResistanceOhm: 0.09,
      prechargeResistanceOhm: 100,
      linkCapacitanceF: 0.0011,
      loopResistanceOhm: 0.01,
      loopInductanceH: 1e-5,
      closeAtFraction: 0.95,
      timeoutS: 1,
    },
  },
];

export const findLaw = (name: string): Law | undefined => LAWS.find((law) => law.name === name);

const REMEDIES: Readonly<Record<string, string>> = {
  'any.required': 'Add this field.',
  'object.unknown': 'Remove this field or correct its spelling; `--schema` lists all.',
  'number.base': 'Write a plain finite number; the unit is in the field name.',
  'number.infinity': 'Write a finite number.',
};

function answerOne(law: Law, input: unknown): CalcAnswer {
  const { error, value } = law.input.validate(input, { abortEarly: false, convert: false });
  if (error) {
    return {
      ok: false,
      errors: error.details.slice(0, 20).map((detail) => ({
        path: detail.path.join('.') || '(input)',
        reason: `${detail.message.replace(/^"[^"]*" /, '')}.`,
        remedy: REMEDIES[detail.type] ?? 'Correct the value; `--example` prints an input that works.',
      })),
    };
  }
  try {
    return { ok: true, ...law.run(value as never) };
  } catch (thrown) {
    if (thrown instanceof NetworkError)
      return {
        ok: false,
        errors: [
          {
            path: thrown.elements.length > 0 ? `elements: ${thrown.elements.join(', ')}` : 'elements',
            reason: thrown.message,
            remedy: thrown.remedy,
          },
        ],
      };
    throw thrown;
  }
}

/** One object gives one answer; an array gives an array in the same order. */
export function calculate(name: string, input: unknown): CalcAnswer | readonly CalcAnswer[] {
  const law = findLaw(name);
  if (!law)
    return {
      ok: false,
      errors: [
        {
          path: '(name)',
          reason: `there is no law "${name.slice(0, 40)}".`,
          remedy: `Use one of: ${LAWS.map((known) => known.name).join(', ')}.`,
        },
      ],
    };
  return Array.isArray(input) ? input.map((entry) => answerOne(law, entry)) : answerOne(law, input);
}

/** JSON Schema (2020-12) of a law's input. */
export const lawSchema = (law: Law): unknown => law.input['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
