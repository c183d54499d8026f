import type { Assessment } from '../assess';
import type { Edit } from '../build';
import type { Check } from '../checks';
import { type CablePart, catalogueOf, type FusePart } from '../parts';
import { endedBy, worstEndedBy } from '../simulate';
import { packStrings, partOf, protectingFuses, type ResolvedConductor } from '../vehicle';
import { COIL_PROPOSERS } from './coil-candidates';
import { insertionEdit } from './insertion';
import { LOW_PROPOSERS } from './low-candidates';

/** Edits worth trying for a failing or thin check, smallest change first. They prove nothing: the model does. */
type Proposer = (assessment: Assessment, check: Check) => Edit[];

const device = (assessment: Assessment, check: Check) => assessment.vehicle.deviceOf.get(check.subject.id);

const fitFuse = (deviceId: string, part: FusePart): Edit => ({ edit: 'fitPart', input: { deviceId, part } });
const fuses = catalogueOf('fuse');

const higherVoltage: Proposer = (assessment, check) => {
  const fuse = partOf(device(assessment, check), 'fuse');
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
const otherFuse: Proposer = (assessment, check) => {
  const fuse = partOf(device(assessment, check), 'fuse');
  if (!fuse) return [];
  const fullV = assessment.pack?.fullV ?? 0;
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

const smallerFuse: Proposer = (assessment, check) => {
  const fuse = partOf(device(assessment, check), 'fuse');
  return fuse
    ? sameKind(fuse)
        .filter((part) => part.ratedCurrentA < fuse.ratedCurrentA)
        .reverse()
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

const sameKind = (fuse: FusePart) =>
  fuses
    .filter((part) => part.family === fuse.family && part.ratedVoltageDcV === fuse.ratedVoltageDcV)
    .sort((p, q) => p.ratedCurrentA - q.ratedCurrentA);

/** Conductors whose nearest fuse this is and that are no thicker than the weakest of them. */
function behind(assessment: Assessment, fuseId: string): ResolvedConductor[] {
  const { of, jointly } = protectingFuses(assessment.vehicle, 'fuse');
  const rating = (id: string) =>
    partOf(assessment.vehicle.deviceOf.get(id), 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY;
  const limited = protectingFuses(assessment.vehicle, 'precharge-resistor').of;
  return assessment.vehicle.conductors.filter((conductor) => {
    const protecting = of.get(conductor.id) ?? [];
    if (jointly.get(conductor.id)?.includes(fuseId)) return (limited.get(conductor.id) ?? []).length === 0;
    return (
      protecting.includes(fuseId) &&
      (limited.get(conductor.id) ?? []).length === 0 &&
      protecting.every((id) => rating(id) >= rating(fuseId))
    );
  });
}

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

const protectCable: Proposer = (assessment, check) => {
  const fuse = partOf(device(assessment, check), 'fuse');
  if (!fuse) return [];
  const fullRange =
    fuse.minimumBreakingMultiple < 2
      ? sameKind(fuse)
      : fuses.filter(
          (part) => part.family === 'traction' && (part.ratedVoltageDcV ?? 0) >= (fuse.ratedVoltageDcV ?? 0),
        );
  const smaller = fullRange
    .filter((part) => part.ratedCurrentA <= fuse.ratedCurrentA && part.id !== fuse.id)
    .sort((p, q) => q.ratedCurrentA - p.ratedCurrentA)
    .slice(0, 7)
    .map((part) => fitFuse(check.subject.id, part));
  const cables = behind(assessment, check.subject.id).filter((conductor) => conductor.cable);
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
const thickerShorted: Proposer = (assessment, check) => {
  const burning = endedBy(assessment.vehicle, check.subject.id).flatMap((one) => {
    const { cable } = assessment.vehicle.conductorOf.get(one.conductorId)!;
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

const biggerFuse: Proposer = (assessment, check) => {
  const fuse = partOf(device(assessment, check), 'fuse');
  return fuse
    ? sameKind(fuse)
        .filter((part) => part.ratedCurrentA > fuse.ratedCurrentA)
        .slice(0, 5)
        .map((part) => fitFuse(check.subject.id, part))
    : [];
};

const otherContactor: Proposer = (assessment, check) => {
  const contactor = partOf(device(assessment, check), 'contactor');
  if (!contactor) return [];
  return catalogueOf('contactor')
    .filter((part) => part.id !== contactor.id && part.makeCurrentA >= contactor.makeCurrentA)
    .map((part): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part } }));
};

const closeLater: Proposer = (assessment) =>
  [0.95, 0.96, 0.97, 0.98, 0.99]
    .filter((value) => value > assessment.build.precharge.closeAtFraction)
    .map((value): Edit => ({ edit: 'setFigure', input: { figure: 'closeAt', value } }));

const resistor: Proposer = (assessment, check) => {
  const part = partOf(device(assessment, check), 'resistor');
  if (!part) return [];
  const slower = check.id === 'precharge.energy' || check.id === 'precharge.fault';
  const distance = (ohm: number) => Math.abs(Math.log(ohm / part.resistanceOhm));
  return catalogueOf('resistor')
    .filter(
      (other) =>
        other.id !== part.id &&
        (slower || check.id === 'precharge.voltage'
          ? other.ratedPowerW >= part.ratedPowerW
          : other.resistanceOhm < part.resistanceOhm && other.ratedPowerW >= part.ratedPowerW),
    )
    .sort((p, q) => distance(p.resistanceOhm) - distance(q.resistanceOhm) || p.ratedPowerW - q.ratedPowerW)
    .slice(0, 8)
    .map((other): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part: other } }));
};

const shorterTimeout: Proposer = (assessment) => {
  const run = assessment.precharge;
  if (!run?.closeAtS) return [];
  return [1.5, 1.25].map(
    (times): Edit => ({
      edit: 'setFigure',
      input: { figure: 'timeout', value: Math.round(run.closeAtS! * times * 1000) / 1000 },
    }),
  );
};

/** Devices that wake by themselves, exchanged for ones of the same kind that wait for their command. */
const heldOff: Proposer = (assessment) =>
  assessment.vehicle.devices.flatMap((candidate): Edit[] => {
    const part = partOf(candidate, 'bus-device');
    if (!part || part.turnOnV === null) return [];
    return [
      {
        edit: 'fitPart',
        input: {
          deviceId: candidate.id,
          part: {
            ...part,
            id: `${part.id}-held`.slice(0, 60),
            name: `${part.name}, held off until commanded`,
            turnOnV: null,
            turnOffV: null,
          },
        },
      },
    ];
  });

const thickerCable: Proposer = (assessment, check) => {
  const conductor = assessment.vehicle.conductorOf.get(check.subject.id);
  return conductor?.cable
    ? thicker(conductor.cable)
        .slice(0, 6)
        .map((part): Edit => ({ edit: 'fitCable', input: { conductorIds: [conductor.id], part } }))
    : [];
};

const strongerInsulation: Proposer = (assessment, check) => {
  const cable = assessment.vehicle.conductorOf.get(check.subject.id)?.cable;
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

const thickerWay: Proposer = (assessment) => {
  const rows = assessment.cables
    .filter((row) => row.resolved.cable && (row.lossW ?? 0) > 0)
    .sort((p, q) => (q.lossW ?? 0) - (p.lossW ?? 0));
  const worst = rows[0]?.resolved.cable;
  if (!worst) return [];
  const same = rows.filter((row) => row.resolved.cable!.areaMm2 === worst.areaMm2);
  return thicker(worst)
    .slice(0, 4)
    .flatMap((part): Edit[] => [
      { edit: 'fitCable', input: { conductorIds: [rows[0]!.id], part } },
      { edit: 'fitCable', input: { conductorIds: same.map((row) => row.id), part } },
    ]);
};

const gentler: Proposer = (assessment) =>
  [0.95, 0.9, 0.85, 0.8, 0.7, 0.6, 0.5].map(
    (share): Edit => ({
      edit: 'setFigure',
      input: {
        figure: 'hardPower',
        value: Math.round((assessment.build.duty.hardAccelerationPowerW * share) / 500) * 500,
      },
    }),
  );

const stopEarlier: Proposer = (assessment) =>
  [0.05, 0.1, 0.15].map(
    (more): Edit => ({
      edit: 'setFigure',
      input: {
        figure: 'socEmpty',
        value: Math.min(1, Math.round((assessment.build.packLimits.socEmpty + more) * 100) / 100),
      },
    }),
  );

const widerDevice: Proposer = (assessment, check) => {
  const part = device(assessment, check)?.part;
  if (part?.kind === 'inverter')
    return catalogueOf('inverter')
      .filter((other) => other.id !== part.id)
      .map((other): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part: other } }));
  return [];
};

/** Fewer cells, one group at a time, in the largest box. */
const fewerCells: Proposer = (assessment) => {
  const box = [...assessment.vehicle.devices]
    .filter((candidate) => candidate.device.kind === 'box')
    .sort((p, q) => (q.device.cellsInSeries ?? 0) - (p.device.cellsInSeries ?? 0))[0];
  return box
    ? [1, 2, 3, 4, 6, 8].map(
        (less): Edit => ({
          edit: 'setCells',
          input: { deviceId: box.id, cellsInSeries: Math.max(1, (box.device.cellsInSeries ?? 1) - less) },
        }),
      )
    : [];
};

const otherDisconnect: Proposer = (_, check) =>
  catalogueOf('disconnect').map((part): Edit => ({ edit: 'fitPart', input: { deviceId: check.subject.id, part } }));

/** A contactor of its own in a wire of the string. */
const ownContactor: Proposer = (assessment, check) => {
  const string = packStrings(assessment.vehicle).find(({ boxIds }) => boxIds.includes(check.subject.id));
  const wire = assessment.vehicle.conductors.find(
    ({ id, conductor }) => string?.ids.has(id) && conductor.kind === 'cable',
  );
  return wire ? [insertionEdit(assessment, wire.id, 'contactor', `own-${check.subject.id}`)] : [];
};

const ownFuse: Proposer = (assessment, check) => {
  const string = packStrings(assessment.vehicle).find(({ boxIds }) => boxIds.includes(check.subject.id));
  const wire = assessment.vehicle.conductors.find(
    ({ id, conductor }) =>
      string?.ids.has(id) &&
      conductor.kind === 'cable' &&
      [conductor.a, conductor.b].some(({ deviceId }) => string.boxIds.includes(deviceId)),
  );
  return wire ? [insertionEdit(assessment, wire.id, 'fuse', `own-${check.subject.id}`)] : [];
};

export const PROPOSERS: Readonly<Record<string, readonly Proposer[]>> = {
  ...COIL_PROPOSERS,
  ...LOW_PROPOSERS,
  'contactor.peak': [otherContactor],
  'contactor.polarity': [otherContactor],
  'fuse.dc-rating': [higherVoltage],
  'fuse.dc-voltage': [higherVoltage],
  'fuse.breaking-capacity': [otherFuse],
  'fuse.minimum-breaking': [smallerFuse, otherFuse],
  'fuse.melting-time': [smallerFuse, otherFuse],
  'fuse.cyclic': [biggerFuse],
  'fuse.cable-short': [smallerFuse, otherFuse, thickerShorted],
  'fuse.minutes': [biggerFuse],
  'fuse.trip': [biggerFuse],
  'fuse.selectivity': [smallerFuse, otherFuse],
  'fuse.contactor-withstand': [otherContactor],
  'contactor.break': [otherContactor],
  'fuse.cable-overload': [protectCable],
  'fuse.continuous': [biggerFuse],
  'contactor.voltage': [otherContactor],
  'contactor.carry': [otherContactor],
  'contactor.make': [closeLater, otherContactor],
  'disconnect.rating': [otherDisconnect],
  'precharge.reaches': [heldOff, resistor],
  'precharge.time': [resistor],
  'precharge.energy': [resistor],
  'precharge.repeats': [resistor],
  'precharge.voltage': [resistor],
  'precharge.fault': [shorterTimeout, resistor],
  'cable.temperature': [thickerCable],
  'cable.voltage': [strongerInsulation],
  'cable.drop': [thickerWay],
  'pack.sag': [stopEarlier, gentler],
  'pack.delivers': [gentler, stopEarlier],
  'pack.string-contactor': [ownContactor],
  'pack.string-fuse': [ownFuse],
  'inverter.current': [gentler],
  'device.voltage-min': [stopEarlier, gentler, widerDevice],
  'device.voltage-max': [widerDevice, fewerCells],
};
