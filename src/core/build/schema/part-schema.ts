import Joi from 'joi';
import { celsius, coilSuppression, id, name, nonNegative, nullable, object, optional, positive, text } from './fields';

const common = (kind: string) => ({
  id: id(),
  kind: Joi.string().valid(kind),
  name: name(),
  provenance: Joi.string().valid('generic', 'data-sheet', 'measured', 'own'),
  note: optional(text(500)),
});
const window = () =>
  object({ workingMinV: nonNegative(2000), workingMaxV: positive(2000), absoluteMaxV: positive(2000) });
const volts = () => positive(2000);
const amps = () => positive(100000);

export const PART_SCHEMAS: Readonly<Record<string, Joi.ObjectSchema>> = {
  cell: object({
    ...common('cell'),
    chemistry: Joi.string().valid('lfp', 'nmc', 'lto', 'lead-flooded', 'lead-agm'),
    nominalV: positive(20),
    fullV: positive(20),
    emptyV: positive(20),
    capacityAh: positive(10000),
    resistanceOhm: positive(10),
    linkResistanceOhm: nonNegative(1),
    massKg: positive(500),
  }),
  cable: object({
    ...common('cable'),
    areaMm2: positive(1000),
    metal: Joi.string().valid('copper', 'aluminium'),
    conductorClass: optional(Joi.string().valid('iso19642', 'iec60228-5', 'awg')),
    resistance20OhmPerM: positive(10),
    insulation: Joi.string().valid('pvc', 'xlpe', 'xlpo', 'silicone'),
    conductorDiameterMm: positive(100),
    outerDiameterMm: positive(200).greater(Joi.ref('conductorDiameterMm')),
    temperatureClassC: celsius(),
    ratedVoltageV: positive(5000),
    shielded: Joi.boolean(),
    massKgPerM: positive(100),
  }),
  fuse: object({
    ...common('fuse'),
    family: Joi.string().valid('ar', 'traction', 'strip', 'blade', 'blade-large'),
    ratedCurrentA: amps(),
    ratedVoltageDcV: nullable(volts()),
    ratedVoltageAcV: nullable(volts()),
    breakingCapacityA: positive(1e6),
    minimumBreakingMultiple: positive(100),
    multiples: Joi.array().items(positive(1000)).length(7),
    fusingMultiple: positive(100),
    nonFusingMultiple: positive(100),
    ratedTimeConstantS: positive(10),
    totalOverPreArcing: positive(100),
    dropAtRatedV: positive(10),
    temperatureLimitC: celsius(),
    continuousFactor: positive(1),
  }),
  contactor: object({
    ...common('contactor'),
    ratedVoltageV: volts(),
    contactResistanceOhm: positive(1),
    carry: Joi.array()
      .items(object({ areaMm2: positive(1000), currentA: amps() }))
      .min(1)
      .max(20),
    makeCurrentA: amps(),
    breakCurrentA: amps(),
    coilVoltageV: positive(100),
    coilPowerW: positive(500),
    polarised: Joi.boolean(),
    shortTimeI2tA2s: optional(positive(1e12)),
    shortTimePeakA: optional(amps()),
    overloads: optional(
      Joi.array()
        .items(object({ durationS: positive(3600), multiple: positive(100).min(1) }))
        .min(1)
        .max(20),
    ),
    reverseBreakCurrentA: optional(nonNegative(100000)),
    coilPickUpV: optional(positive(100)),
    coilHoldV: optional(positive(100)),
    coilSuppression: optional(coilSuppression()),
    releaseTimeS: optional(positive(10)),
    electricalLife: optional(positive(1e9)),
    mechanicalLife: optional(positive(1e9)),
  }),
  resistor: object({
    ...common('resistor'),
    resistanceOhm: positive(1e8),
    ratedPowerW: positive(1e5),
    pulseEnergyJ: positive(1e7),
    ratedVoltageV: positive(10000),
  }),
  disconnect: object({
    ...common('disconnect'),
    ratedVoltageV: volts(),
    ratedCurrentA: amps(),
    contactResistanceOhm: positive(1),
    breaksLoad: Joi.boolean(),
  }),
  inverter: object({
    ...common('inverter'),
    window: window(),
    linkCapacitanceF: nonNegative(10),
    maxBatteryCurrentA: amps(),
    maxMotorCurrentA: optional(amps()),
    bleedResistanceOhm: optional(positive(1e8)),
    activeDischargeOhm: optional(positive(1e8)),
  }),
  'bus-device': object({
    ...common('bus-device'),
    window: window(),
    linkCapacitanceF: nonNegative(10),
    ratedPowerW: nonNegative(1e6),
    turnOnV: nullable(volts()),
    turnOffV: nullable(volts()),
    bleedResistanceOhm: optional(positive(1e8)),
  }),
  motor: object({
    ...common('motor'),
    motorKind: Joi.string().valid('series-dc', 'induction', 'permanent-magnet'),
    peakTorqueNm: positive(20000),
    peakPowerW: positive(1e6),
    continuousPowerW: positive(1e6),
    baseSpeedRpm: positive(30000),
    baseLinkV: volts(),
    maximumSpeedRpm: positive(40000),
    backVoltagePerKrpmV: optional(positive(2000)),
    envelope: optional(
      Joi.array()
        .items(object({ speedRpm: nonNegative(60000), torqueNm: nonNegative(20000) }))
        .min(2)
        .max(60),
    ),
    massKg: positive(1000),
  }),
  sensor: object({ ...common('sensor'), resistanceOhm: positive(1), ratedCurrentA: amps() }),
};

export const partSchema = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(PART_SCHEMAS).map(([kind, schema]) => ({ is: kind, then: schema })),
  otherwise: Joi.object({
    kind: Joi.string()
      .valid(...Object.keys(PART_SCHEMAS))
      .required(),
  }),
});
