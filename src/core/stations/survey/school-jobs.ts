import type { LoadJob } from '../../build';
import { lowVoltage, type Vehicle } from '../../vehicle';

export const JOB_WORDS: Readonly<Record<LoadJob, string>> = {
  'vacuum-pump': 'a vacuum pump',
  'brake-booster': 'an electric brake booster',
  'steering-pump': 'an electro-hydraulic pump',
  'column-assist': 'an electric steering assist',
  'coolant-pump': 'a coolant pump',
  blower: 'a heater blower',
  seat: 'heated seats',
  'screen-heat': 'a heated windscreen',
  'control-unit': 'a control unit',
  bms: 'battery electronics',
  'charge-gauge': 'a charge gauge',
  tachometer: 'a tachometer driver',
  'cabin-lamp': 'a lamp for the inside',
};

/** The loads of the 12-volt schedule that do this job. */
export const doesJob = (vehicle: Vehicle, job: LoadJob): boolean =>
  lowVoltage(vehicle).loads.some(({ load }) => load.job === job);
