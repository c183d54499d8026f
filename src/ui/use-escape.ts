'use client';
import { useEffect } from 'react';

/** Esc closes what is open here, unless something nearer to the hand took it: a list, a dialog, a field that is being typed in. */
export function useEscape(onClose: (() => void) | null): void {
  useEffect(() => {
    if (!onClose) return;
    const close = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return;
      const { target } = event;
      if (target instanceof HTMLElement && target.closest('input, textarea, [role="dialog"], [role="listbox"]')) return;
      event.preventDefault();
      onClose();
    };
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [onClose]);
}
