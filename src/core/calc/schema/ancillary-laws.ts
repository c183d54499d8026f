import Joi from 'joi';
import { calcCabinHeat } from '../cabin-heat';
import { calcCoolant } from '../coolant';
import { calcSteering } from '../steering';
import { calcVacuum } from '../vacuum';
import { atLeastZero, count, figure, maybe, number, orNull, positive, share } from './fields';
import type { Law } from './law';

const pascals = () => positive().max(1e9);

/** Laws of what the engine took along: brakes, steering, heating, cooling. */
export const ANCILLARY_LAWS: readonly Law[] = [
  {
    name: 'vacuum',
    about: 'brake vacuum from a pump with a switch: pull-down, recovery, duty, stops left with the pump dead',
    input: Joi.object({
      altitudeM: Joi.number().min(-500).max(9000).required(),
      volumeM3: positive().required(),
      pumpFlowM3PerS: positive().required(),
      pumpHighestVacuumAtSeaLevelPa: pascals().required(),
      flowBasis: maybe(Joi.string().valid('free-air', 'inlet')),
      switchOnVacuumPa: pascals().required(),
      switchOffVacuumPa: pascals().required(),
      airPerApplicationM3: positive().required(),
      minimumVacuumPa: pascals().required(),
      secondsBetweenApplicationsS: maybe(positive()),
      initialVacuumPa: maybe(atLeastZero()),
    }),
    output: Joi.object({
      ambientPressurePa: figure(),
      highestVacuumHerePa: figure(),
      cutOutReachable: Joi.boolean().required(),
      timeToFirstCutOutS: orNull(),
      timeToMinimumVacuumS: orNull(),
      recoveryCutInToCutOutS: orNull(),
      recoveryAfterOneApplicationS: orNull(),
      vacuumLostPerApplicationPa: figure(),
      pumpDuty: orNull(),
      pumpStartsPerHour: orNull(),
      applicationsBegunFromCutOut: orNull(),
      applicationsLeavingFromCutOut: orNull(),
      applicationsBegunFromCutIn: orNull(),
      applicationsLeavingFromCutIn: orNull(),
    }),
    run: calcVacuum,
    example: {
      altitudeM: 1900,
      volumeM3: 0.0055,
      pumpFlowM3PerS: 0.0003,
      pumpHighestVacuumAtSeaLevelPa: 86000,
      flowBasis: 'free-air',
      switchOnVacuumPa: 50000,
      switchOffVacuumPa: 65000,
      airPerApplicationM3: 0.0006,
      minimumVacuumPa: 30000,
      secondsBetweenApplicationsS: 40,
    },
  },
  {
    name: 'steering',
    about: 'a hydraulic rack on an electric pump: does it keep up, what does it draw; the rim without assist',
    input: Joi.object({
      pistonAreaM2: positive().required(),
      travelPerTurnM: positive().required(),
      leakageM3PerS: atLeastZero().required(),
      pumpFlowM3PerS: positive().required(),
      pressurePa: positive().required(),
      turnsPerS: Joi.array().items(positive().max(10)).min(1).max(20).required(),
      efficiency: maybe(positive().max(1)),
      supplyVoltageV: maybe(positive()),
      wheelLoadN: maybe(positive()),
      tyrePressurePa: maybe(positive()),
      frictionCoefficient: maybe(positive().max(2)),
      steeringRatio: maybe(positive()),
      steeringEfficiency: maybe(positive().max(1)),
    }),
    output: Joi.object({
      rackFlowM3PerS: Joi.array().items(number()).required(),
      keepsUp: Joi.array().items(Joi.boolean()).required(),
      keepsUpToTurnsPerS: figure(),
      hydraulicPowerW: figure(),
      electricPowerW: figure(),
      currentA: figure(),
      kingpinTorqueNm: orNull(),
      rimTorqueNm: orNull(),
    }),
    run: calcSteering,
    example: {
      pistonAreaM2: 0.0008,
      travelPerTurnM: 0.045,
      leakageM3PerS: 0.0000125,
      pumpFlowM3PerS: 0.00006,
      pressurePa: 8000000,
      turnsPerS: [0.5, 1, 1.5],
      efficiency: 0.55,
      supplyVoltageV: 13,
      wheelLoadN: 4500,
      tyrePressurePa: 220000,
      steeringRatio: 18,
    },
  },
  {
    name: 'cabin-heat',
    about: 'a cabin warmed from cold: holding power, warm-up, an element at another voltage than its own',
    input: Joi.object({
      lossWPerK: positive().required(),
      freshAirKgPerS: atLeastZero().required(),
      recirculation: maybe(share()),
      heatCapacityJPerK: positive().required(),
      outsideC: Joi.number().min(-90).max(60).required(),
      targetC: Joi.number().min(-90).max(90).required(),
      heaterPowerW: maybe(atLeastZero()),
      elementRatedPowerW: maybe(positive()),
      elementRatedVoltageV: maybe(positive()),
      packVoltageV: maybe(positive()),
      coldInrushFactor: maybe(Joi.number().min(1).max(10)),
      afterS: maybe(atLeastZero()),
    }),
    output: Joi.object({
      conductanceWPerK: figure(),
      holdingPowerW: figure(),
      heaterPowerW: figure(),
      elementPowerLowW: orNull(),
      elementPowerHighW: orNull(),
      settlesAtC: figure(),
      timeToTargetS: orNull(),
      temperatureAfterC: orNull(),
    }),
    run: calcCabinHeat,
    example: {
      lossWPerK: 60,
      freshAirKgPerS: 0.03,
      recirculation: 0,
      heatCapacityJPerK: 90000,
      outsideC: -5,
      targetC: 20,
      elementRatedPowerW: 3000,
      elementRatedVoltageV: 350,
      packVoltageV: 330,
      afterS: 600,
    },
  },
  {
    name: 'coolant',
    about: 'a coolant loop with its parts in order: where it settles and how far each is from its limit',
    input: Joi.object({
      parts: Joi.array()
        .items(
          Joi.object({
            name: Joi.string().max(80).required(),
            lossW: atLeastZero().required(),
            plateKPerW: atLeastZero().required(),
            limitC: number().required(),
          }),
        )
        .min(1)
        .max(20)
        .required(),
      flowM3PerS: positive().required(),
      radiatorWPerK: positive().required(),
      ambientC: Joi.number().min(-90).max(90).required(),
      heatCapacityJPerK: maybe(positive()),
      startC: maybe(number()),
      durationS: maybe(atLeastZero()),
    }),
    output: Joi.object({
      inletC: figure(),
      hottestCoolantC: figure(),
      parts: Joi.array()
        .items(
          Joi.object({
            name: Joi.string().required(),
            coolantOutC: figure(),
            temperatureC: figure(),
            marginK: figure(),
          }),
        )
        .required(),
      tightestPart: count().min(0).required(),
      timeConstantS: orNull(),
      inletAfterC: orNull(),
    }),
    run: calcCoolant,
    example: {
      parts: [
        { name: 'inverter', lossW: 900, plateKPerW: 0.012, limitC: 85 },
        { name: 'motor', lossW: 2400, plateKPerW: 0.015, limitC: 140 },
      ],
      flowM3PerS: 0.00013,
      radiatorWPerK: 160,
      ambientC: 35,
      heatCapacityJPerK: 45000,
      durationS: 900,
    },
  },
];
