import Joi from 'joi';

/** Input schemas of the calculation laws. Unknown fields are refused; numbers are finite; null is "not there". */
const number = () => Joi.number();
const positive = () => Joi.number().greater(0);
const atLeastZero = () => Joi.number().min(0);
const maybe = <S extends Joi.AnySchema>(schema: S) => schema.optional().allow(null);
const name = () => Joi.string().min(1).max(200);
const ends = { id: name().required(), a: name().required(), b: name().required() };
const element = (kind: string, keys: Joi.SchemaMap) =>
  Joi.object({ ...ends, kind: Joi.string().valid(kind).required(), ...keys });

const ELEMENTS: Readonly<Record<string, Joi.ObjectSchema>> = {
  resistor: element('resistor', { resistanceOhm: atLeastZero().required() }),
  inductor: element('inductor', { inductanceH: positive().required(), initialCurrentA: maybe(number()) }),
  capacitor: element('capacitor', { capacitanceF: positive().required(), initialVoltageV: maybe(number()) }),
  source: element('source', { voltageV: number().required(), resistanceOhm: maybe(atLeastZero()) }),
  switch: element('switch', { closed: Joi.boolean().required(), resistanceOhm: maybe(atLeastZero()) }),
  power: element('power', {
    powerW: number().required(),
    turnOnV: maybe(atLeastZero()),
    turnOffV: maybe(atLeastZero()),
  }),
};

const elements = Joi.array()
  .items(
    Joi.alternatives().conditional('.kind', {
      switch: Object.entries(ELEMENTS).map(([kind, schema]) => ({ is: kind, then: schema })),
      otherwise: Joi.object({
        kind: Joi.string()
          .valid(...Object.keys(ELEMENTS))
          .required(),
      }).unknown(),
    }),
  )
  .min(1)
  .max(5000)
  .required();

const transient = Joi.object({
  kind: Joi.string().valid('transient').required(),
  stopS: positive().required(),
  initial: Joi.string().valid('rest', 'operating-point').optional(),
  events: Joi.array()
    .items(Joi.object({ atS: atLeastZero().required(), id: name().required(), closed: Joi.boolean().required() }))
    .max(1000)
    .optional(),
  outputs: Joi.array().items(name()).max(5000).optional(),
  samples: Joi.number().integer().min(1).max(20000).optional(),
});

export const networkInput = Joi.object({
  elements,
  ground: name().required(),
  analysis: Joi.alternatives()
    .conditional('.kind', {
      switch: [{ is: 'transient', then: transient }],
      otherwise: Joi.object({ kind: Joi.string().valid('operating-point', 'transient').required() }),
    })
    .required(),
});

export const prechargeInput = Joi.object({
  packOcvV: positive().required(),
  packResistanceOhm: maybe(atLeastZero()),
  prechargeResistanceOhm: positive().required(),
  linkCapacitanceF: positive().required(),
  initialLinkVoltageV: maybe(atLeastZero()),
  busLoadResistanceOhm: maybe(positive()),
  bleedResistanceOhm: maybe(positive()),
  busShortResistanceOhm: maybe(positive()),
  constantPowerLoadW: maybe(atLeastZero()),
  turnOnV: maybe(atLeastZero()),
  turnOffV: maybe(atLeastZero()),
  secondCapacitanceF: maybe(positive()),
  betweenCapacitorsOhm: maybe(atLeastZero()),
  loopResistanceOhm: maybe(atLeastZero()),
  loopInductanceH: maybe(atLeastZero()),
  closeAtFraction: Joi.number().greater(0).less(1).optional(),
  timeoutS: positive().required(),
});
