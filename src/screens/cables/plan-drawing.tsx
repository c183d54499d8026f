'use client';
import { DndContext, type DragMoveEvent, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { type KeyboardEvent, useCallback, useMemo, useRef, useState } from 'react';
import { type Assessment, assess } from '@/core/assess';
import { applyEdit, type Build, type Edit, EditRefused, findDevice } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import { massesOf, passageNear, zoneAt } from '@/core/vehicle';
import { newestBuild, useBench } from '@/store/bench';
import { readable } from '@/ui/readable';
import { layOutPlan, type View } from './derive-plan';
import { Block, CrowdMark, Leaders } from './plan-block';
import type { Moved } from './plan-handle';
import { numbersOf, PlanKey } from './plan-key';
import { Axles, Body, PassageMark, RouteLine } from './plan-parts';
import { crowdsOf, shiftsOf } from './spread';

export type Picked = { readonly kind: 'device' | 'route' | 'passage'; readonly id: string } | null;

interface Drag {
  readonly what: Moved;
  readonly dx: number;
  readonly dy: number;
}

const STEP_M = 0.01;
const BIG_STEP_M = 0.1;
/** A drag shorter than this on the screen is a press, px. */
const PRESS = 3;
/** The verdicts of a drag follow at most so often, ms. */
const FOLLOW_MS = 90;

/** What moves says so by itself: each thing is a button that tells of its arrow keys. */
const SILENT = {
  announcements: {
    onDragStart: () => undefined,
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => undefined,
  },
  screenReaderInstructions: { draggable: '' },
};

/** Near another thing’s middle, or the middle of the vehicle, it lines up; else it keeps to centimetres. */
const LINES_UP_M = 0.025;
function snapTo(build: Build, deviceId: string, at: { xM: number; yM: number; zM: number }): void {
  const others = Object.values(build.circuits.hv.devices).flatMap(({ id, place, insideId }) =>
    place && id !== deviceId && insideId === undefined ? [place] : [],
  );
  for (const axis of ['xM', 'yM', 'zM'] as const) {
    const lines = [...others.map((place) => place[axis]), ...(axis === 'yM' ? [0] : [])];
    const near = lines
      .filter((line) => Math.abs(line - at[axis]) <= LINES_UP_M)
      .sort((p, q) => Math.abs(p - at[axis]) - Math.abs(q - at[axis]))[0];
    at[axis] = near ?? Math.round(at[axis] * 100) / 100;
  }
}

/** The edit that moves a device to where it was dragged; its zone follows from where it is. */
function placing(
  build: Build,
  deviceId: string,
  by: { xM?: number; yM?: number; zM?: number },
  snap = false,
): Edit | null {
  const device = findDevice(build, deviceId);
  if (!device) return null;
  const { place } = device;
  const at = {
    xM: (place?.xM ?? 0) + (by.xM ?? 0),
    yM: (place?.yM ?? 0) + (by.yM ?? 0),
    zM: (place?.zM ?? 0.5) + (by.zM ?? 0),
  };
  if (snap) snapTo(build, deviceId, at);
  const zoneId = zoneAt(build, at) ?? place?.zoneId ?? Object.keys(build.zones)[0]!;
  return { edit: 'placeDevice', input: { deviceId, ...at, zoneId } };
}

type By = { xM?: number; yM?: number; zM?: number };

function bending(build: Build, routeId: string, index: number, by: By, view: View | null = null): Edit | null {
  const from = build.routes[routeId]?.waypoints[index];
  if (!from) return null;
  const to = { xM: from.xM + (by.xM ?? 0), yM: from.yM + (by.yM ?? 0), zM: from.zM + (by.zM ?? 0) };
  // A dragged point falls into a passage that is near; arrow keys move by what they say.
  const near = view ? passageNear(build, to, ['xM', view === 'top' ? 'yM' : 'zM']) : null;
  return { edit: 'setWaypoint', input: { routeId, index, point: near ? near.at : to } };
}

function shifting(build: Build, passageId: string, by: By): Edit | null {
  const at = build.passages?.[passageId]?.at;
  if (!at) return null;
  const to = { xM: at.xM + (by.xM ?? 0), yM: at.yM + (by.yM ?? 0), zM: at.zM + (by.zM ?? 0) };
  return { edit: 'setPassage', input: { passageId, at: to } };
}

/** The edit of a drag or an arrow key. */
function moving(build: Build, what: Moved, by: By, view: View | null): Edit | null {
  if (what.kind === 'waypoint') return bending(build, what.routeId, what.index, by, view);
  if (what.kind === 'passage') return shifting(build, what.id, by);
  return placing(build, what.id, by, view !== null);
}

const pickedOf = (what: Moved): Picked =>
  what.kind === 'waypoint' ? { kind: 'route', id: what.routeId } : { kind: what.kind, id: what.id };

/** Tries an edit without making it: what it would come to, or null when it is refused. */
function tried(build: Build, edit: Edit | null): Build | null {
  if (!edit) return null;
  try {
    return applyEdit(build, edit).build;
  } catch (error) {
    if (error instanceof EditRefused) return null;
    throw error;
  }
}

/** The vehicle to scale: what is where, which way cables run, and what stands on the axles. Things are dragged, or moved with arrow keys. */
export function PlanDrawing({
  assessment,
  view,
  picked,
  onPick,
}: {
  assessment: Assessment;
  view: View;
  picked: Picked;
  onPick: (picked: Picked) => void;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [drag, setDrag] = useState<Drag | null>(null);
  const [followed, setFollowed] = useState<{ readonly dx: number; readonly dy: number }>({ dx: 0, dy: 0 });
  const lastFollow = useRef(0);
  const svg = useRef<SVGSVGElement>(null);
  const { build, vehicle, trip } = assessment;
  const still = useMemo(() => layOutPlan(vehicle, build, view), [vehicle, build, view]);
  const editOf = useCallback(
    (what: Moved, dx: number, dy: number): Edit | null => moving(build, what, still.moved(dx, dy), view),
    [build, still, view],
  );
  const dragged = drag?.what ?? null;
  // The drawing follows the finger in each frame; lengths, axles and verdicts a little behind it.
  const shown = useMemo(() => {
    if (!dragged) return assessment;
    const next = tried(build, editOf(dragged, followed.dx, followed.dy));
    return next ? assess(next, { memory: vehicle.memory.trial, runs: { trip } }) : assessment;
  }, [dragged, followed, assessment, build, vehicle, trip, editOf]);
  const plan = useMemo(
    () =>
      drag ? layOutPlan(shown.vehicle, tried(build, editOf(drag.what, drag.dx, drag.dy)) ?? shown.build, view) : still,
    [drag, shown, still, view, build, editOf],
  );

  const scaleOf = () => still.width / (svg.current?.getBoundingClientRect().width ?? still.width);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: PRESS } }));
  const start = (what: Moved) => {
    setDrag({ what, dx: 0, dy: 0 });
    setFollowed({ dx: 0, dy: 0 });
  };
  const move = ({ active, delta }: DragMoveEvent) => {
    const [dx, dy] = [delta.x * scaleOf(), delta.y * scaleOf()];
    setDrag({ what: active.data.current as Moved, dx, dy });
    const now = performance.now();
    if (now - lastFollow.current > FOLLOW_MS) {
      lastFollow.current = now;
      setFollowed({ dx, dy });
    }
  };
  const end = ({ active, delta }: DragMoveEvent) => {
    const what = active.data.current as Moved;
    setDrag(null);
    onPick(pickedOf(what));
    const edit = editOf(what, delta.x * scaleOf(), delta.y * scaleOf());
    if (edit) dispatch(edit);
  };
  const onKey = (event: KeyboardEvent, what: Moved) => {
    const step = event.shiftKey ? BIG_STEP_M : STEP_M;
    const by = (
      {
        ArrowLeft: { xM: -step },
        ArrowRight: { xM: step },
        ArrowUp: view === 'top' ? { yM: -step } : { zM: step },
        ArrowDown: view === 'top' ? { yM: step } : { zM: -step },
      } as Record<string, { xM?: number; yM?: number; zM?: number }>
    )[event.key];
    if (event.key === 'Enter' || event.key === ' ') onPick(pickedOf(what));
    else if (!by) return;
    event.preventDefault();
    if (!by) return;
    // Of the newest build: quick fingers are faster than the drawing.
    const edit = moving(newestBuild() ?? build, what, by, null);
    if (edit) dispatch(edit);
  };

  // As they are at rest: nothing else moves while one thing is dragged.
  const numbers = useMemo(() => numbersOf(still.blocks), [still]);
  const pickedId = picked?.kind === 'device' ? picked.id : null;
  const crowds = useMemo(() => crowdsOf(still.blocks, numbers, pickedId), [still, numbers, pickedId]);
  const shifts = useMemo(() => shiftsOf(still, numbers, crowds), [still, numbers, crowds]);
  /** The mark makes room for its things: the focus goes on to the first of them. */
  const fanOut = (id: string) => {
    onPick({ kind: 'device', id });
    requestAnimationFrame(() =>
      svg.current?.querySelector<SVGElement>(`[data-plan-device="${CSS.escape(id)}"]`)?.focus(),
    );
  };
  const crowded = new Set(crowds.flatMap(({ ids }) => ids));
  const blockOf = new Map(plan.blocks.map((block) => [block.id, block]));
  const fits = readable(plan.width, 11.5);
  return (
    <DndContext
      sensors={sensors}
      autoScroll={false}
      accessibility={SILENT}
      onDragStart={({ active }) => start(active.data.current as Moved)}
      onDragMove={move}
      onDragEnd={end}
      onDragCancel={() => setDrag(null)}
    >
      <svg
        ref={svg}
        viewBox={`0 0 ${plan.width} ${plan.height}`}
        className={`select-none [touch-action:pan-x_pan-y] ${fits.className}`}
        style={fits.style}
        role="group"
        aria-label={view === 'top' ? 'Layout plan from above' : 'Layout plan from the left side'}
        onClick={() => onPick(null)}
        onKeyDown={(event) => event.key === 'Escape' && onPick(null)}
      >
        <Body plan={plan} system={assessment.build.units} />
        <Axles assessment={shown} before={drag ? assessment : null} plan={plan} />
        {plan.routes.map((route, k) => (
          <RouteLine
            key={route.conductorId}
            route={route}
            lower={view === 'side' ? 24 * k : 0}
            system={build.units}
            picked={picked?.kind === 'route' && picked.id === route.routeId}
            onKey={onKey}
            onPick={() => onPick({ kind: 'route', id: route.routeId })}
          />
        ))}
        <Leaders blocks={plan.blocks} shifts={shifts} />
        {plan.blocks
          .filter(({ id }) => !crowded.has(id))
          .map((block) => (
            <Block
              key={block.id}
              block={block}
              named={view === 'top'}
              number={numbers.get(block.id) ?? null}
              {...(shifts.has(block.id) ? { shift: shifts.get(block.id)! } : {})}
              detail={detailOf(shown, block.id)}
              picked={pickedId === block.id}
              onPress={() => onPick({ kind: 'device', id: block.id })}
              onKey={onKey}
            />
          ))}
        {crowds.map((crowd) => {
          const first = blockOf.get(crowd.ids[0]!);
          return (
            first && (
              <CrowdMark
                key={first.id}
                crowd={crowd}
                block={first}
                shift={shifts.get(first.id) ?? [0, 0]}
                names={crowd.ids.map((id) => blockOf.get(id)?.name ?? '')}
                onPress={() => fanOut(first.id)}
              />
            )
          );
        })}
        {plan.passages.map((passage) => (
          <PassageMark
            key={passage.id}
            passage={passage}
            picked={picked?.kind === 'passage' && picked.id === passage.id}
            onPress={() => onPick({ kind: 'passage', id: passage.id })}
            onKey={onKey}
          />
        ))}
      </svg>
      <PlanKey
        blocks={plan.blocks}
        numbers={numbers}
        pickedId={pickedId}
        onPick={(id) => onPick({ kind: 'device', id })}
      />
    </DndContext>
  );
}

const detailOf = (assessment: Assessment, id: string): string => {
  const weighed = massesOf(assessment.vehicle).devices.find((one) => one.id === id);
  return weighed ? formatQuantity({ value: weighed.massKg, dimension: 'mass' }, assessment.build.units, 3).text : '';
};
