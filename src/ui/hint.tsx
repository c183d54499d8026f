'use client';
import { Tooltip } from 'radix-ui';
import type { ReactElement, ReactNode } from 'react';

/** All hints of a page share one delay. */
export const Hints = ({ children }: { children: ReactNode }) => (
  <Tooltip.Provider delayDuration={500} skipDelayDuration={200}>
    {children}
  </Tooltip.Provider>
);

/** More words about a control, at the mouse or the focus; never the only place where something is said. */
export function Hint({ text, children }: { text: ReactNode; children: ReactElement }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={6}
          collisionPadding={8}
          className="z-50 max-w-[320px] rounded-[3px] bg-ink px-2.5 py-1.5 text-small text-paper shadow-lg print:hidden"
        >
          {text}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
