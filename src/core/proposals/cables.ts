import type { Edit } from '../build';
import { type CablePart, catalogueOf } from '../parts';
import { endedBy, worstEndedBy } from '../simulate';
import { partOf, protectingFuses, type ResolvedConductor } from '../vehicle';
import { fitFuse, fuses, sameKind } from './fuses';
import { deviceOf, type Proposer, type Setting } from './proposer';

/** The next sizes of the same make of cable. */
export const thicker = (cable: CablePart): CablePart[] =>
  catalogueOf('cable')
    .filter(
      (part) =>
        part.shielded === cable.shielded &&
        part.conductorClass === cable.conductorClass &&
        part.insulation === cable.insulation &&
        part.areaMm2 > cable.areaMm2 &&
        part.temperatureClassC >= cable.temperatureClassC &&
        part.ratedVoltageV >= cable.ratedVoltageV,
    )
    .sort((p, q) => p.areaMm2 - q.areaMm2);

/** Conductors whose nearest fuse this is and that are no thicker than the weakest of them. */
function behind(setting: Setting, fuseId: string): ResolvedConductor[] {
  const { of, jointly } = protectingFuses(setting.vehicle, 'fuse');
  const rating = (id: string) =>
    partOf(setting.vehicle.deviceOf.get(id), 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;
  const limited = protectingFuses(setting.vehicle, 'precharge-resistor').of;
  return setting.vehicle.conductors.filter((conductor) => {
    const protecting = of.get(conductor.id) ?? [];
    if (jointly.get(conductor.id)?.includes(fuseId)) return (limited.get(conductor.id) ?? []).length === 0;
    return (
      protecting.includes(fuseId) &&
      (limited.get(conductor.id) ?? []).length === 0 &&
      protecting.every((id) => rating(id) >= rating(fuseId))
    );
  });
}

export const protectCable: Proposer = (setting, check) => {
  const fuse = partOf(deviceOf(setting, check), 'fuse');
  if (!fuse) return [];
  const fullRange =
    fuse.minimumBreakingMultiple < 2
      ? sameKind(fuse, setting)
      : fuses.filter(
          (part) =>
            part.family === 'traction' &&
            (part.ratedVoltageDcV ?? 0) >= Math.max(fuse.ratedVoltageDcV ?? 0, setting.fullV ?? 0),
        );
  const smaller = fullRange
    .filter((part) => part.ratedCurrentA <= fuse.ratedCurrentA && part.id !== fuse.id)
    .sort((p, q) => q.ratedCurrentA - p.ratedCurrentA)
    .slice(0, 7)
    .map((part) => fitFuse(check.subject.id, part));
  const cables = behind(setting, check.subject.id).filter((conductor) => conductor.cable);
  const thin = [...cables].sort((p, q) => p.cable!.areaMm2 - q.cable!.areaMm2)[0]?.cable;
  const grown = thin
    ? thicker(thin)
        .slice(0, 5)
        .map(
          (part): Edit => ({
            edit: 'fitCable',
            input: {
              conductorIds: cables
                .filter((conductor) => conductor.cable!.areaMm2 < part.areaMm2)
                .map((conductor) => conductor.id),
              part,
            },
          }),
        )
    : [];
  return [...smaller, ...grown];
};

/** Every cable that a fuse does not save in a short, the next sizes up; each keeps its make. */
export const thickerShorted: Proposer = (setting, check) => {
  const burning = endedBy(setting.vehicle, check.subject.id).flatMap((one) => {
    const { cable } = setting.vehicle.conductorOf.get(one.conductorId)!;
    const short = worstEndedBy(one, check.subject.id);
    return cable && one.withstand && short?.i2tA2s != null && short.i2tA2s > 0.9 * one.withstand.limitA2s
      ? [{ id: one.conductorId, cable }]
      : [];
  });
  const areas = [...new Set(burning.flatMap(({ cable }) => thicker(cable).map(({ areaMm2 }) => areaMm2)))].sort(
    (p, q) => p - q,
  );
  return areas.slice(0, 6).map(
    (areaMm2): Edit => ({
      edit: 'fitCables',
      input: {
        choices: burning.flatMap(({ id, cable }) => {
          const part = thicker(cable).find((one) => one.areaMm2 === areaMm2);
          return part ? [{ conductorId: id, part }] : [];
        }),
      },
    }),
  );
};

export const thickerCable: Proposer = (setting, check) => {
  const conductor = setting.vehicle.conductorOf.get(check.subject.id);
  return conductor?.cable
    ? thicker(conductor.cable)
        .slice(0, 6)
        .map((part): Edit => ({ edit: 'fitCable', input: { conductorIds: [conductor.id], part } }))
    : [];
};

export const strongerInsulation: Proposer = (setting, check) => {
  const cable = setting.vehicle.conductorOf.get(check.subject.id)?.cable;
  return cable
    ? catalogueOf('cable')
        .filter(
          (part) =>
            part.areaMm2 === cable.areaMm2 &&
            part.conductorClass === cable.conductorClass &&
            part.temperatureClassC >= cable.temperatureClassC &&
            part.ratedVoltageV > cable.ratedVoltageV,
        )
        .map((part): Edit => ({ edit: 'fitCable', input: { conductorIds: [check.subject.id], part } }))
    : [];
};
