import { LOAD_PRESETS, lowLoadOf } from '../../parts';
import { ANCILLARY_HARMLESS } from './ancillary-mistakes';
import { BYPASS_HARMLESS } from './bypass-mistakes';
import {
  barred,
  bodyPoint,
  both,
  cable,
  device,
  drawn,
  edit,
  fit,
  flip,
  jointed,
  long,
  reEnd,
  refit,
  section,
  sheet,
  turn,
  wire,
} from './change';
import { CHARGE_HARMLESS } from './charge-mistakes';
import { COMMISSION_HARMLESS } from './commission-mistakes';
import { HARNESS_HARMLESS } from './harness-mistakes';
import { INTERLOCK_HARMLESS } from './interlock-harmless';
import { LOGBOOK_HARMLESS } from './logbook-mistakes';
import type { Harmless } from './mistake';
import { PHASE_HARMLESS } from './phase-mistakes';
import { PLACE_HARMLESS } from './place-mistakes';
import { PLAN_HARMLESS } from './plan-mistakes';
import { PLUG_HARMLESS } from './plug-mistakes';
import { READING_HARMLESS } from './reading-mistakes';
import { REST_HARMLESS } from './rest-mistakes';
import { SCHOOL_HARMLESS } from './school-mistakes';
import { WHEEL_HARMLESS } from './wheel-mistakes';

export const HARMLESS: readonly Harmless[] = [
  ...PLACE_HARMLESS,
  ...PHASE_HARMLESS,
  ...BYPASS_HARMLESS,
  ...CHARGE_HARMLESS,
  ...PLUG_HARMLESS,
  ...REST_HARMLESS,
  ...READING_HARMLESS,
  ...WHEEL_HARMLESS,
  ...SCHOOL_HARMLESS,
  ...ANCILLARY_HARMLESS,
  ...INTERLOCK_HARMLESS,
  ...HARNESS_HARMLESS,
  ...PLAN_HARMLESS,
  ...COMMISSION_HARMLESS,
  ...LOGBOOK_HARMLESS,
  {
    did: 'the inertia switch taken out where the stop is pulled by hand and none is asked for',
    on: 'larkspur',
    change: edit({ edit: 'takeOutDevice', input: { deviceId: 'coil-inertia' } }),
  },
  { did: 'the precharge relay, which has no direction, the other way round', on: 'firn', change: turn('k-pre') },
  { did: 'the precharge resistor the other way round', on: 'larkspur', change: turn('r-pre') },
  { did: 'the shunt the other way round', on: 'firn', change: turn('shunt') },
  { did: 'the mid fuse the other way round', on: 'firn', change: turn('f-mid') },
  { did: 'the disconnect the other way round', on: 'teasel', change: turn('s-hand') },
  {
    did: 'a contactor without direction the other way round',
    on: 'firn',
    change: both(fit('k-plus', 'contactor-750-350', 'contactor'), turn('k-plus')),
  },
  {
    did: 'a contactor without direction the other way round',
    on: 'teasel',
    change: both(refit('k-main', 'contactor', { polarised: false }), turn('k-main')),
  },
  { did: 'a cable written down from its other end', on: 'firn', change: flip('c-minus') },
  { did: 'a main cable written down from its other end', on: 'larkspur', change: flip('c-plus') },
  {
    did: 'precharge in the minus pole',
    on: 'firn',
    change: both(reEnd('c-pre-tap', 'a', 'k-minus.a'), reEnd('c-pre-bus', 'b', 'k-minus.b')),
  },
  {
    did: 'precharge resistor before its relay',
    on: 'larkspur',
    change: both(
      reEnd('c-pre-tap', 'b', 'r-pre.a'),
      reEnd('c-pre-mid', 'a', 'r-pre.b'),
      reEnd('c-pre-mid', 'b', 'k-pre.a'),
      reEnd('c-pre-bus', 'a', 'k-pre.b'),
    ),
  },
  {
    did: 'contactors called by each other’s names',
    on: 'firn',
    change: edit(
      { edit: 'renameDevice', input: { deviceId: 'k-plus', name: 'Middle' } },
      { edit: 'renameDevice', input: { deviceId: 'k-minus', name: 'K+ main' } },
    ),
  },
  {
    did: 'bodies bonded to each other, no pole on them',
    on: 'firn',
    change: both(
      bodyPoint('body', 'Body, bay'),
      bodyPoint('body-2', 'Body, boot'),

      wire('x', 'Bond', 'body.n', 'body-2.n', 'c-minus'),
    ),
  },
  {
    did: 'the disconnect out of its box, which need tell of no hand then',
    on: 'firn',
    change: both(
      (build) => {
        const { reachDisconnect: _, ...hold } = build.circuits.hv.devices['box-rear']!.hold!;
        return device('box-rear', { hold })(build);
      },
      device('s-mid', { insideId: undefined }),
    ),
  },
  {
    did: 'tinned strands: a tenth more resistance',
    on: 'larkspur',
    change: sheet('c-heater-plus', { resistance20OhmPerM: 0.0049 }),
  },
  { did: 'a coil of a wide range', on: 'firn', change: refit('k-plus', 'contactor', { coilPickUpV: 8, coilHoldV: 3 }) },
  {
    did: 'a milder climate, in order',
    on: 'larkspur',
    change: (build) => ({ ...build, duty: { ...build.duty, coldestDayC: 0, hottestDayC: 30 } }),
  },
  { did: 'a heavier converter tap', on: 'larkspur', change: cable('cable-plain-6', 'c-conv-tap') },
  { did: 'a shorter heater wire', on: 'larkspur', change: long('c-heater-plus', 0.8) },
  {
    did: 'a stronger break of the heater fuse',
    on: 'larkspur',
    change: refit('f-heater', 'fuse', { breakingCapacityA: 50000 }),
  },
  {
    did: 'units of the other side of the ocean',
    on: 'firn',
    change: edit({ edit: 'setUnits', input: { units: 'us' } }),
  },
  {
    did: 'the shunt in the plus pole',
    on: 'larkspur',
    change: both(
      reEnd('c-bay-minus', 'b', 'j-minus.n'),
      reEnd('c-shunt', 'a', 'shunt.b'),
      reEnd('c-shunt', 'b', 'j-plus.n'),
      reEnd('c-bus', 'b', 'shunt.a'),
    ),
  },
  {
    did: 'a bleed resistor more',
    on: 'firn',
    change: refit('inverter', 'inverter', { bleedResistanceOhm: 18000 }),
  },
  { did: 'the key’s wire from its other side', on: 'firn', change: flip('coil-w2') },
  {
    did: 'a heater that draws all that it is rated for',
    on: 'larkspur',
    change: device('heater', { powersW: { heating: 2000, cruise: 800 } }),
  },
  {
    did: 'the powers uphill and in hard acceleration told as in cruise',
    on: 'firn',
    change: (build) => {
      const { powersW } = build.circuits.hv.devices.heater!;
      const cruise = powersW!.cruise!;
      return device('heater', { powersW: { ...powersW, hill: cruise, 'hard-acceleration': cruise } })(build);
    },
  },
  { did: 'a larger shunt', on: 'firn', change: refit('shunt', 'sensor', { ratedCurrentA: 800 }) },
  {
    did: 'cells whose sheet allows more than generic ones',
    on: 'larkspur',
    change: both(
      refit('box', 'cell', { maxDischargeA: 360, peakDischargeA: 720, maxChargeA: 180, peakChargeA: 360 }),
      refit('box-bay', 'cell', { maxDischargeA: 360, peakDischargeA: 720, maxChargeA: 180, peakChargeA: 360 }),
    ),
  },
  {
    did: 'cells that may be charged colder',
    on: 'larkspur',
    change: both(refit('box', 'cell', { chargeFromC: -10 }), refit('box-bay', 'cell', { chargeFromC: -10 })),
  },
  {
    did: 'a tenth of a milliohm measured at both joints of a main cable',
    on: 'firn',
    change: (build) => {
      const { conductors } = build.circuits.hv;
      const joined = { ...conductors['c-mid']!, jointResistanceOhm: 0.0001 };
      return {
        ...build,
        circuits: {
          ...build.circuits,
          hv: { ...build.circuits.hv, conductors: { ...conductors, 'c-mid': joined } },
        },
      };
    },
  },
  {
    did: 'motor cables as thick as the main ones',
    on: 'firn',
    change: both(drawn(['u', 'v', 'w'], 'c-inv-plus')),
  },
  {
    did: 'headlamps of LED under another name',
    on: 'firn',
    change: both(edit({ edit: 'dropLowLoad', input: { deviceId: 'low-dipped-halogen-load' } }), (build) =>
      edit({
        edit: 'addLowLoad',
        input: (() => {
          const { load, ...rest } = lowLoadOf(LOAD_PRESETS.find(({ id }) => id === 'dipped-led')!, 'front', 45);
          return { ...rest, load: { ...load, rating: 24 } };
        })(),
      })(build),
    ),
  },
  {
    did: 'a lamp for the inside that burns all night',
    on: 'firn',
    change: edit({
      edit: 'addLowLoad',
      input: (() => {
        const { load, ...rest } = lowLoadOf(LOAD_PRESETS.find(({ id }) => id === 'tail')!, 'cabin', 45);
        return { ...rest, load: { ...load, job: 'cabin-lamp' as const, essential: false } };
      })(),
    }),
  },
  {
    did: 'a heating wire wound for 400 V, in a cabin that loses little',
    on: 'firn',
    change: both(
      refit('heater', 'bus-device', { resistanceAtV: 400 }),
      edit({ edit: 'setFigure', input: { figure: 'cabinLoss', value: 50 } }),
      edit({ edit: 'setFigure', input: { figure: 'cabinHeat', value: 50000 } }),
    ),
  },
  {
    did: 'a hand to the fuse told, too',
    on: 'teasel',
    change: device('tray-front', {
      hold: { fixings: 8, bolt: 'M10', boltClass: '8.8', reachCells: true, reachFuse: true, vent: true, drain: true },
    }),
  },
  {
    did: 'one fixing more',
    on: 'larkspur',
    change: device('box-bay', { hold: { fixings: 5, bolt: 'M8', boltClass: '8.8', reachCells: true, vent: true } }),
  },
  {
    did: 'a bar of 20 × 3 in place of the short precharge tap',
    on: 'firn',
    change: both(barred('c-pre-tap', 'busbar'), section('c-pre-tap', 60)),
  },
  {
    did: 'a bar of 30 × 5 from the mid fuse to the service disconnect',
    on: 'firn',
    change: both(barred('c-mid-fuse', 'busbar'), section('c-mid-fuse', 150)),
  },
  {
    did: 'a bar of 30 × 5 from the line contactor to the bus',
    on: 'teasel',
    change: both(barred('c-bus', 'busbar'), section('c-bus', 150)),
  },
  {
    did: 'three tenths of a milliohm at the crimps of the converter’s earth',
    on: 'firn',
    change: jointed('low-w5', 0.0003),
  },
  {
    did: 'the line contactor bolted to the bus, fifty microohms measured where they meet',
    on: 'teasel',
    change: both(barred('c-bus', 'bolted'), long('c-bus', 0.02), jointed('c-bus', 0.00005)),
  },
  {
    did: 'motor cables with a twentieth of a milliohm measured at both crimps of one',
    on: 'firn',
    change: both(drawn(['u', 'v', 'w'], 'c-inv-plus'), jointed('phase-v', 0.00005)),
  },
  {
    did: 'the precharge tap bolted to its contactor',
    on: 'larkspur',
    change: both(barred('c-pre-tap', 'bolted'), long('c-pre-tap', 0.05)),
  },
  {
    did: 'the fuse box moved from the bay into the cabin',
    on: 'firn',
    change: (build) =>
      both(
        ...Object.values(build.circuits.lv.devices)
          .filter(({ kind, place }) => kind === 'lv-fuse' && place?.zoneId === 'zone-bay')
          .map(({ id, place }) => device(id, { place: { ...place!, zoneId: 'zone-cabin' } })),
      )(build),
  },
  {
    did: 'a converter entered with a little more than its loads draw',
    on: 'teasel',
    change: edit({ edit: 'setDevicePower', input: { deviceId: 'converter', state: 'cruise', powerW: 200 } }),
  },
  {
    did: 'a fuse that breaks from half as much',
    on: 'larkspur',
    change: refit('low-blower-fuse', 'fuse', { minimumBreakingMultiple: 1.2 }),
  },
  {
    did: 'a fuse that lasts all of its rating',
    on: 'larkspur',
    change: refit('low-blower-fuse', 'fuse', { continuousFactor: 1 }),
  },
  {
    did: 'the peak of a motor told',
    on: 'firn',
    change: (build) => {
      const { load } = build.circuits.lv.devices['low-blower-load']!;
      return device('low-blower-load', { load: { ...load!, peakRating: 1.9 * load!.rating } })(build);
    },
  },
  {
    did: 'the radio ticked as essential',
    on: 'firn',
    change: (build) => {
      const { load } = build.circuits.lv.devices['low-radio-load']!;
      return device('low-radio-load', { load: { ...load!, essential: true } })(build);
    },
  },
  {
    did: 'cells a little warmer on the coldest day',
    on: 'firn',
    change: (build) => ({ ...build, packLimits: { ...build.packLimits, coldestCellC: 7 } }),
  },
  {
    did: 'a smaller load of people',
    on: 'firn',
    change: (build) => ({ ...build, vehicle: { ...build.vehicle, payloadKg: 500 } }),
  },
  {
    did: 'a stronger relay for the dipped beam',
    on: 'firn',
    change: device('low-dipped-halogen-relay', { ratedA: 70 }),
  },
  {
    did: 'the same cells told as two rows of half the size in both boxes',
    on: 'larkspur',
    change: both(
      refit('box', 'cell', { capacityAh: 90, resistanceOhm: 0.0011, massKg: 2 }),
      refit('box-bay', 'cell', { capacityAh: 90, resistanceOhm: 0.0011, massKg: 2 }),
      device('box', { cellsInParallel: 2 }),
      device('box-bay', { cellsInParallel: 2 }),
    ),
  },
  {
    did: 'notes, and another name for the build',
    on: 'teasel',
    change: (build) => ({ ...build, name: 'Tractor of the orchard', notes: 'painted' }),
  },
  {
    did: 'a plug that is strong enough told in the main way',
    on: 'firn',
    change: edit({ edit: 'setConnector', input: { conductorId: 'c-mid', connectorA: 350 } }),
  },
  {
    did: 'a plug that is strong enough told before the wipers',
    on: 'firn',
    change: edit({ edit: 'setConnector', input: { conductorId: 'low-wipers-w3', connectorA: 25 } }),
  },
  {
    did: 'an inverter whose figures were read off its plate',
    on: 'larkspur',
    change: refit('inverter', 'inverter', { origins: { 'window.absoluteMaxV': 'plate' } }),
  },
  {
    did: 'a motor out of another car that was looked at, within the budget',
    on: 'larkspur',
    change: edit(
      { edit: 'setFigure', input: { figure: 'budget', value: 9000 } },
      {
        edit: 'listInHand',
        input: {
          items: [
            {
              id: 'h1',
              name: 'Motor from the yard',
              made: false,
              state: 'fitted',
              count: 1,
              price: 1500,
              found: { connectors: 'good', corrosion: 'good' },
            },
          ],
        },
      },
    ),
  },
  { did: 'a heater in a tight case', on: 'firn', change: device('heater', { ingress: 'IP67' }) },
];
