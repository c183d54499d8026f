import { calcFuse, calcFuseCurve, calcShortCircuit, calcWithstand } from '@/core/calc';
import { figure, METALS, needed, type Sum, type SumField, type SumValues } from './sum-types';

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

/** Short circuits, what stands them, and fuses. */
export const PROTECTION_SUMS: readonly Sum[] = [
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
];
