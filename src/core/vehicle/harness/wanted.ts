import {
  type Build,
  type Device,
  type FittingKind,
  type Id,
  own,
  SIDES,
  type SignalWire,
  type WireSignal,
} from '../../build';
import type { CellPart } from '../../parts';
import { driveTrainOf } from '../drive-units';
import { hostOf } from './hosts';

/** An end that a signal needs: a device that is there, or a fitting of a kind, whichever it is. */
export type WantedEnd = { readonly hostId: Id } | { readonly fitting: FittingKind };

/** A signal that the design needs, with its wires. */
export interface WantedSignal {
  readonly id: string;
  readonly words: string;
  readonly signal: WireSignal;
  readonly from: WantedEnd;
  readonly to: WantedEnd;
  /** Pins of each wire, and which of them bring the current back. */
  readonly wires: readonly { readonly pin: string; readonly to?: string; readonly returns?: boolean }[];
  /** They go in pairs, twisted. */
  readonly pairs: boolean;
}

const wire = (pin: string, returns = false) => ({ pin, ...(returns ? { returns } : {}) });

/** Position sensor by the kind of motor: a resolver on magnets, an encoder on induction, none on a brushed motor. */
const POSITION: Readonly<Record<string, readonly string[]>> = {
  'permanent-magnet': ['excitation +', 'excitation −', 'sine +', 'sine −', 'cosine +', 'cosine −'],
  induction: ['sensor +5 V', 'sensor ground', 'track A', 'track B'],
};

const jobsOf = (build: Build, job: string): Device[] =>
  Object.values(build.circuits.lv.devices).filter(({ load }) => load?.job === job);

/** Who turns pedals and switches into torque: the control unit, or else the inverter by itself; null: hands, or nothing yet. */
function commander(build: Build): Device | null {
  const { command } = build.schools;
  if (command === 'hand-switches') return null;
  const units = jobsOf(build, 'control-unit');
  const inverter = Object.values(build.circuits.hv.devices).find(({ kind }) => kind === 'inverter') ?? null;
  return command === 'motor-controller' ? (inverter ?? units[0] ?? null) : (units[0] ?? inverter);
}

function ofMotors(build: Build): WantedSignal[] {
  return (driveTrainOf(build).units ?? []).flatMap(({ motor, part, inverterId }) => {
    if (!part || !inverterId) return [];
    const pins = own(POSITION, part.motorKind) ?? [];
    const to = { hostId: inverterId };
    return [
      ...(pins.length > 0
        ? [
            {
              id: `position-${motor.id}`,
              words: `Position of ${motor.name}`,
              signal: 'position' as const,
              from: { hostId: motor.id },
              to,
              wires: pins.map((pin) => wire(pin, pin.includes('ground'))),
              pairs: true,
            },
          ]
        : []),
      {
        id: `temperature-${motor.id}`,
        words: `Temperature of ${motor.name}`,
        signal: 'temperature' as const,
        from: { hostId: motor.id },
        to,
        wires: [wire('temperature'), wire('temperature return', true)],
        pairs: false,
      },
    ];
  });
}

function ofPedals(build: Build): WantedSignal[] {
  const by = commander(build);
  if (!by) return [];
  const { controls = {} } = build;
  const to = { hostId: by.id };
  const track = (n: number) => [wire(`pedal ${n} +5 V`), wire(`pedal ${n} signal`), wire(`pedal ${n} return`, true)];
  const preset = build.presetSpeed?.speedMPerS !== undefined;
  return [
    ...(preset
      ? []
      : [
          {
            id: 'pedal',
            words: 'Accelerator pedal',
            signal: 'pedal' as const,
            from: { fitting: 'pedal' as const },
            to,
            wires: controls.pedalTwo ? [...track(1), ...track(2)] : track(1),
            pairs: false,
          },
        ]),
    ...(controls.brakeCuts || controls.brakeFirst
      ? [
          {
            id: 'brake',
            words: 'Brake switch',
            signal: 'brake' as const,
            from: { fitting: 'brake-switch' as const },
            to,
            wires: [wire('brake contact 1'), ...(controls.brakeTwo ? [wire('brake contact 2')] : [])],
            pairs: false,
          },
        ]
      : []),
    {
      id: 'selector',
      words: 'Direction selector',
      signal: 'selector' as const,
      from: { fitting: 'selector' as const },
      to,
      wires: [wire('forward'), wire('reverse'), ...(controls.neutralContact ? [wire('neutral')] : [])],
      pairs: false,
    },
  ];
}

function ofPlug(build: Build): WantedSignal[] {
  return Object.values(build.circuits.hv.devices).flatMap((device): WantedSignal[] => {
    if ((device.kind !== 'charger' && device.kind !== 'charger-converter') || device.plug?.outside) return [];
    const seen = device.plug?.seenBy;
    const from = { fitting: 'socket' as const };
    const at = { hostId: device.id };
    const asks = commander(build) ?? device;
    return [
      ...(build.charging?.residual !== undefined || build.controls?.pilotBlocks || seen === 'proximity'
        ? [
            {
              id: `pilot-${device.id}`,
              words: `Pilot to ${device.name}`,
              signal: 'pilot' as const,
              from,
              to: at,
              wires: [wire('pilot')],
              pairs: false,
            },
          ]
        : []),
      ...(seen === 'proximity' || seen === 'own-contact'
        ? [
            {
              id: `proximity-${device.id}`,
              words: `Plug of ${device.name} is seen`,
              signal: 'proximity' as const,
              from,
              to: { hostId: asks.id },
              wires: [wire('proximity'), wire('proximity return', true)],
              pairs: false,
            },
          ]
        : []),
    ];
  });
}

const groupsOf = (build: Build, box: Device): number => {
  const part = own(build.parts, box.partId) as CellPart | undefined;
  return part?.kind === 'cell' ? (box.cellsInSeries ?? 0) : 0;
};

function ofCells(build: Build): WantedSignal[] {
  const bms = jobsOf(build, 'bms')[0];
  if (!bms || build.bms?.channels === undefined) return [];
  return Object.values(build.circuits.hv.devices).flatMap((box): WantedSignal[] => {
    const count = box.kind === 'box' ? groupsOf(build, box) : 0;
    if (count === 0) return [];
    const pair = { from: { hostId: box.id }, to: { hostId: bms.id }, pairs: false };
    return [
      {
        ...pair,
        id: `sense-${box.id}`,
        words: `Cells of ${box.name}`,
        signal: 'cell-sense',
        // One more than cells: the row’s minus has a wire too.
        wires: Array.from({ length: count + 1 }, (_, k) => ({ pin: `tap ${k}`, to: `${box.name} ${k}` })),
      },
      {
        ...pair,
        id: `warmth-${box.id}`,
        words: `Temperature of ${box.name}`,
        signal: 'temperature',
        wires: [
          { pin: 'temperature', to: `${box.name} temperature` },
          { pin: 'temperature return', to: `${box.name} temperature return`, returns: true },
        ],
      },
    ];
  });
}

/** Those who talk on the CAN bus where torque is asked by messages. */
export function talkers(build: Build): readonly Device[] {
  if (build.controls?.messages !== true || build.schools.command === 'hand-switches') return [];
  const inverters = Object.values(build.circuits.hv.devices).filter(({ kind }) => kind === 'inverter');
  const chargers = build.bms?.throttlesCharger
    ? Object.values(build.circuits.hv.devices).filter(
        ({ kind, plug }) => (kind === 'charger' || kind === 'charger-converter') && !plug?.outside,
      )
    : [];
  const units = jobsOf(build, 'control-unit');
  const found = [...units, ...inverters, ...chargers, ...jobsOf(build, 'bms')];
  return units.length > 0 && found.length > 1 ? found : [];
}

function ofLine(build: Build): WantedSignal[] {
  const [first, ...others] = talkers(build);
  if (!first) return [];
  return others.flatMap((device) =>
    (['can-high', 'can-low'] as const).map((signal) => ({
      id: `${signal}-${device.id}`,
      words: `CAN bus to ${device.name}`,
      signal,
      from: { hostId: first.id },
      to: { hostId: device.id },
      wires: [wire(signal === 'can-high' ? 'CAN H' : 'CAN L')],
      pairs: true,
    })),
  );
}

/** Signals that the design needs, whatever is wired by now. */
export const wantedSignals = (build: Build): readonly WantedSignal[] => [
  ...ofMotors(build),
  ...ofPedals(build),
  ...ofPlug(build),
  ...ofCells(build),
  ...ofLine(build),
];

const matches = (build: Build, end: WantedEnd, id: Id): boolean =>
  'hostId' in end ? end.hostId === id : hostOf(build, id)?.kind === end.fitting;

/** Hosts that wires of one signal join, through any number of plugs, splices and strips, and along a line of nodes. */
function reached(build: Build, wires: readonly SignalWire[], start: Id, line: boolean): ReadonlySet<Id> {
  const found = new Set([start]);
  const queue = [start];
  for (let here = queue.shift(); here !== undefined; here = queue.shift()) {
    if (here !== start && !line && !hostOf(build, here)?.passes) continue;
    for (const { a, b } of wires)
      for (const [from, to] of [
        [a.hostId, b.hostId],
        [b.hostId, a.hostId],
      ] as const)
        if (from === here && !found.has(to)) {
          found.add(to);
          queue.push(to);
        }
  }
  return found;
}

/** How many wires of it are there, by what joins what; a signal that ends elsewhere does not count. */
export function wiredCount(build: Build, { signal, from, to }: WantedSignal): number {
  const wires = Object.values(build.harness?.wires ?? {}).filter((one) => one.signal === signal);
  const line = signal === 'can-high' || signal === 'can-low';
  let count = 0;
  for (const one of wires)
    for (const side of SIDES) {
      const [here, there] = [one[side], one[side === 'a' ? 'b' : 'a']];
      if (!matches(build, from, here.hostId)) continue;
      if (matches(build, to, there.hostId)) {
        count++;
        continue;
      }
      // From its first wire on, with the others but those that begin at the same place.
      const onward = line
        ? wires
        : wires.filter((other) => other === one || ![other.a, other.b].some(({ hostId }) => hostId === here.hostId));
      if ([...reached(build, onward, there.hostId, line)].some((id) => id !== here.hostId && matches(build, to, id)))
        count++;
    }
  return count;
}

/** What is needed and not wired, or not with all its wires. */
export const missingSignals = (build: Build): readonly { readonly wanted: WantedSignal; readonly has: number }[] =>
  wantedSignals(build).flatMap((wanted) => {
    const has = wiredCount(build, wanted);
    return has >= wanted.wires.length ? [] : [{ wanted, has }];
  });
