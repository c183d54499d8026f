import { SIGNALS } from '../../build';
import { type Finding, marginAtMost } from '../../checks';
import {
  fittedInputs,
  MODES,
  maskOf,
  type SequenceDesign,
  type Step,
  stepsOf,
  unknownSignals,
} from '../../simulate/sequence';
import { motorOf } from '../../vehicle';
import { defineRule } from '../define';
import { designOf, PEDAL_REF, SEQUENCE_REF } from './shared';
import { MODE_WORDS } from './words';

/** There is a sequence at all: who commands, contactors, what feeds their coils. */
const commanded = defineRule({
  id: 'interlocks.command',
  endangers: 'people',
  says: {
    fails: 'Nobody commands it',
    holds: 'Who commands is told, and there is something to command',
    line: '{detail}',
    open: 'Who commands',
  },
  sources: ['The sequence follows from the design choice, the contactors and their coils’ feed'],
  judge: (context): Finding<'detail'>[] => {
    const found = designOf(context);
    if (!found) return [];
    if ('lacks' in found) return [{ subject: SEQUENCE_REF, missing: [{ ref: SEQUENCE_REF, what: found.lacks }] }];
    return [{ subject: SEQUENCE_REF, holds: true, figures: { detail: `${stepsOf(found.design).length} steps` } }];
  },
  remedies: 'Choose in Survey who commands; lay out the contactors and the loop of their coils in HV circuit.',
});

/** Something in the changed steps that can’t be right, with the step that it stands in. */
function troubles(design: SequenceDesign): readonly { readonly step: string; readonly why: string }[] {
  const steps = stepsOf(design);
  const known = new Set(stepsOf({ ...design, steps: {} }).map(({ id }) => id));
  const inputs = fittedInputs(design);
  const found: { step: string; why: string }[] = [];
  for (const id of Object.keys(design.steps))
    if (!known.has(id)) found.push({ step: id, why: 'is no step of this sequence' });
  for (const { id, own, unknown, when } of steps) {
    if (unknown) found.push({ step: id, why: `asks for ${unknown.join(', ')}, which the control does not sense` });
    if (!own) continue;
    if (maskOf([...when, ...own]) === null)
      found.push({ step: id, why: 'asks for something and for its opposite: it can never be taken' });
    for (const { bit, is } of own)
      if (is && !inputs.has(bit) && bit !== 'linkUp' && bit !== 'linkDead')
        found.push({ step: id, why: `waits for ${bit}, which is not fitted: it can never be taken` });
  }
  found.push(...deadEnds(steps, design));
  return found;
}

/** Modes that are entered and never left, or from which nothing leads to off. */
function deadEnds(steps: readonly Step[], { steps: changed }: SequenceDesign): { step: string; why: string }[] {
  if (Object.keys(changed).length === 0) return [];
  const taken = steps.filter(({ unknown, when, own }) => !unknown && maskOf([...when, ...(own ?? [])]) !== null);
  const entered = new Set(['off', ...taken.map(({ to }) => to)]);
  const leadsOff = new Set<string>(['off']);
  for (let grown = true; grown; ) {
    grown = false;
    for (const { from, to } of taken)
      if (leadsOff.has(to) && !leadsOff.has(from)) {
        leadsOff.add(from);
        grown = true;
      }
  }
  return MODES.filter((mode) => entered.has(mode) && !leadsOff.has(mode)).map((mode) => ({
    step: MODE_WORDS[mode],
    why: taken.some(({ from }) => from === mode)
      ? 'is entered, and no way leads from it to off'
      : 'is entered and never left',
  }));
}

const soundSteps = defineRule({
  id: 'interlocks.steps',
  endangers: 'people',
  says: {
    fails: 'A changed step of the sequence can’t work',
    holds: 'The changed steps of the sequence can work',
    line: '{detail}',
    open: 'Changed steps',
  },
  sources: ['Guards that contradict one another or wait for what is not there, modes without a way out'],
  judge: (context): Finding<'detail'>[] => {
    const found = designOf(context);
    if (!found || !('design' in found) || Object.keys(found.design.steps).length === 0) return [];
    const all = troubles(found.design);
    return [
      {
        subject: SEQUENCE_REF,
        holds: all.length === 0,
        figures: {
          detail:
            all.length === 0
              ? 'each has a way in and a way out'
              : all.map(({ step, why }) => `${step} ${why}`).join('; '),
        },
      },
    ];
  },
  remedies: [
    ({ vehicle }) =>
      Object.keys(vehicle.build.controls?.steps ?? {}).map((step) => ({ edit: 'setStep', input: { step, own: null } })),
  ],
  otherwise: 'Take the changes back one by one, in the table of steps.',
});

const soundProperties = defineRule({
  id: 'interlocks.signals',
  endangers: 'comfort',
  says: {
    fails: '“{name}” speaks of something that is not there',
    holds: '“{name}” speaks of what there is',
    line: '{detail}',
    open: '“{name}”',
  },
  sources: ['Signals of the sequence'],
  judge: (context): Finding<'detail' | 'name'>[] => {
    const found = designOf(context);
    if (!found || !('design' in found)) return [];
    return found.design.properties.map((own) => {
      const unknown = unknownSignals(own, SIGNALS);
      return {
        subject: { ...SEQUENCE_REF, id: own.id, name: own.name },
        holds: unknown.length === 0,
        figures: {
          name: own.name,
          detail: unknown.length === 0 ? 'every signal is known' : `no such signal: ${unknown.join(', ')}`,
        },
      };
    });
  },
  remedies: 'Choose another signal of the list, or drop the property.',
});

/** Least distance of a pedal’s ends from the bounds between which it is believed, V: noise, drift, a worn track (judgement). */
const PEDAL_GAP_V = 0.15;

const pedalEnds = defineRule({
  id: 'interlocks.pedal-ends',
  endangers: 'people',
  says: {
    fails: 'The pedal’s window does not fit its ends',
    holds: 'The pedal’s ends lie well inside its window',
    line: 'nearest by {demand}, at least {limit}',
    open: 'Pedal’s window',
  },
  comfort: 0,
  sources: [
    'Track at rest and pressed down inside the window of belief, a broken or shorted wire outside it (reference of the trade: 0.5 to 4.5 V of 5 V; the gap is judgement)',
  ],
  judge: (context): Finding[] => {
    const found = designOf(context);
    if (!found || !('design' in found) || found.design.flags.pedalRange !== true) return [];
    const { pedalRestV, pedalFullV, pedalLowV, pedalHighV } = context.vehicle.build.controls ?? {};
    const lacking = (
      [
        [pedalRestV, 'its voltage at rest'],
        [pedalFullV, 'its voltage pressed down'],
        [pedalLowV, 'the lowest voltage that is believed'],
        [pedalHighV, 'the highest voltage that is believed'],
      ] as const
    ).flatMap(([value, what]) => (value === undefined ? [{ ref: PEDAL_REF, what }] : []));
    if (lacking.length > 0) return [{ subject: PEDAL_REF, missing: lacking }];
    const gaps = [
      Math.min(pedalRestV!, pedalFullV!) - pedalLowV!,
      pedalHighV! - Math.max(pedalRestV!, pedalFullV!),
      // A wire that is broken or shorted reads nothing, or the supply of 5 V: outside.
      pedalLowV!,
      5 - pedalHighV!,
      Math.abs(pedalFullV! - pedalRestV!) - 1,
    ];
    const demand = Math.min(...gaps);
    return [
      {
        subject: PEDAL_REF,
        demand: { value: demand, dimension: 'voltage' },
        limit: { value: PEDAL_GAP_V, dimension: 'voltage' },
        margin: (demand - PEDAL_GAP_V) / PEDAL_GAP_V,
      },
    ];
  },
  remedies: 'Read the pedal at both ends, and set the window a fifth of a volt outside them.',
});

/** Contactors wait for the current: how long, and what is left of it. */
const waits = defineRule({
  id: 'interlocks.open-below',
  endangers: 'parts',
  says: {
    fails: 'Contactors open under more than they break a lifetime long',
    holds: 'Contactors open once hardly anything flows',
    line: '{demand} of {limit}',
    open: 'Current to open at',
  },
  sources: ['Torque to zero, then below 5 A, then open (reference of the trade); asked where the contactors wait'],
  judge: (context): Finding[] => {
    const found = designOf(context);
    if (!found || !('design' in found) || found.design.flags.waitsCurrent !== true) return [];
    const openBelowA = context.vehicle.build.controls?.openBelowA;
    if (openBelowA === undefined)
      return [{ subject: SEQUENCE_REF, missing: [{ ref: SEQUENCE_REF, what: 'the current below which they open' }] }];
    return [
      {
        subject: SEQUENCE_REF,
        demand: { value: openBelowA, dimension: 'current' },
        limit: { value: OPEN_BELOW_A, dimension: 'current' },
        margin: marginAtMost(openBelowA, OPEN_BELOW_A),
      },
    ];
  },
  remedies: [() => [{ edit: 'setFigure', input: { figure: 'openBelow', value: 4.5 } }]],
});
/** A tenth over the usual 5 A, so that the usual is no thin margin. */
const OPEN_BELOW_A = 5.5;

/** Two switches for one direction: whichever is forgotten goes on counting. */
const selectors = defineRule({
  id: 'interlocks.selectors',
  endangers: 'people',
  says: {
    fails: 'Two switches choose the direction',
    holds: 'One switch chooses the direction',
    line: '{detail}',
    open: 'Direction switch',
  },
  sources: [
    'One lever, one truth: a second switch, side by side or in its place, goes on counting (engineering judgement)',
  ],
  judge: (context): Finding<'detail'>[] => {
    const found = designOf(context);
    if (!found || !('design' in found)) return [];
    const { twoSelectors } = found.design.flags;
    if (twoSelectors === undefined)
      return [
        {
          subject: SEQUENCE_REF,
          missing: [{ ref: SEQUENCE_REF, what: 'whether a second switch for the direction is left connected' }],
        },
      ];
    return [
      {
        subject: SEQUENCE_REF,
        holds: !twoSelectors,
        figures: { detail: twoSelectors ? 'old lever or dash switch: told that both count' : 'told so' },
      },
    ];
  },
  remedies: [() => [{ edit: 'answerControl', input: { flag: 'twoSelectors', is: false } }]],
  otherwise: 'Take the wires of the second switch off and park them, or make it the only one.',
});

/** The low level of braking by the motor is below the full one, which is what lamps, pack and axle are judged at. */
const levels = defineRule({
  id: 'interlocks.regen-level',
  endangers: 'people',
  says: {
    fails: 'The low level of regeneration brakes harder than the full one',
    holds: 'Low level of regeneration below the full one',
    line: '{demand} of the peak torque, at most {limit}',
    open: 'Levels of regeneration',
  },
  comfort: 0,
  sources: ['Lamps, pack and axle are judged at the full level: whatever brakes harder is judged by nothing'],
  judge: ({ vehicle: { build } }): Finding[] => {
    const low = build.controls?.regenLowShare;
    if (low === undefined || motorOf(build)?.part?.motorKind === 'series-dc' || build.regeneration?.asked === 'none')
      return [];
    const full = build.regeneration?.torqueShare;
    if (full === undefined)
      return [
        { subject: SEQUENCE_REF, missing: [{ ref: SEQUENCE_REF, what: 'the torque of regeneration, in Drive' }] },
      ];
    return [
      {
        subject: SEQUENCE_REF,
        demand: { value: low, dimension: 'ratio' },
        limit: { value: full, dimension: 'ratio' },
        margin: marginAtMost(low, full),
      },
    ];
  },
  remedies: [
    ({ vehicle: { build } }) => {
      const full = build.regeneration?.torqueShare;
      return full === undefined ? [] : [{ edit: 'setFigure', input: { figure: 'regenLow', value: full / 2 } }];
    },
  ],
});

export const SOUND_RULES = [commanded, selectors, soundSteps, soundProperties, pedalEnds, waits, levels] as const;
