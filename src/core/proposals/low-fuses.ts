import type { Check } from '../checks';
import { catalogueOf, type FusePart } from '../parts';
import { lowVoltage, partOf } from '../vehicle';
import { fitFuse } from './fuses';
import { fit, guardedBy } from './low-wires';
import type { Proposer, Setting } from './proposer';

const fuses = (setting: Setting, check: Check): { now: FusePart; others: FusePart[] } | null => {
  const now = partOf(lowVoltage(setting.vehicle).lv.deviceOf.get(check.subject.id), 'fuse');
  return now
    ? {
        now,
        others: catalogueOf('fuse')
          .filter(
            (part) =>
              // 58 V breaks more at 14 V than 32 V and goes into the same holder.
              ['blade', 'blade-large', 'strip'].includes(part.family) && part.ratedVoltageDcV === 58,
          )
          .sort((p, q) => p.ratedCurrentA - q.ratedCurrentA),
      }
    : null;
};

export const largerFuse: Proposer = (setting, check) => {
  const found = fuses(setting, check);
  return found
    ? found.others
        .filter(({ ratedCurrentA }) => ratedCurrentA > found.now.ratedCurrentA)
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

/** The same rating in a make that breaks more. */
export const strongerFuse: Proposer = (setting, check) => {
  const now = partOf(lowVoltage(setting.vehicle).lv.deviceOf.get(check.subject.id), 'fuse');
  return now
    ? catalogueOf('fuse')
        .filter(
          (part) =>
            part.id !== now.id &&
            part.ratedVoltageDcV !== null &&
            part.ratedCurrentA >= now.ratedCurrentA &&
            part.ratedCurrentA <= 1.1 * now.ratedCurrentA &&
            part.breakingCapacityA * part.ratedVoltageDcV > now.breakingCapacityA * (now.ratedVoltageDcV ?? 0),
        )
        .sort((p, q) => p.breakingCapacityA * p.ratedVoltageDcV! - q.breakingCapacityA * q.ratedVoltageDcV!)
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

/** A smaller fuse first, then the thicker wire. */
export const guardWire: Proposer = (setting, check) => {
  const found = fuses(setting, check);
  const smaller = found
    ? found.others
        .filter(({ ratedCurrentA }) => ratedCurrentA < found.now.ratedCurrentA)
        .reverse()
        .slice(0, 6)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
  return [...smaller, ...fit(guardedBy(setting, check.subject.id))];
};
