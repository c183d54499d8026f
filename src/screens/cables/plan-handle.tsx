'use client';
import { useDraggable } from '@dnd-kit/core';
import type { KeyboardEvent, ReactNode, Ref } from 'react';

/** What can be moved on the plan. */
export type Moved =
  | { readonly kind: 'device' | 'passage'; readonly id: string }
  | { readonly kind: 'waypoint'; readonly routeId: string; readonly index: number };

const keyOf = (moved: Moved): string =>
  moved.kind === 'waypoint' ? `waypoint ${moved.routeId} ${moved.index}` : `${moved.kind} ${moved.id}`;

/** A thing on the plan that is dragged, pressed, or moved with the arrow keys. */
export function Handle({
  moved,
  label,
  picked,
  onPress,
  onKey,
  children,
  ...marks
}: {
  moved: Moved;
  label: string;
  picked?: boolean;
  onPress: () => void;
  onKey: (event: KeyboardEvent, moved: Moved) => void;
  children: ReactNode;
  'data-plan-device'?: string;
  'data-plan-passage'?: string;
}) {
  const { setNodeRef, listeners } = useDraggable({ id: keyOf(moved), data: moved });
  return (
    <g
      // A group of a drawing serves as well as an element of a page: only its rectangle is asked for.
      ref={setNodeRef as unknown as Ref<SVGGElement>}
      role="button"
      tabIndex={0}
      aria-pressed={picked}
      aria-label={label}
      onPointerDown={listeners?.onPointerDown as (() => void) | undefined}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
      onKeyDown={(event) => onKey(event, moved)}
      className="cursor-grab touch-none"
      {...marks}
    >
      {children}
    </g>
  );
}
