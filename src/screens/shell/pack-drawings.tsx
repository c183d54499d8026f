'use client';
import { useMemo } from 'react';
import type { Assessment } from '@/core/assess';
import type { DrawingId } from '@/core/handover';
import { svgText } from '@/ui/svg-text';
import { PlanDrawing } from '../cables/plan-drawing';
import { CircuitDrawing } from '../hv-circuit/circuit-drawing';
import { layOutCircuit } from '../hv-circuit/derive-layout';
import { ChartDrawing } from '../interlocks/chart-drawing';
import { FeedDrawing } from '../low-voltage/feed-drawing';

const NOTHING = () => {};
const ABOUT: Readonly<Record<DrawingId, string>> = {
  circuit: 'traction circuit',
  plan: 'layout plan from above',
  feed: '12 V feed',
  sequence: 'sequence',
};

/** The working drawings for paper: out of sight and out of reach. */
export function PackDrawings({
  assessment,
  onPlace,
}: {
  assessment: Assessment;
  onPlace: (place: HTMLElement | null) => void;
}) {
  const { vehicle, build, checks, results } = assessment;
  const layout = useMemo(() => layOutCircuit(vehicle), [vehicle]);
  const failing = useMemo(
    () => new Set(checks.filter(({ verdict }) => verdict === 'fails').map(({ subject }) => subject.id)),
    [checks],
  );
  const solved = vehicle.cases.find(({ state, corner }) => state.id === 'cruise' && corner.id === 'nominal');
  return (
    <div
      ref={onPlace}
      inert
      aria-hidden="true"
      style={{ position: 'fixed', left: -4000, top: 0, width: 1200, visibility: 'hidden' }}
    >
      <div data-pack-drawing="circuit">
        <CircuitDrawing
          layout={layout}
          vehicle={vehicle}
          solved={solved}
          selected={null}
          failing={failing}
          system={build.units}
          onSelect={NOTHING}
        />
      </div>
      <div data-pack-drawing="plan">
        <PlanDrawing assessment={assessment} view="top" picked={null} onPick={NOTHING} />
      </div>
      <div data-pack-drawing="feed">
        <FeedDrawing assessment={assessment} picked={null} onPick={NOTHING} />
      </div>
      {results.interlocks.steps.length > 0 && (
        <div data-pack-drawing="sequence">
          <ChartDrawing steps={results.interlocks.steps} chosen="off" />
        </div>
      )}
    </div>
  );
}

/** Each drawing as an SVG file by itself, on white. */
export function drawingsOf(place: HTMLElement, name: string): Readonly<Partial<Record<DrawingId, string>>> {
  const found: Partial<Record<DrawingId, string>> = {};
  const { documentElement: page } = document;
  const theme = page.dataset.theme;
  // Paper is white: daylight for as long as the colours are read; nothing is painted meanwhile.
  page.dataset.theme = 'light';
  for (const holder of place.querySelectorAll<HTMLElement>('[data-pack-drawing]')) {
    const id = holder.dataset.packDrawing as DrawingId;
    const drawing = holder.querySelector('svg');
    if (drawing) found[id] = svgText(drawing, `${name}: ${ABOUT[id]}. Computed, not proved.`, '#ffffff');
  }
  if (theme === undefined) delete page.dataset.theme;
  else page.dataset.theme = theme;
  return found;
}
