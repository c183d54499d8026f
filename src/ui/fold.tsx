'use client';
import { ChevronRight } from 'lucide-react';
import { Collapsible } from 'radix-ui';
import type { ReactNode } from 'react';

/** Something that opens in its place. */
export function Fold({
  head,
  children,
  open,
  onOpen,
  className = '',
}: {
  head: ReactNode;
  children: ReactNode;
  /** Given: who opens it is kept outside. */
  open?: boolean;
  onOpen?: (open: boolean) => void;
  className?: string;
}) {
  return (
    <Collapsible.Root
      {...(open === undefined ? {} : { open })}
      {...(onOpen ? { onOpenChange: onOpen } : {})}
      className={className}
    >
      <Collapsible.Trigger className="group flex min-h-9 w-full items-center gap-1.5 py-1 text-left">
        <ChevronRight
          size={16}
          aria-hidden="true"
          className="shrink-0 text-soft transition-transform group-data-[state=open]:rotate-90"
        />
        <span className="min-w-0 flex-1">{head}</span>
      </Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
