'use client';

const KEY = 'ropeway-theme';
type Theme = 'light' | 'dark';

const darkNow = (): boolean =>
  document.documentElement.dataset.theme
    ? document.documentElement.dataset.theme === 'dark'
    : matchMedia('(prefers-color-scheme: dark)').matches;

function apply(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

/** Puts back the ground that was chosen last; without a choice the system's is used. */
export function restoreTheme(): void {
  try {
    const kept = localStorage.getItem(KEY);
    if (kept === 'light' || kept === 'dark') apply(kept);
  } catch {
    // Storage may be blocked; the system's ground is fine.
  }
}

export function switchTheme(): void {
  const next: Theme = darkNow() ? 'light' : 'dark';
  apply(next);
  try {
    localStorage.setItem(KEY, next);
  } catch {
    // As above: it then lasts until the page is closed.
  }
}
