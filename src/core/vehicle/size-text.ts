import { formatArea, type UnitSystem } from '../quantities';
import { copperMm2, type ResolvedConductor } from './resolve';

/** Size of a cable or a busbar as people write it, "2 × 70 mm²"; null: not chosen, not measured, or neither. */
export function sizeText(resolved: ResolvedConductor, system: UnitSystem): string | null {
  const mm2 = copperMm2(resolved);
  const { parallel } = resolved.conductor;
  return mm2 === null ? null : `${parallel > 1 ? `${parallel} × ` : ''}${formatArea(mm2 / parallel, system)}`;
}
