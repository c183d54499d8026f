import { expect } from 'vitest';
import { cable, type Examples, estate, firn, fuse, module, on, withCompressor } from './fixtures';

/** Control, harness, plan, tests and logbook. */
export const WORK = {
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
} satisfies Examples;
