import type { ControlFlag, RemoteStop, Signal } from '@/core/build';

/** The questions about the control, in groups as they are asked. */
export const GROUPS: readonly (readonly [title: string, about: string, flags: readonly ControlFlag[]])[] = [
  [
    'Into gear',
    'from ready to forward or reverse',
    ['brakeFirst', 'pedalAtRest', 'turnStill', 'oneDirection', 'neutralContact', 'seatSwitch', 'deadManTwo'],
  ],
  [
    'Pedals',
    'what a broken one does',
    ['pedalTwo', 'pedalRange', 'brakeCuts', 'brakeTwo', 'creep', 'regenEnds', 'speedOwn'],
  ],
  ['Plugged in', 'what keeps it from driving off', ['plugBlocks', 'openIsPlugged', 'pilotBlocks', 'blockApart']],
  [
    'Contactors',
    'precharge, welding, opening',
    ['measuresLink', 'linkRelay', 'timesOut', 'testsPoles', 'waitsCurrent'],
  ],
  ['Stops and faults', 'what it makes of them', ['stopTold', 'latchesFault', 'sagRestarts', 'messages', 'messagesEnd']],
];

export const QUESTIONS: Readonly<Record<ControlFlag, string>> = {
  brakeFirst: 'Goes into gear with the brake pressed only',
  pedalAtRest: '… with the accelerator at rest only',
  turnStill: 'Changes direction near standstill only',
  oneDirection: 'Both directions at once count as neutral',
  neutralContact: 'Neutral has a contact of its own',
  pedalTwo: 'Two tracks of the pedal, compared',
  pedalRange: 'A pedal out of its window gives no torque',
  brakeCuts: 'The brake takes the torque off',
  brakeTwo: 'Two contacts at the brake pedal, compared',
  regenEnds: 'Regeneration ends before standstill',
  speedOwn: '… by the motor’s own speed sensor',
  creep: 'Creeps with both pedals at rest',
  plugBlocks: 'The control blocks torque while it sees a plug',
  pilotBlocks: 'A pilot signal blocks torque too',
  openIsPlugged: 'A broken plug wire counts as plugged in',
  blockApart: 'The hardware block has its own contact at the inlet',
  measuresLink: 'The link is measured: main closes by it, opens when it falls',
  timesOut: 'Precharge has a time-out',
  testsPoles: 'Each contactor is tested by itself',
  waitsCurrent: 'Turned off, contactors wait for the current',
  stopTold: 'The control sees every stop, not only the coils',
  latchesFault: 'A fault stays until the key is turned off',
  sagRestarts: 'After a sag of 12 V it begins anew',
  messages: 'Torque is asked by messages',
  messagesEnd: 'Lost messages end the torque',
  seatSwitch: 'A switch under the seat',
  deadManTwo: 'The dead-man switch has two contacts, compared',
  linkRelay: 'The main contactor holds itself, and closes on a charged link only',
};

export const REMOTE_WORDS: Readonly<Record<RemoteStop, string>> = {
  none: 'there is none',
  loop: 'its lead lies in the coils’ feed',
  dummy: 'a bridging plug goes in its place',
  input: 'the control reads it',
};

export const SIGNAL_WORDS: Readonly<Record<Signal, string>> = {
  key: 'key on',
  brake: 'brake pressed',
  accelerator: 'accelerator pressed',
  forward: 'lever in forward',
  reverse: 'lever in reverse',
  plugged: 'plugged in',
  handle: 'emergency stop pressed',
  crash: 'inertia switch tripped',
  'low-supply': '12 V too low',
  'cells-stop': 'battery management asks to stop',
  'moving-forward': 'moving forward',
  'moving-backward': 'moving backward',
  'seat-empty': 'seat empty',
  'stand-down': 'side stand down',
  'dead-man': 'dead-man switch held',
  'link-charged': 'link charged',
  'link-dead': 'link dead',
  'main-closed': 'main contactor closed',
  'minus-closed': 'minus contactor closed',
  'precharge-closed': 'precharge relay closed',
  'torque-forward': 'torque forward',
  'torque-reverse': 'torque in reverse',
  regeneration: 'motor brakes',
  ready: 'ready or in gear',
  charging: 'charging',
  fault: 'in fault',
};
