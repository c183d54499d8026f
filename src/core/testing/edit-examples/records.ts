import { expect } from 'vitest';
import { aDrive, aHealth, aReading, type Examples, firn, held, listed, on } from './fixtures';

/** What is told of the vehicle, read off it and kept of it. */
export const RECORDS = {
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
} satisfies Examples;
