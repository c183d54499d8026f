/** What is wrong with one row of readings between neighbouring sense wires, first to last. */
export type TapFault =
  | { readonly kind: 'swapped'; readonly first: number; readonly second: number }
  | { readonly kind: 'reversed'; readonly cell: number }
  | { readonly kind: 'open'; readonly wire: number }
  | { readonly kind: 'nothing'; readonly cell: number }
  | { readonly kind: 'too-high'; readonly cell: number }
  | { readonly kind: 'count'; readonly read: number; readonly cells: number };

export interface TapLimits {
  readonly cells: number;
  /** A cell at rest stands between these, V. */
  readonly leastV: number;
  readonly mostV: number;
}

/** Under this a tap reads nothing, V. */
const NOTHING_V = 0.3;

/**
 * Two neighbouring sense wires swapped read double, negative, double (at an end of the row: negative and double). An open wire shares two cells
 * between its two readings: one nothing, the other double, or any split of both. Cells and wires count from 1; wire 1 is the row’s minus.
 */
export function tapFaults(readingsV: readonly number[], { cells, leastV, mostV }: TapLimits): TapFault[] {
  const faults: TapFault[] = [];
  if (readingsV.length !== cells) faults.push({ kind: 'count', read: readingsV.length, cells });
  const isCell = (v: number) => v >= leastV && v <= mostV;
  const isDouble = (v: number) => v >= 2 * leastV && v <= 2 * mostV;
  const explained = new Set<number>();
  readingsV.forEach((v, k) => {
    if (!(v <= -NOTHING_V)) return;
    const [before, after] = [readingsV[k - 1], readingsV[k + 1]];
    const sides = [before, after].filter((side) => side !== undefined);
    // Cell k + 1 lies between wires k + 1 and k + 2.
    if (isCell(-v) && sides.length > 0 && sides.every(isDouble)) {
      faults.push({ kind: 'swapped', first: k + 1, second: k + 2 });
      for (const at of [k - 1, k, k + 1]) explained.add(at);
    } else {
      faults.push({ kind: 'reversed', cell: k + 1 });
      explained.add(k);
    }
  });
  readingsV.forEach((v, k) => {
    const next = readingsV[k + 1];
    if (explained.has(k) || explained.has(k + 1) || next === undefined) return;
    // Two neighbours that are a pair of cells together, and neither is one: the wire between them floats.
    if (!isCell(v) && !isCell(next) && isDouble(v + next) && v >= 0 && next >= 0) {
      faults.push({ kind: 'open', wire: k + 2 });
      explained.add(k);
      explained.add(k + 1);
    }
  });
  readingsV.forEach((v, k) => {
    if (explained.has(k) || isCell(v)) return;
    faults.push(
      v < NOTHING_V
        ? { kind: 'nothing', cell: k + 1 }
        : v > mostV
          ? { kind: 'too-high', cell: k + 1 }
          : { kind: 'nothing', cell: k + 1 },
    );
  });
  return faults;
}

/** In words of whoever stands at the plug. */
export function tapWords(fault: TapFault): string {
  switch (fault.kind) {
    case 'swapped':
      return `wires ${fault.first} and ${fault.second} are swapped`;
    case 'reversed':
      return `cell ${fault.cell} reads backwards`;
    case 'open':
      return `wire ${fault.wire} is open`;
    case 'nothing':
      return `cell ${fault.cell} reads too little: empty, or a wire is open or shorted`;
    case 'too-high':
      return `cell ${fault.cell} reads too much for one cell`;
    case 'count':
      return `${fault.read} readings for ${fault.cells} cells`;
  }
}

/** Figures of a reading that is in order. */
export function tapSpread(
  readingsV: readonly number[],
): { readonly lowest: number; readonly highest: number; readonly spreadV: number } | null {
  if (readingsV.length === 0) return null;
  const lowest = readingsV.reduce((low, v, k) => (v < readingsV[low]! ? k : low), 0);
  const highest = readingsV.reduce((high, v, k) => (v > readingsV[high]! ? k : high), 0);
  return { lowest: lowest + 1, highest: highest + 1, spreadV: readingsV[highest]! - readingsV[lowest]! };
}

export type TypedTaps =
  | { readonly ok: true; readonly readingsV: readonly number[] }
  | { readonly ok: false; readonly reason: string; readonly remedy: string };

const MOST = 2000;

/** Readings as they are typed or pasted: one to a line or with spaces or semicolons between, with or without "V" or "mV"; "3,31" is 3.31. */
export function typedTaps(text: string): TypedTaps {
  const words = text
    .replace(/(\d)\s+(m?V)\b/gi, '$1$2')
    .split(/[\s;]+|,(?=\s)/)
    .filter((word) => word !== '');
  if (words.length > MOST)
    return { ok: false, reason: `These are more than ${MOST} readings.`, remedy: 'Paste one plug at a time.' };
  const readingsV: number[] = [];
  for (const [k, word] of words.entries()) {
    const match = /^([+−-]?\d{0,6}(?:[.,]\d{1,6})?)(mV|V)?$/i.exec(word);
    const value = match?.[1] && /\d/.test(match[1]) ? Number(match[1].replace(',', '.').replace('−', '-')) : Number.NaN;
    if (!Number.isFinite(value))
      return {
        ok: false,
        reason: `Reading ${k + 1}, “${word.slice(0, 20)}”, is no voltage.`,
        remedy: 'Type one figure for each cell, in the order of the wires.',
      };
    readingsV.push(match![2]?.toLowerCase() === 'mv' ? value / 1000 : value);
  }
  return { ok: true, readingsV };
}
