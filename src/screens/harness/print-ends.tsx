'use client';
import { type Build, END_STATES, type EndState } from '@/core/build';
import { buildDigest } from '@/core/build/digest';
import { endWords, type HarnessWire } from '@/core/vehicle';
import { Action } from '@/ui/action';
import { usePrint } from '@/ui/use-print';
import { today } from '../shell/days';
import { END_WORDS } from './end-words';
import { colourWords } from './swatch';

/** What an end goes through on the way to its place; left long and parked are written beside it. */
const STEPS: readonly EndState[] = ['cut', 'crimped', 'routed', 'landed', 'tested'];
const rank = (state: EndState): number => END_STATES.indexOf(state);

/** The wires that are shown, on paper: a box for each step of each end; what is ticked already is. */
export function PrintEnds({ build, wires }: { build: Build; wires: readonly HarnessWire[] }) {
  const [printing, print] = usePrint<true>();
  const cell = 'border border-black px-1 py-0.5 align-top';
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
          <table className="w-full border-collapse text-left">
            <thead>
              <tr>
                {['Wire', 'Colour', 'End', ...STEPS.map((state) => END_WORDS[state]), 'Or'].map((head) => (
                  <th key={head} scope="col" className={`${cell} font-semibold`}>
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {wires.flatMap((wire) =>
                (['a', 'b'] as const).map((side) => {
                  const { state, wrong } = wire.ends[side];
                  const aside = !STEPS.includes(state) && state !== 'planned';
                  return (
                    <tr key={`${wire.id} ${side}`} className="break-inside-avoid">
                      <td className={cell}>
                        {side === 'a' && (
                          <>
                            <b>{wire.label}</b> {wire.name}
                          </>
                        )}
                      </td>
                      <td className={cell}>{side === 'a' && colourWords(wire.colour, wire.stripe)}</td>
                      <td className={cell}>{endWords(wire, side)}</td>
                      {STEPS.map((step) => (
                        <td key={step} className={`${cell} text-center`}>
                          <span className="inline-block h-3 w-3 border border-black leading-[0.7rem]">
                            {!aside && wrong === null && rank(state) >= rank(step) ? '×' : ''}
                          </span>
                        </td>
                      ))}
                      <td className={`${cell} min-w-16`}>
                        {aside ? END_WORDS[state] : wrong !== null ? 'not as designed' : ''}
                      </td>
                    </tr>
                  );
                }),
              )}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}
