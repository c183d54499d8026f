import type { Vehicle } from '../../vehicle';
import type { Rule } from '../define';
import { askedRule, partOfSystem, type Question } from './shared';

const AIR = partOfSystem({ kind: 'build', id: 'aircon', name: 'Air conditioning' }, 'loop', 'Air conditioning');

const cooled = (vehicle: Vehicle): boolean => vehicle.devices.some(({ device }) => device.kind === 'compressor');

const QUESTIONS: readonly Question[] = [
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

export const AIR_RULES: readonly Rule[] = QUESTIONS.map((question) => askedRule(AIR, cooled, question));
