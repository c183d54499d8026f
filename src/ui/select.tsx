'use client';
import { Command } from 'cmdk';
import { Check, ChevronDown } from 'lucide-react';
import { Popover, Select as Radix } from 'radix-ui';
import { useState } from 'react';
import { wordsMatch } from './words-match';

export interface Choice {
  readonly value: string;
  readonly label: string;
  /** Choices of one group stand together under its name. */
  readonly group?: string;
}

interface Props {
  /** The name of the control, for those who don't see where it stands. */
  readonly label: string;
  readonly value: string | null;
  readonly choices: readonly Choice[];
  readonly onChoose: (value: string) => void;
  /** What is shown while nothing is chosen. */
  readonly empty?: string;
  readonly id?: string;
  readonly className?: string;
  readonly disabled?: boolean;
}

/** From here on a list is long: it is searched by typing. */
const LONG = 12;

const TRIGGER =
  'inline-flex min-h-8 max-w-full min-w-0 items-center justify-end gap-1 rounded-[3px] font-semibold disabled:opacity-40 print:hidden';
const LIST = 'z-50 max-h-[min(60vh,420px)] rounded-[4px] border border-rule bg-panel text-ink shadow-xl';
const ITEM =
  'relative flex min-h-9 cursor-default items-center rounded-[3px] py-1 pr-3 pl-8 outline-none select-none data-[highlighted]:bg-well data-[selected=true]:bg-well';
const GROUP = 'px-3 pt-2 pb-1 font-tight text-small text-soft';

const groupsOf = (choices: readonly Choice[]) => [...new Set(choices.map(({ group }) => group))];

/** One of several named things; a long list is searched by typing. */
export function Select(props: Props) {
  return props.choices.length > LONG ? <Searched {...props} /> : <Short {...props} />;
}

/** The empty string is no value of the list: it stands for "none" outside. */
const inner = (value: string) => `=${value}`;

function Short({ label, value, choices, onChoose, empty = 'choose', id, className = '', disabled }: Props) {
  return (
    <Radix.Root
      value={value === null ? '' : inner(value)}
      onValueChange={(next) => onChoose(next.slice(1))}
      {...(disabled ? { disabled } : {})}
    >
      <Radix.Trigger id={id} aria-label={label} className={`${TRIGGER} ${className}`}>
        <span className="truncate">
          <Radix.Value placeholder={empty} />
        </span>
        <Radix.Icon>
          <ChevronDown size={15} aria-hidden="true" className="shrink-0 text-soft" />
        </Radix.Icon>
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          position="popper"
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className={`${LIST} overflow-hidden`}
        >
          <Radix.Viewport className="p-1">
            {groupsOf(choices).map((group) => (
              <Radix.Group key={group ?? ''}>
                {group !== undefined && <Radix.Label className={GROUP}>{group}</Radix.Label>}
                {choices
                  .filter((choice) => choice.group === group)
                  .map((choice) => (
                    <Radix.Item key={choice.value} value={inner(choice.value)} className={ITEM}>
                      <Radix.ItemIndicator className="absolute left-2">
                        <Check size={15} aria-hidden="true" />
                      </Radix.ItemIndicator>
                      <Radix.ItemText>{choice.label}</Radix.ItemText>
                    </Radix.Item>
                  ))}
              </Radix.Group>
            ))}
          </Radix.Viewport>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

function Searched({ label, value, choices, onChoose, empty = 'choose', id, className = '', disabled }: Props) {
  const [open, setOpen] = useState(false);
  const chosen = choices.find((choice) => choice.value === value);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        id={id}
        role="combobox"
        aria-label={label}
        aria-expanded={open}
        disabled={disabled}
        className={`${TRIGGER} ${className}`}
      >
        <span className="truncate">{chosen?.label ?? empty}</span>
        <ChevronDown size={15} aria-hidden="true" className="shrink-0 text-soft" />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className={`${LIST} flex w-[min(360px,92vw)] flex-col`}
        >
          <Command
            label={label}
            filter={(_, typed, keywords) => wordsMatch(keywords?.join(' ') ?? '', typed)}
            defaultValue={value === null ? '' : inner(value)}
            className="flex min-h-0 flex-col"
          >
            <Command.Input
              placeholder="Type to find"
              className="m-1 min-h-9 rounded-[3px] border border-rule bg-paper px-2"
            />
            <Command.List className="min-h-0 overflow-y-auto p-1">
              <Command.Empty className="px-3 py-2 text-soft">Nothing has these words.</Command.Empty>
              {groupsOf(choices).map((group) => (
                <Command.Group
                  key={group ?? ''}
                  heading={group}
                  className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:font-tight [&_[cmdk-group-heading]]:text-small [&_[cmdk-group-heading]]:text-soft"
                >
                  {choices
                    .filter((choice) => choice.group === group)
                    .map((choice) => (
                      <Command.Item
                        key={choice.value}
                        value={inner(choice.value)}
                        keywords={[choice.label, choice.group ?? '']}
                        onSelect={() => {
                          setOpen(false);
                          onChoose(choice.value);
                        }}
                        className={ITEM}
                      >
                        {choice.value === value && <Check size={15} aria-hidden="true" className="absolute left-2" />}
                        {choice.label}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
