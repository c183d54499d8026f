import {
  answer,
  belt,
  booster,
  bySpeed,
  chills,
  column,
  conditioned,
  electric,
  elementFor,
  pastRelay,
  steering,
  vacuumSwitch,
  withoutFlow,
} from './ancillary-changes';
import { both, edit } from './change';
import { figure } from './charge-changes';
import type { Harmless, Mistake } from './mistake';

const WARMTH = 'Heating and cooling without the engine';

/** Heating, air conditioning, cooling. */
export const WARMTH_MISTAKES: readonly Mistake[] = [
  ...(
    [
      ['acOil', 'oil of the old compressor', 'aircon.oil', 'The compressor’s oil conducts'],
      ['acFan', 'a condenser without a fan', 'aircon.fan', 'Nothing moves air at the condenser'],
      ['acLicensed', 'refrigerant filled at home', 'aircon.licensed', 'Refrigerant is handled by nobody who may'],
    ] as const
  ).map(
    ([flag, did, id, says]): Mistake => ({
      kind: WARMTH,
      did,
      on: 'firn',
      plant: both(conditioned, answer('cabin', flag, false)),
      speaks: `${id}:aircon-loop`,
      says,
    }),
  ),
  {
    kind: WARMTH,
    did: 'a controller on a plate like a hand',
    on: 'larkspur',
    plant: figure('plateArea', 0.05),
    speaks: 'cooling.plate:cooling-plate',
    says: 'The controller’s plate gets too hot on a long climb',
  },
  {
    kind: WARMTH,
    did: 'a radiator that does nothing at standstill',
    on: 'firn',
    plant: figure('radiatorStill', 5),
    speaks: 'cooling.charging:cooling-charging',
    says: 'Coolant gets too warm while it charges at standstill',
  },
  {
    kind: WARMTH,
    did: 'a cabin of a bus on a heater of a car',
    on: 'firn',
    plant: figure('cabinLoss', 300),
    speaks: 'heating.warms:heating',
    says: 'The cabin stays cold',
  },
  {
    kind: WARMTH,
    did: 'a cabin full of cold iron',
    on: 'larkspur',
    plant: figure('cabinHeat', 300000),
    speaks: 'heating.warm-up:heating',
    says: 'The cabin takes too long to get warm',
  },
  {
    kind: WARMTH,
    did: 'a compressor that cools the cells more than people',
    on: 'firn',
    plant: both(conditioned, chills),
    speaks: 'aircon.cools:aircon-loop',
    says: 'The compressor is too small for the cabin',
  },
  {
    kind: WARMTH,
    did: 'a tired coolant pump on a long loop, its flow not measured',
    on: 'firn',
    plant: both(withoutFlow, figure('loopDrop', 200000), figure('radiator', 120)),
    speaks: 'cooling.inlet:cooling-loop',
    says: 'Coolant is too warm for the inverter on a long climb',
  },
  {
    kind: WARMTH,
    did: 'a heater whose air never reaches the screen',
    on: 'larkspur',
    plant: answer('cabin', 'airToScreen', false),
    speaks: 'heating.screen:heating-screen',
    says: 'Nothing clears the windscreen',
  },
  {
    kind: WARMTH,
    did: 'an element for 350 V on 130 V',
    on: 'larkspur',
    plant: elementFor(350),
    speaks: 'heating.element:heater',
    says: 'Air heater gives a fraction of what it is rated',
  },
  {
    kind: WARMTH,
    did: 'an element for 72 V on 130 V',
    on: 'larkspur',
    plant: elementFor(72),
    speaks: 'heating.element-over:heater',
    says: 'Air heater gives more than its element bears',
  },
  {
    kind: WARMTH,
    did: 'an element that heats with the blower off',
    on: 'larkspur',
    plant: answer('cabin', 'blowerLocked', false),
    speaks: 'heating.no-air:heating',
    says: 'The element can heat without air or coolant moving',
  },
  {
    kind: WARMTH,
    did: 'an element without a cut-out',
    on: 'larkspur',
    plant: answer('cabin', 'cutOut', false),
    speaks: 'heating.cut-out:heating',
    says: 'Nothing cuts an overheated element off',
  },
  {
    kind: WARMTH,
    did: 'a 12-volt relay that switches the element',
    on: 'larkspur',
    plant: answer('cabin', 'dcSwitch', false),
    speaks: 'heating.dc-switch:heating',
    says: 'The element is switched by a contact that can’t break it',
  },
  {
    kind: WARMTH,
    did: 'a heater matrix as the radiator of the drive',
    on: 'firn',
    plant: figure('radiator', 90),
    speaks: 'cooling.inlet:cooling-loop',
    says: 'Coolant is too warm for the inverter on a long climb',
  },
  {
    kind: WARMTH,
    did: 'coolant that comes to the motor first, on little flow',
    on: 'firn',
    plant: both(figure('coolantFlow', 1.5), figure('radiator', 400), answer('cooling', 'motorFirst', true)),
    speaks: 'cooling.inlet:cooling-loop',
    says: 'Coolant is too warm for the inverter on a long climb',
  },
  {
    kind: WARMTH,
    did: 'an element longer than the old box',
    on: 'larkspur',
    plant: edit({
      edit: 'setSize',
      input: { deviceId: 'heater', sizeM: { lengthM: 0.3, widthM: 0.16, heightM: 0.06 } },
    }),
    speaks: 'heating.fits:heater',
    says: 'Air heater is too large for the old box',
  },
  {
    kind: WARMTH,
    did: 'a coolant loop without a header tank',
    on: 'firn',
    plant: answer('cooling', 'header', false),
    speaks: 'cooling.bleeds:cooling-loop',
    says: 'Air stays in the coolant',
  },
  {
    kind: WARMTH,
    did: 'one pump for the drive’s loop and the heater’s',
    on: 'firn',
    plant: both(
      edit({ edit: 'dropLowLoad', input: { deviceId: 'low-heater-pump-load' } }),
      answer('cooling', 'shared', true),
    ),
    speaks: 'cooling.pumps:cooling-pumps',
    says: 'One pump has to serve two loops',
  },
  {
    kind: WARMTH,
    did: 'a controller that got 72 °C on a cool day and may get 80 °C',
    on: 'larkspur',
    plant: both(figure('loggedHot', 72), figure('loggedAir', 12), figure('actFrom', 80)),
    speaks: 'cooling.logged:cooling-logged',
    says: 'What was tested without cooling needs it',
  },
];

export const ANCILLARY_HARMLESS: readonly Harmless[] = [
  { did: 'a steering pump by speed that goes on without its signal', on: 'firn', change: bySpeed },
  { did: 'more room in the old heater box', on: 'larkspur', change: figure('heaterBoxDepth', 0.12) },
  {
    did: 'an element laid the other way',
    on: 'larkspur',
    change: edit({
      edit: 'setSize',
      input: { deviceId: 'heater', sizeM: { lengthM: 0.06, widthM: 0.25, heightM: 0.16 } },
    }),
  },
  // 7,800/min is a tenth and more below what that motor bears.
  { did: 'a shift lamp in time', on: 'larkspur', change: figure('shiftLamp', 4000) },
  {
    did: 'the controller’s display in place of a gauge',
    on: 'firn',
    change: edit({ edit: 'setGauge', input: { gauge: 'tachometer', shows: 'display' } }),
  },
  { did: 'the motor first, with a large radiator', on: 'firn', change: answer('cooling', 'motorFirst', true) },
  {
    did: 'a belt that was kept on a motor that idles, clutch kept',
    on: 'larkspur',
    change: belt,
  },
  { did: 'a lighter pedal', on: 'larkspur', change: figure('pedalForce', 200) },
  { did: 'a larger plate', on: 'larkspur', change: figure('plateArea', 1.2) },
  { did: 'a stronger fan at standstill', on: 'firn', change: figure('radiatorStill', 60) },
  {
    did: 'an old gauge in place of its stand-in',
    on: 'firn',
    change: edit({ edit: 'setGauge', input: { gauge: 'fuel', shows: 'replaced' } }),
  },
  {
    did: 'the switch of sea level at 1,900 m, of the kind that goes with the air',
    on: 'firn',
    change: both(vacuumSwitch(60000, 70000), answer('brakes', 'switchFollows', true)),
  },
  { did: 'a larger reservoir on the same pump', on: 'firn', change: figure('reservoirVolume', 6) },
  {
    did: 'an electric booster on a feed of its own, wire and fuse alone',
    on: 'firn',
    change: both(booster, pastRelay),
  },
  { did: 'a column assist that is told the speed', on: 'firn', change: column },
  {
    did: 'the original electric steering, told what it needs',
    on: 'firn',
    change: both(steering('original-electric'), electric, answer('steering', 'messages', true)),
  },
  { did: 'a tight system, measured', on: 'firn', change: figure('vacuumLeak', 1500) },
  {
    did: 'a pull-down that was measured as forecast',
    on: 'firn',
    // By hand: 7.2 l · 68.3 kPa / (80.5 kPa · 0.3 l/s) · ln(68.3 / 18.3) = 26.8 s.
    change: both(figure('pulledTo', 50000), figure('pulledTime', 26.8)),
  },
  { did: 'a steering pump with more flow, within its fuse', on: 'firn', change: figure('steeringFlow', 4.9) },
  { did: 'a relief valve a little higher', on: 'firn', change: figure('steeringRelief', 9000000) },
  { did: 'harder front tyres', on: 'larkspur', change: figure('frontTyre', 230000) },
  {
    did: 'an element for the pack’s own voltage',
    on: 'larkspur',
    change: both(elementFor(142), figure('cabinHeat', 40000)),
  },
  { did: 'warm seats besides', on: 'larkspur', change: figure('seats', 140) },
  { did: 'flow by the curves of pump and loop in place of a measured one', on: 'firn', change: withoutFlow },
  { did: 'a larger radiator', on: 'firn', change: figure('radiator', 400) },
  {
    did: 'a controller that stayed cool on a hot day, logged',
    on: 'larkspur',
    change: both(figure('loggedHot', 55), figure('loggedAir', 30), figure('actFrom', 80)),
  },
];
