'use client';
import { Check, Ellipsis, Zap } from 'lucide-react';
import { memo } from 'react';
import type { WireSide } from '@/core/build';
import { type HarnessEnd, type HarnessWire, isOpen } from '@/core/vehicle';
import { END_WORDS, nextState } from './end-words';
import { colourWords, Swatch } from './swatch';

const WRONG = { 'other-terminal': 'made for another terminal', 'other-cable': 'made of another cable' } as const;

function End({
  wire,
  end,
  live,
  onNext,
  onPick,
}: {
  wire: HarnessWire;
  end: HarnessEnd;
  live: string | undefined;
  onNext: (wire: HarnessWire, side: WireSide) => void;
  onPick: (id: string, side: WireSide) => void;
}) {
  const { side, hostName, at, pin, state, wrong } = end;
  const next = nextState(state);
  const done = !isOpen(end);
  const where = `${hostName}, ${at}`;
  return (
    <div
      data-end={`${wire.id} ${side}`}
      data-state={state}
      className={`flex min-w-0 items-stretch rounded-[3px] border ${live || wrong ? 'border-[1.5px] border-fails' : 'border-rule'} ${done ? 'bg-well' : 'bg-panel'}`}
    >
      <button
        type="button"
        disabled={next === state && wrong === null}
        onClick={() => onNext(wire, side)}
        aria-label={
          next === state
            ? `${wire.label} ${side.toUpperCase()}, ${where}: ${END_WORDS[state]}`
            : `${wire.label} ${side.toUpperCase()}, ${where}: ${END_WORDS[state]}, now ${END_WORDS[next]}`
        }
        className="min-h-14 min-w-0 flex-1 px-2 py-1 text-left"
      >
        <span className="block truncate font-semibold leading-tight">{hostName}</span>
        <span className="block truncate text-note text-soft">
          {at}
          {pin !== null && ` · pin ${pin}`}
        </span>
        <span className="flex items-center gap-1 text-small">
          {done && <Check size={13} aria-hidden="true" />}
          {live && <Zap size={13} aria-hidden="true" className="text-fails" />}
          <span className={live || wrong ? 'font-semibold text-fails' : ''}>
            {END_WORDS[state]}
            {wrong ? `: ${WRONG[wrong]}` : live ? ': live, loose' : ''}
          </span>
        </span>
      </button>
      <button
        type="button"
        aria-label={`Other state of ${wire.label} ${side.toUpperCase()}`}
        onClick={() => onPick(wire.id, side)}
        className="flex w-11 shrink-0 items-center justify-center border-l border-rule text-soft"
      >
        <Ellipsis size={18} aria-hidden="true" />
      </button>
    </div>
  );
}

interface Props {
  readonly wire: HarnessWire;
  readonly liveA: string | undefined;
  readonly liveB: string | undefined;
  readonly onNext: (wire: HarnessWire, side: WireSide) => void;
  readonly onPick: (id: string, side: WireSide) => void;
}

const sameEnd = (p: HarnessEnd, q: HarnessEnd): boolean =>
  p.state === q.state &&
  p.wrong === q.wrong &&
  p.hostId === q.hostId &&
  p.hostName === q.hostName &&
  p.terminal === q.terminal &&
  p.pin === q.pin &&
  p.known === q.known;

/** Each edit makes all wires anew; drawn again is only what looks otherwise, or would be ticked otherwise. */
const same = (p: Props, q: Props): boolean =>
  p.liveA === q.liveA &&
  p.liveB === q.liveB &&
  p.onNext === q.onNext &&
  p.onPick === q.onPick &&
  p.wire.label === q.wire.label &&
  p.wire.name === q.wire.name &&
  p.wire.colour === q.wire.colour &&
  p.wire.stripe === q.wire.stripe &&
  p.wire.areaMm2 === q.wire.areaMm2 &&
  sameEnd(p.wire.ends.a, q.wire.ends.a) &&
  sameEnd(p.wire.ends.b, q.wire.ends.b);

/** A wire: what it is, and its two ends side by side. */
export const WireCard = memo(function WireCard({ wire, liveA, liveB, onNext, onPick }: Props) {
  return (
    <div
      data-wire={wire.id}
      // Out of sight it is not laid out.
      className="[contain-intrinsic-size:auto_104px] [content-visibility:auto]"
    >
      <div className="flex min-w-0 items-center gap-2">
        <b className="font-tight font-semibold tabular-nums">{wire.label}</b>
        <Swatch colour={wire.colour} stripe={wire.stripe} />
        <span className="min-w-0 flex-1 truncate">{wire.name}</span>
        <span className="whitespace-nowrap text-note text-soft">{colourWords(wire.colour, wire.stripe)}</span>
      </div>
      <div className="grid grid-cols-2 gap-1">
        <End wire={wire} end={wire.ends.a} live={liveA} onNext={onNext} onPick={onPick} />
        <End wire={wire} end={wire.ends.b} live={liveB} onNext={onNext} onPick={onPick} />
      </div>
    </div>
  );
}, same);
