'use client';
import { useEffect, useState } from 'react';

/** Something that is in the page only while it is printed: what (null: nothing), and how to print it. */
export function usePrint<What>(): readonly [What | null, (what: What) => void] {
  const [printed, setPrinted] = useState<What | null>(null);
  useEffect(() => {
    if (printed === null) return;
    // The sheet is there and laid out before the browser looks at it.
    let frame = requestAnimationFrame(() => {
      frame = requestAnimationFrame(() => {
        window.print();
        setPrinted(null);
      });
    });
    return () => cancelAnimationFrame(frame);
  }, [printed]);
  return [printed, setPrinted];
}
