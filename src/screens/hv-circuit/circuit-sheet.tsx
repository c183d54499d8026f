'use client';
import { useMemo, useRef } from 'react';
import type { Assessment } from '@/core/assess';
import { buildFileName } from '@/core/formats/build-file';
import { Action, download } from '@/ui/action';
import { Panel } from '@/ui/panel';
import { svgText } from '@/ui/svg-text';
import { CircuitDrawing } from './circuit-drawing';
import { layOutCircuit } from './derive-layout';
import { LoopSheet } from './loop-sheet';
import { PrintFoot, PrintHead } from './print-head';
import { PrintLists } from './print-lists';
import type { CircuitView } from './use-circuit-view';

/** What the drawing shows, for those who see it on paper. */
function aboutOf({ look, solved, state, corner }: CircuitView): string {
  if (look === 'loop') return 'Coil circuit, driving on a weak battery';
  if (look === 'short') return 'Traction circuit, a wire shorted';
  if (look === 'live') return 'Traction circuit, what stays live';
  return `Traction circuit in ${(solved?.state.name ?? state).toLowerCase()}, pack ${solved?.corner.name ?? corner}`;
}

/** The working drawing: pressed to choose a thing, printed, saved; what can't be drawn is named under it. */
export function CircuitSheet({ assessment, view }: { assessment: Assessment; view: CircuitView }) {
  const { vehicle, build, checks, stations, reservations } = assessment;
  const sheet = useRef<HTMLDivElement>(null);
  const layout = useMemo(() => layOutCircuit(vehicle), [vehicle]);
  const failing = useMemo(
    () => new Set(checks.filter((check) => check.verdict === 'fails').map((check) => check.subject.id)),
    [checks],
  );
  const { look, loop, selected, pick, solved, overlay } = view;
  return (
    <Panel className="overflow-x-auto p-2!">
      <div ref={sheet} data-print>
        <PrintHead
          name={build.name}
          about={aboutOf(view)}
          thinnest={
            stations['hv-circuit']?.checks.filter(({ verdict }) => verdict === 'fails' || verdict === 'thin') ?? []
          }
          system={build.units}
        />
        {look === 'loop' ? (
          <LoopSheet assessment={assessment} loop={loop} selected={selected} onSelect={pick} />
        ) : (
          <CircuitDrawing
            layout={layout}
            vehicle={vehicle}
            solved={solved}
            selected={selected}
            failing={failing}
            system={build.units}
            overlay={overlay}
            onSelect={pick}
          />
        )}
        <PrintFoot {...reservations} system={build.units} />
        {look !== 'loop' && <PrintLists assessment={assessment} />}
      </div>
      {solved && !solved.point.solvable && <p className="px-2 pb-1 text-fails">{solved.point.reason}</p>}
      {vehicle.unsolved && <p className="px-2 pb-1 text-fails">{vehicle.unsolved}</p>}
      {layout.undrawn.length > 0 && (
        <p className="flex flex-wrap items-center gap-2 px-2 pb-1 text-thin">
          Joined and solved, but not drawn yet:
          {layout.undrawn.map(({ id, device }) => (
            <Action key={id} onPress={() => pick(id)}>
              {device.name}
            </Action>
          ))}
        </p>
      )}
      {layout.loose.length > 0 && (
        <p className="px-2 pb-1 text-thin">
          Not joined to the pack: {layout.loose.map((device) => device.device.name).join(', ')}.
        </p>
      )}
      <p className="flex flex-wrap justify-end gap-x-2 print:hidden">
        <Action look="quiet" onPress={() => window.print()}>
          Print it
        </Action>
        <Action
          look="quiet"
          onPress={() => {
            const drawing = sheet.current?.querySelector('svg');
            if (drawing)
              download(
                svgText(drawing, `${build.name}: ${solved?.id ?? 'circuit'}. Computed, not proved.`),
                buildFileName(`${build.name} circuit`, '.svg'),
                'image/svg+xml',
              );
          }}
        >
          Save the drawing
        </Action>
      </p>
    </Panel>
  );
}
