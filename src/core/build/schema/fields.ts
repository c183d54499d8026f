import Joi from 'joi';

/** Building blocks of the schema. Every number is finite and bounded; every id is a plain word that no object inherits. */
export const id = () =>
  Joi.string().pattern(
    /^(?!(?:__proto__|prototype|constructor|toString|valueOf|hasOwnProperty)$)[A-Za-z0-9][A-Za-z0-9._-]{0,59}$/,
    'id',
  );
export const text = (most = 200) => Joi.string().allow('').max(most);
export const name = () => Joi.string().min(1).max(120);
/** Nothing on a car is smaller, whatever its unit: What is less is a slip, and its inverse no number. */
export const LEAST = 1e-12;
/** A day, as 2026-05-02. */
export const day = () =>
  Joi.string().pattern(/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, 'day, as 2026-05-02');
export const positive = (most = 1e9) => Joi.number().greater(0).min(LEAST).max(most);
export const nonNegative = (most = 1e9) => Joi.number().min(0).max(most);
export const share = () => Joi.number().min(0).max(1);
export const metres = () => Joi.number().min(-50).max(50);
export const celsius = () => Joi.number().min(-60).max(300);
export const nullable = <S extends Joi.AnySchema>(schema: S) => schema.allow(null);
export const record = (schema: Joi.AnySchema, most = 5000) => Joi.object().pattern(id(), schema).max(most);
export const coilSuppression = () => Joi.string().valid('plain-diode', 'zener', 'none');
/** An object with no other keys; every key is required unless it is marked with `optional`. */
export const object = (keys: Readonly<Record<string, Joi.Schema>>) =>
  Joi.object(
    Object.fromEntries(
      Object.entries(keys).map(([key, schema]) => [key, isOptional(schema) ? schema : schema.required()]),
    ),
  );
/** Joi's browser build can't describe a schema, so what is optional is remembered here. */
const OPTIONAL = new WeakSet<Joi.Schema>();
const isOptional = (schema: Joi.Schema): boolean => OPTIONAL.has(schema);
export const optional = <S extends Joi.AnySchema>(schema: S): S => {
  const marked = schema.optional() as S;
  OPTIONAL.add(marked);
  return marked;
};
