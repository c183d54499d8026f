import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '../../build/samples';
import { plainSearch } from '../../testing/plain-search';
import { vehicleOf } from '../../vehicle';
import { Apart, firstOf, only, sizeOf } from './apart';
import { FAULT, FAULTS, INPUTS, MODE, MODES, WORLD } from './bits';
import { withInput } from './events';
import { Machine } from './machine';
import { seenOf } from './properties';
import { search } from './search';
import { isDesign, type SequenceDesign, sequenceDesign } from './sequence-design';

const designs = [firn9(), larkspur(), teasel()].map((build): SequenceDesign => {
  const found = sequenceDesign(vehicleOf(build));
  if (!isDesign(found)) throw new Error(`no sequence: ${found}`);
  return found;
});
const FLAGS = [
  'openIsPlugged',
  'pilotBlocks',
  'plugBlocks',
  'blockApart',
  'neutralContact',
  'stopTold',
  'testsPoles',
  'brakeTwo',
  'pedalTwo',
  'speedOwn',
  'brakeCuts',
  'regenEnds',
  'messagesEnd',
  'creep',
] as const;
/** The samples’ controls with answers turned round, other contactors, other plugs, other stops. */
const anyDesign = fc
  .tuple(
    fc.constantFrom(...designs),
    fc.record(Object.fromEntries(FLAGS.map((flag) => [flag, fc.boolean()])), { requiredKeys: [] }),
    fc.record(
      {
        pull: fc.boolean(),
        remoteStop: fc.constantFrom<SequenceDesign['remoteStop'][]>('none', 'loop', 'input', 'dummy'),
        fitted: fc.constantFrom(4, 5, 6, 7, 13, 15),
        excluded: fc.boolean(),
        torqueBlocked: fc.boolean(),
        deadMan: fc.boolean(),
        keyDrops: fc.constantFrom(0, 7),
        regen: fc.constantFrom<SequenceDesign['regen'][]>('none', 'lift-off', 'brake-pedal'),
        seen: fc.constantFrom<SequenceDesign['seen'][]>(null, 'nothing', 'proximity', 'own-contact'),
      },
      { requiredKeys: [] },
    ),
  )
  .map(([design, flags, more]): SequenceDesign => ({ ...design, ...more, flags: { ...design.flags, ...flags } }));
/** What stops it, which half of the words are without. */
const STOPS = WORLD.handle | WORLD.crash | WORLD.remotePressed | WORLD.remoteOut | WORLD.lowSupply | WORLD.cellsStop;
const anyWord = fc.tuple(fc.nat(2 ** 23 - 1), fc.boolean()).map(([word, calm]) => (calm ? word & ~STOPS : word));
const anyMode = fc.constantFrom(...MODES.keys());

const RUNS = 3000;
const standing = (machine: Machine, word: number, mode: number, fault: number) =>
  Object.assign(machine, { word, mode, fault });
const cameTo = ({ word, mode, seen }: Machine) => `${word} ${mode} ${seen}`;

describe('what is not named as apart goes as without a fault, in any state, settled or not', () => {
  test('an input turned, time passing, a thing failing, and how it looks', () => {
    let together = 0;
    fc.assert(
      fc.property(anyDesign, anyWord, anyMode, (design, word, mode) => {
        const sound = new Machine(design);
        const faulty = new Machine(design);
        const otherwise: string[] = [];
        const held = (what: string, act: (machine: Machine, failing: boolean) => void) => {
          standing(sound, word, mode, 0);
          act(sound, false);
          const expected = cameTo(sound);
          const apart = sound.apart;
          for (let fault = 1; fault < FAULTS.length; fault++) {
            if (apart & only(fault)) continue;
            together += 1;
            standing(faulty, word, mode, fault);
            act(faulty, true);
            if (cameTo(faulty) !== expected) otherwise.push(`${what} under ${FAULTS[fault]}`);
          }
        };
        for (const input of INPUTS)
          for (const is of [true, false])
            held(`${input} ${is}`, (machine) => {
              machine.word = withInput(word, input, is);
              machine.settle(word);
            });
        held('time', (machine) => machine.tick());
        held('failing', (machine, failing) => (failing ? machine.settle(word, 0) : machine.settle(word)));
        const looks = seenOf(sound, word, mode, 0);
        const apart = sound.looksApart(word, mode, looks.closed);
        for (let fault = 1; fault < FAULTS.length; fault++)
          if (!(apart & only(fault)) && JSON.stringify(seenOf(faulty, word, mode, fault)) !== JSON.stringify(looks))
            otherwise.push(`looks under ${FAULTS[fault]}`);
        expect(otherwise).toEqual([]);
      }),
      { numRuns: RUNS },
    );
    // All by itself would hold it as well: most are followed together.
    expect(together / (RUNS * 40 * (FAULTS.length - 1))).toBeGreaterThan(0.5);
  });
});

test('what welds is closed, or it welded with everything off; no reading fails within precharge', () => {
  const may = (fault: keyof typeof FAULT, mode: keyof typeof MODE, closed: number) =>
    (Apart.mayFail(MODE[mode], closed) & only(FAULT[fault])) !== 0;
  expect(may('main-welded', 'drive', 4 | 1)).toBe(true);
  expect(may('charge-welded', 'drive', 4 | 1)).toBe(false);
  expect(may('charge-welded', 'off', 0)).toBe(true);
  expect(may('link-reads-up', 'precharge', 3)).toBe(false);
  expect(may('link-reads-up', 'ready', 5)).toBe(true);
  expect(may('link-reads-dead', 'charge-precharge', 3)).toBe(true);
  expect(may('none', 'off', 0)).toBe(false);
});

test('a set of faults: how many, and the first', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.nat(31), { minLength: 1 }), (list) => {
      const set = list.reduce((all, fault) => all | only(fault), 0);
      expect(sizeOf(set)).toBe(list.length);
      expect(firstOf(set)).toBe(Math.min(...list));
    }),
  );
});

describe('many faults at once: as one state after the other under one fault after the other', () => {
  const compared = (design: SequenceDesign) => {
    const found = search(design);
    const plain = plainSearch(design);
    expect([found.exhausted, found.states, found.transitions]).toEqual([true, plain.states, plain.transitions]);
    for (const { id, proved, faults, story } of found.verdicts) {
      const broken = plain.broken.get(id);
      expect([id, proved, faults]).toEqual([id, broken === undefined, broken?.faults ?? []]);
      const steps = story.filter(({ kind }) => kind !== 'time').length;
      if (broken) expect([id, steps]).toEqual([id, broken.steps]);
    }
    return found.verdicts.filter(({ proved }) => !proved).length;
  };

  test('Firn 9, and Larkspur and Teasel without a crash switch: nothing is broken', () => {
    expect(compared(designs[0]!)).toBe(0);
    for (const design of designs.slice(1)) expect(compared({ ...design, crash: false })).toBe(0);
  });

  test('controls without guards, with one contactor, with hand switches: many properties are broken, under the same faults', () => {
    const small = { ...designs[0]!, crash: false };
    const bare: SequenceDesign = { ...small, flags: {}, torqueBlocked: false, provesDead: false };
    expect(compared(bare)).toBeGreaterThan(8);
    expect(compared({ ...bare, fitted: 4 | 2, seen: null, breaksAll: false })).toBeGreaterThan(5);
    expect(compared({ ...bare, seen: null, handle: false, command: 'hand-switches' })).toBeGreaterThan(3);
    expect(compared({ ...bare, fitted: 15, chargesApart: true })).toBeGreaterThan(5);
  });
});
