import type { Element, NodeName, SolvedPoint } from '../circuit';

interface Step {
  readonly element: Element;
  readonly towards: NodeName;
}

/**
 * What of a circuit no current can flow in while its loads are off: branches that end in nothing. With a few loads on, only the ways from
 * them to the rest come back, so that one load of hundreds is solved in a network of its own size.
 */
export class DeadEnds {
  /** Elements that are in a loop, or may be. */
  private readonly core: ReadonlySet<string>;
  /** From each node out of the core the next one on its way there; the last of a piece that hangs on nothing has none. */
  private readonly step: ReadonlyMap<NodeName, Step>;

  /** `fixed`: nodes that are never let go: those of sources, and the ground. */
  constructor(
    private readonly elements: readonly Element[],
    fixed: Iterable<NodeName>,
  ) {
    const at = new Map<NodeName, Element[]>();
    const meet = (node: NodeName, element: Element) => {
      const known = at.get(node);
      if (known) known.push(element);
      else at.set(node, [element]);
    };
    for (const element of elements) {
      meet(element.a, element);
      if (element.b !== element.a) meet(element.b, element);
    }
    const stays = new Set(fixed);
    const gone = new Set<string>();
    const left = new Map([...at].map(([node, list]) => [node, list.length]));
    const step = new Map<NodeName, Step>();
    const ends = [...left.keys()].filter((node) => left.get(node) === 1 && !stays.has(node));
    for (let end = ends.pop(); end !== undefined; end = ends.pop()) {
      const element = at.get(end)!.find(({ id }) => !gone.has(id));
      if (!element || element.a === element.b) continue;
      gone.add(element.id);
      const towards = element.a === end ? element.b : element.a;
      step.set(end, { element, towards });
      left.set(end, 0);
      left.set(towards, left.get(towards)! - 1);
      if (left.get(towards) === 1 && !stays.has(towards)) ends.push(towards);
    }
    this.core = new Set(elements.flatMap(({ id }) => (gone.has(id) ? [] : [id])));
    this.step = step;
  }

  /** Elements that can carry current with these on, in their order. */
  alive(loads: readonly Element[]): Element[] {
    const ways = new Set<string>();
    for (const { a, b } of loads)
      for (const from of [a, b])
        for (let next = this.step.get(from); next && !ways.has(next.element.id); next = this.step.get(next.towards))
          ways.add(next.element.id);
    return this.elements.filter(({ id }) => this.core.has(id) || ways.has(id));
  }

  /** The nearest node on the way to the rest that was solved; at the same voltage, since nothing flows. */
  rootOf(node: NodeName, solved: SolvedPoint): NodeName {
    let at = node;
    for (let next = this.step.get(at); next && !solved.nodeVoltagesV.has(at); next = this.step.get(at))
      at = next.towards;
    return at;
  }

  /** Voltages and references of every node, those of the dead ends as where they hang. */
  whole(solved: SolvedPoint): Pick<SolvedPoint, 'nodeVoltagesV' | 'referenceOf'> {
    const nodeVoltagesV = new Map(solved.nodeVoltagesV);
    const referenceOf = new Map(solved.referenceOf);
    for (const node of this.step.keys()) {
      if (nodeVoltagesV.has(node)) continue;
      const root = this.rootOf(node, solved);
      nodeVoltagesV.set(node, solved.nodeVoltagesV.get(root) ?? 0);
      referenceOf.set(node, solved.referenceOf.get(root) ?? root);
    }
    return { nodeVoltagesV, referenceOf };
  }
}
