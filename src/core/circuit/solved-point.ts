import type { Element, NodeName } from './netlist';

export interface OperatingPoint {
  /** False when the sources can't deliver the power that is asked. */
  readonly solvable: boolean;
  readonly reason?: string;
  /** Common factor on all consuming loads at which the solution vanishes; null when nothing consumes. */
  readonly maximumLoadFactor: number | null;
  readonly islands: readonly NodeName[];
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  readonly nodeVoltagesV: ReadonlyMap<NodeName, number>;
  /** Positive from a to b inside the element. */
  readonly elementCurrentsA: ReadonlyMap<string, number>;
  /** Positive absorbs. */
  readonly elementPowersW: ReadonlyMap<string, number>;
  /** Loads that are on. */
  readonly loadsOn: ReadonlySet<string>;
}

/** An operating point that was found; powers are worked out when they are asked for. */
export class Solved implements OperatingPoint {
  readonly solvable = true;
  readonly islands: readonly NodeName[];
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  readonly loadsOn: ReadonlySet<string>;
  private powers: Map<string, number> | null = null;

  constructor(
    common: Pick<OperatingPoint, 'islands' | 'referenceOf' | 'loadsOn'>,
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
