import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { only, sizeOf } from './apart';
import { FAULTS } from './bits';
import { controlOf, Met, modeIn, observedIn } from './met';

describe('states that were met', () => {
  test('each is new once, whatever its fault and what has been', () => {
    const states = fc.array(fc.tuple(fc.nat(40), fc.nat(10), fc.nat(2 ** FAULTS.length - 1), fc.nat(3), fc.boolean()), {
      maxLength: 400,
    });
    fc.assert(
      fc.property(states, (list) => {
        const met = new Met();
        const known = new Map<string, number>();
        for (const [word, mode, faults, observed, further] of list) {
          if (further) met.nextLayer();
          const key = `${word} ${mode} ${observed}`;
          const before = known.get(key) ?? 0;
          expect(met.add(word, controlOf(mode, observed), faults, -1, 0)).toBe(faults & ~before);
          known.set(key, before | faults);
        }
        expect(met.states).toBe([...known.values()].reduce((sum, faults) => sum + sizeOf(faults), 0));
        // Every state is looked at in one visit.
        const visited = Array.from({ length: met.visits }, (_, k) => sizeOf(met.faults[k]!));
        expect(visited.reduce((sum, size) => sum + size, 0)).toBe(met.states);
      }),
    );
  });

  test('within a layer a state that is met under further faults is one visit, later another; each says whence it was met', () => {
    const met = new Met();
    met.add(1, 0, only(0), -1, 0);
    met.nextLayer();
    met.add(2, 0, only(3), 0, 7);
    met.add(2, 0, only(3) | only(4), 0, 8);
    expect([met.visits, met.faults[1]]).toEqual([2, only(3) | only(4)]);
    met.nextLayer();
    met.add(2, 0, only(3) | only(5), 1, 9);
    expect([met.visits, met.faults[2], met.latestOf(2, 0)]).toEqual([3, only(5), 2]);
    expect([met.cameFrom(1, 3), met.cameFrom(1, 4), met.cameFrom(2, 5)]).toEqual([
      [0, 7],
      [0, 8],
      [1, 9],
    ]);
  });

  test('it grows as it fills, and keeps what it had in its order', () => {
    const met = new Met();
    const count = 150_000;
    const stateOf = (k: number): [number, number] => [Math.imul(k, 7919) & 0x7fffff, controlOf(k % 11, 0)];
    for (let k = 0; k < count; k++) expect(met.add(...stateOf(k), only(k % 26), k - 1, k % 200)).toBe(only(k % 26));
    for (let k = 0; k < count; k += 997) {
      const [word, control] = stateOf(k);
      expect(met.add(word, control, only(k % 26), 0, 0)).toBe(0);
      expect([met.words[k], met.controls[k], met.faults[k]]).toEqual([word, control, only(k % 26)]);
      expect(met.cameFrom(k, k % 26)).toEqual([k - 1, k % 200]);
    }
    expect([met.visits, met.states]).toEqual([count, count]);
  });

  test('a control gives back what was put into it', () => {
    fc.assert(
      fc.property(fc.nat(10), fc.nat(255), (mode, observed) => {
        const control = controlOf(mode, observed);
        expect([modeIn(control), observedIn(control)]).toEqual([mode, observed]);
      }),
    );
  });
});
