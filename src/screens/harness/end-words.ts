import type { Build, EndMade, EndState, OldEndState, WireEnds, WireSide } from '@/core/build';
import { END_STATES } from '@/core/build';
import { type HarnessWire, isOpen } from '@/core/vehicle';

export const END_WORDS: Readonly<Record<EndState, string>> = {
  planned: 'planned',
  cut: 'cut',
  crimped: 'crimped',
  routed: 'routed',
  'left-long': 'left long',
  parked: 'labelled, parked',
  landed: 'landed',
  tested: 'tested',
};
export const OLD_WORDS: Readonly<Record<OldEndState, string>> = {
  found: 'as found',
  labelled: 'labelled',
  parked: 'parked',
  extended: 'extended',
  landed: 'landed',
  removed: 'out',
};

/** What usually comes next; left long and parked are side ways that end where it is landed. */
const NEXT: Readonly<Record<EndState, EndState>> = {
  planned: 'cut',
  cut: 'crimped',
  crimped: 'routed',
  routed: 'landed',
  'left-long': 'landed',
  parked: 'landed',
  landed: 'tested',
  tested: 'tested',
};
export const nextState = (state: EndState): EndState => NEXT[state];

export const today = (): string => new Date().toLocaleDateString('sv-SE');

/** The record of a wire with one or both of its ends in another state, as the design has them today. */
export function withState(
  build: Build,
  wire: HarnessWire,
  sides: readonly WireSide[],
  state: EndState,
  date = today(),
): WireEnds {
  const known = build.harness?.ends?.[wire.id];
  const made = (side: WireSide): EndMade => {
    const { hostId, terminal, hostName } = wire.ends[side];
    return { state, hostId, terminal, hostName, areaMm2: wire.areaMm2, date };
  };
  return {
    ...known,
    id: wire.id,
    name: wire.name,
    ...Object.fromEntries(sides.map((side) => [side, made(side)])),
  };
}

export interface EndFilter {
  readonly find: string;
  readonly loom: string;
  readonly place: string;
  /** open: not landed; all; or one state. */
  readonly state: 'open' | 'all' | 'wrong' | EndState;
}
export const ALL = 'all';

/** Wires that a filter leaves: by words, sub-harness, place of either end, state of either end; and those that were just touched. */
export function filtered(
  wires: readonly HarnessWire[],
  { find, loom, place, state }: EndFilter,
  touched: ReadonlySet<string>,
): readonly HarnessWire[] {
  const words = find.trim().toLowerCase().split(/\s+/).filter(Boolean);
  return wires.filter((wire) => {
    const { a, b } = wire.ends;
    if (touched.has(wire.id)) return true;
    if (loom !== ALL && wire.loom !== loom) return false;
    if (place !== ALL && a.zoneId !== place && b.zoneId !== place) return false;
    if (state === 'open' && !isOpen(a) && !isOpen(b)) return false;
    if (state === 'wrong' && a.wrong === null && b.wrong === null) return false;
    if ((END_STATES as readonly string[]).includes(state) && a.state !== state && b.state !== state) return false;
    if (words.length === 0) return true;
    const text = `${wire.label} ${wire.name} ${a.hostName} ${a.at} ${b.hostName} ${b.at} ${wire.colour}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
