/** What a log says of its cells, kept as sums while it streams by: memory does not grow with its length. */

export interface ReviewOptions {
  readonly cells: number;
  readonly temperatures: number;
  /** A cell under this is marked, V; null: none is. */
  readonly lowV: number | null;
  /** Under so much current it counts as at rest, A. */
  readonly restA: number;
  /** A change of current that tells a resistance, A. */
  readonly stepA: number;
}

export interface CellReview {
  readonly cell: number;
  readonly lowestV: number | null;
  /** When, and at what current. */
  readonly lowestAtS: number | null;
  readonly lowestA: number | null;
  readonly highestV: number | null;
  /** Mean of the last rest, V. */
  readonly restV: number | null;
  /** From steps of the current, Ω; null: too few of them. */
  readonly resistanceOhm: number | null;
  /** Under the low mark: how long, s, and whether it still was at the end. */
  readonly lowS: number;
  readonly lowNow: boolean;
}

export interface DriveReview {
  readonly rows: number;
  readonly durationS: number;
  readonly cells: readonly CellReview[];
  /** Drawn and put back, C. */
  readonly outC: number;
  readonly backC: number;
  readonly outJ: number;
  readonly peakA: number | null;
  /** Greatest spread at rest and under load, V. */
  readonly restSpreadV: number | null;
  readonly loadSpreadV: number | null;
  readonly hottestC: number | null;
  readonly hottestSensor: number | null;
  /** What does not fit, counted. */
  readonly repeated: number;
  readonly backwards: number;
  readonly gaps: number;
  /** Values that were missing or no number. */
  readonly empty: number;
}

/** At rest for so long, s: cells have settled somewhat. */
const REST_S = 30;
/** Steps that a resistance is told from. */
const LEAST_STEPS = 5;
/** A step is one only between rows so close, s. */
const STEP_S = 3;
/** Without a row for so long it is a gap, s: nothing is counted over it. */
const GAP_S = 30;

export class DriveReviewer {
  readonly #options: ReviewOptions;
  readonly #before: Float64Array;
  readonly #lowest: Float64Array;
  readonly #lowestAt: Float64Array;
  readonly #lowestA: Float64Array;
  readonly #highest: Float64Array;
  readonly #restSum: Float64Array;
  readonly #restCount: Float64Array;
  readonly #stepVA: Float64Array;
  readonly #stepAA: Float64Array;
  readonly #steps: Float64Array;
  readonly #lowS: Float64Array;
  readonly #lowNow: Uint8Array;
  #rows = 0;
  #startS = Number.NaN;
  #lastS = Number.NaN;
  #lastA = Number.NaN;
  #restSinceS = Number.NaN;
  #outC = 0;
  #backC = 0;
  #outJ = 0;
  #peakA = Number.NaN;
  #loadSpread = Number.NaN;
  #restSpread = Number.NaN;
  #hottest = Number.NaN;
  #hottestSensor = 0;
  #repeated = 0;
  #backwards = 0;
  #gaps = 0;
  #empty = 0;
  #activeS = 0;

  constructor(options: ReviewOptions) {
    this.#options = options;
    const made = (value: number) => new Float64Array(options.cells).fill(value);
    this.#before = made(Number.NaN);
    this.#lowest = made(Number.POSITIVE_INFINITY);
    this.#lowestAt = made(Number.NaN);
    this.#lowestA = made(Number.NaN);
    this.#highest = made(Number.NEGATIVE_INFINITY);
    this.#restSum = made(0);
    this.#restCount = made(0);
    this.#stepVA = made(0);
    this.#stepAA = made(0);
    this.#steps = made(0);
    this.#lowS = made(0);
    this.#lowNow = new Uint8Array(options.cells);
  }

  /** One row: time s, current A with either sign, pack V, cells V, sensors °C; NaN: not there. */
  row(timeS: number, currentA: number, packV: number, cellsV: Float64Array, temperaturesC: Float64Array): void {
    const { restA, stepA, lowV } = this.#options;
    if (Number.isNaN(timeS)) {
      this.#empty++;
      return;
    }
    this.#rows++;
    if (Number.isNaN(this.#startS)) this.#startS = timeS;
    const stepS = timeS - this.#lastS;
    if (stepS === 0) this.#repeated++;
    if (stepS < 0) this.#backwards++;
    if (stepS > GAP_S) this.#gaps++;
    // Over a gap, a jump back or the first row nothing is counted.
    const counts = stepS > 0 && stepS <= GAP_S;
    if (Number.isNaN(currentA)) this.#empty++;
    else {
      if (!(Math.abs(this.#peakA) >= Math.abs(currentA))) this.#peakA = currentA;
      if (counts) {
        this.#activeS += stepS;
        if (currentA > 0) this.#outC += currentA * stepS;
        else this.#backC -= currentA * stepS;
        if (!Number.isNaN(packV)) this.#outJ += currentA * packV * stepS;
      }
    }
    const resting = Math.abs(currentA) <= restA;
    if (!resting || !counts) this.#restSinceS = resting ? timeS : Number.NaN;
    else if (Number.isNaN(this.#restSinceS)) this.#restSinceS = timeS;
    const settled = resting && timeS - this.#restSinceS >= REST_S;
    if (settled && timeS - this.#restSinceS - stepS < REST_S) {
      this.#restSum.fill(0);
      this.#restCount.fill(0);
    }
    const dA = currentA - this.#lastA;
    const steps = counts && stepS <= STEP_S && Math.abs(dA) >= stepA;
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (let k = 0; k < cellsV.length; k++) {
      const v = cellsV[k]!;
      if (Number.isNaN(v)) {
        this.#empty++;
        continue;
      }
      if (v < low) low = v;
      if (v > high) high = v;
      if (v < this.#lowest[k]!) {
        this.#lowest[k] = v;
        this.#lowestAt[k] = timeS - this.#startS;
        this.#lowestA[k] = currentA;
      }
      if (v > this.#highest[k]!) this.#highest[k] = v;
      const isLow = lowV !== null && v < lowV;
      if (isLow && counts) this.#lowS[k]! += stepS;
      this.#lowNow[k] = isLow ? 1 : 0;
      if (settled) {
        this.#restSum[k]! += v;
        this.#restCount[k]!++;
      }
      if (steps) {
        const dV = v - this.#before[k]!;
        if (!Number.isNaN(dV)) {
          this.#stepVA[k]! += dV * dA;
          this.#stepAA[k]! += dA * dA;
          this.#steps[k]!++;
        }
      }
      this.#before[k] = v;
    }
    if (high > low) {
      if (settled && !(this.#restSpread >= high - low)) this.#restSpread = high - low;
      if (!resting && !Number.isNaN(currentA) && !(this.#loadSpread >= high - low)) this.#loadSpread = high - low;
    }
    for (let k = 0; k < temperaturesC.length; k++) {
      const c = temperaturesC[k]!;
      if (!Number.isNaN(c) && !(this.#hottest >= c)) {
        this.#hottest = c;
        this.#hottestSensor = k + 1;
      }
    }
    if (!(stepS < 0)) this.#lastS = timeS;
    else {
      // It begins anew from there.
      this.#lastS = timeS;
      this.#restSinceS = Number.NaN;
    }
    this.#lastA = currentA;
  }

  /** Values that could not be read, counted by whoever reads. */
  missed(values: number): void {
    this.#empty += values;
  }

  end(): DriveReview {
    const told = (value: number): number | null => (Number.isFinite(value) ? value : null);
    // A falling voltage with a rising current means that discharge is positive; logs that count the other way round are turned.
    const slopes = Array.from(this.#stepVA, (sum, k) =>
      this.#steps[k]! >= LEAST_STEPS ? -sum / this.#stepAA[k]! : Number.NaN,
    );
    const known = slopes.filter((one) => !Number.isNaN(one)).sort((p, q) => p - q);
    const turned = known.length > 0 && known[Math.floor(known.length / 2)]! < 0;
    const sign = turned ? -1 : 1;
    return {
      rows: this.#rows,
      durationS: this.#activeS,
      cells: Array.from(
        this.#lowest,
        (lowest, k): CellReview => ({
          cell: k + 1,
          lowestV: told(lowest),
          lowestAtS: told(this.#lowestAt[k]!),
          lowestA: told(sign * this.#lowestA[k]!),
          highestV: told(this.#highest[k]!),
          restV: this.#restCount[k]! > 0 ? this.#restSum[k]! / this.#restCount[k]! : null,
          resistanceOhm: told(sign * slopes[k]!),
          lowS: this.#lowS[k]!,
          lowNow: this.#lowNow[k] === 1,
        }),
      ),
      outC: turned ? this.#backC : this.#outC,
      backC: turned ? this.#outC : this.#backC,
      outJ: sign * this.#outJ,
      peakA: told(sign * this.#peakA),
      restSpreadV: told(this.#restSpread),
      loadSpreadV: told(this.#loadSpread),
      hottestC: told(this.#hottest),
      hottestSensor: this.#hottestSensor || null,
      repeated: this.#repeated,
      backwards: this.#backwards,
      gaps: this.#gaps,
      empty: this.#empty,
    };
  }
}
