import { both, type Change, edit, refit } from './change';
import { care, choose, curve, figure, ownWay } from './charge-changes';
import type { Harmless, Mistake } from './mistake';

const CELLS = 'Cells that nobody watches, limits that don’t fit';
const CHARGE = 'Supply, charger, end of charge';

/** Charging closes contactors that only the garage charger needs; the converter’s wire goes behind the main contactor. */
const unfed = both(ownWay, choose({ apart: 'own-contactors', excluded: true }));
const smallBattery: Change = (build) => {
  const battery = Object.values(build.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')!;
  return edit({
    edit: 'setAuxiliaryBattery',
    input: { deviceId: battery.id, battery: { ...battery.battery!, capacityAh: 4 } },
  })(build);
};

/** Limits of the electronics against the other devices, its wires and its origin; what goes on while it charges. */
export const REST_MISTAKES: readonly Mistake[] = [
  {
    kind: CELLS,
    did: 'an inverter that survives 375 V on 90 cells that are stopped at 4.22 V each',
    on: 'firn',
    plant: refit('inverter', 'inverter', { window: { workingMinV: 220, workingMaxV: 374, absoluteMaxV: 375 } }),
    speaks: 'bms.devices-bear-stop:inverter',
    says: 'Inverter is destroyed before a cell stops the charge',
  },
  {
    kind: CELLS,
    did: 'driving that goes on to 2.5 V a cell, where the combined unit has dropped out',
    on: 'firn',
    plant: figure('cellUnder', 2.5),
    speaks: 'bms.converter-outlasts:charger',
    says: 'Charger and converter drops out before the electronics stops the drive',
  },
  {
    kind: CELLS,
    did: 'electronics that lets ten times the fuse through',
    on: 'larkspur',
    plant: curve('dischargeByC', [
      [-20, 0],
      [0, 2500],
      [50, 2500],
      [60, 0],
    ]),
    speaks: 'bms.fuse-outlasts:f-main',
    says: 'Main fuse melts before the electronics limits the current',
  },
  {
    kind: CELLS,
    did: 'two metres of hair-thin sense wire, read while it bleeds',
    on: 'larkspur',
    plant: both(figure('senseWire', 2), figure('senseSize', 0.14)),
    speaks: 'bms.sense-drop:bms-sense',
    says: 'A cell that is bled reads too low',
  },
  {
    kind: CELLS,
    did: 'electronics kept from a vehicle with 96 cells on 90',
    on: 'firn',
    plant: both(care('kept', true), figure('keptCells', 96), figure('keptCapacity', 90)),
    speaks: 'bms.kept-cells:bms-kept',
    says: 'Electronics from another vehicle looks for other cells',
  },
  {
    kind: CELLS,
    did: 'electronics kept from a vehicle with half the capacity',
    on: 'larkspur',
    plant: both(care('kept', true), figure('keptCells', 40), figure('keptCapacity', 90)),
    speaks: 'bms.kept-capacity:bms-kept',
    says: 'Electronics from another vehicle counts with another capacity',
  },
  {
    kind: CHARGE,
    did: 'charge contactors of their own that leave the converter dark, and a battery of 4 Ah',
    on: 'larkspur',
    plant: both(unfed, smallBattery),
    speaks: 'charging.auxiliary:charging-auxiliary',
    says: 'The auxiliary battery runs flat while it charges',
  },
  {
    kind: CELLS,
    did: 'electronics that stops driving at 45 °C, up the hill on a day of 40 °C',
    on: 'firn',
    plant: both(figure('cellDischargeTo', 45), figure('hottestDay', 40)),
    speaks: 'bms.hot-climb:bms-climb',
    says: 'Cells get too hot on a long climb',
  },
  {
    kind: CHARGE,
    did: 'electronics that stops charging at 30 °C, in a place where it is 38 °C',
    on: 'larkspur',
    plant: both(figure('cellChargeTo', 30), figure('hottestDay', 38)),
    speaks: 'charging.hot:charge-hot',
    says: 'Cells get too hot for the charge',
  },
  {
    kind: CHARGE,
    did: 'nothing that shows whether a charge has ended',
    on: 'teasel',
    plant: choose({ seenEnd: 'nothing' }),
    speaks: 'charging.seen:charging',
    says: 'Nothing shows that the charge has ended or stopped',
  },
];

export const REST_HARMLESS: readonly Harmless[] = [
  {
    did: 'the same thin sense wires, with electronics that pauses bleeding to read',
    on: 'larkspur',
    change: both(figure('senseWire', 2), figure('senseSize', 0.14), care('pausesBleeding', true)),
  },
  {
    did: 'electronics kept from a vehicle with as many cells of the same capacity',
    on: 'larkspur',
    change: both(care('kept', true), figure('keptCells', 40), figure('keptCapacity', 180)),
  },
  {
    did: 'one lamp that is lit while it charges',
    on: 'larkspur',
    change: choose({ seenEnd: 'lamp' }),
  },
  {
    did: 'the converter dark while it charges, with a small charger for the auxiliary battery on the plug',
    searched: true,
    on: 'larkspur',
    change: both(unfed, figure('trickle', 8)),
  },
];
