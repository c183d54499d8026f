import type { Element } from '../circuit';
import { groundOf, type SolvedCase, stamp, type Vehicle } from '../vehicle';

/** SPICE names: letters, digits and underscores only, so that no text of a file becomes a line of its own. */
function nameMaker(): (text: string) => string {
  const given = new Map<string, string>();
  const used = new Set<string>();
  return (text) => {
    const known = given.get(text);
    if (known !== undefined) return known;
    const base = text.replace(/[^A-Za-z0-9]+/g, '_') || 'x';
    let name = base;
    for (let n = 2; used.has(name.toLowerCase()); n++) name = `${base}_${n}`;
    used.add(name.toLowerCase());
    given.set(text, name);
    return name;
  };
}

const oneLine = (text: string): string => text.replace(/[\r\n\u2028\u2029]+/g, ' ').slice(0, 200);
const num = (value: number): string => value.toPrecision(9);
/** Stands for 0 Ω, which SPICE has not. */
const LEAST_OHM = 1e-9;
/** Keeps parts that hang free of ground at a defined voltage. */
const REFERENCE_OHM = 1e12;

/** What a switch, a source or a load becomes. */
function cards(element: Element, name: (text: string) => string, floorV: number): string[] {
  const id = name(element.id);
  const a = name(element.a);
  const b = name(element.b);
  switch (element.kind) {
    case 'resistor':
      return [`R${id} ${a} ${b} ${num(Math.max(element.resistanceOhm, LEAST_OHM))}`];
    case 'inductor':
      return [`L${id} ${a} ${b} ${num(element.inductanceH)}`];
    case 'capacitor':
      return [`C${id} ${a} ${b} ${num(element.capacitanceF)}`];
    case 'source': {
      const inner = name(`${element.id} inner`);
      return [
        `V${id} ${inner} ${b} DC ${num(element.voltageV)}`,
        `R${id}_in ${inner} ${a} ${num(Math.max(element.resistanceOhm ?? 0, LEAST_OHM))}`,
      ];
    }
    case 'switch':
      return element.closed
        ? [`R${id} ${a} ${b} ${num(Math.max(element.resistanceOhm ?? 0, LEAST_OHM))}`]
        : [`* ${id} between ${a} and ${b} is open`];
    case 'power': {
      // Constant power above the floor, a resistance of the same power at the floor below it: no endless current at 0 V.
      const v = `V(${a},${b})`;
      const p = num(element.powerW);
      return [`B${id} ${a} ${b} I = ${v} > ${num(floorV)} ? ${p}/${v} : ${p}*${v}/${num(floorV * floorV)}`];
    }
  }
}

/** A branch that only starts at a voltage is left out of an operating point in which it is off. */
const isOff = (element: Element, solved: SolvedCase): boolean =>
  element.kind === 'power' && !solved.point.loadsOn.has(element.id);

export interface SpiceText {
  readonly text: string;
  /** SPICE name of each node of the network, ground left out. */
  readonly nodeNames: ReadonlyMap<string, string>;
  readonly ground: string;
}

/**
 * The traction circuit of one solved case as a SPICE netlist with `.op`: resistances at their solved temperatures, closed switches
 * as resistances, constant-power loads as behavioural sources, our own node voltages as the starting guess.
 */
export function spiceExport(vehicle: Vehicle, solved: SolvedCase): SpiceText {
  const ground = groundOf(vehicle);
  if (ground === null) throw new Error('a build without cells has no circuit to export');
  const elements = stamp(vehicle, {
    state: solved.state,
    corner: solved.corner,
    temperatureOf: (id) => solved.temperaturesC.get(id) ?? vehicle.conductorOf.get(id)?.cable?.temperatureClassC ?? 125,
    capacitors: true,
  });
  const named = nameMaker();
  const name = (text: string): string => (text === ground ? '0' : named(text));
  const highest = Math.max(
    0,
    ...elements.map((element) => (element.kind === 'source' ? Math.abs(element.voltageV) : 0)),
  );
  const nodes = [...new Set(elements.flatMap(({ a, b }) => [a, b]))].filter((node) => node !== ground);
  const lines = [
    `* ${oneLine(vehicle.build.name)}, ${solved.id}`,
    '* Traction circuit by Ropeway. Computes and records; local code and licensed practice decide. Prove dead before touching.',
    ...elements.flatMap((element) =>
      isOff(element, solved) ? [`* ${name(element.id)} is off`] : cards(element, name, 0.01 * highest),
    ),
    ...nodes
      .filter((node) => solved.point.referenceOf.get(node) !== ground)
      .map((node) => `R${named(`reference ${node}`)} ${name(node)} 0 ${num(REFERENCE_OHM)}`),
    // Only what is not linear needs a start: the upper of its two solutions.
    ...(elements.some((element) => element.kind === 'power' && !isOff(element, solved)) ? nodes : []).map(
      (node) =>
        `.nodeset V(${name(node)})=${num((solved.point.solvable ? solved.point.nodeVoltagesV.get(node) : undefined) ?? 0)}`,
    ),
    '.options reltol=1e-6',
    '.op',
    '.end',
  ];
  return { text: `${lines.join('\n')}\n`, nodeNames: new Map(nodes.map((node) => [node, name(node)])), ground };
}
