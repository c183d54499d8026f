import type { ControlFlag, Edit } from '../../build';
import type { Endangers, Finding, Proposer } from '../../checks';
import { askedFlags, PROPERTIES, type SequenceDesign, untoldOf, type Verdict } from '../../simulate/sequence';
import type { Context } from '../context';
import { defineRule, type Rule } from '../define';
import { designOf, SEQUENCE_REF } from './shared';
import { FAULT_WORDS, storyLines } from './words';

interface Words {
  readonly id: string;
  readonly endangers: Endangers;
  readonly fails: string;
  readonly holds: string;
  readonly cure: string;
}

/** What each property is called when it is proved and when it is not. */
const SAID: readonly Words[] = [
  {
    id: 'plugged',
    endangers: 'people',
    fails: 'It can drive while it is plugged in',
    holds: 'It can’t drive while it is plugged in',
    cure: 'A second lock that does not rest on the same wire: the pilot, a contact of its own at the inlet, or a reading of the proximity line that tells an open wire from no plug.',
  },
  {
    id: 'ready',
    endangers: 'people',
    fails: 'There can be torque before it is ready',
    holds: 'There is no torque before it is ready',
    cure: 'Torque only in the steps that come after the main contactor has closed.',
  },
  {
    id: 'regen-open',
    endangers: 'parts',
    fails: 'The motor can brake into an open circuit',
    holds: 'The motor does not brake into an open circuit',
    cure: 'Let the control see every stop and every sag, so that the inverter is told as the contactors open.',
  },
  {
    id: 'brake-first',
    endangers: 'people',
    fails: 'It goes into gear without the brake pressed',
    holds: 'It goes into gear with the brake pressed only',
    cure: 'Forward and reverse only with the brake pressed.',
  },
  {
    id: 'pedal-first',
    endangers: 'people',
    fails: 'It goes into gear with the accelerator pressed',
    holds: 'It goes into gear with the accelerator at rest only',
    cure: 'Forward and reverse only with the accelerator at rest.',
  },
  {
    id: 'turning',
    endangers: 'people',
    fails: 'It changes direction while it moves',
    holds: 'It changes direction near standstill only',
    cure: 'A change of direction only near standstill, from the motor’s own speed.',
  },
  {
    id: 'precharged',
    endangers: 'fire',
    fails: 'The main contactor can close on an empty link',
    holds: 'The main contactor closes on a charged link only',
    cure: 'Close by the measured voltage of the link, prove it dead at key-on, and begin anew after every stop and every sag.',
  },
  {
    id: 'opens-loaded',
    endangers: 'fire',
    fails: 'Turned off while driving, contactors open a current that they can’t break',
    holds: 'Turned off while driving, the contactors wait for the current to fall',
    cure: 'Let the control hold the contactors until the current is down, the key out of their feed; or contactors that break the hardest current.',
  },
  {
    id: 'stop',
    endangers: 'people',
    fails: 'The emergency stop leaves the inverter joined',
    holds: 'The emergency stop opens the circuit from every state, at once',
    cure: 'The handle in the feed of every coil: HV circuit, Safety loop.',
  },
  {
    id: 'regeneration',
    endangers: 'people',
    fails: 'Braking by the motor can drive it the other way',
    holds: 'Braking by the motor ends before standstill',
    cure: 'Let regeneration end at a low speed, by the motor’s own speed sensor: one that is lost stops the inverter.',
  },
  {
    id: 'remote-fitted',
    endangers: 'people',
    fails: 'The remote stop does not open the circuit',
    holds: 'The remote stop, fitted, opens the circuit',
    cure: 'Its lead in the coils’ feed.',
  },
  {
    id: 'remote-absent',
    endangers: 'people',
    fails: 'Unplugged, the remote stop is gone and it drives on',
    holds: 'Unplugged, the remote stop leaves it stopped, or knowingly bridged with the handle at work',
    cure: 'Its lead in the coils’ feed, so that unplugged is stopped; or a bridging plug that is put in its place on purpose.',
  },
  {
    id: 'apart',
    endangers: 'people',
    fails: 'Run and charge contactors can be closed together',
    holds: 'Run and charge contactors are never closed together',
    cure: 'Each coil through a normally closed contact of the other, or one changeover switch.',
  },
  {
    id: 'single-fault',
    endangers: 'people',
    fails: 'One switch or wire that fails can make it move',
    holds: 'No single switch or wire that fails makes it move',
    cure: 'Two tracks or contacts that are compared, a reading out of range that gives no torque, a neutral contact of its own.',
  },
  {
    id: 'presence',
    endangers: 'people',
    fails: 'It drives with nobody on the seat, or with its stand down',
    holds: 'It drives with somebody on the seat and the stand up only',
    cure: 'Seat and stand switch in the conditions of driving.',
  },
  {
    id: 'sag',
    endangers: 'people',
    fails: 'After a sag of 12 V it goes on where it was',
    holds: 'After a sag of 12 V it begins anew',
    cure: 'A control that starts over once the coils have dropped out.',
  },
  {
    id: 'precharge-ends',
    endangers: 'fire',
    fails: 'Precharge can go on without end',
    holds: 'Precharge ends, whatever the link does',
    cure: 'A time-out that opens the precharge relay, by the control or by a timer relay.',
  },
  {
    id: 'after-fault',
    endangers: 'people',
    fails: 'After a stop or a fault it starts again by itself',
    holds: 'After a stop or a fault somebody has to start it',
    cure: 'Keep the fault until the key has been turned off; let the control see every stop.',
  },
  {
    id: 'switches-off',
    endangers: 'people',
    fails: 'There is a state in which the key does not turn it off',
    holds: 'The key turns it off from every state',
    cure: 'Take the changed step back, or put the key into the coils’ feed.',
  },
  {
    id: 'weld',
    endangers: 'people',
    fails: 'A welded contactor goes unseen at key-on',
    holds: 'A welded contactor is seen at key-on',
    cure: 'Test each contactor by itself: an auxiliary contact, or the link’s voltage as each closes. With one contactor the link proved dead shows it.',
  },
  {
    id: 'settles',
    endangers: 'parts',
    fails: 'The sequence runs in a circle',
    holds: 'The sequence comes to rest after every change',
    cure: 'Take the changed step back.',
  },
];

const SOURCE =
  'Every reachable combination of inputs, state of the sequence and one fault, breadth first; the properties are engineering judgement in the manner of ISO 13849 and UN R100 (from memory: verify)';

const UNTOLD_WORDS: Readonly<Record<string, string>> = {
  brakeFirst: 'whether it goes into gear with the brake pressed only',
  pedalAtRest: 'whether it goes into gear with the accelerator at rest only',
  turnStill: 'whether direction changes near standstill only',
  oneDirection: 'what both directions at once do',
  neutralContact: 'whether neutral has a contact of its own',
  pedalTwo: 'whether two tracks of the pedal are compared',
  pedalRange: 'what a pedal out of its range does',
  brakeCuts: 'whether the brake takes the torque off',
  brakeTwo: 'whether two contacts of the brake switch are compared',
  regenEnds: 'whether regeneration ends before standstill',
  speedOwn: 'where the speed for it comes from',
  plugBlocks: 'whether the control blocks torque while a plug is seen',
  pilotBlocks: 'whether the pilot blocks torque too',
  openIsPlugged: 'what an open proximity wire counts as',
  blockApart: 'whether the torque block has a contact of its own',
  seenBy: 'what tells the car that it is plugged in, in Charging',
  torqueBlocked: 'whether the plug takes the inverter’s enable away, in Charging',
  provesDead: 'whether each key-on proves the link dead, in HV circuit',
  measuresLink: 'whether the main closes by the measured link voltage',
  timesOut: 'whether precharge has a time-out',
  testsPoles: 'whether each contactor is tested by itself',
  waitsCurrent: 'whether contactors wait for the current to fall',
  stopTold: 'whether the control sees every stop',
  latchesFault: 'whether a fault stays until the key is turned off',
  sagRestarts: 'what a sag of 12 V does to the sequence',
  messages: 'whether torque is asked by messages',
  messagesEnd: 'what lost messages do',
  deadManTwo: 'whether the dead-man switch has two contacts',
  linkRelay: 'whether the main contactor holds itself and waits for the link',
};

const flagsOf = (id: string): readonly string[] => PROPERTIES.find((one) => one.id === id)!.flags;

/** The answers that decide a property and are open, in words. */
const openAnswers = (design: SequenceDesign, flags: readonly string[]): string[] =>
  untoldOf(design).flatMap((flag) => (flags.includes(flag) && UNTOLD_WORDS[flag] ? [UNTOLD_WORDS[flag]] : []));

export const count = (states: number): string => String(states).replace(/\B(?=(\d{3})+$)/g, ',');

/** A property as the search left it: proved, broken with its story, or open. */
function judged(
  { sequence }: Context,
  design: SequenceDesign,
  id: string,
  flags: readonly string[],
): Finding<'detail'> | null {
  const subject = SEQUENCE_REF;
  if (!sequence) return { subject, pending: 'being searched …' };
  const told = sequence.told.verdicts.find((one) => one.id === id);
  if (!told) return null;
  const over = `proved over ${count(sequence.told.states)} states`;
  if (told.proved)
    return {
      subject,
      holds: true,
      figures: { detail: over },
      lines: () => provedLines(sequence.told.states, sequence.told.transitions),
    };
  // What was met is broken, however much was not.
  if (!sequence.told.exhausted && told.faults.length === 0)
    return { subject, missing: [{ ref: subject, what: 'fewer inputs: there are more states than can be searched' }] };
  const well = sequence.well?.verdicts.find((one) => one.id === id);
  const open = openAnswers(design, flags);
  if (well?.proved && open.length > 0)
    return { subject, missing: open.map((what) => ({ ref: subject, what })), lines: () => storyWorking(told) };
  const broken = well && well.faults.length > 0 ? well : told;
  return {
    subject,
    holds: false,
    figures: { detail: storyLines(broken.story).join(' → ') },
    lines: () => storyWorking(broken),
  };
}

const provedLines = (states: number, transitions: number) => [
  {
    formula: 'every state × input × single fault',
    figures: `${count(states)} states, ${count(transitions)} changes, none of them breaks it`,
  },
];

const storyWorking = ({ story, faults }: Verdict) => [
  ...storyLines(story).map((line, k) => ({ formula: `${k + 1}`, figures: line })),
  {
    formula: 'broken by',
    figures: faults.map((fault) => FAULT_WORDS[fault]).join('; '),
  },
];

/** Nobody told how the motor brakes: it is taken to, as the accelerator is let go. */
const assumedFor = (id: string, { vehicle: { build } }: Context): readonly string[] =>
  id.startsWith('regen') && build.regeneration?.asked === undefined
    ? ['The motor brakes as the accelerator is let go: nobody told how.']
    : [];

/** Guards that decide it and are not there: each alone, then together. */
const guards =
  (id: string): Proposer<Context> =>
  (context) => {
    const found = designOf(context);
    if (!found || !('design' in found)) return [];
    const { design } = found;
    const wanted = flagsOf(id);
    const lacking = askedFlags(design).filter((flag) => wanted.includes(flag) && design.flags[flag] !== true);
    const hardware: Edit[] = [
      ...(wanted.includes('torqueBlocked') && design.torqueBlocked !== true
        ? [{ edit: 'setCharging', input: { torqueBlocked: true } } as const]
        : []),
      ...(wanted.includes('provesDead') && design.provesDead !== true
        ? [{ edit: 'setProvesDead', input: { provesDead: true } } as const]
        : []),
    ];
    const together: ControlFlag[][] = lacking.length > 1 ? [[...lacking]] : [];
    return [
      ...lacking.map((flag): Edit => ({ edit: 'answerControl', input: { flag, is: true } })),
      ...hardware,
      ...together.map((flags): Edit => ({ edit: 'fitGuards', input: { flags } })),
    ];
  };

/** Steps that were changed, as they came. */
const asTheyCame: Proposer<Context> = ({ vehicle }) =>
  Object.keys(vehicle.build.controls?.steps ?? {}).map((step) => ({ edit: 'setStep', input: { step, own: null } }));

/** Of an unplugged stop: its lead in the feed. */
const inTheLoop: Proposer<Context> = () => [{ edit: 'setRemoteStop', input: { remoteStop: 'loop' } }];
const exclusive: Proposer<Context> = () => [{ edit: 'setCharging', input: { excluded: true } }];

const MORE: Readonly<Record<string, readonly Proposer<Context>[]>> = {
  'remote-fitted': [inTheLoop],
  'remote-absent': [inTheLoop],
  apart: [exclusive],
};

export const SEARCH_RULES: readonly Rule[] = SAID.map(({ id, endangers, fails, holds, cure }) =>
  defineRule({
    id: `interlocks.${id}`,
    endangers,
    says: { fails, holds, line: '{detail}', open: holds } as {
      fails: string;
      holds: string;
      line: '{detail}';
      open: string;
    },
    sources: [SOURCE],
    judge: (context): Finding<'detail'>[] => {
      const found = designOf(context);
      // What stands before the sequence is asked once.
      if (!found || !('design' in found)) return [];
      const property = PROPERTIES.find((one) => one.id === id)!;
      if (!property.applies(found.design)) return [];
      const finding = judged(context, found.design, id, property.flags);
      return finding ? [{ ...finding, assumed: assumedFor(id, context) }] : [];
    },
    remedies: [guards(id), ...(MORE[id] ?? []), asTheyCame],
    otherwise: cure,
  }),
);

/** Properties of one’s own. */
export const ownProperties = defineRule({
  id: 'interlocks.own',
  endangers: 'people',
  says: {
    fails: '“{name}” can be broken',
    holds: '“{name}” is never broken',
    line: '{detail}',
    open: '“{name}”',
  },
  sources: ['A property of one’s own, searched like the others'],
  judge: (context): Finding<'detail' | 'name'>[] => {
    const found = designOf(context);
    if (!found || !('design' in found)) return [];
    return found.design.properties.flatMap(({ id, name }) => {
      const finding = judged(context, found.design, `own:${id}`, untoldOf(found.design));
      return finding
        ? [{ ...finding, subject: { ...SEQUENCE_REF, id, name }, figures: { ...finding.figures, name } }]
        : [];
    });
  },
  remedies: [asTheyCame],
  otherwise: 'Look at its story in Play: what would have to stop it?',
});
