'use client';
import { Dialog } from 'radix-ui';
import { useState } from 'react';

export interface Command {
  readonly name: string;
  readonly key?: string;
  readonly run: () => void;
  readonly disabled?: boolean;
}

/** All commands with their keys; typing narrows the list, Enter runs the first. */
export function CommandList({
  open,
  onOpenChange,
  commands,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  commands: readonly Command[];
}) {
  const [filter, setFilter] = useState('');
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  const found = commands.filter((command) => words.every((word) => command.name.toLowerCase().includes(word)));
  const choose = (command: Command | undefined) => {
    if (!command || command.disabled) return;
    onOpenChange(false);
    setFilter('');
    command.run();
  };
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[12vh] left-1/2 w-[min(460px,92vw)] -translate-x-1/2 rounded-[4px] border border-rule bg-panel p-4 text-ink shadow-xl"
        >
          <Dialog.Title className="mb-2 font-tight text-[19px] font-semibold">Commands and keys</Dialog.Title>
          <input
            aria-label="Find a command"
            placeholder="Type to find"
            value={filter}
            onChange={(event) => setFilter(event.currentTarget.value)}
            onKeyDown={(event) => event.key === 'Enter' && choose(found.find((command) => !command.disabled))}
            className="mb-2 w-full rounded-[3px] border border-rule bg-paper px-3 py-2"
          />
          <ul className="max-h-[50vh] overflow-y-auto">
            {found.map((command) => (
              <li key={command.name}>
                <button
                  type="button"
                  disabled={command.disabled}
                  onClick={() => choose(command)}
                  className="flex w-full items-center justify-between rounded-[3px] px-2 py-1.5 text-left hover:bg-well disabled:opacity-40"
                >
                  {command.name}
                  {command.key && (
                    <kbd className="rounded-[3px] border border-rule px-1.5 font-tight text-[13px] uppercase">
                      {command.key}
                    </kbd>
                  )}
                </button>
              </li>
            ))}
            {found.length === 0 && <li className="px-2 py-1.5 text-soft">No command has these words.</li>}
          </ul>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
