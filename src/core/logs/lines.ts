/** Bytes as they come out of a file, cut into lines: only what is left of the last one is kept. CR, LF and CR LF end a line. */

const LF = 10;
const CR = 13;
/** Longer lines are no log: 4000 columns of 16 characters. */
export const LONGEST_LINE = 65_536;

export class LineCutter {
  #rest = new Uint8Array(0);
  #afterCr = false;
  /** Lines that were longer than any log’s: given as empty. */
  tooLong = 0;

  /** Calls back with a view of the bytes, where the line begins and where it ends (exclusive). */
  push(bytes: Uint8Array, line: (bytes: Uint8Array, from: number, to: number) => void): void {
    let from = 0;
    // What was left of the piece before goes on here.
    if (this.#rest.length > 0) {
      const at = firstEnd(bytes, 0);
      const head = at < 0 ? bytes : bytes.subarray(0, at);
      const joined = new Uint8Array(Math.min(this.#rest.length + head.length, LONGEST_LINE + 1));
      joined.set(this.#rest.subarray(0, joined.length));
      joined.set(head.subarray(0, joined.length - this.#rest.length), this.#rest.length);
      if (at < 0) {
        this.#rest = joined;
        return;
      }
      this.#rest = new Uint8Array(0);
      this.#give(joined, 0, joined.length, line);
      this.#afterCr = bytes[at] === CR;
      from = at + 1;
    }
    const { length } = bytes;
    let k = from;
    if (this.#afterCr && k < length) {
      if (bytes[k] === LF) {
        k++;
        from = k;
      }
      this.#afterCr = false;
    }
    for (; k < length; k++) {
      const byte = bytes[k]!;
      if (byte !== LF && byte !== CR) continue;
      this.#give(bytes, from, k, line);
      if (byte === CR) {
        if (k + 1 === length) this.#afterCr = true;
        else if (bytes[k + 1] === LF) k++;
      }
      from = k + 1;
    }
    this.#rest = bytes.slice(from, Math.min(length, from + LONGEST_LINE + 1));
  }

  /** What is left when the file ends without an end of line: a line that may be cut. */
  end(): Uint8Array | null {
    const rest = this.#rest;
    this.#rest = new Uint8Array(0);
    return rest.length === 0 ? null : rest;
  }

  #give(bytes: Uint8Array, from: number, to: number, line: (bytes: Uint8Array, from: number, to: number) => void) {
    if (to - from <= LONGEST_LINE) {
      line(bytes, from, to);
      return;
    }
    this.tooLong++;
    line(bytes, from, from);
  }
}

function firstEnd(bytes: Uint8Array, from: number): number {
  for (let k = from; k < bytes.length; k++) if (bytes[k] === LF || bytes[k] === CR) return k;
  return -1;
}
