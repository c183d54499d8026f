import { cataloguePart } from '../../parts';
import { barred, both, cable, device, drawn, edit, jointed, long, refit, wire } from './change';
import type { Mistake } from './mistake';

const BLEED = cataloguePart('resistor-68-50', 'resistor');
const UNTOLD = 'Data that nobody told';

export const MISSING_MISTAKES: readonly Mistake[] = [
  {
    kind: UNTOLD,
    did: 'the number of cells of a box not told',
    on: 'firn',
    plant: device('box-rear', { cellsInSeries: undefined }),
    speaks: 'pack.present:pack',
    says: 'Cells',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'what went with the engine not told',
    on: 'teasel',
    plant: ({ losses: _, ...build }) => build,
    speaks: 'survey.loss:brake-vacuum',
    says: 'Vacuum for the brakes',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'nobody says what watches the cells',
    on: 'larkspur',
    plant: ({ schools: { bms: _, ...schools }, ...build }) => ({ ...build, schools }),
    speaks: 'survey.school:school-bms',
    says: 'Battery electronics',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the people and luggage not told',
    on: 'larkspur',
    plant: (build) => ({ ...build, vehicle: { ...build.vehicle, payloadKg: undefined } }),
    speaks: 'survey.gross-mass:vehicle',
    says: 'Mass with a usual load',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the chassis not told',
    on: 'larkspur',
    plant: ({ chassis: _, ...build }) => build,
    speaks: 'pack.axle-load:axle-rear',
    says: 'Rear axle',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the track not told',
    on: 'firn',
    plant: (build) => ({ ...build, chassis: { ...build.chassis, trackM: undefined } }),
    speaks: 'pack.sides:sides',
    says: 'Left and right',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'how a box is held not told',
    on: 'teasel',
    plant: device('tray-front', { hold: undefined }),
    speaks: 'pack.restraint:tray-front',
    says: 'Front tray, its fixings',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'whether a lithium box is vented not told',
    on: 'larkspur',
    plant: device('box-bay', { hold: { fixings: 4, bolt: 'M8', reachCells: true } }),
    speaks: 'pack.access:box-bay',
    says: 'Bay box, access',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'what the heater draws not told',
    on: 'firn',
    plant: device('heater', { powersW: {} }),
    speaks: 'device.power:heater',
    says: 'Coolant heater, its power',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'what the charger gives not told',
    on: 'teasel',
    plant: device('charger', { powersW: undefined }),
    speaks: 'device.power:charger',
    says: 'Charger, its power',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the motor side of the inverter not told',
    on: 'larkspur',
    plant: refit('inverter', 'inverter', { maxMotorCurrentA: undefined }),
    speaks: 'drive.motor-current:motor',
    says: 'Motor amperes',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'a load of the 12-volt side without any figure',
    on: 'firn',
    plant: device('low-wipers-load', { load: undefined }),
    speaks: 'lv.load-told:low-wipers-load',
    says: 'Wipers',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the wipers never on',
    on: 'firn',
    plant: (build) => {
      const { load } = build.circuits.lv.devices['low-wipers-load']!;
      return device('low-wipers-load', { load: { ...load!, use: {} } })(build);
    },
    speaks: 'lv.load-told:low-wipers-load',
    says: 'Wipers',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the dipped beams left out of the schedule',
    on: 'firn',
    plant: edit({ edit: 'dropLowLoad', input: { deviceId: 'low-dipped-halogen-load' } }),
    speaks: 'lv.night-lamps:night-lamps',
    says: 'Lights needed at night',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'the brake lamps off on a night in rain',
    on: 'larkspur',
    plant: (build) => {
      const { load } = build.circuits.lv.devices['low-brake-lamps-load']!;
      return device('low-brake-lamps-load', { load: { ...load!, use: { day: 0.2 } } })(build);
    },
    speaks: 'lv.load-told:low-brake-lamps-load',
    says: 'Brake lamps',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'what the relay of the dipped beam carries not told',
    on: 'firn',
    plant: device('low-dipped-halogen-relay', { ratedA: undefined }),
    speaks: 'lv.contact:low-dipped-halogen-relay',
    says: 'Dipped beam, halogen relay, contact',
    asks: true,
  },
  {
    kind: 'Loads ticked as not essential',
    did: 'the steering pump',
    on: 'firn',
    plant: (build) => {
      const { load } = build.circuits.lv.devices['low-steering-pump-load']!;
      return device('low-steering-pump-load', { load: { ...load!, essential: false } })(build);
    },
    speaks: 'lv.essential:low-steering-pump-load',
    says: 'Electro-hydraulic steering is counted as not essential',
  },
  {
    kind: 'Loads ticked as not essential',
    did: 'the tail lamps',
    on: 'teasel',
    plant: (build) => {
      const { load } = build.circuits.lv.devices['low-tail-load']!;
      return device('low-tail-load', { load: { ...load!, essential: false } })(build);
    },
    speaks: 'lv.essential:low-tail-load',
    says: 'Tail and plate lamps is counted as not essential',
  },
  {
    kind: 'Devices above what they can',
    did: 'a 5 kW heater that is said to draw 8 kW',
    on: 'firn',
    plant: device('heater', { powersW: { heating: 8000, cruise: 5000 } }),
    speaks: 'device.power:heater',
    says: 'Coolant heater is asked for more than it can',
  },
  {
    kind: 'Devices above what they can',
    did: 'a heating wire wound for 150 V',
    on: 'firn',
    plant: refit('heater', 'bus-device', { resistanceAtV: 150 }),
    speaks: 'fuse.continuous:f-heater',
    says: 'Heater fuse carries more than it lasts',
  },
  {
    kind: 'Devices above what they can',
    did: 'a 1.5 kW charger set to 3 kW',
    on: 'larkspur',
    plant: (build) =>
      device('charger', { powersW: { ...build.circuits.hv.devices.charger!.powersW, charging: 3000 } })(build),
    speaks: 'device.power:charger',
    says: 'On-board charger is asked for more than it can',
  },
  {
    kind: 'Devices above what they can',
    did: 'a shunt for a hundred amperes',
    on: 'firn',
    plant: refit('shunt', 'sensor', { ratedCurrentA: 100 }),
    speaks: 'sensor.rating:shunt',
    says: 'Shunt is too small for its current',
  },
  {
    kind: 'Devices above what they can',
    did: 'a bleed resistor with one end in the air',
    on: 'larkspur',
    plant: edit({
      edit: 'addDevice',
      input: {
        device: { id: 'bleed', kind: 'discharge-resistor', name: 'Bleed', partId: BLEED.id, place: null },
        part: BLEED,
      },
    }),
    speaks: 'discharge.resistor:bleed',
    says: 'Bleed is wired to nothing',
  },
];

export const SAFEGUARD_MISTAKES: readonly Mistake[] = [
  {
    kind: 'What an inspector asks',
    did: 'nobody has looked at the covers',
    on: 'firn',
    plant: (build) => ({ ...build, safeguards: { ...build.safeguards, barriers: undefined } }),
    speaks: 'safeguard.seen:safeguard-barriers',
    says: 'Covers and barriers',
    asks: true,
  },
  {
    kind: 'What an inspector asks',
    did: 'a case that is not bonded',
    on: 'larkspur',
    plant: edit({ edit: 'setSafeguard', input: { safeguard: 'bonding', seen: false } }),
    speaks: 'safeguard.seen:safeguard-bonding',
    says: 'Cases bonded to the body: not so',
  },
  {
    kind: 'What an inspector asks',
    did: 'it drives off with the plug in',
    on: 'teasel',
    plant: edit({ edit: 'setSafeguard', input: { safeguard: 'drive-lock', seen: false } }),
    speaks: 'safeguard.seen:safeguard-drive-lock',
    says: 'Plugged in it can’t drive off: not so',
  },
];

export const CELL_MISTAKES: readonly Mistake[] = [
  {
    kind: 'Cells',
    did: 'cells of a ninth of the capacity, as they come in scooters',
    on: 'firn',
    plant: both(refit('box-front', 'cell', { capacityAh: 20 }), refit('box-rear', 'cell', { capacityAh: 20 })),
    speaks: 'pack.discharge-current:box-front',
    says: 'The cells of Front box give more than they bear',
  },
  {
    kind: 'Cells',
    did: 'a sheet that allows one ampere-hour rate where two and a half are drawn',
    on: 'larkspur',
    plant: both(
      refit('box', 'cell', { maxDischargeA: 60, peakDischargeA: 90 }),
      refit('box-bay', 'cell', { maxDischargeA: 60, peakDischargeA: 90 }),
    ),
    speaks: 'pack.discharge-current:box',
    says: 'The cells of Boot box give more than they bear',
  },
  {
    kind: 'Cells',
    did: 'frozen cells that regenerate, with shunts that stop nothing',
    on: 'larkspur',
    plant: (build) => ({
      ...build,
      schools: { ...build.schools, bms: 'shunts' },
      packLimits: { ...build.packLimits, coldestCellC: -8 },
      duty: { ...build.duty, coldestDayC: -10 },
    }),
    speaks: 'pack.charge-current:box',
    says: 'The cells of Boot box are charged while too cold',
  },
  {
    kind: 'Cells',
    did: 'a charger far above what small cells take',
    on: 'teasel',
    plant: both(refit('tray-front', 'cell', { maxChargeA: 10 }), refit('tray-rear', 'cell', { maxChargeA: 10 })),
    speaks: 'pack.charge-current:tray-front',
    says: 'The cells of Front tray are charged harder than they bear',
  },
  {
    kind: 'Cells',
    did: 'two chemistries in one row',
    on: 'larkspur',
    plant: refit('box-bay', 'cell', { chemistry: 'lto', nominalV: 2.3, fullV: 2.7, emptyV: 1.8 }),
    speaks: 'pack.alike:box',
    says: 'Boxes in a row are not alike',
  },
  {
    kind: 'Cells',
    did: 'two side by side in one box and one in the next',
    on: 'firn',
    plant: device('box-front', { cellsInParallel: 2 }),
    speaks: 'pack.alike:box-rear',
    says: 'Boxes in a row are not alike',
  },
  {
    kind: 'Cells',
    did: 'one tray the wrong way round',
    on: 'teasel',
    plant: (build) => {
      const { conductors } = build.circuits.hv;
      const swap: Readonly<Record<string, string>> = { plus: 'minus', minus: 'plus' };
      const turned = Object.fromEntries(
        Object.entries(conductors).map(([id, one]) => {
          const end = (at: (typeof one)['a']) =>
            at.deviceId === 'tray-rear' ? { ...at, terminal: swap[at.terminal] ?? at.terminal } : at;
          return [id, { ...one, a: end(one.a), b: end(one.b) }];
        }),
      );
      return { ...build, circuits: { ...build.circuits, hv: { ...build.circuits.hv, conductors: turned } } };
    },
    speaks: 'pack.direction:tray-rear',
    says: 'Rear tray is the wrong way round',
  },
  {
    kind: 'Joints and phases',
    did: 'a crimp of five milliohms in the main cable',
    on: 'firn',
    plant: jointed('c-mid', 0.005),
    speaks: 'cable.joint:c-mid',
    says: 'A joint of Pack rear to front heats more than its cable can shed',
  },
  {
    kind: 'Joints and phases',
    did: 'three milliohms at the crimps of the converter’s earth: little of twelve volts, and twelve watts each',
    on: 'firn',
    plant: jointed('low-w5', 0.003),
    speaks: 'lv.joint:low-w5',
    says: 'A joint of Converter to earth heats more than it can shed',
  },
  {
    kind: 'Joints and phases',
    did: 'eight milliohms at the battery’s own crimps, which carry little until the converter dies',
    on: 'firn',
    plant: jointed('low-w1', 0.008),
    speaks: 'lv.joint:low-w1',
    says: 'A joint of Battery to its fuse heats more than it can shed',
  },
  {
    kind: 'Joints and phases',
    did: 'two milliohms measured where the contactor is bolted to the bus',
    on: 'teasel',
    plant: both(barred('c-bus', 'bolted'), long('c-bus', 0.02), jointed('c-bus', 0.002)),
    speaks: 'cable.joint:c-bus',
    says: 'Line contactor to bus plus heats more than its bolted faces can shed',
  },
  {
    kind: 'Joints and phases',
    did: 'the contactor bolted to a bus that only thin cables leave',
    on: 'teasel',
    plant: both(barred('c-bus', 'bolted'), long('c-bus', 0.02), cable('cable-plain-6', 'c-ctl-plus')),
    speaks: 'contactor.carry:k-main',
    says: 'Line contactor exceeds its thermal rating',
  },
  {
    kind: 'Joints and phases',
    did: 'crimps of ten milliohms at both ends of a motor cable',
    on: 'firn',
    plant: both(drawn(['u', 'v', 'w'], 'c-inv-plus'), jointed('phase-v', 0.01)),
    speaks: 'cable.joint:phase-v',
    says: 'A joint of Motor cable V heats more than its cable can shed',
  },
  {
    kind: 'Joints and phases',
    did: 'motor cables of 4 mm²',
    on: 'firn',
    plant: both(drawn(['u', 'v', 'w'], 'c-heat-plus')),
    speaks: 'cable.phase:phase-u',
    says: 'Motor cable U has no steady temperature with the motor’s current',
  },
  {
    kind: 'Joints and phases',
    did: 'a motor cable of 4 mm² with two joints on the way',
    on: 'firn',
    plant: both(
      ...['joint', 'joint-2'].map((id) =>
        edit({
          edit: 'addDevice',
          input: { device: { id, kind: 'junction', name: 'Joint', partId: null, place: null } },
        }),
      ),
      wire('phase-u', 'Motor cable U', 'inverter.u', 'joint.n', 'c-inv-plus'),
      wire('phase-u-2', 'Motor cable U, on', 'joint.n', 'joint-2.n', 'c-heat-plus'),
      wire('phase-u-3', 'Motor cable U, last', 'joint-2.n', 'motor.u', 'c-inv-plus'),
    ),
    speaks: 'cable.phase:phase-u-2',
    says: 'Motor cable U, on has no steady temperature with the motor’s current',
  },
  {
    kind: 'Joints and phases',
    did: 'motor cables to a motor that is not chosen',
    on: 'larkspur',
    plant: both(wire('phase-u', 'Motor cable U', 'inverter.u', 'motor.u', 'c-plus'), device('motor', { partId: null })),
    speaks: 'cable.phase:phase-u',
    says: 'Motor cable U with the motor’s current',
    asks: true,
  },
];
