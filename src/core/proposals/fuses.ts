import type { Edit } from '../build';
import { catalogueOf, type FusePart } from '../parts';
import { partOf } from '../vehicle';
import { deviceOf, type Proposer, type Setting } from './proposer';

export const fitFuse = (deviceId: string, part: FusePart): Edit => ({ edit: 'fitPart', input: { deviceId, part } });

export const fuses = catalogueOf('fuse');

/** The voltage class to look in: the fuse's own if it breaks the full voltage, else the lowest of its family that does, else any that does. */
function voltageClass(fuse: FusePart, fullV: number): number | null {
  const own = fuse.ratedVoltageDcV ?? 0;
  if (fuse.ratedVoltageDcV !== null && own >= fullV) return fuse.ratedVoltageDcV;
  const breaking = (family: boolean) =>
    fuses
      .filter(
        (part) =>
          part.ratedVoltageDcV !== null && part.ratedVoltageDcV >= fullV && (!family || part.family === fuse.family),
      )
      .map((part) => part.ratedVoltageDcV!)
      .sort((p, q) => p - q)[0];
  return breaking(true) ?? breaking(false) ?? null;
}

/** The same make in every rating, in a class that breaks the full voltage: a fuse that could not break is never proposed. */
export const sameKind = (fuse: FusePart, { fullV }: Setting) => {
  const ratedV = voltageClass(fuse, fullV ?? 0);
  // No fuse of the list breaks it: none is proposed, least of all one without a DC voltage.
  if (ratedV === null) return [];
  const family = fuses.some((part) => part.family === fuse.family && part.ratedVoltageDcV === ratedV)
    ? fuse.family
    : 'traction';
  return fuses
    .filter((part) => part.family === family && part.ratedVoltageDcV === ratedV)
    .sort((p, q) => p.ratedCurrentA - q.ratedCurrentA);
};

export const higherVoltage: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  if (!fuse) return [];
  return fuses
    .filter(
      (part) => part.ratedCurrentA === fuse.ratedCurrentA && (part.ratedVoltageDcV ?? 0) > (fuse.ratedVoltageDcV ?? 0),
    )
    .sort(
      (p, q) =>
        Number(q.family === fuse.family) - Number(p.family === fuse.family) ||
        (p.ratedVoltageDcV ?? 0) - (q.ratedVoltageDcV ?? 0),
    )
    .map((part) => fitFuse(check.subject.id, part));
};

/** Fuses of every family of about this rating that break the full voltage: the nearest rating first, the same family before others. */
export const otherFuse: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  if (!fuse) return [];
  const fullV = setting.fullV ?? 0;
  return fuses
    .filter(
      (part) =>
        (part.ratedVoltageDcV ?? 0) >= fullV &&
        part.ratedCurrentA >= 0.5 * fuse.ratedCurrentA &&
        part.ratedCurrentA <= 1.2 * fuse.ratedCurrentA &&
        part.id !== fuse.id,
    )
    .sort(
      (p, q) =>
        Math.abs(p.ratedCurrentA - fuse.ratedCurrentA) - Math.abs(q.ratedCurrentA - fuse.ratedCurrentA) ||
        Number(q.family === fuse.family) - Number(p.family === fuse.family) ||
        (p.ratedVoltageDcV ?? 0) - (q.ratedVoltageDcV ?? 0),
    )
    .slice(0, 24)
    .map((part) => fitFuse(check.subject.id, part));
};

export const smallerFuse: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  return fuse
    ? sameKind(fuse, setting)
        .filter((part) => part.ratedCurrentA < fuse.ratedCurrentA)
        .reverse()
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

export const biggerFuse: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  return fuse
    ? sameKind(fuse, setting)
        .filter((part) => part.ratedCurrentA > fuse.ratedCurrentA)
        .slice(0, 5)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};
