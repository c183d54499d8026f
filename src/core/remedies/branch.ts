import type { Assessment } from '../assess';
import type { DeviceKind, Edit } from '../build';
import { type BusDevicePart, type CablePart, catalogueOf } from '../parts';
import { smallestFuse } from '../proposals';
import { thickEnough } from './thick-enough';

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
  const nominalV = assessment.results.pack?.nominalV ?? 100;
  const currentA = part.ratedPowerW / (0.9 * nominalV);
  const fuse = smallestFuse(assessment.context.fullV ?? 0, Math.max(currentA, 4));
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
