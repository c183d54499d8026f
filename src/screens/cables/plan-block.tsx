'use client';
import type { KeyboardEvent } from 'react';
import type { PlanBlock, Shift } from './derive-plan';
import { Handle, type Moved } from './plan-handle';
import { cut, MOST_UNDER, nameIn } from './plan-names';
import { type Crowd, crowdBox, crowdText } from './spread';

/** A device to scale. */
export function Block({
  block,
  detail,
  named,
  picked,
  number = null,
  shift = [0, 0],
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
  /** It is drawn this far from where it is: there it would lie over something. */
  shift?: Shift;
  onPress: () => void;
  onKey: (event: KeyboardEvent, moved: Moved) => void;
}) {
  const { width, height, name } = block;
  const x = block.x + shift[0];
  const y = block.y + shift[1];
  const { inside: wide, lines } = nameIn(block);
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
          {cut(name, MOST_UNDER)}
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

/** From each mark that was drawn aside to where its thing is. */
export function Leaders({ blocks, shifts }: { blocks: readonly PlanBlock[]; shifts: ReadonlyMap<string, Shift> }) {
  return (
    <g pointerEvents="none" stroke="var(--soft)" strokeWidth="0.9">
      {blocks.map(({ id, x, y, width, height }) => {
        const [dx, dy] = shifts.get(id) ?? [0, 0];
        if (dx === 0 && dy === 0) return null;
        const at = { x: x + width / 2, y: y + height / 2 };
        return (
          <g key={id}>
            <path d={`M${at.x} ${at.y}l${dx} ${dy}`} />
            <circle cx={at.x} cy={at.y} r="2.2" fill="var(--ink)" stroke="none" />
          </g>
        );
      })}
    </g>
  );
}

/** What stands at one spot, under one mark: pressed it fans out, the first of them picked. */
export function CrowdMark({
  crowd,
  block,
  shift,
  names,
  onPress,
}: {
  crowd: Crowd;
  /** The first of them. */
  block: PlanBlock;
  shift: Shift;
  names: readonly string[];
  onPress: () => void;
}) {
  const box = crowdBox(block);
  const x = box.x + shift[0];
  const y = box.y + shift[1];
  const text = crowdText(crowd);
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${text}, ${crowd.ids.length} things at one spot: ${names.join(', ')}`}
      className="cursor-pointer"
      data-plan-crowd={crowd.ids.length}
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPress();
      }}
    >
      <rect x={x + 2} y={y + 2} width={box.width} height={box.height} rx="3" fill="var(--rule)" />
      <rect
        x={x}
        y={y}
        width={box.width}
        height={box.height}
        rx="3"
        fill="var(--well)"
        stroke={block.low ? 'var(--lv)' : 'var(--ink)'}
      />
      <text
        x={x + box.width / 2}
        y={y + box.height / 2 + 4}
        textAnchor="middle"
        fontSize="11.5"
        fontWeight="600"
        fill="var(--ink)"
      >
        {text}
      </text>
    </g>
  );
}
