import { both, drawn, edit, refit, wire } from './change';
import type { Harmless, Mistake } from './mistake';

const HIGH = 'Thin air, hot terminals, the wrong class';
const altitude = (metres: number) => edit({ edit: 'setFigure', input: { figure: 'altitude', value: metres } });

/** What the place asks: altitude, what is bolted to what, and the class that the registration gives. */
export const PLACE_MISTAKES: readonly Mistake[] = [
  {
    kind: HIGH,
    did: 'a contactor for 150 V driven at 3,000 m',
    on: 'larkspur',
    plant: altitude(3000),
    speaks: 'contactor.voltage:k-main',
    says: 'Main contactor is not made for this voltage',
  },
  {
    kind: HIGH,
    did: 'a disconnect for 150 V driven at 3,000 m',
    on: 'larkspur',
    plant: altitude(3000),
    speaks: 'disconnect.rating:s-hand',
    says: 'Hand switch is not made for this',
  },
  {
    kind: HIGH,
    did: 'a contactor that just breaks the hardest current, driven at 4,000 m',
    on: 'firn',
    plant: both(refit('k-plus', 'contactor', { breakCurrentA: 260, ratedVoltageV: 900 }), altitude(4000)),
    speaks: 'contactor.break:k-plus',
    says: 'K+ main can’t open the hardest current',
  },
  {
    kind: HIGH,
    did: 'a charger cooled by air near its rating, at 1,900 m',
    on: 'larkspur',
    plant: altitude(1900),
    speaks: 'device.power:charger',
    says: 'On-board charger is asked for more than it can',
  },
  {
    kind: HIGH,
    did: 'an inverter near its rating whose part does not say how it is cooled, at 5,000 m',
    on: 'firn',
    plant: both(refit('inverter', 'inverter', { maxBatteryCurrentA: 230, cooling: undefined }), altitude(5000)),
    speaks: 'inverter.current:inverter',
    says: 'More battery current than Inverter takes',
  },
  {
    kind: HIGH,
    did: 'a contactor whose terminals bear less than its cable',
    on: 'firn',
    plant: refit('k-plus', 'contactor', { terminalC: 60 }),
    speaks: 'cable.terminal:k-plus',
    says: 'Terminals of K+ main get hotter than they bear',
  },
  {
    kind: HIGH,
    did: 'motor cables that the motor’s current heats beyond what the inverter’s terminals bear',
    on: 'firn',
    plant: both(
      wire('phase-u', 'Motor cable U', 'inverter.u', 'motor.u', 'c-inv-plus'),
      refit('inverter', 'inverter', { terminalC: 70 }),
    ),
    speaks: 'cable.terminal:inverter',
    says: 'Terminals of Inverter get hotter than they bear',
  },
  {
    kind: HIGH,
    did: 'motor cables that heat without end at the inverter’s terminals',
    on: 'firn',
    plant: wire('phase-u', 'Motor cable U', 'inverter.u', 'motor.u', 'c-heat-plus'),
    speaks: 'cable.terminal:inverter',
    says: 'Terminals of Inverter get hotter than they bear',
  },
  {
    kind: HIGH,
    did: 'one of two cables at a contactor not chosen',
    on: 'firn',
    plant: (build) => ({
      ...build,
      circuits: {
        ...build.circuits,
        hv: {
          ...build.circuits.hv,
          conductors: {
            ...build.circuits.hv.conductors,
            'c-rear-plus': { ...build.circuits.hv.conductors['c-rear-plus']!, partId: null },
          },
        },
      },
    }),
    speaks: 'cable.terminal:k-plus',
    says: 'Terminals of K+ main',
    asks: true,
  },
  {
    kind: HIGH,
    did: 'a nine-seater called a heavy goods vehicle',
    on: 'firn',
    plant: edit({ edit: 'setCategory', input: { category: 'N3' } }),
    speaks: 'survey.category:category',
    says: 'Category and gross limit contradict each other',
  },
  {
    kind: HIGH,
    did: 'a nine-seater called a heavy goods vehicle, and its gross limit made to fit',
    on: 'firn',
    plant: edit(
      { edit: 'setCategory', input: { category: 'N3' } },
      { edit: 'setFigure', input: { figure: 'massGross', value: 15000 } },
    ),
    speaks: 'survey.category:category',
    says: 'Category and gross limit contradict each other',
  },
  {
    kind: HIGH,
    did: 'a bus whose gross limit nobody told',
    on: 'larkspur',
    plant: both(edit({ edit: 'setCategory', input: { category: 'M3' } }), (build) => ({
      ...build,
      vehicle: { ...build.vehicle, grossMassKg: null },
    })),
    speaks: 'survey.category:category',
    says: 'Vehicle category',
    asks: true,
  },
];

export const PLACE_HARMLESS: readonly Harmless[] = [
  { did: 'cooled by a loop, with contacts to spare, at 2,500 m', on: 'firn', change: altitude(2500) },
  {
    did: 'contacts that are stated for 4,000 m, at 4,000 m',
    on: 'firn',
    change: both(
      refit('k-plus', 'contactor', { toAltitudeM: 4000 }),
      refit('k-minus', 'contactor', { toAltitudeM: 4000 }),
      refit('k-pre', 'contactor', { toAltitudeM: 4000 }),
      refit('s-mid', 'disconnect', { toAltitudeM: 4000 }),
      altitude(4000),
      // The vacuum pump does not follow so high.
      edit({ edit: 'setVacuumSwitch', input: { onPa: 40000, offPa: 48000 } }),
      edit({ edit: 'setFigure', input: { figure: 'reservoirVolume', value: 12 } }),
      edit({ edit: 'setFigure', input: { figure: 'vacuumFlow', value: 40 } }),
    ),
  },
  {
    did: 'a contactor that breaks 260 A, at sea level',
    on: 'firn',
    change: both(refit('k-plus', 'contactor', { breakCurrentA: 260, ratedVoltageV: 900 }), altitude(0)),
  },
  {
    did: 'motor cables as thick as the battery’s, on terminals of bare copper',
    on: 'firn',
    change: both(drawn(['u', 'v', 'w'], 'c-inv-plus')),
  },
  {
    did: 'tinned terminals that are stated for more',
    on: 'firn',
    change: refit('f-heater', 'fuse', { terminalC: 105 }),
  },
  {
    did: 'the same vehicle as a goods vehicle up to 3.5 t',
    on: 'larkspur',
    change: edit({ edit: 'setCategory', input: { category: 'N1' } }),
  },
];
