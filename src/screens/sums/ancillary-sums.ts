import { calcCabinHeat, calcCoolant, calcSteering, calcVacuum, type VacuumInput } from '@/core/calc';
import { figure, needed, type Sum, type SumValues } from './sum-types';

const number = (values: SumValues, key: string): number => values[key] as number;
const maybe = (values: SumValues, key: string): number | null => (values[key] as number | null) ?? null;
/** Litres, and litres a minute, in the law’s cubic metres. */
const litres = (values: SumValues, key: string): number => number(values, key) / 1000;
const flow = (values: SumValues, key: string): number => number(values, key) / 60000;

/** Pocket tools of what the engine took along: brake vacuum, steering, cabin, coolant. */
export const ANCILLARY_SUMS: readonly Sum[] = [
  {
    name: 'vacuum',
    title: 'Brake vacuum',
    about: 'An electric pump with its switch: pull-down, duty, and stops that are left when it dies.',
    fields: [
      figure('altitudeM', 'Altitude', 'length', needed),
      figure('volumeL', 'Booster, reservoir and hoses', 'volume', needed),
      figure('pumpLPerMin', 'Pump, at no vacuum', 'airFlow', needed),
      {
        key: 'flowBasis',
        label: '… as a volume',
        choices: [
          ['free-air', 'of free air'],
          ['inlet', 'at its inlet'],
        ],
      },
      figure('pumpHighestVacuumAtSeaLevelPa', 'Highest vacuum at sea level', 'pressure', needed),
      figure('switchOnVacuumPa', 'Switch turns on at', 'pressure', needed),
      figure('switchOffVacuumPa', '… and off at', 'pressure', needed),
      figure('airL', 'Air of an application', 'volume', needed),
      figure('minimumVacuumPa', 'Assisted down to', 'pressure', needed),
      figure('secondsBetweenApplicationsS', 'Time between applications', 'time'),
    ],
    start: {
      altitudeM: 1900,
      volumeL: 8.2,
      pumpLPerMin: 18,
      flowBasis: 'free-air',
      pumpHighestVacuumAtSeaLevelPa: 86000,
      switchOnVacuumPa: 48000,
      switchOffVacuumPa: 62000,
      airL: 0.5,
      minimumVacuumPa: 30000,
      secondsBetweenApplicationsS: 40,
    },
    figures: [
      { key: 'highestVacuumHerePa', label: 'Highest vacuum here', dimension: 'pressure' },
      { key: 'cutOutReachable', label: 'It reaches its cut-out' },
      { key: 'timeToMinimumVacuumS', label: 'Assisted after', dimension: 'time', never: 'never' },
      { key: 'timeToFirstCutOutS', label: 'Pump off after', dimension: 'time', never: 'never' },
      { key: 'vacuumLostPerApplicationPa', label: 'An application takes', dimension: 'pressure' },
      { key: 'pumpDuty', label: 'The pump runs', dimension: 'ratio' },
      { key: 'applicationsBegunFromCutIn', label: 'Stops left, pump dead', dimension: 'count' },
    ],
    run: (values) =>
      calcVacuum({
        altitudeM: number(values, 'altitudeM'),
        volumeM3: litres(values, 'volumeL'),
        pumpFlowM3PerS: flow(values, 'pumpLPerMin'),
        pumpHighestVacuumAtSeaLevelPa: number(values, 'pumpHighestVacuumAtSeaLevelPa'),
        flowBasis: values.flowBasis as VacuumInput['flowBasis'],
        switchOnVacuumPa: number(values, 'switchOnVacuumPa'),
        switchOffVacuumPa: number(values, 'switchOffVacuumPa'),
        airPerApplicationM3: litres(values, 'airL'),
        minimumVacuumPa: number(values, 'minimumVacuumPa'),
        secondsBetweenApplicationsS: maybe(values, 'secondsBetweenApplicationsS'),
      }),
    caution: 'Brakes are inspected and signed by a licensed person.',
  },
  {
    name: 'steering',
    title: 'Hydraulic steering',
    about: 'A rack on an electric pump: does it keep up in fast steering, and what does it draw?',
    fields: [
      figure('pistonMm2', 'Piston of the rack', 'area', needed),
      figure('travelPerTurnM', 'Travel for a turn of the wheel', 'length', needed),
      figure('leakLPerMin', 'Leakage', 'flow', needed),
      figure('pumpLPerMin', 'Pump, at that pressure', 'flow', needed),
      figure('pressurePa', 'Pressure', 'hydraulicPressure', needed),
      figure('turns', 'Turns of the wheel a second', 'count', needed),
      figure('efficiency', 'Electric to hydraulic', 'ratio', { unit: '%' }),
    ],
    start: {
      pistonMm2: 800,
      travelPerTurnM: 0.045,
      leakLPerMin: 0.8,
      pumpLPerMin: 4.5,
      pressurePa: 8e6,
      turns: 1.5,
      efficiency: 0.55,
    },
    figures: [
      { key: 'asked', label: 'The rack asks', dimension: 'flow' },
      { key: 'enough', label: 'The pump keeps up' },
      { key: 'keepsUpToTurnsPerS', label: '… up to turns a second', dimension: 'count' },
      { key: 'electricPowerW', label: 'Drawn', dimension: 'power' },
      { key: 'currentA', label: '… at 13 V', dimension: 'current' },
    ],
    run: (values) => {
      const { result, working } = calcSteering({
        pistonAreaM2: number(values, 'pistonMm2') / 1e6,
        travelPerTurnM: number(values, 'travelPerTurnM'),
        leakageM3PerS: flow(values, 'leakLPerMin'),
        pumpFlowM3PerS: flow(values, 'pumpLPerMin'),
        pressurePa: number(values, 'pressurePa'),
        turnsPerS: [number(values, 'turns')],
        efficiency: maybe(values, 'efficiency'),
      });
      const { rackFlowM3PerS, keepsUp, ...others } = result as { rackFlowM3PerS: number[]; keepsUp: boolean[] };
      return { result: { ...others, asked: rackFlowM3PerS[0]! * 60000, enough: keepsUp[0]! }, working };
    },
    caution: 'Steering is inspected and signed by a licensed person.',
  },
  {
    name: 'cabin-heat',
    title: 'Cabin heat',
    about: 'What holds a cabin warm, how long it takes, and what an element gives at another voltage than its own.',
    fields: [
      figure('lossWPerK', 'Loss of the cabin', 'heatLoss', needed),
      figure('freshAirKgPerS', 'Fresh air', 'massFlow', needed),
      figure('recirculation', '… taken from inside', 'ratio', { unit: '%' }),
      figure('heatCapacityJPerK', 'Heat that it takes up', 'heatCapacity', needed),
      figure('outsideC', 'Outside', 'temperature', needed),
      figure('targetC', 'Wanted inside', 'temperature', needed),
      figure('elementRatedPowerW', 'Element', 'power', needed),
      figure('elementRatedVoltageV', '… at', 'voltage', needed),
      figure('packVoltageV', 'Voltage that it gets', 'voltage', needed),
    ],
    start: {
      lossWPerK: 60,
      freshAirKgPerS: 0.03,
      recirculation: 0,
      heatCapacityJPerK: 90000,
      outsideC: -5,
      targetC: 20,
      elementRatedPowerW: 3000,
      elementRatedVoltageV: 350,
      packVoltageV: 330,
    },
    figures: [
      { key: 'holdingPowerW', label: 'To hold it', dimension: 'power' },
      { key: 'elementPowerLowW', label: 'The element gives, plain', dimension: 'power' },
      { key: 'elementPowerHighW', label: '… still cold', dimension: 'power' },
      { key: 'settlesAtC', label: 'It settles at', dimension: 'temperature' },
      { key: 'timeToTargetS', label: 'Warm after', dimension: 'time', never: 'never' },
    ],
    run: (values) =>
      calcCabinHeat({
        lossWPerK: number(values, 'lossWPerK'),
        freshAirKgPerS: number(values, 'freshAirKgPerS'),
        recirculation: maybe(values, 'recirculation'),
        heatCapacityJPerK: number(values, 'heatCapacityJPerK'),
        outsideC: number(values, 'outsideC'),
        targetC: number(values, 'targetC'),
        elementRatedPowerW: number(values, 'elementRatedPowerW'),
        elementRatedVoltageV: number(values, 'elementRatedVoltageV'),
        packVoltageV: number(values, 'packVoltageV'),
      }),
  },
  {
    name: 'coolant',
    title: 'Coolant loop',
    about: 'One part, its plate and the radiator: where the coolant settles.',
    fields: [
      figure('lossW', 'Heat of the part', 'power', needed),
      figure('flowLPerMin', 'Coolant, as it runs', 'flow', needed),
      figure('radiatorWPerK', 'Radiator', 'heatLoss', needed),
      figure('ambientC', 'Air', 'temperature', needed),
    ],
    start: { lossW: 3300, flowLPerMin: 8, radiatorWPerK: 160, ambientC: 35 },
    figures: [
      { key: 'inletC', label: 'Into the part', dimension: 'temperature' },
      { key: 'hottestCoolantC', label: 'Into the radiator', dimension: 'temperature' },
    ],
    run: (values) =>
      calcCoolant({
        parts: [{ name: 'part', lossW: number(values, 'lossW'), plateKPerW: 0, limitC: 1000 }],
        flowM3PerS: flow(values, 'flowLPerMin'),
        radiatorWPerK: number(values, 'radiatorWPerK'),
        ambientC: number(values, 'ambientC'),
      }),
  },
];
