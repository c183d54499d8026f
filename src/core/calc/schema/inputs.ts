import Joi from 'joi';
import { atLeastZero, count, maybe, number, ocvCurve, positive, share } from './fields';

/** Input schemas of the calculation laws. Unknown fields are refused; numbers are finite; null is "not there". */
/** Null counts as not there. */
const THERE = { isPresent: (value: unknown) => value !== undefined && value !== null };
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

export const dischargeInput = Joi.object({
  startVoltageV: atLeastZero().required(),
  linkCapacitanceF: positive().required(),
  bleedResistanceOhm: maybe(positive()),
  activeResistanceOhm: maybe(positive()),
  targetVoltageV: maybe(atLeastZero()),
});

export const shortCircuitInput = Joi.object({
  cellsInSeries: count().required(),
  cellsInParallel: count().required(),
  cellOcvV: positive().required(),
  cellResistanceOhm: atLeastZero().required(),
  linkResistanceOhm: maybe(atLeastZero()),
  numberOfLinks: maybe(Joi.number().integer().min(0)),
  fuseResistanceOhm: maybe(atLeastZero()),
  contactorResistanceOhm: maybe(atLeastZero()),
  cableResistanceOhm: maybe(atLeastZero()),
  faultResistanceOhm: maybe(atLeastZero()),
  loopInductanceH: atLeastZero().required(),
});

const metal = () => Joi.string().valid('copper', 'aluminium');
const celsius = () => Joi.number().min(-273).max(3000);

const cableFields = {
  areaMm2: maybe(positive().max(2000)),
  awg: maybe(Joi.alternatives(Joi.number().integer(), Joi.string().max(20))),
  material: maybe(metal()),
  conductorClass: maybe(Joi.string().valid('iso19642', 'iec60228-5', 'awg')),
  resistance20OhmPerM: maybe(positive()),
  insulation: maybe(Joi.string().valid('pvc', 'xlpe', 'xlpo', 'silicone')),
  wall: maybe(Joi.string().valid('thin', 'thick', 'shielded')),
  conductorDiameterMm: maybe(positive()),
  layers: maybe(
    Joi.array()
      .items(Joi.object({ outerDiameterMm: positive().required(), conductivityWPerMK: positive().required() }))
      .min(1)
      .max(20),
  ),
  arrangement: maybe(Joi.string().valid('single', 'touching-pair')),
  loadedCircuits: maybe(Joi.number().min(1).max(200)),
  conduit: maybe(Joi.boolean()),
  ambientC: celsius().required(),
  airSpeedMPerS: maybe(atLeastZero()),
  airPressurePa: maybe(positive()),
  emissivity: maybe(Joi.number().min(0).max(1)),
};

export const cableInput = Joi.object({
  ...cableFields,
  maxConductorTemperatureC: celsius().required(),
  currentA: maybe(number()),
  lengthM: maybe(atLeastZero()),
}).oxor('areaMm2', 'awg', THERE);

export const withstandInput = Joi.object({
  areaMm2: positive().required(),
  material: metal().required(),
  startTemperatureC: Joi.number().min(-100).max(1000).required(),
  finalTemperatureC: Joi.number().min(-100).max(2000).required(),
  i2tA2s: maybe(atLeastZero()),
  currentA: maybe(number()),
  durationS: maybe(atLeastZero()),
});

const family = () => Joi.string().valid('ar', 'traction', 'strip', 'blade', 'blade-large');
const fuse = Joi.object({
  ratedCurrentA: positive().required(),
  ratedVoltageDcV: positive().allow(null).required(),
  ratedVoltageAcV: maybe(positive()),
  breakingCapacityA: maybe(positive()),
  minimumBreakingMultiple: maybe(positive()),
  multiples: Joi.array().items(positive()).length(7).required(),
  fusingMultiple: positive().required(),
  nonFusingMultiple: maybe(positive()),
  ratedTimeConstantS: positive().required(),
  totalOverPreArcing: Joi.number().min(1).required(),
  dropAtRatedV: atLeastZero().required(),
  temperatureLimitC: celsius().greater(25).required(),
  continuousFactor: positive().max(2).required(),
});
const which = {
  fuse: maybe(fuse),
  family: maybe(family()),
  ratedCurrentA: maybe(positive()),
  ratedVoltageDcV: maybe(positive()),
};

export const fuseInput = Joi.object({
  ...which,
  systemMaxVoltageV: maybe(positive()),
  prospectiveMaxA: maybe(positive()),
  prospectiveMinA: maybe(positive()),
  loopTimeConstantS: maybe(atLeastZero()),
  profile: maybe(
    Joi.array()
      .items(Joi.object({ currentA: number().required(), durationS: positive().required() }))
      .max(10000),
  ),
  lifeCycles: maybe(atLeastZero()),
  ambientC: maybe(celsius()),
  cable: maybe(Joi.object({ k2s2A2s: maybe(positive()), continuousA: maybe(positive()) })),
  unprotectedLengthM: maybe(atLeastZero()),
  atSourceEnd: maybe(Joi.boolean()),
  otherOverloadProtection: maybe(Joi.boolean()),
  contactor: maybe(Joi.object({ withstandI2tA2s: maybe(positive()), peakA: maybe(positive()) })),
  upstreamPreArcingI2tA2s: maybe(positive()),
  parallelStrings: maybe(Joi.number().integer().min(1)),
}).oxor('fuse', 'family', THERE);

export const fuseCurveInput = Joi.object({
  ...which,
  multiples: Joi.array().items(positive()).max(10000).required(),
}).oxor('fuse', 'family', THERE);

export const insulationInput = Joi.object({
  packVoltageV: positive().required(),
  workingVoltageV: positive().required(),
  v1V: atLeastZero().required(),
  v2V: atLeastZero().required(),
  r0Ohm: positive().required(),
  vPrimeV: positive().required(),
});

export const contactorInput = Joi.object({
  closing: maybe(
    Joi.object({
      differenceV: number().required(),
      loopResistanceOhm: positive().required(),
      loopInductanceH: maybe(atLeastZero()),
      linkCapacitanceF: positive().required(),
      makeLimitA: maybe(positive()),
    }),
  ),
  opening: maybe(
    Joi.object({
      currentA: number().required(),
      voltageV: atLeastZero().required(),
      loopInductanceH: maybe(atLeastZero()),
      ratedVoltageV: maybe(positive()),
      breakLimitA: maybe(positive()),
    }),
  ),
  coil: maybe(
    Joi.object({
      supplyV: atLeastZero().required(),
      nominalV: positive().required(),
      powerW: positive().required(),
      wireResistanceOhm: maybe(atLeastZero()),
      temperatureC: maybe(Joi.number().min(-60).max(250)),
      pickUpShare: maybe(Joi.number().greater(0).max(1)),
      inductanceH: maybe(positive()),
      releaseShare: maybe(Joi.number().greater(0).max(1)),
      clampV: maybe(atLeastZero()),
    }),
  ),
});

const step = Joi.object({ currentA: number().required(), durationS: positive().required() });

export const cableTransientInput = Joi.object({
  ...cableFields,
  maxConductorTemperatureC: maybe(celsius()),
  currentA: maybe(number()),
  lengthM: maybe(atLeastZero()),
  startTemperatureC: maybe(celsius()),
  profile: Joi.array().items(step).min(1).max(20000).required(),
  repeats: maybe(Joi.alternatives(Joi.number().integer().min(1).max(100000), Joi.string().valid('settled'))),
  insulationHeatCapacityJPerM3K: maybe(positive()),
}).oxor('areaMm2', 'awg', THERE);

export const joinPacksInput = Joi.object({
  cellsInSeries: count().required(),
  capacityAAh: positive().required(),
  capacityBAh: positive().required(),
  resistanceAOhm: atLeastZero().required(),
  resistanceBOhm: atLeastZero().required(),
  jointResistanceOhm: maybe(atLeastZero()),
  socA: share().required(),
  socB: share().required(),
  ocvCurve: ocvCurve(),
});

export const driveInput = Joi.object({
  massKg: positive().required(),
  rotatingMassFactor: maybe(atLeastZero().max(10)),
  rollingCoefficient: atLeastZero().required(),
  dragAreaM2: atLeastZero().required(),
  airDensityKgPerM3: maybe(positive()),
  gradeFraction: maybe(Joi.number().min(-1).max(1)),
  gradeTrace: maybe(Joi.array().items(Joi.number().min(-1).max(1)).max(200000)),
  drivelineEfficiency: positive().max(1).required(),
  regenFraction: maybe(share()),
  regenMinimumSpeedMPerS: maybe(atLeastZero()),
  auxiliaryPowerW: maybe(number()),
  batteryVoltageV: maybe(positive()),
  pack: maybe(Joi.object({ ocvV: positive().required(), resistanceOhm: atLeastZero().required() })),
  speedTraceMPerS: Joi.array().items(atLeastZero().max(150)).min(2).max(200000).required(),
});

const loads = Joi.array()
  .items(
    Joi.object({
      name: Joi.string().max(200).required(),
      kind: Joi.string().valid('constant-power', 'constant-resistance', 'constant-current').required(),
      rating: atLeastZero().required(),
      referenceVoltageV: maybe(positive()),
      duty: maybe(share()),
      peakRating: maybe(atLeastZero()),
      essential: maybe(Joi.boolean()),
    }),
  )
  .max(1000);

export const dcDcInput = Joi.object({
  loads: loads.required(),
  outputVoltageV: positive().required(),
  ratedPowerW: positive().required(),
  efficiency: positive().max(1).required(),
  tractionVoltageV: positive().required(),
  rechargeCurrentA: maybe(atLeastZero()),
});

export const holdUpInput = Joi.object({
  loads: maybe(loads),
  steps: maybe(
    Joi.array()
      .items(Joi.object({ currentA: atLeastZero().required(), durationS: positive().required() }))
      .min(1)
      .max(20000),
  ),
  batteryVoltageV: maybe(positive()),
  capacityRatedAh: positive().required(),
  ratedHours: positive().required(),
  peukertExponent: Joi.number().min(1).max(2).required(),
  socStart: share().required(),
  socEnd: share().required(),
  healthFactor: maybe(positive().max(2)),
  temperatureFactor: maybe(positive().max(2)),
});

export const parkedInput = Joi.object({
  capacityRatedAh: positive().required(),
  quiescentCurrentA: atLeastZero().required(),
  selfDischargePer30Days: maybe(share()),
  socStart: share().required(),
  socEnd: share().required(),
});

export const motorVoltageInput = Joi.object({
  motorKind: Joi.string().valid('series-dc', 'induction', 'permanent-magnet').required(),
  peakTorqueNm: positive().required(),
  peakPowerW: maybe(positive()),
  maximumSpeedRpm: positive().required(),
  ratedSpeedRpm: positive().required(),
  windingVoltageRmsV: maybe(positive()),
  ratedLinkVoltageV: maybe(positive()),
  modulation: maybe(Joi.string().valid('space-vector', 'sine')),
  linkVoltageV: maybe(positive()),
  pack: maybe(
    Joi.object({
      ocvV: positive().required(),
      resistanceOhm: atLeastZero().required(),
      currentA: number().required(),
    }),
  ),
  speedsRpm: maybe(Joi.array().items(atLeastZero()).min(1).max(10000)),
  backVoltagePerKrpmV: maybe(positive()),
});
