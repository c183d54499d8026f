'use client';
import { useEffect, useRef, useState } from 'react';

/** What is typed counts within a second, also when the field is never left. */
const SOON_MS = 800;

/**
 * A text that is being typed: handed over soon after each pause and when the field is left, and until then leaving the page asks. What
 * comes from elsewhere meanwhile does not overwrite it.
 */
export function useTyped(value: string, commit: (text: string) => boolean) {
  const [draft, setDraft] = useState<string | null>(null);
  const latest = useRef(commit);
  latest.current = commit;
  useEffect(() => {
    if (draft === null || draft === value) return;
    const soon = setTimeout(() => latest.current(draft), SOON_MS);
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      clearTimeout(soon);
      window.removeEventListener('beforeunload', ask);
    };
  }, [draft, value]);
  return {
    text: draft ?? value,
    onType: setDraft,
    /** The field is left, or Enter pressed: taken now, or kept as typed where it is refused. */
    settle: () => {
      if (draft === null || latest.current(draft)) setDraft(null);
    },
    /** Back to what stands. */
    drop: () => setDraft(null),
  };
}
