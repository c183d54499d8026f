'use client';
import { useMemo, useState } from 'react';
import type { Build } from '@/core/build';
import { compareBuilds, type Difference } from '@/core/build/compare';
import { Action } from '@/ui/action';

const WORDS = { added: 'comes back', removed: 'goes', changed: 'changes' } as const;
/** So many are listed at first. */
const FIRST = 12;

/** What going back from a build as it is to one of its states would change, before it is done. */
export function Comparison({ now, then }: { now: Build; then: Build }) {
  const differences = useMemo(() => compareBuilds(now, then), [now, then]);
  const [all, setAll] = useState(false);
  if (differences.length === 0) return <p className="py-1 text-soft">Nothing: it is as it was then.</p>;
  const shown = all ? differences : differences.slice(0, FIRST);
  return (
    <div className="border-l-[3px] border-rule py-1 pl-3">
      <p className="text-small text-soft">{sum(differences)} Figures are in SI units: now → then.</p>
      <ul>
        {shown.map(({ what, where, name, figures }) => (
          <li key={`${where}|${what}|${name}|${figures[0] ?? ''}`} className="py-0.5 break-words">
            <span className="text-soft">{where}: </span>
            <span className="font-semibold">{name}</span> {WORDS[what]}
            {figures.length > 0 && <span className="text-small">: {figures.join('; ')}</span>}
          </li>
        ))}
      </ul>
      {shown.length < differences.length && (
        <Action look="quiet" onPress={() => setAll(true)}>
          Show all {differences.length}
        </Action>
      )}
    </div>
  );
}

function sum(differences: readonly Difference[]): string {
  const count = (kind: Difference['what']) => differences.filter(({ what }) => what === kind).length;
  const [added, removed, changed] = [count('added'), count('removed'), count('changed')];
  const parts = [
    changed > 0 ? `${changed} changed` : '',
    added > 0 ? `${added} come back` : '',
    removed > 0 ? `${removed} go` : '',
  ].filter((text) => text !== '');
  return `Going back: ${parts.join(', ')}.`;
}
