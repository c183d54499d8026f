import type { ContactorPart, DisconnectPart } from '../parts';
import { airCoolingShare, COOLING_FROM_M, gapFactor } from '../physics/altitude';
import { told } from '../quantities';
import type { Vehicle } from '../vehicle';

/** A figure of a part as it stands where the vehicle is driven, and why. */
export interface AtAltitude {
  /** The part's figure times this. */
  readonly share: number;
  readonly note: readonly string[];
  readonly assumed: readonly string[];
}
const AS_STATED: AtAltitude = { share: 1, note: [], assumed: [] };
const metres = (value: number): string => told(value, 'length', 4);

/** Voltage and breaking current of contacts in air (IEC 60664-1); a part that says nothing holds up to 2000 m. */
export function gapAt({ build }: Vehicle, { toAltitudeM }: ContactorPart | DisconnectPart): AtAltitude {
  const { altitudeM } = build.vehicle;
  const factor = gapFactor(altitudeM, toAltitudeM);
  if (factor === 1) return AS_STATED;
  return {
    share: 1 / factor,
    note: [`At ${metres(altitudeM)} an air gap holds 1/${factor.toFixed(2)} of it (IEC 60664-1, F.10).`],
    assumed: toAltitudeM === undefined ? [`Its figures hold up to ${metres(2000)}, as usual: nothing is stated.`] : [],
  };
}

/** What something gives for long that sheds its heat to the air (IEC 60034-1); one that does not say how is taken as cooled by air. */
export function coolingAt({ build }: Vehicle, cooling: 'air' | 'liquid' | undefined): AtAltitude {
  const { altitudeM } = build.vehicle;
  const share = airCoolingShare(altitudeM);
  if (cooling === 'liquid' || share === 1) return AS_STATED;
  return {
    share,
    note: [
      `At ${metres(altitudeM)} air cools ${Math.round((1 - share) * 1000) / 10} % less: 1 % for each ${metres(100)} above ${metres(COOLING_FROM_M)} (IEC 60034-1).`,
    ],
    assumed: cooling === undefined ? ['Cooled by air: its part does not say.'] : [],
  };
}

/** Its note, as a line of a working takes it. */
export const noteOf = ({ note }: AtAltitude): { readonly note?: string } =>
  note.length > 0 ? { note: note.join(' ') } : {};
