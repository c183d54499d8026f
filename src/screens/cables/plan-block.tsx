'use client';
import type { KeyboardEvent } from 'react';
import type { PlanBlock } from './derive-plan';
import { Handle, type Moved } from './plan-handle';

/** A name as long as there is room for. */
export const cut = (name: string, most: number): string => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** A name in as many lines as there is room for, broken between words. */
export function linesOf(name: string, most: number, lines: number): readonly string[] {
  if (name.length <= most || lines < 2) return [cut(name, most)];
  const space = name.lastIndexOf(' ', most);
  return space <= 0 ? [cut(name, most)] : [name.slice(0, space), ...linesOf(name.slice(space + 1), most, lines - 1)];
}

/** A device to scale. */
export function Block({
  block,
  detail,
  named,
  picked,
  number = null,
  onPress,
  onKey,
}: {
  block: PlanBlock;
  detail: string;
  /** Small blocks have their name beside them. */
  named: boolean;
  picked: boolean;
  /** Of a block that has no room for its name: the list under the plan says what it is. */
  number?: number | null;
  onPress: () => void;
  onKey: (event: KeyboardEvent, moved: Moved) => void;
}) {
  const { x, y, width, height, name } = block;
  const wide = width > 62 && height > 26;
  const lines = linesOf(name, Math.max(5, Math.floor(width / 6.6)), height > 42 ? 2 : 1);
  return (
    <Handle
      moved={{ kind: 'device', id: block.id }}
      label={`${name}${detail ? `, ${detail}` : ''}: drag or move with the arrow keys`}
      picked={picked}
      onPress={onPress}
      onKey={onKey}
      data-plan-device={block.id}
    >
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx="3"
        fill={block.small ? 'var(--well)' : 'var(--panel)'}
        stroke={picked ? 'var(--lv)' : block.low ? 'var(--lv)' : 'var(--ink)'}
        strokeWidth={picked ? 3 : block.small ? 1 : 1.5}
        fillOpacity={block.inside ? 0.6 : 1}
      />
      {wide &&
        lines.map((line, k) => (
          <text
            key={line}
            x={x + width / 2}
            y={y + height / 2 + 4 - 7 * (lines.length + (detail ? 1 : 0) - 1) + 14 * k}
            textAnchor="middle"
            fontSize="12.5"
            fontWeight="600"
            fill="var(--ink)"
          >
            {line}
          </text>
        ))}
      {number !== null && (
        <text
          x={x + width / 2}
          y={y + height / 2 + 4}
          textAnchor="middle"
          fontSize="11.5"
          fontWeight="600"
          fill="var(--ink)"
        >
          {number}
        </text>
      )}
      {!wide && !block.small && (named || picked) && (
        <text x={x + width / 2} y={y + height + 12} textAnchor="middle" fontSize="11.5" fill="var(--ink)">
          {cut(name, 18)}
        </text>
      )}
      <title>{detail ? `${name}, ${detail}` : name}</title>
      {wide && detail && (
        <text
          x={x + width / 2}
          y={y + height / 2 + 4 + 7 * lines.length}
          textAnchor="middle"
          fontSize="11.5"
          fill="var(--soft)"
        >
          {detail}
        </text>
      )}
    </Handle>
  );
}
