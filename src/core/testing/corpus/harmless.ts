import { bodyPoint, both, cable, device, edit, fit, flip, long, reEnd, refit, sheet, turn, wire } from './change';
import type { Harmless } from './mistake';

export const HARMLESS: readonly Harmless[] = [
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
];
