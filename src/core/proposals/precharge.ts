import type { Edit } from '../build';
import { catalogueOf } from '../parts';
import { isRun } from '../simulate';
import { partOf } from '../vehicle';
import { deviceOf, type Proposer } from './proposer';

export const resistor: Proposer = (setting, check) => {
  const part = partOf(deviceOf(setting, check), 'resistor');
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

export const shorterTimeout: Proposer = (setting) => {
  const run = setting.precharges.find(isRun);
  if (!run?.closeAtS) return [];
  return [1.5, 1.25].map(
    (times): Edit => ({
      edit: 'setFigure',
      input: { figure: 'timeout', value: Math.round(run.closeAtS! * times * 1000) / 1000 },
    }),
  );
};

/** Devices that wake by themselves, exchanged for ones of the same kind that wait for their command. */
export const heldOff: Proposer = (setting) =>
  setting.vehicle.devices.flatMap((candidate): Edit[] => {
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
