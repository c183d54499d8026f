import { applyEdit, type Build, type CircuitName, type Conductor, type Device, type Edit, type Id } from '../../build';
import { cataloguePart, type Part, type PartKind, type PartOf } from '../../parts';

/** One change of a build. */
export type Change = (build: Build) => Build;

/** By the edits, as somebody at the screen does it. */
export const edit =
  (...edits: readonly Edit[]): Change =>
  (build) =>
    edits.reduce((one, next) => applyEdit(one, next).build, build);

export const both =
  (...changes: readonly Change[]): Change =>
  (build) =>
    changes.reduce((one, change) => change(one), build);

/** "k-plus.a" as an end. */
export const end = (at: string) => {
  const dot = at.lastIndexOf('.');
  return { deviceId: at.slice(0, dot), terminal: at.slice(dot + 1) };
};

const circuitOf = (build: Build, conductorId: Id): CircuitName =>
  build.circuits.hv.conductors[conductorId] ? 'hv' : 'lv';

const withConductors = (build: Build, name: CircuitName, conductors: Record<Id, Conductor>): Build => ({
  ...build,
  circuits: { ...build.circuits, [name]: { ...build.circuits[name], conductors } },
});

/** The wire ends elsewhere. */
export const reEnd =
  (conductorId: Id, which: 'a' | 'b', at: string): Change =>
  (build) => {
    const name = circuitOf(build, conductorId);
    const { conductors } = build.circuits[name];
    const wire = conductors[conductorId];
    if (!wire) throw new Error(`no wire ${conductorId}`);
    return withConductors(build, name, { ...conductors, [conductorId]: { ...wire, [which]: end(at) } });
  };

/** A wire more, of the same sort as another. */
export const wire =
  (id: Id, name: string, from: string, to: string, like: Id): Change =>
  (build) => {
    const circuit = circuitOf(build, like);
    const { conductors } = build.circuits[circuit];
    const model = conductors[like];
    if (!model) throw new Error(`no wire ${like}`);
    return withConductors(build, circuit, { ...conductors, [id]: { ...model, id, name, a: end(from), b: end(to) } });
  };

/** Everything on the device's a goes to its b, and the other way round. */
export const turn =
  (deviceId: Id): Change =>
  (build) => {
    const { conductors } = build.circuits.hv;
    const other: Readonly<Record<string, string>> = { a: 'b', b: 'a' };
    const turned = (one: Conductor['a']) =>
      one.deviceId === deviceId ? { ...one, terminal: other[one.terminal] ?? one.terminal } : one;
    return withConductors(
      build,
      'hv',
      Object.fromEntries(
        Object.entries(conductors).map(([id, one]) => [id, { ...one, a: turned(one.a), b: turned(one.b) }]),
      ),
    );
  };

/** Written down from the other end. */
export const flip =
  (conductorId: Id): Change =>
  (build) => {
    const name = circuitOf(build, conductorId);
    const { conductors } = build.circuits[name];
    const one = conductors[conductorId]!;
    return withConductors(build, name, { ...conductors, [conductorId]: { ...one, a: one.b, b: one.a } });
  };

/** Facts of a device that no single edit sets. */
export const device =
  (deviceId: Id, facts: Partial<Device>): Change =>
  (build) => {
    const name: CircuitName = build.circuits.hv.devices[deviceId] ? 'hv' : 'lv';
    const { devices } = build.circuits[name];
    return {
      ...build,
      circuits: {
        ...build.circuits,
        [name]: { ...build.circuits[name], devices: { ...devices, [deviceId]: { ...devices[deviceId]!, ...facts } } },
      },
    };
  };

export const fit = (deviceId: Id, partId: string, kind: PartKind): Change =>
  edit({ edit: 'fitPart', input: { deviceId, part: cataloguePart(partId, kind) as never } });

/** The same part with other figures: one that somebody bought by its label. */
export const refit =
  <K extends PartKind>(deviceId: Id, kind: K, facts: Partial<PartOf<K>>): Change =>
  (build) => {
    const name: CircuitName = build.circuits.hv.devices[deviceId] ? 'hv' : 'lv';
    const part = build.parts[build.circuits[name].devices[deviceId]!.partId!] as Part;
    if (part.kind !== kind) throw new Error(`${deviceId} is no ${kind}`);
    return edit({
      edit: 'fitPart',
      input: { deviceId, part: { ...part, ...facts, id: `own-${deviceId}` } as never },
    })(build);
  };

/** A cable of the build with another figure on its sheet. */
export const sheet =
  (conductorId: Id, facts: Readonly<Record<string, number>>): Change =>
  (build) => {
    const part = build.parts[build.circuits.hv.conductors[conductorId]!.partId!]!;
    if (part.kind !== 'cable') throw new Error(`${conductorId} is no cable`);
    return edit({
      edit: 'fitCable',
      input: { conductorIds: [conductorId], part: { ...part, ...facts, id: `own-${conductorId}` } },
    })(build);
  };

export const cable = (partId: string, ...conductorIds: Id[]): Change =>
  edit({ edit: 'fitCable', input: { conductorIds, part: cataloguePart(partId, 'cable') } });

export const long = (conductorId: Id, lengthM: number): Change =>
  edit({ edit: 'setConductor', input: { conductorId, lengthM } });

/** Wires of a kind by their name: ids of the 12-volt side are made. */
export const lvWireTo =
  (deviceName: string, terminal: string, change: (id: Id) => Change): Change =>
  (build) => {
    const { devices, conductors } = build.circuits.lv;
    const found = Object.values(conductors).find(({ a, b }) =>
      [a, b].some((one) => devices[one.deviceId]?.name === deviceName && one.terminal === terminal),
    );
    if (!found) throw new Error(`no wire at ${deviceName}.${terminal}`);
    return change(found.id)(build);
  };

export const lvDevice =
  (name: string, change: (id: Id) => Change): Change =>
  (build) => {
    const found = Object.values(build.circuits.lv.devices).find((one) => one.name === name);
    if (!found) throw new Error(`no ${name}`);
    return change(found.id)(build);
  };

/** A point of the body that high voltage may meet. */
export const bodyPoint = (id: Id, name: string): Change =>
  edit({ edit: 'addDevice', input: { device: { id, kind: 'chassis', name, partId: null, place: null } } });

/** A conductor of the traction circuit as a bar, or its ends bolted to each other: no part, and no way but its own. */
export const barred =
  (conductorId: Id, kind: 'busbar' | 'bolted'): Change =>
  (build) => {
    const { conductors } = build.circuits.hv;
    const made = { ...conductors[conductorId]!, kind, partId: null };
    return withConductors(build, 'hv', { ...conductors, [conductorId]: made });
  };

/** What a bar of the traction circuit measures across, mm². */
export const section = (conductorId: Id, sectionMm2: number): Change =>
  edit({ edit: 'setBarSection', input: { conductorId, sectionMm2 } });

/** Both its joints together as they were measured, Ω. */
export const jointed =
  (conductorId: Id, jointResistanceOhm: number): Change =>
  (build) => {
    const circuit = Object.hasOwn(build.circuits.lv.conductors, conductorId) ? 'lv' : 'hv';
    const { conductors } = build.circuits[circuit];
    return withConductors(build, circuit, {
      ...conductors,
      [conductorId]: { ...conductors[conductorId]!, jointResistanceOhm },
    });
  };

/** Without a length and a way of its own. */
export const bare =
  (conductorId: Id): Change =>
  (build) => {
    const { conductors } = build.circuits.hv;
    const made = { ...conductors[conductorId]!, lengthM: null, routeId: null, laid: null };
    return withConductors(build, 'hv', { ...conductors, [conductorId]: made });
  };

/** Cables between inverter and motor, each like another wire. */
export const drawn = (letters: readonly string[], like: string): Change =>
  both(
    ...letters.map((one) =>
      wire(`phase-${one}`, `Motor cable ${one.toUpperCase()}`, `inverter.${one}`, `motor.${one}`, like),
    ),
  );
