import { type Build, FORMAT, type Id, VERSION } from './types';

/** An empty build: everything a station needs to start asking. Ids come from the edge. */
export function emptyBuild(id: Id, name: string): Build {
  return {
    format: FORMAT,
    version: VERSION,
    id,
    name,
    notes: '',
    units: 'metric',
    ruleSet: 'iec',
    schools: { contactors: 'both-poles', fusePosition: 'pack-terminal', emergencyStop: 'electrical' },
    vehicle: { description: '', altitudeM: 0, wheelbaseM: null, massEmptyKg: null, grossMassKg: null },
    duty: { cruisePowerW: 15000, hardAccelerationPowerW: 50000, hardAccelerationS: 10 },
    packLimits: { socEmpty: 0.1, coldestCellC: 0, warmestCellC: 40, agedHealth: 0.8 },
    precharge: { closeAtFraction: 0.95, timeoutS: null },
    states: {},
    parts: {},
    zones: {
      'zone-cabin': { id: 'zone-cabin', name: 'Cabin', ambientC: 40, exposure: ['feet'] },
      'zone-boot': { id: 'zone-boot', name: 'Boot', ambientC: 45, exposure: ['cargo'] },
      'zone-underbody': { id: 'zone-underbody', name: 'Under the floor', ambientC: 50, exposure: ['stones', 'water'] },
      'zone-bay': { id: 'zone-bay', name: 'Engine bay, engine out', ambientC: 60 },
      'zone-hot': { id: 'zone-hot', name: 'Near heater or converter', ambientC: 85, exposure: ['heat'] },
    },
    routes: {},
    circuits: { hv: { devices: {}, conductors: {} }, lv: { devices: {}, conductors: {} } },
    readings: {},
    adoptions: {},
  };
}
