import { both } from './change';
import { choose, figure, ownWay } from './charge-changes';
import { by, is, no, property, remote, set, step, yes } from './interlock-changes';
import type { Harmless } from './mistake';

export const INTERLOCK_HARMLESS: readonly Harmless[] = [
  { did: 'a low level of regeneration at half of the full one', on: 'firn', change: figure('regenLow', 0.2) },
  {
    did: 'an open plug wire that counts as none, with pilot and a contact of its own',
    on: 'firn',
    change: no('openIsPlugged'),
    searched: true,
  },
  { did: 'no pilot lock, the others in place', on: 'larkspur', change: no('pilotBlocks'), searched: true },
  {
    did: 'it creeps with both pedals at rest, and stands with the brake',
    on: 'firn',
    change: yes('creep'),
    searched: true,
  },
  { did: 'a seat switch', on: 'teasel', change: yes('seatSwitch'), searched: true },
  { did: 'a remote stop in the coils’ feed', on: 'teasel', change: remote('loop'), searched: true },
  {
    did: 'a remote stop with a bridging plug, the hand switch besides',
    on: 'larkspur',
    change: remote('dummy'),
    searched: true,
  },
  {
    did: 'a small controller with a program of one’s own, the same guards',
    on: 'firn',
    change: by('own-controller'),
    searched: true,
  },
  {
    did: 'a step that asks for a charged link besides',
    on: 'firn',
    change: step('to-drive', [is('link-charged')]),
    searched: true,
  },
  {
    did: 'a property that holds',
    on: 'firn',
    change: property('never', [is('charging'), is('torque-forward')]),
    searched: true,
  },
  {
    did: 'charging by contactors of its own that exclude the others',
    on: 'larkspur',
    change: both(ownWay, choose({ apart: 'own-contactors', excluded: true })),
    searched: true,
  },
  { did: 'contactors that open once below 4 A', on: 'firn', change: figure('openBelow', 4) },
  { did: 'every device set as wanted and read back', on: 'firn', change: set() },
  { did: 'every device set as wanted and read back', on: 'larkspur', change: set() },
  { did: 'an inverter that is let draw less', on: 'firn', change: set({ batteryA: { entered: 120 } }) },
];
