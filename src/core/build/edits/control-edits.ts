import {
  CONTROL_FLAGS,
  type ControlFlag,
  type Controls,
  findDevice,
  LONGEST_RUN_S,
  MOST_ATOMS,
  MOST_EVENTS,
  MOST_PROPERTIES,
  MOST_TIMELINES,
  type OwnProperty,
  type OwnStep,
  PROPERTY_FORMS,
  REMOTE_STOPS,
  type RemoteStop,
  SETTINGS,
  type SettingEntry,
  type SettingSheet,
  type Settings,
  SIGNALS,
  type SignalIs,
  type Timeline,
} from '../types';
import { define } from './definition';
import { refuseNoDay } from './reading-edits';
import { EditRefused } from './refused';

/** What each answer is about, as undo names it. */
const WORDS: Readonly<Record<ControlFlag, string>> = {
  brakeFirst: 'drive only with the brake pressed',
  pedalAtRest: 'drive only with the accelerator at rest',
  turnStill: 'direction changes near standstill only',
  oneDirection: 'both directions at once count as neutral',
  twoSelectors: 'a second switch for the direction',
  neutralContact: 'neutral has a contact of its own',
  pedalTwo: 'two tracks of the pedal are compared',
  pedalRange: 'pedal out of its range gives no torque',
  brakeCuts: 'brake takes the torque off',
  brakeTwo: 'two contacts of the brake switch are compared',
  regenEnds: 'regeneration ends before standstill',
  speedOwn: 'speed comes from the motor’s own sensor',
  creep: 'creeps with both pedals at rest',
  plugBlocks: 'no torque while a plug is seen',
  pilotBlocks: 'the pilot blocks torque too',
  openIsPlugged: 'an open proximity wire counts as plugged in',
  blockApart: 'torque block has a contact of its own at the inlet',
  measuresLink: 'main closes by the measured link voltage',
  timesOut: 'precharge ends by a time-out',
  testsPoles: 'each contactor is tested by itself',
  waitsCurrent: 'contactors wait for the current to fall',
  stopTold: 'the control sees every stop',
  latchesFault: 'after a fault the key has to be turned off',
  sagRestarts: 'after a sag of 12 V the sequence begins anew',
  messages: 'torque is asked by messages',
  messagesEnd: 'lost messages end the torque',
  seatSwitch: 'seat switch',
  deadManTwo: 'dead-man switch has two contacts',
  linkRelay: 'main closes only with the link charged',
};

const refuseSignals = (list: readonly SignalIs[], known: boolean) => {
  if (!Array.isArray(list) || list.length > MOST_ATOMS)
    throw new EditRefused(`${MOST_ATOMS} conditions at most.`, 'Split it in two.');
  for (const { signal, is } of list)
    if (typeof is !== 'boolean' || (known && !(SIGNALS as readonly string[]).includes(signal)))
      throw new EditRefused(`There is no signal "${signal}".`, 'Choose one of the list.');
};

/** A draft takes plain data as they are: what is written into it is nobody else’s. */
type Open = { controls?: Controls; settings?: Settings };
const into = (draft: unknown): Open => draft as Open;
const control = (draft: unknown, more: Partial<Controls>): void => {
  into(draft).controls = { ...into(draft).controls, ...more };
};

/** Who commands and what it heeds. */
export const CONTROL_EDITS = {
  answerControl: define<{ flag: ControlFlag; is: boolean }>({
    title: (_, { flag, is }) => `${WORDS[flag]}: ${is ? 'yes' : 'no'}`,
    apply: (draft, { flag, is }) => {
      if (!CONTROL_FLAGS.includes(flag)) throw new EditRefused('There is no such question.', 'Choose one of the list.');
      control(draft, { [flag]: is });
    },
  }),

  /** Several guards at once, each there from now on. */
  fitGuards: define<{ flags: readonly ControlFlag[] }>({
    title: (_, { flags }) => flags.map((flag) => WORDS[flag]).join('; '),
    apply: (draft, { flags }) => {
      if (!Array.isArray(flags) || flags.length === 0 || !flags.every((flag) => CONTROL_FLAGS.includes(flag)))
        throw new EditRefused('There is no such question.', 'Choose one of the list.');
      control(draft, Object.fromEntries(flags.map((flag) => [flag, true])));
    },
  }),

  setRemoteStop: define<{ remoteStop: RemoteStop }>({
    title: (_, { remoteStop }) => `stop that can be unplugged: ${remoteStop}`,
    apply: (draft, { remoteStop }) => {
      if (!REMOTE_STOPS.includes(remoteStop))
        throw new EditRefused('There is no such stop.', 'Choose one of the list.');
      control(draft, { remoteStop });
    },
  }),

  /** What a step of the sequence asks beside what it does by itself; null: as it came. */
  setStep: define<{ step: string; own: OwnStep | null }>({
    title: (_, { own }) => (own === null ? 'a step as it came' : own.off ? 'leave a step out' : 'a step asks for more'),
    apply: (draft, { step, own }) => {
      if (!/^[a-z][a-z-]{0,39}$/.test(step) || step === 'constructor' || step === 'prototype')
        throw new EditRefused('There is no such step.', 'Choose one of the list.');
      if (own?.and) refuseSignals(own.and, true);
      const { [step]: _, ...others } = into(draft).controls?.steps ?? {};
      control(draft, { steps: own === null ? others : { ...others, [step]: own } });
    },
  }),

  setProperty: define<{ property: OwnProperty }>({
    title: (_, { property }) => `property “${property.name}”`,
    apply: (draft, { property }) => {
      if (!PROPERTY_FORMS.includes(property.form) || property.name.trim() === '' || property.name.length > 120)
        throw new EditRefused('A property needs a name and a form.', 'Write a few words.');
      refuseSignals(property.when, false);
      refuseSignals(property.brings ?? [], false);
      if (property.when.length === 0) throw new EditRefused('A property speaks of something.', 'Add a condition.');
      if (property.form !== 'never' && (property.brings ?? []).length === 0)
        throw new EditRefused('This form needs a second side.', 'Add what has to be true then.');
      const known = into(draft).controls?.properties ?? {};
      if (!Object.hasOwn(known, property.id) && Object.keys(known).length >= MOST_PROPERTIES)
        throw new EditRefused(`${MOST_PROPERTIES} properties at most.`, 'Drop one first.');
      control(draft, { properties: { ...known, [property.id]: property } });
    },
  }),

  dropProperty: define<{ id: string }>({
    title: (build, { id }) => `drop property “${build.controls?.properties?.[id]?.name ?? ''}”`,
    apply: (draft, { id }) => {
      const known = into(draft).controls?.properties ?? {};
      if (!Object.hasOwn(known, id)) throw new EditRefused('That property is gone already.', 'Look at the list again.');
      const { [id]: _, ...properties } = known;
      control(draft, { properties });
    },
  }),

  keepTimeline: define<{ timeline: Timeline }>({
    title: (_, { timeline }) => `keep run “${timeline.name}”`,
    apply: (draft, { timeline }) => {
      if (timeline.name.trim() === '' || timeline.events.length > MOST_EVENTS)
        throw new EditRefused(`A run has a name and ${MOST_EVENTS} inputs at most.`, 'Record a shorter one.');
      if (!(timeline.lengthS >= 0 && timeline.lengthS <= LONGEST_RUN_S))
        throw new EditRefused(
          `A kept run lasts ${LONGEST_RUN_S} seconds at most.`,
          'Begin again, and do only what the run is about.',
        );
      const known = into(draft).controls?.timelines ?? {};
      if (!Object.hasOwn(known, timeline.id) && Object.keys(known).length >= MOST_TIMELINES)
        throw new EditRefused(`${MOST_TIMELINES} runs are kept at most.`, 'Drop one first.');
      control(draft, { timelines: { ...known, [timeline.id]: timeline } });
    },
  }),

  dropTimeline: define<{ id: string }>({
    title: (build, { id }) => `drop run “${build.controls?.timelines?.[id]?.name ?? ''}”`,
    apply: (draft, { id }) => {
      const known = into(draft).controls?.timelines ?? {};
      if (!Object.hasOwn(known, id)) throw new EditRefused('That run is gone already.', 'Look at the list again.');
      const { [id]: _, ...timelines } = known;
      control(draft, { timelines });
    },
  }),

  /** One setting of one device, as entered and as read back. */
  setSetting: define<{ entry: SettingEntry }>({
    title: (build, { entry }) => `setting of ${findDevice(build, entry.deviceId)?.name ?? 'a device'}`,
    apply: (draft, { entry }) => {
      if (!findDevice(draft, entry.deviceId) || !SETTINGS.includes(entry.setting))
        throw new EditRefused('There is no such device or setting.', 'Choose one of the sheet.');
      for (const value of [entry.entered, entry.readBack])
        if (value !== null && !(Math.abs(value) <= 1e6))
          throw new EditRefused('A setting is a number.', 'Type it again, or leave it empty.');
      const entries = { ...into(draft).settings?.entries };
      for (const other of Object.values(entries))
        if (other.deviceId === entry.deviceId && other.setting === entry.setting) delete entries[other.id];
      if (entry.entered !== null || entry.readBack !== null) entries[entry.id] = entry;
      into(draft).settings = { ...into(draft).settings, entries };
    },
  }),

  setSheet: define<{ sheet: SettingSheet }>({
    title: (build, { sheet }) => `settings sheet of ${findDevice(build, sheet.deviceId)?.name ?? 'a device'}`,
    apply: (draft, { sheet }) => {
      if (!findDevice(draft, sheet.deviceId)) throw new EditRefused('That device is gone.', 'Look at the list again.');
      if (sheet.date !== '') refuseNoDay(sheet.date);
      const sheets = { ...into(draft).settings?.sheets };
      for (const other of Object.values(sheets)) if (other.deviceId === sheet.deviceId) delete sheets[other.id];
      sheets[sheet.id] = { ...sheet, firmware: sheet.firmware.slice(0, 60), by: sheet.by.slice(0, 60) };
      into(draft).settings = { ...into(draft).settings, sheets };
    },
  }),
};
