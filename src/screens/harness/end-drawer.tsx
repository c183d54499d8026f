'use client';
import { type Build, END_STATES, type WireSide } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { endWords, type HarnessWire } from '@/core/vehicle';
import { newestBuild, useBench } from '@/store/bench';
import { Drawer } from '@/ui/drawer';
import { END_WORDS, withState } from './end-words';

/** One end with all its states, big enough for a glove. */
export function EndDrawer({
  build,
  wire,
  side,
  onClose,
}: {
  build: Build;
  wire: HarnessWire;
  side: WireSide;
  onClose: () => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const end = wire.ends[side];
  const length =
    wire.cutM === null ? null : formatQuantity({ value: wire.cutM, dimension: 'length' }, build.units, 3).text;
  return (
    <Drawer open onOpen={(open) => !open && onClose()} name={`End of ${wire.label}`}>
      <div className="overflow-y-auto p-4">
        <p className="pr-10 font-tight text-title font-semibold">
          {wire.label} {wire.name}
        </p>
        <p className="text-soft">
          This end: {endWords(wire, side)}
          {end.pin !== null && `, pin ${end.pin}`}. The other: {endWords(wire, side === 'a' ? 'b' : 'a')},{' '}
          {END_WORDS[wire.ends[side === 'a' ? 'b' : 'a'].state]}.{length && ` Cut ${length}.`}
        </p>
        <div className="mt-3 grid grid-cols-2 gap-2 min-[700px]:grid-cols-4">
          {END_STATES.map((state) => (
            <button
              key={state}
              type="button"
              aria-pressed={end.state === state}
              onClick={() => {
                dispatch({
                  edit: 'putInHarness',
                  input: { list: 'ends', entries: [withState(newestBuild() ?? build, wire, [side], state)] },
                });
                onClose();
              }}
              className="min-h-14 rounded-[3px] border border-rule bg-panel px-2 font-tight text-lead aria-pressed:border-[1.5px] aria-pressed:border-ink aria-pressed:font-semibold"
            >
              {END_WORDS[state]}
            </button>
          ))}
        </div>
        {end.made && end.made.state !== 'planned' && (
          <p className="mt-3 text-soft">
            Ticked {end.made.date}, at {end.made.hostName}
            {end.made.areaMm2 !== null &&
              `, ${formatQuantity({ value: end.made.areaMm2, dimension: 'area' }, build.units, 3).text}`}
            .
          </p>
        )}
      </div>
    </Drawer>
  );
}
