import type { Figures } from './fields';
import type { PART_KINDS } from './kinds';
import type { Origins } from './origin';

/** Where a part's figures come from; every working says which. */
export type Provenance = 'generic' | 'data-sheet' | 'measured' | 'own';

interface PartBase {
  readonly id: string;
  readonly name: string;
  readonly provenance: Provenance;
  readonly note?: string;
  /** By figure ("peakPowerW", "window.workingMaxV"): where it comes from, if somebody said so. */
  readonly origins?: Origins;
}

type Definition = (typeof PART_KINDS)[number];
export type PartKind = Definition['kind'];

type Made<Kind extends PartKind> = PartBase & { readonly kind: Kind } & Figures<
    Extract<Definition, { readonly kind: Kind }>['fields']
  >;
export type Part = { [Kind in PartKind]: Made<Kind> }[PartKind];
/** A part of a kind, as `parts/kinds` defines it. */
export type PartOf<Kind extends PartKind> = Extract<Part, { readonly kind: Kind }>;

export type CellPart = PartOf<'cell'>;
export type CablePart = PartOf<'cable'>;
export type FusePart = PartOf<'fuse'>;
export type ContactorPart = PartOf<'contactor'>;
export type ResistorPart = PartOf<'resistor'>;
export type DisconnectPart = PartOf<'disconnect'>;
export type InverterPart = PartOf<'inverter'>;
export type BusDevicePart = PartOf<'bus-device'>;
export type MotorPart = PartOf<'motor'>;
export type SensorPart = PartOf<'sensor'>;

export type VoltageWindow = InverterPart['window'];
export type CoilSuppression = NonNullable<ContactorPart['coilSuppression']>;
