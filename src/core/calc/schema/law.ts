import type Joi from 'joi';
import type { WorkingLine } from '../../checks';

export interface Law {
  readonly name: string;
  readonly about: string;
  readonly input: Joi.Schema;
  readonly output: Joi.Schema;
  readonly run: (input: never) => { result: unknown; working: readonly WorkingLine[] };
  readonly example: unknown;
}
