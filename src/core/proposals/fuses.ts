import type { Edit } from '../build';
import { catalogueOf, type FusePart } from '../parts';
import { partOf } from '../vehicle';
import { deviceOf, type Proposer } from './proposer';

export const fitFuse = (deviceId: string, part: FusePart): Edit => ({ edit: 'fitPart', input: { deviceId, part } });

export const fuses = catalogueOf('fuse');

export const sameKind = (fuse: FusePart) =>
  fuses
    .filter((part) => part.family === fuse.family && part.ratedVoltageDcV === fuse.ratedVoltageDcV)
    .sort((p, q) => p.ratedCurrentA - q.ratedCurrentA);

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
    ? sameKind(fuse)
        .filter((part) => part.ratedCurrentA < fuse.ratedCurrentA)
        .reverse()
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

export const biggerFuse: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  return fuse
    ? sameKind(fuse)
        .filter((part) => part.ratedCurrentA > fuse.ratedCurrentA)
        .slice(0, 5)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};
