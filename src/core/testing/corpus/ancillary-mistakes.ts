import type { Ancillary, AncillaryFlag, Build, SchoolOf } from '../../build';
import { cataloguePart } from '../../parts';
import { both, type Change, cable, edit, long, reEnd, refit } from './change';
import { figure } from './charge-changes';
import type { Harmless, Mistake } from './mistake';

const BRAKES = 'Brakes and steering without the engine';
const WARMTH = 'Heating and cooling without the engine';

const answer = (system: Ancillary, flag: AncillaryFlag, is: boolean) =>
  edit({ edit: 'answerAncillary', input: { system, flag, is } });
const vacuumSwitch = (onPa: number, offPa: number) => edit({ edit: 'setVacuumSwitch', input: { onPa, offPa } });
const steering = (choice: SchoolOf<'steering'>) => edit({ edit: 'setSchool', input: { steering: choice } });
const brakes = (choice: SchoolOf<'brakes'>) => edit({ edit: 'setSchool', input: { brakes: choice } });
/** Figures of a system without one that is left out. */
const without =
  (system: Ancillary, field: string): Change =>
  (build: Build) => {
    const { [field]: _, ...others } = build[system] as Record<string, unknown>;
    return { ...build, [system]: others } as Build;
  };
const load =
  (id: string, more: Partial<NonNullable<Build['circuits']['lv']['devices'][string]['load']>>): Change =>
  (build) =>
    edit({
      edit: 'setLowLoad',
      input: { deviceId: id, load: { ...build.circuits.lv.devices[id]!.load!, ...more } },
    })(build);
/** An electric booster among the loads, joined like the others of its kind. */
const booster: Change = both(
  brakes('electric-booster'),
  load('low-vacuum-pump-load', { job: 'brake-booster', essential: true }),
  figure('masterBore', 0.0254),
  figure('masterStroke', 0.036),
  figure('brakeFluid', 0.012),
);
/** What fed the relay of this load feeds the load. */
const pastRelay: Change = (build) => {
  const relay = 'low-vacuum-pump-relay';
  const wires = Object.values(build.circuits.lv.conductors);
  const at = (terminal: string) =>
    wires.find(({ a, b }) => [a, b].some((end) => end.deviceId === relay && end.terminal === terminal))!;
  const [before, after] = [at('a'), at('b')];
  const other = before.a.deviceId === relay ? before.b : before.a;
  const side = after.a.deviceId === relay ? 'a' : 'b';
  return reEnd(after.id, side, `${other.deviceId}.${other.terminal}`)(build);
};
/** A pass to be driven down. */
const pass = both(figure('hillGrade', 0.12), figure('hillSpeed', 12));
/** A compressor on the bus, its three questions answered. */
const conditioned: Change = both(
  edit({
    edit: 'addBranch',
    input: {
      seed: 'ac',
      device: { kind: 'compressor', name: 'Compressor', partId: 'compressor-400-2500' },
      part: cataloguePart('compressor-400-2500', 'bus-device'),
      fuse: cataloguePart('fuse-traction-500-32', 'fuse'),
      cable: cataloguePart('cable-plain-4', 'cable'),
      lengthM: 1,
    },
  }),
  answer('cabin', 'acOil', true),
  answer('cabin', 'acFan', true),
  answer('cabin', 'acLicensed', true),
);
const noBattery: Change = (build) => {
  const battery = Object.values(build.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')!;
  return edit({ edit: 'removeDevice', input: { deviceId: battery.id } })(build);
};
/** A plain element for another voltage. */
const elementFor = (resistanceAtV: number): Change => refit('heater', 'bus-device', { resistanceAtV });
const electric = load('low-steering-pump-load', { job: 'column-assist' });
const column = both(
  steering('column'),
  electric,
  figure('columnTorque', 35),
  answer('steering', 'speedTold', true),
  answer('steering', 'safeDefault', true),
);

export const ANCILLARY_MISTAKES: readonly Mistake[] = [
  {
    kind: BRAKES,
    did: 'the usual vacuum switch of sea level at 1,900 m',
    on: 'firn',
    plant: vacuumSwitch(50000, 70000),
    speaks: 'brakes.cut-out:brakes-switch',
    says: 'The vacuum pump never stops at this altitude',
  },
  {
    kind: BRAKES,
    did: 'a vacuum system whose booster nobody measured',
    on: 'firn',
    plant: without('brakes', 'boosterL'),
    speaks: 'brakes.cut-out:brakes-switch',
    says: 'Vacuum pump and its switch',
    asks: true,
  },
  {
    kind: BRAKES,
    did: 'set points of the vacuum switch the wrong way round',
    on: 'firn',
    plant: both(figure('vacuumOn', 62000), figure('vacuumOff', 48000)),
    speaks: 'brakes.switch-order:brakes-switch',
    says: 'The vacuum switch turns off below where it turns on',
  },
  {
    kind: BRAKES,
    did: 'a pump for a model on a booster of a truck',
    on: 'firn',
    plant: figure('vacuumFlow', 3),
    speaks: 'brakes.pull-down:brakes-pump',
    says: 'It takes too long until the brakes are assisted',
  },
  {
    kind: BRAKES,
    did: 'a tired pump on a mountain road',
    on: 'firn',
    plant: figure('vacuumFlow', 1.5),
    speaks: 'brakes.descent:brakes-pump',
    says: 'Brake assist runs out on a descent',
  },
  {
    kind: BRAKES,
    did: 'a pump that may run a hundredth of the time',
    on: 'firn',
    plant: figure('vacuumDuty', 0.01),
    speaks: 'brakes.pump-duty:brakes-pump',
    says: 'The vacuum pump runs more than it may',
  },
  {
    kind: BRAKES,
    did: 'no reservoir worth the name',
    on: 'firn',
    plant: figure('reservoirVolume', 0.2),
    speaks: 'brakes.reserve:brakes-reserve',
    says: 'Too few assisted stops are left when the pump dies',
  },
  {
    kind: BRAKES,
    did: 'a warning lamp on the pump’s own switch',
    on: 'firn',
    plant: answer('brakes', 'warnApart', false),
    speaks: 'brakes.warning:brakes-warning',
    says: 'Nothing warns of low brake vacuum in time',
  },
  {
    kind: BRAKES,
    did: 'a warning lamp that comes when assist is gone',
    on: 'firn',
    plant: figure('vacuumWarn', 20000),
    speaks: 'brakes.warning:brakes-warning',
    says: 'Nothing warns of low brake vacuum in time',
  },
  {
    kind: BRAKES,
    did: 'a reservoir without a check valve',
    on: 'firn',
    plant: answer('brakes', 'checkValve', false),
    speaks: 'brakes.check-valve:brakes-valve',
    says: 'Nothing keeps the vacuum when the pump stops',
  },
  {
    kind: BRAKES,
    did: 'a hose that loses half a bar in five minutes',
    on: 'firn',
    plant: figure('vacuumLeak', 50000),
    speaks: 'brakes.leak:brakes-leak',
    says: 'The vacuum leaks away',
  },
  {
    kind: BRAKES,
    did: 'a pull-down that takes three times what the sheet says',
    on: 'firn',
    plant: both(figure('pulledTo', 50000), figure('pulledTime', 85)),
    speaks: 'brakes.as-measured:brakes-pump',
    says: 'The vacuum pump is not what its sheet says',
  },
  {
    kind: BRAKES,
    did: 'a vacuum pump that is dropped with the converter',
    on: 'firn',
    plant: load('low-vacuum-pump-load', { essential: false }),
    speaks: 'brakes.pump-essential:low-vacuum-pump-load',
    says: 'Vacuum pump is dropped when the converter dies',
  },
  {
    kind: BRAKES,
    did: 'a vacuum pump bolted to the bulkhead',
    on: 'firn',
    plant: answer('brakes', 'pumpRubber', false),
    speaks: 'brakes.pump-noise:brakes-pump',
    says: 'The vacuum pump will be heard in the car',
  },
  {
    kind: BRAKES,
    did: 'an electric booster and no auxiliary battery',
    on: 'firn',
    plant: both(booster, noBattery),
    speaks: 'brakes.booster-reserve:brakes-booster',
    says: 'Brake assist dies with the converter',
  },
  {
    kind: BRAKES,
    did: 'an electric booster behind a relay of the key',
    on: 'firn',
    plant: booster,
    speaks: 'brakes.booster-feed:low-vacuum-pump-load',
    says: 'Vacuum pump is dead with the key off',
  },
  {
    kind: BRAKES,
    did: 'a master cylinder of a small car on large calipers',
    on: 'firn',
    plant: both(booster, figure('masterBore', 0.019), figure('masterStroke', 0.03)),
    speaks: 'brakes.booster-volume:brakes-booster',
    says: 'The pedal reaches the floor before the brakes are full',
  },
  {
    kind: BRAKES,
    did: 'a steering pump with pressure and too little flow',
    on: 'firn',
    plant: figure('steeringFlow', 2.5),
    speaks: 'steering.flow:steering-rack',
    says: 'Assist vanishes in fast steering',
  },
  {
    kind: BRAKES,
    did: 'a steering pump with flow to spare at the end of six metres of thin wire',
    on: 'firn',
    plant: both(cable('cable-thin-2-5', 'low-steering-pump-w4'), long('low-steering-pump-w4', 6)),
    speaks: 'steering.flow:steering-rack',
    says: 'Assist vanishes in fast steering',
  },
  {
    kind: BRAKES,
    did: 'a relief valve above what the rack bears',
    on: 'firn',
    plant: figure('steeringRelief', 13000000),
    speaks: 'steering.pressure:steering-relief',
    says: 'The relief valve does not suit the rack',
  },
  {
    kind: BRAKES,
    did: 'a steering pump that draws twice what is scheduled',
    on: 'firn',
    plant: both(figure('steeringFlow', 9)),
    speaks: 'steering.peak:low-steering-pump-load',
    says: 'Electro-hydraulic steering draws more than the 12-volt side reckons with',
  },
  {
    kind: BRAKES,
    did: 'a quick rack with a small wheel and soft tyres, without assist',
    on: 'larkspur',
    plant: both(figure('steeringRatio', 4), figure('steeringRim', 0.13), figure('frontTyre', 90000)),
    speaks: 'steering.rim-force:steering-rim',
    says: 'Too heavy to steer without assist',
  },
  {
    kind: BRAKES,
    did: 'a column assist out of a scooter',
    on: 'firn',
    plant: both(column, figure('columnTorque', 6)),
    speaks: 'steering.column-torque:steering-column',
    says: 'Column assist is too weak for parking',
  },
  {
    kind: BRAKES,
    did: 'a column assist that stays light when the speed signal is lost',
    on: 'firn',
    plant: both(column, answer('steering', 'safeDefault', false)),
    speaks: 'steering.speed-signal:steering-column',
    says: 'Column assist stays light at speed',
  },
  {
    kind: BRAKES,
    did: 'the original electric steering without its messages',
    on: 'firn',
    plant: both(steering('original-electric'), answer('steering', 'messages', false)),
    speaks: 'steering.messages:steering-original',
    says: 'The original electric steering misses its messages',
  },
  {
    kind: BRAKES,
    did: 'hydraulic steering and no auxiliary battery',
    on: 'firn',
    plant: noBattery,
    speaks: 'steering.reserve:steering',
    says: 'Steering assist dies with the converter',
  },
  {
    kind: BRAKES,
    did: 'a pedal that takes 300 N with assist and a booster of five',
    on: 'firn',
    plant: both(figure('pedalForce', 300), figure('boostRatio', 5)),
    speaks: 'brakes.pedal-force:brakes-pedal',
    says: 'The pedal is too heavy without assist',
  },
  {
    kind: BRAKES,
    did: 'unassisted brakes that take 450 N for a firm stop',
    on: 'larkspur',
    plant: figure('pedalForce', 450),
    speaks: 'brakes.pedal-force:brakes-pedal',
    says: 'The pedal is too heavy as they are',
  },
  {
    kind: BRAKES,
    did: 'discs of a scooter down a pass',
    on: 'larkspur',
    plant: both(pass, figure('brakeIron', 4)),
    speaks: 'brakes.heat:brakes-heat',
    says: 'The brakes fade on a long descent',
  },
  {
    kind: BRAKES,
    did: 'a controller that nobody tells of the brake pedal',
    on: 'firn',
    plant: answer('brakes', 'pedalTold', false),
    speaks: 'brakes.pedal-switches:brakes-pedal',
    says: 'The controller does not know of the brake pedal',
  },
  {
    kind: BRAKES,
    did: 'a belt that was kept on a motor that stands with the car',
    on: 'larkspur',
    plant: both(edit({ edit: 'setSchool', input: { ancillaries: 'belt' } }), answer('steering', 'idles', false)),
    speaks: 'steering.belt-idles:steering-belt',
    says: 'The belt stands when the car stands, and so does the assist',
  },
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
    kind: BRAKES,
    did: 'an oil gauge that shows nothing',
    on: 'firn',
    plant: edit({ edit: 'setGauge', input: { gauge: 'oil', shows: 'blank' } }),
    speaks: 'gauges.old:gauges',
    says: 'An old gauge shows nothing',
  },
  {
    kind: BRAKES,
    did: 'no lamp for the insulation',
    on: 'firn',
    plant: answer('gauges', 'insulationLamp', false),
    speaks: 'gauges.warnings:gauges-lamps',
    says: 'The driver is not warned',
  },
  {
    kind: BRAKES,
    did: 'a recharge lamp that goes out where it lights',
    on: 'larkspur',
    plant: figure('rechargeOff', 2.9),
    speaks: 'gauges.recharge:gauges-recharge',
    says: 'The recharge lamp cries wolf',
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
  {
    did: 'a belt that was kept on a motor that idles, clutch kept',
    on: 'larkspur',
    change: both(edit({ edit: 'setSchool', input: { ancillaries: 'belt' } }), answer('steering', 'idles', true)),
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
  { did: 'an element for the pack’s own voltage', on: 'larkspur', change: elementFor(142) },
  { did: 'warm seats besides', on: 'larkspur', change: figure('seats', 140) },
  { did: 'a larger radiator', on: 'firn', change: figure('radiator', 400) },
  {
    did: 'a controller that stayed cool on a hot day, logged',
    on: 'larkspur',
    change: both(figure('loggedHot', 55), figure('loggedAir', 30), figure('actFrom', 80)),
  },
];
