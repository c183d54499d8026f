'use client';
import { useRef } from 'react';

/** A dialog that no trigger opened gives the focus back to where it was. */
export function useReturnFocus() {
  const before = useRef<Element | null>(null);
  return {
    onOpenAutoFocus: () => {
      before.current = document.activeElement;
    },
    onCloseAutoFocus: (event: Event) => {
      event.preventDefault();
      if (before.current instanceof HTMLElement) before.current.focus();
    },
  };
}
