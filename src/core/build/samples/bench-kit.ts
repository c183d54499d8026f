import {
  BATTERY_PRESETS,
  type CablePart,
  cataloguePart,
  findCataloguePart,
  LOAD_PRESETS,
  lowBase,
  lowLoadOf,
  type Part,
} from '../../parts';
import { emptyBuild } from '../defaults';
import { hasTrait } from '../devices';
import { applyEdit } from '../edits';
import {
  type Build,
  type Conductor,
  type Device,
  type DeviceKind,
  type DeviceOf,
  type Id,
  type Laid,
  makeDevice,
  type Place,
  type Route,
} from '../types';

/** How a conductor lies when nothing else is said: alone in free air. */
export const laid = (zoneId: string, more: Partial<Laid> = {}): Laid => ({
  zoneId,
  arrangement: 'single',
  loadedCircuits: 1,
  conduit: false,
  ...more,
});

/** Filters of the usual size between both poles and the body, F: the drive's is the largest. */
export const FILTERS: Readonly<Partial<Record<DeviceKind, number>>> = {
  inverter: 200e-9,
  motor: 20e-9,
  charger: 100e-9,
  converter: 50e-9,
  'charger-converter': 150e-9,
  heater: 40e-9,
  compressor: 40e-9,
};

/** Writes a sample build down in few lines: parts by catalogue id, ends as "device.terminal". */
export class SampleWriter {
  private readonly devices: Record<Id, Device> = {};
  private readonly conductors: Record<Id, Conductor> = {};
  private readonly routes: Record<Id, Route> = {};
  private readonly parts: Record<Id, Part> = {};

  private take(partId: string): void {
    const part = findCataloguePart(partId);
    if (!part) throw new Error(`no catalogue part ${partId}`);
    this.parts[partId] = part;
  }

  device<Kind extends DeviceKind>(
    id: Id,
    kind: Kind,
    name: string,
    partId: string | null,
    place: Place | null,
    more: Partial<DeviceOf<Kind>> = {},
  ): void {
    if (partId) this.take(partId);
    this.devices[id] = makeDevice(kind, { ...more, id, name, partId, place } as DeviceOf<Kind>);
  }

  route(
    id: Id,
    name: string,
    waypoints: readonly (readonly [number, number, number])[],
    laid: Laid,
    slackM = 0.15,
  ): void {
    this.routes[id] = {
      id,
      name,
      waypoints: waypoints.map(([xM, yM, zM]) => ({ xM, yM, zM })),
      slackM,
      measuredLengthM: null,
      laid,
    };
  }

  cable(
    id: Id,
    name: string,
    from: string,
    to: string,
    partId: string,
    way: { routeId: string } | { lengthM: number; laid: Laid },
  ): void {
    this.take(cataloguePart(partId, 'cable').id satisfies CablePart['id']);
    const end = (text: string) => ({
      deviceId: text.slice(0, text.lastIndexOf('.')),
      terminal: text.slice(text.lastIndexOf('.') + 1),
    });
    this.conductors[id] = {
      id,
      name,
      kind: 'cable',
      a: end(from),
      b: end(to),
      partId,
      parallel: 1,
      routeId: 'routeId' in way ? way.routeId : null,
      lengthM: 'lengthM' in way ? way.lengthM : null,
      laid: 'laid' in way ? way.laid : null,
      jointResistanceOhm: null,
    };
  }

  /** Every device with a body leaks so much to it, as if it had been measured. */
  measuredLeakage(insulationOhm: number): void {
    for (const [id, device] of Object.entries(this.devices))
      if (hasTrait(device.kind, 'leaks')) this.devices[id] = { ...device, insulationOhm };
  }

  /** Capacitance to the body of whatever has a filter, as the sheets say, F. */
  filters(byKind: Readonly<Partial<Record<DeviceKind, number>>>): void {
    for (const [id, device] of Object.entries(this.devices)) {
      const yCapacitanceF = byKind[device.kind];
      if (yCapacitanceF !== undefined) this.devices[id] = { ...device, yCapacitanceF };
    }
  }

  build(id: Id, name: string, more: Partial<Build>): Build {
    return {
      ...emptyBuild(id, name),
      ...more,
      parts: this.parts,
      routes: this.routes,
      circuits: { hv: { devices: this.devices, conductors: this.conductors }, lv: { devices: {}, conductors: {} } },
    };
  }
}

/** The coil circuit as the edit lays it out, and a sequence that proves the link dead. */
export function withCoils(build: Build, loopLengthM: number, coilLengthM: number): Build {
  const wire = cataloguePart('cable-thin-1', 'cable');
  const fuse = cataloguePart('fuse-blade-58-10', 'fuse');
  const { build: wired } = applyEdit(build, {
    edit: 'layOutCoils',
    input: { seed: 'coil', wire, fuse, loopLengthM, coilLengthM },
  });
  return applyEdit(wired, { edit: 'setProvesDead', input: { provesDead: true } }).build;
}

/** The 12-volt feed and its loads by their presets; wires and fuses by rule of thumb, as an electrician begins. */
export function withLow(
  build: Build,
  choice: {
    readonly battery: string;
    readonly converterW: number;
    readonly loads: readonly string[];
    readonly converterLengthM: number;
    /** In surroundings of the fuse box. */
    readonly fusesAtC: number;
  },
): Build {
  const battery = BATTERY_PRESETS.find(({ id }) => id === choice.battery)!.data;
  const base = lowBase(battery, choice.converterW, choice.converterLengthM, 'low', choice.fusesAtC);
  const fed = applyEdit(build, { edit: 'layOutLow', input: base }).build;
  return choice.loads.reduce((made, id) => {
    const preset = LOAD_PRESETS.find((one) => one.id === id)!;
    return applyEdit(made, { edit: 'addLowLoad', input: lowLoadOf(preset, `low-${id}`, choice.fusesAtC) }).build;
  }, fed);
}
