'use client';
import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Action } from './action';

/** A question before something is lost: what goes, what else can be done, and staying. Esc stays. */
export function Ask({
  open,
  title,
  children,
  go,
  onGo,
  onStay,
  stay = 'Stay here',
  more,
}: {
  open: boolean;
  title: string;
  children: ReactNode;
  /** What goes on, in words. */
  go: string;
  onGo: () => void;
  onStay: () => void;
  stay?: string;
  /** Something to be done first. */
  more?: ReactNode;
}) {
  return (
    <AlertDialog.Root open={open} onOpenChange={(now) => !now && onStay()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-50 bg-black/40" />
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 w-[min(520px,calc(100vw-24px))] -translate-x-1/2 -translate-y-1/2 rounded-[3px] border border-ink bg-panel p-5 text-ink shadow-xl">
          <AlertDialog.Title className="font-tight text-title font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div className="mt-2">{children}</div>
          </AlertDialog.Description>
          <div className="mt-4 flex flex-wrap gap-2">
            <AlertDialog.Cancel asChild>
              <button
                type="button"
                className="rounded-[3px] bg-strong px-4 py-2 font-tight text-lead font-semibold text-strong-ink"
              >
                {stay}
              </button>
            </AlertDialog.Cancel>
            {more}
            <Action look="plain" onPress={onGo}>
              {go}
            </Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
