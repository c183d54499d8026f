'use client';
import { useSyncExternalStore } from 'react';

const noop = () => () => {};
/** False while the page is still the static one; true in the browser. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    noop,
    () => true,
    () => false,
  );
