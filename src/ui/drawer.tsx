'use client';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { useReturnFocus } from './return-focus';

/** Slides over the sheet from below, on screens that have no room beside it. Esc, the cross and a press beside it close it. */
export function Drawer({
  open,
  onOpen,
  name,
  children,
}: {
  open: boolean;
  onOpen: (open: boolean) => void;
  name: string;
  children: ReactNode;
}) {
  const focus = useReturnFocus();
  return (
    <Dialog.Root open={open} onOpenChange={onOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          {...focus}
          className="fixed inset-x-0 bottom-0 z-40 flex max-h-[86dvh] min-h-[40dvh] flex-col rounded-t-[8px] border-t border-rule bg-panel text-ink shadow-xl print:hidden"
        >
          <Dialog.Title className="sr-only">{name}</Dialog.Title>
          <Dialog.Close
            aria-label={`Close the ${name.toLowerCase()}`}
            className="absolute top-2 right-2 z-10 flex size-11 items-center justify-center rounded-[3px]"
          >
            <X size={22} aria-hidden="true" />
          </Dialog.Close>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
