'use client';
import { Tabs as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** What one sheet can show, one at a time: arrow keys go along the tabs, Tab goes into what is shown. */
export function Tabs<Id extends string>({
  label,
  tabs,
  chosen,
  onChoose,
  beside,
  dense = false,
  children,
}: {
  label: string;
  tabs: readonly (readonly [Id, string])[];
  chosen: Id;
  onChoose: (id: Id) => void;
  /** Stands at the end of the row of tabs. */
  beside?: ReactNode;
  /** Many tabs: they stand closer. */
  dense?: boolean;
  children: ReactNode;
}) {
  return (
    <Radix.Root value={chosen} onValueChange={(id) => onChoose(id as Id)} className="min-w-0">
      <div className="mb-3 flex items-end gap-x-3 border-b border-rule print:hidden max-[700px]:flex-wrap">
        <Radix.List
          aria-label={label}
          className="flex min-w-0 flex-wrap gap-x-1 max-[700px]:flex-nowrap max-[700px]:overflow-x-auto"
        >
          {tabs.map(([id, words]) => (
            <Radix.Trigger
              key={id}
              value={id}
              className={`min-h-10 shrink-0 border-b-[3px] border-transparent py-1.5 font-tight text-lead ${dense ? 'px-2' : 'px-3'} whitespace-nowrap text-soft data-[state=active]:border-ink data-[state=active]:font-semibold data-[state=active]:text-ink`}
            >
              {words}
            </Radix.Trigger>
          ))}
        </Radix.List>
        {beside && <div className="ml-auto flex flex-wrap items-center gap-x-3">{beside}</div>}
      </div>
      <Radix.Content value={chosen} className="outline-offset-4">
        {children}
      </Radix.Content>
    </Radix.Root>
  );
}
