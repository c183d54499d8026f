'use client';
import { useEffect, useRef } from 'react';
import { type Check, checkKey, marginText, say } from '@/core/checks';
import type { UnitSystem } from '@/core/quantities';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { WorkingLines } from '@/ui/working-lines';
import { RemedyList } from './remedies';
import { shapeOf } from './shape';

const EDGE: Readonly<Partial<Record<Check['verdict'], string>>> = { fails: 'border-fails', thin: 'border-thin' };

interface Props {
  readonly check: Check;
  readonly system: UnitSystem;
  readonly open: boolean;
  readonly onOpen: (key: string | null) => void;
}

/** One check: its sentence and margin; opened, its working, its sources and its remedies. The focus follows what was opened. */
export function CheckItem({ check, system, open, onOpen }: Props) {
  const key = checkKey(check);
  const item = useRef<HTMLLIElement>(null);
  const head = useRef<HTMLButtonElement>(null);
  const { title, line } = say(check, system);
  const shape = shapeOf(check.verdict);
  useEffect(() => {
    if (!open) return;
    item.current?.scrollIntoView({ block: 'nearest' });
    if (!item.current?.contains(document.activeElement)) head.current?.focus({ preventScroll: true });
  }, [open]);
  return (
    <li
      ref={item}
      data-check={key}
      data-verdict={check.verdict}
      className="border-b border-rule"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !open || event.defaultPrevented) return;
        event.preventDefault();
        onOpen(null);
        head.current?.focus();
      }}
    >
      <button
        ref={head}
        type="button"
        aria-expanded={open}
        onClick={() => onOpen(open ? null : key)}
        className="grid w-full grid-cols-[18px_1fr_auto] items-baseline gap-x-1.5 py-2 text-left"
      >
        <span className="translate-y-[2px]">
          <VerdictMark shape={shape} />
        </span>
        <span className="font-semibold leading-snug">{title}</span>
        <span className={`whitespace-nowrap font-semibold ${MARK_COLOUR[shape]}`}>{marginText(check)}</span>
        <span className="col-start-2 col-end-4 text-small text-soft">{line}</span>
      </button>
      {open && (
        <div className={`mb-3 border-l-[3px] bg-well p-3 ${EDGE[check.verdict] ?? 'border-rule'}`}>
          <WorkingLines working={check.working} system={system} />
          {['fails', 'thin', 'needs-data'].includes(check.verdict) && <RemedyList check={check} />}
        </div>
      )}
    </li>
  );
}

/** The same sentence about several things in one line: the thinnest of them, and how many more. */
export function CheckGroup({
  checks,
  system,
  opened,
  unfolded,
  onUnfold,
  onOpen,
}: {
  checks: readonly Check[];
  system: UnitSystem;
  opened: string | null;
  unfolded: boolean;
  onUnfold: (unfolded: boolean) => void;
  onOpen: (key: string | null) => void;
}) {
  const first = checks[0]!;
  const shape = shapeOf(first.verdict);
  const { title } = say(first, system);
  const open = unfolded || checks.some((check) => checkKey(check) === opened);
  return (
    <li className="border-b border-rule" data-group={first.says.code}>
      <button
        type="button"
        aria-expanded={open}
        onClick={() => onUnfold(!open)}
        className="grid w-full grid-cols-[18px_1fr_auto] items-baseline gap-x-1.5 py-2 text-left"
      >
        <span className="translate-y-[2px]">
          <VerdictMark shape={shape} />
        </span>
        <span className="font-semibold leading-snug">{title}</span>
        <span className={`whitespace-nowrap font-semibold ${MARK_COLOUR[shape]}`}>{marginText(first)}</span>
        <span className="col-start-2 col-end-4 text-small text-soft">
          and {checks.length - 1} more like it {open ? '– hide' : '– show'}
        </span>
      </button>
      {open && (
        <ul className="mb-1 ml-[9px] border-l border-rule pl-3">
          {checks.map((check) => (
            <CheckItem
              key={checkKey(check)}
              check={check}
              system={system}
              open={opened === checkKey(check)}
              onOpen={onOpen}
            />
          ))}
        </ul>
      )}
    </li>
  );
}
