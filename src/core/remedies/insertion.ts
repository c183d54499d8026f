import type { Assessment } from '../assess';
import type { DeviceKind, Edit } from '../build';
import { type BusDevicePart, type CablePart, catalogueOf, type FusePart, type Part } from '../parts';
import { continuousCurrent } from '../physics/fuse';
import { currentIn } from '../vehicle';
import { thickEnough } from './thick-enough';

/** What can be put into a wire by pressing it. */
export const INSERTABLE = ['fuse', 'contactor', 'disconnect', 'sensor'] as const;
export type Insertable = (typeof INSERTABLE)[number];

const NAMES: Readonly<Record<Insertable, string>> = {
  fuse: 'Fuse',
  contactor: 'Contactor',
  disconnect: 'Disconnect',
  sensor: 'Shunt',
};

const least = <P>(parts: readonly P[], fits: (part: P) => boolean, size: (part: P) => number): P =>
  [...parts].sort((p, q) => Number(fits(q)) - Number(fits(p)) || size(p) - size(q))[0]!;

/** The largest current of a case through something, A. */
function largestA(assessment: Assessment, id: string, duration: 'sustained' | 'any'): number {
  const amps = assessment.vehicle.cases
    .filter(({ state }) => duration === 'any' || state.duration === duration)
    .map((solved) => currentIn(solved, id) ?? 0);
  return Math.max(0, ...amps);
}

const smallestFuse = (fullV: number, currentA: number): FusePart => {
  const traction = catalogueOf('fuse').filter((part) => part.family === 'traction');
  return least(
    traction,
    (part) => (part.ratedVoltageDcV ?? 0) >= fullV && continuousCurrent(part, 60) >= 1.1 * currentA,
    (part) => part.ratedCurrentA * 1e4 + (part.ratedVoltageDcV ?? 0),
  );
};

function partFor(assessment: Assessment, conductorId: string, kind: Insertable): Part {
  const fullV = assessment.pack?.fullV ?? 0;
  const currentA = largestA(assessment, conductorId, 'sustained');
  switch (kind) {
    case 'fuse':
      return smallestFuse(fullV, currentA);
    case 'contactor':
      return least(
        catalogueOf('contactor'),
        (part) =>
          part.ratedVoltageV >= fullV &&
          Math.max(...part.carry.map((point) => point.currentA)) >= 1.2 * currentA &&
          part.breakCurrentA >= largestA(assessment, conductorId, 'any'),
        (part) => part.makeCurrentA * 1e4 + part.ratedVoltageV,
      );
    case 'disconnect':
      return least(
        catalogueOf('disconnect'),
        (part) => part.ratedVoltageV >= fullV && part.ratedCurrentA >= currentA,
        (part) => part.ratedVoltageV,
      );
    case 'sensor':
      return catalogueOf('sensor')[0]!;
  }
}

/** The edit that puts a device with a first part into a wire; the model then judges it. Ids come from the edge. */
export function insertionEdit(assessment: Assessment, conductorId: string, kind: Insertable, seed: string): Edit {
  const part = partFor(assessment, conductorId, kind);
  return {
    edit: 'insertDevice',
    input: {
      conductorId,
      device: {
        id: `${seed}-${kind}`,
        kind,
        name: NAMES[kind],
        partId: part.id,
        place: null,
        ...(kind === 'contactor' ? { role: 'branch' as const } : {}),
      },
      part,
      newConductorId: `${seed}-after`,
    },
  };
}

/** Kinds of branches, by the words of the parts that they take. */
export const BRANCH_KINDS: readonly (readonly [DeviceKind, string, RegExp])[] = [
  ['heater', 'Heater', /heater/i],
  ['charger-converter', 'Charger and converter', /charger and/i],
  ['charger', 'Charger', /charger/i],
  ['converter', 'Converter', /converter/i],
  ['compressor', 'Compressor', /compressor/i],
];

/** The kind of device that a part is, told from its name; a heater when nothing tells. */
export const branchKindOf = (part: BusDevicePart): readonly [DeviceKind, string] => {
  const found = BRANCH_KINDS.find(([, , words]) => words.test(part.name)) ?? BRANCH_KINDS[0]!;
  return [found[0], found[1]];
};

/** The edit that hangs a device on the bus with a fuse and wires that fit its rating at the nominal voltage. */
export function branchEdit(assessment: Assessment, part: BusDevicePart, seed: string): Edit {
  const [kind, name] = branchKindOf(part);
  const nominalV = assessment.pack?.nominalV ?? 100;
  const currentA = part.ratedPowerW / (0.9 * nominalV);
  const fuse = smallestFuse(assessment.pack?.fullV ?? 0, Math.max(currentA, 4));
  const edit = (cable: CablePart): Edit => ({
    edit: 'addBranch',
    input: {
      seed,
      device: {
        kind,
        name,
        partId: part.id,
        powersW: part.ratedPowerW > 0 ? { cruise: part.ratedPowerW } : {},
      },
      part,
      fuse,
      cable,
      lengthM: 1,
    },
  });
  // Roughly 6 A/mm² and never thinner than the fuse asks; then as thick as the tap, which its own fuse does not save, has to be.
  const cables = catalogueOf('cable')
    .filter((one) => one.shielded && one.areaMm2 * 6 >= fuse.ratedCurrentA)
    .sort((p, q) => p.areaMm2 - q.areaMm2);
  return edit(thickEnough(assessment.build, cables, edit, assessment.vehicle.memory.trial));
}
