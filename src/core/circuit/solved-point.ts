import type { Element, NodeName } from './netlist';

interface Common {
  readonly islands: readonly NodeName[];
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  /** Loads that are on. */
  readonly loadsOn: ReadonlySet<string>;
  /** Common factor on all consuming loads at which the solution vanishes; null when nothing consumes. */
  readonly maximumLoadFactor: number | null;
}

/** Voltages and currents that fit together. */
export interface SolvedPoint extends Common {
  readonly solvable: true;
  readonly nodeVoltagesV: ReadonlyMap<NodeName, number>;
  /** Positive from a to b inside the element. */
  readonly elementCurrentsA: ReadonlyMap<string, number>;
  /** Positive absorbs. */
  readonly elementPowersW: ReadonlyMap<string, number>;
}

/** The sources can't deliver the power that is asked: there is no figure to be read. */
export interface UnsolvedPoint extends Common {
  readonly solvable: false;
  readonly reason: string;
}

export type OperatingPoint = SolvedPoint | UnsolvedPoint;

/** An operating point that was found; powers are worked out when they are asked for. */
export class Solved implements SolvedPoint {
  readonly solvable = true as const;
  readonly islands: readonly NodeName[];
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  readonly loadsOn: ReadonlySet<string>;
  private powers: Map<string, number> | null = null;

  constructor(
    common: Omit<Common, 'maximumLoadFactor'>,
    readonly maximumLoadFactor: number | null,
    readonly nodeVoltagesV: ReadonlyMap<NodeName, number>,
    readonly elementCurrentsA: ReadonlyMap<string, number>,
    private readonly elements: readonly Element[],
  ) {
    this.islands = common.islands;
    this.referenceOf = common.referenceOf;
    this.loadsOn = common.loadsOn;
  }

  get elementPowersW(): ReadonlyMap<string, number> {
    this.powers ??= new Map(
      this.elements.map(({ id, a, b }) => {
        const current = this.elementCurrentsA.get(id)!;
        return [id, current === 0 ? 0 : (this.nodeVoltagesV.get(a)! - this.nodeVoltagesV.get(b)!) * current];
      }),
    );
    return this.powers;
  }
}
