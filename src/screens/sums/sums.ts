import {
  calcCable,
  calcContactor,
  calcDischarge,
  calcFuse,
  calcFuseCurve,
  calcInsulation,
  calcPrecharge,
  calcShortCircuit,
  calcWithstand,
} from '@/core/calc';
import type { WorkingLine } from '@/core/checks';
import type { Dimension } from '@/core/quantities';

export type SumValue = number | string | boolean | null;
export type SumValues = Readonly<Record<string, SumValue>>;

/** One thing to fill in. A figure without `needed` may stay empty: then it is not there. */
export interface SumField {
  readonly key: string;
  readonly label: string;
  readonly dimension?: Dimension;
  readonly unit?: string;
  readonly choices?: readonly (readonly [string, string])[];
  readonly flag?: boolean;
  readonly needed?: boolean;
  readonly note?: string;
}

/** One figure of the answer. */
export interface SumFigure {
  readonly key: string;
  readonly label: string;
  readonly dimension?: Dimension;
  /** Said when the figure is null. */
  readonly never?: string;
}

export interface Sum {
  readonly name: string;
  readonly title: string;
  readonly about: string;
  readonly fields: readonly SumField[];
  readonly start: SumValues;
  readonly figures: readonly SumFigure[];
  readonly run: (values: SumValues) => { result: unknown; working: readonly WorkingLine[] };
  readonly caution?: string;
}

const figure = (key: string, label: string, dimension: Dimension, more: Partial<SumField> = {}): SumField => ({
  key,
  label,
  dimension,
  ...more,
});
const needed = { needed: true } as const;
const METALS: SumField['choices'] = [
  ['copper', 'copper'],
  ['aluminium', 'aluminium'],
];
const FAMILIES: SumField['choices'] = [
  ['traction', 'full-range traction'],
  ['ar', 'very fast, partial range'],
  ['strip', 'slow bolt-down strip'],
  ['blade', 'blade'],
  ['blade-large', 'large blade'],
];

/** A pulse and the rest between pulses make the profile of the fuse's sum. */
function fuseInput(values: SumValues) {
  const { pulseA, pulseS, restA, restS, continuousA, k2s2A2s, ...others } = values;
  const profile = [
    { currentA: pulseA as number, durationS: pulseS as number },
    { currentA: restA as number, durationS: restS as number },
  ].filter(({ currentA, durationS }) => currentA !== null && durationS !== null && durationS > 0);
  return { ...others, profile: profile.length > 0 ? profile : null, cable: { continuousA, k2s2A2s } };
}

export const SUMS: readonly Sum[] = [
  {
    name: 'cable',
    title: 'Cable',
    about: 'How hot, how much, how long: one conductor in its place.',
    fields: [
      figure('areaMm2', 'Size', 'area', needed),
      { key: 'material', label: 'Metal', choices: METALS },
      {
        key: 'insulation',
        label: 'Insulation',
        choices: [
          ['xlpo', 'cross-linked polyolefin'],
          ['xlpe', 'XLPE'],
          ['pvc', 'PVC'],
          ['silicone', 'silicone'],
        ],
      },
      {
        key: 'wall',
        label: 'Wall',
        choices: [
          ['thick', 'thick'],
          ['shielded', 'shielded HV'],
          ['thin', 'thin'],
        ],
      },
      figure('maxConductorTemperatureC', 'Conductor may reach', 'temperature', needed),
      figure('ambientC', 'Air around it', 'temperature', needed),
      {
        key: 'arrangement',
        label: 'Lies',
        choices: [
          ['single', 'alone'],
          ['touching-pair', 'as a touching pair'],
        ],
      },
      figure('loadedCircuits', 'Loaded circuits side by side', 'count'),
      { key: 'conduit', label: 'In conduit', flag: true },
      figure('currentA', 'Current', 'current'),
      figure('lengthM', 'Length, one way', 'length'),
    ],
    start: {
      areaMm2: 50,
      material: 'copper',
      insulation: 'xlpo',
      wall: 'shielded',
      maxConductorTemperatureC: 125,
      ambientC: 45,
      arrangement: 'touching-pair',
      loadedCircuits: 1,
      conduit: false,
      currentA: 180,
      lengthM: 2.4,
    },
    figures: [
      { key: 'ampacityA', label: 'Carries for ever', dimension: 'current' },
      { key: 'conductorTemperatureC', label: 'Conductor', dimension: 'temperature', never: 'no steady temperature' },
      { key: 'surfaceTemperatureC', label: 'Surface', dimension: 'temperature', never: '–' },
      { key: 'dropV', label: 'Drop, one way', dimension: 'voltage', never: '–' },
      { key: 'lossW', label: 'Loss', dimension: 'power', never: '–' },
      { key: 'massKgPerM', label: 'Metal', dimension: 'massPerLength', never: '–' },
    ],
    run: (values) => calcCable(values as never),
  },
  {
    name: 'precharge',
    title: 'Precharge',
    about: 'Through the resistor, with whatever hangs on the bus, then the main closing.',
    fields: [
      figure('packOcvV', 'Pack at rest', 'voltage', needed),
      figure('packResistanceOhm', 'Pack resistance', 'resistance'),
      figure('prechargeResistanceOhm', 'Resistor', 'resistance', needed),
      figure('linkCapacitanceF', 'Link capacitor', 'capacitance', { needed: true, unit: 'µF' }),
      figure('bleedResistanceOhm', 'Bleed resistor', 'resistance'),
      figure('busLoadResistanceOhm', 'Load left on the bus', 'resistance'),
      figure('constantPowerLoadW', 'Converter that wakes', 'power'),
      figure('turnOnV', '… from', 'voltage'),
      figure('turnOffV', '… off below', 'voltage'),
      figure('loopResistanceOhm', 'Main loop besides the pack', 'resistance'),
      figure('loopInductanceH', 'Main loop inductance', 'inductance'),
      figure('closeAtFraction', 'Close main at', 'ratio'),
      figure('timeoutS', 'Give up after', 'time', needed),
    ],
    start: {
      packOcvV: 378,
      packResistanceOhm: 0.09,
      prechargeResistanceOhm: 100,
      linkCapacitanceF: 0.0011,
      bleedResistanceOhm: null,
      busLoadResistanceOhm: null,
      constantPowerLoadW: null,
      turnOnV: null,
      turnOffV: null,
      loopResistanceOhm: 0.01,
      loopInductanceH: 1e-5,
      closeAtFraction: 0.95,
      timeoutS: 1,
    },
    figures: [
      { key: 'closeAtS', label: 'Main closes after', dimension: 'time', never: 'never' },
      { key: 't99S', label: '99 % after', dimension: 'time', never: 'never' },
      { key: 'settledVoltageV', label: 'Settles at', dimension: 'voltage', never: 'it cycles' },
      { key: 'resistorPeakCurrentA', label: 'Peak current', dimension: 'current' },
      { key: 'resistorPeakPowerW', label: 'Peak power', dimension: 'power' },
      { key: 'resistorEnergyToTimeoutJ', label: 'Energy until time-out', dimension: 'energy' },
      { key: 'inrushPeakCurrentA', label: 'Inrush at closing', dimension: 'current', never: '–' },
      { key: 'linkPeakVoltageAfterClosingV', label: 'Link overshoots to', dimension: 'voltage', never: '–' },
    ],
    run: (values) => calcPrecharge(values as never),
    caution: 'Closing on a link that never charged welds the contactor. Prove the link dead before you touch it.',
  },
  {
    name: 'discharge',
    title: 'Discharge',
    about: 'How long the link stays dangerous after switching off.',
    fields: [
      figure('startVoltageV', 'Voltage', 'voltage', needed),
      figure('linkCapacitanceF', 'Link capacitor', 'capacitance', { needed: true, unit: 'µF' }),
      figure('bleedResistanceOhm', 'Bleed resistor', 'resistance'),
      figure('activeResistanceOhm', 'Active discharge', 'resistance'),
      figure('targetVoltageV', 'Safe below', 'voltage'),
    ],
    start: {
      startVoltageV: 378,
      linkCapacitanceF: 0.0014,
      bleedResistanceOhm: 22000,
      activeResistanceOhm: null,
      targetVoltageV: 60,
    },
    figures: [
      { key: 'timeToTargetS', label: 'Safe after', dimension: 'time', never: 'never' },
      { key: 'voltageAfter5sV', label: 'After 5 s', dimension: 'voltage' },
      { key: 'energyStoredJ', label: 'Stored', dimension: 'energy' },
      { key: 'bleedContinuousLossW', label: 'Bleed, all day', dimension: 'power' },
    ],
    run: (values) => calcDischarge(values as never),
    caution: 'A figure is no proof: wait, prove the meter, prove dead, prove the meter again.',
  },
  {
    name: 'short-circuit',
    title: 'Short circuit',
    about: 'What the pack drives into a fault, and how fast.',
    fields: [
      figure('cellsInSeries', 'Cells in series', 'count', needed),
      figure('cellsInParallel', 'Cells side by side', 'count', needed),
      figure('cellOcvV', 'Cell at rest', 'voltage', needed),
      figure('cellResistanceOhm', 'Cell resistance, milliseconds', 'resistance', { needed: true, unit: 'mΩ' }),
      figure('linkResistanceOhm', 'Each link', 'resistance', { unit: 'mΩ' }),
      figure('numberOfLinks', 'Links', 'count', { note: 'empty: one fewer than cells' }),
      figure('fuseResistanceOhm', 'Fuse', 'resistance', { unit: 'mΩ' }),
      figure('contactorResistanceOhm', 'Contactors', 'resistance', { unit: 'mΩ' }),
      figure('cableResistanceOhm', 'Cable, out and back', 'resistance', { unit: 'mΩ' }),
      figure('faultResistanceOhm', 'Fault', 'resistance', { unit: 'mΩ' }),
      figure('loopInductanceH', 'Loop inductance', 'inductance', needed),
    ],
    start: {
      cellsInSeries: 90,
      cellsInParallel: 1,
      cellOcvV: 4.2,
      cellResistanceOhm: 0.0003,
      linkResistanceOhm: 0.00008,
      numberOfLinks: null,
      fuseResistanceOhm: 0.0004,
      contactorResistanceOhm: 0.0006,
      cableResistanceOhm: 0.002,
      faultResistanceOhm: null,
      loopInductanceH: 1.2e-5,
    },
    figures: [
      { key: 'prospectiveCurrentA', label: 'Prospective current', dimension: 'current' },
      { key: 'loopResistanceOhm', label: 'Loop', dimension: 'resistance' },
      { key: 'timeConstantS', label: 'Time constant', dimension: 'time' },
      { key: 'i2tA2s.5ms', label: 'I²t in 5 ms', dimension: 'i2t' },
      { key: 'i2tA2s.50ms', label: 'I²t in 50 ms', dimension: 'i2t' },
    ],
    run: (values) => calcShortCircuit(values as never),
    caution:
      'Cells are never dead. Insulated tools, one hand, no rings; covers on every terminal that is not worked on.',
  },
  {
    name: 'withstand',
    title: 'Short-circuit withstand',
    about: 'What a conductor takes before its insulation goes.',
    fields: [
      figure('areaMm2', 'Size', 'area', needed),
      { key: 'material', label: 'Metal', choices: METALS },
      figure('startTemperatureC', 'Loaded, it starts at', 'temperature', needed),
      figure('finalTemperatureC', 'May reach', 'temperature', needed),
      figure('currentA', 'Fault current', 'current'),
      figure('durationS', 'lasts', 'time'),
      figure('i2tA2s', 'or I²t of the fuse', 'i2t'),
    ],
    start: {
      areaMm2: 35,
      material: 'copper',
      startTemperatureC: 90,
      finalTemperatureC: 250,
      currentA: 6000,
      durationS: 0.1,
      i2tA2s: null,
    },
    figures: [
      { key: 'k2s2A2s', label: 'Stands', dimension: 'i2t' },
      { key: 'finalTemperatureReachedC', label: 'Gets to', dimension: 'temperature', never: '–' },
      { key: 'minimumAreaMm2', label: 'Smallest that holds', dimension: 'area', never: '–' },
      { key: 'holds', label: 'Holds' },
    ],
    run: (values) => calcWithstand(values as never),
  },
  {
    name: 'fuse',
    title: 'Fuse',
    about: 'Every rule of one fuse, and what it lets through.',
    fields: [
      { key: 'family', label: 'Family', choices: FAMILIES },
      figure('ratedCurrentA', 'Rated current', 'current', needed),
      figure('ratedVoltageDcV', 'DC voltage on it', 'voltage', { note: 'empty: none is stated' }),
      figure('systemMaxVoltageV', 'Full charge', 'voltage'),
      figure('prospectiveMaxA', 'Highest fault current', 'current'),
      figure('prospectiveMinA', 'Lowest fault current', 'current'),
      figure('loopTimeConstantS', 'Loop time constant', 'time'),
      figure('pulseA', 'Pulse', 'current'),
      figure('pulseS', 'for', 'time'),
      figure('restA', 'between pulses', 'current'),
      figure('restS', 'for', 'time'),
      figure('lifeCycles', 'Pulses in its life', 'count'),
      figure('ambientC', 'Air around it', 'temperature'),
      figure('continuousA', 'Its cable carries', 'current'),
      figure('k2s2A2s', 'Its cable stands', 'i2t'),
      figure('unprotectedLengthM', 'Cable before it', 'length'),
      { key: 'atSourceEnd', label: 'At the source end', flag: true },
      { key: 'otherOverloadProtection', label: 'Another overload protection', flag: true },
    ],
    start: {
      family: 'traction',
      ratedCurrentA: 300,
      ratedVoltageDcV: 500,
      systemMaxVoltageV: 378,
      prospectiveMaxA: 9000,
      prospectiveMinA: 2800,
      loopTimeConstantS: 0.0003,
      pulseA: 260,
      pulseS: 10,
      restA: 120,
      restS: 300,
      lifeCycles: 20000,
      ambientC: 45,
      continuousA: 340,
      k2s2A2s: 1e8,
      unprotectedLengthM: 0.15,
      atSourceEnd: true,
      otherOverloadProtection: false,
    },
    figures: [
      { key: 'rmsCurrentA', label: 'Rms', dimension: 'current', never: '–' },
      { key: 'lossAtRmsW', label: 'Its heat', dimension: 'power', never: '–' },
      { key: 'meltTimeAtMaxS', label: 'Melts at the highest', dimension: 'time', never: 'never' },
      { key: 'meltTimeAtMinS', label: 'Melts at the lowest', dimension: 'time', never: 'never' },
      { key: 'letThroughA', label: 'Lets through', dimension: 'current', never: '–' },
      { key: 'totalI2tAtMaxA2s', label: 'Clearing I²t', dimension: 'i2t', never: '–' },
    ],
    run: (values) => calcFuse(fuseInput(values) as never),
  },
  {
    name: 'fuse-curve',
    title: 'Fuse curve',
    about: 'How long a fuse lasts at a multiple of its rating.',
    fields: [
      { key: 'family', label: 'Family', choices: FAMILIES },
      figure('ratedCurrentA', 'Rated current', 'current', needed),
      figure('currentA', 'Current', 'current', needed),
    ],
    start: { family: 'traction', ratedCurrentA: 300, currentA: 900 },
    figures: [{ key: 'preArcingS.0', label: 'Melts after', dimension: 'time', never: 'never' }],
    run: ({ family, ratedCurrentA, currentA }) =>
      calcFuseCurve({
        family,
        ratedCurrentA,
        ratedVoltageDcV: null,
        multiples: [(currentA as number) / (ratedCurrentA as number)],
      } as never),
  },
  {
    name: 'contactor',
    title: 'Contactor',
    about: 'What flows when it closes on a link, and whether its coil pulls in.',
    fields: [
      figure('differenceV', 'Voltage across it', 'voltage', needed),
      figure('loopResistanceOhm', 'Loop', 'resistance', { needed: true, unit: 'mΩ' }),
      figure('loopInductanceH', 'Loop inductance', 'inductance'),
      figure('linkCapacitanceF', 'Link capacitor', 'capacitance', { needed: true, unit: 'µF' }),
      figure('makeLimitA', 'It may make', 'current'),
      figure('supplyV', '12 V at its lowest', 'voltage', needed),
      figure('nominalV', 'Coil', 'voltage', needed),
      figure('powerW', 'Coil power', 'power', needed),
      figure('wireResistanceOhm', 'Wires to the coil', 'resistance'),
      figure('temperatureC', 'Coil is as hot as', 'temperature'),
      figure('inductanceH', 'Coil inductance', 'inductance', { unit: 'mH' }),
      figure('clampV', 'Suppression clamps at', 'voltage', { note: 'empty: a plain diode' }),
    ],
    start: {
      differenceV: 19,
      loopResistanceOhm: 0.08,
      loopInductanceH: 1e-5,
      linkCapacitanceF: 0.0011,
      makeLimitA: 400,
      supplyV: 9.5,
      nominalV: 12,
      powerW: 8,
      wireResistanceOhm: 0.3,
      temperatureC: 85,
      inductanceH: 0.35,
      clampV: 30,
    },
    figures: [
      { key: 'closing.inrushPeakCurrentA', label: 'Inrush', dimension: 'current' },
      { key: 'closing.inrushPeakAtS', label: 'after', dimension: 'time' },
      { key: 'closing.overshootV', label: 'Link overshoots by', dimension: 'voltage' },
      { key: 'closing.makes', label: 'Within its make limit' },
      { key: 'coil.coilVoltageV', label: 'At the coil', dimension: 'voltage' },
      { key: 'coil.pickUpVoltageV', label: 'Pulls in from', dimension: 'voltage' },
      { key: 'coil.pullsIn', label: 'Pulls in' },
      { key: 'coil.releaseTimeS', label: 'Lets go after', dimension: 'time', never: '–' },
      { key: 'coil.releaseTimeWithDiodeS', label: 'with a plain diode', dimension: 'time', never: '–' },
    ],
    run: ({ differenceV, loopResistanceOhm, loopInductanceH, linkCapacitanceF, makeLimitA, ...coil }) =>
      calcContactor({
        closing: { differenceV, loopResistanceOhm, loopInductanceH, linkCapacitanceF, makeLimitA },
        coil,
      } as never),
  },
  {
    name: 'insulation',
    title: 'Insulation',
    about: 'Three readings of a voltmeter give the resistance to chassis.',
    fields: [
      figure('packVoltageV', 'Pack, now', 'voltage', needed),
      figure('workingVoltageV', 'Pack, full', 'voltage', needed),
      figure('v1V', 'Minus to chassis', 'voltage', needed),
      figure('v2V', 'Plus to chassis', 'voltage', needed),
      figure('r0Ohm', 'Known resistor', 'resistance', needed),
      figure('vPrimeV', 'Larger side with it across', 'voltage', needed),
    ],
    start: { packVoltageV: 330, workingVoltageV: 378, v1V: 210, v2V: 110, r0Ohm: 47000, vPrimeV: 40 },
    figures: [
      { key: 'insulationOhm', label: 'Insulation', dimension: 'resistance' },
      { key: 'meets100', label: '100 Ω/V, DC' },
      { key: 'meets500', label: '500 Ω/V, AC or combined' },
      { key: 'r0Between', label: 'Resistor between chassis and' },
      { key: 'leakingSide', label: 'Leaking side' },
    ],
    run: (values) => calcInsulation(values as never),
    caution: 'The pack is live while you measure: rated gloves, a meter for the full voltage, never alone.',
  },
];

/** A figure of a nested result by its path; undefined when it is not there. */
export function figureAt(result: unknown, path: string): unknown {
  let at = result;
  for (const key of path.split('.')) {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return undefined;
    at = (at as Record<string, unknown>)[key];
  }
  return at;
}
