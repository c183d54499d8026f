import type { ControlFlag, RemoteStop, SignalIs } from '../../build';
import type { Context } from '../../stations/context';
import { interlocks } from '../../stations/interlocks';
import { vehicleOf } from '../../vehicle';
import { both, type Change, device, edit, refit, wire } from './change';
import { choose, figure, ownWay } from './charge-changes';
import type { Harmless, Mistake } from './mistake';

const CONTROL = 'Control and interlocks';

const no = (...flags: ControlFlag[]): Change =>
  both(...flags.map((flag) => edit({ edit: 'answerControl', input: { flag, is: false } })));
const yes = (...flags: ControlFlag[]): Change =>
  both(...flags.map((flag) => edit({ edit: 'answerControl', input: { flag, is: true } })));
const untold =
  (...flags: ControlFlag[]): Change =>
  (build) => ({
    ...build,
    controls: Object.fromEntries(
      Object.entries(build.controls ?? {}).filter(([key]) => !flags.includes(key as ControlFlag)),
    ),
  });
const remote = (remoteStop: RemoteStop): Change => edit({ edit: 'setRemoteStop', input: { remoteStop } });
const step = (id: string, and: readonly SignalIs[] | 'off'): Change =>
  edit({ edit: 'setStep', input: { step: id, own: and === 'off' ? { off: true } : { and } } });
const is = (signal: string): SignalIs => ({ signal, is: true });
const not = (signal: string): SignalIs => ({ signal, is: false });
const property = (
  form: 'never' | 'followed' | 'only-after',
  when: readonly SignalIs[],
  brings: readonly SignalIs[] = [],
): Change =>
  edit({
    edit: 'setProperty',
    input: { property: { id: 'own', name: 'Mine', form, when, ...(form === 'never' ? {} : { brings }) } },
  });
const by = (command: 'hand-switches' | 'own-controller'): Change => edit({ edit: 'setSchool', input: { command } });

/** Every setting of every device entered as it is wanted and read back; some of them otherwise. */
const set =
  (odd: Readonly<Record<string, { readonly entered?: number; readonly readBack?: number }>> = {}): Change =>
  (build) => {
    const results = interlocks.results({
      vehicle: vehicleOf(build),
      sequence: null,
      precharges: [],
    } as unknown as Context);
    return edit(
      ...results.sheets.flatMap(({ deviceId, rows }) => [
        {
          edit: 'setSheet' as const,
          input: { sheet: { id: `sheet-${deviceId}`, deviceId, firmware: '1.4', date: '2026-05-02', by: 'me' } },
        },
        ...rows.flatMap(({ setting, wanted }) =>
          wanted === null
            ? []
            : [
                {
                  edit: 'setSetting' as const,
                  input: {
                    entry: {
                      id: `${deviceId}-${setting}`,
                      deviceId,
                      setting,
                      entered: odd[setting]?.entered ?? wanted,
                      readBack: odd[setting]?.readBack ?? odd[setting]?.entered ?? wanted,
                    },
                  },
                },
              ],
        ),
      ]),
    )(build);
  };

const searched = { kind: CONTROL, searched: true } as const;

export const INTERLOCK_MISTAKES: readonly Mistake[] = [
  {
    kind: CONTROL,
    did: 'a low level of regeneration that brakes harder than the full one',
    on: 'firn',
    plant: figure('regenLow', 0.6),
    speaks: 'interlocks.regen-level:sequence',
    says: 'The low level of regeneration brakes harder than the full one',
  },
  {
    kind: CONTROL,
    did: 'contactors and nobody who commands them',
    on: 'firn',
    plant: (build) => {
      const { command: _, ...schools } = build.schools;
      return { ...build, schools };
    },
    speaks: 'interlocks.command:sequence',
    says: 'Who commands',
    asks: true,
  },
  {
    kind: CONTROL,
    did: 'the old lever left connected beside a dash switch',
    on: 'larkspur',
    plant: yes('twoSelectors'),
    speaks: 'interlocks.selectors:sequence',
    says: 'Two switches choose the direction',
  },
  {
    kind: CONTROL,
    did: 'a step that waits for the brake pressed and let go',
    on: 'firn',
    plant: step('to-drive', [not('brake')]),
    speaks: 'interlocks.steps:sequence',
    says: 'A changed step of the sequence can’t work',
  },
  {
    kind: CONTROL,
    did: 'a step that waits for a dead-man switch which is not fitted',
    on: 'firn',
    plant: step('to-drive', [is('dead-man')]),
    speaks: 'interlocks.steps:sequence',
    says: 'A changed step of the sequence can’t work',
  },
  {
    kind: CONTROL,
    did: 'a fault that is never left: its way to off left out',
    on: 'firn',
    plant: step('fault-off', 'off'),
    speaks: 'interlocks.steps:sequence',
    says: 'A changed step of the sequence can’t work',
  },
  {
    kind: CONTROL,
    did: 'a property over a door that nobody senses',
    on: 'firn',
    plant: property('never', [is('door')]),
    speaks: 'interlocks.signals:own',
    says: '“Mine” speaks of something that is not there',
  },
  {
    kind: CONTROL,
    did: 'a pedal that reaches 4.1 V and is believed up to 4.2 V',
    on: 'firn',
    plant: figure('pedalHigh', 4.2),
    speaks: 'interlocks.pedal-ends:accelerator',
    says: 'The pedal’s window does not fit its ends',
  },
  {
    kind: CONTROL,
    did: 'a window of belief that takes a broken wire for a pedal at rest',
    on: 'larkspur',
    plant: figure('pedalLow', 0),
    speaks: 'interlocks.pedal-ends:accelerator',
    says: 'The pedal’s window does not fit its ends',
  },
  {
    kind: CONTROL,
    did: 'contactors that open under 40 A at every key-off',
    on: 'firn',
    plant: figure('openBelow', 40),
    speaks: 'interlocks.open-below:sequence',
    says: 'Contactors open under more than they break a lifetime long',
  },
  {
    ...searched,
    did: 'a plug seen by one wire alone: broken, it drives on the cable',
    on: 'firn',
    plant: no('openIsPlugged', 'pilotBlocks', 'blockApart'),
    speaks: 'interlocks.plugged:sequence',
    says: 'It can drive while it is plugged in',
  },
  {
    ...searched,
    did: 'a plug that nothing blocks torque by, though it is seen',
    on: 'larkspur',
    plant: both(no('plugBlocks', 'pilotBlocks'), choose({ torqueBlocked: false })),
    speaks: 'interlocks.plugged:sequence',
    says: 'It can drive while it is plugged in',
  },
  {
    ...searched,
    did: 'nobody told what an open plug wire counts as, and nothing else blocks it',
    on: 'firn',
    plant: both(untold('openIsPlugged'), no('pilotBlocks', 'blockApart')),
    speaks: 'interlocks.plugged:sequence',
    says: 'It can’t drive while it is plugged in',
    asks: true,
  },
  {
    ...searched,
    did: 'a charger of which nobody told what tells the car of its plug, nothing else blocking',
    on: 'firn',
    plant: both(device('charger', { plug: {} }), no('pilotBlocks', 'blockApart')),
    speaks: 'interlocks.plugged:sequence',
    says: 'It can’t drive while it is plugged in',
    asks: true,
  },
  {
    kind: CONTROL,
    did: 'a property of what has to follow, without what',
    on: 'firn',
    plant: (build) => ({
      ...build,
      controls: {
        ...build.controls,
        properties: { own: { id: 'own', name: 'Mine', form: 'followed', when: [is('handle')] } },
      },
    }),
    speaks: 'interlocks.signals:own',
    says: '“Mine” speaks of something that is not there',
  },
  {
    ...searched,
    did: 'a control that sees neither the handle nor the link fall',
    on: 'firn',
    plant: no('stopTold', 'measuresLink'),
    speaks: 'interlocks.ready:sequence',
    says: 'There can be torque before it is ready',
  },
  {
    ...searched,
    did: 'a handle in the coils’ feed that the control is not told of, the motor braking',
    on: 'firn',
    plant: no('stopTold'),
    speaks: 'interlocks.regen-open:sequence',
    says: 'The motor can brake into an open circuit',
  },
  {
    ...searched,
    did: 'a gear that goes in without the brake',
    on: 'firn',
    plant: no('brakeFirst'),
    speaks: 'interlocks.brake-first:sequence',
    says: 'It goes into gear without the brake pressed',
  },
  {
    ...searched,
    did: 'a gear that goes in with the accelerator pressed',
    on: 'larkspur',
    plant: no('pedalAtRest'),
    speaks: 'interlocks.pedal-first:sequence',
    says: 'It goes into gear with the accelerator pressed',
  },
  {
    ...searched,
    did: 'reverse at any speed',
    on: 'teasel',
    plant: no('turnStill'),
    speaks: 'interlocks.turning:sequence',
    says: 'It changes direction while it moves',
  },
  {
    ...searched,
    did: 'a main contactor that closes by time alone, with a resistor that can break',
    on: 'firn',
    plant: both(no('measuresLink'), no('timesOut')),
    speaks: 'interlocks.precharged:sequence',
    says: 'The main contactor can close on an empty link',
  },
  {
    ...searched,
    did: 'relays and hand switches, the main switch free at any time',
    on: 'larkspur',
    plant: both(by('hand-switches'), no('linkRelay', 'timesOut')),
    speaks: 'interlocks.precharged:sequence',
    says: 'The main contactor can close on an empty link',
  },
  {
    ...searched,
    did: 'the key in the feed of contactors that can’t break what is driven with',
    on: 'firn',
    plant: both(
      refit('k-plus', 'contactor', { breakCurrentA: 40 }),
      refit('k-minus', 'contactor', { breakCurrentA: 40 }),
    ),
    speaks: 'interlocks.opens-loaded:sequence',
    says: 'Turned off while driving, contactors open a current that they can’t break',
  },
  {
    ...searched,
    did: 'a handle that only the control heeds: a wire leads around it',
    on: 'firn',
    plant: wire('x', 'Spare', 'coil-stop.a', 'coil-stop.b', 'coil-w3'),
    speaks: 'interlocks.stop:sequence',
    says: 'The emergency stop leaves the inverter joined',
  },
  {
    ...searched,
    did: 'regeneration down to standstill and through it',
    on: 'firn',
    plant: no('regenEnds'),
    speaks: 'interlocks.regeneration:sequence',
    says: 'Braking by the motor can drive it the other way',
  },
  {
    ...searched,
    did: 'regeneration that ends by a wheel’s sensor, which can freeze',
    on: 'larkspur',
    plant: no('speedOwn'),
    speaks: 'interlocks.regeneration:sequence',
    says: 'Braking by the motor can drive it the other way',
  },
  {
    ...searched,
    did: 'a remote stop on an input that the control does not heed',
    on: 'teasel',
    plant: both(remote('input'), no('stopTold')),
    speaks: 'interlocks.remote-fitted:sequence',
    says: 'The remote stop does not open the circuit',
  },
  {
    ...searched,
    did: 'a remote stop on an input: unplugged it is gone',
    on: 'teasel',
    plant: remote('input'),
    speaks: 'interlocks.remote-absent:sequence',
    says: 'Unplugged, the remote stop is gone and it drives on',
  },
  {
    ...searched,
    did: 'charging by contactors of its own that nothing keeps from closing while a main has welded',
    on: 'larkspur',
    plant: both(choose({ apart: 'own-contactors', excluded: false }), no('testsPoles')),
    speaks: 'interlocks.apart:sequence',
    says: 'Run and charge contactors can be closed together',
  },
  {
    ...searched,
    did: 'a pedal with one track that counts',
    on: 'firn',
    plant: no('pedalTwo'),
    speaks: 'interlocks.single-fault:sequence',
    says: 'One switch or wire that fails can make it move',
  },
  {
    ...searched,
    did: 'messages that stay away and the last of them goes on counting',
    on: 'firn',
    plant: no('messagesEnd'),
    speaks: 'interlocks.single-fault:sequence',
    says: 'One switch or wire that fails can make it move',
  },
  {
    ...searched,
    did: 'a seat switch that counts for going into gear, not for staying in it',
    on: 'firn',
    plant: both(yes('seatSwitch'), step('drive-seat', 'off')),
    speaks: 'interlocks.presence:sequence',
    says: 'It drives with nobody on the seat, or with its stand down',
  },
  {
    ...searched,
    did: 'a control that rides through a sag of 12 V in which the coils let go',
    on: 'firn',
    plant: no('sagRestarts'),
    speaks: 'interlocks.sag:sequence',
    says: 'After a sag of 12 V it goes on where it was',
  },
  {
    ...searched,
    did: 'precharge without a time-out, and a load that stays on the link',
    on: 'firn',
    plant: no('timesOut'),
    speaks: 'interlocks.precharge-ends:sequence',
    says: 'Precharge can go on without end',
  },
  {
    ...searched,
    did: 'a fault that clears by itself',
    on: 'firn',
    plant: no('latchesFault'),
    speaks: 'interlocks.after-fault:sequence',
    says: 'After a stop or a fault it starts again by itself',
  },
  {
    ...searched,
    did: 'a welded contactor, tried again and again by a control that keeps no fault',
    on: 'firn',
    plant: no('latchesFault'),
    speaks: 'interlocks.settles:sequence',
    says: 'The sequence runs in a circle',
  },
  {
    ...searched,
    did: 'a key beside the coils’ feed, and a ready that does not heed it',
    on: 'firn',
    plant: both(wire('x', 'Spare', 'coil-key.a', 'coil-key.b', 'coil-w3'), step('ready-off', 'off')),
    speaks: 'interlocks.switches-off:sequence',
    says: 'There is a state in which the key does not turn it off',
  },
  {
    ...searched,
    did: 'two poles that are never tried one by one',
    on: 'firn',
    plant: no('testsPoles'),
    speaks: 'interlocks.weld:sequence',
    says: 'A welded contactor goes unseen at key-on',
  },
  {
    ...searched,
    did: 'a property that the sequence breaks',
    on: 'firn',
    plant: property('only-after', [is('torque-forward')], [is('seat-empty')]),
    speaks: 'interlocks.own:own',
    says: '“Mine” can be broken',
  },
  {
    kind: CONTROL,
    did: 'an inverter that is let draw twice what fuses and cables are judged at',
    on: 'firn',
    plant: set({ batteryA: { entered: 400 } }),
    speaks: 'interlocks.settings:inverter',
    says: 'Inverter is not set to what the design asks',
  },
  {
    kind: CONTROL,
    did: 'a sheet with firmware and day, and nothing entered on it',
    on: 'firn',
    plant: edit({
      edit: 'setSheet',
      input: { sheet: { id: 'sheet', deviceId: 'inverter', firmware: '1.4', date: '2026-05-02', by: 'me' } },
    }),
    speaks: 'interlocks.read-back:inverter',
    says: 'Inverter: read back',
    asks: true,
  },
  {
    kind: CONTROL,
    did: 'a charger entered for 90 cells that says back the voltage of 96',
    on: 'firn',
    plant: set({ chargeV: { entered: 373.5, readBack: 398.4 } }),
    speaks: 'interlocks.read-back:charger',
    says: 'Charger and converter says back something else than was entered',
  },
];

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
