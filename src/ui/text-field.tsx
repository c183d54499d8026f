'use client';
import { useId, useState } from 'react';
import { inUnits } from '@/core/quantities';
import { useTaken } from './refusal';
import { useTyped } from './use-typed';

/** A line of text to type; what is refused is said with its reason, and what was typed stays. */
export function TextField({
  label,
  value,
  empty,
  refuse,
  onCommit,
  wide = false,
  clears = false,
  makes = false,
  boxed = false,
}: {
  label: string;
  value: string;
  empty?: string;
  /** Why this text can't be taken; null: it can. */
  refuse?: (text: string) => string | null;
  onCommit: (text: string) => void;
  /** A long text has a line of its own under its label. */
  wide?: boolean;
  /** Emptied it is taken as empty, not left as it was. */
  clears?: boolean;
  /** What is typed is the name of a new thing: half of it makes none. */
  makes?: boolean;
  /** One of several in a row of a list: a box under its label, which is only read aloud where a line of heads stands above the list. */
  boxed?: boolean;
}) {
  const id = useId();
  const [error, setError] = useState<string | null>(null);
  const taken = useTaken();
  const take = (text: string) => {
    const bare = text.trim();
    if (bare === value || (bare === '' && !clears)) {
      setError(null);
      return true;
    }
    const reason = refuse?.(bare) ?? null;
    const refusal = reason === null ? taken(() => onCommit(bare)) : null;
    setError(reason ?? (refusal ? inUnits(`${refusal.reason} ${refusal.remedy}`, 'metric') : null));
    return reason === null && refusal === null;
  };
  const typed = useTyped(value, take, !makes);
  return (
    <div className={boxed ? '' : 'border-b border-dotted border-rule py-0.5'}>
      <div className={wide || boxed ? '' : 'flex items-baseline justify-between gap-3'}>
        <label htmlFor={id} className={`shrink-0 text-soft ${boxed ? 'text-note min-[700px]:sr-only' : ''}`}>
          {label}
        </label>
        <input
          id={id}
          value={typed.text}
          placeholder={empty}
          aria-invalid={error !== null}
          aria-describedby={error ? `${id}-why` : undefined}
          onChange={(event) => typed.onType(event.currentTarget.value)}
          onBlur={typed.settle}
          onKeyDown={(event) => {
            if (event.key === 'Enter') typed.settle();
            if (event.key === 'Escape') {
              typed.drop();
              setError(null);
            }
          }}
          className={`${boxed ? 'w-full rounded-[3px] border border-rule bg-paper px-2' : `${wide ? 'w-full' : 'w-[62%] text-right'} bg-transparent font-semibold`} min-h-8 min-w-0 placeholder:font-normal placeholder:text-soft`}
        />
      </div>
      {error && (
        <p id={`${id}-why`} role="alert" className="text-right text-note text-fails">
          {error}
        </p>
      )}
    </div>
  );
}
