import { type Element, NetworkError, type NodeName, named } from './netlist';

/** Disjoint sets of names. */
export class Sets {
  private readonly parent = new Map<string, string>();
  find(name: string): string {
    let root = name;
    for (let up = this.parent.get(root); up !== undefined && up !== root; up = this.parent.get(root)) root = up;
    this.parent.set(name, root);
    return root;
  }
  /** Joins two sets; false when they were one already. */
  join(p: string, q: string): boolean {
    const a = this.find(p);
    const b = this.find(q);
    if (a === b) return false;
    this.parent.set(a, b);
    return true;
  }
}

export interface Islands {
  /** Reference node of each node's island. */
  readonly referenceOf: ReadonlyMap<NodeName, NodeName>;
  /** References other than ground, in lexical order. */
  readonly islands: readonly NodeName[];
}

/** Islands of nodes that `joining` elements hold together; each is referred to ground or else to its lexically first node. */
export function findIslands(
  elements: readonly Element[],
  ground: NodeName,
  joins: (element: Element) => boolean,
): Islands {
  const sets = new Sets();
  const nodes = new Set<NodeName>([ground]);
  for (const element of elements) {
    nodes.add(element.a);
    nodes.add(element.b);
    if (joins(element)) sets.join(element.a, element.b);
  }
  const groundRoot = sets.find(ground);
  const reference = new Map<string, NodeName>([[groundRoot, ground]]);
  for (const node of [...nodes].sort()) {
    const root = sets.find(node);
    if (!reference.has(root)) reference.set(root, node);
  }
  const referenceOf = new Map<NodeName, NodeName>();
  for (const node of nodes) referenceOf.set(node, reference.get(sets.find(node)) ?? ground);
  return { referenceOf, islands: [...reference.values()].filter((node) => node !== ground).sort() };
}

/** The elements of `tree` on the way from `from` to `to`. */
function pathThrough(tree: readonly Element[], from: NodeName, to: NodeName): Element[] {
  const arrivedBy = new Map<NodeName, { element: Element; before: NodeName } | null>([[from, null]]);
  const queue = [from];
  for (let node = queue.shift(); node !== undefined; node = queue.shift()) {
    for (const element of tree) {
      const next = element.a === node ? element.b : element.b === node ? element.a : undefined;
      if (next === undefined || arrivedBy.has(next)) continue;
      arrivedBy.set(next, { element, before: node });
      queue.push(next);
    }
  }
  const path: Element[] = [];
  for (let step = arrivedBy.get(to); step; step = arrivedBy.get(step.before)) path.push(step.element);
  return path;
}

/** Refuses a loop made of `ideal` elements only (no resistance anywhere): its current is undefined. Names the loop. */
export function refuseIdealLoops(elements: readonly Element[], ideal: (element: Element) => boolean): void {
  const sets = new Sets();
  const tree: Element[] = [];
  for (const element of elements) {
    if (!ideal(element)) continue;
    if (sets.join(element.a, element.b)) {
      tree.push(element);
      continue;
    }
    const loop = [...pathThrough(tree, element.a, element.b), element].map((member) => member.id).sort();
    throw new NetworkError(
      `The loop ${named(loop)} has no resistance: its current is undefined.`,
      loop,
      'Give one of them its real resistance; nothing is ideal.',
    );
  }
}
