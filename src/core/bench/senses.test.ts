import { describe, expect, test } from 'vitest';
import { MODE, WORLD } from '../simulate/sequence';
import { type Sensed, Senses } from './senses';

describe('what the board senses', () => {
  const now = (more: Partial<Sensed>): Sensed => ({
    timeS: 10,
    mode: MODE.precharge,
    modeSinceS: 9.9,
    linkV: 0,
    packV: 400,
    packA: 0,
    speedMPerS: 0,
    torqueShare: 0,
    closeAtFraction: 0.95,
    timeoutS: 1,
    wakeS: 0,
    ...more,
  });
  const bits = (more: Partial<Sensed>, word = 0) => new Senses().feel(word, now(more));
  const has = (word: number, bit: number) => (word & bit) !== 0;

  test('the link is up from its closing level on while it precharges, 380 of 400 V', () => {
    expect(has(bits({ linkV: 379.9 }), WORLD.linkUp)).toBe(false);
    expect(has(bits({ linkV: 380 }), WORLD.linkUp)).toBe(true);
  });

  test('later it may fall by 3 % of that, 368.6 V, before it counts as down', () => {
    expect(has(bits({ mode: MODE.drive, linkV: 368.7 }), WORLD.linkUp)).toBe(true);
    expect(has(bits({ mode: MODE.drive, linkV: 368.5 }), WORLD.linkUp)).toBe(false);
  });

  test('a level that leaves more than 20 V, or a tenth of the pack, is never up', () => {
    expect(has(bits({ closeAtFraction: 0.8, linkV: 359 }), WORLD.linkUp)).toBe(false);
    expect(has(bits({ closeAtFraction: 0.8, linkV: 360 }), WORLD.linkUp)).toBe(true);
    // A tenth of 100 V is less than 20 V.
    expect(has(bits({ packV: 100, closeAtFraction: 0.7, linkV: 80 }), WORLD.linkUp)).toBe(true);
    expect(has(bits({ packV: 100, closeAtFraction: 0.7, linkV: 79.9 }), WORLD.linkUp)).toBe(false);
  });

  test('without cells nothing is up; under a tenth of the pack it is dead', () => {
    expect(has(bits({ packV: 0, linkV: 0 }), WORLD.linkUp)).toBe(false);
    expect(has(bits({ linkV: 39.9 }), WORLD.linkDead)).toBe(true);
    expect(has(bits({ linkV: 40 }), WORLD.linkDead)).toBe(false);
  });

  test('precharge is due at its time-out', () => {
    expect(has(bits({ timeS: 10.9, modeSinceS: 9.9 }), WORLD.timer)).toBe(true);
    expect(has(bits({ timeS: 10.8, modeSinceS: 9.9 }), WORLD.timer)).toBe(false);
  });

  test('waking waits for a link that falls, 5 V a second of 400, and takes one that stands for a weld after 3 s', () => {
    const senses = new Senses();
    let word = 0;
    const look = (timeS: number, linkV: number) => {
      word = senses.feel(word, now({ mode: MODE.awake, modeSinceS: 0, timeS, linkV }));
      return has(word, WORLD.timer);
    };
    expect([1, 2, 3, 4, 5, 6].map((s) => look(s, 300 - 5 * s))).toEqual(Array(6).fill(false));
    expect([7, 8].map((s) => look(s, 270))).toEqual([true, true]);
    expect(new Senses().feel(0, now({ mode: MODE.awake, modeSinceS: 0, timeS: 3.9, wakeS: 1 })) & WORLD.timer).toBe(0);
  });

  test('standing still and pushing nothing, motion stays as it was set; rolling, it is measured', () => {
    const moving = WORLD.movingForward;
    expect(has(bits({ mode: MODE.ready }, moving), moving)).toBe(true);
    expect(has(bits({ mode: MODE.drive }, moving), moving)).toBe(false);
    expect(has(bits({ mode: MODE.ready, speedMPerS: -0.6 }), WORLD.movingBackward)).toBe(true);
    expect(has(bits({ mode: MODE.ready, speedMPerS: 0.4 }, moving), moving)).toBe(false);
  });

  test('five amperes either way are a current', () => {
    expect([5, 5.1, -5.1].map((packA) => has(bits({ packA }), WORLD.current))).toEqual([false, true, true]);
  });
});
