import type { Controls } from '../control-types';

/** What every sample’s control heeds: the usual guards, each there. */
const USUAL: Controls = {
  brakeFirst: true,
  pedalAtRest: true,
  turnStill: true,
  oneDirection: true,
  neutralContact: true,
  twoSelectors: false,
  pedalTwo: true,
  pedalRange: true,
  brakeCuts: true,
  brakeTwo: true,
  regenEnds: true,
  speedOwn: true,
  creep: false,
  plugBlocks: true,
  pilotBlocks: true,
  openIsPlugged: true,
  blockApart: true,
  measuresLink: true,
  timesOut: true,
  testsPoles: true,
  waitsCurrent: true,
  stopTold: true,
  latchesFault: true,
  sagRestarts: true,
  seatSwitch: false,
  remoteStop: 'none',
  openBelowA: 4.5,
  wakeS: 0.5,
  stepS: 0.2,
  regenToMPerS: 1.5,
  pedalRestV: 0.8,
  pedalFullV: 4.1,
  pedalLowV: 0.5,
  pedalHighV: 4.5,
  rampS: 0.4,
};

/** A control unit that asks for torque by messages. */
export const BY_MESSAGES: Controls = { ...USUAL, messages: true, messagesEnd: true, messageS: 0.1 };

/** The motor controller by itself. */
export const BY_CONTROLLER: Controls = { ...USUAL, economyShare: 0.6 };
