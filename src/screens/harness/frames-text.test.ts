import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { framesText, hex, readFrames, readIdentifiers } from './frames-text';

describe('messages as they are typed', () => {
  test('what is written is read as it was', () => {
    const standard = fc.record({ identifier: fc.integer({ min: 0, max: 0x7ff }) });
    const extended = fc.record({ identifier: fc.integer({ min: 0, max: 0x1fffffff }), extended: fc.constant(true) });
    const frame = fc
      .tuple(fc.oneof(standard, extended), fc.integer({ min: 0, max: 8 }), fc.integer({ min: 1, max: 7_200_000 }))
      .map(([id, bytes, half]) => ({ ...id, bytes, periodS: half / 2 / 1000 }));
    fc.assert(
      fc.property(fc.array(frame, { maxLength: 12 }), (frames) => {
        const read = readFrames(framesText(frames));
        if (!('frames' in read)) throw new Error(read.why);
        expect(read.frames.length).toBe(frames.length);
        for (const [k, one] of read.frames.entries()) {
          expect([one.identifier, one.extended ?? false, one.bytes]).toEqual([
            frames[k]!.identifier,
            'extended' in frames[k]!,
            frames[k]!.bytes,
          ]);
          // Six digits of a period are written.
          expect(Math.abs(one.periodS / frames[k]!.periodS - 1)).toBeLessThan(1e-5);
        }
      }),
    );
  });

  test('each fault is named with what was typed', () => {
    const why = (text: string) => {
      const read = readFrames(text);
      return 'why' in read ? read.why : null;
    };
    expect(why('3C0 8 10')).toBeNull();
    expect(why('speed 8 10')).toContain('“speed 8 10” begins with no identifier');
    expect(why('20000000 8 10')).toContain('no identifier');
    expect(why('3C0 9 10')).toContain('no number of bytes from 0 to 8');
    expect(why('3C0 8')).toContain('no period');
    expect(why('3C0 8 0')).toContain('no period');
    expect(why('3C0 8 10; 3C1 x 10')).toContain('“3C1 x 10”');
  });

  test('identifiers by themselves; one that is none spoils the list', () => {
    expect(readIdentifiers('3C0, 0x18FF50E5; 7ff')).toEqual([0x3c0, 0x18ff50e5, 0x7ff]);
    expect(readIdentifiers('3C0 xyz')).toBeNull();
    expect(readIdentifiers('')).toEqual([]);
    expect(hex(0x18ff50e5)).toBe('0x18FF50E5');
  });
});
