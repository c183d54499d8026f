import Joi from 'joi';
import type { Field, Fields, NumberField } from '../../parts/fields';
import { PART_KINDS } from '../../parts/kinds';
import { ORIGINS } from '../../parts/origin';
import { id, LEAST, name, nullable, object, optional, text } from './fields';

/** Figures of a kind as origins name them. */
const pathsOf = (fields: Fields): string[] =>
  Object.entries(fields).flatMap(([key, field]) =>
    field.is === 'group' ? Object.keys(field.of).map((inner) => `${key}.${inner}`) : [key],
  );

const common = (kind: string, fields: Fields) => ({
  origins: optional(
    object(Object.fromEntries(pathsOf(fields).map((path) => [path, optional(Joi.string().valid(...ORIGINS))]))),
  ),
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
  PART_KINDS.map(({ kind, fields }) => [kind, object({ ...common(kind, fields), ...keysOf(fields) })]),
);

export const partSchema = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(PART_SCHEMAS).map(([kind, schema]) => ({ is: kind, then: schema })),
  otherwise: Joi.object({
    kind: Joi.string()
      .valid(...Object.keys(PART_SCHEMAS))
      .required(),
  }),
});
