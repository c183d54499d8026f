import { type Edit, jobOf, LOSS_JOBS, type LossId, type SchoolId } from '../build';
import { BATTERY_PRESETS, CONVERTER_POWERS, LOAD_PRESETS, lowLoadOf, SET_VOLTAGES } from '../parts';
import { fusesAtC, lowVoltage } from '../vehicle';
import type { Proposer } from './proposer';

export const largerConverter: Proposer = (setting) => {
  const [first] = lowVoltage(setting.vehicle).converters;
  return first
    ? CONVERTER_POWERS.filter((watts) => watts > first.ratedPowerW).map(
        (ratedPowerW): Edit => ({
          edit: 'setConverter',
          input: { deviceId: first.id, converter: { ...first.device.converter!, ratedPowerW } },
        }),
      )
    : [];
};

/** The first converter with what the check found missing, up to the next 50 W. */
export const enterDraw: Proposer = ({ vehicle }, { subject, demand, limit }) => {
  const powerW = vehicle.deviceOf.get(subject.id)?.device.powersW?.cruise;
  if (powerW === undefined || !demand || !limit) return [];
  const entered = Math.ceil((powerW + demand.value - limit.value) / 50) * 50;
  return [{ edit: 'setDevicePower', input: { deviceId: subject.id, state: 'cruise', powerW: entered } }];
};

export const setVoltage: Proposer = (setting, check) => {
  const low = lowVoltage(setting.vehicle);
  const converter = low.converters.find(({ id }) => id === check.subject.id);
  const data = low.battery?.data;
  return converter && data
    ? [
        {
          edit: 'setConverter',
          input: {
            deviceId: converter.id,
            converter: { ...converter.device.converter!, outputV: SET_VOLTAGES[data.chemistry][1] },
          },
        },
      ]
    : [];
};

export const otherBattery: Proposer = (setting) => {
  const { battery } = lowVoltage(setting.vehicle);
  return battery
    ? BATTERY_PRESETS.filter(
        ({ data }) => data.chemistry !== battery.data?.chemistry || data.capacityAh > battery.data.capacityAh,
      )
        .sort((p, q) => p.data.capacityAh - q.data.capacityAh)
        .map(
          ({ data }): Edit => ({ edit: 'setAuxiliaryBattery', input: { deviceId: battery.device.id, battery: data } }),
        )
    : [];
};

export const mainSwitch: Proposer = (setting) => {
  const { battery, lv } = lowVoltage(setting.vehicle);
  const cable = lv.conductors.find(({ conductor }) =>
    [conductor.a, conductor.b].some(
      ({ deviceId, terminal }) => deviceId === battery?.device.id && terminal === 'minus',
    ),
  )?.cable;
  return battery && cable
    ? [{ edit: 'addMainSwitch', input: { seed: `main-${battery.device.id}`, batteryId: battery.device.id, cable } }]
    : [];
};

/** What a school or a loss asks for, put into the schedule with its fuse and wires. */
export const askedLoad: Proposer = ({ vehicle }, { subject: { id } }) => {
  const { build } = vehicle;
  const job = id.startsWith('school-')
    ? jobOf(build.schools, id.slice('school-'.length) as SchoolId)
    : LOSS_JOBS[id as LossId];
  if (job === undefined || lowVoltage(vehicle).loads.some(({ load }) => load.job === job)) return [];
  const used = Object.keys(build.circuits.lv.devices).length;
  return LOAD_PRESETS.filter(({ load }) => load.job === job).map(
    (preset): Edit => ({ edit: 'addLowLoad', input: lowLoadOf(preset, `${job}-${used}`, fusesAtC(vehicle)) }),
  );
};
