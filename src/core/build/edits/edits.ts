import type { Draft } from 'immer';
import type { CablePart, Part } from '../../parts/types';
import { formatQuantity } from '../../quantities/format';
import {
  type Build,
  type Conductor,
  circuitOfTerminal,
  type Device,
  findConductor,
  findDevice,
  type Laid,
  own,
  type Schools,
  type StateId,
} from '../types';
import { ANCILLARY_EDITS } from './ancillary-edits';
import { BOX_EDITS } from './box-edits';
import { CHARGE_EDITS } from './charge-edits';
import { COIL_EDITS } from './coil-edits';
import { COMMISSION_EDITS } from './commission-edits';
import { CONTROL_EDITS } from './control-edits';
import { define, type EditDefinition } from './definition';
import { DRIVE_EDITS } from './drive-edits';
import { GROUP_EDITS } from './group-edits';
import { HARNESS_EDITS } from './harness-edits';
import {
  addPart,
  circuitNameOfConductor,
  circuitOfConductor,
  conductorToEdit,
  deviceToEdit,
  dropOrphanReadings,
  leaveBox,
  pruneParts,
  refuseMissingPart,
  refuseUsedId,
  retireAdoptions,
  swapPart,
  whole,
} from './helpers';
import { IMPORT_EDITS } from './import-edits';
import { IN_HAND_EDITS } from './in-hand-edits';
import { JOB_EDITS } from './job-edits';
import { type LayOutInput, layOutTraction } from './lay-out';
import { LOGBOOK_EDITS } from './logbook-edits';
import { LOW_VOLTAGE_EDITS } from './low-voltage-edits';
import { PASSAGE_EDITS } from './passage-edits';
import { PLAN_EDITS } from './plan-edits';
import { READING_EDITS } from './reading-edits';
import { EditRefused } from './refused';
import { SETTABLE, type SettableName } from './settable';
import { STRING_EDITS } from './string-edits';
import { SURVEY_EDITS } from './survey-edits';
import { leaveCoilCircuit, TOPOLOGY_EDITS } from './topology-edits';
import { VEHICLE_EDITS } from './vehicle-edits';
import { WIRE_EDITS } from './wire-edits';
import { ZONE_EDITS } from './zone-edits';

const deviceName = (build: Build, id: string): string => findDevice(build, id)?.name ?? 'a device';
const conductorName = (build: Build, id: string): string => findConductor(build, id)?.name ?? 'a conductor';

export const EDITS = {
  renameBuild: define<{ name: string }>({
    title: (_, { name }) => `rename to ${name}`,
    apply: (draft, { name }) => {
      const trimmed = name.trim();
      if (trimmed === '' || trimmed.length > 120)
        throw new EditRefused('A name has 1 to 120 characters.', 'Type a shorter name.');
      draft.name = trimmed;
    },
  }),

  setUnits: define<{ units: Build['units'] }>({
    title: (_, { units }) => `${units === 'us' ? 'US' : 'metric'} units`,
    apply: (draft, { units }) => {
      draft.units = units;
    },
  }),

  setRuleSet: define<{ ruleSet: Build['ruleSet'] }>({
    title: (_, { ruleSet }) =>
      ({ iec: 'follow IEC practice', 'north-america': 'follow North American rules', own: 'follow own limits' })[
        ruleSet
      ],
    apply: (draft, { ruleSet }) => {
      draft.ruleSet = ruleSet;
    },
  }),

  setSchool: define<Partial<Schools>>({
    title: () => 'change a design choice',
    apply: (draft, schools) => void Object.assign(draft.schools, schools),
  }),

  setFigure: define<{ figure: SettableName; value: number | null }>({
    title: (_, { figure, value }) =>
      `${SETTABLE[figure].label.toLowerCase()} ${value === null ? 'not entered' : formatQuantity({ value, dimension: SETTABLE[figure].dimension }).text}`,
    apply: (draft, { figure, value }) => {
      const settable = SETTABLE[figure];
      const bounds = `${formatQuantity({ value: settable.min, dimension: settable.dimension }).text} to ${formatQuantity({ value: settable.max, dimension: settable.dimension }).text}`;
      const kept = 'kept' in settable ? settable.kept : undefined;
      if (value === null ? kept === 'always' : !(value >= settable.min && value <= settable.max))
        throw new EditRefused(`${settable.label} is outside ${bounds}.`, `Type a figure from ${bounds}.`);
      const [section, field] = settable.path;
      const sections = draft as unknown as Record<string, Record<string, number | null> | undefined>;
      sections[section] ??= {};
      if (value === null && kept === undefined) delete sections[section][field];
      else sections[section][field] = value;
    },
  }),

  setCells: define<{ deviceId: string; cellsInSeries?: number; cellsInParallel?: number }>({
    title: (build, { deviceId, cellsInSeries }) =>
      `${cellsInSeries ?? ''}${cellsInSeries ? 's' : 'cells'} in ${deviceName(build, deviceId)}`,
    apply: (draft, { deviceId, cellsInSeries, cellsInParallel }) => {
      const box = deviceToEdit(draft, deviceId);
      if (box.kind !== 'box') throw new EditRefused('Only a box holds cells.', 'Choose a box.');
      if (cellsInSeries !== undefined) box.cellsInSeries = whole(cellsInSeries, 1, 500, 'Cells in series');
      if (cellsInParallel !== undefined) box.cellsInParallel = whole(cellsInParallel, 1, 500, 'Cells in parallel');
    },
  }),

  fitPart: define<{ deviceId: string; part: Part }>({
    title: (build, { deviceId, part }) => `fit ${part.name} to ${deviceName(build, deviceId)}`,
    apply: (draft, { deviceId, part }) => swapPart(draft, deviceToEdit(draft, deviceId), part),
  }),

  /** All boxes of a string take the same cell. */
  fitCells: define<{ part: Part }>({
    title: (_, { part }) => `fit ${part.name} in all boxes`,
    apply: (draft, { part }) => {
      for (const device of Object.values(draft.circuits.hv.devices))
        if (device.kind === 'box') swapPart(draft, device, part);
    },
  }),

  /** Measured modules in their groups become the pack: one cell part for all boxes, a group being one in parallel. */
  takeModules: define<{ part: Part; boxes: readonly { deviceId: string; cellsInSeries: number }[] }>({
    title: (_, { part, boxes }) =>
      `${boxes.reduce((sum, { cellsInSeries }) => sum + cellsInSeries, 0)} in series of ${part.name}`,
    apply: (draft, { part, boxes }) => {
      for (const { deviceId, cellsInSeries } of boxes) {
        const box = deviceToEdit(draft, deviceId);
        if (box.kind !== 'box') throw new EditRefused('Only a box holds cells.', 'Choose a box.');
        swapPart(draft, box, part);
        box.cellsInSeries = whole(cellsInSeries, 1, 500, 'Cells in series');
        box.cellsInParallel = 1;
      }
    },
  }),

  renameDevice: define<{ deviceId: string; name: string }>({
    title: (build, { deviceId, name }) => `call ${deviceName(build, deviceId)} ${name}`,
    apply: (draft, { deviceId, name }) => {
      if (name.trim() === '' || name.length > 120)
        throw new EditRefused('A name has 1 to 120 characters.', 'Type a shorter name.');
      deviceToEdit(draft, deviceId).name = name.trim();
    },
  }),

  setDevicePower: define<{ deviceId: string; state: StateId; powerW: number }>({
    title: (build, { deviceId, powerW }) =>
      `${deviceName(build, deviceId)} draws ${formatQuantity({ value: powerW, dimension: 'power' }).text}`,
    apply: (draft, { deviceId, state, powerW }) => {
      if (!(powerW >= 0 && powerW <= 1e6))
        throw new EditRefused('Power is outside 0 W to 1 MW.', 'Type the power that it draws.');
      const device = deviceToEdit(draft, deviceId);
      device.powersW = { ...device.powersW, [state]: powerW };
    },
  }),

  fitCable: define<{ conductorIds: readonly string[]; part: CablePart; parallel?: number }>({
    title: (build, { conductorIds, part }) =>
      `fit ${part.areaMm2} mm² to ${conductorIds.length === 1 ? conductorName(build, conductorIds[0]!) : `${conductorIds.length} conductors`}`,
    apply: (draft, { conductorIds, part, parallel }) => {
      addPart(draft, part);
      for (const id of conductorIds) {
        const conductor = conductorToEdit(draft, id);
        if (conductor.kind !== 'cable')
          throw new EditRefused(`${conductor.name} is not a cable.`, 'Make it a cable first.');
        conductor.partId = part.id;
        if (parallel !== undefined) conductor.parallel = whole(parallel, 1, 20, 'Conductors in parallel');
        retireAdoptions(draft, id);
      }
      pruneParts(draft);
    },
  }),

  setConductor: define<{
    conductorId: string;
    lengthM?: number | null;
    parallel?: number;
    laid?: Laid;
    routeId?: string | null;
    name?: string;
  }>({
    title: (build, { conductorId, lengthM }) =>
      lengthM
        ? `${conductorName(build, conductorId)} is ${formatQuantity({ value: lengthM, dimension: 'length' }).text}`
        : `change ${conductorName(build, conductorId)}`,
    apply: (draft, { conductorId, lengthM, parallel, laid, routeId, name }) => {
      const conductor = conductorToEdit(draft, conductorId);
      if (lengthM !== undefined) {
        if (lengthM !== null && !(lengthM > 0 && lengthM <= 100))
          throw new EditRefused(
            'A length is above 0 and at most 100 m.',
            'Type the length of one conductor, end to end.',
          );
        conductor.lengthM = lengthM;
      }
      if (parallel !== undefined) conductor.parallel = whole(parallel, 1, 20, 'Conductors in parallel');
      if (laid !== undefined) {
        whole(laid.loadedCircuits, 1, 50, 'Circuits side by side');
        if (!own(draft.zones, laid.zoneId))
          throw new EditRefused('That place is no longer in the build.', 'Choose another place.');
        conductor.laid = laid;
        conductor.routeId = null;
      }
      if (routeId !== undefined) {
        if (routeId !== null && !own(draft.routes, routeId))
          throw new EditRefused('That route is no longer in the build.', 'Choose another route.');
        conductor.routeId = routeId;
      }
      if (name !== undefined && name.trim() !== '') conductor.name = name.trim().slice(0, 120);
    },
  }),

  ...LOW_VOLTAGE_EDITS,
  ...GROUP_EDITS,
  ...PLAN_EDITS,

  addDevice: define<{ device: Device; part?: Part }>({
    title: (_, { device }) => `add ${device.name}`,
    apply: (draft, { device, part }) => {
      refuseUsedId(draft, device.id);
      if (part) addPart(draft, part);
      refuseMissingPart(draft, device.partId);
      draft.circuits.hv.devices[device.id] = device as Draft<Device>;
    },
  }),

  addConductor: define<{ conductor: Conductor; part?: Part }>({
    title: (_, { conductor }) => `connect ${conductor.name}`,
    apply: (draft, { conductor, part }) => {
      refuseUsedId(draft, conductor.id);
      if (part) addPart(draft, part);
      refuseMissingPart(draft, conductor.partId);
      for (const end of [conductor.a, conductor.b]) {
        const device = deviceToEdit(draft, end.deviceId);
        if (circuitOfTerminal(device.kind, end.terminal) !== 'hv')
          throw new EditRefused(`${device.name} has no such terminal.`, 'Choose one of its terminals.');
      }
      draft.circuits.hv.conductors[conductor.id] = conductor as Draft<Conductor>;
    },
  }),

  /** Takes a device out with the conductors on it; what hangs on those is left with open ends. */
  removeDevice: define<{ deviceId: string }>({
    title: (build, { deviceId }) => `remove ${deviceName(build, deviceId)} and its conductors`,
    apply: (draft, { deviceId }) => {
      deviceToEdit(draft, deviceId);
      if (own(draft.circuits.hv.devices, deviceId)) leaveCoilCircuit(draft, deviceId);
      for (const circuit of [draft.circuits.hv, draft.circuits.lv]) {
        delete circuit.devices[deviceId];
        for (const [id, conductor] of Object.entries(circuit.conductors)) {
          if (conductor.a.deviceId !== deviceId && conductor.b.deviceId !== deviceId) continue;
          delete circuit.conductors[id];
          retireAdoptions(draft, id);
        }
      }
      leaveBox(draft, deviceId);
      dropOrphanReadings(draft);
      retireAdoptions(draft, deviceId);
      pruneParts(draft);
    },
  }),

  /** Puts a two-terminal device into a conductor; the part towards end a keeps the id. */
  insertDevice: define<{ conductorId: string; device: Device; part?: Part; newConductorId: string }>({
    title: (build, { conductorId, device }) => `put ${device.name} into ${conductorName(build, conductorId)}`,
    apply: (draft, { conductorId, device, part, newConductorId }) => {
      const conductor = conductorToEdit(draft, conductorId);
      const name = circuitNameOfConductor(draft, conductorId);
      if (circuitOfTerminal(device.kind, 'a') !== name || circuitOfTerminal(device.kind, 'b') !== name)
        throw new EditRefused(
          `A ${device.kind} can't stand in a ${name === 'hv' ? 'high-voltage' : '12-volt'} conductor.`,
          name === 'hv'
            ? 'Put in a fuse, contactor, disconnect, resistor or sensor.'
            : 'Put in a fuse, a switch, a handle or an interlock contact.',
        );
      refuseUsedId(draft, device.id);
      refuseUsedId(draft, newConductorId);
      if (part) addPart(draft, part);
      refuseMissingPart(draft, device.partId);
      const circuit = circuitOfConductor(draft, conductorId);
      circuit.devices[device.id] = device as Draft<Device>;
      // A route's length can't be shared out here: the first part keeps it, the new part's own length has to be told.
      const route = own(draft.routes, conductor.routeId);
      circuit.conductors[newConductorId] = {
        ...conductor,
        id: newConductorId,
        name: `${conductor.name}, after ${device.name}`.slice(0, 120),
        a: { deviceId: device.id, terminal: 'b' },
        lengthM: conductor.lengthM === null ? null : conductor.lengthM / 2,
        routeId: null,
        laid: route?.laid ?? conductor.laid,
      };
      if (conductor.lengthM !== null) conductor.lengthM /= 2;
      conductor.b = { deviceId: device.id, terminal: 'a' };
    },
  }),

  layOut: define<LayOutInput>({ title: () => 'lay out a traction circuit', apply: layOutTraction }),

  ...IMPORT_EDITS,
  ...TOPOLOGY_EDITS,
  ...DRIVE_EDITS,
  ...COIL_EDITS,
  ...STRING_EDITS,
  ...BOX_EDITS,
  ...WIRE_EDITS,
  ...PASSAGE_EDITS,
  ...ZONE_EDITS,
  ...SURVEY_EDITS,
  ...VEHICLE_EDITS,
  ...CHARGE_EDITS,
  ...ANCILLARY_EDITS,
  ...CONTROL_EDITS,
  ...HARNESS_EDITS,
  ...JOB_EDITS,
  ...COMMISSION_EDITS,
  ...LOGBOOK_EDITS,
  ...IN_HAND_EDITS,
  ...READING_EDITS,
};

type EditsTable = typeof EDITS;
export type EditName = keyof EditsTable;
type InputOf<N extends EditName> = EditsTable[N] extends EditDefinition<infer I> ? I : never;
/** One step: the name of an edit and its input. */
export type SingleEdit = { [N in EditName]: { readonly edit: N; readonly input: InputOf<N> } }[EditName];
/** A serialisable edit: one step, or several that make sense only together and are undone together. */
export type Edit =
  | SingleEdit
  | { readonly edit: 'together'; readonly input: { readonly steps: readonly SingleEdit[] } };
