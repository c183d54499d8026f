import type { CSSProperties } from 'react';

/** The smallest text of a drawing on a phone or tablet, px. */
const LEAST_PX = 9.5;

/**
 * For a drawing of this width with this smallest text, both in its own units: on a small screen it keeps so much width that the text can be
 * read, and is scrolled inside its panel instead.
 */
export const readable = (
  width: number,
  smallest: number,
): { readonly className: string; readonly style: CSSProperties } => ({
  // Paper has a width of its own.
  className: 'w-full [@media_screen_and_(max-width:900px)]:min-w-[var(--least)]',
  style: { '--least': `${Math.ceil((width * LEAST_PX) / smallest)}px` } as CSSProperties,
});
