'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { StateId } from '@/core/build';
import { ruleSetOf } from '@/core/rules';
import { type Liveness, liveness } from '@/core/simulate';
import type { CornerId, SolvedCase } from '@/core/vehicle';
import { pickedInAddress } from '../shell/stations';
import { likelyAgainst, type Short, shortAt } from './derive-short';
import { type LoopView, loopView } from './loop-sheet';
import type { Overlay } from './overlay';
import type { ShortChoice } from './short-panel';

export const LOOKS = [
  ['closing', 'Closing'],
  ['fuses', 'Fuses'],
  ['short', 'Short it here'],
  ['live', 'Still live?'],
  ['loop', 'Safety loop'],
  ['touch', 'Shock protection'],
] as const;
export type Look = (typeof LOOKS)[number][0];

/** What is looked at, and what the model says of it. */
export interface CircuitView {
  readonly look: Look;
  readonly onLook: (look: Look) => void;
  readonly state: StateId;
  readonly onState: (state: StateId) => void;
  readonly corner: CornerId;
  readonly onCorner: (corner: CornerId) => void;
  readonly solved: SolvedCase | undefined;
  readonly selected: string | null;
  /** Chooses a thing; the chosen one again lets it go. */
  readonly pick: (id: string) => void;
  readonly select: (id: string | null) => void;
  /** The conductor that is chosen; null: none, or a device. */
  readonly wire: string | null;
  readonly short: Short | null;
  readonly shortChoice: ShortChoice;
  readonly onShort: (choice: ShortChoice) => void;
  readonly open: ReadonlySet<string>;
  readonly onOpen: (open: ReadonlySet<string>) => void;
  readonly welded: boolean;
  readonly onWelded: (welded: boolean) => void;
  readonly live: Liveness | null;
  readonly safeV: number;
  readonly loop: LoopView | null;
  readonly overlay: Overlay | null;
}

/** The state of the HV sheet: each look computes only what it shows. */
export function useCircuitView({ vehicle, build }: Assessment): CircuitView {
  const [state, onState] = useState<StateId>('cruise');
  const [corner, onCorner] = useState<CornerId>('cold-old-empty');
  const [selected, select] = useState<string | null>(null);
  // Another station may send somebody here to look at one thing.
  useEffect(() => {
    const sent = pickedInAddress();
    if (sent === null) return;
    if (vehicle.deviceOf.has(sent) || vehicle.conductorOf.has(sent)) select(sent);
    // Once: what is put away stays away.
    history.replaceState(null, '', `${location.pathname}${location.search}`);
  }, [vehicle]);
  const [look, onLook] = useState<Look>('closing');
  const [choice, onShort] = useState<ShortChoice | null>(null);
  const [open, onOpen] = useState<ReadonlySet<string>>(new Set());
  const [welded, onWelded] = useState(false);
  const wire = selected !== null && vehicle.conductorOf.has(selected) ? selected : null;
  const shortChoice = useMemo<ShortChoice>(
    () =>
      choice ?? { against: wire && look === 'short' ? likelyAgainst(vehicle, wire) : 'bus-minus', corner: 'highest' },
    [choice, look, vehicle, wire],
  );
  const short = useMemo(
    () => (look === 'short' && wire ? shortAt(vehicle, wire, shortChoice.against, shortChoice.corner) : null),
    [look, shortChoice, vehicle, wire],
  );
  const safeV = ruleSetOf(build.ruleSet, build.ownLimits).classBDcV.value;
  const live = useMemo(
    () => (look === 'live' ? liveness(vehicle, [...open], safeV, welded) : null),
    [look, open, safeV, vehicle, welded],
  );
  const loop = useMemo(() => (look === 'loop' ? loopView(vehicle) : null), [look, vehicle]);
  const overlay = useMemo<Overlay | null>(() => {
    if (live) return { flow: null, live: live.liveOf, open };
    if (look !== 'short') return null;
    const cleared = short?.story.openings.filter(({ notProved }) => notProved === null) ?? [];
    return {
      flow: short?.story.fault.currents ?? new Map(),
      live: null,
      open: new Set(cleared.map(({ deviceId }) => deviceId)),
    };
  }, [live, look, open, short]);
  return {
    look,
    onLook,
    state,
    onState,
    corner,
    onCorner,
    solved: vehicle.cases.find((candidate) => candidate.state.id === state && candidate.corner.id === corner),
    selected,
    pick: (id) => {
      select(id === selected ? null : id);
      onShort(null);
    },
    select,
    wire,
    short,
    shortChoice,
    onShort,
    open,
    onOpen,
    welded,
    onWelded,
    live,
    safeV,
    loop,
    overlay,
  };
}
