import { assess } from '../../assess';
import type { Build, OwnTest, StepResult } from '../../build';
import { sheetDigest } from '../../stations/commission';
import { both, type Change, edit } from './change';
import type { Harmless, Mistake } from './mistake';

const WORK = 'Tests at the car';

/** Another outcome of one test; what is not named stays as it was. */
const read =
  (id: string, more: Partial<StepResult>): Change =>
  (build: Build) => {
    const known = build.commission!.results![id]!;
    return edit({ edit: 'putInCommission', input: { list: 'results', entries: [{ ...known, ...more }] } })(build);
  };
/** Never entered. */
const forgot = (id: string): Change => edit({ edit: 'dropFromCommission', input: { list: 'results', id } });
const entered = (entry: StepResult): Change =>
  edit({ edit: 'putInCommission', input: { list: 'results', entries: [entry] } });
const skipped =
  (id: string, why: string): Change =>
  (build: Build) => {
    const { name, sheet, date } = build.commission!.results![id]!;
    return entered({ id, name, sheet, date, skipped: why })(build);
  };
/** Signed as the sheet stands. */
const signed =
  (sheet: 'insulation' | 'spin', date = '2026-11-01'): Change =>
  (build: Build) => {
    const { results, context } = assess(build);
    const { lines } = results.commission.sheets.find(({ id }) => id === sheet)!;
    const digest = sheetDigest(context.vehicle.build, lines);
    return edit({
      edit: 'putInCommission',
      input: { list: 'signs', entries: [{ id: `sign-${sheet}`, sheet, by: 'R. Ambler', date, digest }] },
    })(build);
  };
const ownTest: OwnTest = {
  id: 'own-hum',
  sheet: 'spin',
  name: 'Hum of the coupler',
  where: 'ear',
  switches: 'in gear',
  dimension: null,
  low: null,
  high: null,
};

export const COMMISSION_MISTAKES: readonly Mistake[] = [
  {
    kind: WORK,
    did: 'the motor leaks to the body, and it was written down as read',
    on: 'larkspur',
    plant: read('insulation.motor', { value: 20e3 }),
    speaks: 'commission.reading:test-insulation.motor',
    says: 'Insulation of Motor is not as it should be',
  },
  {
    kind: WORK,
    did: 'two voltages and a resistor that make 7.6 kΩ, under the name of a tested insulation',
    on: 'larkspur',
    plant: read('insulation-all', { meter: { packV: 130, largerV: 120, withR0V: 82, r0Ohm: 15e3 } }),
    speaks: 'commission.reading:test-insulation-all',
    says: 'Insulation of everything together is not as it should be',
  },
  {
    kind: WORK,
    did: 'a box measured the wrong way round: its poles are swapped',
    on: 'larkspur',
    plant: read('box.box', { value: -104 }),
    speaks: 'commission.reading:test-box.box',
    says: 'Voltage of Boot box is not as it should be',
  },
  {
    kind: WORK,
    did: 'an emergency stop that leaves 11 V on a coil',
    on: 'firn',
    plant: entered({
      id: 'stop.coil-stop',
      name: 'Emergency stop',
      sheet: 'low-voltage',
      value: 11.4,
      dimension: 'voltage',
      date: '2026-04-26',
    }),
    speaks: 'commission.reading:test-stop.coil-stop',
    says: 'Emergency stop lets the contactors go is not as it should be',
  },
  {
    kind: WORK,
    did: 'stands that are not so, and wheels that turn all the same',
    on: 'larkspur',
    plant: read('stands', { ok: false }),
    speaks: 'commission.reading:test-stands',
    says: 'Driven wheels free, car on rated stands, chocked is not as it should be',
  },
  {
    kind: WORK,
    did: 'a reading out of its band, with a reason to skip beside it',
    on: 'larkspur',
    plant: read('bond.inverter', { value: 4.2, skipped: 'good enough' }),
    speaks: 'commission.reading:test-bond.inverter',
    says: 'Bond of Inverter is not as it should be',
  },
  {
    kind: WORK,
    did: 'nine tenths of a volt lost between converter and battery',
    on: 'larkspur',
    plant: read('converter-drop.converter', { value: 0.9 }),
    speaks: 'commission.hot-reading:test-converter-drop.converter',
    says: 'Converter to Auxiliary battery: drop, out and back is not as it should be',
  },
  {
    kind: WORK,
    did: 'a coil that reads a tenth of its ohms',
    on: 'firn',
    plant: read('coil.k-plus', { value: 1.8 }),
    speaks: 'commission.part-reading:test-coil.k-plus',
    says: 'Coil of K+ main is not as it should be',
  },
  {
    kind: WORK,
    did: 'insulation of the whole never read',
    on: 'larkspur',
    plant: forgot('insulation-all'),
    speaks: 'commission.sheet:sheet-insulation',
    says: 'Sheet Pack and insulation',
    asks: true,
  },
  {
    kind: WORK,
    did: 'insulation of the whole skipped for a reason: it is not tested all the same',
    on: 'larkspur',
    plant: skipped('insulation-all', 'no tester at hand'),
    speaks: 'commission.sheet:sheet-insulation',
    says: 'Sheet Pack and insulation',
    asks: true,
  },
  {
    kind: WORK,
    did: 'another inverter fitted after the tests, the same in every figure',
    on: 'larkspur',
    plant: (build) => {
      const part = build.parts[build.circuits.hv.devices.inverter!.partId!]!;
      return edit({
        edit: 'fitPart',
        input: { deviceId: 'inverter', part: { ...part, id: 'another', name: 'Another one' } },
      })(build);
    },
    speaks: 'commission.sheet:sheet-insulation',
    says: 'Sheet Pack and insulation',
    asks: true,
  },
  {
    kind: WORK,
    did: 'ohms written where seconds are read',
    on: 'larkspur',
    plant: read('reach.r-pre', { value: 0.4, dimension: 'resistance' }),
    speaks: 'commission.sheet:sheet-precharge',
    says: 'Sheet Precharge and discharge',
    asks: true,
  },
  {
    kind: WORK,
    did: 'wheels spun before the insulation was read',
    on: 'firn',
    plant: entered({ id: 'smooth.motor', name: 'Motor runs smooth', sheet: 'spin', ok: true, date: '2026-05-01' }),
    speaks: 'commission.order:commission',
    says: 'Tested before what has to come first',
  },
  {
    kind: WORK,
    did: 'a sheet signed before it was tested, by a clock that was set back',
    on: 'larkspur',
    plant: signed('insulation', '2025-01-01'),
    speaks: 'commission.dates:commission',
    says: 'Days of the tests contradict one another',
  },
  {
    kind: WORK,
    did: 'the closing level changed after the sheet was signed',
    on: 'larkspur',
    plant: edit({ edit: 'setFigure', input: { figure: 'closeAt', value: 0.9 } }),
    speaks: 'commission.signature:sheet-precharge',
    says: 'Signature of Precharge and discharge',
    asks: true,
  },
  {
    kind: WORK,
    did: 'a reading written down after the signature',
    on: 'larkspur',
    plant: read('bond.motor', { value: 0.05 }),
    speaks: 'commission.signature:sheet-before-hv',
    says: 'Signature of Before HV',
    asks: true,
  },
  {
    kind: WORK,
    did: 'signed with a test that is open',
    on: 'larkspur',
    plant: both(forgot('smooth.motor'), signed('spin')),
    speaks: 'commission.signature:sheet-spin',
    says: 'Spin: signed with tests that are open or out',
  },
];

export const COMMISSION_HARMLESS: readonly Harmless[] = [
  {
    did: 'a test of one’s own, not yet begun, on the sheet that is open',
    on: 'firn',
    change: edit({
      edit: 'putInCommission',
      input: { list: 'ownTests', entries: [{ ...ownTest, sheet: 'low-voltage' }] },
    }),
  },
  {
    did: 'one more test on the sheet that is open, and it reads right',
    on: 'firn',
    change: entered({
      id: 'own-horn',
      name: 'Horn at the gate',
      sheet: 'low-voltage',
      ok: true,
      date: '2026-04-26',
    }),
  },
  {
    did: 'a test read once more within its band, and the sheet signed anew',
    on: 'larkspur',
    change: both(read('insulation.motor', { value: 31e6, date: '2026-10-01' }), signed('insulation')),
  },
  {
    did: 'an insulation by voltmeter that is as good as the tester’s',
    on: 'larkspur',
    change: both(
      read('insulation-all', { meter: { packV: 130, largerV: 66, withR0V: 6, r0Ohm: 100e3 } }),
      signed('insulation'),
    ),
  },
  {
    did: 'the result of a thing that was taken out again stays in the record',
    on: 'firn',
    change: entered({
      id: 'insulation.old-heater',
      name: 'Insulation of the first heater',
      sheet: 'insulation',
      value: 12e6,
      date: '2026-04-20',
    }),
  },
];
