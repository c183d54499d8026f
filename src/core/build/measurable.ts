import type { Dimension } from '../quantities/units';
import { SETTABLE, type SettableName } from './edits/settable';
import { plainBuild, watchBuild } from './reads';
import { type Adoption, type Build, findConductor, findDevice, type Id, own, type Reading } from './types';

/** What a meter, a scale or a tape can read of a thing. */
export interface Measurable {
  readonly field: string;
  readonly label: string;
  readonly dimension: Dimension;
  /** Readings that can be right, as multiples of what is designed; null: any above zero can. */
  readonly band: readonly [least: number, most: number] | null;
}

const m = (
  field: string,
  label: string,
  dimension: Dimension,
  least: number | null = null,
  most = Number.POSITIVE_INFINITY,
): Measurable => ({ field, label, dimension, band: least === null ? null : [least, most] });

/** Subject of readings of the vehicle as a whole: figures that one edit sets (`SETTABLE`). */
export const WHOLE = 'build';

/**
 * Figures of parts. The bands are engineering judgement: a worn cell has four times its resistance, none has a fifth; what lies beyond is
 * mostly a unit slip (mΩ for Ω) or a bad contact of the meter.
 */
const OF_PARTS: Readonly<Record<string, readonly Measurable[]>> = {
  cell: [
    m('capacityAh', 'Capacity', 'charge', 0.3, 1.2),
    m('resistanceOhm', 'Resistance of a cell', 'resistance', 0.3, 5),
    m('linkResistanceOhm', 'Link between two cells', 'resistance', 0.1, 10),
  ],
  inverter: [
    m('linkCapacitanceF', 'Link capacitor', 'capacitance', 0.5, 1.5),
    m('bleedResistanceOhm', 'Bleed resistor', 'resistance', 0.3, 3),
    m('activeDischargeOhm', 'Active discharge', 'resistance', 0.3, 3),
  ],
  'bus-device': [
    m('linkCapacitanceF', 'Input capacitor', 'capacitance', 0.3, 3),
    m('bleedResistanceOhm', 'Bleed resistor', 'resistance', 0.3, 3),
    m('ratedPowerW', 'Draws at most', 'power', 0.5, 1.5),
    m('chargePowerW', 'Gives while charging', 'power', 0.3, 1.2),
  ],
  contactor: [
    m('contactResistanceOhm', 'Contact', 'resistance', 0.2, 5),
    m('coilPowerW', 'Coil, holding', 'power', 0.5, 2),
    m('coilPickUpV', 'Pulls in at', 'voltage', 0.5, 1.5),
    m('releaseTimeS', 'Opens within', 'time', 0.2, 5),
  ],
  disconnect: [m('contactResistanceOhm', 'Contact', 'resistance', 0.2, 5)],
  motor: [m('backVoltagePerKrpmV', 'Back-voltage at 1000/min', 'voltage', 0.5, 2), m('massKg', 'Mass', 'mass', 0.5, 2)],
  resistor: [m('resistanceOhm', 'Resistance', 'resistance', 0.5, 2)],
  sensor: [m('resistanceOhm', 'Resistance', 'resistance', 0.5, 2)],
};

/** Figures that belong to the one device or wire, not to its part. */
const OF_DEVICES: readonly Measurable[] = [
  m('massKg', 'As weighed', 'mass', 0.3, 3),
  m('insulationOhm', 'Insulation to the body', 'resistance'),
  m('yCapacitanceF', 'Capacitance to the body', 'capacitance', 0.1, 10),
];
const OF_WIRES: readonly Measurable[] = [
  m('lengthM', 'Length', 'length', 0.3, 3),
  m('jointResistanceOhm', 'Both joints', 'resistance', 0.1, 10),
];

const MEASURED_OF_WHOLE = {
  massEmpty: [0.5, 2],
  wheelbase: [0.8, 1.25],
  track: [0.8, 1.25],
  foundMass: [0.5, 2],
  strippedMass: [0.5, 2],
  foundFront: [0.5, 2],
  strippedFront: [0.5, 2],
  frontSpring: [0.3, 3],
  rearSpring: [0.3, 3],
  frontClearance: [0.2, 5],
  rearClearance: [0.2, 5],
  supplyVoltage: [0.8, 1.2],
  earthResistance: null,
  chargerEfficiency: [0.7, 1.2],
  vacuumOn: [0.5, 1.5],
  vacuumOff: [0.5, 1.5],
  vacuumLeak: null,
  pedalForce: [0.2, 5],
  coolantFlow: [0.2, 5],
  spinLoss: [0.2, 5],
  agedHealth: [0.5, 1.1],
} as const satisfies Partial<Record<SettableName, readonly [number, number] | null>>;

const OF_WHOLE: readonly Measurable[] = Object.entries(MEASURED_OF_WHOLE).map(([name, band]) => {
  const { label, dimension } = SETTABLE[name as SettableName];
  return { field: name, label, dimension, band };
});

/** Everything of a thing that can be read; none where the thing is not there. Of its part only what the part states. */
export function measurablesOf(build: Build, subjectId: Id): readonly Measurable[] {
  if (subjectId === WHOLE) return OF_WHOLE;
  const thing = findDevice(build, subjectId) ?? findConductor(build, subjectId);
  if (!thing) return [];
  const part = own(build.parts, thing.partId);
  const figures = part as unknown as Readonly<Record<string, unknown>> | undefined;
  const ofPart = (part ? (OF_PARTS[part.kind] ?? []) : []).filter(({ field }) => typeof figures?.[field] === 'number');
  const instance = 'kind' in thing && 'a' in thing ? OF_WIRES : OF_DEVICES;
  return [...ofPart, ...instance.filter(({ field }) => !ofPart.some((one) => one.field === field))];
}

/** The same by its name; undefined: that thing has no such figure. */
export const measurableOf = (build: Build, subjectId: Id, field: string): Measurable | undefined =>
  measurablesOf(build, subjectId).find((one) => one.field === field);

/** Whether a figure is one of its part; else of the thing itself. */
export const isOfPart = (build: Build, subjectId: Id, field: string): boolean => {
  const thing = findDevice(build, subjectId) ?? findConductor(build, subjectId);
  const part = thing && own(build.parts, thing.partId);
  return part !== undefined && (OF_PARTS[part.kind] ?? []).some((one) => one.field === field);
};

/** What the build says without any reading: of the part, of the thing, or set for the vehicle. Null: nothing. Of a build as measured what its design says. */
export function designedValue(asked: Build, subjectId: Id, field: string): number | null {
  const build = designOf(asked);
  const thing = findDevice(build, subjectId) ?? findConductor(build, subjectId);
  const from: unknown =
    subjectId === WHOLE
      ? wholeValue(build, field)
      : isOfPart(build, subjectId, field)
        ? (own(build.parts, thing?.partId ?? null) as unknown as Record<string, unknown>)?.[field]
        : (thing as unknown as Record<string, unknown> | undefined)?.[field];
  return typeof from === 'number' ? from : null;
}

function wholeValue(build: Build, name: string): unknown {
  if (!Object.hasOwn(MEASURED_OF_WHOLE, name)) return undefined;
  const [section, field] = SETTABLE[name as SettableName].path;
  return (build as unknown as Record<string, Record<string, unknown> | undefined>)[section]?.[field];
}

/** A reading that is so far from what is designed that the unit or the contact is in doubt: how many times it is; null: it is plausible. */
export function oddTimes(
  build: Build,
  { subjectId, field, value }: Pick<Reading, 'subjectId' | 'field' | 'value'>,
): number | null {
  const measurable = measurableOf(build, subjectId, field);
  if (!measurable?.band) return null;
  const designed = designedValue(build, subjectId, field);
  if (designed === null || designed === 0) return null;
  const times = value / designed;
  return times < measurable.band[0] || times > measurable.band[1] ? times : null;
}

/** A figure that this thing can have at all: above zero, and within what may be set. Files are not trusted. */
export function canRead(
  build: Build,
  { subjectId, field, value }: Pick<Reading, 'subjectId' | 'field' | 'value'>,
): boolean {
  if (!measurableOf(build, subjectId, field) || !Number.isFinite(value)) return false;
  if (subjectId !== WHOLE) return value > 0 && value <= MOST;
  const { min, max } = SETTABLE[field as SettableName];
  return value >= min && value <= max;
}

/** No figure of a thing is larger, in any unit that it is kept in. */
const MOST = 1e12;

/**
 * The reading that an adoption puts in the place of what is designed; null: it does not count, as it is gone, is of another figure or
 * thing, can’t be, or was made on a part that has been swapped since. The one answer for the model, the parts and the ledger.
 */
export function countedReading(build: Build, { readingId, subjectId, field, partId }: Adoption): Reading | null {
  const reading = own(build.readings, readingId);
  if (!reading || reading.subjectId !== subjectId || reading.field !== field || !canRead(build, reading)) return null;
  if (subjectId === WHOLE) return reading;
  const thing = findDevice(build, subjectId) ?? findConductor(build, subjectId);
  return thing?.partId === partId ? reading : null;
}

const measured = new WeakMap<Build, Build>();
const designs = new WeakMap<Build, Build>();

/**
 * The build with what was measured and adopted in the place of what was designed, for figures of things and of the vehicle; adopted figures
 * of parts are put in where the parts are looked up. The same object where nothing is adopted.
 */
export function asMeasured(build: Build): Build {
  // What is watched stands for a build as measured already.
  if (plainBuild(build) !== build) return build;
  const known = measured.get(build);
  if (known) return known;
  let made = build;
  for (const adoption of Object.values(build.adoptions)) {
    const reading = countedReading(build, adoption);
    if (reading && (reading.subjectId === WHOLE || !isOfPart(build, reading.subjectId, reading.field)))
      made = withFigure(made, reading);
  }
  measured.set(build, made);
  if (made !== build) {
    // Asked again it is what it is.
    measured.set(made, made);
    designs.set(made, build);
  }
  return made;
}

/**
 * The design behind a build as measured; what is read of it counts as read of the other: where a design changes, so does the slice that was
 * measured over it.
 */
function designOf(asked: Build): Build {
  const design = designs.get(plainBuild(asked));
  if (!design || plainBuild(asked) === asked) return design ?? asked;
  const known = designs.get(asked) ?? watchBuild(design, []);
  designs.set(asked, known);
  return known;
}

function withFigure(build: Build, { subjectId, field, value }: Reading): Build {
  if (subjectId === WHOLE) {
    const [section, key] = SETTABLE[field as SettableName].path;
    const before = (build as unknown as Record<string, object | undefined>)[section];
    return { ...build, [section]: { ...before, [key]: value } };
  }
  const name = own(build.circuits.hv.devices, subjectId) || own(build.circuits.hv.conductors, subjectId) ? 'hv' : 'lv';
  const circuit = build.circuits[name];
  const list = own(circuit.devices, subjectId) ? 'devices' : 'conductors';
  const thing = own<object>(circuit[list], subjectId);
  return {
    ...build,
    circuits: {
      ...build.circuits,
      [name]: { ...circuit, [list]: { ...circuit[list], [subjectId]: { ...thing, [field]: value } } },
    },
  };
}
