'use client';
import { useEffect, useRef, useState } from 'react';

/** What is typed counts within a second, also when the field is never left. */
const SOON_MS = 800;

/**
 * A text that is being typed: handed over soon after each pause and when the field is left, and until then leaving the page asks. What
 * comes from elsewhere meanwhile does not overwrite it. Where the text makes a new thing (`soon` false) half a name makes none: only Enter
 * or leaving the field hands it over.
 */
export function useTyped(value: string, commit: (text: string) => boolean, soon = true) {
  const [draft, setDraft] = useState<string | null>(null);
  /** What was taken last: it may stand otherwise than it was typed, and is not handed over again. */
  const [given, setGiven] = useState<string | null>(null);
  const latest = useRef(commit);
  latest.current = commit;
  const give = (text: string): boolean => {
    if (text === given) return true;
    const taken = latest.current(text);
    if (taken) setGiven(text);
    return taken;
  };
  const hand = useRef(give);
  hand.current = give;
  useEffect(() => {
    if (draft === null || draft === value || draft === given) return;
    const timer = soon ? setTimeout(() => hand.current(draft), SOON_MS) : undefined;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('beforeunload', ask);
    };
  }, [draft, value, given, soon]);
  return {
    text: draft ?? value,
    onType: setDraft,
    /** The field is left, or Enter pressed: taken now, or kept as typed where it is refused. */
    settle: () => {
      if (draft !== null && !give(draft)) return;
      setDraft(null);
      setGiven(null);
    },
    /** Back to what stands. */
    drop: () => {
      setDraft(null);
      setGiven(null);
    },
  };
}
