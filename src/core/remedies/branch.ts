import type { Assessment } from '../assess';
import type { Device, DeviceKind, Edit } from '../build';
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

/** What its part says that it draws while driving, a heater in the cold too; of a charger what it gives. */
const usualPowers = (kind: DeviceKind, { ratedPowerW, chargePowerW }: BusDevicePart): Device['powersW'] => ({
  ...(ratedPowerW > 0 ? { cruise: ratedPowerW } : {}),
  ...(ratedPowerW > 0 && kind === 'heater' ? { heating: ratedPowerW } : {}),
  ...(chargePowerW !== undefined ? { charging: chargePowerW } : {}),
});

/** The edit that hangs a device on the bus with a fuse and wires that fit its rating at the nominal voltage. */
export function branchEdit(assessment: Assessment, part: BusDevicePart, seed: string): Edit {
  const [kind, name] = branchKindOf(part);
  const nominalV = assessment.results.pack?.nominalV ?? 100;
  // What it draws or what it gives, whichever is more.
  const currentA = Math.max(part.ratedPowerW, part.chargePowerW ?? 0) / (0.9 * nominalV);
  const fuse = smallestFuse(assessment.context.fullV ?? 0, Math.max(currentA, 4));
  const edit = (cable: CablePart): Edit => ({
    edit: 'addBranch',
    input: {
      seed,
      device: {
        kind,
        name,
        partId: part.id,
        powersW: usualPowers(kind, part),
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
