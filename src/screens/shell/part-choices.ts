import type { Build } from '@/core/build';
import { type CablePart, catalogueOf, type Part, type PartKind, type PartOf } from '@/core/parts';
import { FUSE_FAMILIES } from '@/core/physics/fuse';
import { formatArea, type UnitSystem } from '@/core/quantities';

const CLASSES = {
  iso19642: 'Road-vehicle HV cable',
  'iec60228-5': 'Flexible class 5',
  awg: 'American gauges',
} as const;

/** Under which heading a part stands in a list. */
export function groupOfPart(part: Part): string | undefined {
  if (part.kind === 'fuse')
    return `${FUSE_FAMILIES[part.family].name}, ${part.ratedVoltageDcV === null ? 'no DC rating' : `${part.ratedVoltageDcV} V DC`}`;
  if (part.kind !== 'cable') return undefined;
  if (part.metal === 'aluminium') return 'Aluminium HV cable';
  if (part.id.startsWith('cable-battery')) return 'Battery cable, 60 V';
  if (part.ratedVoltageV <= 60) return 'Thin wall, 60 V';
  return `${CLASSES[part.conductorClass ?? 'iso19642']}${part.shielded ? ', shielded' : ''}`;
}

/** The build's own parts of a kind first, then the catalogue; a part that the build holds under a catalogue id counts as the build's. */
export function partsToChoose<K extends PartKind>(
  kind: K,
  build: Build,
): readonly { part: PartOf<K>; group: string | undefined }[] {
  const isKind = (part: Part): part is PartOf<K> => part.kind === kind;
  const catalogue = (catalogueOf(kind) as readonly Part[]).filter(isKind);
  const known = new Set(catalogue.map((part) => part.id));
  const own = Object.values(build.parts)
    .filter(isKind)
    .filter((part) => !known.has(part.id));
  return [
    ...own.map((part) => ({ part, group: 'Of this build' })),
    ...catalogue.map((part) => {
      const held = build.parts[part.id];
      return { part: held && isKind(held) ? held : part, group: groupOfPart(part) };
    }),
  ];
}

/** A cable in few words: its size, and what sets it apart from the others of that size. */
export function cableLabel(part: CablePart, system: UnitSystem): string {
  if (part.provenance !== 'generic') return part.name;
  const size = formatArea(part.areaMm2, system);
  if (part.conductorClass === 'awg') return part.name.replace(/ cable.*/, '');
  if (part.conductorClass === 'iec60228-5') return `${size}, class 5`;
  if (part.metal === 'aluminium') return `${size}, aluminium`;
  if (part.id.startsWith('cable-battery')) return `${size}, battery cable`;
  return part.ratedVoltageV <= 60 ? `${size}, thin wall` : `${size}${part.shielded ? ', shielded' : ''}`;
}
