import type Joi from 'joi';
import type { WorkingLine } from '../../checks';
import { calcDcDc, calcHoldUp, calcParked } from '../auxiliary';
import { calcCable } from '../cable';
import { calcCableTransient } from '../cable-transient';
import { calcContactor } from '../contactor';
import { calcDischarge } from '../discharge';
import { calcDrive } from '../drive';
import { calcFuse, calcFuseCurve } from '../fuse';
import { calcInsulation } from '../insulation';
import { calcJoinPacks } from '../join-packs';
import { calcNetwork } from '../network';
import { calcPrecharge } from '../precharge';
import { calcShortCircuit } from '../short-circuit';
import { calcWithstand } from '../withstand';
import {
  cableInput,
  cableTransientInput,
  contactorInput,
  dcDcInput,
  dischargeInput,
  driveInput,
  fuseCurveInput,
  fuseInput,
  holdUpInput,
  insulationInput,
  joinPacksInput,
  networkInput,
  parkedInput,
  prechargeInput,
  shortCircuitInput,
  withstandInput,
} from './inputs';
import {
  cableOutput,
  cableTransientOutput,
  contactorOutput,
  dcDcOutput,
  dischargeOutput,
  driveOutput,
  fuseCurveOutput,
  fuseOutput,
  holdUpOutput,
  insulationOutput,
  joinPacksOutput,
  networkOutput,
  parkedOutput,
  prechargeOutput,
  shortCircuitOutput,
  withstandOutput,
} from './outputs';

export interface Law {
  readonly name: string;
  readonly about: string;
  readonly input: Joi.Schema;
  readonly output: Joi.Schema;
  readonly run: (input: never) => { result: unknown; working: readonly WorkingLine[] };
  readonly example: unknown;
}

/** Names are a contract: they don't change without a version note. */
export const LAWS: readonly Law[] = [
  {
    name: 'network',
    about: 'operating point or transient of a general network',
    input: networkInput,
    output: networkOutput,
    run: calcNetwork,
    example: {
      elements: [
        { id: 'pack', kind: 'source', a: 'p', b: '0', voltageV: 330, resistanceOhm: 0.09 },
        { id: 'cable', kind: 'resistor', a: 'p', b: 'q', resistanceOhm: 0.004 },
        { id: 'inverter', kind: 'power', a: 'q', b: '0', powerW: 40000 },
      ],
      ground: '0',
      analysis: { kind: 'operating-point' },
    },
  },
  {
    name: 'precharge',
    about: 'link voltage through a resistor, then the main contactor closing',
    input: prechargeInput,
    output: prechargeOutput,
    run: calcPrecharge,
    example: {
      packOcvV: 378,
      packResistanceOhm: 0.09,
      prechargeResistanceOhm: 100,
      linkCapacitanceF: 0.0011,
      loopResistanceOhm: 0.01,
      loopInductanceH: 1e-5,
      closeAtFraction: 0.95,
      timeoutS: 1,
    },
  },
  {
    name: 'discharge',
    about: 'a link capacitor down to a safe voltage',
    input: dischargeInput,
    output: dischargeOutput,
    run: calcDischarge,
    example: {
      startVoltageV: 378,
      linkCapacitanceF: 0.0014,
      bleedResistanceOhm: 22000,
      activeResistanceOhm: 470,
      targetVoltageV: 60,
    },
  },
  {
    name: 'short-circuit',
    about: 'prospective current of a pack, its rise and its I²t',
    input: shortCircuitInput,
    output: shortCircuitOutput,
    run: calcShortCircuit,
    example: {
      cellsInSeries: 90,
      cellsInParallel: 1,
      cellOcvV: 4.2,
      cellResistanceOhm: 0.0003,
      linkResistanceOhm: 0.00008,
      numberOfLinks: 90,
      fuseResistanceOhm: 0.0004,
      contactorResistanceOhm: 0.0006,
      cableResistanceOhm: 0.002,
      loopInductanceH: 0.000012,
    },
  },
  {
    name: 'cable',
    about: 'temperature, ampacity, drop and loss of a conductor in its place',
    input: cableInput,
    output: cableOutput,
    run: calcCable,
    example: {
      areaMm2: 50,
      material: 'copper',
      conductorClass: 'iso19642',
      insulation: 'xlpo',
      wall: 'shielded',
      arrangement: 'touching-pair',
      ambientC: 45,
      maxConductorTemperatureC: 125,
      currentA: 180,
      lengthM: 2.4,
    },
  },
  {
    name: 'withstand',
    about: 'what a conductor stands in a short circuit',
    input: withstandInput,
    output: withstandOutput,
    run: calcWithstand,
    example: { areaMm2: 35, material: 'copper', startTemperatureC: 90, finalTemperatureC: 250, i2tA2s: 900000 },
  },
  {
    name: 'fuse',
    about: 'every rule of one fuse in its zone, and what it lets through',
    input: fuseInput,
    output: fuseOutput,
    run: calcFuse,
    example: {
      family: 'traction',
      ratedCurrentA: 300,
      ratedVoltageDcV: 500,
      systemMaxVoltageV: 378,
      prospectiveMaxA: 9000,
      prospectiveMinA: 2800,
      loopTimeConstantS: 0.0003,
      profile: [
        { currentA: 260, durationS: 10 },
        { currentA: 120, durationS: 300 },
      ],
      lifeCycles: 20000,
      ambientC: 45,
      cable: { k2s2A2s: 100000000, continuousA: 340 },
      unprotectedLengthM: 0.15,
      atSourceEnd: true,
      otherOverloadProtection: false,
      contactor: { withstandI2tA2s: 500000, peakA: 6000 },
    },
  },
  {
    name: 'fuse-curve',
    about: 'pre-arcing times at multiples of the rated current',
    input: fuseCurveInput,
    output: fuseCurveOutput,
    run: calcFuseCurve,
    example: { family: 'traction', ratedCurrentA: 300, ratedVoltageDcV: 500, multiples: [20, 5, 2, 1.2] },
  },
  {
    name: 'insulation',
    about: 'insulation resistance from three readings of a voltmeter',
    input: insulationInput,
    output: insulationOutput,
    run: calcInsulation,
    example: { packVoltageV: 330, workingVoltageV: 378, v1V: 210, v2V: 110, r0Ohm: 47000, vPrimeV: 40 },
  },
  {
    name: 'contactor',
    about: 'a contactor closing on a link, opening under current, and its coil',
    input: contactorInput,
    output: contactorOutput,
    run: calcContactor,
    example: {
      closing: {
        differenceV: 19,
        loopResistanceOhm: 0.08,
        loopInductanceH: 0.00001,
        linkCapacitanceF: 0.0011,
        makeLimitA: 400,
      },
      opening: { currentA: 180, voltageV: 378, loopInductanceH: 0.00001, ratedVoltageV: 450, breakLimitA: 250 },
      coil: {
        supplyV: 9.5,
        nominalV: 12,
        powerW: 8,
        wireResistanceOhm: 0.3,
        temperatureC: 85,
        inductanceH: 0.35,
        clampV: 30,
      },
    },
  },
  {
    name: 'cable-transient',
    about: 'conductor temperature over a pattern of currents',
    input: cableTransientInput,
    output: cableTransientOutput,
    run: calcCableTransient,
    example: {
      areaMm2: 35,
      insulation: 'xlpo',
      wall: 'shielded',
      arrangement: 'touching-pair',
      ambientC: 40,
      startTemperatureC: 40,
      profile: [
        { currentA: 300, durationS: 600 },
        { currentA: 0, durationS: 1800 },
      ],
      repeats: 'settled',
    },
  },
  {
    name: 'join-packs',
    about: 'two packs joined in parallel: current, time and heat until they agree',
    input: joinPacksInput,
    output: joinPacksOutput,
    run: calcJoinPacks,
    example: {
      cellsInSeries: 40,
      capacityAAh: 180,
      capacityBAh: 180,
      resistanceAOhm: 0.026,
      resistanceBOhm: 0.026,
      jointResistanceOhm: 1,
      socA: 0.8,
      socB: 0.5,
      ocvCurve: [
        [0, 2.6],
        [0.1, 3.16],
        [0.5, 3.29],
        [0.9, 3.34],
        [1, 3.4],
      ],
    },
  },
  {
    name: 'drive',
    about: 'energy and currents of a speed trace, one point a second',
    input: driveInput,
    output: driveOutput,
    run: calcDrive,
    example: {
      massKg: 1450,
      rotatingMassFactor: 1.05,
      rollingCoefficient: 0.013,
      dragAreaM2: 0.7,
      airDensityKgPerM3: 1.2,
      gradeFraction: 0.01,
      drivelineEfficiency: 0.85,
      regenFraction: 0.5,
      regenMinimumSpeedMPerS: 2,
      auxiliaryPowerW: 300,
      pack: { ocvV: 330, resistanceOhm: 0.08 },
      speedTraceMPerS: [0, 1.5, 3, 4.5, 6, 7, 8, 8, 8, 8, 6, 4, 2, 0, 0],
    },
  },
  {
    name: 'dc-dc',
    about: 'a 12-volt converter against what it has to feed',
    input: dcDcInput,
    output: dcDcOutput,
    run: calcDcDc,
    example: {
      loads: [
        {
          name: 'dipped beam',
          kind: 'constant-resistance',
          rating: 120,
          referenceVoltageV: 13.2,
          duty: 1,
          essential: true,
        },
        { name: 'steering pump', kind: 'constant-power', rating: 90, duty: 1, peakRating: 800, essential: true },
        { name: 'contactors', kind: 'constant-current', rating: 1.2, duty: 1, essential: true },
      ],
      outputVoltageV: 13.8,
      ratedPowerW: 1000,
      efficiency: 0.92,
      tractionVoltageV: 330,
      rechargeCurrentA: 5,
    },
  },
  {
    name: 'hold-up',
    about: 'how long the auxiliary battery holds the essential loads',
    input: holdUpInput,
    output: holdUpOutput,
    run: calcHoldUp,
    example: {
      loads: [
        {
          name: 'dipped beam',
          kind: 'constant-resistance',
          rating: 120,
          referenceVoltageV: 13.2,
          duty: 1,
          essential: true,
        },
        { name: 'wipers', kind: 'constant-power', rating: 60, duty: 1, essential: true },
        { name: 'radio', kind: 'constant-power', rating: 20, duty: 1, essential: false },
      ],
      batteryVoltageV: 12,
      capacityRatedAh: 60,
      ratedHours: 20,
      peukertExponent: 1.2,
      socStart: 0.9,
      socEnd: 0.1,
      temperatureFactor: 0.8,
    },
  },
  {
    name: 'parked',
    about: 'days until a parked car’s auxiliary battery is down',
    input: parkedInput,
    output: parkedOutput,
    run: calcParked,
    example: { capacityRatedAh: 60, quiescentCurrentA: 0.035, selfDischargePer30Days: 0.03, socStart: 1, socEnd: 0.5 },
  },
];
