import type {
  Build,
  BusNode,
  Conductor,
  EndMade,
  EndState,
  Fitting,
  IssuedWire,
  OldEnd,
  SignalWire,
  WireEnds,
  WireMark,
  WireSignal,
} from '../types';

/** One group of signal wires of a sample: pins at the first thing, and where they lead. */
export interface SampleSignal {
  readonly id: string;
  readonly words: string;
  readonly signal: WireSignal;
  readonly from: string;
  readonly to: string;
  /** A pin with a "<" brings the current back. */
  readonly pins: readonly string[];
  /** Written at the other end before the pin. */
  readonly at?: string;
  readonly twisted?: boolean;
  readonly lengthM?: number;
  readonly areaMm2?: number;
}

const byId = <T extends { readonly id: string }>(list: readonly T[]): Record<string, T> =>
  Object.fromEntries(list.map((one) => [one.id, one]));

function wiresOf(groups: readonly SampleSignal[]): { wires: SignalWire[]; marks: WireMark[] } {
  const wires: SignalWire[] = [];
  const marks: WireMark[] = [];
  for (const { id, words, signal, from, to, pins, at = '', twisted, lengthM, areaMm2 = 0.5 } of groups)
    pins.forEach((written, k) => {
      const returns = written.startsWith('<');
      const pin = returns ? written.slice(1) : written;
      const wireId = `sg-${id}-${k}`;
      wires.push({
        id: wireId,
        name: pins.length === 1 ? words : `${words}, ${pin}`,
        signal,
        a: { hostId: from, pin },
        b: { hostId: to, pin: `${at}${pin}` },
        ...(returns ? { returns } : {}),
        areaMm2,
        ...(lengthM ? { lengthM } : {}),
      });
      if (twisted && k % 2 === 1) marks.push({ id: wireId, twistedWith: `sg-${id}-${k - 1}` });
    });
  return { wires, marks };
}

/** A CAN bus from one thing to the next. */
export function lineOf(
  stations: readonly { readonly id: string; readonly words: string; readonly send: readonly number[] }[],
  lengthM: number,
) {
  const wires: SignalWire[] = [];
  const marks: WireMark[] = [];
  const nodes: BusNode[] = stations.map(({ id, send }, k) => ({
    id: `bus-${id}`,
    hostId: id,
    port: 'CAN',
    terminates: k === 0 || k === stations.length - 1,
    bitRateBps: 500e3,
    sends: send.map((identifier) => ({ identifier, bytes: 8, periodS: 0.02 })),
  }));
  stations.slice(1).forEach(({ id, words }, k) => {
    const before = stations[k]!;
    for (const [signal, pin] of [
      ['can-high', 'CAN H'],
      ['can-low', 'CAN L'],
    ] as const)
      wires.push({
        id: `sg-${signal}-${k}`,
        name: `CAN bus ${before.words} to ${words}, ${pin.slice(-1)}`,
        signal,
        a: { hostId: before.id, pin },
        b: { hostId: id, pin },
        areaMm2: 0.5,
        lengthM,
      });
    marks.push({ id: `sg-can-low-${k}`, twistedWith: `sg-can-high-${k}` });
  });
  return { wires, marks, nodes };
}

export interface SampleWiring {
  readonly date: string;
  readonly fittings: readonly Fitting[];
  readonly signals: readonly SampleSignal[];
  readonly line?: ReturnType<typeof lineOf>;
  readonly oldEnds: readonly OldEnd[];
  /** How far both ends of a wire are. */
  readonly state: (wireId: string) => readonly [EndState, EndState];
}

/** A sample with its signals, the list that is worked from and what is ticked of it. */
export function withWiring(build: Build, { date, fittings, signals, line, oldEnds, state }: SampleWiring): Build {
  const own = wiresOf(signals);
  const signalWires = [...own.wires, ...(line?.wires ?? [])];
  const nameOf = (id: string): string =>
    (build.circuits.hv.devices[id] ?? build.circuits.lv.devices[id] ?? fittings.find((one) => one.id === id))!.name;
  const conductors = [build.circuits.hv, build.circuits.lv].flatMap((circuit) =>
    Object.values(circuit.conductors).filter(({ kind }) => kind === 'cable'),
  );
  const areaOf = ({ partId }: Conductor): number | null => {
    const part = partId === null ? undefined : build.parts[partId];
    return part?.kind === 'cable' ? part.areaMm2 : null;
  };
  const all = [
    ...conductors.map((wire) => ({
      wire,
      areaMm2: areaOf(wire),
      a: { hostId: wire.a.deviceId, terminal: wire.a.terminal },
      b: { hostId: wire.b.deviceId, terminal: wire.b.terminal },
    })),
    ...signalWires.map((wire) => ({
      wire,
      areaMm2: wire.areaMm2 ?? null,
      a: { hostId: wire.a.hostId, terminal: wire.a.pin },
      b: { hostId: wire.b.hostId, terminal: wire.b.pin },
    })),
  ];
  const ends = all.flatMap(({ wire, areaMm2, a, b }): WireEnds[] => {
    const [stateA, stateB] = state(wire.id);
    const made = (end: typeof a, is: EndState): EndMade => ({
      ...end,
      state: is,
      hostName: nameOf(end.hostId),
      areaMm2,
      date,
    });
    return stateA === 'planned' && stateB === 'planned'
      ? []
      : [{ id: wire.id, name: wire.name, a: made(a, stateA), b: made(b, stateB) }];
  });
  const issued = all.map(
    ({ wire, areaMm2, a, b }, k): IssuedWire => ({
      id: wire.id,
      no: k + 1,
      name: wire.name,
      a: `${a.hostId} ${a.terminal}`,
      b: `${b.hostId} ${b.terminal}`,
      areaMm2,
      pinA: null,
      pinB: null,
    }),
  );
  return {
    ...build,
    harness: {
      fittings: byId(fittings),
      wires: byId(signalWires),
      marks: byId([...own.marks, ...(line?.marks ?? [])]),
      ...(line ? { nodes: byId(line.nodes) } : {}),
      ends: byId(ends),
      oldEnds: byId(oldEnds),
      issue: { date, wires: byId(issued) },
    },
  };
}

const taps = (count: number): string[] => Array.from({ length: count + 1 }, (_, k) => `tap ${k}`);
const POSITION = ['excitation +', 'excitation −', 'sine +', 'sine −', 'cosine +', 'cosine −'];
const WARM = ['temperature', '<temperature return'];
const track = (n: number): string[] => [`pedal ${n} +5 V`, `pedal ${n} signal`, `<pedal ${n} return`];
const pedals = (by: string, neutral: boolean): SampleSignal[] => [
  {
    id: 'pedal',
    words: 'Accelerator pedal',
    signal: 'pedal',
    from: 'fit-pedal',
    to: by,
    pins: [...track(1), ...track(2)],
    lengthM: 1.4,
  },
  {
    id: 'brake',
    words: 'Brake switch',
    signal: 'brake',
    from: 'fit-brake',
    to: by,
    pins: ['brake contact 1', 'brake contact 2'],
    lengthM: 1.2,
  },
  {
    id: 'selector',
    words: 'Direction selector',
    signal: 'selector',
    from: 'fit-selector',
    to: by,
    pins: neutral ? ['forward', 'reverse', 'neutral'] : ['forward', 'reverse'],
    lengthM: 1.6,
  },
];
const fitted = (cabin: string, bay: string): Fitting[] => [
  { id: 'fit-pedal', name: 'Accelerator pedal', kind: 'pedal', zoneId: cabin },
  { id: 'fit-brake', name: 'Brake switch', kind: 'brake-switch', zoneId: cabin },
  { id: 'fit-selector', name: 'Direction selector', kind: 'selector', zoneId: cabin },
  { id: 'fit-inlet', name: 'Charging inlet', kind: 'socket', zoneId: bay },
];

/** The shuttle: its 12-volt side is landed, the traction cables are laid and not on, the cells’ wires of one box are ready. */
export const firnWiring = (build: Build): Build => {
  const [unit, bms] = ['low-control-unit-load', 'low-bms-load'];
  let low = 0;
  return withWiring(build, {
    date: '2026-05-02',
    fittings: fitted('zone-cabin', 'zone-bay'),
    signals: [
      {
        id: 'position',
        words: 'Position of the motor',
        signal: 'position',
        from: 'motor',
        to: 'inverter',
        pins: POSITION,
        twisted: true,
        lengthM: 1.1,
      },
      {
        id: 'winding',
        words: 'Temperature of the motor',
        signal: 'temperature',
        from: 'motor',
        to: 'inverter',
        pins: WARM,
        lengthM: 1.1,
      },
      ...pedals(unit, true),
      { id: 'pilot', words: 'Pilot', signal: 'pilot', from: 'fit-inlet', to: 'charger', pins: ['pilot'], lengthM: 1.3 },
      {
        id: 'proximity',
        words: 'Plug is seen',
        signal: 'proximity',
        from: 'fit-inlet',
        to: unit,
        pins: ['proximity', '<proximity return'],
        lengthM: 1.8,
      },
      {
        id: 'rear',
        words: 'Cells of the rear box',
        signal: 'cell-sense',
        from: 'box-rear',
        to: bms,
        pins: taps(54),
        at: 'rear ',
        lengthM: 2.2,
        areaMm2: 0.35,
      },
      {
        id: 'front',
        words: 'Cells of the front box',
        signal: 'cell-sense',
        from: 'box-front',
        to: bms,
        pins: taps(36),
        at: 'front ',
        lengthM: 2.2,
        areaMm2: 0.35,
      },
      {
        id: 'rear-warm',
        words: 'Temperature of the rear box',
        signal: 'temperature',
        from: 'box-rear',
        to: bms,
        pins: WARM,
        at: 'rear ',
        lengthM: 2.2,
      },
      {
        id: 'front-warm',
        words: 'Temperature of the front box',
        signal: 'temperature',
        from: 'box-front',
        to: bms,
        pins: WARM,
        at: 'front ',
        lengthM: 2.2,
      },
    ],
    line: lineOf(
      [
        { id: unit, words: 'control unit', send: [0x3c0] },
        { id: 'inverter', words: 'inverter', send: [0x3c1] },
        { id: 'charger', words: 'charger', send: [0x3d0] },
        { id: bms, words: 'cell electronics', send: [0x3e0, 0x3e1] },
      ],
      1.5,
    ),
    oldEnds: [
      { id: 'old-1', branchId: 'old-light-loom', label: 'Dipped beam, left', state: 'landed' },
      { id: 'old-2', branchId: 'old-dash-loom', label: 'Fuel gauge sender', state: 'parked' },
      { id: 'old-3', branchId: 'old-engine-loom', label: 'Starter solenoid', state: 'removed' },
    ],
    state: (id) => {
      if (id.startsWith('sg-rear') || id.startsWith('sg-front')) return ['crimped', 'crimped'];
      if (id.startsWith('sg-position')) return ['left-long', 'landed'];
      if (id.startsWith('sg-')) return ['landed', 'landed'];
      if (build.circuits.hv.conductors[id]) return ['routed', 'left-long'];
      return low++ < 40 ? ['landed', 'landed'] : ['planned', 'planned'];
    },
  });
};

/** The estate is finished: everything landed and tested. */
export const larkspurWiring = (build: Build): Build =>
  withWiring(build, {
    date: '2025-09-20',
    fittings: fitted('zone-cabin', 'zone-bay'),
    signals: [
      {
        id: 'position',
        words: 'Speed of the motor',
        signal: 'position',
        from: 'motor',
        to: 'inverter',
        pins: ['sensor +5 V', '<sensor ground', 'track A', 'track B'],
        twisted: true,
        lengthM: 0.9,
      },
      {
        id: 'winding',
        words: 'Temperature of the motor',
        signal: 'temperature',
        from: 'motor',
        to: 'inverter',
        pins: WARM,
        lengthM: 0.9,
      },
      ...pedals('inverter', true),
      { id: 'pilot', words: 'Pilot', signal: 'pilot', from: 'fit-inlet', to: 'charger', pins: ['pilot'], lengthM: 0.8 },
      {
        id: 'proximity',
        words: 'Plug is seen',
        signal: 'proximity',
        from: 'fit-inlet',
        to: 'inverter',
        pins: ['proximity', '<proximity return'],
        lengthM: 1.1,
      },
      {
        id: 'boot',
        words: 'Cells in the boot',
        signal: 'cell-sense',
        from: 'box',
        to: 'low-bms-load',
        pins: taps(28),
        at: 'boot ',
        lengthM: 2,
        areaMm2: 0.75,
      },
      {
        id: 'bay',
        words: 'Cells in the bay',
        signal: 'cell-sense',
        from: 'box-bay',
        to: 'low-bms-load',
        pins: taps(12),
        at: 'bay ',
        lengthM: 0.8,
        areaMm2: 0.75,
      },
      {
        id: 'boot-warm',
        words: 'Temperature in the boot box',
        signal: 'temperature',
        from: 'box',
        to: 'low-bms-load',
        pins: WARM,
        at: 'boot ',
        lengthM: 2,
      },
      {
        id: 'bay-warm',
        words: 'Temperature in the bay box',
        signal: 'temperature',
        from: 'box-bay',
        to: 'low-bms-load',
        pins: WARM,
        at: 'bay ',
        lengthM: 0.8,
      },
    ],
    oldEnds: [
      { id: 'old-1', branchId: 'old-light-loom', label: 'Tail lamp, right', state: 'landed' },
      { id: 'old-2', branchId: 'old-engine-loom', label: 'Ignition feed', state: 'removed' },
    ],
    state: () => ['tested', 'tested'],
  });
