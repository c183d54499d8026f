'use client';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

/** A button that opens a short list of things to do. */
export function Menu({
  children,
  label,
  items,
}: {
  children: ReactNode;
  /** Said to screen readers when the words alone are not enough. */
  label?: string;
  items: readonly { readonly name: string; readonly onPress: () => void }[];
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        {...(label ? { 'aria-label': label } : {})}
        className="inline-flex min-h-8 items-center gap-1 rounded-[3px] px-2 py-1 font-tight text-small text-soft underline-offset-4 hover:underline data-[state=open]:bg-well data-[state=open]:text-ink"
      >
        {children}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          collisionPadding={8}
          className="z-40 rounded-[3px] border border-ink bg-panel p-1 shadow-lg"
        >
          {items.map(({ name, onPress }) => (
            <DropdownMenu.Item
              key={name}
              onSelect={onPress}
              className="flex min-h-9 cursor-default items-center rounded-[2px] px-3 py-1 text-small outline-none data-[highlighted]:bg-well max-[900px]:min-h-10"
            >
              {name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
