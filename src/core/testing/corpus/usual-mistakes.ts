import { cable, device, edit, fit, refit, sheet } from './change';
import type { Mistake } from './mistake';

const VOLTS = 'Voltages that don’t fit';
const AMPS = 'Currents that are too much';
const PLUGS = 'Plugs, places and the 12-volt side';

/** What happens in every second build. */
export const USUAL_MISTAKES: readonly Mistake[] = [
  {
    kind: VOLTS,
    did: 'a heater of the 144 V class on the 350 V pack',
    on: 'firn',
    plant: fit('heater', 'heater-144-2000', 'bus-device'),
    speaks: 'device.voltage-max:heater',
    says: 'Full charge would destroy Coolant heater',
  },
  {
    kind: VOLTS,
    did: 'an inverter that stops at 350 V',
    on: 'firn',
    plant: refit('inverter', 'inverter', { window: { workingMinV: 350, workingMaxV: 430, absoluteMaxV: 450 } }),
    speaks: 'device.voltage-min:inverter',
    says: 'Inverter loses its working voltage',
  },
  {
    kind: VOLTS,
    did: 'a service disconnect for 250 V',
    on: 'firn',
    plant: refit('s-mid', 'disconnect', { ratedVoltageV: 250 }),
    speaks: 'disconnect.rating:s-mid',
    says: 'Service disconnect is not made for this',
  },
  {
    kind: VOLTS,
    did: 'a precharge resistor for 100 V',
    on: 'firn',
    plant: refit('r-pre', 'resistor', { ratedVoltageV: 100 }),
    speaks: 'precharge.voltage:r-pre',
    says: 'Precharge resistor is not made for this voltage',
  },
  {
    kind: VOLTS,
    did: 'a 60 V cable in the main way',
    on: 'firn',
    plant: sheet('c-minus', { ratedVoltageV: 60 }),
    speaks: 'cable.voltage:c-minus',
    says: 'Shunt to bus minus insulation is too weak',
  },
  {
    kind: AMPS,
    did: 'a pack that is asked for 400 kW',
    on: 'firn',
    plant: edit({ edit: 'setFigure', input: { figure: 'hardPower', value: 400000 } }),
    speaks: 'pack.delivers:pack',
    says: 'Pack can’t give the power asked',
  },
  {
    kind: AMPS,
    did: 'cells of a third more resistance',
    on: 'larkspur',
    plant: refit('box', 'cell', { resistanceOhm: 0.00075 }),
    speaks: 'pack.sag:box',
    says: 'Boot box sags too deep under load',
  },
  {
    kind: AMPS,
    did: 'an inverter whose sheet allows 100 A from the battery',
    on: 'firn',
    plant: refit('inverter', 'inverter', { maxBatteryCurrentA: 100 }),
    speaks: 'inverter.current:inverter',
    says: 'More battery current than Inverter takes',
  },
  {
    kind: AMPS,
    did: 'a main contactor for 60 A',
    on: 'firn',
    plant: refit('k-plus', 'contactor', { carry: [{ areaMm2: 16, currentA: 60 }] }),
    speaks: 'contactor.carry:k-plus',
    says: 'K+ main exceeds its thermal rating',
  },
  {
    kind: AMPS,
    did: 'a main cable of 6 mm²',
    on: 'larkspur',
    plant: cable('cable-plain-6', 'c-plus'),
    speaks: 'cable.temperature:c-plus',
    says: 'Main fuse to main contactor gets too hot',
  },
  {
    kind: AMPS,
    did: 'a main fuse of 500 A where 300 are wanted',
    on: 'larkspur',
    plant: refit('f-main', 'fuse', { ratedCurrentA: 500 }),
    speaks: 'fuse.melting-time:f-main',
    says: 'Main fuse melts too late at minimum fault current',
  },
  {
    kind: AMPS,
    did: 'a plug for 60 A in the main way',
    on: 'firn',
    plant: edit({ edit: 'setConnector', input: { conductorId: 'c-mid', connectorA: 60 } }),
    speaks: 'cable.connector:c-mid',
    says: 'The plug on Pack rear to front carries too much',
  },
  {
    kind: PLUGS,
    did: 'a plug for half an ampere before the wipers',
    on: 'firn',
    plant: edit({ edit: 'setConnector', input: { conductorId: 'low-wipers-w3', connectorA: 0.5 } }),
    speaks: 'lv.connector:low-wipers-w3',
    says: 'The plug on Wipers feed carries too much',
  },
  {
    kind: PLUGS,
    did: 'a tyre code that is none',
    on: 'firn',
    plant: (build) => ({ ...build, vehicle: { ...build.vehicle, tyre: 'as before' } }),
    speaks: 'survey.tyre:vehicle',
    says: 'No such tyre',
  },
  {
    kind: PLUGS,
    did: 'the empty mass typed half a ton too low',
    on: 'firn',
    plant: (build) => ({ ...build, vehicle: { ...build.vehicle, massEmptyKg: 1400 } }),
    speaks: 'survey.mass-sum:vehicle',
    says: 'The mass does not add up',
  },
  {
    kind: PLUGS,
    did: 'a converter of 60 W for the whole car',
    on: 'firn',
    plant: device('charger', { converter: { outputV: 14.2, ratedPowerW: 60, efficiency: 0.9, hotShare: 0.9 } }),
    speaks: 'lv.converter-size:charger',
    says: 'Charger and converter is too small for the 12-volt side',
  },
  {
    kind: PLUGS,
    did: 'a converter set to 12.0 V',
    on: 'firn',
    plant: device('charger', { converter: { outputV: 12, ratedPowerW: 2000, efficiency: 0.9, hotShare: 0.9 } }),
    speaks: 'lv.converter-voltage:charger',
    says: 'Charger and converter is set wrong for the battery',
  },
  {
    kind: PLUGS,
    did: 'an auxiliary battery of 4 Ah',
    on: 'firn',
    plant: (build) => {
      const { battery } = build.circuits.lv.devices['coil-battery']!;
      return device('coil-battery', { battery: { ...battery!, capacityAh: 4, resistanceOhm: 0.05 } })(build);
    },
    speaks: 'lv.hold-up:coil-battery',
    says: 'The converter’s end leaves too little time',
  },
];
