import { both, type Change, drawn, edit, reEnd, wire } from './change';
import type { Harmless, Mistake } from './mistake';

const KIND = 'Joints and phases';

const LETTERS = ['u', 'v', 'w'] as const;

const device = (id: string, kind: 'junction' | 'contactor'): Change =>
  edit({
    edit: 'addDevice',
    input: { device: { id, kind, name: kind === 'junction' ? 'Joint' : 'Phase switch', partId: null, place: null } },
  });

export const PHASE_MISTAKES: readonly Mistake[] = [
  {
    kind: KIND,
    did: 'a motor cable landed on the inverter’s plus',
    on: 'firn',
    plant: both(drawn(LETTERS, 'c-inv-plus'), reEnd('phase-w', 'a', 'inverter.plus')),
    speaks: 'motor.phases:motor',
    says: 'A phase of Motor leads where it must not',
  },
  {
    kind: KIND,
    did: 'two motor cables on one phase of the motor',
    on: 'larkspur',
    plant: both(drawn(LETTERS, 'c-inv-plus'), reEnd('phase-w', 'b', 'motor.v')),
    speaks: 'motor.phases:inverter',
    says: 'A phase of Inverter leads where it must not',
  },
  {
    kind: KIND,
    did: 'an inverter’s output wired to the minus of the pack',
    on: 'larkspur',
    plant: wire('stray', 'Stray', 'inverter.v', 'box-bay.minus', 'c-inv-plus'),
    speaks: 'motor.phases:inverter',
    says: 'A phase of Inverter leads where it must not',
  },
  {
    kind: KIND,
    did: 'a phase joined with the bus at a joint behind a contactor',
    on: 'firn',
    plant: both(
      drawn(['u', 'v'], 'c-inv-plus'),
      device('phase-joint', 'junction'),
      device('phase-switch', 'contactor'),
      wire('phase-w', 'Motor cable W', 'inverter.w', 'phase-joint.n', 'c-inv-plus'),
      wire('phase-w-2', 'Motor cable W, on', 'phase-joint.n', 'motor.w', 'c-inv-plus'),
      wire('phase-w-3', 'To the switch', 'phase-joint.n', 'phase-switch.a', 'c-inv-plus'),
      wire('phase-w-4', 'From the switch', 'phase-switch.b', 'heater.minus', 'c-inv-plus'),
    ),
    speaks: 'motor.phases:motor',
    says: 'A phase of Motor leads where it must not',
  },
  {
    kind: KIND,
    did: 'a motor of three phases with two cables',
    on: 'larkspur',
    plant: drawn(['u', 'v'], 'c-inv-plus'),
    speaks: 'motor.phases:motor',
    says: 'Phases of Motor',
    asks: true,
  },
  {
    kind: KIND,
    did: 'a series motor with both cables on the bus',
    on: 'teasel',
    plant: both(
      wire('motor-1', 'Motor plus', 'motor.u', 'j-plus.n', 'c-ctl-plus'),
      wire('motor-2', 'Motor minus', 'motor.v', 'j-minus.n', 'c-ctl-plus'),
      wire('motor-3', 'Motor cable', 'motor.w', 'controller.u', 'c-ctl-plus'),
    ),
    speaks: 'motor.phases:motor',
    says: 'A phase of Motor leads where it must not',
  },
  {
    kind: KIND,
    did: 'a series motor with one cable',
    on: 'teasel',
    plant: wire('motor-1', 'Motor cable', 'motor.u', 'controller.u', 'c-ctl-plus'),
    speaks: 'motor.phases:motor',
    says: 'Phases of Motor',
    asks: true,
  },
  {
    kind: KIND,
    did: 'an inverter’s output that leads to a joint and no further',
    on: 'teasel',
    plant: both(
      device('phase-joint', 'junction'),
      wire('phase-u', 'Motor cable', 'controller.u', 'phase-joint.n', 'c-ctl-plus'),
    ),
    speaks: 'motor.phases:controller',
    says: 'Phases of Motor controller',
    asks: true,
  },
];

export const PHASE_HARMLESS: readonly Harmless[] = [
  {
    did: 'three motor cables, one of them through a joint',
    on: 'firn',
    change: both(
      drawn(['u', 'v'], 'c-inv-plus'),
      device('phase-joint', 'junction'),
      wire('phase-w', 'Motor cable W', 'inverter.w', 'phase-joint.n', 'c-inv-plus'),
      wire('phase-w-2', 'Motor cable W, on', 'phase-joint.n', 'motor.w', 'c-inv-plus'),
    ),
  },
  {
    did: 'a series motor between the bus and its controller',
    on: 'teasel',
    change: both(
      wire('motor-1', 'Motor plus', 'motor.u', 'j-plus.n', 'c-ctl-plus'),
      wire('motor-2', 'Motor minus', 'motor.v', 'controller.u', 'c-ctl-plus'),
    ),
  },
  {
    did: 'two of three motor cables crossed: it turns the other way',
    on: 'firn',
    change: both(drawn(LETTERS, 'c-inv-plus'), reEnd('phase-v', 'b', 'motor.w'), reEnd('phase-w', 'b', 'motor.v')),
  },
];
