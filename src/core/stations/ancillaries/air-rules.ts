import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { conductance } from '../../physics/cabin';
import { cabinWarmth, spanIn } from '../../simulate';
import { hottestAssumed, hottestDayC, partOf, type Vehicle } from '../../vehicle';
import { watts } from '../context';
import { defineRule, type Rule } from '../define';
import { askedRule, partOfSystem, type Question } from './shared';

const AIR = partOfSystem({ kind: 'build', id: 'aircon', name: 'Air conditioning' }, 'loop', 'Air conditioning');

const cooled = (vehicle: Vehicle): boolean => vehicle.devices.some(({ device }) => device.kind === 'compressor');

const QUESTIONS: readonly Question<'cabin'>[] = [
  {
    id: 'aircon.oil',
    flag: 'acOil',
    endangers: 'people',
    fails: 'The compressor’s oil conducts',
    holds: 'The compressor’s oil does not conduct',
    asked: 'whether the system was flushed and filled with oil that does not conduct',
    source:
      'The windings of a high-voltage compressor lie in its oil: polyol ester insulates, what a belt-driven one had before lowers the insulation of the whole car (practice)',
    cure: 'Flush everything, new receiver, the oil that is named on the compressor; measure the insulation again afterwards.',
  },
  {
    id: 'aircon.fan',
    flag: 'acFan',
    endangers: 'parts',
    fails: 'Nothing moves air at the condenser',
    holds: 'A fan moves air at the condenser',
    asked: 'whether a fan stands at the condenser',
    source: 'Standing in the sun the pressure rises until the switch or the valve opens (practice)',
    cure: 'A fan at the condenser, with its load, fuse and relay in the 12-volt schedule.',
  },
  {
    id: 'aircon.licensed',
    flag: 'acLicensed',
    endangers: 'people',
    fails: 'Refrigerant is handled by nobody who may',
    holds: 'Refrigerant is handled by whoever may',
    asked: 'whether a licensed person evacuates and fills it',
    source: 'Refrigerant under pressure: licensed work in most places (check local code)',
    cure: 'A licensed workshop evacuates, leak-tests and fills it.',
  },
];

/** Cold that a kilowatt makes, sun through the glass, and what is felt as cool (generic): –, W, °C. */
const COP = 2.2;
const SUN_W = 1000;
const COOL_C = 24;

const cools = defineRule({
  id: 'aircon.cools',
  endangers: 'comfort',
  says: {
    fails: 'The compressor is too small for the cabin',
    holds: 'The compressor is large enough for the cabin',
    line: '{demand} of heat on the hottest day, it takes {limit}',
  },
  comfort: 0,
  sources: ['Walls, fresh air and 1 kW of sun against the compressor’s rated power times 2.2 (generic)'],
  judge: ({ vehicle }): Finding[] => {
    const electricW = vehicle.devices.reduce(
      (sum, one) =>
        one.device.kind === 'compressor' && spanIn(vehicle, 'cruise', one) > 0
          ? sum + (partOf(one, 'bus-device')?.ratedPowerW ?? 0) * COP - (one.device.coolsCellsW ?? 0)
          : sum,
      0,
    );
    if (!cooled(vehicle)) return [];
    const { cabin } = cabinWarmth(vehicle);
    const heatW = conductance(cabin) * Math.max(0, hottestDayC(vehicle.build) - COOL_C) + SUN_W;
    return [
      {
        subject: AIR,
        demand: watts(heatW),
        limit: watts(Math.max(0, electricW)),
        margin: electricW > 0 ? marginAtMost(heatW, electricW) : -1,
        assumed: hottestAssumed(vehicle.build),
        lines: () => [
          {
            formula: 'Q = G · (T_out − T_in) + sun; P · COP',
            figures: `${q(conductance(cabin), 'heatLoss')} from ${q(hottestDayC(vehicle.build), 'temperature')} to ${q(COOL_C, 'temperature')}`,
            result: watts(heatW),
          },
        ],
      },
    ];
  },
  remedies:
    'A larger compressor, more air from inside, or shade: what it takes out of the cells is missing in the cabin.',
});

export const AIR_RULES: readonly Rule[] = [
  cools,
  ...QUESTIONS.map((question) => askedRule('cabin', AIR, cooled, question)),
];
