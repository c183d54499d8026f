import type { Problem } from '../../build';
import { spellLine, type WorkingLine } from '../../checks';
import { NetworkError } from '../../circuit';
import { LawRefused } from '../refused';
import type { Law } from './law';
import { LAWS } from './laws';

export type { Law };
export { LAWS };

export type CalcAnswer =
  | { readonly ok: true; readonly result: unknown; readonly working: readonly WorkingLine[] }
  | { readonly ok: false; readonly errors: readonly Problem[] };

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
    const { result, working } = law.run(value as never);
    return { ok: true, result, working: working.map((line) => spellLine(line)) };
  } catch (thrown) {
    if (thrown instanceof LawRefused)
      return { ok: false, errors: [{ path: thrown.path, reason: thrown.message, remedy: thrown.remedy }] };
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

const jsonSchema = (schema: Law['input']): unknown => schema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });

/** JSON Schemas (2020-12) of a law's input and of the `result` that it answers. */
export const lawSchema = (law: Law): { input: unknown; output: unknown } => ({
  input: jsonSchema(law.input),
  output: jsonSchema(law.output),
});
