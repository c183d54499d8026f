import { applyEdit } from '../../build/edits/apply';
import type { Edit, EditName } from '../../build/edits/edits';
import { firn9, larkspur } from '../../build/samples';
import type { Build, DeviceOf } from '../../build/types';
import { catalogueOf, cataloguePart } from '../../parts';

/** One example of each edit: on which build, with what, and what it leaves behind. */
export type Input<N extends EditName> = Extract<Edit, { edit: N }>['input'];
export interface Example<N extends EditName> {
  readonly on?: Build;
  readonly input: Input<N>;
  readonly leaves: (after: Build, before: Build) => unknown;
}

export const firn = firn9();
export const estate = larkspur();
/** Its heater as a compressor. */
export const withCompressor: Build = {
  ...estate,
  circuits: {
    ...estate.circuits,
    hv: {
      ...estate.circuits.hv,
      devices: {
        ...estate.circuits.hv.devices,
        heater: { ...estate.circuits.hv.devices.heater!, kind: 'compressor' } as DeviceOf<'compressor'>,
      },
    },
  },
};
export const cable = cataloguePart('cable-shielded-35', 'cable');
export const wire = cataloguePart('cable-thin-1-5', 'cable');
export const fuse = cataloguePart('fuse-traction-500-100', 'fuse');
export const contactor = catalogueOf('contactor')[0]!;
export const on = (build: Build, ...edits: Edit[]): Build =>
  edits.reduce((one, edit) => applyEdit(one, edit).build, build);
export const lvWire = Object.values(firn.circuits.lv.conductors).find(({ name }) => name === 'Radio feed')!;
export const lvEarth = Object.values(firn.circuits.lv.conductors).find(({ name }) => name === 'Radio earth')!;
export const lvLoad = firn.circuits.lv.devices[lvWire.b.deviceId]!;
export const wiper = Object.values(firn.circuits.lv.devices).find(
  ({ name, kind }) => name === 'Wipers' && kind === 'lv-load',
)!;
export const battery = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'auxiliary-battery')!;
export const converter = Object.values(firn.circuits.hv.devices).find((device) => device.converter)!;
export const relay = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'relay')!;
export const earth = Object.values(firn.circuits.lv.devices).find(({ kind }) => kind === 'earth')!;
export const module = (id: string) => ({ id, voltageV: 22, capacityAh: 60, resistanceOhm: 0.002 });
export const listed = on(firn, { edit: 'addOldPart', input: { id: 'old', name: 'Fuel tank', kind: 'part' } });
export const held = on(firn, {
  edit: 'listInHand',
  input: { items: [{ id: 'h1', name: 'Plate', made: true, state: 'sketched', count: 2, price: 30 }] },
});
export const twoEarths = on(firn, { edit: 'addEarthPoint', input: { id: 'e2', wireId: 'b2', name: 'Rear' } });
export const TUNNEL = { x0M: 0.6, x1M: 1.6, y0M: -0.1, y1M: 0.1, z0M: 0.2, z1M: 0.4 };
export const string = {
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

export const aDrive = {
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
export const aHealth = {
  id: 'h1',
  date: '2026-05-02',
  odometerM: 12e6,
  capacityAh: 140,
  fastCharges: null,
  slowCharges: 40,
  note: '',
};
export const aReading = {
  id: 'm1',
  subjectId: 'box-rear',
  field: 'resistanceOhm',
  value: 0.0009,
  conditions: '25 °C',
  date: '2026-05-02',
  by: 'log',
};

/** Some of the edits with an example each. */
export type Examples = { readonly [N in EditName]?: Example<N> };
