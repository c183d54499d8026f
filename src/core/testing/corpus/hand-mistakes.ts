import { both, type Change, device, edit, fit, refit, wire } from './change';
import type { Mistake } from './mistake';

const UNTOLD = 'Data that nobody told';

/** A second motor beside the first, of the same part. */
const secondMotor: Change = (build) => {
  const { hv } = build.circuits;
  const first = hv.devices.motor!;
  const second = { ...first, id: 'motor-2', name: 'Rear motor' };
  return { ...build, circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, 'motor-2': second } } } };
};

/** Both motors on the phases of the one inverter. */
const onOneInverter: Change = both(
  secondMotor,
  wire('phase-1', 'Motor U', 'inverter.u', 'motor.u', 'c-plus'),
  wire('phase-2', 'Rear motor U', 'inverter.u', 'motor-2.u', 'c-plus'),
);

/** A second motor on a second inverter at the same bus. */
const secondInverter: Change = both(
  secondMotor,
  (build) => {
    const { hv } = build.circuits;
    const second = { ...hv.devices.inverter!, id: 'inverter-2', name: 'Rear inverter' };
    return {
      ...build,
      circuits: { ...build.circuits, hv: { ...hv, devices: { ...hv.devices, 'inverter-2': second } } },
    };
  },
  wire('rear-plus', 'Rear plus', 'inverter.plus', 'inverter-2.plus', 'c-plus'),
  wire('rear-minus', 'Rear minus', 'inverter.minus', 'inverter-2.minus', 'c-plus'),
  wire('phase-1', 'Motor U', 'inverter.u', 'motor.u', 'c-plus'),
  wire('phase-2', 'Rear motor U', 'inverter-2.u', 'motor-2.u', 'c-plus'),
);

/** Parts of one’s own, what one has, and a motor too many. */
export const HAND_MISTAKES: readonly Mistake[] = [
  {
    kind: UNTOLD,
    did: 'a second motor, of which nothing is reckoned',
    on: 'larkspur',
    plant: secondMotor,
    speaks: 'drive.several:motor-2',
    says: 'Rear motor is not reckoned with',
    asks: true,
  },
  {
    kind: 'Parts that were found',
    did: 'parts that alone cost more than the price that was agreed',
    on: 'larkspur',
    plant: edit({ edit: 'setFigure', input: { figure: 'agreedPrice', value: 3000 } }),
    speaks: 'survey.agreed:agreed',
    says: 'The parts alone cost more than the price that was agreed',
  },
  {
    kind: 'Parts that were found',
    did: 'an old fault whose cause is found and not mended',
    on: 'teasel',
    plant: edit({
      edit: 'setOldFault',
      input: { fault: { id: 'o1', what: 'Left lamp is dim', cause: 'green strands at its earth', mended: false } },
    }),
    speaks: 'survey.old-fault:o1',
    says: 'Left lamp is dim: found, not mended',
  },
  {
    kind: UNTOLD,
    did: 'an old fault whose cause nobody found',
    on: 'teasel',
    plant: edit({
      edit: 'setOldFault',
      input: { fault: { id: 'o1', what: 'Left lamp is dim', cause: '', mended: false } },
    }),
    speaks: 'survey.old-fault:o1',
    says: 'Left lamp is dim',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'a tractor of which nobody looked whether its lids are locked against whoever drives it',
    on: 'teasel',
    plant: edit({ edit: 'setSafeguard', input: { safeguard: 'lids-locked', seen: null } }),
    speaks: 'safeguard.seen:safeguard-lids-locked',
    says: 'Lids locked against the operator',
    asks: true,
  },
  {
    kind: 'Several motors',
    did: 'two motors with magnets on one inverter',
    on: 'firn',
    plant: onOneInverter,
    speaks: 'drive.several:motor-2',
    says: 'Rear motor can’t work with the others',
  },
  {
    kind: 'Several motors',
    did: 'two induction motors on one inverter, one of them geared to turn faster',
    on: 'larkspur',
    plant: both(onOneInverter, device('motor-2', { gearing: 1.4 })),
    speaks: 'drive.several:motor',
    says: 'Motor can’t work with the others',
  },
  {
    kind: 'Several motors',
    did: 'a series motor and an induction motor on one inverter',
    on: 'larkspur',
    plant: both(onOneInverter, fit('motor-2', 'motor-series-16', 'motor')),
    speaks: 'drive.several:motor-2',
    says: 'Rear motor can’t work with the others',
  },
  {
    kind: UNTOLD,
    did: 'a series motor on an inverter of its own beside a motor that brakes',
    on: 'larkspur',
    plant: both(secondInverter, fit('motor-2', 'motor-series-16', 'motor')),
    speaks: 'drive.several:motor-2',
    says: 'Rear motor is not reckoned with',
    asks: true,
  },
  {
    kind: 'Several motors',
    did: 'two motors on one inverter whose amperes are enough for one',
    on: 'larkspur',
    plant: both(onOneInverter, refit('inverter', 'inverter', { maxMotorCurrentA: 400 })),
    speaks: 'drive.motor-current:motor-2',
    says: 'Rear motor wants more amperes than the inverter gives',
  },
  {
    kind: UNTOLD,
    did: 'a share of the torque told of one motor and not of the other',
    on: 'larkspur',
    plant: both(onOneInverter, device('motor', { torqueShare: 0.6 })),
    speaks: 'drive.several:motor-2',
    says: 'Rear motor is not reckoned with',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'an inverter whose highest voltage nobody knows',
    on: 'larkspur',
    plant: refit('inverter', 'inverter', { origins: { 'window.absoluteMaxV': 'unknown' } }),
    speaks: 'part.unknown:inverter',
    says: 'Inverter: figures that nobody knows',
    asks: true,
  },
  {
    kind: UNTOLD,
    did: 'a budget, and a part without a price',
    on: 'larkspur',
    plant: edit(
      { edit: 'setFigure', input: { figure: 'budget', value: 2000 } },
      { edit: 'listInHand', input: { items: [{ id: 'h1', name: 'Motor', made: false, state: 'here', count: 1 }] } },
    ),
    speaks: 'survey.budget:costs',
    says: 'Costs of the parts',
    asks: true,
  },
  {
    kind: 'Parts that were found',
    did: 'parts that cost more than the budget',
    on: 'larkspur',
    plant: edit(
      { edit: 'setFigure', input: { figure: 'budget', value: 2000 } },
      {
        edit: 'listInHand',
        input: { items: [{ id: 'h1', name: 'Motor', made: false, state: 'here', count: 2, price: 1500 }] },
      },
    ),
    speaks: 'survey.budget:costs',
    says: 'The parts cost more than the budget',
  },
  {
    kind: 'Parts that were found',
    did: 'a motor with corroded connectors, fitted all the same',
    on: 'larkspur',
    plant: edit({
      edit: 'listInHand',
      input: {
        items: [{ id: 'h1', name: 'Yard motor', made: false, state: 'fitted', count: 1, found: { connectors: 'bad' } }],
      },
    }),
    speaks: 'survey.in-hand:in-hand-h1',
    says: 'Yard motor was found bad and is fitted all the same',
  },
  {
    kind: UNTOLD,
    did: 'a second motor whose back-voltage nobody knows',
    on: 'firn',
    plant: both(secondMotor, refit('motor-2', 'motor', { backVoltagePerKrpmV: undefined })),
    speaks: 'drive.back-voltage:motor-2',
    says: 'Rear motor turned fast',
    asks: true,
  },
];
