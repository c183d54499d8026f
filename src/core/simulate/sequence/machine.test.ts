import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { firn9, larkspur, teasel } from '../../build/samples';
import { vehicleOf } from '../../vehicle';
import { FAULTS, INPUTS, MODES, WORLD } from './bits';
import { withInput } from './events';
import { Machine } from './machine';
import { controlOf, faultIn, Met, modeIn, observedIn } from './met';
import { isDesign, type SequenceDesign, sequenceDesign } from './sequence-design';

const designs = [firn9(), larkspur(), teasel()].map((build): SequenceDesign => {
  const found = sequenceDesign(vehicleOf(build));
  if (!isDesign(found)) throw new Error(`no sequence: ${found}`);
  return found;
});
const anyDesign = fc.tuple(
  fc.constantFrom(...designs),
  fc.record(
    Object.fromEntries(
      (
        ['openIsPlugged', 'pilotBlocks', 'neutralContact', 'stopTold', 'testsPoles', 'brakeTwo', 'speedOwn'] as const
      ).map((flag) => [flag, fc.boolean()]),
    ),
    { requiredKeys: [] },
  ),
  fc.record(
    {
      pull: fc.boolean(),
      remoteStop: fc.constantFrom<SequenceDesign['remoteStop'][]>('none', 'loop', 'input', 'dummy'),
    },
    { requiredKeys: [] },
  ),
);

describe('a change that is tried on a state', () => {
  test('comes to the same as following it step by step, in any state, settled or not', () => {
    fc.assert(
      fc.property(
        anyDesign,
        fc.nat(2 ** 23 - 1),
        fc.constantFrom(...MODES.keys()),
        fc.constantFrom(...FAULTS.keys()),
        ([design, flags, more], word, mode, fault) => {
          const changed = { ...design, ...more, flags: { ...design.flags, ...flags } };
          const quick = new Machine(changed);
          const slow = new Machine(changed);
          quick.stand(word, mode, fault);
          for (const input of INPUTS)
            for (const is of [true, false]) {
              const after = withInput(word, input, is);
              if (after === word) continue;
              quick.turn(after);
              slow.word = after;
              slow.mode = mode;
              slow.fault = fault;
              slow.settle(word);
              expect([quick.word, quick.mode, quick.seen], `${input} ${is}`).toEqual([slow.word, slow.mode, slow.seen]);
            }
        },
      ),
      { numRuns: 3000 },
    );
  });

  test('most of what can happen in a settled state is found out without following it', () => {
    const machine = new Machine(designs[0]!);
    machine.word = WORLD.linkDead;
    machine.stand(machine.word, 0, 0);
    let followed = 0;
    machine.settle = () => {
      followed += 1;
    };
    for (const input of INPUTS) machine.turn(withInput(WORLD.linkDead, input, true));
    expect(followed).toBeGreaterThan(0);
    expect(followed).toBeLessThan(INPUTS.length / 2);
  });
});

describe('states that were met', () => {
  test('each is new once, whatever its fault and what has been', () => {
    const states = fc.array(fc.tuple(fc.nat(40), fc.nat(10), fc.nat(FAULTS.length - 1), fc.nat(3)), { maxLength: 400 });
    fc.assert(
      fc.property(states, (list) => {
        const met = new Met();
        const known = new Set<string>();
        for (const [word, mode, fault, observed] of list) {
          const key = `${word} ${mode} ${fault} ${observed}`;
          expect(met.add(word, controlOf(mode, fault, observed), -1, 0)).toBe(!known.has(key));
          known.add(key);
        }
        expect(met.count).toBe(known.size);
      }),
    );
  });

  test('it grows as it fills, and keeps what it had in its order', () => {
    const met = new Met();
    const count = 150_000;
    const stateOf = (k: number): [number, number] => [Math.imul(k, 7919) & 0x7fffff, controlOf(k % 11, k % 26, 0)];
    for (let k = 0; k < count; k++) expect(met.add(...stateOf(k), k - 1, k % 200)).toBe(true);
    for (let k = 0; k < count; k += 997) {
      const [word, control] = stateOf(k);
      expect(met.add(word, control, 0, 0)).toBe(false);
      expect([met.words[k], met.controls[k], met.parents[k], met.events[k]]).toEqual([word, control, k - 1, k % 200]);
    }
    expect(met.count).toBe(count);
  });

  test('a control gives back what was put into it', () => {
    fc.assert(
      fc.property(fc.nat(10), fc.nat(31), fc.nat(255), (mode, fault, observed) => {
        const control = controlOf(mode, fault, observed);
        expect([modeIn(control), faultIn(control), observedIn(control)]).toEqual([mode, fault, observed]);
      }),
    );
  });
});
