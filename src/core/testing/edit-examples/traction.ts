import { expect } from 'vitest';
import { emptyBuild } from '../../build/defaults';
import { catalogueOf, cataloguePart } from '../../parts';
import { cable, contactor, type Examples, firn, fuse, on, string, wire } from './fixtures';

/** The traction circuit: devices, conductors, coils, strings. */
export const TRACTION = {
  renameBuild: { input: { name: 'Tern' }, leaves: ({ name }) => expect(name).toBe('Tern') },
  setUnits: { input: { units: 'us' }, leaves: ({ units }) => expect(units).toBe('us') },
  setRuleSet: { input: { ruleSet: 'own' }, leaves: ({ ruleSet }) => expect(ruleSet).toBe('own') },
  setSchool: { input: { clutch: 'kept' }, leaves: ({ schools }) => expect(schools.clutch).toBe('kept') },
  setFigure: { input: { figure: 'startSoc', value: 0.5 }, leaves: ({ duty }) => expect(duty.startSoc).toBe(0.5) },
  setCells: {
    input: { deviceId: 'box-rear', cellsInSeries: 48 },
    leaves: ({ circuits }) => expect(circuits.hv.devices['box-rear']!.cellsInSeries).toBe(48),
  },
  fitPart: {
    input: { deviceId: 'f-heater', part: fuse },
    leaves: ({ circuits, parts }) =>
      expect([circuits.hv.devices['f-heater']!.partId, parts[fuse.id]]).toEqual([fuse.id, fuse]),
  },
  fitCells: {
    input: { part: catalogueOf('cell')[0]! },
    leaves: ({ circuits }) => expect(circuits.hv.devices['box-front']!.partId).toBe(catalogueOf('cell')[0]!.id),
  },
  renameDevice: {
    input: { deviceId: 'heater', name: 'Old matrix' },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.name).toBe('Old matrix'),
  },
  setDevicePower: {
    input: { deviceId: 'heater', state: 'cruise', powerW: 900 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.powersW!.cruise).toBe(900),
  },
  fitCable: {
    input: { conductorIds: ['c-plus', 'c-minus'], part: cable },
    leaves: ({ circuits }) =>
      expect(['c-plus', 'c-minus'].map((id) => circuits.hv.conductors[id]!.partId)).toEqual([cable.id, cable.id]),
  },
  setConductor: {
    input: { conductorId: 'c-minus', lengthM: 2.5 },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-minus']!.lengthM).toBe(2.5),
  },
  addDevice: {
    input: { device: { id: 'new', kind: 'sensor', name: 'Shunt', partId: null, place: null } },
    leaves: ({ circuits }) => expect(circuits.hv.devices.new!.kind).toBe('sensor'),
  },
  addConductor: {
    input: {
      conductor: {
        ...firn.circuits.hv.conductors['c-minus']!,
        id: 'c-more',
        a: { deviceId: 'j-plus', terminal: 'n' },
        b: { deviceId: 'j-minus', terminal: 'n' },
      },
    },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-more']!.a.deviceId).toBe('j-plus'),
  },
  removeDevice: {
    input: { deviceId: 'heater' },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-heat-plus']).toBeUndefined(),
  },
  insertDevice: {
    input: {
      conductorId: 'c-mid',
      device: { id: 'f-new', kind: 'fuse', name: 'Fuse', partId: fuse.id, place: null },
      part: fuse,
      newConductorId: 'c-after',
    },
    leaves: ({ circuits }) =>
      expect(circuits.hv.conductors['c-after']!.a).toEqual({ deviceId: 'f-new', terminal: 'b' }),
  },
  takeOutDevice: {
    input: { deviceId: 'shunt' },
    leaves: ({ circuits }) => expect(circuits.hv.devices.shunt).toBeUndefined(),
  },
  setLeakage: {
    input: { deviceId: 'heater', insulationOhm: 1e6 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.insulationOhm).toBe(1e6),
  },
  addBranch: {
    input: {
      seed: 'b',
      device: { kind: 'compressor', name: 'Compressor', partId: 'compressor-400-2500' },
      part: cataloguePart('compressor-400-2500', 'bus-device'),
      fuse,
      cable,
      lengthM: 1,
    },
    leaves: ({ circuits }) =>
      expect(Object.values(circuits.hv.devices).some(({ kind }) => kind === 'compressor')).toBe(true),
  },
  setSecondPack: {
    input: { ah: 66, ohm: 0.2, readAV: 331 },
    leaves: ({ secondPack }) => expect(secondPack).toEqual({ ah: 66, ohm: 0.2, readAV: 331 }),
  },
  setCustomer: {
    input: { options: 'a heat pump, later', damage: 'dent in the left door' },
    leaves: ({ customer }) =>
      expect(customer).toEqual({ options: 'a heat pump, later', damage: 'dent in the left door' }),
  },
  setOldFault: {
    input: { fault: { id: 'o1', what: 'left indicator blinks fast', cause: '', mended: false } },
    leaves: ({ oldFaults }) => expect(oldFaults!.o1!.what).toBe('left indicator blinks fast'),
  },
  dropOldFault: {
    on: { ...firn, oldFaults: { o1: { id: 'o1', what: 'horn is dead', cause: '', mended: false } } },
    input: { id: 'o1' },
    leaves: ({ oldFaults }) => expect(oldFaults).toEqual({}),
  },
  setTrailer: {
    input: { deviceId: 'box-rear', trailer: { interlock: true, joined: 'dead' } },
    leaves: ({ circuits }) =>
      expect(circuits.hv.devices['box-rear']!.trailer).toEqual({ interlock: true, joined: 'dead' }),
  },
  setStand: {
    input: { cut: true },
    leaves: ({ vehicle }) => expect(vehicle.standCut).toBe(true),
  },
  addMotor: {
    input: {
      seed: 'b',
      device: { kind: 'inverter', name: 'Front inverter', partId: catalogueOf('inverter')[0]!.id },
      part: catalogueOf('inverter')[0]!,
      fuse,
      cable,
      lengthM: 1,
      motor: catalogueOf('motor')[0]!,
      motorName: 'Front motor',
      motorCable: cable,
      motorCableM: 0.8,
    },
    leaves: ({ circuits }) => {
      expect(circuits.hv.devices['b-motor']?.kind).toBe('motor');
      expect(circuits.hv.conductors['b-u']?.b).toEqual({ deviceId: 'b-motor', terminal: 'u' });
    },
  },
  setDriveShare: {
    input: { deviceId: 'motor', torqueShare: 0.4, gearing: 1.5 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.motor).toMatchObject({ torqueShare: 0.4, gearing: 1.5 }),
  },
  layOut: {
    on: emptyBuild('empty', 'Empty'),
    input: {
      seed: 'a',
      cellsInSeries: 90,
      cellsInParallel: 1,
      cell: catalogueOf('cell')[0]!,
      inverter: catalogueOf('inverter')[0]!,
      mainContactor: contactor,
      prechargeRelay: contactor,
      prechargeResistor: catalogueOf('resistor')[0]!,
      mainFuse: fuse,
      disconnect: catalogueOf('disconnect')[0]!,
      cable,
      prechargeCable: cable,
      runLengthM: 2,
    },
    leaves: ({ circuits }) =>
      expect(Object.values(circuits.hv.devices).filter(({ kind }) => kind === 'inverter')).toHaveLength(1),
  },
  adoptReading: {
    on: {
      ...firn,
      readings: {
        r1: {
          id: 'r1',
          subjectId: 'k-plus',
          field: 'contactResistanceOhm',
          value: 0.0003,
          conditions: '20 °C',
          date: '2026-05-02',
          by: 'bench',
        },
      },
    },
    input: { adoptionId: 'a1', readingId: 'r1' },
    leaves: ({ adoptions }) => expect(adoptions.a1).toMatchObject({ subjectId: 'k-plus', readingId: 'r1' }),
  },

  layOutCoils: {
    on: { ...firn, circuits: { ...firn.circuits, lv: { devices: {}, conductors: {} } } },
    input: { seed: 'c', wire, fuse: cataloguePart('fuse-blade-32-10', 'fuse'), loopLengthM: 1, coilLengthM: 2 },
    leaves: ({ circuits }) =>
      expect(Object.values(circuits.lv.devices).some(({ kind }) => kind === 'emergency-stop')).toBe(true),
  },
  wireCoil: {
    on: on(firn, {
      edit: 'insertDevice',
      input: {
        conductorId: 'c-mid',
        device: { id: 'k-mid', kind: 'contactor', name: 'K mid', partId: contactor.id, place: null, role: 'branch' },
        part: contactor,
        newConductorId: 'c-k',
      },
    }),
    input: { deviceId: 'k-mid', seed: 'w', wire, lengthM: 1 },
    leaves: ({ circuits }) =>
      expect(
        Object.values(circuits.lv.conductors).filter(({ a, b }) => a.deviceId === 'k-mid' || b.deviceId === 'k-mid'),
      ).toHaveLength(2),
  },
  putAuxiliaryIn: {
    on: on(firn, {
      edit: 'insertDevice',
      input: {
        conductorId: 'c-mid',
        device: { id: 's-new', kind: 'disconnect', name: 'Hand switch', partId: null, place: null },
        newConductorId: 'c-s',
      },
    }),
    input: { deviceId: 's-new', conductorId: 'coil-w3', newConductorId: 'coil-w3b' },
    leaves: ({ circuits }) => expect(circuits.lv.conductors['coil-w3b']!.a.deviceId).toBe('s-new'),
  },
  setCoilSuppression: {
    input: { deviceId: 'k-plus', suppression: 'zener' },
    leaves: ({ circuits }) => expect(circuits.hv.devices['k-plus']!.coilSuppression).toBe('zener'),
  },
  setProvesDead: {
    input: { provesDead: null },
    leaves: ({ precharge }) => expect(precharge.provesDead).toBeUndefined(),
  },
  setStatePower: {
    input: { state: 'cruise', inverterPowerW: 20000 },
    leaves: ({ states }) => expect(states.cruise).toEqual({ inverterPowerW: 20000 }),
  },

  addString: {
    input: string,
    leaves: ({ circuits }) =>
      expect(Object.values(circuits.hv.devices).filter(({ kind }) => kind === 'box')).toHaveLength(3),
  },
  leaveStringsOut: {
    input: { ids: ['box-front'] },
    leaves: (after, before) => expect(after).not.toEqual(before),
  },
  splitBox: {
    input: { deviceId: 'box-rear', id: 'third', wireId: 'between', name: 'Sill', cellsInSeries: 20, lengthM: 1 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.third!.cellsInSeries).toBe(20),
  },
  takeOutBox: {
    input: { deviceId: 'box-front' },
    leaves: ({ circuits }) => expect(circuits.hv.devices['box-front']).toBeUndefined(),
  },
} satisfies Examples;
