import type { CellCareFlag, SettableName } from '../../build';
import { both, type Change, edit, refit } from './change';
import type { Harmless, Mistake } from './mistake';

const CELLS = 'Cells that nobody watches, limits that don’t fit';
const CHARGE = 'Supply, charger, end of charge';
const figure = (name: SettableName, value: number | null) =>
  edit({ edit: 'setFigure', input: { figure: name, value } });
const care = (flag: CellCareFlag, is: boolean) => edit({ edit: 'setCellCare', input: { flag, is } });
const taps =
  (made: (readings: readonly number[]) => readonly number[]): Change =>
  (build) =>
    edit({ edit: 'setTaps', input: { readingsV: made(build.bms!.tapsV!) } })(build);
const school = (bms: 'none' | 'shunts' | 'distributed' | 'central') => edit({ edit: 'setSchool', input: { bms } });

/** What is set in electronics and charger, and what they hang on. */
export const CHARGE_MISTAKES: readonly Mistake[] = [
  {
    kind: CELLS,
    did: 'a lithium pack without electronics',
    on: 'larkspur',
    plant: school('none'),
    speaks: 'bms.watched:pack',
    says: 'Nothing watches the lithium cells',
  },
  {
    kind: CELLS,
    did: 'a full cell that does not stop the charger',
    on: 'firn',
    plant: care('stopsCharger', false),
    speaks: 'bms.stops-charger:bms',
    says: 'A full cell does not stop the charger',
  },
  {
    kind: CELLS,
    did: 'a stop that is no part of the coils’ loop',
    on: 'firn',
    plant: care('opensCoils', false),
    speaks: 'bms.opens-contactors:bms',
    says: 'A stop of the battery management does not open the contactors',
  },
  {
    kind: CELLS,
    did: 'sense wires without fuses',
    on: 'larkspur',
    plant: care('senseFused', false),
    speaks: 'bms.sense-fused:bms',
    says: 'Sense wires are not fused at the cells',
  },
  {
    kind: CELLS,
    did: 'electronics for 36 cells on 40',
    on: 'larkspur',
    plant: figure('cellInputs', 36),
    speaks: 'bms.channels:bms',
    says: 'Battery management has too few inputs',
  },
  {
    kind: CELLS,
    did: 'electronics that stops charging LFP at 4.2 V, left from other cells',
    on: 'larkspur',
    plant: figure('cellOver', 4.2),
    speaks: 'bms.over-voltage:bms',
    says: 'Charging stops above what a cell bears',
  },
  {
    kind: CELLS,
    did: 'driving that stops at 2.3 V a cell',
    on: 'larkspur',
    plant: figure('cellUnder', 2.3),
    speaks: 'bms.under-voltage:bms',
    says: 'Driving stops below what a cell bears',
  },
  {
    kind: CELLS,
    did: 'a release above its own stop',
    on: 'firn',
    plant: figure('cellOverRelease', 4.23),
    speaks: 'bms.limits-agree:bms',
    says: 'Limits of the battery management contradict each other',
  },
  {
    kind: CELLS,
    did: 'charging let in at −10 °C',
    on: 'firn',
    plant: figure('cellChargeFrom', -10),
    speaks: 'bms.cold-charge:bms',
    says: 'Charging is let in below what the cells bear',
  },
  {
    kind: CELLS,
    did: 'the coldest charge taken out of the settings',
    on: 'firn',
    plant: figure('cellChargeFrom', null),
    speaks: 'bms.cold-charge:bms',
    says: 'Coldest that is charged',
    asks: true,
  },
  {
    kind: CELLS,
    did: 'cells stopped at the voltage that they are charged to',
    on: 'larkspur',
    plant: figure('cellOver', 3.48),
    speaks: 'bms.charge-end:bms',
    says: 'The first full cell stops each charge',
  },
  {
    kind: CELLS,
    did: 'balancing that begins above the charge voltage',
    on: 'larkspur',
    plant: figure('balanceFrom', 3.6),
    speaks: 'bms.balance-start:bms',
    says: 'Balancing never begins',
  },
  {
    kind: CELLS,
    did: 'LFP balanced from 3.3 V, where the curve is flat',
    on: 'larkspur',
    plant: figure('balanceFrom', 3.3),
    speaks: 'bms.balance-start:bms',
    says: 'Balancing begins where the curve is flat',
  },
  {
    kind: CELLS,
    did: 'regulators of half an ampere and a charger that ends at 9 A and obeys nobody',
    on: 'larkspur',
    plant: both(school('shunts'), care('stopsCharger', false)),
    speaks: 'bms.taper:bms',
    says: 'The charger gives more than the shunts take',
  },
  {
    kind: CELLS,
    did: 'electronics that stops the car at 3.1 V a cell',
    on: 'firn',
    plant: figure('cellUnder', 3.1),
    speaks: 'bms.stops-driving:bms',
    says: 'Battery management stops the car under load',
  },
  {
    kind: CELLS,
    did: 'two neighbouring sense wires swapped',
    on: 'larkspur',
    plant: taps((readings) => readings.with(10, 6.6).with(11, -3.3).with(12, 6.6)),
    speaks: 'bms.taps:bms',
    says: 'The sense plug must not go in',
  },
  {
    kind: CELLS,
    did: 'the sense plug not read',
    on: 'firn',
    plant: taps(() => []),
    speaks: 'bms.taps:bms',
    says: 'Taps of the sense plug',
    asks: true,
  },
  {
    kind: CELLS,
    did: 'one cell 0.1 V below the others at rest',
    on: 'firn',
    plant: taps((readings) => readings.with(40, 3.8)),
    speaks: 'bms.spread:bms',
    says: 'Cells stand apart at rest',
  },
  {
    kind: CHARGE,
    did: 'a wall unit’s charge plugged into a household socket',
    on: 'firn',
    plant: edit({ edit: 'setSupply', input: { outlet: 'socket' } }),
    speaks: 'charging.supply:charge-socket',
    says: 'Household socket is loaded beyond what it carries for hours',
  },
  {
    kind: CHARGE,
    did: 'a charging cable for 6 A',
    on: 'larkspur',
    plant: figure('cordCurrent', 6),
    speaks: 'charging.supply:charge-cord',
    says: 'Charging cable is loaded beyond what it carries for hours',
  },
  {
    kind: CHARGE,
    did: 'a socket on a 6 A breaker',
    on: 'teasel',
    plant: figure('supplyBreaker', 6),
    speaks: 'charging.supply:charge-circuit',
    says: 'Circuit, for hours is loaded beyond what it carries for hours',
  },
  {
    kind: CHARGE,
    did: 'a charger without isolation',
    on: 'larkspur',
    plant: edit({ edit: 'setCharging', input: { isolated: false } }),
    speaks: 'charging.isolated:charging',
    says: 'The charger does not isolate the pack from the mains',
  },
  {
    kind: CHARGE,
    did: 'a charger set to 3.7 V for LFP cells',
    on: 'larkspur',
    plant: figure('chargeCellV', 3.7),
    speaks: 'charging.cell-voltage:charging',
    says: 'The charger is set above what the cells bear',
  },
  {
    kind: CHARGE,
    did: 'a charger that gives no more than 135 V to a pack that is charged to 140 V',
    on: 'larkspur',
    plant: refit('charger', 'bus-device', { window: { workingMinV: 80, workingMaxV: 135, absoluteMaxV: 180 } }),
    speaks: 'charging.reaches:charger',
    says: 'On-board charger can’t reach the pack’s charge voltage',
  },
  {
    kind: CHARGE,
    did: 'an end of charge that the charger judges by its own output while a heater runs beside it',
    on: 'larkspur',
    plant: both(
      edit({ edit: 'setCharging', input: { cutoffAt: 'charger' } }),
      figure('cutoffCurrent', 2),
      edit({ edit: 'setDevicePower', input: { deviceId: 'heater', state: 'charging', powerW: 600 } }),
    ),
    speaks: 'charging.ends:charging',
    says: 'The charge never ends by itself',
  },
  {
    kind: CHARGE,
    did: 'a night of five hours',
    on: 'firn',
    plant: figure('nightTime', 18000),
    speaks: 'charging.night:charging',
    says: 'The pack is not full in the time there is',
  },
  {
    kind: CHARGE,
    did: 'a charger of half its printed power: a measured charge took twice as long',
    on: 'larkspur',
    plant: both(
      figure('measuredFrom', 0.5),
      figure('measuredTo', 0.8),
      figure('measuredChargeTime', 35000),
      figure('measuredCharge', 27e6),
    ),
    speaks: 'charging.measured:charging',
    says: 'A measured charge contradicts what is assumed',
  },
];

export const CHARGE_HARMLESS: readonly Harmless[] = [
  {
    did: 'regulators that hold the charger down, instead of electronics',
    on: 'larkspur',
    change: both(school('shunts'), care('throttlesCharger', true)),
  },
  { did: 'taps read a few millivolts apart', on: 'firn', change: taps((readings) => readings.with(3, 3.908)) },
  { did: 'another school of electronics', on: 'firn', change: school('distributed') },
  { did: 'electronics with twenty inputs to spare', on: 'larkspur', change: figure('cellInputs', 60) },
  { did: 'cells charged a little lower', on: 'larkspur', change: figure('chargeCellV', 3.47) },
  {
    did: 'stops a little further inside',
    on: 'larkspur',
    change: both(figure('cellOver', 3.62), figure('cellUnder', 2.55)),
  },
  { did: 'charging from 4 °C only', on: 'firn', change: figure('cellChargeFrom', 4) },
  { did: 'a thicker charging cable', on: 'larkspur', change: figure('cordCurrent', 16) },
  { did: 'a longer night', on: 'firn', change: figure('nightTime', 43200) },
  {
    did: 'a measured charge that agrees, from lower than it usually begins',
    on: 'larkspur',
    // 35 % of 180 Ah at 132.6 V is 8.35 kWh, at 1.4 kW into the pack 5.97 h.
    change: both(
      figure('measuredFrom', 0.3),
      figure('measuredTo', 0.65),
      figure('measuredChargeTime', 21500),
      figure('measuredCharge', 32.6e6),
    ),
  },
  {
    did: 'a measured charge that agrees',
    on: 'larkspur',
    change: both(
      figure('measuredFrom', 0.5),
      figure('measuredTo', 0.8),
      figure('measuredChargeTime', 18600),
      figure('measuredCharge', 28e6),
    ),
  },
  {
    did: 'a charger that judges its end by its output, with nothing else running',
    on: 'larkspur',
    change: edit({ edit: 'setCharging', input: { cutoffAt: 'charger' } }),
  },
];
