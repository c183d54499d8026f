'use client';
import { type ReactNode, useState } from 'react';
import { Fold } from '@/ui/fold';

/** What may wait: folded till somebody opens it, open where something of it was told. */
export function Rest({ head, told, children }: { head: string; told: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(told);
  return (
    <div data-rest="">
      <Fold head={<span className="text-soft">{head}</span>} open={open} onOpen={setOpen}>
        {children}
      </Fold>
    </div>
  );
}
