import { calcCable } from '../cable';
import { calcContactor } from '../contactor';
import { calcDischarge } from '../discharge';
import { calcFuse, calcFuseCurve } from '../fuse';
import { calcInsulation } from '../insulation';
import { calcNetwork } from '../network';
import { calcPrecharge } from '../precharge';
import { calcShortCircuit } from '../short-circuit';
import { calcWithstand } from '../withstand';
import { ANCILLARY_LAWS } from './ancillary-laws';
import { CHARGING_LAWS } from './charging-laws';
import {
  cableInput,
  contactorInput,
  dischargeInput,
  fuseCurveInput,
  fuseInput,
  insulationInput,
  networkInput,
  prechargeInput,
  shortCircuitInput,
  withstandInput,
} from './inputs';
import type { Law } from './law';
import {
  cableOutput,
  contactorOutput,
  dischargeOutput,
  fuseCurveOutput,
  fuseOutput,
  insulationOutput,
  networkOutput,
  prechargeOutput,
  shortCircuitOutput,
  withstandOutput,
} from './outputs';
import { TRIP_LAWS } from './trip-laws';

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
  ...TRIP_LAWS,
  ...CHARGING_LAWS,
  ...ANCILLARY_LAWS,
];
