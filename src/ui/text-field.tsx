'use client';
import { useId, useState } from 'react';

/** A line of text to type; what is refused is said with its reason, and what was typed stays. */
export function TextField({
  label,
  value,
  empty,
  refuse,
  onCommit,
  wide = false,
}: {
  label: string;
  value: string;
  empty?: string;
  /** Why this text can't be taken; null: it can. */
  refuse?: (text: string) => string | null;
  onCommit: (text: string) => void;
  /** A long text has a line of its own under its label. */
  wide?: boolean;
}) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const commit = (text: string) => {
    const reason = text.trim() === value || text.trim() === '' ? null : (refuse?.(text.trim()) ?? null);
    setError(reason);
    if (reason) return;
    setDraft(null);
    if (text.trim() !== value && text.trim() !== '') onCommit(text.trim());
  };
  return (
    <div className="border-b border-dotted border-rule py-0.5">
      <div className={wide ? '' : 'flex items-baseline justify-between gap-3'}>
        <label htmlFor={id} className="shrink-0 text-soft">
          {label}
        </label>
        <input
          id={id}
          value={draft ?? value}
          placeholder={empty}
          aria-invalid={error !== null}
          aria-describedby={error ? `${id}-why` : undefined}
          onChange={(event) => setDraft(event.currentTarget.value)}
          onBlur={(event) => commit(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') commit(event.currentTarget.value);
            if (event.key === 'Escape') {
              setDraft(null);
              setError(null);
            }
          }}
          className={`${wide ? 'w-full' : 'w-[62%] text-right'} min-h-8 min-w-0 bg-transparent font-semibold placeholder:font-normal placeholder:text-soft`}
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
