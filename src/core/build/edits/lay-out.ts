import type { Draft } from 'immer';
import type {
  CablePart,
  CellPart,
  ContactorPart,
  DisconnectPart,
  FusePart,
  InverterPart,
  ResistorPart,
} from '../../parts/types';
import type { Build, Conductor, Device, DeviceKind, Laid } from '../types';
import { type LayOutCoilsInput, layOutCoils } from './coil-edits';
import { addPart } from './helpers';
import { EditRefused } from './refused';

/** What a first traction circuit is made of; parts come with it. */
export interface LayOutInput {
  /** Random start of all ids, made at the edge. */
  readonly seed: string;
  readonly cellsInSeries: number;
  readonly cellsInParallel: number;
  readonly cell: CellPart;
  readonly inverter: InverterPart;
  readonly mainContactor: ContactorPart;
  readonly prechargeRelay: ContactorPart;
  readonly prechargeResistor: ResistorPart;
  readonly mainFuse: FusePart;
  /** Used in the single-pole school: the hand-operated one in the other pole. */
  readonly disconnect: DisconnectPart;
  readonly cable: CablePart;
  readonly prechargeCable: CablePart;
  /** Length of each pole's long run from box to inverter. */
  readonly runLengthM: number;
  /** Cells in one box or shared between two, which takes a fuse or a disconnect at mid-string; 1 when absent. */
  readonly boxes?: 1 | 2;
  /** Powers that it was sized for; absent: those of the build stay. */
  readonly hardPowerW?: number;
  readonly cruisePowerW?: number;
  /** Lays out the coil circuit as well. */
  readonly coils?: Omit<LayOutCoilsInput, 'seed'>;
}

/**
 * Box or boxes, main fuse where the school puts it, main contactor with precharge across it, and the inverter. Both poles switched, with a
 * service disconnect between two boxes or at the minus of one; in the single-pole school one contactor and a hand disconnect in the other
 * pole.
 */
export function layOutTraction(draft: Draft<Build>, input: LayOutInput): void {
  // A motor that was chosen first is no circuit yet.
  if (Object.values(draft.circuits.hv.devices).some(({ kind }) => kind !== 'motor'))
    throw new EditRefused('The circuit is not empty.', 'Remove its devices first, or start a new build.');
  for (const [value, what] of [
    [input.cellsInSeries, 'Cells in series'],
    [input.cellsInParallel, 'Cells in parallel'],
  ] as const) {
    if (!Number.isInteger(value) || value < 1 || value > 500)
      throw new EditRefused(`${what} must be a whole number from 1 to 500.`, 'Type such a number.');
  }
  if (!(input.runLengthM > 0 && input.runLengthM <= 100))
    throw new EditRefused('The way from box to inverter is above 0 and at most 100 m.', 'Type the length of one pole.');
  if (input.hardPowerW !== undefined) draft.duty.hardAccelerationPowerW = input.hardPowerW;
  if (input.cruisePowerW !== undefined) draft.duty.cruisePowerW = input.cruisePowerW;
  for (const part of [
    input.cell,
    input.inverter,
    input.mainContactor,
    input.prechargeRelay,
    input.prechargeResistor,
    input.mainFuse,
    input.cable,
    input.prechargeCable,
  ])
    addPart(draft, part);
  const id = (name: string) => `${input.seed}-${name}`;
  const zones = Object.keys(draft.zones);
  const zone = (wanted: string) => (zones.includes(wanted) ? wanted : zones[0]!);
  const device = (name: string, kind: DeviceKind, label: string, partId: string | null, more: Partial<Device> = {}) => {
    draft.circuits.hv.devices[id(name)] = {
      id: id(name),
      kind,
      name: label,
      partId,
      place: null,
      ...more,
    } as Draft<Device>;
  };
  const laid = (zoneId: string): Laid => ({
    zoneId: zone(zoneId),
    arrangement: 'single',
    loadedCircuits: 1,
    conduit: false,
  });
  let count = 0;
  const connect = (
    label: string,
    from: readonly [string, string],
    to: readonly [string, string],
    part: CablePart,
    lengthM: number,
    zoneId = 'zone-boot',
  ) => {
    const conductor: Conductor = {
      id: id(`c${++count}`),
      name: label,
      kind: 'cable',
      a: { deviceId: id(from[0]), terminal: from[1] },
      b: { deviceId: id(to[0]), terminal: to[1] },
      partId: part.id,
      parallel: 1,
      routeId: null,
      lengthM,
      laid: laid(zoneId),
      jointResistanceOhm: null,
    };
    draft.circuits.hv.conductors[conductor.id] = conductor as Draft<Conductor>;
  };
  const coils = () => {
    if (input.coils) layOutCoils(draft, { ...input.coils, seed: `${input.seed}-coil` });
  };
  const service = () => {
    addPart(draft, input.disconnect);
    device('service', 'disconnect', 'Service disconnect', input.disconnect.id);
  };
  /** The other box with what stands between the two: fuse and disconnect at mid-string. */
  const secondBox = (): string => {
    device('box2', 'box', 'Lower box', input.cell.id, {
      cellsInSeries: input.cellsInSeries - first,
      cellsInParallel: input.cellsInParallel,
    });
    let from: readonly [string, string] = ['box', 'minus'];
    const between = (name: string, label: string) => {
      connect(`To ${label.toLowerCase()}`, from, [name, 'a'], main, 0.15);
      from = [name, 'b'];
    };
    if (position !== 'pack-terminal') {
      device('midfuse', 'fuse', 'Mid fuse', input.mainFuse.id);
      between('midfuse', 'Mid fuse');
    }
    if (draft.schools.contactors === 'both-poles') {
      service();
      between('service', 'Service disconnect');
    }
    connect('Box to box', from, ['box2', 'plus'], main, Math.max(0.3, input.runLengthM / 2), 'zone-underbody');
    return 'box2';
  };
  const main = input.cable;
  const thin = input.prechargeCable;
  const two = input.boxes === 2 && input.cellsInSeries > 1;
  const first = two ? Math.ceil(input.cellsInSeries / 2) : input.cellsInSeries;
  const position = two ? draft.schools.fusePosition : 'pack-terminal';
  device('box', 'box', two ? 'Upper box' : 'Pack box', input.cell.id, {
    cellsInSeries: first,
    cellsInParallel: input.cellsInParallel,
  });
  const atTerminal = position !== 'mid-string';
  if (atTerminal) device('fuse', 'fuse', 'Main fuse', input.mainFuse.id);
  device('kp', 'contactor', 'K+ main', input.mainContactor.id, { role: 'main-plus' });
  device('kpre', 'contactor', 'Precharge relay', input.prechargeRelay.id, { role: 'precharge' });
  device('rpre', 'precharge-resistor', 'Precharge resistor', input.prechargeResistor.id);
  device('inverter', 'inverter', 'Inverter', input.inverter.id);
  if (atTerminal) {
    connect('Box plus to main fuse', ['box', 'plus'], ['fuse', 'a'], main, 0.15);
    connect('Main fuse to contactor', ['fuse', 'b'], ['kp', 'a'], main, 0.2);
  } else connect('Box plus to contactor', ['box', 'plus'], ['kp', 'a'], main, 0.2);
  const lower = two ? secondBox() : 'box';
  connect('Precharge tap', ['kp', 'a'], ['kpre', 'a'], thin, 0.15);
  connect('Precharge relay to resistor', ['kpre', 'b'], ['rpre', 'a'], thin, 0.15);
  connect('Precharge resistor to bus', ['rpre', 'b'], ['kp', 'b'], thin, 0.15);
  connect('Contactor to inverter plus', ['kp', 'b'], ['inverter', 'plus'], main, input.runLengthM, 'zone-underbody');
  if (draft.schools.contactors === 'both-poles') {
    device('km', 'contactor', 'K− main', input.mainContactor.id, { role: 'main-minus' });
    if (two) connect('Box minus to contactor', [lower, 'minus'], ['km', 'a'], main, 0.3);
    else {
      service();
      connect('Box minus to service disconnect', ['box', 'minus'], ['service', 'a'], main, 0.15);
      connect('Service disconnect to contactor', ['service', 'b'], ['km', 'a'], main, 0.15);
    }
    connect(
      'Contactor to inverter minus',
      ['km', 'b'],
      ['inverter', 'minus'],
      main,
      input.runLengthM,
      'zone-underbody',
    );
    coils();
    return;
  }
  addPart(draft, input.disconnect);
  device('hand', 'disconnect', 'Hand disconnect', input.disconnect.id);
  connect('Box minus to hand disconnect', [lower, 'minus'], ['hand', 'a'], main, 0.3);
  connect(
    'Hand disconnect to inverter minus',
    ['hand', 'b'],
    ['inverter', 'minus'],
    main,
    input.runLengthM,
    'zone-underbody',
  );
  coils();
}
