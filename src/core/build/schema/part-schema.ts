import Joi from 'joi';
import type { Field, Fields, NumberField } from '../../parts/fields';
import { PART_KINDS } from '../../parts/kinds';
import { id, LEAST, name, nullable, object, optional, text } from './fields';

const common = (kind: string) => ({
  id: id(),
  kind: Joi.string().valid(kind),
  name: name(),
  provenance: Joi.string().valid('generic', 'data-sheet', 'measured', 'own'),
  note: optional(text(500)),
});

function number({ least, open, most, over }: NumberField): Joi.NumberSchema {
  const bounded = (
    open
      ? Joi.number()
          .greater(least)
          .min(least + LEAST)
      : Joi.number().min(least)
  ).max(most);
  return over === undefined ? bounded : bounded.greater(Joi.ref(over));
}

function plain(field: Field): Joi.Schema {
  switch (field.is) {
    case 'number':
      return number(field);
    case 'choice':
      return Joi.string().valid(...field.of);
    case 'flag':
      return Joi.boolean();
    case 'row':
      return Joi.array().items(number(field.each)).length(field.length);
    case 'table':
      return Joi.array().items(fieldsOf(field.columns)).min(field.least).max(field.most);
    case 'group':
      return fieldsOf(field.of);
  }
}

const schemaOf = (field: Field): Joi.Schema => {
  const value = field.unstated ? nullable(plain(field)) : plain(field);
  return field.absent ? optional(value) : value;
};

const keysOf = (fields: Fields): Record<string, Joi.Schema> =>
  Object.fromEntries(Object.entries(fields).map(([key, field]) => [key, schemaOf(field)]));
const fieldsOf = (fields: Fields) => object(keysOf(fields));

/** The kinds of parts as schemas: made from their definitions, so that a type and its schema can't differ. */
export const PART_SCHEMAS: Readonly<Record<string, Joi.ObjectSchema>> = Object.fromEntries(
  PART_KINDS.map(({ kind, fields }) => [kind, object({ ...common(kind), ...keysOf(fields) })]),
);

export const partSchema = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(PART_SCHEMAS).map(([kind, schema]) => ({ is: kind, then: schema })),
  otherwise: Joi.object({
    kind: Joi.string()
      .valid(...Object.keys(PART_SCHEMAS))
      .required(),
  }),
});
