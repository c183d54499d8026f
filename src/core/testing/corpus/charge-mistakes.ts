import { both, edit, refit } from './change';
import { care, choose, curve, driven, figure, readSince, school, screenHeat, taps, tested } from './charge-changes';
import type { Harmless, Mistake } from './mistake';

const CHARGE = 'Supply, charger, end of charge';

/** Supply, charger and the end of a charge. */
export const CHARGE_MISTAKES: readonly Mistake[] = [
  {
    kind: CHARGE,
    did: 'cells charged to 3.9 V for their life, and a range that counts on all of them',
    on: 'firn',
    plant: figure('chargeCellV', 3.9),
    speaks: 'charging.fills:charging',
    says: 'The charge ends before the pack is as full as the range counts on',
  },
  {
    kind: CHARGE,
    did: 'a timer of four hours for a charge of nine',
    on: 'larkspur',
    plant: figure('chargerTimer', 14400),
    speaks: 'charging.timer:charging-time',
    says: 'The charger’s own timer ends the charge too early',
  },
  {
    kind: CHARGE,
    did: 'an ampere-hour limit of three packs',
    on: 'larkspur',
    plant: figure('chargerCharge', 540),
    speaks: 'charging.timer:charging-charge',
    says: 'The charger’s own ampere-hour limit ends a runaway charge too late',
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
  {
    kind: CHARGE,
    did: 'cells at −5 °C that nothing warms',
    on: 'firn',
    plant: figure('coldestCell', -5),
    speaks: 'charging.cold:charge-cold',
    says: 'Cold cells are not charged',
  },
  {
    kind: CHARGE,
    did: 'a heater for the cabin counted on to warm cells',
    on: 'larkspur',
    plant: both(
      figure('coldestCell', -5),
      edit({ edit: 'setDevicePower', input: { deviceId: 'heater', state: 'charging', powerW: 600 } }),
    ),
    speaks: 'charging.cold:charge-cold',
    says: 'Cold cells are not charged',
  },
  {
    kind: CHARGE,
    did: 'a pad of 30 W against 10 K',
    on: 'larkspur',
    plant: both(
      figure('coldestCell', -8),
      edit(
        { edit: 'setDevicePower', input: { deviceId: 'heater', state: 'charging', powerW: 30 } },
        { edit: 'setWarmsCells', input: { deviceId: 'heater', is: true } },
      ),
    ),
    speaks: 'charging.cold:charge-cold',
    says: 'Cold cells are not charged',
  },
  {
    kind: CHARGE,
    did: 'a charger that hunted at 135 V of the pack',
    on: 'larkspur',
    plant: both(figure('chargerTrial', 135), choose({ trialSteady: false })),
    speaks: 'charging.low-end:charger',
    says: 'On-board charger may not begin with an empty pack',
  },
];

export const CHARGE_HARMLESS: readonly Harmless[] = [
  {
    did: 'a charge of iron phosphate cells that ends at a larger current: their voltage is at its end by then',
    on: 'larkspur',
    change: figure('cutoffCurrent', 10),
  },
  {
    did: 'cells charged to 3.9 V for their life, and a range that counts on that',
    on: 'firn',
    change: both(figure('chargeCellV', 3.9), figure('socFull', 0.75), figure('balanceFrom', 3.85)),
  },
  {
    did: 'a pack that was tested at 94 %',
    on: 'larkspur',
    change: edit({ edit: 'addHealth', input: { record: tested(170) } }),
  },
  {
    did: 'a timer and an ampere-hour limit a quarter beyond the usual charge',
    on: 'larkspur',
    change: both(figure('chargerTimer', 42500), figure('chargerCharge', 125)),
  },
  {
    did: 'charging from 6 °C, with a pad of 400 W that runs while it charges',
    on: 'firn',
    change: both(
      figure('cellChargeFrom', 6),
      // Its only heater becomes the pad: the screen is cleared by a heated one.
      screenHeat,
      edit(
        { edit: 'setWarmsCells', input: { deviceId: 'heater', is: true } },
        { edit: 'setDevicePower', input: { deviceId: 'heater', state: 'charging', powerW: 400 } },
      ),
    ),
  },
  {
    did: 'a charger that was steady at a low pack',
    on: 'larkspur',
    change: both(figure('chargerTrial', 100), choose({ trialSteady: true })),
  },
  {
    did: 'regulators that hold the charger down, instead of electronics',
    on: 'larkspur',
    change: both(school('shunts'), care('throttlesCharger', true)),
  },
  { did: 'taps read a few millivolts apart', on: 'firn', change: taps((readings) => readings.with(3, 3.908)) },
  {
    did: 'a drive of cells that differ a little',
    on: 'larkspur',
    change: driven({ 5: { resistanceOhm: 0.0008 }, 9: { lowestV: 2.9 } }),
  },
  {
    did: 'a drive of which one cell was not read',
    on: 'larkspur',
    change: driven({ 7: { lowestV: null, restV: null, resistanceOhm: null } }),
  },
  {
    did: 'a curve that lets less into the cells',
    on: 'firn',
    change: curve('chargeByC', [
      [0, 0],
      [15, 100],
      [40, 100],
      [44, 0],
    ]),
  },
  { did: 'wider openings of the box', on: 'teasel', change: figure('ventArea', 60000) },
  { did: 'a charger that goes lower by 5 mV a kelvin', on: 'teasel', change: figure('chargePerKelvin', 0.005) },
  { did: 'four cells read by meter after a good log', on: 'larkspur', change: both(driven({}), readSince(4)) },
  { did: 'cells that lose a little less', on: 'firn', change: figure('leakSpread', 0.004) },
  { did: 'another school of electronics', on: 'firn', change: school('distributed') },
  { did: 'electronics with twenty inputs to spare', on: 'larkspur', change: figure('cellInputs', 60) },
  { did: 'cells charged a little lower', on: 'larkspur', change: figure('chargeCellV', 3.47) },
  {
    did: 'stops a little further inside',
    on: 'larkspur',
    change: both(figure('cellOver', 3.62), figure('cellUnder', 2.55)),
  },
  { did: 'charging from 4 °C only', on: 'firn', change: figure('cellChargeFrom', 4) },
  { did: 'charging up to 40 °C only', on: 'firn', change: figure('cellChargeTo', 40) },
  {
    did: 'charging up to 55 °C with cells whose sheet bears that',
    on: 'firn',
    change: both(
      refit('box-front', 'cell', { chargeToC: 55 }),
      refit('box-rear', 'cell', { chargeToC: 55 }),
      figure('cellChargeTo', 55),
    ),
  },
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
