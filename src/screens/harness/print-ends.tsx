'use client';
import { type Build, END_STATES, type EndState } from '@/core/build';
import { buildDigest } from '@/core/build/digest';
import { endWords, type HarnessWire } from '@/core/vehicle';
import { Action } from '@/ui/action';
import { type PaperRow, PaperTable } from '@/ui/paper-table';
import { usePrint } from '@/ui/use-print';
import { today } from '../shell/days';
import { END_WORDS } from './end-words';
import { colourWords } from './swatch';

/** What an end goes through on the way to its place; left long and parked are written beside it. */
const STEPS: readonly EndState[] = ['cut', 'crimped', 'routed', 'landed', 'tested'];
const rank = (state: EndState): number => END_STATES.indexOf(state);

function endRow(wire: HarnessWire, side: 'a' | 'b'): PaperRow {
  const { state, wrong } = wire.ends[side];
  const aside = !STEPS.includes(state) && state !== 'planned';
  const first = side === 'a';
  return {
    id: `${wire.id} ${side}`,
    cells: [
      first ? `${wire.label} ${wire.name}` : '',
      first ? colourWords(wire.colour, wire.stripe) : '',
      endWords(wire, side),
      ...STEPS.map((step) => (
        <span key={step} className="inline-block h-3 w-3 border border-black text-center leading-[0.7rem]">
          {!aside && wrong === null && rank(state) >= rank(step) ? '×' : ''}
        </span>
      )),
      aside ? END_WORDS[state] : wrong !== null ? 'not as designed' : '',
    ],
  };
}

/** The wires that are shown, on paper: a box for each step of each end; what is ticked already is. */
export function PrintEnds({ build, wires }: { build: Build; wires: readonly HarnessWire[] }) {
  const [printing, print] = usePrint<true>();
  return (
    <>
      <Action look="quiet" onPress={() => print(true)}>
        Print with boxes
      </Action>
      {printing && (
        <div data-print className="p-2 text-[11px] leading-tight">
          <p className="mb-2">
            <b>{build.name}</b>, {today()}, {buildDigest(build)}. {wires.length} wires. Live ends are covered and tied
            back before anything else is done. Local code and licensed practice decide.
          </p>
          <PaperTable
            boxed="to tick"
            heads={['Wire', 'Colour', 'End', ...STEPS.map((state) => END_WORDS[state]), 'Or']}
            rows={wires.flatMap((wire) => (['a', 'b'] as const).map((side) => endRow(wire, side)))}
          />
        </div>
      )}
    </>
  );
}
