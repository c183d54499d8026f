import { expect } from 'vitest';
import { emptyBuild } from '../build/defaults';
import { applyEdit } from '../build/edits/apply';
import type { Edit, EditName } from '../build/edits/edits';
import { loadCircuit } from '../build/edits/group-edits';
import { firn9, larkspur } from '../build/samples';
import type { Build } from '../build/types';
import { catalogueOf, cataloguePart, LOAD_PRESETS, lowBase, lowLoadOf } from '../parts';

/** One example of each edit: on which build, with what, and what it leaves behind. */
export type Input<N extends EditName> = Extract<Edit, { edit: N }>['input'];
export interface Example<N extends EditName> {
  readonly on?: Build;
  readonly input: Input<N>;
  readonly leaves: (after: Build, before: Build) => unknown;
}

const firn = firn9();
const estate = larkspur();
/** Its heater as a compressor. */
const withCompressor: Build = {
  ...estate,
  circuits: {
    ...estate.circuits,
    hv: {
      ...estate.circuits.hv,
      devices: {
        ...estate.circuits.hv.devices,
        heater: { ...estate.circuits.hv.devices.heater!, kind: 'compressor' },
      },
    },
  },
};
const cable = cataloguePart('cable-shielded-35', 'cable');
const wire = cataloguePart('cable-thin-1-5', 'cable');
const fuse = cataloguePart('fuse-traction-500-100', 'fuse');
const contactor = catalogueOf('contactor')[0]!;
const on = (build: Build, ...edits: Edit[]): Build => edits.reduce((one, edit) => applyEdit(one, edit).build, build);
const lvWire = Object.values(firn.circuits.lv.conductors).find(({ name }) => name === 'Radio feed')!;
const lvEarth = Object.values(firn.circuits.lv.conductors).find(({ name }) => name === 'Radio earth')!;
const lvLoad = firn.circuits.lv.devices[lvWire.b.deviceId]!;
const wiper = Object.values(firn.circuits.lv.devices).find(
  ({ name, kind }) => name === 'Wipers' && kind === 'lv-load',
)!;
const battery = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')!;
const converter = Object.values(firn.circuits.hv.devices).find((device) => device.converter)!;
const relay = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'relay')!;
const earth = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'earth')!;
const module = (id: string) => ({ id, voltageV: 22, capacityAh: 60, resistanceOhm: 0.002 });
const listed = on(firn, { edit: 'addOldPart', input: { id: 'old', name: 'Fuel tank', kind: 'part' } });
const held = on(firn, {
  edit: 'listInHand',
  input: { items: [{ id: 'h1', name: 'Plate', made: true, state: 'sketched', count: 2, price: 30 }] },
});
const twoEarths = on(firn, { edit: 'addEarthPoint', input: { id: 'e2', wireId: 'b2', name: 'Rear' } });
const TUNNEL = { x0M: 0.6, x1M: 1.6, y0M: -0.1, y1M: 0.1, z0M: 0.2, z1M: 0.4 };
const string = {
  seed: 's2',
  name: 'Second',
  cell: Object.values(firn.parts).find((part) => part.kind === 'cell')!,
  cellsInSeries: 90,
  cellsInParallel: 1,
  fuse,
  contactor,
  cable,
  lengthM: 1,
};

const aDrive = {
  id: 'd1',
  date: '2026-05-02',
  name: 'To work',
  from: 'typed' as const,
  durationS: null,
  outC: null,
  backC: null,
  peakA: 120,
  lowV: null,
  hottestC: null,
  cells: [{ lowestV: 3.2, restV: 3.9, resistanceOhm: 0.001, lowS: 0 }],
};
const aHealth = {
  id: 'h1',
  date: '2026-05-02',
  odometerM: 12e6,
  capacityAh: 140,
  fastCharges: null,
  slowCharges: 40,
  note: '',
};
const aReading = {
  id: 'm1',
  subjectId: 'box-rear',
  field: 'resistanceOhm',
  value: 0.0009,
  conditions: '25 °C',
  date: '2026-05-02',
  by: 'log',
};

export const EXAMPLES: { readonly [N in EditName]: Example<N> } = {
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

  layOutLow: {
    on: { ...firn, circuits: { ...firn.circuits, lv: { devices: {}, conductors: {} } } },
    input: lowBase(battery.battery!, 1000, 1, 'low2'),
    leaves: ({ circuits }) => expect(circuits.lv.devices['low2-box']!.name).toBe('Fuse box'),
  },
  addLowLoad: {
    input: lowLoadOf({ ...LOAD_PRESETS[0]!, name: 'Work lamp' }, 'lamp'),
    leaves: ({ circuits }) => expect(circuits.lv.devices['lamp-load']!.name).toBe('Work lamp'),
  },
  addLowLoads: {
    input: { loads: [0, 1].map((k) => lowLoadOf({ ...LOAD_PRESETS[k]!, name: `Lamp ${k}` }, `lamp-${k}`)) },
    leaves: ({ circuits }) =>
      expect(['lamp-0-load', 'lamp-1-load'].map((id) => circuits.lv.devices[id]!.name)).toEqual(['Lamp 0', 'Lamp 1']),
  },
  setLowLoad: {
    input: { deviceId: lvLoad.id, load: { ...lvLoad.load!, rating: 40 } },
    leaves: ({ circuits }) => expect(circuits.lv.devices[lvLoad.id]!.load!.rating).toBe(40),
  },
  dropLowLoad: {
    input: { deviceId: lvLoad.id },
    leaves: ({ circuits }) =>
      expect([circuits.lv.devices[lvLoad.id], circuits.lv.conductors[lvWire.id]]).toEqual([undefined, undefined]),
  },
  groupLoad: {
    input: { loadId: lvLoad.id, withId: wiper.id, relay: false },
    leaves: (after, before) => expect(loadCircuit(after, lvLoad.id).fuseId).toBe(loadCircuit(before, wiper.id).fuseId),
  },
  ungroupLoad: {
    on: on(firn, { edit: 'groupLoad', input: { loadId: lvLoad.id, withId: wiper.id, relay: false } }),
    input: { loadId: lvLoad.id, seed: 'own', fuse: cataloguePart('fuse-blade-32-5', 'fuse') },
    leaves: (after) => expect(loadCircuit(after, lvLoad.id).fuseId).toBe('own-fuse'),
  },
  setAuxiliaryBattery: {
    input: { deviceId: battery.id, battery: { ...battery.battery!, capacityAh: 44 } },
    leaves: ({ circuits }) => expect(circuits.lv.devices[battery.id]!.battery!.capacityAh).toBe(44),
  },
  setConverter: {
    input: { deviceId: converter.id, converter: { ...converter.converter!, ratedPowerW: 900 } },
    leaves: ({ circuits }) => expect(circuits.hv.devices[converter.id]!.converter!.ratedPowerW).toBe(900),
  },
  setContactRating: {
    input: { deviceId: relay.id, ratedA: 70 },
    leaves: ({ circuits }) => expect(circuits.lv.devices[relay.id]!.ratedA).toBe(70),
  },
  addMainSwitch: {
    input: { seed: 'm', batteryId: battery.id, cable },
    leaves: ({ circuits }) => expect(circuits.lv.devices['m-main-switch']!.opensParked).toBe(true),
  },
  makeLoom: {
    input: { routeId: 'l', name: 'Dash', zoneId: 'zone-cabin', conductorIds: [lvWire.id, lvEarth.id] },
    leaves: ({ circuits }) => expect(circuits.lv.conductors[lvWire.id]!.routeId).toBe('l'),
  },
  putInLoom: {
    input: { conductorId: lvWire.id, routeId: 'loom-bay' },
    leaves: ({ circuits }) => expect(circuits.lv.conductors[lvWire.id]!.routeId).toBe('loom-bay'),
  },
  setConnector: {
    input: { conductorId: 'c-minus', connectorA: 250 },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-minus']!.connectorA).toBe(250),
  },
  addEarthPoint: {
    input: { id: 'e2', wireId: 'b2', name: 'Rear' },
    leaves: ({ circuits }) => expect(circuits.lv.conductors.b2!.b.deviceId).toBe(earth.id),
  },
  landEarth: {
    on: twoEarths,
    input: { conductorId: lvEarth.id, earthId: 'e2' },
    leaves: ({ circuits }) => expect(circuits.lv.conductors[lvEarth.id]!.b.deviceId).toBe('e2'),
  },
  setJoint: {
    on: twoEarths,
    input: { conductorId: 'b2', resistanceOhm: 0.0004 },
    leaves: ({ circuits }) => expect(circuits.lv.conductors.b2!.jointResistanceOhm).toBe(0.0004),
  },
  setIngress: {
    input: { deviceId: 'inverter', ingress: 'IP66/IP67' },
    leaves: ({ circuits }) => expect(circuits.hv.devices.inverter!.ingress).toBe('IP66/IP67'),
  },

  setZone: {
    input: { zoneId: 'zone-bay', ambientC: 70, exposure: ['heat'], ingress: 'IP54' },
    leaves: ({ zones }) =>
      expect(zones['zone-bay']).toMatchObject({ ambientC: 70, exposure: ['heat'], ingress: 'IP54' }),
  },
  addZone: {
    input: { zoneId: 'z', name: 'Tunnel', ambientC: 50, extent: TUNNEL },
    leaves: ({ zones }) => expect(zones.z!.extent).toEqual(TUNNEL),
  },
  setExtent: {
    input: { zoneId: 'zone-hot', extent: TUNNEL },
    leaves: ({ zones }) => expect(zones['zone-hot']!.extent).toEqual(TUNNEL),
  },
  dropZone: {
    on: on(firn, { edit: 'addZone', input: { zoneId: 'z', name: 'Tunnel', ambientC: 50, extent: TUNNEL } }),
    input: { zoneId: 'z' },
    leaves: ({ zones }) => expect(zones.z).toBeUndefined(),
  },
  placeDevice: {
    input: { deviceId: 'heater', zoneId: 'zone-bay', xM: 0.1 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.place!.xM).toBe(0.1),
  },
  placeDevices: {
    input: { places: [{ deviceId: 'inverter', zoneId: 'zone-bay', xM: 0.2, yM: 0.1, zM: 0.8 }] },
    leaves: ({ circuits }) => expect(circuits.hv.devices.inverter!.place).toMatchObject({ xM: 0.2, yM: 0.1 }),
  },
  setSize: {
    input: { deviceId: 'heater', sizeM: { lengthM: 0.3, widthM: 0.2, heightM: 0.1 } },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.sizeM!.lengthM).toBe(0.3),
  },
  putInside: {
    input: { deviceId: 'j-plus', boxId: 'box-front' },
    leaves: ({ circuits }) => expect(circuits.hv.devices['j-plus']!.insideId).toBe('box-front'),
  },
  layRoute: {
    input: {
      routeId: 'r',
      name: 'Way',
      conductorIds: ['c-minus'],
      waypoints: [{ xM: 0.5, yM: 0, zM: 0.5 }],
      laid: { zoneId: 'zone-bay', arrangement: 'single', loadedCircuits: 1, conduit: true },
      slackM: 0.1,
    },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-minus']).toMatchObject({ routeId: 'r', lengthM: null }),
  },
  setWaypoint: {
    input: { routeId: 'way-mid', index: 0, point: { xM: 1.9, yM: 0.4, zM: 0.4 } },
    leaves: ({ routes }) => expect(routes['way-mid']!.waypoints[0]!.xM).toBe(1.9),
  },
  setRoute: {
    input: { routeId: 'way-mid', slackM: 0.3, facts: { moves: true } },
    leaves: ({ routes }) =>
      expect(routes['way-mid']).toMatchObject({ slackM: 0.3, facts: { moves: true, cover: true } }),
  },
  dropRoute: {
    input: { routeId: 'way-mid', lengths: { 'c-mid': 1.6 } },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-mid']).toMatchObject({ routeId: null, lengthM: 1.6 }),
  },
  setWay: {
    input: { routeId: 'loom-bay', waypoints: [{ xM: 0.2, yM: -0.5, zM: 0.7 }] },
    leaves: ({ routes }) => expect(routes['loom-bay']).toMatchObject({ endsFollow: true, waypoints: [{ xM: 0.2 }] }),
  },
  fitCables: {
    input: { choices: [{ conductorId: 'c-plus', part: cable }] },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-plus']!.partId).toBe(cable.id),
  },
  addPassage: {
    input: { id: 'p', name: 'Hole', kind: 'hole', at: { xM: 0, yM: 0, zM: 0.5 }, zoneIds: ['zone-bay', 'zone-cabin'] },
    leaves: ({ passages }) => expect(passages!.p!.kind).toBe('hole'),
  },
  setPassage: {
    input: { passageId: 'p-boot-left', kind: 'tunnel' },
    leaves: ({ passages }) => expect(passages!['p-boot-left']!.kind).toBe('tunnel'),
  },
  dropPassage: {
    input: { passageId: 'p-boot-left' },
    leaves: ({ passages }) => expect(passages!['p-boot-left']).toBeUndefined(),
  },

  setTyre: { input: { tyre: ' 205/80R16 ' }, leaves: ({ vehicle }) => expect(vehicle.tyre).toBe('205/80R16') },
  setBody: { input: { body: 'van' }, leaves: ({ vehicle }) => expect(vehicle.body).toBe('van') },
  setCategory: { input: { category: 'N1' }, leaves: ({ vehicle }) => expect(vehicle.category).toBe('N1') },
  setStartingPoint: {
    input: { startingPoint: 'repair' },
    leaves: ({ vehicle }) => expect(vehicle.startingPoint).toBe('repair'),
  },
  describeVehicle: {
    input: { description: 'Old shuttle' },
    leaves: ({ vehicle }) => expect(vehicle.description).toBe('Old shuttle'),
  },
  setGears: {
    input: { gearRatios: [3.5, 2, 1] },
    leaves: ({ vehicle }) => expect(vehicle.gearRatios).toEqual([3.5, 2, 1]),
  },
  setDragArea: { input: { dragAreaM2: null }, leaves: ({ vehicle }) => expect(vehicle.dragAreaM2).toBeUndefined() },
  setLoss: { input: { loss: 'gauges', state: null }, leaves: ({ losses }) => expect(losses!.gauges).toBeUndefined() },
  setTrip: { input: { tripId: 'town' }, leaves: ({ duty }) => expect(duty.tripId).toBe('town') },
  setOwnTrip: {
    input: { name: 'To town', speedsMPerS: [0, 5, 0], grades: [0, 0, 0] },
    leaves: ({ duty }) => expect([duty.tripId, duty.ownTrip!.speedsMPerS]).toEqual(['own', [0, 5, 0]]),
  },
  setRegeneration: {
    input: { asked: 'brake-pedal' },
    leaves: ({ regeneration }) => expect(regeneration).toMatchObject({ asked: 'brake-pedal', torqueShare: 0.4 }),
  },
  setOwnLimit: {
    input: { limit: 'meltingS', value: 2 },
    leaves: ({ ownLimits }) => expect(ownLimits).toEqual({ meltingS: 2 }),
  },
  setPowersFrom: { input: { powersFrom: 'typed' }, leaves: ({ duty }) => expect(duty.powersFrom).toBe('typed') },
  setSafeguard: {
    input: { safeguard: 'labels', seen: false },
    leaves: ({ safeguards }) => expect(safeguards!.labels).toBe(false),
  },
  setInspection: {
    input: { inspection: 'brakes', state: 'mend', note: 'drags' },
    leaves: ({ asFound }) => expect(asFound!.brakes).toEqual({ state: 'mend', note: 'drags' }),
  },
  takeModules: {
    input: {
      part: { ...Object.values(firn.parts).find((part) => part.kind === 'cell')!, id: 'own-modules' },
      boxes: [{ deviceId: 'box-rear', cellsInSeries: 12 }],
    },
    leaves: ({ circuits: { hv } }) =>
      expect(hv.devices['box-rear']).toMatchObject({ partId: 'own-modules', cellsInSeries: 12, cellsInParallel: 1 }),
  },
  listInHand: {
    input: { items: [{ id: 'h1', name: 'Motor from the yard', made: false, state: 'here', count: 1, price: 900 }] },
    leaves: ({ inHand }) => expect(inHand!.h1!.price).toBe(900),
  },
  setInHand: {
    on: held,
    input: { id: 'h1', facts: { state: 'painted', price: undefined } },
    leaves: ({ inHand }) =>
      expect(inHand!.h1).toEqual({ id: 'h1', name: 'Plate', made: true, state: 'painted', count: 2 }),
  },
  dropInHand: { on: held, input: { id: 'h1' }, leaves: ({ inHand }) => expect(inHand!.h1).toBeUndefined() },
  addOldPart: {
    input: { id: 'old', name: 'Tank', kind: 'part' },
    leaves: ({ oldParts }) => expect(oldParts!.old!.fate).toBeNull(),
  },
  decideOldPart: {
    on: listed,
    input: { id: 'old', fate: 'strip' },
    leaves: ({ oldParts }) => expect(oldParts!.old!.fate).toBe('strip'),
  },
  dropOldPart: { on: listed, input: { id: 'old' }, leaves: ({ oldParts }) => expect(oldParts!.old).toBeUndefined() },
  setCellCare: {
    input: { flag: 'stopsCharger', is: false },
    leaves: ({ bms }) => expect(bms!.stopsCharger).toBe(false),
  },
  setTaps: { input: { readingsV: [3.9, 3.91] }, leaves: ({ bms }) => expect(bms!.tapsV).toEqual([3.9, 3.91]) },
  setCharging: { input: { cutoffAt: 'charger' }, leaves: ({ charging }) => expect(charging!.cutoffAt).toBe('charger') },
  addHealth: {
    input: { record: aHealth },
    leaves: ({ health }) => expect(health!.h1!.capacityAh).toBe(140),
  },
  dropHealth: {
    on: { ...firn, health: { h1: aHealth } },
    input: { id: 'h1' },
    leaves: ({ health }) => expect(health).toEqual({}),
  },
  setBmsConfig: {
    input: { settings: { overV: 4.19 } },
    leaves: ({ bms }, before) => expect(bms).toEqual({ overV: 4.19, tapsV: before.bms!.tapsV }),
  },
  setLimitCurve: {
    input: {
      curve: 'chargeByC',
      points: [
        [0, 0],
        [20, 100],
      ],
    },
    leaves: ({ bms }) => expect(bms!.curves!.chargeByC).toHaveLength(2),
  },
  addDrive: {
    input: { drive: aDrive },
    leaves: ({ drives }) => expect(drives!.d1!.cells[0]!.lowestV).toBe(3.2),
  },
  dropDrive: {
    on: { ...firn, drives: { d1: aDrive } },
    input: { id: 'd1' },
    leaves: ({ drives }) => expect(drives).toEqual({}),
  },
  addReading: {
    input: { reading: { ...aReading, id: 'm2', instrument: 'four-wire meter' }, adopt: true },
    leaves: ({ adoptions, readings }) => {
      expect(readings.m2!.instrument).toBe('four-wire meter');
      expect(adoptions.m2).toMatchObject({ readingId: 'm2', partId: firn.circuits.hv.devices['box-rear']!.partId });
    },
  },
  confirmReading: {
    on: on(firn, { edit: 'adoptMeasured', input: { readings: [aReading] } }),
    input: { readingId: 'm1' },
    leaves: ({ readings }) => expect(readings.m1!.confirmed).toBe(true),
  },
  dropReading: {
    on: on(firn, { edit: 'adoptMeasured', input: { readings: [aReading] } }),
    input: { readingId: 'm1' },
    leaves: ({ adoptions, readings }) => expect([adoptions, readings]).toEqual([{}, {}]),
  },
  adoptMeasured: {
    input: { readings: [aReading] },
    leaves: ({ adoptions, readings }) => {
      expect(readings.m1!.value).toBe(0.0009);
      expect(adoptions.m1).toMatchObject({ subjectId: 'box-rear', field: 'resistanceOhm' });
    },
  },
  dropAdopted: {
    on: on(firn, { edit: 'adoptMeasured', input: { readings: [aReading] } }),
    input: { subjectIds: ['box-rear'], field: 'resistanceOhm' },
    leaves: ({ adoptions, readings }) => {
      expect(adoptions).toEqual({});
      expect(Object.keys(readings)).toEqual(['m1']);
    },
  },
  setPlug: {
    on: estate,
    input: { deviceId: 'charger', outside: true },
    leaves: ({ circuits }) => expect(circuits.hv.devices.charger!.plug).toMatchObject({ outside: true }),
  },
  setWarmsCells: {
    on: estate,
    input: { deviceId: 'heater', is: true },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.warmsCells).toBe(true),
  },
  setCoolsCells: {
    on: withCompressor,
    input: { deviceId: 'heater', powerW: 800 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.coolsCellsW).toBe(800),
  },
  answerAncillary: {
    input: { system: 'brakes', flag: 'checkValve', is: false },
    leaves: ({ brakes }) => expect(brakes!.checkValve).toBe(false),
  },
  answerControl: {
    input: { flag: 'creep', is: true },
    leaves: ({ controls }) => expect(controls!.creep).toBe(true),
  },
  fitGuards: {
    input: { flags: ['seatSwitch', 'creep'] },
    leaves: ({ controls }) => expect([controls!.seatSwitch, controls!.creep]).toEqual([true, true]),
  },
  setRemoteStop: {
    input: { remoteStop: 'loop' },
    leaves: ({ controls }) => expect(controls!.remoteStop).toBe('loop'),
  },
  setStep: {
    input: { step: 'to-drive', own: { and: [{ signal: 'link-charged', is: true }] } },
    leaves: ({ controls }) => expect(controls!.steps!['to-drive']!.and).toHaveLength(1),
  },
  setProperty: {
    input: {
      property: {
        id: 'own-1',
        name: 'No torque while it charges',
        form: 'never',
        when: [
          { signal: 'charging', is: true },
          { signal: 'torque-forward', is: true },
        ],
      },
    },
    leaves: ({ controls }) => expect(controls!.properties!['own-1']!.when).toHaveLength(2),
  },
  dropProperty: {
    on: on(firn, {
      edit: 'setProperty',
      input: { property: { id: 'own-1', name: 'P', form: 'never', when: [{ signal: 'charging', is: true }] } },
    }),
    input: { id: 'own-1' },
    leaves: ({ controls }) => expect(controls!.properties).toEqual({}),
  },
  keepTimeline: {
    input: {
      timeline: { id: 'run-1', name: 'Start', events: [{ atS: 1, input: 'key', is: true }], outcome: 'ab', lengthS: 3 },
    },
    leaves: ({ controls }) => expect(controls!.timelines!['run-1']!.events).toHaveLength(1),
  },
  dropTimeline: {
    on: on(firn, {
      edit: 'keepTimeline',
      input: { timeline: { id: 'run-1', name: 'Start', events: [], outcome: '', lengthS: 3 } },
    }),
    input: { id: 'run-1' },
    leaves: ({ controls }) => expect(controls!.timelines).toEqual({}),
  },
  setSetting: {
    input: { entry: { id: 'set-1', deviceId: 'inverter', setting: 'batteryA', entered: 150, readBack: null } },
    leaves: ({ settings }) => expect(settings!.entries!['set-1']!.entered).toBe(150),
  },
  setSheet: {
    input: { sheet: { id: 'sheet-1', deviceId: 'inverter', firmware: '2.1', date: '2026-05-02', by: 'me' } },
    leaves: ({ settings }) => expect(settings!.sheets!['sheet-1']!.firmware).toBe('2.1'),
  },
  putInHarness: {
    input: { list: 'marks', entries: [{ id: 'low-w2', label: 'B1', loopM: 0.3 }] },
    leaves: ({ harness }) => expect(harness!.marks!['low-w2']).toEqual({ id: 'low-w2', label: 'B1', loopM: 0.3 }),
  },
  layOutSignals: {
    input: {
      fittings: { 'fit-x': { id: 'fit-x', name: 'Gauge', kind: 'gauge', zoneId: null } },
      wires: {
        'sg-x': {
          id: 'sg-x',
          name: 'Gauge feed',
          signal: 'gauge',
          a: { hostId: 'fit-x', pin: 'signal' },
          b: { hostId: 'low-control-unit-load', pin: 'gauge' },
        },
      },
      marks: {},
      nodes: {},
    },
    leaves: ({ harness }) => expect(harness!.wires!['sg-x']!.b.pin).toBe('gauge'),
  },
  dropFromHarness: {
    input: { list: 'oldEnds', id: 'old-2' },
    leaves: ({ harness }) => expect(Object.keys(harness!.oldEnds!)).toEqual(['old-1', 'old-3']),
  },
  issueWiring: {
    input: {
      issue: {
        date: '2026-06-01',
        wires: { 'low-w2': { id: 'low-w2', no: 7, name: 'Feed', a: 'x n', b: 'y n', areaMm2: 6, pinA: null, pinB: 2 } },
      },
    },
    leaves: ({ harness }) => expect(harness!.issue!.wires['low-w2']!.no).toBe(7),
  },
  putInPlan: {
    input: {
      list: 'ownJobs',
      entries: [{ id: 'own-1', name: 'Battery tray', stage: 'gather', zoneId: null, hours: 6 }],
    },
    leaves: ({ plan }) => expect(plan!.ownJobs!['own-1']!.hours).toBe(6),
  },
  dropFromPlan: {
    input: { list: 'waits', id: 'wait-plate' },
    leaves: ({ plan }) => expect(plan!.waits!['wait-plate']).toBeUndefined(),
  },
  setPlan: { input: { hoursPerWeek: 9 }, leaves: ({ plan }) => expect(plan!.hoursPerWeek).toBe(9) },
  putInCommission: {
    input: {
      list: 'results',
      entries: [{ id: 'torque', name: 'Torque list', sheet: 'before-hv', ok: false, date: '2026-06-01' }],
    },
    leaves: ({ commission }) => expect(commission!.results!.torque!.ok).toBe(false),
  },
  dropFromCommission: {
    input: { list: 'ownTests', id: 'own-horn' },
    leaves: ({ commission }) => expect(commission!.ownTests!['own-horn']).toBeUndefined(),
  },
  putInLogbook: {
    input: {
      list: 'entries',
      entries: [{ id: 'e1', kind: 'drive', date: '2026-06-02', what: 'To the hut', odometerM: 91e6 }],
    },
    leaves: ({ logbook }) => expect(logbook!.entries!.e1!.odometerM).toBe(91e6),
  },
  dropFromLogbook: {
    on: estate,
    input: { list: 'claims', id: 'claim-range' },
    leaves: ({ logbook }) => expect(logbook!.claims!['claim-range']).toBeUndefined(),
  },
  setVacuumSwitch: {
    input: { onPa: 45000, offPa: 60000 },
    leaves: ({ brakes }) => expect(brakes).toMatchObject({ switchOnPa: 45000, switchOffPa: 60000 }),
  },
  setGauge: {
    input: { gauge: 'oil', shows: 'emulated' },
    leaves: ({ gauges }) => expect(gauges!.shows!.oil).toBe('emulated'),
  },
  setFlowBasis: { input: { basis: 'inlet' }, leaves: ({ brakes }) => expect(brakes!.flowBasis).toBe('inlet') },
  setSupply: { input: { phases: 3 }, leaves: ({ supply }) => expect(supply!.phases).toBe(3) },
  setStage: { on: estate, input: { kind: 'chain' }, leaves: ({ stage }) => expect(stage!.kind).toBe('chain') },
  setDeadMan: { input: { deadMan: true }, leaves: ({ presetSpeed }) => expect(presetSpeed!.deadMan).toBe(true) },
  setHold: {
    input: { deviceId: 'box-rear', fixings: 8, bolt: 'M10' },
    leaves: ({ circuits }) => expect(circuits.hv.devices['box-rear']!.hold).toMatchObject({ fixings: 8, bolt: 'M10' }),
  },
  setMass: {
    input: { deviceId: 'heater', massKg: 4 },
    leaves: ({ circuits }) => expect(circuits.hv.devices.heater!.massKg).toBe(4),
  },
  setModules: {
    input: { modules: [module('m1'), module('m2')] },
    leaves: ({ modules }) => expect(Object.keys(modules!)).toEqual(['m1', 'm2']),
  },

  importCables: {
    input: { rows: [{ conductorId: 'c-minus', lengthM: 1.7, part: cable }] },
    leaves: ({ circuits }) =>
      expect(circuits.hv.conductors['c-minus']).toMatchObject({ lengthM: 1.7, partId: cable.id }),
  },
  importParts: {
    input: { parts: [{ ...fuse, id: 'mine', provenance: 'own' }] },
    leaves: ({ parts }) => expect(parts.mine!.provenance).toBe('own'),
  },
  removePart: {
    on: on(firn, { edit: 'importParts', input: { parts: [{ ...fuse, id: 'mine', provenance: 'own' }] } }),
    input: { partId: 'mine' },
    leaves: ({ parts }) => expect(parts.mine).toBeUndefined(),
  },
  mergeRecords: {
    input: { document: { ...firn, notes: 'Written at the car.' }, from: 'the telephone' },
    leaves: ({ notes }) => expect(notes).toContain('Written at the car.'),
  },
  restore: {
    input: { document: { ...estate, id: firn.id }, from: 'yesterday' },
    leaves: ({ name }) => expect(name).toBe(estate.name),
  },
  addNote: { input: { text: 'Fuse ordered.' }, leaves: ({ notes }) => expect(notes).toContain('Fuse ordered.') },
  setNotes: { input: { text: 'Anew.' }, leaves: ({ notes }) => expect(notes).toBe('Anew.') },
};
