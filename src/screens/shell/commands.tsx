'use client';
import { Command as Cmdk } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useReturnFocus } from '@/ui/return-focus';
import { wordsMatch } from '@/ui/words-match';

export interface Command {
  readonly name: string;
  readonly key?: string;
  readonly run: () => void;
  readonly disabled?: boolean;
}

/** All commands with their keys; typing narrows the list, arrows go along it, Enter runs the marked one. */
export function CommandList({
  open,
  onOpenChange,
  commands,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  commands: readonly Command[];
}) {
  const focus = useReturnFocus();
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          aria-describedby={undefined}
          {...focus}
          className="fixed top-[12vh] left-1/2 z-50 w-[min(460px,94vw)] -translate-x-1/2 rounded-[4px] border border-rule bg-panel p-4 text-ink shadow-xl"
        >
          <Dialog.Title className="mb-2 font-tight text-title font-semibold">Commands and keys</Dialog.Title>
          <Cmdk label="Find a command" filter={wordsMatch} loop>
            <Cmdk.Input
              placeholder="Type to find"
              className="mb-2 min-h-10 w-full rounded-[3px] border border-rule bg-paper px-3"
            />
            <Cmdk.List className="max-h-[50vh] overflow-y-auto">
              <Cmdk.Empty className="px-2 py-1.5 text-soft">No command has these words.</Cmdk.Empty>
              {commands.map((command) => (
                <Cmdk.Item
                  key={command.name}
                  value={command.name}
                  {...(command.disabled ? { disabled: true } : {})}
                  onSelect={() => {
                    onOpenChange(false);
                    command.run();
                  }}
                  className="flex min-h-9 cursor-default items-center justify-between rounded-[3px] px-2 py-1.5 data-[disabled=true]:opacity-40 data-[selected=true]:bg-well"
                >
                  {command.name}
                  {command.key && (
                    <kbd className="rounded-[3px] border border-rule px-1.5 font-tight text-note uppercase">
                      {command.key}
                    </kbd>
                  )}
                </Cmdk.Item>
              ))}
            </Cmdk.List>
          </Cmdk>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
