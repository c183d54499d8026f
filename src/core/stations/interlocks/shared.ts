import type { Ref } from '../../checks';
import { isDesign, type NoSequence, type SequenceDesign, sequenceDesign } from '../../simulate/sequence';
import type { Context } from '../context';

export const SEQUENCE_REF: Ref = { kind: 'build', id: 'sequence', name: 'Sequence' };
export const PEDAL_REF: Ref = { kind: 'build', id: 'accelerator', name: 'Accelerator' };

const LACKS: Readonly<Record<NoSequence, string>> = {
  command: 'who commands, in Survey or above',
  contactors: 'a main contactor, in HV circuit',
  coils: 'the coils’ feed, in HV circuit, Safety loop',
};

/** The sequence of a build, or what is asked first; nothing for an empty build. */
export function designOf({
  vehicle,
}: Context): { readonly design: SequenceDesign } | { readonly lacks: string } | null {
  if (!vehicle.devices.some(({ device }) => device.kind === 'inverter' || device.kind === 'contactor')) return null;
  const found = sequenceDesign(vehicle);
  return isDesign(found) ? { design: found } : { lacks: LACKS[found] };
}
