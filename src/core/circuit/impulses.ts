import { type Capacitor, type Element, type Inductor, NetworkError, type NodeName, named } from './netlist';
import { Sets } from './topology';

/** What a switching moment would ask infinite current or voltage of; both are modelling slips, refused by name. */

const isRigid = (element: Element): boolean =>
  element.kind === 'capacitor' ||
  ((element.kind === 'source' || element.kind === 'resistor' || (element.kind === 'switch' && element.closed)) &&
    (element.resistanceOhm ?? 0) === 0);

/** Refuses loops of capacitors, ideal sources and ideal switches whose voltages don't add up to zero: the current would be infinite. */
export function refuseImpulseLoops(
  elements: readonly Element[],
  capacitorV: (capacitor: Capacitor) => number,
  scaleV: number,
): void {
  const rigid = elements.filter(isRigid);
  if (!rigid.some((element) => element.kind === 'capacitor')) return;
  const neighbours = new Map<NodeName, { to: NodeName; fallV: number; element: Element }[]>();
  const link = (from: NodeName, to: NodeName, fallV: number, element: Element) =>
    neighbours.set(from, [...(neighbours.get(from) ?? []), { to, fallV, element }]);
  for (const element of rigid) {
    const fallV = element.kind === 'capacitor' ? capacitorV(element) : element.kind === 'source' ? element.voltageV : 0;
    link(element.a, element.b, fallV, element);
    link(element.b, element.a, -fallV, element);
  }
  const potential = new Map<NodeName, number>();
  for (const start of neighbours.keys()) {
    if (potential.has(start)) continue;
    potential.set(start, 0);
    const queue = [start];
    for (let node = queue.shift(); node !== undefined; node = queue.shift()) {
      for (const { to, fallV, element } of neighbours.get(node) ?? []) {
        const expected = potential.get(node)! - fallV;
        const known = potential.get(to);
        if (known === undefined) {
          potential.set(to, expected);
          queue.push(to);
        } else if (Math.abs(known - expected) > 1e-6 * Math.max(scaleV, 1e-6)) {
          throw new NetworkError(
            `"${element.id}" closes a loop without resistance between different voltages: its current would be infinite.`,
            [element.id],
            'Give the switch, source or capacitor path its real resistance.',
          );
        }
      }
    }
  }
}

/** Refuses a part of the network that only inductors reach while their currents don't add up to zero: there is no path for them. */
export function refuseOpenInductors(elements: readonly Element[], inductorA: (inductor: Inductor) => number): void {
  const inductors = elements.filter((element): element is Inductor => element.kind === 'inductor');
  if (inductors.length === 0) return;
  const sets = new Sets();
  for (const element of elements) {
    if (element.kind === 'inductor' || (element.kind === 'switch' && !element.closed) || element.kind === 'power')
      continue;
    sets.join(element.a, element.b);
  }
  const sum = new Map<string, { net: number; ids: string[]; largest: number }>();
  for (const inductor of inductors) {
    const current = inductorA(inductor);
    for (const [node, sign] of [
      [inductor.a, -1],
      [inductor.b, 1],
    ] as const) {
      const entry = sum.get(sets.find(node)) ?? { net: 0, ids: [], largest: 0 };
      entry.net += sign * current;
      entry.ids.push(inductor.id);
      entry.largest = Math.max(entry.largest, Math.abs(current));
      sum.set(sets.find(node), entry);
    }
  }
  for (const { net, ids, largest } of sum.values()) {
    if (Math.abs(net) > 1e-6 * Math.max(largest, 1e-9) && Math.abs(net) > 1e-9) {
      throw new NetworkError(
        `The current of ${named([...new Set(ids)])} has no path when the switch opens.`,
        [...new Set(ids)],
        'Add a path for it: a resistor, a suppressor or a capacitor across the switch or the coil.',
      );
    }
  }
}
