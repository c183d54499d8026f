import {
  type Build,
  type Colour,
  type Conductor,
  type EndMade,
  type EndState,
  findDevice,
  type Id,
  own,
  SIDES,
  type SignalWire,
  type WireMark,
  type WireSide,
  type WireSignal,
} from '../../build';
import { fromBuild, type Memory } from '../memory';
import { routedLengthM } from '../resolve';
import { hostOf } from './hosts';
import { loomByRule } from './sub-looms';

/** Loop for taking a device out again and for a second crimp, both ends together, m (generic: 150–300 mm an end). */
const LOOP_M = 0.4;

/** One end of a wire, as designed and as it was made. */
export interface HarnessEnd {
  readonly side: WireSide;
  readonly hostId: Id;
  readonly hostName: string;
  /** Null: what it leads to is no longer in the build. */
  readonly zoneId: Id | null;
  readonly known: boolean;
  /** Terminal of a device, or name of a pin. */
  readonly terminal: string;
  /** Terminal as it is written on a label. */
  readonly at: string;
  readonly pin: number | null;
  readonly crimp: string;
  readonly made: EndMade | null;
  readonly state: EndState;
  /** Why what was made does not serve any more; null: it does, or nothing is made. */
  readonly wrong: 'other-terminal' | 'other-cable' | null;
}

export interface HarnessWire {
  readonly id: Id;
  readonly no: number;
  readonly name: string;
  readonly circuit: 'hv' | 'lv' | 'signal';
  readonly signal: WireSignal | null;
  readonly returns: boolean;
  readonly parallel: number;
  readonly areaMm2: number | null;
  readonly cable: string;
  /** As it lies, and as it is cut, m; null: not known. */
  readonly lengthM: number | null;
  readonly cutM: number | null;
  readonly colour: Colour;
  readonly stripe: Colour | null;
  readonly label: string;
  readonly loom: string;
  readonly twistedWith: Id | null;
  /** Null: not told. */
  readonly screen: NonNullable<WireMark['screen']> | null;
  /** It has a screen by its cable. */
  readonly screened: boolean;
  readonly mark: WireMark | null;
  readonly ends: Readonly<Record<WireSide, HarnessEnd>>;
}

/** A wire that was begun and is in the design no more: kept, with where its ends are. */
export interface GoneWire {
  readonly id: Id;
  readonly name: string;
  readonly ends: readonly { readonly side: WireSide; readonly made: EndMade }[];
}

/** All that is read of a vehicle here. */
export interface Wiring {
  readonly build: Build;
  readonly memory: Memory;
}

export interface Harness {
  readonly wires: readonly HarnessWire[];
  readonly wireOf: ReadonlyMap<Id, HarnessWire>;
  readonly gone: readonly GoneWire[];
  /** Anything was ticked at all. */
  readonly begun: boolean;
}

const SIGNAL_COLOURS: Readonly<Record<WireSignal, Colour>> = {
  'can-high': 'WH',
  'can-low': 'BU',
  position: 'GY',
  temperature: 'PK',
  pedal: 'YE',
  brake: 'VT',
  selector: 'TQ',
  pilot: 'GN',
  proximity: 'GN',
  'cell-sense': 'BN',
  enable: 'BU',
  gauge: 'GY',
  other: 'GY',
};
/** A stripe tells neighbours of one colour apart. */
const STRIPES: readonly Colour[] = ['WH', 'YE', 'GN', 'BU', 'VT', 'GY', 'PK', 'TQ', 'BN', 'RD'];

const LOOP_KINDS: ReadonlySet<string> = new Set(['emergency-stop', 'inertia-switch', 'interlock-contact']);

/** Colour of a conductor by rule: orange for HV alone, black to earth, red fed for good, yellow behind a switch, violet to coils, green in the loop. */
function colourOf(build: Build, circuit: 'hv' | 'lv', { a, b }: Conductor): Colour {
  if (circuit === 'hv') return 'OG';
  const ends = [a, b].map(({ deviceId, terminal }) => ({ kind: findDevice(build, deviceId)?.kind, terminal }));
  if (ends.some(({ kind, terminal }) => kind === 'earth' || /^(minus|coilMinus|lvMinus)$/.test(terminal))) return 'BK';
  if (ends.some(({ kind, terminal }) => LOOP_KINDS.has(kind ?? '') || /^aux/.test(terminal))) return 'GN';
  if (ends.some(({ terminal }) => terminal === 'coilPlus')) return 'VT';
  if (ends.some(({ kind, terminal }) => (kind === 'relay' || kind === 'lv-switch') && terminal === 'b')) return 'YE';
  return 'RD';
}

/** Terminals as they are written at the part. */
const TERMINAL_WORDS: Readonly<Record<string, string>> = {
  plus: '+',
  minus: '−',
  lvPlus: '12 V +',
  lvMinus: '12 V −',
  coilPlus: 'coil +',
  coilMinus: 'coil −',
  auxA: 'contact A',
  auxB: 'contact B',
  n: 'stud',
  a: 'A',
  b: 'B',
  u: 'U',
  v: 'V',
  w: 'W',
};
export const terminalWord = (terminal: string): string =>
  Object.hasOwn(TERMINAL_WORDS, terminal) ? TERMINAL_WORDS[terminal]! : terminal;

interface Raw {
  readonly id: Id;
  readonly name: string;
  readonly circuit: HarnessWire['circuit'];
  readonly signal: WireSignal | null;
  readonly returns: boolean;
  readonly parallel: number;
  readonly areaMm2: number | null;
  readonly cable: string;
  readonly screened: boolean;
  readonly lengthM: number | null;
  readonly colour: Colour;
  readonly a: { readonly hostId: Id; readonly terminal: string };
  readonly b: { readonly hostId: Id; readonly terminal: string };
}

function ofConductor(build: Build, circuit: 'hv' | 'lv', conductor: Conductor): Raw {
  const part = own(build.parts, conductor.partId);
  const cable = part?.kind === 'cable' ? part : null;
  return {
    id: conductor.id,
    name: conductor.name,
    circuit,
    signal: null,
    returns: false,
    parallel: conductor.parallel,
    areaMm2: cable?.areaMm2 ?? null,
    cable: cable?.name ?? '',
    screened: cable?.shielded === true,
    lengthM: conductor.lengthM ?? routedLengthM(build, conductor),
    colour: colourOf(build, circuit, conductor),
    a: { hostId: conductor.a.deviceId, terminal: conductor.a.terminal },
    b: { hostId: conductor.b.deviceId, terminal: conductor.b.terminal },
  };
}

const ofSignal = (wire: SignalWire): Raw => ({
  id: wire.id,
  name: wire.name,
  circuit: 'signal',
  signal: wire.signal,
  returns: wire.returns === true,
  parallel: 1,
  areaMm2: wire.areaMm2 ?? null,
  cable: '',
  screened: false,
  lengthM: wire.lengthM ?? null,
  colour: wire.returns ? 'BK' : SIGNAL_COLOURS[wire.signal],
  a: { hostId: wire.a.hostId, terminal: wire.a.pin },
  b: { hostId: wire.b.hostId, terminal: wire.b.pin },
});

function rawWires(build: Build): Raw[] {
  const made: Raw[] = [];
  for (const circuit of ['hv', 'lv'] as const)
    for (const conductor of Object.values(build.circuits[circuit].conductors))
      if (conductor.kind === 'cable') made.push(ofConductor(build, circuit, conductor));
  for (const wire of Object.values(build.harness?.wires ?? {})) made.push(ofSignal(wire));
  return made;
}

/** Another cross-section than it was cut from. */
const sameArea = (was: number | null, is: number | null): boolean =>
  was === null || is === null ? was === is : Math.abs(was - is) <= 0.02 * Math.max(was, is);

function harnessOfBuild(build: Build): Harness {
  const { marks = {}, ends: made = {}, issue } = build.harness ?? {};
  const raw = rawWires(build);
  const taken = new Set(Object.values(issue?.wires ?? {}).map(({ no }) => no));
  let next = Math.max(0, ...taken);
  /** A pin that was given stays; the others take what is free, in order. */
  const pins = new Map<Id, Set<number>>();
  const pinsAt = (hostId: Id) => {
    const known = pins.get(hostId) ?? new Set<number>();
    pins.set(hostId, known);
    return known;
  };
  const given = (id: Id, side: WireSide): number | null => {
    const [mark, issued] = [own(marks, id), own(issue?.wires ?? {}, id)];
    return (side === 'a' ? (mark?.pinA ?? issued?.pinA) : (mark?.pinB ?? issued?.pinB)) ?? null;
  };
  for (const wire of raw)
    for (const side of SIDES) {
      const pin = given(wire.id, side);
      if (pin !== null) pinsAt(wire[side].hostId).add(pin);
    }
  // A wire that is gone from the design may still be in its pin.
  const designed = new Set(raw.map(({ id }) => id));
  for (const one of Object.values(issue?.wires ?? {}))
    if (!designed.has(one.id)) {
      if (one.pinA !== null) pinsAt(one.a.split(' ')[0]!).add(one.pinA);
      if (one.pinB !== null) pinsAt(one.b.split(' ')[0]!).add(one.pinB);
    }
  const freePin = (hostId: Id): number => {
    const used = pinsAt(hostId);
    let pin = 1;
    while (used.has(pin)) pin++;
    used.add(pin);
    return pin;
  };
  const wires = raw.map((wire): HarnessWire => {
    const mark = own(marks, wire.id) ?? null;
    const no = own(issue?.wires ?? {}, wire.id)?.no ?? ++next;
    const loom = mark?.loom || loomByRule(build, wire);
    const colour = mark?.colour ?? wire.colour;
    // By its number, which stays: a wire that is cut already keeps its stripe.
    const stripes = [null, ...STRIPES.filter((one) => one !== colour)];
    const stripe = mark?.stripe ?? (wire.circuit === 'hv' ? null : stripes[no % stripes.length]!);
    const ends = Object.fromEntries(
      SIDES.map((side): [WireSide, HarnessEnd] => {
        const { hostId, terminal } = wire[side];
        const host = hostOf(build, hostId);
        const end = own(made, wire.id)?.[side] ?? null;
        // What is only planned is made of nothing yet.
        const wrong =
          end === null || end.state === 'planned'
            ? null
            : end.hostId !== hostId || end.terminal !== terminal
              ? 'other-terminal'
              : sameArea(end.areaMm2, wire.areaMm2)
                ? null
                : 'other-cable';
        return [
          side,
          {
            side,
            hostId,
            hostName: host?.name ?? 'nothing that is in the build',
            zoneId: host?.zoneId ?? null,
            known: host !== null,
            terminal,
            at: terminalWord(terminal),
            pin: wire.circuit === 'hv' ? null : (given(wire.id, side) ?? (host?.passes ? null : freePin(hostId))),
            crimp: (side === 'a' ? mark?.crimpA : mark?.crimpB) ?? '',
            made: end,
            state: end?.state ?? 'planned',
            wrong,
          },
        ];
      }),
    ) as Readonly<Record<WireSide, HarnessEnd>>;
    const { lengthM, name, circuit, signal, returns, parallel, areaMm2, cable, screened, id } = wire;
    return {
      id,
      no,
      name,
      circuit,
      signal,
      returns,
      parallel,
      areaMm2,
      cable,
      lengthM,
      cutM: lengthM === null ? null : lengthM + (mark?.loopM ?? LOOP_M),
      colour,
      stripe,
      label: mark?.label || `W${String(no).padStart(3, '0')}`,
      loom,
      twistedWith: mark?.twistedWith ?? null,
      screen: mark?.screen ?? null,
      screened,
      mark,
      ends,
    };
  });
  const wireOf = new Map(wires.map((wire) => [wire.id, wire]));
  const gone = Object.values(made).flatMap(({ id, name, ...sides }): GoneWire[] => {
    if (wireOf.has(id)) return [];
    const there = SIDES.flatMap((side) => {
      const end = sides[side];
      return end && end.state !== 'planned' ? [{ side, made: end }] : [];
    });
    return there.length > 0 ? [{ id, name, ends: there }] : [];
  });
  const begun = Object.values(made).some(({ a, b }) => [a, b].some((end) => end && end.state !== 'planned'));
  return { wires, wireOf, gone, begun };
}

/** Every wire of the car with all its fields: of both circuits and of the signals, as designed, decided and made. */
export const harnessOf = fromBuild(({ build }: Wiring): Harness => harnessOfBuild(build));

const DONE: ReadonlySet<EndState> = new Set(['landed', 'tested']);

/** An end that is not where it belongs, or not as it has to be. */
export const isOpen = ({ state, wrong, known }: HarnessEnd): boolean => !DONE.has(state) || wrong !== null || !known;

/** How many ends there are and how many are open, of some wires. */
export function openEnds(wires: readonly HarnessWire[]): { readonly all: number; readonly open: number } {
  let open = 0;
  for (const { ends } of wires) for (const side of SIDES) if (isOpen(ends[side])) open++;
  return { all: wires.length * 2, open };
}
