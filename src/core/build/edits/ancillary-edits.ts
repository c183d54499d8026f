import { told } from '../../quantities';
import {
  ANCILLARY_FLAGS,
  type Ancillary,
  type AncillaryFlag,
  type Brakes,
  GAUGE_SHOWS,
  type GaugeShows,
  OLD_GAUGES,
  type OldGauge,
} from '../types';
import { define } from './definition';
import { EditRefused } from './refused';

const WORDS: Readonly<Record<AncillaryFlag, string>> = {
  switchFollows: 'vacuum switch goes with the air',
  warnApart: 'warning switch on a port of its own',
  checkValve: 'check valve before the pump',
  pumpRubber: 'vacuum pump on rubber',
  silenced: 'vacuum pump with a silencer',
  pedalStop: 'pedal has a stop of its own',
  pedalTold: 'controller is told of the brake pedal',
  fluidAbove: 'fluid reservoir above the booster',
  pumpsOn: 'steering pump goes on without the speed',
  pumpFits: 'steering pump fits: bracket, plug, hoses',
  motorFirst: 'coolant to the motor first',
  acOil: 'oil that does not conduct, system flushed',
  acFan: 'fan at the condenser',
  acLicensed: 'refrigerant filled by whoever may',
  lowTwelve: 'lamp for low 12 volt',
  insulationLamp: 'lamp for insulation',
  hours: 'hours are counted',
  speedTold: 'steering is told the speed',
  safeDefault: 'steering falls back to little assist',
  messages: 'old electric steering gets its messages',
  idles: 'motor turns the belt at standstill',
  blowerLocked: 'no heat without air',
  cutOut: 'thermal cut-out at the element',
  dcSwitch: 'element switched by a contact for direct current',
  airToScreen: 'warm air to the screen',
  header: 'header tank at the highest point',
  bleeds: 'bleed points',
  shared: 'one pump for cooling and heating',
};

/** Brakes, steering, heating, cooling: answers that are no figures. */
export const ANCILLARY_EDITS = {
  answerAncillary: define<{ system: Ancillary; flag: AncillaryFlag; is: boolean }>({
    title: (_, { flag, is }) => `${WORDS[flag]}: ${is ? 'yes' : 'no'}`,
    apply: (draft, { system, flag, is }) => {
      if (!Object.hasOwn(ANCILLARY_FLAGS, system) || !(ANCILLARY_FLAGS[system] as readonly string[]).includes(flag))
        throw new EditRefused('There is no such question.', 'Choose one of the list.');
      draft[system] = { ...draft[system], [flag]: is };
    },
  }),

  /** Both set points of the vacuum switch, Pa. */
  setVacuumSwitch: define<{ onPa: number; offPa: number }>({
    title: (_, { onPa, offPa }) => `vacuum switch on at ${told(onPa, 'pressure')}, off at ${told(offPa, 'pressure')}`,
    apply: (draft, { onPa, offPa }) => {
      if (!(onPa >= 1000 && offPa > onPa && offPa <= 100000))
        throw new EditRefused('A switch turns on at the lower vacuum and off at the higher one.', 'Swap the two.');
      draft.brakes = { ...draft.brakes, switchOnPa: onPa, switchOffPa: offPa };
    },
  }),

  /** What an old gauge shows now. */
  setGauge: define<{ gauge: OldGauge; shows: GaugeShows }>({
    title: (_, { gauge, shows }) => `${gauge} gauge: ${shows}`,
    apply: (draft, { gauge, shows }) => {
      if (!OLD_GAUGES.includes(gauge) || !GAUGE_SHOWS.includes(shows))
        throw new EditRefused('There is no such gauge.', 'Choose one of the list.');
      draft.gauges = { ...draft.gauges, shows: { ...draft.gauges?.shows, [gauge]: shows } };
    },
  }),

  /** What the flow of the vacuum pump’s sheet is a volume of. */
  setFlowBasis: define<{ basis: NonNullable<Brakes['flowBasis']> }>({
    title: (_, { basis }) => `pump’s flow as ${basis === 'inlet' ? 'a volume at its inlet' : 'free air'}`,
    apply: (draft, { basis }) => {
      if (basis !== 'inlet' && basis !== 'free-air')
        throw new EditRefused('A flow is free air or at the inlet.', 'Choose one of the two.');
      draft.brakes = { ...draft.brakes, flowBasis: basis };
    },
  }),
};
