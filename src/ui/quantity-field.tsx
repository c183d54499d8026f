'use client';
import { type KeyboardEvent, useId, useRef, useState } from 'react';
import {
  type Comma,
  type Dimension,
  formatExact,
  formatQuantity,
  inUnits,
  type Parsed,
  parseQuantity,
  preferredUnit,
  type UnitSystem,
} from '@/core/quantities';
import { Action } from './action';
import { keepComma, keptComma } from './kept-comma';
import { useTaken } from './refusal';

/** Asked once in a browser: what a comma before three digits means. */
const COMMAS: readonly (readonly [Comma, string])[] = [
  ['thousands', 'A comma parts thousands'],
  ['decimal', 'A comma is the decimal mark'],
];

interface Props {
  readonly label: string;
  readonly value: number | null;
  readonly dimension: Dimension;
  readonly system: UnitSystem;
  /** Unit that is meant when none is typed; by default the one that is shown. */
  readonly unit?: string;
  readonly onCommit: (value: number) => void;
  /** Given: an emptied field means "not there". */
  readonly onClear?: () => void;
  /** What is shown while nothing is set. */
  readonly empty?: string;
  readonly step?: number;
  readonly note?: string;
  /** Another form that this field understands, asked first; null: it is not of that form. */
  readonly reads?: (text: string) => Parsed | null;
}

/** A figure to type: takes what people say ("0.5 mΩ", "12 ft", "2/0"), refuses the rest with a reason and keeps what was typed. */
export function QuantityField({
  label,
  value,
  dimension,
  system,
  unit,
  onCommit,
  onClear,
  empty = 'not set',
  step,
  note,
  reads,
}: Props) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  /** What was typed and can be read two ways. */
  const [asks, setAsks] = useState<string | null>(null);
  const cancelled = useRef(false);
  const taken = useTaken();
  const shownUnit = unit ?? preferredUnit(value ?? 1, dimension, system).symbol;
  const shown = value === null ? '' : formatQuantity({ value, dimension }, system, 4, shownUnit).text;

  const commit = (text: string, comma?: Comma) => {
    if (text.trim() === '' && onClear && value !== null) {
      const refusal = taken(onClear);
      if (refusal) {
        setError(inUnits(`${refusal.reason} ${refusal.remedy}`, system));
        return;
      }
    }
    if (text.trim() === '' || text === shown) {
      setDraft(null);
      setError(null);
      return;
    }
    const parsed = reads?.(text) ?? parseQuantity(text, dimension, shownUnit, comma ?? keptComma());
    setAsks(parsed.ok || !parsed.comma ? null : text);
    if (!parsed.ok) {
      setError(`${parsed.reason} ${parsed.remedy}`);
      return;
    }
    const refusal = parsed.value === value ? null : taken(() => onCommit(parsed.value));
    setError(refusal ? inUnits(`${refusal.reason} ${refusal.remedy}`, system) : null);
    setDraft(refusal ? text : null);
  };

  const nudge = (direction: number) => {
    const parsed = parseQuantity(draft ?? shown, dimension, shownUnit);
    if (!parsed.ok) return;
    const one = parseQuantity(String(step ?? 1), dimension, shownUnit);
    const zero = parseQuantity('0', dimension, shownUnit);
    if (!one.ok || !zero.ok) return;
    setDraft(
      formatExact(Number((parsed.value + direction * (one.value - zero.value)).toPrecision(12)), dimension, shownUnit),
    );
  };

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') commit(event.currentTarget.value);
    else if (event.key === 'Escape') {
      cancelled.current = true;
      setDraft(null);
      setError(null);
      event.currentTarget.blur();
    } else if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      nudge(event.key === 'ArrowUp' ? 1 : -1);
    }
  };

  return (
    <div className="py-0.5">
      <div className="flex items-baseline justify-between gap-3 border-b border-dotted border-rule">
        <label htmlFor={id} className="min-w-0 text-soft">
          {label}
        </label>
        <input
          id={id}
          value={draft ?? shown}
          placeholder={empty}
          aria-invalid={error !== null}
          aria-describedby={error ? `${id}-error` : undefined}
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setDraft(event.currentTarget.value)}
          onBlur={(event) => {
            if (cancelled.current) cancelled.current = false;
            else if (draft !== null) commit(event.currentTarget.value);
          }}
          onKeyDown={onKeyDown}
          className="min-h-8 w-full min-w-[96px] max-w-[128px] bg-transparent text-right text-lead font-semibold outline-offset-4 placeholder:font-normal placeholder:text-soft"
        />
      </div>
      {note && !error && <p className="text-right text-note text-soft">{note}</p>}
      {error && (
        <p id={`${id}-error`} role="alert" className="text-note text-fails">
          {error}
        </p>
      )}
      {error && asks !== null && (
        <p className="flex flex-wrap gap-1 py-1">
          {COMMAS.map(([comma, words]) => (
            <Action
              key={comma}
              look="quiet"
              onPress={() => {
                keepComma(comma);
                commit(asks, comma);
              }}
            >
              {words}
            </Action>
          ))}
        </p>
      )}
    </div>
  );
}
