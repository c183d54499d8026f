import { marginAtLeast, quantityText as q } from '../../checks';
import * as propose from '../../proposals';
import { told } from '../../quantities';
import { lowHoldUp, parkedA } from '../../simulate';
import { lowVoltage } from '../../vehicle';
import { amps } from '../context';
import { defineRule, type Rule } from '../define';
import { batteryRef, coldestC } from './shared';

/** What the auxiliary battery has to bear alone: the converter's end, weeks of standing, cold. */
/** A night in rain without the converter: so long the essentials last (reference of the trade), s. */
const HOLD_S = 1200;

const holdUp = defineRule({
  id: 'lv.hold-up',
  endangers: 'people',
  says: {
    fails: 'The converter’s end leaves too little time',
    holds: 'When the converter dies',
    line: '{demand} from {current}, {limit} wanted; {first} goes first',
  },
  sources: [
    'At least 20 minutes at night in rain on the auxiliary battery alone (practice)',
    `Peukert with the rated hours, step by step through the 12-volt circuit; cold leaves lead 60 % at ${told(-18, 'temperature')}`,
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery?.data || !low.loads.some(({ load }) => load.essential)) return [];
    const run = lowHoldUp(vehicle, {
      socStart: 0.8,
      batteryC: coldestC(vehicle),
      health: vehicle.build.packLimits.agedHealth,
    });
    if (!run) return [];
    const firstGone = run.gone[0];
    const demand = Math.min(run.holdUpS ?? 6 * 3600, firstGone?.atS ?? Number.POSITIVE_INFINITY);
    return [
      {
        subject: batteryRef(vehicle),
        demand: { value: demand, dimension: 'time' },
        limit: { value: HOLD_S, dimension: 'time' },
        margin: marginAtLeast(demand, HOLD_S),
        figures: { current: amps(run.startA), first: firstGone ? firstGone.name : 'the battery itself' },
        assumed: ['From 80 % charged, aged as the traction pack is told to age.'],
        lines: () => [
          {
            formula: 't until the first essential load is without its voltage',
            figures: `${q(run.startA, 'current')} at first, battery at ${q(coldestC(vehicle), 'temperature')}`,
            result: { value: demand, dimension: 'time' },
            note: firstGone ? `${firstGone.name} goes first.` : 'The battery ends before any load goes.',
          },
        ],
      },
    ];
  },
  remedies: [propose.otherBattery],
  otherwise: 'A larger auxiliary battery, or fewer essential loads.',
});

/** Three weeks at an airport (practice), days, and how deep the battery may go. */
const PARKED_DAYS = 21;
const PARKED_TO = 0.5;
/** Self-discharge in thirty days (generic). */
const SELF = { 'lead-flooded': 0.05, 'lead-agm': 0.03, lfp: 0.02 } as const;

const parked = defineRule({
  id: 'lv.parked',
  endangers: 'comfort',
  says: {
    fails: 'Parking flattens {subject}',
    holds: '{subject}, parked',
    line: '{days} to half at {current}, {wanted} wanted',
  },
  sources: [
    'Plain ampere-hours and self-discharge: Peukert does not hold for milliamperes',
    'Three weeks to half (practice)',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    const data = low.battery?.data;
    if (!data || low.loads.length === 0) return [];
    const drain = parkedA(vehicle);
    if (drain === null) {
      const subject = batteryRef(vehicle);
      return [{ subject, missing: [{ ref: subject, what: 'a 12-volt circuit that can be solved' }] }];
    }
    const selfA = (SELF[data.chemistry] * data.capacityAh) / (30 * 24);
    const days = ((1 - PARKED_TO) * data.capacityAh) / Math.max(drain + selfA, 1e-9) / 24;
    return [
      {
        subject: batteryRef(vehicle),
        demand: { value: days * 86400, dimension: 'time' },
        limit: { value: PARKED_DAYS * 86400, dimension: 'time' },
        margin: marginAtLeast(days, PARKED_DAYS),
        ...(low.lv.devices.some(({ device }) => device.opensParked)
          ? { assumed: ['The main switch is opened when it is parked.'] }
          : {}),
        figures: { current: amps(drain), days: `${Math.floor(days)} days`, wanted: `${PARKED_DAYS}` },
        lines: () => [
          {
            formula: 't = 0.5 · C / (I_parked + I_self)',
            figures: `0.5 · ${q(data.capacityAh, 'charge')} / (${q(drain, 'current')} + ${q(selfA, 'current')})`,
            result: { value: days * 86400, dimension: 'time' },
          },
        ],
      },
    ];
  },
  remedies: [propose.mainSwitch, propose.otherBattery],
});

const cold = defineRule({
  id: 'lv.cold-charge',
  endangers: 'fire',
  says: { fails: '{subject} would be charged below freezing', holds: '{subject} in the cold', line: '{detail}' },
  sources: [`Lithium is not charged below ${told(0, 'temperature')} cell temperature`],
  judge: ({ vehicle }) => {
    const data = lowVoltage(vehicle).battery?.data;
    if (data?.chemistry !== 'lfp') return [];
    const coldC = coldestC(vehicle);
    return [
      {
        subject: batteryRef(vehicle),
        holds: coldC >= 0,
        figures: {
          detail:
            coldC >= 0
              ? `never below ${told(0, 'temperature')}, as told`
              : `${told(coldC, 'temperature')} on the coldest day: AGM, or a heated one`,
        },
      },
    ];
  },
  remedies: [propose.otherBattery],
});

export const RESERVE_RULES: readonly Rule[] = [holdUp, parked, cold];
