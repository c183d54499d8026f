import fc from 'fast-check';
import { expect, test } from 'vitest';
import { rowsOf } from './cell-window';

test('no name runs into another of its row, and no leader through a name of a lower row', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 900 }), { maxLength: 8 }), (list) => {
      const xs = [...list].sort((p, q) => p - q);
      const rows = rowsOf(xs);
      xs.forEach((x, i) => {
        xs.forEach((other, j) => {
          if (i === j) return;
          const over = other > x && other < x + 128;
          // A name reaches to the right: whoever begins under it stands lower, and its leader ends there.
          if (over) expect(rows[j]!).toBeLessThan(rows[i]!);
        });
      });
    }),
  );
});
