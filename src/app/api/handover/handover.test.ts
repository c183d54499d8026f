import { describe, expect, test } from 'vitest';
import { Handover } from './handover';

const MINUTE = 60_000;

describe('a build that waits for another device', () => {
  test('is fetched once, however the code is typed', () => {
    const handover = new Handover(
      () => 0,
      () => '01234567',
    );
    expect(handover.offer('build')).toEqual({ code: '01234567', until: 10 * MINUTE });
    expect(handover.take('0123 4567')).toEqual({ ok: true, text: 'build' });
    expect(handover.take('01234567')).toEqual({ ok: false, why: 'unknown' });
  });

  test('is gone after ten minutes', () => {
    let now = 0;
    const handover = new Handover(() => now);
    const { code } = handover.offer('build')!;
    now = 10 * MINUTE - 1;
    expect(handover.take('00000000' === code ? '11111111' : '00000000').ok).toBe(false);
    now = 10 * MINUTE;
    expect(handover.take(code)).toEqual({ ok: false, why: 'unknown' });
  });

  test('ten wrong codes drop everything that waits', () => {
    const handover = new Handover(
      () => 0,
      () => '11111111',
    );
    handover.offer('build');
    const answers = Array.from({ length: 10 }, (_, k) => handover.take(`2222222${k}`));
    expect(answers.at(-1)).toEqual({ ok: false, why: 'locked' });
    expect(handover.take('11111111').ok).toBe(false);
  });

  test('four wait at most; each has a code of eight digits of its own', () => {
    const draws = ['1', '1', '2', '3', '4'].map((one) => one.padStart(8, '0'));
    const handover = new Handover(
      () => 0,
      () => draws.shift()!,
    );
    const codes = Array.from({ length: 4 }, () => handover.offer('b')!.code);
    expect(codes).toEqual(['00000001', '00000002', '00000003', '00000004']);
    expect(handover.offer('one more')).toBeNull();
    expect(new Handover().offer('b')!.code).toMatch(/^\d{8}$/);
  });
});
