import Joi from 'joi';

/** Fields of inputs: numbers are finite, null is "not there". */
export const number = () => Joi.number();
export const positive = () => Joi.number().greater(0);
export const atLeastZero = () => Joi.number().min(0);
export const maybe = <S extends Joi.AnySchema>(schema: S) => schema.optional().allow(null);
export const share = () => Joi.number().min(0).max(1);
export const count = () => Joi.number().integer().min(1);
/** Rest voltage of a cell by state of charge. */
export const ocvCurve = () => Joi.array().items(Joi.array().items(number()).length(2)).min(2).max(1000).required();

/** Fields of outputs: always there; null is "never", or not computed because an input is not there. */
export const figure = () => Joi.number().required();
export const orNull = () => Joi.number().allow(null).required();
