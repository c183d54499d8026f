import { expect } from 'vitest';
import { loadCircuit } from '../../build/edits/group-edits';
import { cataloguePart, LOAD_PRESETS, lowBase, lowLoadOf } from '../../parts';
import { barred } from '../corpus/change';
import {
  battery,
  cable,
  converter,
  type Examples,
  earth,
  firn,
  lvEarth,
  lvLoad,
  lvWire,
  on,
  relay,
  TUNNEL,
  twoEarths,
  wiper,
} from './fixtures';

/** The 12-volt side, and where things stand and lie. */
export const LAYOUT = {
  layOutLow: {
    on: { ...firn, circuits: { ...firn.circuits, lv: { devices: {}, conductors: {} } } },
    input: lowBase(battery.battery!, 1000, 1, 'low2', 45),
    leaves: ({ circuits }) => expect(circuits.lv.devices['low2-box']!.name).toBe('Fuse box'),
  },
  addLowLoad: {
    input: lowLoadOf({ ...LOAD_PRESETS[0]!, name: 'Work lamp' }, 'lamp', 45),
    leaves: ({ circuits }) => expect(circuits.lv.devices['lamp-load']!.name).toBe('Work lamp'),
  },
  addLowLoads: {
    input: { loads: [0, 1].map((k) => lowLoadOf({ ...LOAD_PRESETS[k]!, name: `Lamp ${k}` }, `lamp-${k}`, 45)) },
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
  setConductorKind: {
    input: { conductorId: 'c-mid-fuse', kind: 'busbar' },
    leaves: ({ circuits }) =>
      expect(circuits.hv.conductors['c-mid-fuse']).toMatchObject({ kind: 'busbar', partId: null }),
  },
  setBarSection: {
    on: barred('c-pre-tap', 'busbar')(firn),
    input: { conductorId: 'c-pre-tap', sectionMm2: 60 },
    leaves: ({ circuits }) => expect(circuits.hv.conductors['c-pre-tap']!.sectionMm2).toBe(60),
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
} satisfies Examples;
