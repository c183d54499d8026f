'use client';
import dynamic from 'next/dynamic';
import { useMemo, useRef, useState } from 'react';
import type { Assessment } from '@/core/assess';
import type { StateId } from '@/core/build';
import { buildFileName } from '@/core/formats/build-file';
import { formatQuantity } from '@/core/quantities';
import { ruleSetOf } from '@/core/rules';
import { liveness } from '@/core/simulate';
import { type CornerId, cornersOf, STATES } from '@/core/vehicle';
import { Action, download } from '@/ui/action';
import { Caution, Panel } from '@/ui/panel';
import { svgText } from '@/ui/svg-text';
import { SheetHead, useSheet } from '../shell/shell';
import { CircuitDrawing } from './circuit-drawing';
import { layOutCircuit } from './derive-layout';
import { likelyAgainst, shortAt } from './derive-short';
import { FusePanel } from './fuse-panel';
import { LivePanel } from './live-panel';
import { LoopCaution, LoopSelection, NoLoop, StopTable, TestPointTable } from './loop-panel';
import { inLoop, LoopSheet, loopView } from './loop-sheet';
import type { Overlay } from './overlay';
import { PrechargeChoices } from './precharge-choices';
import { PrintFoot, PrintHead } from './print-head';
import { SafeguardsPanel } from './safeguards-panel';
import { Selection } from './selection';
import { Sequence } from './sequence';
import { type ShortChoice, ShortPanel } from './short-panel';
import { TouchPanel } from './touch-panel';

const PrechargeSigns = dynamic(() => import('./precharge-signs'), { ssr: false });
const PrechargeChart = dynamic(() => import('./precharge-chart'), {
  ssr: false,
  loading: () => <div className="h-[190px]" />,
});

type Look = 'closing' | 'fuses' | 'short' | 'live' | 'loop' | 'touch';
const LOOKS: readonly (readonly [Look, string])[] = [
  ['closing', 'Closing'],
  ['fuses', 'Fuses'],
  ['short', 'Short it here'],
  ['live', 'Still live?'],
  ['loop', 'Stop loop'],
  ['touch', 'Touch'],
];

export function HvCircuitScreen() {
  return <HvSheet {...useSheet()} />;
}

function HvSheet({ assessment, openCheck }: { assessment: Assessment; openCheck: (key: string) => void }) {
  const {
    vehicle,
    build,
    checks,
    results: { pack },
    stations,
  } = assessment;
  const [state, setState] = useState<StateId>('cruise');
  const [corner, setCorner] = useState<CornerId>('cold-old-empty');
  const [selected, setSelected] = useState<string | null>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const [look, setLook] = useState<Look>('closing');
  const [choice, setChoice] = useState<ShortChoice | null>(null);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [welded, setWelded] = useState(false);
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
  const overlay: Overlay | null =
    look === 'live' && live
      ? { flow: null, live: live.liveOf, open }
      : look === 'short'
        ? {
            flow: short?.story.fault.currents ?? new Map(),
            live: null,
            open: new Set(
              short?.story.openings.filter(({ notProved }) => notProved === null).map(({ deviceId }) => deviceId),
            ),
          }
        : null;
  const layout = useMemo(() => layOutCircuit(vehicle), [vehicle]);
  const loop = useMemo(() => (look === 'loop' ? loopView(vehicle) : null), [look, vehicle]);
  const solved = vehicle.cases.find((candidate) => candidate.state.id === state && candidate.corner.id === corner);
  const failing = useMemo(
    () => new Set(checks.filter((check) => check.verdict === 'fails').map((check) => check.subject.id)),
    [checks],
  );
  const known = selected !== null && (vehicle.deviceOf.has(selected) || vehicle.conductorOf.has(selected));
  const pick = (id: string) => {
    setSelected(id === selected ? null : id);
    setChoice(null);
  };
  if (vehicle.devices.length === 0) {
    return (
      <>
        <SheetHead station="hv-circuit" />
        <Panel title="No circuit yet">
          <p className="text-soft">
            This station draws the traction circuit and solves it in every state. It needs cells and an inverter: begin
            in Pack, or open the sample Firn 9 from All builds.
          </p>
        </Panel>
      </>
    );
  }
  return (
    <>
      <SheetHead station="hv-circuit" />
      <div className="mb-2 flex flex-wrap items-end gap-x-4 border-b border-rule">
        {look === 'loop' ? (
          <p className="py-2 text-soft">
            The 12-volt side: what feeds the coils. Press a thing to open it, a wire to change it.
          </p>
        ) : overlay ? (
          <p className="py-2 text-soft">
            {look === 'short'
              ? 'Every contactor closed, loads off: what a short drives through each wire.'
              : 'Full charge, loads off: what is still joined to cells.'}
          </p>
        ) : (
          <div role="tablist" aria-label="Operating state" className="flex flex-wrap">
            {STATES.map((candidate) => (
              <button
                key={candidate.id}
                type="button"
                role="tab"
                aria-selected={candidate.id === state}
                onClick={() => setState(candidate.id)}
                className={`border-b-[3px] px-2 py-1.5 font-tight text-[16px] ${candidate.id === state ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
              >
                {candidate.name}
              </button>
            ))}
          </div>
        )}
        {!overlay && look !== 'loop' && (
          <label className="ml-auto pb-1.5 text-[14px] text-soft">
            Pack{' '}
            <select
              aria-label="Corner"
              value={corner}
              onChange={(event) => setCorner(event.currentTarget.value as CornerId)}
              className="bg-transparent font-semibold text-ink [&>option]:bg-panel"
            >
              {cornersOf(build).map((candidate) => (
                <option key={candidate.id} value={candidate.id}>
                  {candidate.name}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      <Panel className="overflow-x-auto p-2!">
        <div ref={sheet} data-print>
          <PrintHead
            name={build.name}
            about={
              look === 'loop'
                ? 'Coil circuit, driving on a weak battery'
                : look === 'short'
                  ? 'Traction circuit, a wire shorted'
                  : look === 'live'
                    ? 'Traction circuit, what stays live'
                    : `Traction circuit in ${(solved?.state.name ?? state).toLowerCase()}, pack ${solved?.corner.name ?? corner}`
            }
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
          <PrintFoot {...assessment.reservations} system={build.units} />
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
      </Panel>
      <div className="mt-2 flex flex-wrap items-center border-b border-rule">
        <div role="tablist" aria-label="Look at" className="flex flex-wrap">
          {LOOKS.map(([id, words]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={id === look}
              onClick={() => setLook(id)}
              className={`border-b-[3px] px-3 py-1.5 font-tight text-[17px] ${id === look ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
            >
              {words}
            </button>
          ))}
        </div>
        <span className="ml-auto">
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
        </span>
      </div>
      <div className="mt-3 grid items-start gap-3 min-[1080px]:grid-cols-2">
        <div className="space-y-3">
          {look === 'short' && (
            <ShortPanel
              vehicle={vehicle}
              conductorId={wire}
              short={short}
              choice={shortChoice}
              onChoose={setChoice}
              system={build.units}
            />
          )}
          {look === 'live' && (
            <LivePanel
              vehicle={vehicle}
              open={open}
              onOpen={setOpen}
              welded={welded}
              onWelded={setWelded}
              live={live}
              selected={selected}
              fullV={pack?.fullV ?? null}
              safeV={safeV}
              system={build.units}
            />
          )}
          {look === 'loop' &&
            (loop ? (
              <StopTable assessment={assessment} circuit={loop.circuit} selected={selected} onSelect={pick} />
            ) : (
              <NoLoop />
            ))}
          {look === 'touch' && (
            <TouchPanel
              vehicle={vehicle}
              fullV={pack?.fullV ?? null}
              nominalV={pack?.nominalV ?? null}
              safeV={safeV}
              system={build.units}
            />
          )}
          {look === 'fuses' && (
            <FusePanel vehicle={vehicle} selected={selected} onSelect={setSelected} system={build.units} />
          )}
          {look === 'closing' && (
            <Panel title="Precharge" about="as wired, warm, new, full pack">
              {assessment.results['hv-circuit'] ? (
                <PrechargeChart run={assessment.results['hv-circuit']} system={build.units} />
              ) : (
                <p className="text-soft">
                  Needs a main contactor with a precharge resistor and relay across it, and a link capacitor behind.
                </p>
              )}
            </Panel>
          )}
        </div>
        <div className="space-y-3">
          {look === 'loop' && loop ? (
            <>
              {selected !== null && inLoop(loop, selected) && (
                <LoopSelection
                  assessment={assessment}
                  circuit={loop.circuit}
                  selected={selected}
                  onClear={() => setSelected(null)}
                />
              )}
              <TestPointTable assessment={assessment} circuit={loop.circuit} />
              <LoopCaution />
            </>
          ) : known ? (
            <Selection
              assessment={assessment}
              selected={selected}
              solved={solved}
              openCheck={openCheck}
              onClear={() => setSelected(null)}
            />
          ) : (
            look === 'closing' && <Sequence assessment={assessment} />
          )}
          {look === 'touch' && <SafeguardsPanel assessment={assessment} />}
          {pack && look !== 'loop' && (
            <Caution>
              {pack.boxes.length === 1 ? 'The box stays' : 'All boxes stay'} live with every contactor open:{' '}
              {pack.boxes
                .map(
                  (box) =>
                    `${box.name} ${formatQuantity({ value: box.fullV, dimension: 'voltage' }, build.units).text}`,
                )
                .join(', ')}{' '}
              at full charge. Cells never switch off: cover them, and prove dead at the place of work.
            </Caution>
          )}
        </div>
      </div>
      {look === 'closing' && assessment.results['hv-circuit'] && (
        <div className="mt-3 space-y-3 print:hidden">
          <PrechargeChoices assessment={assessment} run={assessment.results['hv-circuit']} />
          <PrechargeSigns assessment={assessment} run={assessment.results['hv-circuit']} />
        </div>
      )}
    </>
  );
}
