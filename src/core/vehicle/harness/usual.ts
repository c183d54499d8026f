import type {
  Build,
  BusFrame,
  BusNode,
  Fitting,
  FittingKind,
  HarnessData,
  Id,
  SignalWire,
  WireMark,
} from '../../build';
import { missingSignals, talkers, type WantedEnd, type WantedSignal } from './wanted';

type Lists = Required<Pick<HarnessData, 'fittings' | 'wires' | 'marks' | 'nodes'>>;
/** The same, to be filled. */
interface Open {
  readonly fittings: Record<Id, Fitting>;
  readonly wires: Record<Id, SignalWire>;
  readonly marks: Record<Id, WireMark>;
  readonly nodes: Record<Id, BusNode>;
}

const FITTING_NAMES: Readonly<Partial<Record<FittingKind, string>>> = {
  pedal: 'Accelerator pedal',
  'brake-switch': 'Brake switch',
  selector: 'Direction selector',
  socket: 'Charging inlet',
};

/** Cross-section of a signal wire, mm² (usual in vehicles). */
const SIGNAL_MM2 = 0.5;
const BIT_RATE = 500e3;

/** What each talker says on a bench of our own: control unit, inverter, charger, management, in their order. */
const FRAMES: Readonly<Record<string, readonly BusFrame[]>> = {
  control: [{ identifier: 0x3c0, bytes: 8, periodS: 0.01 }],
  inverter: [{ identifier: 0x3c1, bytes: 8, periodS: 0.01 }],
  charger: [{ identifier: 0x3d0, bytes: 8, periodS: 0.1 }],
  bms: [
    { identifier: 0x3e0, bytes: 8, periodS: 0.1 },
    { identifier: 0x3e1, bytes: 8, periodS: 0.1 },
  ],
};

/** Fittings, wires, twists and nodes for all signals that are needed and not wired yet. `freshId` makes ids. */
export function usualSignals(build: Build, freshId: () => string): Lists {
  const lists: Open = { fittings: {}, wires: {}, marks: {}, nodes: {} };
  const known = Object.values(build.harness?.fittings ?? {});
  const end = (one: WantedEnd): Id => {
    if ('hostId' in one) return one.hostId;
    const there = [...known, ...Object.values(lists.fittings)].find(({ kind }) => kind === one.fitting);
    if (there) return there.id;
    const id = freshId();
    lists.fittings[id] = { id, name: FITTING_NAMES[one.fitting] ?? one.fitting, kind: one.fitting, zoneId: null };
    return id;
  };
  const put = (wanted: WantedSignal, from: Id, to: Id) => {
    let before: Id | null = null;
    const paired = wanted.pairs && wanted.wires.length % 2 === 0;
    wanted.wires.forEach(({ pin, to: other, returns }, k) => {
      const id = freshId();
      lists.wires[id] = {
        id,
        name: wanted.wires.length === 1 ? wanted.words : `${wanted.words}, ${pin}`,
        signal: wanted.signal,
        a: { hostId: from, pin },
        b: { hostId: to, pin: other ?? pin },
        ...(returns ? { returns } : {}),
        areaMm2: wanted.signal === 'cell-sense' ? (build.bms?.senseMm2 ?? SIGNAL_MM2) : SIGNAL_MM2,
        ...(wanted.signal === 'cell-sense' && build.bms?.senseM ? { lengthM: build.bms.senseM } : {}),
      };
      if (paired && k % 2 === 1 && before !== null) lists.marks[id] = { id, twistedWith: before };
      before = id;
    });
  };
  const open = missingSignals(build);
  for (const { wanted, has } of open)
    if (has === 0 && wanted.signal !== 'can-high' && wanted.signal !== 'can-low')
      put(wanted, end(wanted.from), end(wanted.to));
  // The CAN bus goes from one to the next, its ends terminate.
  const line = talkers(build);
  if (line.length > 1 && open.some(({ wanted, has }) => has === 0 && wanted.signal === 'can-high'))
    line.forEach((device, k) => {
      const kind =
        device.load?.job === 'bms'
          ? 'bms'
          : device.load
            ? 'control'
            : device.kind === 'inverter'
              ? 'inverter'
              : 'charger';
      const id = freshId();
      lists.nodes[id] = {
        id,
        hostId: device.id,
        port: 'CAN',
        terminates: k === 0 || k === line.length - 1,
        bitRateBps: BIT_RATE,
        sends: FRAMES[kind]!,
      };
      const next = line[k + 1];
      if (!next) return;
      const [high, low] = [freshId(), freshId()];
      const wire = (wireId: Id, signal: 'can-high' | 'can-low', pin: string) => {
        lists.wires[wireId] = {
          id: wireId,
          name: `CAN bus ${device.name} to ${next.name}, ${pin.slice(-1)}`,
          signal,
          a: { hostId: device.id, pin },
          b: { hostId: next.id, pin },
          areaMm2: SIGNAL_MM2,
        };
      };
      wire(high, 'can-high', 'CAN H');
      wire(low, 'can-low', 'CAN L');
      lists.marks[low] = { id: low, twistedWith: high };
    });
  return lists;
}
