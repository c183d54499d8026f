'use client';
import { useSyncExternalStore } from 'react';

/** Where the ledger no longer fits beside the sheet, and slides over it. */
export const NARROW = '(max-width: 900px)';

/** Whether a media query holds now; false where there is no screen. */
export const useMedia = (query: string): boolean =>
  useSyncExternalStore(
    (changed) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', changed);
      return () => list.removeEventListener('change', changed);
    },
    () => window.matchMedia(query).matches,
    () => false,
  );
